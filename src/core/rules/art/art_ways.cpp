#include "core/rules/art/art_ways.h"

#include <algorithm>
#include <cmath>

#include "core/edit/edits.h"
#include "core/model/kinds.h"
#include "core/rules/art/art_case.h"
#include "core/rules/art/rules.h"
#include "core/site/heights.h"

namespace mezzet {
namespace {

/// Space between two frames hung as one group: the trade hangs 2 in (common practice).
constexpr double kFrameToFrame = 2 * kInch;
/// A second picture lower than this is not worth hanging [D].
constexpr double kLeastFrame = 5 * kInch;
/// What hangs within this of a height hangs there already.
constexpr double kHangsThere = 0.5;

std::string hangWords(const Proposals& ways, double centre) {
  return "Hang it with its centre at " + ways.length(centre);
}
std::string bothWords(const Proposals& ways, const ArtSolution& s) {
  return "centre " + ways.length(s.centre) + ", gap " + ways.length(s.gap) + ": both hold";
}

/// A picture above nothing: only its centre is asked.
void nothingBelow(Proposals& ways, const Placement& picture) {
  const auto hung = hungWith(ways.job, ways.scheme, picture.id);
  if (!hung || ways.target.rule != kArtCentre || !ways.target.asked.low || !ways.target.asked.high) return;
  const double centre = (*ways.target.asked.low + *ways.target.asked.high) / 2;
  ways.offer("hang", hangWords(ways, centre), "it holds", hungAtCentre(ways.job, ways.scheme.id, *hung, centre));
}

/// One frame of a climb: to the middle of what is asked over the stair right there.
void alongStair(Proposals& ways, const Placement& picture) {
  if (!ways.target.asked.low || !ways.target.asked.high) return;
  const double centre = (*ways.target.asked.low + *ways.target.asked.high) / 2;
  WallPlace there = wallPlace(picture.on);
  there.v = floorUnder(roomOf(ways.job, ways.scheme), there) + centre;
  ways.offer("hang", hangWords(ways, centre), "it holds", placed(ways.job, ways.scheme.id, picture.id, there));
}

void otherArtSchool(Proposals& ways, const ArtCase& c, std::string_view ruleId) {
  const Rule& rule = *findRule(ways.book, std::string(ruleId));
  const Asked now = askedOf(rule, ways.job);
  for (const School& school : rule.schools) {
    if (now.school == school.id) continue;
    const bool ofGap = ruleId == kArtGap;
    const Asked asked = askedBySchool(school, ways.job, ofGap ? c.gapCases : std::vector<std::string>{});
    if (!asked.missing.empty()) continue;
    ArtQuestion question = c.question;
    (ofGap ? question.gap : question.centre) = asked.tolerated;
    const ArtSolution solved = solveArt(question);
    if (!solved.both) continue;
    Job after = withSchool(ways.job, std::string(ruleId), school.id);
    after.houseRules.ranges.erase(std::string(ruleId));
    ways.offer((ofGap ? "other-gap:" : "other-centre:") + school.id,
               (ofGap ? "Take another gap, " : "Take another height, ") + rangeWords(asked.tolerated, ways.format),
               bothWords(ways, solved), hungAtCentre(after, ways.scheme.id, c.hung, solved.centre));
  }
}

/// A height between low and high that a shop has, nearest their middle; absent when no step falls between.
std::optional<double> shopSize(const Proposals& ways, double low, double high) {
  const double step = ways.shopStep();
  const double first = std::ceil(low / step - 1e-9), last = std::floor(high / step + 1e-9);
  if (first > last) return std::nullopt;
  return std::clamp(std::round((low + high) / 2 / step), first, last) * step;
}

void secondPiece(Proposals& ways, const ArtCase& c, const Placement& picture) {
  if (c.hung.members.size() != 1 || !c.solution.frameHeights || !c.solution.frameHeights->high) return;
  const double taken = c.question.frame + kFrameToFrame;
  const auto height = shopSize(ways, std::max(kLeastFrame, *c.solution.frameHeights->low - taken),
                               *c.solution.frameHeights->high - taken);
  if (!height || *height < kLeastFrame) return;
  ArtQuestion question = c.question;
  question.frame = taken + *height;
  const ArtSolution solved = solveArt(question);
  if (!solved.both) return;

  IdSource ids = ways.ids;
  const Piece& above = pieceOf(ways.job, picture);
  Piece under;
  under.id = ids.take<PieceId>("art");
  under.name = above.name + ", lower";
  under.kind = kPicture;
  under.width = above.width;
  under.height = *height;
  WallPlace upper = wallPlace(picture.on);
  const std::string group = upper.group.value_or(ids.take<PlacementId>("g").value);
  upper.group = group;
  upper.v = solved.centre + question.frame / 2 - c.question.frame / 2;
  WallPlace lower = upper;
  lower.v = solved.centre - question.frame / 2 + *height / 2;
  Result<Job> added = withPiece(ways.job, under);
  if (!added) return;
  Job after = placed(added.value(), ways.scheme.id, picture.id, upper);
  after = withPlacement(after, ways.scheme.id, {ids.take<PlacementId>("p"), under.id, lower, {}});
  ways.offer(
      "second-piece",
      "Hang a second picture under it, " + ways.length(*height) + " high, " + ways.length(kFrameToFrame) + " apart",
      "group " + ways.length(question.frame) + ", " + bothWords(ways, solved), std::move(after), ids);
}

void otherFrame(Proposals& ways, const ArtCase& c, const Placement& picture) {
  if (c.hung.members.size() != 1 || !c.solution.frameHeights || !c.solution.frameHeights->high) return;
  const auto height = shopSize(ways, *c.solution.frameHeights->low, *c.solution.frameHeights->high);
  if (!height || *height <= 0) return;
  ArtQuestion question = c.question;
  question.frame = *height;
  const ArtSolution solved = solveArt(question);
  if (!solved.both) return;
  IdSource ids = ways.ids;
  Piece variant = pieceOf(ways.job, picture);
  variant.variantOf = variant.variantOf.value_or(variant.id);
  variant.id = ids.take<PieceId>("art");
  variant.height = *height;
  variant.count = 1;
  Result<Job> added = withPiece(ways.job, variant);
  if (!added) return;
  Job after = repointed(added.value(), ways.scheme.id, picture.id, variant.id);
  const auto hung = hungWith(after, *findScheme(after, ways.scheme.id), picture.id);
  ways.offer(
      "other-frame",
      "Choose a frame " + rangeWords(*c.solution.frameHeights, ways.format) + " high; try " + ways.length(*height),
      bothWords(ways, solved), hungAtCentre(after, ways.scheme.id, *hung, solved.centre), ids);
}

void evenSplit(Proposals& ways, const ArtCase& c) {
  if (std::abs(c.hung.envelope.centreHeight() - c.solution.centre) < kHangsThere) return;
  ways.offerCompromise("even-split", "Hang it half way between the two",
                       "centre " + ways.length(c.solution.centre) + ", gap " + ways.length(c.solution.gap) +
                           ": each is out by " + ways.length(std::max(c.solution.shortCentre, c.solution.shortGap)),
                       hungAtCentre(ways.job, ways.scheme.id, c.hung, c.solution.centre),
                       {{kArtCentre, kArtGap}, c.hung.members.front().value});
}

}  // namespace

void waysOutOfArt(Proposals& ways) {
  const Placement* picture = nullptr;
  for (const std::string& s : ways.target.subjects)
    if (const Placement* p = findPlacement(ways.scheme, PlacementId(s)); p != nullptr && onWall(p->on) != nullptr)
      picture = p;
  if (picture == nullptr) return;
  if (const auto group = groupOf(picture->on))
    if (const Hang* made = findHang(ways.scheme, *group); made != nullptr && made->as == HangAs::Stair) {
      alongStair(ways, *picture);
      return;
    }
  const auto artCase = artCaseOf(ways.job, ways.book, ways.scheme.id, picture->id);
  if (!artCase) {
    nothingBelow(ways, *picture);
    return;
  }
  if (artCase->solution.both) {
    ways.offer("hang", hangWords(ways, artCase->solution.centre),
               "gap " + ways.length(artCase->solution.gap) + ": both hold",
               hungAtCentre(ways.job, ways.scheme.id, artCase->hung, artCase->solution.centre));
    return;
  }
  otherArtSchool(ways, *artCase, kArtGap);
  if (artCase->question.centre.low || artCase->question.centre.high) otherArtSchool(ways, *artCase, kArtCentre);
  secondPiece(ways, *artCase, *picture);
  otherFrame(ways, *artCase, *picture);
  evenSplit(ways, *artCase);
}

}  // namespace mezzet
