// Published access rules, asked only where the brief chose them.
#include <algorithm>
#include <cmath>

#include "core/rules/access/rules.h"
#include "core/edit/validate.h"
#include "core/model/kinds.h"
#include "core/rules/base/facts.h"
#include "core/rules/base/way_words.h"
#include "core/base/sentence.h"

namespace mezzet {

namespace {

void evaluateAccessRoute(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  if (!s.job.brief.access) return;
  constexpr double kReduced = 32 * kInch;
  for (const RoomWay& way : s.ways()) {
    if (way.to.goal != Goal::Opening) continue;  // a route runs from door to door; what stands on it is reached from it
    Finding f = wayFinding(s, rule, way);
    std::string length;
    if (f.measured >= kReduced - 0.01 && f.measured < kMainWay - 0.01) {
      const RouteFacts::One* route = routeOf(s, way);
      if (route == nullptr || route->line.empty()) f.missing.push_back("route");
      else if (route->narrow <= kShortPinch + kPinchSlack) {
        f.asked.low = kReduced;
        length = ", for " + writeLength(route->narrow, s.format);
      } else {
        length = " for " + writeLength(route->narrow, s.format) + " of its length";
      }
    }
    decide(f, s.scheme);
    f.sentence = wayWords(s, way) + length + (f.missing.empty() && f.measured > 0 ? shortWords(s, f) : ".");
    out.push_back(std::move(f));
  }
}

void evaluateAccessTurn(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  if (!s.job.brief.access) return;
  Finding f = findingOf(rule, askedOf(rule, s.job), {s.room.id.value});
  const bool known = s.routes != nullptr && s.routes->turning;
  if (!known) f.missing.push_back("route");
  else {
    f.measured = s.routes->turning->diameter;
    const Vec2 r{f.measured / 2, 0};
    f.at = {s.routes->turning->centre - r, s.routes->turning->centre + r};
  }
  decide(f, s.scheme);
  f.sentence = !known ? "The largest turning circle has not been worked out yet."
                      : "The largest circle that turns on the free floor is " + writeLength(f.measured, s.format) +
                            " across" + shortWords(s, f);
  out.push_back(std::move(f));
}

void evaluateAccessDoor(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  if (!s.job.brief.access) return;
  for (const WayEnd& end : s.walk().openings) {
    Finding f = findingOf(rule, askedOf(rule, s.job), {end.id});
    f.measured = end.widest;
    const Vec2 half = leftOf(end.inward) * (end.widest / 2);
    f.at = {end.at - half, end.at + half};
    decide(f, s.scheme);
    f.sentence =
        capital(thingWords(s, end.id)) + " opens to a clear " + writeLength(f.measured, s.format) + shortWords(s, f);
    out.push_back(std::move(f));
  }
}

void evaluateAccessHalfTurn(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  if (!s.job.brief.access || s.walk().openings.empty()) return;
  Finding f = findingOf(rule, askedOf(rule, s.job), {s.room.id.value});
  f.missing.push_back("half-turn");
  decide(f, s.scheme);
  f.sentence =
      "Whether a half turn round something narrow has room is not measured by Mezzet: 42 in to it, 48 at the turn, 42 "
      "from it, unless 60 are free at the turn.";
  out.push_back(std::move(f));
}

void evaluateAccessTable(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  if (!s.job.brief.access) return;
  for (const Placement& p : s.scheme.placements) {
    const Piece& piece = s.pieces.of(p);
    const auto* place = onFloor(p.on);
    if (place == nullptr || !isSatAt(piece.kind)) continue;
    Finding f = findingOf(rule, askedOf(rule, s.job, piece), {p.id.value});
    if (!piece.height) f.missing.push_back(piece.id.value + ".height");
    f.measured = piece.height.value_or(0);
    f.at = {place->at, place->at};
    f.u95 = doubtOf(piece, "height");
    decide(f, s.scheme);
    f.sentence = !piece.height
                     ? "How high " + s.names.the(p.id) + " is has not been measured."
                     : "The top of " + s.names.the(p.id) + " is " + writeLength(f.measured, s.format) + " high" +
                           (f.margin >= 0                              ? "."
                            : f.asked.low && f.measured < *f.asked.low ? ", too low to sit at in a wheelchair."
                                                                       : ", too high.");
    out.push_back(std::move(f));
  }
}

constexpr RuleRow kAccessRows[] = {
    {"ada-2010-403.5.1", evaluateAccessRoute, [](Proposals& ways) { ways.widen(); }, shows::kWays},
    {"ada-2010-304.3.1", evaluateAccessTurn},
    {"ada-2010-404.2.3", evaluateAccessDoor},
    {"ada-2010-403.5.2", evaluateAccessHalfTurn},
    {"ada-2010-902.3", evaluateAccessTable},
};

}  // namespace

RuleRows accessRules() { return kAccessRows; }

}  // namespace mezzet
