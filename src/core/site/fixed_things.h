// Hearths, columns and built-in pieces as they are measured with a tape: against a wall, or across a corner.
#pragma once

#include <optional>
#include <variant>

#include "core/model/job.h"
#include "core/base/result.h"

namespace mezzet {

/// A rectangle square to a wall: how far along it from its start corner, how far off it, along it and away from it.
struct AgainstWall {
  CornerId wall;
  double offset = 0, off = 0, width = 0, depth = 0;
  bool operator==(const AgainstWall&) const = default;
};
/// A triangle that cuts off a corner: how far it reaches along the wall that ends there and along the one that starts
/// there.
struct AcrossCorner {
  CornerId corner;
  double before = 0, after = 0;
  bool operator==(const AcrossCorner&) const = default;
};
using FixedMeasures = std::variant<AgainstWall, AcrossCorner>;

/// The outline on the plan, anticlockwise. Refused where it reaches outside the room or is no area. A niche lies behind
/// the face of its wall: its depth goes into the wall.
[[nodiscard]] Result<Polygon> outlineFrom(const Room&, const FixedMeasures&, LengthFormat,
                                          FeatureKind = FeatureKind::BuiltIn);
/// The alcoves beside a chimney breast that stands against a wall: how wide each is, and how deep, from the wall's
/// start corner on.
struct Alcove {
  double width = 0, depth = 0;
};
[[nodiscard]] std::vector<Alcove> alcovesBeside(const Room&, const Feature&);
/// How an outline would be measured; nothing for one that is neither (then it can only be taken out or replaced).
[[nodiscard]] std::optional<FixedMeasures> measuresOf(const Room&, const Polygon& outline);

}  // namespace mezzet
