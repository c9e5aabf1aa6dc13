// What is drawn on the sheet, told to screen readers: each piece with its name, where it stands, and what is judged of
// it.
#pragma once

namespace mezzet {

/// Called once, after QApplication is made.
void installSheetAccess();

}  // namespace mezzet
