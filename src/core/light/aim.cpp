#include "core/light/aim.h"

#include <cmath>
#include <numbers>

namespace mezzet {

std::optional<LitWall> litBy(const Room& room, const Fixture& f) {
  if (!f.placement->aim) return std::nullopt;
  const Vec3 axis = axisOf(f);
  const Vec2 d{axis.x, axis.y};
  if (norm(d) < 1e-6) return std::nullopt;
  std::optional<LitWall> out;
  double nearest = HUGE_VAL;
  for (const Wall& wall : wallsOf(room)) {
    const double towards = -dot(d, wall.inward()), off = dot(f.at.at - wall.start, wall.inward());
    if (towards <= 1e-9 || off < 0) continue;
    const double far = off / towards;
    const double along = dot(f.at.at + d * far - wall.start, wall.along());
    if (far >= nearest || along < 0 || along > wall.length()) continue;
    nearest = far;
    out = LitWall{wall.id, {wall.length() - along, f.floor + f.source + axis.z * far}};
  }
  return out;
}

std::vector<Vec2> beamOnWall(const Fixture& f, const Wall& wall, double fullAngle) {
  constexpr int kSides = 72;
  const Vec3 axis = axisOf(f);
  const double half = fullAngle / 2 * std::numbers::pi / 180;
  // Two directions square to the axis: level, and upward.
  const double level = std::hypot(axis.x, axis.y);
  if (level < 1e-9) return {};
  const Vec3 side{-axis.y / level, axis.x / level, 0};
  const Vec3 up{-axis.z * axis.x / level, -axis.z * axis.y / level, level};
  std::vector<Vec2> out;
  for (int i = 0; i < kSides; ++i) {
    const double t = 2 * std::numbers::pi * i / kSides, c = std::cos(half), s = std::sin(half);
    const auto along = [&](double a, double u, double l) { return a * c + (u * std::cos(t) + l * std::sin(t)) * s; };
    const Vec3 d{along(axis.x, up.x, side.x), along(axis.y, up.y, side.y), along(axis.z, up.z, side.z)};
    const double towards = -dot(Vec2{d.x, d.y}, wall.inward()), off = dot(f.at.at - wall.start, wall.inward());
    if (towards <= 1e-6) return {};
    const double far = off / towards;
    const Vec2 hit = f.at.at + Vec2{d.x, d.y} * far;
    out.push_back({wall.length() - dot(hit - wall.start, wall.along()), f.floor + f.source + d.z * far});
  }
  return out;
}

}  // namespace mezzet
