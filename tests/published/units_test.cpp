// Unit conversion. Source: the international inch of 1959, 1 in = 25.4 mm exactly (as remembered); the worked values
// were computed with GNU units 2.22 (12 ft 6.5 in = 3822.7 mm, 9 ft = 2743.2 mm, 115 in = 2921 mm).
#include "core/units/length.h"

namespace mezzet {
namespace units_test {

TEST(PublishedUnits, TheInternationalInch) {
  EXPECT_DOUBLE_EQ(*readLength("1 in", Unit::Inch).length, 25.4);
  EXPECT_DOUBLE_EQ(*readLength("1'", Unit::Inch).length, 304.8);
}
TEST(PublishedUnits, TwelveFeetSixAndAHalf) {
  EXPECT_NEAR(*readLength("12' 6 1/2\"", Unit::Inch).length, 3822.7, 1e-9);
  EXPECT_EQ(writeLength(3822.7, {LengthStyle::FeetInches, 16}), "12'-6 1/2\"");
}
TEST(PublishedUnits, NineFeetAndNineFeetSeven) {
  EXPECT_EQ(writeLength(2743.2, {LengthStyle::FeetInches, 16}), "9'-0\"");
  EXPECT_EQ(writeLength(2921, {LengthStyle::FeetInches, 16}), "9'-7\"");
}
TEST(PublishedUnits, ARoundMetricLengthToTheNearestSixteenth) {
  EXPECT_EQ(writeLength(3658, {LengthStyle::FeetInches, 16}), "12'-0\"");
}

}  // namespace units_test
}  // namespace mezzet
