#include "core/rugs/stop_lines.h"

#include <algorithm>
#include <cmath>

#include "core/model/kinds.h"
#include "core/space/swing.h"
#include "core/use/use_zones.h"
#include "core/walk/walk_space.h"

namespace mezzet {
namespace {

constexpr double kOneLine = 10;  // lines nearer than this are one
constexpr const char* kWholeFloor = "the whole floor";
constexpr double kAlongHall = 0.9;        // cosine: a wall runs along the hall
constexpr double kSpan = 200'000;         // no room reaches further
constexpr double kLeastRun = 24 * kInch;  // a carpet shorter than this is a mat

/// The hall in its own frame: +x along it, from the entry's end.
struct Hall {
  Turn into, back;
  double sign = 1;
  [[nodiscard]] double along(Vec2 p) const { return rotated(p, into).x * sign; }
};

struct StopPlace {
  double t = 0;
  int rank = 0;  ///< of equals the line that is seen best
  std::string linesUp;
};

std::vector<StopPlace> candidatesIn(const Room& room, const Hall& hall, Vec2 axis) {
  std::vector<StopPlace> out;
  for (const Wall& wall : wallsOf(room)) {
    const bool across = std::abs(dot(wall.along(), axis)) < 1 - kAlongHall;
    out.push_back({hall.along(wall.start), across ? 1 : 2, (across ? "wall " : "the end of wall ") + wall.id.value});
  }
  for (const Opening& o : room.openings) {
    const auto wall = findWall(room, o.wall);
    if (!wall || o.kind == OpeningKind::Window) continue;
    const bool arch = o.kind == OpeningKind::Arch;
    if (std::abs(dot(wall->along(), axis)) < kAlongHall) {
      if (arch) out.push_back({hall.along(middleOf(*wall, o)), 0, "the " + openingName(room, o)});
      continue;
    }
    const double a = hall.along(wall->start + wall->along() * o.offset),
                 b = hall.along(wall->start + wall->along() * (o.offset + o.width));
    for (const double t : {a, b})
      out.push_back(
          {t, 3, (t == std::min(a, b) ? "the near" : "the far") + std::string(" jamb of the ") + openingName(room, o)});
  }
  for (const Feature& f : room.features) {
    if (f.kind != FeatureKind::ChimneyBreast && f.kind != FeatureKind::Stair && f.kind != FeatureKind::BuiltIn)
      continue;
    double near = hall.along(f.outline.front()), far = near;
    for (const Vec2 p : f.outline) {
      near = std::min(near, hall.along(p));
      far = std::max(far, hall.along(p));
    }
    const std::string word(featureWord(f.kind));
    out.push_back({near, 2, "the near end of the " + word});
    out.push_back({far, 2, "the far end of the " + word});
  }
  std::stable_sort(out.begin(), out.end(), [](const StopPlace& a, const StopPlace& b) {
    return std::pair(a.t, a.rank) < std::pair(b.t, b.rank);
  });
  std::vector<StopPlace> one;
  for (StopPlace& c : out) {
    if (one.empty() || c.t - one.back().t > kOneLine) one.push_back(std::move(c));
    else if (c.rank < one.back().rank) one.back() = std::move(c);
  }
  return one;
}

/// How far a walker stands on the carpet going straight in.
double standingRoom(const Polygon& carpet, Vec2 from, Vec2 inward) {
  std::vector<double> crossings;
  for (std::size_t i = 0; i < carpet.size(); ++i) {
    const Vec2 a = edgeStart(carpet, i), d = edgeEnd(carpet, i) - a;
    const double denominator = cross(inward, d);
    if (std::abs(denominator) < 1e-12) continue;
    const double u = cross(a - from, inward) / denominator, t = cross(a - from, d) / denominator;
    if (u >= 0 && u < 1 && t > -1) crossings.push_back(t);
  }
  std::sort(crossings.begin(), crossings.end());
  return crossings.size() < 2 ? 0 : crossings[1] - crossings[0];
}

std::vector<std::string> leavesOver(const Job& job, const Scheme& scheme, const Room& room, const Polygon& carpet) {
  const Parts parts = convexParts(carpet);
  std::vector<std::string> out;
  for (const Opening& o : room.openings)
    if (const auto sweep = sweepOf(room, o); sweep && clearOfSweep(parts, *sweep).gap < -kTouch)
      out.push_back(o.id.value);
  for (const Placement& p : scheme.placements) {
    const auto* place = onFloor(p.on);
    if (place == nullptr) continue;
    const Piece& piece = pieceOf(job, p);
    const Parts zone = isStorage(piece.kind) ? openZone(piece, *place) : Parts{};
    if (!zone.empty() && separation(zone, parts).gap < -kTouch) out.push_back(p.id.value);
  }
  return out;
}

}  // namespace

std::vector<StopLine> stopLinesOf(const Job& job, const Scheme& scheme, double border) {
  const Room& room = roomOf(job, scheme);
  const Opening* entry = mainEntry(room);
  if (entry == nullptr) return {};
  const std::vector<Wall> walls = wallsOf(room);
  const Wall& longest = *std::max_element(walls.begin(), walls.end(),
                                          [](const Wall& a, const Wall& b) { return a.length() < b.length(); });
  const Vec2 axis = longest.along();
  const double degrees = directionOf(axis);
  Hall hall{turnOf(-degrees), turnOf(degrees), 1};
  const Wall at = *findWall(room, entry->wall);
  const Vec2 door = middleOf(at, *entry);
  const Polygon outline = outlineOf(room);
  const auto reach = [&](bool most) {
    double out = hall.along(outline.front());
    for (const Vec2 p : outline) out = most ? std::max(out, hall.along(p)) : std::min(out, hall.along(p));
    return out;
  };
  if (hall.along(door) > (reach(false) + reach(true)) / 2) hall.sign = -1;
  const double begins = reach(false), ends = reach(true);

  std::vector<Polygon> floor;
  {
    std::vector<Polygon> fixed;
    for (const Feature& f : room.features)
      if (standsInTheWay(f))
        for (Polygon& zone : grownSquare(f.outline, border)) fixed.push_back(std::move(zone));
    floor = outlinesOf(without(border > 0 ? grownSquare(outline, -border) : std::vector<Polygon>{outline}, fixed));
  }
  std::vector<StopLine> out;
  for (const StopPlace& c : candidatesIn(room, hall, axis)) {
    const double stop = std::min(c.t, ends - border);
    const bool whole = stop >= ends - border - kOneLine;
    if (!out.empty() && out.back().linesUp == kWholeFloor) break;
    if (stop - begins - border < kLeastRun) continue;
    Polygon keep{{begins - 1, -kSpan}, {stop, -kSpan}, {stop, kSpan}, {begins - 1, kSpan}};
    for (Vec2& p : keep) p = rotated(p * hall.sign, hall.back);
    const std::vector<Area> cut = within(floor, {keep});
    const auto largest =
        std::max_element(cut.begin(), cut.end(), [](const Area& a, const Area& b) { return sizeOf(a) < sizeOf(b); });
    if (largest == cut.end()) continue;
    StopLine line;
    line.carpet = largest->outer;
    line.linesUp = whole ? kWholeFloor : c.linesUp;
    line.area = sizeOf(*largest);
    double least = 0, most = 0;
    bool any = false;
    for (const Vec2 p : line.carpet) {
      if (std::abs(hall.along(p) - stop) > 0.5) continue;
      const double y = rotated(p, hall.into).y;
      least = any ? std::min(least, y) : y;
      most = any ? std::max(most, y) : y;
      any = true;
    }
    line.a = rotated({stop * hall.sign, least}, hall.back);
    line.b = rotated({stop * hall.sign, most}, hall.back);
    line.length = stop - begins - border;
    line.standing = standingRoom(line.carpet, door, at.inward());
    line.enough = line.standing >= kStandInside - kTouch;
    line.leaves = leavesOver(job, scheme, room, line.carpet);
    out.push_back(std::move(line));
  }
  return out;
}

}  // namespace mezzet
