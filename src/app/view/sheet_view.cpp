#include "app/view/sheet_view.h"

#include <QKeyEvent>
#include <QLabel>
#include <QLineEdit>
#include <QMimeData>
#include <QMouseEvent>
#include <QPainter>
#include <QWheelEvent>
#include <algorithm>
#include <cmath>
#include <utility>

#include "app/widgets/style.h"
#include "app/stages/floor/tray.h"
#include "app/widgets/length_field.h"
#include "core/drawing/plan/plan.h"
#include "core/edit/edits.h"
#include "core/rules/check.h"

namespace mezzet {
namespace {

constexpr double kPixelsPerPaperMm = 96 / 25.4;      // lettering of 2.5 mm is then above 12 px
constexpr double kDragStart = 3;                     // px before a press becomes a drag
constexpr double kSnapReach = 7, kHandleReach = 10;  // px
constexpr double kNearest = 2.5, kFurthest = 0.004;  // device pixels per mm of the room

}  // namespace

SheetView::SheetView(Workspace& workspace, QWidget* parent) : QWidget(parent), workspace_(workspace) {
  setFocusPolicy(Qt::StrongFocus);
  setMouseTracking(true);
  setMinimumSize(320, 240);
  setAcceptDrops(true);
  connect(&workspace_, &Workspace::jobChanged, this, &SheetView::refresh);
  connect(&workspace_, &Workspace::viewChanged, this, [this] {
    cancelDrag();
    closeEditor(false);
    fitted_ = true;
    fit();
  });
  connect(&workspace_, &Workspace::selectionChanged, this, [this] {
    closeEditor(false);
    refreshWorking();
  });
  connect(&workspace_, &Workspace::ghostChanged, this, &SheetView::refreshWorking);
  connect(&workspace_, &Workspace::readingShown, this, &SheetView::refreshWorking);
  connect(&workspace_, &Workspace::layersChanged, this, &SheetView::refreshWorking);
}

double SheetView::scale() const { return kPixelsPerPaperMm / projection_.perMm; }

void SheetView::fit() {
  fitted_ = true;
  if (!isVisible()) return;  // it is composed when it is shown
  // Margins are in mm of paper and the scale depends on them: a few rounds settle it.
  constexpr int kMostRounds = 12;
  constexpr double kSameScale = 1e-5;
  for (int round = 0; round < kMostRounds; ++round) {
    const double before = projection_.perMm;
    const Drawing d = composeStill(scale(), {});
    const double w = std::max(1.0, d.high.x - d.low.x), h = std::max(1.0, d.high.y - d.low.y);
    projection_.perMm = std::clamp(std::min(width() / w, height() / h), kFurthest, kNearest);
    const Vec2 middle = midpoint(d.low, d.high);
    projection_.origin =
        QPointF(width() / 2.0 - middle.x * projection_.perMm, height() / 2.0 + middle.y * projection_.perMm);
    if (std::abs(projection_.perMm - before) < kSameScale * before) break;
  }
  refresh();
}

void SheetView::zoomAt(double factor, QPointF at) {
  const Vec2 fixed = projection_.unmap(at);
  projection_.perMm = std::clamp(projection_.perMm * factor, kFurthest, kNearest);
  projection_.origin = QPointF(at.x() - fixed.x * projection_.perMm, at.y() + fixed.y * projection_.perMm);
  fitted_ = false;
  closeEditor(true);
  refresh();
}

void SheetView::refresh() {
  stillStale_ = true;
  refreshWorking();
}

void SheetView::showEvent(QShowEvent* event) {
  QWidget::showEvent(event);
  if (fitted_) fit();
  else refresh();
}

void SheetView::refreshWorking() {
  if (!isVisible()) return;  // likewise
  moving_ = composeMoving(scale());
  update();
}

void SheetView::rebuildStill() {
  still_ = composeStill(scale(), held_ ? workspace_.selection() : PlacementIds());
  const double ratio = devicePixelRatioF();
  if (stillPixels_.size() != size() * ratio) stillPixels_ = QPixmap(size() * ratio);
  stillPixels_.setDevicePixelRatio(ratio);
  stillPixels_.fill(desk::kPaper);
  QPainter painter(&stillPixels_);
  paintDrawing(painter, still_, projection_, {Palette::screen(), &workspace_.images(), 1});
  stillStale_ = false;
}

void SheetView::paintEvent(QPaintEvent*) {
  if (stillStale_ || stillPixels_.size() != size() * devicePixelRatioF()) rebuildStill();
  QPainter painter(this);
  painter.drawPixmap(0, 0, stillPixels_);
  paintDrawing(painter, moving_, projection_, {Palette::screen(), &workspace_.images(), 1});
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
  closeEditor(true);
  if (fitted_) fit();
  else refresh();
}

// ---- labels that can be typed into

std::optional<QPointF> SheetView::labelAt(const std::string& key) const {
  for (const Item& item : moving_.items)
    if (item.id == key && std::holds_alternative<TextItem>(item.shape)) {
      const TextBox box = textBox(std::get<TextItem>(item.shape), moving_.scale);
      return projection_.map(midpoint(box.low, box.high));
    }
  return std::nullopt;
}

std::string SheetView::itemAt(QPointF point) const {
  const Vec2 p = projection_.unmap(point);
  const auto inText = [&](const Drawing& d) -> std::string {
    for (auto item = d.items.rbegin(); item != d.items.rend(); ++item)
      if (const auto* text = std::get_if<TextItem>(&item->shape); text != nullptr && !item->id.empty()) {
        const TextBox box = textBox(*text, d.scale);
        if (p.x >= box.low.x && p.x <= box.high.x && p.y >= box.low.y && p.y <= box.high.y) return item->id;
      }
    return {};
  };
  if (std::string id = inText(moving_); !id.empty()) return id;
  return inText(still_);
}

QRect SheetView::rectOf(const PlacementId& id) const {
  const Scheme* scheme = workspace_.scheme();
  const Placement* p = scheme != nullptr ? findPlacement(*scheme, id) : nullptr;
  if (p == nullptr) return {};
  const Box extent = extentOf(workspace_.job(), *p);
  return QRectF(projection_.map(extent.low), projection_.map(extent.high)).normalized().toAlignedRect();
}

std::optional<QPointF> SheetView::handle() const {
  for (const Item& item : moving_.items)
    if (item.id == kTurnHandle) return projection_.map(std::get<ArcItem>(item.shape).centre);
  return std::nullopt;
}

bool SheetView::onHandle(QPointF point) const {
  const auto at = handle();
  return at && QLineF(*at, point).length() <= kHandleReach;
}

bool SheetView::editTape(const std::string& key) {
  const auto at = labelAt(key);
  if (!at) return false;
  for (const Item& item : moving_.items)
    if (const auto* text = std::get_if<TextItem>(&item.shape); text != nullptr && item.id == key) {
      openEditor(key, *at, QString::fromStdString(text->text));
      return true;
    }
  return false;
}

void SheetView::openEditor(const std::string& key, QPointF at, const QString& text) {
  closeEditor(true);
  editorKey_ = key;
  editor_ = new QLineEdit(text, this);
  editor_->setObjectName(QStringLiteral("tapeEditor"));
  editor_->setProperty(kTakesLength, true);
  editor_->setAccessibleName(tr("Reading of this tape"));
  editor_->setStyleSheet(style::tapeEditor());
  editor_->setAlignment(Qt::AlignCenter);
  editor_->setFixedSize(112, 30);
  const QPoint corner(static_cast<int>(at.x()) - 56, static_cast<int>(at.y()) - 15);
  editor_->move(std::clamp(corner.x(), 2, std::max(2, width() - 114)),
                std::clamp(corner.y(), 2, std::max(2, height() - 60)));
  editor_->selectAll();
  editor_->show();
  editor_->setFocus();
  connect(editor_, &QLineEdit::returnPressed, this, &SheetView::commitEditor);
  connect(editor_, &QLineEdit::textEdited, this, [this] {
    if (complaint_ != nullptr) complaint_->hide();
  });
  refreshWorking();
}

void SheetView::closeEditor(bool keepFocus) {
  if (editor_ == nullptr) return;
  const bool had = editor_->hasFocus() || keepFocus;
  editor_->deleteLater();
  editor_ = nullptr;
  editorKey_.clear();
  if (complaint_ != nullptr) complaint_->deleteLater();
  complaint_ = nullptr;
  if (had && isVisible()) setFocus();
  refreshWorking();
}

void SheetView::commitEditor() {
  if (editor_ == nullptr) return;
  const std::string key = editorKey_;  // taking it may close the editor
  const LengthReading reading = key.starts_with("finding:") ? workspace_.typeFinding(key.substr(8), editor_->text())
                                                            : workspace_.typeTape(key, editor_->text());
  if (!reading) complain(reading);
  else closeEditor(true);
}

void SheetView::complain(const LengthReading& reading) {
  if (complaint_ == nullptr) {
    complaint_ = new QLabel(this);
    complaint_->setObjectName(QStringLiteral("tapeComplaint"));
    complaint_->setWordWrap(true);
    complaint_->setStyleSheet(style::complaint());
  }
  complaint_->setText(QString::fromStdString(reading.complaint));
  complaint_->setFixedWidth(260);
  complaint_->adjustSize();
  complaint_->move(std::clamp(editor_->x() - 70, 2, std::max(2, width() - 262)),
                   std::min(editor_->y() + 33, height() - complaint_->height() - 2));
  complaint_->show();
  editor_->setCursorPosition(
      static_cast<int>(std::min<std::size_t>(reading.at, static_cast<std::size_t>(editor_->text().size()))));
}

// ---- the hand

void SheetView::cancelDrag() {
  panFrom_.reset();
  if (!held_) return;
  held_.reset();
  bands_.clear();
  guides_.clear();
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
    closeEditor(true);
    held_ = Held{workspace_.job(),
                 workspace_.selectedPlacement()->on,
                 projection_.unmap(event->position()),
                 workspace_.job(),
                 false,
                 true};
    return;
  }
  const std::string label = itemAt(event->position());
  if ((label.starts_with("tape:") || label.starts_with("finding:")) && editTape(label)) return;
  closeEditor(true);
  const PlacementId id = pieceAt(projection_.unmap(event->position()));
  if (more) {
    if (!id.empty()) workspace_.selectAlso(id);
    else lasso_ = QRectF(event->position(), event->position());
    return;
  }
  if (id.empty()) {
    if (!label.empty()) clickedItem(label);
    clickedPlace(projection_.unmap(event->position()));
    workspace_.select({});
    panFrom_ = event->position();
    return;
  }
  workspace_.select(id);
  const Placement* placement = workspace_.selectedPlacement();
  if (!canDrag() || placement == nullptr || placement->locked || workspace_.document().readOnly()) return;
  held_ = Held{workspace_.job(), placement->on, projection_.unmap(event->position()), workspace_.job(), false};
}

