#include "app/dialogs/hanger_dialog.h"

#include <QCheckBox>
#include <QVBoxLayout>

#include "app/document/today.h"
#include "app/widgets/field_grid.h"
#include "app/widgets/layouts.h"
#include "core/edit/edits.h"
#include "core/hang/as_hung.h"

namespace mezzet {
namespace {

/// A length to the right, or to the left with a sign before it.
LengthReading readSigned(const Workspace& w, const QString& text) {
  const QString trimmed = text.trimmed();
  if (trimmed.isEmpty()) return {0.0, 0, {}};
  const bool left = trimmed.startsWith(QChar('-'));
  LengthReading reading = w.read(left ? trimmed.mid(1) : trimmed);
  if (reading && left) reading.length = -*reading.length;
  return reading;
}
QString writeSigned(const Workspace& w, double length) {
  return length < 0 ? QStringLiteral("-") + w.write(-length) : w.write(length);
}

}  // namespace

HangerDialog::HangerDialog(Workspace& workspace, PlacementId frame, QWidget* parent)
    : QDialog(parent), workspace_(workspace), frame_(std::move(frame)) {
  setObjectName(QStringLiteral("hangerDialog"));
  setWindowTitle(tr("How %1 hangs").arg(workspace_.nameOf(*findPlacement(*workspace_.scheme(), frame_))));
  resize(560, 520);
  rows_ = scrollingRows(this);
  rebuild();
}

/// The hook beside the middle, and the weight beside the middle.
void HangerDialog::addLengths() {
  FieldGrid grid;
  const auto field = [&](const QString& title, const char* name, double HangerPart::*member) {
    const Piece& piece = pieceOf(workspace_.job(), *findPlacement(*workspace_.scheme(), frame_));
    grid.length(title, name, writeSigned(workspace_, (*piece.hanger).*member), [this, member](const QString& text) {
      LengthReading reading = readSigned(workspace_, text);
      if (!reading) return reading;
      Piece changed = pieceOf(workspace_.job(), *findPlacement(*workspace_.scheme(), frame_));
      changed.hanger.edit().*member = *reading.length;
      auto after = withPiece(workspace_.job(), changed);
      if (!after) return LengthReading{std::nullopt, 0, after.error().text() + "."};
      workspace_.document().edit(tr("how it hangs"), *after);
      QMetaObject::invokeMethod(this, &HangerDialog::rebuild, Qt::QueuedConnection);
      return reading;
    });
  };
  field(tr("Hook right of the middle (- left)"), "hangerOffset", &HangerPart::offset);
  field(tr("Weight right of the middle (- left)"), "hangerMass", &HangerPart::mass);
  rows_->addWidget(grid.box());
}

void HangerDialog::addClear(const Nail& nail) {
  auto* tick = new QCheckBox(tr("Nail %1: detected, clear").arg(nail.order));
  tick->setObjectName(QStringLiteral("nailClear:%1").arg(nail.order));
  tick->setChecked(!nail.clear.empty());
  connect(tick, &QCheckBox::toggled, this, [this, nail](bool on) {
    workspace_.document().edit(tr("detected, clear"),
                               withClearSpot(workspace_.job(), workspace_.room()->id,
                                             {workspace_.wall(), nail.u, nail.v, on ? today() : std::string()}));
    QMetaObject::invokeMethod(this, &HangerDialog::rebuild, Qt::QueuedConnection);
  });
  rows_->addWidget(tick);
}

void HangerDialog::rebuild() {
  emptyLayout(rows_);
  const NailPlan plan = workspace_.nailPlanHere();
  addLengths();
  for (const std::string& line :
       nailWords(plan, frame_, workspace_.book().fixings, workspace_.job().units, workspace_.format()))
    rows_->addWidget(words(onScreen(line), "hangerWords"));
  bool first = true;
  for (const Nail& nail : plan.nails) {
    if (nail.placement != frame_) continue;
    addClear(nail);
    if (!first) continue;  // both hooks of a frame ask much the same
    first = false;
    rows_->addWidget(words(tr("Fixings"), "panelTitle"));
    for (const std::string& line : fixingWords(plan, nail, workspace_.book().fixings, workspace_.job().brief.tenant,
                                               workspace_.job().units, workspace_.format()))
      rows_->addWidget(words(onScreen(line), line.starts_with("Not") ? "quietNote" : "hangerWords"));
  }
  for (const std::string& caution : plan.cautions) rows_->addWidget(words(onScreen(caution), "quietNote"));
  rows_->addStretch(1);
}

}  // namespace mezzet
