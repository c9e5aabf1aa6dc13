#include "app/tools/drag_tool.h"

#include "core/edit/edits.h"

namespace mezzet {
namespace {

/// A cord that is pulled moves its light nowhere in the plan: nothing lines up.
bool onlyItsCord(const Place& from, const Place& to) {
  const auto *was = onCeiling(from), *is = onCeiling(to);
  return was != nullptr && is != nullptr && was->at == is->at;
}

}  // namespace

void DragTool::press(Vec2 at, bool onHandle) {
  held_ = Held{workspace_.job(), workspace_.selectedPlacement()->on, at, workspace_.job(), false, onHandle};
}

void DragTool::move(Vec2 to, bool freely, double reach) {
  if (!held_->moved) {
    held_->moved = true;
    if (!held_->turning)
      bands_ =
          bandsOf(held_->before, workspace_.book(), workspace_.schemeId(), workspace_.selected(), workspace_.format());
  }
  guides_.clear();
  if (held_->turning) {
    FloorPlace there = floorPlace(held_->from);
    there.turn = turnByHand(*workspace_.room(), there, held_->grabbed, to, freely);
    held_->preview = placed(held_->before, workspace_.schemeId(), workspace_.selected(), there);
    return;
  }
  Place there = movedBy_(held_->from, to - held_->grabbed);
  if (const Scheme* scheme = findScheme(held_->before, workspace_.schemeId());
      !freely && scheme != nullptr && !onlyItsCord(held_->from, there)) {
    Snapped resting = snapped(held_->before, *scheme, workspace_.selected(), there, workspace_.selection(), reach);
    there = resting.place;
    guides_ = std::move(resting.guides);
  }
  held_->preview = workspace_.preview(held_->before, there);
}

void DragTool::release() {
  if (!held_) return;
  const Held done = *held_;
  cancel();
  if (!done.moved) return;
  const Scheme* scheme = findScheme(done.preview, workspace_.schemeId());
  const Placement* p = scheme != nullptr ? findPlacement(*scheme, workspace_.selected()) : nullptr;
  if (p == nullptr) return;
  const QString verb = done.turning               ? Workspace::tr("turn")
                       : onWall(p->on) != nullptr ? Workspace::tr("hang")
                                                  : Workspace::tr("move");
  workspace_.place(verb, p->on);
}

void DragTool::cancel() {
  held_.reset();
  bands_.clear();
  guides_.clear();
}

}  // namespace mezzet