void SheetView::mouseMoveEvent(QMouseEvent* event) {
  if (lasso_) {
    lasso_->setBottomRight(event->position());
    return update();
  }
  if (panFrom_) {
    const QPointF by = event->position() - *panFrom_;
    if (std::hypot(by.x(), by.y()) < 1) return;
    projection_.origin += by;
    panFrom_ = event->position();
    fitted_ = false;
    refresh();
    return;
  }
  if (!held_) {
    const std::string over = itemAt(event->position());
    const bool typed = over.starts_with("tape:") || over.starts_with("finding:");
    if (onHandle(event->position())) setCursor(Qt::PointingHandCursor);
    else
      setCursor(typed                                                                 ? Qt::IBeamCursor
                : !pieceAt(projection_.unmap(event->position())).empty() && canDrag() ? Qt::OpenHandCursor
                                                                                      : Qt::ArrowCursor);
    return;
  }
  if (!held_->moved &&
      std::hypot(event->position().x() - pressedAt_.x(), event->position().y() - pressedAt_.y()) < kDragStart)
    return;
  if (!held_->moved) {
    held_->moved = true;
    // They depend on the other things and on the turn, not on where the hand is.
    if (!held_->turning)
      bands_ =
          bandsOf(held_->before, workspace_.book(), workspace_.schemeId(), workspace_.selected(), workspace_.format());
    setCursor(Qt::ClosedHandCursor);
    stillStale_ = true;
  }
  carry(event->position(), event->modifiers());
}

