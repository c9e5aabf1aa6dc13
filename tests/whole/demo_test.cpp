// The demo must show what it is meant to show: two rooms of two schemes, an almost empty ledger, one open fight of rules.
#include <gtest/gtest.h>

#include "core/rules/check.h"
#include "io/file_system.h"
#include "io/job_file.h"
#include "io/rulebook_json.h"

namespace mezzet {
namespace {

JobFile demo() { return readJobBytes(readFile(MEZZET_DEMO, 1 << 26).value(), "demo").value(); }
std::vector<Finding> breaking(const Job& job, const char* scheme) {
  std::vector<Finding> all = check(job, builtInRulebook(), SchemeId(scheme), {});
  std::erase_if(all, [](const Finding& f) { return !breaksByWeight(f); });
  return all;
}

TEST(Demo, EachRoomHasTwoSchemes) {
  const Job job = demo().job;
  for (const auto& room : job.rooms) {
    int schemes = 0;
    for (const auto& s : job.schemes) schemes += s->room == room->id;
    EXPECT_GE(schemes, 2) << room->name;
  }
  EXPECT_GE(job.rooms.size(), 2U);
}
TEST(Demo, WellPlannedSchemesBreakNothing) {
  for (const char* scheme : {"s2", "s3", "s4"}) {
    for (const Finding& f : breaking(demo().job, scheme)) ADD_FAILURE() << scheme << ": " << f.sentence;
  }
}
TEST(Demo, TheFirstSchemeShowsTheFightOfTheTwoRulesOfAPicture) {
  const auto fight = breaking(demo().job, "s1");
  ASSERT_EQ(fight.size(), 2U);
  EXPECT_EQ(fight[0].rule, "art-centre");
  EXPECT_EQ(fight[1].rule, "art-gap");
}
TEST(Demo, ItHasAHearthAcrossACornerAndAWindowSeat) {
  const Room room = *demo().job.rooms.front();
  ASSERT_EQ(room.features.size(), 2U);
  EXPECT_EQ(room.features[0].kind, FeatureKind::Hearth);
  EXPECT_EQ(room.features[1].kind, FeatureKind::BuiltIn);
}
TEST(Demo, ItsPicturesAreItsOwn) { EXPECT_EQ(demo().images.size(), 2U); }

}  // namespace
}  // namespace mezzet
