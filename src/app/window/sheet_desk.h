// The sheets one over the other, with a quiet row on their lower edge.
#pragma once

#include <QStackedWidget>

namespace mezzet {

class SheetDesk : public QStackedWidget {
  Q_OBJECT

 public:
  using QStackedWidget::QStackedWidget;
  /// Lies over the lower left corner of whatever sheet is shown, as wide as it wants to be.
  void setEdge(QWidget*);
  /// Lies over the lower right corner, while it is shown.
  void setCorner(QWidget*);
  /// Again, when it wants another width.
  void placeEdge();

 protected:
  void resizeEvent(QResizeEvent*) override;

 private:
  QWidget *edge_ = nullptr, *corner_ = nullptr;
};

}  // namespace mezzet
