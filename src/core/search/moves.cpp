#include "core/search/moves.h"

#include <algorithm>
#include <cmath>

#include "core/model/kinds.h"
#include "core/search/chairs.h"
#include "core/search/tidy.h"

namespace mezzet {
namespace {

constexpr double kLongSlide = 60 * kInch, kShortSlide = 1 * kInch;
constexpr double kBehindSeat = 36 * kInch;    // from a sofa's middle, of what stands at its back
constexpr double kSetStraight = 0.2;          // of all steps
constexpr double kSeatInGroup = 108 * kInch;  // from the table's middle

/// Slides along one of the plan's axes as the thing stands, or both; in quarter inches while steps are small.
Vec2 slideOf(const FloorPlace& place, double heat, Chance& chance) {
  const double reach = kShortSlide + (kLongSlide - kShortSlide) * heat * chance.unit() * chance.unit();
  const double step = heat > 0.5 ? 1 * kInch : 0.25 * kInch;
  const auto one = [&] { return std::round(chance.between(-reach, reach) / step) * step; };
  Vec2 by;
  switch (chance.below(3)) {
    case 0: by = {one(), 0}; break;
    case 1: by = {0, one()}; break;
    default: by = {one(), one()}; break;
  }
  return rotated(by, turnOf(place.turn));
}

void turnAbout(Layout& l, const std::vector<std::size_t>& group, double degrees) {
  Vec2 middle;
  for (const std::size_t i : group) middle += l.at[i].at;
  middle = middle * (1.0 / static_cast<double>(group.size()));
  const Turn turn = turnOf(normalisedTurn(degrees));
  for (const std::size_t i : group) {
    l.at[i].at = middle + rotated(l.at[i].at - middle, turn);
    l.at[i].turn = normalisedTurn(l.at[i].turn + degrees);
  }
}

/// The whole group moved so that this one's back is at a wall.
void backToWall(const Ground& g, Layout& l, const std::vector<std::size_t>& group, std::size_t i, Chance& chance) {
  const Piece& piece = g.piece(l, i);
  const FloorPlace from = l.at[i];
  // The nearest wall behind it, or any.
  const Wall* wall = &g.walls[chance.below(g.walls.size())];
  if (chance.may(0.6)) wall = &nearestWall(g, from.at);
  const double now = dot(from.at - wall->start, wall->along());
  const double along = chance.may(0.5) ? now : chance.may(0.5) ? wall->length() / 2 : chance.between(0, wall->length());
  const FloorPlace to =
      backTo(*wall, piece, along, !among(g.seats, i) || chance.may(0.5) ? 0 : chance.between(0, 4 * kInch));
  const double by = normalisedTurn(to.turn - from.turn);
  const Turn turn = turnOf(by);
  for (const std::size_t other : group) {
    l.at[other].at = to.at + rotated(l.at[other].at - from.at, turn);
    l.at[other].turn = normalisedTurn(l.at[other].turn + by);
  }
}

}  // namespace

std::vector<std::size_t> groupOf(const Ground& g, const Layout& l, std::size_t movable) {
  std::vector<std::size_t> out{movable};
  const std::string& kind = g.movables[movable].piece->kind;
  const auto near = [&](const std::vector<std::size_t>& list, double reach) {
    for (const std::size_t i : list)
      if (i != movable && distance(l.at[i].at, l.at[movable].at) <= reach) out.push_back(i);
  };
  if (isSatAt(kind)) {
    for (const std::size_t chair : chairsAt(g, l, movable)) out.push_back(chair);
    if (isDiningTable(kind)) near(g.rugs, 24 * kInch);
  } else if (isLowTable(kind) || among(g.seats, movable)) {
    for (const auto* list : {&g.seats, &g.lowTables, &g.sideTables, &g.lamps, &g.rugs}) near(*list, kSeatInGroup);
    if (isSofa(kind)) near(g.consoles, kBehindSeat);
  }
  return out;
}

Layout stepFrom(const Ground& g, const Layout& from, double heat, Chance& chance) {
  Layout out = from;
  if (g.movables.empty()) return out;
  if (chance.may(kSetStraight)) return setStraight(g, from, chance);
  const std::size_t i = chance.below(g.movables.size());
  if (among(g.diningChairs, i) && (!g.diningTables.empty() || !g.desks.empty() || !g.satAt.empty())) {
    out.at[i] = freeChairPlace(g, from, i, chance);
    return out;
  }
  const bool leads = among(g.desks, i) || among(g.diningTables, i) || among(g.lowTables, i) || among(g.seats, i);
  const std::vector<std::size_t> group =
      leads && (isSatAt(g.movables[i].piece->kind) || chance.may(0.4)) ? groupOf(g, from, i) : std::vector{i};
  // Cases and beds keep their backs at what they stand against: they go along it, or to another wall.
  const bool backed = among(g.storage, i) || among(g.consoles, i) || among(g.beds, i) || among(g.desks, i);
  const double drawn = chance.unit(), what = backed && drawn >= 0.62 && drawn < 0.74 ? 0.8 : drawn;
  if (what < 0.62) {
    Vec2 by = slideOf(from.at[i], heat, chance);
    if (backed) {
      const Vec2 side = rotated({1, 0}, turnOf(from.at[i].turn));
      by = side * dot(by, side);
    }
    for (const std::size_t other : group) out.at[other].at += by;
  } else if (what < 0.74) {
    const double quarter = chance.may(0.7) ? (chance.may(0.5) ? 90 : -90) : 180;
    // A chair may stand at an angle.
    const bool free = group.size() == 1 && among(g.seats, i) && !isSofa(g.movables[i].piece->kind);
    turnAbout(out, group, free && chance.may(0.4) ? (chance.may(0.5) ? 15 : -15) : quarter);
  } else if (what < 0.9) {
    backToWall(g, out, group, i, chance);
  } else if (what < 0.97 || g.movables[i].sizes.size() < 2) {
    const std::size_t j = chance.below(g.movables.size());
    // What chairs stand at is no part of it: they would stand about.
    const auto stays = [&](std::size_t k) { return among(g.diningChairs, k) || !chairsAt(g, from, k).empty(); };
    if (!stays(i) && !stays(j)) std::swap(out.at[i], out.at[j]);
  } else {
    out.size[i] = chance.below(g.movables[i].sizes.size());
  }
  return out;
}

}  // namespace mezzet
