// The storey that the room is on.
#include "core/drawing/plan/site_plan.h"
#include "core/sheets/sheet_row.h"
#include "core/site/house.h"

namespace mezzet {
namespace {

Drawing composeHouse(const SheetSource& s, int scale) {
  for (const HouseStorey& storey : layoutOf(s.job, s.request.format))
    if (storey.id == s.room.storey) return composeStorey(s.job, storey, {}, scale, s.request.format);
  return planSheetRow().compose(s, scale);
}

std::string headingHouse(const SheetSource&) { return "All rooms of this storey"; }
bool offersHouse(const Job& job) { return job.rooms.size() > 1; }

}  // namespace

const SheetRow& houseSheetRow() {
  static constexpr SheetRow row{.id = "house",
                                .title = "the storey, all its rooms",
                                .namesScheme = false,
                                .compose = composeHouse,
                                .heading = headingHouse,
                                .offered = offersHouse};
  return row;
}

}  // namespace mezzet
