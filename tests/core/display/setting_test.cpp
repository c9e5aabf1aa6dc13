// Things set out on bays, boards, cut lists, ledges.
#include "core/display/setting.h"

#include <gtest/gtest.h>

#include "core/decide/display_set.h"
#include "core/display/boards.h"
#include "core/display/cuts.h"
#include "core/display/ledge.h"
#include "io/json/rulebook_json.h"
#include "support/displays.h"

namespace mezzet {
namespace setting_test {
using namespace test;

constexpr LengthFormat kInches{LengthStyle::Inches, 16};

TEST(Settings, KeepWhatIsLocked) {
  SetProblem p;
  p.width = 900;
  p.bays = {{800, 300, 300, 0, 0, false}, {800, 400, 300, 0, 400, false}};
  for (int i = 0; i < 6; ++i)
    p.things.push_back({150, 200, 200.0 + 10 * i, {}, false, false, "t" + std::to_string(i), "", 1});
  p.things[2].lockedIn = 1;
  p.things[2].lockedAt = 40;
  for (const DisplaySetting& s : settingsOf(p, 3, 3, {})) {
    EXPECT_EQ(s.at[2].bay, std::optional<std::size_t>(1));
    EXPECT_EQ(s.at[2].left, 40);
  }
}
TEST(Settings, DifferFromEachOther) {
  SetProblem p;
  p.width = 900;
  p.bays = {{800, 300, 300, 0, 0, false}, {800, 300, 300, 0, 400, false}};
  for (int i = 0; i < 7; ++i)
    p.things.push_back({150, 200, 180.0 + 10 * i, {}, false, false, "t" + std::to_string(i), "", 1});
  const auto all = settingsOf(p, 5, 3, {});
  ASSERT_EQ(all.size(), 3u);
  for (std::size_t a = 0; a < 3; ++a)
    for (std::size_t b = a + 1; b < 3; ++b) {
      bool differ = false;
      for (std::size_t i = 0; i < p.things.size(); ++i)
        differ = differ || all[a].at[i].bay != all[b].at[i].bay || std::abs(all[a].at[i].left - all[b].at[i].left) > 1;
      EXPECT_TRUE(differ) << a << " " << b;
    }
}
TEST(Settings, AreTheSameForTheSameSeed) {
  SetProblem p;
  p.width = 900;
  p.bays = {{800, 300, 300, 0, 0, false}, {800, 400, 300, 0, 400, false}};
  for (int i = 0; i < 8; ++i)
    p.things.push_back({120, 200, 180.0 + 20 * i, {}, i % 2 == 0, false, "t" + std::to_string(i), "", 1});
  const auto one = settingsOf(p, 9, 1, {}), two = settingsOf(p, 9, 1, {});
  EXPECT_EQ(one.front().score, two.front().score);
  for (std::size_t i = 0; i < p.things.size(); ++i) EXPECT_EQ(one.front().at[i].left, two.front().at[i].left);
}
TEST(Settings, LeaveOutWhatHasNoRoom) {
  SetProblem p;
  p.width = 400;
  p.bays = {{380, 300, 300, 0, 0, false}};
  for (int i = 0; i < 3; ++i) p.things.push_back({150, 200, 200, {}, false, false, "t" + std::to_string(i), "", 1});
  EXPECT_EQ(settingsOf(p, 1, 1, {}).front().leftOut().size(), 1u);
}
TEST(Settings, StopWhenAsked) {
  std::stop_source source;
  source.request_stop();
  SetProblem p;
  p.width = 400;
  p.bays = {{380, 300, 300, 0, 0, false}};
  p.things.push_back({150, 200, 200, {}, false, false, "t", "", 1});
  EXPECT_TRUE(settingsOf(p, 1, 3, source.get_token()).empty());
}
TEST(SetDisplay, BreaksNoRuleOfACaseThatTakesAll) {
  Job job = withCase(emptyRoom(), 3, 37.5, 12, 50);
  const double bayHigh = (50 - 4 * 0.75) / 3;
  for (int i = 0; i < 9; ++i) {
    const std::string id = "t" + std::to_string(i), at = "p" + std::to_string(i);
    job = on(job, piece(id.c_str(), i % 2 == 0 ? "books" : "box", 9 + i % 3, 7, bayHigh * (0.6 + 0.03 * i)), at.c_str(),
             "b1", 2 * i, 1);
  }
  const auto offers = setDisplay(job, builtInRulebook(), {kDisplayScheme, "c", {}, 1, 3}, kInches, {});
  ASSERT_EQ(offers.size(), 3u);
  for (const SetOffer& o : offers) {
    EXPECT_EQ(o.rule, 0) << o.idea;
    EXPECT_TRUE(o.left.empty());
    EXPECT_EQ(o.placements.size(), 9u);
  }
}

TEST(Sag, OfTheWorkedBoards) {
  const double load = kBooksPerFoot / (12 * kInch) * kGravity;
  EXPECT_NEAR(sagOf(load, in(36), 12.5, in(11.25), in(0.75), false), 1.2912, 5e-5);
  EXPECT_NEAR(sagOf(load, in(36), 12.5, in(11.25), in(0.75), true), 0.2582, 5e-5);
  EXPECT_NEAR(sagInTime(1.2912, true), 1.937, 5e-4);
  EXPECT_NEAR(sagLimit(in(36)), 4.76, 5e-3);
}
TEST(Sag, OfAnOakBoardAndTheUprightThatCuresIt) {
  Job job = withOneShelf(emptyRoom(), 19, 18, 60, 11);
  Piece p = *findPiece(job, PieceId("case"));
  p.surfaces.edit().all[0].material = Board::RedOak;
  job = withPiece(job, p).value();
  const ShelfLoad load = shelfLoadOf(display(job), 0);
  EXPECT_TRUE(load.asFull);
  EXPECT_NEAR(load.span, in(58.5), 1e-6);
  EXPECT_NEAR(*load.inTime, 13.8, 0.05);
  EXPECT_NEAR(*load.limit, 7.7, 0.05);
}
TEST(CutList, FillsBarsAndSaysWhatFewerCouldNotDo) {
  const auto list = cutFrom({{"a", 1200}, {"b", 1200}, {"c", 900}, {"d", 700}}, {2438.4, 3048}, 3.175);
  ASSERT_TRUE(list);
  EXPECT_EQ(list->bound, 2);
  EXPECT_EQ(list->bars.size(), 2u);
  for (const CutBar& bar : list->bars) {
    double used = 0;
    for (const std::size_t i : bar.cuts) used += list->cuts[i].length + list->kerf;
    EXPECT_LE(used - list->kerf, bar.stock + 1e-6);
  }
  EXPECT_FALSE(cutFrom({{"a", 4000}}, {2438.4}, 3));
  EXPECT_FALSE(cutFrom({{"a", -1}}, {2438.4}, 3));
  EXPECT_FALSE(cutFrom({{"a", 100}}, {}, 3));
  EXPECT_FALSE(cutFrom({{"a", 100}}, {2438.4}, -1));
}
Job withLedge(const Job& job, double u, double width, const char* wall = "A", const char* at = "l") {
  const Piece p = piece((std::string("ledge") + at).c_str(), "ledge", width, 5, 4);
  return withPlacement(withPiece(job, p).value(), kDisplayScheme,
                       {PlacementId(at), p.id, WallPlace{CornerId(wall), in(u), in(40), std::nullopt}, {}});
}
TEST(Ledge, HasAScrewInEveryStudItMeets) {
  Job job = emptyRoom();
  Room room = *job.rooms.front();
  StudRecord studs{CornerId("A"), {}, in(16)};
  for (int i = 1; i < 6; ++i) studs.hits.push_back({ReadingId("k" + std::to_string(i)), in(16.0 * i), 1, true});
  room.studs.push_back(studs);
  job = withLedge(withRoom(job, room).value(), 111, 64);
  const auto ledge = ledgeOf(job, *job.rooms.front(), scheme(job), PlacementId("l"), kInches);
  ASSERT_TRUE(ledge);
  // From u 79 to 143: the studs at s 80, 96, 112, 128 and 144 less an inch at each end: u 142 .. 78.
  ASSERT_EQ(ledge->screws.size(), 4u);
  for (std::size_t i = 0; i + 1 < 4; ++i) EXPECT_NEAR(ledge->screws[i + 1].s - ledge->screws[i].s, in(16), 1);
  // 10 kg a metre over 64 in at half of 5 in, on four screws 2 1/4 in over the lower edge.
  const double moment = 10 * 1.6256 * kGravity * in(2.5);
  EXPECT_NEAR(ledge->each, moment / (4 * in(2.25)), 0.01);
  EXPECT_TRUE(ledge->holds());
  EXPECT_EQ(ledge->boards.size(), 2u);
}
TEST(Ledge, GoesRoundACorner) {
  Job job = withLedge(emptyRoom(), 32, 64);  // wall A from its left end: the corner it shares with B
  job = withLedge(job, 150 - 24, 48, "B", "m");
  const auto ledge = ledgeOf(job, *job.rooms.front(), scheme(job), PlacementId("l"), kInches);
  ASSERT_TRUE(ledge);
  EXPECT_EQ(ledge->parts.size(), 2u);
  EXPECT_EQ(ledge->boards.size(), 4u);
  EXPECT_FALSE(ledge->holds());  // no studs are known
  EXPECT_NE(ledge->words.front().find("No studs"), std::string::npos);
}

}  // namespace setting_test
}  // namespace mezzet
