// The pieces of the tray as paper cut-outs that are dragged onto the sheet.
#pragma once

#include <QPixmap>
#include <QWidget>

#include "app/document/workspace.h"

class QMimeData;

namespace mezzet {

inline constexpr const char* kPieceMime = "application/x-mezzet-piece";
/// The pieces that are dragged; one of which several are picked is there several times.
[[nodiscard]] std::vector<PieceId> piecesIn(const QMimeData&);
/// Lets them be dragged until they are dropped.
void dragPieces(const std::vector<PieceId>&, QObject* from);

/// One piece of the tray, at a scale at which all of them can be compared. Dragged onto the sheet, or placed by Enter;
/// what is picked with Ctrl, Shift or Space goes along, all that are left of it.
class CutOut : public QWidget {
  Q_OBJECT

 public:
  CutOut(const Piece& piece, int left, double pixelsPerMm, Workspace& workspace, QWidget* parent = nullptr);
  [[nodiscard]] const PieceId& piece() const { return piece_.id; }
  [[nodiscard]] int left() const { return left_; }
  [[nodiscard]] bool picked() const { return picked_; }
  void pick(bool on);

 signals:
  void placeWanted();
  void pickWanted(bool on);
  void dragWanted();

 protected:
  void paintEvent(QPaintEvent*) override;
  void mousePressEvent(QMouseEvent*) override;
  void mouseMoveEvent(QMouseEvent*) override;
  void mouseReleaseEvent(QMouseEvent*) override;
  void mouseDoubleClickEvent(QMouseEvent*) override { emit placeWanted(); }
  void keyPressEvent(QKeyEvent*) override;
  void focusInEvent(QFocusEvent*) override { update(); }
  void focusOutEvent(QFocusEvent*) override { update(); }

 private:
  Piece piece_;
  int left_;
  double perMm_;
  Workspace& workspace_;
  QPoint pressed_;
  bool picked_ = false;
};

/// What the tray leaves free above and below its cut-outs, px.
inline constexpr int kTrayEdge = 3;
/// Pixels per mm at which all of these can be compared, each at most so large.
[[nodiscard]] double cutOutScale(const std::vector<const Piece*>&, QSizeF most = {110, 34});
/// A piece alone, without words, its middle in the middle.
[[nodiscard]] QPixmap cutOutPicture(const Workspace&, const Piece&, double pixelsPerMm, QSize, double pixelRatio);

}  // namespace mezzet
