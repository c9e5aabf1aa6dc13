// What is rarely asked of lights: what the selected one gives and where it is aimed, circuits with their switches, what
// light is asked for, lights laid evenly, what is above the ceiling.
#pragma once

#include <QDialog>

#include "app/document/workspace.h"
#include "core/decide/adding.h"

class QLabel;
class QVBoxLayout;

namespace mezzet {

class FieldGrid;

class LightDialog : public QDialog {
  Q_OBJECT

 public:
  explicit LightDialog(Workspace& workspace, QWidget* parent = nullptr);
  /// Takes a photometric file in for the selected light. False, with a complaint, where it cannot be read.
  bool takePhotometry(const QString& path);

 private:
  void rebuild();
  void addSelected(QVBoxLayout*);
  void addAim(FieldGrid&, const Placement&);
  void addCircuits(QVBoxLayout*);
  void addTasks(QVBoxLayout*);
  void addLaying(QVBoxLayout*);
  void addCeiling(QVBoxLayout*);
  void putUp(const QString& verb, std::string_view kind,
             const std::function<Result<Added>(const Job&, const PieceId&, IdSource&)>& how);
  void take(const QString& verb, Result<Job> after);
  void complain(const QString& words);
  [[nodiscard]] const Piece* light() const;  ///< the selected one's piece; null when no light is selected

  Workspace& workspace_;
  QVBoxLayout *left_, *right_;
  QLabel* complaint_;
};

}  // namespace mezzet
