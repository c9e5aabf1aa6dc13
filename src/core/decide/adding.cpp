#include "core/decide/adding.h"

#include <algorithm>
#include <map>
#include <set>

#include "core/space/bodies.h"
#include "core/edit/edits.h"
#include "core/model/kinds.h"
#include "core/rules/art/art_case.h"
#include "core/rules/art/rules.h"

namespace mezzet {
namespace {

constexpr double kSearchStep = 150;  // between places tried, mm
constexpr double kUsualCentre =
    58.5 * kInch;  // where a picture hangs until its rules are asked: the middle of school A

bool isFree(const Parts& body, const Polygon& outline, const std::vector<Body>& others) {
  if (reachOutside(body, outline) > kTouch) return false;
  const Body here{{}, body, false, boundsOf(body)};
  return std::all_of(others.begin(), others.end(),
                     [&](const Body& other) { return other.flat || separation(here, other).gap >= -kTouch; });
}

FloorPlace freePlace(const Job& job, const Scheme& scheme, const Piece& piece) {
  const Room& room = roomOf(job, scheme);
  const Polygon outline = outlineOf(room);
  const Box bounds = boundsOf(Convex{outline, 0});
  const Vec2 middle = midpoint(bounds.low, bounds.high);
  std::vector<Body> others = floorBodies(job, scheme);
  for (Body& body : featureBodies(room)) others.push_back(std::move(body));
  if (isRug(piece.kind)) others.clear();
  FloorPlace best{middle, 0};
  double nearest = HUGE_VAL;
  // From the middle outward, in steps to either side.
  const int across = static_cast<int>((bounds.high.x - bounds.low.x) / 2 / kSearchStep),
            deep = static_cast<int>((bounds.high.y - bounds.low.y) / 2 / kSearchStep);
  for (int i = -across; i <= across; ++i)
    for (int j = -deep; j <= deep; ++j) {
      const FloorPlace place{middle + Vec2{i * kSearchStep, j * kSearchStep}, 0};
      const double d = distance(place.at, middle);
      if (d < nearest && isFree(footprint(piece, place), outline, others)) {
        best = place;
        nearest = d;
      }
    }
  return best;
}

WallPlace firstHanging(const Job& job, const Scheme& scheme, const Wall& wall, const Piece& piece) {
  double u = wall.length() / 2, widest = 0;
  for (const Standing& s : standingAt(job, scheme, wall)) {
    const Placement& p = *findPlacement(scheme, s.id);
    if (!carriesArtAbove(pieceOf(job, p).kind) || s.right - s.left <= widest) continue;
    widest = s.right - s.left;
    u = (s.left + s.right) / 2;
  }
  const double half = piece.width / 2;
  return {wall.id, std::clamp(u, std::min(half, wall.length() / 2), std::max(wall.length() - half, wall.length() / 2)),
          kUsualCentre, std::nullopt};
}

}  // namespace

Result<Added> withPlaced(const Job& job, const Rulebook& book, const SchemeId& id, const CornerId& wallId,
                         const PieceId& pieceId, IdSource& ids, std::optional<Vec2> at) {
  const Scheme* scheme = findScheme(job, id);
  const Piece* piece = findPiece(job, pieceId);
  if (scheme == nullptr) return Error{"", "There is no scheme to place it in", "Measure a room first"};
  if (piece == nullptr) return Error{"piece " + pieceId.value, "is not in this job", "Add it first"};
  const Room& room = roomOf(job, *scheme);
  const PlacementId placement = ids.take<PlacementId>("p");
  if (!hangs(piece->kind)) {
    if (!piece->depth) return Error{piece->name, "needs a depth", "Type how deep it is, front to back"};
    const FloorPlace place = at ? FloorPlace{*at, 0} : freePlace(job, *scheme, *piece);
    return Added{withPlacement(job, id, {placement, piece->id, place, {}}), placement};
  }
  if (!piece->height) return Error{piece->name, "needs a height", "Type the frame's outer height"};
  const auto wall = findWall(room, wallId);
  if (!wall) return Error{"wall " + wallId.value, "is not in this room", "Choose another wall"};
  WallPlace first = firstHanging(job, *scheme, *wall, *piece);
  if (at) {
    first.u = at->x;
    first.v = at->y;
  }
  Job out = withPlacement(job, id, {placement, piece->id, first, {}});
  if (at) return Added{std::move(out), placement};
  if (const auto art = artCaseOf(out, book, id, placement))
    return Added{hungAtCentre(out, id, art->hung, art->solution.centre), placement};
  if (const Rule* rule = findRule(book, std::string(kArtCentre)))
    if (const Asked asked = askedOf(*rule, out); asked.missing.empty() && asked.tolerated.low && asked.tolerated.high)
      if (const auto hung = hungWith(out, *findScheme(out, id), placement))
        return Added{hungAtCentre(out, id, *hung, (*asked.tolerated.low + *asked.tolerated.high) / 2), placement};
  return Added{std::move(out), placement};
}

Result<Added> withNewPiece(const Job& job, const Rulebook& book, const SchemeId& id, const CornerId& wall, Piece piece,
                           IdSource& ids) {
  if (findScheme(job, id) == nullptr) return Error{"", "There is no scheme to place it in", "Measure a room first"};
  piece.id = ids.take<PieceId>("piece");
  const PieceId added = piece.id;
  const Result<Job> withIt = withPiece(job, std::move(piece));
  if (!withIt) return withIt.error();
  return withPlaced(*withIt, book, id, wall, added, ids);
}

std::vector<Unplaced> trayOf(const Job& job, const SchemeId& id) {
  const Scheme* here = findScheme(job, id);
  if (here == nullptr) return {};
  const PieceIndex pieces(job);
  std::map<PieceId, int> placed;
  std::set<PieceId> elsewhere;
  for (const auto& scheme : job.schemes)
    for (const Placement& p : scheme->placements) {
      const Piece& piece = pieces.of(p);
      const PieceId base = piece.variantOf.value_or(piece.id);
      if (scheme.get() == here) ++placed[base];
      else if (scheme->room != here->room) elsewhere.insert(base);
    }
  std::vector<Unplaced> out;
  for (const auto& piece : job.pieces) {
    if (piece->variantOf || (elsewhere.contains(piece->id) && !placed.contains(piece->id))) continue;
    if (const int left = piece->count - placed[piece->id]; left > 0) out.push_back({piece->id, left});
  }
  return out;
}

}  // namespace mezzet
