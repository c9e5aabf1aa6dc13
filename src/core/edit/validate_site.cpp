#include "core/edit/validate_site.h"

#include <algorithm>
#include <cmath>
#include <set>

#include "core/edit/validate.h"

namespace mezzet {
namespace {

constexpr std::size_t kMostSite = 500;  // readings, points, photographs of one room
constexpr std::size_t kMostHoles = 2'000;
constexpr std::size_t kMostTraceCorners = 200;
constexpr double kMostPixels = 100'000;
constexpr double kSiteSlack = 0.01;
constexpr double kHighest = 20'000;  // no ceiling and no level line is further off

std::optional<Error> faultOfPoint(Vec2 p, const std::string& where, double most = 2 * kLongestLength) {
  if (!std::isfinite(p.x) || !std::isfinite(p.y))
    return Error{where, "stands at a place that is not a number", "Place it again"};
  if (std::abs(p.x) > most || std::abs(p.y) > most) return Error{where, "stands out of reach", "Place it again"};
  return std::nullopt;
}

std::optional<Error> faultOfMaybe(const std::optional<double>& value, const std::string& where, double most) {
  if (value && !(*value >= 0 && *value <= most))
    return Error{where, "is not a length that can be", "Type it again, or leave it empty"};
  return std::nullopt;
}

std::optional<Error> faultOfTaken(const Taken& t, const std::string& where, double least) {
  if (!std::isfinite(t.value) || t.value < least || t.value > kLongestLength)
    return Error{where, "is no reading of a length", "Type it again"};
  if (t.u95 && !(*t.u95 > 0 && *t.u95 <= kLongestLength))
    return Error{where, "has a \u00b1 that is not more than 0", "Type it again"};
  return std::nullopt;
}

std::optional<Error> faultOfHeights(const Room& room) {
  if (room.heights.size() > kMostSite) return Error{room.name, "has more than 500 heights", "Take the oldest out"};
  std::set<std::string> seen, areas;
  for (const HeightReading& h : room.heights) {
    if (auto fault = takeId(seen, h.id, "height")) return fault;
    if (auto fault = faultOfPoint(h.at, "height " + h.id.value)) return fault;
    if (auto fault = faultOfTaken(h.taken, "height " + h.id.value, h.kind == HeightKind::Clear ? 1 : 0)) return fault;
    if (h.taken.value > kHighest) return Error{"height " + h.id.value, "is more than 20 m (66 ft)", "Check the unit"};
  }
  if (room.ceilingAreas.size() > 100)
    return Error{room.name, "has more than 100 parts of its ceiling", "Take some out"};
  for (const CeilingArea& a : room.ceilingAreas) {
    if (auto fault = takeId(areas, a.id, "ceiling")) return fault;
    if (a.outline.size() < 3 || a.outline.size() > kMostTraceCorners)
      return Error{"ceiling " + a.id.value, "needs 3 to 200 corners", "Check its outline"};
    for (const Vec2 p : a.outline)
      if (auto fault = faultOfPoint(p, "ceiling " + a.id.value)) return fault;
    if (selfCrossing(a.outline))
      return Error{"ceiling " + a.id.value, "has an outline that crosses itself", "Check its corners"};
  }
  const std::pair<const std::optional<double>*, const char*> given[] = {{&room.trim.skirting, "skirting"},
                                                                        {&room.trim.skirtingDepth, "skirting, depth"},
                                                                        {&room.trim.cornice, "cornice"},
                                                                        {&room.trim.corniceDepth, "cornice, depth"},
                                                                        {&room.trim.pictureRail, "picture rail"}};
  for (const auto& [value, what] : given)
    if (auto fault = faultOfMaybe(*value, room.name + ", " + what, kHighest)) return fault;
  return std::nullopt;
}

std::optional<Error> faultOfUnderlay(const Underlay& u, const std::string& where) {
  for (const double side : {u.width, u.height})
    if (!(side >= 1 && side <= kMostPixels))
      return Error{where, "has a picture of no size", "Take the plan picture in again"};
  if (u.known.size() > 100) return Error{where, "has more than 100 known lengths", "Take some out"};
  for (const KnownLength& k : u.known) {
    if (auto fault = faultOfLength(k.length, where + ", known length")) return fault;
    for (const Vec2 p : {k.a, k.b})
      if (auto fault = faultOfPoint(p, where + ", known length", kMostPixels)) return fault;
    if (distance(k.a, k.b) < 1)
      return Error{where, "has a known length between one point and itself", "Set its ends apart"};
  }
  if (u.frame) {
    if (u.frame->corners.size() != 4)
      return Error{where, "is straightened by other than four points", "Mark four corners"};
    for (const Vec2 p : u.frame->corners)
      if (auto fault = faultOfPoint(p, where + ", straightening", kMostPixels)) return fault;
    for (const double side : {u.frame->width, u.frame->height})
      if (auto fault = faultOfLength(side, where + ", straightening")) return fault;
  }
  if (u.trace.size() > kMostTraceCorners)
    return Error{where, "has a trace of more than 200 corners", "Trace the rooms one by one"};
  for (const Vec2 p : u.trace)
    if (auto fault = faultOfPoint(p, where + ", trace", kMostPixels)) return fault;
  return std::nullopt;
}

std::optional<Error> faultOfCalibration(const Photograph& p) {
  const std::string where = "photograph " + p.id.value + ", calibration";
  const Calibration& c = *p.calibration;
  if (p.wall.empty()) return Error{where, "is of no wall", "Say which wall the photograph shows"};
  if (c.corners.size() != 4)
    return Error{where, "has other than four corners", "Pick the four corners of one rectangle, from its lower left"};
  for (const Vec2 corner : c.corners)
    if (auto fault = faultOfPoint(corner, where, kMostPixels)) return fault;
  for (const double side : {c.width, c.height})
    if (auto fault = faultOfLength(side, where)) return fault;
  if (auto fault = faultOfPoint({c.u, c.v}, where)) return fault;
  if (!(c.u95 >= 0 && c.u95 <= 1'000)) return Error{where, "has a \u00b1 that is not 0 to 1000 pixels", "2 is usual"};
  // On screen anticlockwise, y down: each corner turns left as seen, which is a cross product below 0.
  for (std::size_t i = 0; i < 4; ++i)
    if (!(cross(c.corners[(i + 1) % 4] - c.corners[i], c.corners[(i + 2) % 4] - c.corners[(i + 1) % 4]) < -1))
      return Error{where, "has corners in one line, crossing, or not anticlockwise",
                   "Pick them anticlockwise from the lower left"};
  return std::nullopt;
}

std::optional<Error> faultOfHoles(const Room& room) {
  if (room.clearSpots.size() > kMostHoles || room.holes.size() > kMostHoles)
    return Error{room.name, "has more than 2000 holes or cleared spots", "Take the oldest out"};
  const auto faultOfSpot = [&](const CornerId& wall, Vec2 at, const std::string& where) -> std::optional<Error> {
    if (!findWall(room, wall))
      return Error{where, "is on a wall that is not there: " + wall.value, "Choose one of the room's walls"};
    return faultOfPoint(at, where);
  };
  for (const ClearSpot& s : room.clearSpots)
    if (auto fault = faultOfSpot(s.wall, {s.u, s.v}, "a spot that was detected clear")) return fault;
  for (const NailHole& h : room.holes) {
    if (auto fault = faultOfSpot(h.wall, {h.u, h.v}, "a hole")) return fault;
    if (!(h.diameter >= 0 && h.diameter <= 200))
      return Error{"a hole", "has a diameter that is not 0 to 200 mm (8 in)", "Type it again"};
  }
  return std::nullopt;
}

}  // namespace

std::optional<Error> faultOfSite(const Opening& o, const std::string& where) {
  if (o.readings.size() > kMostSite) return Error{where, "has more than 500 readings", "Take the oldest out"};
  std::set<std::string> seen;
  for (const OpeningReading& r : o.readings) {
    if (auto fault = takeId(seen, r.id, "reading")) return fault;
    if (auto fault = faultOfTaken(r.taken, where + ", reading " + r.id.value, 0)) return fault;
  }
  if (auto fault = faultOfMaybe(o.trim, where + ", trim", 1'000)) return fault;
  if (auto fault = faultOfMaybe(o.curtainStack, where + ", curtain stack", kLongestLength)) return fault;
  return std::nullopt;
}

std::optional<Error> faultOfSite(const Feature& f) {
  const std::string where = "feature " + f.id.value;
  if (auto fault = faultOfMaybe(f.base, where + ", underside", kHighest)) return fault;
  if (auto fault = faultOfMaybe(f.mantel, where + ", shelf", kHighest)) return fault;
  if (f.stair.has_value() != (f.kind == FeatureKind::Stair))
    return Error{where, f.stair ? "has steps, but is no stair" : "is a stair without steps",
                 "Type its risers and goings"};
  if (!f.stair) return std::nullopt;
  const Stair& s = *f.stair;
  if (s.risers < 1 || s.risers > 60)
    return Error{where, "has a number of risers that is not 1 to 60", "Count the risers of one flight"};
  if (!(s.riser > 0 && s.riser <= 1'000))
    return Error{where, "has a riser that is not more than 0 and at most 1 m (39 in)", "Check the unit"};
  if (!(s.going > 0 && s.going <= 2'000))
    return Error{where, "has a going that is not more than 0 and at most 2 m (79 in)", "Check the unit"};
  if (!std::isfinite(s.climbs)) return Error{where, "climbs in no direction", "Type degrees"};
  const std::pair<const std::optional<double>*, const char*> given[] = {
      {&s.rise, "rise"}, {&s.nosing, "nosing"}, {&s.handrail, "handrail"}, {&s.headroom, "headroom"}};
  for (const auto& [value, what] : given)
    if (auto fault = faultOfMaybe(*value, where + ", " + what, kHighest)) return fault;
  return std::nullopt;
}

std::optional<Error> faultOfSite(const Room& room) {
  if (auto fault = faultOfHeights(room)) return fault;
  if (room.points.size() > kMostSite || room.studs.size() > kMostSite || room.photographs.size() > kMostSite)
    return Error{room.name, "has more than 500 points, walls of studs or photographs", "Take some out"};
  std::set<std::string> points, photographs, walls;
  for (const WallPoint& p : room.points) {
    const std::string where = "point " + p.id.value;
    if (auto fault = takeId(points, p.id, "point")) return fault;
    if (p.wall.empty()) {
      if (auto fault = faultOfPoint(p.at, where)) return fault;
      continue;
    }
    const auto wall = findWall(room, p.wall);
    if (!wall) return Error{where, "is on a wall that is not there: " + p.wall.value, "Choose one of the room's walls"};
    if (!(p.along >= 0 && p.along <= wall->length() + kSiteSlack))
      return Error{where, "is not on wall " + p.wall.value, "Check how far along it stands"};
    if (!(p.height >= 0 && p.height <= kHighest))
      return Error{where, "has a height that cannot be", "Type it from the floor to the centre"};
  }
  for (const StudRecord& s : room.studs) {
    const std::string where = "studs of wall " + s.wall.value;
    const auto wall = findWall(room, s.wall);
    if (!wall) return Error{where, "are on a wall that is not there", "Choose one of the room's walls"};
    if (!walls.insert(s.wall.value).second) return Error{where, "stand twice", "One list a wall"};
    if (s.hits.size() > kMostSite) return Error{where, "have more than 500 hits", "Take some out"};
    std::set<std::string> hits;
    for (const StudHit& h : s.hits) {
      if (auto fault = takeId(hits, h.id, "hit")) return fault;
      if (!(h.along >= 0 && h.along <= wall->length() + kSiteSlack))
        return Error{"hit " + h.id.value, "is not on wall " + s.wall.value, "Type it again"};
      if (!(h.confidence > 0 && h.confidence <= 1))
        return Error{"hit " + h.id.value, "has a confidence that is not above 0 and at most 1", "Type it again"};
    }
    if (s.pitch && !(*s.pitch >= 100 && *s.pitch <= 2'000))
      return Error{where, "have a pitch that is not 100 mm to 2 m (4 to 79 in)",
                   "Usual pitches are 400 and 600 mm, 16 and 24 in"};
  }
  if (room.underlay)
    if (auto fault = faultOfUnderlay(*room.underlay, room.name + ", plan picture")) return fault;
  for (const Photograph& p : room.photographs) {
    if (auto fault = takeId(photographs, p.id, "photograph")) return fault;
    if (auto fault = faultOfPoint(p.at, "photograph " + p.id.value)) return fault;
    if (!p.wall.empty() && !findWall(room, p.wall))
      return Error{"photograph " + p.id.value, "is of a wall that is not there: " + p.wall.value,
                   "Choose one of the room's walls"};
    if (p.calibration)
      if (auto fault = faultOfCalibration(p)) return fault;
    if (p.before.size() > kMostSite)
      return Error{"photograph " + p.id.value, "has more than 500 things before the wall", "Take some out"};
    for (const auto& outline : p.before) {
      if (outline.size() < 3 || outline.size() > kMostTraceCorners)
        return Error{"photograph " + p.id.value, "has a thing before the wall without 3 to 200 corners",
                     "Draw round it again"};
      for (const Vec2 corner : outline)
        if (auto fault = faultOfPoint(corner, "photograph " + p.id.value, kMostPixels)) return fault;
    }
  }
  return faultOfHoles(room);
}

std::optional<Error> faultOfHouse(const Job& job) {
  std::set<std::string> storeys;
  if (job.storeys.size() > 200) return Error{"job", "has more than 200 storeys", "Split the job"};
  for (const Storey& s : job.storeys) {
    if (auto fault = takeId(storeys, s.id, "storey")) return fault;
    if (!std::isfinite(s.level) || std::abs(s.level) > 1'000'000)
      return Error{"storey " + s.id.value, "has a level that cannot be", "Type it again"};
  }
  for (const auto& room : job.rooms) {
    if (!room->storey.empty() && !storeys.contains(room->storey.value))
      return Error{room->name, "is on a storey that is not there: " + room->storey.value,
                   "Add the storey, or choose another"};
    for (const Opening& o : room->openings) {
      if (!o.leadsTo) continue;
      const std::string where = room->name + ", " + openingName(*room, o);
      const Room* other = findRoom(job, o.leadsTo->room);
      const Opening* back = other != nullptr ? findOpening(*other, o.leadsTo->opening) : nullptr;
      if (back == nullptr || other == room.get())
        return Error{where, "leads to an opening that is not there", "Choose the door of the room beyond"};
      if (!back->leadsTo || back->leadsTo->room != room->id || back->leadsTo->opening != o.id)
        return Error{where, "leads to an opening that leads elsewhere", "A door belongs to two rooms: say it in both"};
    }
  }
  return std::nullopt;
}

}  // namespace mezzet
