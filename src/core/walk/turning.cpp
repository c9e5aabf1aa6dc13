#include <algorithm>
#include <cmath>
#include <numbers>
#include <queue>

#include "core/walk/free_space.h"

namespace mezzet {
namespace {

constexpr double kPrecision = 0.025;  // of the radius

/// A part of the floor; nothing in it can clear more than its middle does and half its diagonal.
struct Square {
  Vec2 middle;
  double half, here;
  [[nodiscard]] double most() const { return here + half * std::numbers::sqrt2; }
  bool operator<(const Square& other) const { return most() < other.most(); }
};

/// The clearest point of a box to within the precision, the most promising squares first.
template <class Clearance>
std::pair<double, Vec2> clearest(const Box& bounds, const Clearance& clearance, const std::stop_token& stop) {
  const double size = std::min(bounds.high.x - bounds.low.x, bounds.high.y - bounds.low.y);
  std::priority_queue<Square> squares;
  // A room so thin that it would take thousands of squares has nowhere to turn.
  if (size <= 1) return {};
  const int across = static_cast<int>(std::ceil((bounds.high.x - bounds.low.x) / size)),
            up = static_cast<int>(std::ceil((bounds.high.y - bounds.low.y) / size));
  for (int i = 0; i < across; ++i)
    for (int k = 0; k < up; ++k) {
      const Vec2 middle{bounds.low.x + (i + 0.5) * size, bounds.low.y + (k + 0.5) * size};
      squares.push({middle, size / 2, clearance(middle)});
    }
  double best = 0;
  Vec2 at;
  int looked = 0;
  while (!squares.empty()) {
    const Square square = squares.top();
    squares.pop();
    if (square.most() - best <= kPrecision || ((++looked & 255) == 0 && stop.stop_requested())) break;
    const double half = square.half / 2;
    for (const Vec2 d : {Vec2{-1, -1}, Vec2{1, -1}, Vec2{-1, 1}, Vec2{1, 1}}) {
      const Vec2 middle = square.middle + d * half;
      const double here = clearance(middle);
      if (here > best) {
        best = here;
        at = middle;
      }
      if (here + half * std::numbers::sqrt2 > best + kPrecision) squares.push({middle, half, here});
    }
  }
  return {best, at};
}

}  // namespace

TurningCircle largestTurn(const Room& room, const std::vector<Body>& standing, const std::stop_token& stop) {
  const Polygon outline = outlineOf(room);
  std::vector<Atom> atoms;
  const auto add = [&](const std::vector<Body>& bodies) {
    for (const Body& body : bodies)
      if (!body.flat)
        for (const Convex& part : body.parts) atoms.push_back({part, boundsOf(part), part.core[0], 0});
  };
  add(standing);
  add(featureBodies(room));
  const auto clearance = [&](Vec2 p) {
    double best = distanceToEdge(outline, p);
    if (!contains(outline, p)) return -best;
    for (const Atom& atom : atoms) best = nearerOf(best, atom, p);
    return best;
  };
  auto [best, at] = clearest(boundsOf(Convex{outline, 0}), clearance, stop);
  // The search stops a fortieth of a millimetre short of the best: from there straight uphill.
  for (double step = 0.1; best > 0 && step > 1e-5;) {
    const double before = best;
    for (const Vec2 d : {Vec2{-1, 0}, Vec2{1, 0}, Vec2{0, -1}, Vec2{0, 1}, Vec2{-0.7, -0.7}, Vec2{0.7, -0.7},
                         Vec2{-0.7, 0.7}, Vec2{0.7, 0.7}})
      if (const double here = clearance(at + d * step); here > best) {
        best = here;
        at += d * step;
      }
    if (best <= before) step /= 2;
  }
  return {2 * best, at};
}

}  // namespace mezzet
