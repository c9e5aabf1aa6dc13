// Points and directions of the plan, in millimetres: x right, y up.
#pragma once

#include <cmath>

namespace mezzet {

struct Vec2 {
  double x = 0, y = 0;

  friend Vec2 operator+(Vec2 a, Vec2 b) { return {a.x + b.x, a.y + b.y}; }
  friend Vec2 operator-(Vec2 a, Vec2 b) { return {a.x - b.x, a.y - b.y}; }
  friend Vec2 operator*(Vec2 a, double k) { return {a.x * k, a.y * k}; }
  friend Vec2 operator*(double k, Vec2 a) { return a * k; }
  Vec2 operator-() const { return {-x, -y}; }
  Vec2& operator+=(Vec2 b) { return *this = *this + b; }
  bool operator==(const Vec2&) const = default;
};

inline double dot(Vec2 a, Vec2 b) { return a.x * b.x + a.y * b.y; }
/// > 0 when b lies to the left of a
inline double cross(Vec2 a, Vec2 b) { return a.x * b.y - a.y * b.x; }
inline double norm(Vec2 a) { return std::sqrt(dot(a, a)); }
inline double distance(Vec2 a, Vec2 b) { return norm(a - b); }
/// a turned a quarter anticlockwise
inline Vec2 leftOf(Vec2 a) { return {-a.y, a.x}; }
/// Unit vector; the zero vector stays zero.
inline Vec2 unit(Vec2 a) {
  const double n = norm(a);
  return n > 0 ? a * (1 / n) : Vec2{};
}
inline Vec2 midpoint(Vec2 a, Vec2 b) { return (a + b) * 0.5; }

/// Cosine and sine of an angle in degrees; multiples of 90 give exactly 0, 1, -1.
struct Turn {
  double cosine = 1, sine = 0;
};
[[nodiscard]] Turn turnOf(double degrees);

/// Which way a vector points, degrees anticlockwise from x, -180 to 180; 0 for the zero vector.
[[nodiscard]] double directionOf(Vec2 a);
/// The angle between two vectors, degrees, 0 to 180.
[[nodiscard]] double degreesBetween(Vec2 a, Vec2 b);

/// `degrees` brought to 0 <= turn < 360
[[nodiscard]] double normalisedTurn(double degrees);

inline Vec2 rotated(Vec2 a, Turn t) { return {a.x * t.cosine - a.y * t.sine, a.x * t.sine + a.y * t.cosine}; }

}  // namespace mezzet
