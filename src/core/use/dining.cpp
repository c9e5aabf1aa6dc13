#include "core/use/dining.h"

#include <algorithm>
#include <cmath>
#include <limits>
#include <numbers>

#include "core/model/kinds.h"

namespace mezzet {
namespace {

constexpr double kFar = std::numeric_limits<double>::infinity();

/// Places along a side of a table, as many as fit at this pitch.
int along(double side, double pitch) { return static_cast<int>(side / pitch + 1e-9); }

/// The ellipse with these half axes cut into many steps: the angle at each share of its way round, from the front on.
double angleAt(double a, double b, double share) {
  constexpr int kSteps = 720;
  const auto at = [&](int i) {
    const double t = 2 * std::numbers::pi * i / kSteps - std::numbers::pi / 2;
    return Vec2{a * std::cos(t), b * std::sin(t)};
  };
  double total = 0;
  for (int i = 0; i < kSteps; ++i) total += distance(at(i), at(i + 1));
  double walked = 0;
  for (int i = 0; i < kSteps; ++i) {
    const double step = distance(at(i), at(i + 1));
    if (walked + step >= share * total - 1e-9)
      return 2 * std::numbers::pi * (i + (share * total - walked) / step) / kSteps - std::numbers::pi / 2;
    walked += step;
  }
  return -std::numbers::pi / 2;
}
double perimeterOf(const Piece& table) {
  if (table.shape == Shape::Round) return std::numbers::pi * table.width;
  // Ramanujan's second approximation: better than a tenth of a millimetre for any table.
  const double a = table.width / 2, b = table.depth.value_or(table.width) / 2,
               h = (a - b) * (a - b) / ((a + b) * (a + b));
  return std::numbers::pi * (a + b) * (1 + 3 * h / (10 + std::sqrt(4 - 3 * h)));
}
bool isRounded(const Piece& table) { return table.shape == Shape::Round || table.shape == Shape::Oval; }

}  // namespace

double reachInStrip(const Parts& parts, Vec2 middle, Vec2 axis, double half) {
  const Vec2 t = leftOf(axis);
  double reach = -kFar;
  for (const Convex& part : parts) {
    if (part.core.size() == 1) {
      // A circle: at its middle if that lies in the strip, else where the strip's nearer side cuts it.
      const double off = dot(part.core[0] - middle, t), side = std::clamp(off, -half, half) - off;
      if (std::abs(side) <= part.radius)
        reach = std::max(reach, dot(part.core[0] - middle, axis) + std::sqrt(part.radius * part.radius - side * side));
      continue;
    }
    for (std::size_t i = 0; i < part.core.size(); ++i) {
      // Each edge, cut to the strip: its ends there reach furthest.
      Vec2 a = part.core[i] - middle, b = part.core[(i + 1) % part.core.size()] - middle;
      double ta = dot(a, t), tb = dot(b, t);
      if (ta > tb) {
        std::swap(a, b);
        std::swap(ta, tb);
      }
      if (tb < -half || ta > half) continue;
      const auto at = [&](double want) { return tb - ta < 1e-12 ? a : a + (b - a) * ((want - ta) / (tb - ta)); };
      reach = std::max({reach, dot(at(std::max(ta, -half)), axis), dot(at(std::min(tb, half)), axis)});
    }
  }
  return reach;
}

std::vector<DiningSeat> diningSeatsIn(const PieceIndex& pieces, const Scheme& scheme) {
  struct Table {
    const Placement* placement;
    Parts body;
  };
  std::vector<Table> tables;
  for (const Placement& p : scheme.placements)
    if (const auto* place = onFloor(p.on); place != nullptr && isDiningTable(pieces.of(p).kind))
      tables.push_back({&p, footprint(pieces.of(p), *place)});
  std::vector<DiningSeat> out;
  if (tables.empty()) return out;
  for (const Placement& p : scheme.placements) {
    const auto* place = onFloor(p.on);
    if (place == nullptr || !isDiningSeat(pieces.of(p).kind)) continue;
    const Piece& chair = pieces.of(p);
    const FrontEdge front = seatFront(chair, *place);
    const Parts edge{Convex{{front.left, front.right}, 0}};
    DiningSeat best;
    for (const Table& table : tables) {
      const Separation sep = separation(edge, table.body);
      const bool before = reachInStrip(table.body, front.left, front.outward, kFar) > kTouch;
      if (!before || sep.gap > kAtTable || (best.table != nullptr && sep.gap >= best.gap)) continue;
      best = {&p, table.placement, sep.gap, {}, -front.outward};
      const double reach = reachInStrip(table.body, place->at, best.back, chair.width / 2);
      best.edge = place->at + best.back * (std::isfinite(reach) ? reach : 0);
    }
    if (best.table != nullptr) out.push_back(best);
  }
  return out;
}

FloorPlace pulledOut(const PieceIndex& pieces, const DiningSeat& seat) {
  const Piece& chair = pieces.of(*seat.chair);
  const FloorPlace place = floorPlace(seat.chair->on);
  const double rear = dot(place.at - seat.edge, seat.back) + chair.depth.value_or(chair.width) / 2;
  return {place.at + seat.back * std::max(0.0, kPulledOut - rear), place.turn};
}

int placesAt(const Piece& table, double pitch, bool heads) {
  if (pitch <= 0) return 0;
  if (isRounded(table)) return along(perimeterOf(table), pitch);
  const double depth = table.depth.value_or(table.width);
  return 2 * along(std::max(table.width, depth), pitch) + (heads ? 2 * along(std::min(table.width, depth), pitch) : 0);
}

std::vector<Setting> settingsAround(const Piece& table, const FloorPlace& place, const Piece& chair, double pitch,
                                    bool heads, int most, double tuck) {
  std::vector<Setting> out;
  const int places = std::min(most, placesAt(table, pitch, heads));
  if (places <= 0) return out;
  const Turn turn = turnOf(place.turn);
  const double w = table.width / 2, d = table.depth.value_or(table.width) / 2,
               behind = chair.depth.value_or(chair.width) / 2 - tuck;
  // A chair whose back points to `outward` (in the table's frame) stands with its front over the edge.
  const auto add = [&](Vec2 edge, Vec2 outward, bool head) {
    const double angle = directionOf(outward) - 90;
    out.push_back({{place.at + rotated(edge + outward * behind, turn),
                    normalisedTurn(place.turn + std::round(angle * 1e6) / 1e6)},
                   head});
  };
  if (isRounded(table)) {
    for (int i = 0; i < places; ++i) {
      const double t = angleAt(w, d, static_cast<double>(i) / places);
      const Vec2 edge{w * std::cos(t), d * std::sin(t)};
      add(edge, unit({std::cos(t) / w, std::sin(t) / d}), false);
    }
    return out;
  }
  const bool wide = w >= d;
  const double half = wide ? w : d, end = wide ? d : w;
  const int perEnd = heads ? along(2 * end, pitch) : 0, perSide = along(2 * half, pitch);
  // The sides first, evenly; then the ends.
  const int atSides = std::min(places, 2 * perSide), atEnds = std::min(places - atSides, 2 * perEnd);
  const auto row = [&](int count, double length, auto point, Vec2 outward, bool head) {
    for (int i = 0; i < count; ++i) add(point(-length + 2 * length * (i + 0.5) / count), outward, head);
  };
  const auto across = [&](double s) { return wide ? Vec2{s, -d} : Vec2{w, s}; };
  const auto opposite = [&](double s) { return wide ? Vec2{-s, d} : Vec2{-w, -s}; };
  row((atSides + 1) / 2, half, across, wide ? Vec2{0, -1} : Vec2{1, 0}, false);
  row(atSides / 2, half, opposite, wide ? Vec2{0, 1} : Vec2{-1, 0}, false);
  row((atEnds + 1) / 2, end,
      [&](double s) {
        return wide ? Vec2{w, s} : Vec2{-s, d};
      },
      wide ? Vec2{1, 0} : Vec2{0, 1}, true);
  row(
      atEnds / 2, end,
      [&](double s) {
        return wide ? Vec2{-w, -s} : Vec2{s, -d};
      },
      wide ? Vec2{-1, 0} : Vec2{0, -1}, true);
  return out;
}

}  // namespace mezzet
