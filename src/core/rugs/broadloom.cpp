#include "core/rugs/broadloom.h"

#include <algorithm>
#include <cmath>
#include <limits>

namespace mezzet {
namespace {

constexpr double kSame = 1e-6, kHair = 0.1;

Polygon band(double from, double to, const Box& box) {
  return {{from, box.low.y - 1}, {to, box.low.y - 1}, {to, box.high.y + 1}, {from, box.high.y + 1}};
}
Box boundsOf(const std::vector<Area>& areas) {
  Box box = mezzet::boundsOf(std::span<const Vec2>(areas.front().outer));
  for (const Area& a : areas)
    for (const Vec2 p : a.outer) {
      box.low = {std::min(box.low.x, p.x), std::min(box.low.y, p.y)};
      box.high = {std::max(box.high.x, p.x), std::max(box.high.y, p.y)};
    }
  return box;
}
double roundedUp(double length, double to) { return std::ceil(length / to - kSame) * to; }
double perimeter(const Polygon& polygon) {
  double out = 0;
  for (std::size_t i = 0; i < polygon.size(); ++i) out += distance(edgeStart(polygon, i), edgeEnd(polygon, i));
  return out;
}

/// The region with the pile along +y, and where routes run on it.
struct Laid {
  std::vector<Polygon> region;
  Box box;
  std::vector<Polygon> routes;
};

/// Length of the line across = x that lies on a route.
double onRoute(const Laid& laid, double x) {
  if (laid.routes.empty()) return 0;
  double area = 0;
  for (const Area& a : within(laid.routes, {band(x - kHair / 2, x + kHair / 2, laid.box)})) area += sizeOf(a);
  return area / kHair;
}

/// With the first strip's far side at `start` across (at most a trim before the region). Absent when a strip would lie
/// beside the region.
std::optional<CarpetCut> cutFrom(const Laid& laid, const Broadloom& cloth, int strips, double start) {
  CarpetCut cut;
  const double least = laid.box.low.x, width = laid.box.high.x - least;
  for (int i = 0; i < strips; ++i) {
    const double from = start + i * cloth.roll, to = from + cloth.roll;
    if (strips > 1 && (from >= width || to <= 0)) return std::nullopt;
    const auto covered =
        within(laid.region,
               {band(std::max(least + from, laid.box.low.x - 1), std::min(least + to, laid.box.high.x + 1), laid.box)});
    if (covered.empty()) continue;  // the region has a gap there
    const Box own = boundsOf(covered);
    const double covers = own.high.y - own.low.y;
    CarpetStrip strip{std::max(0.0, from), std::min(width, to), covers + 2 * cloth.trim, own.low.y - laid.box.low.y,
                      covers};
    if (cloth.repeat && !cut.strips.empty()) strip.length = roundedUp(strip.length, *cloth.repeat);
    if (!cut.strips.empty()) {
      cut.seams.push_back(from);
      cut.seamOnRoute += onRoute(laid, least + from);
    }
    cut.bought += strip.length;
    cut.strips.push_back(strip);
  }
  return cut;
}

}  // namespace

std::optional<CarpetCut> cutCarpet(const std::vector<Area>& region, const Broadloom& cloth,
                                   const std::vector<std::vector<Vec2>>& routes) {
  if (region.empty() || !(cloth.roll > 0) || !(cloth.trim >= 0) || (cloth.repeat && !(*cloth.repeat > 0)))
    return std::nullopt;
  const Turn upright = turnOf(90 - cloth.pile);
  Laid laid;
  for (const Polygon& p : outlinesOf(region)) laid.region.push_back(rotated(p, upright));
  const std::vector<Area> flat = within(laid.region, laid.region);
  if (flat.empty()) return std::nullopt;
  laid.box = boundsOf(flat);
  std::vector<Polygon> ribbons;
  for (const auto& line : routes)
    for (std::size_t i = 0; i + 1 < line.size(); ++i) {
      const Vec2 a = rotated(line[i], upright), b = rotated(line[i + 1], upright);
      const Vec2 side = leftOf(unit(b - a)) * kSeamOffRoute;
      if (distance(a, b) > kSame) ribbons.push_back({a - side, b - side, b + side, a + side});
    }
  if (!ribbons.empty()) laid.routes = outlinesOf(within(ribbons, laid.region));

  const double width = laid.box.high.x - laid.box.low.x;
  const double needed = std::ceil((width + 2 * cloth.trim) / cloth.roll - kSame);
  if (needed > kMostStrips) return std::nullopt;
  const int strips = std::max(1, static_cast<int>(needed));
  const double spare = std::max(0.0, strips * cloth.roll - width - 2 * cloth.trim);
  std::optional<CarpetCut> best;
  const int steps = strips == 1 ? 0 : static_cast<int>(spare / kSeamStep + kSame);
  for (int step = 0; step <= steps; ++step) {
    auto cut = cutFrom(laid, cloth, strips, -cloth.trim - step * kSeamStep);
    if (!cut) continue;
    const auto cost = [](const CarpetCut& c) {
      return std::pair(std::round(c.seamOnRoute), std::round(c.bought * 100));  // what is less apart is no difference
    };
    if (!best || cost(*cut) < cost(*best)) best = std::move(cut);
  }
  if (!best) return std::nullopt;
  best->boughtArea = best->bought * cloth.roll;
  for (const Area& area : flat) {
    best->area += sizeOf(area);
    best->edge += perimeter(area.outer);
    for (const Polygon& hole : area.holes) best->edge += perimeter(hole);
  }
  return best;
}

std::vector<std::pair<Vec2, Vec2>> seamLines(const std::vector<Area>& region, const Broadloom& cloth,
                                             const CarpetCut& cut) {
  std::vector<std::pair<Vec2, Vec2>> out;
  const Turn upright = turnOf(90 - cloth.pile), back = turnOf(cloth.pile - 90);
  std::vector<Polygon> edges;
  double least = std::numeric_limits<double>::infinity();
  for (const Polygon& p : outlinesOf(region)) {
    edges.push_back(rotated(p, upright));
    for (const Vec2 corner : edges.back()) least = std::min(least, corner.x);
  }
  for (const double seam : cut.seams) {
    std::vector<double> crossings;
    const double x = least + seam;
    for (const Polygon& p : edges)
      for (std::size_t i = 0; i < p.size(); ++i) {
        const Vec2 a = edgeStart(p, i), b = edgeEnd(p, i);
        if ((a.x <= x) != (b.x <= x)) crossings.push_back(a.y + (b.y - a.y) * (x - a.x) / (b.x - a.x));
      }
    std::sort(crossings.begin(), crossings.end());
    for (std::size_t i = 0; i + 1 < crossings.size(); i += 2)
      out.emplace_back(rotated({x, crossings[i]}, back), rotated({x, crossings[i + 1]}, back));
  }
  return out;
}

Vec2 stripMiddle(const std::vector<Area>& region, const Broadloom& cloth, const CarpetCut& cut, std::size_t strip) {
  const Turn upright = turnOf(90 - cloth.pile);
  Vec2 least{std::numeric_limits<double>::infinity(), std::numeric_limits<double>::infinity()};
  for (const Area& area : region)
    for (const Vec2 p : rotated(area.outer, upright)) least = {std::min(least.x, p.x), std::min(least.y, p.y)};
  const CarpetStrip& s = cut.strips[strip];
  const double own = std::max(0.0, s.covers);
  return rotated(least + Vec2{(s.from + s.to) / 2, s.begins + own / 2}, turnOf(cloth.pile - 90));
}

std::vector<PileDirection> pileDirections(const Room& room) {
  std::vector<PileDirection> out;
  for (const Wall& wall : wallsOf(room)) {
    const double degrees = std::fmod(normalisedTurn(directionOf(wall.along())), 180);
    const bool known = std::any_of(out.begin(), out.end(), [&](const PileDirection& d) {
      const double apart = std::abs(d.degrees - degrees);
      return std::min(apart, 180 - apart) < 1;
    });
    if (!known) out.push_back({wall.id, degrees});
  }
  return out;
}

std::optional<Broadloom> bestCarpet(const Room& room, const std::vector<double>& rolls,
                                    const std::vector<std::vector<Vec2>>& routes) {
  const std::vector<Area> region = carpetedFloor(room);
  std::optional<Broadloom> best;
  std::pair<double, double> least;
  for (const double roll : rolls)
    for (const PileDirection& along : pileDirections(room)) {
      const Broadloom cloth{roll, along.degrees, std::nullopt, kCarpetTrim};
      const auto cut = cutCarpet(region, cloth, routes);
      if (!cut) continue;
      const std::pair cost(std::round(cut->seamOnRoute), cut->boughtArea);
      if (best && cost >= least) continue;
      best = cloth;
      least = cost;
    }
  return best;
}

std::vector<Area> carpetedFloor(const Room& room) {
  std::vector<Polygon> fixed;
  for (const Feature& f : room.features) {
    const bool stands = f.kind != FeatureKind::Niche && f.kind != FeatureKind::Beam && f.kind != FeatureKind::Radiator;
    if (!stands || f.outline.size() < 3) continue;
    Polygon outline = f.outline;
    if (signedArea(outline) < 0) std::reverse(outline.begin(), outline.end());
    fixed.push_back(std::move(outline));
  }
  return without({outlineOf(room)}, fixed);
}

double runnerLength(const Stair& stair, double trim) {
  const int risers = std::max(0, stair.risers);
  return risers * stair.riser + std::max(0, risers - 1) * stair.going + 2 * risers * stair.nosing.value_or(0) +
         2 * trim;
}

}  // namespace mezzet
