#include "core/use/serving.h"

#include <algorithm>
#include <limits>

#include "core/model/kinds.h"

namespace mezzet {
namespace {

/// Whether any part of the table lies before the seat's front line: a table behind a sofa does not serve it.
bool liesBefore(const Parts& table, const FrontEdge& front) {
  double furthest = -std::numeric_limits<double>::infinity();
  for (const Convex& part : table)
    for (const Vec2 p : part.core) furthest = std::max(furthest, dot(p - front.left, front.outward) + part.radius);
  return furthest > kTouch;
}

struct Table {
  const Placement* placement;
  Parts body;
  Box bounds;
};

/// Tables sorted by their left edge; `widest` is the widest of them, so that a search can stop on either side as soon
/// as nothing nearer can follow.
struct Tables {
  std::vector<Table> all;
  double widest = 0;

  void add(const Placement& p, Parts body) {
    const Box bounds = boundsOf(body);
    widest = std::max(widest, bounds.high.x - bounds.low.x);
    all.push_back({&p, std::move(body), bounds});
  }
  void sort() {
    std::stable_sort(all.begin(), all.end(),
                     [](const Table& a, const Table& b) { return a.bounds.low.x < b.bounds.low.x; });
  }
  /// Calls `consider(table)` for those that can be nearer to `box` than `nearest()`.
  template <class Consider, class Nearest>
  void search(const Box& box, Consider consider, Nearest nearest) const {
    const auto middle = std::lower_bound(all.begin(), all.end(), box.low.x,
                                         [](const Table& t, double x) { return t.bounds.low.x < x; });
    auto right = middle, left = middle;
    const auto look = [&](const Table& table) {
      const double aside = std::max({0.0, table.bounds.low.y - box.high.y, box.low.y - table.bounds.high.y});
      if (aside <= nearest()) consider(table);
    };
    while (right != all.end() || left != all.begin()) {
      if (right != all.end()) {
        if (right->bounds.low.x - box.high.x > nearest()) right = all.end();
        else look(*right++);
      }
      if (left != all.begin()) {
        --left;
        if (box.low.x - (left->bounds.low.x + widest) > nearest()) left = all.begin();
        else look(*left);
      }
    }
  }
};

}  // namespace

std::vector<Serving> servingsIn(const PieceIndex& pieces, const Scheme& scheme) {
  Tables low, side;
  for (const Placement& p : scheme.placements)
    if (const auto* place = onFloor(p.on)) {
      const std::string& kind = pieces.of(p).kind;
      if (isLowTable(kind)) low.add(p, footprint(pieces.of(p), *place));
      if (isSurface(kind)) side.add(p, footprint(pieces.of(p), *place));
    }
  low.sort();
  side.sort();
  std::vector<Serving> out;
  for (const Placement& p : scheme.placements) {
    const auto* place = onFloor(p.on);
    if (place == nullptr || !isSeat(pieces.of(p).kind)) continue;
    Serving s;
    s.seat = &p;
    s.reach.gap = s.beside.gap = std::numeric_limits<double>::infinity();
    const std::vector<FrontEdge> fronts = seatFronts(pieces.of(p), *place);
    s.front = fronts.front();
    for (const FrontEdge& front : fronts) {
      const Convex edge{{front.left, front.right}, 0};
      low.search(
          boundsOf(edge),
          [&](const Table& table) {
            if (!liesBefore(table.body, front)) return;
            if (const Separation sep = separation(Parts{edge}, table.body); sep.gap < s.reach.gap) {
              s.reach = sep;
              s.table = table.placement;
              s.front = front;
            }
          },
          [&] { return s.reach.gap; });
    }
    if (!side.all.empty()) {
      const Parts seat = footprint(pieces.of(p), *place);
      side.search(
          boundsOf(seat),
          [&](const Table& table) {
            if (const Separation sep = separation(seat, table.body); sep.gap < s.beside.gap) {
              s.beside = sep;
              s.side = table.placement;
            }
          },
          [&] { return s.beside.gap; });
    }
    out.push_back(s);
  }
  return out;
}

}  // namespace mezzet
