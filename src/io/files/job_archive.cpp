#include <nettle/sha2.h>
#include <zip.h>

#include <memory>
#include <set>

#include "io/files/job_file.h"
#include "io/photometry/ies.h"

namespace mezzet {
namespace {

constexpr zip_int64_t kMostEntries = 10'000;
constexpr std::size_t kMostImagesTotal = 512u << 20;
constexpr std::size_t kMostFileBytes =
    kMostJobBytes + kMostImagesTotal + (16u << 20);  // and what a zip puts round them

struct CloseZip {
  void operator()(zip_t* z) const { zip_discard(z); }
};
using Zip = std::unique_ptr<zip_t, CloseZip>;

/// One entry, refused before reading when it says it is larger than `most` (a small file can unpack to a huge one).
Result<Bytes> readEntry(zip_t* zip, zip_uint64_t index, std::size_t most, const std::string& where) {
  zip_stat_t stat;
  if (zip_stat_index(zip, index, 0, &stat) != 0 || (stat.valid & ZIP_STAT_SIZE) == 0)
    return Error{where, "cannot be read", "The file may be damaged; open a copy"};
  if (stat.size > most)
    return Error{where, "unpacks to more than " + std::to_string(most >> 20) + " MB",
                 "A job of that size cannot be right"};
  zip_file_t* file = zip_fopen_index(zip, index, 0);
  if (file == nullptr) return Error{where, "cannot be unpacked", "The file may be damaged or encrypted; open a copy"};
  Bytes bytes(stat.size, '\0');
  const zip_int64_t got = stat.size == 0 ? 0 : zip_fread(file, bytes.data(), stat.size);
  char beyond = 0;
  const bool whole = got == static_cast<zip_int64_t>(stat.size) && zip_fread(file, &beyond, 1) == 0;
  zip_fclose(file);
  if (!whole) return Error{where, "is damaged: its content does not match its checksum or its size", "Open a copy"};
  return bytes;
}

Result<JobFile> readArchive(const Bytes& bytes, const std::string& name) {
  zip_error_t error;
  zip_error_init(&error);
  zip_source_t* source = zip_source_buffer_create(bytes.data(), bytes.size(), 0, &error);
  if (source == nullptr) return Error{name, "cannot be read", "There may be too little memory"};
  Zip zip(zip_open_from_source(source, ZIP_RDONLY | ZIP_CHECKCONS, &error));
  if (!zip) {
    zip_source_free(source);
    return Error{name, "is not a whole Mezzet file", "It may be cut short or damaged; open a copy"};
  }
  if (zip_get_num_entries(zip.get(), 0) > kMostEntries)
    return Error{name, "holds more than 10000 entries", "It is not a Mezzet file"};
  const zip_int64_t at = zip_name_locate(zip.get(), "job.json", 0);
  if (at < 0) return Error{name, "holds no job.json", "It is not a Mezzet file"};
  const Result<Bytes> text = readEntry(zip.get(), static_cast<zip_uint64_t>(at), kMostJobBytes, name + ", job.json");
  if (!text) return text.error();
  Result<JobFile> file = readJobText(*text, name);
  if (!file) return file;
  JobFile out = std::move(file).value();
  std::size_t total = 0;
  for (const std::string& imageName : imagesNamedIn(out.job)) {
    const std::string entry = entryOf(imageName);
    const zip_int64_t index = zip_name_locate(zip.get(), entry.c_str(), 0);
    if (index < 0) continue;  // drawn without it
    const Result<Bytes> image =
        readEntry(zip.get(), static_cast<zip_uint64_t>(index), kMostImageBytes, name + ", " + entry);
    if (!image) return image.error();
    total += image->size();
    if (total > kMostImagesTotal) return Error{name, "holds more than 512 MB of images", "Use smaller images"};
    if (sha256(*image) != digestOf(imageName))
      return Error{name + ", " + entry, "does not match its name", "The image is damaged; open a copy"};
    out.images[imageName] = std::make_shared<const Bytes>(*image);
  }
  return out;
}

bool addEntry(zip_t* zip, const std::string& name, const Bytes& bytes) {
  zip_source_t* source = zip_source_buffer(zip, bytes.data(), bytes.size(), 0);
  if (source == nullptr) return false;
  const zip_int64_t index = zip_file_add(zip, name.c_str(), source, ZIP_FL_ENC_UTF_8);
  if (index < 0) {
    zip_source_free(source);
    return false;
  }
  // A fixed time keeps equal jobs equal files.
  zip_file_set_mtime(zip, static_cast<zip_uint64_t>(index), 946'684'800, 0);
  return true;
}

}  // namespace

std::vector<std::string> imagesNamedIn(const Job& job) {
  std::set<std::string> names;
  for (const auto& piece : job.pieces) {
    names.insert(piece->image);
    names.insert(piece->light->photometry);
  }
  for (const auto& room : job.rooms) {
    if (room->underlay) names.insert(room->underlay->image);
    for (const Photograph& p : room->photographs) names.insert(p.image);
  }
  names.erase("");
  return {names.begin(), names.end()};
}

std::string entryOf(const std::string& name) { return isPhotometryName(name) ? name : "images/" + name; }
std::string digestOf(const std::string& name) {
  return isPhotometryName(name) ? name.substr(kPhotometryFolder.size()) : name.substr(0, 64);
}
std::string waitingAs(const std::string& name) { return isPhotometryName(name) ? digestOf(name) + ".ies" : name; }

std::string sha256(std::string_view bytes) {
  sha256_ctx context;
  sha256_init(&context);
  sha256_update(&context, bytes.size(), reinterpret_cast<const uint8_t*>(bytes.data()));
  uint8_t digest[SHA256_DIGEST_SIZE];
  sha256_digest(&context, sizeof digest, digest);
  std::string out;
  for (const uint8_t byte : digest) {
    out += "0123456789abcdef"[byte >> 4];
    out += "0123456789abcdef"[byte & 15];
  }
  return out;
}

Result<JobFile> readJobBytes(const Bytes& bytes, const std::string& name) {
  if (bytes.size() > kMostFileBytes) return Error{name, "is larger than Mezzet reads", "Use smaller images"};
  if (bytes.starts_with("PK")) return readArchive(bytes, name);
  const std::size_t first = bytes.find_first_not_of(" \t\r\n");
  if (first == Bytes::npos) return Error{name, "is empty", "Choose a .mezzet file or a job.json"};
  if (bytes[first] == '{' || bytes[first] == '[') return readJobText(bytes, name);
  return Error{name, "is not a Mezzet job", "Choose a .mezzet file or a job.json"};
}

Result<Bytes> writeJobBytes(const JobFile& file) {
  // What is written can be read: the same limits, asked by reading it.
  const std::string text = writeJobText(file.job, file.nextId);
  if (const auto again = readJobText(text, "the job"); !again)
    return Error{"save", "would make a file that cannot be opened: " + again.error().text(), ""};
  std::size_t total = 0;
  for (const std::string& name : imagesNamedIn(file.job))
    if (const auto image = file.images.find(name); image != file.images.end()) {
      total += image->second->size();
      if (image->second->size() > kMostImageBytes)
        return Error{"save", "would make a file that cannot be opened: an image has more than 64 MB", "Take it out"};
    }
  if (total > kMostImagesTotal)
    return Error{"save", "would make a file that cannot be opened: its images have more than 512 MB",
                 "Use smaller images"};
  const Error refused{"save", "could not pack the job", "There may be too little memory; save again"};
  zip_error_t error;
  zip_error_init(&error);
  zip_source_t* source = zip_source_buffer_create(nullptr, 0, 0, &error);
  if (source == nullptr) return refused;
  zip_source_keep(source);
  zip_t* zip = zip_open_from_source(source, ZIP_TRUNCATE, &error);
  if (zip == nullptr) {
    zip_source_free(source);
    zip_source_free(source);
    return refused;
  }
  bool good = addEntry(zip, "job.json", text);
  for (const std::string& name : imagesNamedIn(file.job))
    if (const auto image = file.images.find(name); image != file.images.end())
      good = good && addEntry(zip, entryOf(name), *image->second);
  if (!good || zip_close(zip) != 0) {
    zip_discard(zip);
    zip_source_free(source);
    return refused;
  }
  Bytes bytes;
  zip_stat_t stat;
  if (zip_source_stat(source, &stat) == 0 && zip_source_open(source) == 0) {
    bytes.resize(stat.size);
    if (zip_source_read(source, bytes.data(), stat.size) != static_cast<zip_int64_t>(stat.size)) bytes.clear();
    zip_source_close(source);
  }
  zip_source_free(source);
  if (bytes.empty()) return refused;
  return bytes;
}

}  // namespace mezzet
