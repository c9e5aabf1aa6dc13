#include "io/files/file_system.h"
#include "io/files/job_file.h"
#include "support/rooms.h"

namespace mezzet {
namespace archive_test {
using namespace test;

JobFile withImage() {
  JobFile file;
  const std::string bytes(5000, 'x');
  Piece print = piece("print", "art", 40, 1, 30);
  print.image = sha256(bytes) + ".png";
  file.job = withPiece(emptyRoom(), print).value();
  file.nextId = 12;
  file.images[print.image] = std::make_shared<const Bytes>(bytes);
  return file;
}

TEST(Sha256, OfTheEmptyText) {
  EXPECT_EQ(sha256(""), "e3b0c44298fc1c149afbf4c8996fb92427ae41e4649b934ca495991b7852b855");
}

TEST(Archive, BringsJobAndImagesBack) {
  const JobFile file = withImage();
  const auto back = readJobBytes(writeJobBytes(file).value(), "a.mezzet");
  ASSERT_TRUE(back.ok()) << back.error().text();
  EXPECT_EQ(back->job, file.job);
  EXPECT_EQ(back->nextId, 12);
  EXPECT_EQ(*back->images.at(file.images.begin()->first), *file.images.begin()->second);
}
TEST(Archive, OfOneJobIsAlwaysTheSameBytes) {
  EXPECT_EQ(writeJobBytes(withImage()).value(), writeJobBytes(withImage()).value());
}
TEST(Archive, LeavesOutImagesThatNoPieceNames) {
  JobFile file = withImage();
  const std::string unused = sha256("unused") + ".png";
  file.images[unused] = std::make_shared<const Bytes>("unused");
  EXPECT_EQ(readJobBytes(writeJobBytes(file).value(), "a.mezzet")->images.size(), 1u);
}
TEST(Archive, CutShortIsRefused) {
  const Bytes whole = writeJobBytes(withImage()).value();
  for (std::size_t cut = 0; cut < whole.size(); cut += 11)
    EXPECT_FALSE(readJobBytes(whole.substr(0, cut), "a.mezzet").ok()) << cut;
}
TEST(Archive, WithAnyByteChangedIsReadOrRefusedButNeverCrashes) {
  const Bytes whole = writeJobBytes(withImage()).value();
  int refused = 0;
  for (std::size_t at = 0; at < whole.size(); at += 3) {
    Bytes changed = whole;
    changed[at] = static_cast<char>(changed[at] ^ 0x5A);
    refused += !readJobBytes(changed, "a.mezzet").ok();
  }
  EXPECT_GT(refused, 20);
}
TEST(Archive, WithADamagedImageSaysWhich) {
  JobFile file = withImage();
  file.images.begin()->second = std::make_shared<const Bytes>("not the image of that name");
  const auto back = readJobBytes(writeJobBytes(file).value(), "a.mezzet");
  ASSERT_FALSE(back.ok());
  EXPECT_EQ(back.error().what, "does not match its name");
}
TEST(Archive, ForeignFilesAreRefused) {
  EXPECT_EQ(readJobBytes("%PDF-1.4 something", "plan.pdf").error().text(),
            "plan.pdf: is not a Mezzet job. Choose a .mezzet file or a job.json");
  EXPECT_FALSE(readJobBytes("", "empty").ok());
  EXPECT_FALSE(readJobBytes(std::string("PK\x05\x06").append(18, '\0'), "empty.zip").ok());
}
TEST(ReadFile, OfAFolderOrNothingIsRefused) {
  EXPECT_EQ(readFile("/", 10).error().what, "is not a file");
  EXPECT_TRUE(readFile("/no/such/file", 10).error().what.starts_with("cannot be opened"));
}

}  // namespace archive_test
}  // namespace mezzet
