#include "io/files/open_job.h"

#include <filesystem>

namespace mezzet {
namespace {

constexpr std::size_t kMostSavedBytes = std::size_t{1} << 30;
constexpr const char* kBroughtBack = ", brought back";

std::string shaOfFile(const std::string& path) {
  const auto bytes = readFile(path, kMostSavedBytes);
  return bytes ? sha256(*bytes) : std::string();
}

bool isThere(const std::string& path) {
  std::error_code ignored;
  return std::filesystem::exists(std::filesystem::symlink_status(path, ignored));
}

bool sameFile(const std::string& a, const std::string& b) {
  std::error_code ignored;
  return a == b || (!a.empty() && !b.empty() &&
                    std::filesystem::weakly_canonical(a, ignored) == std::filesystem::weakly_canonical(b, ignored));
}

}  // namespace

void OpenJob::begin(const JobFile& base, const Unsaved& unsaved) {
  readOnly_ = false;
  unsaved_ = unsaved;
  journal_.reset();
  Result<Journal::Begun> begun = Journal::begin(folder_, path_, savedSha_, base, unsaved, draft_, files_);
  if (begun) {
    Journal::Begun got = std::move(begun).value();
    journal_ = std::move(got.journal);
    putAside_.insert(putAside_.end(), got.putAside.begin(), got.putAside.end());
    return told(std::nullopt);
  }
  readOnly_ = begun.error().what == Journal::kInUse;
  told(readOnly_ ? std::nullopt : std::optional(begun.error()));
}

Result<JobFile> OpenJob::open(const std::string& path) {
  const auto bytes = readFile(path, kMostSavedBytes);
  if (!bytes) return bytes.error();
  Result<JobFile> file = readJobBytes(*bytes, fileNameOf(path));
  if (!file) return file;
  close();
  path_ = path;
  savedSha_ = sha256(*bytes);
  begin(*file, {});
  return file;
}

void OpenJob::start(JobFile& file, const Unsaved& unsaved, const std::optional<WalkDraft>& draft) {
  close();
  draft_ = draft;
  bringImages(folder_, file.job, file.images);
  path_.clear();
  savedSha_.clear();
  begin(file, unsaved);
}

void OpenJob::close() {
  if (journal_) journal_->finish();
  journal_.reset();
  draft_.reset();
  unsaved_ = {};
  told(std::nullopt);
}

OpenJob::SaveAnswer OpenJob::save(const std::string& path, const JobFile& file, bool replace) {
  const std::string name = fileNameOf(path);
  const bool own = !path_.empty() && sameFile(path, path_);
  if (readOnly_ && own)
    return {Saved::OpenElsewhere,
            Error{name, "is open in another window", "Save it there, or here under another name"}};
  const auto bytes = writeJobBytes(file);
  if (!bytes) return {Saved::No, bytes.error()};
  const std::string sha = sha256(*bytes);
  if (!replace && own) {
    // A file that has gone is made anew; one that another program has written is not lost without a word.
    if (const std::string now = shaOfFile(path); isThere(path) && now != savedSha_)
      return {Saved::FileChanged,
              Error{name, "has been changed by another program since it was opened", "Save beside it, or replace it"}};
  } else if (!replace && isThere(path)) {
    return {Saved::WouldReplace, Error{name, "is there already", "Replace it, or choose another name"}};
  }
  // The journal of the new name is taken first: whoever works on that file keeps it, and nothing is unkept for a
  // moment.
  std::unique_ptr<Journal> next;
  if (!own || !journal_) {
    Result<Journal::Begun> begun =
        Journal::begin(folder_, path, {}, file, {std::max(1, unsaved_.edits), unsaved_.last}, draft_, files_);
    if (begun) {
      Journal::Begun got = std::move(begun).value();
      next = std::move(got.journal);
      putAside_.insert(putAside_.end(), got.putAside.begin(), got.putAside.end());
    } else if (begun.error().what == Journal::kInUse) {
      return {Saved::OpenElsewhere,
              Error{name, "is open in another window", "Close it there first, or choose another name"}};
    } else {
      told(begun.error());
    }
  }
  auto fault = saveAtomically(files_, path, *bytes);
  // The disk may not have confirmed what is in place all the same.
  if (fault && shaOfFile(path) != sha) {
    if (next) next->finish();
    return {Saved::No, std::move(fault)};
  }
  path_ = path;
  savedSha_ = sha;
  readOnly_ = false;
  unsaved_ = {};
  if (next) {
    if (journal_) journal_->finish();
    journal_ = std::move(next);
    told(std::nullopt);
  }
  if (journal_) told(journal_->restart(sha, file));
  return {Saved::Yes, std::move(fault)};
}

void OpenJob::record(const std::string& name, const Job& before, const Job& after, long long nextId, int edits) {
  unsaved_.edits += edits;
  unsaved_.last = name;
  if (journal_) return told(journal_->append(name, before, after, nextId, edits));
  if (!readOnly_) begin({after, nextId, {}}, Unsaved(unsaved_));  // perhaps what stood in its way has gone
}

void OpenJob::keepDraft(const std::optional<WalkDraft>& draft, const JobFile& now) {
  if (draft == draft_) return;
  draft_ = draft;
  if (journal_) told(journal_->draft(draft, now));
  else retry(now);
}

void OpenJob::retry(const JobFile& now) {
  if (journal_) told(journal_->retry(now));
  else if (!readOnly_ && (unsaved_.edits > 0 || draft_)) begin(now, Unsaved(unsaved_));
}

Result<OpenJob::BroughtBack> OpenJob::bringBack(const std::string& journal, const JobFile& now) {
  const FileSystem::Locked left = files_.openLocked(journal, FileSystem::Lock::Existing);
  if (left.descriptor < 0)
    return Error{fileNameOf(journal), "is no longer there", "Another window has brought it back or thrown it away"};
  Descriptor lock(left.descriptor);
  const auto bytes = readOpenFile(left.descriptor, journal, kMostJournalBytes);
  Result<Recovered> read = bytes ? readJournal(*bytes, fileNameOf(journal)) : Result<Recovered>(bytes.error());
  if (!read) return read.error();
  const Recovered found = std::move(read).value();
  // Out of the way of the journal that takes its place. Where that cannot be done, that one is refused and this one
  // stays.
  std::string here = journal;
  for (int n = 1; n < 1000 && here == journal; ++n) {
    const std::string aside = journal.substr(0, journal.size() - std::string_view(".journal").size()) + "-taken-" +
                              std::to_string(n) + ".journal";
    if (isThere(aside)) continue;
    if (files_.renameNew(journal, aside)) break;
    here = aside;
  }
  if (here == journal) lock = Descriptor();
  const auto refused = [&](const Error& fault) {
    putAside_.push_back(here);  // to be offered again
    return fault;
  };

  BroughtBack out{std::nullopt, found.file, {found.edits, found.lastEdit}, found.draft, false};
  if (!found.path.empty() && shaOfFile(found.path) == found.savedSha) {
    JobFile before = now;
    if (!sameFile(path_, found.path) || readOnly_) {
      // Asked before what is open here is closed for it.
      const FileSystem::Locked other =
          files_.openLocked(journalPathFor(folder_, found.path), FileSystem::Lock::Existing);
      const Descriptor looked(other.descriptor);
      if (other.inUse)
        return refused(
            {fileNameOf(found.path), "is open in another window", "Close it there, then bring these edits back"});
      Result<JobFile> saved = open(found.path);
      if (!saved) return refused(saved.error());
      before = std::move(saved).value();
      out.before = before;
    }
    if (readOnly_) {
      // Another window was quicker: its job is shown as it is, and these edits are offered again.
      putAside_.push_back(here);
      return BroughtBack{before, before, {}, {}, false};
    }
    out.after.images = before.images;
    bringImages(folder_, out.after.job, out.after.images);
    if (found.edits > 0) record(found.lastEdit, before.job, out.after.job, out.after.nextId, found.edits);
    keepDraft(found.draft, out.after);
  } else {
    // A copy that stands for itself, never merged.
    out.copy = true;
    if (const auto file = found.path.empty() ? Result<std::string>(Error{}) : readFile(found.path, kMostSavedBytes);
        file.ok())
      if (const auto saved = readJobBytes(*file, found.path)) out.after.images = saved->images;
    if (!found.path.empty() && !out.after.job.name.ends_with(kBroughtBack)) out.after.job.name += kBroughtBack;
    start(out.after, out.edits, found.draft);
  }
  if (journal_ != nullptr && journal_->whole()) static_cast<void>(files_.remove(here));
  else putAside_.push_back(here);
  return out;
}

std::optional<Error> OpenJob::throwAway(const std::string& journal) {
  const FileSystem::Locked left = files_.openLocked(journal, FileSystem::Lock::Existing);
  const Descriptor lock(left.descriptor);
  if (left.inUse) return Error{fileNameOf(journal), "is being brought back in another window", "It is kept"};
  if (const auto fault = files_.remove(journal))
    return Error{fileNameOf(journal), "could not be thrown away: " + *fault, "It will be offered again"};
  return std::nullopt;
}

}  // namespace mezzet
