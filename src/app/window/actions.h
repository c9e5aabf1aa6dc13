// Every action of the window in one table: menus, shortcuts and the shortcut list come from it.
#pragma once

#include <QAction>
#include <QString>
#include <functional>
#include <map>
#include <vector>

class QMenuBar;
class QWidget;

namespace mezzet {

class Workspace;

struct ActionRow {
  const char* id;    ///< objectName
  const char* menu;  ///< "Job", "Edit", "Look", "Print"; a row with id "-" is a line between
  const char* text;
  const char* shortcut;  ///< portable text; "" for none
  const char* tip;
  bool (*enabled)(const Workspace&) = nullptr;  ///< null: always
};

[[nodiscard]] const std::vector<ActionRow>& actionTable();

/// The window's actions by id, with menus filled in table order.
class Actions {
 public:
  Actions(QWidget* window, QMenuBar* bar);
  /// Enables what can be done now.
  void follow(const Workspace&);
  /// What can be done with the selection, or with the sheet when nothing is selected.
  void fill(QMenu&, const Workspace&) const;
  QAction* operator[](const char* id) const { return actions_.at(id); }

 private:
  std::map<std::string, QAction*> actions_;
};

}  // namespace mezzet
