// What is written on a piece in the plan: its name and its size, where they are free of other words.
#pragma once

#include "core/drawing/base/drawing.h"
#include "core/model/job.h"

namespace mezzet {

/// Name and size in the footprint, in one line or two, shortened, or the name beside it on a leader. A rug's words keep
/// clear of what stands on it. Without a name only the size.
void addPieceLabel(Drawing&, const Piece&, const FloorPlace&, const ItemId& id, const std::string& name, LengthFormat,
                   Layer);

}  // namespace mezzet
