#include "core/rules/adding.h"

#include <algorithm>

#include "core/clearance/bodies.h"
#include "core/job/edits.h"
#include "core/job/kinds.h"
#include "core/rules/art_case.h"
#include "core/rules/check.h"

namespace mezzet {
namespace {

constexpr double kSearchStep = 150;            // between places tried, mm
constexpr double kUsualCentre = 58.5 * kInch;  // where a picture hangs until its rules are asked: the middle of school A

bool isFree(const Parts& body, const Polygon& outline, const std::vector<Body>& others) {
  if (reachOutside(body, outline) > kTouch) return false;
  const Body here{{}, body, false, boundsOf(body)};
  return std::all_of(others.begin(), others.end(), [&](const Body& other) { return other.flat || separation(here, other).gap >= -kTouch; });
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
  return {wall.id, std::clamp(u, std::min(half, wall.length() / 2), std::max(wall.length() - half, wall.length() / 2)), kUsualCentre, std::nullopt};
}

}  // namespace

Result<Added> withNewPiece(const Job& job, const Rulebook& book, const SchemeId& id, const CornerId& wallId, Piece piece, IdSource& ids) {
  const Scheme* scheme = findScheme(job, id);
  if (scheme == nullptr) return Error{"", "There is no scheme to place it in", "Measure a room first"};
  const Room& room = roomOf(job, *scheme);
  const bool hangs = isArt(piece.kind);
  if (hangs && !piece.height) return Error{piece.name, "needs a height", "Type the frame's outer height"};
  if (!hangs && !piece.depth) return Error{piece.name, "needs a depth", "Type how deep it is, front to back"};
  piece.id = ids.take<PieceId>("piece");
  const Result<Job> withIt = withPiece(job, piece);
  if (!withIt) return withIt.error();
  const PlacementId placement = ids.take<PlacementId>("p");
  if (!hangs) return Added{withPlacement(*withIt, id, {placement, piece.id, freePlace(job, *scheme, piece), {}}), placement};

  const auto wall = findWall(room, wallId);
  if (!wall) return Error{"wall " + wallId.value, "is not in this room", "Choose another wall"};
  Job out = withPlacement(*withIt, id, {placement, piece.id, firstHanging(*withIt, *scheme, *wall, piece), {}});
  if (const auto art = artCaseOf(out, book, id, placement)) return Added{hungAtCentre(out, id, art->hung, art->solution.centre), placement};
  if (const Rule* rule = findRule(book, "art-centre"))
    if (const Asked asked = askedOf(*rule, out); asked.missing.empty() && asked.tolerated.low && asked.tolerated.high)
      if (const auto hung = hungWith(out, *findScheme(out, id), placement))
        return Added{hungAtCentre(out, id, *hung, (*asked.tolerated.low + *asked.tolerated.high) / 2), placement};
  return Added{out, placement};
}

}  // namespace mezzet
