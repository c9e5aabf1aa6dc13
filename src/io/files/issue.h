// Issues of drawings: the hash that tells whether a job is still as it was issued.
#pragma once

#include <string>

#include "core/model/job.h"
#include "core/rules/base/rulebook.h"

namespace mezzet {

/// SHA-256 of the job as it is written, without its issues and its next id.
[[nodiscard]] std::string jobHash(const Job&);
/// Whether it is as it was issued last; not when it never was.
[[nodiscard]] bool asIssued(const Job&);
/// "Issue 2, 2026-11-28"; "Changed since issue 2"; "" before the first. For title blocks.
[[nodiscard]] std::string issueWords(const Job&);
/// An issue of the job as it is, with its figures and what changed since the one before in measures.
[[nodiscard]] IssueRecord issueOf(const Job&, const Rulebook&, const std::vector<SchemeId>& schemes,
                                  const std::string& reader, const std::string& date);
/// The same job with that issue recorded.
[[nodiscard]] Result<Job> issued(const Job&, const Rulebook&, const std::vector<SchemeId>& schemes,
                                 const std::string& reader, const std::string& date);

}  // namespace mezzet
