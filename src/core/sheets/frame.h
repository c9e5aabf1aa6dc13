// What every sheet has: its frame, its title block, and the fit of a drawing onto paper.
#pragma once

#include "core/drawing/plan/plan.h"
#include "core/sheets/sheet.h"

namespace mezzet {

inline constexpr double kBorder = 10;      ///< mm from the paper's edge
inline constexpr double kTitleBlock = 25;  ///< depth of the title block: less than an eighth of any paper

struct Fit {
  bool fits = false, turned = false;
  bool side = false;  ///< the title block stands along the right side, else along the foot
};
/// Upright before lying, with the title block along the foot before along the side.
[[nodiscard]] Fit fitOf(const Drawing&, const Paper&, double scale);
/// From model mm to mm of paper, with the drawing's lower left corner at `origin`.
void toPaper(Drawing&, Vec2 origin);
[[nodiscard]] Sheet emptySheet(const Paper&, Fit, int scale);
void addSheetText(Drawing&, Vec2 at, const std::string& text, double height = kSmallLetters, Ink ink = Ink::Ink);
/// Lines of at most `width` mm of paper, broken between words.
[[nodiscard]] std::vector<std::string> wrapped(const std::string& text, double width);
/// Sentences below a drawing in mm of the room, wrapped; the drawing grows by them.
void addListBelow(Drawing&, const std::vector<std::string>& lines);
/// A plan as sheets show it: without squared paper and titles.
[[nodiscard]] PlanOptions planOptions(double scale, LengthFormat);
/// Frame and title block; without a scheme only the room is named.
void addTitleBlock(Sheet&, const Job&, const Room&, const Scheme*, const std::string& title, const SheetRequest&);

}  // namespace mezzet
