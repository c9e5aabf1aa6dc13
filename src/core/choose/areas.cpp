#include "core/choose/areas.h"

#include <algorithm>
#include <cmath>

#include "core/base/sentence.h"
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

/// The room along its longest wall: x along it, y into the room.
struct RoomFrame {
  Vec2 origin, along, inward;
  double length = 0, width = 0;
  [[nodiscard]] Polygon box(double x0, double x1, double y0, double y1) const {
    const auto at = [&](double x, double y) { return origin + along * x + inward * y; };
    return {at(x0, y0), at(x1, y0), at(x1, y1), at(x0, y1)};
  }
};
RoomFrame frameOf(const Room& room) {
  const std::vector<Wall> walls = wallsOf(room);
  const Wall& longest = *std::max_element(walls.begin(), walls.end(),
                                          [](const Wall& a, const Wall& b) { return a.length() < b.length(); });
  double x0 = 1e18, x1 = -1e18, y0 = 1e18, y1 = -1e18;
  for (const Vec2 p : outlineOf(room)) {
    const double x = dot(p - longest.start, longest.along()), y = dot(p - longest.start, longest.inward());
    x0 = std::min(x0, x);
    x1 = std::max(x1, x);
    y0 = std::min(y0, y);
    y1 = std::max(y1, y);
  }
  RoomFrame out{longest.start + longest.along() * x0 + longest.inward() * y0, longest.along(), longest.inward(),
                x1 - x0, y1 - y0};
  if (out.length < out.width) {
    out.origin = out.origin + out.along * out.length;
    std::swap(out.length, out.width);
    out.inward = -out.along;
    out.along = longest.inward();
  }
  return out;
}

/// The largest part of a shape that lies in the room.
Polygon insideRoom(const Room& room, const Polygon& shape, const std::vector<Polygon>& taken) {
  std::vector<Polygon> parts;
  for (const Area& area : within({shape}, {outlineOf(room)})) parts.push_back(area.outer);
  if (!taken.empty() && !parts.empty()) {
    std::vector<Polygon> left;
    for (const Area& area : without(parts, taken)) left.push_back(area.outer);
    parts = std::move(left);
  }
  const auto largest = std::max_element(parts.begin(), parts.end(), [](const Polygon& a, const Polygon& b) {
    return std::abs(signedArea(a)) < std::abs(signedArea(b));
  });
  if (largest == parts.end()) return {};
  Polygon out = *largest;
  if (signedArea(out) < 0) std::reverse(out.begin(), out.end());
  return out;
}

double windowIn(const Room& room, const Polygon& outline) {
  double out = 0;
  for (const Opening& o : room.openings)
    if (const auto wall = findWall(room, o.wall);
        wall && o.kind == OpeningKind::Window && distanceToEdge(outline, middleOf(*wall, o)) < kTouch)
      out += o.width;
  return out;
}

/// What stands along the room's length: from, to, what it is.
struct Stands {
  double from = 0, to = 0;
  const std::string* kind = nullptr;
};
std::vector<Stands> standsAlong(const PieceIndex& pieces, const Scheme& scheme, const RoomFrame& frame) {
  std::vector<Stands> out;
  for (const Placement& p : scheme.placements) {
    const auto* floor = onFloor(p.on);
    const Piece& piece = pieces.of(p);
    if (floor == nullptr || isRug(piece.kind) || !piece.depth) continue;
    Stands one{1e18, -1e18, &piece.kind};
    for (const Convex& part : footprint(piece, *floor))
      for (const Vec2 v : part.core) {
        const double x = dot(v - frame.origin, frame.along);
        one.from = std::min(one.from, x - part.radius);
        one.to = std::max(one.to, x + part.radius);
      }
    out.push_back(one);
  }
  return out;
}
/// Where a part ends: near its share of the length, through as few things as may be.
double cutNear(double share, double reach, const std::vector<Stands>& stands) {
  constexpr double kStep = 3 * kInch;
  double best = share, least = 1e18;
  for (double off = 0; off <= reach; off += kStep)
    for (const double at : {share + off, share - off}) {
      const auto cut = std::count_if(stands.begin(), stands.end(),
                                     [&](const Stands& s) { return s.from < at - kTouch && s.to > at + kTouch; });
      const double cost = static_cast<double>(cut) * 1e6 + off;
      if (cost >= least) continue;
      least = cost;
      best = at;
    }
  return best;
}
/// What a part is for, by what stands in its length.
std::optional<AreaUse> useOf(double from, double to, const std::vector<Stands>& stands) {
  std::optional<AreaUse> out;
  int seats = 0;
  for (const Stands& s : stands) {
    const double middle = (s.from + s.to) / 2;
    if (middle < from || middle > to) continue;
    if (isDiningTable(*s.kind)) return AreaUse::Dining;
    seats += isSeat(*s.kind) ? 1 + isSofa(*s.kind) : 0;
    if (isSatAt(*s.kind)) out = AreaUse::Work;
  }
  if (seats == 1) return out.value_or(AreaUse::Reading);
  return seats > 1 ? AreaUse::Sitting : out;
}

