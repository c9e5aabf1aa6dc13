// What sheets of one wall share.
#pragma once

#include "core/drawing/wall/elevation.h"
#include "core/hang/nails.h"
#include "core/sheets/sheet_row.h"

namespace mezzet {

/// Every wall of the room, by its letter.
[[nodiscard]] std::vector<std::string> wallSubjects(const Room&);
/// The nails of a wall as the request measures them; without a rulebook no fixings are chosen.
[[nodiscard]] NailPlan sheetNails(const SheetSource&, const CornerId& wall);
/// Whether sheets of what hangs are offered.
[[nodiscard]] bool anythingHangs(const Job&);
/// The wall that a sheet is of, bare of grid and titles, which the sheet brings.
[[nodiscard]] Drawing composeSheetWall(const SheetSource&, int scale, bool services, bool strip);

}  // namespace mezzet
