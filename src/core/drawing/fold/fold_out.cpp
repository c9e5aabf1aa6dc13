#include "core/drawing/fold/fold_out.h"

#include <algorithm>
#include <cmath>

#include "core/drawing/base/drafting.h"
#include "core/drawing/plan/plan.h"
#include "core/drawing/wall/elevation.h"
#include "core/geometry/convex_parts.h"
#include "core/site/heights.h"
#include "core/space/bodies.h"

namespace mezzet {
namespace {

constexpr double kMargin = 4;  // mm of paper round everything
constexpr double kPush = 10;   // mm of the room: what a wall is pushed out by at a time

/// What a folded wall takes up in the plan: cut walls, floor and ceiling included.
Convex bodyOf(const FoldedWall& f, double length, double ceiling) {
  const double t = kElevationCut;
  Convex out;
  for (const Vec2 uv : {Vec2{-t, -t}, Vec2{length + t, -t}, Vec2{length + t, ceiling + t}, Vec2{-t, ceiling + t}})
    out.core.push_back(foldedOut(f, uv));
  return out;
}

/// Words read from below or from the right: half a turn where they would stand on their heads.
void turnUpright(TextItem& text, double degrees) {
  text.turn = std::remainder(text.turn + degrees, 360.0);
  if (text.turn > -90 + 1e-6 && text.turn <= 90 + 1e-6) return;
  text.turn = std::remainder(text.turn + 180, 360.0);
  if (text.align == Align::Left) text.align = Align::Right;
  else if (text.align == Align::Right) text.align = Align::Left;
}

/// Lays an elevation down where its wall lies.
void layDown(Drawing& d, const FoldedWall& f) {
  const auto put = [&](Vec2& p) { p = foldedOut(f, p); };
  for (Label& label : d.labels) {
    for (Label::Spot& spot : label.spots)
      for (TextItem& text : spot) {
        put(text.at);
        turnUpright(text, f.turn);
      }
    for (Vec2& anchor : label.anchors) put(anchor);
    turnUpright(label.aside, f.turn);
  }
  for (Item& item : d.items) {
    if (auto* path = std::get_if<PathItem>(&item.shape))
      for (Vec2& p : path->points) put(p);
    if (auto* arc = std::get_if<ArcItem>(&item.shape)) {
      put(arc->centre);
      arc->start += f.turn;
    }
    if (auto* text = std::get_if<TextItem>(&item.shape)) {
      put(text->at);
      turnUpright(*text, f.turn);
    }
    if (auto* image = std::get_if<ImageItem>(&item.shape)) {
      const Vec2 half = (image->high - image->low) * 0.5, middle = foldedOut(f, (image->low + image->high) * 0.5);
      image->low = middle - half;
      image->high = middle + half;
      image->turn += f.turn;
    }
  }
}

double highest(const Room& room, const RoomHeights& heights, const Wall& wall) {
  double out = 0;
  for (const Vec2 p : ceilingProfile(room, heights, wall)) out = std::max(out, p.y);
  return out;
}

}  // namespace

Vec2 foldedOut(const FoldedWall& f, Vec2 uv) { return f.origin + f.along * uv.x + f.outward * uv.y; }
Vec2 foldedBack(const FoldedWall& f, Vec2 at) { return {dot(at - f.origin, f.along), dot(at - f.origin, f.outward)}; }

std::vector<FoldedWall> foldedWalls(const Room& room, double scale) {
  const RoomHeights heights = heightsOf(room);
  const double apart = kFoldedApart * scale;
  std::vector<FoldedWall> out;
  std::vector<Convex> taken;
  const Parts floor = convexParts(outlineOf(room));
  for (const Wall& wall : wallsOf(room)) {
    const double usual = wall.thickness + kElevationCut + apart;
    FoldedWall f;
    f.wall = wall.id;
    f.along = -wall.along();
    f.outward = -wall.inward();
    f.turn = directionOf(f.along);
    const double high = highest(room, heights, wall), length = wall.length();
    const double most = 40 * 1000;
    for (; f.pushedOut < most; f.pushedOut += kPush) {
      f.origin = wall.end + f.outward * (usual + f.pushedOut);
      const Convex body = bodyOf(f, length, high);
      const auto near = [&](const Convex& other) { return separation(body, other).gap < apart - 1e-6; };
      if (std::none_of(taken.begin(), taken.end(), near) && std::none_of(floor.begin(), floor.end(), near)) break;
    }
    taken.push_back(bodyOf(f, length, high));
    out.push_back(std::move(f));
  }
  return out;
}

Drawing composeFoldOut(const Job& job, const Room& room, const Scheme* scheme, double scale, LengthFormat format) {
  PlanOptions options;
  options.scale = scale;
  options.format = format;
  options.grid = false;
  options.titles = false;
  Drawing d = composePlan(job, room, scheme, options);
  // An overview: letters stand on the walls that lie round it, and lengths on the sheets of each wall.
  std::erase_if(d.items, [](const Item& item) { return item.layer == Layer::Dimension; });
  std::erase_if(d.labels, [](const Label& label) {
    return label.layer == Layer::Dimension || label.rank == Rank::Tag || label.rank == Rank::Note;
  });
  std::vector<Vec2> all = outlineOf(room);
  const RoomHeights heights = heightsOf(room);
  for (const FoldedWall& f : foldedWalls(room, scale)) {
    const Wall wall = *findWall(room, f.wall);
    ElevationOptions one;
    one.scale = scale;
    one.format = format;
    one.grid = false;
    one.titles = false;
    one.alone = true;
    Drawing elevation = composeElevation(job, room, scheme, f.wall, one);
    const double length = wall.length(), high = highest(room, heights, wall);
    std::erase_if(elevation.labels, [](const Label& label) { return label.rank == Rank::Note; });
    addTag(elevation, {{length / 2, high + kElevationCut + (kTagCircle + 1.5) * scale}}, f.wall.value, "");
    layDown(elevation, f);
    append(d, std::move(elevation));
    for (const Vec2 p : bodyOf(f, length, high).core) all.push_back(p);
    all.push_back(foldedOut(f, {length / 2, high + kElevationCut + (2 * kTagCircle + 3) * scale}));
    // A thin leader from its edge.
    const Vec2 edge = (wall.start + wall.end) * 0.5 + f.outward * wall.thickness;
    d.add(Layer::Dimension, "",
          line(edge, foldedOut(f, {length / 2, -kElevationCut}), {Ink::Quiet, kFineLine, Dash::Solid}));
  }
  const Box box = boundsOf(std::span<const Vec2>(all));
  const Vec2 margin{kMargin * scale, kMargin * scale};
  d.low = box.low - margin;
  d.high = box.high + margin;
  return d;
}

}  // namespace mezzet
