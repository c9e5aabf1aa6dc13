// Room behind those who sit at a dining table.
#include <algorithm>
#include <cmath>
#include <limits>

#include "core/job/kinds.h"
#include "core/rules/check.h"

namespace mezzet {
namespace {

/// A chair whose front is further than this from a table does not stand at it [D].
constexpr double kAtTable = 18 * kInch;

/// How far a body reaches along `axis` within the strip of half width `half` about the line through `middle`.
double reachInStrip(const Parts& parts, Vec2 middle, Vec2 axis, double half) {
  const Vec2 t = leftOf(axis);
  double reach = -std::numeric_limits<double>::infinity();
  for (const Convex& part : parts) {
    if (part.core.size() == 1) {
      // A circle: at its middle if that lies in the strip, else where the strip's nearer side cuts it.
      const double off = dot(part.core[0] - middle, t), side = std::clamp(off, -half, half) - off;
      if (std::abs(side) <= part.radius) reach = std::max(reach, dot(part.core[0] - middle, axis) + std::sqrt(part.radius * part.radius - side * side));
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

struct Seated {
  const Placement* chair;
  const Placement* table;
  double gap;
};

/// The table that a chair stands at: the nearest before its front.
std::optional<Seated> seatedAt(const Situation& s, const Placement& chair, const std::vector<const Placement*>& tables) {
  const FrontEdge front = seatFront(s.pieces.of(chair), std::get<FloorPlace>(chair.on));
  const Parts edge{Convex{{front.left, front.right}, 0}};
  std::optional<Seated> best;
  for (const Placement* table : tables) {
    const Parts body = footprint(s.pieces.of(*table), std::get<FloorPlace>(table->on));
    const Separation sep = separation(edge, body);
    const bool before = reachInStrip(body, front.left, front.outward, std::numeric_limits<double>::infinity()) > kTouch;
    if (before && sep.gap <= kAtTable && (!best || sep.gap < best->gap)) best = Seated{&chair, table, sep.gap};
  }
  return best;
}

}  // namespace

void evaluateDiningWall(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  std::vector<const Placement*> tables, chairs;
  for (const Placement& p : s.scheme.placements)
    if (std::holds_alternative<FloorPlace>(p.on)) {
      const std::string& kind = s.pieces.of(p).kind;
      if (kind == "dining-table") tables.push_back(&p);
      if (isDiningSeat(kind)) chairs.push_back(&p);
    }
  if (tables.empty()) return;
  std::vector<Seated> seated;
  for (const Placement* chair : chairs)
    if (const auto at = seatedAt(s, *chair, tables)) seated.push_back(*at);
  if (seated.empty()) return;
  std::vector<Body> fixed = wallBodies(s.room);
  for (Body& body : featureBodies(s.room)) fixed.push_back(std::move(body));

  for (const Seated& seat : seated) {
    const Piece& chair = s.pieces.of(*seat.chair);
    const Piece& table = s.pieces.of(*seat.table);
    const FloorPlace& place = std::get<FloorPlace>(seat.chair->on);
    const Vec2 back = rotated({0, 1}, turnOf(place.turn)), t = leftOf(back);
    const double half = chair.width / 2;
    // The chair's width, laid against the table's edge and slid back until something stops it.
    const double edge = reachInStrip(footprint(table, std::get<FloorPlace>(seat.table->on)), place.at, back, half);
    if (!std::isfinite(edge)) continue;
    const Vec2 from = place.at + back * edge;
    const Convex row{{from - t * half, from + t * half}, 0};
    double clear = std::numeric_limits<double>::infinity();
    std::string hit;
    double doubt = 0;
    const auto offer = [&](const Body& body, double itsDoubt) {
      for (const Convex& part : body.parts)
        if (const auto length = slideUntilTouch(row, part, back, kTouch); length && *length < clear) {
          clear = std::max(0.0, *length);
          hit = body.id;
          doubt = itsDoubt;
        }
    };
    for (const Body& body : fixed) offer(body, 0);
    for (const Body& body : s.bodies) {
      if (body.flat || body.id == seat.chair->id.value || body.id == seat.table->id.value) continue;
      // Others at the same table sit beside, not behind.
      if (std::any_of(seated.begin(), seated.end(), [&](const Seated& o) { return o.table == seat.table && o.chair->id.value == body.id; })) continue;
      const Placement& p = *findPlacement(s.scheme, PlacementId(body.id));
      offer(body, s.pieces.of(p).doubts.empty() ? 0 : doubtAlong(s.pieces.of(p), std::get<FloorPlace>(p.on), back));
    }
    if (!std::isfinite(clear)) continue;
    Finding f = findingOf(rule, askedOf(rule, s.job, table), {seat.chair->id.value, seat.table->id.value});
    f.measured = clear;
    f.at = {from, from + back * clear};
    f.u95 = std::hypot(doubt, doubtAlong(table, std::get<FloorPlace>(seat.table->on), back));
    decide(f, s.scheme);
    const PlacementId behind(hit);
    const std::string what = findPlacement(s.scheme, behind) != nullptr ? s.names.the(behind)
                             : hit.starts_with("wall:")                 ? "wall " + hit.substr(5)
                                                                        : "the " + featureWords(s.room, hit);
    f.sentence = "Behind " + s.names.the(seat.chair->id) + " it is " + writeLength(clear, s.format) + " from the table's edge to " + what +
                 (f.margin < 0 ? ", " + writeLength(-f.margin, s.format) + " short" : "") + ".";
    f.rival = rivalWords(s, rule, f);
    out.push_back(std::move(f));
  }
}

}  // namespace mezzet
