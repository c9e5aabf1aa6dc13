#include "core/space/bodies.h"

#include <algorithm>
#include <cmath>
#include <numbers>

#include "core/model/kinds.h"

namespace mezzet {
namespace {

Body bodyOf(std::string id, Parts parts, bool flat = false) {
  Body body{std::move(id), std::move(parts), flat, {}};
  body.bounds = boundsOf(body.parts);
  return body;
}

/// The ring that a curved piece is part of, in its own frame: its back is an arc about `centre` from -half to +half of
/// the depth axis, its seat's edge one `inner` from it.
struct Ring {
  Vec2 centre;
  double outer = 0, inner = 0, half = 0;
  [[nodiscard]] Vec2 at(double radius, double angle) const {
    return centre + Vec2{std::sin(angle), std::cos(angle)} * radius;
  }
};
Ring ringOf(const Piece& piece) {
  const double w = piece.width / 2, d = piece.depth.value_or(piece.width),
               t = std::min(piece.limbs->longDepth.value_or(d), d);
  // The box is as deep as outer - inner cos(half) where sin(half) = w / outer: less, the larger the ring is.
  double low = w, high = 1e6;
  for (int i = 0; i < 80; ++i) {
    const double r = (low + high) / 2;
    (r - (r - t) * std::sqrt(std::max(0.0, 1 - w * w / (r * r))) > d ? low : high) = r;
  }
  Ring ring;
  ring.outer = (low + high) / 2;
  ring.inner = std::max(0.0, ring.outer - t);
  ring.half = std::asin(std::min(1.0, w / ring.outer));
  ring.centre = {0, d / 2 - ring.outer};
  return ring;
}
/// Angles that cut a ring into sectors, ends included.
std::vector<double> sectorAngles(const Ring& ring) {
  const double step = 2 * std::acos(std::max(0.0, 1 - 2 * kCurveTolerance / ring.outer));
  const auto n = std::clamp<std::size_t>(static_cast<std::size_t>(std::ceil(2 * ring.half / step)), 2, 64);
  std::vector<double> out;
  for (std::size_t i = 0; i <= n; ++i)
    out.push_back(-ring.half + 2 * ring.half * static_cast<double>(i) / static_cast<double>(n));
  return out;
}
Polygon curveOutline(const Piece& piece) {
  const Ring ring = ringOf(piece);
  const std::vector<double> angles = sectorAngles(ring);
  Polygon out;
  for (const double a : angles) out.push_back(ring.at(ring.inner, a));
  for (std::size_t i = angles.size(); i-- > 0;) out.push_back(ring.at(ring.outer, angles[i]));
  return out;
}

/// Corners of the piece in its own frame; anticlockwise. An L's inner corner is the fourth from the long limb's end.
Polygon ownOutline(const Piece& piece) {
  if (isCut(piece)) return piece.rug->outline;
  const double w = piece.width / 2, d = piece.depth.value_or(piece.width) / 2;
  switch (piece.shape) {
    case Shape::Round: return {};
    case Shape::Rect: return {{-w, -d}, {w, -d}, {w, d}, {-w, d}};
    case Shape::Curve: return curveOutline(piece);
    case Shape::L: {
      const double limb = d - piece.limbs->longDepth.value_or(2 * d);  // the long limb's front
      const double inner = piece.limbs->returnWidth.value_or(2 * w);
      if (piece.limbs->hand == Hand::Left)
        return {{-w, -d}, {-w + inner, -d}, {-w + inner, limb}, {w, limb}, {w, d}, {-w, d}};
      return {{w - inner, -d}, {w, -d}, {w, d}, {-w, d}, {-w, limb}, {w - inner, limb}};
    }
    case Shape::Oval: {
      // Sides enough for the tolerance; the corners lie outside by as much as the middles of the sides lie inside.
      const double longest = std::max(w, d);
      const auto quarters =
          static_cast<std::size_t>(std::ceil(std::numbers::pi * std::sqrt(longest / (4 * kOvalTolerance)) / 4));
      const std::size_t n = 4 * std::max<std::size_t>(quarters, 4);
      const double step = 2 * std::numbers::pi / static_cast<double>(n), grow = 2 / (1 + std::cos(step / 2));
      Polygon oval;
      oval.reserve(n);
      for (std::size_t i = 0; i < n; ++i) {
        const double angle = step * (static_cast<double>(i) + 0.5);
        oval.push_back({w * grow * std::cos(angle), d * grow * std::sin(angle)});
      }
      return oval;
    }
  }
  return {};
}

Convex turnedRect(const FloorPlace& place, Turn turn, Vec2 low, Vec2 high) {
  Convex body;
  body.core.reserve(4);
  for (const Vec2 corner : {low, Vec2{high.x, low.y}, high, Vec2{low.x, high.y}})
    body.core.push_back(place.at + rotated(corner, turn));
  return body;
}

}  // namespace

Polygon outlineOf(const Piece& piece, const FloorPlace& place) {
  const Turn turn = turnOf(place.turn);
  Polygon outline = ownOutline(piece);
  for (Vec2& corner : outline) corner = place.at + rotated(corner, turn);
  return outline;
}

Parts footprint(const Piece& piece, const FloorPlace& place) {
  if (isCut(piece)) return convexParts(outlineOf(piece, place));
  if (piece.shape == Shape::Round) return {{{place.at}, piece.width / 2}};
  if (piece.shape == Shape::Curve) {
    const Polygon outline = outlineOf(piece, place);
    Parts sectors;
    for (std::size_t i = 0; i + 1 < outline.size() / 2; ++i)
      sectors.push_back(
          {{outline[i], outline[i + 1], outline[outline.size() - 2 - i], outline[outline.size() - 1 - i]}, 0});
    return sectors;
  }
  if (piece.shape != Shape::L) return {{outlineOf(piece, place), 0}};
  const Turn turn = turnOf(place.turn);
  const double w = piece.width / 2, d = piece.depth.value_or(piece.width) / 2;
  const double limb = d - piece.limbs->longDepth.value_or(2 * d), inner = piece.limbs->returnWidth.value_or(2 * w);
  const bool left = piece.limbs->hand == Hand::Left;
  return {turnedRect(place, turn, {-w, limb}, {w, d}),
          turnedRect(place, turn, {left ? -w : w - inner, -d}, {left ? -w + inner : w, d})};
}

bool covers(const Parts& parts, Vec2 point) {
  return std::any_of(parts.begin(), parts.end(), [&](const Convex& part) {
    return separation(part, Convex{{point}, 0}).gap <= 0;
  });
}

std::vector<Body> floorBodies(const PieceIndex& pieces, const Scheme& scheme, const PlacementId& without) {
  std::vector<Body> bodies;
  bodies.reserve(scheme.placements.size());
  for (const Placement& p : scheme.placements) {
    const auto* place = onFloor(p.on);
    if (place == nullptr || p.id == without) continue;
    const Piece& piece = pieces.of(p);
    bodies.push_back(bodyOf(p.id.value, footprint(piece, *place), isRug(piece.kind)));
  }
  return bodies;
}

std::vector<Body> wallBodies(const Room& room) {
  std::vector<Body> bodies;
  for (const Wall& wall : wallsOf(room))
    bodies.push_back(bodyOf(wallKey(wall.id), {Convex{{wall.start, wall.end}, 0}}));
  return bodies;
}

std::vector<Body> openingBodies(const Room& room) {
  std::vector<Body> bodies;
  for (const Opening& o : room.openings)
    if (const auto wall = findWall(room, o.wall)) {
      const Vec2 from = wall->start + wall->along() * o.offset;
      bodies.push_back(bodyOf(o.id.value, {Convex{{from, from + wall->along() * o.width}, 0}}));
    }
  return bodies;
}

bool standsInTheWay(const Feature& f) {
  if (f.kind == FeatureKind::Niche) return false;
  return f.base ? *f.base < kWalkersHeadRoom : f.kind != FeatureKind::Beam;
}

std::vector<Body> featureBodies(const Room& room) {
  std::vector<Body> bodies;
  for (const Feature& f : room.features)
    if (auto parts = standsInTheWay(f) ? convexParts(f.outline) : Parts{}; !parts.empty())
      bodies.push_back(bodyOf(f.id.value, std::move(parts)));
  return bodies;
}

std::vector<Body> fixedBodies(const Room& room) {
  std::vector<Body> fixed = wallBodies(room);
  for (Body& body : featureBodies(room)) fixed.push_back(std::move(body));
  return fixed;
}

Separation separation(const Body& a, const Body& b) { return separation(a.parts, b.parts); }

std::string wallKey(const CornerId& id) { return "wall:" + id.value; }

std::vector<FrontEdge> seatFronts(const Piece& piece, const FloorPlace& place) {
  const Turn turn = turnOf(place.turn);
  const double w = piece.width / 2, d = piece.depth.value_or(piece.width) / 2;
  // Arms never take more than half of the width between them.
  const double arm = piece.seat->arm ? std::min(kDefaultArmWidth, piece.width / 4) : 0;
  const auto at = [&](double x, double y) { return place.at + rotated({x, y}, turn); };
  const auto towards = [&](double x, double y) { return rotated({x, y}, turn); };
  if (piece.shape == Shape::Curve) {
    const Ring ring = ringOf(piece);
    const double reach = ring.inner > 0 ? std::max(0.0, ring.half - arm / ring.inner) : ring.half;
    const auto n = std::max<std::size_t>(1, static_cast<std::size_t>(2 * reach * ring.inner / (24 * kInch) + 1e-9));
    std::vector<FrontEdge> fronts;
    for (std::size_t i = 0; i < n; ++i) {
      const double from = -reach + 2 * reach * static_cast<double>(i) / static_cast<double>(n),
                   to = from + 2 * reach / static_cast<double>(n);
      const Vec2 a = ring.at(ring.inner, from), b = ring.at(ring.inner, to),
                 in = ring.centre - ring.at(1, (from + to) / 2);
      fronts.push_back({at(a.x, a.y), at(b.x, b.y), towards(in.x, in.y)});
    }
    return fronts;
  }
  if (piece.shape != Shape::L) return {{at(-w + arm, -d), at(w - arm, -d), towards(0, -1)}};
  const double limb = d - piece.limbs->longDepth.value_or(2 * d), inner = piece.limbs->returnWidth.value_or(2 * w);
  if (piece.limbs->hand == Hand::Left)
    return {{at(-w + inner, limb), at(w - arm, limb), towards(0, -1)},
            {at(-w + inner, -d + arm), at(-w + inner, limb), towards(1, 0)}};
  return {{at(-w + arm, limb), at(w - inner, limb), towards(0, -1)},
          {at(w - inner, limb), at(w - inner, -d + arm), towards(-1, 0)}};
}

FrontEdge backEdge(const Piece& piece, const FloorPlace& place) {
  const Turn turn = turnOf(place.turn);
  const double w = piece.width / 2, d = piece.depth.value_or(piece.width) / 2;
  return {place.at + rotated({w, d}, turn), place.at + rotated({-w, d}, turn), rotated({0, 1}, turn)};
}

std::vector<Vec2> feetOf(const Piece& piece, const FloorPlace& place) {
  const Turn turn = turnOf(place.turn);
  // Round and oval pieces stand within the square of their box that the shape still covers.
  const double shrink = piece.shape == Shape::Round || piece.shape == Shape::Oval ? std::numbers::sqrt2 / 2 : 1;
  const double inset = piece.legs->inset.value_or(kUsualFeetInset);
  const double x = std::max(0.0, piece.width / 2 * shrink - inset),
               y = std::max(0.0, piece.depth.value_or(piece.width) / 2 * shrink - inset);
  std::vector<Vec2> feet;
  for (const Vec2 foot : {Vec2{-x, -y}, Vec2{x, -y}, Vec2{x, y}, Vec2{-x, y}})
    feet.push_back(place.at + rotated(foot, turn));
  if (piece.shape == Shape::L) {
    // The corner of the box that the L does not reach has its foot at the end of the long limb's front instead.
    const double limb = piece.depth.value_or(piece.width) / 2 -
                        piece.limbs->longDepth.value_or(piece.depth.value_or(piece.width)) + inset;
    feet[piece.limbs->hand == Hand::Left ? 1 : 0] =
        place.at + rotated({piece.limbs->hand == Hand::Left ? x : -x, limb}, turn);
  }
  return feet;
}

double reachOutside(const Parts& parts, const Polygon& outline) {
  double reach = 0;
  for (const Convex& body : parts) {
    for (const Vec2 p : body.core) {
      const double edge = distanceToEdge(outline, p);
      reach = std::max(reach, contains(outline, p) ? body.radius - edge : body.radius + edge);
    }
    // A corner that juts into the room can stand in a body whose own corners are all inside.
    for (std::size_t i = 0; i < outline.size(); ++i)
      if (isReflex(outline, i)) reach = std::max(reach, -separation(Convex{{outline[i]}, 0}, body).gap);
  }
  return reach;
}

}  // namespace mezzet
