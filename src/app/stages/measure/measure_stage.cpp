#include <algorithm>

#include "app/document/workspace.h"
#include "app/stages/stages.h"

namespace mezzet {
namespace {

QString siteHint(const Workspace& w, Topic topic) {
  const bool inches = w.job().units == Unit::Inch;
  switch (topic) {
    case Topic::Heights:
      return Workspace::tr(
          "Click where the height was taken, then type it. A bar shows what the fitted floor or ceiling leaves over.");
    case Topic::InWall:
      return Workspace::tr(
          "Click the wall where something sits. Shaded: likely cables, a regional convention and no proof. Detect "
          "before drilling.");
    case Topic::Picture:
      return Workspace::tr(
          "Click points on the picture, or move the cross with the arrow keys and set it with Enter. The wheel zooms.");
    case Topic::Photographs:
      return Workspace::tr("Click on the plan where the photograph was taken of, or choose a wall.");
    case Topic::House: return Workspace::tr("Rooms lie as their shared doors put them. Click one to work on it.");
    case Topic::Openings:
      return Workspace::tr(
                 "Three readings along its wall check each other: from the start corner, its width, to the end corner. "
                 "\"%1 trim\" was read at the trim.")
          .arg(inches ? QStringLiteral("57 1/2") : QStringLiteral("1460"));
    case Topic::Fixed:
      return Workspace::tr(
          "What cannot be moved. Columns, beams and breasts are structure: an engineer and permission come first.");
    case Topic::Walls: break;
  }
  return {};
}

QString hint(const Workspace& w) {
  if (w.topic() != Topic::Walls) return siteHint(w, w.topic());
  return w.room() != nullptr && w.room()->survey
             ? Workspace::tr(
                   "On the plan: a dot is checked, a ringed dot was measured once, a ring is only assumed. "
                   "Ctrl+P prints the field sheet.")
         : w.job().units == Unit::Inch
             ? Workspace::tr("Lengths can be typed as you read them: 63 1/4, 5' 3 1/4\", 160 cm, 1.6 m.")
             : Workspace::tr("Lengths can be typed as you read them: 1606, 160.6 cm, 1.606 m, 63 1/4 in.");
}

Content content(const Workspace& w) {
  switch (w.topic()) {
    case Topic::InWall: return Content::Wall;
    case Topic::Picture: return Content::Picture;
    case Topic::House: return Content::House;
    default: return Content::Plan;
  }
}

int broken(const Workspace& w) {
  if (w.room() == nullptr || !w.room()->survey) return 0;
  const auto& report = w.survey();
  if (!report) return 1;
  return std::max(static_cast<int>(report->named.size()), report->suspects.detected || report->refused ? 1 : 0);
}

}  // namespace

StageRow measureStage() {
  return {.id = Stage::Measure,
          .name = "Measure",
          .action = "stage-measure",
          .key = "F2",
          .tip = "Runs and turns, openings, heights",
          .content = content,
          .panel = Panel::Site,
          .broken = broken,
          .reached = [](const Workspace& w) { return w.room() != nullptr; },
          .hint = hint};
}

}  // namespace mezzet
