// Cut-outs from the tray that are dropped on the sheet.
#include <QDragEnterEvent>
#include <QDropEvent>
#include <QMimeData>
#include <algorithm>
#include <cmath>

#include "app/stages/floor/tray.h"
#include "app/stages/stages.h"
#include "app/view/sheet_view.h"
#include "core/base/sentence.h"
#include "core/decide/bands.h"
#include "core/decide/first_place.h"
#include "core/decide/hang_drop.h"
#include "core/edit/edits.h"

namespace mezzet {

std::optional<SheetView::Dropped> SheetView::dropped(const QDropEvent& event, IdSource& ids) const {
  const std::vector<PieceId> pieces = piecesIn(*event.mimeData());
  const bool can = std::all_of(pieces.begin(), pieces.end(), [&](const PieceId& id) {
    const Piece* piece = findPiece(workspace_.job(), id);
    return piece != nullptr && takes(*piece);
  });
  if (pieces.empty() || !can) return std::nullopt;
  const Vec2 at = projection().unmap(event.position());
  const bool free = event.modifiers() & Qt::AltModifier;
  if (rowOf(workspace_.stage()).accepts == Accepts::Wall && !free)
    if (auto hung = withDropped(workspace_.job(), workspace_.book(), workspace_.schemeId(), workspace_.wall(), pieces,
                                at, ids, workspace_.format())) {
      const WallRect& r = hung->region;
      Band lit{"",
               View{workspace_.wall()},
               {{r.left, r.bottom}, {r.right, r.bottom}, {r.right, r.top}, {r.left, r.top}},
               "",
               ""};
      lit.beside = tr("free, %1 by %2").arg(workspace_.write(r.width()), workspace_.write(r.height())).toStdString();
      return Dropped{std::move(hung->job), std::move(hung->fresh), {}, {std::move(lit)}};
    }
  if (pieces.size() == 1) return droppedOne(pieces.front(), at, !free, ids);
  if (rowOf(workspace_.stage()).accepts == Accepts::Wall && !free) return std::nullopt;  // they do not fit
  // Several stand one beside another, each where it is free.
  Dropped out{workspace_.job(), {}};
  for (const PieceId& id : pieces) {
    auto added = workspace_.putDown(out.job, id, ids, at);
    if (!added) return std::nullopt;
    out.job = std::move(added->job);
    out.fresh.push_back(added->placement);
  }
  return out;
}

std::optional<SheetView::Dropped> SheetView::droppedOne(const PieceId& id, Vec2 at, bool resting, IdSource& ids) const {
  const double step = workspace_.handStep();
  auto added = workspace_.putDown(workspace_.job(), id, ids,
                                  Vec2{std::round(at.x / step) * step, std::round(at.y / step) * step});
  if (!added) return std::nullopt;
  const PlacementId fresh = added->placement;
  Dropped out{std::move(added->job), {fresh}};
  if (!resting || rowOf(workspace_.stage()).accepts == Accepts::Display) return out;
  const Scheme& scheme = *findScheme(out.job, workspace_.schemeId());
  Snapped snap = snapped(out.job, scheme, fresh, findPlacement(scheme, fresh)->on, {}, kSnapReach / projection().perMm);
  Job rested = mezzet::placed(out.job, workspace_.schemeId(), fresh, snap.place);
  if (!standsFree(rested, *findScheme(rested, workspace_.schemeId()), fresh)) return out;
  out.job = std::move(rested);
  out.guides = std::move(snap.guides);
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
                                     : bandsOf(there->job, workspace_.book(), workspace_.schemeId(),
                                               there->fresh.front(), workspace_.format()),
                 std::move(there->guides));
    workspace_.showGhost(std::move(there->job));
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
  const auto there = dropped(*event, ids);
  dropGhost();
  if (!there) return;
  const Placement* first = findPlacement(*findScheme(there->job, workspace_.schemeId()), there->fresh.front());
  const QString what = there->fresh.size() > 1 ? tr("%1 pieces").arg(there->fresh.size())
                                               : QString::fromStdString(midSentence(pieceOf(there->job, *first).name));
  workspace_.document().edit(tr("place %1").arg(what), there->job, ids.next());
  workspace_.selectThese(there->fresh);
  setFocus();
  event->acceptProposedAction();
}

}  // namespace mezzet
