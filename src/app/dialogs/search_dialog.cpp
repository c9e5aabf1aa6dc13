#include "app/dialogs/search_dialog.h"

#include <QComboBox>
#include <QFormLayout>
#include <QHBoxLayout>
#include <QLabel>
#include <QPushButton>
#include <QSlider>
#include <algorithm>

#include "app/document/today.h"
#include "app/view/still_picture.h"
#include "app/widgets/layouts.h"
#include "core/base/sentence.h"
#include "core/choose/budget.h"
#include "core/model/kinds.h"
#include "core/rules/base/names.h"

namespace mezzet {
namespace {

constexpr int kSeconds = 10, kTick = 200;  // of one search; ms between words about it
constexpr QSize kCard(140, 108);

QString wishWords(int much) {
  return much == 0   ? SearchDialog::tr("not asked")
         : much == 1 ? SearchDialog::tr("gladly")
         : much == 2 ? SearchDialog::tr("much")
                     : SearchDialog::tr("above all");
}

/// "10,797"
QString counted(long long many) { return QString::fromStdString(moneyText(static_cast<double>(many))); }

}  // namespace

SearchDialog::SearchDialog(Workspace& workspace, QWidget* parent) : QDialog(parent), workspace_(workspace) {
  setObjectName(QStringLiteral("searchDialog"));
  setWindowTitle(tr("Layouts for this room"));
  resize(1200, 740);
  auto* row = new QHBoxLayout(this);
  row->setContentsMargins(18, 14, 18, 14);
  row->setSpacing(18);
  row->addWidget(wishes());
  auto* column = new QVBoxLayout;
  picture_ = new StillView;
  picture_->setObjectName(QStringLiteral("searchPicture"));
  column->addWidget(picture_, 1);
  why_ = words({}, "subject");
  figures_ = words({}, "figures");
  column->addWidget(why_);
  column->addWidget(figures_);
  auto* cards = new QWidget;
  cards_ = new QHBoxLayout(cards);
  cards_->setContentsMargins(0, 4, 0, 4);
  cards_->setSpacing(8);
  column->addWidget(cards);
  auto* buttons = new QHBoxLayout;
  buttons->addStretch(1);
  take_ = new QPushButton(tr("Take it as a scheme"));
  take_->setObjectName(QStringLiteral("primary"));
  take_->setEnabled(false);
  connect(take_, &QPushButton::clicked, this, &SearchDialog::take);
  auto* close = new QPushButton(tr("Close"));
  close->setAutoDefault(false);
  connect(close, &QPushButton::clicked, this, [this] {
    over_.request_stop();
    QDialog::reject();
  });
  buttons->addWidget(take_);
  buttons->addWidget(close);
  column->addLayout(buttons);
  row->addLayout(column, 1);
  clock_.setInterval(kTick);
  connect(&clock_, &QTimer::timeout, this, &SearchDialog::tell);
  shown_ = workspace_.job();
  paint();
  if (workspace_.document().readOnly()) take_->setToolTip(tr("This window only looks at the job."));
}

SearchDialog::~SearchDialog() { over_.request_stop(); }

QWidget* SearchDialog::wishes() {
  auto* box = new QWidget;
  box->setFixedWidth(262);
  auto* column = new QVBoxLayout(box);
  column->setContentsMargins(0, 0, 0, 0);
  column->addWidget(words(tr("What is wanted"), "subject"));
  const std::tuple<const char*, QString, int Wishes::*> all[] = {
      {"seats", tr("A surface in reach of each seat"), &Wishes::seats},
      {"talk", tr("Seats that talk"), &Wishes::talk},
      {"screen", tr("Seats that see the screen"), &Wishes::screen},
      {"storage", tr("Room before cupboards"), &Wishes::storage},
      {"reading", tr("A seat to read by a window"), &Wishes::reading},
      {"floor", tr("Bare floor"), &Wishes::freeFloor}};
  const Wishes usual;
  for (const auto& [name, title, wish] : all) {
    auto* label = words({}, "quietNote");
    auto* slider = new QSlider(Qt::Horizontal);
    slider->setObjectName(QStringLiteral("wish:") + QString::fromUtf8(name));
    slider->setRange(0, kMostWish);
    slider->setPageStep(1);
    const auto say = [label, title = title, slider](int much) {
      label->setText(title + QStringLiteral(": ") + wishWords(much));
      slider->setAccessibleName(title);
      slider->setAccessibleDescription(wishWords(much));
    };
    connect(slider, &QSlider::valueChanged, box, say);
    slider->setValue(usual.*wish);
    say(usual.*wish);
    column->addWidget(label);
    column->addWidget(slider);
    sliders_.emplace_back(slider, wish);
  }
  auto* form = new QFormLayout;
  walls_ = new QComboBox;
  walls_->setObjectName(QStringLiteral("searchWalls"));
  walls_->setAccessibleName(tr("Where the main seats stand"));
  walls_->addItems({tr("at the walls"), tr("off the walls"), tr("as it comes")});
  walls_->setCurrentIndex(2);
  form->addRow(tr("Main seats"), walls_);
  anchor_ = new QComboBox;
  anchor_->setObjectName(QStringLiteral("searchAnchor"));
  anchor_->setAccessibleName(tr("What the seats are set round"));
  anchor_->addItem(tr("as it comes"), QString());
  anchor_->setSizeAdjustPolicy(QComboBox::AdjustToMinimumContentsLengthWithIcon);
  anchor_->setMinimumContentsLength(10);
  if (const Room* room = workspace_.room()) {
    for (const Feature& f : room->features)
      if (f.kind == FeatureKind::Hearth)
        anchor_->addItem(tr("the %1").arg(QString::fromStdString(std::string(featureWord(f.kind)))),
                         QString::fromStdString(f.id.value));
    for (const Opening& o : room->openings)
      if (o.kind == OpeningKind::Window)
        anchor_->addItem(tr("the %1").arg(QString::fromStdString(openingName(*room, o))),
                         QString::fromStdString(o.id.value));
  }
  if (const Scheme* scheme = workspace_.scheme())
    for (const Placement& p : scheme->placements)
      if (isScreen(pieceOf(workspace_.job(), p).kind) || (p.locked && onFloor(p.on) != nullptr))
        anchor_->addItem(workspace_.nameOf(p), QString::fromStdString(p.id.value));
  form->addRow(tr("Set round"), anchor_);
  column->addLayout(form);
  begin_ = new QPushButton(tr("Search for %1 s").arg(kSeconds));
  begin_->setObjectName(QStringLiteral("searchBegin"));
  begin_->setDefault(true);
  connect(begin_, &QPushButton::clicked, this, &SearchDialog::beginOrStop);
  column->addSpacing(6);
  column->addWidget(begin_);
  line_ = words({}, "quietNote");
  line_->setObjectName(QStringLiteral("searchLine"));
  line_->setMinimumHeight(62);
  line_->setAlignment(Qt::AlignTop);
  column->addWidget(line_);
  column->addStretch(1);
  column->addWidget(
      words(tr("Moved is what stands on the floor of this scheme; what is locked stays. Pictures, shelves "
               "and lights stay where they are, and are judged with what is offered. Each layout is judged "
               "by this house's rules; what you like is yours to say."),
            "quietNote"));
  return box;
}

SearchAsk SearchDialog::asked() const {
  SearchAsk ask;
  ask.scheme = workspace_.schemeId();
  ask.anchor = anchor_->currentData().toString().toStdString();
  ask.states = {workspace_.useState()};
  ask.walls = static_cast<WallsWish>(walls_->currentIndex());
  for (const auto& [slider, wish] : sliders_) ask.wishes.*wish = slider->value();
  ask.seed = seed_;
  ask.candidates = candidates_;
  // The interface keeps a share of the machine.
  ask.threads = 2;
  return ask;
}

void SearchDialog::beginOrStop() {
  if (worker_.busy()) {
    over_.request_stop();
    begin_->setEnabled(false);
    return;
  }
  begin();
}

void SearchDialog::begin() {
  if (workspace_.scheme() == nullptr || worker_.busy()) return;
  ++seed_;
  ask_ = asked();
  searched_ = workspace_.job();
  offers_.clear();
  taken_.clear();
  emptyLayout(cards_);
  take_->setEnabled(false);
  why_->clear();
  figures_->clear();
  progress_ = {};
  over_ = std::stop_source();
  since_.start();
  clock_.start();
  begin_->setText(tr("Stop and keep the best"));
  const auto token = over_.get_token();
  worker_.run<SearchResult>(
      [this, job = searched_, &book = workspace_.book(), ask = ask_, format = workspace_.format(), token](
          const std::stop_token&, const Worker::Progress&) {
        return searchLayouts(job, book, ask, format, token, [this](const SearchProgress& so) {
          QMetaObject::invokeMethod(this, [this, so] { heard(so); });
        });
      },
      [this](SearchResult result) {
        clock_.stop();
        progress_.judged = result.judged;
        progress_.bounded = result.bounded;
        offers_ = std::move(result.offers);
        taken_.assign(offers_.size(), SchemeId());
        begin_->setEnabled(true);
        begin_->setText(tr("Search once more"));
        line_->setText(
            result.says.empty()
                ? tr("%1 layouts judged, %2 thrown out before that. Offered: %3 that differ, the best judged first.")
                      .arg(counted(result.judged), counted(result.bounded))
                      .arg(offers_.size())
                : onScreen(result.says));
        showOffers();
      });
  tell();
}

void SearchDialog::heard(const SearchProgress& so) {
  if (!worker_.busy()) return;
  progress_.judged = so.judged;
  progress_.bounded = so.bounded;
  progress_.best = so.best;
  progress_.layout = so.layout;
}

void SearchDialog::tell() {
  if (candidates_ == 0 && since_.elapsed() >= kSeconds * 1000) over_.request_stop();
  QString words = tr("%1 layouts judged so far.").arg(counted(progress_.judged));
  if (progress_.best)
    words += progress_.best->must == 0 && progress_.best->rule == 0 ? tr(" The best breaks nothing of weight.")
                                                                    : tr(" The best still breaks something.");
  words += over_.stop_requested() ? tr(" Judging the best with their ways drawn ...")
                                  : tr(" Escape stops, and keeps the best.");
  line_->setText(words);
  if (!progress_.layout) return;
  // Each better one is drawn as it is found.
  const Ground ground = groundOf(searched_, ask_);
  if (ground.movables.size() == progress_.layout->at.size()) shown_ = withLayout(searched_, ground, *progress_.layout);
  progress_.layout.reset();
  paint();
}

void SearchDialog::showOffers() {
  emptyLayout(cards_);
  for (std::size_t i = 0; i < offers_.size(); ++i) {
    auto* card = new QPushButton;
    card->setObjectName(QStringLiteral("offer:%1").arg(i + 1));
    card->setCheckable(true);
    card->setAutoDefault(false);
    card->setIconSize(kCard);
    card->setStyleSheet(
        QStringLiteral("QPushButton { padding: 4px; } QPushButton:checked { border: 2px solid #1d2730; }"));
    card->setIcon(planPicture(workspace_, offers_[i].job, ask_.scheme, kCard, devicePixelRatioF(), true));
    card->setToolTip(onScreen(offers_[i].why));
    card->setAccessibleName(tr("Layout %1: %2").arg(i + 1).arg(onScreen(offers_[i].why)));
    connect(card, &QPushButton::clicked, this, [this, i] { choose(i); });
    cards_->addWidget(card);
  }
  cards_->addStretch(1);
  if (!offers_.empty()) choose(0);
}

void SearchDialog::choose(std::size_t offer) {
  chosen_ = offer;
  const SearchOffer& o = offers_[offer];
  for (std::size_t i = 0; i < offers_.size(); ++i)
    if (auto* card = findChild<QPushButton*>(QStringLiteral("offer:%1").arg(i + 1))) card->setChecked(i == offer);
  why_->setText(onScreen(o.why));
  QStringList figures;
  if (const Room* room = workspace_.room())
    for (const std::string& word : figureWords(o.figures, *room, workspace_.job().units, workspace_.format()))
      figures << onScreen(word);
  if (o.talkPairs == 1) figures << tr("one pair of seats that talk");
  else if (o.talkPairs > 1) figures << tr("%1 pairs of seats that talk").arg(o.talkPairs);
  QString text = figures.join(QStringLiteral(", "));
  if (!o.firstSight.empty()) text += QStringLiteral(". ") + onScreen(o.firstSight);
  figures_->setText(text);
  shown_ = o.job;
  take_->setEnabled(!workspace_.document().readOnly() && taken_[offer].empty());
  take_->setText(taken_[offer].empty() ? tr("Take it as a scheme") : tr("Taken"));
  paint();
}

void SearchDialog::paint() {
  picture_->show([this](QSize size, double ratio) {
    return shown_ ? planPicture(workspace_, *shown_, ask_.scheme.empty() ? workspace_.schemeId() : ask_.scheme, size,
                                ratio)
                  : QPixmap();
  });
}

void SearchDialog::take() {
  if (chosen_ >= offers_.size() || workspace_.document().readOnly() || !taken_[chosen_].empty()) return;
  IdSource ids = workspace_.document().ids();
  SchemeId fresh;
  Job after = withOfferTaken(workspace_.job(), ask_, offers_[chosen_], today(), ids, fresh);
  if (!workspace_.document().edit(tr("take a searched layout"), std::move(after), ids.next())) return;
  taken_[chosen_] = fresh;
  workspace_.showScheme(fresh);
  choose(chosen_);
}

void SearchDialog::reject() {
  if (worker_.busy()) {
    over_.request_stop();
    return tell();
  }
  QDialog::reject();
}

}  // namespace mezzet
