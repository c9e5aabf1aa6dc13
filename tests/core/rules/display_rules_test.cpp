// What is asked of displays: each rule holding, breaking and at its edge, with its ways out.
#include <gtest/gtest.h>

#include "core/decide/ways_out.h"
#include "core/units/weight.h"
#include "io/json/rulebook_json.h"
#include "support/displays.h"
#include "support/findings.h"

namespace mezzet {
namespace display_rules_test {
using namespace test;

constexpr LengthFormat kInches{LengthStyle::Inches, 16};
const char *kBlack = "#232120", *kCream = "#eadfc6", *kBrass = "#ae8b3f", *kRed = "#a2352c";

std::vector<Finding> judged(const Job& job) {
  return check(job, builtInRulebook(), kDisplayScheme, kInches, kEveryDay);
}
std::vector<Finding> of(const Job& job, const char* rule) {
  std::vector<Finding> out;
  for (Finding& f : judged(job))
    if (f.rule == rule) out.push_back(std::move(f));
  return out;
}
std::vector<WayOut> ways(const Job& job, const Finding& f) {
  return waysOutOf(f, judged(job), job, builtInRulebook(), kDisplayScheme, IdSource(90), kInches, kEveryDay);
}
Job accepted(const Job& job, std::vector<std::string> main, std::vector<std::string> accent) {
  DisplaySet set{"c"};
  set.palette.main = std::move(main);
  set.palette.accent = std::move(accent);
  set.palette.accepted = true;
  return withDisplay(job, kDisplayScheme, set);
}

TEST(ShelfFit, IsTheLeastRoomOfAThing) {
  const auto all = of(on(withCase(emptyRoom()), piece("a", "box", 6, 6, 8), "p", "b2", 5, 1), "shelf-fit");
  ASSERT_EQ(all.size(), 1u);
  EXPECT_EQ(all[0].id, "shelf-fit:p");
  EXPECT_EQ(viewKey(all[0].view), "display:c");
  EXPECT_NEAR(all[0].measured, in(5), 1e-6);
  EXPECT_EQ(all[0].verdict, Verdict::Holds);
}
TEST(ShelfFit, HoldsWhereAThingJustTouches) {
  const auto all = of(on(withCase(emptyRoom()), piece("a", "box", 34.5, 6, 14.7), "p", "b2", 0, 1), "shelf-fit");
  EXPECT_NEAR(all[0].measured, 0, 1e-6);
  EXPECT_EQ(all[0].verdict, Verdict::Holds);
}
TEST(ShelfFit, LetsAThingStandOutByAnInch) {
  const Job job = withCase(emptyRoom());
  EXPECT_EQ(of(on(job, piece("a", "box", 6, 13, 8), "p", "b2", 5, -1), "shelf-fit")[0].verdict, Verdict::Holds);
  const auto out = of(on(job, piece("a", "box", 6, 13, 8), "p", "b2", 5, -1.5), "shelf-fit");
  EXPECT_EQ(out[0].verdict, Verdict::Breaks);
  EXPECT_NEAR(out[0].measured, -in(0.5), 1e-6);
}
TEST(ShelfFit, TellsOfThingsInOnePlace) {
  Job job = on(withCase(emptyRoom()), piece("a", "box", 6, 6, 8), "p", "b2", 5, 1);
  job = on(job, piece("b", "box", 6, 6, 8), "q", "b2", 9, 1);
  const auto all = of(job, "shelf-fit");
  EXPECT_NEAR(all[0].measured, -in(2), 1e-6);
  EXPECT_NE(all[0].sentence.find("into"), std::string::npos) << all[0].sentence;
}
TEST(ShelfFit, OffersAnotherBayOrToLieDown) {
  Piece p = piece("case", "bookcase", 36, 12, 60);
  p.surfaces.edit().all = {bay("low", -17, 17, 1, 9), bay("tall", -17, 17, 10, 30)};
  Job job = withPlacement(withPiece(emptyRoom(), p).value(), kDisplayScheme,
                          {PlacementId("c"), p.id, FloorPlace{{in(111), in(6)}, 180}, {}});
  job = on(job, piece("v", "object", 5, 5, 12), "p", "low", 3, 1);
  const auto all = of(job, "shelf-fit");
  ASSERT_EQ(all[0].verdict, Verdict::Breaks);
  const auto out = ways(job, all[0]);
  std::set<std::string> ids;
  for (const WayOut& w : out) ids.insert(w.id);
  EXPECT_TRUE(ids.contains("bay:tall"));
  EXPECT_TRUE(ids.contains("lay"));
}
TEST(ShelfFill, IsTheTallestOverTheBay) {
  Job job = withCase(emptyRoom(), 1, 36, 12, 21.5);  // a bay of 20 in
  EXPECT_EQ(of(on(job, piece("a", "box", 6, 6, 12), "p", "b1", 5, 1), "shelf-fill")[0].verdict, Verdict::Holds);
  EXPECT_EQ(of(on(job, piece("a", "box", 6, 6, 18), "p", "b1", 5, 1), "shelf-fill")[0].verdict, Verdict::Holds);
  EXPECT_EQ(of(on(job, piece("a", "box", 6, 6, 11), "p", "b1", 5, 1), "shelf-fill")[0].verdict, Verdict::Breaks);
  const auto high = of(on(job, piece("a", "box", 6, 6, 19), "p", "b1", 5, 1), "shelf-fill");
  EXPECT_EQ(high[0].verdict, Verdict::Breaks);
  EXPECT_EQ(high[0].id, "shelf-fill:c/b1");
  EXPECT_NEAR(high[0].margin, -0.05, 1e-9);
}
TEST(ShelfSee, OffersTheRiserThatGivesItBack) {
  Job job = withOneShelf(emptyRoom(), 72, 8);
  DisplaySet eye{"c"};
  eye.eyeHeight = in(61.625);
  eye.eyeDistance = in(60);
  job = withDisplay(job, kDisplayScheme, eye);
  job = on(job, piece("bowl", "bowl", 4, 4, 3), "p", "b1", 5, 8);
  const auto all = of(job, "shelf-see");
  ASSERT_EQ(all.size(), 1u);
  EXPECT_NEAR(all[0].measured, 0.539, 5e-4);
  EXPECT_EQ(all[0].verdict, Verdict::Breaks);
  bool riser = false, forward = false;
  for (const WayOut& w : ways(job, all[0])) {
    riser = riser || w.id == "riser";
    forward = forward || w.id == "forward";
    EXPECT_EQ(verdictIn(judged(w.job), "shelf-see:p"), Verdict::Holds) << w.sentence;
  }
  EXPECT_TRUE(riser);
  EXPECT_TRUE(forward);
}
TEST(StackOrder, IsAskedAboveTheEyeOnly) {
  Piece stack = piece("s", "book-stack", 10, 8, 4);
  stack.thing.edit().items = {{in(8), in(6), in(1)}, {in(10), in(6), in(1)}};
  const auto high = of(on(withOneShelf(emptyRoom(), 72, 8), stack, "p", "b1", 5, 1), "stack-order");
  ASSERT_EQ(high.size(), 1u);
  EXPECT_NEAR(high[0].measured, -in(2), 1e-6);
  EXPECT_EQ(high[0].verdict, Verdict::Breaks);
  EXPECT_TRUE(of(on(withOneShelf(emptyRoom(), 30, 8), stack, "p", "b1", 5, 1), "stack-order").empty());
  stack.thing.edit().items = {{in(10), in(6), in(1)}, {in(10), in(6), in(1)}};
  EXPECT_EQ(of(on(withOneShelf(emptyRoom(), 72, 8), stack, "p", "b1", 5, 1), "stack-order")[0].verdict, Verdict::Holds);
}
TEST(LoneLow, IsAskedAboveTheEye) {
  EXPECT_EQ(
      of(on(withOneShelf(emptyRoom(), 70, 20), piece("a", "box", 6, 6, 6), "p", "b1", 5, 1), "lone-low")[0].verdict,
      Verdict::Breaks);
  EXPECT_EQ(
      of(on(withOneShelf(emptyRoom(), 70, 20), piece("a", "box", 6, 6, 7), "p", "b1", 5, 1), "lone-low")[0].verdict,
      Verdict::Holds);
  EXPECT_TRUE(
      of(on(withOneShelf(emptyRoom(), 30, 20), piece("a", "box", 6, 6, 3), "p", "b1", 5, 1), "lone-low").empty());
}
TEST(LeanFront, IsTheFreeShareOfAPicturesFace) {
  Job job = withCase(emptyRoom(), 1, 36, 12, 21.5);
  job = on(job, piece("art", "art", 12, 1, 16), "p", "b1", 10, 11, Lie::Leaning);
  EXPECT_NEAR(of(job, "lean-front")[0].measured, 1, 1e-9);
  job = on(job, piece("box", "box", 6, 6, 8), "q", "b1", 10, 1);
  EXPECT_NEAR(of(job, "lean-front")[0].measured, 0.75, 1e-9);
  EXPECT_EQ(of(job, "shelf-fit")[0].verdict, Verdict::Holds);  // leaning behind is no running into
  job = on(job, piece("big", "box", 6, 6, 16), "r", "b1", 16, 1);
  EXPECT_EQ(of(job, "lean-front")[0].verdict, Verdict::Breaks);
}
TEST(PairStagger, WantsTwoDepths) {
  Job job = on(withCase(emptyRoom()), ofFamily(piece("a", "vase", 6, 6, 10), "blue"), "p", "b2", 4, 1);
  job = on(job, ofFamily(piece("b", "vase", 6, 6, 10), "blue"), "q", "b2", 14, 1);
  const auto all = of(job, "pair-stagger");
  ASSERT_EQ(all.size(), 1u);
  EXPECT_EQ(all[0].verdict, Verdict::Breaks);
  const auto out = ways(job, all[0]);
  ASSERT_FALSE(out.empty());
  EXPECT_EQ(verdictIn(judged(out.front().job), all[0].id), Verdict::Holds);
  // Flanking something about the middle they may.
  Job flanking = on(withCase(emptyRoom()), ofFamily(piece("a", "vase", 6, 6, 10), "blue"), "p", "b2", 2, 1);
  flanking = on(flanking, ofFamily(piece("b", "vase", 6, 6, 10), "blue"), "q", "b2", 26.5, 1);
  flanking = on(flanking, piece("m", "box", 8, 6, 8), "r", "b2", 13, 1);
  EXPECT_TRUE(of(flanking, "pair-stagger").empty());
}
TEST(PaletteStray, NamesTheWorstThree) {
  Job job = withCase(emptyRoom());
  job = on(job, coloured(piece("a", "box", 6, 6, 10), kBlack), "p", "b2", 1, 1);
  EXPECT_TRUE(of(job, "palette-stray").empty());  // not accepted yet
  job = accepted(job, {kBlack, kCream}, {kBrass});
  EXPECT_EQ(of(job, "palette-stray")[0].verdict, Verdict::Holds);
  job = on(job, coloured(piece("b", "box", 6, 6, 10), kRed), "q", "b2", 9, 1);
  const auto all = of(job, "palette-stray");
  ASSERT_EQ(all.size(), 1u);
  EXPECT_EQ(all[0].subjects, std::vector<std::string>{"q"});
  EXPECT_EQ(all[0].verdict, Verdict::Breaks);
  EXPECT_NE(all[0].sentence.find("red"), std::string::npos);
  EXPECT_FALSE(all[0].marginMm);
}
TEST(PaletteStray, ReadsBrownAsBrass) {
  Job job = on(withCase(emptyRoom()), coloured(piece("a", "box", 6, 6, 10), "#6b4a2f"), "p", "b2", 1, 1);
  job = accepted(job, {kBlack}, {kBrass});
  EXPECT_EQ(of(job, "palette-stray")[0].verdict, Verdict::Breaks);
  DisplaySet set = *findDisplay(scheme(job), "c");
  set.palette.readsAs = {{"#6b4a2f", kBrass}};
  EXPECT_EQ(of(withDisplay(job, kDisplayScheme, set), "palette-stray")[0].verdict, Verdict::Holds);
}
TEST(AccentShare, IsOfTheFaces) {
  Job job = withCase(emptyRoom());
  job = on(job, coloured(piece("a", "box", 9, 6, 10), kBlack), "p", "b2", 1, 1);
  job = on(job, coloured(piece("b", "box", 1, 6, 10), kBrass), "q", "b2", 12, 1);
  const auto all = of(accepted(job, {kBlack}, {kBrass}), "accent-share");
  EXPECT_NEAR(all[0].measured, 0.1, 1e-9);
  EXPECT_EQ(all[0].verdict, Verdict::Holds);
}
TEST(ColourMass, CountsStretches) {
  Job job = withCase(emptyRoom());
  const char* colours[] = {kBlack, kCream, kBlack};
  for (int i = 0; i < 3; ++i) {
    const std::string id = "b" + std::to_string(i), at = "p" + std::to_string(i);
    job = on(job, coloured(piece(id.c_str(), "books", 8, 6, 10), colours[i]), at.c_str(), "b2", 9 * i, 1);
  }
  const auto all = of(accepted(job, {kBlack, kCream}, {}), "colour-mass");
  ASSERT_EQ(all.size(), 1u);
  EXPECT_EQ(all[0].measured, 1);
  EXPECT_EQ(all[0].verdict, Verdict::Breaks);
}
TEST(CollectionSpread, AsksNoMoreBaysThanThingsOrBays) {
  Job job = withCase(emptyRoom());
  const auto shell = [](const char* id) {
    Piece p = piece(id, "object", 4, 4, 10);
    p.thing.edit().collection = "shells";
    return p;
  };
  job = on(job, shell("a"), "p", "b1", 1, 1);
  job = on(job, shell("b"), "q", "b1", 9, 1);
  EXPECT_EQ(of(job, "collection-spread")[0].verdict, Verdict::Breaks);
  EXPECT_EQ(of(job, "collection-spread")[0].asked.low, 2);
  job = on(job, shell("d"), "r", "b2", 1, 1);
  job = on(job, shell("e"), "s", "b3", 1, 1);
  EXPECT_EQ(of(job, "collection-spread")[0].verdict, Verdict::Holds);
}
Job table() { return with(emptyRoom(), piece("t", "low-table", 48, 24, 17), "c", 100, 60); }
TEST(OddGroup, LetsAPairFlank) {
  Job job = on(table(), ofFamily(piece("a", "box", 6, 5, 6), "reed"), "p", "top", 10, 5);
  job = on(job, ofFamily(piece("b", "box", 5, 4, 4), "reed"), "q", "top", 18, 5);
  EXPECT_EQ(of(job, "odd-group")[0].verdict, Verdict::Breaks);
  job = on(job, ofFamily(piece("d", "box", 4, 3, 2), "reed"), "r", "top", 25, 5);
  EXPECT_EQ(of(job, "odd-group")[0].verdict, Verdict::Holds);
  EXPECT_EQ(of(job, "odd-group")[0].subjects.size(), 3u);
  // Farther apart than 8 in they are no group.
  Job far = on(table(), ofFamily(piece("a", "box", 6, 5, 6), "reed"), "p", "top", 0, 5);
  far = on(far, ofFamily(piece("b", "box", 6, 5, 6), "reed"), "q", "top", 42, 5);
  EXPECT_TRUE(of(far, "odd-group").empty());
}
TEST(HeightStep, IsOfNeighbours) {
  Job job = on(table(), ofFamily(piece("a", "box", 6, 5, 6), "reed"), "p", "top", 10, 5);
  job = on(job, ofFamily(piece("b", "box", 5, 4, 5.5), "reed"), "q", "top", 18, 5);
  EXPECT_NEAR(of(job, "height-step")[0].measured, in(0.5), 1e-6);
  EXPECT_EQ(of(job, "height-step")[0].verdict, Verdict::Breaks);
}
TEST(Lost, AsksAnEighthOfTheLength) {
  EXPECT_EQ(of(on(table(), piece("a", "box", 6, 5, 6), "p", "top", 10, 5), "lost")[0].verdict, Verdict::Holds);
  EXPECT_EQ(of(on(table(), piece("a", "box", 6, 5, 5.9), "p", "top", 10, 5), "lost")[0].verdict, Verdict::Breaks);
}
TEST(CupRoom, IsAskedOfEachSeatThatIsServed) {
  Piece sofa = piece("sofa", "sofa", 60, 36, 33);
  sofa.seat.edit().height = in(18);
  Job job = with(table(), sofa, "s", 100, 60 + 12 + 15 + 18, 0);
  EXPECT_TRUE(of(job, "cup-room").empty());  // nothing stands there yet
  job = on(job, piece("tray", "tray", 46, 22, 2), "p", "top", 1, 1);
  const auto all = of(job, "cup-room");
  ASSERT_EQ(all.size(), 1u);
  EXPECT_EQ(all[0].id, "cup-room:c,s");
  EXPECT_EQ(all[0].verdict, Verdict::Breaks);
}
TEST(BoxHolds, TriesEveryRightAngledTurn) {
  Piece box = piece("b", "box", 10, 7, 4);
  box.thing.edit().holds = {{"remote", in(2), in(1), in(8.5)}};
  EXPECT_EQ(of(on(table(), box, "p", "top", 5, 5), "box-holds")[0].verdict, Verdict::NotMeasured);
  box.thing.edit().inside = StackItem{in(9), in(6), in(3)};
  EXPECT_EQ(of(on(table(), box, "p", "top", 5, 5), "box-holds")[0].verdict, Verdict::Holds);
  box.thing.edit().holds.push_back({"block", in(9), in(6), in(2.5)});
  EXPECT_EQ(of(on(table(), box, "p", "top", 5, 5), "box-holds")[0].verdict, Verdict::Breaks);
}
TEST(ShelfLoad, TakesBooksByTheirRun) {
  Job job = on(withCase(emptyRoom()), piece("a", "books", 24, 6, 10), "p", "b2", 1, 1);
  auto surfaces = findPiece(job, PieceId("case"))->surfaces->all;
  surfaces[1].load = 20;  // 40 lb of books are 18.1 kg
  job = withSurfaces(job, PieceId("case"), surfaces).value();
  const auto all = of(job, "shelf-load");
  ASSERT_EQ(all.size(), 1u);
  EXPECT_NEAR(all[0].measured, 40 * kPound / 20, 1e-6);
  EXPECT_EQ(all[0].verdict, Verdict::Holds);
}
TEST(ShelfSag, OffersTheUpright) {
  Piece p = piece("case", "bookcase", 60, 11, 38);
  p.surfaces.edit().all = {bay("b1", -29.25, 29.25, 19, 37.25)};
  p.surfaces.edit().all[0].material = Board::RedOak;
  Placement at{PlacementId("c"), p.id, FloorPlace{{in(111), in(6)}, 180}, {}};
  at.restrained = true;
  const Job job = withPlacement(withPiece(emptyRoom(), p).value(), kDisplayScheme, at);
  const auto all = of(job, "shelf-sag");
  ASSERT_EQ(all.size(), 1u);
  EXPECT_NEAR(all[0].measured, 13.8, 0.05);
  EXPECT_NEAR(*all[0].asked.high, 7.7, 0.05);
  EXPECT_EQ(all[0].verdict, Verdict::Breaks);
  const auto out = ways(job, all[0]);
  ASSERT_FALSE(out.empty());
  EXPECT_EQ(out.front().id, "upright");
  const auto cured = of(out.front().job, "shelf-sag");
  ASSERT_EQ(cured.size(), 2u);
  for (const Finding& f : cured) EXPECT_NEAR(f.measured, 0.82, 0.01);
}
TEST(TallTip, AsksForATie) {
  Job job = with(emptyRoom(), piece("case", "bookcase", 36, 12, 37), "c", 100, 60);
  ASSERT_EQ(of(job, "tall-tip").size(), 1u);
  EXPECT_EQ(of(job, "tall-tip")[0].verdict, Verdict::Breaks);
  EXPECT_EQ(of(job, "tall-tip")[0].weight, Weight::Rule);
  EXPECT_EQ(of(withRestrained(job, kDisplayScheme, PlacementId("c"), true), "tall-tip")[0].verdict, Verdict::Holds);
  job.brief.children = true;
  EXPECT_EQ(of(job, "tall-tip")[0].weight, Weight::Must);
  EXPECT_TRUE(of(with(emptyRoom(), piece("case", "bookcase", 36, 12, 36), "c", 100, 60), "tall-tip").empty());
}
TEST(CushionRoom, IsWhatIsLeftOfASeat) {
  Piece sofa = piece("sofa", "sofa", 84, 36, 33);
  sofa.seat.edit().people = 3;
  sofa.seat.edit().cushions = 2;
  EXPECT_NEAR(of(with(emptyRoom(), sofa, "s", 100, 60), "cushion-room")[0].measured, in(24), 1e-6);
  sofa.seat.edit().cushions = 4;
  EXPECT_EQ(of(with(emptyRoom(), sofa, "s", 100, 60), "cushion-room")[0].verdict, Verdict::Breaks);
}
TEST(DisplayRules, HoldAlikeInTurnedAndMirroredRooms) {
  // The same case at another wall, turned: nothing about it changes.
  Job job = withCase(emptyRoom());
  job = on(job, piece("a", "box", 6, 6, 8), "p", "b2", 5, 1);
  job = on(job, piece("v", "vase", 5, 5, 12), "q", "b5", 25, 3);
  const auto measured = [](const Job& j) {
    std::map<std::string, double> out;
    for (const Finding& f : judged(j))
      if (f.view.isDisplay()) out[f.id] = f.measured;
    return out;
  };
  for (const double turn : {0.0, 90.0, 270.0, 33.0}) {
    const Job turned = placed(job, kDisplayScheme, PlacementId("c"), FloorPlace{{in(110), in(75)}, turn});
    const auto was = measured(job), is = measured(turned);
    ASSERT_EQ(was.size(), is.size());
    for (const auto& [id, value] : was) EXPECT_NEAR(is.at(id), value, 1e-6) << id << " at " << turn;
  }
}

}  // namespace display_rules_test
}  // namespace mezzet
