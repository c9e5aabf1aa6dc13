#include "app/stages/measure/residual_bar.h"

#include <QPainter>
#include <algorithm>

#include "render/palette.h"

namespace mezzet {
namespace {

/// A bar as long as this means that the reading is off by 3.3 sigma, where it no longer passes.
constexpr double kFullBar = 3.29;

}  // namespace

QString wordsOf(ReadingStatus s) {
  switch (s) {
    case ReadingStatus::Ok: return ResidualBar::tr("fits");
    case ReadingStatus::Suspect: return ResidualBar::tr("may be the one that does not fit");
    case ReadingStatus::Named: return ResidualBar::tr("does not fit, and is left out");
    case ReadingStatus::Unchecked: return ResidualBar::tr("nothing checks it");
  }
  return {};
}

ResidualBar::ResidualBar(double w, ReadingStatus status, QWidget* parent) : QWidget(parent), w_(w), status_(status) {
  setFixedSize(56, 22);
  setToolTip(wordsOf(status));
  setAccessibleName(tr("Residual: %1").arg(wordsOf(status)));
}

void ResidualBar::paintEvent(QPaintEvent*) {
  QPainter p(this);
  p.setRenderHint(QPainter::Antialiasing);
  const Palette palette = Palette::screen();
  const double middle = width() / 2.0, y = height() / 2.0;
  p.setPen(QPen(palette(Ink::Fine), 1));
  p.drawLine(QPointF(4, y), QPointF(width() - 4, y));
  p.drawLine(QPointF(middle, y - 7), QPointF(middle, y + 7));
  if (status_ == ReadingStatus::Named || status_ == ReadingStatus::Suspect) {
    p.setPen(QPen(palette(Ink::Breaks), 2.4));
    p.drawLine(QPointF(middle - 5, y - 5), QPointF(middle + 5, y + 5));
    p.drawLine(QPointF(middle - 5, y + 5), QPointF(middle + 5, y - 5));
    return;
  }
  if (status_ == ReadingStatus::Unchecked) {
    p.setPen(QPen(palette(Ink::NotMeasured), 2));
    p.setBrush(Qt::NoBrush);
    p.drawEllipse(QPointF(middle, y), 4.5, 4.5);
    return;
  }
  const double length = std::clamp(w_ / kFullBar, -1.0, 1.0) * (middle - 6);
  p.setPen(Qt::NoPen);
  p.setBrush(palette(Ink::Holds));
  p.drawRect(QRectF(QPointF(middle, y - 4), QPointF(middle + length, y + 4)).normalized().adjusted(-1, 0, 1, 0));
}

}  // namespace mezzet
