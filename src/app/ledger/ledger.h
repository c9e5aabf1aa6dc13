// The ledger "Decide next": at most five decisions, each with what breaks and the ways out; below, folded, the rest.
#pragma once

#include <QScrollArea>
#include <QTimer>
#include <functional>

#include "app/document/workspace.h"
#include "app/ledger/block_column.h"

class QVBoxLayout;

namespace mezzet {

class Ledger : public QWidget {
  Q_OBJECT

 public:
  explicit Ledger(Workspace& workspace, QWidget* parent = nullptr);

 public slots:
  void rebuild();

 private:
  void addHeading();
  void addCured();
  void addTurned();
  void addDecision(const Decision&);
  void addMissing();
  void fillDecision(QVBoxLayout* column, const Decision&, const std::vector<const Finding*>& worst);
  /// What was found for a decision, or that it is looked for.
  void addWhyNoOther(const Decision&, QWidget* ways);
  void fillWays(const Decision&, QWidget* ways);
  [[nodiscard]] QString ruleName(const Finding&) const;
  [[nodiscard]] std::vector<const Finding*> findingsThat(const std::function<bool(const Finding&)>& fit) const;
  void addTaste();
  void addFold(Verdict verdict, const QString& one, const QString& title, const QString& none);
  void addWhyKept(QVBoxLayout* column, const Finding&);

  Workspace& workspace_;
  QScrollArea* scroll_;
  BlockColumn column_;
  QTimer later_;
  std::vector<std::pair<Decision, QWidget*>> waysOf_;  ///< where the ways out of what is shown stand
  bool tasteOpen_ = false;
  bool openFold_[5] = {};
  std::string whyOpen_;  ///< the decision whose refused moves are told
};

}  // namespace mezzet
