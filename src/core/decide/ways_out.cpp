#include "core/decide/ways_out.h"

#include <algorithm>
#include <array>
#include <iterator>
#include <unordered_map>

#include "core/base/sentence.h"
#include "core/decide/movers.h"
#include "core/rules/registry.h"

namespace mezzet {
namespace {

/// Below these a margin has not got worse: mm, and in other units.
constexpr double kSameLength = 0.5, kSameElse = 1e-6;
/// Slides are tried this much further where the least one proves no good.
constexpr std::array kFurther{1 * kInch, 3 * kInch, 8 * kInch};

double sameMargin(const Finding& f) {
  return f.quantity == Quantity::Length || f.quantity == Quantity::Area ? kSameLength : kSameElse;
}

/// Re-checks what rules propose, and keeps what proves good.
class Proof {
 public:
  Proof(const Finding& target, const std::vector<Finding>& now, const Rulebook& book, const Scheme& scheme,
        LengthFormat format, const CheckWith& with, Tries* tries)
      : target_(target), book_(book), scheme_(scheme), format_(format), tries_(tries), with_(with) {
    for (const Finding& f : now) nowById_.emplace(f.id, &f);
  }

  bool take(WayOut way, const Excused& excused) {
    const auto same = [&](const WayOut& w) { return w.sentence == way.sentence; };
    if (std::any_of(taken_.begin(), taken_.end(), same)) return false;
    if (tries_ != nullptr && !tries_->take(scheme_.placements.size())) return false;
    // Without routes first: those of the room as it was do not fit what is tried, and new ones take long.
    if (!proves(way, check(way.job, book_, scheme_.id, format_, {with_.state, nullptr}), excused, false)) return false;
    if (with_.routes != nullptr) {
      const RouteFacts anew = routeFactsOf(way.job, scheme_.id, with_.state);
      if (!proves(way, check(way.job, book_, scheme_.id, format_, {with_.state, &anew}), excused, true)) return false;
    }
    taken_.push_back(std::move(way));
    return true;
  }
  [[nodiscard]] const std::vector<WayOut>& soFar() const { return taken_; }
  [[nodiscard]] std::vector<WayOut> taken() { return std::move(taken_); }

  /// What would cure it, and what it would break instead.
  struct Refused {
    WayOut way;
    std::vector<Finding> harms;
  };
  [[nodiscard]] const std::vector<Refused>& refused() const { return refused_; }

 private:
  [[nodiscard]] bool proves(const WayOut& way, const std::vector<Finding>& then, const Excused& excused, bool routed) {
    if (excused.rules.empty() && !cured(then, routed)) return false;
    std::vector<Finding> harmed;
    std::copy_if(then.begin(), then.end(), std::back_inserter(harmed),
                 [&](const Finding& f) { return harms(f, excused, routed); });
    if (harmed.empty()) return true;
    if (refused_.size() < kMostRefused) refused_.push_back({way, std::move(harmed)});
    return false;
  }
  /// A group has another id than the single picture it grew from: then the rule must hold for its subject.
  [[nodiscard]] bool cured(const std::vector<Finding>& then, bool routed) const {
    bool found = false;
    for (const Finding& f : then) {
      if (f.rule != target_.rule || !isAboutAll(f, target_.subjects)) continue;
      if (breaksByWeight(f) || (f.verdict == Verdict::Close && target_.verdict == Verdict::Close)) return false;
      if (f.verdict == Verdict::NotMeasured && (routed || !waitsForRoute(f))) continue;
      found = true;
    }
    if (found || showsOf(target_.rule, shows::kFindsFaults)) return true;
    return std::any_of(then.begin(), then.end(), [&](const Finding& f) {
      return f.rule == target_.rule && (f.verdict == Verdict::Holds || f.verdict == Verdict::Close) &&
             std::any_of(target_.subjects.begin(), target_.subjects.end(),
                         [&](const std::string& s) { return isAbout(f, s); });
    });
  }
  /// Whether it is of weight and breaks though it did not break before, or breaks worse; or is a close call that gets
  /// closer; or cannot be measured any more.
  [[nodiscard]] bool harms(const Finding& f, const Excused& excused, bool routed) const {
    if (f.weight == Weight::Taste) return false;
    const bool ofRule = std::find(excused.rules.begin(), excused.rules.end(), f.rule) != excused.rules.end();
    if (ofRule && isAbout(f, excused.subject)) return false;
    const auto at = nowById_.find(f.id);
    const Finding* before = at == nowById_.end() ? nullptr : at->second;
    if (f.verdict == Verdict::NotMeasured)
      return before != nullptr && before->verdict != Verdict::NotMeasured && (routed || !waitsForRoute(f));
    if (before != nullptr && before->verdict == Verdict::Close && before->id != target_.id)
      return f.margin < before->margin - kSameElse;
    if (!breaksByWeight(f)) return false;
    return before == nullptr || before->verdict != Verdict::Breaks || f.margin < before->margin - sameMargin(f);
  }

