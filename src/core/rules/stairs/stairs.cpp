// Flights of stairs against the published rules for private stairs. The local code decides.
#include "core/rules/stairs/rules.h"
#include "core/site/stairs.h"

#include <cmath>

#include "core/rules/base/facts.h"

namespace mezzet {
namespace {

/// One finding for each stair of the room: `value` of what is judged, absent where it was not measured.
template <class Value, class Words>
void judgeStairs(const Situation& s, const Rule& rule, const char* missing, Value value, Words words,
                 std::vector<Finding>& out) {
  for (const Feature& feature : s.room.features) {
    if (!feature.stair) continue;
    Finding f = findingOf(rule, askedOf(rule, s.job), {feature.id.value});
    const std::optional<double> measured = value(*feature.stair);
    if (!measured) f.missing.push_back(feature.id.value + "." + missing);
    f.measured = measured.value_or(0);
    const StairPlan plan = stairPlan(feature.outline, *feature.stair);
    f.at = {plan.foot, plan.top};
    decide(f, s.scheme);
    f.sentence =
        measured ? words(*feature.stair, *measured) : "The stair's " + std::string(missing) + " has not been measured.";
    f.rival = rivalWords(s, rule, f);
    out.push_back(std::move(f));
  }
}

void evaluateStairRise(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  judgeStairs(
      s, rule, "riser", [](const Stair& t) { return std::optional(t.riser); },
      [&](const Stair&, double v) { return "Each riser of the stair is " + writeLength(v, s.format) + " high."; }, out);
}
void evaluateStairGoing(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  judgeStairs(
      s, rule, "going", [](const Stair& t) { return std::optional(t.going); },
      [&](const Stair&, double v) { return "Each step of the stair goes " + writeLength(v, s.format) + "."; }, out);
}
void evaluateStairPitch(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  judgeStairs(
      s, rule, "pitch", [](const Stair& t) { return std::optional(pitchOf(t)); },
      [](const Stair&, double v) { return "The stair climbs at " + std::to_string(std::lround(v)) + " degrees."; },
      out);
}
void evaluateStairStep(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  judgeStairs(
      s, rule, "step", [](const Stair& t) { return std::optional(stepLength(t)); },
      [&](const Stair&, double v) { return "Twice the riser and the going make " + writeLength(v, s.format) + "."; },
      out);
}
void evaluateStairReach(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  judgeStairs(
      s, rule, "rise", [](const Stair& t) { return reachMisfit(t); },
      [&](const Stair& t, double v) {
        const std::string all = std::to_string(t.risers) + " risers make " + writeLength(t.risers * t.riser, s.format);
        if (std::abs(v) < 0.5) return all + ", just the rise.";
        return all + ", " + writeLength(std::abs(v), s.format) +
               (v < 0 ? " less than the rise." : " more than the rise.");
      },
      out);
}
void evaluateStairHandrail(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  judgeStairs(
      s, rule, "handrail", [](const Stair& t) { return t.handrail; },
      [&](const Stair&, double v) { return "The handrail stands " + writeLength(v, s.format) + " above the nosings."; },
      out);
}
void evaluateStairHeadroom(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  judgeStairs(
      s, rule, "headroom", [](const Stair& t) { return t.headroom; },
      [&](const Stair&, double v) {
        return "There are " + writeLength(v, s.format) + " of headroom over the nosings.";
      },
      out);
}

constexpr RuleRow kStairsRows[] = {
    {"stair-rise", evaluateStairRise},         {"stair-going", evaluateStairGoing},
    {"stair-pitch", evaluateStairPitch},       {"stair-step", evaluateStairStep},
    {"stair-reach", evaluateStairReach},       {"stair-handrail", evaluateStairHandrail},
    {"stair-headroom", evaluateStairHeadroom},
};

}  // namespace

RuleRows stairRules() { return kStairsRows; }

}  // namespace mezzet
