#include "core/search/tidy.h"

#include <algorithm>
#include <cmath>

#include "core/model/kinds.h"

namespace mezzet {
namespace {

constexpr double kStraight = 0.5;                               // degrees
constexpr double kOffMiddle = 12 * kInch;                       // off a middle by as much is all askew
constexpr double kPairOff = 18 * kInch;                         // and off a mirror image
constexpr double kByArm = 3 * kInch, kFarFromArm = 36 * kInch;  // of a side table or a lamp from a seat
constexpr double kBeforeSeat = 14 * kInch;                      // of a stool from what it stands before [D]

/// Of a turn from the nearest quarter of another, 0 to 45.
double offSquare(double turn, double other) {
  const double by = std::fmod(normalisedTurn(turn - other), 90);
  return std::min(by, 90 - by);
}

/// The frame of the main seat: its middle, its front, its right.
struct Axis {
  Vec2 at, front, right;
  double turn = 0;
  [[nodiscard]] Vec2 in(Vec2 p) const { return {dot(p - at, right), dot(p - at, front)}; }
  [[nodiscard]] Vec2 out(Vec2 p) const { return at + right * p.x + front * p.y; }
};
Axis axisOf(const Layout& l, std::size_t main) {
  const Vec2 front = frontOf(l.at[main]);
  return {l.at[main].at, front, -leftOf(front), l.at[main].turn};
}
/// Another's mirror image about the axis of the main seat.
FloorPlace mirrored(const Axis& axis, const FloorPlace& p) {
  const Vec2 in = axis.in(p.at), look{dot(frontOf(p), axis.right), dot(frontOf(p), axis.front)};
  const Vec2 front = axis.right * -look.x + axis.front * look.y;
  return {axis.out({-in.x, in.y}), turnToLook(front)};
}
double offOf(const FloorPlace& a, const FloorPlace& b) {
  const double turn = std::abs(std::remainder(a.turn - b.turn, 360));
  return std::min(1.0, distance(a.at, b.at) / kPairOff + turn / 90);
}

/// The next two seats of one size after `from`, not the main one.
struct Pair {
  std::size_t a, b;
};
std::vector<Pair> pairsOf(const Ground& g, const Layout& l) {
  std::vector<Pair> out;
  for (std::size_t i = 1; i + 1 < g.seats.size(); ++i)
    if (&g.piece(l, g.seats[i]) == &g.piece(l, g.seats[i + 1])) {
      out.push_back({g.seats[i], g.seats[i + 1]});
      ++i;
    }
  return out;
}
/// Where the second of a pair stands beside the first: level with it, both about the middle of the table across.
FloorPlace besideOf(const Ground& g, const Layout& l, const Axis& axis, const Pair& pair) {
  const FloorPlace& a = l.at[pair.a];
  const Vec2 in = axis.in(a.at);
  const double middle = g.lowTables.empty() ? in.y : axis.in(l.at[g.lowTables.front()].at).y;
  return {axis.out({in.x, 2 * middle - in.y}), a.turn};
}
bool looksAcross(const Axis& axis, const FloorPlace& p) { return std::abs(dot(frontOf(p), axis.right)) > 0.9; }
double pairOff(const Ground& g, const Layout& l, const Axis& axis, const Pair& pair) {
  double out = offOf(l.at[pair.b], mirrored(axis, l.at[pair.a]));
  if (looksAcross(axis, l.at[pair.a])) out = std::min(out, offOf(l.at[pair.b], besideOf(g, l, axis, pair)));
  return out;
}

/// Beside a seat's arm, backs level.
FloorPlace byArm(const Ground& g, const Layout& l, std::size_t i, std::size_t seat, double side) {
  const Axis axis = axisOf(l, seat);
  const Piece &p = g.piece(l, i), &s = g.piece(l, seat);
  return {axis.out({side * (s.width / 2 + 2 * kInch + p.width / 2), -(depthOf(s) - depthOf(p)) / 2}), l.at[seat].turn};
}
double farFromArm(const Ground& g, const Layout& l, std::size_t i) {
  double best = 1;
  for (const std::size_t seat : g.seats)
    for (const double side : {-1.0, 1.0}) {
      const double off = distance(l.at[i].at, byArm(g, l, i, seat, side).at);
      best = std::min(best, std::clamp((off - kByArm) / kFarFromArm, 0.0, 1.0));
    }
  return best;
}
FloorPlace beforeSeat(const Ground& g, const Layout& l, std::size_t i, std::size_t seat) {
  const Axis axis = axisOf(l, seat);
  return {axis.out({0, depthOf(g.piece(l, seat)) / 2 + kBeforeSeat + depthOf(g.piece(l, i)) / 2}), l.at[seat].turn};
}
double farFromSeat(const Ground& g, const Layout& l, std::size_t i) {
  double best = 1;
  for (const std::size_t seat : g.seats) {
    const double clear = distance(l.at[i].at, l.at[seat].at) - depthOf(g.piece(l, seat)) / 2;
    best = std::min(best, std::clamp((clear - kFarFromArm) / kFarFromArm, 0.0, 1.0));
  }
  return best;
}
std::vector<std::size_t> stoolsOf(const Ground& g) {
  std::vector<std::size_t> out;
  for (const std::size_t i : g.others)
    if (isPulledUp(g.movables[i].piece->kind)) out.push_back(i);
  return out;
}
bool isSquareWithRoom(const Ground& g, const Axis* axis, const FloorPlace& p) {
  if (axis != nullptr && offSquare(p.turn, axis->turn) < kStraight) return true;
  return std::any_of(g.walls.begin(), g.walls.end(),
                     [&](const Wall& w) { return offSquare(p.turn, turnToLook(w.inward())) < kStraight; });
}
double straightened(const Ground& g, const Axis* axis, double turn) {
  double best = turn, off = 46;
  const auto offer = [&](double other) {
    const double by = std::remainder(turn - other, 90);
    if (std::abs(by) >= off) return;
    off = std::abs(by);
    best = normalisedTurn(turn - by);
  };
  if (axis != nullptr) offer(axis->turn);
  for (const Wall& w : g.walls) offer(turnToLook(w.inward()));
  return best;
}
/// The rug of the seats lies under the middle of the table, square with it.
Vec2 middleOfGroup(const Ground& g, const Layout& l, const Axis& axis) {
  if (!g.lowTables.empty()) return l.at[g.lowTables.front()].at;
  return axis.out({0, depthOf(g.piece(l, g.seats.front()))});
}
bool isInGroup(const Layout& l, std::size_t main, std::size_t i) {
  return distance(l.at[i].at, l.at[main].at) < kOneGroup;
}

}  // namespace

double untidiness(const Ground& g, const Layout& l) {
  double sum = 0;
  const auto add = [&](double share) { sum += kAskew * std::clamp(share, 0.0, 1.0); };
  std::optional<Axis> axis;
  if (!g.seats.empty()) axis = axisOf(l, g.seats.front());
  for (const auto* list : {&g.seats, &g.lowTables, &g.desks, &g.diningTables, &g.others})
    for (const std::size_t i : *list)
      if (g.piece(l, i).shape != Shape::Round) add(isSquareWithRoom(g, axis ? &*axis : nullptr, l.at[i]) ? 0 : 1);
  if (!axis) return std::round(sum * 100) / 100;
  const std::size_t main = g.seats.front();
  if (!g.lowTables.empty() && isInGroup(l, main, g.lowTables.front())) {
    const FloorPlace& table = l.at[g.lowTables.front()];
    add(std::abs(axis->in(table.at).x) / kOffMiddle);
    add(offSquare(table.turn, axis->turn) < kStraight ? 0 : 1);
  }
  if (!g.rugs.empty() && isInGroup(l, main, g.rugs.front())) {
    const FloorPlace& rug = l.at[g.rugs.front()];
    add(distance(rug.at, middleOfGroup(g, l, *axis)) / (2 * kOffMiddle));
    add(offSquare(rug.turn, axis->turn) < kStraight ? 0 : 1);
  }
  for (const Pair& pair : pairsOf(g, l)) add(pairOff(g, l, *axis, pair));
  for (const auto* list : {&g.sideTables, &g.lamps})
    for (const std::size_t i : *list) add(farFromArm(g, l, i));
  for (const std::size_t i : stoolsOf(g)) add(farFromSeat(g, l, i));
  return std::round(sum * 100) / 100;
}

Layout setStraight(const Ground& g, const Layout& from, Chance& chance) {
  Layout out = from;
  std::optional<Axis> axis;
  if (!g.seats.empty()) axis = axisOf(from, g.seats.front());
  const auto one = [&](const std::vector<std::size_t>& list) { return list[chance.below(list.size())]; };
  const auto pairs = pairsOf(g, from);
  switch (axis ? chance.below(6) : 0) {
    case 0: {
      const std::size_t i = chance.below(g.movables.size());
      if (isSatAt(g.movables[i].piece->kind) || isDiningSeat(g.movables[i].piece->kind)) break;
      out.at[i].turn = straightened(g, axis ? &*axis : nullptr, from.at[i].turn);
      break;
    }
    case 1:
      if (!g.lowTables.empty()) {
        FloorPlace& table = out.at[g.lowTables.front()];
        table = {axis->out({0, axis->in(table.at).y}), normalisedTurn(axis->turn + (chance.may(0.9) ? 0 : 90))};
        if (!g.rugs.empty() && chance.may(0.5)) out.at[g.rugs.front()].at = table.at;
      }
      break;
    case 2:
      if (!g.rugs.empty()) {
        FloorPlace& rug = out.at[g.rugs.front()];
        const double by = std::remainder(rug.turn - axis->turn, 90);
        rug = {middleOfGroup(g, from, *axis), normalisedTurn(rug.turn - by)};
      }
      break;
    case 3:
      if (!pairs.empty()) {
        Pair pair = pairs[chance.below(pairs.size())];
        if (chance.may(0.5)) std::swap(pair.a, pair.b);
        const bool beside = looksAcross(*axis, from.at[pair.a]) && chance.may(0.5);
        out.at[pair.b] = beside ? besideOf(g, from, *axis, pair) : mirrored(*axis, from.at[pair.a]);
      }
      break;
    case 4: {
      const auto& list = g.lamps.empty() || (!g.sideTables.empty() && chance.may(0.5)) ? g.sideTables : g.lamps;
      if (!list.empty()) {
        const std::size_t i = one(list);
        out.at[i] = byArm(g, from, i, one(g.seats), chance.may(0.5) ? 1 : -1);
      }
      break;
    }
    default:
      if (const auto stools = stoolsOf(g); !stools.empty()) {
        const std::size_t i = one(stools);
        out.at[i] = beforeSeat(g, from, i, one(g.seats));
      }
  }
  return out;
}

}  // namespace mezzet
