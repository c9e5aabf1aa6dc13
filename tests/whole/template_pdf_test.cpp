// Full-size templates, read back from their PDF: any two marks of a frame as far apart as on the wall, also across
// joints.
#include <gtest/gtest.h>

#include "io/files/job_file.h"
#include "support/pdf_lines.h"
#include "support/rooms.h"
#include "support/temp.h"

namespace mezzet {
namespace template_pdf_test {
using namespace test;

/// Two marks of a frame within this, and this more for each joint between them, mm.
constexpr double kMarks = 0.2, kJoint = 0.3;

/// A frame of 56 x 24 in on two hooks 30 in apart, 3 in below its top.
std::string printed(const std::string& options, double width = 56) {
  Job job = hung(emptyRoom(), "a", "p1", width, 24, 100, 57);
  Piece p = *findPiece(job, PieceId("a"));
  p.hanger.edit().kind = HangerKind::Rings;
  p.hanger.edit().hooks = 2;
  p.hanger.edit().hookSpread = in(width == 56 ? 30 : 6);
  p.hanger.edit().drop = in(3);
  job = withPiece(job, p).value();
  const std::string path = ownFile("template.json"), pdf = ownFile("template.pdf");
  std::ofstream(path) << writeJobText(job, 9);
  const Answer a = run(std::string(MEZZET_BIN_DIR) + "/mezzet-cli sheet " + path + " --kind templates:p1 " + options +
                       " --out " + pdf + " 2>&1");
  EXPECT_EQ(a.code, 0) << a.out;
  return pdf;
}
int pagesOf(const std::string& pdf) {
  std::smatch found;
  const std::string info = run("pdfinfo " + pdf).out;
  return std::regex_search(info, found, std::regex("Pages: *([0-9]+)")) ? std::stoi(found[1]) : 0;
}

/// Middles of crosses with arms of a length, from the left.
std::vector<Vec2> crosses(const std::vector<PdfLine>& lines, double arm) {
  std::vector<Vec2> out;
  const auto is = [&](const PdfLine& l, bool level) {
    return std::abs(l.length() - 2 * arm) < 0.1 && std::abs(level ? l.a.y - l.b.y : l.a.x - l.b.x) < 0.05;
  };
  for (const PdfLine& a : lines)
    for (const PdfLine& b : lines)
      if (is(a, true) && is(b, false) && distance((a.a + a.b) * 0.5, (b.a + b.b) * 0.5) < 0.05)
        out.push_back((a.a + a.b) * 0.5);
  std::sort(out.begin(), out.end(), [](Vec2 a, Vec2 b) { return a.x < b.x; });
  return out;
}
/// Upright lines of a length, by x.
std::vector<double> uprights(const std::vector<PdfLine>& lines, double length) {
  std::vector<double> out;
  for (const PdfLine& l : lines)
    if (std::abs(l.a.x - l.b.x) < 0.05 && std::abs(l.length() - length) < 0.1) out.push_back(l.a.x);
  std::sort(out.begin(), out.end());
  return out;
}

TEST(Templates, AreTrueAcrossTheirJoints) {
  const std::string pdf = printed("--paper letter");
  const int pages = pagesOf(pdf);
  ASSERT_EQ(pages, 6);  // (1422.4 - 10) / (279.4 - 24 - 10)
  const double depth = in(3) + 22;
  double offset = 0;  // of a page's x on the frame
  std::vector<Vec2> nails;
  double left = 0, right = 0;
  int joints = 0;
  for (int page = 1; page <= pages; ++page) {
    const std::vector<PdfLine> lines = linesOf(pdf, page);
    std::vector<double> marks;
    for (const Vec2 mark : crosses(lines, 3))
      if (marks.empty() || mark.x - marks.back() > 1) marks.push_back(mark.x);
    ASSERT_EQ(marks.size(), page == 1 || page == pages ? 1U : 2U) << "page " << page;
    static double last = 0;
    if (page > 1) {
      offset = last - marks.front();
      ++joints;
    }
    last = marks.back() + offset;
    const std::vector<double> edges = uprights(lines, depth);
    ASSERT_FALSE(edges.empty());
    if (page == 1) left = edges.front();
    if (page == pages) right = edges.back() + offset;
    for (const Vec2 nail : crosses(lines, 6)) nails.push_back({nail.x + offset, nail.y});
  }
  ASSERT_EQ(nails.size(), 2U);
  EXPECT_NEAR(nails[1].x - nails[0].x, in(30), kMarks + joints * kJoint);
  EXPECT_NEAR(nails[0].x - left, in(28 - 15), kMarks + joints * kJoint);
  EXPECT_NEAR(right - left, in(56), kMarks + joints * kJoint);
}

TEST(Templates, OffARollAreOnePiece) {
  const std::string pdf = printed("--roll 610 --whole");
  ASSERT_EQ(pagesOf(pdf), 2) << "24 in of a frame, and the title block, do not fit the roll at once";
  const std::string strip = printed("--roll 610");
  ASSERT_EQ(pagesOf(strip), 1);
  const std::vector<PdfLine> lines = linesOf(strip);
  const std::vector<Vec2> nails = crosses(lines, 6);
  ASSERT_EQ(nails.size(), 2U);
  EXPECT_NEAR(nails[1].x - nails[0].x, in(30), kMarks);
  // Each 3 in below the top edge, which is the level line as long as the frame.
  double top = -1;
  for (const PdfLine& l : lines)
    if (std::abs(l.a.y - l.b.y) < 0.05 && std::abs(l.length() - in(56)) < 0.2)
      if (top < 0 || std::abs(l.a.y - nails[0].y) > std::abs(top - nails[0].y)) top = l.a.y;
  ASSERT_GT(top, 0);
  EXPECT_NEAR(std::min(std::abs(nails[0].y - top), std::abs(nails[0].y - top)), in(3), kMarks);
}

TEST(Templates, WholeFramesAreAsLargeAsTheyAre) {
  const std::string pdf = printed("--paper arch-d --whole", 20);
  ASSERT_EQ(pagesOf(pdf), 2);
  const std::vector<Vec2> nails = crosses(linesOf(pdf), 6);
  ASSERT_EQ(nails.size(), 2U);
  EXPECT_NEAR(nails[1].x - nails[0].x, in(6), kMarks);
}

}  // namespace template_pdf_test
}  // namespace mezzet
