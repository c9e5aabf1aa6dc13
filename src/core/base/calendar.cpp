#include "core/base/calendar.h"

#include <chrono>

namespace mezzet {
namespace {

using std::chrono::days, std::chrono::sys_days, std::chrono::weekday, std::chrono::year_month_day;

constexpr int kWorkingDays = 5, kWeek = 7;
constexpr const char* kMonths[] = {"Jan", "Feb", "Mar", "Apr", "May", "Jun", "Jul", "Aug", "Sep", "Oct", "Nov", "Dec"};
constexpr const char* kDays[] = {"Mon", "Tue", "Wed", "Thu", "Fri", "Sat", "Sun"};

sys_days inCalendar(Day day) { return sys_days(days(day.number)); }
/// 0 on Mondays.
int dayOfWeek(Day day) { return static_cast<int>(weekday(inCalendar(day)).iso_encoding()) - 1; }

std::optional<int> numberIn(std::string_view text) {
  int out = 0;
  for (const char c : text) {
    if (c < '0' || c > '9') return std::nullopt;
    out = out * 10 + (c - '0');
  }
  return out;
}
std::string twoDigits(unsigned value) { return (value < 10 ? "0" : "") + std::to_string(value); }

}  // namespace

std::optional<Day> readDay(std::string_view text) {
  if (text.size() != 10 || text[4] != '-' || text[7] != '-') return std::nullopt;
  const auto y = numberIn(text.substr(0, 4)), m = numberIn(text.substr(5, 2)), d = numberIn(text.substr(8, 2));
  if (!y || !m || !d || *y < 1900) return std::nullopt;
  const year_month_day date(std::chrono::year(*y), std::chrono::month(static_cast<unsigned>(*m)),
                            std::chrono::day(static_cast<unsigned>(*d)));
  if (!date.ok()) return std::nullopt;
  return Day{static_cast<int>(sys_days(date).time_since_epoch().count())};
}

std::string writeDay(Day day) {
  const year_month_day date(inCalendar(day));
  return std::to_string(static_cast<int>(date.year())) + "-" + twoDigits(static_cast<unsigned>(date.month())) + "-" +
         twoDigits(static_cast<unsigned>(date.day()));
}

std::string shortDay(Day day) {
  const year_month_day date(inCalendar(day));
  return std::to_string(static_cast<unsigned>(date.day())) + " " + kMonths[static_cast<unsigned>(date.month()) - 1];
}

std::string dayWords(Day day) {
  return std::string(kDays[dayOfWeek(day)]) + " " + shortDay(day) + " " +
         std::to_string(static_cast<int>(year_month_day(inCalendar(day)).year()));
}

bool isWorking(Day day) { return dayOfWeek(day) < kWorkingDays; }

Day workingFrom(Day day) {
  while (!isWorking(day)) day = day.plus(1);
  return day;
}

Day plusWorking(Day day, int count) {
  const int weeks = count / kWorkingDays, rest = count % kWorkingDays;
  day = day.plus(weeks * kWeek);
  for (int left = rest; left != 0;) {
    day = day.plus(left > 0 ? 1 : -1);
    if (isWorking(day)) left += left > 0 ? -1 : 1;
  }
  return day;
}

int workingBetween(Day from, Day to) {
  if (to < from) return -workingBetween(to, from);
  const int whole = (to.number - from.number) / kWeek;
  int out = whole * kWorkingDays;
  for (Day d = from.plus(whole * kWeek); d < to; d = d.plus(1)) out += isWorking(d.plus(1));
  return out;
}

}  // namespace mezzet