void SheetView::carry(QPointF to, Qt::KeyboardModifiers keys) {
  const bool free = keys & Qt::AltModifier;  // held down, nothing lines up
  const Vec2 now = projection_.unmap(to);
  guides_.clear();
  if (held_->turning) {
    FloorPlace there = floorPlace(held_->from);
    there.turn = turnByHand(*workspace_.room(), there, held_->grabbed, now, free);
    held_->preview = placed(held_->before, workspace_.schemeId(), workspace_.selected(), there);
    return refreshWorking();
  }
  Place there = movedBy(held_->from, now - held_->grabbed);
  if (const Scheme* scheme = findScheme(held_->before, workspace_.schemeId()); !free && scheme != nullptr) {
    Snapped resting = snapped(held_->before, *scheme, workspace_.selected(), there, workspace_.selection(),
                              kSnapReach / projection_.perMm);
    there = resting.place;
    guides_ = std::move(resting.guides);
  }
  held_->preview = workspace_.preview(held_->before, there);
  refreshWorking();
}

void SheetView::selectIn(const QRectF& frame) {
  const QRectF box = frame.normalized();
  for (const PlacementId& id : workspace_.placementsHere()) {
    const Box extent = extentOf(workspace_.job(), *findPlacement(*workspace_.scheme(), id));
    const PlacementIds now = workspace_.selection();
    if (box.contains(projection_.map(midpoint(extent.low, extent.high))) &&
        std::find(now.begin(), now.end(), id) == now.end())
      workspace_.selectAlso(id);
  }
}

