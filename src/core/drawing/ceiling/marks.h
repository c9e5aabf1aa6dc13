// Lights in plan and section, in marks of our own; a key says what they mean.
#pragma once

#include "core/drawing/base/drawing.h"
#include "core/light/fixtures.h"

namespace mezzet {

/// A light as it is seen from above, at its true size, hatched for its circuit (by its place among the scheme's; none:
/// not hatched). What would be smaller than kLeastMark is drawn so large.
void addFixtureMark(Drawing&, const Fixture&, std::optional<std::size_t> circuit, const ItemId& id, Layer);
inline constexpr double kLeastMark = 1.5;  // radius, mm of paper

/// The same seen from the side at x of a section, its body from `under` to `top`, its cord up to `ceiling`.
void addFixtureFront(Drawing&, const Fixture&, double x, double under, double top, double ceiling, const ItemId& id,
                     Layer);

/// What each mark and each hatch that is drawn means, in columns of words with their marks before them, from `at`
/// (upper left) downwards, `width` wide. Returns how far down it reaches, mm of the room.
double addLightKey(Drawing&, Vec2 at, double width, const std::vector<Fixture>&, const Scheme&);
inline constexpr double kKeyColumn = 44;  // mm of paper
[[nodiscard]] std::string_view mountWords(Mount);

}  // namespace mezzet
