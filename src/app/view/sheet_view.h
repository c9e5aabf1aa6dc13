// A drawing on the sheet: pan, zoom, fit, a cached picture of what stands still, labels that can be typed into.
#pragma once

#include <QPixmap>
#include <QWidget>

#include "app/document/workspace.h"
#include "app/tools/drag_tool.h"
#include "app/view/sheet_content.h"
#include "app/view/still_pixels.h"
#include "app/view/tape_editor.h"
#include "app/view/viewport.h"
#include "core/space/snapping.h"
#include "core/drawing/base/drawing.h"
#include "core/decide/adding.h"
#include "render/painter.h"

namespace mezzet {

/// How near things come before they line up, px.
inline constexpr double kSnapReach = 7;

class SheetView : public QWidget {
  Q_OBJECT

 public:
  SheetView(Workspace& workspace, QWidget* parent = nullptr);

  [[nodiscard]] Workspace& workspace() const { return workspace_; }
  /// Where a placement of this view is seen, in pixels of the widget.
  [[nodiscard]] QRect rectOf(const PlacementId&) const;
  void fit();
  void zoom(double factor) { zoomAt(factor, rect().center()); }
  [[nodiscard]] const Projection& projection() const { return view_.projection(); }
  /// Middle of a label of the working drawing, such as a tape; for tests and for opening its editor.
  [[nodiscard]] std::optional<QPointF> labelAt(const ItemId& key) const;
  /// Opens the editor on a tape of the selected piece; false if there is no such tape.
  bool editTape(const ItemId& key);
  /// Where the selected thing's turning handle stands; nothing when it cannot be turned.
  [[nodiscard]] std::optional<QPointF> handle() const;
  [[nodiscard]] bool dragging() const { return hand_.holds(); }
  void cancelDrag();

 signals:
  /// What can be done with the selection, or here, is asked for at a place of the screen.
  void menuWanted(QPoint at);
  /// A number was begun while the sheet has the keyboard.
  void numberBegun(const QString& digit);

 public slots:
  void refresh();         ///< something drawn has changed
  void refreshWorking();  ///< only selection, tapes or bands have changed

 protected:
  /// The part of the model that the widget shows at a scale.
  [[nodiscard]] std::pair<Vec2, Vec2> visible() const {
    return {projection().unmap({0, double(height())}), projection().unmap({double(width()), 0})};
  }
  /// What stands still, at a scale (mm of the room per mm of paper), without what is in the hand.
  [[nodiscard]] virtual Drawing composeStill(double scale, const PlacementIds& without) const = 0;
  /// What moves: the piece in the hand, selection, tapes, bands, marks.
  [[nodiscard]] virtual Drawing composeMoving(double scale) const = 0;
  /// The topmost thing at a model point that can be selected.
  [[nodiscard]] virtual PlacementId pieceAt(Vec2 model) const = 0;
  /// Where the held placement is after the hand moved by `by` (model mm).
  [[nodiscard]] virtual Place movedBy(const Place&, Vec2 by) const = 0;
  /// The tape that points most nearly along a direction on the screen (model axes).
  [[nodiscard]] virtual ItemId tapeTowards(Vec2 direction) const = 0;
  virtual void clickedItem(const ItemId& /*id*/) {}
  /// A place where nothing can be selected was pointed at.
  virtual void clickedPlace(Vec2 /*model*/) {}
  [[nodiscard]] virtual bool canDrag() const { return true; }
  /// Whether a piece of this kind can be dropped here.
  [[nodiscard]] virtual bool takes(const Piece&) const = 0;
  [[nodiscard]] virtual QString emptyHint() const { return {}; }

  /// The job with the piece in the hand where it is now, else the job itself.
  [[nodiscard]] const Job& shownJob() const { return hand_.shown(); }
  [[nodiscard]] const std::vector<Band>& heldBands() const { return hand_.bands(); }
  [[nodiscard]] const std::vector<Guide>& guides() const { return hand_.guides(); }
  [[nodiscard]] double scale() const { return view_.scale(); }
  [[nodiscard]] ItemId typedInto() const { return editor_.item(); }
  [[nodiscard]] ItemId itemAt(QPointF point) const;

  void paintEvent(QPaintEvent*) override;
  void showEvent(QShowEvent*) override;
  void resizeEvent(QResizeEvent*) override;
  void mousePressEvent(QMouseEvent*) override;
  void mouseMoveEvent(QMouseEvent*) override;
  void mouseReleaseEvent(QMouseEvent*) override;
  void wheelEvent(QWheelEvent*) override;
  void contextMenuEvent(QContextMenuEvent*) override;
  void dragEnterEvent(QDragEnterEvent*) override;
  void dragMoveEvent(QDragMoveEvent*) override;
  void dragLeaveEvent(QDragLeaveEvent*) override;
  void dropEvent(QDropEvent*) override;
  void keyPressEvent(QKeyEvent*) override;
  bool focusNextPrevChild(bool next) override;
  bool event(QEvent*) override;

  Workspace& workspace_;

 private:
  [[nodiscard]] bool onHandle(QPointF point) const;
  void selectIn(const QRectF& frame);
  void zoomAt(double factor, QPointF at);
  /// The job with the dragged cut-outs at a point of the widget; absent when they cannot stand there.
  struct Dropped {
    Job job;
    PlacementIds fresh;
    std::vector<Guide> guides = {};
    std::vector<Band> lit = {};  ///< what is free there and takes them
  };
  [[nodiscard]] std::optional<Dropped> dropped(const QDropEvent&, IdSource& ids) const;
  [[nodiscard]] std::optional<Dropped> droppedOne(const PieceId&, Vec2 at, bool resting, IdSource& ids) const;
  void dropGhost();

  Viewport view_;
  mutable SheetContent content_;  ///< composed when it is asked for
  StillPixels stillPixels_;
  DragTool hand_;
  TapeEditor editor_;
  std::optional<QRectF> lasso_;  // a frame drawn round things to select them
  std::optional<QPointF> panFrom_;
  QPointF pressedAt_;
};

}  // namespace mezzet
