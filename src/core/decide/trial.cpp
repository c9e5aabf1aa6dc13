#include "core/decide/trial.h"

#include <algorithm>

#include "core/rules/registry.h"

namespace mezzet {

Trial::Trial(const Finding& target, const Rulebook& book, const SchemeId& scheme, LengthFormat format,
             const CheckWith& with, Tries* tries)
    : target_(target),
      row_(rowOf(target.rule)),
      rule_(findRule(book, target.rule)),
      book_(book),
      scheme_(scheme),
      format_(format),
      with_{with.state, nullptr},
      tries_(tries) {}

Outcome Trial::operator()(const Job& job) {
  const Scheme& scheme = *findScheme(job, scheme_);
  // One rule of many: a part of what a whole check costs.
  if (tries_ != nullptr && !tries_->takePart(scheme.placements.size())) {
    over_ = true;
    return {};
  }
  const Situation situation(job, book_, scheme, format_, with_);
  std::vector<Finding> found;
  row_->evaluate(situation, *rule_, found);
  if (tries_ != nullptr) tries_->found(scheme.placements.size(), found.size());
  // Gone is cured only of rules that find nothing but faults: a seat turned away from its table is not served.
  Outcome out{showsOf(target_.rule, shows::kFindsFaults), std::nullopt, {}};
  bool breaks = false;
  for (const Finding& f : found) {
    if (!isAboutAll(f, target_.subjects)) continue;
    breaks = breaks || f.verdict == Verdict::Breaks;
    // A close call is settled only by what is sure.
    const bool near = f.verdict == Verdict::Close && target_.verdict != Verdict::Close;
    out.holds = out.holds || f.verdict == Verdict::Holds || near || waitsForRoute(f);
    if (f.id != target_.id) continue;
    out.margin = f.margin;
    if (f.quantity == Quantity::Length) out.measured = writeLength(std::max(0.0, f.measured), format_);
  }
  out.holds = out.holds && !breaks;
  return out;
}

std::string Trial::gives(const Outcome& then) const {
  const std::string name = ruleWords(book_, target_.rule);
  return then.measured.empty() ? name + ": settled" : name + " " + then.measured;
}

}  // namespace mezzet
