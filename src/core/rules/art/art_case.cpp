#include "core/rules/art/art_case.h"

#include "core/rules/art/rules.h"

#include "core/edit/edits.h"
#include "core/model/kinds.h"
#include "core/site/heights.h"

namespace mezzet {
namespace {

/// Of the floor under the middle of what hangs, above the datum.
double floorUnder(const Room& room, const Hung& hung) {
  const auto wall = findWall(room, hung.wall);
  return wall ? heightsOf(room).floorAt(onWall(*wall, (hung.envelope.left + hung.envelope.right) / 2)) : 0;
}

}  // namespace

std::vector<std::string> idsOf(const Hung& hung) {
  std::vector<std::string> ids;
  for (const PlacementId& id : hung.members) ids.push_back(id.value);
  return ids;
}

std::optional<ArtCase> artCaseOf(const Job& job, const Rulebook& book, const SchemeId& id,
                                 const PlacementId& placement) {
  const Scheme* scheme = findScheme(job, id);
  const Rule* centre = findRule(book, std::string(kArtCentre));
  const Rule* gap = findRule(book, std::string(kArtGap));
  if (scheme == nullptr || centre == nullptr || gap == nullptr) return std::nullopt;
  const auto hung = hungWith(job, *scheme, placement);
  if (!hung) return std::nullopt;
  const auto below = belowArt(job, *scheme, roomOf(job, *scheme), *hung);
  if (!below || !below->top) return std::nullopt;
  const Piece& piece = pieceOf(job, *findPlacement(*scheme, placement));
  if (hangs(piece.kind) && !isArt(piece.kind)) return std::nullopt;  // mirrors and screens have heights of their own
  const Asked askedCentre = askedOf(*centre, job, piece), askedGap = askedOf(*gap, job, piece);
  if (!askedCentre.missing.empty() || !askedGap.missing.empty()) return std::nullopt;
  const ArtQuestion question{askedCentre.tolerated, askedGap.tolerated,
                             *below->top - floorUnder(roomOf(job, *scheme), *hung), hung->envelope.height()};
  return ArtCase{*hung, *below, question, solveArt(question)};
}

Job hungAtCentre(const Job& job, const SchemeId& id, const Hung& hung, double centre) {
  Job out = job;
  const Scheme& scheme = *findScheme(job, id);
  const double by = centre + floorUnder(roomOf(job, scheme), hung) - hung.envelope.centreHeight();
  for (const PlacementId& member : hung.members) {
    WallPlace place = wallPlace(findPlacement(scheme, member)->on);
    place.v += by;
    out = placed(out, id, member, place);
  }
  return out;
}

}  // namespace mezzet
