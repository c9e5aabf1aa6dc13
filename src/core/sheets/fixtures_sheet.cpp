// The lights as a list: beside the ceiling sheet, or as a CSV file.
#include "core/sheets/light_schedule.h"
#include "core/sheets/table.h"

namespace mezzet {
namespace {

constexpr TableColumn kColumns[] = {{"No.", 0},    {"Light", 0.05}, {"From walls", 0.2}, {"Underside", 0.42},
                                    {"Drop", 0.5}, {"Rod", 0.57},   {"Cut-out", 0.64},   {"Circuit, switch", 0.71},
                                    {"Box", 0.86}};

Table tableOf(const SheetSource& s) {
  Table table{kColumns, {}, "Lights, lengths in ", "No light is placed in this scheme yet."};
  table.title += s.job.units == Unit::Inch ? "inches" : "mm";
  table.lying = true;
  table.below.emplace_back(
      "Distances at ceiling height, square to the wall named. Electrical work is a licensed electrician's; local codes "
      "decide.");
  if (s.scheme == nullptr) return table;
  LengthFormat bare = s.request.format;
  bare.withUnit = false;
  const auto length = [&](const std::optional<double>& mm) { return mm ? writeLength(*mm, bare) : std::string("-"); };
  for (const FixtureLine& line : fixtureSchedule(s.job, s.room, *s.scheme)) {
    std::string walls;
    for (const FromWall& from : line.from)
      walls += (walls.empty() ? "" : ", ") + from.wall.value + " " + length(from.off);
    const std::string circuit =
        line.circuit.empty() ? "-" : line.circuit + (line.switchedAt.empty() ? "" : ", " + line.switchedAt);
    table.rows.push_back({std::to_string(line.number), line.name, walls.empty() ? line.mount : walls,
                          line.mount == "recessed" ? "-" : length(line.underside), length(line.drop), length(line.rod),
                          length(line.cutOut), circuit, boxWords(line, s.job.units)});
  }
  return table;
}

int pages(const SheetSource& s) { return pagesOf(tableOf(s), *s.request.paper); }
Sheet page(const SheetSource& s, int number) { return tablePage(tableOf(s), s, number); }

}  // namespace

const SheetRow& fixturesSheetRow() {
  static constexpr SheetRow row{.id = "fixtures",
                                .title = "list of lights",
                                .scales = false,
                                .pages = pages,
                                .page = page,
                                .offered = offersCeiling};
  return row;
}

}  // namespace mezzet
