#include "app/stages/displays/display_edge.h"

#include <QComboBox>
#include <QHBoxLayout>
#include <QLabel>
#include <QToolButton>
#include <algorithm>
#include <cmath>
#include <set>

#include "app/widgets/ghost_button.h"
#include "app/widgets/layouts.h"
#include "core/edit/displays.h"

namespace mezzet {
namespace {

constexpr int kCarrierWidth = 190;  // px

}  // namespace

DisplayEdge::DisplayEdge(Workspace& workspace, QWidget* parent) : QWidget(parent), workspace_(workspace) {
  auto* row = new QHBoxLayout(this);
  row->setContentsMargins(0, 0, 0, 0);
  row->setSpacing(6);
  const auto choice = [&](const char* name, const QString& words) {
    auto* box = new QComboBox;
    box->setObjectName(QString::fromUtf8(name));
    box->setAccessibleName(words);
    box->setToolTip(words);
    row->addWidget(box);
    return box;
  };
  const auto button = [&](const char* name, const QString& text, const QString& tip) {
    auto* b = new QToolButton;
    b->setObjectName(QString::fromUtf8(name));
    b->setText(text);
    b->setToolTip(tip);
    row->addWidget(b);
    return b;
  };
  carrier_ = choice("carrierChoice", tr("What things stand on"));
  carrier_->setMaximumWidth(kCarrierWidth);
  carrier_->setSizeAdjustPolicy(QComboBox::AdjustToContents);
  school_ = choice("displaySchool", tr("How it is judged: many kinds under one palette, or families in odd numbers"));
  season_ = choice("displaySeason", tr("What of the year is out; things of no season always are"));
  evening_ = button("displayEvening", tr("evening"), tr("Bays that no light reaches go dark. Q"));
  evening_->setCheckable(true);
  colours_ = button("displayColours", tr("colours ..."), tr("The palette it is kept to. J"));
  set_ = button("displaySet", tr("set it"), tr("Three ways to set what stands there; what is locked stays. S"));
  auto* ideas = new QWidget;
  ideas_ = new QHBoxLayout(ideas);
  ideas_->setContentsMargins(0, 0, 0, 0);
  ideas_->setSpacing(3);
  row->addWidget(ideas);
  note_ = new QLabel;
  note_->setObjectName(QStringLiteral("barLabel"));
  row->addWidget(note_);
  connect(carrier_, &QComboBox::activated, this,
          [this](int i) { workspace_.showCarrier(carrier_->itemData(i).toString().toStdString()); });
  connect(school_, &QComboBox::activated, this,
          [this](int i) { change([&](DisplaySet& d) { d.school = static_cast<DisplaySchool>(i); }); });
  connect(season_, &QComboBox::activated, this,
          [this](int i) { change([&](DisplaySet& d) { d.season = season_->itemData(i).toString().toStdString(); }); });
  connect(evening_, &QToolButton::clicked, &workspace_, &Workspace::showEvening);
  connect(colours_, &QToolButton::clicked, this, &DisplayEdge::coloursWanted);
  connect(set_, &QToolButton::clicked, this, &DisplayEdge::setIt);
  connect(&worker_, &Worker::busyChanged, this, [this](bool busy) {
    set_->setText(busy ? tr("stop") : offers_.empty() ? tr("set it") : tr("other ways"));
    note_->setText(busy ? tr("looking ...") : QString());
    emit resized();
  });
  connect(&worker_, &Worker::progressed, this,
          [this](double share) { note_->setText(tr("looking ... %1 %").arg(std::lround(100 * share))); });
}

void DisplayEdge::fill(QComboBox* box, const std::vector<std::pair<QString, QString>>& all, const QString& now) {
  const QSignalBlocker quiet(box);
  box->clear();
  for (const auto& [words, id] : all) box->addItem(words, id);
  box->setCurrentIndex(std::max(0, box->findData(now)));
}

void DisplayEdge::follow() {
  if (workspace_.stage() != Stage::Displays) return;
  const auto display = workspace_.display();
  std::vector<std::pair<QString, QString>> carriers;
  auto ids = workspace_.carriersHere();
  const std::string now = workspace_.carrier();
  if (!now.empty() && std::find(ids.begin(), ids.end(), now) == ids.end()) ids.push_back(now);
  const PieceIndex pieces(workspace_.job());
  for (const std::string& id : ids)
    if (const auto one = displayOf(workspace_.job(), pieces, *workspace_.room(), *workspace_.scheme(), id))
      carriers.emplace_back(QString::fromStdString(one->name), QString::fromStdString(id));
  fill(carrier_, carriers, QString::fromStdString(now));
  fill(school_, {{tr("as a bookcase"), "0"}, {tr("as a tabletop"), "1"}, {tr("as a mantel"), "2"}},
       display ? QString::number(static_cast<int>(display->school)) : QString());
  std::set<std::string> words;
  for (const auto& piece : workspace_.job().pieces)
    for (const std::string& season : piece->thing->seasons) words.insert(season);
  std::vector<std::pair<QString, QString>> seasons{{tr("all year"), QString()}};
  for (const std::string& season : words)
    seasons.emplace_back(QString::fromStdString(season), QString::fromStdString(season));
  fill(season_, seasons, display ? QString::fromStdString(display->season) : QString());
  season_->setVisible(seasons.size() > 1);
  evening_->setChecked(workspace_.evening());
  for (QWidget* w : {static_cast<QWidget*>(carrier_), static_cast<QWidget*>(school_), static_cast<QWidget*>(set_),
                     static_cast<QWidget*>(colours_), static_cast<QWidget*>(evening_)})
    w->setEnabled(display.has_value());
  // Offers are of one job: what was changed since is not undone by them.
  if (!offers_.empty() && !(offeredFor_ == workspace_.job())) dropOffers();
  updateGeometry();
}

void DisplayEdge::change(const std::function<void(DisplaySet&)>& how) {
  if (workspace_.scheme() == nullptr || workspace_.carrier().empty() || workspace_.document().readOnly())
    return follow();
  const DisplaySet* before = findDisplay(*workspace_.scheme(), workspace_.carrier());
  DisplaySet set = before != nullptr ? *before : DisplaySet{workspace_.carrier()};
  how(set);
  workspace_.document().edit(tr("change the display"), withDisplay(workspace_.job(), workspace_.schemeId(), set));
}

void DisplayEdge::setIt() {
  if (worker_.busy()) return worker_.stop();
  if (!workspace_.display() || workspace_.document().readOnly()) return;
  dropOffers();
  SetAsk ask{workspace_.schemeId(), workspace_.carrier(), {}, ++seed_, 3};
  offeredFor_ = workspace_.job();
  worker_.run<std::vector<SetOffer>>(
      [job = offeredFor_, &book = workspace_.book(), ask, format = workspace_.format()](std::stop_token stop,
                                                                                        Worker::Progress progress) {
        return setDisplay(job, book, ask, format, stop, progress);
      },
      [this](std::vector<SetOffer> offers) {
        offers_ = std::move(offers);
        showOffers();
      });
}

void DisplayEdge::showOffers() {
  emptyLayout(ideas_);
  set_->setText(tr("other ways"));
  note_->setText(offers_.empty() ? tr("nothing to set there yet") : QString());
  for (std::size_t i = 0; i < offers_.size(); ++i) {
    const SetOffer& offer = offers_[i];
    auto* b = new GhostButton(tr("way %1").arg(i + 1), workspace_, offer.job);
    b->setObjectName(QStringLiteral("setWay:%1").arg(i + 1));
    QString tip =
        QString::fromStdString(offer.idea) + tr(" Breaks %1 rules and %2 of taste.").arg(offer.rule).arg(offer.taste);
    if (!offer.left.empty()) {
      QStringList left;
      for (const PlacementId& id : offer.left)
        if (const Placement* p = findPlacement(*workspace_.scheme(), id)) left << workspace_.nameOf(*p);
      tip += tr(" Left over: %1.").arg(left.join(QStringLiteral(", ")));
    }
    b->setToolTip(tip);
    b->setAccessibleName(tr("Way %1: %2").arg(i + 1).arg(tip));
    connect(b, &QPushButton::clicked, this, [this, i] { take(i); });
    ideas_->addWidget(b);
  }
  emit resized();
}

void DisplayEdge::take(std::size_t offer) {
  if (offer >= offers_.size()) return;
  const SetOffer taken = offers_[offer];  // the edit drops what owns it
  workspace_.showGhost(std::nullopt);
  workspace_.document().edit(tr("set it"), taken.job);
}

void DisplayEdge::dropOffers() {
  offers_.clear();
  emptyLayout(ideas_);
  set_->setText(tr("set it"));
  note_->clear();
  emit resized();
}

}  // namespace mezzet
