#include "core/rugs/lying.h"

#include <algorithm>
#include <cmath>

#include "core/model/kinds.h"

namespace mezzet {
namespace {

/// How far a point is off the rug; 0 on it.
double offRug(const Rug& rug, Vec2 foot) { return std::max(0.0, separation(rug.body, Parts{Convex{{foot}, 0}}).gap); }
bool isCircle(const Rug& rug) { return rug.piece->shape == Shape::Round && !isCut(*rug.piece); }

}  // namespace

std::vector<Rug> rugsIn(const PieceIndex& pieces, const Scheme& scheme) {
  std::vector<Rug> rugs;
  for (const Placement& p : scheme.placements)
    if (const auto* place = onFloor(p.on); place != nullptr && isRug(pieces.of(p).kind))
      rugs.push_back({&p, &pieces.of(p), footprint(pieces.of(p), *place)});
  return rugs;
}

std::vector<Vec2> cornersOf(const Rug& rug) {
  const bool cornered = isCut(*rug.piece) || (rug.piece->shape != Shape::Round && rug.piece->shape != Shape::Oval);
  return cornered ? outlineOf(*rug.piece, rug.place()) : Polygon{};
}

Polygon rugOutline(const Piece& piece, const FloorPlace& place) {
  Polygon outline = outlineOf(piece, place);
  if (!outline.empty()) return outline;
  constexpr int kSides = 256;
  for (int i = 0; i < kSides; ++i)
    outline.push_back(place.at + rotated({piece.width / 2, 0}, turnOf(360.0 * i / kSides)));
  return outline;
}

double insideRug(const Rug& rug, Vec2 point) {
  if (const double off = offRug(rug, point); off > 0) return -off;
  if (isCircle(rug)) return rug.piece->width / 2 - distance(point, rug.place().at);
  return distanceToEdge(outlineOf(*rug.piece, rug.place()), point);
}

Vec2 nearestEdge(const Rug& rug, Vec2 point) {
  if (isCircle(rug)) {
    const Vec2 middle = rug.place().at;
    const Vec2 out = distance(point, middle) > kTouch ? unit(point - middle) : Vec2{1, 0};
    return middle + out * (rug.piece->width / 2);
  }
  const Polygon outline = outlineOf(*rug.piece, rug.place());
  Vec2 best = outline.front();
  for (std::size_t i = 0; i < outline.size(); ++i) {
    const Vec2 p = nearestOnSegment(point, edgeStart(outline, i), edgeEnd(outline, i));
    if (distance(p, point) < distance(best, point)) best = p;
  }
  return best;
}

FeetOnRug feetOn(const Rug& rug, const std::vector<Vec2>& feet) {
  FeetOnRug f{&rug, 0, 0, -1, feet.front()};
  for (std::size_t i = 0; i < feet.size(); ++i) {
    const double off = offRug(rug, feet[i]);
    const bool here = off < kTouch;
    f.on += here;
    if (i > 1) continue;
    f.onFront += here;
    if (off >= f.frontOff) {
      f.frontOff = off;
      f.foot = feet[i];
    }
  }
  return f;
}

const Rug* rugUnder(const std::vector<Rug>& rugs, const std::vector<Vec2>& feet) {
  const Rug* best = nullptr;
  int most = 0;
  for (const Rug& rug : rugs) {
    const int on = feetOn(rug, feet).on;
    if (on > most || (on == most && on > 0 && rug.placement->id.value < best->placement->id.value)) best = &rug;
    most = std::max(most, on);
  }
  return best;
}

}  // namespace mezzet
