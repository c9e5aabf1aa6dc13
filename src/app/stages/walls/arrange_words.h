// In the bar under a wall: the ways in which what is selected can be hung as one, as words with ghosts, and the gap.
#pragma once

#include <QWidget>

#include "app/document/worker.h"
#include "app/document/workspace.h"
#include "core/decide/hang_place.h"

class QHBoxLayout;
class QPushButton;

namespace mezzet {

class LengthField;

class ArrangeWords : public QWidget {
  Q_OBJECT

 public:
  explicit ArrangeWords(Workspace& workspace, QWidget* parent = nullptr);
  /// Goes on in the gap's field with what was typed so far.
  void typeGap(const QString& first);

 signals:
  /// What could not be met, or what an arrangement comes to.
  void said(const QString& sentence);

 protected:
  bool eventFilter(QObject* watched, QEvent* event) override;

 private:
  /// Works an arrangement out beside the interface: shown as a ghost, or taken.
  void ask(HangAs as, bool take, const std::string& like = {});
  void addMatch();
  void addTreads(int now);
  void take(const HangPlan& plan, HangAs as, long long nextId);
  [[nodiscard]] HangAs made() const;

  Workspace& workspace_;
  Worker worker_;
  QHBoxLayout* row_;
  LengthField* gap_;
  std::optional<double> wished_;
  int treads_ = 0;
};

/// Whether what is selected can be hung as one: two things or more on one wall that are no lights.
[[nodiscard]] bool canArrange(const Workspace&);

}  // namespace mezzet
