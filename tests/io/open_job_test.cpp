// The work on an open job against a file system that fills up, turns unwritable, and ends the program at any step:
// whatever was finished is afterwards in the file or in a journal.
#include "io/files/open_job.h"

#include <fcntl.h>
#include <sys/stat.h>
#include <unistd.h>

#include <cstdlib>
#include <filesystem>
#include <random>

#include "core/edit/records.h"
#include "core/hang/as_hung.h"
#include "support/faulty_files.h"
#include "support/rooms.h"

namespace mezzet {
namespace open_job_test {
using namespace test;
namespace fs = std::filesystem;

class OpenJobTest : public testing::Test {
 protected:
  void SetUp() override {
    root_ = fastFolder() + "/open-job-" + std::to_string(::getpid()) + "-" +
            testing::UnitTest::GetInstance()->current_test_info()->name();
    clear();
    base_.job = with(emptyRoom(), piece("sofa", "sofa", 84, 36), "p1", 100, 60);
    base_.nextId = 10;
  }
  void TearDown() override { fs::remove_all(root_); }
  void clear() {
    fs::remove_all(root_);
    fs::create_directories(journals());
  }
  [[nodiscard]] std::string journals() const { return root_ + "/journal"; }
  [[nodiscard]] std::string path(const char* name) const { return root_ + "/" + name; }
  static Job moved(const Job& job, double x) {
    return placed(job, SchemeId("s1"), PlacementId("p1"), FloorPlace{{x, 100}, 0});
  }
  [[nodiscard]] JobFile file(const Job& job) const { return {job, 10, {}}; }
  /// A saved job that is open, with one edit.
  Job edited(OpenJob& open, const char* name = "a.mezzet", double x = 500) {
    EXPECT_FALSE(saveAtomically(files_, path(name), writeJobBytes(base_).value()));
    EXPECT_TRUE(open.open(path(name)).ok());
    const Job after = moved(base_.job, x);
    open.record("move sofa", base_.job, after, 10);
    return after;
  }
  [[nodiscard]] std::vector<std::string> left() { return leftBehind(files_, journals()).worth; }
  [[nodiscard]] static Recovered read(const std::string& journal) {
    return readJournal(readFile(journal, kMostJournalBytes).value(), journal).value();
  }
  [[nodiscard]] static JobFile saved(const std::string& path) {
    return readJobBytes(readFile(path, 1 << 26).value(), path).value();
  }

