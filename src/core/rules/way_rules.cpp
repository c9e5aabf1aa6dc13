// How wide the ways are: to doors and to where people sit, to windows and cupboards, in to a seat.
#include <algorithm>
#include <cmath>
#include <map>

#include "core/job/kinds.h"
#include "core/job/validate.h"
#include "core/rules/check.h"
#include "core/rules/way_words.h"
#include "core/units/sentence.h"

namespace mezzet {
namespace {

/// A main route keeps this much of the floor to either side of its centre line.
constexpr double kHalfMainWay = kMainWay / 2;
/// A scheme with fewer things has hardly begun: its floor is not wasted yet [D].
constexpr int kFurnished = 3;

/// Seats of the group most people sit in.
const TalkGroup* mainGroup(const Situation& s) { return s.groups.empty() ? nullptr : &s.groups.front(); }
bool inGroup(const TalkGroup* group, const std::string& id) {
  return group != nullptr && std::any_of(group->seats.begin(), group->seats.end(), [&](const Placement* p) { return p->id.value == id; });
}

/// What main rules judge: every other opening, and of the main group the seat that is reached best.
std::vector<const RoomWay*> mainWays(const Situation& s) {
  std::vector<const RoomWay*> out;
  const RoomWay* seats = nullptr;
  for (const RoomWay& way : s.ways) {
    if (way.to.goal == Goal::Opening) out.push_back(&way);
    if (way.to.goal == Goal::Seat && inGroup(mainGroup(s), way.to.id) && (seats == nullptr || way.way.width > seats->way.width)) seats = &way;
  }
  if (seats != nullptr) out.push_back(seats);
  return out;
}

/// Whether a low piece was put before this window on purpose: whether it blocks it is another rule's business.
bool takenByFurniture(const Situation& s, const RoomWay& way) {
  constexpr double kBefore = 24 * kInch;
  const Convex mark{{way.to.marks.front()}, 0};
  return std::any_of(s.bodies.begin(), s.bodies.end(), [&](const Body& body) { return !body.flat && separation(body.parts, Parts{mark}).gap < kBefore; });
}

}  // namespace

const RouteFacts::One* routeOf(const Situation& s, const RoomWay& way) {
  if (s.routes == nullptr) return nullptr;
  const auto at = s.routes->ways.find(way.to.id);
  return at == s.routes->ways.end() ? nullptr : &at->second;
}

std::string wayEndWords(const Situation& s, const RoomWay& way) { return thingWords(s, way.to.id); }

Finding wayFinding(const Situation& s, const Rule& rule, const RoomWay& way) {
  const std::string& entry = s.walk.openings[s.walk.entry].id;
  const Placement* p = s.placement(way.to.id);
  const Asked asked = p != nullptr ? askedOf(rule, s.job, s.pieces.of(*p)) : askedOf(rule, s.job);
  Finding f = findingOf(rule, asked, {entry, way.to.id});
  f.measured = way.way.width;
  f.at = {s.walk.openings[s.walk.entry].at, way.at};
  if (way.way.pinch) {
    const Pinch& pinch = *way.way.pinch;
    f.between = {pinch.first, pinch.second};
    f.at = pinch.at;
    const Vec2 d = unit(pinch.at[1] - pinch.at[0]);
    f.u95 = std::hypot(doubtOfThing(s, pinch.first, d), doubtOfThing(s, pinch.second, d));
  }
  return f;
}

std::string wayWords(const Situation& s, const RoomWay& way) {
  const std::string& entry = s.walk.openings[s.walk.entry].id;
  const std::string where = "From " + thingWords(s, entry) + " to " + wayEndWords(s, way) + " ";
  if (way.way.width <= 0 && way.way.pinch) {
    // A seat without a place to stand before it names nothing.
    return where + "there is no way: " + listWords({thingWords(s, way.way.pinch->first), thingWords(s, way.way.pinch->second)}) + " close it";
  }
  if (way.way.width <= 0) return where + "there is no way";
  if (way.way.pinch)
    return where + "it is " + writeLength(way.way.width, s.format) + " between " +
           listWords({thingWords(s, way.way.pinch->first), thingWords(s, way.way.pinch->second)});
  if (way.way.atLeast) return where + "it is at least " + writeLength(way.way.width, s.format);
  return where + "it is as wide as " + (way.way.cappedBy ? thingWords(s, *way.way.cappedBy) : "the doors") + " allows, " + writeLength(way.way.width, s.format);
}

void evaluateWayMain(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  for (const RoomWay* way : mainWays(s)) {
    Finding f = wayFinding(s, rule, *way);
    if (s.job.brief.access) f.weight = Weight::Must;
    // No furniture makes a way wider than its door: what a narrow door leaves is all that can be asked of it.
    const WayEnd& entry = s.walk.openings[s.walk.entry];
    const double door = std::min(entry.widest, way->to.goal == Goal::Opening ? endOf(s.walk, *way).widest : entry.widest);
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
    f.sentence =
        wayWords(s, *way) + length + (f.missing.empty() && f.margin < 0 && way->way.width > 0 ? ", " + writeLength(-f.margin, s.format) + " short." : ".");
    if (!f.missing.empty()) f.sentence += " How long the narrow part is has not been worked out yet.";
    out.push_back(std::move(f));
  }
}

void evaluateWaySide(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  for (const RoomWay& way : s.ways) {
    if (way.to.goal == Goal::Opening) continue;
    const Placement* p = s.placement(way.to.id);
    // A dining chair is left and taken by pulling it out: its own rules judge that.
    if (way.to.goal == Goal::Seat && (p == nullptr || isDiningSeat(s.pieces.of(*p).kind) || inGroup(mainGroup(s), way.to.id))) continue;
    if (way.to.goal == Goal::Window && takenByFurniture(s, way)) continue;
    Finding f = wayFinding(s, rule, way);
    if (f.asked.low) f.asked.low = std::min(*f.asked.low, s.walk.openings[s.walk.entry].widest);
    decide(f, s.scheme);
    f.sentence = wayWords(s, way) + (f.margin < 0 && way.way.width > 0 ? ", " + writeLength(-f.margin, s.format) + " short." : ".");
    out.push_back(std::move(f));
  }
}

void evaluateFootRoom(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  for (const Serving& serving : s.servings) {
    if (serving.table == nullptr || serving.reach.gap > 36 * kInch) continue;
    const Piece& seat = s.pieces.of(*serving.seat);
    Finding f = findingOf(rule, askedOf(rule, s.job, seat), {serving.seat->id.value, serving.table->id.value});
    f.measured = serving.reach.gap;
    f.at = {serving.reach.a, serving.reach.b};
    const Vec2 d = unit(f.at[1] - f.at[0]);
    f.u95 = std::hypot(doubtOfThing(s, serving.seat->id.value, d), doubtOfThing(s, serving.table->id.value, d));
    decide(f, s.scheme);
    f.sentence = "In to " + s.names.the(serving.seat->id) + " past " + s.names.the(serving.table->id) + " there are " +
                 writeLength(std::max(0.0, f.measured), s.format) + " for the feet" +
                 (f.margin < 0 ? ", " + writeLength(-f.margin, s.format) + " short." : ".");
    out.push_back(std::move(f));
  }
}

void evaluateWayWasted(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  if (std::count_if(s.bodies.begin(), s.bodies.end(), [](const Body& b) { return !b.flat; }) < kFurnished) return;
  for (const RoomWay* way : mainWays(s)) {
    if (way->way.width <= 0) continue;
    const RouteFacts::One* route = routeOf(s, *way);
    if (route != nullptr && !route->roomy) continue;  // a short route wastes nothing
    Finding f = findingOf(rule, askedOf(rule, s.job), {s.walk.openings[s.walk.entry].id, way->to.id});
    if (route == nullptr) f.missing.push_back("route");
    else {
      f.measured = *route->roomy;
      f.at = route->roomyAt;
    }
    decide(f, s.scheme);
    f.sentence = route == nullptr ? "How wide the way to " + wayEndWords(s, *way) + " is along its length has not been worked out yet."
                                  : "On the way to " + wayEndWords(s, *way) + " " + writeLength(f.measured, s.format) + " of floor lie open for " +
                                        writeLength(kLongStretch, s.format) + " and more" + (f.margin < 0 ? ": something could stand there." : ".");
    out.push_back(std::move(f));
  }
}

void evaluateTallLamp(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  for (const Placement& p : s.scheme.placements) {
    if (!std::holds_alternative<FloorPlace>(p.on) || s.pieces.of(p).kind != "lamp") continue;
    if (s.walk.openings.size() < 2) continue;  // no route leads past it
    Finding f = findingOf(rule, askedOf(rule, s.job, s.pieces.of(p)), {p.id.value});
    const auto at = s.routes != nullptr ? s.routes->lamps.find(p.id.value) : std::map<std::string, RouteFacts::Beside>::const_iterator{};
    const bool known = s.routes != nullptr && at != s.routes->lamps.end();
    if (s.routes != nullptr && !known) continue;
    if (!known) f.missing.push_back("route");
    else {
      f.measured = at->second.away - kHalfMainWay;
      f.at = {at->second.at, at->second.onRoute};
    }
    decide(f, s.scheme);
    f.sentence = !known         ? "Whether " + s.names.the(p.id) + " stands in a route has not been worked out yet."
                 : f.margin < 0 ? s.names.the(p.id, true) + " stands " + writeLength(-f.measured, s.format) + " inside a route: its foot is a trip."
                                : s.names.the(p.id, true) + " stands " + writeLength(f.measured, s.format) + " clear of the nearest route.";
    out.push_back(std::move(f));
  }
}

}  // namespace mezzet
