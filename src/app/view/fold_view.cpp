#include "app/view/fold_view.h"

#include "core/drawing/base/drafting.h"
#include "core/drawing/fold/fold_out.h"

namespace mezzet {

Drawing FoldView::composeStill(double scale, const PlacementIds&) const {
  const Room* room = workspace_.room();
  if (room == nullptr) return Drawing{scale, {0, 0}, {4000, 3000}, {}};
  return composeFoldOut(shownJob(), *room, workspace_.scheme(), scale, workspace_.format());
}

Drawing FoldView::composeMoving(double scale) const {
  Drawing d{scale, {}, {}, {}};
  const Scheme* scheme = workspace_.scheme();
  if (scheme == nullptr) return d;
  const Stroke mark{Ink::Accent, 1.1, Dash::Solid};
  for (const PlacementId& id : workspace_.selection()) {
    const Placement* p = findPlacement(*scheme, id);
    if (p == nullptr) continue;
    const Piece& piece = pieceOf(workspace_.job(), *p);
    if (const auto* hung = onWall(p->on)) {
      for (const FoldedWall& f : foldedWalls(*workspace_.room(), scale))
        if (f.wall == hung->wall) {
          const WallRect r = wallRectOf(piece, *hung);
          PathItem frame{{}, true, Ink::None, mark};
          for (const Vec2 uv :
               {Vec2{r.left, r.bottom}, Vec2{r.right, r.bottom}, Vec2{r.right, r.top}, Vec2{r.left, r.top}})
            frame.points.push_back(foldedOut(f, uv));
          d.add(Layer::Working, "selection", std::move(frame));
        }
    } else if (const auto place = standsAt(*scheme, *p)) {
      for (const Convex& part : footprint(piece, *place))
        if (part.radius > 0)
          d.add(Layer::Working, "selection", ArcItem{part.core[0], part.radius, 0, 360, Ink::None, mark});
        else d.add(Layer::Working, "selection", PathItem{part.core, true, Ink::None, mark});
    }
  }
  return d;
}

PlacementId FoldView::pieceAt(Vec2 model) const {
  const Scheme* scheme = workspace_.scheme();
  PlacementId found;
  if (scheme == nullptr) return found;
  const std::vector<FoldedWall> walls = foldedWalls(*workspace_.room(), scale());
  for (const Placement& p : scheme->placements) {
    const Piece& piece = pieceOf(workspace_.job(), p);
    if (const auto* hung = onWall(p.on)) {
      for (const FoldedWall& f : walls)
        if (f.wall == hung->wall) {
          const WallRect r = wallRectOf(piece, *hung);
          const Vec2 uv = foldedBack(f, model);
          if (uv.x >= r.left && uv.x <= r.right && uv.y >= r.bottom && uv.y <= r.top) found = p.id;
        }
    } else if (const auto place = standsAt(*scheme, p); place && covers(footprint(piece, *place), model)) found = p.id;
  }
  return found;
}

/// A wall that is pointed at is looked at by itself.
void FoldView::clickedPlace(Vec2 model) {
  if (workspace_.room() == nullptr) return;
  for (const FoldedWall& f : foldedWalls(*workspace_.room(), scale())) {
    const Vec2 uv = foldedBack(f, model);
    if (uv.y >= 0 && uv.y <= workspace_.room()->ceilingHeight && uv.x >= 0 &&
        uv.x <= findWall(*workspace_.room(), f.wall)->length())
      workspace_.showWall(f.wall);
  }
}

QString FoldView::emptyHint() const {
  return workspace_.room() == nullptr ? tr("No room has been measured yet.") : QString();
}

}  // namespace mezzet
