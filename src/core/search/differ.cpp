#include "core/search/differ.h"

#include <algorithm>
#include <cmath>
#include <functional>
#include <map>

#include "core/model/kinds.h"

namespace mezzet {
namespace {

bool counts(const std::string& kind) {
  return isSeat(kind) || isDiningSeat(kind) || isLowTable(kind) || isDiningTable(kind) || isSatAt(kind) ||
         isSideTable(kind) || isStorage(kind);
}

bool near(const Piece& piece, const FloorPlace& a, const FloorPlace& b) {
  if (distance(a.at, b.at) > kOtherPlace) return false;
  if (piece.shape == Shape::Round) return true;
  double by = std::abs(normalisedTurn(a.turn - b.turn));
  by = std::min(by, 360 - by);
  const bool halves = isLowTable(piece.kind) || isDiningTable(piece.kind);
  if (halves) by = std::min(by, 180 - by);
  return by < kOtherTurn - 0.01;
}

/// Whether every one of a class can be matched with one of the other layout that is near it.
bool matched(const std::vector<std::size_t>& members, const std::function<bool(std::size_t, std::size_t)>& fits) {
  const std::size_t n = members.size();
  std::vector<std::size_t> of(n, n);
  for (std::size_t i = 0; i < n; ++i) {
    std::vector<bool> seen(n, false);
    const std::function<bool(std::size_t)> give = [&](std::size_t from) {
      for (std::size_t to = 0; to < n; ++to) {
        if (seen[to] || !fits(members[from], members[to])) continue;
        seen[to] = true;
        if (of[to] == n || give(of[to])) {
          of[to] = from;
          return true;
        }
      }
      return false;
    };
    if (!give(i)) return false;
  }
  return true;
}

}  // namespace

bool differ(const Ground& g, const Layout& a, const Layout& b) {
  std::map<PieceId, std::vector<std::size_t>> equal;
  for (std::size_t i = 0; i < g.movables.size(); ++i) {
    const Piece& piece = *g.movables[i].piece;
    if (counts(piece.kind)) equal[piece.variantOf.value_or(piece.id)].push_back(i);
  }
  for (const auto& [base, members] : equal)
    if (!matched(members, [&](std::size_t i, std::size_t j) { return near(g.piece(a, i), a.at[i], b.at[j]); }))
      return true;
  return false;
}

}  // namespace mezzet
