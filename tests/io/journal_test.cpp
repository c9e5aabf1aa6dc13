#include "io/files/journal.h"

#include <unistd.h>

#include <filesystem>
#include <fstream>

#include "support/faulty_files.h"
#include "core/edit/records.h"
#include "support/rooms.h"

namespace mezzet {
namespace journal_test {
using namespace test;

class JournalTest : public testing::Test {
 protected:
  void SetUp() override {
    folder_ = testing::TempDir() + "/journal-" + std::to_string(::getpid()) + "-" +
              testing::UnitTest::GetInstance()->current_test_info()->name();
    std::filesystem::remove_all(folder_);
    std::filesystem::create_directories(folder_);
    base_.job = with(emptyRoom(), piece("sofa", "sofa", 84, 36), "p1", 100, 60);
  }
  void TearDown() override { std::filesystem::remove_all(folder_); }
  std::unique_ptr<Journal> begin(const std::string& path = "/tmp/a.mezzet") { return beginWith(path, files_); }
  std::unique_ptr<Journal> beginWith(const std::string& path, FileSystem& files) {
    return std::move(Journal::begin(folder_, path, "sha", base_, {}, {}, files)).value().journal;
  }
  static Job moved(const Job& job, double x) {
    return placed(job, SchemeId("s1"), PlacementId("p1"), FloorPlace{{x, 100}, 0});
  }
  static Bytes bytesOf(const Journal& j) { return readFile(j.filePath(), 1 << 24).value(); }

