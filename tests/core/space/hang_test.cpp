#include "core/space/below.h"

#include <random>

#include "core/space/tapes.h"
#include "core/model/kinds.h"
#include "core/rules/art/art_case.h"
#include "core/decide/bands.h"
#include "io/json/rulebook_json.h"
#include "support/rooms.h"

namespace mezzet {
namespace hang_test {
using namespace test;

constexpr LengthFormat kInches{LengthStyle::Inches, 16};
const SchemeId kScheme("s1");

Wall wallA(const Job& job) { return *findWall(*job.rooms.front(), CornerId("A")); }

TEST(Standing, SpansItsWidthSeenFromInside) {
  // 100 in from the start corner on a wall of 222 in: seen from inside it is at the left of the middle's mirror.
  const Job job = with(emptyRoom(), piece("sofa", "sofa", 84, 36, 34), "p1", 100, 18, 180);
  const auto standing = standingAt(job, scheme(job), wallA(job));
  ASSERT_EQ(standing.size(), 1u);
  EXPECT_NEAR(standing[0].left, in(222 - 142), 1e-9);
  EXPECT_NEAR(standing[0].right, in(222 - 58), 1e-9);
  EXPECT_NEAR(standing[0].offWall, 0, 1e-9);
}
TEST(Standing, TheBackIsItsTopWhereThereIsOne) {
  Piece sofa = piece("sofa", "sofa", 84, 36, 34);
  sofa.seat.edit().back = in(31);
  const Job job = with(emptyRoom(), sofa, "p1", 100, 18, 180);
  EXPECT_NEAR(*standingAt(job, scheme(job), wallA(job))[0].top, in(31), 1e-9);
}
TEST(Standing, TurnedPiecesSpanTheirCorners) {
  const Job job = with(emptyRoom(), piece("box", "bookcase", 20, 20), "p1", 100, 20, 45);
  const Standing s = standingAt(job, scheme(job), wallA(job))[0];
  EXPECT_NEAR(s.right - s.left, in(20 * std::sqrt(2.0)), 1e-6);
}
TEST(Standing, ThingsAcrossTheRoomAreNotAtTheWall) {
  const Job job = with(emptyRoom(), piece("box", "bookcase", 20, 20), "p1", 100, 120);
  EXPECT_TRUE(standingAt(job, scheme(job), wallA(job)).empty());
}
TEST(Standing, NearerThingsAreDrawnLast) {
  Job job = with(emptyRoom(), piece("near", "bookcase", 20, 10), "p1", 100, 5);
  job = with(job, piece("far", "bookcase", 20, 10), "p2", 100, 25);
  const auto standing = standingAt(job, scheme(job), wallA(job));
  ASSERT_EQ(standing.size(), 2u);
  EXPECT_EQ(standing.back().id.value, "p1");
}

TEST(Below, IsTheOneItOverlapsMost) {
  Job job = with(emptyRoom(), piece("sofa", "sofa", 84, 36, 34), "p1", 100, 18, 180);
  job = with(job, piece("drum", "side-table", 20, 20, 24), "p2", 156, 10);
  job = hung(job, "print", "p3", 60, 24, 222 - 120, 60);  // over the sofa by 52 in, over the table by 4
  const auto picture = hungWith(job, scheme(job), PlacementId("p3"));
  EXPECT_EQ(belowOf(job, *job.rooms.front(), scheme(job), *picture)->id, "p1");
}
TEST(Below, OfEqualsTheNearerCounts) {
  Job job = with(emptyRoom(), piece("far", "side-table", 20, 20, 28), "p1", 90, 14);
  job = with(job, piece("near", "side-table", 20, 20, 20), "p2", 110, 10);
  job = hung(job, "print", "p3", 60, 24, 222 - 100, 60);
  EXPECT_EQ(belowOf(job, *job.rooms.front(), scheme(job), *hungWith(job, scheme(job), PlacementId("p3")))->id, "p2");
}
TEST(Below, OfEqualsAsNearTheSmallerIdCounts) {
  Job job = with(emptyRoom(), piece("low", "side-table", 20, 20, 20), "p2", 90, 10);
  job = with(job, piece("high", "side-table", 20, 20, 28), "p1", 110, 10);
  job = hung(job, "print", "p3", 60, 24, 222 - 100, 60);
  EXPECT_EQ(belowOf(job, *job.rooms.front(), scheme(job), *hungWith(job, scheme(job), PlacementId("p3")))->id, "p1");
}
TEST(Below, WhatReachesHigherThanTheMiddleIsBesideNotBelow) {
  Job job = with(emptyRoom(), piece("case", "bookcase", 60, 12, 72), "p1", 100, 6);
  job = hung(job, "print", "p3", 20, 24, 222 - 100, 60);
  EXPECT_FALSE(belowOf(job, *job.rooms.front(), scheme(job), *hungWith(job, scheme(job), PlacementId("p3"))));
}
TEST(Below, WhatStandsTwentyFourInchesOffIsStillThere) {
  for (const double off : {24.0, 24.1}) {
    Job job = with(emptyRoom(), piece("sofa", "sofa", 84, 36, 34), "p1", 111, 18 + off, 180);
    job = hung(job, "print", "p3", 40, 24, 111, 60);
    EXPECT_EQ(belowOf(job, *job.rooms.front(), scheme(job), *hungWith(job, scheme(job), PlacementId("p3"))).has_value(),
              off <= 24);
  }
}
TEST(Below, AHearthCountsByItsMantel) {
  Job job = emptyRoom();
  Room room = *job.rooms.front();
  Feature hearth;
  hearth.id = FeatureId("fire");
  hearth.outline = {{in(90), 0}, {in(130), 0}, {in(130), in(16)}, {in(90), in(16)}};
  hearth.height = in(50);
  room.features = {hearth};
  job = hung(withRoom(job, room).value(), "print", "p3", 20, 24, 222 - 110, 65);
  const auto asked = [&] {
    return belowOf(job, *job.rooms.front(), scheme(job), *hungWith(job, scheme(job), PlacementId("p3")));
  };
  EXPECT_FALSE(asked());
  room.features[0].mantel = in(48);
  job = withRoom(job, room).value();
  ASSERT_TRUE(asked());
  EXPECT_EQ(asked()->id, "fire");
  EXPECT_EQ(asked()->row, BelowRow::Mantel);
  EXPECT_NEAR(*asked()->top, in(48), 1e-9);
}
TEST(Below, NothingIsBelowAPictureBesideTheSofa) {
  Job job = with(emptyRoom(), piece("sofa", "sofa", 84, 36, 34), "p1", 60, 18, 180);
  job = hung(job, "print", "p3", 20, 24, 20, 60);
  EXPECT_FALSE(belowOf(job, *job.rooms.front(), scheme(job), *hungWith(job, scheme(job), PlacementId("p3"))));
}

TEST(Hung, GroupsOnTwoWallsAreTwo) {
  Job job = hung(hung(emptyRoom(), "one", "p1", 20, 20, 60, 60), "two", "p2", 20, 20, 60, 60, "C");
  for (const char* id : {"p1", "p2"}) {
    WallPlace place = wallPlace(findPlacement(scheme(job), PlacementId(id))->on);
    place.group = "g";
    job = placed(job, kScheme, PlacementId(id), place);
  }
  EXPECT_EQ(hungIn(job, scheme(job)).size(), 2u);
}
TEST(Hung, MovingAGroupKeepsItTogether) {
  Job job = hung(hung(emptyRoom(), "upper", "p1", 30, 20, 100, 70), "lower", "p2", 30, 20, 100, 48);
  for (const char* id : {"p1", "p2"}) {
    WallPlace place = wallPlace(findPlacement(scheme(job), PlacementId(id))->on);
    place.group = "g";
    job = placed(job, kScheme, PlacementId(id), place);
  }
  const Hung before = *hungWith(job, scheme(job), PlacementId("p1"));
  const Job moved = hungAtCentre(job, kScheme, before, in(62));
  const Hung after = *hungWith(moved, scheme(moved), PlacementId("p2"));
  EXPECT_NEAR(after.envelope.centreHeight(), in(62), 1e-9);
  EXPECT_NEAR(after.envelope.height(), before.envelope.height(), 1e-9);
}

TEST(WallBands, AreTheSolversBands) {
  Job job = with(emptyRoom(), piece("sofa", "sofa", 84, 36, 34), "p1", 111, 18, 180);
  job = withSchool(withSchool(hung(job, "print", "p2", 56, 24, 111, 57), "art-centre", "a"), "art-gap", "a");
  const auto bands = bandsOf(job, builtInRulebook(), kScheme, PlacementId("p2"), kInches);
  ASSERT_EQ(bands.size(), 2u);
  EXPECT_NEAR(bands[0].zone[0].y, in(57), 1e-9);
  EXPECT_NEAR(bands[0].zone[2].y, in(60), 1e-9);
  EXPECT_NEAR(bands[1].zone[0].y, in(34 + 4 + 12), 1e-9);
  EXPECT_NEAR(bands[1].zone[2].y, in(34 + 6 + 12), 1e-9);
  EXPECT_EQ(bands[1].label, "centre by gap over the sofa, 4 to 6 in");
}

TEST(Kinds, OffersOnlyKindsThatItKnows) {
  for (const std::string_view kind : offeredKinds()) {
    EXPECT_TRUE(isKnownKind(kind)) << kind;
    const Piece usual = usualPiece(kind);
    EXPECT_GT(usual.width, 0) << kind;
    EXPECT_TRUE(usual.depth) << kind;
  }
  EXPECT_FALSE(isKnownKind("harmonium"));
}

/// Whatever stands in a room: after typing a reading into a tape, the tape reads it, unless something nearer now stops
/// it.
TEST(TapeProperty, ReadsWhatWasTyped) {
  std::printf("seed 77\n");
  std::mt19937 random(77);
  const auto uniform = [&](double a, double b) { return std::uniform_real_distribution(a, b)(random); };
  int read = 0;
  for (int round = 0; round < 200; ++round) {
    Job job = emptyRoom(260, 220);
    for (int i = 0; i < 6; ++i) {
      const std::string id = std::to_string(i);
      const Piece p = i % 2 ? piece(("q" + id).c_str(), "console", uniform(10, 50), uniform(10, 40))
                            : roundPiece(("q" + id).c_str(), "side-table", uniform(10, 40));
      job = with(job, p, ("p" + id).c_str(), uniform(30, 230), uniform(30, 190), uniform(0, 360));
    }
    const PlacementId id("p" + std::to_string(random() % 6));
    for (const Tape& tape : tapesOf(job, scheme(job), id)) {
      if (tape.length < 0) continue;
      const double typed = tape.length * uniform(0, 1);  // nearer to what it hits, so nothing new comes between
      const Job after = placed(job, kScheme, id, placeReading(findPlacement(scheme(job), id)->on, tape, typed));
      const auto again = tapeOf(after, scheme(after), id, tape.side);
      ASSERT_TRUE(again);
      ASSERT_NEAR(again->length, typed, 1e-5) << "round " << round;
      ASSERT_EQ(again->hits, tape.hits);
      ++read;
    }
  }
  EXPECT_GT(read, 300);
}

}  // namespace hang_test
}  // namespace mezzet
