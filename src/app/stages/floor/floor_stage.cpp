#include <algorithm>

#include "app/document/workspace.h"
#include "app/stages/stages.h"

namespace mezzet {

StageRow floorStage() {
  return {.id = Stage::Floor,
          .name = "Floor",
          .action = "stage-floor",
          .key = "F3",
          .tip = "The plan with its furniture",
          .content = [](const Workspace&) { return Content::Plan; },
          .accepts = Accepts::Floor,
          .broken = [](const Workspace& w) { return w.brokenIn(Accepts::Floor); },
          .reached =
              [](const Workspace& w) {
                const Scheme* s = w.room() != nullptr ? w.scheme() : nullptr;
                return s != nullptr && std::any_of(s->placements.begin(), s->placements.end(),
                                                   [](const Placement& p) { return onFloor(p.on) != nullptr; });
              },
          .hint =
              [](const Workspace&) {
                return Workspace::tr("Drag a piece, or click it and type into its tapes. Tab goes through them.");
              }};
}

}  // namespace mezzet
