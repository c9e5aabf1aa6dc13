#include <algorithm>
#include <limits>

#include "core/clearance/bodies.h"
#include "core/job/kinds.h"
#include "core/rules/check.h"

namespace mezzet {
namespace {

/// Whether any part of the table lies before the seat's front line: a table behind a sofa does not serve it.
bool liesBefore(const Convex& table, const FrontEdge& front) {
  double furthest = -std::numeric_limits<double>::infinity();
  for (const Vec2 p : table.core) furthest = std::max(furthest, dot(p - front.left, front.outward) + table.radius);
  return furthest > kTouch;
}

struct Table {
  const Placement* placement;
  Convex body;
  Box bounds;
};

struct Reach {
  const Table* table = nullptr;
  Separation gap{std::numeric_limits<double>::infinity(), {}, {}};
};

/// The nearest table before a seat. Tables are sorted by their left edge; `widest` is the widest of them, so that the
/// search can stop on either side as soon as nothing nearer can follow.
Reach nearestTable(const FrontEdge& front, const std::vector<Table>& tables, double widest) {
  const Convex edge{{front.left, front.right}, 0};
  const Box box = boundsOf(edge);
  Reach best;
  const auto consider = [&](const Table& table) {
    const double aside = std::max({0.0, table.bounds.low.y - box.high.y, box.low.y - table.bounds.high.y});
    if (aside > best.gap.gap || !liesBefore(table.body, front)) return;
    if (const Separation sep = separation(edge, table.body); sep.gap < best.gap.gap) best = {&table, sep};
  };
  const auto middle = std::lower_bound(tables.begin(), tables.end(), box.low.x, [](const Table& t, double x) { return t.bounds.low.x < x; });
  auto right = middle, left = middle;
  while (right != tables.end() || left != tables.begin()) {
    if (right != tables.end()) {
      if (right->bounds.low.x - box.high.x > best.gap.gap) right = tables.end();
      else consider(*right++);
    }
    if (left != tables.begin()) {
      --left;
      if (box.low.x - (left->bounds.low.x + widest) > best.gap.gap) left = tables.begin();
      else consider(*left);
    }
  }
  return best;
}

}  // namespace

void evaluateTableReach(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  std::vector<Table> tables;
  double widest = 0;
  for (const Placement& p : s.scheme.placements)
    if (const auto* place = std::get_if<FloorPlace>(&p.on); place != nullptr && isLowTable(s.pieces.of(p).kind)) {
      const Convex body = footprint(s.pieces.of(p), *place);
      tables.push_back({&p, body, boundsOf(body)});
      widest = std::max(widest, tables.back().bounds.high.x - tables.back().bounds.low.x);
    }
  if (tables.empty()) return;
  std::stable_sort(tables.begin(), tables.end(), [](const Table& a, const Table& b) { return a.bounds.low.x < b.bounds.low.x; });
  const Asked asked = askedOf(rule, s.job);

  for (const Placement& seat : s.scheme.placements) {
    const auto* place = std::get_if<FloorPlace>(&seat.on);
    if (place == nullptr || !isSeat(s.pieces.of(seat).kind)) continue;
    const Reach reach = nearestTable(seatFront(s.pieces.of(seat), *place), tables, widest);
    if (reach.table == nullptr) continue;  // whether a seat is served at all is another rule's business

    Finding f = findingOf(rule, asked, {seat.id.value, reach.table->placement->id.value});
    f.measured = reach.gap.gap;
    f.at = {reach.gap.a, reach.gap.b};
    decide(f, s.scheme);
    f.sentence = s.names.the(reach.table->placement->id, true) + " is " + writeLength(std::max(0.0, f.measured), s.format) + " from the front of " +
                 s.names.the(seat.id);
    if (f.margin < 0) {
      const bool far = f.asked.high && f.measured > *f.asked.high;
      f.sentence += ", " + writeLength(-f.margin, s.format) + (far ? " too far" : " too near");
    }
    f.sentence += ".";
    f.rival = rivalWords(s, rule, f);
    out.push_back(std::move(f));
  }
}

}  // namespace mezzet
