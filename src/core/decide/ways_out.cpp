#include "core/decide/ways_out.h"

#include <algorithm>
#include <unordered_map>

#include "core/rules/registry.h"

namespace mezzet {
namespace {

/// Below this a margin has not got worse.
constexpr double kSameMargin = 0.5;

/// Re-checks what rules propose, and keeps what proves good.
class Proof {
 public:
  Proof(const Finding& target, const std::vector<Finding>& now, const Rulebook& book, const Scheme& scheme,
        LengthFormat format, const CheckWith& with, Tries* tries)
      : target_(target), book_(book), scheme_(scheme), format_(format), tries_(tries), with_{with.state, nullptr} {
    for (const Finding& f : now) nowById_.emplace(f.id, &f);
  }

  bool take(WayOut way, const Excused& excused) {
    if (tries_ != nullptr && !tries_->take(scheme_.placements.size())) return false;
    const std::vector<Finding> then = check(way.job, book_, scheme_.id, format_, with_);
    // A group has another id than the single picture it grew from: then the rule must hold for its subject.
    const auto broken = [&](const Finding& f) {
      return f.rule == target_.rule && breaksByWeight(f) && sharesSubjects(f);
    };
    if (excused.rules.empty() && std::any_of(then.begin(), then.end(), broken)) return false;
    if (std::any_of(then.begin(), then.end(), [&](const Finding& f) { return harms(f, excused); })) return false;
    const auto same = [&](const WayOut& w) { return w.sentence == way.sentence; };
    if (std::any_of(taken_.begin(), taken_.end(), same)) return false;
    taken_.push_back(std::move(way));
    return true;
  }
  [[nodiscard]] std::vector<WayOut> taken() { return std::move(taken_); }

 private:
  /// Whether it is of weight and breaks though it did not break before, or breaks worse.
  [[nodiscard]] bool harms(const Finding& f, const Excused& excused) const {
    if (!breaksByWeight(f)) return false;
    const bool ofRule = std::find(excused.rules.begin(), excused.rules.end(), f.rule) != excused.rules.end();
    if (ofRule && std::find(f.subjects.begin(), f.subjects.end(), excused.subject) != f.subjects.end()) return false;
    const auto then = nowById_.find(f.id);
    return then == nowById_.end() || then->second->verdict != Verdict::Breaks ||
           f.margin < then->second->margin - kSameMargin;
  }
  [[nodiscard]] bool sharesSubjects(const Finding& f) const {
    return std::all_of(target_.subjects.begin(), target_.subjects.end(), [&](const std::string& s) {
      return std::find(f.subjects.begin(), f.subjects.end(), s) != f.subjects.end();
    });
  }

  const Finding& target_;
  const Rulebook& book_;
  const Scheme& scheme_;
  LengthFormat format_;
  Tries* tries_;    ///< null: as many as it takes
  CheckWith with_;  ///< without routes: those of the room as it was do not fit what is tried
  std::vector<WayOut> taken_;
  std::unordered_map<std::string_view, const Finding*> nowById_;  ///< a pile of pieces has tens of thousands
};

}  // namespace

std::vector<WayOut> waysOutOf(const Finding& finding, const std::vector<Finding>& now, const Job& job,
                              const Rulebook& book, const SchemeId& scheme, IdSource ids, LengthFormat format,
                              const CheckWith& with, Tries* tries) {
  const Scheme* at = findScheme(job, scheme);
  const RuleRow* row = rowOf(finding.rule);
  if (finding.verdict != Verdict::Breaks || now.size() > kHeap || at == nullptr || row == nullptr ||
      row->waysOut == nullptr)
    return {};
  Proof proof(finding, now, book, *at, format, with, tries);
  Proposals ways(finding, job, book, *at, ids, format,
                 [&](WayOut way, const Excused& excused) { return proof.take(std::move(way), excused); });
  row->waysOut(ways);
  return proof.taken();
}

std::vector<WayOut> waysOutOf(const Decision& decision, const std::vector<Finding>& findings, const Job& job,
                              const Rulebook& book, const SchemeId& scheme, IdSource ids, LengthFormat format,
                              const CheckWith& with, Tries* tries) {
  std::vector<WayOut> out;
  const std::size_t looked = std::min(decision.findings.size(), kMostLookedAt);
  for (std::size_t k = 0; k < looked; ++k)
    for (WayOut& way : waysOutOf(findings[decision.findings[k]], findings, job, book, scheme, ids, format, with, tries))
      if (std::none_of(out.begin(), out.end(), [&](const WayOut& w) { return w.sentence == way.sentence; }))
        out.push_back(std::move(way));
  return out;
}

}  // namespace mezzet
