#include "app/stages/floor/tray.h"

#include <QHBoxLayout>
#include <QKeyEvent>
#include <QLabel>
#include <QLineEdit>
#include <QPushButton>
#include <QScrollArea>
#include <QScrollBar>
#include <QToolButton>
#include <QWheelEvent>
#include <algorithm>

#include "app/stages/floor/piece_bar.h"
#include "app/widgets/layouts.h"
#include "app/widgets/style.h"
#include "core/edit/edits.h"
#include "core/model/kinds.h"
#include "core/decide/hang_drop.h"
#include "core/decide/adding.h"
#include "core/decide/light_place.h"
#include "core/rules/check.h"

namespace mezzet {

Tray::Tray(Workspace& workspace, QWidget* parent) : QWidget(parent), workspace_(workspace) {
  setObjectName(QStringLiteral("tray"));
  setAttribute(Qt::WA_StyledBackground);
  setFixedHeight(kFootHeight);
  auto* row = new QHBoxLayout(this);
  row->setContentsMargins(12, kTrayEdge, 8, kTrayEdge);
  row->setSpacing(12);
  left_ = new QVBoxLayout;
  left_->setSpacing(1);
  line_ = new QLineEdit;
  line_->setObjectName(QStringLiteral("pieceLine"));
  line_->setAccessibleName(tr("Type a piece with its sizes"));
  line_->setMaxLength(300);
  line_->installEventFilter(this);
  echo_ = new QLabel;
  echo_->setObjectName(QStringLiteral("barHint"));
  echo_->setWordWrap(true);
  echo_->setAlignment(Qt::AlignTop);
  auto* typed = new QHBoxLayout;
  typed->setSpacing(6);
  typed->addWidget(line_, 1);
  add_ = new QPushButton;
  add_->setObjectName(QStringLiteral("addPiece"));
  connect(add_, &QPushButton::clicked, this, &Tray::addWanted);
  typed->addWidget(add_);
  left_->addLayout(typed);
  left_->addWidget(echo_);
  left_->addStretch(1);  // the line stays where it is whatever is said of it
  row->addLayout(left_, 5);
  auto* scroll = new QScrollArea;
  scroll_ = scroll;
  scroll->setWidgetResizable(true);
  scroll->setFocusPolicy(Qt::NoFocus);
  scroll->setVerticalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
  scroll->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);  // it would lie over the names
  scroll->viewport()->installEventFilter(this);
  scroll->setObjectName(QStringLiteral("trayScroll"));
  auto* body = new QWidget;
  body->setObjectName(QStringLiteral("trayBody"));
  cutOuts_ = new QHBoxLayout(body);
  cutOuts_->setContentsMargins(0, 0, 0, 0);
  cutOuts_->setSpacing(8);
  scroll->setWidget(body);
  row->addWidget(scroll, 4);
  addTurners(row);
  connect(line_, &QLineEdit::textEdited, this, [this] {
    swapped_ = false;
    echo();
  });
  connect(line_, &QLineEdit::returnPressed, this, [this] { take(false); });
  const auto follow = [this] {
    rebuild();
    echo();
  };
  connect(&workspace_, &Workspace::jobChanged, this, follow);
  connect(&workspace_, &Workspace::viewChanged, this, follow);
  rebuild();
  echo();
}

/// Beside the cut-outs, where there are more of them than the tray is wide: on to those, and back.
void Tray::addTurners(QHBoxLayout* row) {
  turners_ = new QWidget;
  auto* both = new QVBoxLayout(turners_);
  both->setContentsMargins(0, 0, 0, 0);
  both->setSpacing(2);
  QScrollBar* bar = scroll_->horizontalScrollBar();
  const struct {
    const char *sign, *name;
    QString words;
    int by;
  } ways[] = {{"\u203a", "trayOn", tr("More of the tray"), 1}, {"\u2039", "trayBack", tr("Back in the tray"), -1}};
  for (const auto& way : ways) {
    auto* turner = new QToolButton;
    turner->setText(QString::fromUtf8(way.sign));
    turner->setSizePolicy(QSizePolicy::Fixed, QSizePolicy::Expanding);
    turner->setObjectName(QString::fromUtf8(way.name));
    turner->setAccessibleName(way.words);
    turner->setToolTip(way.words);
    turner->setAutoRepeat(true);
    connect(turner, &QToolButton::clicked, this,
            [bar, by = way.by] { bar->setValue(bar->value() + by * bar->pageStep() / 2); });
    both->addWidget(turner);
  }
  const auto follow = [this, bar] { turners_->setVisible(bar->maximum() > 0 && !scroll_->isHidden()); };
  connect(bar, &QScrollBar::rangeChanged, this, follow);
  row->addWidget(turners_);
  turners_->hide();
}

