// Dates for calendars (iCalendar, RFC 5545) and for spreadsheets.
#pragma once

#include <string>

#include "core/plan/dates.h"
#include "io/tables/csv.h"

namespace mezzet {

/// One all-day event for each task, and for each order the day on which it is placed and the day on which it comes.
/// Lines end with CRLF and are folded at 75 bytes, never within a letter. `stamp`: the day it was written on.
[[nodiscard]] std::string calendarText(const Dates&, const std::string& job, Day stamp);
[[nodiscard]] Rows datesTable(const Dates&);

}  // namespace mezzet
