// What is drawn over the plan while someone works on it.
#include <algorithm>
#include <cmath>
#include <numbers>

#include "core/geometry/offset.h"
#include "core/space/bodies.h"
#include "core/drawing/base/drafting.h"
#include "core/drawing/plan/plan.h"
#include "core/drawing/base/working.h"
#include "core/rules/check.h"

namespace mezzet {
namespace {

constexpr double kHalo = 1.1, kThinHalo = 0.8;  // selection edges, mm of paper
constexpr double kHandleOff = 4.5, kHandle = 1.7;
constexpr double kNearTape = 60;  // mm of the room: witness points this near are those of the same gap

void addSelection(Drawing& d, const Job& job, const Scheme& scheme, const PlacementId& id, double width) {
  const Placement* p = findPlacement(scheme, id);
  if (p == nullptr) return;
  const Stroke edge{Ink::Accent, width, Dash::Solid};
  if (const auto* floor = onFloor(p->on)) {
    // The edge stands just outside the footprint, so that the ink line stays visible.
    Piece grown = pieceOf(job, *p);
    const double by = 1.2 * d.scale;
    if (isCut(grown)) {
      for (const Polygon& edgeOfIt : grownSquare(outlineOf(grown, *floor), by / 2))
        d.add(Layer::Working, "selection", PathItem{edgeOfIt, true, Ink::None, edge});
      return;
    }
    grown.width += by;
    if (grown.depth) *grown.depth += by;
    if (grown.limbs->longDepth) *grown.limbs.edit().longDepth += by;
    if (grown.limbs->returnWidth) *grown.limbs.edit().returnWidth += by;
    if (grown.shape == Shape::Round)
      d.add(Layer::Working, "selection", ArcItem{floor->at, grown.width / 2, 0, 360, Ink::None, edge});
    else d.add(Layer::Working, "selection", PathItem{outlineOf(grown, *floor), true, Ink::None, edge});
  }
}

/// What would stand elsewhere, in outline.
void addGhost(Drawing& d, const Job& ghost, const Scheme& now) {
  const Scheme* then = findScheme(ghost, now.id);
  if (then == nullptr) return;
  const Stroke edge{Ink::Holds, 0.6, Dash::Dashed};
  for (const Placement& q : then->placements) {
    const Placement* before = findPlacement(now, q.id);
    const auto* floor = onFloor(q.on);
    if (floor == nullptr || (before != nullptr && *before == q)) continue;
    const Piece& piece = pieceOf(ghost, q);
    if (piece.shape == Shape::Round && !isCut(piece))
      d.add(Layer::Working, "ghost", ArcItem{floor->at, piece.width / 2, 0, 360, Ink::Band, edge});
    else d.add(Layer::Working, "ghost", PathItem{outlineOf(piece, *floor), true, Ink::Band, edge});
  }
}

/// Off one of its corners; labels keep clear of it.
void addTurnHandle(Drawing& d, const Piece& piece, const FloorPlace& place) {
  // A round piece has no corners: its handle stands where its box would have one, nearer in.
  const double share = piece.shape == Shape::Round || piece.shape == Shape::Oval ? std::numbers::sqrt2 / 2 : 1;
  const double x = piece.width / 2 * share + kHandleOff * d.scale,
               y = piece.depth.value_or(piece.width) / 2 * share + kHandleOff * d.scale;
  d.add(Layer::Working, kTurnHandle,
        ArcItem{place.at + rotated({x, y}, turnOf(place.turn)),
                kHandle * d.scale,
                0,
                360,
                Ink::Accent,
                {Ink::Ink, 0.35, Dash::Solid}});
}

}  // namespace

void addGuides(Drawing& d, const std::vector<Guide>& guides) {
  for (const Guide& g : guides) {
    const Vec2 past = unit(g.to - g.from) * (5 * d.scale);
    d.add(Layer::Working, "guide", line(g.from - past, g.to + past, {Ink::Ink, 0.25, Dash::Dashed}));
    const bool upright = std::abs(g.to.y - g.from.y) > std::abs(g.to.x - g.from.x);
    // Near what it lines up with, beside the line.
    const TextItem words{{}, g.words, kSmallLetters, Align::Centre, 0, Ink::Ink, Ink::Paper};
    const Vec2 off = upright ? Vec2{(textWidth(words) / 2 + 0.8) * d.scale, 0} : Vec2{0, 2.8 * d.scale};
    std::vector<Vec2> places;
    for (const double share : {0.35, 0.6, 0.1, 0.85, 1.2})
      for (const double side : {1.0, -1.0})
        places.push_back(g.mark + ((g.from + g.to) * 0.5 - g.mark) * share + off * side);
    d.add(labelOnlyAt(Layer::Working, "guide", Rank::Note, places, words));
  }
}

ItemId tapeItem(Side side) { return {ItemId::Of::Tape, sideName(side)}; }

void addTape(Drawing& d, const Tape& tape, LengthFormat format, bool labelled, const ItemId& id) {
  const Vec2 tick = unit(tape.along + leftOf(tape.along)) * (1.4 * d.scale);
  d.add(Layer::Working, id, line(tape.from, tape.to, {Ink::Ink, 0.25, Dash::Solid}));
  for (const Vec2 end : {tape.from, tape.to})
    d.add(Layer::Working, id, line(end - tick, end + tick, {Ink::Ink, kFurnitureLine, Dash::Solid}));
  if (!labelled) return;
  d.add(labelOnLine(
      Layer::Working, id, Rank::Tape, tape.from, tape.to,
      TextItem{{}, writeLength(tape.length, format), kLetters, Align::Centre, 0, Ink::AccentText, Ink::Accent},
      d.scale));
}

void addFindingMark(Drawing& d, const Finding& f, LengthFormat format) {
  if (f.verdict != Verdict::Breaks || f.quantity != Quantity::Length || f.weight == Weight::Taste) return;
  const ItemId id(ItemId::Of::Finding, f.id);
  const Vec2 a = f.at[0], b = f.at[1];
  d.add(Layer::Working, id, line(a, b, {Ink::Breaks, kFurnitureLine, Dash::Solid}));
  const TextItem words{{}, writeLength(f.measured, format), kLetters, Align::Centre, 0, Ink::Ink, Ink::Paper};
  Label label = labelOnLine(Layer::Working, id, Rank::Finding, a, b, words, d.scale);
  // The cross stands before the words: both together keep clear of the line they measure.
  label.spots.clear();
  const double wide = (textWidth(words) / 2 + kCrossOff) * d.scale, high = (textHeight(words) / 2 + 1) * d.scale;
  const Vec2 along = unit(b - a), across = leftOf(along);
  const double off = std::abs(across.x) * wide + std::abs(across.y) * high;
  for (const double share : {0.5, 0.3, 0.7, 0.1, 0.9})
    for (const double side : {-1.0, 1.0}) {
      TextItem text = words;
      text.at = a + (b - a) * share + across * (side * off) + Vec2{1.5 * d.scale, 0};
      label.spots.push_back({text});
    }
  label.badge = Badge::Cross;
  d.add(std::move(label));
}

void addBands(Drawing& d, const std::vector<Band>& bands, const View& view) {
  for (const Band& band : bands)
    if (band.view == view)
      d.add(Layer::Working, "band:" + band.rule, PathItem{band.zone, true, Ink::Band, fine(Ink::Holds)});
}

Drawing composePlanWork(const Job& job, const Room&, const PlanWork& work, double scale, LengthFormat format) {
  Drawing d;
  d.scale = scale;
  addBands(d, work.bands, View{});
  for (const Band& band : work.bands) {
    // The label stands in bands that have room for it.
    const Vec2 middle = (band.zone[0] + band.zone[1] + band.zone[2] + band.zone[3]) * 0.25;
    const bool level = std::abs(band.zone[1].x - band.zone[0].x) > letteringWidth(band.label, kSmallLetters) * d.scale;
    if (!band.view.isPlan() || !level) continue;
    const Vec2 side = (band.zone[1] - band.zone[0]) * 0.25, up = (band.zone[3] - band.zone[0]) * 0.25;
    d.add(labelOnlyAt(Layer::Working, "band:" + band.rule, Rank::Note,
                      {middle, middle + up, middle - up, middle + side, middle - side},
                      TextItem{{}, band.label, kSmallLetters, Align::Centre, 0, Ink::Ink, Ink::None}));
  }
  if (work.scheme == nullptr) return d;
  // Bands first, then the pieces in the hand, then the marks and tapes over them.
  const SchemeNames names(job, *work.scheme);
  for (const PlacementId& id : work.inHand)
    if (const Placement* p = findPlacement(*work.scheme, id))
      if (const auto* floor = onFloor(p->on))
        addPiece(d, pieceOf(job, *p), *floor, id.value, midSentence(names.plain(id)), format, Layer::Working);
  // Where a tape already reads a finding's gap, its own line and figure would lie under the tape's.
  const auto onATape = [&](const Finding& f) {
    return std::any_of(work.tapes.begin(), work.tapes.end(), [&](const Tape& t) {
      return std::abs(t.length - f.measured) < kTouch &&
             std::min(distance(f.at[0], t.from) + distance(f.at[1], t.to),
                      distance(f.at[0], t.to) + distance(f.at[1], t.from)) < kNearTape;
    });
  };
  for (const Finding& f : work.findings)
    if (f.view.isPlan() && !onATape(f)) addFindingMark(d, f, format);
  for (const PlacementId& id : work.selection)
    if (id != work.selected) addSelection(d, job, *work.scheme, id, kThinHalo);
  addSelection(d, job, *work.scheme, work.selected, kHalo);
  addGuides(d, work.guides);
  if (work.ghost != nullptr) addGhost(d, *work.ghost, *work.scheme);
  for (const Tape& tape : work.tapes) addTape(d, tape, format, work.typedInto != tapeItem(tape.side));
  if (const Placement* p = findPlacement(*work.scheme, work.selected); p != nullptr && work.handle)
    if (const auto* floor = onFloor(p->on)) addTurnHandle(d, pieceOf(job, *p), *floor);
  return d;
}

Drawing composeDraft(const Polygon& corners, Vec2 end, const std::vector<std::string>& lengths, std::size_t current,
                     double scale, LengthFormat format) {
  Drawing d;
  d.scale = scale;
  d.low = d.high = {};
  Polygon path = corners;
  path.push_back(end);
  for (const Vec2 p : path) {
    d.low = {std::min(d.low.x, p.x), std::min(d.low.y, p.y)};
    d.high = {std::max(d.high.x, p.x), std::max(d.high.y, p.y)};
  }
  const Vec2 margin{22 * scale, 22 * scale};
  d.low = d.low - margin;
  d.high += margin;
  for (std::size_t i = 0; i + 1 < path.size(); ++i) {
    const bool here = i == current;
    if (distance(path[i], path[i + 1]) < 1) continue;
    d.add(Layer::Wall, "", line(path[i], path[i + 1], {Ink::CutWall, here ? 1.4 : 0.9, Dash::Solid}));
    addDimension(d, {path[i + 1], path[i], 8, lengths[i], Layer::Dimension, "", Ink::Ink,
                     here ? Ink::Accent : Ink::Paper, Ink::Ink});
  }
  if (norm(end) > 0.5) {
    d.add(Layer::Working, "", line(end, {0, 0}, {Ink::Breaks, 0.6, Dash::Dashed}));
    d.add(labelOnLine(
        Layer::Working, "open", Rank::Finding, end, {},
        TextItem{{}, writeLength(norm(end), format) + " open", kLetters, Align::Centre, 0, Ink::Ink, Ink::Paper},
        scale));
  }
  if (d.high.x - d.low.x > 2 * margin.x + 1)
    d.add(Layer::Label, "", ArcItem{{0, 0}, 1.3 * scale, 0, 360, Ink::Ink, Stroke{}});
  return d;
}

}  // namespace mezzet
