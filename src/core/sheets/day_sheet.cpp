// The hanging day: what is hung when, by whom, with what; and what must be there before one begins.
#include "core/plan/day.h"
#include "core/sheets/flow.h"

namespace mezzet {
namespace {

constexpr TableColumn kDay[] = {{"", 0},         {"At", 0.045},
                                {"What", 0.115}, {"Nail: across, from the level line", 0.43},
                                {"Weight", 0.8}, {"People", 0.92}};

std::string joinedList(const std::vector<std::string>& all) {
  std::string out;
  for (const std::string& one : all) out += (out.empty() ? "" : ", ") + one;
  return out;
}

std::vector<Sheet> dayPages(const SheetSource& s) {
  Flow flow(s, "Hanging day", true);
  if (s.request.book == nullptr || s.scheme == nullptr) {
    flow.line("Nothing hangs here yet.");
    return flow.finish();
  }
  const DayPlan day = hangingDay(s.job, *s.request.book, {s.scheme}, s.request.format);
  if (day.steps.empty()) {
    flow.line("Nothing hangs here yet.");
    return flow.finish();
  }
  flow.line("To bring: " + joinedList(day.tools) + ".");
  if (!day.hardware.empty())
    flow.line("Into the wall: " + joinedList(day.hardware) + ". The packet decides what it bears.");
  flow.skip(2.5);
  flow.columns(kDay);
  std::string wall;
  for (const DayStep& step : day.steps) {
    const std::string who = step.people > 1 ? "two" : "one";
    const std::string where = step.wall == wall ? "" : "Wall " + step.wall + ": ";
    wall = step.wall;
    flow.row(kDay, {std::to_string(step.order), clockWords(day.times, step.minute), where + step.what,
                    step.nails + (step.warned ? ". Detect first!" : ""), step.weight, who});
  }
  const int minutes = static_cast<int>(day.minutes);
  flow.skip(1);
  flow.line(std::string("Done by ") + clockWords(day.times, minutes) + ", rests not counted. Lengths in " +
            (s.job.units == Unit::Inch ? "inches" : "mm") + ", from the left end of each wall.");
  for (const std::string& caution : day.cautions) flow.bullet(caution);
  return flow.finish();
}

}  // namespace

const SheetRow& daySheetRow() {
  static constexpr SheetRow row{.id = "day", .title = "hanging day", .scales = false, .whole = dayPages};
  return row;
}

}  // namespace mezzet
