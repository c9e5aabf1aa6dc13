// What the scheme costs, now and later, in the simple and in the fuller budget.
#pragma once

#include <QDialog>

#include "app/document/workspace.h"
#include "core/choose/budget.h"

class QLabel;
class QLineEdit;
class QTableWidget;

namespace mezzet {

class BudgetDialog : public QDialog {
  Q_OBJECT

 public:
  explicit BudgetDialog(Workspace& workspace, QWidget* parent = nullptr);

 private:
  void fill();
  /// Of the scheme against the brief, and of the whole house.
  [[nodiscard]] QString sumsText() const;
  void typed(int row, int column);
  void takeList();
  /// Of a piece: its price, phase and tier are kept with it; of what was worked out the price in the user's list.
  void takePrice(const BudgetLine&, std::optional<double> price);
  void change(const BudgetLine&, const std::function<void(ShopPart&)>& how);

  Workspace& workspace_;
  Budget budget_;
  QTableWidget* table_;
  QLabel *sums_, *complaint_;
  QLineEdit *currency_, *hours_, *rate_;
  bool filling_ = false;
};

}  // namespace mezzet
