// Changes in measures, what came, and what the typed line understands of it.
#include "core/plan/changes.h"

#include "core/edit/records.h"
#include "core/entry/came_line.h"
#include "core/hang/as_hung.h"
#include "core/plan/carrying.h"
#include "core/sheets/pack.h"
#include "io/files/issue.h"
#include "io/json/rulebook_json.h"
#include "support/rooms.h"

#include <gtest/gtest.h>

namespace mezzet {
namespace changes_test {
using namespace test;

constexpr LengthFormat kInches{LengthStyle::Inches, 16};

/// A sofa at the wall, a low table before it.
Job sitting(double gap = 16) {
  Piece sofa = piece("sofa", "sofa", 84, 36, 33);
  sofa.seat.edit().height = in(18);
  const Job job = with(emptyRoom(), sofa, "p1", 111, 150 - 18, 0);
  return with(job, piece("low", "low-table", 48, 24, 17), "p2", 111, 150 - 36 - gap - 12, 0);
}
std::vector<KeyedFigure> figures(const Job& job, const char* scheme = "s1") {
  return figuresFor(job, builtInRulebook(), SchemeId(scheme), kInches, kEveryDay);
}
const Change* changeOf(const std::vector<Change>& all, const std::string& id) {
  for (const Change& c : all)
    if (c.id == id) return &c;
  return nullptr;
}

TEST(Changes, AreNoneBetweenEquals) { EXPECT_TRUE(changesBetween(figures(sitting()), figures(sitting())).empty()); }
TEST(Changes, TellWhatWasAndWhatIs) {
  const auto changes = changesBetween(figures(sitting(10)), figures(sitting(16)));
  const Change* reach = changeOf(changes, "table-reach:p1,p2");
  ASSERT_NE(reach, nullptr);
  EXPECT_NEAR(*reach->to - *reach->from, in(6), 0.01);
  EXPECT_EQ(reach->unit, "mm");
  EXPECT_EQ(reach->stage, "floor");
  EXPECT_EQ(reach->better, true);  // 10 in is too near
  const auto back = changesBetween(figures(sitting(16)), figures(sitting(10)));
  EXPECT_EQ(changeOf(back, "table-reach:p1,p2")->better, false);
}
TEST(Changes, MatchTwoSchemesByTheirPieces) {
  Job job = sitting();
  IdSource ids(90);
  SchemeId copy;
  job = withSchemeCopied(job, SchemeId("s1"), "B", ids, copy);
  EXPECT_TRUE(changesBetween(figures(job), figures(job, copy.value.c_str())).empty());
}
TEST(Changes, NameNoRule) {
  for (const Change& c : changesBetween(figures(sitting(10)), figures(sitting(16))))
    EXPECT_EQ(c.what.find("table-reach"), std::string::npos) << c.what;
}
TEST(Changes, OfPlannedAndBuilt) {
  const Job came = withDelivered(sitting(), PieceId("low"), {in(48), in(26), 0}, "2026-11-20").value();
  const auto changes = plannedAndBuilt(came, builtInRulebook(), scheme(came), kInches, kEveryDay);
  const Change* reach = changeOf(changes, "table-reach:p1,p2");
  ASSERT_NE(reach, nullptr);
  EXPECT_NEAR(*reach->to - *reach->from, in(-1), 0.01);  // 2 in deeper about the same middle
  Job hungJob = hung(emptyRoom(), "art", "p1", 30, 24, 100, 60);
  hungJob = withAsHung(hungJob, SchemeId("s1"), PlacementId("p1"), AsHung{in(100), in(57), "2026-11-20"});
  bool lower = false;
  for (const Change& c : plannedAndBuilt(hungJob, builtInRulebook(), scheme(hungJob), kInches, kEveryDay))
    lower = lower || (c.from && c.to && c.stage == "walls" && std::abs(*c.to - *c.from + in(3)) < 0.01);
  EXPECT_TRUE(lower);
}
TEST(Changes, FiguresReadAsPeopleReadThem) {
  EXPECT_EQ(figureText(in(16.5), "mm", kInches, Unit::Inch), "16 1/2 in");
  EXPECT_EQ(figureText(-in(2), "mm", kInches, Unit::Inch), "-2 in");
  EXPECT_EQ(figureText(0.625, "1", kInches, Unit::Inch), "0.63");
  EXPECT_EQ(figureText(-0.25, "1", kInches, Unit::Inch), "-0.25");
  EXPECT_EQ(figureText(3, "1", kInches, Unit::Inch), "3");
  EXPECT_EQ(figureText(12.4, "deg", kInches, Unit::Inch), "12\u00b0");
}

TEST(Delivered, SizesStayWithThePiece) {
  const Job came = withDelivered(sitting(), PieceId("sofa"), {in(84.5), in(37), 0}, "2026-11-20").value();
  const Piece& sofa = *findPiece(came, PieceId("sofa"));
  EXPECT_NEAR(sofa.width, in(84.5), 1e-9);
  EXPECT_NEAR(*sofa.height, in(33), 1e-9);  // not taped: as planned
  EXPECT_EQ(sofa.doubts.at("depth").source, DimensionSource::Measured);
  EXPECT_GT(sofa.doubts.at("depth").u95, 0);
  const Order& order = came.records->orders.back();
  EXPECT_EQ(order.state, OrderState::Arrived);
  EXPECT_NEAR(order.asked->width, in(84), 1e-9);
  EXPECT_EQ(*findPiece(asPlanned(came), PieceId("sofa"))->depth, in(36));
}
TEST(Delivered, AgainKeepsWhatWasAskedFirst) {
  Job job = withDelivered(sitting(), PieceId("sofa"), {in(85), 0, 0}, "2026-11-20").value();
  job = withDelivered(job, PieceId("sofa"), {in(84.5), 0, 0}, "2026-11-21").value();
  EXPECT_NEAR(job.records->orders.back().asked->width, in(84), 1e-9);
  EXPECT_EQ(job.records->orders.size(), 1u);
}
TEST(Delivered, ARoundThingStaysRound) {
  const Job job = with(emptyRoom(), roundPiece("drum", "side-table", 18), "p1", 60, 60);
  const Job came = withDelivered(job, PieceId("drum"), {in(19), 0, 0}, "2026-11-20").value();
  EXPECT_EQ(findPiece(came, PieceId("drum"))->depth, in(19));
}
TEST(Delivered, NeedsADayAndAPiece) {
  EXPECT_FALSE(withDelivered(sitting(), PieceId("sofa"), {}, "").ok());
  EXPECT_FALSE(withDelivered(sitting(), PieceId("nothing"), {}, "2026-11-20").ok());
}
TEST(Delivered, APieceThatIsOrderedStays) {
  Job job = emptyRoom();
  job = withPiece(job, piece("lamp", "lamp", 12, 12)).value();
  Order order;
  order.piece = PieceId("lamp");
  job = withOrder(job, order).value();
  EXPECT_NE(findPiece(withoutPiece(job, PieceId("lamp")), PieceId("lamp")), nullptr);
  EXPECT_EQ(findPiece(withoutPiece(withoutOrder(job, PieceId("lamp")), PieceId("lamp")), PieceId("lamp")), nullptr);
}

CameReading came(const char* line, const Job& job = sitting()) {
  return readCameLine(line, job, {}, Unit::Inch, kInches);
}
TEST(CameLine, ReadsSizesInTheirOrder) {
  const CameReading r = came("sofa came 84 1/2 x 37");
  ASSERT_TRUE(r.piece.has_value()) << r.complaint;
  EXPECT_EQ(*r.piece, PieceId("sofa"));
  EXPECT_NEAR(r.sizes.width, in(84.5), 1e-9);
  EXPECT_NEAR(r.sizes.depth, in(37), 1e-9);
  EXPECT_EQ(r.sizes.height, 0);
  EXPECT_EQ(r.echo, "Sofa came: 84 1/2 in wide (planned 84 in), 37 in deep (planned 36 in), 33 in high as planned");
}
TEST(CameLine, TakesKindsUnitsAndAsPlanned) {
  EXPECT_EQ(*came("low table came").piece, PieceId("low"));
  EXPECT_EQ(*came("LOW came as planned").piece, PieceId("low"));
  EXPECT_NEAR(came("sofa came 2146 x 940 mm").sizes.width, 2146, 1e-9);
  EXPECT_FALSE(came("sofa 84 x 36").meant);
  EXPECT_FALSE(came("camera 5 x 4").meant);
}
TEST(CameLine, APictureHasTwoSizes) {
  const Job job = hung(emptyRoom(), "heron", "p1", 24, 18, 60, 60);
  const CameReading r = readCameLine("heron came 24 1/8 x 18", job, {}, Unit::Inch, kInches);
  EXPECT_NEAR(r.sizes.height, in(18), 1e-9);
  EXPECT_EQ(r.sizes.depth, 0);
  EXPECT_FALSE(readCameLine("heron came 24 x 18 x 1", job, {}, Unit::Inch, kInches).complaint.empty());
}
TEST(CameLine, SaysWhatItCannotRead) {
  EXPECT_NE(came("piano came 60").complaint.find("Nothing in this job"), std::string::npos);
  EXPECT_FALSE(came("sofa came big").complaint.empty());
  EXPECT_FALSE(came("sofa came 1 x 2 x 3 x 4").complaint.empty());
  const Job two = withPiece(sitting(),
                            [] {
                              Piece p = piece("other", "sofa", 70, 36);
                              p.name = "Settle";
                              return p;
                            }())
                      .value();
  Job nameless = two;
  for (auto& p : nameless.pieces)
    if (p->id == PieceId("sofa")) {
      Piece renamed = *p;
      renamed.name = "Long one";
      renamed.id = PieceId("x1");
      p = std::make_shared<const Piece>(renamed);
    }
  EXPECT_NE(readCameLine("sofa came 80", nameless, {}, Unit::Inch, kInches).complaint.find("There are several"),
            std::string::npos);
}

TEST(Issues, TellWhatChangedSince) {
  Job job = issued(sitting(10), builtInRulebook(), {}, "owner", "2026-11-20").value();
  EXPECT_TRUE(asIssued(job));
  EXPECT_EQ(issueWords(job), "Issue 1, 2026-11-20");
  job = placed(job, SchemeId("s1"), PlacementId("p2"), FloorPlace{{in(111), in(150 - 36 - 16 - 12)}, 0});
  EXPECT_FALSE(asIssued(job));
  EXPECT_EQ(issueWords(job), "Changed since issue 1");
  job = issued(job, builtInRulebook(), {}, "installer", "2026-11-27").value();
  const IssueRecord& second = *lastIssue(job);
  EXPECT_EQ(second.number, 2);
  bool told = false;
  for (const std::string& change : second.changes)
    told = told || change.find("16 in, was 10 in (better)") != std::string::npos;
  EXPECT_TRUE(told);
  EXPECT_EQ(issueWords(sitting()), "");
}
TEST(Issues, TheHashIsOfTheJobAlone) {
  const Job job = sitting();
  EXPECT_EQ(jobHash(job).size(), 64u);
  EXPECT_EQ(jobHash(issued(job, builtInRulebook(), {}, "owner", "2026-11-20").value()), jobHash(job));
  EXPECT_NE(jobHash(sitting(12)), jobHash(job));
}
TEST(Reviews, AreOfferedFromWhatIsRecorded) {
  Job job = hung(emptyRoom(), "art", "p1", 30, 24, 100, 60);
  EXPECT_TRUE(reviewsOffered(job, "2026-11-28").empty());
  job = withAsHung(job, SchemeId("s1"), PlacementId("p1"), AsHung{in(100), in(57), "2026-11-20"});
  const auto offered = reviewsOffered(job, "2026-11-28");
  ASSERT_EQ(offered.size(), 1u);
  EXPECT_EQ(offered[0].date, "2027-11-20");
  job = withReview(job, offered[0]).value();
  EXPECT_TRUE(reviewsOffered(job, "2026-11-28").empty());
  EXPECT_EQ(withReviewDone(job, 0, "2027-11-21").records->reviews[0].done, "2027-11-21");
  EXPECT_EQ(withReviewDone(job, 7, "2027-11-21"), job);
}

TEST(Carrying, RugsFirstThenFromTheFurthestCorner) {
  Job job = emptyRoom();
  Room withDoor = *job.rooms.front();
  withDoor.openings.push_back({OpeningId("d1"), "", OpeningKind::Door, CornerId("A"), in(20), in(32), in(80)});
  job = withRoom(job, withDoor).value();
  job = with(job, piece("near", "side-table", 18, 18), "p1", 36, 30);
  job = with(job, piece("far", "side-table", 18, 18), "p2", 200, 130);
  job = with(job, piece("rug", "rug", 96, 72, 0.5), "p3", 60, 60);
  EXPECT_EQ(settingOrder(job, *job.rooms.front(), scheme(job)),
            (std::vector{PlacementId("p3"), PlacementId("p2"), PlacementId("p1")}));
}
TEST(Carrying, WaitsForATapeUntilItIsMeasured) {
  Job job = sitting();
  const auto waiting = [&] { return waitingForTape(job, {&scheme(job)}); };
  EXPECT_TRUE(waiting().empty());
  Order order;
  order.piece = PieceId("sofa");
  order.ordered = "2026-11-02";
  order.state = OrderState::Ordered;
  job = withOrder(job, order).value();
  ASSERT_EQ(waiting().size(), 1u);
  EXPECT_EQ(waiting()[0].says, "Sofa: on order; tape it when it comes");
  job = withDelivered(job, PieceId("sofa"), {}, "2026-11-28").value();
  EXPECT_TRUE(waiting().empty());
  EXPECT_TRUE(isDone(job, scheme(job).placements[0]));
  EXPECT_FALSE(isDone(job, scheme(job).placements[1]));
}

PackRequest packFor(PackReader reader, const char* paper = "letter") {
  PackRequest r;
  r.reader = reader;
  r.sheet.paper = findPaper(paper);
  r.sheet.format = kInches;
  r.sheet.date = "2026-11-28";
  r.sheet.book = &builtInRulebook();
  return r;
}
TEST(Packs, HoldWhatTheirReaderWorksFrom) {
  const Job job = hung(sitting(), "art", "p3", 30, 24, 100, 60);
  const auto kinds = [&](PackReader reader) {
    std::vector<std::string> out;
    for (const PackEntry& e : packEntries(job, builtInRulebook(), reader, {})) out.push_back(e.kind);
    return out;
  };
  EXPECT_EQ(kinds(PackReader::Owner), (std::vector<std::string>{"plan", "fold-out", "wall:A", "budget"}));
  EXPECT_EQ(kinds(PackReader::Installer), (std::vector<std::string>{"tape-out", "plan", "wall:A", "nails:A", "day"}));
  EXPECT_TRUE(kinds(PackReader::Electrician).empty());
  EXPECT_EQ(kinds(PackReader::Shop), (std::vector<std::string>{"card:p1", "card:p2", "card:p3", "cut-outs"}));
  const auto none = composePack(job, packFor(PackReader::Electrician));
  ASSERT_FALSE(none.ok());
  EXPECT_NE(none.error().text().find("nothing to hand over"), std::string::npos);
}
TEST(Packs, NumberEverySheetBehindTheCover) {
  const Job job = hung(sitting(), "art", "p3", 30, 24, 100, 60);
  const Pack pack = composePack(job, packFor(PackReader::Installer)).value();
  ASSERT_EQ(pack.contents.front().kind, "cover");
  int next = 1;
  for (const PackContent& c : pack.contents) {
    EXPECT_EQ(c.first, next);
    next += c.pages;
  }
  EXPECT_EQ(next - 1, static_cast<int>(pack.pages.size()));
  const std::string total = " of " + std::to_string(pack.pages.size());
  for (std::size_t i = 0; i < pack.pages.size(); ++i) {
    bool numbered = false;
    for (const Item& item : pack.pages[i].drawing.items)
      if (const auto* text = std::get_if<TextItem>(&item.shape))
        numbered = numbered || text->text.find("sheet " + std::to_string(i + 1) + total) != std::string::npos;
    EXPECT_TRUE(numbered) << i;
  }
  for (const PackBookmark& mark : pack.bookmarks) EXPECT_LT(mark.page, static_cast<int>(pack.pages.size()));
}
TEST(Packs, TakeALargerPaperWhereASheetDoesNotFit) {
  const Job job = with(emptyRoom(1500, 900), piece("sofa", "sofa", 84, 36, 33), "p1", 111, 130);
  const Pack pack = composePack(job, packFor(PackReader::Owner)).value();
  EXPECT_FALSE(pack.notes.empty());
  EXPECT_NE(pack.contents[1].paper, "Letter");
}
TEST(Packs, StopWhenTold) {
  std::stop_source stop;
  stop.request_stop();
  EXPECT_TRUE(composePack(sitting(), packFor(PackReader::Owner), stop.get_token()).value().pages.empty());
}

}  // namespace changes_test
}  // namespace mezzet