/// What is said of a typed line takes the cut-outs' place, so that three lines of it fit; below the line stands one.
void Tray::putEcho(bool beside) {
  if (scroll_->isHidden() == beside) return;
  scroll_->setHidden(beside);
  turners_->setHidden(beside || scroll_->horizontalScrollBar()->maximum() == 0);
  layout()->removeWidget(echo_);
  left_->removeWidget(echo_);
  if (beside) qobject_cast<QHBoxLayout*>(layout())->addWidget(echo_, 4);
  else left_->insertWidget(1, echo_);
}

void Tray::goToLine() {
  line_->setFocus(Qt::ShortcutFocusReason);
  line_->selectAll();
}

void Tray::echo() {
  const bool inches = workspace_.job().units == Unit::Inch;
  if (workspace_.stage() == Stage::Displays)
    line_->setPlaceholderText(inches ? tr("type a thing: 12 books 9 tall 11 run black, vase 6 x 6 x 14 #2b2b2b")
                                     : tr("type a thing: 12 books 230 tall 280 run black, vase 150 x 150 x 350"));
  else
    line_->setPlaceholderText(inches ? tr("type a piece: side table 18 x 18 x 22")
                                     : tr("type a piece: side table 450 x 450 x 560"));
  const Accepts accepts = rowOf(workspace_.stage()).accepts;
  add_->setText(accepts == Accepts::Wall      ? tr("Hang a picture ...")
                : accepts == Accepts::Ceiling ? tr("Add a light ...")
                : accepts == Accepts::Display ? tr("Add a thing ...")
                                              : tr("Add a piece ..."));
  const QString text = line_->text();
  putEcho(!text.trimmed().isEmpty());
  if (text.trimmed().isEmpty()) {
    named(echo_, "barHint");
    echo_->setText(!picked_.empty()           ? tr("What is picked goes together: drag it, or press Enter on it.")
                   : accepts == Accepts::Wall ? tr("Enter puts it into the tray, Ctrl+Enter onto the wall.")
                   : accepts == Accepts::Ceiling || accepts == Accepts::Display
                       ? rowOf(workspace_.stage()).hint(workspace_)
                       : tr("Enter puts it into the tray, Ctrl+Enter onto the drawing."));
    return;
  }
  if (const auto came = workspace_.readCame(text); came.meant) return echo_->setText(onScreen(came.says()));
  const PieceReading r = readPieceLine(text.toStdString(), workspace_.job().units, workspace_.format(), swapped_);
  QString words;
  if (!r.piece) words = QString::fromStdString(r.complaint);
  else {
    words = onScreen(r.echo) + QStringLiteral(".");
    for (const std::string& note : r.notes) words += QStringLiteral(" ") + QString::fromStdString(note);
    if (r.canSwap) words += tr(" F8 swaps the two.");
  }
  if (!r.completion.empty()) words += tr(" Tab: %1").arg(QString::fromStdString(r.completion).trimmed());
  named(echo_, r.piece ? "barHint" : "barFault");
  echo_->setText(words);
}

bool Tray::eventFilter(QObject* watched, QEvent* event) {
  if (event->type() == QEvent::Wheel && watched == scroll_->viewport()) {
    QScrollBar* bar = scroll_->horizontalScrollBar();
    bar->setValue(bar->value() - static_cast<const QWheelEvent*>(event)->angleDelta().y());
    return true;
  }
  if (watched == line_ && event->type() == QEvent::KeyPress) {
    const auto* press = static_cast<QKeyEvent*>(event);
    if (press->key() == Qt::Key_Tab && !line_->text().isEmpty()) {
      const PieceReading r =
          readPieceLine(line_->text().toStdString(), workspace_.job().units, workspace_.format(), swapped_);
      if (!r.completion.empty()) {
        line_->setText(line_->text() + QString::fromStdString(r.completion));
        echo();
        return true;
      }
    }
    if (press->key() == Qt::Key_Escape) {
      emit this->left();
      return true;
    }
    if (press->key() == Qt::Key_F8) {
      swapped_ = !swapped_;
      echo();
      return true;
    }
    if ((press->key() == Qt::Key_Return || press->key() == Qt::Key_Enter) &&
        (press->modifiers() & Qt::ControlModifier)) {
      take(true);
      return true;
    }
  }
  return QWidget::eventFilter(watched, event);
}

