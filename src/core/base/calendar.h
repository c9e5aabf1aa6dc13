// Days as values. The core reads no clock: whoever asks says which day it is.
#pragma once

#include <optional>
#include <string>
#include <string_view>

namespace mezzet {

/// A day of the Gregorian calendar, counted from 1970-01-01.
struct Day {
  int number = 0;
  auto operator<=>(const Day&) const = default;
  [[nodiscard]] Day plus(int days) const { return {number + days}; }
};

/// "2026-03-31" and nothing else; a day that the calendar lacks is none.
[[nodiscard]] std::optional<Day> readDay(std::string_view text);
[[nodiscard]] std::string writeDay(Day);
/// "Tue 31 Mar 2026", as people write it to each other.
[[nodiscard]] std::string dayWords(Day);
/// "31 Mar"
[[nodiscard]] std::string shortDay(Day);

/// Monday to Friday. Holidays are not known.
[[nodiscard]] bool isWorking(Day);
/// Itself, or the next one that is.
[[nodiscard]] Day workingFrom(Day);
/// The working day so many working days after a working day; before it where `days` is less than 0.
[[nodiscard]] Day plusWorking(Day, int days);
/// How many working days later `to` is than `from`, both working days; less than 0 where it is earlier.
[[nodiscard]] int workingBetween(Day from, Day to);

}  // namespace mezzet
