// What the window does about hanging: nails, what was hung, leaning.
#include <QAction>

#include "app/dialogs/hanger_dialog.h"
#include "app/dialogs/hung_dialog.h"
#include "app/stages/walls/nail_read_out.h"
#include "app/window/actions.h"
#include "app/window/main_window.h"
#include "core/hang/leaning.h"

namespace mezzet {

void MainWindow::readNailsOut() {
  if (mayChange()) NailReadOut(*workspace_, this).exec();
}

void MainWindow::wireHanging() {
  on("nails", [this] {
    const bool walls = workspace_->stage() == Stage::Walls;
    if (!walls) workspace_->showStage(Stage::Walls);
    workspace_->showNails(!walls || !workspace_->showsNails());
  });
  on("hanger", [this] {
    const Placement* p = workspace_->selectedPlacement();
    if (p != nullptr && onWall(p->on) != nullptr && mayChange()) HangerDialog(*workspace_, p->id, this).exec();
  });
  on("hung", [this] {
    if (workspace_->scheme() != nullptr && workspace_->room() != nullptr && mayChange())
      HungDialog(*workspace_, this).exec();
  });
  on("lean", [this] {
    const Placement* p = workspace_->selectedPlacement();
    if (p == nullptr || !mayChange()) return;
    document_->edit(leaning(p->on) != nullptr ? tr("hang it") : tr("lean it"),
                    leanedOrHung(workspace_->job(), workspace_->schemeId(), p->id));
  });
}

}  // namespace mezzet
