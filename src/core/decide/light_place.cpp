#include "core/decide/light_place.h"

#include <algorithm>

#include "core/edit/edits.h"
#include "core/edit/lights.h"
#include "core/light/aim.h"
#include "core/light/downlights.h"
#include "core/light/estimate.h"
#include "core/light/over_tops.h"
#include "core/model/kinds.h"
#include "core/rules/light/rules.h"
#include "core/space/arrange.h"
#include "core/space/hung.h"
#include "core/use/groups.h"
#include "core/use/serving.h"

namespace mezzet {
namespace {

/// The drop over a top: the middle of what is asked there; else well above heads.
double usualDrop(const Job& job, const Rulebook& book, const Room& room, const Piece& light, const Piece* top,
                 Vec2 at) {
  const RoomHeights heights = heightsOf(room);
  if (mountOf(light) == Mount::Recessed) return 0;
  const double body = light.height.value_or(0);
  if (mountOf(light) != Mount::Pendant) return body;
  double underside = kUsualUnderside;
  const Rule* rule = findRule(book, std::string(kPendantDrop));
  if (top != nullptr && top->height && rule != nullptr) {
    const Range asked = raisedFor(*rule, askedOf(*rule, job, light), heights.clearAt(at)).tolerated;
    underside =
        *top->height + (asked.low && asked.high ? (*asked.low + *asked.high) / 2 : asked.low.value_or(30 * kInch));
  }
  return std::max(body, dropFor(heights, at, underside));
}

const Placement* topAt(const Job& job, const Scheme& scheme, Vec2 at) {
  const PieceIndex pieces(job);
  const Under under = underOf(pieces, scheme, floorBodies(pieces, scheme), at);
  return under.placement != nullptr && isLitUnder(pieces.of(*under.placement).kind) ? under.placement : nullptr;
}

std::vector<const Fixture*> over(const std::vector<OverTop>& all, const Placement& top) {
  std::vector<const Fixture*> out;
  for (const OverTop& o : all)
    if (o.body->id == top.id) out.push_back(o.fixture);
  return out;
}

Vec2 middleOfRoom(const Room& room) {
  const Polygon outline = outlineOf(room);
  const Vec2 middle = centroidOf(outline);
  if (contains(outline, middle)) return middle;
  return boundsOf(std::span<const Vec2>(outline)).low;
}

}  // namespace

const Placement* topOfKind(const Job& job, const Scheme& scheme, const std::string& kind) {
  for (const Placement& p : scheme.placements)
    if (onFloor(p.on) != nullptr && pieceOf(job, p).kind == kind) return &p;
  return nullptr;
}

Result<Added> withLightPlaced(const Job& job, const Rulebook& book, const SchemeId& id, const PieceId& pieceId,
                              IdSource& ids, std::optional<Vec2> at) {
  const Scheme* scheme = findScheme(job, id);
  const Piece* piece = findPiece(job, pieceId);
  if (scheme == nullptr || piece == nullptr)
    return Error{"", "There is no scheme to place it in", "Measure a room first"};
  if (!piece->depth) return Error{piece->name, "needs a depth", "Type how deep it is, seen from above"};
  const Room& room = roomOf(job, *scheme);
  if (at && !contains(outlineOf(room), *at))
    return Error{piece->name, "has no ceiling there", "Drop it inside the room"};
  const PieceIndex pieces(job);
  const std::vector<Fixture> fixtures = fixturesIn(pieces, room, heightsOf(room), *scheme);
  const std::vector<Body> bodies = floorBodies(pieces, *scheme);
  const std::vector<OverTop> all = overTops(pieces, *scheme, bodies, fixtures);
  const bool hangs = mountOf(*piece) == Mount::Pendant;
  const Placement* top = nullptr;
  if (hangs && at) {
    top = topAt(job, *scheme, *at);
  } else if (hangs) {
    for (const Placement& p : scheme->placements)
      if (top == nullptr && onFloor(p.on) != nullptr && isLitUnder(pieces.of(p).kind) && over(all, p).empty()) top = &p;
  }
  const Vec2 wanted = at.value_or(top != nullptr ? floorPlace(top->on).at : middleOfRoom(room));
  CeilingPlace there{wanted, 0, 0};
  if (top != nullptr && over(all, *top).empty() && (!at || distance(*at, floorPlace(top->on).at) <= kCentresWithin))
    there.at = floorPlace(top->on).at;
  if (top != nullptr) there.turn = floorPlace(top->on).turn;
  const std::vector<const Fixture*> beside = top != nullptr ? over(all, *top) : std::vector<const Fixture*>{};
  there.drop = beside.empty()
                   ? usualDrop(job, book, room, *piece, top != nullptr ? &pieces.of(*top) : nullptr, there.at)
                   : std::max(0.0, dropFor(heightsOf(room), there.at, beside.front()->underside));
  Placement fresh{ids.take<PlacementId>("p"), pieceId, there, {}};
  return Added{withPlacement(job, id, fresh), fresh.id};
}

Result<Added> withTableLamp(const Job& job, const SchemeId& id, const PieceId& pieceId, IdSource& ids,
                            std::optional<Vec2> at) {
  const Scheme* scheme = findScheme(job, id);
  const Piece* piece = findPiece(job, pieceId);
  if (scheme == nullptr || piece == nullptr)
    return Error{"", "There is no scheme to place it in", "Measure a room first"};
  const PieceIndex pieces(job);
  const Placement* carrier = nullptr;
  for (const Placement& p : scheme->placements) {
    const auto* floor = onFloor(p.on);
    if (floor == nullptr) continue;
    const Piece& below = pieces.of(p);
    if (at) {
      if (isRug(below.kind) || isSeat(below.kind) || !below.height || !covers(footprint(below, *floor), *at)) continue;
      if (carrier == nullptr || *below.height > *pieces.of(*carrier).height) carrier = &p;
    } else if (carrier == nullptr && isSurface(below.kind) &&
               std::none_of(scheme->placements.begin(), scheme->placements.end(),
                            [&](const Placement& q) { return carrierOf(q.on) == p.id; })) {
      carrier = &p;
    }
  }
  if (carrier == nullptr)
    return Error{piece->name, "has no table to stand on there", "Place a side table first, or type: floor lamp"};
  const FloorPlace& below = floorPlace(carrier->on);
  // On a table in its own frame; on something long where it was dropped, else in its middle.
  Vec2 there{};
  if (at) {
    there = rotated(*at - below.at, turnOf(-below.turn));
    const Piece& top = pieces.of(*carrier);
    const double x = std::max(0.0, (top.width - piece->width) / 2),
                 y = std::max(0.0, (top.depth.value_or(top.width) - piece->depth.value_or(piece->width)) / 2);
    there = {std::clamp(there.x, -x, x), std::clamp(there.y, -y, y)};
  }
  Placement fresh{ids.take<PlacementId>("p"), pieceId, CarriedPlace{carrier->id, there, 0}, {}};
  return Added{withPlacement(job, id, fresh), fresh.id};
}

Result<Added> withRowOver(const Job& job, const Rulebook& book, const SchemeId& id, const PieceId& pieceId, int count,
                          const PlacementId& topId, IdSource& ids) {
  const Scheme* scheme = findScheme(job, id);
  const Placement* top = scheme != nullptr ? findPlacement(*scheme, topId) : nullptr;
  const Piece* piece = findPiece(job, pieceId);
  if (top == nullptr || piece == nullptr || count < 1)
    return Error{"", "There is nothing to hang it over", "Place the table first"};
  const Piece& below = pieceOf(job, *top);
  const FloorPlace& place = floorPlace(top->on);
  const double deep = below.depth.value_or(below.width), length = std::max(below.width, deep);
  const Vec2 axis = rotated(below.width >= deep ? Vec2{1, 0} : Vec2{0, 1}, turnOf(place.turn));
  Job out = job;
  PlacementIds row;
  for (int i = 0; i < count; ++i) {
    // Each its own part of the length: half a space at the ends.
    const Vec2 at = place.at + axis * (length * ((i + 0.5) / count - 0.5));
    const CeilingPlace there{at, place.turn, usualDrop(job, book, roomOf(job, *scheme), *piece, &below, at)};
    row.push_back(ids.take<PlacementId>("p"));
    out = withPlacement(out, id, Placement{row.back(), pieceId, there, {}});
  }
  if (count > 1) out = grouped(out, id, row, ids);
  return Added{std::move(out), row.front()};
}

namespace {

/// Lights put up in one go, on a fresh circuit, and as many of the piece as hang then. They get their ids.
Result<Added> putUp(const Job& job, const SchemeId& id, std::vector<Placement>& lights, CircuitUse use, IdSource& ids) {
  const Circuit circuit{ids.take<CircuitId>("k"), freshLetter(*findScheme(job, id)), {}, use};
  Job out = withCircuit(job, id, circuit);
  for (Placement& p : lights) {
    p.id = ids.take<PlacementId>("p");
    p.circuit = circuit.id;
    out = withPlacement(out, id, p);
  }
  auto enough = withEnough(std::move(out), id, lights.front().piece);
  if (!enough) return enough.error();
  return Added{std::move(enough).value(), lights.front().id};
}

}  // namespace

Result<Added> withTaskLights(const Job& job, const SchemeId& id, const PieceId& pieceId, IdSource& ids) {
  const Scheme* scheme = findScheme(job, id);
  const Piece* piece = findPiece(job, pieceId);
  if (scheme == nullptr || piece == nullptr)
    return Error{"", "There is no scheme to place it in", "Measure a room first"};
  const Room& room = roomOf(job, *scheme);
  const PieceIndex pieces(job);
  const RoomHeights heights = heightsOf(room);
  const std::vector<Fixture> fixtures = fixturesIn(pieces, room, heights, *scheme);
  std::vector<Placement> lights;
  for (const TaskLight& task : taskLights(pieces, room, heights, *scheme, {})) {
    // Where a pendant hangs there is no recessed light.
    const bool has = std::any_of(fixtures.begin(), fixtures.end(), [&](const Fixture& f) {
      return f.onCeiling() && distance(f.at.at, task.at) <= kCentresWithin;
    });
    if (!has) lights.push_back({{}, pieceId, CeilingPlace{task.at, 0, 0}, {}});
  }
  if (lights.empty())
    return Error{"", scheme->tasks.empty() ? "No light is asked for here yet" : "Each task has its light already",
                 scheme->tasks.empty() ? "Say first what light is asked for" : ""};
  return putUp(job, id, lights, CircuitUse::Task, ids);
}

Result<Added> withArtLights(const Job& job, const SchemeId& id, const PieceId& pieceId, IdSource& ids) {
  const Scheme* scheme = findScheme(job, id);
  const Piece* piece = findPiece(job, pieceId);
  if (scheme == nullptr || piece == nullptr)
    return Error{"", "There is no scheme to place it in", "Measure a room first"};
  const Room& room = roomOf(job, *scheme);
  const RoomHeights heights = heightsOf(room);
  const PieceIndex pieces(job);
  const std::vector<Fixture> fixtures = fixturesIn(pieces, room, heights, *scheme);
  const double drop = mountOf(*piece) == Mount::Recessed ? 0 : piece->height.value_or(0);
  std::vector<Placement> lights;
  for (const Hung& hung : hungIn(pieces, *scheme)) {
    const WallRect& e = hung.envelope;
    const bool aimedAt = std::any_of(fixtures.begin(), fixtures.end(), [&](const Fixture& f) {
      const auto lit = litBy(room, f);
      return lit && lit->wall == hung.wall && lit->at.x >= e.left && lit->at.x <= e.right && lit->at.y >= e.bottom &&
             lit->at.y <= e.top;
    });
    if (aimedAt || !isArt(pieces.of(*findPlacement(*scheme, hung.members.front())).kind)) continue;
    const Wall wall = *findWall(room, hung.wall);
    const Vec2 foot = onWall(wall, (e.left + e.right) / 2);
    // The ceiling may slope: its height where the light comes to hang.
    double off = artLightOffset(heights.ceilingAt(foot + wall.inward()) - drop, e.centreHeight());
    off = artLightOffset(heights.ceilingAt(foot + wall.inward() * std::max(1.0, off)) - drop, e.centreHeight());
    Placement p{{}, pieceId, CeilingPlace{foot + wall.inward() * off, 0, drop}, {}};
    p.aim = Aim{30, normalisedTurn(directionOf(-wall.inward()))};
    lights.push_back(std::move(p));
  }
  if (lights.empty()) return Error{"", "No picture hangs here that has no light yet", "Hang one first"};
  return putUp(job, id, lights, CircuitUse::Accent, ids);
}

Result<Added> withDownlightsLaid(const Job& job, const SchemeId& id, const PieceId& pieceId, std::optional<int> count,
                                 bool schoolB, IdSource& ids, LengthFormat format, std::vector<std::string>* says) {
  const Scheme* scheme = findScheme(job, id);
  const Piece* piece = findPiece(job, pieceId);
  if (scheme == nullptr || piece == nullptr)
    return Error{"", "There is no scheme to place it in", "Measure a room first"};
  const PieceIndex pieces(job);
  const Room& room = roomOf(job, *scheme);
  const std::vector<TalkGroup> groups = talkGroupsIn(pieces, servingsIn(pieces, *scheme));
  const std::vector<SeatAtWall> seats =
      groups.empty() ? std::vector<SeatAtWall>{} : seatsAtWalls(pieces, room, groups.front().seats);
  const Downlights lay = laidEvenly(
      room, seats, {schoolB ? LaySchool::HalfSpace : LaySchool::Box, count, {}, piece->light->cutOut}, format);
  if (says != nullptr) *says = lay.says;
  if (lay.at.empty())
    return Error{piece->name, lay.says.empty() ? "finds no place" : lay.says.front(), "Type another number of lights"};
  std::vector<Placement> lights;
  for (const Vec2 at : lay.at) lights.push_back({{}, pieceId, CeilingPlace{at, 0, 0}, {}});
  auto added = putUp(job, id, lights, CircuitUse::General, ids);
  if (!added) return added;
  LaidLights laid{ids.take<LaidId>("l"), {}, lay.area};
  for (const Placement& p : lights) laid.placements.push_back(p.id);
  return Added{withLaid(added->job, id, std::move(laid)), lights.front().id};
}

}  // namespace mezzet
