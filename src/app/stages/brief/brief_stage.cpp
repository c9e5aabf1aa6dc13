#include "app/document/workspace.h"
#include "app/stages/stages.h"

namespace mezzet {

StageRow briefStage() {
  return {.id = Stage::Brief,
          .name = "Brief",
          .action = "stage-brief",
          .key = "F9",
          .tip = "Who the room is for, and the house rules",
          .content = [](const Workspace&) { return Content::Plan; },
          .panel = Panel::Brief,
          .broken = [](const Workspace&) { return 0; },
          .reached = [](const Workspace& w) { return w.room() != nullptr || !(w.job().brief == Brief{}); },
          .hint =
              [](const Workspace&) {
                return Workspace::tr("What is answered here feeds the rules. Nothing has to be answered.");
              }};
}

}  // namespace mezzet
