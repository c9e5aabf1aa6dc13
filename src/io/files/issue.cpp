#include "io/files/issue.h"

#include "core/edit/records.h"
#include "core/plan/changes.h"
#include "core/plan/dates.h"
#include "io/files/job_file.h"

namespace mezzet {

std::string jobHash(const Job& job) {
  Job bare = job;
  if (!job.records->issues.empty()) bare.records.edit().issues.clear();
  return sha256(writeJobText(bare, 1));
}

bool asIssued(const Job& job) {
  const IssueRecord* last = lastIssue(job);
  return last != nullptr && last->hash == jobHash(job);
}

std::string issueWords(const Job& job) {
  const IssueRecord* last = lastIssue(job);
  if (last == nullptr) return {};
  const std::string number = std::to_string(last->number);
  if (last->hash != jobHash(job)) return "Changed since issue " + number;
  return "Issue " + number + (last->date.empty() ? "" : ", " + last->date);
}

IssueRecord issueOf(const Job& job, const Rulebook& book, const std::vector<SchemeId>& schemes,
                    const std::string& reader, const std::string& date) {
  const LengthFormat format = usualFormat(job.units);
  IssueRecord out;
  out.date = date;
  out.reader = reader;
  out.hash = jobHash(job);
  const std::vector<const Scheme*> taken = schemesToBuild(job, schemes);
  for (const Scheme* scheme : taken) out.schemes.push_back(scheme->id.value);
  out.figures = figuresToIssue(job, book, taken, format);
  if (const IssueRecord* last = lastIssue(job))
    for (const Change& change : changesBetween(last->figures, out.figures))
      out.changes.push_back(changeWords(change, format, job.units));
  return out;
}

Result<Job> issued(const Job& job, const Rulebook& book, const std::vector<SchemeId>& schemes,
                   const std::string& reader, const std::string& date) {
  return withIssue(job, issueOf(job, book, schemes, reader, date));
}

}  // namespace mezzet
