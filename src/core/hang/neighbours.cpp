#include "core/hang/neighbours.h"

#include <algorithm>
#include <map>
#include <tuple>

namespace mezzet {

std::vector<HungPair> spanningPairs(const PieceIndex& pieces, const Scheme& scheme, std::vector<PlacementId> members) {
  std::sort(members.begin(), members.end());
  std::vector<HungShape> outlines;
  outlines.reserve(members.size());
  for (const PlacementId& id : members) {
    const Placement& p = *findPlacement(scheme, id);
    outlines.push_back(hungShape(pieces.of(p), wallPlace(p.on)));
  }
  struct Edge {
    double gap;
    std::size_t a, b;
    Separation s;
  };
  std::vector<Edge> edges;
  edges.reserve(members.size() * members.size() / 2);
  for (std::size_t i = 0; i < members.size(); ++i)
    for (std::size_t j = i + 1; j < members.size(); ++j) {
      const Separation s = hungGap(outlines[i], outlines[j]);
      edges.push_back({s.gap, i, j, s});
    }
  std::sort(edges.begin(), edges.end(),
            [](const Edge& x, const Edge& y) { return std::tuple(x.gap, x.a, x.b) < std::tuple(y.gap, y.a, y.b); });
  std::vector<std::size_t> root(members.size());
  for (std::size_t i = 0; i < root.size(); ++i) root[i] = i;
  const auto find = [&](std::size_t i) {
    while (root[i] != i) i = root[i] = root[root[i]];
    return i;
  };
  std::vector<HungPair> out;
  for (const Edge& e : edges) {
    const std::size_t a = find(e.a), b = find(e.b);
    if (a == b) continue;
    root[b] = a;
    out.push_back({members[e.a], members[e.b], e.gap, {e.s.a, e.s.b}});
  }
  return out;
}

std::optional<HungPair> nearestHung(const PieceIndex& pieces, const Scheme& scheme, const PlacementId& id) {
  const Placement* own = findPlacement(scheme, id);
  const auto* place = own != nullptr ? onWall(own->on) : nullptr;
  if (place == nullptr) return std::nullopt;
  const HungShape outline = hungShape(pieces.of(*own), *place);
  std::optional<HungPair> best;
  for (const Placement& p : scheme.placements) {
    const auto* other = onWall(p.on);
    if (other == nullptr || p.id == id || other->wall != place->wall) continue;
    const Separation s = hungGap(outline, hungShape(pieces.of(p), *other));
    if (!best || s.gap < best->gap) best = HungPair{id, p.id, s.gap, {s.a, s.b}};
  }
  return best;
}

}  // namespace mezzet
