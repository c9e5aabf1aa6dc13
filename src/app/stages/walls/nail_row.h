// In the bar under a wall, while nails are asked for: how the selected frame hangs. What is usual is offered in grey
// and never taken by itself.
#pragma once

#include <QWidget>

#include "app/document/workspace.h"

class QHBoxLayout;

namespace mezzet {

class NailRow : public QWidget {
  Q_OBJECT

 public:
  NailRow(Workspace& workspace, const Placement& frame, QWidget* parent = nullptr);
  /// Where its nails go, or what is not known of them.
  [[nodiscard]] QString words() const;

 signals:
  /// What is wrong with what was typed; empty: nothing.
  void complained(const QString& sentence);

 private:
  void choice(const QString& words, const QString& tip, const char* key, const QStringList& options);
  void length(const QString& words, const QString& tip, const char* key, const QString& inGrey);
  [[nodiscard]] QString offered(const std::optional<double>& usual) const;
  void put(std::string_view key, std::optional<double> value);

  Workspace& workspace_;
  PlacementId frame_;
  QHBoxLayout* row_;
};

/// Whether nails are asked for, and the selected thing is a frame that hangs by some.
[[nodiscard]] bool asksNails(const Workspace&, const Placement&);

}  // namespace mezzet
