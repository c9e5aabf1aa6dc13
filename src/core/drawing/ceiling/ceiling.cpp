#include "core/drawing/ceiling/ceiling.h"

#include <algorithm>
#include <cmath>

#include "core/drawing/base/drafting.h"
#include "core/drawing/base/working.h"
#include "core/drawing/ceiling/marks.h"
#include "core/light/downlights.h"
#include "core/model/kinds.h"
#include "core/rules/registry.h"

namespace mezzet {
namespace {

/// What stands on the floor, as thin lines under the ceiling.
void makeThin(Drawing& d) {
  const auto thinner = [](Stroke& s) {
    if (s.ink == Ink::None) return;
    s = {Ink::Quiet, kFineLine, s.dash};
  };
  for (Item& item : d.items) {
    if (item.layer != Layer::Furniture && item.layer != Layer::Rug && item.layer != Layer::Picture) continue;
    if (auto* path = std::get_if<PathItem>(&item.shape)) {
      if (path->fill != Ink::None) path->fill = Ink::None;
      thinner(path->stroke);
    } else if (auto* arc = std::get_if<ArcItem>(&item.shape)) {
      if (arc->fill != Ink::None) arc->fill = Ink::None;
      thinner(arc->stroke);
    }
  }
}

void addJoists(Drawing& d, const Room& room) {
  if (!room.joists) return;
  const Joists& j = *room.joists;
  const Polygon outline = outlineOf(room);
  const Box box = boundsOf(std::span<const Vec2>(outline));
  const bool alongX = j.along == PlanAxis::X;
  for (const double middle : joistsBetween(j, alongX ? box.low.y : box.low.x, alongX ? box.high.y : box.high.x))
    // Both edges where they can be told apart, else the middle.
    for (const double at :
         j.width > 2 * d.scale ? std::vector{middle - j.width / 2, middle + j.width / 2} : std::vector{middle}) {
      std::vector<double> cuts;
      for (std::size_t i = 0; i < outline.size(); ++i) {
        const Vec2 a = edgeStart(outline, i), b = edgeEnd(outline, i);
        const double fa = (alongX ? a.y : a.x) - at, fb = (alongX ? b.y : b.x) - at;
        if ((fa > 0) == (fb > 0)) continue;
        const Vec2 p = a + (b - a) * (fa / (fa - fb));
        cuts.push_back(alongX ? p.x : p.y);
      }
      std::sort(cuts.begin(), cuts.end());
      for (std::size_t i = 0; i + 1 < cuts.size(); i += 2) {
        const Vec2 a = alongX ? Vec2{cuts[i], at} : Vec2{at, cuts[i]},
                   b = alongX ? Vec2{cuts[i + 1], at} : Vec2{at, cuts[i + 1]};
        d.add(Layer::Feature, "joist", line(a, b, {Ink::Quiet, kFineLine, Dash::Dashed}));
      }
    }
}

/// Parts of a ceiling that differ, with how high they are.
void addCeilingParts(Drawing& d, const RoomHeights& heights, LengthFormat format) {
  for (const CeilingPart& part : heights.parts) {
    if (part.outline.empty()) continue;
    d.add(Layer::Feature, "ceiling", PathItem{part.outline, true, Ink::None, {Ink::Ink, kDimensionLine, Dash::Dashed}});
    const Vec2 middle = centroidOf(part.outline);
    d.add(labelAt(Layer::Label, "ceiling", Rank::Note,
                  {middle, middle + Vec2{0, 6 * d.scale}, middle - Vec2{0, 6 * d.scale}},
                  TextItem{{},
                           "ceiling " + writeLength(heights.clearAt(middle), format),
                           kSmallLetters,
                           Align::Centre,
                           0,
                           Ink::Ink,
                           Ink::None}));
  }
}

std::optional<std::size_t> circuitIndex(const Scheme& scheme, const Placement& p) {
  for (std::size_t i = 0; i < scheme.circuits.size(); ++i)
    if (scheme.circuits[i].id == p.circuit) return i;
  return std::nullopt;
}

/// "B", and below it how high the underside is; nothing to say of what is recessed but its letter.
std::string markWords(const Fixture& f, const Scheme& scheme, LengthFormat format) {
  const Circuit* circuit = findCircuit(scheme, f.placement->circuit);
  std::string out = circuit != nullptr ? circuit->name : std::string();
  LengthFormat bare = format;
  bare.withUnit = false;
  if (f.hangsDown() || f.mount == Mount::Wall) {
    const double height = f.mount == Mount::Wall ? (f.underside + f.top) / 2 : f.underside;
    out += (out.empty() ? "" : "  ") + writeLength(height, bare);
  }
  return out;
}

void addMarkWords(Drawing& d, const Fixture& f, const std::string& text) {
  if (text.empty()) return;
  const double r = std::max(f.piece->width / 2, kLeastMark * d.scale);
  const TextItem words{{}, text, kSmallLetters, Align::Centre, 0, Ink::Ink, Ink::None};
  const double wide = (letteringWidth(text, kSmallLetters) / 2 + 1.4) * d.scale, high = 2.6 * d.scale;
  std::vector<Vec2> at;
  for (const double out : {1.0, 1.6})
    for (const Vec2 to :
         {Vec2{1, 1}, Vec2{1, -1}, Vec2{-1, 1}, Vec2{-1, -1}, Vec2{1, 0}, Vec2{-1, 0}, Vec2{0, 1}, Vec2{0, -1}}) {
      const double k = std::abs(to.x) + std::abs(to.y) > 1 ? 0.707 : 1;
      at.push_back(f.at.at + Vec2{to.x * (r * k + wide * out), to.y * (r * k + high * out)});
    }
  Label label = labelAt(Layer::Label, f.id().value, Rank::Sign, at, words);
  label.anchors = {f.at.at};
  d.add(std::move(label));
}

constexpr double kHalo = 1.5;  // mm of paper, round what is selected

/// Names of what stands on the floor stay out from under the lights; chairs need none.
void keepOffMarks(Drawing& d, const std::vector<Fixture>& fixtures) {
  for (Label& label : d.labels) {
    if (label.rank != Rank::Note) continue;
    std::erase_if(label.spots, [&](const Label::Spot& spot) {
      return std::any_of(spot.begin(), spot.end(), [&](const TextItem& text) {
        const TextBox box = textBox(text, d.scale);
        return std::any_of(fixtures.begin(), fixtures.end(), [&](const Fixture& f) {
          const Vec2 p = f.at.at;
          const double r = std::max(f.piece->width / 2, kLeastMark * d.scale) + kHalo * d.scale;
          const double x = std::max({0.0, box.low.x - p.x, p.x - box.high.x}),
                       y = std::max({0.0, box.low.y - p.y, p.y - box.high.y});
          return std::hypot(x, y) < r;
        });
      });
    });
  }
}

/// The lights of a circuit joined from its switch on, each to the nearest that is joined already.
void addCircuitLines(Drawing& d, const Room& room, const Scheme& scheme, const std::vector<Fixture>& fixtures) {
  for (const Circuit& circuit : scheme.circuits) {
    std::vector<Vec2> joined, left;
    for (const WallPoint& p : room.points)
      if (p.id == circuit.switchAt)
        if (const auto wall = findWall(room, p.wall))
          joined.push_back(wall->start + wall->along() * p.along + wall->inward() * (2.4 * d.scale));
    for (const Fixture& f : fixtures)
      if (f.placement->circuit == circuit.id) left.push_back(f.at.at);
    if (joined.empty() && !left.empty()) {
      joined.push_back(left.back());
      left.pop_back();
    }
    while (!left.empty()) {
      std::size_t from = 0, to = 0;
      for (std::size_t i = 0; i < joined.size(); ++i)
        for (std::size_t k = 0; k < left.size(); ++k)
          if (distance(joined[i], left[k]) < distance(joined[from], left[to])) from = i, to = k;
      d.add(Layer::Dimension, "circuit", line(joined[from], left[to], {Ink::Ink, kDimensionLine, Dash::Dotted}));
      joined.push_back(left[to]);
      left.erase(left.begin() + static_cast<std::ptrdiff_t>(to));
    }
  }
}

/// Where the underside may be, beside the cord.
void addCordBands(Drawing& d, const std::vector<Band>& bands, const SectionFrame& frame) {
  for (const Band& band : bands) {
    if (!band.view.ceiling) continue;
    PathItem zone{{}, true, Ink::Band, fine(Ink::Holds)};
    for (const Vec2 p : band.zone) zone.points.push_back(frame.home(p.x, p.y));
    const TextItem words{{}, band.label, kSmallLetters, Align::Left, 0, Ink::Ink, Ink::Floor};
    const double wide = textWidth(words) * d.scale;
    const double middle = (zone.points[1].y + zone.points[2].y) / 2;
    std::vector<Vec2> at;
    for (const double y : {middle, zone.points[2].y + 2.4 * d.scale, zone.points[0].y - 2.4 * d.scale})
      for (const double x : {zone.points[1].x + d.scale, zone.points[0].x - wide - d.scale}) at.push_back({x, y});
    d.add(Layer::Working, "band:" + band.rule, std::move(zone));
    d.add(labelOnlyAt(Layer::Working, "band:" + band.rule, Rank::Note, at, words));
  }
}

PlanOptions planOptionsOf(const CeilingOptions& o) {
  PlanOptions plan;
  plan.scale = o.scale;
  plan.format = o.format;
  plan.grid = o.grid;
  plan.gridLow = o.gridLow;
  plan.gridHigh = o.gridHigh;
  plan.titles = false;
  return plan;
}

double planFoot(const Room& room, double scale) {
  PlanOptions bare;
  bare.scale = scale;
  bare.grid = false;
  bare.titles = false;
  return composePlan(Job{}, room, nullptr, bare).low.y;
}

}  // namespace

SectionFrame sectionOf(const Job& job, const Room& room, const Scheme* scheme, const CeilingOptions& o) {
  const RoomHeights heights = heightsOf(room);
  const Polygon outline = outlineOf(room);
  const Box box = boundsOf(std::span<const Vec2>(outline));
  double cut = (box.low.y + box.high.y) / 2;
  if (scheme != nullptr && !o.section.empty())
    if (const Placement* p = findPlacement(*scheme, o.section))
      if (const auto f = fixtureOf(PieceIndex(job), room, heights, *scheme, *p)) cut = f->at.at.y;
  return sectionFrame(room, heights, planFoot(room, o.scale), o.scale, cut);
}

Drawing composeCeiling(const Job& job, const Room& room, const Scheme* scheme, const CeilingOptions& o) {
  Drawing d = composePlan(job, room, scheme, planOptionsOf(o));
  makeThin(d);
  for (Label& label : d.labels)
    if (label.rank == Rank::Piece || label.rank == Rank::Rug) {
      label.rank = Rank::Note;
      label.aside.ink = Ink::Quiet;
      for (Label::Spot& spot : label.spots)
        for (TextItem& text : spot) text.ink = Ink::Quiet;
    }
  const RoomHeights heights = heightsOf(room);
  addJoists(d, room);
  addCeilingParts(d, heights, o.format);
  const SectionFrame frame = sectionOf(job, room, scheme, o);
  if (o.sectionRoom) d.low.y = sectionFoot(frame, o.scale);
  if (scheme != nullptr) {
    const PieceIndex pieces(job);
    const std::vector<Fixture> fixtures = fixturesIn(pieces, room, heights, *scheme);
    if (o.estimate != nullptr) addLightContours(d, *o.estimate);
    addCircuitLines(d, room, *scheme, fixtures);
    keepOffMarks(d, fixtures);
    for (const Fixture& f : fixtures) {
      if (std::find(o.without.begin(), o.without.end(), f.id()) != o.without.end()) continue;
      addFixtureMark(d, f, circuitIndex(*scheme, *f.placement), f.id().value, Layer::Furniture);
      addMarkWords(d, f, markWords(f, *scheme, o.format));
    }
    if (o.sectionRoom && o.sectionDrawn)
      addSection(d, job, room, *scheme, frame, {o.section, o.without, true, o.format, Layer::Furniture});
  }
  if (o.titles) {
    const Vec2 high{std::max(d.high.x, o.gridHigh.x), std::max(d.high.y, o.gridHigh.y)};
    addNorth(d, {high.x - 5 * d.scale, high.y - 7 * d.scale});
    d.add(Layer::Title, "",
          TextItem{{std::min(d.low.x, o.gridLow.x) + 3 * d.scale, high.y - 2.6 * d.scale},
                   "As seen from above. " + ceilingWords(room, o.format),
                   kSmallLetters,
                   Align::Left,
                   0,
                   Ink::Ink,
                   Ink::None});
  }
  return d;
}

Drawing composeCeilingWork(const Job& job, const Room& room, const CeilingWork& work, const CeilingOptions& o) {
  Drawing d;
  d.scale = o.scale;
  if (work.scheme == nullptr) return d;
  const PieceIndex pieces(job);
  const RoomHeights heights = heightsOf(room);
  const SectionFrame frame = sectionOf(job, room, work.scheme, o);
  const bool chosen = !work.selected.empty() && work.selected == o.section;
  addSection(d, job, room, *work.scheme, frame, {o.section, {}, !chosen, o.format, Layer::Furniture});
  addCordBands(d, work.bands, frame);
  const auto fixture = [&](const Scheme& scheme, const PlacementId& id) -> std::optional<Fixture> {
    const Placement* p = findPlacement(scheme, id);
    return p != nullptr ? fixtureOf(pieces, room, heights, scheme, *p) : std::nullopt;
  };
  for (const PlacementId& id : work.inHand)
    if (const auto f = fixture(*work.scheme, id))
      addFixtureMark(d, *f, circuitIndex(*work.scheme, *f->placement), id.value, Layer::Working);
  for (const Finding& f : work.findings)
    if (f.view.ceiling && distance(f.at[0], f.at[1]) > 1) addFindingMark(d, f, o.format);
  const auto halo = [&](const PlacementId& id, double width) {
    const auto f = fixture(*work.scheme, id);
    if (!f) return;
    const double r = std::max(f->piece->width / 2, kLeastMark * d.scale) + 0.9 * d.scale;
    d.add(Layer::Working, "selection", ArcItem{f->at.at, r, 0, 360, Ink::None, {Ink::Accent, width, Dash::Solid}});
  };
  for (const PlacementId& id : work.selection) halo(id, id == work.selected ? 1.1 : 0.8);
  addGuides(d, work.guides);
  if (work.ghost != nullptr)
    if (const Scheme* then = findScheme(*work.ghost, work.scheme->id)) {
      const PieceIndex thenPieces(*work.ghost);
      for (const Placement& q : then->placements) {
        const Placement* before = findPlacement(*work.scheme, q.id);
        if (before != nullptr && *before == q) continue;
        const auto f = fixtureOf(thenPieces, room, heights, *then, q);
        if (!f) continue;
        const Stroke edge{Ink::Holds, 0.6, Dash::Dashed};
        const double half = std::max(f->piece->width / 2, kLeastMark * d.scale);
        d.add(Layer::Working, "ghost", ArcItem{f->at.at, half, 0, 360, Ink::Band, edge});
        if (f->onCeiling() && !f->recessed())
          d.add(Layer::Working, "ghost",
                rectangle(frame.home(f->at.at.x - half, f->floor + f->underside),
                          frame.home(f->at.at.x + half, f->floor + f->top), Ink::Band, edge));
      }
    }
  for (Tape tape : work.tapes) {
    const bool upright = tape.side == Side::Down || tape.side == Side::Up;
    if (upright) {
      // Beside the cord, so that it is seen.
      const double beside = 5 * d.scale;
      tape.from = frame.home(tape.from.x + beside, tape.from.y);
      tape.to = frame.home(tape.to.x + beside, tape.to.y);
    }
    addTape(d, tape, o.format, work.typedInto != tapeItem(tape.side));
  }
  return d;
}

}  // namespace mezzet
