#include "core/drawing/dates/dates_drawing.h"

#include <algorithm>

#include "core/drawing/base/drafting.h"

namespace mezzet {
namespace {

constexpr double kNames = 68, kHeadDates = 11, kBar = 3.4, kWeekTick = 2;  // mm of paper
constexpr int kWeekDays = 7;

}  // namespace

Drawing composeDates(const Dates& dates, DatesPart part, double wide, std::optional<Day> today) {
  Drawing d;
  d.scale = 1;
  const std::size_t end = std::min(dates.tasks.size(), part.from + std::min(part.count, dates.tasks.size()));
  const double high = kHeadDates + static_cast<double>(end - part.from) * kDatesRow;
  d.low = {0, 0};
  d.high = {wide, high};
  if (dates.tasks.empty()) return d;
  Day first = dates.tasks.front().start, last = dates.end;
  // What was ordered long ago comes in from the left.
  bool any = false;
  for (const JobTask& t : dates.tasks)
    if (!t.fixed) {
      first = any ? std::min(first, t.start) : t.start;
      any = true;
    }
  if (today) first = std::min(first, std::max(*today, first.plus(-3 * kWeekDays)));
  const int days = last.number - first.number + 1;
  const double each = (wide - kNames - 12) / days;
  const auto x = [&](Day day) { return kNames + (day.number - first.number) * each; };
  const auto text = [&](Vec2 at, const std::string& words, Align align, Ink ink = Ink::Ink) {
    d.add(Layer::Title, "", TextItem{at, words, kSmallLetters, align, 0, ink, Ink::None});
  };
  // Mondays, each as often as its date has room.
  Day monday = first;
  while (workingBetween(monday.plus(-1), monday) != 1 || isWorking(monday.plus(-1))) monday = monday.plus(1);
  double taken = -100;
  for (Day day = monday; day <= last; day = day.plus(kWeekDays)) {
    d.add(Layer::Grid, "", line({x(day), 0}, {x(day), high - kHeadDates + kWeekTick}, fine(Ink::GridLine)));
    const std::string words = shortDay(day);
    const double half = letteringWidth(words, kSmallLetters) / 2;
    if (x(day) - half < taken + 2) continue;
    text({x(day), high - kHeadDates + 5}, words, Align::Centre, Ink::Quiet);
    taken = x(day) + half;
  }
  d.add(Layer::Title, "", line({0, high - kHeadDates + kWeekTick}, {wide, high - kHeadDates + kWeekTick}, thin()));
  for (std::size_t i = part.from; i < end; ++i) {
    const JobTask& t = dates.tasks[i];
    const double y = high - kHeadDates - (static_cast<double>(i - part.from) + 0.5) * kDatesRow;
    text({0, y}, fittedText(t.what, kNames - 3), Align::Left);
    const double from = x(std::max(t.start, first)), to = std::max(from, x(t.end.plus(1)));
    const bool waits = t.kind == "order";
    if (t.slack > 0) {
      const double free = x(plusWorking(workingFrom(t.end), t.slack).plus(1));
      d.add(Layer::Furniture, "", line({to, y}, {std::min(free, wide), y}, {Ink::Quiet, kDimensionLine, Dash::Dotted}));
    }
    PathItem bar = rectangle({from, y - kBar / 2}, {std::max(to, from + 0.8), y + kBar / 2},
                             t.critical() ? Ink::CutWall
                             : waits      ? Ink::Paper
                                          : Ink::ClothShade,
                             thin());
    d.add(Layer::Furniture, t.id, bar);
    // The last days' own words stand before the bar, so that they never leave the sheet.
    const std::string when = shortDay(t.start) + (t.end > t.start ? " - " + shortDay(t.end) : "");
    const double room = letteringWidth(when, kSmallLetters);
    const double after = to + 1.5;
    const double dotted = t.slack > 0 ? x(plusWorking(workingFrom(t.end), t.slack).plus(1)) + 1.5 : after;
    if (std::max(after, dotted) + room < wide) text({std::max(after, dotted), y}, when, Align::Left, Ink::Quiet);
    else if (from - 1.5 - room > kNames) text({from - 1.5, y}, when, Align::Right, Ink::Quiet);
  }
  if (today && *today >= first && *today <= last)
    d.add(Layer::Dimension, "today",
          line({x(*today), 0}, {x(*today), high - kHeadDates}, {Ink::Breaks, kFurnitureLine, Dash::Solid}));
  return d;
}

}  // namespace mezzet
