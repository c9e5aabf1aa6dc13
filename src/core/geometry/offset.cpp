#include "core/geometry/offset.h"

#include <clipper.hpp>
#include <cmath>

namespace mezzet {
namespace {

constexpr double kGrid = 1000;  // steps to a millimetre

/// Holes keep their direction: outlinesOf hands them over clockwise.
ClipperLib::Path asItRuns(const Polygon& polygon) {
  ClipperLib::Path path;
  path.reserve(polygon.size());
  for (const Vec2 p : polygon) path.emplace_back(std::llround(p.x * kGrid), std::llround(p.y * kGrid));
  return path;
}
Polygon polygonOf(const ClipperLib::Path& path) {
  Polygon out;
  out.reserve(path.size());
  for (const ClipperLib::IntPoint& p : path)
    out.push_back({static_cast<double>(p.X) / kGrid, static_cast<double>(p.Y) / kGrid});
  return out;
}
ClipperLib::Path toGrid(const Polygon& polygon) {
  ClipperLib::Path path = asItRuns(polygon);
  if (!ClipperLib::Orientation(path)) ClipperLib::ReversePath(path);
  return path;
}
std::vector<Polygon> fromGrid(const ClipperLib::Paths& paths) {
  std::vector<Polygon> out;
  for (const ClipperLib::Path& path : paths)
    if (path.size() > 2) out.push_back(polygonOf(path));
  return out;
}
ClipperLib::Paths cut(const std::vector<Polygon>& polygons, const Polygon& room) {
  ClipperLib::Clipper clipper;
  for (const Polygon& polygon : polygons) clipper.AddPath(toGrid(polygon), ClipperLib::ptSubject, true);
  clipper.AddPath(toGrid(room), ClipperLib::ptClip, true);
  ClipperLib::Paths out;
  clipper.Execute(ClipperLib::ctIntersection, out, ClipperLib::pftNonZero, ClipperLib::pftNonZero);
  return out;
}

std::vector<Area> areasOf(const ClipperLib::PolyTree& tree) {
  std::vector<Area> out;
  for (const ClipperLib::PolyNode* node = tree.GetFirst(); node != nullptr; node = node->GetNext()) {
    if (node->IsHole()) continue;
    Area area{polygonOf(node->Contour), {}};
    for (const ClipperLib::PolyNode* hole : node->Childs) area.holes.push_back(polygonOf(hole->Contour));
    out.push_back(std::move(area));
  }
  return out;
}
std::vector<Area> clipped(ClipperLib::ClipType how, const std::vector<Polygon>& these,
                          const std::vector<Polygon>& those) {
  ClipperLib::Clipper clipper;
  for (const Polygon& polygon : these) clipper.AddPath(asItRuns(polygon), ClipperLib::ptSubject, true);
  for (const Polygon& polygon : those) clipper.AddPath(asItRuns(polygon), ClipperLib::ptClip, true);
  ClipperLib::PolyTree tree;
  clipper.Execute(how, tree, ClipperLib::pftNonZero, ClipperLib::pftNonZero);
  return areasOf(tree);
}

std::vector<Polygon> offsetBy(const Polygon& polygon, double by, ClipperLib::JoinType corners) {
  ClipperLib::ClipperOffset offset(2, 0.1 * kGrid);
  offset.AddPath(toGrid(polygon), corners, ClipperLib::etClosedPolygon);
  ClipperLib::Paths out;
  offset.Execute(out, by * kGrid);
  return fromGrid(out);
}

}  // namespace

double sizeOf(const Area& area) {
  double size = signedArea(area.outer);
  for (const Polygon& hole : area.holes) size += signedArea(hole);
  return size;
}

bool contains(const Area& area, Vec2 point) {
  if (!contains(area.outer, point)) return false;
  for (const Polygon& hole : area.holes)
    if (contains(hole, point) && distanceToEdge(hole, point) > 0) return false;
  return true;
}

std::vector<Area> without(const std::vector<Polygon>& these, const std::vector<Polygon>& those) {
  return clipped(ClipperLib::ctDifference, these, those);
}
std::vector<Area> within(const std::vector<Polygon>& these, const std::vector<Polygon>& those) {
  return clipped(ClipperLib::ctIntersection, these, those);
}

std::vector<Polygon> outlinesOf(const std::vector<Area>& areas) {
  std::vector<Polygon> out;
  for (const Area& area : areas) {
    out.push_back(area.outer);
    out.insert(out.end(), area.holes.begin(), area.holes.end());
  }
  return out;
}

std::vector<Area> grown(const std::vector<Area>& areas, double by, double tolerance) {
  ClipperLib::ClipperOffset offset(2, tolerance * kGrid);
  for (const Polygon& polygon : outlinesOf(areas))
    offset.AddPath(asItRuns(polygon), ClipperLib::jtRound, ClipperLib::etClosedPolygon);
  ClipperLib::PolyTree tree;
  offset.Execute(tree, by * kGrid);
  return areasOf(tree);
}

std::vector<Polygon> grown(const Polygon& polygon, double by) { return offsetBy(polygon, by, ClipperLib::jtRound); }

std::vector<Polygon> grownSquare(const Polygon& polygon, double by) {
  return offsetBy(polygon, by, ClipperLib::jtMiter);
}

std::vector<Polygon> clippedTo(const std::vector<Polygon>& polygons, const Polygon& room) {
  return fromGrid(cut(polygons, room));
}

double coveredArea(const std::vector<Polygon>& polygons, const Polygon& room) {
  double area = 0;
  for (const ClipperLib::Path& path : cut(polygons, room)) area += ClipperLib::Area(path);
  return area / (kGrid * kGrid);
}

Joined joined(const std::vector<Polygon>& polygons) {
  ClipperLib::Clipper clipper;
  for (const Polygon& polygon : polygons) clipper.AddPath(toGrid(polygon), ClipperLib::ptSubject, true);
  ClipperLib::Paths paths;
  clipper.Execute(ClipperLib::ctUnion, paths, ClipperLib::pftNonZero, ClipperLib::pftNonZero);
  Joined out;
  for (const ClipperLib::Path& path : paths)
    for (Polygon& polygon : fromGrid({path}))
      (ClipperLib::Orientation(path) ? out.outer : out.holes).push_back(std::move(polygon));
  return out;
}

}  // namespace mezzet
