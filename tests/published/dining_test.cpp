// Source: NKBA Kitchen Planning Guideline 8, as remembered: behind a seated diner 32 in from the table's edge where
// nobody passes, 36 in to edge past, 44 in to walk past.
#include "core/rules/check.h"
#include "io/json/rulebook_json.h"
#include "support/rooms.h"

namespace mezzet {
namespace dining_test {
using namespace test;

struct Class {
  const char* name;
  const char* school;
  double behind;  ///< inches, published
};
void PrintTo(const Class& c, std::ostream* out) { *out << c.name; }
class PublishedDining : public testing::TestWithParam<Class> {};

/// A table 40 in deep in the middle of a room, a chair on either long side, its back to the wall.
Job dining(double width, const char* school) {
  Job job = withSchool(emptyRoom(200, width), "dining-wall", school);
  job = with(job, piece("table", "dining-table", 72, 40, 30), "p1", 100, width / 2);
  Piece chair = piece("chair", "chair", 18, 20, 34);
  chair.count = 2;
  job = with(job, chair, "p2", 100, width / 2 + 26);
  return withPlacement(job, SchemeId("s1"),
                       {PlacementId("p3"), chair.id, FloorPlace{{in(100), in(width / 2 - 26)}, 180}, {}});
}
int breaking(const Job& job) {
  int count = 0;
  for (const Finding& f : check(job, builtInRulebook(), SchemeId("s1"), {}, kEveryDay))
    count += f.rule == "dining-wall" && f.verdict == Verdict::Breaks;
  return count;
}

// Computed from the guideline: a 40 in table centred, the same clearance on both sides: 40 + 2 x 44 = 128 in to walk
// past, 40 + 2 x 32 = 104 in without passage.
TEST_P(PublishedDining, RoomsAreJustWideEnough) {
  const double width = 40 + 2 * GetParam().behind;
  EXPECT_EQ(breaking(dining(width, GetParam().school)), 0);
  EXPECT_EQ(breaking(dining(width - 0.25, GetParam().school)), 2);
}
INSTANTIATE_TEST_SUITE_P(Guideline8, PublishedDining,
                         testing::Values(Class{"NobodyPasses", "b", 32}, Class{"EdgePast", "c", 36},
                                         Class{"WalkPast", "d", 44}),
                         [](const auto& c) { return std::string(c.param.name); });

}  // namespace dining_test
}  // namespace mezzet
