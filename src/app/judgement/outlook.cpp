#include "app/judgement/outlook.h"

#include "core/edit/records.h"
#include "io/files/issue.h"

namespace mezzet {

OutlookFacts outlookOf(const Job& job, const Rulebook& book, LengthFormat format) {
  OutlookFacts out;
  const std::vector<const Scheme*> schemes = schemesToBuild(job, {});
  out.dates = datesOf(job, book, {}, std::nullopt);
  if (const IssueRecord* last = lastIssue(job)) {
    out.everIssued = true;
    out.asIssued = asIssued(job);
    out.issue = last->number;
    out.issued = last->date;
    if (!out.asIssued) out.changes = changesBetween(last->figures, figuresToIssue(job, book, schemes, format));
  }
  out.waiting = waitingForTape(job, schemes);
  for (const PieceId& id : carriedInto(job, schemes)) {
    const DeliveryAnswer a = deliver(job, id, format);
    if (a.verdict == CarryVerdict::No || a.verdict == CarryVerdict::Tight) out.hard.push_back(a);
  }
  return out;
}

void Outlook::ask(const Job& job, LengthFormat format) {
  if (ever_ && job == asked_ && format == format_) return;
  ever_ = true;
  asked_ = job;
  format_ = format;
  worker_.run<OutlookFacts>(
      [job, &book = book_, format](const std::stop_token&, const Worker::Progress&) {
        return outlookOf(job, book, format);
      },
      [this](OutlookFacts facts) {
        facts_ = std::move(facts);
        emit changed();
      });
}

}  // namespace mezzet
