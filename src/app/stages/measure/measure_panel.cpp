#include "app/stages/measure/measure_panel.h"

#include <QComboBox>
#include <QLabel>
#include <QPushButton>
#include <QShortcut>
#include <QVBoxLayout>
#include <algorithm>

#include "app/widgets/layouts.h"
#include "app/widgets/length_field.h"
#include "app/stages/measure/survey_panel.h"
#include "core/edit/edits.h"
#include "core/edit/validate.h"
#include "core/edit/readings.h"

namespace mezzet {
namespace {

std::vector<Run> blankRoom() { return {4, Run{std::nullopt, 90}}; }

}  // namespace

MeasurePanel::MeasurePanel(Workspace& workspace, QWidget* parent) : QWidget(parent), workspace_(workspace) {
  auto* all = scrollingColumn(this);
  all->setSpacing(6);
  survey_ = new SurveyPanel(workspace_);
  connect(survey_, &SurveyPanel::sketchWanted, this, [this] {
    sketching_ = true;
    taken_.clear();
    reload();
    if (!fields_.empty()) fields_.front()->setFocus(Qt::TabFocusReason);
  });
  connect(survey_, &SurveyPanel::readOutWanted, this, &MeasurePanel::readOutWanted);
  all->addWidget(survey_);
  walk_ = new QWidget;
  all->addWidget(walk_);
  makeWalk();
  makeCeiling(all);
  all->addStretch(1);
  connect(&workspace_, &Workspace::jobChanged, this, [this](const JobChange& what) {
    if (what.rooms || what.house) reload();
  });
  connect(&workspace_, &Workspace::viewChanged, this, &MeasurePanel::reload);
  connect(&workspace_.document(), &Document::draftBroughtBack, this, &MeasurePanel::showDraft);
  reload();
}

void MeasurePanel::makeWalk() {
  auto* column = new QVBoxLayout(walk_);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(6);
  column->addWidget(words(tr("Walls"), "panelTitle"));
  column->addWidget(words(tr("Walk round with the room on your left hand. Type each wall as the tape reads, and which "
                             "way the corner at its end turns."),
                          "quietNote"));
  rows_ = new QVBoxLayout;
  rows_->setSpacing(5);
  column->addLayout(rows_);
  runComplaint_ = words({}, "fieldComplaint");
  runComplaint_->hide();
  column->addWidget(runComplaint_);
  auto* buttons = new QHBoxLayout;
  auto* add = new QPushButton(tr("Add a wall"));
  add->setObjectName(QStringLiteral("addWall"));
  auto* remove = new QPushButton(tr("Remove the last"));
  remove->setObjectName(QStringLiteral("removeWall"));
  connect(add, &QPushButton::clicked, this, &MeasurePanel::addWall);
  connect(remove, &QPushButton::clicked, this, &MeasurePanel::removeWall);
  buttons->addWidget(add);
  buttons->addWidget(remove);
  buttons->addStretch(1);
  column->addLayout(buttons);
  state_ = words({}, "outlineState");
  column->addWidget(state_);
  offers_ = new QVBoxLayout;
  offers_->setSpacing(4);
  column->addLayout(offers_);
  use_ = new QPushButton(tr("Use this outline"));
  use_->setObjectName(QStringLiteral("primary"));
  connect(use_, &QPushButton::clicked, this, &MeasurePanel::useOutline);
  for (const int enter : {Qt::Key_Return, Qt::Key_Enter}) {
    auto* shortcut = new QShortcut(QKeySequence(enter), use_);
    shortcut->setContext(Qt::WidgetShortcut);
    connect(shortcut, &QShortcut::activated, use_, &QPushButton::click);
  }
  column->addWidget(use_);
  keepReadings_ = new QPushButton(tr("Keep them as readings"));
  keepReadings_->setObjectName(QStringLiteral("keepReadings"));
  keepReadings_->setToolTip(tr("Then corner-to-corner lengths check them, and every wall says how sure it is"));
  connect(keepReadings_, &QPushButton::clicked, this, [this] {
    IdSource ids = workspace_.document().ids();
    if (const auto room = roomOfWalk(*workspace_.room(), ids))
      if (const auto after = withRoom(workspace_.job(), *room))
        workspace_.document().edit(tr("keep the readings"), *after, ids.next());
  });
  column->addWidget(keepReadings_);
  leaveSketch_ = new QPushButton(tr("Back to the readings"));
  leaveSketch_->setObjectName(QStringLiteral("leaveSketch"));
  connect(leaveSketch_, &QPushButton::clicked, this, &MeasurePanel::leaveSketch);
  column->addWidget(leaveSketch_);
}

void MeasurePanel::makeCeiling(QVBoxLayout* column) {
  column->addSpacing(8);
  column->addWidget(words(tr("Ceiling"), "subject"));
  auto* ceilingRow = new QHBoxLayout;
  ceilingField_ = new LengthField(tr("Ceiling height"), [this](const QString& t) { return typeCeiling(t); });
  ceilingField_->setObjectName(QStringLiteral("ceiling"));
  ceilingComplaint_ = words({}, "fieldComplaint");
  ceilingComplaint_->hide();
  ceilingField_->setComplaintLabel(ceilingComplaint_);
  ceilingField_->setFixedWidth(130);
  ceilingRow->addWidget(ceilingField_);
  ceilingRow->addWidget(words(tr("above the floor"), "quietNote"), 1);
  column->addLayout(ceilingRow);
  column->addWidget(ceilingComplaint_);
}

void MeasurePanel::showDraft() {
  const WalkDraft draft = *workspace_.document().draft();
  restoring_ = true;  // until it stands here it is not given up
  if (draft.room.empty()) workspace_.beginRoom();
  else workspace_.showRoom(draft.room);
  const Room* room = workspace_.room();
  if (room != nullptr && room->survey) sketching_ = true;
  ceiling_ = draft.ceiling;
  reload();
  restoring_ = false;
  if (room_ != draft.room || draft.runs.size() < 3) return workspace_.document().setDraft(std::nullopt);
  runs_ = draft.runs;
  rebuildRows();
  showState();
}

bool MeasurePanel::changed() const { return runs_ != taken_; }

bool MeasurePanel::walking() const {
  const Room* room = workspace_.room();
  return room == nullptr || !room->survey || sketching_;
}

std::vector<WalkedRun> MeasurePanel::walkedRuns() const {
  std::vector<WalkedRun> out;
  for (const Run& run : runs_)
    out.push_back({run.length, run.length ? workspace_.write(*run.length).toStdString() : std::string(), run.turn});
  return out;
}

Result<Room> MeasurePanel::roomOfWalk(Room room, IdSource& ids) const {
  room.survey = recordOf(walkedRuns(), ids);
  return surveyed(std::move(room));
}

void MeasurePanel::leaveSketch() {
  sketching_ = false;
  taken_.clear();
  reload();
}

void MeasurePanel::reload() {
  const Room* room = workspace_.room();
  if (room == nullptr || room->id != room_) sketching_ = false;
  walk_->setVisible(walking());
  survey_->setVisible(!walking());
  std::vector<Run> now = room != nullptr ? runsOf(room->corners) : blankRoom();
  if (room != nullptr && room->survey) {
    now.clear();
    for (const WalkedRun& run : walkOf(*room)) now.push_back({run.length, run.turn});
  }
  const RoomId id = room != nullptr ? room->id : RoomId();
  if (room == nullptr && ceiling_ == 0) ceiling_ = kUsualCeiling;
  ceilingField_->show(workspace_.write(room != nullptr ? room->ceilingHeight : ceiling_));
  // Once heights were taken they say it.
  const bool taken =
      room != nullptr && std::any_of(room->heights.begin(), room->heights.end(), [](const HeightReading& h) {
        return h.kind != HeightKind::ToFloor && !h.taken.superseded;
      });
  ceilingField_->setEnabled(!taken);
  ceilingField_->setToolTip(taken ? tr("From the heights that were taken; change them under Heights") : QString());
  if (now != taken_ || id != room_ || fields_.empty()) {
    // The outline was changed from elsewhere (undo, another room): what was being typed gives way to it.
    taken_ = runs_ = now;
    room_ = id;
    justTyped_.reset();
    rebuildRows();
  } else {
    for (std::size_t i = 0; i < fields_.size(); ++i)
      if (runs_[i].length) fields_[i]->show(workspace_.write(*runs_[i].length));
  }
  showState();
}

void MeasurePanel::rebuildRows() {
  emptyLayout(rows_);
  fields_.clear();
  for (std::size_t i = 0; i < runs_.size(); ++i) {
    const QString letter = QString::fromStdString(cornerName(i).value);
    auto* row = new QHBoxLayout;
    row->setSpacing(6);
    auto* tag = new QLabel(letter);
    tag->setFixedSize(24, 24);
    tag->setAlignment(Qt::AlignCenter);
    tag->setStyleSheet(
        QStringLiteral("color: #1d2730; border: 1px solid #1d2730; border-radius: 12px; background: #f8f4ea;"));
    row->addWidget(tag);
    auto* field =
        new LengthField(tr("Length of wall %1").arg(letter), [this, i](const QString& t) { return typeRun(i, t); });
    field->setObjectName(QStringLiteral("run") + letter);
    field->setComplaintLabel(runComplaint_);
    field->setPlaceholderText(tr("tape reads"));
    field->setFixedWidth(122);
    if (runs_[i].length) field->show(workspace_.write(*runs_[i].length));
    row->addWidget(field);
    auto* turn = new QComboBox;
    turn->setObjectName(QStringLiteral("turn") + letter);
    turn->setAccessibleName(tr("Corner at the end of wall %1").arg(letter));
    for (const double degrees : {90.0, -90.0, 45.0, -45.0})
      turn->addItem(QString::fromStdString(writeTurn(degrees)), degrees);
    int at = turn->findData(runs_[i].turn);
    if (at < 0) {
      turn->addItem(QString::fromStdString(writeTurn(runs_[i].turn)), runs_[i].turn);
      at = turn->count() - 1;
    }
    // Any other corner is typed: left 30, or 135 as an angle finder reads it inside the room.
    turn->setEditable(true);
    turn->setSizeAdjustPolicy(QComboBox::AdjustToMinimumContentsLengthWithIcon);
    turn->setMinimumContentsLength(8);
    turn->lineEdit()->setAccessibleName(turn->accessibleName());
    turn->setCompleter(nullptr);
    turn->setInsertPolicy(QComboBox::NoInsert);
    turn->setToolTip(tr("Choose, or type a corner: left 30, right 45, or the angle inside the room: 135"));
    turn->setCurrentIndex(at);
    connect(turn, &QComboBox::currentIndexChanged, this, [this, i, turn] {
      if (turn->currentIndex() >= 0) setTurn(i, turn->currentData().toDouble());
    });
    connect(turn->lineEdit(), &QLineEdit::editingFinished, this,
            [this, i, turn] { typeTurn(i, turn->currentText(), turn); });
    row->addWidget(turn, 1);
    rows_->addLayout(row);
    fields_.push_back(field);
  }
}

LengthReading MeasurePanel::typeRun(std::size_t index, const QString& words) {
  if (words.trimmed().isEmpty()) {
    runs_[index].length.reset();
  } else {
    LengthReading reading = workspace_.read(words);
    if (!reading) return reading;
    if (const auto fault = faultOfLength(*reading.length, "")) return {std::nullopt, 0, "A wall " + fault->what + "."};
    runs_[index].length = reading.length;
    fields_[index]->show(workspace_.write(*reading.length));
    if (fields_[index]->hasFocus()) fields_[index]->setText(workspace_.write(*reading.length));
  }
  justTyped_ = index;
  showState();
  if (!fields_[index]->hasFocus()) return {runs_[index].length.value_or(0), 0, {}};
  // On to the next wall that has no reading yet, as one does when walking round; then to the button that takes it.
  for (std::size_t k = 1; k <= runs_.size(); ++k) {
    const std::size_t next = (index + k) % runs_.size();
    if (!runs_[next].length) {
      fields_[next]->setFocus(Qt::TabFocusReason);
      break;
    }
    if (k == runs_.size() && use_->isEnabled()) use_->setFocus(Qt::TabFocusReason);
  }
  return {runs_[index].length.value_or(0), 0, {}};
}

void MeasurePanel::setTurn(std::size_t index, double turn) {
  runs_[index].turn = turn;
  justTyped_.reset();
  showState();
}

void MeasurePanel::typeTurn(std::size_t index, const QString& text, QComboBox* from) {
  if (text == QString::fromStdString(writeTurn(runs_[index].turn))) return;
  const TurnReading reading = readTurn(text.toStdString());
  runComplaint_->setVisible(!reading.turn);
  if (!reading.turn) return runComplaint_->setText(QString::fromStdString(reading.complaint));
  from->setEditText(QString::fromStdString(writeTurn(*reading.turn)));
  setTurn(index, *reading.turn);
}

void MeasurePanel::addWall() {
  runs_.push_back({std::nullopt, 90});
  rebuildRows();
  showState();
  fields_.back()->setFocus(Qt::TabFocusReason);
}

void MeasurePanel::removeWall() {
  if (runs_.size() <= 3) return;
  runs_.pop_back();
  rebuildRows();
  showState();
}

void MeasurePanel::showState() {
  emptyLayout(offers_);
  const Room* room = workspace_.room();
  keepReadings_->setVisible(room != nullptr && !room->survey && !changed());
  leaveSketch_->setVisible(sketching_);
  const auto corners = cornersFromRuns(runs_, workspace_.format());
  // A new room need not close to the sixteenth, nor be read whole: what was read is adjusted together.
  bool adjusts = false;
  const bool anyRead = std::any_of(runs_.begin(), runs_.end(), [](const Run& r) { return r.length.has_value(); });
  if (!corners.ok() && anyRead && (room == nullptr || sketching_)) {
    IdSource ids = workspace_.document().ids();
    adjusts = roomOfWalk(room != nullptr ? *room : Room{}, ids).ok();
  }
  use_->setEnabled((corners.ok() || adjusts) && (changed() || room == nullptr));
  use_->setVisible(changed() || room == nullptr);
  use_->setText(corners.ok() || !adjusts ? tr("Use this outline") : tr("Use what was read"));
  if (!corners.ok()) state_->setText(onScreen(corners.error().text()) + QStringLiteral("."));
  else if (changed()) state_->setText(tr("The walk closes. Use this outline, or go on measuring."));
  else state_->setText(tr("The outline closes."));
  for (const Closing& c : closings(runs_, justTyped_, workspace_.format())) {
    auto* offer = new QPushButton(onScreen(c.sentence));
    offer->setObjectName(QStringLiteral("closing"));
    offer->setToolTip(tr("This length closes the walk. Measure it to be sure."));
    connect(offer, &QPushButton::clicked, this, [this, c] {
      for (const auto& [run, length] : c.lengths) runs_[run].length = length;
      rebuildRows();
      showState();
      use_->setFocus();
    });
    offers_->addWidget(offer);
  }
  const bool drafting = changed() && walking();
  emit draftChanged(drafting ? std::optional(runs_) : std::nullopt, drafting ? justTyped_.value_or(runs_.size()) : 0);
  if (!restoring_)
    workspace_.document().setDraft(drafting ? std::optional(WalkDraft{room_, runs_, ceiling_}) : std::nullopt);
}

void MeasurePanel::useOutline() {
  const auto refuse = [this](const Error& fault) {
    state_->setText(QString::fromStdString(fault.text()) + QStringLiteral("."));
  };
  const auto corners = cornersFromRuns(runs_, workspace_.format());
  const Job& job = workspace_.job();
  IdSource ids = workspace_.document().ids();
  const Room* known = workspace_.room();
  if (known != nullptr && known->survey) {
    const auto after = withSketch(job, room_, walkedRuns(), ids);
    if (!after) return refuse(after.error());
    sketching_ = false;
    taken_ = runs_;
    workspace_.document().edit(tr("new sketch"), *after, ids.next());
  } else if (known != nullptr) {
    if (!corners.ok()) return showState();
    const auto after = withOutline(job, room_, *corners);
    if (!after) return refuse(after.error());
    taken_ = runs_;
    workspace_.document().edit(tr("new outline"), *after);
  } else {
    Room fresh = freshRoom(job, ids);
    fresh.ceilingHeight = ceiling_;
    const RoomId id = fresh.id;
    if (auto room = roomOfWalk(fresh, ids)) {
      fresh = std::move(room).value();
    } else if (corners.ok()) {
      fresh.corners = *corners;  // nothing to adjust: the corners are as they were typed
    } else {
      return refuse(room.error());
    }
    const auto after = withFreshRoom(job, std::move(fresh), ids);
    if (!after) return refuse(after.error());
    if (workspace_.document().edit(tr("measure the room"), *after, ids.next())) workspace_.showRoom(id);
  }
  showState();
  if (!walking()) survey_->goToLine();
}

LengthReading MeasurePanel::typeCeiling(const QString& words) {
  LengthReading reading = workspace_.read(words);
  if (!reading) return reading;
  if (const auto fault = faultOfLength(*reading.length, "")) return {std::nullopt, 0, "A ceiling " + fault->what + "."};
  if (workspace_.room() == nullptr) {
    ceiling_ = *reading.length;
    ceilingField_->show(workspace_.write(ceiling_));
    showState();
    return reading;
  }
  const auto after = withCeiling(workspace_.job(), room_, *reading.length);
  if (!after) return {std::nullopt, 0, after.error().text() + "."};
  workspace_.document().edit(tr("ceiling height"), *after);
  return reading;
}

void MeasurePanel::goToWall(const CornerId& wall) {
  if (!walking()) return survey_->goToWall(wall);
  for (std::size_t i = 0; i < fields_.size(); ++i)
    if (cornerName(i) == wall) fields_[i]->setFocus(Qt::TabFocusReason);
}

}  // namespace mezzet
