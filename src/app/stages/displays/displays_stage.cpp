#include <algorithm>

#include "app/document/workspace.h"
#include "app/stages/stages.h"

namespace mezzet {

StageRow displaysStage() {
  return {.id = Stage::Displays,
          .name = "Displays",
          .action = "stage-displays",
          .key = "F11",
          .tip = "What stands on one bookcase, mantel or table, with its section",
          .content = [](const Workspace&) { return Content::Display; },
          .accepts = Accepts::Display,
          .broken = [](const Workspace& w) { return w.brokenIn(Accepts::Display); },
          .reached =
              [](const Workspace& w) {
                const Scheme* s = w.room() != nullptr ? w.scheme() : nullptr;
                return s != nullptr && std::any_of(s->placements.begin(), s->placements.end(),
                                                   [](const Placement& p) { return onAnother(p.on) != nullptr; });
              },
          .hint = [](const Workspace&) { return Workspace::tr("Ctrl+Enter puts it where it fits; or drag it in."); }};
}

}  // namespace mezzet
