// What Hand over tells of the whole job: dates, what is stale, what changed since the last issue, what waits for a
// tape, what does not come in. Worked out beside the interface, latest wins.
#pragma once

#include <QObject>

#include "app/document/worker.h"
#include "core/plan/carrying.h"
#include "core/plan/changes.h"
#include "core/plan/dates.h"
#include "core/plan/delivery.h"

namespace mezzet {

struct OutlookFacts {
  Result<Dates> dates = Error{};
  bool everIssued = false, asIssued = false;
  int issue = 0;
  std::string issued;           ///< its day
  std::vector<Change> changes;  ///< since then
  std::vector<Waiting> waiting;
  std::vector<DeliveryAnswer> hard;  ///< what does not come in, or hardly
};
[[nodiscard]] OutlookFacts outlookOf(const Job&, const Rulebook&, LengthFormat);

class Outlook : public QObject {
  Q_OBJECT

 public:
  explicit Outlook(const Rulebook& book, QObject* parent = nullptr) : QObject(parent), book_(book) {}
  void ask(const Job&, LengthFormat);
  /// Of the job asked for last, or of the one before while that is worked out; null before the first.
  [[nodiscard]] const OutlookFacts* facts() const { return facts_ ? &*facts_ : nullptr; }
  [[nodiscard]] bool working() const { return worker_.busy(); }

 signals:
  void changed();

 private:
  const Rulebook& book_;
  Worker worker_;
  std::optional<OutlookFacts> facts_;
  Job asked_;
  LengthFormat format_;
  bool ever_ = false;
};

}  // namespace mezzet
