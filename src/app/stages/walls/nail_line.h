// In the bar under a wall whose nails are shown: from which end and above which line they are told, and what is done
// with them.
#pragma once

#include <QWidget>

#include "app/document/workspace.h"

namespace mezzet {

class NailLine : public QWidget {
  Q_OBJECT

 public:
  explicit NailLine(Workspace& workspace, QWidget* parent = nullptr);

 signals:
  void complained(const QString& sentence);
  /// One of the window's actions, by its id.
  void actionWanted(const char* id);
};

}  // namespace mezzet