  const Finding& target_;
  const Rulebook& book_;
  const Scheme& scheme_;
  LengthFormat format_;
  Tries* tries_;  ///< null: as many as it takes
  CheckWith with_;
  std::vector<WayOut> taken_;
  std::vector<Refused> refused_;
  std::unordered_map<std::string_view, const Finding*> nowById_;  ///< a pile of pieces has tens of thousands
};

/// Whether another way already moves the same things about the same way, and no further: a slide at 45 degrees to it is
/// no choice of its own.
bool goneBefore(const MoveCandidate& candidate, const WayOut& other, const Scheme& now) {
  const Scheme &then = *findScheme(candidate.way.job, now.id), &before = *findScheme(other.job, now.id);
  return std::all_of(candidate.movers.begin(), candidate.movers.end(), [&](const PlacementId& id) {
    const Placement* q = findPlacement(before, id);
    const auto *from = onFloor(findPlacement(now, id)->on), *here = onFloor(findPlacement(then, id)->on),
               *there = q != nullptr ? onFloor(q->on) : nullptr;
    if (from == nullptr || here == nullptr || there == nullptr || here->turn != there->turn) return false;
    const Vec2 a = here->at - from->at, b = there->at - from->at;
    return norm(b) > kSameLength && norm(b) < norm(a) + kInch && dot(unit(a), unit(b)) > 0.7;
  });
}

/// Where one move would break something else, a second one that cures that too: the two together are one way out.
void twoMovers(Proof& proof, const Job& job, const Rulebook& book, const SchemeId& scheme, LengthFormat format,
               const CheckWith& with, Tries* tries) {
  constexpr std::size_t kFirsts = 3, kSeconds = 4, kHarms = 2;
  const std::vector<Proof::Refused> firsts = proof.refused();  // a copy: proving adds to it
  const Scheme& now = *findScheme(job, scheme);
  for (std::size_t i = 0; i < std::min(firsts.size(), kFirsts); ++i) {
    const Proof::Refused& first = firsts[i];
    if (first.harms.size() > kHarms || !breaksByWeight(first.harms.front())) continue;
    const Scheme& then = *findScheme(first.way.job, scheme);
    std::size_t tried = 0;
    for (MoveCandidate& second :
         moversOf(first.harms.front(), first.way.job, book, then, format, with, IdSource(first.way.nextId), tries)) {
      const bool moved = std::any_of(second.movers.begin(), second.movers.end(), [&](const PlacementId& id) {
        const Placement *before = findPlacement(now, id), *after = findPlacement(then, id);
        return before == nullptr || after == nullptr || !(*before == *after);
      });
      if (moved) continue;  // what the first has moved stays where that put it
      if (++tried > kSeconds) break;
      WayOut both{first.way.id + "+" + second.way.id, first.way.sentence + ", and " + midSentence(second.way.sentence),
                  first.way.gives, std::move(second.way.job), std::max(first.way.nextId, second.way.nextId)};
      if (proof.take(std::move(both), {})) return;
    }
  }
}

}  // namespace

std::vector<WayOut> waysOutOf(const Finding& finding, const std::vector<Finding>& now, const Job& job,
                              const Rulebook& book, const SchemeId& scheme, IdSource ids, LengthFormat format,
                              const CheckWith& with, Tries* tries, std::vector<std::string>* refused) {
  const Scheme* at = findScheme(job, scheme);
  const RuleRow* row = rowOf(finding.rule);
  const bool close = finding.verdict == Verdict::Close && finding.weight != Weight::Taste;
  if ((finding.verdict != Verdict::Breaks && !close) || now.size() > kHeap || at == nullptr || row == nullptr)
    return {};
  Proof proof(finding, now, book, *at, format, with, tries);
  Proposals ways(finding, job, book, *at, ids, format,
                 [&](WayOut way, const Excused& excused) { return proof.take(std::move(way), excused); });
  if (row->waysOut != nullptr) row->waysOut(ways);
  if (finding.weight == Weight::Taste || proof.soFar().size() >= kMostWays) return proof.taken();
  for (MoveCandidate& candidate : moversOf(finding, job, book, *at, format, with, ids, tries)) {
    if (proof.soFar().size() >= kMostWays) break;
    const auto& soFar = proof.soFar();
    if (std::any_of(soFar.begin(), soFar.end(), [&](const WayOut& w) { return goneBefore(candidate, w, *at); }))
      continue;
    if (proof.take(candidate.way, {})) continue;
    for (const double more : kFurther)
      if (auto next = further(candidate, more, finding, job, book, *at, format, with, tries))
        if (proof.take(std::move(next->way), {})) break;
  }
  // The house may ask otherwise: that moves nothing, and comes last.
  if (proof.soFar().size() < kMostWays) ways.otherSchools("it is enough for this house");
  if (proof.soFar().empty()) twoMovers(proof, job, book, scheme, format, with, tries);
  if (refused != nullptr)
    for (const Proof::Refused& one : proof.refused()) {
      std::string why = one.way.sentence + ": " + one.harms.front().sentence;
      if (refused->size() < kMostRefused && std::find(refused->begin(), refused->end(), why) == refused->end())
        refused->push_back(std::move(why));
    }
  return proof.taken();
}

std::vector<WayOut> waysOutOf(const Decision& decision, const std::vector<Finding>& findings, const Job& job,
                              const Rulebook& book, const SchemeId& scheme, IdSource ids, LengthFormat format,
                              const CheckWith& with, Tries* tries, std::vector<std::string>* refused) {
  std::vector<WayOut> out;
  const std::size_t looked = std::min(decision.findings.size(), kMostLookedAt);
  for (std::size_t k = 0; k < looked && out.size() < kMostOfDecision; ++k)
    for (WayOut& way :
         waysOutOf(findings[decision.findings[k]], findings, job, book, scheme, ids, format, with, tries, refused))
      if (std::none_of(out.begin(), out.end(), [&](const WayOut& w) { return w.sentence == way.sentence; }))
        out.push_back(std::move(way));
  return out;
}

}  // namespace mezzet
