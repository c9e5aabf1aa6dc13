// Nails: from one end and one level line, in studs, in order; a frame's place is rebuilt from them.
#include "core/hang/nails.h"

#include <gtest/gtest.h>

#include "core/edit/hangs.h"
#include "core/edit/site.h"
#include "core/sheets/sheet.h"
#include "core/sheets/sheet_row.h"
#include "io/json/rulebook_json.h"
#include "support/rooms.h"

namespace mezzet {
namespace nails_test {
using namespace test;

constexpr LengthFormat kInches{LengthStyle::Inches, 16};
const SchemeId kScheme("s1");
const CornerId kWall("A");

Job hookedAt(Job job, const char* id, const char* at, double w, double h, double u, double v, double drop = 3,
             const char* group = "") {
  job = hung(job, id, at, w, h, u, v);
  Piece p = *findPiece(job, PieceId(id));
  p.hanger.edit().drop = in(drop);
  p.hanger.edit().hooks = 1;
  job = withPiece(job, p).value();
  if (*group == '\0') return job;
  WallPlace place = wallPlace(findPlacement(scheme(job), PlacementId(at))->on);
  place.group = group;
  return placed(job, kScheme, PlacementId(at), place);
}
NailPlan planOf(const Job& job, WallEnd end = WallEnd::Left, double line = kLevelLine) {
  NailAsk ask;
  ask.wall = kWall;
  ask.end = end;
  ask.line = line;
  ask.school = HookSchool::One;
  return nailPlan(job, *job.rooms.front(), scheme(job), builtInRulebook().fixings, ask, kInches);
}
std::vector<std::string> order(const NailPlan& plan) {
  std::vector<std::string> out;
  for (const Nail& n : plan.nails) out.push_back(n.placement.value);
  return out;
}
/// Studs every 16 in from `first`, found exactly.
Job withStudsAt(Job job, double first) {
  StudRecord studs{kWall, {}, in(16)};
  for (int i = 0; i < 12; ++i) studs.hits.push_back({ReadingId("k" + std::to_string(i)), in(first + 16 * i), 1, false});
  return withStuds(job, job.rooms.front()->id, studs).value();
}

TEST(Nails, GoFromOneEndAndOneLine) {
  const Job job = hookedAt(emptyRoom(), "a", "p1", 24, 30, 100, 57);
  NailPlan plan = planOf(job);
  ASSERT_EQ(plan.nails.size(), 1U);
  EXPECT_NEAR(plan.nails[0].fromEnd, in(100), 1e-9);
  EXPECT_NEAR(plan.nails[0].aboveFloor, in(69), 1e-9);
  EXPECT_NEAR(plan.nails[0].aboveLine, in(69 - 48), 1e-9);
  plan = planOf(job, WallEnd::Right, in(72));
  EXPECT_NEAR(plan.nails[0].fromEnd, in(222 - 100), 1e-9);
  EXPECT_NEAR(plan.nails[0].aboveLine, in(-3), 1e-9);
}
TEST(Nails, CountFromTheFloorRightThereWhereItSlopes) {
  Job job = hookedAt(hookedAt(emptyRoom(), "a", "p1", 12, 20, 30, 57), "b", "p2", 12, 20, 190, 57);
  Room room = *job.rooms.front();
  const auto below = [&](double x, double y, double drop) {
    HeightReading h{ReadingId("h" + std::to_string(room.heights.size())), HeightKind::ToFloor, {in(x), in(y)}, {}};
    h.taken.value = drop;
    room.heights.push_back(h);
  };
  below(10, 10, 1000);
  below(210, 10, 1020);
  below(10, 140, 1000);
  job = withRoom(job, room).value();
  const NailPlan plan = planOf(job);
  ASSERT_EQ(plan.nails.size(), 2U);
  EXPECT_NEAR(plan.nails[0].aboveLine, plan.nails[1].aboveLine, 1e-9);  // level with each other
  EXPECT_NEAR(std::abs(plan.nails[0].aboveFloor - plan.nails[1].aboveFloor), 20.0 * 160 / 200, 0.1);
}
TEST(Nails, OfARowGoFromTheMiddleOutward) {
  Job job = emptyRoom();
  for (int i = 0; i < 5; ++i)
    job = hookedAt(job, ("a" + std::to_string(i)).c_str(), ("p" + std::to_string(i)).c_str(), 12, 12, 60 + 14 * i, 57,
                   2, "g");
  job = withHang(job, kScheme, {"g", HangAs::Row, std::nullopt, 0, 0, HangLine::Centre, "", 1});
  EXPECT_EQ(order(planOf(job)), (std::vector<std::string>{"p2", "p1", "p3", "p0", "p4"}));
}
TEST(Nails, OfAGridGoMiddleRowFirst) {
  Job job = emptyRoom();
  for (int i = 0; i < 6; ++i)
    job = hookedAt(job, ("a" + std::to_string(i)).c_str(), ("p" + std::to_string(i)).c_str(), 12, 12, 60 + 14 * (i % 2),
                   71 - 14 * (i / 2), 2, "g");
  job = withHang(job, kScheme, {"g", HangAs::Grid, std::nullopt, 3, 2, HangLine::Centre, "", 1});
  EXPECT_EQ(order(planOf(job)), (std::vector<std::string>{"p2", "p3", "p0", "p1", "p4", "p5"}));
}
TEST(Nails, OfASalonGoTheLargestFirst) {
  Job job = hookedAt(emptyRoom(), "a", "p1", 10, 10, 60, 57, 2, "g");
  job = hookedAt(hookedAt(job, "b", "p2", 20, 20, 77, 57, 2, "g"), "c", "p3", 12, 12, 95, 57, 2, "g");
  job = withHang(job, kScheme, {"g", HangAs::Salon, std::nullopt, 0, 0, HangLine::Centre, "", 1});
  EXPECT_EQ(order(planOf(job)), (std::vector<std::string>{"p2", "p3", "p1"}));
}
TEST(Nails, AreInAStudNearOneOrBetween) {
  // The stud at 120 from the start corner is at u 102; hits are good to half an inch.
  const Job job = hookedAt(withStudsAt(emptyRoom(), 8), "a", "p1", 24, 30, 102, 57);
  const auto at = [&](double u) {
    return planOf(placed(job, kScheme, PlacementId("p1"), WallPlace{kWall, in(u), in(57), std::nullopt})).nails[0];
  };
  EXPECT_EQ(at(102).stud, StudVerdict::In);
  EXPECT_NEAR(*at(102).toStud, 0, 1);
  EXPECT_EQ(at(110).stud, StudVerdict::Between);
  EXPECT_NEAR(std::abs(*at(110).toStud), in(8), 1);
  EXPECT_EQ(at(102 + 19 / 25.4).stud, StudVerdict::Near);
}
TEST(Nails, OfTwoHooksAreBothInStudsAfterTheMove) {
  Job job = hookedAt(withStudsAt(emptyRoom(), 8), "a", "p1", 30, 30, 108, 57);
  Piece p = *findPiece(job, PieceId("a"));
  p.hanger.edit().hooks = 2;
  p.hanger.edit().hookSpread = in(16);
  job = withPiece(job, p).value();
  NailPlan plan = planOf(job);
  ASSERT_EQ(plan.nails.size(), 2U);
  ASSERT_EQ(plan.moves.size(), 1U);
  EXPECT_LE(std::abs(plan.moves[0].by), kStudMove);
  const WallPlace moved{kWall, in(108) + plan.moves[0].by, in(57), std::nullopt};
  plan = planOf(placed(job, kScheme, PlacementId("p1"), moved));
  for (const Nail& n : plan.nails) EXPECT_EQ(n.stud, StudVerdict::In);
  EXPECT_TRUE(plan.moves.empty());
  EXPECT_NEAR(*plan.nails[0].load + *plan.nails[1].load, weightOf(p)->kg, 1e-9);
}
TEST(Nails, UnderASwitchAreMarked) {
  Job job = hookedAt(emptyRoom(), "a", "p1", 24, 30, 100, 57);
  Room room = *job.rooms.front();
  room.points = {{PointId("sw"), PointKind::Switch, kWall, in(222 - 103), in(48), {}},
                 {PointId("far"), PointKind::Socket, kWall, in(222 - 120), in(12), {}},
                 {PointId("vent"), PointKind::Vent, kWall, in(222 - 100), in(60), {}}};
  job = withRoom(job, room).value();
  const NailPlan plan = planOf(job);
  EXPECT_EQ(plan.nails[0].near, std::vector<PointId>{PointId("sw")});
  EXPECT_TRUE(std::any_of(plan.cautions.begin(), plan.cautions.end(),
                          [](const std::string& c) { return c.find("cables may run there") != std::string::npos; }));
}
TEST(Nails, ThatCannotBeKnownAreListed) {
  const Job job = hookedAt(hung(emptyRoom(), "b", "p2", 10, 10, 40, 57), "a", "p1", 24, 30, 100, 57);
  const NailPlan plan = planOf(job);
  EXPECT_EQ(plan.nails.size(), 1U);
  ASSERT_EQ(plan.unknown.size(), 1U);
  EXPECT_EQ(plan.unknown[0].placement, PlacementId("p2"));
}
TEST(Nails, AreNoneOfAWallThatIsNone) {
  NailAsk ask;
  ask.wall = CornerId("Q");
  const Job job = emptyRoom();
  EXPECT_TRUE(nailPlan(job, *job.rooms.front(), scheme(job), {}, ask, kInches).nails.empty());
}

TEST(NailSheet, RebuildsEveryFrameFromItsFigures) {
  Job job = hookedAt(hookedAt(emptyRoom(), "a", "p1", 24, 30, 60, 57, 2.5), "b", "p2", 16, 20, 140, 60, 1.25);
  SheetRequest request;
  request.paper = findPaper("tabloid");
  request.scale = 24;
  request.format = kInches;
  request.book = &builtInRulebook();
  const auto kind = sheetKind("nails:A");
  ASSERT_TRUE(kind);
  const auto sheet = composeSheet(job, *job.rooms.front(), &scheme(job), *kind, request);
  ASSERT_TRUE(sheet) << sheet.error().text();
  std::vector<std::pair<double, std::string>> words;
  for (const Item& item : sheet->drawing.items)
    if (const auto* text = std::get_if<TextItem>(&item.shape)) words.emplace_back(text->at.y, text->text);
  // From the left end and above the floor, to a sixteenth: 69 1/2 up is the top at 72 less 2 1/2.
  const auto on = [&](const char* text) {
    return std::any_of(words.begin(), words.end(), [&](const auto& w) { return w.second == text; });
  };
  for (const char* text : {"60", "140", "69 1/2", "68 3/4", "21 1/2 above", "20 3/4 above", "A, 24 x 30", "B, 16 x 20"})
    EXPECT_TRUE(on(text)) << text;
}

TEST(NailSheet, NamesFixingsByLetterAndSaysOnceWhatIsNotKnown) {
  const auto wordsOf = [](const Job& job) {
    SheetRequest request{findPaper("a2"), 24, kInches, {}, SheetVersion::Installer};
    request.book = &builtInRulebook();
    const auto sheet = composeSheet(job, *job.rooms.front(), &scheme(job), *sheetKind("nails:A"), request);
    EXPECT_TRUE(sheet) << sheet.error().text();
    std::vector<std::string> out;
    for (const Item& item : sheet->drawing.items)
      if (const auto* text = std::get_if<TextItem>(&item.shape)) out.push_back(text->text);
    return out;
  };
  const auto says = [](const std::vector<std::string>& words, const std::string& what) {
    return std::any_of(words.begin(), words.end(), [&](const std::string& w) { return w.starts_with(what); });
  };
  Job job = hookedAt(emptyRoom(), "a", "p1", 24, 30, 60, 57);
  std::vector<std::string> words = wordsOf(job);
  EXPECT_TRUE(says(words, "What this wall is made of is not known"));
  EXPECT_TRUE(says(words, "No stud is known here"));
  EXPECT_FALSE(says(words, "Fixing"));
  EXPECT_FALSE(says(words, "Stud"));
  Room room = *job.rooms.front();
  room.corners[0].material = WallMaterial::LathAndPlaster;
  job = withStudsAt(withRoom(job, room).value(), 4);
  words = wordsOf(job);
  EXPECT_TRUE(says(words, "To bring: a, 1 x "));
  EXPECT_TRUE(says(words, "Fixing"));
  EXPECT_TRUE(says(words, "Stud"));
  EXPECT_FALSE(says(words, "No stud is known here"));
}

TEST(NailSheet, IsProposedAtAnInchToTheFootWhereThatFits) {
  const Job job = hookedAt(emptyRoom(), "a", "p1", 24, 30, 60, 57);
  SheetRequest request{findPaper("arch-d"), 0, kInches, {}, SheetVersion::Installer};
  request.book = &builtInRulebook();
  const auto scaleOf = [&](const char* kind) {
    const auto sheet = composeSheet(job, *job.rooms.front(), &scheme(job), *sheetKind(kind), request);
    return sheet ? sheet->scale : 0;
  };
  EXPECT_EQ(scaleOf("nails:A"), 12);
  EXPECT_EQ(scaleOf("wall:A"), 24) << "a wall is looked at, not worked from";
}

}  // namespace nails_test
}  // namespace mezzet
