// A library of pieces: usual or favourite things, to be taken into any job and shared. The file is JSON, described in
// docs/library.md; its pieces are written as in job.json, without ids, counts and images.
#pragma once

#include <string>
#include <string_view>
#include <vector>

#include "core/model/job.h"
#include "core/base/result.h"

namespace mezzet {

inline constexpr std::size_t kMostLibraryBytes = 4 << 20, kMostLibraryPieces = 5'000;
inline constexpr int kLibraryVersion = 1;

struct Library {
  std::string name;
  std::vector<Piece> pieces;  ///< without id
};
/// Refused as a whole when one of its pieces is not sound; the error names file, place and remedy.
[[nodiscard]] Result<Library> readLibrary(std::string_view text, const std::string& file);
/// What belongs to one job is left out: ids, counts, variants, images, what is owned.
[[nodiscard]] std::string writeLibrary(const std::string& name, const std::vector<Shared<Piece>>&);
/// The library that ships: usual sizes of every kind, no makers.
[[nodiscard]] const Library& usualLibrary();

}  // namespace mezzet
