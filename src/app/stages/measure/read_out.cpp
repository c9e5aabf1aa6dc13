#include "app/stages/measure/read_out.h"

#include <QLabel>
#include <QLineEdit>
#include <QVBoxLayout>

#include "app/widgets/layouts.h"
#include "core/entry/reading_line.h"
#include "core/survey/survey_words.h"

namespace mezzet {
ReadOut::ReadOut(Workspace& workspace, QWidget* parent)
    : FigureFace("readOutFace", tr("Read-out"), parent), workspace_(workspace) {
  addTyped(column_, tr("What the tape reads"), kFigure);
  echo_ = words({}, "echo");
  echo_->setMinimumHeight(pixelsFor(kEcho, this) * 2);
  column_->addWidget(echo_);
  last_ = words({}, "last");
  column_->addWidget(last_);
  QString keys = tr("Enter: take it     +: skip     -: back, take again     Esc: end");
  if (workspace_.job().units == Unit::Inch) keys += tr("     A space parts inches from their fraction: 63 1/4");
  keys_ = words(keys, "keys");
  column_->addWidget(keys_);
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

}  // namespace mezzet
