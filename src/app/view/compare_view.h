// Two schemes of the room beside each other, with the list of measured differences and the log of what was decided.
#pragma once

#include <QDialog>

#include "app/document/workspace.h"
#include "core/decide/compare.h"

class QComboBox;
class QLabel;
class QLineEdit;
class QVBoxLayout;

namespace mezzet {

class CompareView : public QDialog {
  Q_OBJECT

 public:
  explicit CompareView(Workspace& workspace, QWidget* parent = nullptr);

 protected:
  void resizeEvent(QResizeEvent*) override;

 private:
  void show_();
  void note(LogKind kind);
  void paint(QLabel* on, const SchemeId& scheme);
  void paintBoth();
  [[nodiscard]] SchemeId otherId() const;
  [[nodiscard]] QString inWords(const SchemeFigures& figures) const;

  Workspace& workspace_;
  QComboBox* other_;
  QLabel *left_, *right_, *leftName_, *leftFigures_, *rightFigures_, *list_, *log_;
  QLineEdit* reason_;
};

}  // namespace mezzet
