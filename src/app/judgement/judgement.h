// What the rules say of the scheme shown: findings and decisions at once, ways out and drawn routes beside the
// interface.
#pragma once

#include <QObject>
#include <QTimer>
#include <map>

#include "app/document/worker.h"
#include "core/decide/ways_out.h"
#include "core/walk/route_facts.h"

namespace mezzet {

class Judgement : public QObject {
  Q_OBJECT

 public:
  explicit Judgement(const Rulebook& book, QObject* parent = nullptr);

  /// What is judged. The job is a value: copies share what did not change.
  struct Question {
    Job job;
    SchemeId scheme;
    LengthFormat format;
    UseState state = UseState::Everyday;
    IdSource ids = IdSource(1);                          ///< for what ways out add
    std::shared_ptr<const Photometries> webs = nullptr;  ///< of its lights
  };
  /// Judges an ordinary room before it returns, and a crowded one beside the interface: until then it has no findings.
  void judge(Question);
  /// Works out the drawn routes of what was judged last, unless these are at hand.
  void askRoutes(const RouteAsk&);

  [[nodiscard]] const std::vector<Finding>& findings() const { return findings_; }
  [[nodiscard]] const std::vector<Decision>& decisions() const { return decisions_; }
  /// What the last edit cured, in sentences: told once, until the next one.
  [[nodiscard]] const std::vector<std::string>& cured() const { return cured_; }
  /// What edits turned though it was not touched, until it is cured or ticked.
  [[nodiscard]] const std::vector<Turned>& turned() const { return turned_; }
  void tick(const std::string& finding) {
    std::erase_if(turned_, [&](const Turned& t) { return t.finding == finding; });
  }
  /// What was found for a decision; null while it is looked for, which the first question begins.
  [[nodiscard]] const std::vector<WayOut>* waysShown(const Decision&);
  /// Why the nearest other changes are not offered, a sentence each; empty while that is not known.
  [[nodiscard]] std::vector<std::string> refusedShown(const Decision&) const;
  /// The same ways, worked out now.
  [[nodiscard]] std::vector<WayOut> waysNow(const Decision&) const;
  /// Those of the scheme that was judged; of the last state while newer ones are worked out. Null when there are none.
  [[nodiscard]] const RouteFacts* routes() const { return routesScheme_ == asked_.scheme ? routes_.get() : nullptr; }
  /// A crowded room is being judged.
  [[nodiscard]] bool judging() const { return judge_.busy(); }
  [[nodiscard]] bool pending() const { return router_.busy() || judge_.busy() || finder_.busy(); }

 signals:
  void judged();         ///< findings changed, though nothing was asked anew
  void waysArrived();    ///< ways out that were looked for
  void routesChanged();  ///< routes are wanted, are there, or were given up
  void gaveUp();         ///< the routes took too long

 private:
  struct Answer {
    std::vector<Finding> findings;
    std::vector<Decision> decisions;
  };
  static Answer answerOf(const Question&, const Rulebook&, const std::shared_ptr<const RouteFacts>&);
  void judgeAgain();
  void forget();  ///< what the last answer said
  void take(Answer);
  void takeRoutes(std::shared_ptr<const RouteFacts>, const Question&, const RouteAsk&);
  void lookForWays();
  [[nodiscard]] bool crowded() const;

  const Rulebook& book_;
  Question asked_;
  std::vector<Finding> findings_;
  std::vector<Decision> decisions_;
  std::optional<std::vector<Finding>> before_;  ///< the edit that is judged
  std::vector<std::string> cured_;
  Job jobBefore_;
  std::vector<Turned> turned_;
  struct Ways {
    std::vector<WayOut> ways;
    std::vector<std::string> refused;
  };
  std::map<std::string, Ways> ways_;  ///< of the decisions, by subject, as far as they were looked for
  bool looked_ = false;
  std::shared_ptr<const RouteFacts> routes_;
  SchemeId routesScheme_;
  Job routesJob_;  ///< what they were worked out from
  RouteAsk routesAsk_;
  QTimer late_;
  Worker router_, judge_, finder_;
};

}  // namespace mezzet
