#include "app/dialogs/areas_dialog.h"

#include <QCheckBox>
#include <QComboBox>
#include <QHBoxLayout>
#include <QLabel>
#include <QLineEdit>
#include <QPushButton>
#include <QVBoxLayout>
#include <algorithm>

#include "app/dialogs/area_plan.h"
#include "app/document/today.h"
#include "app/view/still_picture.h"
#include "app/widgets/layouts.h"
#include "core/edit/choosing.h"
#include "core/model/kinds.h"

namespace mezzet {

AreasDialog::AreasDialog(Workspace& workspace, QWidget* parent) : QDialog(parent), workspace_(workspace) {
  setObjectName(QStringLiteral("areasDialog"));
  setWindowTitle(tr("Areas of the room"));
  resize(1180, 690);
  auto* row = new QHBoxLayout(this);
  row->setContentsMargins(18, 14, 18, 14);
  row->setSpacing(18);
  plan_ = new AreaPlan(workspace_);
  connect(plan_, &AreaPlan::drawn, this, [this](Vec2 from, Vec2 to) {
    IdSource ids = workspace_.document().ids();
    auto fresh = areaDrawn(workspace_.job(), workspace_.schemeId(), from, to, ids);
    add(tr("draw an area"), std::move(fresh), ids);
  });
  row->addWidget(plan_, 1);
  auto* side = new QWidget;
  side->setFixedWidth(430);
  auto* column = new QVBoxLayout(side);
  column->setContentsMargins(0, 0, 0, 0);
  rows_ = scrollingRows(column);
  auto* close = new QPushButton(tr("Close"));
  close->setAutoDefault(false);
  connect(close, &QPushButton::clicked, this, &QDialog::accept);
  column->addWidget(close, 0, Qt::AlignRight);
  row->addWidget(side);
  connect(&workspace_, &Workspace::jobChanged, this, &AreasDialog::rebuild, Qt::QueuedConnection);
  rebuild();
}

void AreasDialog::rebuild() {
  if (workspace_.scheme() == nullptr || workspace_.room() == nullptr) return reject();
  const FocusKept kept(this);
  emptyLayout(rows_);
  addWays(rows_);
  addAreas(rows_);
  addTakenOut(rows_);
  rows_->addStretch(1);
  plan_->show([this](QSize size, double ratio) {
    return planPicture(workspace_, workspace_.job(), workspace_.schemeId(), size, ratio);
  });
}

void AreasDialog::addWays(QVBoxLayout* rows) {
  const Room& room = *workspace_.room();
  const double ratio = lengthOverWidth(room);
  const bool isLong = ratio > kLongRoom;
  rows->addWidget(words(
      isLong ? tr("This room is %1 times as long as it is wide: two or three areas make it rooms to be in.")
                   .arg(ratio, 0, 'f', 1)
             : tr("What each part of the room is for; printed with the plan. Drag from corner to corner to draw one."),
      "quietNote"));
  auto* line = new QHBoxLayout;
  auto* below = new QHBoxLayout;
  const auto button = [&](QHBoxLayout* in, const char* name, const QString& text, const QString& tip, auto make,
                          bool enabled = true) {
    auto* b = new QPushButton(text);
    b->setObjectName(QString::fromUtf8(name));
    b->setToolTip(tip);
    b->setAutoDefault(false);
    b->setEnabled(enabled && !workspace_.document().readOnly());
    connect(b, &QPushButton::clicked, this, make);
    in->addWidget(b);
  };
  button(line, "areasFound", tr("From what stands there"), tr("Seats that talk, tables with their chairs, desks"),
         [this] {
           IdSource ids = workspace_.document().ids();
           auto areas = areasFound(workspace_.job(), workspace_.schemeId(), ids);
           take(tr("find areas"), std::move(areas), ids);
         });
  for (const int parts : {2, 3})
    button(
        line, parts == 2 ? "areasTwo" : "areasThree", parts == 2 ? tr("In two") : tr("In three"),
        tr("Along the room's length"),
        [this, parts] {
          IdSource ids = workspace_.document().ids();
          auto all = areasOffered(workspace_.job(), workspace_.schemeId(), ids);
          if (static_cast<int>(all.size()) >= parts - 1)
            take(tr("areas"), std::move(all[static_cast<std::size_t>(parts - 2)]), ids);
        },
        isLong);
  button(
      below, "areaSelected", tr("Round what is selected"), tr("Select things on the plan first"),
      [this] { roundSelection(); }, !workspace_.selection().empty());
  button(
      below, "areasNone", tr("None"), tr("Takes all areas out"),
      [this] { take(tr("no areas"), {}, workspace_.document().ids()); }, !workspace_.scheme()->areas.empty());
  for (QHBoxLayout* each : {line, below}) {
    each->addStretch(1);
    rows->addLayout(each);
  }
}

void AreasDialog::addAreas(QVBoxLayout* rows) {
  const auto seen = areasSeen(workspace_.job(), workspace_.schemeId(), workspace_.format());
  for (std::size_t i = 0; i < seen.size(); ++i) {
    auto* row = new QWidget;
    auto* line = new QHBoxLayout(row);
    line->setContentsMargins(0, 4, 0, 0);
    auto* use = new QComboBox;
    use->setObjectName(QStringLiteral("areaUse:%1").arg(i));
    use->setAccessibleName(tr("What it is for"));
    for (const AreaUse one : {AreaUse::Sitting, AreaUse::Dining, AreaUse::Reading, AreaUse::Entry, AreaUse::Work})
      use->addItem(QString::fromUtf8(areaWords(one)));
    use->setCurrentIndex(static_cast<int>(seen[i].area.use));
    use->setEnabled(!workspace_.document().readOnly());
    connect(use, &QComboBox::activated, this, [this, i](int chosen) {
      auto areas = workspace_.scheme()->areas;
      if (i >= areas.size()) return;
      areas[i].use = static_cast<AreaUse>(chosen);
      take(tr("what an area is for"), std::move(areas), workspace_.document().ids());
    });
    line->addWidget(use, 0, Qt::AlignTop);
    line->addWidget(words(onScreen(seen[i].says), "hungRow"), 1);
    auto* out = new QPushButton(tr("Take out"));
    out->setObjectName(QStringLiteral("areaOut:%1").arg(i));
    out->setAutoDefault(false);
    connect(out, &QPushButton::clicked, this, [this, i] {
      auto areas = workspace_.scheme()->areas;
      if (i < areas.size()) areas.erase(areas.begin() + static_cast<std::ptrdiff_t>(i));
      take(tr("take an area out"), std::move(areas), workspace_.document().ids());
    });
    line->addWidget(out, 0, Qt::AlignTop);
    rows->addWidget(row);
  }
  if (seen.empty()) rows->addWidget(words(tr("No area yet."), "quietNote"));
}

/// Columns and walls: structure until an engineer has signed.
void AreasDialog::addTakenOut(QVBoxLayout* rows) {
  const Room& room = *workspace_.room();
  std::vector<std::pair<std::string, QString>> all;
  for (const Feature& f : room.features)
    if (f.kind == FeatureKind::Column || f.kind == FeatureKind::ChimneyBreast || f.kind == FeatureKind::Beam)
      all.emplace_back(f.id.value, QString::fromStdString(std::string(featureWord(f.kind)) + " " + f.id.value));
  for (const Wall& wall : wallsOf(room))
    all.emplace_back("wall:" + wall.id.value, tr("wall %1").arg(QString::fromStdString(wall.id.value)));
  rows->addSpacing(10);
  rows->addWidget(words(tr("What this scheme takes out"), "panelTitle"));
  rows->addWidget(
      words(tr("A column or a wall is structure until an engineer says otherwise: until a name and a date stand "
               "here, every sheet of this scheme says that it is not to build from. It is judged as standing."),
            "quietNote"));
  for (const auto& [what, name] : all) {
    const auto& out = workspace_.scheme()->takesOut;
    const auto at = std::find_if(out.begin(), out.end(), [&](const TakenOut& t) { return t.what == what; });
    auto* row = new QWidget;
    auto* line = new QHBoxLayout(row);
    line->setContentsMargins(0, 0, 0, 0);
    auto* tick = new QCheckBox(name);
    tick->setObjectName(QStringLiteral("takesOut:") + QString::fromStdString(what));
    tick->setChecked(at != out.end());
    tick->setEnabled(!workspace_.document().readOnly());
    connect(tick, &QCheckBox::toggled, this, [this, what](bool on) {
      if (!on)
        return static_cast<void>(workspace_.document().edit(
            tr("leave it standing"), withoutTakenOut(workspace_.job(), workspace_.schemeId(), what)));
      if (const auto after = withTakenOut(workspace_.job(), workspace_.schemeId(), {what}))
        workspace_.document().edit(tr("take it out"), *after);
    });
    line->addWidget(tick, 1);
    if (at != out.end()) {
      auto* engineer = new QLineEdit(QString::fromStdString(at->engineer));
      engineer->setObjectName(QStringLiteral("engineer:") + QString::fromStdString(what));
      engineer->setAccessibleName(tr("Engineer who signed for %1").arg(name));
      engineer->setPlaceholderText(tr("engineer who signed"));
      engineer->setMaxLength(80);
      connect(engineer, &QLineEdit::editingFinished, this, [this, what, engineer, was = *at] {
        TakenOut now = was;
        now.engineer = engineer->text().trimmed().toStdString();
        now.date = now.engineer.empty() ? std::string() : was.date.empty() ? today() : was.date;
        if (now == was) return;
        if (const auto after = withTakenOut(workspace_.job(), workspace_.schemeId(), now))
          workspace_.document().edit(tr("an engineer's name"), *after);
      });
      line->addWidget(engineer, 2);
      line->addWidget(words(at->isSigned() ? QString::fromStdString(at->date) : tr("not to build from"), "quietNote"));
    }
    rows->addWidget(row);
  }
}

void AreasDialog::take(const QString& what, std::vector<RoomArea> areas, const IdSource& ids) {
  const auto after = withAreas(workspace_.job(), workspace_.schemeId(), std::move(areas));
  if (after) workspace_.document().edit(what, *after, ids.next());
}

void AreasDialog::add(const QString& what, std::optional<RoomArea> fresh, const IdSource& ids) {
  if (!fresh) return;
  auto areas = workspace_.scheme()->areas;
  areas.push_back(std::move(*fresh));
  take(what, std::move(areas), ids);
}

void AreasDialog::roundSelection() {
  IdSource ids = workspace_.document().ids();
  auto fresh = areaRound(workspace_.job(), workspace_.schemeId(), workspace_.selection(), ids);
  add(tr("an area round them"), std::move(fresh), ids);
}

}  // namespace mezzet