void SheetView::mouseReleaseEvent(QMouseEvent*) {
  panFrom_.reset();
  if (lasso_) {
    selectIn(*std::exchange(lasso_, std::nullopt));
    return update();
  }
  if (!held_) return;
  const Held done = *held_;
  held_.reset();
  bands_.clear();
  guides_.clear();
  setCursor(Qt::OpenHandCursor);
  if (done.moved) {
    const Scheme* scheme = findScheme(done.preview, workspace_.schemeId());
    const Placement* p = scheme != nullptr ? findPlacement(*scheme, workspace_.selected()) : nullptr;
    if (p != nullptr)
      workspace_.place(done.turning ? tr("turn") : onWall(p->on) != nullptr ? tr("hang") : tr("move"), p->on);
  }
  refresh();
}

void SheetView::wheelEvent(QWheelEvent* event) {
  if (event->modifiers() & Qt::ShiftModifier) {
    projection_.origin += QPointF(event->angleDelta().y() / 2.0 + event->angleDelta().x() / 2.0, 0);
    fitted_ = false;
    refresh();
    return;
  }
  zoomAt(std::pow(1.0015, event->angleDelta().y()), event->position());
}

// ---- cut-outs from the tray

std::optional<SheetView::Dropped> SheetView::dropped(const QDropEvent& event, IdSource& ids) const {
  const PieceId id(event.mimeData()->data(QString::fromUtf8(kPieceMime)).toStdString());
  const Piece* piece = findPiece(workspace_.job(), id);
  if (piece == nullptr || !takes(*piece)) return std::nullopt;
  const double step = workspace_.handStep();
  const Vec2 p = projection_.unmap(event.position());
  auto added = withPlaced(workspace_.job(), workspace_.book(), workspace_.schemeId(), workspace_.wall(), id, ids,
                          Vec2{std::round(p.x / step) * step, std::round(p.y / step) * step});
  if (!added) return std::nullopt;
  Dropped out{std::move(added).value(), {}};
  if (event.modifiers() & Qt::AltModifier) return out;
  const Scheme& scheme = *findScheme(out.added.job, workspace_.schemeId());
  const PlacementId fresh = out.added.placement;
  Snapped resting =
      snapped(out.added.job, scheme, fresh, findPlacement(scheme, fresh)->on, {}, kSnapReach / projection_.perMm);
  out.added.job = mezzet::placed(out.added.job, workspace_.schemeId(), fresh, resting.place);
  out.guides = std::move(resting.guides);
  return out;
}

