#include <algorithm>
#include <cmath>

#include "core/rules/art/rules.h"
#include "core/rules/art/art_case.h"
#include "core/rules/art/art_ways.h"
#include "core/model/kinds.h"
#include "core/rules/base/facts.h"

namespace mezzet {
namespace {

/// Pictures; mirrors and screens have heights of their own.
bool isPicture(const Situation& s, const Hung& hung) {
  return std::any_of(hung.members.begin(), hung.members.end(), [&](const PlacementId& id) {
    const std::string& kind = s.pieces.of(*findPlacement(s.scheme, id)).kind;
    return !hangs(kind) || isArt(kind);
  });
}
const Piece& pieceIn(const Situation& s, const Hung& hung) {
  return s.pieces.of(*findPlacement(s.scheme, hung.members.front()));
}

std::string subjectWords(const Hung& hung) { return hung.members.size() > 1 ? "The group's centre" : "Its centre"; }

void evaluateArtCentre(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  for (const Hung& hung : s.hung()) {
    if (!isPicture(s, hung)) continue;
    const Asked asked = askedOf(rule, s.job, pieceIn(s, hung));
    Finding f = findingOf(rule, asked, idsOf(hung));
    const double u = (hung.envelope.left + hung.envelope.right) / 2;
    const double floor = s.heights().floorAt(onWall(*findWall(s.room, hung.wall), u));
    f.measured = hung.envelope.centreHeight() - floor;
    f.view = View{hung.wall};
    f.at = {Vec2{u, floor}, Vec2{u, hung.envelope.centreHeight()}};
    decide(f, s.scheme);
    f.sentence = f.verdict == Verdict::NotMeasured
                     ? "Pictures here follow the viewers' eye height, and no viewer's height is known."
                     : subjectWords(hung) + " is " + writeLength(f.measured, s.format) + " above the floor" +
                           missWords(f, s.format) + ".";
    f.rival = rivalWords(s, rule, f);
    out.push_back(std::move(f));
  }
}

void evaluateArtGap(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  for (const Hung& hung : s.hung()) {
    if (!isPicture(s, hung)) continue;
    const Asked asked = askedOf(rule, s.job, pieceIn(s, hung));
    const auto below = belowArt(s.job, s.scheme, s.room, hung);
    if (!below) continue;
    const Placement& under = *findPlacement(s.scheme, below->id);
    const std::string name = s.names.the(under.id);
    std::vector<std::string> subjects = idsOf(hung);
    subjects.push_back(below->id.value);
    Finding f = findingOf(rule, asked, std::move(subjects));
    f.view = View{hung.wall};
    if (!below->top) f.missing.push_back(under.piece.value + ".height");
    const double top = below->top.value_or(0);
    const double u = (std::max(hung.envelope.left, below->left) + std::min(hung.envelope.right, below->right)) / 2;
    f.measured = hung.envelope.bottom - top;
    f.at = {Vec2{u, top}, Vec2{u, hung.envelope.bottom}};
    // The frame hangs by its centre: half of its height's doubt reaches the gap.
    f.u95 = std::hypot(doubtOfTop(s.pieces.of(under)),
                       hung.members.size() == 1 ? doubtOf(pieceIn(s, hung), "height") / 2 : 0);
    decide(f, s.scheme);
    if (!below->top)
      f.sentence = "How high " + name + " is has not been measured, so the gap under the frame is not known.";
    else if (f.measured < 0)
      f.sentence = "It hangs " + writeLength(-f.measured, s.format) + " below the top of " + name + ".";
    else f.sentence = "It hangs " + writeLength(f.measured, s.format) + " above " + name + missWords(f, s.format) + ".";
    f.rival = rivalWords(s, rule, f);
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
