#include "core/light/cord.h"

#include <algorithm>
#include <cmath>
#include <numbers>

#include "core/model/kinds.h"

namespace mezzet {
namespace {

constexpr double kOff = 0.5;    // corners are rounded so far off, mm
constexpr double kOffWall = 3;  // sockets, before the wall's face
constexpr int kRoundSides = 12;

/// A convex polygon a little smaller all round; none that vanishes.
std::optional<Convex> drawnIn(const Convex& body) {
  Convex out;
  if (body.radius > 0) {
    const double r = (body.radius - kCordBehind) / std::cos(std::numbers::pi / kRoundSides);
    if (r <= 0) return std::nullopt;
    for (int i = 0; i < kRoundSides; ++i) {
      const double t = 2 * std::numbers::pi * i / kRoundSides;
      out.core.push_back(body.core[0] + Vec2{std::cos(t), std::sin(t)} * r);
    }
    return out;
  }
  const std::size_t n = body.core.size();
  if (n < 3) return std::nullopt;
  for (std::size_t i = 0; i < n; ++i) {
    const Vec2 in = unit(body.core[i] - body.core[(i + n - 1) % n]), on = unit(body.core[(i + 1) % n] - body.core[i]);
    const double turn = cross(in, on);
    if (turn <= 1e-9) continue;  // in line
    // Where the two sides, moved in, meet.
    out.core.push_back(body.core[i] + (on - in) * (kCordBehind / turn));
  }
  if (out.core.size() < 3 || signedArea(out.core) <= 0) return std::nullopt;
  return out;
}

bool crossing(Vec2 a, Vec2 b, Vec2 p, Vec2 q) {
  const double s1 = cross(b - a, p - a), s2 = cross(b - a, q - a), t1 = cross(q - p, a - p), t2 = cross(q - p, b - p);
  return ((s1 > 0) != (s2 > 0)) && ((t1 > 0) != (t2 > 0)) && s1 != 0 && s2 != 0 && t1 != 0 && t2 != 0;
}

/// The same where a line of many segments must not be slipped through at one of its corners.
bool across(Vec2 a, Vec2 b, Vec2 p, Vec2 q) {
  const double s1 = cross(b - a, p - a), s2 = cross(b - a, q - a), t1 = cross(q - p, a - p), t2 = cross(q - p, b - p);
  return ((s1 > 0) != (s2 > 0)) && ((t1 > 0) != (t2 > 0));
}

/// Whether a segment runs through the inside of a convex polygon.
bool through(const Convex& body, Vec2 a, Vec2 b) {
  double from = 0, to = 1;
  for (std::size_t i = 0; i < body.core.size(); ++i) {
    const Vec2 p = body.core[i], edge = unit(body.core[(i + 1) % body.core.size()] - p);
    const double fa = cross(edge, a - p) - kOff / 2, fb = cross(edge, b - p) - kOff / 2;
    if (fa < 0 && fb < 0) return false;
    if (fa < 0) from = std::max(from, fa / (fa - fb));
    else if (fb < 0) to = std::min(to, fa / (fa - fb));
    if (from >= to) return false;
  }
  return true;
}

bool sees(const CordFloor& floor, Vec2 a, Vec2 b) {
  for (std::size_t i = 0; i < floor.outline.size(); ++i)
    if (crossing(a, b, edgeStart(floor.outline, i), edgeEnd(floor.outline, i))) return false;
  for (const std::vector<Vec2>& way : floor.notAcross)
    for (std::size_t i = 0; i + 1 < way.size(); ++i)
      if (across(a, b, way[i], way[i + 1])) return false;
  return std::none_of(floor.bodies.begin(), floor.bodies.end(),
                      [&](const Convex& body) { return through(body, a, b); });
}

/// How far along a ray from a towards b the rim is left.
double insideRim(const Parts& rim, Vec2 a, Vec2 b) {
  const double whole = distance(a, b);
  double low = 0, high = whole;
  const auto in = [&](double at) { return covers(rim, a + (b - a) * (at / whole)); };
  if (whole < 1e-6 || !in(0)) return 0;
  if (in(high)) return whole;
  for (int i = 0; i < 40; ++i) (in((low + high) / 2) ? low : high) = (low + high) / 2;
  return low;
}

}  // namespace

CordFloor cordFloor(const PieceIndex& pieces, const Room& room, const Scheme& scheme,
                    const std::vector<PlacementId>& own) {
  CordFloor out;
  out.outline = outlineOf(room);
  const auto add = [&](const Parts& parts) {
    for (const Convex& part : parts)
      if (auto smaller = drawnIn(part)) out.bodies.push_back(std::move(*smaller));
  };
  for (const Placement& p : scheme.placements) {
    const auto* place = onFloor(p.on);
    if (place == nullptr || std::find(own.begin(), own.end(), p.id) != own.end()) continue;
    const Piece& piece = pieces.of(p);
    // Tables stand on legs; what has raised legs lets a cord pass under.
    if (!isRug(piece.kind) && !drawnAsTable(piece.kind) && piece.legs->height.value_or(0) <= 0)
      add(footprint(piece, *place));
  }
  for (const Body& body : featureBodies(room)) add(body.parts);
  for (const WallPoint& p : room.points) {
    if (p.kind != PointKind::Socket) continue;
    const auto wall = p.wall.empty() ? std::nullopt : findWall(room, p.wall);
    if (wall) out.sockets.emplace_back(p.id, wall->start + wall->along() * p.along + wall->inward() * kOffWall);
  }
  return out;
}

std::optional<Cord> shortestCord(const CordFloor& floor, Vec2 from, const Parts& rim) {
  if (floor.sockets.empty()) return std::nullopt;
  std::vector<Vec2> nodes{from};
  for (const auto& [id, at] : floor.sockets) nodes.push_back(at);
  const std::size_t sockets = floor.sockets.size();
  const auto outward = [](Vec2 before, Vec2 at, Vec2 after) { return unit(unit(at - before) - unit(after - at)); };
  const auto corner = [&](Vec2 p) {
    if (distance(p, from) <= kCordSearch && contains(floor.outline, p)) nodes.push_back(p);
  };
  for (const Convex& body : floor.bodies)
    for (std::size_t i = 0, n = body.core.size(); i < n; ++i)
      corner(body.core[i] + outward(body.core[(i + n - 1) % n], body.core[i], body.core[(i + 1) % n]) * kOff);
  for (std::size_t i = 0, n = floor.outline.size(); i < n; ++i)
    if (isReflex(floor.outline, i))
      corner(floor.outline[i] -
             outward(floor.outline[(i + n - 1) % n], floor.outline[i], floor.outline[(i + 1) % n]) * -kOff);
  for (const std::vector<Vec2>& way : floor.notAcross)
    if (way.size() > 1) corner(way.back() + unit(way.back() - way[way.size() - 2]) * kOff);
  // Dijkstra; lines of sight are looked at only where a node is left.
  const std::size_t n = nodes.size();
  std::vector<double> far(n, HUGE_VAL);
  std::vector<std::size_t> by(n, n);
  std::vector<bool> done(n, false);
  far[0] = 0;
  for (;;) {
    std::size_t now = n;
    for (std::size_t i = 0; i < n; ++i)
      if (!done[i] && std::isfinite(far[i]) && (now == n || far[i] < far[now])) now = i;
    if (now == n || far[now] > kCordSearch) return std::nullopt;
    done[now] = true;
    if (now >= 1 && now <= sockets) {
      Cord cord{floor.sockets[now - 1].first, far[now], {}};
      for (std::size_t i = now; i != n; i = by[i]) cord.line.push_back(nodes[i]);
      std::reverse(cord.line.begin(), cord.line.end());
      cord.length -= insideRim(rim, cord.line[0], cord.line[1]);
      return cord;
    }
    for (std::size_t i = 1; i < n; ++i) {
      const double next = far[now] + distance(nodes[now], nodes[i]);
      if (!done[i] && next < far[i] && sees(floor, nodes[now], nodes[i])) {
        far[i] = next;
        by[i] = now;
      }
    }
  }
}

}  // namespace mezzet
