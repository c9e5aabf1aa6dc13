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
  /// A list of the room's schemes with one of them chosen; whichever the other list shows is taken over from it.
  QComboBox* schemeList(const char* name, const SchemeId& chosen);
  void chosen(QComboBox* here, QComboBox* there);
  [[nodiscard]] static SchemeId idOf(const QComboBox* list);
  [[nodiscard]] QString inWords(const SchemeFigures& figures) const;

  Workspace& workspace_;
  QComboBox *first_ = nullptr, *other_ = nullptr;
  SchemeId firstShown_, otherShown_;
  QLabel *left_, *right_, *leftFigures_, *rightFigures_, *list_, *log_;
  QLineEdit* reason_;
};

}  // namespace mezzet
