#include <algorithm>

#include "app/document/workspace.h"
#include "app/stages/stages.h"

namespace mezzet {

StageRow wallsStage() {
  return {
      .id = Stage::Walls,
      .name = "Walls",
      .action = "stage-walls",
      .key = "F4",
      .tip = "One wall seen from the room",
      .content = [](const Workspace& w) { return w.foldedOut() ? Content::Fold : Content::Wall; },
      .accepts = Accepts::Wall,
      .broken = [](const Workspace& w) { return w.brokenIn(Accepts::Wall); },
      .reached =
          [](const Workspace& w) {
            const Scheme* s = w.room() != nullptr ? w.scheme() : nullptr;
            return s != nullptr && std::any_of(s->placements.begin(), s->placements.end(),
                                               [](const Placement& p) { return onWall(p.on) != nullptr; });
          },
      .hint = [](const Workspace&) { return Workspace::tr("Drag a picture, or click it and type into its tapes."); }};
}

}  // namespace mezzet
