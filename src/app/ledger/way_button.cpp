#include "app/ledger/way_button.h"

#include <QEvent>
#include <QPainter>
#include <algorithm>

#include "app/widgets/layouts.h"
#include "app/widgets/style.h"

namespace mezzet {
namespace {

/// Height of a text wrapped at a width.
int wrapped(const QFont& font, const QString& text, int width) {
  return QFontMetrics(font).boundingRect(QRect(0, 0, std::max(40, width), 10000), Qt::TextWordWrap, text).height();
}

}  // namespace

WayButton::WayButton(WayOut way, Workspace& workspace, QWidget* parent)
    : GhostButton({}, workspace, way.job, parent), way_(std::move(way)), from_(workspace.job()) {
  setObjectName(QStringLiteral("way:") + QString::fromStdString(way_.id));
  setAccessibleName(onScreen(way_.sentence));
  setAccessibleDescription(onScreen(way_.gives));
  setToolTip(tr("Do this. One undo takes it back."));
  setCursor(Qt::PointingHandCursor);
  setFixedHeight(heightFor(kLedgerColumn));
  connect(this, &QPushButton::clicked, this, [this] {
    if (workspace_.job() == from_) workspace_.take(way_);
  });
}

int WayButton::heightFor(int width) const {
  return wrapped(interfaceFont(13), onScreen(way_.sentence), width - kLedgerText - 6) +
         wrapped(interfaceFont(12), onScreen(way_.gives), width - kLedgerText - 6) + 10;
}

void WayButton::paintEvent(QPaintEvent*) {
  QPainter p(this);
  p.setRenderHint(QPainter::Antialiasing);
  if (hasFocus() || underMouse()) {
    p.setPen(hasFocus() ? QPen(palette().color(QPalette::WindowText), 2) : QPen(Qt::NoPen));
    p.setBrush(palette().color(QPalette::AlternateBase));
    p.drawRoundedRect(QRectF(rect()).adjusted(1, 1, -1, -1), 3, 3);
  }
  p.setPen(QPen(palette().color(QPalette::Link), 2.2, Qt::SolidLine, Qt::FlatCap));
  p.setBrush(Qt::NoBrush);
  p.drawPolyline(QPolygonF({QPointF(9, 8), QPointF(14, 13), QPointF(9, 18)}));
  const int w = width() - kLedgerText - 6;
  const QString sentence = onScreen(way_.sentence);
  p.setFont(interfaceFont(13));
  p.setPen(palette().color(QPalette::Link));
  const int h = wrapped(p.font(), sentence, w);
  p.drawText(QRect(kLedgerText, 4, w, h), Qt::TextWordWrap, sentence);
  p.setFont(interfaceFont(12));
  p.setPen(palette().color(QPalette::Mid));
  p.drawText(QRect(kLedgerText, 5 + h, w, height() - h), Qt::TextWordWrap, onScreen(way_.gives));
}

}  // namespace mezzet
