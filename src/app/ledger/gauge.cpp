#include "app/ledger/gauge.h"

#include <QPainter>
#include <algorithm>
#include <cmath>

#include "app/widgets/style.h"

namespace mezzet {
namespace {

QColor onPaper(Verdict v) {
  switch (v) {
    case Verdict::Holds: return desk::kHolds;
    case Verdict::Close: return desk::kClose;
    case Verdict::Breaks: return desk::kBreaks;
    case Verdict::NotMeasured: return desk::kNotMeasured;
    case Verdict::Kept: return desk::kKept;
  }
  return desk::kInk;
}

/// On the dark desk the marks are lighter, so that they stand out from it as they do from paper.
QColor colourOf(Verdict v, const QPalette& palette) {
  return palette.color(QPalette::WindowText).lightness() > 128 ? onPaper(v).lighter(150) : onPaper(v);
}

}  // namespace

VerdictMark::VerdictMark(Verdict verdict, QWidget* parent) : QWidget(parent), verdict_(verdict) {
  setFixedSize(18, 18);
  setAccessibleName(QString::fromUtf8(verdictWord(verdict)));
}

void VerdictMark::paintEvent(QPaintEvent*) {
  QPainter p(this);
  p.setRenderHint(QPainter::Antialiasing);
  const QColor colour = colourOf(verdict_, palette());
  const QPointF c(9, 9);
  switch (verdict_) {
    case Verdict::Holds:
      p.setPen(Qt::NoPen);
      p.setBrush(colour);
      p.drawEllipse(c, 5.5, 5.5);
      break;
    case Verdict::Close:
      p.setPen(QPen(colour, 1.8));
      p.drawEllipse(c, 5.2, 5.2);
      p.setBrush(colour);
      p.setPen(Qt::NoPen);
      p.drawPie(QRectF(3.5, 3.5, 11, 11), 90 * 16, 180 * 16);
      break;
    case Verdict::Breaks:
      p.setPen(QPen(colour, 2.8, Qt::SolidLine, Qt::FlatCap));
      p.drawLine(QPointF(4, 4), QPointF(14, 14));
      p.drawLine(QPointF(4, 14), QPointF(14, 4));
      break;
    case Verdict::NotMeasured:
      p.setPen(QPen(colour, 2));
      p.drawEllipse(c, 5, 5);
      break;
    case Verdict::Kept:
      p.setPen(QPen(colour, 1.8));
      p.drawRect(QRectF(3.5, 3.5, 11, 11));
      p.drawPolyline(QPolygonF({QPointF(5.5, 9), QPointF(8, 11.8), QPointF(12.5, 6)}));
      break;
  }
}

Gauge::Gauge(const Finding& f, LengthFormat format, QWidget* parent)
    : QWidget(parent),
      asked_(f.asked),
      ideal_(f.ideal),
      measured_(f.measured),
      u95_(f.u95),
      verdict_(f.verdict),
      format_(format) {
  format_.withUnit = false;
  setFixedHeight(36);
  setAccessibleName(tr("Range"));
  setAccessibleDescription(QString::fromStdString("measured " + writeLength(f.measured, format)));
}

void Gauge::paintEvent(QPaintEvent*) {
  QPainter p(this);
  p.setRenderHint(QPainter::Antialiasing);
  // The scale shows the asked range and the needle with air on both sides.
  const double low = asked_.low.value_or(asked_.high.value_or(0)), high = asked_.high.value_or(low);
  const double air =
      std::max({(high - low) * 0.8, std::abs(measured_ - std::clamp(measured_, low, high)) * 0.25, 25.0});
  const double from = std::min(low, measured_) - air, to = std::max(high, measured_) + air;
  const double left = 6, right = width() - 6.0, y = 12;
  const auto x = [&](double v) { return left + (v - from) / (to - from) * (right - left); };
  p.setPen(QPen(QColor(0xb9, 0xb3, 0xa2), 2));
  p.drawLine(QPointF(left, y), QPointF(right, y));
  p.setPen(Qt::NoPen);
  p.setBrush(QColor(0xbb, 0xd8, 0xcf));
  p.drawRoundedRect(
      QRectF(QPointF(asked_.low ? x(*asked_.low) : left, y - 4), QPointF(asked_.high ? x(*asked_.high) : right, y + 4)),
      2, 2);
  if (ideal_.low || ideal_.high) {
    p.setBrush(desk::kHolds);
    p.drawRect(QRectF(QPointF(ideal_.low ? x(*ideal_.low) : left, y - 1.5),
                      QPointF(ideal_.high ? x(*ideal_.high) : right, y + 1.5)));
  }
  const double half = std::max(1.6, u95_ * (right - left) / (to - from));
  const QColor ink = palette().color(QPalette::WindowText);
  p.setBrush(verdict_ == Verdict::Breaks ? colourOf(verdict_, palette()) : ink);
  p.drawRect(QRectF(x(measured_) - half, y - 8, 2 * half, 16));
  p.setFont(interfaceFont(12));
  p.setPen(ink);
  double last = -1e9;
  for (const auto& end : {asked_.low, asked_.high}) {
    if (!end) continue;
    const QString text = QString::fromStdString(writeLength(*end, format_));
    const double w = p.fontMetrics().horizontalAdvance(text);
    const double at = std::max(last, std::clamp(x(*end) - w / 2, left, right - w));
    p.drawText(QPointF(at, 34), text);
    last = at + w + 6;
  }
}

}  // namespace mezzet
