#include "app/judgement/judgement.h"

#include <algorithm>
#include <tuple>

#include "core/rules/check.h"

namespace mezzet {
namespace {

/// Schemes with more placements are judged beside the interface.
constexpr std::size_t kJudgedAtOnce = 100;
constexpr int kLongestRoutes = 30'000;  // ms
/// Squares of placements that ways out may be re-checked over: a second or two of a crowded room.
constexpr long long kMostTries = 2'000'000;

std::vector<std::tuple<std::string, Verdict, double>> verdictsOf(const std::vector<Finding>& findings) {
  std::vector<std::tuple<std::string, Verdict, double>> out;
  for (const Finding& f : findings) out.emplace_back(f.id, f.verdict, f.measured);
  return out;
}

}  // namespace

Judgement::Judgement(const Rulebook& book, QObject* parent) : QObject(parent), book_(book) {
  late_.setSingleShot(true);
  late_.setInterval(kLongestRoutes);
  connect(&late_, &QTimer::timeout, this, [this] {
    if (!router_.busy()) return;
    router_.stop();
    emit gaveUp();
    emit routesChanged();
  });
}

Judgement::Answer Judgement::answerOf(const Question& q, const Rulebook& book,
                                      const std::shared_ptr<const RouteFacts>& routes) {
  Answer out;
  out.findings = check(q.job, book, q.scheme, q.format, {q.state, routes.get(), q.webs.get()});
  out.decisions = decisionsOf(out.findings, q.job, book, q.scheme, q.format);
  return out;
}

bool Judgement::crowded() const {
  const Scheme* scheme = findScheme(asked_.job, asked_.scheme);
  return scheme != nullptr && scheme->placements.size() > kJudgedAtOnce;
}

void Judgement::judge(Question question) {
  const bool other = question.scheme != asked_.scheme || question.state != asked_.state;
  if (other) {
    before_.reset();
    turned_.clear();
  } else if (question.job != asked_.job && !judge_.busy()) {
    before_ = findings_;
    jobBefore_ = asked_.job;
  }
  asked_ = std::move(question);
  judgeAgain();
}

void Judgement::forget() {
  findings_.clear();
  decisions_.clear();
  cured_.clear();
  ways_.clear();
  looked_ = false;
  finder_.stop();
}

void Judgement::take(Answer answer) {
  forget();
  findings_ = std::move(answer.findings);
  decisions_ = std::move(answer.decisions);
  std::erase_if(turned_, [&](const Turned& t) {
    return std::none_of(findings_.begin(), findings_.end(),
                        [&](const Finding& f) { return f.id == t.finding && breaksByWeight(f); });
  });
  if (!before_) return;
  cured_ = nowHolds(*before_, findings_, asked_.job, book_, asked_.scheme);
  for (Turned& t : nowTurned(*before_, findings_, jobBefore_, asked_.job, asked_.scheme))
    if (std::none_of(turned_.begin(), turned_.end(), [&](const Turned& o) { return o.finding == t.finding; }))
      turned_.push_back(std::move(t));
}

void Judgement::judgeAgain() {
  const std::shared_ptr<const RouteFacts> known = routes() != nullptr ? routes_ : nullptr;
  if (!crowded()) {
    judge_.stop();
    return take(answerOf(asked_, book_, known));
  }
  forget();
  judge_.run<Answer>([q = asked_, &book = book_, known](const std::stop_token&,
                                                        const Worker::Progress&) { return answerOf(q, book, known); },
                     [this](Answer found) {
                       take(std::move(found));
                       emit judged();
                       emit routesChanged();
                     });
}

const std::vector<WayOut>* Judgement::waysShown(const Decision& decision) {
  if (!looked_) lookForWays();
  const auto at = ways_.find(decision.subject);
  return at == ways_.end() ? nullptr : &at->second.ways;
}

std::vector<std::string> Judgement::refusedShown(const Decision& decision) const {
  const auto at = ways_.find(decision.subject);
  return at == ways_.end() ? std::vector<std::string>() : at->second.refused;
}

std::vector<WayOut> Judgement::waysNow(const Decision& decision) const {
  return waysOutOf(decision, findings_, asked_.job, book_, asked_.scheme, asked_.ids, asked_.format,
                   {asked_.state, routes(), asked_.webs.get()});
}

void Judgement::lookForWays() {
  looked_ = true;
  using Found = std::map<std::string, Ways>;
  finder_.run<Found>(
      [q = asked_, &book = book_, findings = findings_, decisions = decisions_,
       known = routes() != nullptr ? routes_ : nullptr](const std::stop_token& stop, const Worker::Progress&) {
        Found out;
        // Findings that knew the routes are cured only if routes drawn anew say so.
        const CheckWith with{q.state, known.get(), q.webs.get()};
        Tries tries{kMostTries, stop};
        // The ledger shows five, those of the stage first.
        const std::size_t most = std::min(decisions.size(), 2 * kMostDecisions);
        for (std::size_t i = 0; i < most && !stop.stop_requested(); ++i) {
          Ways& found = out[decisions[i].subject];
          found.ways =
              waysOutOf(decisions[i], findings, q.job, book, q.scheme, q.ids, q.format, with, &tries, &found.refused);
        }
        return out;
      },
      [this](Found found) {
        ways_ = std::move(found);
        for (const Decision& d : decisions_) ways_.try_emplace(d.subject);  // none looked for: none shown
        emit waysArrived();
      });
}

void Judgement::askRoutes(const RouteAsk& ask) {
  if (findScheme(asked_.job, asked_.scheme) == nullptr) return router_.stop();
  if (routes() != nullptr && routesAsk_ == ask && !router_.busy() && routesJob_ == asked_.job) return;
  late_.start();
  router_.run<std::shared_ptr<const RouteFacts>>(
      [q = asked_, ask](std::stop_token stop, const Worker::Progress&) {
        return std::make_shared<const RouteFacts>(routeFactsOf(q.job, q.scheme, ask, stop));
      },
      [this, q = asked_, ask](std::shared_ptr<const RouteFacts> facts) { takeRoutes(std::move(facts), q, ask); });
  emit routesChanged();
}

void Judgement::takeRoutes(std::shared_ptr<const RouteFacts> facts, const Question& q, const RouteAsk& ask) {
  routes_ = std::move(facts);
  routesScheme_ = q.scheme;
  routesJob_ = q.job;
  routesAsk_ = ask;
  // Only what waited for the routes can have changed.
  if (crowded()) {
    judgeAgain();  // and says when
  } else {
    Answer now = answerOf(asked_, book_, routes_);
    if (verdictsOf(now.findings) == verdictsOf(findings_)) {
      findings_ = std::move(now.findings);  // the ways out that are looked for stay good
    } else {
      take(std::move(now));
      emit judged();
    }
  }
  emit routesChanged();
}

}  // namespace mezzet
