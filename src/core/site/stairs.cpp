#include "core/site/stairs.h"

#include <algorithm>
#include <cmath>
#include <numbers>

namespace mezzet {

double pitchOf(const Stair& s) { return std::atan2(s.riser, s.going) * 180 / std::numbers::pi; }

std::optional<double> reachMisfit(const Stair& s) {
  if (!s.rise) return std::nullopt;
  return s.risers * s.riser - *s.rise;
}

double nosingLine(const Stair& s, double along) {
  const double top = s.risers * s.riser;
  if (along < 0) return 0;
  return std::min(top, s.riser + along * s.riser / s.going);
}

StairPlan stairPlan(const Polygon& outline, const Stair& s) {
  StairPlan out;
  const Vec2 up = rotated({1, 0}, turnOf(s.climbs)), side = leftOf(up);
  double low = 1e300, high = -1e300, right = 1e300, left = -1e300;
  for (const Vec2 p : outline) {
    low = std::min(low, dot(p, up));
    high = std::max(high, dot(p, up));
    right = std::min(right, dot(p, side));
    left = std::max(left, dot(p, side));
  }
  for (int i = 0; i < s.risers; ++i) {
    const double at = low + i * s.going;
    if (at > high + 0.5) break;
    out.risers.emplace_back(up * at + side * right, up * at + side * left);
  }
  const double middle = (left + right) / 2;
  out.foot = up * low + side * middle;
  out.top = up * std::min(high, low + runOf(s)) + side * middle;
  return out;
}

std::vector<std::string> stairWords(const Stair& s, LengthFormat format) {
  std::vector<std::string> out;
  out.push_back(std::to_string(s.risers) + " risers of " + writeLength(s.riser, format) + ", going " +
                writeLength(s.going, format) + ": " + std::to_string(static_cast<int>(std::lround(pitchOf(s)))) +
                " degrees, twice the riser and the going make " + writeLength(stepLength(s), format) + ".");
  const auto off = reachMisfit(s);
  if (!off) out.push_back("Measure floor to floor, and Mezzet says whether it reaches.");
  else if (std::abs(*off) <= kReachTolerance) out.push_back("It reaches the floor above.");
  else if (*off < 0)
    out.push_back("It does not reach the floor above: " + writeLength(-*off, format) +
                  " are missing. Count the risers again, or measure one.");
  else
    out.push_back("It climbs " + writeLength(*off, format) +
                  " past the floor above. Count the risers again, or measure one.");
  return out;
}

}  // namespace mezzet
