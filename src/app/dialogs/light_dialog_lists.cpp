#include <QComboBox>
#include <QHBoxLayout>
#include <QLineEdit>
#include <QPushButton>

#include "app/dialogs/light_dialog.h"
#include "app/widgets/layouts.h"
#include "core/edit/lights.h"
#include "core/light/circuits.h"
#include "core/light/estimate.h"
#include "core/model/kinds.h"

namespace mezzet {
namespace {

/// Rows under their title.
QVBoxLayout* addList(QVBoxLayout* column, const QString& title) {
  auto* body = new QWidget;
  auto* rows = new QVBoxLayout(body);
  rows->setContentsMargins(10, 0, 0, 0);
  rows->setSpacing(3);
  column->addWidget(headed(title, body));
  return rows;
}

}  // namespace

void LightDialog::addCircuits(QVBoxLayout* column) {
  const Scheme* scheme = workspace_.scheme();
  if (scheme == nullptr) return;
  auto* rows = addList(column, tr("Circuits"));
  if (scheme->circuits.empty())
    rows->addWidget(words(tr("None yet. Select lights and press Z: they come on together."), "quietNote"));
  for (const Circuit& circuit : scheme->circuits) {
    auto* row = new QHBoxLayout;
    auto* name = new QLineEdit(QString::fromStdString(circuit.name));
    name->setObjectName(QStringLiteral("circuit:") + QString::fromStdString(circuit.id.value));
    name->setAccessibleName(tr("Letter of the circuit"));
    name->setMaxLength(4);
    name->setFixedWidth(44);
    auto* use = new QComboBox;
    use->setAccessibleName(tr("What it is for"));
    use->addItems({tr("general"), tr("task"), tr("accent"), tr("evening")});
    use->setCurrentIndex(static_cast<int>(circuit.use));
    auto* at = new QComboBox;
    at->setObjectName(QStringLiteral("switch:") + QString::fromStdString(circuit.id.value));
    at->setAccessibleName(tr("Its switch"));
    at->addItem(tr("no switch yet"), QString());
    for (const WallPoint& p : workspace_.room()->points)
      if (p.kind == PointKind::Switch) {
        Circuit there = circuit;
        there.switchAt = p.id;
        at->addItem(QString::fromStdString(switchWords(*workspace_.room(), there, workspace_.format())),
                    QString::fromStdString(p.id.value));
        if (p.id == circuit.switchAt) at->setCurrentIndex(at->count() - 1);
      }
    at->setSizeAdjustPolicy(QComboBox::AdjustToMinimumContentsLengthWithIcon);
    at->setMinimumContentsLength(12);
    const auto change = [this, circuit, name, use, at] {
      Circuit now = circuit;
      now.name = name->text().trimmed().toStdString();
      now.use = static_cast<CircuitUse>(use->currentIndex());
      now.switchAt = PointId(at->currentData().toString().toStdString());
      if (now.name.empty()) return complain(tr("A circuit needs a letter."));
      if (now != circuit)
        take(tr("circuit %1").arg(name->text()), withCircuit(workspace_.job(), workspace_.schemeId(), now));
    };
    connect(name, &QLineEdit::editingFinished, this, change);
    connect(use, &QComboBox::activated, this, change);
    connect(at, &QComboBox::activated, this, change);
    auto* out = new QPushButton(tr("Take out"));
    connect(out, &QPushButton::clicked, this, [this, circuit] {
      take(tr("take circuit %1 out").arg(QString::fromStdString(circuit.name)),
           withoutCircuit(workspace_.job(), workspace_.schemeId(), circuit.id));
    });
    row->addWidget(name);
    row->addWidget(use);
    row->addWidget(at, 1);
    row->addWidget(out);
    rows->addLayout(row);
  }
}

void LightDialog::addTasks(QVBoxLayout* column) {
  const Scheme* scheme = workspace_.scheme();
  if (scheme == nullptr) return;
  auto* rows = addList(column, tr("Light asked for"));
  for (const LightTask& task : scheme->tasks) {
    auto* row = new QHBoxLayout;
    const auto* on = std::get_if<PlacementId>(&task.where);
    QString text = QString::fromStdString(task.what);
    if (on != nullptr)
      if (const Placement* p = findPlacement(*scheme, *on)) text += tr(" at %1").arg(workspace_.nameOf(*p));
    const auto asked = task.asked ? task.asked : usualLight(task.what);
    if (asked) text += tr(", %1 lx").arg(std::lround(*asked));
    row->addWidget(words(text, "note"), 1);
    auto* out = new QPushButton(tr("Take out"));
    connect(out, &QPushButton::clicked, this, [this, id = task.id] {
      take(tr("ask for no light there"), withoutTask(workspace_.job(), workspace_.schemeId(), id));
    });
    row->addWidget(out);
    rows->addLayout(row);
  }
  auto* row = new QHBoxLayout;
  auto* what = new QComboBox;
  what->setObjectName(QStringLiteral("task:what"));
  for (const UsualLight& usual : usualLights()) {
    const QString name = QString::fromUtf8(usual.what.data(), static_cast<qsizetype>(usual.what.size()));
    what->addItem(tr("%1, %2 lx").arg(name).arg(std::lround(usual.lx)), name);
  }
  auto* where = new QComboBox;
  where->setObjectName(QStringLiteral("task:where"));
  for (const Placement& p : scheme->placements)
    if (onFloor(p.on) != nullptr && !isRug(pieceOf(workspace_.job(), p).kind))
      where->addItem(workspace_.nameOf(p), QString::fromStdString(p.id.value));
  auto* add = new QPushButton(tr("Ask"));
  add->setObjectName(QStringLiteral("task:add"));
  add->setEnabled(where->count() > 0);
  connect(add, &QPushButton::clicked, this, [this, what, where] {
    IdSource ids = workspace_.document().ids();
    const LightTask task{ids.take<TaskId>("t"), what->currentData().toString().toStdString(),
                         PlacementId(where->currentData().toString().toStdString())};
    auto after = withTask(workspace_.job(), workspace_.schemeId(), task);
    if (!after) return take({}, after.error());
    workspace_.document().edit(tr("ask for light"), std::move(after).value(), ids.next());
  });
  row->addWidget(what, 1);
  row->addWidget(where, 1);
  row->addWidget(add);
  rows->addLayout(row);
}

}  // namespace mezzet
