#include "core/rules/art/art_case.h"

#include "core/rules/art/rules.h"

#include "core/edit/edits.h"
#include "core/model/kinds.h"
#include "core/site/stair_wall.h"

namespace mezzet {
namespace {

/// Of the floor under the middle of what hangs, above the datum.
double floorUnder(const Room& room, const Hung& hung) {
  const auto wall = findWall(room, hung.wall);
  return wall ? floorAlong(room, heightsOf(room), *wall, (hung.envelope.left + hung.envelope.right) / 2) : 0;
}

}  // namespace

std::vector<std::string> idsOf(const Hung& hung) {
  std::vector<std::string> ids;
  for (const PlacementId& id : hung.members) ids.push_back(id.value);
  return ids;
}

ArtAsks artAsks(const Job& job, const PieceIndex& pieces, const Room& room, const Scheme& scheme, const Hung& hung,
                const std::optional<Below>& below) {
  ArtAsks out;
  bool framed = false, plate = false, dark = false;
  for (const PlacementId& id : hung.members) {
    const Piece& piece = pieces.of(*findPlacement(scheme, id));
    out.pictures = out.pictures || isArt(piece.kind) || isTextile(piece.kind);
    framed = framed || hasFrame(piece.kind);
    plate = plate || isPlate(piece.kind);
    dark = dark || piece.frame->foot == Foot::Dark;
  }
  const auto wall = findWall(room, hung.wall);
  const bool known = below && below->top;
  const double top = known ? *below->top - below->floor : 0;
  out.gap = framed && wall && below && below->row != BelowRow::None && (!known || top >= kLowTop) &&
            !somethingStandsOn(job, scheme, *wall, *below, hung.envelope, kStandsUnder);
  out.centre = out.pictures || (plate && hung.members.size() > 1);
  if (out.gap) {
    static constexpr const char* kRows[] = {"", "seat", "table", "bed", "mantel"};
    const std::string row = kRows[static_cast<std::size_t>(below->row)];
    if (dark) out.gapCases.push_back(row + "-dark");
    out.gapCases.push_back(row);
  }
  if (!out.centre) return out;
  const Hang* made = hung.group.empty() ? nullptr : findHang(scheme, hung.group);
  out.each = made != nullptr && made->as == HangAs::Stair;
  if (made != nullptr && wall && fillsFlight(made->as) &&
      flightAt(stairsAlong(room, heightsOf(room), *wall), (hung.envelope.left + hung.envelope.right) / 2) != nullptr) {
    out.centre = false;
    out.told = "It fills the wall over the flight and ends where that ends: it has no centre height.";
  } else if (!out.each && hung.envelope.height() >= kHungByFootAndHead) {
    out.centre = false;
    out.told = "It is so high that it is hung by its foot and its head, not by its centre.";
  } else if (out.gap && known && top > kHighTop) {
    out.centre = false;
    out.told = "What is below sets how high it hangs; its centre follows.";
  }
  return out;
}

AskedArt artQuestionOf(const Job& job, const Rulebook& book, const Piece& piece, const ArtAsks& asks,
                       const std::optional<double>& top, double frame) {
  AskedArt out;
  out.question.top = top.value_or(0);
  out.question.frame = frame;
  const auto ask = [&](std::string_view id, const std::vector<std::string>& cases, Range& range) {
    const Rule* rule = findRule(book, std::string(id));
    const Asked asked = rule != nullptr ? askedOf(*rule, job, piece, cases) : Asked{};
    out.complete = out.complete && rule != nullptr && asked.missing.empty();
    if (asked.missing.empty()) range = asked.tolerated;
  };
  if (asks.centre) ask(kArtCentre, {}, out.question.centre);
  if (asks.gap && top) ask(kArtGap, asks.gapCases, out.question.gap);
  return out;
}

std::optional<ArtCase> artCaseOf(const Job& job, const Rulebook& book, const SchemeId& id,
                                 const PlacementId& placement) {
  const Scheme* scheme = findScheme(job, id);
  const auto hung = scheme != nullptr ? hungWith(job, *scheme, placement) : std::nullopt;
  if (!hung) return std::nullopt;
  const Room& room = roomOf(job, *scheme);
  const auto below = belowOf(job, room, *scheme, *hung);
  const ArtAsks asks = artAsks(job, PieceIndex(job), room, *scheme, *hung, below);
  if (!asks.gap || !below->top) return std::nullopt;
  const AskedArt asked = artQuestionOf(job, book, pieceOf(job, *findPlacement(*scheme, placement)), asks,
                                       *below->top - floorUnder(room, *hung), hung->envelope.height());
  if (!asked.complete) return std::nullopt;
  return ArtCase{*hung, *below, asked.question, solveArt(asked.question), asks.gapCases};
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
