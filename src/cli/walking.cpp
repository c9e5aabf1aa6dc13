#include "cli/walking.h"

#include <cmath>
#include <iostream>

#include "core/walk/route_facts.h"
#include "io/json/report_json.h"

namespace mezzet::cli {
namespace {

/// A room as it is walked through in the chosen scheme and state.
struct Walked {
  const Room& room;
  const Scheme& scheme;
  PieceIndex pieces;
  WalkSpace space;
  std::vector<Destination> destinations;

  Walked(const JobFile& file, const Options& o)
      : room(chosenRoom(file.job, o)),
        scheme(chosenScheme(file.job, room, o)),
        pieces(file.job),
        space(walkSpaceOf(pieces, room, scheme, stateNamed(o.state))),
        destinations(destinationsIn(pieces, room, scheme)) {
    if (space.openings.empty())
      throw Refused{{room.name, "has no door to come in by", "Add a door, sliding door or arch"}};
  }
  [[nodiscard]] Destination place(const std::string& id) const {
    for (const Destination& d : destinations)
      if (d.id == id) return d;
    if (const WayEnd* end = findEnd(space, id)) return {Goal::Opening, id, {end->at}};
    throw Refused{{id, "is nothing one goes to", "Name a door, window, seat or cupboard of the room"}};
  }
  /// Where a way from this place begins: at a door itself, else where one stands who has come to it.
  [[nodiscard]] WayEnd start(const std::string& id) const {
    if (id.empty()) return space.openings[space.entry];
    if (const WayEnd* end = findEnd(space, id)) return *end;
    return goOnFrom(space, wayTo({space, space.openings[space.entry]}, place(id)));
  }
};

}  // namespace

int runRoute(const Options& o) {
  const JobFile file = load(o);
  const Walked walked(file, o);
  const WayEnd from = walked.start(o.from);
  RoomWay way = wayTo({walked.space, from}, walked.place(o.to));
  const Patience patience("route");
  if (way.way.pinch && !way.way.pinch->tied.empty())
    way.way.pinch = crossedPinch(*way.way.pinch, shortestRoute(walked.space, from, endOf(walked.space, way),
                                                               way.way.width - 1, patience.token()));
  patience.check();
  if (o.json) {
    std::cout << routeJson(way.way);
    return kAnswered;
  }
  const LengthFormat format = usualFormat(file.job.units);
  std::cout << from.id << " to " << o.to << ": " << (way.way.atLeast ? "at least " : "")
            << writeLength(way.way.width, format);
  if (way.way.pinch) std::cout << " between " << way.way.pinch->first << " and " << way.way.pinch->second;
  else if (way.way.cappedBy) std::cout << ", as wide as " << *way.way.cappedBy;
  std::cout << "\n";
  return kAnswered;
}

int runReach(const Options& o) {
  if (!(o.width > 0) || o.width > kLongestLength)
    throw Refused{{"--width", "is not a width", "Give millimetres, more than 0"}};
  const JobFile file = load(o);
  const Walked walked(file, o);
  const WaysFrom from(walked.space, walked.start(o.from));
  std::vector<std::string> reached, missed;
  for (const Destination& to : walked.destinations)
    if (to.id != from.end().id) (wayTo(from, to).way.width >= o.width - 0.01 ? reached : missed).push_back(to.id);
  if (o.json) {
    std::cout << reachJson(reached, missed);
    return kAnswered;
  }
  for (const std::string& id : reached) std::cout << "reached  " << id << "\n";
  for (const std::string& id : missed) std::cout << "not      " << id << "\n";
  return kAnswered;
}

int runTurning(const Options& o) {
  const JobFile file = load(o);
  const Room& room = chosenRoom(file.job, o);
  const Scheme& scheme = chosenScheme(file.job, room, o);
  const Patience patience("turning");
  const TurningCircle turn =
      largestTurn(room, bodiesInUse(PieceIndex(file.job), scheme, stateNamed(o.state)), patience.token());
  patience.check();
  if (o.json) {
    std::cout << turningJson(turn);
    return kAnswered;
  }
  std::cout << writeLength(turn.diameter, usualFormat(file.job.units)) << " across\n";
  return kAnswered;
}

}  // namespace mezzet::cli
