#include "app/stages/floor/piece_bar.h"

#include <QComboBox>
#include <QHBoxLayout>
#include <QLabel>
#include <QPushButton>
#include <QVBoxLayout>

#include "app/stages/walls/arrange_words.h"
#include "app/stages/walls/nail_line.h"
#include "app/stages/walls/nail_row.h"
#include "app/widgets/layouts.h"
#include "app/widgets/length_field.h"
#include "core/base/sentence.h"
#include "core/decide/wall_words.h"
#include "core/hang/leaning.h"
#include "core/light/circuits.h"
#include "core/light/fixtures.h"
#include "core/site/heights.h"
#include "core/drawing/wall/elevation.h"
#include "core/drawing/base/working.h"
#include "core/drawing/display/display_drawing.h"
#include "core/model/kinds.h"

namespace mezzet {
namespace {

constexpr int kLeastField = 62;  // px

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
  setFixedHeight(kFootHeight);  // never by what is selected: the sheet would move under the hand
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(12, 6, 12, 3);
  column->setSpacing(2);
  row_ = new QHBoxLayout;
  row_->setSpacing(8);
  column->addLayout(row_);
  complaint_ = new QLabel;
  complaint_->setObjectName(QStringLiteral("barHint"));
  auto* foot = new QHBoxLayout;
  foot->setSpacing(8);
  complaint_->setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Preferred);  // the actions keep their room
  foot->addWidget(complaint_, 1);
  links_ = new QHBoxLayout;
  links_->setSpacing(2);
  foot->addLayout(links_);
  column->addLayout(foot);
  connect(&workspace_, &Workspace::selectionChanged, this, &PieceBar::rebuild);
  connect(&workspace_, &Workspace::viewChanged, this, &PieceBar::rebuild);
  connect(&workspace_, &Workspace::jobChanged, this, [this] {
    const Placement* p = workspace_.selectedPlacement();
    const bool same = p != nullptr && words_ == nullptr && nails_ == nullptr && p->id == shown_ &&
                      p->locked == shownLocked_ && (leaning(p->on) != nullptr) == !leans_.empty() &&
                      workspace_.stage() == shownStage_ && workspace_.selection().size() == shownCount_ &&
                      workspace_.scheme()->circuits.size() == shownCircuits_;
    same ? refresh() : rebuild();  // what a stage hints at depends on the job, too
  });
  rebuild();
}

QPushButton* PieceBar::button(const QString& words, const char* name) {
  auto* b = new QPushButton(words);
  b->setObjectName(QString::fromUtf8(name));
  row_->addWidget(b);
  return b;
}

void PieceBar::label(const QString& words, const char* name) {
  auto* l = new QLabel(words);
  l->setObjectName(QString::fromUtf8(name));
  row_->addWidget(l);
}

void PieceBar::rebuild() {
  emptyLayout(row_);
  emptyLayout(links_);
  fields_.clear();
  leans_.clear();
  turn_ = nullptr;
  words_ = nullptr;
  nails_ = nullptr;
  complaint_->clear();
  shown_ = workspace_.selected();
  shownStage_ = workspace_.stage();
  shownCount_ = workspace_.selection().size();
  shownCircuits_ = workspace_.scheme() != nullptr ? workspace_.scheme()->circuits.size() : 0;
  const Placement* p = workspace_.selectedPlacement();
  if (p == nullptr || rowOf(shownStage_).accepts == Accepts::Nothing) return showStage();
  if (asksNails(workspace_, *p)) return showNails(*p);
  if (shownStage_ == Stage::Displays && onAnother(p->on) == nullptr) return showCase(*p);
  if (shownCount_ > 1) canArrange(workspace_) ? showHung(*p) : showSeveral(*p);
  else showOne(*p);
}

