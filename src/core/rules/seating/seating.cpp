// Seats and the tables that serve them.
#include <algorithm>
#include <cmath>

#include "core/rules/seating/rules.h"
#include "core/model/kinds.h"
#include "core/edit/edits.h"
#include "core/rules/base/facts.h"

namespace mezzet {
namespace {

/// A side table stands this far from the arm: near enough to reach, far enough to draw a chair past [D].
constexpr double kBesideArm = 3 * kInch;

const FloorPlace& floorOf(const Placement& p) { return floorPlace(p.on); }

/// "2 in below", "level with", "1 in above"
std::string levelWords(double above, LengthFormat format) {
  if (std::abs(above) < kTouch) return "level with";
  return writeLength(std::abs(above), format) + (above > 0 ? " above" : " below");
}

/// Whether a low table serves this seat: near enough, or there is no side table that does instead.
bool tableServes(const Serving& s, const Asked& reach) {
  if (s.table == nullptr) return false;
  const bool far = reach.tolerated.high && s.reach.gap > *reach.tolerated.high;
  return !far || s.side == nullptr || s.beside.gap > kSideReach;
}

void evaluateTableReach(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  for (const Serving& serving : s.servings()) {
    const Piece& seat = s.pieces.of(*serving.seat);
    const Asked asked = askedOf(rule, s.job, seat);
    if (!tableServes(serving, asked)) continue;  // whether a seat is served at all is another rule's business
    Finding f = findingOf(rule, asked, {serving.seat->id.value, serving.table->id.value});
    f.measured = serving.reach.gap;
    f.at = {serving.reach.a, serving.reach.b};
    const Vec2 d = unit(f.at[1] - f.at[0]);
    f.u95 = std::hypot(doubtAlong(seat, floorOf(*serving.seat), d),
                       doubtAlong(s.pieces.of(*serving.table), floorOf(*serving.table), d));
    decide(f, s.scheme);
    f.sentence = s.names.the(serving.table->id, true) + " is " + writeLength(std::max(0.0, f.measured), s.format) +
                 " from the front of " + s.names.the(serving.seat->id) + missWords(f, s.format, "too near", "too far") +
                 ".";
    f.rival = rivalWords(s, rule, f);
    out.push_back(std::move(f));
  }
}

void evaluateServedSeats(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  const Rule* reachRule = findRule(s.book, std::string(kTableReach));
  for (const Serving& serving : s.servings()) {
    const Piece& seat = s.pieces.of(*serving.seat);
    const Range reach = reachRule != nullptr ? askedOf(*reachRule, s.job, seat).tolerated : Range{};
    // A table that stands too near still serves: how near it may stand is another rule's business.
    const double farthest = reach.high.value_or(18 * kInch);
    const double overTable = serving.reach.gap - farthest, overSide = serving.beside.gap - kSideReach;
    const bool byTable = serving.table != nullptr && overTable <= 0.01,
               bySide = serving.side != nullptr && overSide <= 0.01;
    Finding f = findingOf(rule, askedOf(rule, s.job, seat), {serving.seat->id.value});
    f.measured = byTable || bySide ? 1 : 0;
    f.at = {floorOf(*serving.seat).at, floorOf(*serving.seat).at};
    decide(f, s.scheme);
    const double over = std::min(overTable, overSide);
    f.marginMm = std::isfinite(over) ? std::optional(-over) : std::nullopt;
    const std::string name = s.names.the(serving.seat->id, true);
    if (bySide) f.sentence = s.names.the(serving.side->id, true) + " serves " + s.names.the(serving.seat->id) + ".";
    else if (byTable)
      f.sentence = s.names.the(serving.table->id, true) + " serves " + s.names.the(serving.seat->id) + ".";
    else if (!std::isfinite(over)) f.sentence = name + " has no table to put a cup on.";
    else
      f.sentence = name + " has no table within reach: " +
                   s.names.the(overTable <= overSide ? serving.table->id : serving.side->id) + " is " +
                   writeLength(over, s.format) + " too far.";
    out.push_back(std::move(f));
  }
}

void evaluateTableLevel(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  const Rule* reachRule = findRule(s.book, std::string(kTableReach));
  for (const Serving& serving : s.servings()) {
    const Piece& seat = s.pieces.of(*serving.seat);
    if (serving.table == nullptr || (reachRule != nullptr && !tableServes(serving, askedOf(*reachRule, s.job, seat))))
      continue;
    const Piece& table = s.pieces.of(*serving.table);
    Finding f = findingOf(rule, askedOf(rule, s.job, seat), {serving.seat->id.value, serving.table->id.value});
    if (!table.height) f.missing.push_back(table.id.value + ".height");
    if (!seat.seat->height) f.missing.push_back(seat.id.value + ".seatHeight");
    f.at = {serving.reach.a, serving.reach.b};
    f.measured = table.height.value_or(0) - seat.seat->height.value_or(0);
    f.u95 = std::hypot(doubtOf(table, "height"), doubtOf(seat, "seatHeight"));
    decide(f, s.scheme);
    const std::string tableName = s.names.the(serving.table->id), seatName = s.names.the(serving.seat->id);
    if (!f.missing.empty())
      f.sentence = "How " + std::string(!table.height ? "high " + tableName + " is" : "high one sits on " + seatName) +
                   " has not been measured.";
    else
      f.sentence = s.names.the(serving.table->id, true) + " is " + levelWords(f.measured, s.format) + " the seat of " +
                   seatName + missWords(f, s.format) + ".";
    out.push_back(std::move(f));
  }
}

void evaluateTableLength(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  for (const Serving& serving : s.servings()) {
    const Piece& seat = s.pieces.of(*serving.seat);
    if (serving.table == nullptr || !isSofa(seat.kind)) continue;
    const Piece& table = s.pieces.of(*serving.table);
    // Its longer side, whichever way it is turned.
    const bool wide = table.width >= table.depth.value_or(0);
    const double length = wide ? table.width : *table.depth;
    Finding f = findingOf(rule, askedOf(rule, s.job, seat), {serving.seat->id.value, serving.table->id.value});
    f.at = {serving.reach.a, serving.reach.b};
    f.measured = length / seat.width;
    f.u95 =
        f.measured * std::hypot(doubtOf(table, wide ? "width" : "depth") / length, doubtOf(seat, "width") / seat.width);
    decide(f, s.scheme);
    f.marginMm = f.margin * seat.width;
    f.sentence = s.names.the(serving.table->id, true) + " is " + measureWords(f.measured, f.quantity, s.format) +
                 " as long as " + s.names.the(serving.seat->id) + idealWords(f, s.format) + ".";
    out.push_back(std::move(f));
  }
}

void evaluateSideTableLevel(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  for (const Serving& serving : s.servings()) {
    // Consoles and sideboards serve, too, but are no higher or lower for it.
    if (serving.side == nullptr || serving.beside.gap > kSideReach || !isSideTable(s.pieces.of(*serving.side).kind))
      continue;
    const Piece& seat = s.pieces.of(*serving.seat);
    const Piece& table = s.pieces.of(*serving.side);
    Finding f = findingOf(rule, askedOf(rule, s.job, seat), {serving.seat->id.value, serving.side->id.value});
    if (!table.height) f.missing.push_back(table.id.value + ".height");
    if (!seat.seat->arm) f.missing.push_back(seat.id.value + ".armHeight");
    f.at = {serving.beside.a, serving.beside.b};
    f.measured = table.height.value_or(0) - seat.seat->arm.value_or(0);
    f.u95 = std::hypot(doubtOf(table, "height"), doubtOf(seat, "armHeight"));
    decide(f, s.scheme);
    const std::string seatName = s.names.the(serving.seat->id);
    if (!f.missing.empty())
      f.sentence = !table.height ? "How high " + s.names.the(serving.side->id) + " is has not been measured."
                                 : "How high the arm of " + seatName + " is has not been measured.";
    else
      f.sentence = s.names.the(serving.side->id, true) + " is " + levelWords(f.measured, s.format) + " the arm of " +
                   seatName + missWords(f, s.format) + ".";
    out.push_back(std::move(f));
  }
}

// ---- ways out

void bringTableNearer(Proposals& ways) {
  const Placement* a = findPlacement(ways.scheme, PlacementId(ways.target.subjects[0]));
  const Placement* b = findPlacement(ways.scheme, PlacementId(ways.target.subjects[1]));
  if (a == nullptr || b == nullptr) return;
  const Placement& table = isLowTable(pieceOf(ways.job, *a).kind) ? *a : *b;
  const Placement& seat = &table == a ? *b : *a;
  const Vec2 towards = unit(ways.target.at[1] - ways.target.at[0]);  // from the seat's front to the table
  if (norm(towards) == 0) return;
  const bool far = ways.target.asked.high && ways.target.measured > *ways.target.asked.high;
  const auto goals = {far ? ways.target.ideal.high : ways.target.ideal.low,
                      far ? ways.target.asked.high : ways.target.asked.low};
  // The nearest change first: the tolerated end moves less, but the ideal one gives a better room.
  for (const auto& [placement, sign] : {std::pair{&table, -1.0}, std::pair{&seat, 1.0}}) {
    for (const auto& goal : goals) {
      if (!goal) continue;
      const double change = ways.target.measured - *goal;  // > 0: bring them nearer
      FloorPlace place = floorPlace(placement->on);
      place.at += towards * (sign * change);
      const std::string sentence = "Move " + ways.name(*placement) + (change > 0 ? " nearer " : " away from ") +
                                   ways.name(placement == &table ? seat : table) + " by " +
                                   ways.length(std::abs(change));
      if (ways.offer((placement == &table ? "move-table:" : "move-seat:") + placement->id.value, sentence,
                     "reach " + ways.length(*goal), placed(ways.job, ways.scheme.id, placement->id, place)))
        break;
    }
  }
  ways.otherSchools("reach " + ways.length(ways.target.measured));
}

void serveSeat(Proposals& ways) {
  const Placement* seat = findPlacement(ways.scheme, PlacementId(ways.target.subjects[0]));
  const PieceIndex pieces(ways.job);
  for (const Serving& s : servingsIn(pieces, ways.scheme)) {
    if (s.seat != seat) continue;
    if (s.table != nullptr && ways.target.marginMm) {
      const Rule* reach = findRule(ways.book, std::string(kTableReach));
      const double goal = askedOf(*reach, ways.job, pieces.of(*seat)).tolerated.high.value_or(0);
      FloorPlace place = floorPlace(seat->on);
      place.at += unit(s.reach.b - s.reach.a) * (s.reach.gap - goal);
      ways.offer(
          "move-seat:" + seat->id.value,
          "Move " + ways.name(*seat) + " nearer " + ways.name(*s.table) + " by " + ways.length(s.reach.gap - goal),
          "reach " + ways.length(goal), placed(ways.job, ways.scheme.id, seat->id, place));
    }
  }
  // A usual side table, at the arm on either side and level with the seat's front half.
  const Piece& chair = pieces.of(*seat);
  const FloorPlace& at = floorPlace(seat->on);
  for (const double side : {1.0, -1.0}) {
    IdSource ids = ways.ids;
    Piece table = usualPiece(kSideTable);
    table.id = ids.take<PieceId>("piece");
    if (chair.seat->arm) table.height = *chair.seat->arm;
    const Vec2 there{side * (chair.width / 2 + kBesideArm + table.width / 2), 0};
    Result<Job> added = withPiece(ways.job, table);
    if (!added) return;
    const Job after = withPlacement(
        added.value(), ways.scheme.id,
        {ids.take<PlacementId>("p"), table.id, FloorPlace{at.at + rotated(there, turnOf(at.turn)), 0}, {}});
    if (ways.offer("side-table", "Stand a side table " + ways.length(table.width) + " across at its arm",
                   "a place for a cup", after, ids))
      return;
  }
}

constexpr RuleRow kSeatingRows[] = {
    {kTableReach, evaluateTableReach, bringTableNearer, shows::kReach | shows::kTableReach},
    {"served-seats", evaluateServedSeats, serveSeat, shows::kReach},
    {"table-level", evaluateTableLevel},
    {"table-length", evaluateTableLength},
    {"side-table-level", evaluateSideTableLevel},
};

}  // namespace

RuleRows seatingRules() { return kSeatingRows; }

}  // namespace mezzet
