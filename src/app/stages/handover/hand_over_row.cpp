#include "app/stages/handover/hand_over_row.h"

#include <QHBoxLayout>
#include <QKeyEvent>
#include <QLabel>
#include <QLineEdit>
#include <QPushButton>
#include <QToolButton>

#include "app/document/today.h"
#include "app/stages/floor/cut_out.h"
#include "app/stages/floor/piece_bar.h"
#include "app/widgets/layouts.h"
#include "app/widgets/style.h"
#include "core/hang/as_hung.h"
#include "core/plan/carrying.h"
#include "core/site/heights.h"

namespace mezzet {
namespace {

bool saysCame(const QString& typed) { return typed.contains(QStringLiteral(" came"), Qt::CaseInsensitive); }

/// Two lengths with an x between them.
struct TapedPlace {
  std::optional<double> across, up;
  QString complaint;
};
TapedPlace placeIn(const Workspace& w, const QString& text) {
  TapedPlace out;
  const QStringList parts = text.split(QLatin1Char('x'), Qt::SkipEmptyParts, Qt::CaseInsensitive);
  if (parts.size() != 2) {
    out.complaint = HandOverRow::tr("Type the middle of it: across from the left end x up from the floor.");
    return out;
  }
  const LengthReading across = w.read(parts[0]), up = w.read(parts[1]);
  if (!across) out.complaint = QString::fromStdString(across.complaint);
  else if (!up) out.complaint = QString::fromStdString(up.complaint);
  out.across = across.length;
  out.up = up.length;
  return out;
}

}  // namespace

HandOverRow::HandOverRow(Workspace& workspace, QWidget* parent) : QWidget(parent), workspace_(workspace) {
  setObjectName(QStringLiteral("handRow"));
  setAttribute(Qt::WA_StyledBackground);
  setFixedHeight(kFootHeight);
  auto* row = new QHBoxLayout(this);
  row->setContentsMargins(12, kTrayEdge, 12, kTrayEdge);
  row->setSpacing(12);
  const auto turn = [&](const QString& text, const char* name, bool wall) {
    auto* button = new QToolButton;
    button->setText(text);
    button->setObjectName(QString::fromUtf8(name));
    button->setCheckable(true);
    connect(button, &QToolButton::clicked, this, [this, wall] { workspace_.showHandsWall(wall); });
    return button;
  };
  plan_ = turn(tr("floor"), "handPlan", false);
  walls_ = turn(tr("walls"), "handWalls", true);
  auto* both = new QVBoxLayout;
  both->setSpacing(2);
  both->addWidget(plan_);
  both->addWidget(walls_);
  row->addLayout(both);
  auto* left = new QVBoxLayout;
  left->setSpacing(1);
  what_ = new QLabel;
  what_->setObjectName(QStringLiteral("barLabel"));
  line_ = new QLineEdit;
  line_->setObjectName(QStringLiteral("handLine"));
  line_->setAccessibleName(tr("What came, or where it hangs"));
  line_->setMaxLength(200);
  line_->installEventFilter(this);
  left->addWidget(what_);
  left->addWidget(line_);
  row->addLayout(left, 4);
  planned_ = new QPushButton(tr("As planned"));
  planned_->setObjectName(QStringLiteral("asPlanned"));
  planned_->setToolTip(tr("It came, or hangs, as it was planned. Enter"));
  row->addWidget(planned_);
  echo_ = words({}, "handEcho");
  row->addWidget(echo_, 4);
  connect(line_, &QLineEdit::textEdited, this, &HandOverRow::echo);
  connect(line_, &QLineEdit::returnPressed, this, &HandOverRow::take);
  connect(planned_, &QPushButton::clicked, this, [this] {
    line_->clear();
    take();
  });
  connect(&workspace_, &Workspace::selectionChanged, this, &HandOverRow::follow);
  connect(&workspace_, &Workspace::viewChanged, this, &HandOverRow::follow);
  connect(&workspace_, &Workspace::jobChanged, this, &HandOverRow::follow);
  follow();
}

bool HandOverRow::eventFilter(QObject* object, QEvent* event) {
  if (object == line_ && event->type() == QEvent::KeyPress && static_cast<QKeyEvent*>(event)->key() == Qt::Key_Escape) {
    line_->clear();
    echo();
    if (auto* sheet = window()->findChild<QWidget*>(workspace_.handsWall() ? QStringLiteral("wallView")
                                                                           : QStringLiteral("planView")))
      sheet->setFocus();
    return true;
  }
  return QWidget::eventFilter(object, event);
}

void HandOverRow::begin(const QString& digit) {
  line_->setFocus(Qt::ShortcutFocusReason);
  if (digit.isEmpty()) return take();
  line_->setText(digit);
  echo();
}

void HandOverRow::follow() {
  if (workspace_.stage() != Stage::HandOver) return;
  plan_->setChecked(!workspace_.handsWall());
  walls_->setChecked(workspace_.handsWall());
  const Placement* p = workspace_.selectedPlacement();
  const bool inches = workspace_.job().units == Unit::Inch;
  planned_->setEnabled(p != nullptr && !workspace_.document().readOnly());
  if (p == nullptr) {
    what_->setText(tr("Nothing selected"));
    line_->setPlaceholderText(inches ? tr("sofa came 84 1/2 x 37") : tr("sofa came 2146 x 940"));
  } else {
    const bool done = isDone(workspace_.job(), *p), wall = onWall(p->on) != nullptr;
    const QString state = !done ? tr("not yet") : wall ? tr("taped") : tr("is there");
    what_->setText(tr("%1, %2").arg(workspace_.nameOf(*p), state));
    line_->setPlaceholderText(wall     ? tr("Enter: as planned; or its middle, across x up")
                              : inches ? tr("Enter: as planned; or 84 1/2 x 37")
                                       : tr("Enter: as planned; or 2146 x 940"));
  }
  echo();
}

QString HandOverRow::lineFor(const QString& typed) const {
  if (saysCame(typed)) return typed;
  const Placement* p = workspace_.selectedPlacement();
  if (p == nullptr || onWall(p->on) != nullptr) return typed;
  return QString::fromStdString(p->piece.value) + QStringLiteral(" came ") + typed;
}

void HandOverRow::say(const QString& words, bool complaint) {
  named(echo_, complaint ? "barFault" : "handEcho");
  echo_->setText(words);
}

void HandOverRow::sayCame(const CameReading& came) {
  if (!came.meant) return say(tr("Say what came: sofa came 84 1/2 x 37"), true);
  say(onScreen(came.says()), !came.piece);
}

void HandOverRow::echo() {
  const QString typed = line_->text().trimmed();
  const Placement* p = workspace_.selectedPlacement();
  if (typed.isEmpty())
    return say(p == nullptr ? tr("Select by number, with Tab, or type what came.")
                            : tr("Numbers: in which order. Filled: it is there."));
  const bool wall = p != nullptr && onWall(p->on) != nullptr && !saysCame(typed);
  if (wall) {
    const TapedPlace place = placeIn(workspace_, typed);
    if (!place.complaint.isEmpty()) return say(place.complaint, true);
    return say(
        tr("Its middle %1 from the left end, %2 up").arg(workspace_.write(*place.across), workspace_.write(*place.up)));
  }
  sayCame(workspace_.readCame(lineFor(typed)));
}

void HandOverRow::take() {
  if (workspace_.document().readOnly()) return emit refused();
  const QString typed = line_->text().trimmed();
  const Placement* p = workspace_.selectedPlacement();
  if (p != nullptr && onWall(p->on) != nullptr && !saysCame(typed)) return takeHung(*p, typed);
  if (typed.isEmpty() && p == nullptr) return;
  takeCame(lineFor(typed));
}

void HandOverRow::takeCame(const QString& line) {
  const CameReading came = workspace_.readCame(line);
  sayCame(came);
  if (!workspace_.takeCame(came)) return;
  line_->clear();
  emit done(onScreen(came.says()));
  next();
}

void HandOverRow::takeHung(const Placement& p, const QString& text) {
  AsHung hung{onWall(p.on)->u, onWall(p.on)->v, today()};
  if (!text.isEmpty()) {
    const TapedPlace place = placeIn(workspace_, text);
    if (!place.complaint.isEmpty()) return say(place.complaint, true);
    hung.u = *place.across;
    hung.v = *place.up;
  }
  const Job after = withAsHung(workspace_.job(), workspace_.schemeId(), p.id, hung);
  const QString name = workspace_.nameOf(p);
  const PlacementId id = p.id;
  line_->clear();
  workspace_.document().edit(tr("%1 as it hangs").arg(name), after);
  const Scheme* scheme = workspace_.scheme();
  for (const Deviation& d : deviations(PieceIndex(workspace_.job()), *scheme))
    if (d.placement == id)
      emit done(tr("%1 hangs %2%3.")
                    .arg(name, onScreen(deviationWords(d, workspace_.format())),
                         d.over() ? tr(", more than it may") : QString()));
  next();
}

/// On to the next thing that is not there yet, in order.
void HandOverRow::next() {
  const auto order = workspace_.handOrder();
  const auto at = std::find(order.begin(), order.end(), workspace_.selected());
  for (std::size_t i = 0; i < order.size(); ++i) {
    const std::size_t from = at == order.end() ? 0 : static_cast<std::size_t>(at - order.begin()) + 1;
    const PlacementId& id = order[(from + i) % order.size()];
    const Placement* p = findPlacement(*workspace_.scheme(), id);
    if (p != nullptr && !isDone(workspace_.job(), *p)) return workspace_.select(id);
  }
}

}  // namespace mezzet
