// Scale arithmetic. Source: imperial architects' scales, 1/4 in = 1 ft is 1:48 and 1/2 in = 1 ft is 1:24; 18 ft at
// 1/4 in = 4.5 in = 114.3 mm; 5 m at 1:50 = 100 mm (computed). Paper: ISO 216 (A4 210 x 297, A3 297 x 420) and
// ANSI Y14.1 (A, 8.5 x 11 in), as remembered.
#include "core/sheets/sheet.h"

namespace mezzet {
namespace scale_test {

TEST(PublishedScale, IsSaidInWords) {
  EXPECT_EQ(scaleInWords(48), "1/4 in = 1 ft (1:48)");
  EXPECT_EQ(scaleInWords(24), "1/2 in = 1 ft (1:24)");
  EXPECT_EQ(scaleInWords(50), "1:50");
}
/// Length on paper of the first wall of a rectangular room.
double drawnWall(double length, int scale, const char* paper) {
  Room room;
  room.id = RoomId("r");
  room.name = "R";
  room.ceilingHeight = 2400;
  room.corners = {{CornerId("A"), {0, 0}},
                  {CornerId("B"), {length, 0}},
                  {CornerId("C"), {length, 3000}},
                  {CornerId("D"), {0, 3000}}};
  const auto sheet = planSheet(Job{}, room, nullptr, {findPaper(paper), scale, {}, ""});
  if (!sheet) return -1;
  for (const Item& item : sheet->drawing.items)
    if (const auto* path = std::get_if<PathItem>(&item.shape); path != nullptr && item.layer == Layer::Floor)
      return distance(path->points[0], path->points[1]);
  return -2;
}
TEST(PublishedScale, EighteenFeetAtAQuarterInch) { EXPECT_NEAR(drawnWall(18 * 304.8, 48, "letter"), 114.3, 1e-9); }
TEST(PublishedScale, FiveMetresAtOneToFifty) { EXPECT_NEAR(drawnWall(5000, 50, "a4"), 100, 1e-9); }
TEST(PublishedScale, PaperSizes) {
  EXPECT_EQ(findPaper("a4")->width, 210);
  EXPECT_EQ(findPaper("a4")->height, 297);
  EXPECT_EQ(findPaper("a3")->width, 297);
  EXPECT_EQ(findPaper("a3")->height, 420);
  EXPECT_NEAR(findPaper("letter")->width, 8.5 * 25.4, 1e-9);
  EXPECT_NEAR(findPaper("letter")->height, 11 * 25.4, 1e-9);
}

}  // namespace scale_test
}  // namespace mezzet
