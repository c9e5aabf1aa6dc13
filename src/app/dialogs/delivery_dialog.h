// The way in: its legs, drawn to scale, and whether each piece comes along them.
#pragma once

#include <QDialog>

#include "app/document/workspace.h"
#include "core/plan/delivery.h"

class QLabel;
class QListWidget;
class QTableWidget;

namespace mezzet {

class StillView;

class DeliveryDialog : public QDialog {
  Q_OBJECT

 public:
  explicit DeliveryDialog(Workspace& workspace, QWidget* parent = nullptr);

 private:
  [[nodiscard]] QWidget* pieces();
  [[nodiscard]] QWidget* legs();
  void fill();
  void fillLegs();
  void draw();
  void typed(int row, int column);
  void take(std::vector<DeliveryLeg>, const QString& verb);
  void move(int by);

  Workspace& workspace_;
  StillView* picture_;
  QLabel *says_, *complaint_;
  QListWidget* pieces_;
  QTableWidget* legs_;
  std::vector<DeliveryAnswer> answers_;
  bool filling_ = false;
};

}  // namespace mezzet
