// What the rules about displays share.
#pragma once

#include "core/rules/base/facts.h"

namespace mezzet {

/// Lengths that are the same but for rounding.
inline constexpr double kSame = 0.01;

/// A finding in a display, its witness points in the carrier's elevation.
[[nodiscard]] inline Finding displayFinding(const Rule& rule, const Asked& asked, const Display& d,
                                            std::vector<std::string> subjects) {
  Finding f = findingOf(rule, asked, std::move(subjects));
  f.view = displayView(d.carrier.id);
  return f;
}
/// The box of a thing, as witness points of what it is judged by.
[[nodiscard]] inline std::array<Vec2, 2> faceOf(const DisplayedThing& thing) {
  return {Vec2{thing.left, thing.bottom}, Vec2{thing.right, thing.top}};
}
[[nodiscard]] inline std::array<Vec2, 2> faceOf(const Bay& bay, double over) {
  return {Vec2{bay.left, bay.bottom}, Vec2{bay.right, bay.top.value_or(bay.bottom + over)}};
}
/// "54 %"
[[nodiscard]] inline std::string percent(double share) { return std::to_string(std::lround(100 * share)) + " %"; }
/// Two that stand on either side of something, about the middle of a span.
[[nodiscard]] inline bool flanks(const Display& d, const DisplayedThing& a, const DisplayedThing& b, double middle) {
  constexpr double kAbout = kInch;  // of what stands about a middle [D]
  if (std::abs(a.middle() + b.middle() - 2 * middle) > kAbout) return false;
  const double left = std::min(a.right, b.right), right = std::max(a.left, b.left);
  for (const DisplayedThing& between : d.things)
    if (&between != &a && &between != &b && between.bay == a.bay && between.middle() > left && between.middle() < right)
      return true;
  // On a mantel the picture or glass over it is what they flank.
  return d.school == DisplaySchool::Mantel;
}
/// The same thing twice: one piece, or one family of the same size.
[[nodiscard]] inline bool areAlike(const DisplayedThing& a, const DisplayedThing& b) {
  constexpr double kSameSize = 1;
  if (a.piece == b.piece) return true;
  const auto near = [](double x, double y) { return std::abs(x - y) <= kSameSize; };
  return !a.piece->thing->family.empty() && a.piece->thing->family == b.piece->thing->family &&
         near(a.width(), b.width()) && near(a.height(), b.height()) && near(a.back - a.front, b.back - b.front);
}

}  // namespace mezzet
