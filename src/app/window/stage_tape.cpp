#include "app/window/stage_tape.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>

#include "app/widgets/style.h"

namespace mezzet {
namespace {

constexpr double kWidestStage = 150, kLeft = 16, kHookEnd = 18;
int countOf() { return static_cast<int>(stageRows().size()); }
const StageRow& rowAt(int index) { return stageRows()[static_cast<std::size_t>(index)]; }
QString nameOf(const StageRow& row) { return StageTape::tr(row.name); }

}  // namespace

StageTape::StageTape(Workspace& workspace, QWidget* parent) : QWidget(parent), workspace_(workspace) {
  setObjectName(QStringLiteral("stageTape"));
  setFocusPolicy(Qt::StrongFocus);
  setFixedHeight(40);
  setMouseTracking(true);
  const auto follow = [this] {
    describe();
    update();
  };
  connect(&workspace_, &Workspace::jobChanged, this, follow);
  for (auto signal : {&Workspace::judged, &Workspace::viewChanged}) connect(&workspace_, signal, this, follow);
  describe();
}

void StageTape::describe() {
  setAccessibleName(tr("Stages of the job"));
  QString text = tr("Now: %1.").arg(nameOf(rowOf(workspace_.stage())));
  for (const StageRow& row : stageRows())
    if (const int broken = row.panel == Panel::Ledger ? row.broken(workspace_) : 0; broken > 0)
      text += tr(" %1: %2 to decide.").arg(nameOf(row)).arg(broken);
  setAccessibleDescription(text);
  setToolTip(text);
}

int StageTape::bladeStages() const {
  int reached = 0;
  for (int i = 0; i < countOf(); ++i)
    if (rowAt(i).reached(workspace_)) reached = i + 1;
  return reached;
}

double StageTape::stageWidth() const { return std::min(kWidestStage, (width() - kLeft - kHookEnd) / countOf()); }

QRectF StageTape::stageRect(int index) const {
  return {kLeft + index * stageWidth(), 0, stageWidth(), static_cast<double>(height())};
}

void StageTape::paintEvent(QPaintEvent*) {
  QPainter p(this);
  p.setRenderHint(QPainter::Antialiasing);
  p.fillRect(rect(), palette().color(QPalette::Shadow));
  // The blade runs from the left edge to its hook a little after the last stage that has something in it.
  const double end = bladeStages() > 0 ? kLeft + bladeStages() * stageWidth() + 10 : kLeft + 6;
  const QRectF blade(0, 3, end, height() - 6);
  p.fillRect(blade, desk::kTape);
  p.setPen(QPen(desk::kInk, 1));
  for (int i = 0; 8.0 * i < end - 12; ++i) {
    const double x = 8.0 * i + 4;
    const double tick = i % 12 == 0 ? 11 : i % 6 == 0 ? 8 : i % 3 == 0 ? 6 : 4;
    p.drawLine(QPointF(x, blade.top()), QPointF(x, blade.top() + tick));
  }
  p.drawLine(QPointF(0, blade.bottom()), QPointF(end, blade.bottom()));
  p.drawLine(QPointF(0, blade.top()), QPointF(end, blade.top()));
  // The hook: a bent plate with two rivets.
  p.setBrush(QColor(0xc9, 0xce, 0xd1));
  p.drawRect(QRectF(end - 7, blade.top() - 1, 7, blade.height() + 4));
  p.setBrush(desk::kInk);
  for (const double y : {blade.top() + 9, blade.bottom() - 9}) p.drawEllipse(QPointF(end - 14, y), 1.6, 1.6);

  for (int i = 0; i < countOf(); ++i) {
    const QRectF r = stageRect(i);
    const bool here = workspace_.stage() == rowAt(i).id, onBlade = i < bladeStages();
    const QString name = nameOf(rowAt(i));
    const int broken = rowAt(i).broken(workspace_);
    p.setFont(interfaceFont(14, true));
    const double textWidth = p.fontMetrics().horizontalAdvance(name);
    const double marks = broken > 0 ? 12 + std::min(broken, 5) * 6 + (broken > 5 ? 12 : 0) : 0;
    const QRectF label(r.left() + 22, 15, textWidth + marks + 22, 21);
    if (here) {
      // The open stage stands in a slot cut from the blade.
      p.setPen(Qt::NoPen);
      p.setBrush(desk::kInk);
      p.drawRoundedRect(label.adjusted(-11, -1, 0, 1), 4, 4);
    }
    p.setPen(here ? desk::kTape : onBlade ? desk::kInk : palette().color(QPalette::BrightText));
    p.drawText(QPointF(label.left(), 31), name);
    if (broken > 0) {
      // One red stroke for each thing that breaks, on a ground on which red can be read.
      const double x = label.left() + textWidth + 9;
      p.setPen(Qt::NoPen);
      p.setBrush(desk::kPaper);
      p.drawRoundedRect(QRectF(x - 3, 17.5, marks - 4, 16), 3, 3);
      p.setPen(QPen(desk::kBreaks, 2.6, Qt::SolidLine, Qt::FlatCap));
      for (int k = 0; k < std::min(broken, 5); ++k) p.drawLine(QPointF(x + 2 + 6 * k, 20), QPointF(x + 2 + 6 * k, 31));
      if (broken > 5) {
        p.setFont(interfaceFont(12, true));
        p.drawText(QPointF(x + 31, 30), QStringLiteral("+"));
      }
    }
  }
  if (hasFocus()) {
    p.setBrush(Qt::NoBrush);
    p.setPen(QPen(palette().color(QPalette::BrightText), 2));
    p.drawRect(QRectF(rect()).adjusted(1, 1, -1, -1));
  }
}

void StageTape::mousePressEvent(QMouseEvent* event) {
  for (int i = 0; i < countOf(); ++i)
    if (stageRect(i).contains(event->position())) workspace_.showStage(rowAt(i).id);
}

void StageTape::mouseMoveEvent(QMouseEvent* event) {
  const bool over = event->position().x() >= kLeft && event->position().x() <= kLeft + countOf() * stageWidth();
  setCursor(over ? Qt::PointingHandCursor : Qt::ArrowCursor);
}

void StageTape::keyPressEvent(QKeyEvent* event) {
  const int now = static_cast<int>(workspace_.stage());
  if (event->key() == Qt::Key_Right && now + 1 < countOf()) workspace_.showStage(rowAt(now + 1).id);
  else if (event->key() == Qt::Key_Left && now > 0) workspace_.showStage(rowAt(now - 1).id);
  else QWidget::keyPressEvent(event);
}

}  // namespace mezzet
