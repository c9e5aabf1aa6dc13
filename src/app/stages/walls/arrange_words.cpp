#include "app/stages/walls/arrange_words.h"

#include <QEvent>
#include <QHBoxLayout>
#include <QLabel>
#include <QMenu>
#include <QPushButton>
#include <QSpinBox>

#include "app/stages/stages.h"
#include "app/widgets/layouts.h"
#include "app/widgets/length_field.h"
#include "core/entry/line_words.h"
#include "core/model/kinds.h"
#include "core/site/stair_wall.h"

namespace mezzet {
namespace {

constexpr int kGapField = 72;  // px
constexpr HangAs kOffered[] = {HangAs::Row,   HangAs::Grid,     HangAs::Salon,
                               HangAs::Loose, HangAs::Mirrored, HangAs::Stair};

QString wordOf(HangAs as) {
  const std::string_view word = hangAsWord(as);
  return QString::fromUtf8(word.data(), static_cast<qsizetype>(word.size()));
}

/// The made group that all of the selection is in, with its arrangement; null where it is none.
const Hang* hangOf(const Workspace& w) {
  const Placement* p = w.selectedPlacement();
  const auto group = p != nullptr ? groupOf(p->on) : std::nullopt;
  return group ? findHang(*w.scheme(), *group) : nullptr;
}

/// Whether a flight climbs along the wall that is seen.
bool runsAlong(const Workspace& w) {
  const auto wall = w.room() != nullptr ? findWall(*w.room(), w.wall()) : std::nullopt;
  return wall && !stairsAlong(*w.room(), heightsOf(*w.room()), *wall).empty();
}

}  // namespace

bool canArrange(const Workspace& w) {
  const PlacementIds all = w.selection();
  if (all.size() < 2 || rowOf(w.stage()).accepts != Accepts::Wall) return false;
  return std::all_of(all.begin(), all.end(), [&](const PlacementId& id) {
    const Placement* p = findPlacement(*w.scheme(), id);
    const auto* place = p != nullptr ? onWall(p->on) : nullptr;
    return place != nullptr && place->wall == w.wall() && !mountOf(pieceOf(w.job(), *p));
  });
}

ArrangeWords::ArrangeWords(Workspace& workspace, QWidget* parent) : QWidget(parent), workspace_(workspace) {
  row_ = new QHBoxLayout(this);
  row_->setContentsMargins(0, 0, 0, 0);
  row_->setSpacing(6);
  auto* title = new QLabel(tr("hang as"));
  title->setObjectName(QStringLiteral("barHint"));
  row_->addWidget(title);
  const Hang* now = hangOf(workspace_);
  const bool flight = runsAlong(workspace_);
  for (const HangAs as : kOffered) {
    if (as == HangAs::Stair && !flight) continue;
    auto* word = new QPushButton(wordOf(as));
    word->setObjectName(QStringLiteral("hang:") + wordOf(as));
    word->setAccessibleName(tr("Hang as %1").arg(wordOf(as)));
    word->setCheckable(true);
    word->setChecked(now != nullptr && now->as == as);
    word->setProperty("as", static_cast<int>(as));
    word->installEventFilter(this);
    connect(word, &QPushButton::clicked, this, [this, as, word] {
      word->setChecked(hangOf(workspace_) != nullptr && hangOf(workspace_)->as == as);
      ask(as, true);
    });
    row_->addWidget(word);
  }
  addMatch();
  auto* apart = new QLabel(tr("gap"));
  apart->setObjectName(QStringLiteral("barHint"));
  row_->addWidget(apart);
  wished_ = now != nullptr ? now->gap : std::nullopt;
  gap_ = new LengthField(tr("Gap between frames"), [this](const QString& text) {
    LengthReading reading = workspace_.read(text);
    if (reading) {
      wished_ = reading.length;
      ask(made(), true);
    }
    return reading;
  });
  gap_->setObjectName(QStringLiteral("hang:gap"));
  gap_->setFixedWidth(kGapField);
  gap_->show(workspace_.write(wished_.value_or(kHangGap)));
  gap_->setText(workspace_.write(wished_.value_or(kHangGap)));
  row_->addWidget(gap_);
  if (flight) addTreads(now != nullptr ? now->treads : 0);
}

/// How many treads from one frame to the next, of a climb.
void ArrangeWords::addTreads(int now) {
  auto* treads = new QSpinBox;
  treads->setObjectName(QStringLiteral("hang:treads"));
  treads->setAccessibleName(tr("Treads from one frame to the next"));
  treads->setRange(0, 20);
  treads->setSpecialValueText(tr("treads"));
  treads->setSuffix(tr(" treads"));
  treads->setValue(now);
  treads_ = now;
  connect(treads, &QSpinBox::valueChanged, this, [this](int value) {
    treads_ = value;
    ask(HangAs::Stair, false);
  });
  connect(treads, &QSpinBox::editingFinished, this, [this, now] {
    if (treads_ != now) ask(HangAs::Stair, true);
  });
  row_->addWidget(treads);
}

/// As large as another picture or group together: pointing at one shows it.
void ArrangeWords::addMatch() {
  if (workspace_.scheme() == nullptr) return;
  const std::vector<MatchModel> models =
      matchModels(workspace_.job(), *workspace_.scheme(), workspace_.selection(), workspace_.format());
  auto* word = new QPushButton(tr("match"));
  word->setObjectName(QStringLiteral("hang:match"));
  word->setAccessibleName(tr("Hang as large together as another picture or group"));
  word->setToolTip(models.empty() ? tr("No other picture hangs in this room")
                                  : tr("As large together as another picture or group"));
  word->setEnabled(!models.empty());
  auto* menu = new QMenu(word);
  for (const MatchModel& model : models) {
    QAction* like = menu->addAction(QString::fromStdString(model.words));
    connect(like, &QAction::hovered, this, [this, id = model.id] { ask(HangAs::Match, false, id); });
    connect(like, &QAction::triggered, this, [this, id = model.id] { ask(HangAs::Match, true, id); });
  }
  // Closed without a choice, nothing is shown any more. A choice is asked for after that.
  connect(menu, &QMenu::aboutToHide, this, [this] {
    worker_.stop();
    workspace_.showGhost(std::nullopt);
  });
  word->setMenu(menu);
  row_->addWidget(word);
}

HangAs ArrangeWords::made() const {
  const Hang* now = hangOf(workspace_);
  return now != nullptr && now->as != HangAs::Free ? now->as : HangAs::Row;
}

void ArrangeWords::typeGap(const QString& first) {
  gap_->setFocus(Qt::ShortcutFocusReason);
  gap_->setText(first);
  gap_->setModified(true);
}

bool ArrangeWords::eventFilter(QObject* watched, QEvent* event) {
  const QVariant as = watched->property("as");
  if (as.isValid()) {
    if (event->type() == QEvent::Enter || event->type() == QEvent::FocusIn) ask(static_cast<HangAs>(as.toInt()), false);
    if (event->type() == QEvent::Leave || event->type() == QEvent::FocusOut) {
      worker_.stop();
      workspace_.showGhost(std::nullopt);
      emit said({});
    }
  }
  return QWidget::eventFilter(watched, event);
}

void ArrangeWords::ask(HangAs as, bool take, const std::string& like) {
  if (!canArrange(workspace_)) return;
  HangRequest request = requestFor(*workspace_.scheme(), workspace_.selection(), workspace_.wall(), as);
  request.gap = wished_;
  if (as == HangAs::Stair) request.treads = treads_;
  if (!like.empty()) request.like = like;
  IdSource ids = workspace_.document().ids();
  struct Answer {
    Result<HangPlan> plan = Error{};
    long long nextId = 0;
  };
  worker_.run<Answer>(
      [job = workspace_.job(), &book = workspace_.book(), scheme = workspace_.schemeId(), request, ids,
       format = workspace_.format()](std::stop_token stop, const Worker::Progress&) {
        IdSource own = ids;
        Answer answer{hangPlan(job, book, scheme, request, own, format, stop), 0};
        answer.nextId = own.next();
        return answer;
      },
      [this, as, take](Answer answer) {
        if (!answer.plan) {
          emit said(QString::fromStdString(answer.plan.error().text()) + QStringLiteral("."));
          return;
        }
        QString words = onScreen(answer.plan->says);
        if (words.isEmpty() && answer.plan->envelope)
          words = tr("%1 by %2 outside.")
                      .arg(workspace_.write(answer.plan->envelope->width()),
                           workspace_.write(answer.plan->envelope->height()));
        emit said(words);
        if (!answer.plan->fits) workspace_.showGhost(std::nullopt);
        else if (take) this->take(*answer.plan, as, answer.nextId);
        else workspace_.showGhost(answer.plan->job);
      });
}

void ArrangeWords::take(const HangPlan& plan, HangAs as, long long nextId) {
  workspace_.showGhost(std::nullopt);
  workspace_.document().edit(tr("hang as %1").arg(wordOf(as)), plan.job, nextId);
}

}  // namespace mezzet
