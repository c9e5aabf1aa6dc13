#include "core/survey/rows.h"

#include <algorithm>
#include <numbers>

namespace mezzet {
namespace {

constexpr double kDegrees = 180 / std::numbers::pi;
/// Corners nearer than this have no direction between them; it keeps derivatives finite.
constexpr double kLeastLength = 1e-3;

}  // namespace

double insideAngle(const Polygon& p, std::size_t i) {
  const std::size_t n = p.size();
  const Vec2 out = p[(i + 1) % n] - p[i], back = p[(i + n - 1) % n] - p[i];
  const double degrees = std::atan2(cross(out, back), dot(out, back)) * kDegrees;
  return degrees < 0 ? degrees + 360 : degrees;
}

double wouldRead(const Observation& o, const Polygon& corners) {
  if (o.isAngular()) return insideAngle(corners, o.from);
  if (o.isLength()) return distance(corners[o.from], corners[o.to]);
  const Vec2 start = corners[o.to], along = unit(corners[(o.to + 1) % corners.size()] - start);
  return std::abs(cross(along, corners[o.from] - start));
}

bool isMeasured(const Network& net, std::size_t a, std::size_t b) {
  return std::any_of(net.observations.begin(), net.observations.end(), [&](const Observation& o) {
    return o.isLength() && ((o.from == a && o.to == b) || (o.from == b && o.to == a));
  });
}

std::vector<Held> heldOf(const Network& net) {
  if (!net.held.empty()) return net.held;
  std::vector<Held> held(net.corners);
  if (net.corners > 0) held[0] = {true, true, {}};
  if (net.corners > 1) held[1] = {false, true, {}};
  return held;
}

Gradient lengthGradient(std::size_t a, std::size_t b, const Polygon& corners) {
  Gradient g;
  const Vec2 d = corners[b] - corners[a];
  const double length = norm(d);
  const Vec2 u = length > kLeastLength ? d * (1 / length) : Vec2{1, 0};
  g.add(2 * a, -u.x);
  g.add(2 * a + 1, -u.y);
  g.add(2 * b, u.x);
  g.add(2 * b + 1, u.y);
  return g;
}

namespace {

/// Of the distance of a point from the line of a wall: the point moves square to it, the wall's ends by their lever.
Gradient offsetGradient(const Observation& o, const Polygon& corners) {
  const std::size_t n = corners.size(), a = o.to, b = (o.to + 1) % n;
  const Vec2 wall = corners[b] - corners[a];
  const double length = std::max(norm(wall), kLeastLength);
  const Vec2 along = wall * (1 / length), off = corners[o.from] - corners[a];
  const double side = cross(along, off) < 0 ? -1 : 1, share = dot(off, along) / length;
  const Vec2 square = leftOf(along) * side;
  Gradient g;
  g.add(2 * o.from, square.x);
  g.add(2 * o.from + 1, square.y);
  g.add(2 * a, -square.x * (1 - share));
  g.add(2 * a + 1, -square.y * (1 - share));
  g.add(2 * b, -square.x * share);
  g.add(2 * b + 1, -square.y * share);
  return g;
}

}  // namespace

Gradient gradientOf(const Observation& o, const Polygon& corners) {
  if (o.isLength()) return lengthGradient(o.from, o.to, corners);
  if (o.kind == ObservationKind::Offset) return offsetGradient(o, corners);
  // inside = direction to the corner before - direction to the corner after
  const std::size_t n = corners.size(), next = (o.from + 1) % n, before = (o.from + n - 1) % n;
  const Vec2 at = corners[o.from];
  const auto turning = [&](Vec2 to) {
    const Vec2 d = to - at;
    const double square = std::max(dot(d, d), kLeastLength * kLeastLength);
    return Vec2{-d.y / square, d.x / square} * kDegrees;  // of the direction, as `to` moves
  };
  const Vec2 a = turning(corners[before]), b = turning(corners[next]);
  Gradient g;
  g.add(2 * before, a.x);
  g.add(2 * before + 1, a.y);
  g.add(2 * next, -b.x);
  g.add(2 * next + 1, -b.y);
  g.add(2 * o.from, b.x - a.x);
  g.add(2 * o.from + 1, b.y - a.y);
  return g;
}

double product(const Gradient& g, const std::vector<double>& covariance, std::size_t columns, const Gradient& h) {
  double sum = 0;
  for (std::size_t i = 0; i < g.size; ++i)
    for (std::size_t j = 0; j < h.size; ++j)
      sum += g.terms[i].second * h.terms[j].second * covariance[g.terms[i].first * columns + h.terms[j].first];
  return sum;
}

}  // namespace mezzet