/// What is done most with the piece in hand; the rest one click further.
void PieceBar::showLinks(const Placement& p) {
  const auto link = [&](const QString& words, const char* id) {
    auto* b = new QPushButton(words);
    b->setObjectName(QStringLiteral("barLink"));
    b->setAccessibleName(words);
    b->setProperty("action", QString::fromUtf8(id));
    connect(b, &QPushButton::clicked, this, [this, b, id] { emit actionWanted(id, b->mapToGlobal(QPoint(0, 0))); });
    links_->addWidget(b);
  };
  const bool floor = onFloor(p.on) != nullptr;
  link(tr("Sizes ..."), "sizes");
  if (floor && isDiningTable(pieceOf(workspace_.job(), p).kind)) link(tr("Set its chairs"), "chairs");
  if (floor) link(tr("Turn"), "turn-left");
  if (workspace_.stage() == Stage::Displays && onAnother(p.on) != nullptr) link(tr("Thing ..."), "thing");
  if (workspace_.stage() == Stage::Light) link(tr("Light ..."), "light-more");
  link(tr("One more"), "copy-piece");
  link(p.locked ? tr("Unlock") : tr("Lock"), "lock");
  link(tr("Take out"), "remove");
  link(tr("More ..."), "more");
}

/// Nails of the whole wall, where none of its frames is selected.
void PieceBar::showNailLine() {
  auto* line = new NailLine(workspace_);
  connect(line, &NailLine::complained, this, [this](const QString& sentence) {
    named(complaint_, "barFault");
    complaint_->setText(sentence);
  });
  connect(line, &NailLine::actionWanted, this,
          [this, line](const char* id) { emit actionWanted(id, line->mapToGlobal(QPoint(0, 0))); });
  row_->addWidget(line);
  row_->addStretch(1);
  const auto plan = workspace_.nailsHere();
  hint(plan && !plan->unknown.empty()
           ? tr("Frames not known to hang by anything yet: %1. Click one and say how.").arg(plan->unknown.size())
       : plan && plan->nails.empty() ? tr("Nothing hangs on this wall yet.")
       : plan                        ? onScreen(plan->cautions)
                                     : QString());
}

/// How far the foot stands off the wall, and how high.
void PieceBar::showLeaning(const Placement& p) {
  const auto put = [&](const QString& words, const QString& name, double LeaningPlace::*member) {
    LengthField* f = field(words, name, 90, [this, member](const QString& text) {
      LengthReading reading = workspace_.read(text);
      const Placement* now = workspace_.selectedPlacement();
      if (!reading || now == nullptr || leaning(now->on) == nullptr) return reading;
      LeaningPlace there = *leaning(now->on);
      there.*member = *reading.length;
      if (there.foot == 0) there.carrier.clear();
      workspace_.place(tr("lean"), there);
      return reading;
    });
    f->show(workspace_.write((*leaning(p.on)).*member));
    f->setText(workspace_.write((*leaning(p.on)).*member));
    leans_.emplace_back(member, f);
  };
  put(tr("foot off the wall"), QStringLiteral("lean"), &LeaningPlace::lean);
  put(tr("foot up"), QStringLiteral("foot"), &LeaningPlace::foot);
}

void PieceBar::showStage() {
  if (workspace_.showsNails() && rowOf(workspace_.stage()).accepts == Accepts::Wall && !workspace_.foldedOut())
    return showNailLine();
  const StageRow& stage = rowOf(workspace_.stage());
  label(stage.hint(workspace_), "barHint");
  row_->addStretch(1);
}

void PieceBar::actGroup(const Placement& lead) {
  const bool grouped = !groupOf(lead).empty();
  QPushButton* b = button(grouped ? tr("Part the group") : tr("Group"), grouped ? "barUngroup" : "barGroup");
  connect(b, &QPushButton::clicked, this, [this, grouped] { grouped ? workspace_.ungroup() : workspace_.group(); });
}

/// Several on one wall: how they hang as one, and how far apart.
void PieceBar::showHung(const Placement& lead) {
  label(tr("%1 hung").arg(shownCount_), "barName");
  const QString how = tr("Point at a word to see it, click to hang them so; a number is the gap. ") + groupWords(lead);
  words_ = new ArrangeWords(workspace_);
  connect(words_, &ArrangeWords::said, this,
          [this, how](const QString& sentence) { hint(sentence.isEmpty() ? how : sentence); });
  row_->addWidget(words_);
  actGroup(lead);
  row_->addStretch(1);
  hint(how);
}

