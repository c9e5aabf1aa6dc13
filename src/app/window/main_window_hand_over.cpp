// What the window does about handing over.
#include <QAction>

#include "app/dialogs/dates_dialog.h"
#include "app/dialogs/delivery_dialog.h"
#include "app/dialogs/orders_dialog.h"
#include "app/dialogs/pack_dialog.h"
#include "app/dialogs/years_dialog.h"
#include "app/stages/handover/hand_over_panel.h"
#include "app/stages/handover/hand_over_row.h"
#include "app/widgets/notice_bar.h"
#include "app/window/actions.h"
#include "app/window/causes.h"
#include "app/window/main_window.h"
#include "core/edit/records.h"

namespace mezzet {

void MainWindow::wireHandOver() {
  on("orders", [this] { OrdersDialog(*workspace_, this).exec(); });
  on("delivery", [this] { DeliveryDialog(*workspace_, this).exec(); });
  on("dates", [this] { DatesDialog(*workspace_, files_, this).exec(); });
  on("pack", [this] { PackDialog(*workspace_, files_, this).exec(); });
  on("years", [this] { YearsDialog(*workspace_, this).exec(); });
  on("built", [this] {
    const Scheme* scheme = workspace_->scheme();
    if (scheme == nullptr || !mayChange()) return;
    const auto& building = workspace_->job().records->building;
    const bool was = std::find(building.begin(), building.end(), scheme->id.value) != building.end();
    document_->edit(was ? tr("scheme %1 is not built").arg(QString::fromStdString(scheme->name))
                        : tr("scheme %1 is built").arg(QString::fromStdString(scheme->name)),
                    withBuilding(workspace_->job(), scheme->id, !was));
  });
  connect(hand_, &HandOverRow::refused, this, [this] { static_cast<void>(mayChange()); });
  connect(hand_, &HandOverRow::done, this, [this](const QString& sentence) {
    QStringList all{sentence};
    for (const Turned& turned : workspace_->turned()) all << QString::fromStdString(turned.sentence);
    notice_->say(all.join(QLatin1Char(' ')), {}, cause::kCame);
  });
  connect(handPanel_, &HandOverPanel::actionWanted, this, [this](const char* id) { (*actions_)[id]->trigger(); });
}

}  // namespace mezzet
