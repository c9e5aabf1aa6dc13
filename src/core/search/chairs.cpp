#include "core/search/chairs.h"

#include <algorithm>

#include "core/geometry/polygon.h"
#include "core/model/kinds.h"
#include "core/use/chairs.h"
#include "core/use/dining.h"

namespace mezzet {
namespace {

constexpr double kThere = 14 * kInch;  // a chair so near a place stands at it, pushed in or not

bool isTaken(const Ground& g, const Layout& l, const FloorPlace& place, std::size_t but) {
  return std::any_of(g.diningChairs.begin(), g.diningChairs.end(),
                     [&](std::size_t other) { return other != but && distance(l.at[other].at, place.at) <= kThere; });
}

bool standsAtOne(const std::vector<FloorPlace>& places, const FloorPlace& chair) {
  return std::any_of(places.begin(), places.end(),
                     [&](const FloorPlace& p) { return distance(p.at, chair.at) <= kThere; });
}

/// The places at what stands at `at`, in the order in which they are taken.
void addPlaces(const Ground& g, const Piece& table, const FloorPlace& at, const Piece& chair, std::size_t most,
               std::vector<FloorPlace>& out) {
  const auto add = [&](const FloorPlace& place) {
    if (contains(g.outline, place.at)) out.push_back(place);
  };
  if (!isDiningTable(table.kind)) return add(atDesk(table, at, chair));
  for (const Setting& s : settingsAround(table, at, chair, kPlaceSetting, true, static_cast<int>(most), kSetUnder))
    add(s.chair);
}

}  // namespace

FloorPlace atDesk(const Piece& desk, const FloorPlace& at, const Piece& chair) {
  const Vec2 front = frontOf(at);
  return {at.at + front * (depthOf(desk) / 2 + depthOf(chair) / 2 - kSetUnder), turnToLook(-front)};
}

std::vector<FloorPlace> chairPlaces(const Ground& g, const Layout& l) {
  std::vector<FloorPlace> out;
  if (g.diningChairs.empty()) return out;
  const Piece& chair = g.piece(l, g.diningChairs.front());
  const std::size_t most = g.diningChairs.size() + 2;
  for (const auto* list : {&g.desks, &g.diningTables})
    for (const std::size_t i : *list) addPlaces(g, g.piece(l, i), l.at[i], chair, most, out);
  for (const auto& [piece, at] : g.satAt) addPlaces(g, *piece, at, chair, most, out);
  return out;
}

bool chairsStandAtTables(const Ground& g, const Layout& l) {
  if (g.diningChairs.empty()) return true;
  const Piece& chair = g.piece(l, g.diningChairs.front());
  const bool desksServed =
      g.diningChairs.size() < g.desks.size() || std::all_of(g.desks.begin(), g.desks.end(), [&](std::size_t desk) {
        return isTaken(g, l, atDesk(g.piece(l, desk), l.at[desk], chair), g.movables.size());
      });
  if (!desksServed) return false;
  const std::vector<FloorPlace> places = chairPlaces(g, l);
  const auto there = static_cast<std::size_t>(std::count_if(
      g.diningChairs.begin(), g.diningChairs.end(), [&](std::size_t one) { return standsAtOne(places, l.at[one]); }));
  return there >= std::min(places.size(), g.diningChairs.size());
}

std::vector<std::size_t> chairsAt(const Ground& g, const Layout& l, std::size_t table) {
  std::vector<std::size_t> out;
  if (g.diningChairs.empty()) return out;
  std::vector<FloorPlace> places;
  addPlaces(g, g.piece(l, table), l.at[table], g.piece(l, g.diningChairs.front()), g.diningChairs.size() + 2, places);
  for (const std::size_t chair : g.diningChairs)
    if (standsAtOne(places, l.at[chair])) out.push_back(chair);
  return out;
}

FloorPlace freeChairPlace(const Ground& g, const Layout& l, std::size_t chair, Chance& chance) {
  for (const std::size_t desk : g.desks)
    if (among(chairsAt(g, l, desk), chair)) return l.at[chair];
  std::vector<FloorPlace> places = chairPlaces(g, l);
  std::erase_if(places, [&](const FloorPlace& p) { return isTaken(g, l, p, chair); });
  return places.empty() ? l.at[chair] : places[chance.below(places.size())];
}

}  // namespace mezzet
