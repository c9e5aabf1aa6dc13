#include "app/stages/floor/sheet_edge.h"

#include <QComboBox>
#include <QHBoxLayout>
#include <QLabel>
#include <QLineEdit>
#include <QToolButton>
#include <cmath>

#include "app/stages/displays/display_edge.h"
#include "app/widgets/length_field.h"

namespace mezzet {

SheetEdge::SheetEdge(Workspace& workspace, QWidget* parent) : QWidget(parent), workspace_(workspace) {
  setObjectName(QStringLiteral("sheetEdge"));
  setAttribute(Qt::WA_StyledBackground);
  auto* both = new QHBoxLayout(this);
  both->setContentsMargins(8, 1, 8, 1);
  both->setSpacing(0);
  const auto part = [&] {
    auto* widget = new QWidget;
    auto* inner = new QHBoxLayout(widget);
    inner->setContentsMargins(0, 0, 0, 0);
    inner->setSpacing(6);
    both->addWidget(widget);
    return widget;
  };
  floor_ = part();
  walls_ = part();
  light_ = part();
  addDisplay(*both);
  auto* row = static_cast<QHBoxLayout*>(floor_->layout());
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
  connect(width_, &QLineEdit::editingFinished, this, &SheetEdge::takeWidth);
  row->addWidget(width_);
  note_ = words({});
  row->addStretch(1);  // a width kept from a longer note stays empty
  const auto wall = [&](const QString& text, const char* name, auto signal) {
    auto* button = new QToolButton;
    button->setText(text);
    button->setObjectName(QString::fromUtf8(name));
    connect(button, &QToolButton::clicked, this, signal);
    walls_->layout()->addWidget(button);
  };
  wall(tr("Wall before"), "wallBefore", &SheetEdge::previousWall);
  wall(tr("Next wall"), "wallAfter", &SheetEdge::nextWall);
  addFoldOut();
  addLight();
  connect(state_, &QComboBox::activated, this, [this](int i) { workspace_.showState(static_cast<UseState>(i)); });
  for (auto signal : {&Workspace::layersChanged, &Workspace::viewChanged, &Workspace::estimateChanged})
    connect(&workspace_, signal, this, &SheetEdge::follow);
  connect(&workspace_, &Workspace::jobChanged, this, &SheetEdge::follow);
  follow();
}

void SheetEdge::addDisplay(QHBoxLayout& row) {
  display_ = new DisplayEdge(workspace_);
  row.addWidget(display_);
  connect(display_, &DisplayEdge::resized, this, &SheetEdge::follow);
  connect(display_, &DisplayEdge::coloursWanted, this, &SheetEdge::coloursWanted);
}

void SheetEdge::addFoldOut() {
  opened_ = new QToolButton;
  opened_->setText(tr("all walls"));
  opened_->setObjectName(QStringLiteral("foldOut"));
  opened_->setToolTip(tr("The room opened like a box. O"));
  opened_->setCheckable(true);
  connect(opened_, &QToolButton::clicked, this, [this](bool on) { workspace_.foldOut(on); });
  walls_->layout()->addWidget(opened_);
  nails_ = new QToolButton;
  nails_->setText(tr("nails"));
  nails_->setObjectName(QStringLiteral("showNails"));
  nails_->setToolTip(tr("Where each nail goes: hooks, loads, fixings, studs. N"));
  nails_->setCheckable(true);
  connect(nails_, &QToolButton::clicked, &workspace_, &Workspace::showNails);
  walls_->layout()->addWidget(nails_);
}

/// How much light there is, and its figures.
void SheetEdge::addLight() {
  auto* lux = new QToolButton;
  lux->setText(tr("estimate of light"));
  lux->setObjectName(QStringLiteral("lightEstimate"));
  lux->setToolTip(tr("Lines of equal light 30 in (760 mm) up, as far as lumens are known. V"));
  lux->setCheckable(true);
  connect(lux, &QToolButton::clicked, &workspace_, &Workspace::showEstimate);
  light_->layout()->addWidget(lux);
  lux_ = lux;
  luxNote_ = new QLabel;
  luxNote_->setObjectName(QStringLiteral("barLabel"));
  light_->layout()->addWidget(luxNote_);
}

void SheetEdge::follow() {
  const Accepts accepts = rowOf(workspace_.stage()).accepts;
  const bool handed = workspace_.stage() == Stage::HandOver && workspace_.handsWall();
  setVisible((accepts != Accepts::Nothing || handed) && workspace_.room() != nullptr);
  floor_->setVisible(accepts == Accepts::Floor);
  walls_->setVisible(accepts == Accepts::Wall || handed);
  opened_->setVisible(!handed);
  nails_->setVisible(!handed);
  light_->setVisible(accepts == Accepts::Ceiling);
  display_->setVisible(accepts == Accepts::Display);
  display_->follow();
  opened_->setChecked(workspace_.foldedOut());
  nails_->setChecked(workspace_.showsNails());
  lux_->setChecked(workspace_.showsEstimate());
  luxNote_->setText(estimateWords());
  luxNote_->setVisible(!luxNote_->text().isEmpty());
  state_->setCurrentIndex(static_cast<int>(workspace_.useState()));
  for (const auto& [layer, button] : layers_) button->setChecked(workspace_.shows(layer));
  if (!width_->hasFocus()) width_->setText(workspace_.write(workspace_.reachWidth()));
  say(workspace_.room() != nullptr && mainEntry(*workspace_.room()) == nullptr ? tr("no door yet")
      : workspace_.routesPending() && workspace_.anyLayer()                    ? tr("working ...")
                                                                               : QString());
  floor_->updateGeometry();
  updateGeometry();
  emit resized();
}

QString SheetEdge::estimateWords() const {
  const LightEstimate* e = workspace_.lightEstimate();
  if (e == nullptr) return workspace_.showsEstimate() ? tr("working ...") : QString();
  if (e->lx.empty()) return tr("the room is too small for it");
  if (e->most <= 0) return tr("no light has lumens yet: type them in the piece list");
  const auto lx = [](double v) { return QString::number(std::lround(v)); };
  QString words = tr("about %1 lx, least %2, most %3").arg(lx(e->average), lx(e->least), lx(e->most));
  if (!e->unknown.empty()) words += tr("; %1 without lumens").arg(e->unknown.size());
  return words;
}

/// Beside the width, short: in the other corner stand the drawing's own words.
void SheetEdge::say(const QString& words) {
  constexpr int kMost = 130;  // px
  note_->setText(note_->fontMetrics().elidedText(words, Qt::ElideRight, kMost));
  note_->setToolTip(words);
  note_->setVisible(!words.isEmpty());
}

void SheetEdge::takeWidth() {
  constexpr double kLeast = 4 * kInch, kMost = 10 * kFoot;
  const LengthReading reading = workspace_.read(width_->text());
  if (!reading) return say(QString::fromStdString(reading.complaint));
  if (*reading.length >= kLeast && *reading.length <= kMost) workspace_.setReachWidth(*reading.length);
  else say(tr("between %1 and %2").arg(workspace_.write(kLeast), workspace_.write(kMost)));
  width_->setText(workspace_.write(workspace_.reachWidth()));
}

}  // namespace mezzet
