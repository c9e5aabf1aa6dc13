// What a journal is made of: records of length, CRC-32 and JSON. docs/job-file.md describes them.
#pragma once

#include "io/files/journal.h"

namespace mezzet {

/// The longest record that is read again.
inline constexpr std::size_t kMostRecordBytes = kMostJobBytes + (1u << 20);

/// An edit as a patch; `edits` when it stands for several.
[[nodiscard]] std::string editRecord(const std::string& name, const Job& before, const Job& after, long long nextId,
                                     int edits);
[[nodiscard]] std::string draftRecord(const std::optional<WalkDraft>&);
/// A whole job: reading begins at the last of these.
[[nodiscard]] std::string baseRecord(const std::string& path, const std::string& savedSha, const Unsaved&,
                                     const std::optional<WalkDraft>&, const JobFile& base);

}  // namespace mezzet
