#include <algorithm>
#include <cmath>

#include "core/rules/art/rules.h"
#include "core/rules/art/art_case.h"
#include "core/rules/art/art_ways.h"
#include "core/model/kinds.h"
#include "core/rules/base/facts.h"
#include "core/site/stair_wall.h"

namespace mezzet {
namespace {

const Piece& pieceIn(const Situation& s, const Hung& hung) {
  return s.pieces.of(*findPlacement(s.scheme, hung.members.front()));
}

std::string subjectWords(const Hung& hung) { return hung.members.size() > 1 ? "The group's centre" : "Its centre"; }

/// Of a group, or of one frame: its centre over the floor, or over the stair's walking line, under its middle.
void centreOf(const Situation& s, const Rule& rule, const Hung& hung, std::vector<Finding>& out) {
  const Asked asked = askedOf(rule, s.job, pieceIn(s, hung));
  Finding f = findingOf(rule, asked, idsOf(hung));
  const double u = (hung.envelope.left + hung.envelope.right) / 2;
  const Wall wall = *findWall(s.room, hung.wall);
  const std::vector<StairWall> flights = stairsAlong(s.room, s.heights(), wall);
  const StairWall* flight = flightAt(flights, u);
  const double floor = flight != nullptr ? flight->walking(u) : s.heights().floorAt(onWall(wall, u));
  f.measured = hung.envelope.centreHeight() - floor;
  f.view = View{hung.wall};
  f.at = {Vec2{u, floor}, Vec2{u, hung.envelope.centreHeight()}};
  decide(f, s.scheme);
  f.sentence = f.verdict == Verdict::NotMeasured
                   ? "Pictures here follow the viewers' eye height, and no viewer's height is known."
                   : subjectWords(hung) + " is " + writeLength(f.measured, s.format) +
                         (flight != nullptr ? " above the stair" : " above the floor") + missWords(f, s.format) + ".";
  f.rival = rivalWords(s, rule, f);
  out.push_back(std::move(f));
}

void evaluateArtCentre(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  for (std::size_t i = 0; i < s.hung().size(); ++i) {
    const Hung& hung = s.hung()[i];
    const ArtAsks asks = artAsks(s.job, s.pieces, s.room, s.scheme, hung, s.below()[i]);
    if (!asks.centre) continue;
    if (!asks.each) {
      centreOf(s, rule, hung, out);
      continue;
    }
    for (const PlacementId& id : hung.members)
      centreOf(s, rule,
               {{id}, hung.wall, wallRectOf(s.pieces.of(*s.placement(id.value)), *onWall(s.placement(id.value)->on))},
               out);
  }
}

void evaluateArtGap(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  for (std::size_t i = 0; i < s.hung().size(); ++i) {
    const Hung& hung = s.hung()[i];
    const auto& below = s.below()[i];
    const ArtAsks asks = artAsks(s.job, s.pieces, s.room, s.scheme, hung, below);
    if (!asks.gap) continue;
    const Placement* under = s.placement(below->id);
    const std::string name = thingWords(s, below->id);
    std::vector<std::string> subjects = idsOf(hung);
    subjects.push_back(below->id);
    Finding f = findingOf(rule, askedOf(rule, s.job, pieceIn(s, hung), asks.gapCases), std::move(subjects));
    f.view = View{hung.wall};
    if (!below->top) f.missing.push_back((under != nullptr ? under->piece.value : below->id) + ".height");
    const double top = below->top.value_or(0);
    const double u = (std::max(hung.envelope.left, below->left) + std::min(hung.envelope.right, below->right)) / 2;
    f.measured = hung.envelope.bottom - top;
    f.at = {Vec2{u, top}, Vec2{u, hung.envelope.bottom}};
    // The frame hangs by its centre: half of its height's doubt reaches the gap.
    f.u95 = std::hypot(under != nullptr ? doubtOfTop(s.pieces.of(*under)) : 0,
                       hung.members.size() == 1 ? doubtOf(pieceIn(s, hung), "height") / 2 : 0);
    decide(f, s.scheme);
    if (!below->top)
      f.sentence = "How high " + name + " is has not been measured, so the gap under the frame is not known.";
    else if (f.measured < 0)
      f.sentence = "It hangs " + writeLength(-f.measured, s.format) + " below the top of " + name + ".";
    else f.sentence = "It hangs " + writeLength(f.measured, s.format) + " above " + name + missWords(f, s.format) + ".";
    f.rival = rivalWords(s, rule, f, asks.gapCases);
    out.push_back(std::move(f));
  }
}

constexpr RuleRow kArtRows[] = {
    {kArtCentre, evaluateArtCentre, waysOutOfArt, shows::kCentreHeight},
    {kArtGap, evaluateArtGap, waysOutOfArt},
};

}  // namespace

RuleRows artRules() { return kArtRows; }

}  // namespace mezzet
