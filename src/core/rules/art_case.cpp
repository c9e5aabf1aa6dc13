#include "core/rules/art_case.h"

#include "core/job/edits.h"
#include "core/job/kinds.h"

namespace mezzet {

std::optional<ArtCase> artCaseOf(const Job& job, const Rulebook& book, const SchemeId& id, const PlacementId& placement) {
  const Scheme* scheme = findScheme(job, id);
  const Rule* centre = findRule(book, "art-centre");
  const Rule* gap = findRule(book, "art-gap");
  if (scheme == nullptr || centre == nullptr || gap == nullptr) return std::nullopt;
  const auto hung = hungWith(job, *scheme, placement);
  if (!hung) return std::nullopt;
  const auto below = belowArt(job, *scheme, roomOf(job, *scheme), *hung);
  if (!below || !below->top) return std::nullopt;
  const Piece& piece = pieceOf(job, *findPlacement(*scheme, placement));
  if (hangs(piece.kind) && !isArt(piece.kind)) return std::nullopt;  // mirrors and screens have heights of their own
  const Asked askedCentre = askedOf(*centre, job, piece), askedGap = askedOf(*gap, job, piece);
  if (!askedCentre.missing.empty() || !askedGap.missing.empty()) return std::nullopt;
  const ArtQuestion question{askedCentre.tolerated, askedGap.tolerated, *below->top, hung->envelope.height()};
  return ArtCase{*hung, *below, question, solveArt(question)};
}

Job hungAtCentre(const Job& job, const SchemeId& id, const Hung& hung, double centre) {
  Job out = job;
  const Scheme& scheme = *findScheme(job, id);
  for (const PlacementId& member : hung.members) {
    WallPlace place = std::get<WallPlace>(findPlacement(scheme, member)->on);
    place.v += centre - hung.envelope.centreHeight();
    out = placed(out, id, member, place);
  }
  return out;
}

}  // namespace mezzet
