// The plan picture that is traced: zoomed, panned, pointed at. Pixels of the picture are its model.
#pragma once

#include <QPixmap>
#include <QWidget>
#include <optional>

#include "app/document/workspace.h"
#include "core/survey/trace.h"

namespace mezzet {

/// What a click on the picture sets.
enum class TraceHand { KnownLength, Straighten, Trace };

class TraceView : public QWidget {
  Q_OBJECT

 public:
  explicit TraceView(Workspace& workspace, QWidget* parent = nullptr);
  [[nodiscard]] TraceHand hand() const { return hand_; }
  void setHand(TraceHand);
  /// Points that were set and are no part of the job yet: the ends of a length, corners of the straightening.
  [[nodiscard]] const std::vector<Vec2>& points() const { return points_; }
  void clearPoints();
  void fit();
  void zoom(double factor) { zoomAt(factor, rect().center()); }
  /// Where a point of the picture is seen; for tests.
  [[nodiscard]] QPointF onScreen(Vec2 pixel) const {
    return {origin_.x() + pixel.x * zoom_, origin_.y() + pixel.y * zoom_};
  }

 signals:
  void pointsChanged();
  void traced(const std::vector<Vec2>& corners);  ///< a corner was added, moved or taken out
  void closed();                                  ///< the first corner was clicked again

 protected:
  void paintEvent(QPaintEvent*) override;
  void resizeEvent(QResizeEvent*) override;
  void mousePressEvent(QMouseEvent*) override;
  void mouseMoveEvent(QMouseEvent*) override;
  void mouseReleaseEvent(QMouseEvent*) override;
  void wheelEvent(QWheelEvent*) override;
  void keyPressEvent(QKeyEvent*) override;

 private:
  void paintPicture(QPainter&);
  /// Known lengths, the frame, the trace, and what is being set.
  void paintTrace(QPainter&, const Underlay&);
  void paintLengths(QPainter&, const Underlay&, const std::vector<Vec2>& trace);
  [[nodiscard]] const Underlay* underlay() const;
  [[nodiscard]] Vec2 onPicture(QPointF p) const {
    return {(p.x() - origin_.x()) / zoom_, (p.y() - origin_.y()) / zoom_};
  }
  void reload();
  void zoomAt(double factor, QPointF at);
  void setPoint(Vec2 pixel, bool free);
  void moveCross(QPointF by);

  Workspace& workspace_;
  TraceHand hand_ = TraceHand::KnownLength;
  std::vector<Vec2> points_;
  QString shown_;                 // name of the picture that is loaded
  QPixmap picture_;               // as it is kept
  std::vector<QPixmap> smaller_;  // halved again and again, so that zooming scales no more than four pixels into one
  QPixmap scaled_;                // at this zoom, when smaller than life: panning only copies it
  double scaledZoom_ = 0;
  double zoom_ = 1;  // screen pixels per picture pixel
  QPointF origin_;   // of the picture's upper left corner
  bool fitted_ = true;
  std::optional<QPointF> panFrom_;
  std::optional<std::size_t> held_;  // corner of the trace in the hand
  Vec2 heldAt_;
  std::optional<Vec2> cross_;  // where the keyboard points
  Vec2 hover_;
};

}  // namespace mezzet
