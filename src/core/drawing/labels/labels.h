// Where words stand: one labeller for screen and paper, so that no two lie on each other.
#pragma once

#include <array>
#include <span>
#include <vector>

#include "core/drawing/base/drawing.h"
#include "core/drawing/labels/surroundings.h"

namespace mezzet {

/// Of one drawing: its words as placed, leaders and badges with them, and how many were left out.
struct PlacedLabels {
  std::vector<Item> items;
  struct Count {
    int asked = 0, leftOut = 0;
  };
  std::array<Count, kRanks> counts{};
  [[nodiscard]] Count of(Rank rank) const { return counts[static_cast<std::size_t>(rank)]; }
};

/// Places the labels of drawings that are shown together (one scale), in the order of their ranks. No words meet
/// others, a wall's fill or another's leader; they keep within the first drawing's bounds if it has any. Among free
/// spots the one that crosses the fewest lines is taken, of equals the first. What has no free spot is left out, unless
/// it is needed: then it stands beside, as far off as it must.
/// `under` is what else is shown and stays as it is, words included.
[[nodiscard]] std::vector<PlacedLabels> placeLabels(std::span<const Drawing* const> drawings,
                                                    const Surroundings* under = nullptr);

/// Places a drawing's labels among its items: a drawing that is shown by itself.
PlacedLabels settle(Drawing&);

}  // namespace mezzet
