#include "app/view/display_view.h"

#include <algorithm>
#include <cmath>

#include "core/display/placing.h"
#include "core/model/kinds.h"

namespace mezzet {

DisplayOptions DisplayView::options(double scale) const {
  DisplayOptions o;
  o.scale = scale;
  o.format = workspace_.format();
  o.chosen = workspace_.selected();
  o.evening = workspace_.evening();
  return o;
}

Drawing DisplayView::composeStill(double scale, const PlacementIds& without) const {
  const auto display = workspace_.displayIn(shownJob());
  if (!display) return Drawing{scale, {0, 0}, {1200, 800}, {}};
  DisplayOptions o = options(scale);
  o.without = without;
  return composeDisplay(*display, o);
}

Drawing DisplayView::composeMoving(double scale) const {
  const auto display = workspace_.displayIn(shownJob());
  if (!display) return Drawing{scale, {}, {}, {}};
  DisplayWork work;
  work.selected = workspace_.selected();
  work.selection = workspace_.selection();
  work.typedInto = typedInto();
  if (dragging()) work.inHand = work.selection;
  else work.findings = workspace_.findings();
  std::optional<Display> ghost;
  if (workspace_.ghost()) ghost = workspace_.displayIn(*workspace_.ghost());
  if (ghost) work.ghost = &*ghost;
  return composeDisplayWork(*display, work, options(scale));
}

PlacementId DisplayView::pieceAt(Vec2 at) const {
  const auto display = workspace_.display();
  if (!display) return {};
  const DisplayedThing* found = nullptr;
  for (const DisplayedThing& t : display->things)
    if (at.x >= t.left && at.x <= t.right && at.y >= t.bottom && at.y <= t.top &&
        (found == nullptr || t.front < found->front))
      found = &t;
  if (found != nullptr) return found->placement->id;
  // Its boards and sides take hold of the case itself.
  const bool onCase = at.x >= 0 && at.x <= display->width && at.y >= 0 && at.y <= display->height;
  const bool inBay = std::any_of(display->bays.begin(), display->bays.end(), [&](const Bay& b) {
    return b.top && at.x > b.left && at.x < b.right && at.y > b.bottom && at.y < *b.top;
  });
  return onCase && !inBay && display->carrier.placement != nullptr ? display->carrier.placement->id : PlacementId();
}

Place DisplayView::movedBy(const Place& from, Vec2 by) const {
  const auto display = workspace_.display();
  const DisplayedThing* t = display ? display->shown(workspace_.selected()) : nullptr;
  if (t == nullptr) return from;
  const double step = workspace_.handStep(), x = std::round(by.x / step) * step;
  const auto* on = onAnother(from);
  if (on == nullptr) return from;
  if (t->on != nullptr) return Place(movedOn(*display, *t, x, 0).value_or(*on));
  // Into the bay that its foot is over now.
  const Vec2 foot{t->middle() + x, t->bottom + by.y};
  std::size_t bay = t->bay;
  double nearest = HUGE_VAL;
  for (std::size_t b = 0; b < display->bays.size(); ++b) {
    const Bay& one = display->bays[b];
    const double aside = std::max({0.0, one.left - foot.x, foot.x - one.right});
    if (const double off = std::abs(foot.y - one.bottom) + aside; off < nearest) nearest = off, bay = b;
  }
  const Bay& there = display->bays[bay];
  const double depth = t->back - t->front;
  const double y =
      bay == t->bay
          ? (t->front + t->back) / 2
          : there.front + std::clamp(t->front - display->bays[t->bay].front, 0.0, std::max(0.0, there.depth - depth)) +
                depth / 2;
  return placeOn(*display, bay, t->middle() + x, y, *on);
}

ItemId DisplayView::tapeTowards(Vec2 direction) const {
  if (workspace_.display() && workspace_.selected().value == workspace_.carrier()) {
    const auto display = workspace_.display();
    // Of the case: the shelves, from the lowest with the arrow up.
    if (direction.y != 0 && display->bays.size() > 1 && display->bays[1].surface != nullptr)
      return shelfTape(display->bays[direction.y > 0 ? 1 : display->bays.size() - 1].id);
    return {};
  }
  return tapeItem(direction.x < 0   ? Side::Left
                  : direction.x > 0 ? Side::Right
                  : direction.y > 0 ? Side::Up
                                    : Side::Front);
}

bool DisplayView::takes(const Piece& piece) const { return canBeThing(piece.kind) && piece.height.has_value(); }

bool DisplayView::canDrag() const {
  if (rowOf(workspace_.stage()).accepts != Accepts::Display) return false;
  const Placement* p = workspace_.selectedPlacement();
  return p == nullptr || onAnother(p->on) != nullptr;
}

QString DisplayView::emptyHint() const {
  if (workspace_.room() == nullptr)
    return tr("No room has been measured yet. Go to Measure and type its walls as you walk round.");
  if (!workspace_.carrier().empty()) return {};
  return workspace_.job().units == Unit::Inch
             ? tr("Nothing here has shelves yet. Type a case in Floor: bookcase 36 x 12 x 78, 5 shelves. Or select a "
                  "table and come back.")
             : tr("Nothing here has shelves yet. Type a case in Floor: bookcase 900 x 300 x 1980, 5 shelves. Or select "
                  "a table and come back.");
}

}  // namespace mezzet
