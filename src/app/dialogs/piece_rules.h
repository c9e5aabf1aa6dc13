// What one piece asks of its own: another school, or a range that goes before the house's.
#pragma once

#include <QDialog>

#include "app/dialogs/rule_rows.h"

namespace mezzet {

class PieceRules : public QDialog {
  Q_OBJECT

 public:
  /// Of the selected piece: the rules that judge it now, and those it has something of its own for.
  explicit PieceRules(Workspace& workspace, QWidget* parent = nullptr);

 private:
  void rebuild();
  void bend(const std::string& rule, std::optional<OwnRule> own);

  Workspace& workspace_;
  PieceId piece_;
  PlacementId placement_;
  QVBoxLayout* column_;
};

}  // namespace mezzet
