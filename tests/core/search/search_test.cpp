// Layouts searched: the same answer every time, judged as the ledger judges, ideas that differ.
#include "core/search/search.h"

#include <gtest/gtest.h>

#include "core/edit/validate.h"
#include "core/search/chairs.h"
#include "core/search/differ.h"
#include "core/search/patterns.h"
#include "core/search/tidy.h"
#include "io/json/choosing_report.h"
#include "io/json/rulebook_json.h"
#include "support/rooms.h"

namespace mezzet {
namespace search_test {
using namespace test;

const SchemeId kS("s1");

/// A parlour with a door, a window and a fire, its pieces in a heap.
Job parlour() {
  Job job = emptyRoom(210, 170);
  Room room = *job.rooms.front();
  Opening door;
  door.id = OpeningId("d1");
  door.wall = CornerId("A");
  door.offset = in(12);
  door.width = in(32);
  door.height = in(80);
  Opening window;
  window.id = OpeningId("w1");
  window.kind = OpeningKind::Window;
  window.wall = CornerId("C");
  window.offset = in(70);
  window.width = in(60);
  window.height = in(48);
  window.sill = in(36);
  room.openings = {door, window};
  Feature hearth;
  hearth.id = FeatureId("h1");
  hearth.kind = FeatureKind::Hearth;
  hearth.outline = {{in(196), in(60)}, {in(210), in(60)}, {in(210), in(110)}, {in(196), in(110)}};
  room.features = {hearth};
  job = withRoom(job, room).value();
  job = with(job, piece("sofa", "sofa", 78, 36, 33), "p1", 100, 80);
  job = with(job, piece("low", "low-table", 44, 22, 17), "p2", 100, 80);
  job = with(job, piece("easy", "armchair", 29, 31, 33), "p3", 100, 80);
  job = with(job, *findPiece(job, PieceId("easy")), "p4", 100, 80);
  Piece twice = *findPiece(job, PieceId("easy"));
  twice.count = 2;
  job = withPiece(job, twice).value();
  return with(job, piece("case", "bookcase", 36, 12, 72), "p5", 100, 80);
}
SearchAsk asking(long long candidates, int threads = 1) {
  SearchAsk ask;
  ask.scheme = kS;
  ask.candidates = candidates;
  ask.threads = threads;
  return ask;
}
SearchResult searched(const Job& job, const SearchAsk& ask) {
  return searchLayouts(job, builtInRulebook(), ask, usualFormat(Unit::Inch));
}

TEST(Search, GivesTheSameBytesForAnyNumberOfThreads) {
  const Job job = parlour();
  const SearchResult one = searched(job, asking(900, 1)), two = searched(job, asking(900, 2)),
                     five = searched(job, asking(900, 5));
  const std::string bytes = searchJson(job, scheme(job), one, {});
  EXPECT_EQ(searchJson(job, scheme(job), two, {}), bytes);
  EXPECT_EQ(searchJson(job, scheme(job), five, {}), bytes);
  EXPECT_EQ(one.bounded + one.judged, 900) << "every candidate is counted";
  SearchAsk other = asking(900, 2);
  other.seed = 2;
  EXPECT_NE(searchJson(job, scheme(job), searched(job, other), {}), bytes);
}
TEST(Search, OffersWhatTheLedgerSaysOfIt) {
  const Job job = parlour();
  const SearchResult result = searched(job, asking(1600, 2));
  ASSERT_FALSE(result.offers.empty());
  for (const SearchOffer& offer : result.offers) {
    EXPECT_FALSE(faultOf(offer.job));
    const RouteFacts routes = routeFactsOf(offer.job, kS, UseState::Everyday);
    int must = 0, rule = 0;
    for (const Finding& f :
         check(offer.job, builtInRulebook(), kS, usualFormat(Unit::Inch), {UseState::Everyday, &routes}))
      if (f.verdict == Verdict::Breaks) {
        must += f.weight == Weight::Must;
        rule += f.weight == Weight::Rule;
        EXPECT_FALSE(f.rule == "overlap" || f.rule == "outside-room") << f.sentence;
      }
    EXPECT_EQ(offer.must, must);
    EXPECT_EQ(offer.rule, rule);
    EXPECT_EQ(offer.figures.seats, 3 + 1 + 1);
    EXPECT_NE(offer.why.find(offer.idea), std::string::npos);
  }
  EXPECT_EQ(result.offers.front().must, 0);
}
TEST(Search, OffersDiffer) {
  const Job job = parlour();
  const SearchAsk ask = asking(1600, 2);
  const SearchResult result = searched(job, ask);
  ASSERT_GE(result.offers.size(), 2u);
  const Ground ground = groundOf(job, ask);
  for (std::size_t i = 0; i < result.offers.size(); ++i)
    for (std::size_t j = i + 1; j < result.offers.size(); ++j)
      EXPECT_TRUE(differ(ground, result.offers[i].layout, result.offers[j].layout)) << i << ", " << j;
}
TEST(Search, LeavesWhatIsLockedOrKept) {
  Job job = parlour();
  job = placed(job, kS, PlacementId("p5"), FloorPlace{{in(60), in(164)}, 0});
  job = withLock(job, kS, PlacementId("p5"), true);
  job = placed(job, kS, PlacementId("p3"), FloorPlace{{in(20), in(150)}, 45});
  SearchAsk ask = asking(400);
  ask.keep = {PlacementId("p3")};
  for (const SearchOffer& offer : searched(job, ask).offers)
    for (const char* id : {"p5", "p3"})
      EXPECT_EQ(findPlacement(scheme(offer.job), PlacementId(id))->on, findPlacement(scheme(job), PlacementId(id))->on);
}
TEST(Search, SaysWhyThereIsNothingToMove) {
  const SearchResult result = searched(emptyRoom(), asking(100));
  EXPECT_TRUE(result.offers.empty());
  EXPECT_FALSE(result.says.empty());
}
TEST(Search, StopsAtOnceAndKeepsWhatItHas) {
  std::stop_source over;
  over.request_stop();
  const Job job = parlour();
  SearchAsk ask = asking(0);
  const SearchResult result = searchLayouts(job, builtInRulebook(), ask, usualFormat(Unit::Inch), over.get_token());
  EXPECT_EQ(result.judged, 0);
  EXPECT_FALSE(result.says.empty());
}
TEST(Search, TellsEachBetterLayoutOnTheWay) {
  std::vector<SearchScore> told;
  const Job job = parlour();
  static_cast<void>(searchLayouts(job, builtInRulebook(), asking(600, 2), usualFormat(Unit::Inch), {},
                                  [&](const SearchProgress& so) { told.push_back(*so.best); }));
  ASSERT_GT(told.size(), 1u);
  for (std::size_t i = 1; i < told.size(); ++i) EXPECT_LT(told[i], told[i - 1]);
}
TEST(Search, AWishIsHad) {
  // With the wish for a reading place some seat is nearer to the window than without any wish.
  const Job job = parlour();
  SearchAsk wished = asking(1600, 2);
  wished.wishes = {0, 0, 0, 0, 3, 0};
  const SearchResult result = searched(job, wished);
  ASSERT_FALSE(result.offers.empty());
  double nearest = 1e9;
  for (const char* id : {"p1", "p3", "p4"})
    nearest =
        std::min(nearest, distance(onFloor(findPlacement(scheme(result.offers.front().job), PlacementId(id))->on)->at,
                                   {in(210 - 100), in(170)}));
  EXPECT_LT(nearest, in(62));
}
TEST(Search, TakenOffersAreSchemesOfTheirOwn) {
  const Job job = parlour();
  const SearchAsk ask = asking(500);
  const SearchResult result = searched(job, ask);
  ASSERT_FALSE(result.offers.empty());
  IdSource ids(100);
  SchemeId fresh;
  const Job after = withOfferTaken(job, ask, result.offers.front(), {}, ids, fresh);
  EXPECT_FALSE(faultOf(after));
  EXPECT_EQ(scheme(after), scheme(job)) << "the one that was searched stays";
  const Scheme& taken = *findScheme(after, fresh);
  EXPECT_EQ(taken.name, result.offers.front().name);
  for (std::size_t i = 0; i < taken.placements.size(); ++i)
    EXPECT_EQ(taken.placements[i].on, scheme(result.offers.front().job).placements[i].on);
}
TEST(Search, IsNoWorseThanScatteringAsLong) {
  const Job job = parlour();
  const SearchAsk ask = asking(1200, 2);
  const SearchResult result = searched(job, ask);
  ASSERT_FALSE(result.offers.empty());
  const Ground ground = groundOf(job, ask);
  Judge judge(ground, builtInRulebook(), ask);
  Chance chance(1);
  std::optional<SearchScore> best;
  for (int i = 0; i < 1200; ++i)
    if (const auto score = judge(scattered(ground, chance).layout); score && (!best || *score < *best)) best = score;
  const auto found = judge(result.offers.front().layout);
  ASSERT_TRUE(found);
  if (best) {
    EXPECT_LE(found->energy(), best->energy());
  }
}

TEST(SearchScore, IsShortfallOverTheRange) {
  Finding f;
  f.quantity = Quantity::Length;
  f.asked = {in(12), in(18)};
  f.margin = -in(3);
  EXPECT_DOUBLE_EQ(shortfallOf(f), 0.5);
  f.asked = {in(36), std::nullopt};
  EXPECT_DOUBLE_EQ(shortfallOf(f), 0.5) << "an open range counts as 6 in";
  f.margin = -in(60);
  EXPECT_DOUBLE_EQ(shortfallOf(f), 3) << "at most";
  f.quantity = Quantity::Angle;
  f.margin = -5;
  EXPECT_DOUBLE_EQ(shortfallOf(f), 0.5);
  f.quantity = Quantity::YesNo;
  f.margin = -1;
  EXPECT_DOUBLE_EQ(shortfallOf(f), 1);
  f.verdict = Verdict::Breaks;
  f.weight = Weight::Rule;
  Finding must = f, taste = f, kept = f;
  must.weight = Weight::Must;
  taste.weight = Weight::Taste;
  kept.verdict = Verdict::Kept;
  const SearchScore score = scoreOf({f, f, must, taste, kept});
  EXPECT_EQ(score.must, 1);
  EXPECT_DOUBLE_EQ(score.rule, 2);
  EXPECT_DOUBLE_EQ(score.taste, 1);
  EXPECT_LT((SearchScore{0, 9, 9, 9}), (SearchScore{1, 0, 0, 0}));
  EXPECT_LT((SearchScore{0, 1, 9, 9}), (SearchScore{0, 1.01, 0, 0}));
}

TEST(Differ, IsOverTwoFeetOrAQuarterTurnAfterMatching) {
  const Job job = parlour();
  const Ground g = groundOf(job, asking(1));
  const Layout base = layoutNow(g);
  const auto moved = [&](std::size_t i, Vec2 by, double turn) {
    Layout l = base;
    l.at[i].at += by;
    l.at[i].turn = normalisedTurn(l.at[i].turn + turn);
    return l;
  };
  EXPECT_FALSE(differ(g, base, moved(0, {in(24), 0}, 0)));
  EXPECT_TRUE(differ(g, base, moved(0, {in(24.1), 0}, 0)));
  EXPECT_FALSE(differ(g, base, moved(0, {}, 89)));
  EXPECT_TRUE(differ(g, base, moved(0, {}, 90)));
  EXPECT_FALSE(differ(g, base, moved(1, {}, 180))) << "a table looks the same by half a turn";
  EXPECT_TRUE(differ(g, base, moved(1, {}, 90)));
  // Two equal chairs that changed places are where they were.
  Layout apart = moved(2, {in(80), 0}, 0), exchanged = apart;
  std::swap(exchanged.at[2], exchanged.at[3]);
  EXPECT_FALSE(differ(g, apart, exchanged));
}

TEST(Patterns, AreThoseThatWallsAndFocusesAllow) {
  const Ground g = groundOf(parlour(), asking(1));
  const auto has = [](const std::vector<Pattern>& all, GroupPlace place) {
    return std::any_of(all.begin(), all.end(), [&](const Pattern& p) { return p.place == place; });
  };
  const auto both = patternsOf(g, WallsWish::Both), at = patternsOf(g, WallsWish::Against),
             off = patternsOf(g, WallsWish::Off);
  EXPECT_TRUE(has(both, GroupPlace::ToFire) && has(both, GroupPlace::ToWindow) && has(both, GroupPlace::AtWall) &&
              has(both, GroupPlace::OffWall));
  EXPECT_FALSE(has(both, GroupPlace::ToScreen)) << "there is none";
  EXPECT_TRUE(has(at, GroupPlace::AtWall) && !has(at, GroupPlace::OffWall));
  EXPECT_TRUE(has(off, GroupPlace::OffWall) && !has(off, GroupPlace::AtWall));
  SearchAsk anchored = asking(1);
  anchored.anchor = "h1";
  EXPECT_FALSE(has(patternsOf(groundOf(parlour(), anchored), WallsWish::Both), GroupPlace::ToWindow));
}
TEST(Patterns, PutEverythingDownFree) {
  const Job job = parlour();
  const Ground g = groundOf(job, asking(1));
  Chance chance(7);
  int whole = 0, tried = 0;
  for (const Pattern& pattern : patternsOf(g, WallsWish::Both))
    for (int i = 0; i < 5; ++i, ++tried) {
      const Furnished made = furnish(g, pattern, chance);
      if (made.placed < g.movables.size()) continue;
      ++whole;
      const Job laid = withLayout(job, g, made.layout);
      for (const Finding& f : check(laid, builtInRulebook(), kS, usualFormat(Unit::Inch), kEveryDay))
        EXPECT_FALSE(f.verdict == Verdict::Breaks && (f.rule == "overlap" || f.rule == "outside-room")) << f.sentence;
    }
  EXPECT_GT(whole, tried / 3);
}

TEST(Search, TheMainSeatStandsWhereItIsWished) {
  for (const WallsWish walls : {WallsWish::Against, WallsWish::Off}) {
    SearchAsk ask = asking(800);
    ask.walls = walls;
    const Job job = parlour();
    const SearchResult result = searched(job, ask);
    ASSERT_FALSE(result.offers.empty());
    for (const SearchOffer& offer : result.offers) {
      const BackOff back = backOff(groundOf(job, ask), offer.layout, groundOf(job, ask).seats.front());
      if (walls == WallsWish::Against) EXPECT_LE(back.off, kAtWall + 1e-6) << offer.idea;
      else EXPECT_TRUE(back.wall == nullptr || back.off >= kOffWall - 1e-6) << offer.idea;
    }
  }
}
/// A table with four chairs, a desk with one.
Job study() {
  Job job = emptyRoom(200, 170);
  job = with(job, piece("table", "dining-table", 60, 36, 30), "t", 70, 80);
  job = with(job, piece("desk", "desk", 44, 22, 29), "d", 160, 159);
  Piece chair = piece("chair", "chair", 18, 20, 34);
  chair.count = 5;
  for (const char* id : {"c1", "c2", "c3", "c4", "c5"}) job = with(job, chair, id, 100, 140);
  return job;
}
TEST(SearchChairs, BelongToTables) {
  const Job job = study();
  const Ground g = groundOf(job, asking(1));
  Layout at = layoutNow(g);
  const auto places = chairPlaces(g, at);
  ASSERT_GE(places.size(), 5u);
  EXPECT_NEAR(places[0].at.x, in(160), 1e-6) << "the desk first";
  EXPECT_NEAR(places[0].at.y, in(159 - 11 - 10 + 3), 1e-6) << "before it, 3 in under its edge";
  EXPECT_FALSE(chairsStandAtTables(g, at)) << "all about";
  for (std::size_t i = 0; i < 5; ++i) at.at[g.diningChairs[i]] = places[i];
  EXPECT_TRUE(chairsStandAtTables(g, at));
  at.at[g.diningChairs[0]] = places[5];
  EXPECT_FALSE(chairsStandAtTables(g, at)) << "a desk has one, too";
}
TEST(SearchChairs, StandAtTablesInEveryOffer) {
  const Job job = study();
  const SearchResult result = searched(job, asking(1'500));
  ASSERT_FALSE(result.offers.empty());
  const Ground g = groundOf(job, asking(1));
  for (const SearchOffer& offer : result.offers) EXPECT_TRUE(chairsStandAtTables(g, offer.layout)) << offer.idea;
}
TEST(SearchTidy, StandsStraight) {
  Job job = emptyRoom(210, 170);
  job = with(job, piece("sofa", "sofa", 78, 36, 33), "p1", 105, 152);
  job = with(job, piece("low", "low-table", 44, 22, 17), "p2", 105, 107);
  Piece easy = piece("easy", "armchair", 29, 31, 33);
  easy.count = 2;
  job = with(job, easy, "p3", 55, 107, 90);
  job = with(job, easy, "p4", 155, 107, 270);
  const Ground g = groundOf(job, asking(1));
  const Layout straight = layoutNow(g);
  EXPECT_EQ(untidiness(g, straight), 0);
  const auto of = [&](const char* id) {
    std::size_t i = 0;
    while (g.movables[i].id != PlacementId(id)) ++i;
    return i;
  };
  Layout askew = straight;
  askew.at[of("p4")].turn = 255;
  EXPECT_GT(untidiness(g, askew), 0) << "turned, and no mirror image";
  askew = straight;
  askew.at[of("p2")].at.x += in(6);
  EXPECT_NEAR(untidiness(g, askew), kAskew / 2, 0.01) << "half a foot off the middle";
  // Steps that set straight find the way back.
  Chance chance(3);
  askew.at[of("p4")].turn = 255;
  for (int i = 0; i < 300; ++i)
    if (const Layout next = setStraight(g, askew, chance); untidiness(g, next) < untidiness(g, askew)) askew = next;
  EXPECT_EQ(untidiness(g, askew), 0);
}

}  // namespace search_test
}  // namespace mezzet