void SheetView::dragEnterEvent(QDragEnterEvent* event) {
  if (event->mimeData()->hasFormat(QString::fromUtf8(kPieceMime)) && canDrag() && !workspace_.document().readOnly())
    event->acceptProposedAction();
}

void SheetView::dragMoveEvent(QDragMoveEvent* event) {
  IdSource ids = workspace_.document().ids();
  if (auto there = dropped(*event, ids)) {
    bands_ = bandsOf(there->added.job, workspace_.book(), workspace_.schemeId(), there->added.placement,
                     workspace_.format());
    guides_ = std::move(there->guides);
    workspace_.showGhost(std::move(there->added.job));
    event->acceptProposedAction();
  } else {
    event->ignore();
  }
}

void SheetView::dragLeaveEvent(QDragLeaveEvent*) { dropGhost(); }

void SheetView::dropGhost() {
  bands_.clear();
  guides_.clear();
  workspace_.showGhost(std::nullopt);
}

void SheetView::dropEvent(QDropEvent* event) {
  IdSource ids = workspace_.document().ids();
  const auto drop = dropped(*event, ids);
  dropGhost();
  if (!drop) return;
  const Added* there = &drop->added;
  const Placement* placed = findPlacement(*findScheme(there->job, workspace_.schemeId()), there->placement);
  workspace_.document().edit(tr("place %1").arg(QString::fromStdString(midSentence(pieceOf(there->job, *placed).name))),
                             there->job, ids.next());
  workspace_.select(there->placement);
  setFocus();
  event->acceptProposedAction();
}

// ---- the keyboard

void SheetView::keyPressEvent(QKeyEvent* event) {
  if (event->key() == Qt::Key_Escape) {
    if (held_) cancelDrag();
    else if (editor_ != nullptr) closeEditor(true);
    else workspace_.select({});
    return;
  }
  Vec2 direction;
  switch (event->key()) {
    case Qt::Key_Left: direction = {-1, 0}; break;
    case Qt::Key_Right: direction = {1, 0}; break;
    case Qt::Key_Up: direction = {0, 1}; break;
    case Qt::Key_Down: direction = {0, -1}; break;
    default: QWidget::keyPressEvent(event); return;
  }
  if (workspace_.selectedPlacement() == nullptr) {
    projection_.origin -= QPointF(direction.x * 40, -direction.y * 40);
    fitted_ = false;
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
  if (editor_ == nullptr && workspace_.selectNext(next)) return true;
  return QWidget::focusNextPrevChild(next);
}

bool SheetView::event(QEvent* event) {
  if (event->type() == QEvent::FocusIn || event->type() == QEvent::FocusOut) update();
  // Escape in the tape's editor comes up to here unhandled.
  return QWidget::event(event);
}

}  // namespace mezzet
