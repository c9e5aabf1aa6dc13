#include "core/decide/rug_place.h"

#include <algorithm>
#include <cmath>
#include <numbers>

#include "core/model/kinds.h"
#include "core/rugs/door_routes.h"
#include "core/rules/base/way_words.h"
#include "core/rules/placing/rules.h"
#include "core/rules/rugs/rules.h"
#include "core/space/swing.h"

namespace mezzet {
namespace {

/// The grid of the polygons is a thousandth; what just fits must not fall through it.
constexpr double kRugHair = 0.004;
constexpr int kCircleSides = 720, kSweepSides = 32;

/// A circle as a polygon that lies nowhere inside it.
Polygon circle(Vec2 middle, double radius, int sides) {
  Polygon out;
  const double r = radius / std::cos(std::numbers::pi / sides);
  for (int i = 0; i < sides; ++i) {
    const double a = 2 * std::numbers::pi * i / sides;
    out.push_back(middle + Vec2{std::cos(a), std::sin(a)} * r);
  }
  return out;
}

std::vector<Polygon> sweepsOver(const Situation& s) {
  std::vector<Polygon> out;
  const Rule* rule = findRule(s.book, std::string(kDoorRug));
  const double gap = rule != nullptr ? askedOf(*rule, s.job).tolerated.low.value_or(0) : 0;
  const double thick = usualPiece(kFloorRug).height.value_or(0);
  for (const Opening& o : s.room.openings) {
    const auto sweep = sweepOf(s.room, o);
    if (!sweep || o.underLeaf >= thick + gap - 0.01) continue;
    Polygon sector{sweep->hinge};
    const double from = directionOf(sweep->closed), step = directionOf(sweep->open) - from;
    const double turn = std::abs(step) > 180 ? step - std::copysign(360, step) : step;
    const double outer = sweep->radius / std::cos(std::numbers::pi / 4 / kSweepSides);
    for (int i = 0; i <= kSweepSides; ++i)
      sector.push_back(sweep->hinge + rotated({outer, 0}, turnOf(from + turn * i / kSweepSides)));
    out.push_back(hullOf(std::move(sector)));
  }
  return out;
}

/// Where a corner may not lie: within the least distance of a route, near the doors it uses.
std::vector<Polygon> cornerZones(const Situation& s) {
  const Rule* rule = findRule(s.book, std::string(kRugCorner));
  const double off = rule != nullptr ? askedOf(*rule, s.job).tolerated.low.value_or(0) : 0;
  std::vector<Polygon> lines, doors;
  if (off <= 0) return {};
  const auto about = [](Vec2 a, Vec2 b, double r, int sides) {
    Polygon both = circle(a, r, sides);
    const Polygon other = circle(b, r, sides);
    both.insert(both.end(), other.begin(), other.end());
    return hullOf(std::move(both));
  };
  std::vector<Polygon> out;
  for (const DoorRoute& route : doorRoutes(s)) {
    lines.clear();
    doors.clear();
    for (std::size_t i = 0; i + 1 < route.line.size(); ++i)
      lines.push_back(about(route.line[i], route.line[i + 1], off, kSweepSides));
    for (const Convex& door : route.doors) doors.push_back(about(door.core.front(), door.core.back(), kNearDoor, 96));
    if (lines.empty()) continue;
    for (Polygon& zone : outlinesOf(within(lines, doors))) out.push_back(std::move(zone));
  }
  return out;
}

Polygon shifted(Polygon polygon, Vec2 by) {
  for (Vec2& p : polygon) p += by;
  return polygon;
}

/// Every place of a rug's middle at which its box meets the points' hull.
Polygon nearTo(const Polygon& points, double x, double y) {
  std::vector<Vec2> sums;
  for (const Vec2 p : points)
    for (const Vec2 corner : {Vec2{-x, -y}, Vec2{x, -y}, Vec2{x, y}, Vec2{-x, y}}) sums.push_back(p + corner);
  return hullOf(std::move(sums));
}

}  // namespace

RugGround groundOf(const Situation& s, double degrees) {
  RugGround g{turnOf(-degrees), turnOf(degrees), {}, {}, {}, {}};
  g.room = rotated(outlineOf(s.room), g.into);
  for (const Body& body : fixedBodies(s.room))
    for (const Convex& part : body.parts) g.solid.push_back(rotated(part.core, g.into));
  for (Polygon& p : sweepsOver(s)) g.sweeps.push_back(rotated(std::move(p), g.into));
  for (Polygon& p : cornerZones(s)) g.routes.push_back(rotated(std::move(p), g.into));
  return g;
}

RugTrial triedRound(const RugGround& g, const std::vector<NeededFoot>& feet, double radius) {
  RugTrial out;
  std::vector<Area> allowed{{g.room, {}}};
  for (const NeededFoot& foot : feet) {
    allowed = within(outlinesOf(allowed), {circle(foot.at, radius + kRugHair, kCircleSides)});
    if (allowed.empty()) break;
  }
  out.small = allowed.empty();
  std::vector<Polygon> taken;
  for (const Polygon& solid : g.solid)
    for (Polygon& p :
         grown(solid.size() > 2 ? solid : nearTo(solid, kRugHair, kRugHair), radius + kRugOffWalls - kRugHair))
      taken.push_back(std::move(p));
  for (const Polygon& sweep : g.sweeps)
    for (Polygon& p : grown(sweep, radius)) taken.push_back(std::move(p));
  if (!out.small) out.free = without(outlinesOf(allowed), taken);
  out.box = boundsOf(std::span<const Vec2>(g.room));
  return out;
}

RugTrial triedRect(const RugGround& g, const std::vector<NeededFoot>& feet, double x, double y) {
  RugTrial out;
  Box reach{feet.front().at, feet.front().at};
  for (const NeededFoot& foot : feet) {
    reach.low = {std::min(reach.low.x, foot.at.x), std::min(reach.low.y, foot.at.y)};
    reach.high = {std::max(reach.high.x, foot.at.x), std::max(reach.high.y, foot.at.y)};
  }
  out.box = {{reach.high.x - x, reach.high.y - y}, {reach.low.x + x, reach.low.y + y}};
  const bool shortX = out.box.low.x > out.box.high.x + 0.01, shortY = out.box.low.y > out.box.high.y + 0.01;
  out.small = shortX || shortY;
  out.wide = shortX;
  if (out.small) return out;
  const Vec2 low = out.box.low - Vec2{kRugHair, kRugHair}, high = out.box.high + Vec2{kRugHair, kRugHair};
  std::vector<Polygon> taken;
  for (const Polygon& solid : g.solid)
    for (Polygon& p : grown(nearTo(solid, x, y), kRugOffWalls - kRugHair)) taken.push_back(std::move(p));
  for (const Polygon& sweep : g.sweeps) taken.push_back(nearTo(sweep, x, y));
  for (const Polygon& zone : g.routes)
    for (const Vec2 corner : {Vec2{-x, -y}, Vec2{x, -y}, Vec2{x, y}, Vec2{-x, y}})
      taken.push_back(shifted(zone, -corner));
  out.free = without(outlinesOf(within({{low, {high.x, low.y}, high, {low.x, high.y}}}, {g.room})), taken);
  return out;
}

std::optional<Vec2> nearestFree(const RugTrial& trial, Vec2 wanted) {
  std::optional<Vec2> best;
  for (const Area& area : trial.free) {
    if (contains(area, wanted)) return wanted;
    for (const Polygon& edge : outlinesOf({area}))
      for (std::size_t i = 0; i < edge.size(); ++i) {
        const Vec2 p = nearestOnSegment(wanted, edgeStart(edge, i), edgeEnd(edge, i));
        if (!best || distance(p, wanted) < distance(*best, wanted)) best = p;
      }
  }
  if (best)
    *best = {std::clamp(best->x, std::min(trial.box.low.x, trial.box.high.x), trial.box.high.x),
             std::clamp(best->y, std::min(trial.box.low.y, trial.box.high.y), trial.box.high.y)};
  return best;
}

}  // namespace mezzet
