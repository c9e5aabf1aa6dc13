#include <gtest/gtest.h>

#include <array>
#include <random>

#include "core/decide/bands.h"
#include "core/drawing/labels/labels.h"
#include "core/drawing/plan/floor_layers.h"
#include "core/drawing/plan/plan.h"
#include "core/drawing/wall/elevation.h"
#include "io/json/rulebook_json.h"
#include "core/rules/check.h"
#include "core/sheets/sheet.h"
#include "core/space/tapes.h"
#include "support/rooms.h"
#include "support/words.h"

namespace mezzet {
namespace labels_test {
using namespace test;

constexpr LengthFormat kInches{LengthStyle::Inches, 16}, kMetric{LengthStyle::Millimetres, 1};

TextItem words(const std::string& text, Vec2 at = {}) {
  return {at, text, kSmallLetters, Align::Centre, 0, Ink::Ink, Ink::Paper};
}
Drawing sheet() {
  Drawing d;
  d.scale = 50;
  d.low = {-20'000, -20'000};
  d.high = {20'000, 20'000};
  return d;
}
std::vector<TextItem> texts(const Drawing& d) {
  std::vector<TextItem> out;
  for (const Item& item : d.items)
    if (const auto* t = std::get_if<TextItem>(&item.shape)) out.push_back(*t);
  return out;
}
std::string told(const std::vector<std::string>& all) {
  std::string out;
  for (const std::string& one : all) out += one + "\n";
  return out;
}

TEST(Labels, WordsStandAtTheirFirstSpotWhereItIsFree) {
  Drawing d = sheet();
  d.add(labelAt(Layer::Label, "a", Rank::Note, {{0, 0}, {1000, 0}}, words("one")));
  settle(d);
  ASSERT_EQ(texts(d).size(), 1U);
  EXPECT_EQ(texts(d)[0].at, (Vec2{0, 0}));
}
TEST(Labels, OfTwoAtOnePlaceTheOneThatMattersMoreKeepsIt) {
  Drawing d = sheet();
  d.add(labelAt(Layer::Label, "a", Rank::Note, {{0, 0}, {0, 1000}}, words("note")));
  d.add(labelAt(Layer::Label, "b", Rank::Tape, {{0, 0}, {0, 1000}}, words("tape")));
  settle(d);
  for (const TextItem& t : texts(d)) EXPECT_EQ(t.at.y, t.text == "tape" ? 0 : 1000) << t.text;
  EXPECT_EQ(told(meetings(d)), "");
}
TEST(Labels, WithoutAFreeSpotWordsStandBesideOnALeader) {
  Drawing d = sheet();
  d.add(Layer::Title, "", words("in the way, and wide", {0, 0}));
  Label lamp = labelAt(Layer::Label, "a", Rank::Piece, {{0, 0}}, words("lamp"));
  lamp.anchors = {{0, -600}};
  d.add(lamp);
  const PlacedLabels placed = settle(d);
  EXPECT_EQ(placed.of(Rank::Piece).leftOut, 0);
  EXPECT_TRUE(std::any_of(placed.items.begin(), placed.items.end(), [](const Item& i) {
    const auto* path = std::get_if<PathItem>(&i.shape);
    return path != nullptr && path->points.size() == 2 && path->points[1] == Vec2{0, -600};
  }));
  EXPECT_EQ(told(meetings(d)), "");
}
TEST(Labels, WithoutAnAnchorTheyAreLeftOutAndCounted) {
  Drawing d = sheet();
  d.add(Layer::Title, "", words("in the way, and wide", {0, 0}));
  Label label = labelAt(Layer::Label, "a", Rank::Note, {{0, 0}}, words("lamp"));
  label.anchors.clear();
  d.add(label);
  const PlacedLabels placed = settle(d);
  EXPECT_EQ(placed.of(Rank::Note).asked, 1);
  EXPECT_EQ(placed.of(Rank::Note).leftOut, 1);
  EXPECT_TRUE(placed.items.empty());
}
TEST(Labels, WordsKeepOffAWallsFill) {
  Drawing d = sheet();
  d.add(Layer::Wall, "w", PathItem{{{-3000, -200}, {3000, -200}, {3000, 200}, {-3000, 200}}, true, Ink::CutWall, {}});
  d.add(labelAt(Layer::Label, "a", Rank::Note, {{0, 0}, {0, 100}, {0, 900}}, words("sill")));
  settle(d);
  ASSERT_EQ(texts(d).size(), 1U);
  EXPECT_EQ(texts(d)[0].at.y, 900);
}
TEST(Labels, OfFreeSpotsTheOneThatCrossesNoLineIsTaken) {
  Drawing d = sheet();
  d.add(Layer::Furniture, "other", PathItem{{{0, -3000}, {0, 3000}}, false, Ink::None, {Ink::Ink, 0.35, Dash::Solid}});
  d.add(labelAt(Layer::Label, "a", Rank::Piece, {{0, 0}, {2000, 0}}, words("rug")));
  settle(d);
  ASSERT_EQ(texts(d).size(), 1U);
  EXPECT_EQ(texts(d)[0].at.x, 2000);
}
TEST(Labels, WordsMayCrossTheirOwnLine) {
  Drawing d = sheet();
  d.add(Layer::Furniture, "own", PathItem{{{0, -3000}, {0, 3000}}, false, Ink::None, {Ink::Ink, 0.35, Dash::Solid}});
  d.add(labelAt(Layer::Label, "own", Rank::Piece, {{0, 0}, {2000, 0}}, words("rug")));
  settle(d);
  ASSERT_EQ(texts(d).size(), 1U);
  EXPECT_EQ(texts(d)[0].at.x, 0);
}
TEST(Labels, AFigureTooLongForItsLineStandsBesideIt) {
  Drawing d = sheet();
  d.add(labelOnLine(Layer::Dimension, "t", Rank::Tape, {0, 0}, {100, 0}, words("15 1/2 in"), d.scale));
  settle(d);
  ASSERT_EQ(texts(d).size(), 1U);
  EXPECT_GT(std::abs(texts(d)[0].at.y), 2 * d.scale);
}
TEST(Labels, NeededWordsAreNeverLeftOut) {
  Drawing d = sheet();
  for (int i = 0; i < 60; ++i) {
    Label label = labelAt(Layer::Label, "n" + std::to_string(i), Rank::Tape, {{0, 0}}, words("figure 123 in"));
    label.needed = true;
    d.add(label);
  }
  const PlacedLabels placed = settle(d);
  EXPECT_EQ(placed.of(Rank::Tape).leftOut, 0);
  EXPECT_EQ(texts(d).size(), 60U);
  EXPECT_EQ(told(meetings(d)), "");
}
TEST(Labels, TurnedWordsAreComparedAsTheyLie) {
  // Their upright boxes overlap, they do not.
  Drawing d = sheet();
  TextItem slanted = words("a long dimension 123 in", {0, 0});
  slanted.turn = 45;
  d.add(Layer::Title, "", slanted);
  d.add(labelAt(Layer::Label, "a", Rank::Note, {{700, -700}}, words("ok")));
  settle(d);
  ASSERT_EQ(texts(d).size(), 2U);
  EXPECT_EQ(texts(d)[1].at, (Vec2{700, -700}));
}

// ---- rooms as they are drawn

/// A room with a door, a window, furniture as it comes, and pictures; from a seed.
Job seededRoom(unsigned seed) {
  std::mt19937 random(seed);
  const auto uniform = [&](double a, double b) { return std::uniform_real_distribution(a, b)(random); };
  const double wide = uniform(110, 260), deep = uniform(100, 200);
  Job job = emptyRoom(wide, deep);
  const RoomId room = job.rooms.front()->id;
  for (const char* wall : {"A", "B", "C"}) {
    Opening o;
    o.id = OpeningId(std::string("o") + wall);
    o.kind = wall[0] == 'A' ? OpeningKind::Door : OpeningKind::Window;
    o.wall = CornerId(wall);
    o.width = in(uniform(28, 44));
    o.height = in(wall[0] == 'A' ? 80 : 48);
    o.sill = in(wall[0] == 'A' ? 0 : 30);
    o.offset = in(uniform(6, 40));
    job = withOpening(job, room, o).value();
  }
  const std::array<std::array<double, 2>, 7> sizes{
      {{84, 36}, {32, 34}, {48, 24}, {18, 18}, {60, 16}, {36, 15}, {20, 20}}};
  const char* kinds[] = {"sofa", "armchair", "low-table", "side-table", "sideboard", "bookcase", "ottoman"};
  job = with(job, piece("rug", "rug", uniform(60, 110), uniform(50, 90)), "rug", wide / 2, deep / 2);
  const int count = static_cast<int>(uniform(3, 12));
  for (int i = 0; i < count; ++i) {
    const auto k = static_cast<std::size_t>(uniform(0, 6.99));
    const std::string id = "p" + std::to_string(i);
    const double turn = i % 4 == 3 ? uniform(0, 360) : 90 * std::floor(uniform(0, 4));
    job = with(job, piece(id.c_str(), kinds[k], sizes[k][0], sizes[k][1], 30), id.c_str(), uniform(20, wide - 20),
               uniform(20, deep - 20), turn);
  }
  job = hung(job, "print", "print", 30, 24, wide / 2, 57);
  return hung(job, "study", "study", 12, 16, wide / 2 + 30, 57);
}

class SeededRooms : public testing::TestWithParam<unsigned> {};

Drawing together(Drawing still, Drawing moving, std::array<PlacedLabels::Count, kRanks>& counts) {
  append(still, std::move(moving));
  counts = settle(still).counts;
  return still;
}

TEST_P(SeededRooms, NoTwoWordsMeetInThePlanAtAnyZoom) {
  RecordProperty("seed", static_cast<int>(GetParam()));
  const Job job = seededRoom(GetParam());
  const Room& room = *job.rooms.front();
  // As many findings as are marked at once.
  auto result = check(job, builtInRulebook(), scheme(job).id, kInches, kEveryDay);
  std::erase_if(result, [](const Finding& f) { return f.verdict != Verdict::Breaks; });
  result.resize(std::min<std::size_t>(result.size(), 5));
  for (const LengthFormat format : {kInches, kMetric})
    for (const double scale : {16.0, 28.0, 48.0}) {
      PlanOptions o;
      o.scale = scale;
      o.format = format;
      PlanWork work;
      work.scheme = &scheme(job);
      work.selected = PlacementId("p0");
      work.selection = {work.selected};
      work.tapes = tapesOf(job, scheme(job), work.selected);
      work.findings = result;
      work.handle = true;
      std::array<PlacedLabels::Count, kRanks> counts{};
      const Drawing d =
          together(composePlan(job, room, &scheme(job), o), composePlanWork(job, room, work, scale, format), counts);
      EXPECT_EQ(told(meetings(d)), "") << "seed " << GetParam() << " scale " << scale;
      EXPECT_EQ(counts[static_cast<std::size_t>(Rank::Tape)].leftOut, 0);
      EXPECT_EQ(counts[static_cast<std::size_t>(Rank::Dimension)].leftOut, 0);
    }
}
TEST_P(SeededRooms, NoTwoWordsMeetOnAWallAtAnyZoom) {
  const Job job = seededRoom(GetParam());
  const Room& room = *job.rooms.front();
  for (const LengthFormat format : {kInches, kMetric})
    for (const double scale : {12.0, 24.0, 40.0})
      for (const char* picture : {"print", ""}) {
        ElevationOptions o;
        o.scale = scale;
        o.format = format;
        ElevationWork work;
        work.scheme = &scheme(job);
        work.wall = CornerId("C");
        work.selected = PlacementId(picture);
        work.tapes = tapesOf(job, scheme(job), work.selected);
        work.bands = bandsOf(job, builtInRulebook(), scheme(job).id, PlacementId("print"), format);
        work.findings = check(job, builtInRulebook(), scheme(job).id, format, kEveryDay);
        std::array<PlacedLabels::Count, kRanks> counts{};
        const Drawing d = together(composeElevation(job, room, &scheme(job), CornerId("C"), o),
                                   composeElevationWork(job, room, work, scale, format), counts);
        EXPECT_EQ(told(meetings(d)), "") << "seed " << GetParam() << " scale " << scale << " selected " << picture;
      }
}
INSTANTIATE_TEST_SUITE_P(Sixty, SeededRooms, testing::Range(1U, 61U));

TEST(LabelsOfRooms, AtMostATwentiethOfThePiecesGoUnnamed) {
  int asked = 0, leftOut = 0;
  for (unsigned seed = 1; seed <= 60; ++seed) {
    const Job job = seededRoom(seed);
    PlanOptions o;
    o.scale = 24;
    o.format = kInches;
    Drawing d = composePlan(job, *job.rooms.front(), &scheme(job), o);
    const PlacedLabels placed = settle(d);
    asked += placed.of(Rank::Piece).asked;
    leftOut += placed.of(Rank::Piece).leftOut;
  }
  EXPECT_GT(asked, 300);
  EXPECT_LE(leftOut * 20, asked) << leftOut << " of " << asked;
}

}  // namespace labels_test
}  // namespace mezzet
