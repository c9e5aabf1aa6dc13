// How wide the ways are: to doors and to where people sit, to windows and cupboards, in to a seat.
#include <algorithm>
#include <cmath>
#include <map>

#include "core/rules/ways/rules.h"
#include "core/edit/validate.h"
#include "core/model/kinds.h"
#include "core/rules/base/facts.h"
#include "core/rules/base/way_words.h"
#include "core/base/sentence.h"

namespace mezzet {
namespace {

/// A main route keeps this much of the floor to either side of its centre line.
constexpr double kHalfMainWay = kMainWay / 2;
/// A scheme with fewer things has hardly begun: its floor is not wasted yet [D].
constexpr int kFurnished = 3;

/// Whether a low piece was put before this window on purpose: whether it blocks it is another rule's business.
bool takenByFurniture(const Situation& s, const RoomWay& way) {
  constexpr double kBefore = 24 * kInch;
  const Convex mark{{way.to.marks.front()}, 0};
  return std::any_of(s.bodies().begin(), s.bodies().end(),
                     [&](const Body& body) { return !body.flat && separation(body.parts, Parts{mark}).gap < kBefore; });
}

void evaluateWayMain(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  for (const RoomWay* way : mainWays(s)) {
    Finding f = wayFinding(s, rule, *way);
    if (s.job.brief.access) f.weight = Weight::Must;
    // No furniture makes a way wider than its door: what a narrow door leaves is all that can be asked of it.
    const WayEnd& entry = s.walk().openings[s.walk().entry];
    const double door =
        std::min(entry.widest, way->to.goal == Goal::Opening ? endOf(s.walk(), *way).widest : entry.widest);
    if (f.asked.low) f.asked.low = std::min(*f.asked.low, door);
    std::string length;
    const double full = std::min(f.ideal.low.value_or(kMainWay), door);
    const bool between = f.asked.low && f.measured >= *f.asked.low - 0.01 && f.measured < full - 0.01 && way->way.pinch;
    if (between) {
      const RouteFacts::One* route = routeOf(s, *way);
      if (route == nullptr || route->line.empty()) {
        f.missing.push_back("route");
      } else if (route->narrow > kShortPinch + kPinchSlack) {
        f.asked.low = full;
        length = " for " + writeLength(route->narrow, s.format) + " of its length";
      } else {
        length = ", a short pinch";
      }
    }
    decide(f, s.scheme);
    f.sentence = wayWords(s, *way) + length + (f.missing.empty() && way->way.width > 0 ? shortWords(s, f) : ".");
    if (!f.missing.empty()) f.sentence += " How long the narrow part is has not been worked out yet.";
    out.push_back(std::move(f));
  }
}

void evaluateWaySide(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  for (const RoomWay& way : s.ways()) {
    if (way.to.goal == Goal::Opening) continue;
    if (way.to.goal == Goal::Seat && !s.groups().empty() && sitsIn(s.groups().front(), way.to.id))
      continue;  // way-main judges the best of them
    if (way.to.goal == Goal::Window && takenByFurniture(s, way)) continue;
    Finding f = wayFinding(s, rule, way);
    if (f.asked.low) f.asked.low = std::min(*f.asked.low, s.walk().openings[s.walk().entry].widest);
    decide(f, s.scheme);
    f.sentence = wayWords(s, way) + (way.way.width > 0 ? shortWords(s, f) : ".");
    out.push_back(std::move(f));
  }
}

void evaluateFootRoom(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  for (const Serving& serving : s.servings()) {
    if (serving.table == nullptr || serving.reach.gap > 36 * kInch) continue;
    const Piece& seat = s.pieces.of(*serving.seat);
    Finding f = findingOf(rule, askedOf(rule, s.job, seat), {serving.seat->id.value, serving.table->id.value});
    f.measured = serving.reach.gap;
    f.at = {serving.reach.a, serving.reach.b};
    const Vec2 d = unit(f.at[1] - f.at[0]);
    f.u95 = std::hypot(doubtOfThing(s, serving.seat->id.value, d), doubtOfThing(s, serving.table->id.value, d));
    decide(f, s.scheme);
    f.sentence = "In to " + s.names.the(serving.seat->id) + " past " + s.names.the(serving.table->id) + " there are " +
                 writeLength(std::max(0.0, f.measured), s.format) + " for the feet" + shortWords(s, f);
    out.push_back(std::move(f));
  }
}

void evaluateWayWasted(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  if (std::count_if(s.bodies().begin(), s.bodies().end(), [](const Body& b) { return !b.flat; }) < kFurnished) return;
  for (const RoomWay* way : mainWays(s)) {
    if (way->way.width <= 0) continue;
    const RouteFacts::One* route = routeOf(s, *way);
    if (route != nullptr && !route->roomy) continue;  // a short route wastes nothing
    Finding f = findingOf(rule, askedOf(rule, s.job), {s.walk().openings[s.walk().entry].id, way->to.id});
    if (route == nullptr) f.missing.push_back("route");
    else {
      f.measured = *route->roomy;
      f.at = route->roomyAt;
    }
    decide(f, s.scheme);
    f.sentence =
        route == nullptr
            ? "How wide the way to " + thingWords(s, way->to.id) + " is along its length has not been worked out yet."
            : "On the way to " + thingWords(s, way->to.id) + " " + writeLength(f.measured, s.format) +
                  " of floor lie open for " + writeLength(kLongStretch, s.format) + " and more" +
                  (f.margin < 0 ? ": something could stand there." : ".");
    out.push_back(std::move(f));
  }
}

void evaluateTallLamp(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  for (const Placement& p : s.scheme.placements) {
    if (onFloor(p.on) == nullptr || !isLamp(s.pieces.of(p).kind)) continue;
    if (s.walk().openings.size() < 2) continue;  // no route leads past it
    Finding f = findingOf(rule, askedOf(rule, s.job, s.pieces.of(p)), {p.id.value});
    const bool known = s.routes != nullptr;
    if (!known) f.missing.push_back("route");
    else {
      const auto at = s.routes->lamps.find(p.id.value);
      if (at == s.routes->lamps.end()) continue;
      f.measured = at->second.away - kHalfMainWay;
      f.at = {at->second.at, at->second.onRoute};
    }
    decide(f, s.scheme);
    f.sentence = !known         ? "Whether " + s.names.the(p.id) + " stands in a route has not been worked out yet."
                 : f.margin < 0 ? s.names.the(p.id, true) + " stands " + writeLength(-f.measured, s.format) +
                                      " inside a route: its foot is a trip."
                                : s.names.the(p.id, true) + " stands " + writeLength(f.measured, s.format) +
                                      " clear of the nearest route.";
    out.push_back(std::move(f));
  }
}

constexpr RuleRow kWaysRows[] = {
    {"way-main", evaluateWayMain, [](Proposals& ways) { ways.widen(); }, shows::kWays | shows::kRibbon | shows::kPinch},
    {"way-side", evaluateWaySide, [](Proposals& ways) { ways.widen(); }, shows::kWays | shows::kRibbon},
    {"foot-room", evaluateFootRoom, nullptr, shows::kReach},
    {"way-wasted", evaluateWayWasted, [](Proposals& ways) { ways.widen(); }, shows::kWays},
    {"tall-lamp", evaluateTallLamp, nullptr, shows::kWays},
};

}  // namespace

RuleRows wayRules() { return kWaysRows; }

}  // namespace mezzet
