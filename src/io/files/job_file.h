// The job file: job.json and images in a zip, or a bare job.json. Everything read here is hostile until parsed.
#pragma once

#include <map>
#include <memory>
#include <string>
#include <string_view>
#include <vector>

#include "core/model/job.h"
#include "core/base/result.h"

namespace mezzet {

using Bytes = std::string;
/// What lies in a job's file beside job.json, by its name: images by the SHA-256 of their content and an ending,
/// "3f..9a.png"; photometric files by "photometry/" and their SHA-256.
using Images = std::map<std::string, std::shared_ptr<const Bytes>>;

struct JobFile {
  Job job;
  long long nextId = 1;
  Images images;
};

inline constexpr int kJobVersion = 12;                     ///< newest format version this program reads and writes
inline constexpr std::size_t kMostJobBytes = 64u << 20;    ///< of job.json
inline constexpr std::size_t kMostImageBytes = 64u << 20;  ///< of one image

/// Parses job.json. `name` stands before the place in messages. All or nothing; the job is checked as a whole.
[[nodiscard]] Result<JobFile> readJobText(std::string_view text, const std::string& name);
/// Readable keys in a steady order, lengths in mm.
[[nodiscard]] std::string writeJobText(const Job&, long long nextId);

/// The images that pieces, underlays and photographs name, and the photometric files that lights name, each once.
[[nodiscard]] std::vector<std::string> imagesNamedIn(const Job&);
/// Where such a thing lies in the archive, what its content must hash to, and the file it waits in beside the journals.
[[nodiscard]] std::string entryOf(const std::string& name);
[[nodiscard]] std::string digestOf(const std::string& name);
[[nodiscard]] std::string waitingAs(const std::string& name);
/// Reads a job from the bytes of a .mezzet archive or of a bare job.json.
[[nodiscard]] Result<JobFile> readJobBytes(const Bytes& bytes, const std::string& name);
/// The bytes of a .mezzet archive; only images that something in the job names are kept.
[[nodiscard]] Result<Bytes> writeJobBytes(const JobFile&);

[[nodiscard]] std::string sha256(std::string_view bytes);  ///< lower-case hexadecimal

}  // namespace mezzet
