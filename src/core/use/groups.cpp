#include "core/use/groups.h"

#include <algorithm>
#include <map>
#include <numeric>

#include "core/model/kinds.h"

namespace mezzet {

FrontEdge frontOf(const PieceIndex& pieces, const Placement& p) {
  const auto& place = floorPlace(p.on);
  const Piece& piece = pieces.of(p);
  if (piece.shape != Shape::Curve) return seatFront(piece, place);
  // A curve looks the way its middle does.
  const std::vector<FrontEdge> all = seatFronts(piece, place);
  return all[all.size() / 2];
}

bool sitsIn(const TalkGroup& group, std::string_view placement) {
  return std::any_of(group.seats.begin(), group.seats.end(),
                     [&](const Placement* p) { return p->id.value == placement; });
}

double turnedAway(const FrontEdge& front, Vec2 point) {
  return degreesBetween(front.outward, point - midpoint(front.left, front.right));
}

std::vector<TalkGroup> talkGroupsIn(const PieceIndex& pieces, const std::vector<Serving>& servings) {
  const std::size_t n = servings.size();
  std::vector<FrontEdge> fronts;
  fronts.reserve(n);
  for (const Serving& s : servings) fronts.push_back(frontOf(pieces, *s.seat));
  std::vector<std::size_t> root(n);
  std::iota(root.begin(), root.end(), 0U);
  const auto find = [&](std::size_t i) {
    while (root[i] != i) i = root[i] = root[root[i]];
    return i;
  };
  constexpr double kSharesTable = 30 * kInch, kTogether = 90;  // degrees
  std::map<std::string, std::size_t> byHand;
  for (std::size_t i = 0; i < n; ++i) {
    const Serving& a = servings[i];
    if (!a.seat->group.empty()) {
      const auto [at, fresh] = byHand.emplace(a.seat->group, i);
      if (!fresh) root[find(i)] = find(at->second);
      continue;
    }
    for (std::size_t j = 0; j < i; ++j) {
      const Serving& b = servings[j];
      if (!b.seat->group.empty()) continue;
      const Vec2 from = midpoint(fronts[i].left, fronts[i].right), to = midpoint(fronts[j].left, fronts[j].right);
      const double away = distance(from, to);
      if (away > kTalkReach) continue;
      const bool shares =
          a.table != nullptr && a.table == b.table && std::max(a.reach.gap, b.reach.gap) <= kSharesTable;
      const bool faces = turnedAway(fronts[i], to) < kTogether && turnedAway(fronts[j], from) < kTogether;
      if (shares || faces) root[find(i)] = find(j);
    }
  }
  std::map<std::size_t, TalkGroup> groups;
  for (std::size_t i = 0; i < n; ++i) {
    TalkGroup& group = groups[find(i)];
    group.seats.push_back(servings[i].seat);
    group.places += placesOn(pieces.of(*servings[i].seat));
  }
  std::vector<TalkGroup> out;
  out.reserve(groups.size());
  for (auto& [first, group] : groups) out.push_back(std::move(group));
  std::stable_sort(out.begin(), out.end(), [](const TalkGroup& a, const TalkGroup& b) { return a.places > b.places; });
  return out;
}

}  // namespace mezzet
