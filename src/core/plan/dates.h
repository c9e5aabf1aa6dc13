// When what is done: tasks of the job in whole working days, Monday to Friday, each as early as what goes before lets
// it be. People are not levelled.
#pragma once

#include "core/base/calendar.h"
#include "core/base/tasks.h"
#include "core/rules/base/rulebook.h"

namespace mezzet {

struct JobTask {
  std::string id;    ///< "paint:parlour", "order:sofa"
  std::string kind;  ///< of its row: "paint"
  std::string what;  ///< "Paint, two coats, parlour"
  std::string room;  ///< "" of an order
  int days = 1;      ///< working days it takes, drying included; of an order, calendar days until it comes
  int people = 1;
  double minutes = 0;              ///< as counted; 0: not counted
  std::vector<std::string> after;  ///< ids, of what is in the job
  Day start, end;                  ///< first and last working day
  Day latest;                      ///< start at which the job still ends when it does
  int slack = 0;                   ///< working days from start to latest
  bool fixed = false;              ///< an order that was placed: its start is what it was
  [[nodiscard]] bool critical() const { return slack == 0; }
};
/// A date that cannot hold, and what holds it.
struct HeldDate {
  std::string id, by;  ///< of tasks; "due" where the job's own day is missed
  int days = 0;        ///< working days
  std::string says;
};
struct Dates {
  std::vector<JobTask> tasks;  ///< by start, then as they follow each other
  Day end;
  std::vector<HeldDate> late;
  std::vector<std::string> notes;  ///< what is not known: delivery times
};

/// One scheme of each room: `chosen` where it is of that room, else what is said to be built, else the room's first.
[[nodiscard]] std::vector<const Scheme*> schemesToBuild(const Job&, const std::vector<SchemeId>& chosen);

/// Refused when neither `from` nor the job says when work may begin, or when nothing is to be done.
[[nodiscard]] Result<Dates> datesOf(const Job&, const Rulebook&, const std::vector<SchemeId>& chosen,
                                    std::optional<Day> from);
/// The first task that is not allowed to wait, or whose order is due: from `today` on, with the fewest days to spare.
[[nodiscard]] const JobTask* nextAtRisk(const Dates&, Day today);
/// "Order the sofa by Thu 3 Dec 2026: it takes 42 days and holds the furniture."
[[nodiscard]] std::string riskWords(const Dates&, const JobTask&);

/// What a room's hanging takes, in minutes: nails and templates.
struct HangCount {
  int nails = 0, templates = 0;
  double minutes = 0;
};
[[nodiscard]] HangCount hangCount(const Job&, const Rulebook&, const Room&, const Scheme&);

}  // namespace mezzet
