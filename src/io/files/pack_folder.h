// A pack as a folder: a file for each of its contents, and a table of them.
#pragma once

#include "core/sheets/pack.h"
#include "io/files/file_system.h"

namespace mezzet {

/// Makes the folder where it is missing, and writes `files`, one for each of the pack's contents in their order, under
/// names like "03-nails-wall-a-parlour.pdf", each different, with contents.csv. What was written before a fault stays.
[[nodiscard]] std::optional<Error> savePackFolder(FileSystem&, const std::string& folder, const Pack&,
                                                  const std::vector<std::string>& files);

}  // namespace mezzet
