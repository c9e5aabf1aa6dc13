#include "core/survey/sketch_start.h"

#include <algorithm>
#include <cmath>
#include <numbers>

#include "core/geometry/linear.h"

namespace mezzet {
namespace {

constexpr double kRadians = std::numbers::pi / 180;
/// A wall of which nothing is known yet is drawn this long [D].
constexpr double kUnknownWall = 3000;
constexpr double kLeastWall = 300;

/// How far the walk turns at each corner, degrees to the left.
std::vector<double> turnsOf(const Network& net) {
  const std::size_t n = net.corners;
  std::vector<std::optional<double>> known(n);
  for (const Observation& o : net.observations)
    if (o.isAngular() && (!known[o.from] || o.kind == ObservationKind::Angle)) known[o.from] = 180 - o.value;
  double rest = 360;
  int left = 0;
  for (std::size_t i = 0; i < n; ++i) {
    if (known[i]) rest -= *known[i];
    else if (net.turns[i] < 0) rest -= *(known[i] = -45);
    else ++left;
  }
  const double each = left > 0 ? std::clamp(rest / left, 10.0, 150.0) : 0;
  std::vector<double> turns(n);
  for (std::size_t i = 0; i < n; ++i) turns[i] = known[i].value_or(each);
  return turns;
}

}  // namespace

Polygon sketchStart(const Network& net) {
  const std::size_t n = net.corners;
  Polygon at(n);
  if (net.turns.size() != n || n < 3) {
    // No outline: held points stand where they are held, the others on a circle round them.
    double reach = 1000;
    Vec2 middle{};
    std::size_t held = 0;
    for (const Observation& o : net.observations)
      if (o.isLength()) reach = std::max(reach, o.value);
    for (const Held& h : net.held)
      if (h.x && h.y) middle += h.at, ++held;
    if (held > 0) middle = middle * (1.0 / static_cast<double>(held));
    for (std::size_t i = 0; i < n; ++i) {
      const double turn = 2 * std::numbers::pi * static_cast<double>(i) / static_cast<double>(n) + 0.3;
      at[i] = middle + Vec2{std::cos(turn), std::sin(turn)} * (reach / 2);
      if (i < net.held.size() && net.held[i].x) at[i].x = net.held[i].at.x;
      if (i < net.held.size() && net.held[i].y) at[i].y = net.held[i].at.y;
    }
    return at;
  }

  const std::vector<double> turns = turnsOf(net);
  std::vector<double> sum(n, 0), count(n, 0);
  for (const Observation& o : net.observations) {
    if (!o.isLength()) continue;
    if (o.to == (o.from + 1) % n) sum[o.from] += o.value, count[o.from] += 1;
    else if (o.from == (o.to + 1) % n) sum[o.to] += o.value, count[o.to] += 1;
  }
  double usual = 0, known = 0;
  for (std::size_t i = 0; i < n; ++i)
    if (count[i] > 0) usual += sum[i] / count[i], ++known;
  usual = known > 0 ? usual / known : kUnknownWall;

  double heading = 0;
  std::vector<Vec2> along(n);
  std::vector<double> length(n);
  Vec2 open{};
  for (std::size_t i = 0; i < n; ++i) {
    along[i] = {std::cos(heading * kRadians), std::sin(heading * kRadians)};
    length[i] = count[i] > 0 ? sum[i] / count[i] : usual;
    open += along[i] * length[i];
    heading += turns[(i + 1) % n];
  }
  // Unknown lengths take up what is open, as little as will do.
  std::vector<std::size_t> unknown;
  for (std::size_t i = 0; i < n; ++i)
    if (count[i] == 0) unknown.push_back(i);
  if (!unknown.empty()) {
    Matrix a(2, unknown.size());
    for (std::size_t k = 0; k < unknown.size(); ++k) a(0, k) = along[unknown[k]].x, a(1, k) = along[unknown[k]].y;
    const Numbers change = shortestSolution(a, {-open.x, -open.y});
    open = {};
    for (std::size_t k = 0; k < unknown.size(); ++k) {
      double& l = length[unknown[k]];
      l = std::max(kLeastWall, l + change[k]);
    }
    for (std::size_t i = 0; i < n; ++i) open += along[i] * length[i];
  }
  double walked = 0;
  for (const double l : length) walked += l;
  Vec2 here{};
  double done = 0;
  for (std::size_t i = 0; i < n; ++i) {
    at[i] = here - open * (walked > 0 ? done / walked : 0);
    here += along[i] * length[i];
    done += length[i];
  }
  // Corner 1 on +x.
  const Vec2 first = unit(at[1] - at[0]), origin = at[0];
  for (Vec2& p : at) p = {dot(p - origin, first), cross(first, p - origin)};
  return at;
}

}  // namespace mezzet
