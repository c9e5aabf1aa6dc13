#include "core/rules/base/finding.h"

namespace mezzet {
namespace {

// Contract: lengths hold within 0.01 mm and stay kept within 0.5 mm; other units within 1e-9 and 1e-6.
constexpr double kLengthSlack = 0.01, kLengthWorse = 0.5, kOtherSlack = 1e-9, kOtherWorse = 1e-6;

}  // namespace

void decide(Finding& f, const Scheme& scheme) {
  if (!f.missing.empty()) {
    f.verdict = Verdict::NotMeasured;
    return;
  }
  const bool length = f.quantity == Quantity::Length;
  f.margin = marginIn(f.asked, f.measured);
  if (length) f.marginMm = f.margin;
  for (const Kept& kept : scheme.kept)
    if (kept.finding == f.id && f.margin >= kept.margin - (length ? kLengthWorse : kOtherWorse)) {
      f.verdict = Verdict::Kept;
      return;
    }
  if (f.u95 > 0 && std::abs(f.margin) <= f.u95) f.verdict = Verdict::Close;
  else f.verdict = f.margin >= -(length ? kLengthSlack : kOtherSlack) ? Verdict::Holds : Verdict::Breaks;
}

bool isAbout(const Finding& f, const std::string& subject) {
  return std::any_of(f.subjects.begin(), f.subjects.end(),
                     [&](const std::string& s) { return s == subject || carrierOfSubject(s) == subject; });
}

bool isAboutAll(const Finding& f, const std::vector<std::string>& subjects) {
  return std::all_of(subjects.begin(), subjects.end(), [&](const std::string& s) { return isAbout(f, s); });
}

bool waitsForRoute(const Finding& f) { return f.missing == std::vector<std::string>{"route"}; }

bool breaksByWeight(const Finding& f) { return f.verdict == Verdict::Breaks && f.weight != Weight::Taste; }

const char* verdictWord(Verdict v) {
  switch (v) {
    case Verdict::NotMeasured: return "not_measured";
    case Verdict::Kept: return "kept";
    case Verdict::Close: return "close";
    case Verdict::Holds: return "holds";
    case Verdict::Breaks: return "breaks";
  }
  return "";
}

namespace {
struct QuantityWords {
  Quantity quantity;
  const char *word, *unit;
};
constexpr QuantityWords kQuantities[] = {{Quantity::Length, "length", "mm"},
                                         {Quantity::Ratio, "ratio", "1"},
                                         {Quantity::Angle, "angle", "deg"},
                                         {Quantity::Count, "count", "1"},
                                         {Quantity::Share, "share", "1"},
                                         {Quantity::Area, "area", "mm2"},
                                         {Quantity::YesNo, "yes_no", "1"},
                                         {Quantity::Illuminance, "illuminance", "lx"},
                                         {Quantity::Temperature, "temperature", "K"}};
const QuantityWords& wordsOf(Quantity q) { return kQuantities[static_cast<std::size_t>(q)]; }
}  // namespace

const char* quantityWord(Quantity q) { return wordsOf(q).word; }
const char* unitWord(Quantity q) { return wordsOf(q).unit; }
Quantity quantityOf(const Rule& rule) {
  for (const QuantityWords& w : kQuantities)
    if (rule.quantity == w.word) return w.quantity;
  return Quantity::Length;
}

const char* weightWord(Weight w) {
  switch (w) {
    case Weight::Must: return "must";
    case Weight::Rule: return "rule";
    case Weight::Taste: return "taste";
  }
  return "";
}

VerdictCounts countVerdicts(const std::vector<Finding>& findings, bool withTaste) {
  VerdictCounts c;
  for (const Finding& f : findings) {
    if (f.weight == Weight::Taste && !withTaste) continue;
    switch (f.verdict) {
      case Verdict::NotMeasured: ++c.notMeasured; break;
      case Verdict::Kept: ++c.kept; break;
      case Verdict::Close: ++c.close; break;
      case Verdict::Holds: ++c.holds; break;
      case Verdict::Breaks: ++c.breaks; break;
    }
  }
  return c;
}

}  // namespace mezzet
