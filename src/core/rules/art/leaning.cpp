// What leans against a wall: at a safe angle, and seen behind what leans before it.
#include "core/hang/leaning.h"

#include <algorithm>
#include <cmath>
#include <set>

#include "core/edit/edits.h"
#include "core/rules/art/rules.h"
#include "core/rules/base/facts.h"

namespace mezzet {
namespace {

void evaluateLeanSafe(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  for (const Placement& p : s.scheme.placements) {
    const auto* place = leaning(p.on);
    if (place == nullptr) continue;
    const Piece& piece = s.pieces.of(p);
    if (!leansHeavily(piece)) continue;
    const Asked asked = askedOf(rule, s.job, piece);
    Finding f = findingOf(rule, asked, {p.id.value});
    f.view = View{place->wall};
    f.measured = leanAngle(piece, *place);
    const double floor = s.heights().floorAt(inFrontOf(*findWall(s.room, place->wall), place->u)) + place->foot;
    f.at = {Vec2{place->u, floor}, Vec2{place->u, floor + leaningRectOf(piece, *place).height()}};
    decide(f, s.scheme);
    const double height = piece.height.value_or(0);
    double marginMm = 1e300;
    if (asked.tolerated.low) marginMm = std::min(marginMm, place->lean - leanAt(height, *asked.tolerated.low));
    if (asked.tolerated.high) marginMm = std::min(marginMm, leanAt(height, *asked.tolerated.high) - place->lean);
    f.marginMm = marginMm < 1e300 ? std::optional(marginMm) : std::nullopt;
    f.sentence = capital(s.names.the(p.id)) + " leans " + std::to_string(std::lround(f.measured)) +
                 " degrees from upright, its foot " + writeLength(place->lean, s.format) + " from the wall" +
                 (f.margin >= 0                                  ? "."
                  : f.measured < asked.tolerated.low.value_or(0) ? ": so steep it tips forward."
                                                                 : ": so flat its foot slides.") +
                 (s.job.brief.children ? " With children it is always tied to the wall." : "");
    out.push_back(std::move(f));
  }
}

void wayToLean(Proposals& ways) {
  for (const std::string& subject : ways.target.subjects) {
    const Placement* p = findPlacement(ways.scheme, PlacementId(subject));
    const auto* place = p != nullptr ? leaning(p->on) : nullptr;
    if (place == nullptr || !ways.target.asked.low || !ways.target.asked.high) continue;
    LeaningPlace there = *place;
    there.lean =
        leanAt(pieceOf(ways.job, *p).height.value_or(0), (*ways.target.asked.low + *ways.target.asked.high) / 2);
    ways.offer("lean", "Set its foot " + ways.length(there.lean) + " from the wall", "it leans safely",
               placed(ways.job, ways.scheme.id, p->id, there));
  }
}

void evaluateLeanVisible(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  std::set<CornerId> walls;
  for (const Placement& p : s.scheme.placements)
    if (const auto* place = leaning(p.on)) walls.insert(place->wall);
  for (const CornerId& wall : walls)
    for (const LeaningFace& face : leaningFaces(s.pieces, s.room, s.scheme, wall)) {
      if (face.seen >= 1) continue;
      Finding f = findingOf(rule, askedOf(rule, s.job, s.pieces.of(*face.placement)), {face.placement->id.value});
      f.view = View{wall};
      f.measured = face.seen;
      f.at = {Vec2{face.face.left, face.face.bottom}, Vec2{face.face.right, face.face.top}};
      decide(f, s.scheme);
      f.marginMm = std::nullopt;
      f.sentence = std::to_string(std::lround(100 * face.seen)) + " % of " + s.names.the(face.placement->id) +
                   " is seen behind what leans before it.";
      out.push_back(std::move(f));
    }
}

constexpr RuleRow kLeaningRows[] = {{"lean-safe", evaluateLeanSafe, wayToLean}, {"lean-visible", evaluateLeanVisible}};

}  // namespace

RuleRows leaningRules() { return kLeaningRows; }

}  // namespace mezzet
