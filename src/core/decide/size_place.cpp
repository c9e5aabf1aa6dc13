#include "core/decide/size_place.h"

#include <algorithm>
#include <limits>

#include "core/base/sentence.h"
#include "core/decide/first_place.h"
#include "core/decide/which_rug.h"
#include "core/edit/edits.h"
#include "core/model/kinds.h"
#include "core/rules/art/art_case.h"
#include "core/space/standing.h"

namespace mezzet {
namespace {

/// Where nothing faces a seat, its table is reached at the middle of what every school asks (common practice).
constexpr double kUsualReach = 16.5 * kInch;
constexpr double kBesideArm = 2 * kInch, kBehindBack = 2 * kInch;

/// From the middle of the seat's front to the front of what faces it within its width; infinite when nothing does.
double facing(const PieceIndex& pieces, const Scheme& scheme, const Placement& seat, const FrontEdge& front) {
  double nearest = std::numeric_limits<double>::infinity();
  const Vec2 middle = midpoint(front.left, front.right);
  const double half = pieces.of(seat).width / 2;
  for (const Placement& other : scheme.placements) {
    const auto* place = onFloor(other.on);
    if (place == nullptr || other.id == seat.id || !isSeat(pieces.of(other).kind)) continue;
    const FrontEdge there = seatFront(pieces.of(other), *place);
    const Vec2 to = midpoint(there.left, there.right) - middle;
    const double ahead = dot(to, front.outward), aside = std::abs(cross(front.outward, to));
    if (ahead > 0 && ahead <= kTalkReach && aside <= half && dot(there.outward, front.outward) < 0)
      nearest = std::min(nearest, ahead);
  }
  return nearest;
}

FloorPlace placeFor(const Job& job, const Scheme& scheme, const Piece& piece, const Placement& what) {
  const PieceIndex pieces(job);
  const Piece& served = pieces.of(what);
  const FloorPlace& there = floorPlace(what.on);
  const Turn turn = turnOf(there.turn);
  const double depth = piece.depth.value_or(piece.width), deep = served.depth.value_or(served.width);
  if (isSideTable(piece.kind)) {
    const Vec2 right = there.at + rotated({served.width / 2 + kBesideArm + piece.width / 2, 0}, turn),
               left = there.at + rotated({-served.width / 2 - kBesideArm - piece.width / 2, 0}, turn);
    return {contains(outlineOf(roomOf(job, scheme)), right) ? right : left, there.turn};
  }
  if (isLowTable(piece.kind) && isSeat(served.kind)) {
    const FrontEdge front = seatFront(served, there);
    const double ahead = facing(pieces, scheme, what, front);
    const Vec2 middle = midpoint(front.left, front.right);
    return {middle + front.outward * (std::isfinite(ahead) ? ahead / 2 : kUsualReach + depth / 2), there.turn};
  }
  if (drawnAsTable(piece.kind) && isSeat(served.kind))
    return {there.at + rotated({0, deep / 2 + kBehindBack + depth / 2}, turn), normalisedTurn(there.turn + 180)};
  return freePlace(job, scheme, piece);
}

Wall nearestWall(const Room& room, const Piece& piece, const Placement& p) {
  const std::vector<Wall> walls = wallsOf(room);
  return *std::min_element(walls.begin(), walls.end(), [&](const Wall& a, const Wall& b) {
    return standingOf(piece, p.id, floorPlace(p.on), a).offWall < standingOf(piece, p.id, floorPlace(p.on), b).offWall;
  });
}

}  // namespace

Result<Added> placedFor(const Job& job, const Rulebook& book, const SchemeId& id, std::string_view kind,
                        const std::optional<PlacementId>& what, LengthFormat format, const CheckWith& with,
                        IdSource& ids) {
  const std::string word(kind);
  if (!isKnownKind(kind)) return Error{word, "is not a kind that Mezzet knows", "See docs/library.md for the kinds"};
  const Scheme* scheme = findScheme(job, id);
  if (scheme == nullptr) return Error{"", "There is no scheme to place it in", "Measure a room first"};
  const Room& room = roomOf(job, *scheme);
  const Placement* served = what ? findPlacement(*scheme, *what) : nullptr;
  if (what && (served == nullptr || onFloor(served->on) == nullptr))
    return Error{what->value, "does not stand on the floor of this scheme", "See the ids in job.json"};
  Piece piece = usualPiece(kind);
  piece.name = capital(std::string(kindWords(kind)));
  if (hangs(kind)) {
    const Wall wall = served != nullptr ? nearestWall(room, pieceOf(job, *served), *served) : wallsOf(room).front();
    auto first = withNewPiece(job, book, id, wall.id, std::move(piece), ids);
    if (!first || served == nullptr) return first;
    Added hung = std::move(first).value();
    // Over the middle of what it is for.
    const Standing below = standingOf(pieceOf(job, *served), served->id, floorPlace(served->on), wall);
    WallPlace place = wallPlace(findPlacement(*findScheme(hung.job, id), hung.placement)->on);
    place.u = (below.left + below.right) / 2;
    hung.job = placed(hung.job, id, hung.placement, place);
    if (const auto art = artCaseOf(hung.job, book, id, hung.placement))
      hung.job = hungAtCentre(hung.job, id, art->hung, art->solution.centre);
    return hung;
  }
  if (isRug(kind)) {
    PlacementIds group;
    if (served != nullptr) group = rugGroupOf(job, id, {served->id});
    else
      for (const Placement& p : scheme->placements) group.push_back(p.id);
    if (const auto which = whichRug(job, book, id, group, format, with))
      if (const auto& fit = which->front ? which->front : which->all) {
        Added out;
        auto laid = withRugLaid(job, id, fit->piece, fit->at, ids, out.placement);
        if (!laid) return laid.error();
        out.job = std::move(laid).value();
        return out;
      }
  }
  const FloorPlace place = served != nullptr ? placeFor(job, *scheme, piece, *served) : freePlace(job, *scheme, piece);
  piece.id = ids.take<PieceId>("piece");
  const PieceId added = piece.id;
  auto withIt = withPiece(job, std::move(piece));
  if (!withIt) return withIt.error();
  const PlacementId placement = ids.take<PlacementId>("p");
  return Added{withPlacement(*withIt, id, {placement, added, place, {}}), placement};
}

}  // namespace mezzet
