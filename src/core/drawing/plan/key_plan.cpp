#include "core/drawing/plan/key_plan.h"

#include <algorithm>

#include "core/drawing/base/drafting.h"
#include "core/geometry/convex.h"

namespace mezzet {
namespace {

constexpr double kRound = 5.5;                      // mm of paper round the room, for letters
constexpr double kOff = 2.9;                        // mm of paper from a wall to the middle of its letter
constexpr double kWallWide = 0.7, kSeenWide = 1.9;  // mm of paper
constexpr double kEdgeWide = 0.5, kSeenEdge = kSeenWide + kEdgeWide;

/// A wall that is shorter on paper bears no letter: pointing at it names it.
constexpr double kBearsLetter = 4;

/// Outside before its middle, then elsewhere along it, then inside.
std::vector<Vec2> lettersPlaces(const Wall& wall, double scale) {
  std::vector<Vec2> out;
  for (const double off : {kOff, -kOff})
    for (const double share : {0.5, 0.35, 0.65, 0.2, 0.8, 0.0, 1.0})
      out.push_back(wall.start + (wall.end - wall.start) * share - wall.inward() * (off * scale));
  return out;
}

}  // namespace

Drawing composeKeyPlan(const Room& room, const CornerId& seen, double paperWidth, double paperHeight) {
  Drawing d;
  const Polygon outline = outlineOf(room);
  const Box box = boundsOf(outline);
  const Vec2 size = box.high - box.low, paper{paperWidth - 2 * kRound, paperHeight - 2 * kRound};
  d.scale = std::max({size.x / paper.x, size.y / paper.y, 1e-3});
  const Vec2 half = Vec2{paperWidth, paperHeight} * (d.scale / 2), middle = (box.low + box.high) * 0.5;
  d.low = middle - half;
  d.high = middle + half;
  d.add(Layer::Floor, room.id.value, PathItem{outline, true, Ink::Floor, Stroke{}});
  for (const Wall& wall : wallsOf(room)) {
    d.add(Layer::Wall, wallItem(wall.id), line(wall.start, wall.end, {Ink::CutWall, kWallWide, Dash::Solid}));
    if (wall.length() < kBearsLetter * d.scale) continue;
    const TextItem letter{{}, wall.id.value, kLetters, Align::Centre, 0, Ink::Ink, Ink::None};
    d.add(labelOnlyAt(Layer::Label, wallItem(wall.id), Rank::Tag, lettersPlaces(wall, d.scale), letter));
  }
  for (const Opening& o : room.openings)
    if (const auto wall = findWall(room, o.wall)) {
      const Vec2 from = wall->start + wall->along() * o.offset;
      d.add(Layer::Opening, o.id.value,
            line(from, from + wall->along() * o.width, {Ink::Floor, kWallWide * 1.4, Dash::Solid}));
    }
  if (const auto wall = findWall(room, seen)) {
    d.add(Layer::Working, "", line(wall->start, wall->end, {Ink::Ink, kSeenEdge, Dash::Solid}));
    d.add(Layer::Working, "", line(wall->start, wall->end, {Ink::Accent, kSeenWide, Dash::Solid}));
  }
  return d;
}

std::optional<CornerId> nearestWall(const Room& room, Vec2 at) {
  std::optional<CornerId> out;
  double least = 0;
  for (const Wall& wall : wallsOf(room)) {
    const double along = std::clamp(dot(at - wall.start, wall.along()), 0.0, wall.length());
    const double off = distance(at, wall.start + wall.along() * along);
    if (!out || off < least) {
      out = wall.id;
      least = off;
    }
  }
  return out;
}

}  // namespace mezzet
