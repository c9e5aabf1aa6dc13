#include "core/sight/reflection.h"

#include <algorithm>
#include <cmath>
#include <map>

#include "core/model/kinds.h"
#include "core/space/carried.h"
#include "core/space/hung.h"

namespace mezzet {
namespace {

constexpr double kHair = 1e-9;
constexpr double kFar = 1e7;

/// The part of a convex polygon, or of a segment, where f >= 0; f is linear.
template <class F>
std::vector<Vec2> where(const std::vector<Vec2>& points, F f) {
  std::vector<Vec2> out;
  const std::size_t n = points.size();
  for (std::size_t i = 0; i < n; ++i) {
    const Vec2 a = points[i], b = points[(i + 1) % n];
    const double fa = f(a), fb = f(b);
    if (fa >= 0) out.push_back(a);
    if (n == 2 && i == 1) break;  // there and back is one edge
    if ((fa > 0 && fb < 0) || (fa < 0 && fb > 0)) out.push_back(a + (b - a) * (fa / (fa - fb)));
  }
  return out;
}

/// What of a thing the sloping plane of rays meets.
struct MetPart {
  std::vector<Vec2> points;  // from the reflected eye
  std::size_t thing;
};

/// The reflected eye and the plane of its rays.
struct Sight {
  Vec2 eye, inward;
  double off = 0;             // of the eye from the face
  double height = 0, at = 0;  // of the eye, and where the rays cross the glass
  /// How far beyond the face a point is, over how far the eye is before it, plus one: 1 at the glass.
  [[nodiscard]] double reach(Vec2 fromEye) const { return dot(fromEye, inward) / off; }
  [[nodiscard]] double z(Vec2 fromEye) const { return height + (at - height) * reach(fromEye); }
};

std::optional<Sight> sightOf(const Glass& glass, const Eye& eye) {
  const double off = dot(eye.at - glass.a, glass.inward);
  if (off <= kHair || norm(glass.b - glass.a) <= kHair) return std::nullopt;
  return Sight{eye.at - glass.inward * (2 * off), glass.inward, off, eye.height, glass.height};
}

std::vector<MetPart> partsOf(const Sight& sight, const Glass& glass, const std::vector<Meetable>& things,
                             const std::string& ownSeat) {
  std::vector<MetPart> out;
  for (std::size_t i = 0; i < things.size(); ++i) {
    const Meetable& m = things[i];
    if (m.id == glass.owner || (!m.id.empty() && (m.id == ownSeat || m.id == glass.wall))) continue;
    std::vector<Vec2> points = m.shape.radius > 0 ? outlineOfBody(m.shape) : m.shape.core;
    for (Vec2& p : points) p = p - sight.eye;
    points = where(points, [&](Vec2 p) { return sight.reach(p) - 1; });
    if (points.size() > 1) points = where(points, [&](Vec2 p) { return sight.z(p) - m.bottom; });
    if (points.size() > 1) points = where(points, [&](Vec2 p) { return m.top - sight.z(p); });
    if (points.size() > 1) out.push_back({std::move(points), i});
  }
  return out;
}

struct Met {
  std::size_t thing = kNothing;
  double along = kFar;
  static constexpr std::size_t kNothing = static_cast<std::size_t>(-1), kFloor = kNothing - 1, kCeiling = kNothing - 2;
};

/// A ray from the reflected eye, in the plan and up.
struct Ray {
  Vec2 from, d;
  double height = 0, slope = 0;
  [[nodiscard]] double z(double along) const { return height + slope * along; }
  /// How far a plane is above it, at a distance.
  [[nodiscard]] double under(const Plane& plane, double along) const { return plane.at(from + d * along) - z(along); }
};

/// Where along a ray it meets the ceiling from below, beyond the glass: at a plane, or at the face of a step.
double ceilingAlong(const RoomHeights& heights, const Ray& ray, double glass) {
  std::vector<double> edges{glass, kFar};
  for (std::size_t i = 0; i + 1 < heights.parts.size(); ++i) {
    const Polygon& outline = heights.parts[i].outline;
    for (std::size_t k = 0; k < outline.size(); ++k) {
      const Vec2 a = outline[k] - ray.from, b = edgeEnd(outline, k) - ray.from;
      const double sa = cross(ray.d, a), sb = cross(ray.d, b);
      if ((sa > 0) == (sb > 0)) continue;
      if (const double along = dot(a + (b - a) * (sa / (sa - sb)), ray.d); along > glass) edges.push_back(along);
    }
  }
  std::sort(edges.begin(), edges.end());
  for (std::size_t i = 0; i + 1 < edges.size(); ++i) {
    const double from = edges[i], to = edges[i + 1], middle = i + 2 < edges.size() ? (from + to) / 2 : from + 1;
    const Plane& plane = heights.partAt(ray.from + ray.d * middle).plane;
    const double before = ray.under(plane, from), after = ray.under(plane, to);
    if (before <= 0) return from;
    if (after <= 0) return from + (to - from) * (before / (before - after));
  }
  return kFar;
}

/// The first thing along a unit direction.
Met firstAlong(const Sight& sight, const std::vector<MetPart>& parts, Vec2 d, const RoomHeights& heights) {
  Met met;
  const double onward = dot(d, sight.inward);
  const Ray ray{sight.eye, d, sight.height, (sight.at - sight.height) * onward / sight.off};
  const double glass = sight.off / onward;
  if (const double up = ceilingAlong(heights, ray, glass); up < met.along) met = {Met::kCeiling, up};
  const double above = -ray.under(heights.floor, glass), later = -ray.under(heights.floor, kFar);
  if (above <= 0) met = {Met::kFloor, glass};  // the glass hangs under the floor: nothing is seen
  else if (later < 0)
    if (const double down = glass + (kFar - glass) * (above / (above - later)); down < met.along)
      met = {Met::kFloor, down};
  for (const MetPart& part : parts) {
    const std::size_t n = part.points.size(), edges = n == 2 ? 1 : n;
    for (std::size_t i = 0; i < edges; ++i) {
      const Vec2 a = part.points[i], b = part.points[(i + 1) % n];
      const double sa = cross(d, a), sb = cross(d, b);
      if ((sa > 0) == (sb > 0) && sa != 0 && sb != 0) continue;
      const double along = sa == sb ? std::min(dot(a, d), dot(b, d)) : dot(a + (b - a) * (sa / (sa - sb)), d);
      if (along > kHair && along < met.along - kHair) met = {part.thing, along};
    }
  }
  return met;
}

/// Whether a body is met on its back: its +y side in its own frame.
bool metOnBack(const Meetable& m, Vec2 point) {
  if (!m.back) return false;
  return std::abs(dot(point - m.back->first, m.back->second)) < 1;
}

}  // namespace

Reflected reflectedIn(const PieceIndex& pieces, const Room& room, const Scheme& scheme) {
  Reflected reflected{{}, heightsOf(room)};
  const RoomHeights& heights = reflected.heights;
  std::vector<Meetable>& out = reflected.things;
  for (const Occluder& o : occludersIn(pieces, room, scheme))
    if (o.wall) out.push_back({o.shape, o.bottom, o.top, o.owner, MetKind::Wall, std::nullopt});
  for (const Opening& o : room.openings)
    if (const auto wall = findWall(room, o.wall)) {
      const Vec2 from = wall->start + wall->along() * o.offset;
      out.push_back({Convex{{from, from + wall->along() * o.width}, 0}, o.sill, o.head(), o.id.value, MetKind::Opening,
                     std::nullopt});
    }
  for (const Feature& f : room.features) {
    if (!f.height || f.kind == FeatureKind::Niche) continue;
    const double bottom = f.base.value_or(0);
    for (const Convex& part : convexParts(f.outline))
      out.push_back({part, bottom, bottom + *f.height, f.id.value, MetKind::Feature, std::nullopt});
  }
  for (const Placement& p : scheme.placements) {
    const Piece& piece = pieces.of(p);
    if (const auto* hung = onWall(p.on)) {
      const auto wall = findWall(room, hung->wall);
      if (!wall) continue;
      const WallRect r = wallRectOf(piece, *hung);
      const double deep = piece.depth.value_or(kUsualFrameDepth);
      const Vec2 a = onWall(*wall, r.right), b = onWall(*wall, r.left), in = wall->inward() * deep;
      out.push_back({Convex{{a, b, b + in, a + in}, 0}, r.bottom, r.top, p.id.value,
                     mountOf(piece) ? MetKind::Light : MetKind::Hung, std::nullopt});
      continue;
    }
    if (const auto* up = onCeiling(p.on)) {
      const double underside = heights.ceilingAt(up->at) - up->drop;
      if (up->drop > 0 && piece.depth)
        for (const Convex& part : footprint(piece, {up->at, up->turn}))
          out.push_back({part, underside, underside + std::min(up->drop, piece.height.value_or(0)), p.id.value,
                         MetKind::Light, std::nullopt});
      continue;
    }
    const auto there = standsAt(scheme, p);
    const double high = highestOf(piece).value_or(0);
    if (!there || isRug(piece.kind) || high <= 0 || standsInBay(scheme, p)) continue;
    double base = 0;
    for (const Placement* under = &p; under != nullptr;) {
      const auto carrier = carrierOf(under->on);
      under = carrier ? findPlacement(scheme, *carrier) : nullptr;
      if (under != nullptr) base += pieces.of(*under).height.value_or(0);
    }
    const Vec2 backward = rotated({0, 1}, turnOf(there->turn));
    const std::pair<Vec2, Vec2> back{there->at + backward * (piece.depth.value_or(piece.width) / 2), backward};
    const bool round = piece.shape == Shape::Round || piece.shape == Shape::Oval;
    for (const Convex& part : footprint(piece, *there))
      out.push_back({part, base + std::min(high, piece.legs->height.value_or(0)), base + high, p.id.value,
                     mountOf(piece) ? MetKind::Light : MetKind::Placement, round ? std::nullopt : std::optional(back)});
  }
  return reflected;
}

std::optional<Glass> glassOf(const PieceIndex& pieces, const Room& room, const Placement& p) {
  const auto* hung = onWall(p.on);
  const auto wall = hung != nullptr ? findWall(room, hung->wall) : std::nullopt;
  if (!wall) return std::nullopt;
  const WallRect shown = shownRect(pieces.of(p), *hung);
  return Glass{onWall(*wall, shown.left), onWall(*wall, shown.right), wall->inward(), shown.centreHeight(), p.id.value,
               wallKey(wall->id)};
}

std::vector<Shown> shownIn(const Glass& glass, const Eye& eye, const Reflected& room, const std::string& ownSeat) {
  const std::vector<Meetable>& things = room.things;
  const auto sight = sightOf(glass, eye);
  if (!sight) return {};
  const std::vector<MetPart> parts = partsOf(*sight, glass, things, ownSeat);
  // Angles from the direction of the glass's first end, always turning the same way.
  const Vec2 first = unit(glass.a - sight->eye), second = unit(glass.b - sight->eye);
  const double hand = cross(first, second) > 0 ? 1 : -1;
  const auto angleOf = [&](Vec2 p) { return hand * std::atan2(cross(first, p), dot(first, p)); };
  const double whole = angleOf(second);
  std::vector<double> at{0, whole};
  const auto addCorner = [&](Vec2 fromEye) {
    if (const double angle = angleOf(fromEye); angle > 0 && angle < whole) at.push_back(angle);
  };
  for (const MetPart& part : parts)
    for (const Vec2 p : part.points) addCorner(p);
  for (const CeilingPart& part : room.heights.parts)
    for (const Vec2 p : part.outline) addCorner(p - sight->eye);
  std::sort(at.begin(), at.end());

  using Key = std::pair<std::size_t, bool>;
  std::map<Key, double> sums;
  const auto towards = [&](double angle) {
    return first * std::cos(angle) + Vec2{-first.y, first.x} * (hand * std::sin(angle));
  };
  const auto metAt = [&](double angle) {
    const Vec2 d = towards(angle);
    const Met met = firstAlong(*sight, parts, d, room.heights);
    const bool back = met.thing < things.size() && metOnBack(things[met.thing], sight->eye + d * met.along);
    return Key{met.thing, back};
  };
  // Between two corners one thing is met, unless two cross there: then the stretch is halved until that is small.
  const auto add = [&](const auto& self, double from, double to, int depth) -> void {
    const double width = to - from;
    if (width <= 0) return;
    const Key middle = metAt(from + width / 2);
    if (depth > 0 && (metAt(from + width * 1e-3) != middle || metAt(to - width * 1e-3) != middle)) {
      self(self, from, from + width / 2, depth - 1);
      self(self, from + width / 2, to, depth - 1);
      return;
    }
    sums[middle] += width;
  };
  constexpr int kHalvings = 24;
  for (std::size_t i = 0; i + 1 < at.size(); ++i) add(add, at[i], at[i + 1], kHalvings);

  std::map<std::pair<std::string, bool>, Shown> byId;
  for (const auto& [key, angle] : sums) {
    Shown one;
    one.back = key.second;
    one.share = angle / whole;
    if (key.first == Met::kFloor || key.first == Met::kNothing) one.id = "floor", one.kind = MetKind::Floor;
    else if (key.first == Met::kCeiling) one.id = "ceiling", one.kind = MetKind::Ceiling;
    else one.id = things[key.first].id, one.kind = things[key.first].kind;
    auto& sum = byId[{one.id, one.back}];
    one.share += sum.share;
    sum = one;
  }
  std::vector<Shown> out;
  for (auto& [key, one] : byId) out.push_back(std::move(one));
  return out;
}

std::vector<Vec2> raysThrough(const Glass& glass, const Eye& eye, const Reflected& room, const std::string& ownSeat) {
  const auto sight = sightOf(glass, eye);
  if (!sight) return {};
  const std::vector<MetPart> parts = partsOf(*sight, glass, room.things, ownSeat);
  std::vector<Vec2> out;
  for (const Vec2 end : {glass.a, glass.b}) {
    const Vec2 d = unit(end - sight->eye);
    out.push_back(sight->eye + d * std::min(firstAlong(*sight, parts, d, room.heights).along, 20'000.0));
  }
  return out;
}

}  // namespace mezzet
