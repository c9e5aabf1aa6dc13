// Rooms that hold, with some of their pieces moved: how many broken findings get a way out, each proven from outside.
#include <gtest/gtest.h>

#include <chrono>
#include <random>

#include "core/edit/displays.h"
#include "core/decide/ways_out.h"
#include "core/space/bodies.h"
#include "io/json/rulebook_json.h"
#include "support/findings.h"
#include "support/rooms.h"

namespace mezzet {
namespace disturbed_rooms_test {
using namespace test;

constexpr LengthFormat kInches{LengthStyle::Inches, 16};
const SchemeId kScheme("s1");

std::vector<Finding> checked(const Job& job) { return check(job, builtInRulebook(), kScheme, kInches, kEveryDay); }
std::vector<WayOut> waysFor(const Job& job, const Finding& f, const std::vector<Finding>& now) {
  return waysOutOf(f, now, job, builtInRulebook(), kScheme, IdSource(100), kInches, kEveryDay);
}

Piece sofa() {
  Piece p = piece("sofa", "sofa", 84, 36, 33);
  p.seat.edit().height = in(18);
  p.seat.edit().arm = in(25);
  p.seat.edit().back = in(33);
  return p;
}
Piece armchair(const char* id) {
  Piece p = piece(id, "armchair", 32, 34, 33);
  p.seat.edit().height = in(17);
  p.seat.edit().arm = in(24);
  p.seat.edit().back = in(33);
  return p;
}

/// What the page of the method asks, checked from outside on the room after a way out.
void expectProven(const Finding& target, const std::vector<Finding>& before, const WayOut& way) {
  for (const Finding& f : checked(way.job)) {
    if (f.weight == Weight::Taste) continue;
    const Finding* was = findingIn(before, f.id);
    if (f.verdict == Verdict::Breaks) {
      EXPECT_NE(f.id, target.id) << way.sentence;
      ASSERT_NE(was, nullptr) << way.sentence << " newly breaks " << f.sentence;
      EXPECT_EQ(was->verdict, Verdict::Breaks) << way.sentence << " newly breaks " << f.sentence;
      EXPECT_GE(f.margin, was->margin - (f.quantity == Quantity::Length ? 0.5 : 1e-6)) << way.sentence;
    }
    if (was != nullptr && was->verdict == Verdict::Close) {
      EXPECT_GE(f.margin, was->margin - 1e-6) << way.sentence;
    }
    if (f.verdict == Verdict::NotMeasured && f.missing != std::vector<std::string>{"route"} && was != nullptr) {
      EXPECT_EQ(was->verdict, Verdict::NotMeasured) << way.sentence;
    }
  }
}

/// A parlour that holds: seats round a table on a rug, cases along the walls, a door.
std::optional<Job> soundRoom(std::mt19937& random) {
  const auto between = [&](double low, double high) { return std::uniform_real_distribution(low, high)(random); };
  const double width = between(200, 260), depth = between(150, 200), x = width / 2 + between(-10, 10);
  Job job = emptyRoom(width, depth);
  Opening door{
      .id = OpeningId("d1"), .wall = CornerId("C"), .offset = in(between(6, 30)), .width = in(36), .height = in(80)};
  job = withOpening(job, RoomId("parlour"), door).value();
  job = with(job, piece("rug", "rug", 119, 95, 0.3), "p1", x, 62);
  job = with(job, sofa(), "p2", x, 1 + 18, 180);
  job = with(job, piece("table", "low-table", 52, 24, 17), "p3", x, 37 + 15 + 12);
  job = with(job, armchair("left"), "p4", x - 26 - 15.5 - 17, 64, 90);
  job = with(job, armchair("right"), "p5", x + 26 + 15.5 + 17, 64, 270);
  job = with(job, piece("case", "bookcase", 36, 12, 72), "p6", between(30, 60), depth - 6, 0);
  job = withRestrained(job, SchemeId("s1"), PlacementId("p6"), true);  // as tall cases are
  int broken = 0;
  for (const Finding& f : checked(job)) broken += breaksByWeight(f);
  return broken == 0 ? std::optional(job) : std::nullopt;
}

// Stated rate: at least 85 % of the broken findings of the floor get a proven way out, and none that is offered fails.
TEST(DisturbedRooms, HaveWaysOutThatAreProven) {
  std::printf("seed 2026\n");
  std::mt19937 random(2026);
  std::uniform_real_distribution<double> shift(-30, 30);
  int findings = 0, cured = 0;
  std::vector<double> took;
  for (int rooms = 0, tried = 0; rooms < 200 && tried < 10000; ++tried) {
    const auto sound = soundRoom(random);
    if (!sound) continue;
    ++rooms;
    Job job = *sound;
    const int moved = std::uniform_int_distribution(2, 5)(random);
    for (int i = 0; i < moved; ++i) {
      const PlacementId id("p" + std::to_string(std::uniform_int_distribution(2, 6)(random)));
      FloorPlace place = floorPlace(findPlacement(scheme(job), id)->on);
      // What was dragged is let go of within the walls.
      const FloorPlace before = place;
      place.at += Vec2{shift(random), shift(random)} * kInch;
      if (reachOutside(footprint(pieceOf(job, *findPlacement(scheme(job), id)), place), outlineOf(*job.rooms.front())) >
          kTouch)
        place = before;
      job = placed(job, kScheme, id, place);
    }
    const auto now = checked(job);
    for (const Finding& f : now) {
      if (!breaksByWeight(f) || !f.view.isPlan()) continue;
      ++findings;
      const auto start = std::chrono::steady_clock::now();
      const auto ways = waysFor(job, f, now);
      took.push_back(std::chrono::duration<double, std::milli>(std::chrono::steady_clock::now() - start).count());
      cured += !ways.empty();
      for (const WayOut& way : ways) expectProven(f, now, way);
    }
  }
  std::printf("%d broken findings, %d with a way out: %.1f %%\n", findings, cured, 100.0 * cured / findings);
  std::sort(took.begin(), took.end());
  std::printf("all ways out of a finding: median %.1f ms, 95 %% within %.1f ms\n", took[took.size() / 2],
              took[took.size() * 95 / 100]);
  EXPECT_GT(findings, 300);
  EXPECT_GE(cured, 0.85 * findings);
}

}  // namespace disturbed_rooms_test
}  // namespace mezzet