/// Where nothing stands that says what a part is for: where one comes in is the entry of three, and the part with most
/// window is for reading; of two the entry's part is for meals.
AreaUse usualUse(const Room& room, const std::vector<RoomArea>& all, std::size_t i) {
  const Opening* entry = mainEntry(room);
  const auto wall = entry != nullptr ? findWall(room, entry->wall) : std::nullopt;
  const auto off = [&](std::size_t k) { return distanceToEdge(all[k].outline, middleOf(*wall, *entry)); };
  std::size_t first = 0, bright = all.size();
  for (std::size_t k = 1; wall && k < all.size(); ++k)
    if (off(k) < off(first)) first = k;
  if (all.size() == 2) return i == first ? AreaUse::Dining : AreaUse::Sitting;
  if (i == first) return AreaUse::Entry;
  for (std::size_t k = 0; k < all.size(); ++k)
    if (k != first && windowIn(room, all[k].outline) > 0 &&
        (bright == all.size() || windowIn(room, all[k].outline) > windowIn(room, all[bright].outline)))
      bright = k;
  return i == bright ? AreaUse::Reading : AreaUse::Sitting;
}

std::vector<RoomArea> split(const Room& room, const RoomFrame& frame, const std::vector<Stands>& stands, int parts,
                            IdSource& ids) {
  std::vector<RoomArea> out;
  std::vector<std::optional<AreaUse>> uses;
  double from = 0;
  for (int i = 0; i < parts; ++i) {
    const double share = frame.length / parts,
                 to = i + 1 == parts ? frame.length : cutNear(share * (i + 1), share / 3, stands);
    Polygon outline = insideRoom(room, frame.box(from, to, -1, frame.width + 1), {});
    if (outline.size() >= 3) {
      out.push_back({ids.take<AreaId>("a"), AreaUse::Sitting, std::move(outline)});
      uses.push_back(useOf(from, to, stands));
    }
    from = to;
  }
  for (std::size_t i = 0; i < out.size(); ++i) out[i].use = uses[i].value_or(usualUse(room, out, i));
  return out;
}

class Finder {
 public:
  Finder(const Room& room, const PieceIndex& pieces, IdSource& ids, std::vector<Polygon> taken = {})
      : room_(room), pieces_(pieces), ids_(ids), frame_(frameOf(room)), taken_(std::move(taken)) {}

  void add(AreaUse use, const std::vector<const Placement*>& things) {
    double x0 = 1e18, x1 = -1e18, y0 = 1e18, y1 = -1e18;
    for (const Placement* p : things) {
      const auto* floor = onFloor(p->on);
      if (floor == nullptr) continue;
      for (const Convex& part : footprint(pieces_.of(*p), *floor))
        for (const Vec2 v : part.core) {
          const Vec2 d = v - frame_.origin;
          x0 = std::min(x0, dot(d, frame_.along) - part.radius);
          x1 = std::max(x1, dot(d, frame_.along) + part.radius);
          y0 = std::min(y0, dot(d, frame_.inward) - part.radius);
          y1 = std::max(y1, dot(d, frame_.inward) + part.radius);
        }
    }
    if (x1 < x0) return;
    Polygon outline = insideRoom(
        room_, frame_.box(x0 - kRoundThings, x1 + kRoundThings, y0 - kRoundThings, y1 + kRoundThings), taken_);
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

double lengthOverWidth(const Room& room) {
  if (room.corners.size() < 3) return 1;
  const RoomFrame frame = frameOf(room);
  return frame.width > 0 ? frame.length / frame.width : 1;
}

std::vector<std::vector<RoomArea>> areasOffered(const Job& job, const SchemeId& id, IdSource& ids) {
  const Scheme* scheme = findScheme(job, id);
  if (scheme == nullptr) return {};
  const Room& room = roomOf(job, *scheme);
  if (lengthOverWidth(room) <= kLongRoom) return {};
  const RoomFrame frame = frameOf(room);
  const std::vector<Stands> stands = standsAlong(PieceIndex(job), *scheme, frame);
  return {split(room, frame, stands, 2, ids), split(room, frame, stands, 3, ids)};
}

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
