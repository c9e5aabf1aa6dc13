#include "core/geometry/polygon.h"

#include <algorithm>
#include <cmath>
#include <limits>
#include <utility>

#include "core/geometry/convex.h"

namespace mezzet {
namespace {

/// Corners typed in sixteenths meet exactly; anything nearer than this is meant to touch.
constexpr double kMeet = 0.01;

bool segmentsMeet(Vec2 a, Vec2 b, Vec2 c, Vec2 d) {
  const double d1 = cross(b - a, c - a), d2 = cross(b - a, d - a), d3 = cross(d - c, a - c), d4 = cross(d - c, b - c);
  if (((d1 > 0) != (d2 > 0)) && ((d3 > 0) != (d4 > 0))) return true;
  return distance(c, nearestOnSegment(c, a, b)) < kMeet || distance(d, nearestOnSegment(d, a, b)) < kMeet ||
         distance(a, nearestOnSegment(a, c, d)) < kMeet || distance(b, nearestOnSegment(b, c, d)) < kMeet;
}

}  // namespace

double signedArea(const Polygon& polygon) {
  double twice = 0;
  for (std::size_t i = 0; i < polygon.size(); ++i) twice += cross(edgeStart(polygon, i), edgeEnd(polygon, i));
  return twice / 2;
}

Vec2 meanOf(const std::vector<Vec2>& points) {
  Vec2 middle;
  for (const Vec2 p : points) middle += p * (1.0 / static_cast<double>(points.size()));
  return middle;
}

Vec2 centroidOf(const Polygon& polygon) {
  Vec2 middle;
  double area = 0;
  for (std::size_t i = 0; i < polygon.size(); ++i) {
    const double part = cross(polygon[i], edgeEnd(polygon, i));
    area += part;
    middle += (polygon[i] + edgeEnd(polygon, i)) * part;
  }
  return std::abs(area) > 1 ? middle * (1 / (3 * area)) : polygon.front();
}

bool contains(const Polygon& polygon, Vec2 point) {
  bool inside = false;
  for (std::size_t i = 0; i < polygon.size(); ++i) {
    const Vec2 a = edgeStart(polygon, i), b = edgeEnd(polygon, i);
    if (distance(point, nearestOnSegment(point, a, b)) < kMeet) return true;
    if ((a.y > point.y) != (b.y > point.y) && point.x < a.x + (b.x - a.x) * (point.y - a.y) / (b.y - a.y))
      inside = !inside;
  }
  return inside;
}

double distanceToEdge(const Polygon& polygon, Vec2 point) {
  double best = std::numeric_limits<double>::infinity();
  for (std::size_t i = 0; i < polygon.size(); ++i)
    best = std::min(best, distance(point, nearestOnSegment(point, edgeStart(polygon, i), edgeEnd(polygon, i))));
  return best;
}

bool isReflex(const Polygon& polygon, std::size_t i) {
  const Vec2 before = polygon[(i + polygon.size() - 1) % polygon.size()];
  return cross(polygon[i] - before, edgeEnd(polygon, i) - polygon[i]) < 0;
}

std::optional<std::pair<std::size_t, std::size_t>> selfCrossing(const Polygon& polygon) {
  const std::size_t n = polygon.size();
  for (std::size_t i = 0; i < n; ++i)
    for (std::size_t j = i + 1; j < n; ++j) {
      const Vec2 a = edgeStart(polygon, i), b = edgeEnd(polygon, i), c = edgeStart(polygon, j), d = edgeEnd(polygon, j);
      const bool next = j == i + 1, wraps = i == 0 && j == n - 1;
      if (next || wraps) {
        // Neighbours share a corner; they are wrong only when one folds back over the other.
        const Vec2 in = next ? b - a : d - c, out = next ? d - c : b - a;
        if (std::abs(cross(unit(in), unit(out))) < 1e-9 && dot(in, out) < 0) return {{i, j}};
        continue;
      }
      if (segmentsMeet(a, b, c, d)) return {{i, j}};
    }
  return std::nullopt;
}

Polygon rotated(Polygon polygon, Turn turn) {
  for (Vec2& p : polygon) p = rotated(p, turn);
  return polygon;
}

Polygon hullOf(std::vector<Vec2> points) {
  std::sort(points.begin(), points.end(), [](Vec2 a, Vec2 b) { return std::pair(a.x, a.y) < std::pair(b.x, b.y); });
  points.erase(std::unique(points.begin(), points.end()), points.end());
  if (points.size() < 3) return points;
  // The lower chain from left to right, then the upper one back (monotone chain, Andrew 1979).
  Polygon hull;
  const auto chain = [&](auto from, auto to, std::size_t base) {
    for (; from != to; ++from) {
      while (hull.size() >= base + 2 && cross(hull.back() - hull[hull.size() - 2], *from - hull.back()) <= 0)
        hull.pop_back();
      hull.push_back(*from);
    }
    hull.pop_back();
  };
  chain(points.begin(), points.end(), 0);
  chain(points.rbegin(), points.rend(), hull.size());
  return hull;
}

}  // namespace mezzet
