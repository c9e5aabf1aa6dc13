#include "core/decide/adding.h"

#include <algorithm>
#include <map>
#include <set>

#include "core/decide/first_place.h"
#include "core/decide/light_place.h"
#include "core/edit/edits.h"
#include "core/model/kinds.h"
#include "core/rules/art/art_case.h"
#include "core/rules/art/rules.h"

namespace mezzet {
Result<Added> withPlaced(const Job& job, const Rulebook& book, const SchemeId& id, const CornerId& wallId,
                         const PieceId& pieceId, IdSource& ids, std::optional<Vec2> at) {
  const Scheme* scheme = findScheme(job, id);
  const Piece* piece = findPiece(job, pieceId);
  if (scheme == nullptr) return Error{"", "There is no scheme to place it in", "Measure a room first"};
  if (piece == nullptr) return Error{"piece " + pieceId.value, "is not in this job", "Add it first"};
  if (goesOnCeiling(piece->kind)) return withLightPlaced(job, book, id, pieceId, ids, at);
  if (mountOf(*piece) == Mount::Table || mountOf(*piece) == Mount::Candle)
    return withTableLamp(job, id, pieceId, ids, at);
  const Room& room = roomOf(job, *scheme);
  const PlacementId placement = ids.take<PlacementId>("p");
  if (!hangs(piece->kind)) {
    if (!piece->depth) return Error{piece->name, "needs a depth", "Type how deep it is, front to back"};
    const auto place = at ? droppedPlace(job, *scheme, *piece, *at) : freePlace(job, *scheme, *piece);
    if (!place) return Error{piece->name, "has no room there", "Drop it where the floor is free"};
    return Added{withPlacement(job, id, {placement, piece->id, *place, {}}), placement};
  }
  if (!piece->height) return Error{piece->name, "needs a height", "Type the frame's outer height"};
  const auto wall = findWall(room, wallId);
  if (!wall) return Error{"wall " + wallId.value, "is not in this room", "Choose another wall"};
  const auto first = at ? droppedHanging(job, *scheme, *wall, *piece, *at) : firstHanging(job, *scheme, *wall, *piece);
  if (!first) return Error{piece->name, "has no room there", "Drop it where the wall is free"};
  Job out = withPlacement(job, id, {placement, piece->id, *first, {}});
  if (at) return Added{std::move(out), placement};
  if (const auto art = artCaseOf(out, book, id, placement))
    // Alone: what hangs near it stays where it is.
    if (art->hung.members.size() == 1) return Added{hungAtCentre(out, id, art->hung, art->solution.centre), placement};
  if (const Rule* rule = findRule(book, std::string(kArtCentre)))
    if (const Asked asked = askedOf(*rule, out); asked.missing.empty() && asked.tolerated.low && asked.tolerated.high)
      return Added{hungAtCentre(out, id, {{placement}, wallId, wallRectOf(*piece, *first)},
                                (*asked.tolerated.low + *asked.tolerated.high) / 2),
                   placement};
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
