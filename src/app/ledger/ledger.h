// The ledger "Decide next": at most five decisions, each with what breaks and the ways out; below, folded, the rest.
#pragma once

#include <QPushButton>
#include <QScrollArea>
#include <QTimer>

#include "app/document/workspace.h"

class QVBoxLayout;

namespace mezzet {

/// A way out: what moves which way, and what it gives. Hovering or focusing it shows the ghost.
class WayButton : public QPushButton {
  Q_OBJECT

 public:
  WayButton(WayOut way, Workspace& workspace, QWidget* parent = nullptr);

 protected:
  void paintEvent(QPaintEvent*) override;
  bool event(QEvent*) override;

 private:
  [[nodiscard]] int heightFor(int width) const;

  WayOut way_;
  Job from_;  ///< the job it was computed from; after any other edit it no longer applies
  Workspace& workspace_;
};

class Ledger : public QWidget {
  Q_OBJECT

 public:
  explicit Ledger(Workspace& workspace, QWidget* parent = nullptr);

 public slots:
  void rebuild();

 private:
  void addDecision(QVBoxLayout* column, const Decision& decision);
  /// What was found for a decision, or that it is looked for.
  void fillWays(const Decision&, QVBoxLayout*);
  [[nodiscard]] QString ruleName(const Finding&) const;
  void addTaste(QVBoxLayout* column);
  void addFold(QVBoxLayout* column, Verdict verdict, const QString& title, const QString& none);

  Workspace& workspace_;
  QScrollArea* scroll_;
  QTimer later_;
  std::vector<std::pair<Decision, QVBoxLayout*>> waysOf_;  ///< where the ways out of what is shown stand
  bool tasteOpen_ = false;
  bool openFold_[5] = {};
};

}  // namespace mezzet
