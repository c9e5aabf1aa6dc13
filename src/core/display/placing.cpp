#include "core/display/placing.h"

#include <algorithm>
#include <cmath>

#include "core/display/setting.h"
#include "core/edit/edits.h"
#include "core/edit/put.h"
#include "core/model/kinds.h"

namespace mezzet {
namespace {

/// One in a row, with the left edge it would like.
struct InRow {
  const Placement* placement = nullptr;
  double width = 0, wish = 0, y = 0;
  bool locked = false;
  double left = 0;
};

/// Each as near its wish as the others and the ends allow: pushed right where the one before ends, then back from the
/// right end. What does not fit runs over at the right.
void closeUp(std::vector<InRow>& row, double low, double high) {
  double at = low;
  for (InRow& one : row) {
    one.left = one.locked ? one.wish : std::max(one.wish, at);
    at = std::max(at, one.left + one.width);
  }
  double end = high;
  for (auto one = row.rbegin(); one != row.rend(); ++one) {
    if (!one->locked) one->left = std::max(std::min(one->left, end - one->width), low);
    end = std::min(end, one->left);
  }
  // Where the whole is too long, from the left.
  at = low;
  for (InRow& one : row) {
    if (!one.locked && one.left < at) one.left = at;
    at = one.left + one.width;
  }
}

/// In the frame of the thing it stands on, x and y of a display's corner.
Vec2 originOf(const Display& d) { return d.carrier.placement != nullptr ? Vec2{d.width / 2, d.depth / 2} : Vec2{}; }

}  // namespace

CarriedPlace placeOn(const Display& d, std::size_t bay, double x, double y, const CarriedPlace& like) {
  CarriedPlace out = like;
  out.carrier = d.carrier.placement != nullptr ? d.carrier.placement->id : PlacementId();
  out.fixed = d.carrier.placement != nullptr ? std::string() : d.carrier.id;
  out.at = Vec2{x, y} - originOf(d);
  const Bay& there = d.bays[bay];
  // The top of what has no surfaces of its own goes without saying.
  out.surface = there.surface == nullptr || there.id == kTopSurface ? std::string() : there.id;
  return out;
}

Lie usualLie(const Piece& piece) { return hasFrame(piece.kind) ? Lie::Leaning : Lie::Standing; }

std::optional<CarriedPlace> freeIn(const Display& d, std::size_t index, const Piece& piece, Lie lie, double x) {
  const Bay& bay = d.bays[index];
  const LyingSize size = lyingSize(piece, lie);
  if (size.x > bay.width() + 0.01 || (bay.top && size.z > *bay.top - bay.bottom + 0.01) ||
      size.y > bay.depth + kMayStandOut)
    return std::nullopt;
  CarriedPlace like;
  like.lie = lie;
  const double room = bay.depth - size.y;
  if (lie == Lie::Leaning)
    return placeOn(d, index, std::clamp(x, bay.left + size.x / 2, bay.right - size.x / 2),
                   bay.front + std::max(0.0, room) + size.y / 2, like);
  std::optional<double> best;
  for (const auto& [left, right] : freeWidths(d, index)) {
    if (right - left + 0.01 < size.x) continue;
    const double at = std::clamp(x, left + size.x / 2, std::max(left + size.x / 2, right - size.x / 2));
    if (!best || std::abs(at - x) < std::abs(*best - x)) best = at;
  }
  if (!best) return std::nullopt;
  const double front = bay.top ? std::min(kBehindEdge, std::max(room, -kMayStandOut)) : std::max(0.0, room / 2);
  return placeOn(d, index, *best, bay.front + front + size.y / 2, like);
}

Job withThrown(const Job& job, const SchemeId& id, const std::string& carrier, std::size_t index,
               const Placement& thing, double x) {
  const Scheme* scheme = findScheme(job, id);
  if (scheme == nullptr) return job;
  const PieceIndex pieces(job);
  const auto d = displayOf(job, pieces, roomOf(job, *scheme), *scheme, carrier);
  const Piece* piece = findPiece(job, thing.piece);
  if (!d || piece == nullptr || index >= d->bays.size() || carrier == thing.id.value) return job;
  const Bay& bay = d->bays[index];
  const auto* was = onAnother(thing.on);
  CarriedPlace like;
  like.lie = was != nullptr ? was->lie : usualLie(*piece);
  like.turn = was != nullptr ? was->turn : 0;
  const LyingSize size = lyingSize(*piece, like.lie);
  const double room = bay.depth - size.y;
  const double front = like.lie == Lie::Leaning ? std::max(0.0, room)
                       : bay.top                ? std::min(kBehindEdge, std::max(room, -kMayStandOut))
                                                : std::max(0.0, room / 2);
  const double y = bay.front + front + size.y / 2;
  Placement fresh = thing;
  if (like.lie == Lie::Leaning) {
    fresh.on =
        placeOn(*d, index,
                std::clamp(x, bay.left + size.x / 2, std::max(bay.left + size.x / 2, bay.right - size.x / 2)), y, like);
    return withPlacement(job, id, std::move(fresh));
  }
  std::vector<InRow> row;
  for (const DisplayedThing& t : d->things)
    if (t.bay == index && t.on == nullptr && t.lie != Lie::Leaning && t.placement->id != thing.id)
      row.push_back({t.placement, t.width(), t.left, (t.front + t.back) / 2, t.placement->locked, t.left});
  const auto at = std::find_if(row.begin(), row.end(), [&](const InRow& r) { return r.left + r.width / 2 > x; });
  row.insert(at, InRow{nullptr, size.x, x - size.x / 2, y, false, 0});
  closeUp(row, bay.left, bay.right);
  Scheme changed = *scheme;
  for (const InRow& one : row) {
    const double middle = one.left + one.width / 2;
    if (one.placement == nullptr) {
      fresh.on = placeOn(*d, index, middle, one.y, like);
      putValue(changed.placements, fresh);
      continue;
    }
    if (std::abs(one.left - one.wish) < 0.01) continue;
    Placement moved = *one.placement;
    moved.on = placeOn(*d, index, middle, one.y, *onAnother(moved.on));
    putValue(changed.placements, std::move(moved));
  }
  return withScheme(job, std::move(changed));
}

Job withRiser(const Job& job, const SchemeId& id, const PlacementId& thing, double rise, IdSource& ids) {
  const Scheme* scheme = findScheme(job, id);
  const Placement* p = scheme != nullptr ? findPlacement(*scheme, thing) : nullptr;
  const auto* on = p != nullptr ? onAnother(p->on) : nullptr;
  if (on == nullptr || rise <= 0) return job;
  const LyingSize size = lyingSize(pieceOf(job, *p), on->lie);
  Piece riser = usualPiece(kRiser);
  riser.id = ids.take<PieceId>("piece");
  riser.width = size.x;
  riser.depth = size.y;
  riser.height = rise;
  riser.doubts.clear();
  Placement under{ids.take<PlacementId>("p"), riser.id, *on, {}};
  onAnother(under.on)->lie = Lie::Standing;
  Placement raised = *p;
  CarriedPlace there;
  there.carrier = under.id;
  there.lie = on->lie;
  raised.on = there;
  const auto with = withPiece(job, std::move(riser));
  if (!with) return job;
  return withPlacement(withPlacement(*with, id, std::move(under)), id, std::move(raised));
}

std::vector<Tape> displayTapes(const Display& d, const DisplayedThing& t) {
  const Bay& bay = d.bays[t.bay];
  double left = bay.left, right = bay.right;
  Thing leftHit, rightHit;
  for (const DisplayedThing& other : d.things) {
    if (&other == &t || other.bay != t.bay || other.on != t.on) continue;
    const bool beside = other.front < t.back - 0.01 && other.back > t.front + 0.01;
    const Thing hit{Thing::Of::Placement, other.placement->id.value};
    if (beside && other.right <= t.left + 0.01 && other.right > left) left = other.right, leftHit = hit;
    if (beside && other.left >= t.right - 0.01 && other.left < right) right = other.left, rightHit = hit;
  }
  const double v = (t.bottom + t.top) / 2;
  std::vector<Tape> out{{Side::Left, {-1, 0}, {t.left, v}, {left, v}, t.left - left, leftHit},
                        {Side::Right, {1, 0}, {t.right, v}, {right, v}, right - t.right, rightHit}};
  if (bay.top) out.push_back({Side::Up, {0, 1}, {t.middle(), t.top}, {t.middle(), *bay.top}, *bay.top - t.top, {}});
  out.push_back({Side::Front, {-1, 0}, {t.front, v}, {bay.front, v}, t.front - bay.front, {}});
  return out;
}

std::optional<CarriedPlace> movedOn(const Display& d, const DisplayedThing& t, double byX, double byY) {
  const auto* on = onAnother(t.placement->on);
  if (on == nullptr) return std::nullopt;
  if (t.on == nullptr) return placeOn(d, t.bay, t.middle() + byX, (t.front + t.back) / 2 + byY, *on);
  // In the frame of what it stands on, which may be turned.
  const auto* under = onAnother(t.on->on);
  CarriedPlace out = *on;
  out.at += rotated(Vec2{byX, byY}, turnOf(under != nullptr ? -under->turn : 0));
  return out;
}

std::optional<CarriedPlace> placeForTape(const Display& d, const DisplayedThing& t, const Tape& tape, double length) {
  const double by = length - tape.length;
  switch (tape.side) {
    case Side::Left: return movedOn(d, t, by, 0);
    case Side::Right: return movedOn(d, t, -by, 0);
    case Side::Front: return movedOn(d, t, 0, by);
    default: return std::nullopt;
  }
}

}  // namespace mezzet
