// Orders: what is wanted, ordered, there or gone back, from whom and since when.
#pragma once

#include <QDialog>

#include "app/document/workspace.h"

class QLabel;
class QTableWidget;

namespace mezzet {

class OrdersDialog : public QDialog {
  Q_OBJECT

 public:
  explicit OrdersDialog(Workspace& workspace, QWidget* parent = nullptr);

 private:
  void fill();
  void typed(int row, int column);
  /// The order of a row's piece with one thing changed.
  void change(int row, const std::function<void(Order&)>& how);
  [[nodiscard]] Order orderIn(int row) const;

  Workspace& workspace_;
  QTableWidget* table_;
  QLabel* complaint_;
  std::vector<PieceId> pieces_;
  bool filling_ = false;
};

}  // namespace mezzet
