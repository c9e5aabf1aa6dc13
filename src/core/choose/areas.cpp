#include "core/choose/areas.h"

#include <algorithm>
#include <cmath>

#include "core/base/sentence.h"
#include "core/choose/room_frame.h"
#include "core/geometry/offset.h"
#include "core/model/kinds.h"
#include "core/rules/base/names.h"
#include "core/rules/base/words.h"
#include "core/units/area.h"
#include "core/use/dining.h"
#include "core/use/groups.h"
#include "core/walk/ways.h"

namespace mezzet {
namespace {

constexpr double kRoundThings = 18 * kInch;  // that an area reaches past what stands in it [D]
constexpr double kAlongEdge = 20 * kInch;    // what stands that near to an edge divides
constexpr double kAtDesk = 36 * kInch;       // a chair that near to a desk's middle is its own
constexpr double kLeastLength = 12 * kInch;  // of a wall, to be the area's

class Finder {
 public:
  Finder(const Room& room, const PieceIndex& pieces, IdSource& ids, std::vector<Polygon> taken = {})
      : room_(room), pieces_(pieces), ids_(ids), frame_(frameOf(room)), taken_(std::move(taken)) {}

  void add(AreaUse use, const std::vector<const Placement*>& things) {
    Parts parts;
    for (const Placement* p : things)
      if (const auto* floor = onFloor(p->on))
        for (Convex& part : footprint(pieces_.of(*p), *floor)) parts.push_back(std::move(part));
    if (parts.empty()) return;
    const Box box = frame_.round(parts);
    Polygon outline = insideRoom(room_,
                                 frame_.box(box.low.x - kRoundThings, box.high.x + kRoundThings,
                                            box.low.y - kRoundThings, box.high.y + kRoundThings),
                                 taken_);
    if (outline.size() < 3 || outline.size() > 60) return;
    taken_.push_back(outline);
    out_.push_back({ids_.take<AreaId>("a"), use, std::move(outline)});
  }
  [[nodiscard]] std::vector<RoomArea> take() { return std::move(out_); }

