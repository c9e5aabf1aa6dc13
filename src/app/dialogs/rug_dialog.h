// Rugs and carpet: which rug takes the group, where a hall's carpet may end, how broadloom is cut, what it is made of.
#pragma once

#include <QDialog>

#include "app/document/worker.h"
#include "app/document/workspace.h"
#include "core/decide/which_rug.h"

class QLabel;
class QPushButton;
class QVBoxLayout;

namespace mezzet {

class RugDialog : public QDialog {
  Q_OBJECT

 public:
  explicit RugDialog(Workspace& workspace, QWidget* parent = nullptr);
  ~RugDialog() override;
  [[nodiscard]] bool working() const { return worker_.busy(); }

 private:
  [[nodiscard]] QWidget* groupPage();
  [[nodiscard]] QWidget* stopPage();
  [[nodiscard]] QWidget* rollPage();
  [[nodiscard]] QWidget* fibrePage();
  void showWhich(const std::optional<WhichRug>&);
  void showRoll();
  void addBegin(const Room&, const std::vector<double>& rolls);
  void addPrices();
  void showFibres();
  /// A button that lays a rug, and shows where while it is pointed at.
  [[nodiscard]] QPushButton* laying(const QString& text, const char* name, const Piece&, const FloorPlace&);
  void addLaying(QVBoxLayout*, const QString& text, const char* name, const Piece&, const FloorPlace&);
  void setCarpet(std::optional<Broadloom>);

  Workspace& workspace_;
  QLabel* which_ = nullptr;
  QVBoxLayout* laying_ = nullptr;
  QVBoxLayout* roll_ = nullptr;
  QLabel* fibres_ = nullptr;
  std::vector<RugUse> uses_;
  Worker worker_;
};

}  // namespace mezzet
