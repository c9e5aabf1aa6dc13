#include "core/hang/free_wall.h"

#include <algorithm>
#include <cmath>
#include <limits>

#include "core/model/kinds.h"
#include "core/site/heights.h"
#include "core/space/bodies.h"

namespace mezzet {
namespace {

constexpr double kFreeHair = 1e-6;  // lengths that come out of sums
constexpr double kFarUp = 1e6;

/// A stretch of heights.
struct Rise {
  double low, high;
};
using Rises = std::vector<Rise>;  // ascending, apart

/// The parts that are in both.
Rises common(const Rises& a, const Rises& b) {
  Rises out;
  for (std::size_t i = 0, j = 0; i < a.size() && j < b.size();) {
    const double low = std::max(a[i].low, b[j].low), high = std::min(a[i].high, b[j].high);
    if (high > low + kFreeHair) out.push_back({low, high});
    if (a[i].high < b[j].high) ++i;
    else ++j;
  }
  return out;
}
/// What is free between two edges of the face.
Rises freeBetween(const WallFace& face, std::size_t column) {
  const double left = face.edges[column], right = face.edges[column + 1];
  std::vector<Rise> taken;
  for (const WallRect& r : face.taken)
    if (r.left < right - kFreeHair && r.right > left + kFreeHair) taken.push_back({r.bottom, r.top});
  std::sort(taken.begin(), taken.end(), [](const Rise& a, const Rise& b) { return a.low < b.low; });
  Rises out;
  double from = face.low[column];
  for (const Rise& t : taken) {
    if (t.low > from + kFreeHair) out.push_back({from, std::min(t.low, face.high[column])});
    from = std::max(from, t.high);
    if (from >= face.high[column]) break;
  }
  if (face.high[column] > from + kFreeHair) out.push_back({from, face.high[column]});
  std::erase_if(out, [](const Rise& r) { return r.high <= r.low + kFreeHair; });
  return out;
}
bool holds(const Rises& all, const Rise& one) {
  return std::any_of(all.begin(), all.end(),
                     [&](const Rise& r) { return r.low <= one.low + kFreeHair && r.high >= one.high - kFreeHair; });
}

void takeOpenings(const Room& room, const Wall& wall, std::vector<WallRect>& taken) {
  for (const Opening& o : room.openings) {
    if (o.wall != wall.id) continue;
    const double right = wall.length() - o.offset, left = right - o.width, trim = o.trim.value_or(0);
    const bool window = o.kind == OpeningKind::Window;
    taken.push_back({left - trim, right + trim, window ? o.sill - trim : -kFarUp, o.head() + trim});
    if (const double stack = o.curtainStack.value_or(0); stack > 0) {
      taken.push_back({left - stack, left, -kFarUp, o.head()});
      taken.push_back({right, right + stack, -kFarUp, o.head()});
    }
  }
}

/// Fixed things that touch the wall, as high as they are.
void takeFixed(const Room& room, const RoomHeights& heights, const Wall& wall, std::vector<WallRect>& taken) {
  for (const Feature& f : room.features) {
    const AlongWall at = alongWall(wall, f.outline);
    const bool niche = f.kind == FeatureKind::Niche;
    if (f.kind == FeatureKind::Stair || at.nearest > kTouch || at.farthest < -kTouch) continue;
    if (!niche && at.farthest <= kTouch) continue;  // behind another wall
    if (niche && at.nearest > -kTouch) continue;    // in the wall opposite
    const double floor = heights.floorAt(onWall(wall, std::clamp((at.left + at.right) / 2, 0.0, wall.length())));
    const double base = floor + f.base.value_or(0);
    double top = f.height ? base + *f.height : kFarUp;
    if (f.kind == FeatureKind::Hearth) top = floor + f.mantel.value_or(f.height.value_or(kFarUp));
    if (f.kind == FeatureKind::Beam) top = kFarUp;
    taken.push_back({at.left, at.right, f.base ? base : -kFarUp, top});
  }
}

void takePlaced(const Job& job, const Scheme& scheme, const Wall& wall, const PlacementIds& without, double clear,
                std::vector<WallRect>& taken) {
  const PieceIndex pieces(job);
  for (const Standing& s : standingAt(job, scheme, wall))
    if (const auto highest = highestOf(pieces.of(*findPlacement(scheme, s.id))))
      taken.push_back({s.left, s.right, -kFarUp, s.floor + *highest});
  for (const Placement& p : scheme.placements)
    if (const auto* place = onWall(p.on); place != nullptr && place->wall == wall.id && !has(without, p.id)) {
      const WallRect r = wallRectOf(pieces.of(p), *place);
      taken.push_back({r.left - clear, r.right + clear, r.bottom - clear, r.top + clear});
    }
}

}  // namespace

WallFace wallFace(const Job& job, const Room& room, const Scheme* scheme, const Wall& wall, const PlacementIds& without,
                  double clear) {
  WallFace face;
  face.length = wall.length();
  const RoomHeights heights = heightsOf(room);
  takeOpenings(room, wall, face.taken);
  takeFixed(room, heights, wall, face.taken);
  for (const WallPoint& p : room.points)
    if (p.wall == wall.id) {
      const double u = face.length - p.along, v = heights.floorAt(inFrontOf(wall, u)) + p.height;
      face.taken.push_back(
          {u - kHungPointClear / 2, u + kHungPointClear / 2, v - kHungPointClear / 2, v + kHungPointClear / 2});
    }
  if (scheme != nullptr) takePlaced(job, *scheme, wall, without, clear, face.taken);

  const std::vector<Vec2> above = ceilingProfile(room, heights, wall), below = floorProfile(heights, wall);
  std::vector<double>& edges = face.edges;
  edges = {0, face.length};
  for (const auto* profile : {&above, &below})
    for (const Vec2 p : *profile) edges.push_back(p.x);
  const bool level = std::all_of(above.begin(), above.end(), [&](Vec2 p) { return p.y == above.front().y; });
  if (!level)
    for (double u = kCeilingStep; u < face.length; u += kCeilingStep) edges.push_back(u);
  for (const WallRect& r : face.taken)
    for (const double u : {r.left, r.right}) edges.push_back(u);
  std::erase_if(edges, [&](double u) { return !(u >= 0 && u <= face.length); });
  std::sort(edges.begin(), edges.end());
  edges.erase(std::unique(edges.begin(), edges.end(), [](double a, double b) { return b - a < kFreeHair; }),
              edges.end());

  // A profile over a stretch: straight between its corners, so its ends and the corners within say all.
  const auto extreme = [](const std::vector<Vec2>& profile, double from, double to, bool least) {
    double out = least ? std::numeric_limits<double>::infinity() : -std::numeric_limits<double>::infinity();
    for (std::size_t i = 0; i + 1 < profile.size(); ++i) {
      const Vec2 a = profile[i], b = profile[i + 1];
      const double low = std::max(from, std::min(a.x, b.x)), high = std::min(to, std::max(a.x, b.x));
      if (high - low <= kFreeHair) continue;
      for (const double u : {low, high}) {
        const double v = a.y + (b.y - a.y) * (u - a.x) / (b.x - a.x);
        out = least ? std::min(out, v) : std::max(out, v);
      }
    }
    return out;
  };
  const double skirting = room.trim.skirting.value_or(0), cornice = room.trim.cornice.value_or(0);
  for (std::size_t i = 0; i + 1 < edges.size(); ++i) {
    face.low.push_back(extreme(below, edges[i], edges[i + 1], false) + skirting);
    face.high.push_back(extreme(above, edges[i], edges[i + 1], true) - cornice);
  }
  return face;
}

std::vector<WallRect> freeRectangles(const WallFace& face) {
  const std::size_t columns = face.edges.empty() ? 0 : face.edges.size() - 1;
  std::vector<Rises> free;
  free.reserve(columns);
  for (std::size_t i = 0; i < columns; ++i) free.push_back(freeBetween(face, i));
  std::vector<WallRect> out;
  for (std::size_t i = 0; i < columns; ++i) {
    Rises open = free[i];
    for (std::size_t j = i; j < columns; ++j) {
      if (j > i) open = common(open, free[j]);
      std::erase_if(open, [](const Rise& r) { return r.high - r.low < kLeastFree - kFreeHair; });
      if (open.empty()) break;
      if (face.edges[j + 1] - face.edges[i] < kLeastFree - kFreeHair) continue;
      for (const Rise& r : open)
        if ((i == 0 || !holds(free[i - 1], r)) && (j + 1 == columns || !holds(free[j + 1], r)))
          out.push_back({face.edges[i], face.edges[j + 1], r.low, r.high});
    }
  }
  std::sort(out.begin(), out.end(), [](const WallRect& a, const WallRect& b) {
    const double areaA = a.width() * a.height(), areaB = b.width() * b.height();
    if (areaA != areaB) return areaA > areaB;
    return std::pair(a.left, a.bottom) < std::pair(b.left, b.bottom);
  });
  return out;
}

std::optional<WallRect> freeAbove(const WallFace& face, double left, double right, double top) {
  // How high each column is free from the top on.
  std::vector<double> edges, heights;
  for (std::size_t i = 0; i + 1 < face.edges.size(); ++i) {
    const double from = std::max(left, face.edges[i]), to = std::min(right, face.edges[i + 1]);
    if (to - from <= kFreeHair) continue;
    double height = 0;
    for (const Rise& r : freeBetween(face, i))
      if (r.low <= top + kFreeHair && r.high > top + kFreeHair) height = r.high - top;
    edges.push_back(from);
    heights.push_back(height);
    if (i + 2 == face.edges.size() || face.edges[i + 1] >= right) edges.push_back(to);
  }
  if (edges.size() != heights.size() + 1) return std::nullopt;
  std::optional<WallRect> best;
  for (std::size_t i = 0; i < heights.size(); ++i) {
    double least = heights[i];
    for (std::size_t j = i; j < heights.size(); ++j) {
      least = std::min(least, heights[j]);
      if (least <= kFreeHair) break;
      const WallRect r{edges[i], edges[j + 1], top, top + least};
      if (!best || r.width() * r.height() > best->width() * best->height() + kFreeHair) best = r;
    }
  }
  return best;
}

PictureShape shapeFor(double freeRatio) {
  static constexpr PictureShape kShapes[] = {{3, 1}, {5, 2}, {2, 1}, {3, 2}, {1, 1}, {2, 3}, {1, 2}};
  PictureShape best = kShapes[0];
  double least = std::numeric_limits<double>::infinity();
  for (const PictureShape& shape : kShapes)
    if (const double off = std::abs(std::log(freeRatio / shape.ratio())); off < least - kFreeHair) {
      least = off;
      best = shape;
    }
  return best;
}

std::vector<FreeAbove> freeAboveEach(const Job& job, const Room& room, const Scheme& scheme, const Wall& wall,
                                     const WallFace& face) {
  std::vector<FreeAbove> out;
  for (Below& below : candidatesBelow(job, room, scheme, wall)) {
    if (!below.top || below.row == BelowRow::None) continue;
    const auto free = freeAbove(face, std::max(0.0, below.left), std::min(face.length, below.right), *below.top);
    if (!free || free->height() < kLeastFree || free->width() < kLeastFree) continue;
    const double width = below.right - below.left;
    FreeAbove one{std::move(below),      *free, shapeFor(free->width() / free->height()), kArtShareLow * width,
                  kArtShareHigh * width, {}};
    for (const HouseSize& size : kHouseSizes)
      if (one.below.row == BelowRow::Seat && width >= size.overSeatFrom - kFreeHair) one.houseSizes.push_back(size);
    out.push_back(std::move(one));
  }
  std::sort(out.begin(), out.end(), [](const FreeAbove& a, const FreeAbove& b) { return a.below.id < b.below.id; });
  return out;
}

}  // namespace mezzet
