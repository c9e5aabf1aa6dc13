// A finding: one rule applied to one situation.
#pragma once

#include <array>
#include <string>
#include <vector>

#include "core/base/view.h"
#include "core/rules/base/rulebook.h"

namespace mezzet {

enum class Verdict { NotMeasured, Kept, Close, Holds, Breaks };
enum class Quantity { Length, Ratio, Angle, Count, Share, Area, YesNo, Illuminance, Temperature };

struct Finding {
  std::string id;  ///< "table-reach:p1,p3"
  std::string rule;
  std::optional<std::string> school;  ///< the one that decided
  Weight weight = Weight::Rule;
  std::vector<std::string> subjects;  ///< ascending byte order
  Verdict verdict = Verdict::NotMeasured;
  Quantity quantity = Quantity::Length;
  double measured = 0;  ///< in the quantity's unit: mm, mm2, degrees, or 1
  Range asked, ideal;   ///< tolerated and ideal, in the same unit
  double margin = 0;    ///< to the tolerated limit; negative: short or over by
  /// Change of length, mm, that would just satisfy the rule; a length's is its margin, other evaluators set it.
  std::optional<double> marginMm;
  double u95 = 0;                    ///< of `measured`, in its unit
  std::array<Vec2, 2> at{};          ///< witness points, plan or elevation
  std::vector<std::string> between;  ///< what makes it so, where that is not the subjects: the two ends of a pinch
  /// Of a group: the gaps of its tree, in its order.
  struct Pair {
    std::string a, b;
    double mm = 0;
  };
  std::vector<Pair> pairs = {};
  View view = {};                    ///< where its gap is drawn
  std::vector<std::string> missing;  ///< what must be measured first
  std::string sentence;              ///< in the words of the trade, lengths in the asked format
  std::string rival;                 ///< what the other schools say, told in grey; may be empty
};

/// Decides the verdict from what is known: not measured, kept, close call, holds, breaks, the first that fits.
void decide(Finding&, const Scheme&);

/// A placement without its surface: "p5" of "p5/b2".
[[nodiscard]] inline std::string carrierOfSubject(const std::string& subject) {
  return subject.substr(0, subject.find('/'));
}
/// Of a carrier also what is about its surfaces.
[[nodiscard]] bool isAbout(const Finding&, const std::string& subject);
[[nodiscard]] bool isAboutAll(const Finding&, const std::vector<std::string>& subjects);
[[nodiscard]] bool waitsForRoute(const Finding&);   ///< and for nothing else
[[nodiscard]] bool breaksByWeight(const Finding&);  ///< breaks, and is more than taste
[[nodiscard]] const char* verdictWord(Verdict);     ///< "holds", "close", "breaks", "not_measured", "kept"
[[nodiscard]] const char* weightWord(Weight);
[[nodiscard]] const char* quantityWord(Quantity);  ///< "length", "yes_no"
[[nodiscard]] const char* unitWord(Quantity);      ///< "mm", "1", "deg", "mm2", "lx", "K"
[[nodiscard]] Quantity quantityOf(const Rule&);

struct VerdictCounts {
  int holds = 0, close = 0, breaks = 0, notMeasured = 0, kept = 0;
};
[[nodiscard]] VerdictCounts countVerdicts(const std::vector<Finding>&, bool withTaste);

}  // namespace mezzet
