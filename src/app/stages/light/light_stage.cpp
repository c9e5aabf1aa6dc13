#include <algorithm>

#include "app/document/workspace.h"
#include "app/stages/stages.h"
#include "core/model/kinds.h"

namespace mezzet {

StageRow lightStage() {
  return {.id = Stage::Light,
          .name = "Light",
          .action = "stage-light",
          .key = "F10",
          .tip = "The ceiling with its lights, and a section through one",
          .content = [](const Workspace&) { return Content::Ceiling; },
          .accepts = Accepts::Ceiling,
          .broken = [](const Workspace& w) { return w.brokenIn(Accepts::Ceiling); },
          .reached =
              [](const Workspace& w) {
                const Scheme* s = w.room() != nullptr ? w.scheme() : nullptr;
                return s != nullptr && std::any_of(s->placements.begin(), s->placements.end(),
                                                   [&](const Placement& p) { return onCeiling(p.on) != nullptr; });
              },
          .hint =
              [](const Workspace& w) {
                const bool inches = w.job().units == Unit::Inch;
                return inches ? Workspace::tr("Type a light: pendant 22 dia 14 high over table, or 6 downlights.")
                              : Workspace::tr("Type a light: pendant 560 dia 360 high over table, or 6 downlights.");
              }};
}

}  // namespace mezzet
