// Displays as the window looks at them: which carrier, evening, its tapes.
#include "app/document/workspace.h"
#include "core/decide/display_place.h"
#include "core/display/placing.h"
#include "core/display/shelves.h"
#include "core/drawing/display/display_drawing.h"
#include "core/model/kinds.h"

namespace mezzet {

std::vector<std::string> Workspace::carriersHere() const {
  if (room() == nullptr || scheme() == nullptr) return {};
  return carriersOf(PieceIndex(job()), *room(), *scheme(), false);
}

std::string Workspace::carrier() const {
  const auto all = carriersHere();
  const auto named = [&](const std::string& id) { return std::find(all.begin(), all.end(), id) != all.end(); };
  if (named(carrier_)) return carrier_;
  // A table that nothing stands on yet is looked at where it was chosen.
  if (room() != nullptr && scheme() != nullptr && !carrier_.empty() &&
      carrierNamed(PieceIndex(job()), *room(), *scheme(), carrier_))
    return carrier_;
  return all.empty() ? std::string() : all.front();
}

void Workspace::showCarrier(const std::string& id) {
  if (carrier_ == id) return;
  carrier_ = id;
  if (stage_ == Stage::Displays) select({});
  emit viewChanged();
}

std::optional<Display> Workspace::displayIn(const Job& shown) const {
  const Scheme* s = findScheme(shown, scheme_);
  const Room* r = findRoom(shown, room_);
  const std::string id = carrier();
  if (s == nullptr || r == nullptr || id.empty()) return std::nullopt;
  return displayOf(shown, PieceIndex(shown), *r, *s, id);
}

void Workspace::showEvening(bool on) {
  if (evening_ == on) return;
  evening_ = on;
  emit viewChanged();
}

std::vector<Tape> Workspace::tapesHere(const PlacementId& id) const {
  const Placement* p = scheme() != nullptr ? findPlacement(*scheme(), id) : nullptr;
  if (p == nullptr) return {};
  if (onAnother(p->on) == nullptr) return tapesOf(job(), *scheme(), id);
  const auto shown = display();
  const DisplayedThing* t = shown ? shown->shown(id) : nullptr;
  return t != nullptr ? displayTapes(*shown, *t) : std::vector<Tape>();
}

Box Workspace::extentHere(const PlacementId& id) const {
  const Placement* p = scheme() != nullptr ? findPlacement(*scheme(), id) : nullptr;
  if (p == nullptr) return {};
  if (stage_ == Stage::Displays)
    if (const auto shown = display()) {
      if (const DisplayedThing* t = shown->shown(id)) return {{t->left, t->bottom}, {t->right, t->top}};
      if (shown->carrier.placement != nullptr && shown->carrier.placement->id == id)
        return {{0, 0}, {shown->width, shown->height}};
    }
  return extentOf(job(), *p);
}

Result<Added> Workspace::putDown(const Job& before, const PieceId& id, IdSource& ids, std::optional<Vec2> at) const {
  const Piece* piece = findPiece(before, id);
  const bool here = piece != nullptr && (isDisplayed(piece->kind) || stage_ == Stage::Displays) &&
                    canBeThing(piece->kind) && !carrier().empty();
  if (here) return withSetDown(before, scheme_, carrier(), id, ids, at);
  return withPlaced(before, book_, scheme_, wall_, id, ids, at);
}

}  // namespace mezzet
