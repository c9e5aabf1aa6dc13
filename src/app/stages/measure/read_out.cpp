#include "app/stages/measure/read_out.h"

#include <QGuiApplication>
#include <QKeyEvent>
#include <QLabel>
#include <QLineEdit>
#include <QScreen>
#include <QVBoxLayout>

#include "app/widgets/layouts.h"
#include "app/widgets/length_field.h"
#include "core/entry/reading_line.h"
#include "core/survey/survey_words.h"

namespace mezzet {
namespace {

constexpr double kFigure = 30, kPlace = 8, kEcho = 4.5, kKeys = 3.5;  // mm, heights of the figures

/// Pixels for a height on this screen, where it tells its size truly.
int pixelsFor(double mm, const QWidget* widget) {
  const QScreen* screen = widget->screen() != nullptr ? widget->screen() : QGuiApplication::primaryScreen();
  const double dpi = screen != nullptr ? std::clamp(screen->physicalDotsPerInchY(), 72.0, 400.0) : 96;
  // Figures are about 0.72 of the font's height.
  return static_cast<int>(mm / 25.4 * dpi / 0.72);
}

}  // namespace

ReadOut::ReadOut(Workspace& workspace, QWidget* parent) : QDialog(parent), workspace_(workspace) {
  setObjectName(QStringLiteral("readOutFace"));
  setWindowTitle(tr("Read-out"));
  resize(1120, 640);
  // Sizes stand in the style: the window's own would win over fonts that are set.
  setStyleSheet(QStringLiteral("QDialog { background: #1d2730; } QLabel { color: #f8f4ea; font-size: %1px; } #place { "
                               "color: #f4c430; font-size: %2px; font-weight: bold; }"
                               "#keys { font-size: %3px; color: #c6cfd5; }"
                               "QLineEdit { background: #1d2730; color: #f8f4ea; border: none; border-bottom: 4px "
                               "solid #f4c430; font-size: %4px; font-weight: bold;"
                               " selection-background-color: #f4c430; }")
                    .arg(pixelsFor(kEcho, this))
                    .arg(pixelsFor(kPlace, this))
                    .arg(pixelsFor(kKeys, this))
                    .arg(pixelsFor(kFigure, this)));
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(40, 26, 40, 26);
  place_ = new QLabel;
  place_->setObjectName(QStringLiteral("place"));
  column->addWidget(place_);
  figure_ = new QLineEdit;
  figure_->setObjectName(QStringLiteral("figure"));
  figure_->setProperty(kTakesLength, true);
  figure_->setMinimumHeight(pixelsFor(kFigure, this) + 30);
  figure_->setAccessibleName(tr("What the tape reads"));
  figure_->installEventFilter(this);
  column->addWidget(figure_, 1);
  echo_ = words({}, "echo");
  echo_->setMinimumHeight(pixelsFor(kEcho, this) * 2);
  column->addWidget(echo_);
  last_ = words({}, "last");
  column->addWidget(last_);
  QString keys = tr("Enter: take it     +: skip     -: back, take again     Esc: end");
  if (workspace_.job().units == Unit::Inch) keys += tr("     A space parts inches from their fraction: 63 1/4");
  keys_ = words(keys, "keys");
  column->addWidget(keys_);
  connect(figure_, &QLineEdit::textChanged, this, [this] {
    const Room* room = workspace_.room();
    const SketchCorner& here = room->survey->corners[at_];
    const SketchCorner& next = room->survey->corners[(at_ + 1) % room->survey->corners.size()];
    const ReadingLine read = readReadingLine(figure_->text().toStdString(), *room->survey, std::pair{here.id, next.id},
                                             workspace_.job().units, workspace_.format());
    echo_->setText(!read.complaint.empty() ? QString::fromStdString(read.complaint) : onScreen(read.echo));
  });
  const Room* room = workspace_.room();
  if (room != nullptr && room->survey)
    if (const auto first = expectedRun(*room->survey))
      for (std::size_t i = 0; i < room->survey->corners.size(); ++i)
        if (room->survey->corners[i].id == first->first) at_ = i;
  show_();
}

void ReadOut::show_() {
  const Room* room = workspace_.room();
  if (room == nullptr || !room->survey) return reject();
  const std::size_t n = room->survey->corners.size();
  const CornerId& from = room->survey->corners[at_ % n].id;
  const CornerId& to = room->survey->corners[(at_ + 1) % n].id;
  place_->setText(tr("%1 to %2").arg(QString::fromStdString(from.value), QString::fromStdString(to.value)));
  figure_->clear();
  QString last = tr("not read yet");
  for (const Reading& r : room->survey->readings)
    if (r.kind == ReadingKind::Run && r.from == from && !r.superseded)
      last = tr("it read %1").arg(workspace_.write(r.value));
  const auto& report = workspace_.survey();
  if (report.ok())
    last += QStringLiteral("     ") +
            onScreen(closureSentence(workspace_.surveyNetwork().network, workspace_.surveyNetwork().corners, *report,
                                     workspace_.format()));
  last_->setText(last);
  figure_->setFocus();
}

void ReadOut::step(int by) {
  const int n = static_cast<int>(workspace_.room()->survey->corners.size());
  at_ = static_cast<std::size_t>((static_cast<int>(at_) + by + n) % n);
  show_();
}

void ReadOut::take() {
  const Room* room = workspace_.room();
  const std::size_t n = room->survey->corners.size();
  ReadingLine read = readReadingLine(figure_->text().toStdString(), *room->survey,
                                     std::pair{room->survey->corners[at_].id, room->survey->corners[(at_ + 1) % n].id},
                                     workspace_.job().units, workspace_.format());
  if (!read.reading) return;
  if (const auto fault = workspace_.read(*std::move(read.reading)))
    return echo_->setText(QString::fromStdString(fault->text()) + QStringLiteral("."));
  step(1);
}

bool ReadOut::eventFilter(QObject* object, QEvent* event) {
  if (object == figure_ && event->type() == QEvent::KeyPress) {
    switch (static_cast<QKeyEvent*>(event)->key()) {
      case Qt::Key_Return:
      case Qt::Key_Enter: return take(), true;
      case Qt::Key_Plus: return step(1), true;
      case Qt::Key_Minus:
        if (figure_->text().isEmpty()) return step(-1), true;
        break;
      default: break;
    }
  }
  return QDialog::eventFilter(object, event);
}

}  // namespace mezzet
