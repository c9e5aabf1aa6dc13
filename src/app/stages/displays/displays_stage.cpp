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
          .hint =
              [](const Workspace& w) {
                return w.job().units == Unit::Inch
                           ? Workspace::tr(
                                 "Type a thing: 12 books 9 tall 11 run black, or vase 6 x 6 x 14 #2b2b2b; "
                                 "drag it into a bay, its neighbours close up.")
                           : Workspace::tr(
                                 "Type a thing: 12 books 230 tall 280 run black, or vase 150 x 150 x 350 "
                                 "#2b2b2b; drag it into a bay, its neighbours close up.");
              }};
}

}  // namespace mezzet
