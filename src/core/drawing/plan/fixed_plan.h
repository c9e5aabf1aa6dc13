// Fixed things and points of a room in the plan.
#pragma once

#include "core/drawing/base/drawing.h"
#include "core/model/job.h"

namespace mezzet {

/// A fixed thing with its clear zone. What is structure, and what is overhead, says so.
void addFeature(Drawing&, const Room&, const Feature&, LengthFormat);
/// Sockets, switches, lights, vents, detectors: small signs on the face of their wall, or on the ceiling.
void addPoints(Drawing&, const Room&);
/// The letters in a point's sign.
void addSign(Drawing&, const ItemId&, Vec2 at, const std::string& letters);
/// The letters that stand in a point's sign: "S", "sw".
[[nodiscard]] const char* pointSign(PointKind);
[[nodiscard]] const char* pointWord(PointKind);  ///< "socket"

}  // namespace mezzet