void Tray::take(bool placeAtOnce) {
  if (workspace_.takeCame(workspace_.readCame(line_->text()))) return line_->clear();
  const PieceReading r =
      readPieceLine(line_->text().toStdString(), workspace_.job().units, workspace_.format(), swapped_);
  if (!r.piece) {
    line_->setCursorPosition(static_cast<int>(r.at));
    return echo();
  }
  IdSource ids = workspace_.document().ids();
  Piece piece = *r.piece;
  piece.id = ids.take<PieceId>("piece");
  Job job = workspace_.job();
  auto withIt = withPiece(job, piece);
  PlacementId last;
  // A row over a top, or lights laid evenly, are put up in one go.
  const bool inOneGo = withIt && !hangs(piece.kind) &&
                       (!r.over.empty() || (placeAtOnce && r.count > 1 && mountOf(piece) == Mount::Recessed));
  std::vector<std::string> says;
  if (inOneGo) {
    const Placement* top = r.over.empty() ? nullptr : topOfKind(*withIt, *workspace_.scheme(), r.over);
    auto added = top != nullptr
                     ? withRowOver(*withIt, workspace_.book(), workspace_.schemeId(), piece.id, r.count, top->id, ids)
                 : !r.over.empty()
                     ? Result<Added>(Error{piece.name, "has no " + std::string(kindWords(r.over)) + " to hang over",
                                           "Place one first"})
                     : withDownlightsLaid(*withIt, workspace_.schemeId(), piece.id, r.count, false, ids,
                                          workspace_.format(), &says);
    if (!added) {
      echo_->setText(QString::fromStdString(added.error().text()) + QStringLiteral("."));
      return;
    }
    last = added->placement;
    withIt = added->job;
  }
  // Several of what hangs are hung as one: never one over another.
  const bool hungAsOne =
      withIt && placeAtOnce && r.count > 1 && isSeenUpright(piece.kind) && workspace_.scheme() != nullptr;
  if (hungAsOne) {
    auto added = withHungTogether(*withIt, workspace_.book(), workspace_.schemeId(), workspace_.wall(),
                                  std::vector<PieceId>(static_cast<std::size_t>(r.count), piece.id),
                                  r.hang ? r.hang->as : HangAs::Row, r.hang ? r.hang->gap : std::nullopt, ids,
                                  workspace_.format());
    if (!added) {
      echo_->setText(QString::fromStdString(added.error().text()) + QStringLiteral("."));
      return;
    }
    last = added->placement;
    withIt = added->job;
  }
  for (int i = 0; withIt && placeAtOnce && !inOneGo && !hungAsOne && i < r.count; ++i) {
    auto added = workspace_.putDown(*withIt, piece.id, ids);
    if (!added) {
      echo_->setText(QString::fromStdString(added.error().text()) + QStringLiteral("."));
      return;
    }
    last = added->placement;
    withIt = added->job;
  }
  if (!withIt) {
    echo_->setText(QString::fromStdString(withIt.error().text()) + QStringLiteral("."));
    return;
  }
  if (!workspace_.document().edit(tr("add %1").arg(QString::fromStdString(midSentence(piece.name))), *withIt,
                                  ids.next()))
    return;
  // What the rows came to is worth more than a glance.
  if (!says.empty()) {
    emit workspace_.document().trouble(onScreen(says));
  }
  line_->clear();
  swapped_ = false;
  echo();
  if (!last.empty()) {
    workspace_.showStage(stageFor(piece, workspace_.stage()));
    workspace_.select(last);
  }
}

std::vector<CutOut*> Tray::shownCutOuts() const {
  std::vector<CutOut*> out;
  for (int i = 0; i < cutOuts_->count(); ++i)
    if (auto* cut = qobject_cast<CutOut*>(cutOuts_->itemAt(i)->widget())) out.push_back(cut);
  return out;
}

void Tray::pick(const PieceId& id, bool on) {
  on ? void(picked_.insert(id)) : void(picked_.erase(id));
  for (CutOut* cut : shownCutOuts()) cut->pick(picked_.contains(cut->piece()));
  echo();
}

std::vector<PieceId> Tray::goingWith(const CutOut& taken) const {
  if (!taken.picked()) return {taken.piece()};
  std::vector<PieceId> out;
  for (const CutOut* cut : shownCutOuts())
    if (cut->picked()) out.insert(out.end(), static_cast<std::size_t>(cut->left()), cut->piece());
  return out;
}

void Tray::drag(const CutOut& taken) {
  dragPieces(goingWith(taken), this);  // not of the cut-out, which a drop may take away
  workspace_.showGhost(std::nullopt);
}

