#include "app/stages/walls/wall_picker.h"

#include <QHelpEvent>
#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <QToolTip>

#include "app/stages/stages.h"
#include "app/widgets/style.h"
#include "core/drawing/labels/labels.h"
#include "core/drawing/plan/key_plan.h"

namespace mezzet {
namespace {

constexpr int kWide = 132, kHigh = 108;  // px
constexpr double kPixelsPerPaper = 96 / 25.4;

}  // namespace

WallPicker::WallPicker(Workspace& workspace, QWidget* parent) : QWidget(parent), workspace_(workspace) {
  setObjectName(QStringLiteral("wallPicker"));
  setFixedSize(kWide, kHigh);
  setFocusPolicy(Qt::TabFocus);  // after a click the keys go on to the sheet
  setCursor(Qt::PointingHandCursor);
  setAccessibleDescription(tr("Right and left go round the room, a letter shows its wall"));
  connect(&workspace_, &Workspace::viewChanged, this, &WallPicker::follow);
  connect(&workspace_, &Workspace::jobChanged, this, &WallPicker::follow);
  follow();
}

void WallPicker::follow() {
  const Room* room = workspace_.room();
  setVisible(room != nullptr && rowOf(workspace_.stage()).accepts == Accepts::Wall && !workspace_.foldedOut());
  if (room == nullptr) return;
  drawing_ = composeKeyPlan(*room, workspace_.wall(), kWide / kPixelsPerPaper, kHigh / kPixelsPerPaper);
  settle(drawing_);
  projection_.perMm = kPixelsPerPaper / drawing_.scale;
  projection_.origin = QPointF(-drawing_.low.x * projection_.perMm, drawing_.high.y * projection_.perMm);
  setAccessibleName(tr("Walls of the room; %1 is seen").arg(QString::fromStdString(workspace_.wall().value)));
  update();
}

QPointF WallPicker::placeOf(const CornerId& id) const {
  const auto wall = findWall(*workspace_.room(), id);
  return projection_.map((wall->start + wall->end) * 0.5);
}

std::optional<CornerId> WallPicker::wallAt(QPointF at) const {
  const Room* room = workspace_.room();
  return room != nullptr ? nearestWall(*room, projection_.unmap(at)) : std::nullopt;
}

std::optional<CornerId> WallPicker::lettered(const QKeyEvent& key) const {
  const CornerId id(key.text().toUpper().toStdString());
  const Room* room = workspace_.room();
  return room != nullptr && findWall(*room, id) ? std::optional(id) : std::nullopt;
}

void WallPicker::paintEvent(QPaintEvent*) {
  QPainter p(this);
  p.setRenderHint(QPainter::Antialiasing);
  p.setPen(hasFocus() ? QPen(desk::kTape, 3) : QPen(desk::kInk, 1));
  p.setBrush(desk::kPaper);
  p.drawRoundedRect(QRectF(rect()).adjusted(1, 1, -1, -1), 3, 3);
  paintDrawing(p, drawing_, projection_, {Palette::screen(), nullptr, 1});
}

void WallPicker::mousePressEvent(QMouseEvent* event) {
  if (const auto wall = wallAt(event->position())) workspace_.showWall(*wall);
}

void WallPicker::keyPressEvent(QKeyEvent* event) {
  if (event->key() == Qt::Key_Right || event->key() == Qt::Key_Down) workspace_.stepWall(1);
  else if (event->key() == Qt::Key_Left || event->key() == Qt::Key_Up) workspace_.stepWall(-1);
  else if (const auto wall = lettered(*event)) workspace_.showWall(*wall);
  else QWidget::keyPressEvent(event);
}

bool WallPicker::event(QEvent* event) {
  // Letters are walls here, and no shortcuts.
  if (event->type() == QEvent::ShortcutOverride && lettered(*static_cast<QKeyEvent*>(event))) {
    event->accept();
    return true;
  }
  if (event->type() == QEvent::ToolTip) {
    const auto* help = static_cast<QHelpEvent*>(event);
    if (const auto id = wallAt(help->pos())) {
      const auto wall = findWall(*workspace_.room(), *id);
      QToolTip::showText(help->globalPos(),
                         tr("Wall %1, %2").arg(QString::fromStdString(id->value), workspace_.write(wall->length())),
                         this);
    }
    return true;
  }
  return QWidget::event(event);
}

}  // namespace mezzet