  std::string folder_;
  JobFile base_;
  FileSystem files_;
};

TEST_F(JournalTest, BringsBackEveryEdit) {
  const auto journal = begin();
  Job job = base_.job;
  for (int i = 1; i <= 5; ++i) {
    const Job after = moved(job, i * 10);
    ASSERT_FALSE(journal->append("edit " + std::to_string(i), job, after, 20 + i));
    job = after;
  }
  const auto back = readJournal(bytesOf(*journal), "j");
  ASSERT_TRUE(back.ok());
  EXPECT_EQ(back->edits, 5);
  EXPECT_EQ(back->lastEdit, "edit 5");
  EXPECT_EQ(back->file.job, job);
  EXPECT_EQ(back->file.nextId, 25);
  EXPECT_EQ(back->path, "/tmp/a.mezzet");
}
TEST_F(JournalTest, PatchesEveryKindOfChange) {
  const auto journal = begin();
  std::vector<Job> states{base_.job};
  IssueRecord issue;
  issue.date = "2026-11-20";
  states.push_back(withPiece(states.back(), piece("table", "low-table", 50, 20)).value());
  states.push_back(withPlacement(states.back(), SchemeId("s1"),
                                 {PlacementId("p2"), PieceId("table"), FloorPlace{{500, 900}, 0}, {}}));
  states.push_back(withSchool(states.back(), "art-gap", "b"));
  states.push_back(withUnits(states.back(), Unit::Millimetre));
  states.push_back(withCeiling(states.back(), RoomId("parlour"), 2500).value());
  states.push_back(withScheme(states.back(), Scheme{SchemeId("s2"), RoomId("parlour"), "B", {}, {}, {}}));
  states.push_back(withoutPlacement(states.back(), SchemeId("s1"), PlacementId("p2")));
  Job renamed = states.back();
  renamed.name = "Other";
  renamed.extra = R"({"k":1})";
  states.push_back(renamed);
  states.push_back(withLegs(states.back(), {DeliveryLeg{LegKind::Door, "street", "", 800.0}}).value());
  states.push_back(withWorkDays(states.back(), "2027-01-11", "2027-02-26").value());
  states.push_back(withReview(states.back(), {"2027-03-01", "fixings"}).value());
  states.push_back(withIssue(states.back(), issue).value());
  states.push_back(withDelivered(states.back(), PieceId("sofa"), {2'200, 0, 0}, "2026-11-20").value());
  states.push_back(withTitleNames(states.back(), "firm", "client").value());
  states.push_back(withBuilding(states.back(), SchemeId("s1"), true));
  states.push_back(withWorkDays(states.back(), "", "").value());
  states.push_back(base_.job);  // undo to the beginning removes the piece and the scheme again
  for (std::size_t i = 1; i < states.size(); ++i) {
    ASSERT_FALSE(journal->append("e", states[i - 1], states[i], 9));
    const auto back = readJournal(bytesOf(*journal), "j");
    ASSERT_TRUE(back.ok()) << back.error().text();
    ASSERT_EQ(back->file.job, states[i]) << "after edit " << i;
  }
}
TEST_F(JournalTest, APatchNamesOnlyWhatChanged) {
  const std::string patch = patchText(base_.job, moved(base_.job, 10), 9);
  EXPECT_NE(patch.find("/schemes/0/placements/0/on/floor/x"), std::string::npos);
  EXPECT_EQ(patch.find("/rooms"), std::string::npos);
}
TEST_F(JournalTest, CutAtEveryByteOfItsLastTwoRecordsOpensWithTheWholeOnes) {
  const auto journal = begin();
  std::vector<std::size_t> ends{bytesOf(*journal).size()};
  std::vector<Job> states{base_.job};
  for (int i = 1; i <= 4; ++i) {
    states.push_back(moved(states.back(), i * 33));
    ASSERT_FALSE(journal->append("edit", states[states.size() - 2], states.back(), 9));
    ends.push_back(bytesOf(*journal).size());
  }
  const Bytes whole = bytesOf(*journal);
  for (std::size_t cut = ends[2]; cut <= ends[4]; ++cut) {
    const auto back = readJournal(whole.substr(0, cut), "j");
    ASSERT_TRUE(back.ok()) << cut;
    const int expected = cut == ends[4] ? 4 : cut >= ends[3] ? 3 : 2;
    ASSERT_EQ(back->edits, expected) << cut;
    ASSERT_EQ(back->file.job, states[static_cast<std::size_t>(expected)]) << cut;
    ASSERT_EQ(back->goodBytes, ends[static_cast<std::size_t>(expected)]) << cut;
  }
}
TEST_F(JournalTest, ADamagedRecordEndsIt) {
  const auto journal = begin();
  const std::size_t first = bytesOf(*journal).size();
  ASSERT_FALSE(journal->append("one", base_.job, moved(base_.job, 1), 9));
  Bytes bytes = bytesOf(*journal);
  bytes[first + 20] = static_cast<char>(bytes[first + 20] ^ 1);
  EXPECT_EQ(readJournal(bytes, "j")->edits, 0);
}
TEST_F(JournalTest, GarbageIsRefused) {
  EXPECT_FALSE(readJournal("", "j").ok());
  EXPECT_FALSE(readJournal(std::string(100, '\xFF'), "j").ok());
}
TEST_F(JournalTest, OfAFileThatIsOpenIsInUse) {
  const auto first = begin();
  const auto second = Journal::begin(folder_, "/tmp/a.mezzet", "sha", base_, {}, {}, files_);
  ASSERT_FALSE(second.ok());
  EXPECT_EQ(second.error().what, Journal::kInUse);
}
TEST_F(JournalTest, LeftBehindIsFoundOnceNobodyHoldsIt) {
  auto journal = begin();
  ASSERT_FALSE(journal->append("one", base_.job, moved(base_.job, 1), 9));
  EXPECT_TRUE(leftBehind(files_, folder_).worth.empty());
  const std::string path = journal->filePath();
  journal.reset();
  EXPECT_EQ(leftBehind(files_, folder_).worth, std::vector<std::string>{path});
}
TEST_F(JournalTest, WithoutEditsIsNotOffered) {
  begin().reset();
  EXPECT_TRUE(leftBehind(files_, folder_).worth.empty());
}
TEST_F(JournalTest, AFullDiskIsSaidAndLeavesNoHalfRecord) {
  FaultyFiles disk;
  const auto journal = beginWith("/tmp/full.mezzet", disk);
  ASSERT_FALSE(journal->append("one", base_.job, moved(base_.job, 1), 9));
  const std::size_t whole = bytesOf(*journal).size();
  disk.full = true;
  const auto fault = journal->append("two", moved(base_.job, 1), moved(base_.job, 2), 9);
  ASSERT_TRUE(fault);
  EXPECT_EQ(fault->text(),
            "journal: Unsaved edits cannot be kept for a crash: No space left on device. Until this is mended, save "
            "often: a crash would lose unsaved edits");
  EXPECT_EQ(readJournal(bytesOf(*journal), "j")->goodBytes, whole);
  disk.full = false;
  ASSERT_FALSE(journal->append("three", moved(base_.job, 2), moved(base_.job, 3), 9));
  EXPECT_EQ(readJournal(bytesOf(*journal), "j")->edits, 3);
  EXPECT_EQ(readJournal(bytesOf(*journal), "j")->file.job, moved(base_.job, 3));
}
TEST_F(JournalTest, AnEditThatMakesNoSoundJobEndsItAndNotMore) {
  const auto journal = begin();
  ASSERT_FALSE(journal->append("one", base_.job, moved(base_.job, 1), 9));
  ASSERT_FALSE(journal->append("far away", moved(base_.job, 1), moved(base_.job, 1e7), 9));
  const auto back = readJournal(bytesOf(*journal), "j");
  ASSERT_TRUE(back.ok()) << back.error().text();
  EXPECT_EQ(back->edits, 1);
  EXPECT_EQ(back->file.job, moved(base_.job, 1));
}
TEST_F(JournalTest, OfTheFirstKindIsStillRead) {
  const auto back =
      readJournal(readFile(MEZZET_SOURCE_DIR "/tests/io/journals/version-1.journal", 1 << 20).value(), "j");
  ASSERT_TRUE(back.ok()) << back.error().text();
  EXPECT_EQ(back->edits, 1);
  EXPECT_EQ(back->lastEdit, "move sofa");
  EXPECT_EQ(back->file.job, moved(base_.job, 321));
}
TEST_F(JournalTest, TwoOfOneNameAreKeptApart) {
  auto one = begin(""), two = begin("");
  EXPECT_NE(one->filePath(), two->filePath());
}

}  // namespace journal_test
}  // namespace mezzet
