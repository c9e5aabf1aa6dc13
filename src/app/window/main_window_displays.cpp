// What the window does about displays: set, colours, evening, one thing, clear, tie.
#include <QAction>

#include "app/dialogs/colours_dialog.h"
#include "app/dialogs/thing_dialog.h"
#include "app/document/today.h"
#include "app/stages/displays/display_edge.h"
#include "app/stages/floor/sheet_edge.h"
#include "app/widgets/notice_bar.h"
#include "app/window/actions.h"
#include "app/window/causes.h"
#include "app/window/main_window.h"
#include "core/base/sentence.h"
#include "core/display/shelves.h"
#include "core/edit/displays.h"
#include "core/model/kinds.h"

namespace mezzet {

void MainWindow::wireDisplays() {
  const auto here = [this] {
    if (workspace_->stage() != Stage::Displays) workspace_->showStage(Stage::Displays);
    return workspace_->display().has_value();
  };
  on("display-set", [this, here] {
    if (here() && mayChange()) edge_->display().setIt();
  });
  const auto colours = [this, here] {
    if (here() && mayChange()) ColoursDialog(*workspace_, this).exec();
  };
  on("display-colours", colours);
  connect(edge_, &SheetEdge::coloursWanted, this, colours);
  on("display-evening", [this, here] {
    if (here()) workspace_->showEvening(!workspace_->evening());
  });
  on("thing", [this] {
    const Placement* p = workspace_->selectedPlacement();
    if (p != nullptr && mayChange()) ThingDialog(*workspace_, p->piece, this).exec();
  });
  on("display-clear", [this, here] {
    if (!here() || !mayChange()) return;
    document_->edit(tr("clear it"),
                    withDisplayCleared(workspace_->job(), workspace_->schemeId(), workspace_->carrier(), today()));
  });
  on("upright", [this] {
    const auto display = workspace_->display();
    const DisplayedThing* t =
        display && !workspace_->selected().empty() ? display->shown(workspace_->selected()) : nullptr;
    if (!display || display->carrier.placement == nullptr || !mayChange()) return;
    // Of the bay of what is selected; of the whole case the widest.
    std::size_t bay = t != nullptr ? t->bay : 0;
    for (std::size_t b = 0; t == nullptr && b < display->bays.size(); ++b)
      if (display->bays[b].width() > display->bays[bay].width()) bay = b;
    const auto after =
        withUpright(workspace_->job(), workspace_->schemeId(), display->carrier.placement->id, display->bays[bay].id);
    if (after) document_->edit(tr("put an upright in"), *after);
    else notice_->say(sentenceOf(after.error()), {}, cause::kRefused);
  });
  on("tie", [this] {
    const Placement* p = workspace_->selectedPlacement();
    if (p == nullptr || !mayChange()) return;
    document_->edit(p->restrained ? tr("untie it") : tr("tie it to the wall"),
                    withRestrained(workspace_->job(), workspace_->schemeId(), p->id, !p->restrained));
  });
}

}  // namespace mezzet