 private:
  const Room& room_;
  const PieceIndex& pieces_;
  IdSource& ids_;
  RoomFrame frame_;
  std::vector<Polygon> taken_;
  std::vector<RoomArea> out_;
};

bool byWindow(const Room& room, Vec2 at) {
  return std::any_of(room.openings.begin(), room.openings.end(), [&](const Opening& o) {
    const auto wall = findWall(room, o.wall);
    return wall && o.kind == OpeningKind::Window && distance(at, middleOf(*wall, o)) < 72 * kInch;
  });
}

void addWall(const Room& room, AreaSeen& seen) {
  for (const Wall& wall : wallsOf(room)) {
    double length = 0;
    const Polygon& outline = seen.area.outline;
    for (std::size_t i = 0; i < outline.size(); ++i) {
      const Vec2 a = edgeStart(outline, i), b = edgeEnd(outline, i);
      if (std::abs(dot(a - wall.start, wall.inward())) > 1 || std::abs(dot(b - wall.start, wall.inward())) > 1)
        continue;
      length += std::abs(dot(b - a, wall.along()));
    }
    if (length > seen.wallLength && length >= kLeastLength) {
      seen.wallLength = length;
      seen.wall = wall.id;
    }
  }
}

bool divides(const Piece& piece) {
  return isSofa(piece.kind) || isStorage(piece.kind) || isFoldingScreen(piece.kind) ||
         (isSurface(piece.kind) && !isLowTable(piece.kind) && !isSideTable(piece.kind));
}
/// Whether an edge of the area there is no wall of the room.
bool atInnerEdge(const Polygon& room, const Polygon& area, const Piece& piece, const FloorPlace& place) {
  const Parts parts = footprint(piece, place);
  for (std::size_t i = 0; i < area.size(); ++i) {
    const Vec2 a = edgeStart(area, i), b = edgeEnd(area, i);
    if (distanceToEdge(room, midpoint(a, b)) < 1) continue;
    if (separation(parts, Parts{Convex{{a, b}}}).gap < kAlongEdge) return true;
  }
  return false;
}

}  // namespace

std::vector<RoomArea> areasFound(const Job& job, const SchemeId& id, IdSource& ids) {
  const Scheme* scheme = findScheme(job, id);
  if (scheme == nullptr) return {};
  const Room& room = roomOf(job, *scheme);
  const PieceIndex pieces(job);
  Finder finder(room, pieces, ids);
  const std::vector<Serving> servings = servingsIn(pieces, *scheme);
  const auto groups = talkGroupsIn(pieces, servings);
  for (const TalkGroup& group : groups) {
    std::vector<const Placement*> things = group.seats;
    for (const Serving& s : servings)
      if (s.table != nullptr && sitsIn(group, s.seat->id.value)) things.push_back(s.table);
    const bool alone = group.seats.size() == 1 && group.places == 1;
    const auto* floor = onFloor(group.seats.front()->on);
    if (!alone) finder.add(AreaUse::Sitting, things);
    else if (floor != nullptr && byWindow(room, floor->at)) finder.add(AreaUse::Reading, things);
  }
  const std::vector<DiningSeat> dining = diningSeatsIn(pieces, *scheme);
  for (const Placement& p : scheme->placements) {
    const std::string& kind = pieces.of(p).kind;
    if (!isSatAt(kind) || onFloor(p.on) == nullptr) continue;
    std::vector<const Placement*> things{&p};
    for (const DiningSeat& seat : dining)
      if (seat.table == &p) things.push_back(seat.chair);
    for (const Placement& chair : scheme->placements)
      if (const auto* at = onFloor(chair.on); !isDiningTable(kind) && at != nullptr &&
                                              isDiningSeat(pieces.of(chair).kind) &&
                                              distance(at->at, onFloor(p.on)->at) < kAtDesk)
        things.push_back(&chair);
    finder.add(isDiningTable(kind) ? AreaUse::Dining : AreaUse::Work, things);
  }
  return finder.take();
}

std::optional<RoomArea> areaRound(const Job& job, const SchemeId& id, const std::vector<PlacementId>& things,
                                  IdSource& ids) {
  const Scheme* scheme = findScheme(job, id);
  if (scheme == nullptr) return std::nullopt;
  const PieceIndex pieces(job);
  std::vector<const Placement*> placed;
  for (const PlacementId& thing : things)
    if (const Placement* p = findPlacement(*scheme, thing)) placed.push_back(p);
  if (placed.empty()) return std::nullopt;
  std::vector<Polygon> taken;
  for (const RoomArea& area : scheme->areas) taken.push_back(area.outline);
  Finder finder(roomOf(job, *scheme), pieces, ids, std::move(taken));
  const std::string& kind = pieces.of(*placed.front()).kind;
  finder.add(isDiningTable(kind) || isDiningSeat(kind) ? AreaUse::Dining
             : isSatAt(kind)                           ? AreaUse::Work
                                                       : AreaUse::Sitting,
             placed);
  std::vector<RoomArea> out = finder.take();
  return out.empty() ? std::nullopt : std::optional(std::move(out.front()));
}

const char* areaWords(AreaUse use) {
  switch (use) {
    case AreaUse::Sitting: return "sitting";
    case AreaUse::Dining: return "dining";
    case AreaUse::Reading: return "reading";
    case AreaUse::Entry: return "entry";
    case AreaUse::Work: return "work";
  }
  return "";
}

std::vector<AreaSeen> areasSeen(const Job& job, const SchemeId& id, LengthFormat format) {
  std::vector<AreaSeen> out;
  const Scheme* scheme = findScheme(job, id);
  if (scheme == nullptr) return out;
  const Room& room = roomOf(job, *scheme);
  const Polygon outline = outlineOf(room);
  const PieceIndex pieces(job);
  const SchemeNames names(job, *scheme);
  const auto ways =
      waysIn(walkSpaceOf(pieces, room, *scheme, UseState::Everyday), destinationsIn(pieces, room, *scheme));
  for (const RoomArea& area : scheme->areas) {
    AreaSeen seen{area, std::abs(signedArea(area.outline)), {}, {}, {}, 0, {}, {}};
    addWall(room, seen);
    std::vector<std::string> dividers;
    for (const Placement& p : scheme->placements) {
      const auto* floor = onFloor(p.on);
      if (floor == nullptr || !contains(area.outline, floor->at)) continue;
      const Piece& piece = pieces.of(p);
      if (isRug(piece.kind)) seen.rugs.push_back(p.id);
      else if (divides(piece) && atInnerEdge(outline, area.outline, piece, *floor)) {
        seen.dividedBy.push_back(p.id);
        dividers.push_back(names.the(p.id));
      }
    }
    for (const RoomWay& way : ways)
      if (contains(area.outline, way.at)) seen.way = std::min(seen.way.value_or(1e18), way.way.width);
    seen.says.push_back(capital(std::string(areaWords(area.use))) + ", " + writeArea(seen.floor, job.units) +
                        " of floor" + (seen.way ? ", " + writeLength(*seen.way, format) + " to come in by." : "."));
    if (seen.rugs.empty() && area.use != AreaUse::Entry && area.use != AreaUse::Work)
      seen.says.emplace_back("No rug of its own yet.");
    else if (!seen.rugs.empty()) seen.says.push_back(capital(names.the(seen.rugs.front(), true)) + " lies in it.");
    if (seen.wall)
      seen.says.push_back("Its wall is " + seen.wall->value + ", " + writeLength(seen.wallLength, format) + " of it.");
    seen.says.push_back(dividers.empty()
                            ? "Nothing divides it from the next: the back of a sofa does, a case, a screen."
                            : capital(listWords(dividers)) + (dividers.size() == 1 ? " divides it." : " divide it."));
    out.push_back(std::move(seen));
  }
  return out;
}

}  // namespace mezzet