void PieceBar::showSeveral(const Placement& lead) {
  label(tr("%1 pieces, led by %2").arg(shownCount_).arg(workspace_.nameOf(lead)), "barName");
  actGroup(lead);
  const auto act = [&](const QString& words, const char* name, auto slot) {
    connect(button(words, name), &QPushButton::clicked, this, slot);
  };
  act(tr("Line up left"), "barLeft", [this] { workspace_.align(Line::Left); });
  act(tr("centres"), "barCentre", [this] { workspace_.align(Line::Centre); });
  act(tr("bottom"), "barBottom", [this] { workspace_.align(Line::Bottom); });
  if (shownCount_ > 2) act(tr("Equal gaps"), "barSpread", [this] { workspace_.spreadOut(true); });
  row_->addStretch(1);
  if (workspace_.stage() == Stage::Displays) return hint(thingWords());
  hint(tr("They move together. The menu Arrange has every edge, and gaps upwards; the leading piece stays."));
}

LengthField* PieceBar::field(const QString& words, const QString& name, int width,
                             std::function<LengthReading(const QString&)> take) {
  label(words, "barHint");
  auto* f = new LengthField(words, [this, take = std::move(take)](const QString& text) {
    LengthReading reading = take(text);
    complain(reading);
    return reading;
  });
  f->setObjectName(QStringLiteral("bar:") + name);
  // In a narrow window they give way, and nothing is pushed out of sight.
  f->setMaximumWidth(width);
  f->setMinimumWidth(std::min(width, kLeastField));
  f->setSizePolicy(QSizePolicy::Expanding, QSizePolicy::Fixed);
  row_->addWidget(f);
  return f;
}

void PieceBar::showOne(const Placement& p) {
  label(workspace_.nameOf(p), "barName");
  const auto tape = [&](const QString& words, const ItemId& item) {
    LengthField* f = field(words, QStringLiteral("tape:") + QString::fromStdString(item.id), 96,
                           [this, item](const QString& t) { return workspace_.typeTape(item, t); });
    fields_.emplace_back(item, f);
  };
  const bool floor = onFloor(p.on) != nullptr;
  const bool lit = workspace_.stage() == Stage::Light && mountOf(pieceOf(workspace_.job(), p)).has_value();
  if (lit) {
    showLight(p, tape);
  } else if (floor) {
    tape(tr("front"), tapeItem(Side::Front));
    tape(tr("right"), tapeItem(Side::Right));
    tape(tr("back"), tapeItem(Side::Back));
    tape(tr("left"), tapeItem(Side::Left));
    turn_ =
        field(tr("turned"), QStringLiteral("turn"), 66, [this](const QString& t) { return workspace_.typeTurn(t); });
  } else if (onAnother(p.on) != nullptr) {
    showThing(tape);
  } else if (leaning(p.on) != nullptr) {
    tape(tr("left"), tapeItem(Side::Left));
    tape(tr("right"), tapeItem(Side::Right));
    showLeaning(p);
  } else {
    tape(tr("left"), tapeItem(Side::Left));
    tape(tr("right"), tapeItem(Side::Right));
    tape(tr("below"), tapeItem(Side::Down));
    tape(tr("above"), tapeItem(Side::Up));
    tape(tr("centre"), centreTape());
  }
  row_->addStretch(0);
  const QString step = workspace_.job().units == Unit::Inch ? tr("1 in") : tr("1 cm");
  // What is told of a light, or of a thing on a wall, comes with its figures.
  if (!lit) hint(tr("An arrow key opens the tape on that side; Ctrl and an arrow moves it %1.").arg(step));
  showLinks(p);
  shownLocked_ = p.locked;
  refresh();
}

