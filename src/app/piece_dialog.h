// Adding a piece, or changing the sizes of one.
#pragma once

#include <QDialog>
#include <map>

#include "app/workspace.h"

class QComboBox;
class QLabel;
class QLineEdit;

namespace mezzet {

class PieceDialog : public QDialog {
  Q_OBJECT

 public:
  /// `change`: the piece whose sizes are changed; null to add one (a picture when the walls are shown).
  PieceDialog(Workspace& workspace, const Piece* change, QWidget* parent = nullptr);

 private:
  void fill(const Piece& piece);
  void showFields();
  void accept() override;
  void complain(const QString& sentence, QLineEdit* field, int at = 0);

  Workspace& workspace_;
  std::optional<Piece> change_;
  Piece piece_;
  QComboBox *kind_, *shape_;
  QLineEdit* name_;
  std::map<std::string, QLineEdit*> fields_;
  std::map<std::string, QString> shown_;  ///< what was written into each field
  std::map<std::string, QLabel*> labels_;
  QLabel *complaint_, *note_;
};

}  // namespace mezzet
