#include "core/hang/standing.h"
#include "core/clearance/bodies.h"
#include "core/rules/check.h"

namespace mezzet {
namespace {

std::vector<std::string> idsOf(const Hung& hung) {
  std::vector<std::string> ids;
  for (const PlacementId& id : hung.members) ids.push_back(id.value);
  return ids;
}

std::string subjectWords(const Hung& hung) { return hung.members.size() > 1 ? "The group's centre" : "Its centre"; }

/// ", 2 1/2 in too low"
std::string missWords(const Finding& f, LengthFormat format) {
  if (f.margin >= 0) return {};
  const bool high = f.asked.high && f.measured > *f.asked.high;
  return ", " + writeLength(-f.margin, format) + (high ? " too high" : " too low");
}

}  // namespace

void evaluateArtCentre(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  const Asked asked = askedOf(rule, s.job);
  for (const Hung& hung : hungIn(s.job, s.scheme)) {
    Finding f = findingOf(rule, asked, idsOf(hung));
    const double u = (hung.envelope.left + hung.envelope.right) / 2;
    f.measured = hung.envelope.centreHeight();
    f.view = wallKey(hung.wall);
    f.at = {Vec2{u, 0}, Vec2{u, f.measured}};
    decide(f, s.scheme);
    f.sentence = f.verdict == Verdict::NotMeasured
                     ? "Pictures here follow the viewers' eye height, and no viewer's height is known."
                     : subjectWords(hung) + " is " + writeLength(f.measured, s.format) + " above the floor" + missWords(f, s.format) + ".";
    f.rival = rivalWords(s, rule, f);
    out.push_back(std::move(f));
  }
}

void evaluateArtGap(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  const Asked asked = askedOf(rule, s.job);
  for (const Hung& hung : hungIn(s.job, s.scheme)) {
    const auto below = belowArt(s.job, s.scheme, s.room, hung);
    if (!below) continue;
    const Placement& under = *findPlacement(s.scheme, below->id);
    const std::string name = s.names.the(under.id);
    std::vector<std::string> subjects = idsOf(hung);
    subjects.push_back(below->id.value);
    Finding f = findingOf(rule, asked, std::move(subjects));
    f.view = wallKey(hung.wall);
    if (!below->top) f.missing.push_back(under.piece.value + ".height");
    const double top = below->top.value_or(0);
    const double u = (std::max(hung.envelope.left, below->left) + std::min(hung.envelope.right, below->right)) / 2;
    f.measured = hung.envelope.bottom - top;
    f.at = {Vec2{u, top}, Vec2{u, hung.envelope.bottom}};
    decide(f, s.scheme);
    if (!below->top) f.sentence = "How high " + name + " is has not been measured, so the gap under the frame is not known.";
    else if (f.measured < 0) f.sentence = "It hangs " + writeLength(-f.measured, s.format) + " below the top of " + name + ".";
    else f.sentence = "It hangs " + writeLength(f.measured, s.format) + " above " + name + missWords(f, s.format) + ".";
    f.rival = rivalWords(s, rule, f);
    out.push_back(std::move(f));
  }
}

}  // namespace mezzet
