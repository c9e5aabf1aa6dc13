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

}  // namespace

void evaluateTableReach(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  struct Table {
    const Placement* placement;
    Convex body;
  };
  std::vector<Table> tables;
  for (const Placement& p : s.scheme.placements)
    if (const auto* place = std::get_if<FloorPlace>(&p.on); place != nullptr && isLowTable(pieceOf(s.job, p).kind))
      tables.push_back({&p, footprint(pieceOf(s.job, p), *place)});
  if (tables.empty()) return;
  const Asked asked = askedOf(rule, s.job);

  for (const Placement& seat : s.scheme.placements) {
    const auto* place = std::get_if<FloorPlace>(&seat.on);
    if (place == nullptr || !isSeat(pieceOf(s.job, seat).kind)) continue;
    const FrontEdge front = seatFront(pieceOf(s.job, seat), *place);
    const Convex edge{{front.left, front.right}, 0};
    const Table* serves = nullptr;
    Separation reach{std::numeric_limits<double>::infinity(), {}, {}};
    for (const Table& table : tables) {
      if (!liesBefore(table.body, front)) continue;
      if (const Separation sep = separation(edge, table.body); sep.gap < reach.gap) {
        reach = sep;
        serves = &table;
      }
    }
    if (serves == nullptr) continue;  // whether a seat is served at all is another rule's business

    Finding f = findingOf(rule, asked, {seat.id.value, serves->placement->id.value});
    f.measured = reach.gap;
    f.at = {reach.a, reach.b};
    decide(f, s.scheme);
    f.sentence = theOne(s.job, s.scheme, *serves->placement, true) + " is " + writeLength(std::max(0.0, f.measured), s.format) + " from the front of " + theOne(s.job, s.scheme, seat);
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
