#include "core/site/heights.h"

#include "core/site/stair_wall.h"

#include <algorithm>
#include <cmath>

#include "core/geometry/linear.h"
#include "core/base/chi_squared.h"
#include "core/model/usual_doubt.h"
#include "core/base/sentence.h"

namespace mezzet {
namespace {

constexpr double kInsideWall = 1;       // mm: what a wall meets is looked up this far into the room
constexpr double kThinTriangle = 1e-4;  // of a plane's points: width over length below which they lie in one line
constexpr double kFlatSlope = 1e-12;

double sigmaOf(const Taken& t) { return std::max(0.01, u95Of(t) / 2); }

struct Fits {
  RoomHeights heights;
  std::optional<PlaneFit> floor;
  std::vector<ReadingId> floorIds;
  struct Part {
    std::optional<PlaneFit> fit;
    std::vector<ReadingId> ids;
    bool wantsMore = false;  ///< sloped, but its points lie in one line
  };
  std::vector<Part> parts;
};

Fits fitsOf(const Room& room) {
  Fits out;
  // The floor hangs below the level line by what was read: z = line - reading, and the datum is the floor at corner A.
  std::vector<PlanePoint> below;
  for (const HeightReading& h : room.heights)
    if (h.kind == HeightKind::ToFloor && !h.taken.superseded) {
      below.push_back({h.at, -h.taken.value, sigmaOf(h.taken)});
      out.floorIds.push_back(h.id);
    }
  double line = 0;
  if (!below.empty()) {
    out.floor = fitPlane(below, true);
    if (!out.floor) out.floor = fitPlane(below, false);
    line = -out.floor->plane.z;
    out.heights.floor = {0, out.floor->plane.gx, out.floor->plane.gy};
  }
  for (const CeilingArea& a : room.ceilingAreas)
    out.heights.parts.push_back({a.outline, "ceiling " + a.id.value, {room.ceilingHeight, 0, 0}, false, a.shape});
  out.heights.parts.push_back({{},
                               room.ceilingAreas.empty() ? "the ceiling" : "the rest of the ceiling",
                               {room.ceilingHeight, 0, 0},
                               false,
                               room.ceiling});
  std::vector<std::vector<PlanePoint>> points(out.heights.parts.size());
  out.parts.resize(points.size());
  for (const HeightReading& h : room.heights) {
    if (h.taken.superseded || h.kind == HeightKind::ToFloor) continue;
    if (h.kind == HeightKind::ToCeiling && below.empty()) continue;  // the line itself hangs in the air
    const auto at = static_cast<std::size_t>(&out.heights.partAt(h.at) - out.heights.parts.data());
    points[at].push_back(
        {h.at, h.kind == HeightKind::Clear ? out.heights.floorAt(h.at) + h.taken.value : line + h.taken.value,
         sigmaOf(h.taken)});
    out.parts[at].ids.push_back(h.id);
  }
  for (std::size_t i = 0; i < points.size(); ++i) {
    CeilingPart& part = out.heights.parts[i];
    if (points[i].empty()) continue;
    const bool sloping = part.shape == CeilingShape::Sloped;
    out.parts[i].fit = fitPlane(points[i], sloping);
    if (!out.parts[i].fit) {
      out.parts[i].wantsMore = true;
      out.parts[i].fit = fitPlane(points[i], false);
    }
    part.plane = out.parts[i].fit->plane;
    part.measured = true;
  }
  return out;
}

}  // namespace

std::vector<Vec2> heightLookouts(const Room& room, const RoomHeights& heights) {
  std::vector<Vec2> out;
  const Polygon outline = outlineOf(room);
  for (std::size_t i = 0; i < outline.size(); ++i) {
    const Vec2 before = outline[(i + outline.size() - 1) % outline.size()], after = edgeEnd(outline, i);
    const Vec2 in = unit(unit(before - outline[i]) + unit(after - outline[i])) *
                    (isReflex(outline, i) ? -kInsideWall : kInsideWall);
    out.push_back(outline[i] + in);
  }
  for (const CeilingPart& part : heights.parts)
    for (const Vec2 p : part.outline) {
      const Vec2 inside = p + unit(meanOf(part.outline) - p) * kInsideWall;
      if (contains(outline, inside)) out.push_back(inside);
    }
  return out;
}

double usualClear(const Room& room, const RoomHeights& heights) {
  const Vec2 middle = centroidOf(outlineOf(room));
  return heights.parts.back().plane.at(middle) - heights.floorAt(middle);
}

double PlaneFit::u95At(Vec2 p) const {
  const double g[3] = {1, p.x, p.y};
  double variance = 0;
  for (std::size_t a = 0; a < 3; ++a)
    for (std::size_t b = 0; b < 3; ++b) variance += g[a] * g[b] * covariance[3 * a + b];
  return 2 * std::sqrt(std::max(0.0, variance));
}

std::optional<PlaneFit> fitPlane(const std::vector<PlanePoint>& points, bool sloping) {
  if (points.empty() || (sloping && points.size() < 3)) return std::nullopt;
  // Worked about the points' middle, so that slope and height do not lean on each other.
  Vec2 middle{};
  for (const PlanePoint& p : points) middle += p.at * (1.0 / static_cast<double>(points.size()));
  const std::size_t n = points.size(), m = sloping ? 3 : 1;
  Matrix a(n, m), spread(2, 2);
  Numbers b;
  for (std::size_t i = 0; i < n; ++i) {
    const PlanePoint& p = points[i];
    const Vec2 d = p.at - middle;
    a(i, 0) = 1 / p.sigma;
    if (sloping) {
      a(i, 1) = d.x / p.sigma;
      a(i, 2) = d.y / p.sigma;
    }
    b.push_back(p.z / p.sigma);
    spread(0, 0) += d.x * d.x;
    spread(0, 1) = spread(1, 0) += d.x * d.y;
    spread(1, 1) += d.y * d.y;
  }
  if (sloping) {
    const Numbers axes = modesOf(spread).values;
    if (!(axes[1] > 0) || axes[0] < kThinTriangle * kThinTriangle * axes[1]) return std::nullopt;
  }
  const LeastSquares fit = leastSquares(a, b);
  PlaneFit out;
  const double gx = sloping ? fit.x[1] : 0, gy = sloping ? fit.x[2] : 0;
  out.plane = {fit.x[0] - gx * middle.x - gy * middle.y, gx, gy};
  for (std::size_t i = 0; i < n; ++i) {
    out.residuals.push_back(fit.residuals[i] * points[i].sigma);
    out.chi2 += fit.residuals[i] * fit.residuals[i];
  }
  // Of (height at the middle, gx, gy), carried over to (height at the origin, gx, gy).
  Matrix3 q{};
  for (std::size_t i = 0; i < m; ++i)
    for (std::size_t j = 0; j < m; ++j) q[3 * i + j] = fit.cofactor(i, j);
  const Matrix3 shift{1, -middle.x, -middle.y, 0, 1, 0, 0, 0, 1};
  out.covariance = product(product(shift, q), transposed(shift));
  out.redundancy = static_cast<int>(n) - static_cast<int>(m);
  out.limit = chiSquaredLimit(out.redundancy);
  return out;
}

const CeilingPart& RoomHeights::partAt(Vec2 p) const {
  for (std::size_t i = 0; i + 1 < parts.size(); ++i)
    if (contains(parts[i].outline, p)) return parts[i];
  return parts.back();
}

double RoomHeights::ceilingAt(Vec2 p) const { return partAt(p).plane.at(p); }

RoomHeights heightsOf(const Room& room) {
  if (room.heights.empty() && room.ceilingAreas.empty())
    return {{}, {{{}, "the ceiling", {room.ceilingHeight, 0, 0}, false, room.ceiling}}};
  return fitsOf(room).heights;
}

namespace {

/// How far the point is off that fits least.
double worst(const PlaneFit& fit) {
  double most = 0;
  for (const double r : fit.residuals) most = std::max(most, std::abs(r));
  return most;
}

/// What is said of a part that does not fit its points.
std::string misfitWords(const Room& room, const CeilingPart& part, const PlaneFit& fit,
                        const std::vector<ReadingId>& ids, LengthFormat format) {
  // Would a slope explain it?
  std::vector<PlanePoint> again;
  for (std::size_t k = 0; k < ids.size(); ++k)
    for (const HeightReading& h : room.heights)
      if (h.id == ids[k]) again.push_back({h.at, fit.plane.at(h.at) - fit.residuals[k], sigmaOf(h.taken)});
  const auto sloped = part.shape == CeilingShape::Flat ? fitPlane(again, true) : std::nullopt;
  if (sloped && sloped->redundancy > 0 && sloped->fits())
    return capital(part.name) + " is not flat: a slope fits the points to " + writeLength(worst(*sloped), format) +
           ". Take it as sloped.";
  return capital(part.name) + " does not fit its points: one is " + writeLength(worst(fit), format) +
         " off. Measure that one again, or mark where the ceiling steps.";
}

}  // namespace

HeightReport heightReport(const Room& room, LengthFormat format) {
  HeightReport out;
  const Fits fits = fitsOf(room);
  const auto add = [&](const PlaneFit& fit, const std::vector<ReadingId>& ids, const std::string& of) {
    for (std::size_t i = 0; i < ids.size(); ++i) {
      const auto h = std::find_if(room.heights.begin(), room.heights.end(),
                                  [&](const HeightReading& r) { return r.id == ids[i]; });
      out.rows.push_back({ids[i], fit.residuals[i], sigmaOf(h->taken), of});
    }
    out.fits = out.fits && fit.fits();
  };
  const std::vector<Vec2> places = heightLookouts(room, fits.heights);
  if (fits.floor) {
    add(*fits.floor, fits.floorIds, "the floor");
    double low = 0, high = 0;
    for (std::size_t i = 0; i < room.corners.size(); ++i) {
      const double z = fits.heights.floorAt(room.corners[i].at);
      low = std::min(low, z);
      high = std::max(high, z);
    }
    if (fits.floorIds.size() < 3 || (fits.floor->plane.gx == 0 && fits.floor->plane.gy == 0))
      out.sentences.push_back(
          "The floor is taken as level: three points that are not in one line would show its slope.");
    else if (high - low < 1) out.sentences.push_back("The floor is level.");
    else out.sentences.push_back("The floor falls " + writeLength(high - low, format) + " across the room.");
    if (!fits.floor->fits())
      out.sentences.push_back("The floor is no plane: one point is " + writeLength(worst(*fits.floor), format) +
                              " off it.");
  }
  bool line = false;
  for (const HeightReading& h : room.heights) line = line || (h.kind == HeightKind::ToCeiling && !h.taken.superseded);
  if (line && fits.floorIds.empty())
    out.sentences.push_back("What was read up from the level line waits until the floor is read down from it.");
  for (std::size_t i = 0; i < fits.parts.size(); ++i) {
    const CeilingPart& part = fits.heights.parts[i];
    if (!fits.parts[i].fit) {
      if (fits.parts.size() > 1)
        out.sentences.push_back(capital(part.name) + " has no height yet; it is taken as the room's.");
      continue;
    }
    const PlaneFit& fit = *fits.parts[i].fit;
    add(fit, fits.parts[i].ids, part.name);
    if (fits.parts[i].wantsMore) {
      out.sentences.push_back(
          capital(part.name) +
          " slopes, but three points that are not in one line are needed to say how; it is taken as flat.");
    } else if (part.shape == CeilingShape::Sloped) {
      const double angle = std::atan(std::hypot(fit.plane.gx, fit.plane.gy)) * 180 / 3.14159265358979323846;
      out.sentences.push_back(capital(part.name) + " slopes at " +
                              std::to_string(static_cast<int>(std::lround(angle))) + " degrees" +
                              (fit.redundancy > 0 && worst(fit) >= 0.5
                                   ? "; the points lie within " + writeLength(worst(fit), format) + " of it."
                                   : "."));
    }
    if (fit.fits()) continue;
    out.sentences.push_back(misfitWords(room, part, fit, fits.parts[i].ids, format));
  }
  out.lowestClear = out.highestClear = fits.heights.clearAt(places.front());
  for (const Vec2 p : places) {
    out.lowestClear = std::min(out.lowestClear, fits.heights.clearAt(p));
    out.highestClear = std::max(out.highestClear, fits.heights.clearAt(p));
  }
  return out;
}

std::string ceilingWords(const Room& room, LengthFormat format) {
  const RoomHeights heights = heightsOf(room);
  double low = room.ceilingHeight, high = low;
  if (!heights.level()) {
    const std::vector<Vec2> places = heightLookouts(room, heights);
    low = high = heights.clearAt(places.front());
    for (const Vec2 p : places) {
      low = std::min(low, heights.clearAt(p));
      high = std::max(high, heights.clearAt(p));
    }
  }
  const std::string highest = writeLength(high, format);
  if (writeLength(low, format) == highest) return "Ceiling " + highest;
  LengthFormat bare = format;
  bare.withUnit = false;
  return "Ceiling " + writeLength(low, bare) + " to " + highest;
}

std::vector<Vec2> ceilingProfile(const Room&, const RoomHeights& heights, const Wall& wall) {
  const double length = wall.length();
  const Vec2 in = wall.inward() * kInsideWall;
  // Where the wall's line meets the edge of a part, as distances from its start.
  std::vector<double> cuts{0, length};
  for (const CeilingPart& part : heights.parts)
    for (std::size_t i = 0; i < part.outline.size(); ++i) {
      const Vec2 p = edgeStart(part.outline, i), r = edgeEnd(part.outline, i) - p, d = wall.along();
      const double across = cross(d, r);
      if (std::abs(across) < kFlatSlope) continue;
      const double s = cross(p - wall.start - in, r) / across, t = cross(p - wall.start - in, d) / across;
      if (t >= 0 && t <= 1 && s > 0 && s < length) cuts.push_back(s);
    }
  std::sort(cuts.begin(), cuts.end());
  std::vector<Vec2> out;
  const auto add = [&](Vec2 p) {
    if (out.empty() || distance(out.back(), p) > 0.01) out.push_back(p);
  };
  for (std::size_t i = cuts.size() - 1; i > 0; --i) {
    const double from = cuts[i], to = cuts[i - 1];
    if (from - to < 0.01) continue;
    const Vec2 middle = wall.start + wall.along() * ((from + to) / 2) + in;
    const Plane& plane = heights.partAt(middle).plane;
    add({length - from, plane.at(wall.start + wall.along() * from)});
    add({length - to, plane.at(wall.start + wall.along() * to)});
  }
  return out;
}

std::vector<Vec2> floorProfile(const RoomHeights& heights, const Wall& wall) {
  return {{0, heights.floorAt(wall.end)}, {wall.length(), heights.floorAt(wall.start)}};
}

double floorUnder(const Room& room, const WallPlace& place) {
  const auto wall = findWall(room, place.wall);
  return wall ? floorAlong(room, heightsOf(room), *wall, std::clamp(place.u, 0.0, wall->length())) : 0;
}

}  // namespace mezzet
