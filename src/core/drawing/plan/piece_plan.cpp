// One piece of furniture as it is drawn in the plan, with its words.
#include "core/drawing/plan/furniture_plan.h"
#include "core/drawing/plan/piece_label.h"
#include "core/drawing/plan/plan.h"
#include "core/model/kinds.h"

namespace mezzet {

void addPiece(Drawing& d, const Piece& piece, const FloorPlace& place, const ItemId& id, const std::string& label,
              LengthFormat format, Layer layer) {
  if (isRug(piece.kind) && layer == Layer::Furniture) layer = Layer::Rug;
  addFurniturePlan(d, piece, place, id, layer);
  addPieceLabel(d, piece, place, id, label, format, layer == Layer::Working ? Layer::Working : Layer::Label);
}

}  // namespace mezzet
