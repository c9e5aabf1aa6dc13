// The bar in Hand over: Enter says that what is selected came or hangs as planned; or the tape is typed.
#pragma once

#include <QWidget>

#include "app/document/workspace.h"

class QLabel;
class QLineEdit;
class QPushButton;
class QToolButton;

namespace mezzet {

class HandOverRow : public QWidget {
  Q_OBJECT

 public:
  explicit HandOverRow(Workspace& workspace, QWidget* parent = nullptr);
  /// A digit typed while the sheet has the keyboard, or "" for Enter there.
  void begin(const QString& digit);

 signals:
  void refused();  ///< the job cannot be changed
  void done(const QString& sentence);

 protected:
  bool eventFilter(QObject*, QEvent*) override;

 private:
  void follow();
  void echo();
  void take();
  void takeCame(const QString& line);
  void takeHung(const Placement&, const QString& text);
  void say(const QString& words, bool complaint = false);
  void sayCame(const CameReading&);
  void next();
  [[nodiscard]] QString lineFor(const QString& typed) const;

  Workspace& workspace_;
  QLabel *what_, *echo_;
  QLineEdit* line_;
  QPushButton* planned_;
  QToolButton *plan_, *walls_;
};

}  // namespace mezzet
