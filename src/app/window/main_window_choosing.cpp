// What the window does about choosing: layouts searched, candidates, budget, areas.
#include <QAction>

#include "app/dialogs/areas_dialog.h"
#include "app/dialogs/budget_dialog.h"
#include "app/dialogs/candidates_dialog.h"
#include "app/dialogs/search_dialog.h"
#include "app/window/actions.h"
#include "app/window/main_window.h"
#include "core/edit/choosing.h"

namespace mezzet {

void MainWindow::wireChoosing() {
  on("search", [this] {
    if (workspace_->scheme() == nullptr || workspace_->room() == nullptr) return;
    if (workspace_->stage() != Stage::Floor) workspace_->showStage(Stage::Floor);
    SearchDialog(*workspace_, this).exec();
  });
  on("candidates", [this] {
    if (const Placement* p = workspace_->selectedPlacement()) CandidatesDialog(*workspace_, p->id, this).exec();
  });
  on("budget", [this] {
    if (workspace_->scheme() != nullptr) BudgetDialog(*workspace_, this).exec();
  });
  on("areas", [this] {
    if (workspace_->scheme() != nullptr && workspace_->room() != nullptr) AreasDialog(*workspace_, this).exec();
  });
}

}  // namespace mezzet
