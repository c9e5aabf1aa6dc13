#include "core/edit/edits.h"

#include <algorithm>
#include <map>

#include "core/edit/displays.h"
#include "core/edit/hangs.h"
#include "core/edit/lights.h"
#include "core/edit/put.h"
#include "core/edit/validate.h"
#include "core/edit/validate_display.h"

namespace mezzet {
namespace {

/// Replaces the shared value with `changed.id`, or adds it at the end.
template <class T>
void put(std::vector<Shared<T>>& all, T changed) {
  const auto at = std::find_if(all.begin(), all.end(), [&](const Shared<T>& one) { return one->id == changed.id; });
  auto fresh = std::make_shared<const T>(std::move(changed));
  if (at == all.end()) all.push_back(std::move(fresh));
  else *at = std::move(fresh);
}

template <class Change>
Job withChangedPlacement(const Job& job, const SchemeId& schemeId, const PlacementId& id, Change change) {
  const Scheme* scheme = findScheme(job, schemeId);
  if (scheme == nullptr || findPlacement(*scheme, id) == nullptr) return job;
  Scheme changed = *scheme;
  for (Placement& p : changed.placements)
    if (p.id == id) change(p);
  return withScheme(job, std::move(changed));
}

Error noRoom(const RoomId& id) { return {"room " + id.value, "is not in this job", "Choose another room"}; }

}  // namespace

Result<Job> withRoom(const Job& job, Room room) {
  if (auto fault = faultOf(room, usualFormat(job.units))) return *fault;
  for (const auto& scheme : job.schemes) {
    if (scheme->room != room.id) continue;
    for (const Placement& p : scheme->placements)
      if (const auto* on = onWall(p.on); on != nullptr && !findWall(room, on->wall))
        return Error{"wall " + on->wall.value, "is where " + pieceOf(job, p).name + " hangs in " + scheme->name,
                     "Hang it elsewhere before this wall goes"};
    if (auto fault = faultOfLeaning(job, room, *scheme)) return *fault;
  }
  Job out = job;
  const RoomId id = room.id;
  put(out.rooms, std::move(room));
  return withoutLostLights(std::move(out), id);
}

Result<Job> withOutline(const Job& job, const RoomId& id, std::vector<Corner> corners) {
  const Room* room = findRoom(job, id);
  if (room == nullptr) return noRoom(id);
  Room changed = *room;
  for (Corner& corner : corners)
    for (const Corner& before : room->corners)
      if (before.id == corner.id && !corner.wallThickness) corner.wallThickness = before.wallThickness;
  changed.corners = std::move(corners);
  return withRoom(job, std::move(changed));
}

Result<Job> withCeiling(const Job& job, const RoomId& id, double height) {
  const Room* room = findRoom(job, id);
  if (room == nullptr) return noRoom(id);
  Room changed = *room;
  changed.ceilingHeight = height;
  return withRoom(job, std::move(changed));
}

Result<Job> withOpening(const Job& job, const RoomId& id, Opening opening) {
  const Room* room = findRoom(job, id);
  if (room == nullptr) return noRoom(id);
  Room changed = *room;
  putValue(changed.openings, std::move(opening));
  return withRoom(job, std::move(changed));
}

Job withoutOpening(const Job& job, const RoomId& id, const OpeningId& opening) {
  const Room* room = findRoom(job, id);
  if (room == nullptr) return job;
  Room changed = *room;
  std::erase_if(changed.openings, [&](const Opening& o) { return o.id == opening; });
  if (changed.entry == opening) changed.entry = {};
  Job out = job;
  // A door that belongs to two rooms leads nowhere from the other one then.
  for (auto& other : out.rooms)
    for (std::size_t i = 0; i < other->openings.size(); ++i)
      if (other->openings[i].leadsTo == LeadsTo{id, opening}) {
        Room parted = *other;
        parted.openings[i].leadsTo.reset();
        other = std::make_shared<const Room>(std::move(parted));
      }
  put(out.rooms, std::move(changed));
  return withoutLostDisplays(std::move(out), id);
}

Result<Job> withFeature(const Job& job, const RoomId& id, Feature feature) {
  const Room* room = findRoom(job, id);
  if (room == nullptr) return noRoom(id);
  Room changed = *room;
  putValue(changed.features, std::move(feature));
  return withRoom(job, std::move(changed));
}

Job withoutFeature(const Job& job, const RoomId& id, const FeatureId& feature) {
  const Room* room = findRoom(job, id);
  if (room == nullptr) return job;
  Room changed = *room;
  std::erase_if(changed.features, [&](const Feature& f) { return f.id == feature; });
  Job out = job;
  put(out.rooms, std::move(changed));
  return withoutLostDisplays(withoutLostLights(std::move(out), id), id);
}

Result<Job> withWallThickness(const Job& job, const RoomId& id, const CornerId& corner,
                              std::optional<double> thickness) {
  const Room* room = findRoom(job, id);
  if (room == nullptr) return noRoom(id);
  Room changed = *room;
  for (Corner& c : changed.corners)
    if (c.id == corner) c.wallThickness = thickness;
  return withRoom(job, std::move(changed));
}

Result<Job> withPiece(const Job& job, Piece piece) {
  if (auto fault = faultOf(piece)) return *fault;
  if (auto fault = faultOfLostSurfaces(job, piece)) return *fault;
  Job out = job;
  put(out.pieces, std::move(piece));
  return out;
}

Room freshRoom(const Job& job, IdSource& ids) {
  Room room;
  room.id = ids.take<RoomId>("room");
  room.name = job.rooms.empty() ? "Room" : "Room " + std::to_string(job.rooms.size() + 1);
  room.ceilingHeight = kUsualCeiling;
  return room;
}

Result<Job> withFreshRoom(const Job& job, Room room, IdSource& ids) {
  const RoomId id = room.id;
  const auto after = withRoom(job, std::move(room));
  if (!after) return after.error();
  return withScheme(*after, Scheme{ids.take<SchemeId>("s"), id, "A", {}, {}, {}});
}

Job withScheme(const Job& job, Scheme scheme) {
  Job out = job;
  put(out.schemes, std::move(scheme));
  return out;
}

Job withoutPiece(const Job& job, const PieceId& id) {
  for (const auto& scheme : job.schemes)
    for (const Placement& p : scheme->placements)
      if (p.piece == id ||
          std::any_of(p.candidates.begin(), p.candidates.end(), [&](const Candidate& c) { return c.piece == id; }))
        return job;
  for (const auto& piece : job.pieces)
    if (piece->variantOf == id) return job;
  for (const Order& order : job.records->orders)
    if (order.piece == id) return job;
  Job out = job;
  std::erase_if(out.pieces, [&](const auto& piece) { return piece->id == id; });
  return out;
}

Job withoutScheme(const Job& job, const SchemeId& id) {
  const Scheme* scheme = findScheme(job, id);
  if (scheme == nullptr) return job;
  const auto inRoom =
      std::count_if(job.schemes.begin(), job.schemes.end(), [&](const auto& s) { return s->room == scheme->room; });
  if (inRoom < 2) return job;
  Job out = job;
  std::erase_if(out.schemes, [&](const auto& s) { return s->id == id; });
  return out;
}

Job withSchemeCopied(const Job& job, const SchemeId& id, const std::string& name, IdSource& ids, SchemeId& copy) {
  const Scheme* scheme = findScheme(job, id);
  if (scheme == nullptr) return job;
  Scheme fresh = *scheme;
  fresh.id = copy = ids.take<SchemeId>("s");
  fresh.name = name;
  std::map<std::string, std::string> renamed;
  for (Placement& p : fresh.placements) {
    const PlacementId now = ids.take<PlacementId>("p");
    renamed[p.id.value] = now.value;
    p.id = now;
  }
  for (Placement& p : fresh.placements) {
    if (auto* carried = onAnother(p.on); carried != nullptr && carried->fixed.empty())
      carried->carrier = PlacementId(renamed[carried->carrier.value]);
    auto* leans = leaning(p.on);
    if (leans != nullptr && renamed.contains(leans->carrier)) leans->carrier = renamed[leans->carrier];
  }
  renameLights(fresh, renamed);
  renameHangs(fresh, renamed);
  renameDisplays(fresh, renamed);
  // A kept finding is named by its subjects, which have new ids now, in byte order.
  for (Kept& kept : fresh.kept) {
    const auto colon = kept.finding.find(':');
    if (colon == std::string::npos) continue;
    std::vector<std::string> subjects;
    for (std::size_t at = colon + 1; at <= kept.finding.size();) {
      const std::size_t end = std::min(kept.finding.find(',', at), kept.finding.size());
      const std::string subject = kept.finding.substr(at, end - at);
      subjects.push_back(renamed.contains(subject) ? renamed[subject] : subject);
      at = end + 1;
    }
    std::sort(subjects.begin(), subjects.end());
    kept.finding.resize(colon + 1);
    for (const std::string& subject : subjects) kept.finding += (kept.finding.back() == ':' ? "" : ",") + subject;
  }
  return withScheme(job, std::move(fresh));
}

Job withNextScheme(const Job& job, const RoomId& room, const SchemeId& copyOf, IdSource& ids, SchemeId& fresh) {
  std::size_t number = 0;
  for (const auto& s : job.schemes) number += s->room == room;
  const std::string name = cornerName(number).value;
  if (const Scheme* from = findScheme(job, copyOf))
    return withSchemeCopied(job, copyOf, name + ", from " + from->name, ids, fresh);
  fresh = ids.take<SchemeId>("s");
  return withScheme(job, Scheme{fresh, room, name, {}, {}, {}});
}

Job withPlacement(const Job& job, const SchemeId& id, Placement placement) {
  const Scheme* scheme = findScheme(job, id);
  if (scheme == nullptr) return job;
  Scheme changed = *scheme;
  putValue(changed.placements, std::move(placement));
  return withScheme(job, std::move(changed));
}

Job withoutPlacement(const Job& job, const SchemeId& id, const PlacementId& placement) {
  const Scheme* scheme = findScheme(job, id);
  if (scheme == nullptr) return job;
  Scheme changed = *scheme;
  std::erase_if(changed.placements, [&](const Placement& p) { return p.id == placement; });
  changed = withoutLostDisplays(std::move(changed), roomOf(job, *scheme));
  for (Placement& p : changed.placements)
    if (auto* leans = leaning(p.on); leans != nullptr && leans->carrier == placement.value)
      *leans = {leans->wall, leans->u, 0, leans->lean, {}};  // it stands on the floor then
  return withScheme(job, withoutLostHangs(withoutLostLights(std::move(changed), roomOf(job, *scheme))));
}

Job placed(const Job& job, const SchemeId& scheme, const PlacementId& id, Place place) {
  return withChangedPlacement(job, scheme, id, [&](Placement& p) { p.on = normalised(place); });
}

Job withOneMore(const Job& job, const SchemeId& schemeId, const PlacementId& id, double aside, IdSource& ids,
                PlacementId& copy) {
  const Scheme* scheme = findScheme(job, schemeId);
  const Placement* p = scheme != nullptr ? findPlacement(*scheme, id) : nullptr;
  if (p == nullptr) return job;
  Placement fresh = *p;
  fresh.id = copy = ids.take<PlacementId>("p");
  fresh.locked = false;
  fresh.group.clear();
  fresh.asHung.reset();
  fresh.on = moved(fresh.on, onWall(fresh.on) != nullptr ? Vec2{aside, 0} : Vec2{aside, aside});
  if (auto* hung = onWall(fresh.on)) hung->group.reset();
  if (auto* on = onAnother(fresh.on)) on->at.x += pieceOf(job, *p).width;  // beside it on its shelf
  Job after = withPlacement(job, schemeId, fresh);
  const Piece& piece = pieceOf(job, *p);
  const auto placed = std::count_if(scheme->placements.begin(), scheme->placements.end(),
                                    [&](const Placement& q) { return q.piece == piece.id; });
  if (placed + 1 <= piece.count) return after;
  Piece more = piece;
  more.count = static_cast<int>(placed) + 1;
  const auto with = withPiece(after, std::move(more));
  return with ? *with : after;
}

Job repointed(const Job& job, const SchemeId& scheme, const PlacementId& id, const PieceId& piece) {
  return withChangedPlacement(job, scheme, id, [&](Placement& p) { p.piece = piece; });
}

Result<Job> withSetOut(const Job& job, const SchemeId& schemeId, const PlacementId& id, std::vector<CornerId> walls) {
  const Job after = withChangedPlacement(job, schemeId, id, [&](Placement& p) { p.setOut = std::move(walls); });
  if (const auto fault = faultOf(after)) return *fault;
  return after;
}

Job withLock(const Job& job, const SchemeId& scheme, const PlacementId& id, bool locked) {
  return withChangedPlacement(job, scheme, id, [&](Placement& p) { p.locked = locked; });
}

Job withInUse(const Job& job, const SchemeId& scheme, const PlacementId& id, bool inUse) {
  return withChangedPlacement(job, scheme, id, [&](Placement& p) {
    if (onFloor(p.on) != nullptr) p.inUse = inUse;
  });
}

Job withTaped(const Job& job, const SchemeId& scheme, const PlacementId& id, bool taped) {
  return withChangedPlacement(job, scheme, id, [&](Placement& p) {
    if (onFloor(p.on) != nullptr) p.taped = taped;
  });
}

Job withOptional(const Job& job, const SchemeId& scheme, const PlacementId& id, bool optional) {
  return withChangedPlacement(job, scheme, id, [&](Placement& p) { p.optional = optional; });
}

Job withUsedAt(const Job& job, const SchemeId& scheme, const PlacementId& id, std::optional<FloorPlace> there) {
  if (there) there->turn = normalisedTurn(there->turn);
  return withChangedPlacement(job, scheme, id, [&](Placement& p) {
    if (onFloor(p.on) != nullptr) p.usedAt = there;
  });
}

Result<Job> withEntry(const Job& job, const RoomId& id, const OpeningId& opening) {
  const Room* room = findRoom(job, id);
  if (room == nullptr) return noRoom(id);
  Room changed = *room;
  changed.entry = opening;
  return withRoom(job, std::move(changed));
}

Job withKept(const Job& job, const SchemeId& id, Kept kept) {
  const Scheme* scheme = findScheme(job, id);
  if (scheme == nullptr) return job;
  Scheme changed = *scheme;
  std::erase_if(changed.kept, [&](const Kept& k) { return k.finding == kept.finding; });
  changed.kept.push_back(std::move(kept));
  return withScheme(job, std::move(changed));
}

Job withoutKept(const Job& job, const SchemeId& id, const std::string& finding) {
  const Scheme* scheme = findScheme(job, id);
  if (scheme == nullptr) return job;
  Scheme changed = *scheme;
  std::erase_if(changed.kept, [&](const Kept& k) { return k.finding == finding; });
  return withScheme(job, std::move(changed));
}

Job withLogEntry(const Job& job, const SchemeId& id, LogEntry entry) {
  const Scheme* scheme = findScheme(job, id);
  if (scheme == nullptr) return job;
  Scheme changed = *scheme;
  changed.log.push_back(std::move(entry));
  return withScheme(job, std::move(changed));
}

Job withRange(const Job& job, const std::string& rule, std::optional<Range> range) {
  Job out = job;
  if (range) out.houseRules.ranges[rule] = *range;
  else out.houseRules.ranges.erase(rule);
  return out;
}

Result<Job> withOwnRule(const Job& job, const PieceId& id, const std::string& rule, std::optional<OwnRule> own) {
  const Piece* piece = findPiece(job, id);
  if (piece == nullptr) return Error{"piece " + id.value, "is not in this job", "Choose another"};
  Piece changed = *piece;
  if (own && (own->school || own->range)) changed.ownRules[rule] = *own;
  else changed.ownRules.erase(rule);
  return withPiece(job, std::move(changed));
}

Job withRulebook(const Job& job, int version) {
  Job out = job;
  out.houseRules.rulebook = version;
  return out;
}

Job withBrief(const Job& job, Brief brief) {
  Job out = job;
  out.brief = std::move(brief);
  return out;
}

Job withSchool(const Job& job, const std::string& rule, const std::string& school) {
  Job out = job;
  out.houseRules.schools[rule] = school;
  out.houseRules.ranges.erase(rule);  // choosing a school gives up a range of one's own
  return out;
}

Job withUnits(const Job& job, Unit units) {
  Job out = job;
  out.units = units;
  return out;
}

}  // namespace mezzet
