#include "app/stages/measure/site_panel.h"

#include <QApplication>
#include <QGridLayout>
#include <QKeyEvent>
#include <QLineEdit>
#include <QVBoxLayout>

#include "app/stages/measure/fixed_list.h"
#include "app/stages/measure/heights_page.h"
#include "app/stages/measure/house_page.h"
#include "app/stages/measure/in_wall_page.h"
#include "app/widgets/layouts.h"
#include "app/widgets/length_field.h"
#include "app/stages/measure/measure_panel.h"
#include "app/stages/measure/openings_list.h"
#include "app/stages/measure/photographs_page.h"
#include "app/stages/measure/trace_page.h"

namespace mezzet {
namespace {

constexpr std::pair<Topic, const char*> kTopics[] = {{Topic::Walls, QT_TRANSLATE_NOOP("SitePanel", "Walls")},
                                                     {Topic::Openings, QT_TRANSLATE_NOOP("SitePanel", "Openings")},
                                                     {Topic::Heights, QT_TRANSLATE_NOOP("SitePanel", "Heights")},
                                                     {Topic::Fixed, QT_TRANSLATE_NOOP("SitePanel", "Fixed")},
                                                     {Topic::InWall, QT_TRANSLATE_NOOP("SitePanel", "In walls")},
                                                     {Topic::Picture, QT_TRANSLATE_NOOP("SitePanel", "Tracing")},
                                                     {Topic::Photographs, QT_TRANSLATE_NOOP("SitePanel", "Photos")},
                                                     {Topic::House, QT_TRANSLATE_NOOP("SitePanel", "House")}};

}  // namespace

SitePanel::SitePanel(Workspace& workspace, TraceView& trace, QWidget* parent) : QWidget(parent), workspace_(workspace) {
  setObjectName(QStringLiteral("panel"));
  setAttribute(Qt::WA_StyledBackground);
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(0);
  auto* chips = new QGridLayout;
  chips->setContentsMargins(10, 10, 10, 2);
  chips->setSpacing(4);
  int at = 0;
  for (const auto& [topic, name] : kTopics) {
    auto* chip = new QPushButton(tr(name));
    chip->setObjectName(QStringLiteral("topic"));
    chip->setProperty("topic", static_cast<int>(topic));
    chip->setCheckable(true);
    connect(chip, &QPushButton::clicked, this, [this, topic = topic] { workspace_.showTopic(topic); });
    chips->addWidget(chip, at / 4, at % 4);
    topics_ << chip;
    ++at;
  }
  column->addLayout(chips);
  pages_ = new QStackedWidget(this);
  walls_ = new MeasurePanel(workspace_, pages_);
  inWall_ = new InWallPage(workspace_, pages_);
  tracing_ = new TracePage(workspace_, trace, pages_);
  photographs_ = new PhotographsPage(workspace_, pages_);
  const auto scrolling = [this](QWidget* list) {
    auto* page = new QWidget(pages_);
    auto* inside = scrollingColumn(page);
    inside->addWidget(list);
    inside->addStretch(1);
    return page;
  };
  pages_->addWidget(walls_);
  pages_->addWidget(scrolling(new OpeningsList(workspace_)));
  pages_->addWidget(new HeightsPage(workspace_, pages_));
  pages_->addWidget(scrolling(new FixedList(workspace_)));
  pages_->addWidget(inWall_);
  pages_->addWidget(tracing_);
  pages_->addWidget(photographs_);
  pages_->addWidget(new HousePage(workspace_, pages_));
  column->addWidget(pages_, 1);
  auto* device = new QWidget;
  device->setObjectName(QStringLiteral("meterStrip"));
  device->setAttribute(Qt::WA_StyledBackground);
  auto* row = new QHBoxLayout(device);
  row->setContentsMargins(12, 6, 10, 6);
  live_ = new QLabel;
  live_->setObjectName(QStringLiteral("meterLive"));
  live_->setTextFormat(Qt::PlainText);
  row->addWidget(live_, 1);
  press_ = new QPushButton(tr("Take"));
  press_->setObjectName(QStringLiteral("meterTake"));
  press_->setToolTip(
      tr("As if the device's button had been pressed; the reading goes into the field with the keyboard"));
  press_->setFocusPolicy(Qt::NoFocus);  // the keyboard stays in the field
  connect(press_, &QPushButton::clicked, &meter_, &MeterLink::press);
  row->addWidget(press_);
  connect_ = new QPushButton;
  connect_->setObjectName(QStringLiteral("meterConnect"));
  connect(connect_, &QPushButton::clicked, this, &SitePanel::switchMeter);
  row->addWidget(connect_);
  column->addWidget(device);
  connect(&meter_, &MeterLink::stateChanged, this, &SitePanel::showMeter);
  connect(&meter_, &MeterLink::live, this,
          [this](double v) { live_->setText(tr("sees %1").arg(workspace_.write(v))); });
  connect(&meter_, &MeterLink::trouble, this, [this](const QString& words) { live_->setText(words); });
  connect(&meter_, &MeterLink::reading, this, &SitePanel::drop);
  connect(&meter_, &MeterLink::hit, this, [this](double along, double confidence) {
    if (workspace_.topic() != Topic::InWall || workspace_.stage() != Stage::Measure)
      return live_->setText(tr("A stud hit waits for its wall: In walls"));
    inWall_->addHit(along, confidence);
  });
  connect(&workspace_, &Workspace::viewChanged, this, &SitePanel::show);
  show();
  showMeter();
}

void SitePanel::show() {
  for (QPushButton* chip : topics_)
    chip->setChecked(chip->property("topic").toInt() == static_cast<int>(workspace_.topic()));
  pages_->setCurrentIndex(static_cast<int>(workspace_.topic()));
}

void SitePanel::switchMeter() {
  if (meter_.state() == MeterLink::State::Off) meter_.open();
  else meter_.close();
}

void SitePanel::showMeter() {
  const QString device = meter_.device().isEmpty()
                             ? (meter_.kind() == MeterKind::Stud ? tr("stud detector") : tr("laser meter"))
                             : meter_.device();
  switch (meter_.state()) {
    case MeterLink::State::Off: live_->setText(tr("No meter")); break;
    case MeterLink::State::Looking: live_->setText(tr("Looking for a meter ...")); break;
    case MeterLink::State::On: live_->setText(tr("%1 is there").arg(device)); break;
    case MeterLink::State::Lost: live_->setText(tr("%1 is lost; looking ...").arg(device)); break;
  }
  connect_->setText(meter_.state() == MeterLink::State::Off ? tr("Connect") : tr("Let go"));
  press_->setVisible(meter_.state() == MeterLink::State::On);
}

void SitePanel::drop(double value, double u95) {
  auto* field = qobject_cast<QLineEdit*>(QApplication::focusWidget());
  // Never into a name, a note or a file dialog: only what Mezzet itself made for lengths.
  if (field == nullptr || !field->property(kTakesLength).toBool() || !field->isEnabled() || field->isReadOnly()) {
    live_->setText(
        tr("%1 read: put the keyboard into a field for a length, and take it again").arg(workspace_.write(value)));
    return;
  }
  live_->setText(tr("%1 read").arg(workspace_.write(value)));
  // In millimetres, so that nothing is lost to the fractions of an inch.
  const QString figure = QString::number(value, 'f', 1) + QStringLiteral(" mm");
  if (field->objectName() == QStringLiteral("readingLine")) {
    QString before = field->text().trimmed();
    field->setText((before.isEmpty() ? QString() : before + QLatin1Char(' ')) + figure +
                   QStringLiteral(" laser \u00b1%1 mm").arg(u95, 0, 'f', 1));
  } else {
    field->setText(figure);
    field->setModified(true);
  }
  QKeyEvent press(QEvent::KeyPress, Qt::Key_Return, Qt::NoModifier);
  QApplication::sendEvent(field, &press);
}

}  // namespace mezzet
