#include "core/rugs/template_rug.h"

#include <algorithm>
#include <cmath>

#include "core/geometry/offset.h"
#include "core/model/kinds.h"

namespace mezzet {
namespace {

constexpr int kRoundSides = 24;        // a round piece's hull: its template is cut to a tangent polygon
constexpr double kLeastSquare = 0.35;  // sine of the least angle between two walls that set out one corner

std::vector<Vec2> cornersAround(const Parts& body) {
  std::vector<Vec2> out;
  for (const Convex& part : body) {
    if (part.radius <= 0) {
      out.insert(out.end(), part.core.begin(), part.core.end());
      continue;
    }
    const double grow = 1 / std::cos(std::acos(-1.0) / kRoundSides);
    for (const Vec2 p : part.core)
      for (int i = 0; i < kRoundSides; ++i) {
        const double angle = 360.0 * i / kRoundSides;
        out.push_back(p + rotated({part.radius * grow, 0}, turnOf(angle)));
      }
  }
  return out;
}

/// Corners nearer than kNearCorners are one, in the middle between them.
Polygon merged(Polygon polygon) {
  for (std::size_t i = 0; polygon.size() > 3 && i < polygon.size();) {
    const std::size_t next = i + 1 == polygon.size() ? 0 : i + 1;
    if (distance(polygon[i], polygon[next]) >= kNearCorners) {
      ++i;
      continue;
    }
    polygon[i] = midpoint(polygon[i], polygon[next]);
    polygon.erase(polygon.begin() + static_cast<std::ptrdiff_t>(next));
    i = 0;
  }
  return polygon;
}

}  // namespace

Polygon templateRug(const Room& room, const std::vector<Parts>& group) {
  std::vector<Vec2> points;
  for (const Parts& body : group) {
    const auto some = cornersAround(body);
    points.insert(points.end(), some.begin(), some.end());
  }
  if (points.size() < 3) return {};
  std::vector<Polygon> kept;
  for (const Feature& f : room.features)
    if (f.kind == FeatureKind::Hearth)
      for (Polygon& zone : grownSquare(f.outline, f.clear.value_or(kHearthClear))) kept.push_back(std::move(zone));
  std::vector<Polygon> beyond;
  for (const Polygon& p : grownSquare(hullOf(points), kBeyondGroup)) beyond.push_back(p);
  const std::vector<Polygon> inside = grownSquare(outlineOf(room), -kOffWalls);
  const std::vector<Area> cut = without(outlinesOf(within(beyond, inside)), kept);
  const auto largest =
      std::max_element(cut.begin(), cut.end(), [](const Area& a, const Area& b) { return sizeOf(a) < sizeOf(b); });
  return largest == cut.end() ? Polygon{} : merged(largest->outer);
}

Piece templatePiece(const Polygon& inPlan, FloorPlace& at) {
  const Box box = boundsOf(std::span<const Vec2>(inPlan));
  at = {midpoint(box.low, box.high), 0};
  Piece piece = usualPiece(kFloorRug);
  piece.name = "Rug to a template";
  piece.shape = Shape::Rect;
  piece.width = box.high.x - box.low.x;
  piece.depth = box.high.y - box.low.y;
  for (const char* cut : {"width", "depth"}) piece.doubts.erase(cut);
  for (const Vec2 p : inPlan) piece.rug.edit().outline.push_back(p - at.at);
  return piece;
}

RugTemplate templateOf(const Room& room, const Polygon& inPlan) {
  RugTemplate out;
  const std::vector<Wall> walls = wallsOf(room);
  for (const Vec2 p : inPlan) {
    SetOutCorner corner{p, {}};
    std::vector<std::pair<FromWall, Vec2>> facing;
    for (const Wall& wall : walls) {
      const double s = dot(p - wall.start, wall.along()), off = dot(p - wall.start, wall.inward());
      if (off < 0 || s < 0 || s > wall.length()) continue;
      facing.push_back({{wall.id, off, wall.start + wall.along() * s}, wall.along()});
    }
    std::sort(facing.begin(), facing.end(), [](const auto& a, const auto& b) { return a.first.off < b.first.off; });
    for (std::size_t i = 1; i < facing.size() && corner.from.empty(); ++i)
      if (std::abs(cross(facing[0].second, facing[i].second)) > kLeastSquare)
        corner.from = {facing[0].first, facing[i].first};
    if (corner.from.empty() && !facing.empty()) corner.from = {facing[0].first};
    out.corners.push_back(std::move(corner));
  }
  const std::size_t n = inPlan.size();
  const auto between = [&](std::size_t a, std::size_t b) {
    return RugTemplate::Diagonal{a, b, distance(inPlan[a], inPlan[b])};
  };
  for (std::size_t i = 0; i < n; ++i) {
    out.sides.push_back(between(i, i + 1 == n ? 0 : i + 1));
    out.edge += out.sides.back().length;
  }
  for (std::size_t i = 2; i + 1 < n; ++i) out.diagonals.push_back(between(0, i));
  if (n > 3) out.diagonals.push_back(between(1, 3));
  out.area = std::abs(signedArea(inPlan));
  return out;
}

}  // namespace mezzet
