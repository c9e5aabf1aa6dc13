// What is laid over the plan when it is asked for: ways as ribbons, floor that is reached, who talks to whom, what is
// seen. Neutral tones; never printed.
#pragma once

#include <set>

#include "core/walk/route_facts.h"
#include "core/drawing/base/drawing.h"
#include "core/rules/check.h"

namespace mezzet {

enum class FloorLayer { Ways, Reached, Talk, Sight, Reach };

struct FloorLayers {
  std::set<FloorLayer> shown;
  /// Only ways to these places; empty: all of them.
  std::set<std::string> only = {};
};

/// The layers that the findings of one thing ask for: ways for way-main and their like, talk lines for conversation ...
/// Only what breaks, or is close, asks.
[[nodiscard]] FloorLayers layersFor(const std::vector<Finding>&, const std::string& subject);

/// Adds them; `routes` may be null while they are worked out.
void addFloorLayers(Drawing&, const Job&, const Scheme&, const FloorLayers&, const std::vector<Finding>&,
                    const RouteFacts* routes, LengthFormat);
/// Outlines of what the furniture takes up in a state of use.
void addUseZones(Drawing&, const Job&, const Scheme&, UseState);

}  // namespace mezzet
