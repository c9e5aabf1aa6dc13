#include "render/picture_in.h"

#include <gtest/gtest.h>

#include <QBuffer>
#include <QImage>
#include <QPainter>
#include <QPdfWriter>
#include <sys/stat.h>
#include <unistd.h>

#include <chrono>
#include <filesystem>
#include <random>
#include <thread>

#include "render/painter.h"

namespace mezzet {
namespace picture_in_test {

std::string encoded(const QImage& image, const char* format) {
  QByteArray bytes;
  QBuffer buffer(&bytes);
  buffer.open(QIODevice::WriteOnly);
  image.save(&buffer, format);
  return bytes.toStdString();
}
QImage picture(int w, int h) {
  QImage image(w, h, QImage::Format_RGB32);
  image.fill(QColor(0xe8, 0xde, 0xc4));
  QPainter(&image).drawLine(0, 0, w, h);
  return image;
}
std::string pdf(int pages) {
  QByteArray bytes;
  QBuffer buffer(&bytes);
  buffer.open(QIODevice::WriteOnly);
  QPdfWriter writer(&buffer);
  QPainter p(&writer);
  for (int i = 0; i < pages; ++i) {
    if (i > 0) writer.newPage();
    p.drawRect(200, 200, 4000, 3000);
  }
  p.end();
  return bytes.toStdString();
}
std::string refusal(const std::string& bytes) {
  const auto taken = pictureFrom(bytes, "x");
  return taken ? "" : taken.error().text();
}

TEST(PictureIn, KeepsASmallOneAsItIs) {
  const std::string bytes = encoded(picture(300, 200), "PNG");
  const auto taken = pictureFrom(bytes, "plan.png");
  ASSERT_TRUE(taken) << taken.error().text();
  EXPECT_EQ(taken->bytes, bytes);
  EXPECT_EQ(taken->ending, "png");
  EXPECT_EQ(taken->width, 300);
  EXPECT_FALSE(taken->madeSmaller);
}
TEST(PictureIn, MakesALargeOneSmaller) {
  const auto taken = pictureFrom(encoded(picture(6000, 3000), "JPG"), "plan.jpg");
  ASSERT_TRUE(taken) << taken.error().text();
  EXPECT_EQ(taken->width, 4096);
  EXPECT_EQ(taken->height, 2048);
  EXPECT_TRUE(taken->madeSmaller);
  EXPECT_EQ(taken->ending, "jpg");
}
TEST(PictureIn, TakesSeventyFiveMegapixels) {
  const auto taken = pictureFrom(encoded(picture(10000, 7500), "JPG"), "scan.jpg");
  ASSERT_TRUE(taken) << taken.error().text();
  EXPECT_EQ(taken->width, 4096);
}
TEST(PictureIn, RefusesMoreThanEightyMegapixels) {
  EXPECT_EQ(refusal(encoded(QImage(10000, 8200, QImage::Format_Mono), "PNG")),
            "x: has 82 megapixels. Mezzet takes up to 80; make it smaller first");
}
TEST(PictureIn, RefusesOtherKinds) {
  EXPECT_EQ(refusal(encoded(picture(10, 10), "BMP")),
            "x: is no picture that Mezzet takes. Use PNG or JPEG, or a PDF of a plan");
  EXPECT_EQ(refusal("hello"), "x: is no picture that Mezzet takes. Use PNG or JPEG, or a PDF of a plan");
  EXPECT_EQ(refusal(""), "x: is empty. Choose another picture");
}
TEST(PictureIn, ReadsAPageOfAPdf) {
  const std::string bytes = pdf(2);
  ASSERT_TRUE(isPdf(bytes));
  EXPECT_EQ(pdfPages(bytes, "plan.pdf").value(), 2);
  const auto taken = pictureOfPdf(bytes, "plan.pdf", 1);
  ASSERT_TRUE(taken) << taken.error().text();
  EXPECT_EQ(std::max(taken->width, taken->height), 4096);
  EXPECT_EQ(pictureOfPdf(bytes, "plan.pdf", 2).error().text(), "plan.pdf: has no page 3. It has 2");
}
TEST(PictureIn, ABrokenPdfIsRefusedInWords) {
  const std::string bytes = pdf(1);
  EXPECT_EQ(pdfPages(bytes.substr(0, 60), "plan.pdf").error().text(),
            "plan.pdf: cannot be read as a PDF. The file may be damaged; open and save it elsewhere, or take a picture "
            "of the page");
  EXPECT_EQ(pdfPages("no", "plan.pdf").error().text(), "plan.pdf: is not a PDF. Choose a PDF, PNG or JPEG");
}
/// A PDF whose trailer says that it is encrypted with a password nobody typed.
TEST(PictureIn, AnEncryptedPdfIsRefusedInWords) {
  std::string bytes =
      "%PDF-1.4\n1 0 obj<</Type/Catalog/Pages 2 0 R>>endobj\n2 0 obj<</Type/Pages/Kids[3 0 R]/Count 1>>endobj\n"
      "3 0 obj<</Type/Page/Parent 2 0 R/MediaBox[0 0 200 200]>>endobj\n"
      "4 0 obj<</Filter/Standard/V 1/R 2/P -44/O<" +
      std::string(64, 'a') + ">/U<" + std::string(64, 'b') + ">>>endobj\n";
  const std::size_t xref = bytes.size();
  std::string table = "xref\n0 5\n0000000000 65535 f \n";
  for (int i = 1; i <= 4; ++i) {
    char row[32];
    std::snprintf(row, sizeof row, "%010zu 00000 n \n", bytes.find(std::to_string(i) + " 0 obj"));
    table += row;
  }
  bytes += table +
           "trailer<</Size 5/Root 1 0 R/Encrypt 4 0 "
           "R/ID[<00112233445566778899aabbccddeeff><00112233445566778899aabbccddeeff>]>>\nstartxref\n" +
           std::to_string(xref) + "\n%%EOF\n";
  const auto pages = pdfPages(bytes, "plan.pdf");
  ASSERT_FALSE(pages);
  EXPECT_EQ(pages.error().text(),
            "plan.pdf: is locked with a password. Save a copy without one, or take a picture of the page");
}
/// An object for each text, and a table that says where each is.
std::string pdfOf(const std::vector<std::string>& objects) {
  std::string bytes = "%PDF-1.4\n", table = "xref\n0 " + std::to_string(objects.size() + 1) + "\n0000000000 65535 f \n";
  for (std::size_t i = 0; i < objects.size(); ++i) {
    char row[32];
    std::snprintf(row, sizeof row, "%010zu 00000 n \n", bytes.size());
    table += row;
    bytes += std::to_string(i + 1) + " 0 obj" + objects[i] + "endobj\n";
  }
  const std::size_t xref = bytes.size();
  return bytes + table + "trailer<</Size " + std::to_string(objects.size() + 1) + "/Root 1 0 R>>\nstartxref\n" +
         std::to_string(xref) + "\n%%EOF\n";
}
TEST(PictureIn, APageTreeThatNamesItselfEndsInWords) {
  const std::string bytes = pdfOf({"<</Type/Catalog/Pages 2 0 R>>", "<</Type/Pages/Kids[2 0 R 2 0 R]/Count 2>>"});
  const auto taken = pictureOfPdf(bytes, "plan.pdf", 0);
  ASSERT_FALSE(taken);
  EXPECT_FALSE(taken.error().what.empty());
}
/// A page that draws a form which draws itself a hundred times over, seven deep: 10^14 marks.
TEST(PictureIn, APageThatNeverEndsIsGivenUpWhenItIsStopped) {
  std::vector<std::string> objects{
      "<</Type/Catalog/Pages 2 0 R>>", "<</Type/Pages/Kids[3 0 R]/Count 1>>",
      "<</Type/Page/Parent 2 0 R/MediaBox[0 0 200 200]/Contents 4 0 R/Resources<</XObject<</F 5 0 R>>>>>>",
      "<</Length 4>>stream\n/F Do\nendstream\n"};
  std::string marks;
  for (int i = 0; i < 100; ++i) marks += "/F Do ";
  for (int i = 5; i < 12; ++i)
    objects.push_back("<</Type/XObject/Subtype/Form/BBox[0 0 200 200]/Resources<</XObject<</F " +
                      std::to_string(i + 1) + " 0 R>>>>/Length " + std::to_string(marks.size()) + ">>stream\n" + marks +
                      "\nendstream\n");
  objects.push_back(
      "<</Type/XObject/Subtype/Form/BBox[0 0 200 200]/Length 20>>stream\n0 0 m 99 99 l S     \nendstream\n");
  std::stop_source source;
  std::jthread later([&] {
    std::this_thread::sleep_for(std::chrono::milliseconds(700));
    source.request_stop();
  });
  const auto taken = pictureOfPdf(pdfOf(objects), "plan.pdf", 0, source.get_token());
  ASSERT_FALSE(taken);
  EXPECT_EQ(taken.error().text(), "plan.pdf: was not read to its end. It was stopped");
}
/// A picture by name, something else by its bytes: it would have others read.
TEST(PictureIn, OnlyTheBytesOfAPngOrJpegAreEverDecoded) {
  const std::string folder = testing::TempDir() + "/pictures-" + std::to_string(::getpid());
  std::filesystem::create_directories(folder);
  const std::string inner = folder + "/inner.png", pipe = folder + "/pipe.png";
  ASSERT_TRUE(picture(8, 8).save(QString::fromStdString(inner)));
  ASSERT_EQ(::mkfifo(pipe.c_str(), 0600), 0);
  for (const std::string& named : {inner, pipe}) {
    const std::string svg =
        "<svg xmlns=\"http://www.w3.org/2000/svg\" xmlns:xlink=\"http://www.w3.org/1999/xlink\" width=\"64\" "
        "height=\"64\"><image xlink:href=\"" +
        named + "\" width=\"64\" height=\"64\"/></svg>";
    EXPECT_EQ(refusal(svg), "x: is no picture that Mezzet takes. Use PNG or JPEG, or a PDF of a plan");
    // As an image of a job, named as the file would have it: the mount stays empty, and the pipe is not waited for.
    ImageStore store;
    store.add(std::string(64, '0') + ".png", svg);
    EXPECT_EQ(store.find(std::string(64, '0') + ".png"), nullptr);
  }
  for (const char* format : {"BMP", "PPM", "XPM"})
    EXPECT_TRUE(decodedPicture(encoded(picture(8, 8), format), false).image.isNull()) << format;
  EXPECT_FALSE(decodedPicture(encoded(picture(8, 8), "PNG"), false).image.isNull());
  std::filesystem::remove_all(folder);
}
/// Takes `count` damaged copies of a file; how many of them were refused.
template <class Take>
int refusedOf(const std::string& whole, int count, Take take) {
  std::mt19937 random(20261125);
  int refused = 0;
  for (int i = 0; i < count; ++i) {
    std::string bytes = whole;
    for (int k = 0; k < 1 + i % 9; ++k) bytes[random() % bytes.size()] = static_cast<char>(random());
    if (i % 7 == 0) bytes.resize(random() % bytes.size());
    const auto taken = take(bytes);
    if (taken) {
      EXPECT_GT(taken->width, 0);
      EXPECT_LE(std::max(taken->width, taken->height), kKeptPixels);
    } else {
      EXPECT_FALSE(taken.error().text().empty());
      ++refused;
    }
  }
  return refused;
}
class DamagedPicture : public testing::TestWithParam<const char*> {};
TEST_P(DamagedPicture, EndsInAPictureOrAnError) {
  SCOPED_TRACE("seed 20261125");
  EXPECT_GT(refusedOf(encoded(picture(64, 48), GetParam()), 200,
                      [](const std::string& bytes) { return pictureFrom(bytes, "x"); }),
            20);
}
INSTANTIATE_TEST_SUITE_P(Kinds, DamagedPicture, testing::Values("PNG", "JPG"),
                         [](const auto& i) { return std::string(i.param); });
// A page that survives its damage is painted at 4096 px, a quarter of a second each on a slow machine: fewer of them.
TEST(PictureIn, ADamagedPdfEndsInAPictureOrAnError) {
  SCOPED_TRACE("seed 20261125");
  EXPECT_GT(refusedOf(pdf(1), 48, [](const std::string& bytes) { return pictureOfPdf(bytes, "x", 0); }), 0);
}

}  // namespace picture_in_test
}  // namespace mezzet
