#include "core/drawing/ceiling/section.h"

#include <algorithm>
#include <cmath>

#include "core/drawing/base/drafting.h"
#include "core/drawing/ceiling/marks.h"
#include "core/drawing/wall/elevation.h"
#include "core/drawing/wall/furniture_front.h"
#include "core/light/over_tops.h"
#include "core/model/kinds.h"
#include "core/site/stairs.h"
#include "core/use/dining.h"
#include "core/use/eyes.h"
#include "core/use/seats.h"

namespace mezzet {
namespace {

/// Lights and bodies so near the cut are cut with it.
constexpr double kCutNear = 9 * kInch;

/// Where the line y = cut lies in the room, from left to right in pairs.
std::vector<double> crossings(const Polygon& outline, double cut) {
  std::vector<double> out;
  for (std::size_t i = 0; i < outline.size(); ++i) {
    const Vec2 a = edgeStart(outline, i), b = edgeEnd(outline, i);
    if ((a.y > cut) != (b.y > cut)) out.push_back(a.x + (b.x - a.x) * (cut - a.y) / (b.y - a.y));
  }
  std::sort(out.begin(), out.end());
  return out;
}

void addRoomCut(Drawing& d, const Room& room, const RoomHeights& heights, const SectionFrame& frame, Layer layer) {
  const std::vector<double> ends = crossings(outlineOf(room), frame.cut);
  for (std::size_t i = 0; i + 1 < ends.size(); i += 2) {
    const double left = ends[i], right = ends[i + 1], t = kElevationCut;
    std::vector<double> at{left, right};
    for (const CeilingPart& part : heights.parts)
      for (const double x : crossings(part.outline, frame.cut))
        if (x > left + 1 && x < right - 1) at.push_back(x);
    std::sort(at.begin(), at.end());
    std::vector<Vec2> above, below;
    for (std::size_t k = 0; k + 1 < at.size(); ++k)
      for (const double x : {at[k] + 0.5, at[k + 1] - 0.5}) {
        const Vec2 p{x, frame.cut};
        above.push_back(frame.home(x, heights.ceilingAt(p)));
        below.push_back(frame.home(x, heights.floorAt(p)));
      }
    PathItem face{below, true, Ink::Floor, Stroke{}};
    face.points.insert(face.points.end(), above.rbegin(), above.rend());
    d.add(Layer::Floor, "section", std::move(face));
    const auto slab = [&](Vec2 a, Vec2 b, double by) {
      d.add(Layer::Wall, "section", PathItem{{a, b, b + Vec2{0, by}, a + Vec2{0, by}}, true, Ink::CutWall, Stroke{}});
    };
    for (std::size_t k = 0; k + 1 < above.size(); k += 1) {
      slab(above[k], above[k + 1], t);
      slab(below[k + 1], below[k], -t);
    }
    const double low = below.front().y - t, leftTop = above.front().y + t, rightTop = above.back().y + t;
    d.add(Layer::Wall, "section", rectangle({left - t, low}, {left, leftTop}, Ink::CutWall, Stroke{}));
    d.add(Layer::Wall, "section",
          rectangle({right, below.back().y - t}, {right + t, rightTop}, Ink::CutWall, Stroke{}));
    static_cast<void>(layer);
  }
}

/// Fixed things where they are cut; a stair up to its nosing line.
void addFixed(Drawing& d, const Room& room, const SectionFrame& frame) {
  for (const Feature& f : room.features) {
    const std::vector<double> ends = crossings(f.outline, frame.cut);
    double low = f.base.value_or(0), high = low + f.height.value_or(0);
    if (f.stair) {
      const Vec2 up = rotated({1, 0}, turnOf(f.stair->climbs));
      const Vec2 foot = stairPlan(f.outline, *f.stair).foot;
      if (ends.size() < 2) continue;
      low = 0;
      high = nosingLine(*f.stair, std::max(0.0, dot(Vec2{(ends[0] + ends[1]) / 2, frame.cut} - foot, up)));
    }
    for (std::size_t i = 0; i + 1 < ends.size(); i += 2)
      if (high > low + 1)
        d.add(Layer::Feature, f.id.value,
              rectangle(frame.home(ends[i], low), frame.home(ends[i + 1], high), Ink::Hearth,
                        {Ink::Ink, kDimensionLine, Dash::Solid}));
  }
}

/// Seen as if it stood at a wall behind the cut, whose u runs with the plan's x.
Wall behind(const SectionFrame& frame) {
  Wall wall;
  wall.id = CornerId("section");
  wall.start = {frame.right, frame.cut + 1e5};
  wall.end = {frame.left, frame.cut + 1e5};
  return wall;
}

void addBodies(Drawing& d, const PieceIndex& pieces, const Scheme& scheme, const SectionFrame& frame,
               const PlacementId& under) {
  std::vector<const Placement*> shown;
  const std::vector<DiningSeat> dining = diningSeatsIn(pieces, scheme);
  for (const Placement& p : scheme.placements) {
    const auto* floor = onFloor(p.on);
    const Piece& piece = pieces.of(p);
    if (floor == nullptr || isRug(piece.kind)) continue;
    const Box box = boundsOf(footprint(piece, *floor));
    const bool cut = box.low.y <= frame.cut + kCutNear && box.high.y >= frame.cut - kCutNear;
    const bool seated = std::any_of(dining.begin(), dining.end(),
                                    [&](const DiningSeat& s) { return s.chair == &p && s.table->id == under; });
    if (cut || seated || p.id == under) shown.push_back(&p);
  }
  std::sort(shown.begin(), shown.end(),
            [](const Placement* a, const Placement* b) { return floorPlace(a->on).at.y > floorPlace(b->on).at.y; });
  Drawing own;
  own.scale = d.scale;
  const Wall wall = behind(frame);
  for (const Placement* p : shown)
    addFurnitureFront(own, pieces.of(*p), floorPlace(p->on), standingOf(pieces.of(*p), p->id, floorPlace(p->on), wall),
                      wall, p->id.value);
  own.labels.clear();
  shift(own, {frame.left, frame.base});
  append(d, std::move(own));
}

void addEyes(Drawing& d, const PieceIndex& pieces, const Scheme& scheme, const SectionFrame& frame,
             const PlacementId& table, const Fixture& light) {
  struct Eye3 {
    Vec2 at;
    double height;
    Vec2 facing;
  };
  std::vector<Eye3> eyes;
  for (const DiningSeat& seat : diningSeatsIn(pieces, scheme)) {
    const Piece& chair = pieces.of(*seat.chair);
    const auto eye = seatedEye(chair);
    if (seat.table->id != table || !eye) continue;
    for (const SeatPlace& place : seatPlaces(chair, floorPlace(seat.chair->on)))
      eyes.push_back({place.at, light.floor + *eye, place.facing});
  }
  for (const Eye3& eye : eyes)
    d.add(Layer::Dimension, "eye",
          ArcItem{frame.home(eye.at.x, eye.height), 0.9 * d.scale, 0, 360, Ink::Paper, {Ink::Ink, 0.35, Dash::Solid}});
  for (std::size_t i = 0; i < eyes.size(); ++i)
    for (std::size_t j = i + 1; j < eyes.size(); ++j)
      if (degreesBetween(eyes[i].facing, -eyes[j].facing) <= 45 &&
          separation(light.body, Parts{Convex{{eyes[i].at, eyes[j].at}, 0}}).gap < 0)
        d.add(Layer::Dimension, "eye-line",
              line(frame.home(eyes[i].at.x, eyes[i].height), frame.home(eyes[j].at.x, eyes[j].height),
                   {Ink::Ink, kDimensionLine, Dash::Dashed}));
}

}  // namespace

bool SectionFrame::covers(Vec2 drawn) const { return drawn.y <= base + high + kElevationCut; }

SectionFrame sectionFrame(const Room& room, const RoomHeights& heights, double below, double scale, double cut) {
  SectionFrame f;
  for (const Vec2 p : heightLookouts(room, heights)) f.high = std::max(f.high, heights.ceilingAt(p));
  f.high = std::max(f.high, usualClear(room, heights));
  const Polygon outline = outlineOf(room);
  const Box box = boundsOf(std::span<const Vec2>(outline));
  f.left = box.low.x;
  f.right = box.high.x;
  f.cut = cut;
  f.base = below - 3 * scale - kElevationCut - f.high;
  return f;
}

double sectionFoot(const SectionFrame& frame, double scale) { return frame.base - kElevationCut - 3 * scale; }

PlacementId sectionThrough(const Job& job, const Room& room, const Scheme& scheme, const PlacementId& chosen) {
  const PieceIndex pieces(job);
  const std::vector<Fixture> fixtures = fixturesIn(pieces, room, heightsOf(room), scheme);
  for (const Fixture& f : fixtures)
    if (f.id() == chosen) return chosen;
  const std::vector<Body> bodies = floorBodies(pieces, scheme);
  if (const auto over = overTops(pieces, scheme, bodies, fixtures); !over.empty()) return over.front().fixture->id();
  for (const Fixture& f : fixtures)
    if (f.onCeiling()) return f.id();
  return {};
}

void addSection(Drawing& d, const Job& job, const Room& room, const Scheme& scheme, const SectionFrame& frame,
                const SectionOptions& o) {
  const PieceIndex pieces(job);
  const RoomHeights heights = heightsOf(room);
  const std::vector<Fixture> fixtures = fixturesIn(pieces, room, heights, scheme);
  addRoomCut(d, room, heights, frame, o.layer);
  const Fixture* chosen = nullptr;
  for (const Fixture& f : fixtures)
    if (f.id() == o.chosen) chosen = &f;
  const std::vector<Body> bodies = floorBodies(pieces, scheme);
  const Under under = chosen != nullptr ? underOf(pieces, scheme, bodies, chosen->at.at) : Under{};
  addFixed(d, room, frame);
  addBodies(d, pieces, scheme, frame, under.placement != nullptr ? under.placement->id : PlacementId());
  // Where it is cut: at the plan's sides, an arrow up the plan, the way one looks.
  for (const double x : {frame.left - 5 * d.scale, frame.right + 5 * d.scale}) {
    const Vec2 foot{x, frame.cut};
    const double a = 1.6 * d.scale;
    d.add(Layer::Dimension, "section-mark",
          PathItem{{foot + Vec2{-a, 0}, foot + Vec2{a, 0}, foot + Vec2{0, 1.7 * a}}, true, Ink::Ink, Stroke{}});
    d.add(Layer::Dimension, "section-mark",
          line(foot + Vec2{-1.6 * a, 0}, foot + Vec2{1.6 * a, 0}, {Ink::Ink, kFurnitureLine, Dash::Solid}));
  }
  for (const Fixture& f : fixtures) {
    const bool near = std::abs(f.at.at.y - frame.cut) <= kCutNear;
    if ((!near && &f != chosen) || std::find(o.without.begin(), o.without.end(), f.id()) != o.without.end()) continue;
    addFixtureFront(d, f, f.at.at.x, frame.base + f.floor + f.underside, frame.base + f.floor + f.top,
                    frame.base + f.floor + f.ceiling, f.id().value, o.layer);
  }
  if (chosen == nullptr) return;
  if (under.placement != nullptr) addEyes(d, pieces, scheme, frame, under.placement->id, *chosen);
  if (!o.figures) return;
  const double x = chosen->at.at.x, floor = chosen->floor;
  const Box box = chosen->body.empty() ? Box{{x, 0}, {x, 0}} : boundsOf(chosen->body);
  const double beside = std::max(box.high.x, x) + 6 * d.scale;
  const auto figure = [&](double from, double to, double at) {
    if (to - from > 1)
      addDimension(d, {frame.home(at, floor + from), frame.home(at, floor + to), 0, writeLength(to - from, o.format),
                       Layer::Dimension, "section-figure", Ink::Ink, Ink::Floor, Ink::Ink});
  };
  if (under.placement != nullptr) figure(under.top, chosen->underside, beside);
  figure(chosen->underside, chosen->ceiling, beside);
  figure(0, chosen->underside, std::min(box.low.x, x) - 6 * d.scale);
}

}  // namespace mezzet
