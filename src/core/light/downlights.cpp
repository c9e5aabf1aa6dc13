#include "core/light/downlights.h"

#include <algorithm>
#include <cmath>

#include "core/base/sentence.h"
#include "core/model/kinds.h"

namespace mezzet {
namespace {

struct Raster {
  int rows = 0, columns = 0;
  double uneven = 0;  ///< the larger space over the smaller
};

/// Spaces of n lights along a side: between the outermost ones of a box, or half a space off both walls.
double spaceOf(double side, int n, double box, LaySchool school) {
  if (school == LaySchool::HalfSpace) return side / n;
  return n > 1 ? (side - 2 * box) / (n - 1) : 0;
}

/// The squarest rows and columns for a count; a box has corners, so at least two of each.
std::optional<Raster> squarest(double wide, double deep, double box, int count, LaySchool school) {
  std::optional<Raster> best;
  const int least = school == LaySchool::Box ? 2 : 1;
  for (int rows = least; rows * least <= count; ++rows) {
    if (count % rows != 0) continue;
    const int columns = count / rows;
    const double x = spaceOf(wide, columns, box, school), y = spaceOf(deep, rows, box, school);
    if (x <= 0 || y <= 0) continue;
    const double uneven = std::max(x / y, y / x);
    if (!best || uneven < best->uneven - 1e-9) best = Raster{rows, columns, uneven};
  }
  return best;
}

/// What the area asks of a count.
int leastCount(double area) { return static_cast<int>(std::ceil(area / kMostEach - 1e-9)); }
int mostCount(double area) { return static_cast<int>(std::floor(area / kLeastEach + 1e-9)); }

}  // namespace

std::optional<SeatAtWall> seatAtWall(const PieceIndex& pieces, const Wall& wall,
                                     const std::vector<const Placement*>& seats) {
  std::optional<SeatAtWall> best;
  for (const Placement* seat : seats) {
    const auto* place = onFloor(seat->on);
    if (place == nullptr) continue;
    const Piece& piece = pieces.of(*seat);
    const FrontEdge back = backEdge(piece, *place);
    if (degreesBetween(back.outward, -wall.inward()) > kSeatParallel) continue;
    const auto off = [&](Vec2 p) { return dot(p - wall.start, wall.inward()); };
    const double along = dot(place->at - wall.start, wall.along());
    if (along < 0 || along > wall.length() || std::min(off(back.left), off(back.right)) > kSeatAtWall) continue;
    double front = 0;
    for (const FrontEdge& edge : seatFronts(piece, *place))
      if (degreesBetween(edge.outward, wall.inward()) <= kSeatParallel)
        front = std::max(front, off(midpoint(edge.left, edge.right)));
    if (!best || front > best->front + kTouch || (front > best->front - kTouch && seat->id < best->seat->id))
      best = SeatAtWall{seat, front};
  }
  return best;
}

std::vector<SeatAtWall> seatsAtWalls(const PieceIndex& pieces, const Room& room,
                                     const std::vector<const Placement*>& seats) {
  std::vector<SeatAtWall> out;
  for (const Wall& wall : wallsOf(room))
    if (const auto found = seatAtWall(pieces, wall, seats)) out.push_back(*found);
  return out;
}

Downlights laidEvenly(const Room& room, const std::vector<SeatAtWall>& seats, const DownlightAsk& ask,
                      LengthFormat format) {
  Downlights out;
  const Polygon outline = outlineOf(room);
  const Box bounds = ask.corners.value_or(boundsOf(std::span<const Vec2>(outline)));
  const double wide = bounds.high.x - bounds.low.x, deep = bounds.high.y - bounds.low.y;
  out.area = std::abs(signedArea(outline));
  out.box = kUsualBox;
  if (!seats.empty()) {
    out.box = 0;
    for (const SeatAtWall& s : seats) out.box = std::max(out.box, s.front);
  }
  if (ask.corners) out.box = 0;  // between its corners themselves
  const int low = std::max(1, leastCount(out.area)), high = std::max(low, mostCount(out.area));
  std::optional<Raster> best;
  for (int n = ask.count.value_or(low); n <= ask.count.value_or(high); ++n)
    if (const auto raster = squarest(wide, deep, out.box, n, ask.school);
        raster && (!best || raster->uneven < best->uneven))
      best = raster;
  if (!best) {
    out.says.push_back(ask.count ? "So many lights make no even rows here."
                                 : "No even rows of " + std::to_string(low) + " to " + std::to_string(high) +
                                       " lights go into this room with a box " + writeLength(out.box, format) +
                                       " off its walls.");
    return out;
  }
  out.rows = best->rows;
  out.columns = best->columns;
  out.space = {out.columns > 1 ? spaceOf(wide, out.columns, out.box, ask.school) : 0,
               out.rows > 1 ? spaceOf(deep, out.rows, out.box, ask.school) : 0};
  const bool box = ask.school == LaySchool::Box;
  const auto first = [&](double side, int n) { return box && n > 1 ? out.box : side / n / 2; };
  const Vec2 start = bounds.low + Vec2{first(wide, out.columns), first(deep, out.rows)};
  int outside = 0;
  for (int r = 0; r < out.rows; ++r)
    for (int c = 0; c < out.columns; ++c) {
      const Vec2 p = start + Vec2{out.space.x * c, out.space.y * r};
      if (contains(outline, p)) out.at.push_back(p);
      else ++outside;
    }
  const double cutOut = ask.cutOut.value_or(kUsualCutOut);
  if (room.joists) clearOfJoists(out, room, cutOut, format);
  if (outside > 0)
    out.says.push_back(std::to_string(outside) + (outside == 1 ? " light" : " lights") +
                       " of the rows would lie outside the room and are left out.");
  if (out.at.empty()) return out;
  const double each = out.each();
  std::string area = std::to_string(out.at.size()) + " lights leave " + writeArea(each, unitOf(format)) +
                     " each, where " + writeArea(kLeastEach, unitOf(format)) + " to " +
                     writeArea(kMostEach, unitOf(format)) + " are asked";
  area += each > kMostEach + 1 ? ": " + std::to_string(low) + (high > low ? " to " + std::to_string(high) : "") +
                                     " lights would do, or a box nearer the walls."
          : each < kLeastEach - 1 ? ": " + std::to_string(high) + " lights would do."
                                  : ".";
  out.says.push_back(std::move(area));
  if (box && !ask.corners)
    out.says.push_back("The first row is " + writeLength(out.box, format) + " off the walls, " +
                       (seats.empty() ? "as no main seat stands at one." : "where the front of the deepest seat is."));
  if (best->uneven > 1.5)
    out.says.push_back("Their spaces are " + writeLength(out.space.x, format) + " and " +
                       writeLength(out.space.y, format) + ": another count would be squarer.");
  for (const Wall& wall : wallsOf(room)) {
    double least = HUGE_VAL;
    for (const Vec2 p : out.at) {
      const double along = dot(p - wall.start, wall.along()), off = dot(p - wall.start, wall.inward());
      if (off > 0 && along >= 0 && along <= wall.length()) least = std::min(least, off);
    }
    if (std::isfinite(least)) out.offset.push_back({wall.id, least});
  }
  for (const Vec2 p : out.at)
    for (const WallPoint* point : pointsTooNear(room, p, cutOut))
      out.says.push_back("A light lies nearer than " + writeLength(kPointClear, format) + " to a " +
                         (point->kind == PointKind::Vent ? "vent" : "detector") + " in the ceiling.");
  return out;
}

double artLightOffset(double lampHeight, double artCentre) {
  const double degrees30 = std::tan(std::acos(-1.0) / 6);
  return std::max(0.0, lampHeight - artCentre) * degrees30;
}

std::vector<double> joistsBetween(const Joists& j, double low, double high) {
  std::vector<double> out;
  if (!(j.pitch > 0)) return out;
  for (double k = std::ceil((low - j.first) / j.pitch); j.first + k * j.pitch <= high; ++k)
    out.push_back(j.first + k * j.pitch);
  return out;
}

double intoJoist(const Joists& j, Vec2 at, double cutOut) {
  const double across = j.along == PlanAxis::X ? at.y : at.x;
  const double off = std::abs(std::remainder(across - j.first, j.pitch));
  return cutOut / 2 + kJoistClear + j.width / 2 - off;
}

std::vector<const WallPoint*> pointsTooNear(const Room& room, Vec2 at, double cutOut) {
  std::vector<const WallPoint*> out;
  for (const WallPoint& p : room.points)
    if (p.wall.empty() && (p.kind == PointKind::Detector || p.kind == PointKind::Vent) &&
        distance(p.at, at) - cutOut / 2 < kPointClear - kTouch)
      out.push_back(&p);
  return out;
}

void clearOfJoists(Downlights& lights, const Room& room, double cutOut, LengthFormat format) {
  const Joists& j = *room.joists;
  const bool alongX = j.along == PlanAxis::X;
  // Lights that lie in line with the joists have one place across them: they give way together.
  std::vector<double> lines;
  for (const Vec2 p : lights.at) {
    const double across = alongX ? p.y : p.x;
    if (std::none_of(lines.begin(), lines.end(), [&](double l) { return std::abs(l - across) < kTouch; }))
      lines.push_back(across);
  }
  for (const double line : lines) {
    const auto depth = [&](double at) { return intoJoist(j, alongX ? Vec2{0, at} : Vec2{at, 0}, cutOut); };
    const double into = depth(line);
    if (into <= 0) continue;
    std::optional<double> by;
    for (const double sign : {1.0, -1.0})
      // Straight away from the joist's middle, or past it.
      for (const double way : {into, 2 * (cutOut / 2 + kJoistClear + j.width / 2) - into})
        if (way <= kRowGivesWay + 1e-9 && depth(line + sign * way) <= 1e-6 && (!by || way < std::abs(*by)))
          by = sign * way;
    if (!by) {
      lights.says.push_back("A row meets a joist and cannot give way by " + writeLength(kRowGivesWay, format) +
                            ": choose a smaller cut-out, or another row.");
      continue;
    }
    for (Vec2& p : lights.at)
      if (std::abs((alongX ? p.y : p.x) - line) < kTouch) (alongX ? p.y : p.x) += *by;
    lights.says.push_back("A row gives way to a joist by " + writeLength(std::abs(*by), format) + ".");
  }
}

}  // namespace mezzet
