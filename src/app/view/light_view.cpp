#include "app/view/light_view.h"

#include <QMouseEvent>
#include <cmath>
#include <tuple>

#include "core/drawing/base/working.h"
#include "core/drawing/ceiling/marks.h"
#include "core/model/kinds.h"

namespace mezzet {

LightView::LightView(Workspace& workspace, QWidget* parent) : SheetView(workspace, parent) {
  connect(&workspace, &Workspace::estimateChanged, this, &SheetView::refresh);
}

CeilingOptions LightView::options(double scale) const {
  CeilingOptions o;
  o.scale = scale;
  o.format = workspace_.format();
  const Scheme* scheme = findScheme(shownJob(), workspace_.schemeId());
  if (workspace_.room() != nullptr && scheme != nullptr)
    o.section = sectionThrough(shownJob(), *workspace_.room(), *scheme, workspace_.selected());
  return o;
}

SectionFrame LightView::frame(double scale) const {
  return sectionOf(shownJob(), *workspace_.room(), findScheme(shownJob(), workspace_.schemeId()), options(scale));
}

QPointF LightView::sectionPoint(double x, double height) const {
  return projection().map(frame(this->scale()).home(x, height));
}

Drawing LightView::composeStill(double scale, const PlacementIds& without) const {
  const Room* room = workspace_.room();
  if (room == nullptr) return Drawing{scale, {0, 0}, {4000, 3000}, {}};
  CeilingOptions o = options(scale);
  o.without = without;
  o.estimate = workspace_.lightEstimate();
  std::tie(o.gridLow, o.gridHigh) = visible();
  return composeCeiling(shownJob(), *room, workspace_.scheme(), o);
}

Drawing LightView::composeMoving(double scale) const {
  const Room* room = workspace_.room();
  const Scheme* scheme = findScheme(shownJob(), workspace_.schemeId());
  if (room == nullptr || scheme == nullptr) return Drawing{scale, {}, {}, {}};
  CeilingWork work;
  work.scheme = scheme;
  work.selected = workspace_.selected();
  work.selection = workspace_.selection();
  const Placement* chosen = findPlacement(*scheme, work.selected);
  if (chosen != nullptr && onCeiling(chosen->on) != nullptr) work.tapes = tapesOf(shownJob(), *scheme, work.selected);
  work.typedInto = typedInto();
  // In the section the band is the question itself: it is shown for the light in the hand and for the selected one.
  work.bands = heldBands();
  if (work.bands.empty() && chosen != nullptr)
    work.bands = bandsOf(shownJob(), workspace_.book(), workspace_.schemeId(), work.selected, workspace_.format());
  work.guides = guides();
  if (dragging()) work.inHand = work.selection;
  else work.findings = workspace_.marked();
  if (workspace_.ghost()) work.ghost = &*workspace_.ghost();
  return composeCeilingWork(shownJob(), *room, work, options(scale));
}

PlacementId LightView::pieceAt(Vec2 model) const {
  const Room* room = workspace_.room();
  const Scheme* scheme = workspace_.scheme();
  if (room == nullptr || scheme == nullptr) return {};
  const SectionFrame section = frame(this->scale());
  const bool below = section.covers(model);
  const double least = kLeastMark * this->scale();
  PlacementId found;
  double nearest = HUGE_VAL;
  for (const Fixture& f : fixturesIn(PieceIndex(workspace_.job()), *room, heightsOf(*room), *scheme)) {
    const double half = std::max(f.piece->width / 2, least);
    double off = distance(model, f.at.at);
    if (below) {
      // In the section the light, or its cord.
      const bool shown = std::abs(f.at.at.y - section.cut) <= 9 * kInch;
      const double height = section.heightAt(model) - f.floor, across = std::abs(model.x - f.at.at.x);
      const bool onBody = across <= half && height >= f.underside - least && height <= f.top + least;
      const bool onCord = across <= 2 * least && height >= f.underside && height <= f.ceiling;
      if (!shown || !(onBody || (f.hangsDown() && onCord))) continue;
      off = across;
    } else if (off > half + least / 2) {
      continue;
    }
    if (off >= nearest) continue;
    nearest = off;
    found = f.id();
  }
  return found;
}

void LightView::mousePressEvent(QMouseEvent* event) {
  byItsCord_ = workspace_.room() != nullptr && frame(this->scale()).covers(projection().unmap(event->position()));
  SheetView::mousePressEvent(event);
}

Place LightView::movedBy(const Place& from, Vec2 by) const {
  Place out = from;
  const double step = workspace_.handStep();
  const Vec2 stepped{std::round(by.x / step) * step, std::round(by.y / step) * step};
  if (auto* up = onCeiling(out)) {
    if (byItsCord_) up->drop = std::max(0.0, std::round((up->drop - by.y) / step) * step);
    else up->at += stepped;
  }
  if (auto* floor = onFloor(out); floor != nullptr && !byItsCord_) floor->at += stepped;
  return out;
}

ItemId LightView::tapeTowards(Vec2 direction) const {
  const Scheme* scheme = workspace_.scheme();
  if (scheme == nullptr) return {};
  ItemId best;
  double most = 0.5;
  for (const Tape& tape : tapesOf(workspace_.job(), *scheme, workspace_.selected())) {
    if (tape.side == Side::Up || tape.side == Side::Down) continue;
    if (const double along = dot(tape.along, direction); along > most) {
      most = along;
      best = tapeItem(tape.side);
    }
  }
  return best;
}

bool LightView::canDrag() const {
  const Placement* p = workspace_.selectedPlacement();
  return p == nullptr || onCeiling(p->on) != nullptr || onFloor(p->on) != nullptr;
}

bool LightView::takes(const Piece& piece) const { return mountOf(piece).has_value() && !hangs(piece.kind); }

QString LightView::emptyHint() const {
  return workspace_.room() == nullptr
             ? tr("No room has been measured yet. Go to Measure and type its walls as you walk round.")
             : QString();
}

}  // namespace mezzet
