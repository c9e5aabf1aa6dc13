#include "app/stages/floor/tray.h"

#include <QDrag>
#include <QHBoxLayout>
#include <QKeyEvent>
#include <QLabel>
#include <QLineEdit>
#include <QMimeData>
#include <QPainter>
#include <QPushButton>
#include <QScrollArea>
#include <algorithm>

#include "app/stages/floor/piece_bar.h"
#include "app/widgets/layouts.h"
#include "app/widgets/style.h"
#include "core/space/bodies.h"
#include "core/drawing/labels/labels.h"
#include "core/drawing/wall/furniture_front.h"
#include "core/drawing/plan/plan.h"
#include "core/edit/edits.h"
#include "core/model/kinds.h"
#include "core/decide/hang_place.h"
#include "core/decide/adding.h"
#include "core/decide/light_place.h"
#include "core/rules/check.h"

namespace mezzet {
namespace {

constexpr int kCutOutHeight = 42, kEdge = 8, kTrayEdge = 3;
constexpr double kWidestCutOut = 110;

/// The piece as it is drawn, its middle at (0, 0).
Drawing cutOutDrawing(const Piece& piece, double scale, LengthFormat format) {
  Drawing d;
  d.scale = scale;
  if (hangs(piece.kind)) addHung(d, piece, {CornerId("A"), 0, 0, std::nullopt}, "", "", Layer::Picture);
  else addPiece(d, piece, {{0, 0}, 0}, "", "", format);
  settle(d);
  return d;
}
double deepness(const Piece& piece) { return (hangs(piece.kind) ? piece.height : piece.depth).value_or(piece.width); }

}  // namespace

CutOut::CutOut(const Piece& piece, int left, double pixelsPerMm, Workspace& workspace, QWidget* parent)
    : QWidget(parent), piece_(piece), left_(left), perMm_(pixelsPerMm), workspace_(workspace) {
  const QString name = QString::fromStdString(piece.name);
  setObjectName(QStringLiteral("cutOut:") + QString::fromStdString(piece.id.value));
  setFocusPolicy(Qt::StrongFocus);
  setAccessibleName(left > 1 ? tr("%1, %2 not placed").arg(name).arg(left) : tr("%1, not placed").arg(name));
  setAccessibleDescription(tr("Enter places it, Delete removes it from the job"));
  setToolTip(QString::fromStdString(pieceWords(piece, workspace.format())) +
             tr("\nDrag it onto the drawing, or press Enter."));
  const QFontMetrics words(interfaceFont(12));
  const int wide = std::max(static_cast<int>(piece.width * perMm_) + 2 * kEdge,
                            words.horizontalAdvance(name) + (left > 1 ? 30 : 10));
  setFixedSize(std::min(wide, 170), kFootHeight - 2 * kTrayEdge);
  setCursor(Qt::OpenHandCursor);
}

void CutOut::paintEvent(QPaintEvent*) {
  QPainter p(this);
  p.setRenderHint(QPainter::Antialiasing);
  const QRectF paper(1, 1, width() - 2, height() - 2);
  p.setPen(hasFocus() ? QPen(desk::kTape, 3) : QPen(desk::kInk, 1));
  p.setBrush(desk::kPaper);
  p.drawRoundedRect(paper, 2, 2);
  const Projection projection{perMm_, QPointF(width() / 2.0, 2 + (kCutOutHeight - 4) / 2.0)};
  paintDrawing(p, cutOutDrawing(piece_, 96 / 25.4 / perMm_, workspace_.format()), projection,
               {Palette::screen(), &workspace_.images(), 1});
  p.setFont(interfaceFont(12));
  p.setPen(desk::kInk);
  QString name = QString::fromStdString(piece_.name);
  if (left_ > 1) name += QStringLiteral(" \u00d7%1").arg(left_);
  p.drawText(QRectF(3, height() - 18, width() - 6, 16), Qt::AlignCenter,
             p.fontMetrics().elidedText(name, Qt::ElideRight, width() - 6));
}

void CutOut::mousePressEvent(QMouseEvent* event) {
  setFocus();
  pressed_ = event->pos();
}

void CutOut::mouseMoveEvent(QMouseEvent* event) {
  if (!(event->buttons() & Qt::LeftButton) || (event->pos() - pressed_).manhattanLength() < 5) return;
  auto* drag = new QDrag(this);
  auto* mime = new QMimeData;
  mime->setData(QString::fromUtf8(kPieceMime), QByteArray::fromStdString(piece_.id.value));
  drag->setMimeData(mime);
  drag->exec(Qt::CopyAction);
  workspace_.showGhost(std::nullopt);
}

void CutOut::keyPressEvent(QKeyEvent* event) {
  if (event->key() == Qt::Key_Return || event->key() == Qt::Key_Enter) emit placeWanted();
  else if (event->key() == Qt::Key_Delete)
    workspace_.document().edit(tr("remove %1 from the job").arg(QString::fromStdString(midSentence(piece_.name))),
                               withoutPiece(workspace_.job(), piece_.id));
  else QWidget::keyPressEvent(event);
}

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
  scroll->setObjectName(QStringLiteral("trayScroll"));
  auto* body = new QWidget;
  body->setObjectName(QStringLiteral("trayBody"));
  cutOuts_ = new QHBoxLayout(body);
  cutOuts_->setContentsMargins(0, 0, 0, 0);
  cutOuts_->setSpacing(8);
  scroll->setWidget(body);
  row->addWidget(scroll, 4);
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

/// What is said of a typed line takes the cut-outs' place, so that three lines of it fit; below the line stands one.
void Tray::putEcho(bool beside) {
  if (scroll_->isHidden() == beside) return;
  scroll_->setHidden(beside);
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
  line_->setPlaceholderText(workspace_.job().units == Unit::Inch ? tr("type a piece: side table 18 x 18 x 22")
                                                                 : tr("type a piece: side table 450 x 450 x 560"));
  const Accepts accepts = rowOf(workspace_.stage()).accepts;
  add_->setText(accepts == Accepts::Wall      ? tr("Hang a picture ...")
                : accepts == Accepts::Ceiling ? tr("Add a light ...")
                                              : tr("Add a piece ..."));
  const QString text = line_->text();
  putEcho(!text.trimmed().isEmpty());
  if (text.trimmed().isEmpty()) {
    named(echo_, "barHint");
    echo_->setText(accepts == Accepts::Wall      ? tr("Enter puts it into the tray, Ctrl+Enter onto the wall.")
                   : accepts == Accepts::Ceiling ? rowOf(workspace_.stage()).hint(workspace_)
                                                 : tr("Enter puts it into the tray, Ctrl+Enter onto the drawing."));
    return;
  }
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
    auto added = withHungTogether(*withIt, workspace_.book(), workspace_.schemeId(), workspace_.wall(), piece.id,
                                  r.count, r.hang ? r.hang->as : HangAs::Row, r.hang ? r.hang->gap : std::nullopt, ids,
                                  workspace_.format());
    if (!added) {
      echo_->setText(QString::fromStdString(added.error().text()) + QStringLiteral("."));
      return;
    }
    last = added->placement;
    withIt = added->job;
  }
  for (int i = 0; withIt && placeAtOnce && !inOneGo && !hungAsOne && i < r.count; ++i) {
    auto added = withPlaced(*withIt, workspace_.book(), workspace_.schemeId(), workspace_.wall(), piece.id, ids);
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
    QString told;
    for (const std::string& one : says) told += (told.isEmpty() ? QString() : QStringLiteral(" ")) + onScreen(one);
    emit workspace_.document().trouble(told);
  }
  line_->clear();
  swapped_ = false;
  echo();
  if (!last.empty()) {
    workspace_.showStage(stageFor(piece, workspace_.stage()));
    workspace_.select(last);
  }
}

void Tray::place(const PieceId& id) {
  IdSource ids = workspace_.document().ids();
  const auto added = withPlaced(workspace_.job(), workspace_.book(), workspace_.schemeId(), workspace_.wall(), id, ids);
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
  const std::vector<Unplaced> unplaced = trayOf(workspace_.job(), workspace_.schemeId());
  // One scale for all of them, so that they can be compared.
  double widest = 1, deepest = 1;
  for (const Unplaced& u : unplaced) {
    const Piece& piece = *findPiece(workspace_.job(), u.piece);
    widest = std::max(widest, piece.width);
    deepest = std::max(deepest, deepness(piece));
  }
  const double perMm = std::min(kWidestCutOut / widest, (kCutOutHeight - 8) / deepest);
  constexpr std::size_t kMostShown = 40;
  for (std::size_t i = 0; i < std::min(unplaced.size(), kMostShown); ++i) {
    auto* cut = new CutOut(*findPiece(workspace_.job(), unplaced[i].piece), unplaced[i].left, perMm, workspace_);
    connect(
        cut, &CutOut::placeWanted, this, [this, id = unplaced[i].piece] { place(id); }, Qt::QueuedConnection);
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
