#include "core/geometry/vec.h"

#include <numbers>

namespace mezzet {

double directionOf(Vec2 a) { return std::atan2(a.y, a.x) * 180 / std::numbers::pi; }

double degreesBetween(Vec2 a, Vec2 b) { return std::abs(std::atan2(cross(a, b), dot(a, b))) * 180 / std::numbers::pi; }

double normalisedTurn(double degrees) {
  double turn = std::fmod(degrees, 360.0);
  if (turn < 0) turn += 360.0;
  return turn >= 360.0 ? 0.0 : turn + 0.0;  // + 0.0 turns -0 into 0
}

Turn turnOf(double degrees) {
  const double turn = normalisedTurn(degrees);
  if (turn == 0) return {1, 0};
  if (turn == 90) return {0, 1};
  if (turn == 180) return {-1, 0};
  if (turn == 270) return {0, -1};
  const double radians = turn * std::numbers::pi / 180.0;
  return {std::cos(radians), std::sin(radians)};
}

}  // namespace mezzet
