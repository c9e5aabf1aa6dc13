#include "core/rules/base/way_words.h"

#include <algorithm>
#include <cmath>

#include "core/base/sentence.h"

namespace mezzet {

const RouteFacts::One* routeOf(const Situation& s, const RoomWay& way) {
  if (s.routes == nullptr) return nullptr;
  const auto at = s.routes->ways.find(way.to.id);
  return at == s.routes->ways.end() ? nullptr : &at->second;
}

std::vector<const RoomWay*> mainWays(const Situation& s) {
  std::vector<const RoomWay*> out;
  for (const RoomWay& way : s.ways())
    if (way.to.goal == Goal::Opening) out.push_back(&way);
  if (const RoomWay* seat = s.groups().empty() ? nullptr : bestReached(s.ways(), s.groups().front()))
    out.push_back(seat);
  return out;
}

std::vector<DoorRoute> doorRoutes(const Situation& s) {
  std::vector<DoorRoute> out;
  const std::vector<Body> openings = openingBodies(s.room);
  for (const RoomWay* way : mainWays(s)) {
    DoorRoute route{way->to.id, {}, {}};
    for (const Body& o : openings)
      if (o.id == way->to.id || o.id == s.walk().openings[s.walk().entry].id) route.doors.push_back(o.parts.front());
    if (const RouteFacts::One* drawn = routeOf(s, *way)) route.line = drawn->line;
    out.push_back(std::move(route));
  }
  return out;
}

Finding wayFinding(const Situation& s, const Rule& rule, const RoomWay& way) {
  const std::string& entry = s.walk().openings[s.walk().entry].id;
  const Placement* p = s.placement(way.to.id);
  const Asked asked = p != nullptr ? askedOf(rule, s.job, s.pieces.of(*p)) : askedOf(rule, s.job);
  Finding f = findingOf(rule, asked, {entry, way.to.id});
  f.measured = way.way.width;
  f.at = {s.walk().openings[s.walk().entry].at, way.at};
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
  const std::string& entry = s.walk().openings[s.walk().entry].id;
  const std::string where = "From " + thingWords(s, entry) + " to " + thingWords(s, way.to.id) + " ";
  if (way.way.width <= 0 && way.way.pinch) {
    // A seat without a place to stand before it names nothing.
    return where + "there is no way: " +
           listWords({thingWords(s, way.way.pinch->first), thingWords(s, way.way.pinch->second)}) + " close it";
  }
  if (way.way.width <= 0) return where + "there is no way";
  if (way.way.pinch)
    return where + "it is " + writeLength(way.way.width, s.format) + " between " +
           listWords({thingWords(s, way.way.pinch->first), thingWords(s, way.way.pinch->second)});
  if (way.way.atLeast) return where + "it is at least " + writeLength(way.way.width, s.format);
  return where + "it is as wide as " + (way.way.cappedBy ? thingWords(s, *way.way.cappedBy) : "the doors") +
         " allows, " + writeLength(way.way.width, s.format);
}

std::string shortWords(const Situation& s, const Finding& f) {
  const bool missed = f.verdict == Verdict::Breaks || f.verdict == Verdict::Kept;
  return missed && f.margin < 0 ? ", " + missedBy(-f.margin, s.format) + " short." : ".";
}

std::string wayBetween(const Job& job, const Scheme& scheme, UseState state, const PlacementId& from,
                       const PlacementId& to, LengthFormat format) {
  const Room& room = roomOf(job, scheme);
  const PieceIndex pieces(job);
  const WalkSpace space = walkSpaceOf(pieces, room, scheme, state);
  if (space.openings.empty()) return "This room has no door yet, so nobody walks in it.";
  const SchemeNames names(pieces, scheme);
  const std::vector<Destination> all = destinationsIn(pieces, room, scheme);
  std::vector<const Destination*> ends;
  for (const PlacementId& id : {from, to}) {
    const auto at = std::find_if(all.begin(), all.end(), [&](const Destination& d) { return d.id == id.value; });
    if (at == all.end()) return "One does not walk to " + names.the(id) + ": choose seats and cupboards.";
    ends.push_back(&*at);
  }
  const RoomWay first = wayTo({space, space.openings[space.entry]}, *ends[0]);
  const Way way = wayTo({space, goOnFrom(space, first)}, *ends[1]).way;
  std::string words = "From " + names.the(from) + " to " + names.the(to) + " ";
  words += way.width > 0 ? "the way is " + writeLength(way.width, format) : std::string("there is no way");
  if (way.pinch)
    words +=
        " between " + thingWords(names, room, way.pinch->first) + " and " + thingWords(names, room, way.pinch->second);
  return words + ".";
}

}  // namespace mezzet
