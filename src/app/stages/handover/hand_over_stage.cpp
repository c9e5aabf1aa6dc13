#include "app/document/workspace.h"
#include "app/stages/stages.h"

namespace mezzet {

StageRow handOverStage() {
  return {.id = Stage::HandOver,
          .name = "Hand over",
          .action = "stage-hand-over",
          .key = "Shift+F11",
          .tip = "What comes and hangs in which order; orders, dates, the way in, the pack",
          .content = [](const Workspace& w) { return w.handsWall() ? Content::Wall : Content::Plan; },
          .panel = Panel::HandOver,
          .accepts = Accepts::Nothing,
          .broken = [](const Workspace&) { return 0; },
          .reached = [](const Workspace& w) { return !w.job().records->issues.empty(); },
          .hint = [](const Workspace&) { return Workspace::tr("Enter: as planned. Or type what the tape reads."); }};
}

}  // namespace mezzet
