#include "core/geometry/offset.h"

#include <clipper.hpp>
#include <cmath>

namespace mezzet {
namespace {

constexpr double kGrid = 1000;  // steps to a millimetre

ClipperLib::Path toGrid(const Polygon& polygon) {
  ClipperLib::Path path;
  path.reserve(polygon.size());
  for (const Vec2 p : polygon) path.emplace_back(std::llround(p.x * kGrid), std::llround(p.y * kGrid));
  if (!ClipperLib::Orientation(path)) ClipperLib::ReversePath(path);
  return path;
}
std::vector<Polygon> fromGrid(const ClipperLib::Paths& paths) {
  std::vector<Polygon> out;
  for (const ClipperLib::Path& path : paths) {
    Polygon polygon;
    for (const ClipperLib::IntPoint& p : path) polygon.push_back({static_cast<double>(p.X) / kGrid, static_cast<double>(p.Y) / kGrid});
    if (polygon.size() > 2) out.push_back(std::move(polygon));
  }
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

}  // namespace

std::vector<Polygon> grown(const Polygon& polygon, double by) {
  ClipperLib::ClipperOffset offset(2, 0.1 * kGrid);
  offset.AddPath(toGrid(polygon), ClipperLib::jtRound, ClipperLib::etClosedPolygon);
  ClipperLib::Paths out;
  offset.Execute(out, by * kGrid);
  return fromGrid(out);
}

std::vector<Polygon> clippedTo(const std::vector<Polygon>& polygons, const Polygon& room) { return fromGrid(cut(polygons, room)); }

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
    for (Polygon& polygon : fromGrid({path})) (ClipperLib::Orientation(path) ? out.outer : out.holes).push_back(std::move(polygon));
  return out;
}

}  // namespace mezzet
