#include "app/stages/floor/piece_bar.h"

#include <QHBoxLayout>
#include <QLabel>
#include <QPushButton>
#include <QVBoxLayout>

#include "app/widgets/layouts.h"
#include "app/widgets/length_field.h"
#include "core/site/heights.h"
#include "core/drawing/wall/elevation.h"
#include "core/drawing/base/working.h"

namespace mezzet {
namespace {

QString turnText(double degrees) {
  QString text = QString::number(degrees, 'f', 2);
  while (text.endsWith(QChar('0'))) text.chop(1);
  if (text.endsWith(QChar('.'))) text.chop(1);
  return text + QChar(0xB0);
}

}  // namespace

PieceBar::PieceBar(Workspace& workspace, QWidget* parent) : QWidget(parent), workspace_(workspace) {
  setObjectName(QStringLiteral("bar"));
  setAttribute(Qt::WA_StyledBackground);
  setFixedHeight(70);  // never by what is selected: the sheet would move under the hand
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(14, 8, 14, 4);
  column->setSpacing(2);
  row_ = new QHBoxLayout;
  row_->setSpacing(8);
  column->addLayout(row_);
  complaint_ = new QLabel;
  complaint_->setObjectName(QStringLiteral("barHint"));
  column->addWidget(complaint_);
  connect(&workspace_, &Workspace::selectionChanged, this, &PieceBar::rebuild);
  connect(&workspace_, &Workspace::viewChanged, this, &PieceBar::rebuild);
  connect(&workspace_, &Workspace::jobChanged, this, [this] {
    workspace_.selected() == shown_&& workspace_.stage() == shownStage_&& workspace_.selection().size() == shownCount_
        ? refresh()
        : rebuild();
  });
  rebuild();
}

void PieceBar::rebuild() {
  emptyLayout(row_);
  fields_.clear();
  complaint_->clear();
  shown_ = workspace_.selected();
  shownStage_ = workspace_.stage();
  shownCount_ = workspace_.selection().size();
  const Placement* p = workspace_.selectedPlacement();
  const auto label = [&](const QString& words, const char* name) {
    auto* l = new QLabel(words);
    l->setObjectName(QString::fromUtf8(name));
    row_->addWidget(l);
    return l;
  };
  const auto button = [&](const QString& words, const char* name, void (PieceBar::*signal)()) {
    auto* b = new QPushButton(words);
    b->setObjectName(QString::fromUtf8(name));
    connect(b, &QPushButton::clicked, this, signal);
    row_->addWidget(b);
  };
  const StageRow& stage = rowOf(workspace_.stage());
  if (stage.accepts == Accepts::Nothing) {
    label(stage.hint(workspace_), "barHint");
    row_->addStretch(1);
    return;
  }
  if (p == nullptr) {
    const bool walls = stage.accepts == Accepts::Wall;
    if (walls) {
      button(tr("Wall before"), "wallBefore", &PieceBar::previousWall);
      button(tr("Next wall"), "wallAfter", &PieceBar::nextWall);
    }
    button(walls ? tr("Hang a picture ...") : tr("Add a piece ..."), "addPiece", &PieceBar::addWanted);
    label(stage.hint(workspace_), "barHint");
    row_->addStretch(1);
    return;
  }
  if (const PlacementIds all = workspace_.selection(); all.size() > 1) {
    label(tr("%1 pieces, led by %2").arg(all.size()).arg(workspace_.nameOf(*p)), "barName");
    const auto act = [&](const QString& words, const char* name, auto slot) {
      auto* b = new QPushButton(words);
      b->setObjectName(QString::fromUtf8(name));
      connect(b, &QPushButton::clicked, this, slot);
      row_->addWidget(b);
    };
    if (groupOf(*p).empty()) act(tr("Group"), "barGroup", [this] { workspace_.group(); });
    else act(tr("Part the group"), "barUngroup", [this] { workspace_.ungroup(); });
    act(tr("Line up left"), "barLeft", [this] { workspace_.align(Line::Left); });
    act(tr("centres"), "barCentre", [this] { workspace_.align(Line::Centre); });
    act(tr("bottom"), "barBottom", [this] { workspace_.align(Line::Bottom); });
    if (all.size() > 2) act(tr("Equal gaps"), "barSpread", [this] { workspace_.spreadOut(true); });
    row_->addStretch(1);
    hint(tr("They move together. The menu Arrange has every edge, and gaps upwards; the leading piece stays."));
    return;
  }
  label(workspace_.nameOf(*p), "barName");
  const auto field = [&](const QString& words, const std::string& key, int width, LengthField::Commit commit) {
    label(words, "barHint");
    auto* f = new LengthField(words, std::move(commit));
    f->setObjectName(QStringLiteral("bar:") + QString::fromStdString(key));
    f->setFixedWidth(width);
    row_->addWidget(f);
    fields_.emplace_back(key, f);
  };
  const auto tape = [&](const QString& words, const std::string& key) {
    field(words, key, 96, [this, key](const QString& t) {
      LengthReading reading = workspace_.typeTape(key, t);
      complain(reading);
      return reading;
    });
  };
  if (onFloor(p->on) != nullptr) {
    tape(tr("front"), tapeKey(Side::Front));
    tape(tr("right"), tapeKey(Side::Right));
    tape(tr("back"), tapeKey(Side::Back));
    tape(tr("left"), tapeKey(Side::Left));
    field(tr("turned"), "turn", 66, [this](const QString& t) {
      LengthReading reading = workspace_.typeTurn(t);
      complain(reading);
      return reading;
    });
  } else {
    tape(tr("left"), tapeKey(Side::Left));
    tape(tr("right"), tapeKey(Side::Right));
    tape(tr("below"), tapeKey(Side::Down));
    tape(tr("above"), tapeKey(Side::Up));
    tape(tr("centre"), kCentreKey);
  }
  button(tr("Sizes ..."), "sizes", &PieceBar::sizesWanted);
  row_->addStretch(1);
  hint(onFloor(p->on) != nullptr
           ? tr("An arrow key opens the tape on that side; Ctrl and an arrow moves it %1. R turns it.")
                 .arg(workspace_.job().units == Unit::Inch ? tr("1 in") : tr("1 cm"))
           : tr("An arrow key opens the tape on that side; Ctrl and an arrow moves it %1.")
                 .arg(workspace_.job().units == Unit::Inch ? tr("1 in") : tr("1 cm")));
  refresh();
}

void PieceBar::hint(const QString& words) {
  named(complaint_, "barHint");
  complaint_->setText(words);
}

void PieceBar::complain(const LengthReading& reading) {
  if (reading) return;
  named(complaint_, "barFault");
  complaint_->setText(QString::fromStdString(reading.complaint));
}

void PieceBar::refresh() {
  const Placement* p = workspace_.selectedPlacement();
  if (p == nullptr) return;
  const std::vector<Tape> tapes = tapesOf(workspace_.job(), *workspace_.scheme(), p->id);
  for (const auto& [key, field] : fields_) {
    QString text;
    field->setEnabled(true);
    if (key == "turn") {
      if (const auto* floor = onFloor(p->on)) text = turnText(floor->turn);
    } else if (key == kCentreKey) {
      if (const auto* hung = onWall(p->on)) text = workspace_.write(hung->v - floorUnder(*workspace_.room(), *hung));
    } else {
      field->setEnabled(false);
      for (const Tape& tape : tapes)
        if (tapeKey(tape.side) == key) {
          text = workspace_.write(tape.length);
          field->setEnabled(true);
        }
    }
    field->show(text);
    if (!field->isModified()) field->setText(text);
  }
}

void PieceBar::goToTurn() {
  for (const auto& [key, field] : fields_)
    if (key == "turn") field->setFocus(Qt::ShortcutFocusReason);
}

}  // namespace mezzet
