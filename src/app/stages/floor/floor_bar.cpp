#include "app/stages/floor/floor_bar.h"

#include <QComboBox>
#include <QHBoxLayout>
#include <QLabel>
#include <QLineEdit>
#include <QToolButton>

#include "app/widgets/length_field.h"

namespace mezzet {

FloorBar::FloorBar(Workspace& workspace, QWidget* parent) : QWidget(parent), workspace_(workspace) {
  setObjectName(QStringLiteral("floorBar"));
  setAttribute(Qt::WA_StyledBackground);
  auto* row = new QHBoxLayout(this);
  row->setContentsMargins(10, 1, 10, 1);
  row->setSpacing(6);
  const auto words = [&](const QString& text) {
    auto* label = new QLabel(text);
    label->setObjectName(QStringLiteral("barLabel"));
    row->addWidget(label);
    return label;
  };
  words(tr("Room"));
  state_ = new QComboBox;
  state_->setObjectName(QStringLiteral("useState"));
  state_->setAccessibleName(tr("How the room is used"));
  state_->addItems({tr("every day"), tr("occupied"), tr("company")});
  state_->setToolTip(
      tr("Occupied: chairs pulled out, footrests out. Company: leaves in and stools drawn up as well. Y"));
  row->addWidget(state_);
  row->addSpacing(6);
  words(tr("Show"));
  const struct {
    FloorLayer layer;
    const char *text, *name, *tip;
  } buttons[] = {
      {FloorLayer::Ways, "ways", "layerWays", "Ways from the entry as ribbons of their clear width. W"},
      {FloorLayer::Talk, "talk", "layerTalk", "Who talks to whom, and how far a hand reaches. K"},
      {FloorLayer::Sight, "sight", "layerSight", "What is seen first from the entry, and which backs show. I"},
      {FloorLayer::Reached, "reached by", "layerReached",
       "The floor that someone of this width gets to from the entry. F"}};
  for (const auto& b : buttons) {
    auto* button = new QToolButton;
    button->setText(tr(b.text));
    button->setObjectName(QString::fromUtf8(b.name));
    button->setToolTip(tr(b.tip));
    button->setCheckable(true);
    connect(button, &QToolButton::clicked, this, [this, layer = b.layer](bool on) { workspace_.showLayer(layer, on); });
    row->addWidget(button);
    layers_[b.layer] = button;
  }
  width_ = new QLineEdit;
  width_->setObjectName(QStringLiteral("reachWidth"));
  width_->setProperty(kTakesLength, true);
  width_->setAccessibleName(tr("Width of the one who walks"));
  width_->setMaxLength(32);
  width_->setFixedWidth(68);
  connect(width_, &QLineEdit::editingFinished, this, &FloorBar::takeWidth);
  row->addWidget(width_);
  note_ = words({});
  row->addStretch(1);
  connect(state_, &QComboBox::activated, this, [this](int i) { workspace_.showState(static_cast<UseState>(i)); });
  connect(&workspace_, &Workspace::layersChanged, this, &FloorBar::follow);
  connect(&workspace_, &Workspace::viewChanged, this, &FloorBar::follow);
  connect(&workspace_, &Workspace::jobChanged, this, &FloorBar::follow);
  follow();
}

void FloorBar::follow() {
  setVisible(workspace_.stage() == Stage::Floor && workspace_.room() != nullptr);
  state_->setCurrentIndex(static_cast<int>(workspace_.useState()));
  for (const auto& [layer, button] : layers_) button->setChecked(workspace_.shows(layer));
  if (!width_->hasFocus()) width_->setText(workspace_.write(workspace_.reachWidth()));
  note_->setText(workspace_.room() != nullptr && mainEntry(*workspace_.room()) == nullptr
                     ? tr("No door yet, so no ways: add one in Measure.")
                 : workspace_.routesPending() && workspace_.anyLayer() ? tr("working out the ways")
                                                                       : QString());
}

void FloorBar::takeWidth() {
  const LengthReading reading = workspace_.read(width_->text());
  if (reading && *reading.length >= 100 && *reading.length <= 3000) workspace_.setReachWidth(*reading.length);
  else note_->setText(reading ? tr("Between 4 in and 10 ft.") : QString::fromStdString(reading.complaint));
  if (reading) width_->setText(workspace_.write(workspace_.reachWidth()));
}

}  // namespace mezzet
