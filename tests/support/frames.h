// Frames that are arranged, and the gaps between them by arithmetic of their own. Sizes in inches.
#pragma once

#include <algorithm>
#include <cmath>
#include <optional>
#include <string>
#include <utility>
#include <vector>

#include "core/hang/arrangement.h"
#include "support/rooms.h"

namespace mezzet::test {

inline std::vector<Frame> frames(const std::vector<std::pair<double, double>>& inches) {
  std::vector<Frame> out;
  for (std::size_t i = 0; i < inches.size(); ++i)
    out.push_back({"p" + std::to_string(i + 1), in(inches[i].first), in(inches[i].second)});
  return out;
}
inline ArrangementAsk ask(HangAs as, const std::vector<std::pair<double, double>>& inches) {
  ArrangementAsk a{.as = as, .frames = frames(inches)};
  a.roomWidth = in(400);
  a.roomHeight = in(200);
  return a;
}
/// Whole inches from 8 to 36 either way.
inline std::vector<std::pair<double, double>> randomSizes(Chance& chance, std::size_t count) {
  std::vector<std::pair<double, double>> sizes;
  for (std::size_t i = 0; i < count; ++i) {
    const double width = 8 + static_cast<double>(chance.below(29)), height = 8 + static_cast<double>(chance.below(29));
    sizes.emplace_back(width, height);
  }
  return sizes;
}
struct R {
  double left, right, bottom, top;
};
inline std::vector<R> rects(const ArrangementAsk& a, const Arrangement& made) {
  std::vector<R> out;
  for (std::size_t i = 0; i < made.centres.size(); ++i) {
    const Vec2 c = made.centres[i];
    const double w = a.frames[i].width / 2, h = a.frames[i].height / 2;
    out.push_back({c.x - w, c.x + w, c.y - h, c.y + h});
  }
  return out;
}
inline double gapOf(const R& a, const R& b) {
  const double dx = std::max(a.left - b.right, b.left - a.right), dy = std::max(a.bottom - b.top, b.bottom - a.top);
  if (dx < 0 && dy < 0) return std::max(dx, dy);
  return std::hypot(std::max(0.0, dx), std::max(0.0, dy));
}
/// The gap of two that face each other over more than a point; nothing where they do not.
inline std::optional<double> facingGap(const R& a, const R& b) {
  const double dx = std::max(a.left - b.right, b.left - a.right), dy = std::max(a.bottom - b.top, b.bottom - a.top);
  if (dx >= 0 && dy < -1) return dx;
  if (dy >= 0 && dx < -1) return dy;
  return std::nullopt;
}
inline double farthestEdge(const ArrangementAsk& a, const Arrangement& made) {
  double most = 0;
  for (const R& r : rects(a, made))
    most = std::max({most, -r.left, r.right - made.width, -r.bottom, r.top - made.height});
  return most;
}

}  // namespace mezzet::test
