#include "core/space/below.h"

#include <algorithm>
#include <cmath>

#include "core/model/kinds.h"
#include "core/space/carried.h"
#include "core/site/heights.h"
#include "core/space/bodies.h"

namespace mezzet {
namespace {

BelowRow rowOfKind(std::string_view kind) {
  if (isBed(kind)) return BelowRow::Bed;
  // Chairs and stools are drawn up and pushed away every day: nothing is hung by them.
  if (isDiningChair(kind) || isPulledUp(kind)) return BelowRow::None;
  if (isSeat(kind) || isDiningSeat(kind)) return BelowRow::Seat;
  if (isWooden(kind)) return BelowRow::Table;
  return BelowRow::None;
}

/// The middle without the return of an L.
std::optional<double> middleWithoutReturn(const Piece& piece, const FloorPlace& place, const Wall& wall) {
  if (piece.shape != Shape::L || !piece.limbs->returnWidth) return std::nullopt;
  const double half = piece.width / 2, inner = *piece.limbs->returnWidth;
  const double x = piece.limbs->hand == Hand::Left ? (-half + inner + half) / 2 : (-half + half - inner) / 2;
  const Vec2 at = place.at + rotated({x, 0}, turnOf(place.turn));
  return wall.length() - dot(at - wall.start, wall.along());
}

/// A fixed thing that something hangs above, and how high its top is.
std::optional<Below> fixedBelow(const Feature& f, const Wall& wall) {
  Below out{.id = f.id.value};
  switch (f.kind) {
    case FeatureKind::Hearth:
      if (!f.mantel) return std::nullopt;
      out.row = BelowRow::Mantel;
      out.top = f.mantel;
      break;
    case FeatureKind::BuiltIn:
      out.row = BelowRow::Table;
      if (f.height) out.top = f.base.value_or(0) + *f.height;
      break;
    case FeatureKind::Radiator:
      out.heats = true;
      if (f.height) out.top = f.base.value_or(0) + *f.height;
      break;
    default: return std::nullopt;
  }
  const AlongWall at = alongWall(wall, f.outline);
  if (at.nearest > kStandsAtWall || at.farthest <= 0 || at.right <= 0 || at.left >= wall.length()) return std::nullopt;
  out.left = std::max(0.0, at.left);
  out.right = std::min(wall.length(), at.right);
  out.offWall = at.nearest;
  return out;
}

}  // namespace

std::vector<Below> candidatesBelow(const Job& job, const Room& room, const Scheme& scheme, const Wall& wall) {
  std::vector<Below> out;
  for (const Standing& s : standingAt(job, scheme, wall)) {
    const Placement& p = *findPlacement(scheme, s.id);
    const Piece& piece = pieceOf(job, p);
    Below below{.id = s.id.value,
                .placement = s.id,
                .row = rowOfKind(piece.kind),
                .left = s.left,
                .right = s.right,
                .top = s.top,
                .floor = s.floor,
                .offWall = s.offWall};
    below.middles = {(s.left + s.right) / 2};
    if (const auto other = middleWithoutReturn(piece, floorPlace(p.on), wall)) below.middles.push_back(*other);
    out.push_back(std::move(below));
  }
  const RoomHeights heights = heightsOf(room);
  for (const Feature& f : room.features)
    if (auto below = fixedBelow(f, wall)) {
      below->floor = heights.floorAt(onWall(wall, (below->left + below->right) / 2));
      if (below->top) *below->top += below->floor;
      below->middles = {(below->left + below->right) / 2};
      out.push_back(std::move(*below));
    }
  return out;
}

std::optional<Below> belowOf(const std::vector<Below>& candidates, const WallRect& hung) {
  const Below* best = nullptr;
  double most = 0;
  for (const Below& b : candidates) {
    const double overlap = std::min(b.right, hung.right) - std::max(b.left, hung.left);
    if (overlap <= kTouch || (b.top && *b.top >= hung.centreHeight())) continue;
    const bool more = best == nullptr || overlap > most + kTouch;
    const bool alike = best != nullptr && std::abs(overlap - most) <= kTouch;
    const bool nearer = alike && (b.offWall < best->offWall || (b.offWall == best->offWall && b.id < best->id));
    if (!more && !nearer) continue;
    best = &b;
    most = overlap;
  }
  return best == nullptr ? std::nullopt : std::optional(*best);
}

std::optional<Below> belowOf(const Job& job, const Room& room, const Scheme& scheme, const Hung& hung) {
  const auto wall = findWall(room, hung.wall);
  return wall ? belowOf(candidatesBelow(job, room, scheme, *wall), hung.envelope) : std::nullopt;
}

bool somethingStandsOn(const Job& job, const Scheme& scheme, const Wall& wall, const Below& below, const WallRect& hung,
                       double least) {
  if (below.placement.empty()) return false;
  return std::any_of(scheme.placements.begin(), scheme.placements.end(), [&](const Placement& p) {
    if (carrierOf(p.on) != below.placement || standsInBay(scheme, p)) return false;
    const Piece& piece = pieceOf(job, p);
    const auto there = standsAt(scheme, p);
    if (!there || piece.height.value_or(0) < least) return false;
    const Standing s = standingOf(piece, p.id, *there, wall);
    return std::min(s.right, hung.right) - std::max(s.left, hung.left) > kTouch;
  });
}

}  // namespace mezzet
