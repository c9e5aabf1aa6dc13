// Cut-outs from the tray that are dropped on the sheet.
#include <QDragEnterEvent>
#include <QDropEvent>
#include <QMimeData>
#include <cmath>

#include "app/stages/floor/tray.h"
#include "app/stages/stages.h"
#include "app/view/sheet_view.h"
#include "core/base/sentence.h"
#include "core/decide/bands.h"
#include "core/decide/first_place.h"
#include "core/decide/hang_place.h"
#include "core/edit/edits.h"

namespace mezzet {

std::optional<SheetView::Dropped> SheetView::dropped(const QDropEvent& event, IdSource& ids) const {
  const PieceId id(event.mimeData()->data(QString::fromUtf8(kPieceMime)).toStdString());
  const Piece* piece = findPiece(workspace_.job(), id);
  if (piece == nullptr || !takes(*piece)) return std::nullopt;
  const double step = workspace_.handStep();
  const Vec2 p = projection().unmap(event.position());
  if (rowOf(workspace_.stage()).accepts == Accepts::Wall && !(event.modifiers() & Qt::AltModifier))
    if (auto over = withDroppedOver(workspace_.job(), workspace_.book(), workspace_.schemeId(), workspace_.wall(), id,
                                    p, ids, workspace_.format())) {
      const WallRect& r = over->region;
      Band free{"",
                View{workspace_.wall()},
                {{r.left, r.bottom}, {r.right, r.bottom}, {r.right, r.top}, {r.left, r.top}},
                "",
                ""};
      free.beside = tr("free, %1 by %2").arg(workspace_.write(r.width()), workspace_.write(r.height())).toStdString();
      return Dropped{{std::move(over->job), over->placement}, {}, {std::move(free)}};
    }
  auto added = withPlaced(workspace_.job(), workspace_.book(), workspace_.schemeId(), workspace_.wall(), id, ids,
                          Vec2{std::round(p.x / step) * step, std::round(p.y / step) * step});
  if (!added) return std::nullopt;
  Dropped out{std::move(added).value(), {}};
  if (event.modifiers() & Qt::AltModifier) return out;
  const Scheme& scheme = *findScheme(out.added.job, workspace_.schemeId());
  const PlacementId fresh = out.added.placement;
  Snapped resting =
      snapped(out.added.job, scheme, fresh, findPlacement(scheme, fresh)->on, {}, kSnapReach / projection().perMm);
  Job rested = mezzet::placed(out.added.job, workspace_.schemeId(), fresh, resting.place);
  if (!standsFree(rested, *findScheme(rested, workspace_.schemeId()), fresh)) return out;
  out.added.job = std::move(rested);
  out.guides = std::move(resting.guides);
  return out;
}

void SheetView::dragEnterEvent(QDragEnterEvent* event) {
  if (event->mimeData()->hasFormat(QString::fromUtf8(kPieceMime)) && canDrag() && !workspace_.document().readOnly())
    event->acceptProposedAction();
}

void SheetView::dragMoveEvent(QDragMoveEvent* event) {
  IdSource ids = workspace_.document().ids();
  if (auto there = dropped(*event, ids)) {
    hand_.showOf(!there->lit.empty() ? std::move(there->lit)
                                     : bandsOf(there->added.job, workspace_.book(), workspace_.schemeId(),
                                               there->added.placement, workspace_.format()),
                 std::move(there->guides));
    workspace_.showGhost(std::move(there->added.job));
    event->acceptProposedAction();
  } else {
    dropGhost();
    event->ignore();
  }
}

void SheetView::dragLeaveEvent(QDragLeaveEvent*) { dropGhost(); }

void SheetView::dropGhost() {
  hand_.showOf({}, {});
  workspace_.showGhost(std::nullopt);
}

void SheetView::dropEvent(QDropEvent* event) {
  IdSource ids = workspace_.document().ids();
  const auto drop = dropped(*event, ids);
  dropGhost();
  if (!drop) return;
  const Added* there = &drop->added;
  const Placement* placed = findPlacement(*findScheme(there->job, workspace_.schemeId()), there->placement);
  workspace_.document().edit(tr("place %1").arg(QString::fromStdString(midSentence(pieceOf(there->job, *placed).name))),
                             there->job, ids.next());
  workspace_.select(there->placement);
  setFocus();
  event->acceptProposedAction();
}

}  // namespace mezzet
