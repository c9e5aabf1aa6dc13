#include "app/widgets/figure_face.h"

#include <QGuiApplication>
#include <QKeyEvent>
#include <QLabel>
#include <QLineEdit>
#include <QScreen>
#include <QVBoxLayout>
#include <algorithm>

#include "app/widgets/length_field.h"

namespace mezzet {

int FigureFace::pixelsFor(double mm, const QWidget* widget) {
  const QScreen* screen = widget->screen() != nullptr ? widget->screen() : QGuiApplication::primaryScreen();
  const double dpi = screen != nullptr ? std::clamp(screen->physicalDotsPerInchY(), 72.0, 400.0) : 96;
  // Figures are about 0.72 of the font's height.
  return static_cast<int>(mm / 25.4 * dpi / 0.72);
}

FigureFace::FigureFace(const char* name, const QString& title, QWidget* parent) : QDialog(parent) {
  setObjectName(QString::fromUtf8(name));
  setWindowTitle(title);
  resize(1120, 660);
  // Sizes stand in the style: the window's own would win over fonts that are set.
  setStyleSheet(QStringLiteral("QDialog { background: #1d2730; } QLabel { color: #f8f4ea; font-size: %1px; } #place { "
                               "color: #f4c430; font-size: %2px; font-weight: bold; }"
                               "#keys { font-size: %3px; color: #c6cfd5; }"
                               "QLabel#shown { font-size: %4px; font-weight: bold; }"
                               "QLineEdit { background: #1d2730; color: #f8f4ea; border: none; border-bottom: 4px "
                               "solid #f4c430; font-weight: bold; selection-background-color: #f4c430; }")
                    .arg(pixelsFor(kEcho, this))
                    .arg(pixelsFor(kPlace, this))
                    .arg(pixelsFor(kKeys, this))
                    .arg(pixelsFor(kFigure, this)));
  column_ = new QVBoxLayout(this);
  column_->setContentsMargins(40, 26, 40, 26);
  place_ = new QLabel;
  place_->setObjectName(QStringLiteral("place"));
  column_->addWidget(place_);
}

QLineEdit* FigureFace::addTyped(QVBoxLayout* column, const QString& name, double mm) {
  figure_ = new QLineEdit;
  figure_->setObjectName(QStringLiteral("figure"));
  figure_->setProperty(kTakesLength, true);
  figure_->setStyleSheet(QStringLiteral("font-size: %1px;").arg(pixelsFor(mm, this)));
  figure_->setMinimumHeight(pixelsFor(mm, this) + 26);
  figure_->setAccessibleName(name);
  figure_->installEventFilter(this);
  column->addWidget(figure_, 1);
  return figure_;
}

bool FigureFace::eventFilter(QObject* object, QEvent* event) {
  if (object == figure_ && event->type() == QEvent::KeyPress) {
    const int key = static_cast<QKeyEvent*>(event)->key();
    switch (key) {
      case Qt::Key_Return:
      case Qt::Key_Enter: return take(), true;
      case Qt::Key_Plus: return step(1), true;
      case Qt::Key_Minus:
        if (figure_->text().isEmpty()) return step(-1), true;
        break;
      default:
        if (pressed(key)) return true;
    }
  }
  return QDialog::eventFilter(object, event);
}

}  // namespace mezzet
