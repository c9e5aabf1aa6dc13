// What moves over a display: the selected thing with its tapes, tapes of the shelves, marks of findings.
#include <algorithm>
#include <cmath>

#include "core/display/placing.h"
#include "core/drawing/base/drafting.h"
#include "core/drawing/base/working.h"
#include "core/drawing/display/display_drawing.h"
#include "core/drawing/display/thing_front.h"

namespace mezzet {
namespace {

constexpr std::string_view kShelf = "shelf:";
constexpr double kMarkLine = 0.6;

void addOutline(Drawing& d, const DisplayedThing& t, const PlacementId& selected) {
  d.add(Layer::Working, t.placement->id.value,
        rectangle({t.left, t.bottom}, {t.right, t.top}, Ink::None,
                  {Ink::Accent, t.placement->id == selected ? 2 * kMarkLine : kMarkLine, Dash::Solid}));
  d.add(Layer::Working, t.placement->id.value,
        rectangle({t.left, t.bottom}, {t.right, t.top}, Ink::None, {Ink::Ink, kDimensionLine, Dash::Solid}));
}

}  // namespace

ItemId shelfTape(const std::string& surface) { return {ItemId::Of::Tape, std::string(kShelf) + surface}; }
std::string shelfOfTape(const ItemId& id) {
  return id.of == ItemId::Of::Tape && id.id.starts_with(kShelf) ? id.id.substr(kShelf.size()) : std::string();
}

Drawing composeDisplayWork(const Display& display, const DisplayWork& work, const DisplayOptions& o) {
  Drawing d;
  d.scale = o.scale;
  for (const DisplayedThing& t : display.things)
    if (std::find(work.inHand.begin(), work.inHand.end(), t.placement->id) != work.inHand.end())
      addThingFront(d, t, {t.left, t.right, t.bottom, t.top}, 1, t.placement->id.value);
  for (const DisplayedThing& t : display.things)
    if (std::find(work.selection.begin(), work.selection.end(), t.placement->id) != work.selection.end())
      addOutline(d, t, work.selected);
  if (work.ghost != nullptr)
    for (const DisplayedThing& t : work.ghost->things) {
      const DisplayedThing* was = display.shown(t.placement->id);
      const bool same = was != nullptr && std::abs(was->left - t.left) < 0.01 &&
                        std::abs(was->bottom - t.bottom) < 0.01 && std::abs(was->front - t.front) < 0.01;
      if (same) continue;
      PathItem box =
          rectangle({t.left, t.bottom}, {t.right, t.top}, Ink::Ghost, {Ink::Ink, kDimensionLine, Dash::Dashed});
      d.add(Layer::Working, t.placement->id.value, std::move(box));
    }
  if (const DisplayedThing* t = work.selected.empty() ? nullptr : display.shown(work.selected)) {
    for (Tape tape : displayTapes(display, *t)) {
      const ItemId id = tapeItem(tape.side);
      if (tape.side == Side::Front && isSeenFromAbove(display)) {
        const double base = topViewBase(display, o.scale);
        tape.along = {0, -1};
        tape.from = {t->middle(), base + tape.from.x};
        tape.to = {t->middle(), base + tape.to.x};
      } else if (tape.side == Side::Front) {
        const Vec2 by{sectionLeft(display, o.scale), 0};
        tape.from += by;
        tape.to += by;
      }
      addTape(d, tape, o.format, id != work.typedInto, id);
    }
  } else if (display.carrier.piece != nullptr && work.selected == PlacementId(display.carrier.id)) {
    // The case itself: its shelves by what each stands above the foot.
    for (const Surface& s : display.carrier.piece->surfaces->all) {
      const double x = display.carrier.width / 2 + (s.left + s.right) / 2;
      const Tape tape{Side::Up, {0, 1}, {x, 0}, {x, s.bottom}, s.bottom, {}};
      const ItemId id = shelfTape(s.id);
      addTape(d, tape, o.format, id != work.typedInto, id);
    }
  }
  for (const Finding& f : work.findings) {
    if (f.view.display != display.carrier.id || f.verdict != Verdict::Breaks) continue;
    const Vec2 at{(f.at[0].x + f.at[1].x) / 2, std::max(f.at[0].y, f.at[1].y)};
    const double arm = kCrossArm * d.scale;
    for (const double up : {1.0, -1.0})
      d.add(Layer::Working, f.id,
            line(at - Vec2{arm, up * arm}, at + Vec2{arm, up * arm}, {Ink::Breaks, 2 * kFurnitureLine, Dash::Solid}));
  }
  return d;
}

}  // namespace mezzet
