#include "core/site/stair_wall.h"

#include <algorithm>
#include <cmath>
#include <numbers>

namespace mezzet {
namespace {

double heightOfFlight(const StairWall& s) { return s.stair.risers * s.stair.riser; }

/// The edge of an outline that runs along the wall, as its ends in u.
std::optional<std::pair<double, double>> edgeAlong(const Feature& f, const Wall& wall) {
  const Vec2 climb = rotated({1, 0}, turnOf(f.stair->climbs));
  const double most = std::sin(kAlongDegrees * std::numbers::pi / 180);
  if (std::abs(cross(climb, wall.along())) > most) return std::nullopt;
  std::optional<std::pair<double, double>> best;
  for (std::size_t i = 0; i < f.outline.size(); ++i) {
    const Vec2 a = f.outline[i], b = f.outline[(i + 1) % f.outline.size()];
    if (distance(a, b) < 1) continue;
    const Vec2 edge = unit(b - a);
    if (std::abs(cross(edge, climb)) > most || std::abs(cross(edge, wall.along())) > most) continue;
    const auto off = [&](Vec2 p) { return std::abs(dot(p - wall.start, wall.inward())); };
    if (off(a) > kAlongOff || off(b) > kAlongOff) continue;
    const auto u = [&](Vec2 p) { return wall.length() - dot(p - wall.start, wall.along()); };
    const std::pair<double, double> ends = std::minmax(u(a), u(b));
    if (ends.second < 0 || ends.first > wall.length()) continue;
    if (!best || ends.second - ends.first > best->second - best->first) best = ends;
  }
  return best;
}

}  // namespace

double StairWall::nosing(double u) const {
  return base + std::min(heightOfFlight(*this), stair.riser + along(u) * stair.riser / stair.going);
}

double StairWall::walking(double u) const {
  return along(u) > treads() ? base + heightOfFlight(*this) : nosing(u) - stair.riser / 2;
}

double StairWall::tread(double u) const {
  const double count = std::floor(along(u) / stair.going) + 1;
  return base + std::clamp(count, 1.0, static_cast<double>(stair.risers)) * stair.riser;
}

std::optional<double> StairWall::rail(double u) const {
  return stair.handrail ? std::optional(nosing(u) + *stair.handrail) : std::nullopt;
}

std::vector<StairWall> stairsAlong(const Room& room, const RoomHeights& heights, const Wall& wall) {
  std::vector<StairWall> out;
  for (const Feature& f : room.features) {
    if (!f.stair) continue;
    const auto edge = edgeAlong(f, wall);
    if (!edge) continue;
    StairWall s;
    s.feature = f.id;
    s.stair = *f.stair;
    s.wall = wall.id;
    s.low = edge->first;
    s.high = edge->second;
    // u runs against the wall.
    s.rising = dot(rotated({1, 0}, turnOf(f.stair->climbs)), wall.along()) < 0;
    s.foot = s.rising ? s.low : s.high;
    s.base = heights.floorAt(inFrontOf(wall, std::clamp(s.foot, 0.0, wall.length())));
    out.push_back(std::move(s));
  }
  return out;
}

const StairWall* flightAt(const std::vector<StairWall>& flights, double u) {
  for (const StairWall& s : flights)
    if (s.over(u)) return &s;
  return nullptr;
}

double floorAlong(const Room& room, const RoomHeights& heights, const Wall& wall, double u) {
  const std::vector<StairWall> flights = stairsAlong(room, heights, wall);
  const StairWall* s = flightAt(flights, u);
  return s != nullptr ? s->walking(u) : heights.floorAt(inFrontOf(wall, u));
}

double footingAlong(const Room& room, const RoomHeights& heights, const Wall& wall, double u) {
  const std::vector<StairWall> flights = stairsAlong(room, heights, wall);
  const StairWall* s = flightAt(flights, u);
  return s != nullptr ? s->tread(u) : heights.floorAt(inFrontOf(wall, u));
}

}  // namespace mezzet
