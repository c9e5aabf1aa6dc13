#include "app/stages/measure/survey_panel.h"

#include <QCheckBox>
#include <QEvent>
#include <QLabel>
#include <QLineEdit>
#include <QPainter>
#include <QPushButton>
#include <QSettings>
#include <QVBoxLayout>
#include <algorithm>

#include "app/ledger/gauge.h"
#include "app/stages/measure/residual_bar.h"
#include "app/widgets/layouts.h"
#include "app/widgets/length_field.h"
#include "app/widgets/style.h"
#include "core/entry/reading_line.h"
#include "core/survey/survey_words.h"
#include "render/palette.h"

namespace mezzet {
namespace {

/// "AB", "C/A" for an offset, "\u2220B", "A door" for what stands on a wall: fits the row.
QString shortName(const Reading& r) {
  const QString from = QString::fromStdString(r.from.value), to = QString::fromStdString(r.to.value);
  switch (r.kind) {
    case ReadingKind::Angle: return QStringLiteral("\u2220") + from;
    case ReadingKind::Offset: return from + QStringLiteral("/") + to;
    case ReadingKind::Width: return from + QStringLiteral(" w");
    case ReadingKind::Sagitta: return from + QStringLiteral(" )");
    case ReadingKind::Run:
    case ReadingKind::Corners: break;
  }
  return from + to;
}

/// Scaled off a plan, and taped since: it stands behind a fold.
bool outranked(const std::vector<Reading>& readings, const Reading& plan) {
  return !plan.superseded &&
         std::any_of(readings.begin(), readings.end(), [&](const Reading& tape) { return outranks(tape, plan); });
}

}  // namespace

SurveyPanel::SurveyPanel(Workspace& workspace, QWidget* parent) : QWidget(parent), workspace_(workspace) {
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(6);
  column->addWidget(words(tr("Readings"), "panelTitle"));
  auto* said = new QHBoxLayout;
  said->setSpacing(8);
  verdict_ = new QVBoxLayout;
  said->addLayout(verdict_);
  closure_ = words({}, "closure");
  said->addWidget(closure_, 1);
  column->addLayout(said);
  next_ = words({}, "quietNote");
  column->addWidget(next_);
  measureNext_ = new QPushButton;
  measureNext_->setObjectName(QStringLiteral("measureNext"));
  connect(measureNext_, &QPushButton::clicked, this, [this] {
    const auto& report = workspace_.survey();
    if (!report) return;
    const auto& names = workspace_.surveyNetwork().corners;
    if (report->suspects.ask && !report->suspects.named)
      asked_ = std::pair{CornerId(names[report->suspects.ask->first]), CornerId(names[report->suspects.ask->second])};
    else if (report->next) asked_ = std::pair{CornerId(names[report->next->from]), CornerId(names[report->next->to])};
    echo();
    line_->setFocus(Qt::TabFocusReason);
  });
  column->addWidget(measureNext_);
  line_ = new QLineEdit;
  line_->setObjectName(QStringLiteral("readingLine"));
  line_->setProperty(kTakesLength, true);
  line_->setAccessibleName(tr("A reading: two corners and what the tape reads"));
  line_->installEventFilter(this);
  connect(line_, &QLineEdit::textChanged, this, &SurveyPanel::echo);
  connect(line_, &QLineEdit::returnPressed, this, &SurveyPanel::take);
  column->addWidget(line_);
  complaint_ = words({}, "quietNote");
  column->addWidget(complaint_);
  rows_ = new QVBoxLayout;
  rows_->setSpacing(4);
  column->addLayout(rows_);
  column->addWidget(words(tr("Square corners"), "subject"));
  corners_ = new QVBoxLayout;
  corners_->setSpacing(2);
  column->addLayout(corners_);
  auto* ellipses = new QCheckBox(tr("Show how sure each corner is"));
  ellipses->setObjectName(QStringLiteral("ellipses"));
  ellipses->setToolTip(tr("Ellipses that hold the corner in 95 of 100 cases, drawn twenty times as large"));
  connect(ellipses, &QCheckBox::toggled, &workspace_, &Workspace::showEllipses);
  column->addWidget(ellipses);
  auto* by = new QHBoxLayout;
  by->addWidget(words(tr("Read by"), "quietNote"));
  auto* reader = new QLineEdit(QSettings().value(QString::fromUtf8(kReaderKey)).toString());
  reader->setObjectName(QStringLiteral("readBy"));
  reader->setAccessibleName(tr("Who reads the tape"));
  reader->setMaxLength(60);
  reader->setPlaceholderText(tr("a name, kept with each reading"));
  connect(reader, &QLineEdit::editingFinished, this,
          [reader] { QSettings().setValue(QString::fromUtf8(kReaderKey), reader->text().trimmed()); });
  by->addWidget(reader, 1);
  column->addLayout(by);
  auto* buttons = new QHBoxLayout;
  auto* readOut = new QPushButton(tr("Read-out ..."));
  readOut->setObjectName(QStringLiteral("readOut"));
  readOut->setToolTip(tr("One wall at a time in large figures, for one hand on site"));
  connect(readOut, &QPushButton::clicked, this, &SurveyPanel::readOutWanted);
  auto* sketch = new QPushButton(tr("Sketch ..."));
  sketch->setObjectName(QStringLiteral("sketch"));
  sketch->setToolTip(tr("Add or take out a wall, or change which way a corner turns"));
  connect(sketch, &QPushButton::clicked, this, &SurveyPanel::sketchWanted);
  buttons->addWidget(readOut);
  buttons->addWidget(sketch);
  buttons->addStretch(1);
  column->addLayout(buttons);
  connect(&workspace_, &Workspace::jobChanged, this, [this](const JobChange& what) {
    if (what.rooms || what.house) rebuild();
  });
  connect(&workspace_, &Workspace::viewChanged, this, &SurveyPanel::rebuild);
  rebuild();
}

std::optional<std::pair<CornerId, CornerId>> SurveyPanel::expected() const {
  if (asked_) return asked_;
  const Room* room = workspace_.room();
  return room != nullptr && room->survey ? expectedRun(*room->survey) : std::nullopt;
}

void SurveyPanel::echo() {
  const Room* room = workspace_.room();
  if (room == nullptr || !room->survey) return;
  const auto pair = expected();
  line_->setPlaceholderText(
      pair ? tr("%1%2: tape reads")
                 .arg(QString::fromStdString(pair->first.value), QString::fromStdString(pair->second.value))
           : tr("corners and reading: AC 268"));
  const ReadingLine read =
      readReadingLine(line_->text().toStdString(), *room->survey, pair, workspace_.job().units, workspace_.format());
  named(complaint_, read.complaint.empty() ? "quietNote" : "fieldComplaint");
  complaint_->setText(!read.complaint.empty() ? QString::fromStdString(read.complaint)
                      : read.reading          ? onScreen(read.echo)
                                              : tr("Also: laser, photo, skirting, \u00b11/4, B angle 92"));
}

void SurveyPanel::take() {
  const Room* room = workspace_.room();
  if (room == nullptr || !room->survey) return;
  ReadingLine read = readReadingLine(line_->text().toStdString(), *room->survey, expected(), workspace_.job().units,
                                     workspace_.format());
  if (!read.reading) {
    line_->setCursorPosition(static_cast<int>(read.at));
    return;
  }
  // The corners are part of what was typed, also where they were expected.
  if (const auto fault = workspace_.read(*std::move(read.reading))) {
    named(complaint_, "fieldComplaint");
    complaint_->setText(QString::fromStdString(fault->text()) + QStringLiteral("."));
    return;
  }
  asked_.reset();
  line_->clear();
  line_->setFocus();
}

void SurveyPanel::addReading(const Reading& reading, std::size_t observation) {
  const auto& report = workspace_.survey();
  auto* row = new QHBoxLayout;
  row->setSpacing(6);
  const QString name = shortName(reading);
  auto* tag = new QLabel(name);
  tag->setObjectName(QStringLiteral("subject"));
  tag->setFixedWidth(34);
  row->addWidget(tag);
  const QString spoken = QString::fromStdString(readingName(reading));
  auto* field = new LengthField(tr("Reading of %1").arg(spoken), [this, reading](const QString& t) {
    const Room* room = workspace_.room();
    const std::string place = linePlace(reading);
    ReadingLine read = readReadingLine(place + t.toStdString(), *room->survey, std::nullopt, workspace_.job().units,
                                       workspace_.format());
    if (!read.reading)
      return LengthReading{std::nullopt, read.at > place.size() ? read.at - place.size() : 0, read.complaint};
    read.reading->typed = t.toStdString();
    // Leaving the field after Enter takes the same text once more: that is no second reading.
    for (const Reading& r : room->survey->readings)
      if (!r.superseded && r.kind == reading.kind && r.from == reading.from && r.to == reading.to &&
          r.typed == read.reading->typed && r.value == read.reading->value)
        return LengthReading{0.0, 0, {}};
    if (const auto fault = workspace_.read(*std::move(read.reading), reading.id))
      return LengthReading{std::nullopt, 0, fault->text() + "."};
    return LengthReading{0.0, 0, {}};
  });
  field->setObjectName(QStringLiteral("reading") + name);
  field->setComplaintLabel(complaint_);
  field->setFixedWidth(120);
  field->show(QString::fromStdString(readingWords(reading, workspace_.format())));
  field->installEventFilter(this);
  field->setProperty("reading", QString::fromStdString(reading.id.value));
  row->addWidget(field);
  const bool known = report.ok() && observation < report->status.size();
  auto* bar = new ResidualBar(known ? report->rows[observation].w : 0,
                              known ? report->status[observation] : ReadingStatus::Unchecked);
  row->addWidget(bar);
  field->setAccessibleDescription(bar->toolTip());
  auto* out = new QPushButton(QStringLiteral("\u00d7"));
  out->setObjectName(QStringLiteral("takeOut") + name);
  out->setAccessibleName(tr("Take the reading of %1 out").arg(spoken));
  out->setToolTip(out->accessibleName());
  out->setFixedWidth(30);
  connect(out, &QPushButton::clicked, this, [this, id = reading.id] { workspace_.takeReadingOut(id); });
  row->addWidget(out);
  row->addStretch(1);
  rows_->addLayout(row);
  QStringList notes;
  if (reading.instrument == Instrument::Laser) notes << tr("laser");
  if (reading.instrument == Instrument::Plan) notes << tr("from a plan");
  if (reading.instrument == Instrument::Photograph) notes << tr("from a photograph: check before ordering");
  if (reading.takenAt != TakenAt::Chest)
    notes << (reading.takenAt == TakenAt::Skirting ? tr("at the skirting") : tr("at the ceiling"));
  if (reading.kind == ReadingKind::Width)
    notes << (reading.atTrim ? tr("opening, between the trims") : tr("opening, between the jambs"));
  if (reading.kind == ReadingKind::Sagitta) notes << tr("bow of the wall at its middle");
  if (!reading.who.empty() || !reading.when.empty())
    field->setToolTip(tr("Read %1 %2").arg(QString::fromStdString(reading.when), QString::fromStdString(reading.who)));
  if (!reading.note.empty()) notes << QString::fromStdString(reading.note);
  if (!notes.isEmpty()) {
    auto* words_ = words(notes.join(QStringLiteral(", ")), "quietNote");
    words_->setContentsMargins(40, 0, 0, 0);
    rows_->addWidget(words_);
  }
}

void SurveyPanel::addCorners() {
  const Room& room = *workspace_.room();
  const auto& report = workspace_.survey();
  for (std::size_t i = 0; i < room.survey->corners.size(); ++i) {
    const SketchCorner& c = room.survey->corners[i];
    const QString letter = QString::fromStdString(c.id.value);
    const bool known = report.ok() && i < report->certainty.corners.size();
    const QString state = known ? QString::fromUtf8(certaintyWords(report->certainty.corners[i])) : tr("not fixed yet");
    // A corner left free is never "assumed square": without readings it is simply open.
    auto* box = new QCheckBox(c.square || !known || report->certainty.corners[i] != Certainty::Assumed
                                  ? tr("%1   %2").arg(letter, state)
                                  : tr("%1   free").arg(letter));
    box->setObjectName(QStringLiteral("square") + letter);
    box->setAccessibleName(tr("Corner %1 is square").arg(letter));
    box->setChecked(c.square);
    connect(box, &QCheckBox::toggled, this, [this, id = c.id](bool square) { workspace_.takeAsSquare(id, square); });
    corners_->addWidget(box);
  }
}

void SurveyPanel::showVerdict() {
  const SurveyNetwork& network = workspace_.surveyNetwork();
  const auto& report = workspace_.survey();
  QString said, gain, ask;
  if (report.ok()) {
    said = onScreen(closureSentence(network.network, network.corners, *report, workspace_.format()));
    const bool telling = report->suspects.ask && !report->suspects.named;
    if (!telling) gain = onScreen(nextSentence(network.corners, *report, workspace_.format()));
    const auto pair = telling        ? report->suspects.ask
                      : report->next ? std::optional(std::pair{report->next->from, report->next->to})
                                     : std::nullopt;
    if (pair)
      ask = tr("Measure %1 to %2")
                .arg(QString::fromStdString(network.corners[pair->first]),
                     QString::fromStdString(network.corners[pair->second]));
  } else {
    said = onScreen(report.error().text()) + QStringLiteral(".");
    said[0] = said[0].toUpper();
  }
  const bool bad = !report.ok() || report->refused || report->suspects.detected || !report->all.withinLimit();
  emptyLayout(verdict_);
  const bool unchecked = report.ok() && report->all.redundancy <= 0;
  verdict_->addWidget(new VerdictMark(bad         ? Verdict::Breaks
                                      : unchecked ? Verdict::NotMeasured
                                                  : Verdict::Holds),
                      0, Qt::AlignTop);
  closure_->setText(said);
  next_->setText(gain);
  next_->setVisible(!gain.isEmpty());
  measureNext_->setText(ask);
  measureNext_->setVisible(!ask.isEmpty());
}

void SurveyPanel::listReadings(const Room& room) {
  const SurveyNetwork& network = workspace_.surveyNetwork();
  const auto observationOf = [&](std::size_t reading) {
    const auto at = std::find(network.readings.begin(), network.readings.end(), reading);
    return static_cast<std::size_t>(at - network.readings.begin());
  };
  // Walls in their order, then corner to corner, then angles.
  const auto& readings = room.survey->readings;
  for (const SketchCorner& c : room.survey->corners)
    for (std::size_t i = 0; i < readings.size(); ++i)
      if (readings[i].kind == ReadingKind::Run && readings[i].from == c.id && !readings[i].superseded &&
          !outranked(readings, readings[i]))
        addReading(readings[i], observationOf(i));
  for (const ReadingKind kind :
       {ReadingKind::Corners, ReadingKind::Offset, ReadingKind::Angle, ReadingKind::Width, ReadingKind::Sagitta})
    for (std::size_t i = 0; i < readings.size(); ++i)
      if (readings[i].kind == kind && !readings[i].superseded && !outranked(readings, readings[i]))
        addReading(readings[i], observationOf(i));
}

void SurveyPanel::listFolded(const std::vector<Reading>& readings) {
  const auto superseded =
      std::count_if(readings.begin(), readings.end(), [](const Reading& r) { return r.superseded; });
  if (superseded > 0) {
    auto* fold =
        new QPushButton((superseded == 1 ? tr("1 was measured again") : tr("%1 were measured again").arg(superseded)) +
                        (old_ ? tr(", hide") : tr(", show")));
    fold->setObjectName(QStringLiteral("fold"));
    connect(fold, &QPushButton::clicked, this, [this] {
      old_ = !old_;
      QMetaObject::invokeMethod(this, &SurveyPanel::rebuild, Qt::QueuedConnection);
    });
    rows_->addWidget(fold);
    if (old_)
      for (const Reading& r : readings)
        if (r.superseded) {
          rows_->addWidget(words(
              QString::fromStdString(readingName(r) + " read " + readingWords(r, workspace_.format())), "quietNote"));
        }
  }
  const auto behind =
      std::count_if(readings.begin(), readings.end(), [&](const Reading& r) { return outranked(readings, r); });
  if (behind > 0) {
    auto* fold = new QPushButton(tr("%1 from a plan, outranked by the tape").arg(behind) +
                                 (plans_ ? tr(", hide") : tr(", show")));
    fold->setObjectName(QStringLiteral("fold"));
    connect(fold, &QPushButton::clicked, this, [this] {
      plans_ = !plans_;
      QMetaObject::invokeMethod(this, &SurveyPanel::rebuild, Qt::QueuedConnection);
    });
    rows_->addWidget(fold);
    if (plans_)
      for (const Reading& r : readings)
        if (outranked(readings, r))
          rows_->addWidget(
              words(QString::fromStdString(readingName(r) + " on the plan: " + readingWords(r, workspace_.format())),
                    "quietNote"));
  }
}

void SurveyPanel::rebuild() {
  const Room* room = workspace_.room();
  setVisible(room != nullptr && room->survey.has_value());
  if (room == nullptr || !room->survey || workspace_.stage() != Stage::Measure) return;
  const FocusKept kept(this);
  emptyLayout(rows_);
  emptyLayout(corners_);
  showVerdict();
  listReadings(*room);
  listFolded(room->survey->readings);
  addCorners();
  echo();
}

void SurveyPanel::goToLine() { line_->setFocus(Qt::TabFocusReason); }

void SurveyPanel::goToWall(const CornerId& wall) {
  for (LengthField* field : findChildren<LengthField*>())
    if (const Room* room = workspace_.room())
      for (const Reading& r : room->survey->readings)
        if (r.kind == ReadingKind::Run && r.from == wall &&
            r.id.value == field->property("reading").toString().toStdString())
          return field->setFocus(Qt::TabFocusReason);
  line_->setFocus(Qt::TabFocusReason);
}

bool SurveyPanel::eventFilter(QObject* object, QEvent* event) {
  if (event->type() == QEvent::FocusIn && object != line_)
    workspace_.showReading(ReadingId(object->property("reading").toString().toStdString()));
  if (event->type() == QEvent::FocusIn && object == line_) workspace_.showReading({});
  return QWidget::eventFilter(object, event);
}

}  // namespace mezzet
