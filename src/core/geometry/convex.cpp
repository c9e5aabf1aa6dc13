#include "core/geometry/convex.h"

#include <algorithm>
#include <cmath>
#include <limits>

#include "core/geometry/polygon.h"

namespace mezzet {
namespace {

/// Faces whose directions differ by less than this (sine) count as parallel when the witness points are centred.
constexpr double kParallel = 1e-9;
/// Cores closer than this have no reliable direction between them; the separating axis is used instead.
constexpr double kTouchingCores = 1e-9;

struct Span {
  double low, high;
};

Span spanOf(const std::vector<Vec2>& points, Vec2 axis) {
  Span s{dot(points[0], axis), dot(points[0], axis)};
  for (std::size_t i = 1; i < points.size(); ++i) {
    const double d = dot(points[i], axis);
    s.low = std::min(s.low, d);
    s.high = std::max(s.high, d);
  }
  return s;
}

std::size_t edgeCount(const std::vector<Vec2>& core) { return core.size() < 2 ? 0 : core.size(); }
/// Outward normal of edge i; a segment has two edges, one for each side.
Vec2 outward(const std::vector<Vec2>& core, std::size_t i) { return -leftOf(unit(edgeEnd(core, i) - core[i])); }

struct Axis {
  double separation = -std::numeric_limits<double>::infinity();  // > 0 apart along normal
  Vec2 normal;                                                   // from the owner of the face towards the other
};

/// Best separating axis among the face normals of `a`.
Axis bestFace(const std::vector<Vec2>& a, const std::vector<Vec2>& b) {
  Axis best;
  for (std::size_t i = 0; i < edgeCount(a); ++i) {
    const Vec2 n = outward(a, i);
    const double s = spanOf(b, n).low - dot(a[i], n);
    if (s > best.separation) best = {s, n};
  }
  return best;
}

struct Nearest {
  double squared = std::numeric_limits<double>::infinity();
  Vec2 a, b;
};

/// Distance of two disjoint convex cores: always between a vertex of one and an edge of the other.
void nearestVertexToEdge(const std::vector<Vec2>& from, const std::vector<Vec2>& to, bool swapped, Nearest& best) {
  for (const Vec2 p : from) {
    const std::size_t edges = to.size() <= 2 ? 1 : to.size();  // a segment is one edge, a point none longer than itself
    for (std::size_t i = 0; i < edges; ++i) {
      const Vec2 q = nearestOnSegment(p, to[i], edgeEnd(to, i));
      const double d = dot(p - q, p - q);
      if (d < best.squared) best = swapped ? Nearest{d, q, p} : Nearest{d, p, q};
    }
  }
}

/// The part of `core` that lies furthest along `n`, as a span along `t`, with its depth along n.
struct Face {
  double depth;
  Span along;
};
Face supportFace(const std::vector<Vec2>& core, Vec2 n, Vec2 t) {
  Face f{-std::numeric_limits<double>::infinity(), {0, 0}};
  double size = 1;
  for (const Vec2 p : core) {
    f.depth = std::max(f.depth, dot(p, n));
    size = std::max({size, std::abs(p.x), std::abs(p.y)});
  }
  bool first = true;
  for (const Vec2 p : core) {
    if (dot(p, n) < f.depth - kParallel * size * 10) continue;
    const double s = dot(p, t);
    f.along = first ? Span{s, s} : Span{std::min(f.along.low, s), std::max(f.along.high, s)};
    first = false;
  }
  return f;
}

/// Witness points on the two support faces along n (unit, from a towards b), centred on what faces each other.
struct Witnesses {
  Vec2 a, b;
  bool facing;  // the faces overlap sideways; else a and b are not on the bodies
};
Witnesses centred(const std::vector<Vec2>& a, const std::vector<Vec2>& b, Vec2 n) {
  const Vec2 t = leftOf(n);
  const Face fa = supportFace(a, n, t), fb = supportFace(b, -n, t);
  const double low = std::max(fa.along.low, fb.along.low), high = std::min(fa.along.high, fb.along.high);
  const double s = (low + high) / 2;
  return {n * fa.depth + t * s, n * -fb.depth + t * s, low <= high};
}

/// The outline of all b - a as a convex polygon (anticlockwise), in the axes x and y: both outlines' edges in the order
/// of their directions.
std::vector<Vec2> difference(const std::vector<Vec2>& b, const std::vector<Vec2>& a, Vec2 x, Vec2 y) {
  const auto lowest = [](std::vector<Vec2> p) {
    const auto first =
        std::min_element(p.begin(), p.end(), [](Vec2 l, Vec2 r) { return l.y < r.y || (l.y == r.y && l.x < r.x); });
    std::rotate(p.begin(), first, p.end());
    return p;
  };
  std::vector<Vec2> p, q;
  for (const Vec2 v : b) p.push_back({dot(v, x), dot(v, y)});
  for (const Vec2 v : a) q.push_back({-dot(v, x), -dot(v, y)});
  p = lowest(std::move(p));
  q = lowest(std::move(q));
  std::vector<Vec2> out;
  out.reserve(p.size() + q.size());
  std::size_t i = 0, j = 0;
  const std::size_t n = p.size() < 2 ? 0 : p.size(), m = q.size() < 2 ? 0 : q.size();
  while (i < n || j < m) {
    out.push_back(p[i % p.size()] + q[j % q.size()]);
    const double turn = i >= n ? -1 : j >= m ? 1 : cross(edgeEnd(p, i) - p[i], edgeEnd(q, j) - q[j]);
    if (turn >= 0) ++i;
    if (turn <= 0) ++j;
  }
  if (out.empty()) out.push_back(p[0] + q[0]);
  return out;
}

Separation fromCores(const Convex& a, const Convex& b, double coreGap, Vec2 n, Vec2 pa, Vec2 pb) {
  return {coreGap - a.radius - b.radius, pa + n * a.radius, pb - n * b.radius};
}

}  // namespace

Box boundsOf(std::span<const Vec2> points) {
  Box box{points.front(), points.front()};
  for (const Vec2 p : points) {
    box.low = {std::min(box.low.x, p.x), std::min(box.low.y, p.y)};
    box.high = {std::max(box.high.x, p.x), std::max(box.high.y, p.y)};
  }
  return box;
}

Box boundsOf(const Convex& body) {
  const Span x = spanOf(body.core, {1, 0}), y = spanOf(body.core, {0, 1});
  return {{x.low - body.radius, y.low - body.radius}, {x.high + body.radius, y.high + body.radius}};
}

Box boundsOf(const Parts& parts) {
  Box all = boundsOf(parts.front());
  for (const Convex& part : parts) {
    const Box box = boundsOf(part);
    all.low = {std::min(all.low.x, box.low.x), std::min(all.low.y, box.low.y)};
    all.high = {std::max(all.high.x, box.high.x), std::max(all.high.y, box.high.y)};
  }
  return all;
}

bool furtherApart(const Box& a, const Box& b, double cap) {
  const double dx = std::max(a.low.x - b.high.x, b.low.x - a.high.x),
               dy = std::max(a.low.y - b.high.y, b.low.y - a.high.y);
  if (dx > cap || dy > cap) return true;
  return dx > 0 && dy > 0 && dx * dx + dy * dy > cap * cap;
}

Separation separation(const Parts& a, const Parts& b) {
  Separation best{std::numeric_limits<double>::infinity(), {}, {}};
  for (const Convex& p : a)
    for (const Convex& q : b)
      if (const Separation s = separation(p, q); s.gap < best.gap) best = s;
  return best;
}

Separation separation(const Convex& a, const Convex& b) {
  const Axis fromA = bestFace(a.core, b.core);
  Axis fromB = bestFace(b.core, a.core);
  fromB.normal = -fromB.normal;
  const Axis axis = fromA.separation >= fromB.separation ? fromA : fromB;

  Nearest near;
  // Two segments on one line have no separating face normal, so face tests alone would call them overlapping:
  // bodies without area always go through the distances.
  const bool areas = a.core.size() > 2 || b.core.size() > 2;
  if (axis.separation > 0 || !areas) {
    nearestVertexToEdge(a.core, b.core, false, near);
    nearestVertexToEdge(b.core, a.core, true, near);
  }
  if (near.squared < std::numeric_limits<double>::infinity() && near.squared > kTouchingCores * kTouchingCores) {
    const double d = std::sqrt(near.squared);
    const Vec2 n = (near.b - near.a) * (1 / d);
    const Witnesses w = centred(a.core, b.core, n);
    return w.facing ? fromCores(a, b, d, n, w.a, w.b) : fromCores(a, b, d, n, near.a, near.b);
  }
  if (edgeCount(a.core) == 0 && edgeCount(b.core) == 0)  // two circles with one centre: any direction parts them
    return fromCores(a, b, 0, {1, 0}, a.core[0], b.core[0]);
  // Overlapping or touching: the least push is along one of the faces of the Minkowski difference.
  const Witnesses w = centred(a.core, b.core, axis.normal);
  return fromCores(a, b, std::min(axis.separation, 0.0), axis.normal, w.a, w.b);
}

std::optional<double> slideUntilTouch(const Convex& moving, const Convex& fixed, Vec2 along, double graze) {
  // A ray from the origin against the Minkowski difference fixed - moving, grown by both radii.
  const double radius = moving.radius + fixed.radius;
  const Vec2 t = leftOf(along);
  const std::vector<Vec2> points = difference(fixed.core, moving.core, along, t);
  double low = points[0].y, high = points[0].y;
  for (const Vec2 p : points) {
    low = std::min(low, p.y);
    high = std::max(high, p.y);
  }
  if (low - radius > -graze || high + radius < graze) return std::nullopt;

  // Where the line y = 0 enters and leaves the difference: over its edges, moved out by the radius, and its circles.
  double enter = std::numeric_limits<double>::infinity(), leave = -enter;
  const auto hit = [&](double x) {
    enter = std::min(enter, x);
    leave = std::max(leave, x);
  };
  for (const Vec2 p : points)
    if (std::abs(p.y) <= radius) {
      const double half = std::sqrt(std::max(0.0, radius * radius - p.y * p.y));
      hit(p.x - half);
      hit(p.x + half);
    }
  for (std::size_t i = 0; i < points.size(); ++i) {
    const Vec2 d = edgeEnd(points, i) - points[i];
    const double length = norm(d);
    if (length <= 0) continue;
    for (const double side : {radius, -radius}) {
      const Vec2 n = leftOf(d) * (side / length);
      const Vec2 p = points[i] + n, q = edgeEnd(points, i) + n;
      if ((p.y < 0) != (q.y < 0)) hit(p.x + (q.x - p.x) * (-p.y / (q.y - p.y)));
      if (radius == 0) break;
    }
  }
  if (enter > leave) return std::nullopt;
  if (enter >= 0) return enter;
  // Overlapping now: it counts for this direction only if going back is the shorter way out.
  if (leave > 0 && -enter < leave) return enter;
  return std::nullopt;
}

std::optional<std::pair<double, double>> stretchWithin(const Convex& body, Vec2 a, Vec2 b) {
  double from = 0, to = 1;
  if (body.radius > 0) {
    const Vec2 d = b - a, c = a - body.core[0];
    const double dd = dot(d, d), half = dot(c, d), rest = dot(c, c) - body.radius * body.radius;
    if (dd == 0) return rest < 0 ? std::optional(std::pair{0.0, 1.0}) : std::nullopt;
    const double root = half * half - dd * rest;
    if (root <= 0) return std::nullopt;
    from = std::max(from, (-half - std::sqrt(root)) / dd);
    to = std::min(to, (-half + std::sqrt(root)) / dd);
  } else {
    const std::size_t n = body.core.size();
    if (n < 3) return std::nullopt;
    for (std::size_t i = 0; i < n && from < to; ++i) {
      const Vec2 p = body.core[i], edge = body.core[i + 1 < n ? i + 1 : 0] - p;
      const double fa = cross(edge, a - p), fb = cross(edge, b - p);  // the inside is to the left
      if (fa <= 0 && fb <= 0) return std::nullopt;
      if (fa < 0) from = std::max(from, fa / (fa - fb));
      else if (fb < 0) to = std::min(to, fa / (fa - fb));
    }
  }
  return from < to ? std::optional(std::pair{from, to}) : std::nullopt;
}

}  // namespace mezzet
