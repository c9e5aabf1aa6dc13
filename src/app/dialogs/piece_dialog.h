// Adding a piece, or changing the sizes of one.
#pragma once

#include <QDialog>

#include "app/document/workspace.h"
#include "core/entry/piece_cell.h"

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
  struct Field {
    const PieceField* column;
    QLineEdit* edit;
    QLabel* label;
    QString shown;  ///< what was written into it
  };
  void fill(const Piece& piece);
  void showSizes();
  /// Takes what was typed into piece_; false, with a complaint, if something cannot be read.
  bool readSizes();
  void changeShape();
  void accept() override;
  void complain(const QString& sentence, QLineEdit* field);

  Workspace& workspace_;
  std::optional<Piece> change_;
  Piece piece_;
  QComboBox *kind_, *shape_;
  QLineEdit* name_;
  std::vector<Field> fields_;
  QLabel *complaint_, *note_;
};

}  // namespace mezzet
