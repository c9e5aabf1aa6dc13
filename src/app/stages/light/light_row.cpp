// The bar's row for a light.
#include <QComboBox>
#include <QHBoxLayout>
#include <QLabel>
#include <algorithm>

#include "app/stages/floor/piece_bar.h"
#include "core/base/sentence.h"
#include "core/drawing/base/working.h"
#include "core/light/circuits.h"
#include "core/light/fixtures.h"
#include "core/model/kinds.h"
#include "core/site/heights.h"

namespace mezzet {
namespace {

constexpr int kCircuitChoice = 62;  // px

}  // namespace

/// The cord and what it leaves free, the walls it is set out from, its circuit.
void PieceBar::showLight(const Placement& p, const std::function<void(const QString&, const ItemId&)>& tape) {
  if (onCeiling(p.on) != nullptr) {
    if (mountOf(pieceOf(workspace_.job(), p)) != Mount::Recessed) tape(tr("drop"), tapeItem(Side::Up));
    tape(tr("below it"), tapeItem(Side::Down));
    tape(tr("left"), tapeItem(Side::Left));
    tape(tr("right"), tapeItem(Side::Right));
    tape(tr("front"), tapeItem(Side::Front));
    tape(tr("back"), tapeItem(Side::Back));
  }
  // Beside the actions: six lengths fill the row.
  auto* title = new QLabel(tr("circuit"));
  title->setObjectName(QStringLiteral("barHint"));
  links_->addWidget(title);
  links_->addSpacing(4);
  auto* circuits = new QComboBox;
  circuits->setObjectName(QStringLiteral("bar:circuit"));
  circuits->setAccessibleName(tr("Circuit"));
  circuits->setFixedWidth(kCircuitChoice);
  circuits->setMinimumContentsLength(1);
  circuits->addItem(QStringLiteral("-"), QString());
  for (const Circuit& c : workspace_.scheme()->circuits) {
    circuits->addItem(QString::fromStdString(c.name), QString::fromStdString(c.id.value));
    if (c.id == p.circuit) circuits->setCurrentIndex(circuits->count() - 1);
  }
  circuits->addItem(QStringLiteral("+"), QStringLiteral("+"));
  connect(circuits, &QComboBox::activated, this, [this, circuits](int i) {
    const QString id = circuits->itemData(i).toString();
    id == QLatin1String("+") ? workspace_.freshCircuit() : workspace_.putOnCircuit(CircuitId(id.toStdString()));
  });
  links_->addWidget(circuits);
}

/// What is always to be seen of a light: its underside, its cord and its circuit with the switch.
QString PieceBar::lightWords(const Placement& p) const {
  const auto f = fixtureOf(PieceIndex(workspace_.job()), *workspace_.room(), heightsOf(*workspace_.room()),
                           *workspace_.scheme(), p);
  if (!f) return {};
  QString words = f->recessed() ? tr("In the ceiling, %1 up").arg(workspace_.write(f->ceiling))
                                : tr("Underside %1 up").arg(workspace_.write(f->underside));
  if (f->hangsDown()) words += tr(", rod or cord %1").arg(workspace_.write(std::max(0.0, f->rod())));
  const Circuit* circuit = findCircuit(*workspace_.scheme(), p.circuit);
  return words + (circuit == nullptr
                      ? tr(". On no circuit yet: Z.")
                      : tr(". %1.").arg(QString::fromStdString(capital(switchWords(*workspace_.room(), *circuit)))));
}

}  // namespace mezzet
