#include "app/view/wall_view.h"

#include <tuple>

#include "core/space/bodies.h"
#include "core/drawing/base/drafting.h"
#include "core/drawing/wall/elevation.h"
#include "core/drawing/plan/site_plan.h"
#include "core/drawing/base/working.h"
#include "core/hang/leaning.h"
#include "core/model/kinds.h"
#include "core/rules/check.h"

namespace mezzet {
Drawing WallView::composeStill(double scale, const PlacementIds& without) const {
  const Room* room = workspace_.room();
  if (room == nullptr) return Drawing{scale, {0, 0}, {4000, 3000}, {}};
  ElevationOptions options;
  options.scale = scale;
  options.format = workspace_.format();
  options.without = without;
  std::tie(options.gridLow, options.gridHigh) = visible();
  const bool site = workspace_.stage() == Stage::Measure;
  options.services = site;
  return composeElevation(shownJob(), *room, site ? nullptr : workspace_.scheme(), workspace_.wall(), options);
}

Drawing WallView::composeMoving(double scale) const {
  const Room* room = workspace_.room();
  const Scheme* scheme = findScheme(shownJob(), workspace_.schemeId());
  if (room != nullptr && workspace_.stage() == Stage::Measure) {
    Drawing d{scale, {}, {}, {}};
    if (workspace_.spot()) addSpot(d, *workspace_.spot());
    return d;
  }
  if (room == nullptr || scheme == nullptr) return Drawing{scale, {}, {}, {}};
  if (workspace_.stage() == Stage::HandOver) {
    Drawing d{scale, {}, {}, {}};
    addOrderMarks(d, workspace_.handMarks());
    return d;
  }
  ElevationWork work;
  work.scheme = scheme;
  work.wall = workspace_.wall();
  work.selected = workspace_.selected();
  work.tapes = tapesOf(shownJob(), *scheme, work.selected);
  work.typedInto = typedInto();
  // On a wall the bands are the question itself: they are shown for the picture in the hand, for the selected one,
  // and for one that has something to decide.
  work.bands = heldBands();
  PlacementId banded = work.selected;
  if (banded.empty())
    for (const Finding& f : workspace_.findings())
      if (breaksByWeight(f) && f.view == View{work.wall} && banded.empty())
        for (const std::string& s : f.subjects)
          if (const Placement* p = findPlacement(*scheme, PlacementId(s)); p != nullptr && onWall(p->on) != nullptr)
            banded = p->id;
  if (work.bands.empty() && !banded.empty())
    work.bands = bandsOf(shownJob(), workspace_.book(), workspace_.schemeId(), banded, workspace_.format());
  if (!dragging()) work.findings = workspace_.findings();
  if (const Placement* p = workspace_.selectedPlacement();
      p != nullptr && !dragging() && isMirror(pieceOf(shownJob(), *p).kind))
    work.mirror =
        mirrorCone(Situation(shownJob(), workspace_.book(), *scheme, workspace_.format(), {workspace_.useState()}), *p);
  if (!dragging()) work.nails = workspace_.nailsHere();
  work.levelLine = workspace_.nailAsk().line;
  work.selection = workspace_.selection();
  work.guides = guides();
  if (dragging()) work.inHand = work.selection;
  if (workspace_.ghost()) work.ghost = &*workspace_.ghost();
  return composeElevationWork(shownJob(), *room, work, scale, workspace_.format());
}

PlacementId WallView::pieceAt(Vec2 model) const {
  const Scheme* scheme = workspace_.scheme();
  PlacementId found;
  if (scheme == nullptr || workspace_.stage() == Stage::Measure) return found;
  for (const Placement& p : scheme->placements)
    if (const auto* hung = onWall(p.on); hung != nullptr && hung->wall == workspace_.wall()) {
      const WallRect r = wallRectOf(pieceOf(workspace_.job(), p), *hung);
      if (model.x >= r.left && model.x <= r.right && model.y >= r.bottom && model.y <= r.top) found = p.id;
    }
  // What leans before others is taken hold of first.
  for (const LeaningFace& face :
       leaningFaces(PieceIndex(workspace_.job()), *workspace_.room(), *scheme, workspace_.wall()))
    if (const WallRect& r = face.face;
        model.x >= r.left && model.x <= r.right && model.y >= r.bottom && model.y <= r.top)
      found = face.placement->id;
  return found;
}

Place WallView::movedBy(const Place& from, Vec2 by) const {
  Place out = from;
  const double step = workspace_.handStep();
  if (auto* hung = onWall(out)) {
    hung->u += std::round(by.x / step) * step;
    hung->v += std::round(by.y / step) * step;
  }
  if (auto* leans = leaning(out)) {
    const auto footing = [&](double u) {
      return footingAt(workspace_.job(), *workspace_.room(), *workspace_.scheme(), leans->wall, u);
    };
    // What stood on what is there stands on what is there next.
    const bool follows = std::abs(footing(leans->u).height - leans->foot) < 1;
    leans->u += std::round(by.x / step) * step;
    if (follows) {
      const Footing now = footing(leans->u);
      leans->foot = now.height;
      leans->carrier = now.carrier;
    }
  }
  return out;
}

ItemId WallView::tapeTowards(Vec2 direction) const {
  return tapeItem(direction.x < 0   ? Side::Left
                  : direction.x > 0 ? Side::Right
                  : direction.y < 0 ? Side::Down
                                    : Side::Up);
}

bool WallView::takes(const Piece& piece) const { return hangs(piece.kind); }

void WallView::clickedPlace(Vec2 model) {
  const Room* room = workspace_.room();
  const auto wall =
      room != nullptr && workspace_.stage() == Stage::Measure ? findWall(*room, workspace_.wall()) : std::nullopt;
  if (wall && model.x >= 0 && model.x <= wall->length() && model.y >= 0) workspace_.showSpot(model);
}

QString WallView::emptyHint() const {
  return workspace_.room() == nullptr
             ? tr("No room has been measured yet. Go to Measure and type its walls as you walk round.")
             : QString();
}

}  // namespace mezzet
