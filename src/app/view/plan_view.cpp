#include "app/view/plan_view.h"

#include <tuple>

#include "core/space/bodies.h"
#include "core/drawing/plan/floor_layers.h"
#include "core/drawing/plan/plan.h"
#include "core/drawing/plan/site_plan.h"
#include "core/drawing/plan/survey_plan.h"
#include "core/drawing/base/working.h"
#include "core/model/kinds.h"
#include "core/rules/check.h"

namespace mezzet {
void PlanView::showDraft(std::optional<std::vector<Run>> runs, std::size_t current) {
  const bool had = draft_.has_value();
  draft_ = std::move(runs);
  current_ = current;
  if (had || draft_) fit();
}

Drawing PlanView::composeStill(double scale, const PlacementIds& without) const {
  const Room* room = workspace_.room();
  if (workspace_.stage() == Stage::Measure && ((draft_ && workspace_.topic() == Topic::Walls) || room == nullptr)) {
    const std::vector<Run> runs = draft_.value_or(std::vector<Run>{});
    const Traverse t = walk(runs);
    std::vector<std::string> lengths;
    for (const Run& run : runs) lengths.push_back(run.length ? writeLength(*run.length, workspace_.format()) : "?");
    return composeDraft(t.corners, t.end, lengths, current_, scale, workspace_.format());
  }
  if (room == nullptr) return Drawing{scale, {0, 0}, {4000, 3000}, {}};
  const bool furnished = workspace_.stage() != Stage::Measure;  // the Brief shows the room as it stands
  PlanOptions options;
  options.scale = scale;
  options.format = workspace_.format();
  options.without = without;
  std::tie(options.gridLow, options.gridHigh) = visible();
  return composePlan(shownJob(), *room, furnished ? workspace_.scheme() : nullptr, options);
}

Drawing PlanView::composeMoving(double scale) const {
  const Room* room = workspace_.room();
  if (room != nullptr && workspace_.stage() == Stage::Measure &&
      (workspace_.topic() == Topic::Heights || workspace_.topic() == Topic::Photographs)) {
    Drawing d = workspace_.topic() == Topic::Heights
                    ? composeHeightMarks(*room, heightReport(*room, workspace_.format()), workspace_.shownReading(),
                                         scale, workspace_.format())
                    : composePhotographMarks(*room, workspace_.shownPhotograph(), scale);
    if (workspace_.spot()) addSpot(d, *workspace_.spot());
    return d;
  }
  if (room != nullptr && workspace_.stage() == Stage::Measure && workspace_.topic() == Topic::Openings)
    return composeOpeningMarks(*room, workspace_.wall(), scale, workspace_.format());
  if (room != nullptr && room->survey && workspace_.stage() == Stage::Measure && workspace_.topic() == Topic::Walls &&
      !draft_ && workspace_.survey().ok()) {
    const SurveyMarks marks{&workspace_.surveyNetwork(), &*workspace_.survey(), workspace_.shownReading(),
                            workspace_.ellipses()};
    return composeSurveyMarks(*room, marks, scale, workspace_.format());
  }
  const Scheme* scheme = findScheme(shownJob(), workspace_.schemeId());
  if (room != nullptr && scheme != nullptr && workspace_.stage() == Stage::HandOver) {
    Drawing d{scale, {}, {}, {}};
    addOrderMarks(d, workspace_.handMarks());
    return d;
  }
  if (room == nullptr || scheme == nullptr || workspace_.stage() != Stage::Floor) return Drawing{scale, {}, {}, {}};
  PlanWork work;
  work.scheme = scheme;
  work.selected = workspace_.selected();
  work.tapes = tapesOf(shownJob(), *scheme, work.selected);
  work.bands = heldBands();
  work.typedInto = typedInto();
  if (!dragging())  // a piece in the hand is not judged
    work.findings = workspace_.marked();
  work.selection = workspace_.selection();
  work.guides = guides();
  const Placement* chosen = workspace_.selectedPlacement();
  work.handle = canDrag() && !dragging() && chosen != nullptr && !chosen->locked && !workspace_.document().readOnly();
  if (dragging()) work.inHand = work.selection;
  if (workspace_.ghost()) work.ghost = &*workspace_.ghost();
  // Layers lie under the marks. A piece in the hand is not judged: what was worked out would belong to where it was.
  Drawing d{scale, {}, {}, {}};
  if (!dragging())
    addFloorLayers(d, shownJob(), *scheme, workspace_.layers(), workspace_.findings(), workspace_.routes(),
                   workspace_.format());
  addUseZones(d, shownJob(), *scheme, workspace_.useState());
  Drawing marks = composePlanWork(shownJob(), *room, work, scale, workspace_.format());
  append(d, std::move(marks));
  return d;
}

PlacementId PlanView::pieceAt(Vec2 model) const {
  const Scheme* scheme = workspace_.scheme();
  const bool shown = workspace_.stage() == Stage::Floor || workspace_.stage() == Stage::HandOver;
  if (scheme == nullptr || !shown) return {};
  PlacementId found;
  bool foundRug = true;
  for (const Placement& p : scheme->placements) {
    const auto* floor = onFloor(p.on);
    if (floor == nullptr) continue;
    const Piece& piece = pieceOf(workspace_.job(), p);
    const bool rug = isRug(piece.kind);
    if (!covers(footprint(piece, *floor), model) || (rug && !foundRug))
      continue;  // what stands on a rug is taken before the rug
    found = p.id;
    foundRug = rug;
  }
  return found;
}

Place PlanView::movedBy(const Place& from, Vec2 by) const {
  Place out = from;
  const double step = workspace_.handStep();
  if (auto* floor = onFloor(out)) floor->at += Vec2{std::round(by.x / step) * step, std::round(by.y / step) * step};
  return out;
}

ItemId PlanView::tapeTowards(Vec2 direction) const {
  const Scheme* scheme = workspace_.scheme();
  if (scheme == nullptr) return {};
  ItemId best;
  double most = 0.5;  // within 60 degrees
  for (const Tape& tape : tapesOf(workspace_.job(), *scheme, workspace_.selected()))
    if (const double along = dot(tape.along, direction); along > most) {
      most = along;
      best = tapeItem(tape.side);
    }
  return best;
}

bool PlanView::takes(const Piece& piece) const { return !hangs(piece.kind); }

void PlanView::clickedPlace(Vec2 model) {
  if (workspace_.stage() != Stage::Measure || workspace_.room() == nullptr) return;
  if (workspace_.topic() == Topic::Heights || workspace_.topic() == Topic::Photographs) workspace_.showSpot(model);
}

void PlanView::clickedItem(const ItemId& id) {
  if (id.of == ItemId::Of::Height) return workspace_.showReading(ReadingId(id.id));
  if (id.of == ItemId::Of::Photograph) return workspace_.showPhotograph(PhotographId(id.id));
  if (workspace_.stage() == Stage::Measure && workspace_.topic() == Topic::Openings && id.of == ItemId::Of::Wall)
    return workspace_.showWall(CornerId(id.id));
  if (workspace_.stage() == Stage::Measure && workspace_.topic() != Topic::Walls) return;
  if (id.of == ItemId::Of::Wall) emit wallChosen(CornerId(id.id));
}

QString PlanView::emptyHint() const {
  if (workspace_.room() == nullptr && workspace_.stage() != Stage::Measure)
    return tr("No room has been measured yet. Go to Measure and type its walls as you walk round.");
  if (workspace_.stage() == Stage::Measure && !draft_ && workspace_.room() == nullptr)
    return tr("Walk round with the room on your left hand and type each wall as you read it.");
  return {};
}

}  // namespace mezzet