  std::string root_;
  JobFile base_;
  FaultyFiles files_;
};

// ---- a kill, and another after it

TEST_F(OpenJobTest, BroughtBackWhileNothingElseIsOpenTheOfferDoesNotComeAgain) {
  Job last;
  {
    OpenJob window(files_, journals());
    last = edited(window);
  }
  OpenJob next(files_, journals());
  JobFile fresh;
  next.start(fresh, {});
  ASSERT_EQ(left().size(), 1U);
  const auto back = next.bringBack(left().front(), fresh);
  ASSERT_TRUE(back.ok()) << back.error().text();
  EXPECT_EQ(back->after.job, last);
  ASSERT_TRUE(back->before.has_value());
  EXPECT_TRUE(left().empty()) << "the same offer again";
  EXPECT_TRUE(fs::exists(journalPathFor(journals(), path("a.mezzet")))) << "the journal in use is gone";
}
TEST_F(OpenJobTest, EditsAfterBringingBackOutliveASecondKill) {
  {
    OpenJob window(files_, journals());
    edited(window);
  }
  Job last;
  {
    OpenJob next(files_, journals());
    JobFile fresh;
    next.start(fresh, {});
    const auto back = next.bringBack(left().front(), fresh);
    last = moved(back->after.job, 900);
    next.record("move it on", back->after.job, last, 10);
  }
  ASSERT_EQ(left().size(), 1U);
  EXPECT_EQ(read(left().front()).file.job, last);
  EXPECT_EQ(read(left().front()).edits, 2);
}
TEST_F(OpenJobTest, AnUnsavedJobThatWasBroughtBackIsOfferedAfterASecondKill) {
  Job last;
  {
    OpenJob window(files_, journals());
    JobFile fresh = base_;
    window.start(fresh, {});
    last = moved(base_.job, 700);
    window.record("move sofa", base_.job, last, 10);
  }
  {
    OpenJob next(files_, journals());
    JobFile fresh;
    next.start(fresh, {});
    const auto back = next.bringBack(left().front(), fresh);
    ASSERT_TRUE(back.ok());
    EXPECT_TRUE(back->copy);
  }
  ASSERT_EQ(left().size(), 1U) << "what exists only in a journal is always offered";
  EXPECT_EQ(read(left().front()).file.job, last);
  EXPECT_EQ(read(left().front()).edits, 1);
  EXPECT_EQ(read(left().front()).lastEdit, "move sofa");
}
TEST_F(OpenJobTest, ACopyBesideAFileThatChangedIsOfferedAfterASecondKill) {
  {
    OpenJob window(files_, journals());
    edited(window);
  }
  ASSERT_FALSE(saveAtomically(files_, path("a.mezzet"), writeJobBytes(file(moved(base_.job, 1))).value()));
  {
    OpenJob next(files_, journals());
    JobFile fresh;
    next.start(fresh, {});
    ASSERT_TRUE(next.bringBack(left().front(), fresh)->copy);
  }
  ASSERT_EQ(left().size(), 1U);
  EXPECT_EQ(read(left().front()).file.job.name, "Test, brought back");
  EXPECT_EQ(saved(path("a.mezzet")).job, moved(base_.job, 1)) << "the file was touched";
}
TEST_F(OpenJobTest, EditsOfAFileThatIsOpenInAnotherWindowWaitAndWhatIsOpenHereStays) {
  {
    OpenJob window(files_, journals());
    edited(window);
  }
  OpenJob other(files_, journals()), here(files_, journals());
  ASSERT_TRUE(other.open(path("a.mezzet")).ok());
  const std::string left = other.takePutAside().front();
  JobFile mine = base_;
  here.start(mine, {});
  here.record("mine", base_.job, moved(base_.job, 4), 10);
  const auto back = here.bringBack(left, file(moved(base_.job, 4)));
  ASSERT_FALSE(back.ok());
  EXPECT_EQ(back.error().text(), "a.mezzet: is open in another window. Close it there, then bring these edits back");
  EXPECT_TRUE(here.path().empty());
  EXPECT_FALSE(here.readOnly());
  EXPECT_EQ(here.takePutAside().size(), 1U) << "they are offered again";
}
TEST_F(OpenJobTest, WhatItsFileHoldsAsWellIsNotOffered) {
  {
    OpenJob window(files_, journals());
    const Job last = edited(window);
    ASSERT_FALSE(saveAtomically(files_, path("a.mezzet"),
                                writeJobBytes(file(last)).value()));  // a save that was killed after its rename
  }
  EXPECT_TRUE(left().empty());
  EXPECT_TRUE(fs::is_empty(journals()));
}

// ---- a journal that cannot be written

TEST_F(OpenJobTest, AfterAFailedRecordTheNextCarriesTheWholeJob) {
  OpenJob window(files_, journals());
  const Job one = edited(window);
  const Job two = with(one, piece("table", "low-table", 40, 20), "p2", 50, 50),
            three = withoutPlacement(two, SchemeId("s1"), PlacementId("p1"));
  files_.full = true;
  window.record("table", one, two, 11);
  ASSERT_TRUE(window.trouble());
  EXPECT_EQ(window.trouble()->text(),
            "journal: Unsaved edits cannot be kept for a crash: No space left on device. Until this is mended, save "
            "often: a crash "
            "would lose unsaved edits");
  files_.full = false;
  window.record("take out", two, three, 11);
  EXPECT_FALSE(window.trouble());
  EXPECT_EQ(read(journalPathFor(journals(), path("a.mezzet"))).file.job, three);
  EXPECT_EQ(read(journalPathFor(journals(), path("a.mezzet"))).edits, 3);
}
TEST_F(OpenJobTest, WhatCouldNotBeWrittenIsTriedAgain) {
  OpenJob window(files_, journals());
  const Job one = edited(window), two = moved(one, 9);
  files_.full = true;
  window.record("move it on", one, two, 10);
  window.retry(file(two));
  ASSERT_TRUE(window.trouble());
  files_.full = false;
  window.retry(file(two));
  EXPECT_FALSE(window.trouble());
  EXPECT_EQ(read(journalPathFor(journals(), path("a.mezzet"))).file.job, two);
}
TEST_F(OpenJobTest, ARestartThatFailedAtASaveDoesNotLoseTheNextEdit) {
  OpenJob window(files_, journals());
  const Job one = edited(window);
  files_.fullJournal = true;
  ASSERT_TRUE(window.save(path("a.mezzet"), file(one), false).ok());
  EXPECT_TRUE(window.trouble());
  files_.fullJournal = false;
  const Job two = moved(one, 50);
  window.record("move it on", one, two, 10);
  EXPECT_FALSE(window.trouble());
  const Recovered back = read(journalPathFor(journals(), path("a.mezzet")));
  EXPECT_EQ(back.file.job, two);
  EXPECT_EQ(back.edits, 1);
  EXPECT_EQ(back.savedSha, sha256(readFile(path("a.mezzet"), 1 << 26).value()));
}
TEST_F(OpenJobTest, OldEditsThatCannotBePutAsideAreKept) {
  Job last;
  {
    OpenJob window(files_, journals());
    last = edited(window);
  }
  files_.fixedNames = true;  // a folder that cannot be written
  {
    OpenJob next(files_, journals());
    ASSERT_TRUE(next.open(path("a.mezzet")).ok());
    ASSERT_TRUE(next.trouble());
    EXPECT_NE(next.trouble()->what.find("are kept in"), std::string::npos) << next.trouble()->text();
    next.record("move", base_.job, moved(base_.job, 3), 10);
    EXPECT_TRUE(next.trouble());
  }
  files_.fixedNames = false;
  ASSERT_EQ(left().size(), 1U);
  EXPECT_EQ(read(left().front()).file.job, last);
}
TEST_F(OpenJobTest, AJournalThatCannotBeReadIsToldOfAndKept) {
  const std::string name = journalPathFor(journals(), path("a.mezzet"));
  ASSERT_FALSE(files_.writeNew(name, std::string(100, 'x'), 0600));
  EXPECT_EQ(leftBehind(files_, journals()).unreadable, std::vector<std::string>{name});
  OpenJob window(files_, journals());
  edited(window);
  EXPECT_EQ(window.takePutAside().size(), 1U);
  EXPECT_EQ(leftBehind(files_, journals()).unreadable.size(), 1U) << "it was written over";
}
TEST_F(OpenJobTest, JournalsWithoutEditsAreSwept) {
  {
    OpenJob window(files_, journals());
    JobFile fresh = base_;
    window.start(fresh, {});
  }
  ASSERT_FALSE(files_.writeNew(journals() + "/x.journal.new", "half", 0600));
  ASSERT_FALSE(files_.writeNew(journals() + "/y.journal", "", 0600));
  EXPECT_TRUE(left().empty());
  EXPECT_TRUE(fs::is_empty(journals()));
}
TEST_F(OpenJobTest, AFolderThatIsNotThereIsToldOfAndTheJobCanBeWorkedOn) {
  OpenJob window(files_, "");
  JobFile fresh = base_;
  window.start(fresh, {});
  ASSERT_TRUE(window.trouble());
  EXPECT_EQ(window.trouble()->what, "There is no home folder to keep unsaved edits in");
  EXPECT_FALSE(window.readOnly());
}
TEST_F(OpenJobTest, FiveThousandEditsAreKeptInLittle) {
  OpenJob window(files_, journals());
  Job job = edited(window);
  for (int i = 0; i < 5'000; ++i) {
    const Job after = moved(job, i % 97);
    window.record("edit " + std::to_string(i), job, after, 10);
    job = after;
  }
  const std::string name = journalPathFor(journals(), path("a.mezzet"));
  EXPECT_LT(fs::file_size(name), 800'000U);
  EXPECT_EQ(read(name).file.job, job);
  EXPECT_EQ(read(name).edits, 5'001);
}
TEST_F(OpenJobTest, WallsThatAreBeingTypedComeBack) {
  const WalkDraft draft{RoomId(), {{5000.0, 90}, {std::nullopt, 90}, {4000.0, -45}}, 2500};
  {
    OpenJob window(files_, journals());
    JobFile fresh = base_;
    window.start(fresh, {});
    window.keepDraft(draft, fresh);
  }
  ASSERT_EQ(left().size(), 1U);
  OpenJob next(files_, journals());
  JobFile fresh;
  next.start(fresh, {});
  EXPECT_EQ(next.bringBack(left().front(), fresh)->draft, draft);
  next.keepDraft(std::nullopt, base_);
  EXPECT_TRUE(left().empty());
}

// ---- files of others

TEST_F(OpenJobTest, AFileThatIsThereIsNotReplacedUnasked) {
  OpenJob window(files_, journals());
  edited(window);
  ASSERT_FALSE(saveAtomically(files_, path("b.mezzet"), "somebody's"));
  EXPECT_EQ(window.save(path("b.mezzet"), base_, false).saved, OpenJob::Saved::WouldReplace);
  EXPECT_EQ(readFile(path("b.mezzet"), 100).value(), "somebody's");
  EXPECT_TRUE(window.save(path("b.mezzet"), base_, true).ok());
}
TEST_F(OpenJobTest, AFileThatAnotherProgramHasChangedIsNotReplacedUnasked) {
  OpenJob window(files_, journals());
  const Job one = edited(window);
  ASSERT_FALSE(saveAtomically(files_, path("a.mezzet"), "somebody's"));
  EXPECT_EQ(window.save(path("a.mezzet"), file(one), false).saved, OpenJob::Saved::FileChanged);
  EXPECT_EQ(readFile(path("a.mezzet"), 100).value(), "somebody's");
  EXPECT_TRUE(window.save(path("a.mezzet"), file(one), true).ok());
  EXPECT_TRUE(window.save(path("a.mezzet"), file(one), false).ok()) << "its own writing is no other program's";
}
TEST_F(OpenJobTest, AFileThatHasGoneIsMadeAnew) {
  OpenJob window(files_, journals());
  const Job one = edited(window);
  fs::remove(path("a.mezzet"));
  ASSERT_TRUE(window.save(path("a.mezzet"), file(one), false).ok());
  EXPECT_EQ(saved(path("a.mezzet")).job, one);
}
TEST_F(OpenJobTest, AJobThatIsOpenInAnotherWindowIsNotSavedOver) {
  OpenJob first(files_, journals()), second(files_, journals());
  edited(first);
  JobFile fresh = base_;
  second.start(fresh, {});
  const std::string before = readFile(path("a.mezzet"), 1 << 26).value();
  const auto answer = second.save(path("a.mezzet"), fresh, true);
  EXPECT_EQ(answer.saved, OpenJob::Saved::OpenElsewhere);
  EXPECT_EQ(answer.fault->text(), "a.mezzet: is open in another window. Close it there first, or choose another name");
  EXPECT_EQ(readFile(path("a.mezzet"), 1 << 26).value(), before);
}
TEST_F(OpenJobTest, SavedUnderAnotherNameWithUnsavedEditsOfAnEarlierTimeTheseAreOffered) {
  {
    OpenJob window(files_, journals());
    edited(window, "b.mezzet");
  }
  OpenJob window(files_, journals());
  edited(window, "a.mezzet");
  ASSERT_TRUE(window.save(path("b.mezzet"), base_, true).ok());
  EXPECT_EQ(window.takePutAside().size(), 1U);
}

// ---- the model

/// What is owed to the user: the last finished state of every job that was not closed in order.
struct Owed {
  Job job;
  std::optional<WalkDraft> draft;
};

class KeptWork : public OpenJobTest {
 protected:
  /// Things that every part of a record can be about: a frame, a lamp, a case with a vase in it.
  void SetUp() override {
    OpenJobTest::SetUp();
    Job job = hung(base_.job, "art", "a1", 30, 24, 60, 60);
    Piece shelves = piece("case", "bookcase", 40, 12, 70);
    shelves.surfaces.edit().all = {Surface{"b1", -500, 500, 20, 600}};
    job = with(job, shelves, "k1", 200, 140);
    job = withPiece(job, piece("vase", "vase", 6, 6, 14)).value();
    job = withPlacement(job, SchemeId("s1"),
                        {PlacementId("v1"), PieceId("vase"), CarriedPlace{PlacementId("k1"), {0, 0}, 0, "b1"}, {}});
    base_.job = with(job, piece("lamp", "lamp", 15, 15, 24), "l1", 30, 30);
  }
  /// An edit of the records, or of what they are about: orders, what came, issues, the way in, days, reviews, as hung,
  /// displays, names of pictures and of photometric files.
  static Job recorded(const Job& job, int stamp, std::mt19937& random) {
    const std::string day = "2026-0" + std::to_string(1 + random() % 9) + "-1" + std::to_string(random() % 10);
    const std::string digest = sha256(std::to_string(stamp));
    Piece pictured = *findPiece(job, PieceId("art")), lamp = *findPiece(job, PieceId("lamp"));
    Scheme scheme = *job.schemes.front();
    switch (random() % 10) {
      case 0: return withDelivered(job, PieceId("sofa"), {2'000.0 + stamp % 300, 900, 0}, day).value();
      case 1: {
        Order order;
        order.piece = PieceId("lamp");
        order.ordered = day;
        order.note = "note \u00e9 " + std::to_string(stamp);
        order.state = static_cast<OrderState>(random() % 4);
        return withOrder(job, order).value();
      }
      case 2: {
        if (job.records->issues.size() > 20) return moved(job, stamp);
        IssueRecord issue;
        issue.date = day;
        issue.hash = digest;
        issue.figures.push_back({"figure:seats", "Seats", "parlour", "floor", double(stamp), "1", 0.5});
        return withIssue(job, issue).value();
      }
      case 3: {
        std::vector<DeliveryLeg> legs(random() % 4);
        for (DeliveryLeg& leg : legs) leg.width = 700.0 + stamp % 500;
        return withLegs(job, legs).value();
      }
      case 4: return withWorkDays(job, day, random() % 2 ? day : "").value();
      case 5: return withReview(job, {day, "look at " + std::to_string(stamp)}).value();
      case 6: return withAsHung(job, SchemeId("s1"), PlacementId("a1"), AsHung{1'500.0 + stamp, 1'500, day});
      case 7:
        scheme.displays = {DisplaySet{"k1", DisplaySchool::Bookcase}};
        scheme.displays[0].season = "season " + std::to_string(stamp);
        return withScheme(job, scheme);
      case 8: pictured.image = digest + ".png"; return withPiece(job, pictured).value();
      default: lamp.light.edit().photometry = "photometry/" + digest; return withPiece(job, lamp).value();
    }
  }
  static Job unnamed(Job job) {
    job.name = "Test";
    return job;
  }
  bool isSaved(const Owed& owed) {
    for (const char* name : {"a.mezzet", "b.mezzet", "c.mezzet"})
      if (const auto bytes = readFile(path(name), 1 << 26); bytes.ok() && !owed.draft)
        if (const auto there = readJobBytes(*bytes, name); there.ok() && unnamed(there->job) == unnamed(owed.job))
          return true;
    return false;
  }
  /// Whether a state stands in a file, or comes back from a journal.
  bool isFound(const Owed& owed) {
    if (isSaved(owed)) return true;
    for (const auto& entry : fs::directory_iterator(journals())) {
      if (entry.path().extension() != ".journal") continue;
      const auto bytes = readFile(entry.path().string(), kMostJournalBytes);
      const auto there = bytes.ok() ? readJournal(*bytes, "j") : Result<Recovered>(bytes.error());
      if (there.ok() && there->worthOffering() && unnamed(there->file.job) == unnamed(owed.job) &&
          there->draft == owed.draft)
        return true;
    }
    return false;
  }

  /// What was brought back is the window's own from here on.
  static void taken(std::vector<Owed>& owed, std::optional<Owed>& brought) {
    if (brought)
      std::erase_if(
          owed, [&](const Owed& o) { return unnamed(o.job) == unnamed(brought->job) && o.draft == brought->draft; });
    brought.reset();
  }

  /// One life after another of a program with one window, each ended by a kill, a closing, or at the end of the run.
  void run(unsigned seed) {
    std::mt19937 random(seed);
    const auto any = [&](unsigned n) { return static_cast<int>(random() % n); };
    clear();
    FaultyFiles& files = files_;
    files.mend();
    ASSERT_FALSE(saveAtomically(files, path("a.mezzet"), writeJobBytes(base_).value()));
    std::vector<Owed> owed;
    int stamp = 1;
    for (int life = 0; life < 5; ++life) {
      files.mend();
      auto window = std::make_unique<OpenJob>(files, journals());
      JobFile now = base_;
      std::optional<WalkDraft> draft;
      // The last state that was said to be safe, and the one that a step was about to make.
      std::optional<Owed> safe;
      std::vector<Owed> coming;
      // Brought back while its journal could not be written: owed until that, or a file, holds it.
      std::optional<Owed> brought;
      bool dirty = false;
      const auto settle = [&] {
        coming.clear();
        if (!window->trouble()) taken(owed, brought);
        if (!window->trouble() && !window->readOnly())
          safe = (dirty || draft) ? std::optional(Owed{now.job, draft}) : std::nullopt;
        else if (!dirty && !draft) safe.reset();
      };
      files.killAfter = any(4) == 0 ? -1 : any(60);
      try {
        if (any(3) == 0) window->start(now, {});
        else if (auto opened = window->open(path(any(2) == 0 ? "a.mezzet" : "b.mezzet")); opened.ok())
          now = std::move(opened).value();
        else window->start(now, {});
        settle();
        for (int step = 0; step < 12; ++step) {
          if (any(8) == 0) files.full = !files.full;
          if (any(12) == 0) files.fixedNames = !files.fixedNames;
          switch (any(8)) {
            case 0:
            case 1:
            case 2:
            case 3: {
              ++stamp;
              JobFile after{any(2) == 0 ? moved(now.job, stamp) : recorded(now.job, stamp, random), now.nextId + 1, {}};
              if (any(3) == 0)
                after.job = with(after.job, piece(("t" + std::to_string(stamp)).c_str(), "low-table", 40, 20),
                                 ("q" + std::to_string(stamp)).c_str(), 50, 50);
              if (window->readOnly()) break;
              coming.push_back({after.job, draft});
              window->record("edit " + std::to_string(stamp), now.job, after.job, after.nextId);
              now = after;
              dirty = true;
              settle();
              break;
            }
            case 4: {
              const std::string where = any(3) == 0              ? path(any(2) == 0 ? "b.mezzet" : "c.mezzet")
                                        : window->path().empty() ? path("b.mezzet")
                                                                 : window->path();
              // A file that is replaced on purpose takes nothing with it that is still owed.
              if (const auto bytes = readFile(where, 1 << 26); bytes.ok() && where != window->path()) {
                const Job there = readJobBytes(*bytes, where)->job;
                if (std::any_of(owed.begin(), owed.end(),
                                [&](const Owed& o) { return unnamed(o.job) == unnamed(there); }))
                  break;
              }
              coming.push_back({now.job, draft});
              if (window->save(where, now, true).ok()) {
                dirty = false;
                if (brought && !brought->draft) taken(owed, brought);
              }
              settle();
              break;
            }
            case 5: {
              std::optional<WalkDraft> next;
              if (any(3) != 0) next = WalkDraft{RoomId(), {{static_cast<double>(++stamp), 90}}, 2500};
              if (window->readOnly()) break;
              coming.push_back({now.job, next});
              if (!next && !dirty) safe.reset();  // given up on purpose
              draft = next;
              window->keepDraft(draft, now);
              settle();
              break;
            }
            case 6:
              coming.push_back({now.job, draft});
              window->retry(now);
              settle();
              break;
            case 7: {
              const auto offers = leftBehind(files, journals()).worth;
              if (offers.empty() || dirty || draft) break;
              const std::string& offer = offers[static_cast<std::size_t>(any(static_cast<unsigned>(offers.size())))];
              const Recovered found = read(offer);
              const auto back = window->bringBack(offer, now);
              if (!back.ok()) {
                // What was open here may have been closed for it.
                now = window->path().empty() ? base_ : saved(window->path());
                settle();
                break;
              }
              now = back->after;
              draft = back->draft;
              dirty = back->edits.edits > 0;
              brought = Owed{found.file.job, found.draft};
              settle();
              break;
            }
          }
        }
        if (any(3) == 0) {
          safe.reset();
          coming.clear();
          window->close();
        }
        coming.clear();
      } catch (const FaultyFiles::Killed&) {}
      files.killAfter = -1;
      window.reset();
      files.mend();
      if (safe) {
        // Found as it was, or as the step that was cut off would have made it.
        bool found = isFound(*safe);
        if (found) owed.push_back(*safe);
        for (const Owed& next : coming)
          if (!found && isFound(next)) {
            found = true;
            owed.push_back(next);
          }
        ASSERT_TRUE(found) << "seed " << seed << ", life " << life << ": a finished edit is lost";
      }
      // What stands in a file is not owed any more: it is opened and worked on like any job.
      std::erase_if(owed, [&](const Owed& o) { return isSaved(o); });
      static_cast<void>(leftBehind(files, journals()));  // what a start sweeps up
      for (const Owed& o : owed)
        ASSERT_TRUE(isFound(o)) << "seed " << seed << ", life " << life << ": what was left behind is lost";
      for (const auto& entry : fs::directory_iterator(root_)) {
        if (entry.path().extension() != ".mezzet") continue;
        ASSERT_TRUE(readJobBytes(readFile(entry.path().string(), 1 << 26).value(), "file").ok())
            << "seed " << seed << ": a file is not whole";
      }
    }
  }
};

TEST_F(KeptWork, IsFoundAfterAnyFault) {
  const char* wanted = std::getenv("MEZZET_MODEL_RUNS");
#ifdef __SANITIZE_ADDRESS__
  constexpr int kRuns = 160;  // a sixth, each taking six times as long
#else
  constexpr int kRuns = 1'000;
#endif
  const int runs = wanted != nullptr ? std::atoi(wanted) : kRuns;
  const char* seed = std::getenv("MEZZET_MODEL_SEED");
  const unsigned first = seed != nullptr ? static_cast<unsigned>(std::atoi(seed)) : 20261127U;
  std::printf("seeds from %u, %d runs\n", first, runs);
  for (int i = 0; i < runs && !HasFatalFailure(); ++i) run(first + static_cast<unsigned>(i));
  EXPECT_GT(files_.kills, runs / 2) << "too few kills to show anything";
  EXPECT_GT(files_.refusals, runs) << "too few failures to show anything";
}

}  // namespace open_job_test
}  // namespace mezzet
