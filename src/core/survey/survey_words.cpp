#include "core/survey/survey_words.h"
#include "core/base/sentence.h"

#include <algorithm>
#include <cmath>

namespace mezzet {
namespace {

std::string tenths(double value) {
  const long rounded = std::lround(std::abs(value) * 10);
  return (value < 0 && rounded != 0 ? "-" : "") + std::to_string(rounded / 10) + "." + std::to_string(rounded % 10);
}

/// Readings nearer than this are the same answer to "what was it?", mm.
constexpr double kSameReading = 3;

std::string listed(const std::vector<std::string>& names) {
  std::string out;
  for (std::size_t i = 0; i < names.size(); ++i)
    out += (i == 0 ? "" : i + 1 == names.size() ? " or " : ", ") + names[i];
  return out;
}

/// "ten centimetres were dropped", with what else fits nearly as well: ", or at 3860 mm the tape's case was left out".
std::string slipWords(const Observation& o, const std::vector<Explanation>& explanations, LengthFormat format) {
  constexpr std::size_t kMostTold = 3;
  std::string out = explanations.front().words;
  for (std::size_t i = 1; i < std::min(explanations.size(), kMostTold); ++i) {
    const Explanation& e = explanations[i];
    const bool same = std::abs(e.wouldRead - explanations.front().wouldRead) < kSameReading;
    out += same ? ", or " + e.words : ", or at " + readingWords(o, e.wouldRead, format) + " " + e.words;
  }
  return out;
}

std::string namedSentence(const Network& net, const std::vector<std::string>& corners, const SurveyReport& r,
                          LengthFormat format) {
  const std::size_t i = *r.suspects.named;
  const Observation& o = net.observations[i];
  const Suspect& s = r.suspects.listed.front();
  if (o.kind == ObservationKind::Square)
    return "Corner " + corners[o.from] + " is not square: the readings make it " + tenths(s.predicted) +
           "\u00b0 inside. It is drawn as they say.";
  const std::string name = capital(observationName(net, corners, i));
  if (r.explanations.empty())
    return name + " does not fit: it reads " + readingWords(o, o.value, format) + ", the others say " +
           readingWords(o, s.predicted, format) + " \u00b1" + readingWords(o, s.predictedU95, format) +
           ". Measure it again; until then it is left out.";
  const Explanation& e = r.explanations.front();
  return name + " does not fit: it reads " + readingWords(o, o.value, format) + ", and " +
         readingWords(o, e.wouldRead, format) + " would. " +
         (r.all.redundancy == 1        ? "Most simply, "
          : r.explanations.size() == 1 ? "Most likely "
                                       : "Perhaps ") +
         slipWords(o, r.explanations, format) + ". Measure it again; until then it is left out.";
}

}  // namespace

std::string observationName(const Network& net, const std::vector<std::string>& corners, std::size_t observation) {
  const Observation& o = net.observations[observation];
  switch (o.kind) {
    case ObservationKind::Run: return "wall " + corners[o.to == (o.from + 1) % net.corners ? o.from : o.to];
    case ObservationKind::Diagonal: return corners[o.from] + " to " + corners[o.to];
    case ObservationKind::Offset: return corners[o.from] + " off wall " + corners[o.to];
    case ObservationKind::Angle: return "the angle at " + corners[o.from];
    case ObservationKind::Square: return "the square corner at " + corners[o.from];
  }
  return {};
}

std::string readingWords(const Observation& o, double value, LengthFormat format) {
  return o.isAngular() ? tenths(value) + "\u00b0" : writeLength(value, format);
}

std::string readingWords(const Reading& r, LengthFormat format) {
  return r.isAngle() ? tenths(r.value) + "\u00b0" : writeLength(r.value, format);
}

std::string closureSentence(const Network& net, const std::vector<std::string>& corners, const SurveyReport& r,
                            LengthFormat format) {
  if (r.refused && !r.suspects.named && r.suspects.listed.empty()) return capital(r.refused->text()) + ".";
  if (r.suspects.named) return namedSentence(net, corners, r, format);
  if (r.suspects.detected) {
    std::vector<std::string> names;
    for (const Suspect& s : r.suspects.listed) names.push_back(observationName(net, corners, s.observation));
    std::string out = names.size() == 1 ? capital(names[0]) + " does not fit, but too little was measured to be sure"
                                        : "Either " + listed(names) + " is wrong";
    if (r.suspects.ask)
      out += ": measure corner to corner, " + corners[r.suspects.ask->first] + " to " +
             corners[r.suspects.ask->second] + ", to tell";
    out += ".";
    if (!r.explanations.empty()) {
      const Explanation& e = r.explanations.front();
      const Observation& o = net.observations[e.observation];
      out += (r.all.redundancy == 1 ? " Most simply, " : " Perhaps ") + e.words + ": " +
             observationName(net, corners, e.observation) + " would be " + readingWords(o, e.wouldRead, format) + ".";
    }
    return out;
  }
  if (r.all.redundancy <= 0) return "Nothing checks these readings yet.";
  double most = 0;
  for (std::size_t i = 0; i < net.observations.size(); ++i)
    if (!net.observations[i].isAngular()) most = std::max(most, std::abs(r.all.rows[i].residual));
  if (r.all.withinLimit())
    return "Closes: no length is off by more than " +
           writeLength(std::ceil(most / (kInch / 16)) * (kInch / 16), format) + ".";
  return "The readings fit together worse than their tapes should (" + tenths(r.all.chi2) + ", where " +
         tenths(r.all.chi2Limit) + " is the limit), but no single one stands out. Check those with the longest bars.";
}

std::string nextSentence(const std::vector<std::string>& corners, const SurveyReport& r, LengthFormat format) {
  if (!r.next) return {};
  return "Measure " + corners[r.next->from] + " to " + corners[r.next->to] +
         " next: the least sure length goes from \u00b1" + writeLength(r.next->worstBefore, format) + " to \u00b1" +
         writeLength(r.next->worstAfter, format) + ".";
}

}  // namespace mezzet
