// The way in, leg beside leg to one scale, with the piece where each is tightest.
#pragma once

#include "core/drawing/base/drawing.h"
#include "core/plan/delivery.h"
#include "core/units/length.h"

namespace mezzet {

/// Legs from left to right, wrapped to `wide` mm of paper. Under each its name, its sizes and what is to spare; the leg
/// that decides is marked. Without slacks the bare way.
[[nodiscard]] Drawing composeDelivery(const std::vector<DeliveryLeg>&, const DeliveryAnswer&, double scale, double wide,
                                      LengthFormat);

}  // namespace mezzet
