#include "io/files/journal.h"

#include <fcntl.h>
#include <pwd.h>
#include <sys/stat.h>
#include <unistd.h>

#include <algorithm>
#include <chrono>
#include <cstdlib>
#include <filesystem>

#include "io/files/journal_records.h"

namespace mezzet {
namespace {

/// A journal is written anew when its edits take more than its job, and more than this.
constexpr std::size_t kCompactAbove = 256u << 10;

Error cannotJournal(const std::string& what) {
  return {"journal", what, "Until this is mended, save often: a crash would lose unsaved edits"};
}

}  // namespace

Journal::Journal(std::string filePath, std::string path, std::string savedSha, int descriptor, FileSystem& files)
    : filePath_(std::move(filePath)),
      path_(std::move(path)),
      savedSha_(std::move(savedSha)),
      files_(files),
      descriptor_(descriptor),
      syncer_([this](const std::stop_token& stop) { syncLoop(stop); }) {}

Journal::~Journal() {
  syncer_.request_stop();
  wake_.notify_all();
  if (syncer_.joinable()) syncer_.join();
}

void Journal::syncLoop(const std::stop_token& stop) {
  using namespace std::chrono_literals;
  std::unique_lock lock(mutex_);
  while (!stop.stop_requested()) {
    wake_.wait(lock, stop, [this] { return dirty_; });
    if (!dirty_) continue;
    dirty_ = false;
    // A descriptor of its own: the journal may be written anew meanwhile.
    const int descriptor = ::fcntl(descriptor_.get(), F_DUPFD_CLOEXEC, 0);
    lock.unlock();
    if (descriptor >= 0) {
      ::fdatasync(descriptor);
      ::close(descriptor);
    }
    lock.lock();
    // Edits that come in a burst share the next sync.
    wake_.wait_for(lock, stop, 20ms, [] { return false; });
  }
}

Result<Journal::Begun> Journal::begin(const std::string& folder, const std::string& path, const std::string& savedSha,
                                      const JobFile& base, const Unsaved& unsaved,
                                      const std::optional<WalkDraft>& draft, FileSystem& files) {
  if (folder.empty()) return cannotJournal("There is no home folder to keep unsaved edits in");
  Begun begun;
  for (int tries = 0; tries < 100; ++tries) {
    const std::string filePath = journalPathFor(folder, path);
    const FileSystem::Locked open =
        files.openLocked(filePath, path.empty() ? FileSystem::Lock::New : FileSystem::Lock::MadeIfMissing);
    if (open.inUse) return Error{path, kInUse, "This window shows it, but cannot change it"};
    if (open.descriptor < 0) {
      if (path.empty() && std::filesystem::exists(filePath)) continue;  // another of that name, however that came about
      return cannotJournal("The journal could not be opened: " + open.fault);
    }
    std::unique_ptr<Journal> journal(new Journal(filePath, path, savedSha, open.descriptor, files));
    const Result<std::string> found = readOpenFile(open.descriptor, filePath, kMostJournalBytes);
    if (!found || !found->empty()) {
      const Result<Recovered> old = found ? readJournal(*found, filePath) : Result<Recovered>(found.error());
      if (!old || old->worthOffering()) {
        // What a crash left is never written over: it is put aside, or stays and this window has no journal.
        std::string aside;
        std::optional<std::string> fault = "There are too many of them";
        for (int n = 1; fault && n < 1000; ++n) {
          aside = filePath.substr(0, filePath.size() - std::string_view(".journal").size()) + "-left-" +
                  std::to_string(n) + ".journal";
          if (std::filesystem::exists(aside)) continue;
          fault = files.renameNew(filePath, aside);
          if (fault && !std::filesystem::exists(aside)) break;
        }
        if (fault)
          return cannotJournal("Unsaved edits of an earlier time are kept in " + filePath +
                               " and could not be put aside: " + *fault);
        begun.putAside.push_back(aside);
        continue;
      }
      if (auto fault = files.truncate(open.descriptor, 0))
        return cannotJournal("The journal could not be started: " + *fault);
    }
    journal->unsaved_ = unsaved;
    journal->draft_ = draft;
    if (auto fault = journal->putWhole(base)) return *fault;
    begun.journal = std::move(journal);
    return begun;
  }
  return cannotJournal("No name could be found for the journal");
}

std::optional<Error> Journal::put(const std::string& bytes) {
  if (bytes.size() > kMostRecordBytes) {
    broken_ = true;
    return cannotJournal("The job has become larger than can be kept for a crash");
  }
  if (auto fault = files_.writeAt(descriptor_.get(), end_, bytes)) {
    // A half-written record is written over by the next one; cutting it off is only tidier.
    static_cast<void>(files_.truncate(descriptor_.get(), end_));
    broken_ = true;
    return cannotJournal("Unsaved edits cannot be kept for a crash: " + *fault);
  }
  end_ += bytes.size();
  {
    const std::lock_guard lock(mutex_);
    dirty_ = true;
  }
  wake_.notify_all();
  return std::nullopt;
}

std::optional<Error> Journal::putWhole(const JobFile& now) {
  const std::string base = baseRecord(path_, savedSha_, unsaved_, draft_, now);
  if (auto fault = put(base)) return fault;
  broken_ = false;
  baseBytes_ = base.size();
  sinceBase_ = 0;
  // What stands before it is of no use any more.
  if (end_ - baseBytes_ > std::max(kCompactAbove, baseBytes_)) compact(base);
  return std::nullopt;
}

void Journal::compact(const std::string& base) {
  const std::string fresh = filePath_ + ".new";
  static_cast<void>(files_.remove(fresh));
  Descriptor open(files_.openLocked(fresh, FileSystem::Lock::New).descriptor);
  if (open.get() < 0) return;
  if (files_.writeAt(open.get(), 0, base) || files_.sync(fresh) || files_.rename(fresh, filePath_)) {
    static_cast<void>(files_.remove(fresh));
    return;  // the longer one says the same
  }
  const std::lock_guard lock(mutex_);
  std::swap(descriptor_, open);
  end_ = base.size();
}

std::optional<Error> Journal::append(const std::string& name, const Job& before, const Job& after, long long nextId,
                                     int edits) {
  unsaved_.edits += edits;
  unsaved_.last = name;
  if (broken_) return putWhole({after, nextId, {}});
  const std::string bytes = editRecord(name, before, after, nextId, edits);
  if (auto fault = put(bytes)) return fault;
  sinceBase_ += bytes.size();
  if (sinceBase_ > std::max(kCompactAbove, baseBytes_)) return putWhole({after, nextId, {}});
  return std::nullopt;
}

std::optional<Error> Journal::draft(const std::optional<WalkDraft>& draft, const JobFile& now) {
  draft_ = draft;
  if (broken_) return putWhole(now);
  const std::string bytes = draftRecord(draft);
  sinceBase_ += bytes.size();
  return put(bytes);
}

std::optional<Error> Journal::retry(const JobFile& now) { return broken_ ? putWhole(now) : std::nullopt; }

std::optional<Error> Journal::restart(const std::string& savedSha, const JobFile& base) {
  savedSha_ = savedSha;
  unsaved_ = {};
  return putWhole(base);
}

void Journal::finish() {
  if (files_.remove(filePath_)) static_cast<void>(files_.truncate(descriptor_.get(), 0));
  // Images wait beside the journals for as long as any of them may need one.
  const std::string folder = folderOf(filePath_);
  std::error_code ignored;
  for (const auto& entry : std::filesystem::directory_iterator(folder, ignored))
    if (entry.path().extension() == ".journal") return;
  std::filesystem::remove_all(folder + "/images", ignored);
}

std::string journalPathFor(const std::string& folder, const std::string& path) {
  if (path.empty()) {
    // Never saved: a name of its own for each window.
    static int count = 0;
    return folder + "/untitled-" + std::to_string(::getpid()) + "-" + std::to_string(++count) + "-" +
           std::to_string(std::chrono::steady_clock::now().time_since_epoch().count()) + ".journal";
  }
  std::error_code ignored;
  const std::string absolute = std::filesystem::weakly_canonical(path, ignored).string();
  return folder + "/" + sha256(absolute.empty() ? path : absolute).substr(0, 32) + ".journal";
}

namespace {
/// Whether the saved file has what the journal would bring back: all of it was undone, or a save was cut off before the
/// journal was told.
bool standsInItsFile(const Recovered& found) {
  if (found.path.empty() || found.draft) return false;
  const auto bytes = readFile(found.path, std::size_t{1} << 30);
  if (!bytes) return false;
  const auto file = readJobBytes(*bytes, found.path);
  return file && file->job == found.file.job;
}
}  // namespace

LeftBehind leftBehind(FileSystem& files, const std::string& folder) {
  std::vector<std::string> names;
  std::error_code fault;
  for (const auto& entry : std::filesystem::directory_iterator(folder, fault)) names.push_back(entry.path().string());
  std::sort(names.begin(), names.end());
  LeftBehind out;
  for (const std::string& name : names) {
    const bool half = name.ends_with(".journal.new");
    if (!half && !name.ends_with(".journal")) continue;
    const FileSystem::Locked locked = files.openLocked(name, FileSystem::Lock::Existing);
    const Descriptor open(locked.descriptor);
    if (open.get() < 0) {
      if (!locked.inUse) out.unreadable.push_back(name);
      continue;  // another window works on it
    }
    const auto bytes = readOpenFile(open.get(), name, kMostJournalBytes);
    const auto found = bytes ? readJournal(*bytes, fileNameOf(name)) : Result<Recovered>(bytes.error());
    if (found && found->worthOffering() && !half && !standsInItsFile(*found)) out.worth.push_back(name);
    else if (half || found || (bytes && bytes->empty())) static_cast<void>(files.remove(name));
    else out.unreadable.push_back(name);
  }
  return out;
}

std::string journalFolder() {
  const char* state = std::getenv("XDG_STATE_HOME");
  const char* home = std::getenv("HOME");
  if (home == nullptr || *home == '\0') {
    const passwd* user = ::getpwuid(::geteuid());
    home = user != nullptr ? user->pw_dir : nullptr;
  }
  if ((state == nullptr || *state == '\0') && (home == nullptr || *home == '\0')) return {};
  const std::string base = state != nullptr && *state != '\0' ? state : std::string(home) + "/.local/state";
  const std::string folder = base + "/mezzet/journal";
  std::error_code ignored;
  std::filesystem::create_directories(folder, ignored);
  return folder;
}

std::optional<Error> keepImage(FileSystem& files, const std::string& folder, const std::string& name,
                               const Bytes& bytes) {
  if (folder.empty()) return std::nullopt;  // the window says that nothing is kept for a crash
  std::error_code ignored;
  const std::string images = folder + "/images";
  std::filesystem::create_directories(images, ignored);
  const std::string path = images + "/" + waitingAs(name);
  if (std::filesystem::exists(path, ignored)) return std::nullopt;
  return saveAtomically(files, path, bytes, 0600);
}

void bringImages(const std::string& folder, const Job& job, Images& images) {
  for (const std::string& name : imagesNamedIn(job)) {
    if (images.contains(name)) continue;
    const auto bytes = readFile(folder + "/images/" + waitingAs(name), kMostImageBytes);
    if (bytes && name.size() > 64 && sha256(*bytes) == digestOf(name))
      images[name] = std::make_shared<const Bytes>(*bytes);
  }
}

}  // namespace mezzet
