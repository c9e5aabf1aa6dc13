// Candidates for one place: each where it would stand or hang, what it breaks and what it ties to, two beside each
// other; chosen, turned down with a word, put back.
#pragma once

#include <QDialog>

#include "app/document/worker.h"
#include "app/document/workspace.h"
#include "core/choose/candidates.h"

class QComboBox;
class QLabel;
class QLineEdit;
class QPushButton;
class QTableWidget;

namespace mezzet {

class StillView;

class CandidatesDialog : public QDialog {
  Q_OBJECT

 public:
  CandidatesDialog(Workspace& workspace, PlacementId placement, QWidget* parent = nullptr);
  [[nodiscard]] bool working() const { return worker_.busy(); }

 private:
  QWidget* buttonRow();
  /// Judged beside the interface; what was shown stays until the answer comes.
  void judge();
  void fill(const PieceId& looked);
  void paint();
  void tellChosen();
  [[nodiscard]] const CandidateSeen* current() const;
  void add();
  void say(CandidateState);
  void takeNote();
  void choose();
  void complain(const Error&);
  void edit(const QString& what, const Result<Job>&);

  Workspace& workspace_;
  PlacementId placement_;
  QTableWidget* table_;
  QComboBox *more_, *seenOn_;
  StillView *left_, *right_;
  QLabel *leftWords_, *rightWords_, *complaint_;
  QLineEdit *why_, *note_;
  QPushButton *choose_, *finalist_, *reject_, *back_;
  std::vector<CandidateSeen> seen_;
  Worker worker_;
};

}  // namespace mezzet