/// How a frame hangs, of a group the one that leads it, and where its nails go.
void PieceBar::showNails(const Placement& p) {
  label(workspace_.nameOf(p), "barName");
  nails_ = new NailRow(workspace_, p);
  connect(nails_, &NailRow::complained, this, [this](const QString& sentence) {
    named(complaint_, "barFault");
    complaint_->setText(sentence);
  });
  row_->addWidget(nails_);
  auto* more = button(tr("More ..."), "nails:more");
  more->setToolTip(tr("Every fixing, why it fits or not, and what was detected"));
  connect(more, &QPushButton::clicked, this,
          [this, more] { emit actionWanted("hanger", more->mapToGlobal(QPoint(0, 0))); });
  row_->addStretch(1);
  hint(nails_->words());
}

/// What is told of a thing on a wall: its nearest neighbour, what a mirror shows.
QString PieceBar::toldWords(const Placement& p) const {
  const Situation s(workspace_.job(), workspace_.book(), *workspace_.scheme(), workspace_.format(),
                    {workspace_.useState()});
  return onScreen(toldOfHung(s, p));
}

/// What is told of the group that a thing hangs in.
QString PieceBar::groupWords(const Placement& p) const {
  const Situation s(workspace_.job(), workspace_.book(), *workspace_.scheme(), workspace_.format(),
                    {workspace_.useState()});
  for (const Hung& hung : s.hung())
    if (has(hung.members, p.id)) return onScreen(toldOfGroup(s, hung));
  return {};
}

void PieceBar::hint(const QString& words) {
  named(complaint_, "barHint");
  complaint_->setText(words);
  complaint_->setToolTip(words);  // where it is longer than its room
}

void PieceBar::complain(const LengthReading& reading) {
  if (reading) return;
  named(complaint_, "barFault");
  complaint_->setText(QString::fromStdString(reading.complaint));
}

void PieceBar::refresh() {
  const Placement* p = workspace_.selectedPlacement();
  if (p == nullptr) return;
  const auto put = [](LengthField* field, const QString& text) {
    field->show(text);
    if (!field->isModified()) field->setText(text);
  };
  const std::vector<Tape> tapes = workspace_.tapesHere();
  for (const auto& [item, field] : fields_) {
    QString text;
    if (item == centreTape()) {
      if (const auto* hung = onWall(p->on)) text = workspace_.write(hung->v - floorUnder(*workspace_.room(), *hung));
    } else if (const std::string shelf = shelfOfTape(item); !shelf.empty()) {
      for (const Surface& s : pieceOf(workspace_.job(), *p).surfaces->all)
        if (s.id == shelf) text = workspace_.write(s.bottom);
    } else {
      const auto tape =
          std::find_if(tapes.begin(), tapes.end(), [&](const Tape& t) { return tapeItem(t.side) == item; });
      field->setEnabled(tape != tapes.end());
      if (tape != tapes.end()) text = workspace_.write(tape->length);
    }
    put(field, text);
  }
  if (const auto* leans = leaning(p->on)) {
    for (const auto& [member, f] : leans_) put(f, workspace_.write((*leans).*member));
    hint(onScreen(leaningWords(workspace_.job(), pieceOf(workspace_.job(), *p), *leans)));
  }
  if (onAnother(p->on) != nullptr && workspace_.stage() == Stage::Displays) hint(thingWords());
  else if (workspace_.stage() == Stage::Light) {
    hint(lightWords(*p));
    if (auto* circuits = findChild<QComboBox*>(QStringLiteral("bar:circuit")))
      circuits->setCurrentIndex(std::max(0, circuits->findData(QString::fromStdString(p->circuit.value))));
  } else if (onWall(p->on) != nullptr && shownCount_ == 1)
    if (const QString told = toldWords(*p); !told.isEmpty()) hint(told);
  if (const auto* floor = onFloor(p->on); floor != nullptr && turn_ != nullptr) put(turn_, turnText(floor->turn));
}

bool PieceBar::typeGap(const QString& first) {
  if (words_ == nullptr) return false;
  words_->typeGap(first);
  return true;
}

void PieceBar::goToTurn() {
  if (turn_ != nullptr) turn_->setFocus(Qt::ShortcutFocusReason);
}

}  // namespace mezzet
