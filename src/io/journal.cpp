#include "io/journal.h"

#include <fcntl.h>
#include <sys/file.h>
#include <sys/stat.h>
#include <unistd.h>
#include <zlib.h>

#include <algorithm>
#include <chrono>
#include <cstdlib>
#include <filesystem>

#include "io/job_json.h"
#include "io/site_json.h"
#include "io/json_reader.h"

namespace mezzet {
namespace {

constexpr std::size_t kHead = 8;  // length and CRC-32, little endian
constexpr std::size_t kMostRecord = kMostJobBytes;

std::string little(std::uint32_t value) {
  std::string out;
  for (int i = 0; i < 4; ++i) out += static_cast<char>((value >> (8 * i)) & 0xFFu);
  return out;
}
std::uint32_t fromLittle(const char* bytes) {
  std::uint32_t value = 0;
  for (int i = 0; i < 4; ++i) value |= static_cast<std::uint32_t>(static_cast<unsigned char>(bytes[i])) << (8 * i);
  return value;
}
std::uint32_t crcOf(std::string_view bytes) {
  return static_cast<std::uint32_t>(::crc32(0, reinterpret_cast<const Bytef*>(bytes.data()), static_cast<uInt>(bytes.size())));
}

std::string record(const std::string& payload) { return little(static_cast<std::uint32_t>(payload.size())) + little(crcOf(payload)) + payload; }

std::string firstRecord(const std::string& path, const std::string& savedSha, const JobFile& base) {
  const Json head{{"mezzet-journal", 1}, {"path", path}, {"sha256", savedSha}, {"base", toJson(base.job, base.nextId)}};
  return record(head.dump(-1, ' ', false, Json::error_handler_t::replace));
}

/// The next whole record from `at`, which moves past it; nothing when it is torn.
std::optional<std::string_view> nextRecord(const Bytes& bytes, std::size_t& at) {
  if (bytes.size() - at < kHead) return std::nullopt;
  const std::size_t length = fromLittle(bytes.data() + at);
  if (length > kMostRecord || bytes.size() - at - kHead < length) return std::nullopt;
  const std::string_view payload(bytes.data() + at + kHead, length);
  if (crcOf(payload) != fromLittle(bytes.data() + at + 4)) return std::nullopt;
  at += kHead + length;
  return payload;
}

/// Opens and locks; -1 with errno set when it cannot.
int openLocked(const std::string& path, int flags) {
  const int descriptor = ::open(path.c_str(), O_RDWR | O_CLOEXEC | flags, 0600);
  if (descriptor < 0) return -1;
  if (::flock(descriptor, LOCK_EX | LOCK_NB) != 0) {
    ::close(descriptor);
    errno = EWOULDBLOCK;
    return -1;
  }
  return descriptor;
}

Error cannotJournal(const std::string& what) { return {"journal", what, "Until this is mended, save often: a crash would lose unsaved edits"}; }

template <class T>
void diffShared(Json& patch, const char* key, const std::vector<Shared<T>>& before, const std::vector<Shared<T>>& after) {
  const std::size_t common = std::min(before.size(), after.size());
  const std::string root = std::string("/") + key;
  for (std::size_t i = 0; i < common; ++i) {
    if (before[i] == after[i]) continue;
    Json steps = Json::diff(toJson(*before[i]), toJson(*after[i]), root + "/" + std::to_string(i));
    for (Json& step : steps) patch.push_back(std::move(step));
  }
  for (std::size_t i = before.size(); i > common; --i) patch.push_back({{"op", "remove"}, {"path", root + "/" + std::to_string(i - 1)}});
  for (std::size_t i = common; i < after.size(); ++i) patch.push_back({{"op", "add"}, {"path", root + "/-"}, {"value", toJson(*after[i])}});
}

void replace(Json& patch, const char* path, Json value) { patch.push_back({{"op", "replace"}, {"path", path}, {"value", std::move(value)}}); }

Json patchOf(const Job& before, const Job& after, long long nextId) {
  Json patch = Json::array();
  if (before.name != after.name) replace(patch, "/name", after.name);
  if (before.units != after.units) replace(patch, "/units", after.units == Unit::Inch ? "in" : "mm");
  if (before.brief != after.brief) replace(patch, "/brief", toJson(after.brief));
  if (before.houseRules != after.houseRules) replace(patch, "/houseRules", toJson(after.houseRules));
  if (before.extra != after.extra) patch.push_back({{"op", "add"}, {"path", "/x"}, {"value", after.extra.empty() ? Json::object() : Json::parse(after.extra)}});
  if (before.storeys != after.storeys) patch.push_back({{"op", "add"}, {"path", "/storeys"}, {"value", toJson(after.storeys)}});
  diffShared(patch, "rooms", before.rooms, after.rooms);
  diffShared(patch, "pieces", before.pieces, after.pieces);
  diffShared(patch, "schemes", before.schemes, after.schemes);
  replace(patch, "/nextId", nextId);
  return patch;
}

}  // namespace

std::string patchText(const Job& before, const Job& after, long long nextId) { return patchOf(before, after, nextId).dump(); }

Result<Recovered> readJournal(const Bytes& bytes, const std::string& name) {
  const Error broken{name, "is not a whole journal", "Nothing can be brought back from it"};
  std::size_t at = 0;
  const auto head = nextRecord(bytes, at);
  if (!head) return broken;
  try {
    const Json first = parseJson(*head);
    Recovered out;
    out.path = first.at("path").get<std::string>();
    out.savedSha = first.at("sha256").get<std::string>();
    Json job = first.at("base");
    Result<JobFile> file = jobFromJson(job, name);
    if (!file) return file.error();
    out.file = std::move(file).value();
    out.goodBytes = at;
    std::vector<std::size_t> ends;
    std::vector<std::string> names;
    while (const auto payload = nextRecord(bytes, at)) {
      try {
        const Json edit = parseJson(*payload);
        job = job.patch(edit.at("patch"));
        names.push_back(edit.at("name").get<std::string>());
      } catch (const nlohmann::json::exception&) {
        break;  // what follows builds on this edit, so it ends here
      }
      ends.push_back(at);
    }
    if (!names.empty()) {
      Result<JobFile> latest = jobFromJson(job, name);
      if (!latest) return latest.error();
      out.file = std::move(latest).value();
      out.edits = static_cast<int>(names.size());
      out.lastEdit = names.back();
      out.goodBytes = ends.back();
    }
    return out;
  } catch (const nlohmann::json::exception&) {
    return broken;
  }
}

Journal::Journal(std::string filePath, std::string path, int descriptor, FileSystem& files)
    : filePath_(std::move(filePath)), path_(std::move(path)), descriptor_(descriptor), files_(files), syncer_([this](const std::stop_token& stop) {
        syncLoop(stop);
      }) {}

Journal::~Journal() {
  syncer_.request_stop();
  wake_.notify_all();
  if (syncer_.joinable()) syncer_.join();
  if (descriptor_ >= 0) ::close(descriptor_);
}

void Journal::syncLoop(const std::stop_token& stop) {
  using namespace std::chrono_literals;
  std::unique_lock lock(mutex_);
  while (!stop.stop_requested()) {
    wake_.wait(lock, stop, [this] { return dirty_; });
    if (!dirty_) continue;
    dirty_ = false;
    const int descriptor = descriptor_;
    lock.unlock();
    ::fdatasync(descriptor);
    // Edits that come in a burst share the next sync.
    std::this_thread::sleep_for(stop.stop_requested() ? 0ms : 20ms);
    lock.lock();
  }
}

Result<std::unique_ptr<Journal>> Journal::begin(const std::string& folder, const std::string& path, const std::string& savedSha, const JobFile& base,
                                                FileSystem& files) {
  const std::string filePath = journalPathFor(folder, path);
  const int descriptor = openLocked(filePath, O_CREAT);
  if (descriptor < 0)
    return errno == EWOULDBLOCK ? Error{path, kInUse, "This window shows it, but cannot change it"} : cannotJournal("The journal could not be opened");
  std::unique_ptr<Journal> journal(new Journal(filePath, path, descriptor, files));
  if (auto fault = journal->restart(savedSha, base)) return *fault;
  return journal;
}

std::optional<Error> Journal::append(const std::string& name, const Job& before, const Job& after, long long nextId) {
  const Json edit{{"name", name}, {"patch", patchOf(before, after, nextId)}};
  const std::string bytes = record(edit.dump(-1, ' ', false, Json::error_handler_t::replace));
  const off_t end = ::lseek(descriptor_, 0, SEEK_END);
  if (auto fault = files_.append(descriptor_, bytes)) {
    // A half-written record must not stand before later ones.
    if (end < 0 || ::ftruncate(descriptor_, end) != 0) return cannotJournal("The journal is damaged: " + *fault);
    return cannotJournal("This edit could not be journalled: " + *fault);
  }
  {
    const std::lock_guard lock(mutex_);
    dirty_ = true;
  }
  wake_.notify_all();
  return std::nullopt;
}

std::optional<Error> Journal::restart(const std::string& savedSha, const JobFile& base) {
  if (::ftruncate(descriptor_, 0) != 0 || ::lseek(descriptor_, 0, SEEK_SET) < 0) return cannotJournal("The journal could not be started over");
  if (auto fault = files_.append(descriptor_, firstRecord(path_, savedSha, base))) return cannotJournal("The journal could not be started: " + *fault);
  const std::lock_guard lock(mutex_);
  dirty_ = true;
  wake_.notify_all();
  return std::nullopt;
}

void Journal::finish() {
  files_.remove(filePath_);
  // Images wait beside the journals for as long as any of them may need one.
  const std::string folder = std::filesystem::path(filePath_).parent_path().string();
  if (!abandonedJournals(folder).empty()) return;
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

std::vector<std::string> abandonedJournals(const std::string& folder) {
  std::vector<std::string> out;
  std::error_code fault;
  for (const auto& entry : std::filesystem::directory_iterator(folder, fault)) {
    if (entry.path().extension() != ".journal") continue;
    const int descriptor = openLocked(entry.path().string(), 0);
    if (descriptor < 0) continue;  // another window works on it
    ::close(descriptor);
    const auto bytes = readFile(entry.path().string(), kMostJobBytes * 4);
    if (!bytes) continue;
    if (const auto recovered = readJournal(*bytes, entry.path().filename().string()); recovered && recovered->edits > 0) out.push_back(entry.path().string());
  }
  std::sort(out.begin(), out.end());
  return out;
}

std::string journalFolder() {
  const char* state = std::getenv("XDG_STATE_HOME");
  const char* home = std::getenv("HOME");
  const std::string base = state != nullptr && *state != '\0' ? state : std::string(home != nullptr ? home : "/tmp") + "/.local/state";
  const std::string folder = base + "/mezzet/journal";
  std::error_code ignored;
  std::filesystem::create_directories(folder, ignored);
  return folder;
}

std::optional<Error> keepImage(FileSystem& files, const std::string& folder, const std::string& name, const Bytes& bytes) {
  std::error_code ignored;
  const std::string images = folder + "/images";
  std::filesystem::create_directories(images, ignored);
  const std::string path = images + "/" + name;
  if (std::filesystem::exists(path, ignored)) return std::nullopt;
  return saveAtomically(files, path, bytes);
}

void bringImages(const std::string& folder, const Job& job, Images& images) {
  for (const std::string& name : imagesNamedIn(job)) {
    if (images.contains(name)) continue;
    const auto bytes = readFile(folder + "/images/" + name, kMostImageBytes);
    if (bytes && name.size() > 64 && sha256(*bytes) == name.substr(0, 64)) images[name] = std::make_shared<const Bytes>(*bytes);
  }
}

}  // namespace mezzet
