// Room behind those who sit at a dining table.
#include <algorithm>
#include <array>
#include <cmath>

#include "core/rules/dining/rules.h"
#include "core/use/chairs.h"
#include "core/use/seats.h"
#include "core/model/kinds.h"
#include "core/rules/base/facts.h"

namespace mezzet {
namespace {

double tableDoubt(const Situation& s, const DiningSeat& seat) {
  return doubtAlong(s.pieces.of(*seat.table), floorPlace(seat.table->on), seat.back);
}

/// A table that nobody has set chairs at yet is judged where they would stand along its sides.
void evaluateBareTable(const Situation& s, const Rule& rule, const Placement& p, std::vector<Finding>& out) {
  const Piece& table = s.pieces.of(p);
  const FloorPlace& place = floorPlace(p.on);
  const Piece chair = usualPiece(kDiningChair);
  const Parts body = footprint(table, place);
  constexpr int kMostSet = 40;
  Behind narrowest;
  std::array<Vec2, 2> at{};
  for (const Setting& setting : settingsAround(table, place, chair, kPlaceSetting, false, kMostSet, kSetUnder)) {
    const Vec2 back = -seatFront(chair, setting.chair).outward, t = leftOf(back) * (chair.width / 2);
    const double reach = reachInStrip(body, setting.chair.at, back, chair.width / 2);
    if (!std::isfinite(reach)) continue;
    const Vec2 edge = setting.chair.at + back * reach;
    const Behind there =
        firstMet(s, Convex{{edge - t, edge + t}, 0}, back, [&](const Body& other) { return other.id == p.id.value; });
    if (there.clear >= narrowest.clear) continue;
    narrowest = there;
    at = {edge, edge + back * there.clear};
  }
  if (!std::isfinite(narrowest.clear)) return;
  Finding f = findingOf(rule, askedOf(rule, s.job, table), {p.id.value});
  f.measured = narrowest.clear;
  f.at = at;
  f.u95 = std::hypot(narrowest.doubt, doubtAlong(table, place, unit(at[1] - at[0])));
  decide(f, s.scheme);
  f.sentence = "Where chairs would sit at " + s.names.the(p.id) + " it is " + writeLength(f.measured, s.format) +
               " from its edge to " + thingWords(s, narrowest.hit) +
               (f.margin < 0 ? ", " + missedBy(-f.margin, s.format) + " short" : "") + ".";
  f.rival = rivalWords(s, rule, f);
  out.push_back(std::move(f));
}

void evaluateDiningWall(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  for (const Placement& p : s.scheme.placements) {
    if (onFloor(p.on) == nullptr || !isDiningTable(s.pieces.of(p).kind)) continue;
    if (std::none_of(s.dining().begin(), s.dining().end(), [&](const DiningSeat& seat) { return seat.table == &p; }))
      evaluateBareTable(s, rule, p, out);
  }
  for (std::size_t i = 0; i < s.dining().size(); ++i) {
    const DiningSeat& seat = s.dining()[i];
    const Behind& there = s.behind()[i];
    if (!std::isfinite(there.clear)) continue;
    Finding f =
        findingOf(rule, askedOf(rule, s.job, s.pieces.of(*seat.table)), {seat.chair->id.value, seat.table->id.value});
    f.measured = there.clear;
    f.at = {seat.edge, seat.edge + seat.back * there.clear};
    f.u95 = std::hypot(there.doubt, tableDoubt(s, seat));
    decide(f, s.scheme);
    f.sentence = "Behind " + s.names.the(seat.chair->id) + " it is " + writeLength(there.clear, s.format) +
                 " from the table's edge to " + thingWords(s, there.hit) +
                 (f.margin < 0 ? ", " + missedBy(-f.margin, s.format) + " short" : "") + ".";
    f.rival = rivalWords(s, rule, f);
    out.push_back(std::move(f));
  }
}

void evaluateDiningPull(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  for (std::size_t i = 0; i < s.dining().size(); ++i) {
    const DiningSeat& seat = s.dining()[i];
    const Behind& there = s.behind()[i];
    if (!std::isfinite(there.clear)) continue;
    const Piece& chair = s.pieces.of(*seat.chair);
    const FloorPlace out2 = pulledOut(s.pieces, seat);
    // A banquette does not move: its sitters slide in.
    if (staysPut(chair.kind)) continue;
    const double rear = dot(out2.at - seat.edge, seat.back) + chair.depth.value_or(chair.width) / 2;
    Finding f = findingOf(rule, askedOf(rule, s.job, chair), {seat.chair->id.value, seat.table->id.value});
    f.measured = there.clear - rear;
    f.at = {seat.edge + seat.back * rear, seat.edge + seat.back * there.clear};
    f.u95 = std::hypot(there.doubt, tableDoubt(s, seat));
    decide(f, s.scheme);
    f.sentence = f.margin < 0
                     ? s.names.the(seat.chair->id, true) + " cannot be pulled out: " + thingWords(s, there.hit) +
                           " stands " + writeLength(-f.measured, s.format) + " in its way."
                     : s.names.the(seat.chair->id, true) + " pulls out with " + writeLength(f.measured, s.format) +
                           " to spare before " + thingWords(s, there.hit) + ".";
    out.push_back(std::move(f));
  }
}

void evaluatePlaceSetting(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  std::vector<const Placement*> tables;
  for (const DiningSeat& seat : s.dining())
    if (std::find(tables.begin(), tables.end(), seat.table) == tables.end()) tables.push_back(seat.table);
  for (const Placement* table : tables) {
    const Piece& piece = s.pieces.of(*table);
    const auto& place = floorPlace(table->on);
    const bool rounded = piece.shape == Shape::Round || piece.shape == Shape::Oval;
    // Each side by itself: nobody's place goes round a corner.
    struct Side {
      double length = 0;
      int diners = 0;
      std::vector<std::string> chairs;
    };
    const Polygon outline = rounded ? Polygon{} : outlineOf(piece, place);
    std::vector<Side> sides(rounded ? 1 : outline.size());
    if (rounded) {
      Piece whole = piece;
      whole.shape = Shape::Oval;
      const Polygon edge = outlineOf(whole, place);
      for (std::size_t i = 0; i < edge.size(); ++i) sides[0].length += distance(edgeStart(edge, i), edgeEnd(edge, i));
    } else {
      for (std::size_t i = 0; i < outline.size(); ++i)
        sides[i].length = distance(edgeStart(outline, i), edgeEnd(outline, i));
    }
    for (const DiningSeat& seat : s.dining()) {
      if (seat.table != table) continue;
      std::size_t at = 0;
      for (std::size_t i = 1; i < outline.size(); ++i) {
        const auto away = [&](std::size_t k) {
          return distance(seat.edge, nearestOnSegment(seat.edge, edgeStart(outline, k), edgeEnd(outline, k)));
        };
        if (away(i) < away(at)) at = i;
      }
      sides[at].diners += placesOn(s.pieces.of(*seat.chair));
      sides[at].chairs.push_back(seat.chair->id.value);
    }
    const Side* least = nullptr;
    for (const Side& side : sides)
      if (side.diners > 0 && (least == nullptr || side.length / side.diners < least->length / least->diners))
        least = &side;
    if (least == nullptr) continue;
    Finding f = findingOf(rule, askedOf(rule, s.job, piece), {table->id.value});
    f.measured = least->length / least->diners;
    f.at = {place.at, place.at};
    f.u95 = std::max(doubtOf(piece, "width"), doubtOf(piece, "depth")) / least->diners;
    decide(f, s.scheme);
    f.sentence =
        s.names.the(table->id, true) + " gives each diner " + writeLength(f.measured, s.format) + " of edge" +
        (least->diners > 1 ? ", " + std::to_string(least->diners) + (rounded ? " round it" : " on one side") : "") +
        (f.margin < 0 ? ": " + missedBy(-f.margin, s.format) + " too little." : ".");
    out.push_back(std::move(f));
  }
}

void evaluateKneeRoom(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  std::vector<std::pair<const Placement*, const Piece*>> judged;
  for (const DiningSeat& seat : s.dining()) {
    const Piece& chair = s.pieces.of(*seat.chair);
    const Piece& table = s.pieces.of(*seat.table);
    // Chairs of one kind at one table are judged once.
    if (std::find(judged.begin(), judged.end(), std::pair(seat.table, &chair)) != judged.end()) continue;
    judged.emplace_back(seat.table, &chair);
    Finding f = findingOf(rule, askedOf(rule, s.job, chair), {seat.chair->id.value, seat.table->id.value});
    if (!table.height) f.missing.push_back(table.id.value + ".height");
    if (!chair.seat->height) f.missing.push_back(chair.id.value + ".seatHeight");
    f.measured = table.height.value_or(0) - chair.seat->height.value_or(0);
    f.at = {seat.edge, floorPlace(seat.chair->on).at};
    f.u95 = std::hypot(doubtOf(table, "height"), doubtOf(chair, "seatHeight"));
    decide(f, s.scheme);
    const std::string tableName = s.names.the(seat.table->id), chairName = s.names.the(seat.chair->id);
    if (!f.missing.empty())
      f.sentence = "How high " + std::string(!table.height ? tableName + " is" : "one sits on " + chairName) +
                   " has not been measured.";
    else
      f.sentence = s.names.the(seat.table->id, true) + " is " + writeLength(f.measured, s.format) +
                   " above the seat of " + chairName +
                   (f.margin >= 0                              ? "."
                    : f.asked.low && f.measured < *f.asked.low ? ": knees touch it."
                                                               : ": one sits too low.");
    out.push_back(std::move(f));
  }
}

constexpr RuleRow kDiningRows[] = {
    {"dining-wall", evaluateDiningWall, [](Proposals& ways) { ways.moveClear(); }},
    {"dining-pull", evaluateDiningPull, [](Proposals& ways) { ways.moveClear(); }},
    {"place-setting", evaluatePlaceSetting},
    {"knee-room", evaluateKneeRoom},
};

}  // namespace

RuleRows diningRules() { return kDiningRows; }

}  // namespace mezzet