/// Several at once: what hangs as a row over what stands at the wall, else as a salon; else one after another.
void Tray::placeAll(const std::vector<PieceId>& all) {
  if (all.size() == 1) return place(all.front());
  IdSource ids = workspace_.document().ids();
  const Job& before = workspace_.job();
  const bool together = std::all_of(all.begin(), all.end(), [&](const PieceId& id) {
    const Piece* piece = findPiece(before, id);
    return piece != nullptr && gathersOnWall(piece->kind);
  });
  Result<Added> added = Added{before, {}};
  if (together) {
    const auto hung = [&](HangAs as) {
      return withHungTogether(before, workspace_.book(), workspace_.schemeId(), workspace_.wall(), all, as,
                              std::nullopt, ids, workspace_.format());
    };
    added = hung(HangAs::Row);
    if (!added) added = hung(HangAs::Salon);
  } else {
    for (const PieceId& id : all)
      if (added) added = workspace_.putDown(added->job, id, ids);
  }
  if (!added) {
    echo_->setText(QString::fromStdString(added.error().text()) + QStringLiteral("."));
    return;
  }
  const Stage there = stageFor(*findPiece(before, all.back()), workspace_.stage());
  if (!workspace_.document().edit(tr("place %1 pieces").arg(all.size()), added->job, ids.next())) return;
  workspace_.showStage(there);
  workspace_.select(added->placement);
}

void Tray::place(const PieceId& id) {
  IdSource ids = workspace_.document().ids();
  const auto added = workspace_.putDown(workspace_.job(), id, ids);
  const Piece* piece = findPiece(workspace_.job(), id);
  if (!added || piece == nullptr) {
    if (!added) echo_->setText(QString::fromStdString(added.error().text()) + QStringLiteral("."));
    return;
  }
  const Stage there = stageFor(*piece, workspace_.stage());
  if (!workspace_.document().edit(tr("place %1").arg(QString::fromStdString(midSentence(piece->name))), added->job,
                                  ids.next()))
    return;
  workspace_.showStage(there);
  workspace_.select(added->placement);
}

void Tray::rebuild() {
  emptyLayout(cutOuts_);
  std::vector<Unplaced> unplaced = trayOf(workspace_.job(), workspace_.schemeId());
  // What is put up at this stage lies first.
  const auto rest = std::stable_partition(unplaced.begin(), unplaced.end(), [&](const Unplaced& u) {
    return stageFor(*findPiece(workspace_.job(), u.piece), workspace_.stage()) == workspace_.stage();
  });
  std::erase_if(picked_, [&](const PieceId& id) {
    return std::none_of(unplaced.begin(), unplaced.end(), [&](const Unplaced& u) { return u.piece == id; });
  });
  // These at one scale and the others at one, so that they can be compared.
  std::vector<const Piece*> own, others;
  for (auto u = unplaced.begin(); u != unplaced.end(); ++u)
    (u < rest ? own : others).push_back(findPiece(workspace_.job(), u->piece));
  const double ownScale = cutOutScale(own), otherScale = cutOutScale(others);
  constexpr std::size_t kMostShown = 40;
  for (std::size_t i = 0; i < std::min(unplaced.size(), kMostShown); ++i) {
    auto* cut = new CutOut(*findPiece(workspace_.job(), unplaced[i].piece), unplaced[i].left,
                           i < own.size() ? ownScale : otherScale, workspace_);
    cut->pick(picked_.contains(cut->piece()));
    // What goes is taken down at once: the cut-out may be gone by then.
    connect(cut, &CutOut::placeWanted, this, [this, cut] {
      QMetaObject::invokeMethod(
          this, [this, all = goingWith(*cut)] { placeAll(all); }, Qt::QueuedConnection);
    });
    connect(cut, &CutOut::pickWanted, this, [this, id = cut->piece()](bool on) { pick(id, on); });
    connect(cut, &CutOut::dragWanted, this, [this, cut] { drag(*cut); });
    cutOuts_->addWidget(cut);
  }
  if (unplaced.empty()) {
    const std::size_t waiting = workspace_.job().pieces.size();
    auto* words = new QLabel(workspace_.scheme() != nullptr ? tr("The tray is empty: everything is placed.")
                             : waiting == 0                 ? tr("Pieces can be typed before there is a room.")
                                                            : tr("%1 wait here for a room to be measured.")
                                                  .arg(waiting == 1 ? tr("1 piece") : tr("%1 pieces").arg(waiting)));
    words->setObjectName(QStringLiteral("barHint"));
    cutOuts_->addWidget(words);
  } else if (unplaced.size() > kMostShown) {
    cutOuts_->addWidget(new QLabel(tr("and %1 more").arg(unplaced.size() - kMostShown)));
  }
  cutOuts_->addStretch(1);
}

}  // namespace mezzet
