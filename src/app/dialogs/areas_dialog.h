// The room in areas, and what the scheme takes out of it.
#pragma once

#include <QDialog>

#include "app/document/workspace.h"
#include "core/choose/areas.h"

class QVBoxLayout;

namespace mezzet {

class AreaPlan;

class AreasDialog : public QDialog {
  Q_OBJECT

 public:
  explicit AreasDialog(Workspace& workspace, QWidget* parent = nullptr);

 private:
  void rebuild();
  void addWays(QVBoxLayout* rows);
  void addAreas(QVBoxLayout* rows);
  void addTakenOut(QVBoxLayout* rows);
  void take(const QString& what, std::vector<RoomArea> areas, const IdSource& ids);
  /// One more, where there is one.
  void add(const QString& what, std::optional<RoomArea> fresh, const IdSource& ids);
  /// An area round what is selected.
  void roundSelection();

  Workspace& workspace_;
  QVBoxLayout* rows_;
  AreaPlan* plan_;
};

}  // namespace mezzet
