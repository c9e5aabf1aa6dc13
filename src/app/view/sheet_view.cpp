#include "app/view/sheet_view.h"

#include <QContextMenuEvent>
#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <QWheelEvent>
#include <algorithm>
#include <cmath>
#include <utility>

#include "app/widgets/style.h"
#include "core/drawing/plan/plan.h"
#include "core/edit/edits.h"
#include "core/rules/check.h"

namespace mezzet {
namespace {

constexpr int kEdgeRow = 36;         // of the sheet's lower edge, for its row and the scale bar, px
constexpr double kDragStart = 3;     // px before a press becomes a drag
constexpr double kHandleReach = 10;  // px

}  // namespace

SheetView::SheetView(Workspace& workspace, QWidget* parent)
    : QWidget(parent),
      workspace_(workspace),
      content_([this] { return composeStill(scale(), hand_.holds() ? workspace_.selection() : PlacementIds()); }),
      hand_(workspace, [this](const Place& from, Vec2 by) { return movedBy(from, by); }),
      editor_(*this, [this](const ItemId& item, const QString& text) {
        return item.of == ItemId::Of::Finding ? workspace_.typeFinding(item.id, text) : workspace_.typeTape(item, text);
      }) {
  connect(&editor_, &TapeEditor::changed, this, &SheetView::refreshWorking);
  setFocusPolicy(Qt::StrongFocus);
  setMouseTracking(true);
  setMinimumSize(320, 240);
  setAcceptDrops(true);
  connect(&workspace_, &Workspace::jobChanged, this, &SheetView::refresh);
  connect(&workspace_, &Workspace::viewChanged, this, [this] {
    cancelDrag();
    editor_.close(false);
    fit();
  });
  connect(&workspace_, &Workspace::selectionChanged, this, [this] {
    editor_.close(false);
    refreshWorking();
  });
  connect(&workspace_, &Workspace::ghostChanged, this, &SheetView::refreshWorking);
  connect(&workspace_, &Workspace::readingShown, this, &SheetView::refreshWorking);
  connect(&workspace_, &Workspace::layersChanged, this, &SheetView::refreshWorking);
}

void SheetView::fit() {
  view_.followWindow();
  if (!isVisible()) return;  // it is composed when it is shown
  view_.fit(size() - QSize(0, kEdgeRow), [this](double scale) { return composeStill(scale, {}); });
  refresh();
}

void SheetView::zoomAt(double factor, QPointF at) {
  view_.zoomAt(factor, at);
  editor_.close(true);
  refresh();
}

void SheetView::refresh() {
  content_.outdate();
  stillPixels_.outdate();
  refreshWorking();
}

void SheetView::showEvent(QShowEvent* event) {
  QWidget::showEvent(event);
  if (view_.fitted()) fit();
  else refresh();
}

void SheetView::refreshWorking() {
  if (!isVisible()) return;  // likewise
  content_.show(composeMoving(scale()), hand_.holds());
  update();
}

void SheetView::paintEvent(QPaintEvent*) {
  if (stillPixels_.stale(size(), devicePixelRatioF()))
    stillPixels_.paint(content_.still(), projection(), workspace_.images(), size(), devicePixelRatioF());
  QPainter painter(this);
  const Drawing& words = content_.words();
  painter.drawPixmap(0, 0, stillPixels_.pixels(words, content_.wordsEdition(), projection()));
  paintDrawing(painter, content_.moving(), projection(), {Palette::screen(), &workspace_.images(), 1});
  if (const QString hint = emptyHint(); !hint.isEmpty()) {
    painter.setFont(interfaceFont(15));
    painter.setPen(desk::kInk);
    painter.drawText(rect().adjusted(40, 40, -40, -40), Qt::AlignHCenter | Qt::AlignVCenter | Qt::TextWordWrap, hint);
  }
  if (lasso_) {
    painter.setPen(QPen(desk::kInk, 1, Qt::DashLine));
    painter.setBrush(QColor(244, 196, 48, 40));
    painter.drawRect(lasso_->normalized());
    painter.setBrush(Qt::NoBrush);
  }
  if (hasFocus()) {
    painter.setPen(QPen(desk::kTape, 3));
    painter.drawRect(QRectF(rect()).adjusted(1.5, 1.5, -1.5, -1.5));
  }
}

void SheetView::resizeEvent(QResizeEvent*) {
  editor_.close(true);
  if (view_.fitted()) fit();
  else refresh();
}

// ---- labels that can be typed into

std::optional<QPointF> SheetView::labelAt(const ItemId& key) const {
  const Drawing& moving = content_.moving();
  for (const Item& item : moving.items)
    if (item.id == key && std::holds_alternative<TextItem>(item.shape)) {
      const TextBox box = textBox(std::get<TextItem>(item.shape), moving.scale);
      return projection().map(midpoint(box.low, box.high));
    }
  return std::nullopt;
}

ItemId SheetView::itemAt(QPointF point) const {
  const Vec2 p = projection().unmap(point);
  const auto inText = [&](const Drawing& d) -> ItemId {
    for (auto item = d.items.rbegin(); item != d.items.rend(); ++item)
      if (const auto* text = std::get_if<TextItem>(&item->shape); text != nullptr && !item->id.empty()) {
        const TextBox box = textBox(*text, d.scale);
        if (p.x >= box.low.x && p.x <= box.high.x && p.y >= box.low.y && p.y <= box.high.y) return item->id;
      }
    return {};
  };
  for (const Drawing* drawing : {&content_.moving(), &content_.words()})
    if (ItemId id = inText(*drawing); !id.empty()) return id;
  return inText(content_.still());
}

QRect SheetView::rectOf(const PlacementId& id) const {
  if (workspace_.scheme() == nullptr || findPlacement(*workspace_.scheme(), id) == nullptr) return {};
  const Box extent = workspace_.extentHere(id);
  return QRectF(projection().map(extent.low), projection().map(extent.high)).normalized().toAlignedRect();
}

std::optional<QPointF> SheetView::handle() const {
  for (const Item& item : content_.moving().items)
    if (item.id == ItemId(kTurnHandle)) return projection().map(std::get<ArcItem>(item.shape).centre);
  return std::nullopt;
}

bool SheetView::onHandle(QPointF point) const {
  const auto at = handle();
  return at && QLineF(*at, point).length() <= kHandleReach;
}

bool SheetView::editTape(const ItemId& key) {
  const auto at = labelAt(key);
  if (!at) return false;
  for (const Item& item : content_.moving().items)
    if (const auto* text = std::get_if<TextItem>(&item.shape); text != nullptr && item.id == key) {
      editor_.open(key, *at, QString::fromStdString(text->text));
      return true;
    }
  return false;
}

// ---- the hand

void SheetView::cancelDrag() {
  panFrom_.reset();
  if (!hand_.holds()) return;
  hand_.cancel();
  refresh();
}

void SheetView::mousePressEvent(QMouseEvent* event) {
  setFocus();
  pressedAt_ = event->position();
  if (event->button() == Qt::MiddleButton || event->button() == Qt::RightButton) {
    panFrom_ = event->position();
    return;
  }
  if (event->button() != Qt::LeftButton) return;
  const bool more = event->modifiers() & (Qt::ShiftModifier | Qt::ControlModifier);
  if (onHandle(event->position()) && !more) {
    editor_.close(true);
    hand_.press(projection().unmap(event->position()), true);
    return;
  }
  const ItemId label = itemAt(event->position());
  if (label.isTyped() && editTape(label)) return;
  editor_.close(true);
  const PlacementId id = pieceAt(projection().unmap(event->position()));
  if (more) {
    if (!id.empty()) workspace_.selectAlso(id);
    else lasso_ = QRectF(event->position(), event->position());
    return;
  }
  if (id.empty()) {
    if (!label.empty()) clickedItem(label);
    clickedPlace(projection().unmap(event->position()));
    workspace_.select({});
    panFrom_ = event->position();
    return;
  }
  workspace_.select(id);
  const Placement* placement = workspace_.selectedPlacement();
  if (!canDrag() || placement == nullptr || placement->locked || workspace_.document().readOnly()) return;
  hand_.press(projection().unmap(event->position()), false);
}

void SheetView::mouseMoveEvent(QMouseEvent* event) {
  if (lasso_) {
    lasso_->setBottomRight(event->position());
    return update();
  }
  if (panFrom_) {
    const QPointF by = event->position() - *panFrom_;
    if (std::hypot(by.x(), by.y()) < 1) return;
    view_.pan(by);
    panFrom_ = event->position();
    refresh();
    return;
  }
  if (!hand_.holds()) {
    const bool typed = itemAt(event->position()).isTyped();
    if (onHandle(event->position())) setCursor(Qt::PointingHandCursor);
    else
      setCursor(typed                                                                  ? Qt::IBeamCursor
                : !pieceAt(projection().unmap(event->position())).empty() && canDrag() ? Qt::OpenHandCursor
                                                                                       : Qt::ArrowCursor);
    return;
  }
  if (!hand_.moved()) {
    const QPointF by = event->position() - pressedAt_;
    if (std::hypot(by.x(), by.y()) < kDragStart) return;
    setCursor(Qt::ClosedHandCursor);
    content_.outdate();
    stillPixels_.outdate();
  }
  // With Alt held down nothing lines up.
  hand_.move(projection().unmap(event->position()), event->modifiers() & Qt::AltModifier,
             kSnapReach / projection().perMm);
  refreshWorking();
}

void SheetView::selectIn(const QRectF& frame) {
  const QRectF box = frame.normalized();
  for (const PlacementId& id : workspace_.placementsHere()) {
    const Box extent = workspace_.extentHere(id);
    const PlacementIds now = workspace_.selection();
    if (box.contains(projection().map(midpoint(extent.low, extent.high))) &&
        std::find(now.begin(), now.end(), id) == now.end())
      workspace_.selectAlso(id);
  }
}

void SheetView::contextMenuEvent(QContextMenuEvent* event) {
  // By the mouse the menu comes when the button is let go of: held and moved, it shifts the sheet.
  if (event->reason() == QContextMenuEvent::Mouse) return;
  const QRect at = workspace_.selected().empty() ? rect() : rectOf(workspace_.selected()) & rect();
  emit menuWanted(mapToGlobal(at.center()));
}

void SheetView::mouseReleaseEvent(QMouseEvent* event) {
  panFrom_.reset();
  if (event->button() == Qt::RightButton) {
    const QPointF by = event->position() - pressedAt_;
    if (std::hypot(by.x(), by.y()) >= kDragStart) return;
    const PlacementId id = pieceAt(projection().unmap(event->position()));
    const PlacementIds now = workspace_.selection();
    if (std::find(now.begin(), now.end(), id) == now.end()) workspace_.select(id);
    emit menuWanted(event->globalPosition().toPoint());
    return;
  }
  if (lasso_) {
    selectIn(*std::exchange(lasso_, std::nullopt));
    return update();
  }
  if (!hand_.holds()) return;
  setCursor(Qt::OpenHandCursor);
  hand_.release();
  refresh();
}

void SheetView::wheelEvent(QWheelEvent* event) {
  if (event->modifiers() & Qt::ShiftModifier) {
    view_.pan(QPointF(event->angleDelta().y() / 2.0 + event->angleDelta().x() / 2.0, 0));
    refresh();
    return;
  }
  zoomAt(std::pow(1.0015, event->angleDelta().y()), event->position());
}

// ---- the keyboard

void SheetView::keyPressEvent(QKeyEvent* event) {
  if (event->key() == Qt::Key_Escape) {
    if (hand_.holds()) cancelDrag();
    else if (editor_.isOpen()) editor_.close(true);
    else workspace_.select({});
    return;
  }
  Vec2 direction;
  switch (event->key()) {
    case Qt::Key_Left: direction = {-1, 0}; break;
    case Qt::Key_Right: direction = {1, 0}; break;
    case Qt::Key_Up: direction = {0, 1}; break;
    case Qt::Key_Down: direction = {0, -1}; break;
    case Qt::Key_Return:
    case Qt::Key_Enter:
      if (workspace_.stage() == Stage::HandOver) emit numberBegun({});
      else QWidget::keyPressEvent(event);
      return;
    default:
      if (const QString text = event->text(); text.size() == 1 && text[0].isDigit() && !editor_.isOpen())
        emit numberBegun(text);
      else QWidget::keyPressEvent(event);
      return;
  }
  if (workspace_.selectedPlacement() == nullptr || !canDrag()) {
    view_.pan(QPointF(-direction.x * 40, direction.y * 40));
    refresh();
  } else if (event->modifiers() & Qt::ControlModifier) {
    const bool inches = workspace_.job().units == Unit::Inch, small = event->modifiers() & Qt::ShiftModifier;
    workspace_.nudge(direction * (inches ? (small ? kInch / 16 : kInch) : (small ? 1.0 : 10.0)));
  } else {
    editTape(tapeTowards(direction));
  }
}

bool SheetView::focusNextPrevChild(bool next) {
  // Tab goes through the things on the sheet first, then on to the next part of the window.
  if (!editor_.isOpen() && workspace_.selectNext(next)) return true;
  return QWidget::focusNextPrevChild(next);
}

bool SheetView::event(QEvent* event) {
  if (event->type() == QEvent::FocusIn || event->type() == QEvent::FocusOut) update();
  // Escape in the tape's editor comes up to here unhandled.
  return QWidget::event(event);
}

}  // namespace mezzet
