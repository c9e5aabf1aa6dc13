// When what is done: a bar for each task, the days to spare in outline, and what holds a date.
#include <algorithm>

#include "core/drawing/base/drafting.h"
#include "core/drawing/dates/dates_drawing.h"
#include "core/sheets/flow.h"

namespace mezzet {
namespace {

std::vector<Sheet> datesPages(const SheetSource& s) {
  Flow flow(s, "Dates", false, Flow::Of::House);
  const auto dates = s.request.book != nullptr
                         ? datesOf(s.job, *s.request.book, s.request.schemes, readDay(s.job.records->starts))
                         : Result<Dates>(Error{"dates", "need the rulebook", ""});
  if (!dates) {
    flow.line(capital(dates.error().text()) + ".");
    return flow.finish();
  }
  std::size_t from = 0;
  while (from < dates->tasks.size()) {
    const double room = flow.leftOver() - 2;
    const DatesPart part{from, std::max<std::size_t>(1, static_cast<std::size_t>(room / kDatesRow) - 2)};
    Drawing d = composeDates(*dates, part, flow.wide(), {});
    const double high = (d.high.y - d.low.y) / d.scale;
    flow.place(std::move(d), flow.left(), flow.wide(), high);
    flow.skip(high + 3);
    from += part.count;
    if (from < dates->tasks.size()) flow.need(flow.leftOver() + 1);
  }
  flow.line("All done on " + dayWords(dates->end) + ". Working days are Monday to Friday; holidays are not known.");
  for (const HeldDate& late : dates->late) flow.bullet(late.says);
  for (const std::string& note : dates->notes) flow.bullet(note);
  return flow.finish();
}

}  // namespace

const SheetRow& datesSheetRow() {
  static constexpr SheetRow row{
      .id = "dates", .title = "dates", .scales = false, .namesScheme = false, .whole = datesPages};
  return row;
}

}  // namespace mezzet
