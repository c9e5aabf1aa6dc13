// What every sheet has: its frame, its title block, and the fit of a drawing onto paper.
#pragma once

#include "core/sheets/sheet.h"

namespace mezzet {

inline constexpr double kBorder = 10;      ///< mm from the paper's edge
inline constexpr double kTitleBlock = 42;  ///< height at the foot of the sheet

struct Fit {
  bool fits = false, turned = false;
};
[[nodiscard]] Fit fitOf(const Drawing&, const Paper&, double scale);
/// From model mm to mm of paper, with the drawing's lower left corner at `origin`.
void toPaper(Drawing&, Vec2 origin);
[[nodiscard]] Sheet emptySheet(const Paper&, bool turned, int scale);
void addSheetText(Drawing&, Vec2 at, const std::string& text, double height = kSmallLetters, Ink ink = Ink::Ink);
/// Frame and title block; without a scheme only the room is named.
void addTitleBlock(Sheet&, const Job&, const Room&, const Scheme*, const std::string& title, const SheetRequest&);

}  // namespace mezzet
