#include "core/light/estimate.h"

#include <algorithm>
#include <cmath>

#include "core/model/kinds.h"
#include "core/space/hung.h"

namespace mezzet {
namespace {

constexpr double kSquareMetre = 1e6;  // mm2: intensities are per metre

double heightOfTask(const PieceIndex& pieces, const Room& room, const Scheme& scheme, const LightTask& task) {
  if (task.height) return *task.height;
  if (const auto* on = std::get_if<PlacementId>(&task.where))
    if (const Placement* p = findPlacement(scheme, *on))
      return pieces.of(*p).seat->height ? kLightPlane : pieces.of(*p).height.value_or(kLightPlane);
  if (const auto* on = std::get_if<FeatureId>(&task.where))
    for (const Feature& f : room.features)
      if (f.id == *on && f.height) return f.base.value_or(0) + *f.height;
  return kLightPlane;
}

std::optional<Vec2> placeOfTask(const Room& room, const Scheme& scheme, const LightTask& task) {
  if (const auto* at = std::get_if<Vec2>(&task.where)) return *at;
  if (const auto* on = std::get_if<PlacementId>(&task.where)) {
    const Placement* p = findPlacement(scheme, *on);
    const auto place = p != nullptr ? standsAt(scheme, *p) : std::nullopt;
    return place ? std::optional(place->at) : std::nullopt;
  }
  for (const Feature& f : room.features)
    if (f.id == std::get<FeatureId>(task.where)) return centroidOf(f.outline);
  return std::nullopt;
}

double lumensOf(const std::vector<LightSource>& sources) {
  double out = 0;
  for (const LightSource& s : sources) out += s.lumens;
  return out;
}

}  // namespace

Shades::Shades(const PieceIndex& pieces, const Room& room, const Scheme& scheme) {
  const RoomHeights heights = heightsOf(room);
  const auto add = [&](const Convex& shape, double bottom, double top) {
    prisms_.push_back({shape, boundsOf(shape), bottom, top});
  };
  for (const Feature& f : room.features) {
    if (!f.height || f.kind == FeatureKind::Niche || f.kind == FeatureKind::Stair) continue;
    for (const Convex& part : convexParts(f.outline)) add(part, f.base.value_or(0), f.base.value_or(0) + *f.height);
  }
  for (const Placement& p : scheme.placements) {
    const auto* place = onFloor(p.on);
    const Piece& piece = pieces.of(p);
    // What one sits on is as high as its arms or its seat: backs are thin [D].
    const bool seat = isSeat(piece.kind) || isDiningSeat(piece.kind);
    const double top =
        seat && piece.seat->height ? piece.seat->arm.value_or(*piece.seat->height) : highestOf(piece).value_or(0);
    // A lamp's own foot and shade throw no shadow worth the name.
    if (place == nullptr || isRug(piece.kind) || mountOf(piece) || top <= 0) continue;
    const double floor = heights.floorAt(place->at);
    // Light goes under tables, and they are no higher than what is done on them.
    const double bottom = drawnAsTable(piece.kind) ? std::max(0.0, top - 50) : 0;
    for (const Convex& part : footprint(piece, *place)) add(part, floor + bottom, floor + top);
  }
  const Polygon outline = outlineOf(room);
  bool inner = false;
  for (std::size_t i = 0; i < outline.size(); ++i) inner = inner || isReflex(outline, i);
  if (inner)
    for (std::size_t i = 0; i < outline.size(); ++i) walls_.emplace_back(edgeStart(outline, i), edgeEnd(outline, i));
}

bool Shades::clear(const Vec3& s, const Vec3& p) const {
  constexpr double kHere = 1e-6;
  const Vec2 a{s.x, s.y}, b{p.x, p.y};
  for (const auto& [from, to] : walls_) {
    const Vec2 d = to - from;
    const double sideA = cross(d, a - from), sideB = cross(d, b - from);
    if ((sideA > kHere) == (sideB > kHere) || sideB > -kHere) continue;
    const double t = sideA / (sideA - sideB);
    const Vec2 at = a + (b - a) * t;
    const double along = dot(at - from, d);
    if (along > 0 && along < dot(d, d)) return false;
  }
  const Vec2 low{std::min(a.x, b.x), std::min(a.y, b.y)}, high{std::max(a.x, b.x), std::max(a.y, b.y)};
  for (const Prism& prism : prisms_) {
    if (prism.top <= std::min(s.z, p.z) + kHere || prism.bottom >= std::max(s.z, p.z) - kHere) continue;
    if (prism.bounds.low.x > high.x || prism.bounds.high.x < low.x || prism.bounds.low.y > high.y ||
        prism.bounds.high.y < low.y)
      continue;
    const auto in = stretchWithin(prism.shape, a, b);
    if (!in) continue;
    // Where the ray is between the body's underside and its top.
    double from = in->first, to = in->second;
    const double rise = p.z - s.z;
    if (std::abs(rise) > kHere) {
      double low2 = (prism.bottom - s.z) / rise, high2 = (prism.top - s.z) / rise;
      if (low2 > high2) std::swap(low2, high2);
      from = std::max(from, low2);
      to = std::min(to, high2);
    }
    if (to - from > kHere && from < 1 - kHere && to > kHere) return false;
  }
  return true;
}

bool Shades::inside(Vec2 at, double height) const {
  return std::any_of(prisms_.begin(), prisms_.end(), [&](const Prism& prism) {
    return prism.top > height && prism.bottom < height && covers({prism.shape}, at);
  });
}

Shades Shades::above(double height) const {
  Shades out = *this;
  std::erase_if(out.prisms_, [height](const Prism& prism) { return prism.top <= height; });
  return out;
}

double directAt(const std::vector<LightSource>& sources, const Shades& shades, const Vec3& p, const Vec3& normal) {
  double lx = 0;
  for (const LightSource& s : sources) {
    const Vec3 d{p.x - s.at.x, p.y - s.at.y, p.z - s.at.z};
    const double facing = -(d.x * normal.x + d.y * normal.y + d.z * normal.z);
    const double far2 = d.x * d.x + d.y * d.y + d.z * d.z;
    if (facing <= 0 || far2 < 1) continue;
    const double far = std::sqrt(far2);
    const double cd = intensityTowards(s, {d.x / far, d.y / far, d.z / far});
    if (cd <= 0 || !shades.clear(s.at, p)) continue;
    lx += cd * facing / far / (far2 / kSquareMetre);
  }
  return lx;
}

double indirectIn(const Room& room, const RoomHeights& heights, double lumens) {
  const Polygon outline = outlineOf(room);
  const Reflectance r = room.reflectance.value_or(Reflectance{});
  const double floor = std::abs(signedArea(outline));
  double walls = 0;
  for (const Wall& wall : wallsOf(room)) {
    // The wall's face between the floor's profile and the ceiling's: trapezoids.
    const std::vector<Vec2> above = ceilingProfile(room, heights, wall), below = floorProfile(heights, wall);
    const auto area = [](const std::vector<Vec2>& line) {
      double out = 0;
      for (std::size_t i = 0; i + 1 < line.size(); ++i)
        out += (line[i + 1].x - line[i].x) * (line[i].y + line[i + 1].y) / 2;
      return out;
    };
    walls += std::abs(area(above) - area(below));
  }
  const double all = 2 * floor + walls;
  if (all <= 0) return 0;
  const double rho = (floor * (r.floor + r.ceiling) + walls * r.walls) / all;
  return lumens * rho / (all / kSquareMetre * (1 - rho));
}

double gridSpacing(double longerSide) {
  const double metres = longerSide / 1000;
  return std::min(10'000.0, 200 * std::pow(5.0, std::log10(std::max(metres, 1e-3))));
}

LightGrid lightGrid(const Polygon& outline, double band) {
  LightGrid out;
  const Box box = boundsOf(std::span<const Vec2>(outline));
  const Vec2 low = box.low + Vec2{band, band}, high = box.high - Vec2{band, band};
  const double wide = high.x - low.x, deep = high.y - low.y;
  if (wide <= 0 || deep <= 0) return out;
  out.spacing = gridSpacing(std::max(wide, deep));
  const auto across = [&](double side) { return std::max(1, static_cast<int>(std::ceil(side / out.spacing - 1e-9))); };
  const int nx = across(wide), ny = across(deep);
  constexpr double kSlack = 1e-6;
  for (int j = 0; j < ny; ++j)
    for (int i = 0; i < nx; ++i) {
      const Vec2 p{low.x + wide * (i + 0.5) / nx, low.y + deep * (j + 0.5) / ny};
      if (contains(outline, p) && distanceToEdge(outline, p) >= band - kSlack) out.points.push_back(p);
    }
  return out;
}

std::span<const UsualLight> usualLights() {
  static constexpr UsualLight kAsked[] = {{"living", 50},  {"reading", 150}, {"counter", 300},
                                          {"dining", 150}, {"stairs", 100},  {"desk", 300}};
  return kAsked;
}

std::optional<double> usualLight(const std::string& what) {
  for (const UsualLight& usual : usualLights())
    if (what == usual.what) return usual.lx;
  return std::nullopt;
}

std::vector<PlacementId> unknownLights(const std::vector<Fixture>& fixtures, const Photometries& webs) {
  std::vector<PlacementId> out;
  for (const Fixture& f : fixtures)
    if (!f.piece->light->lumens && !webs.contains(f.piece->light->photometry)) out.push_back(f.id());
  return out;
}

namespace {

std::vector<TaskLight> tasksUnder(const PieceIndex& pieces, const Room& room, const RoomHeights& heights,
                                  const Scheme& scheme, const std::vector<LightSource>& sources, const Shades& shades,
                                  double indirect) {
  std::vector<TaskLight> out;
  for (const LightTask& task : scheme.tasks) {
    const auto at = placeOfTask(room, scheme, task);
    if (!at) continue;
    const double height = heightOfTask(pieces, room, scheme, task);
    const Vec3 p{at->x, at->y, heights.floorAt(*at) + height};
    out.push_back({task.id, *at, height, kMaintenance * (directAt(sources, shades, p, {0, 0, 1}) + indirect),
                   task.asked ? task.asked : usualLight(task.what)});
  }
  return out;
}

}  // namespace

std::vector<TaskLight> taskLights(const PieceIndex& pieces, const Room& room, const RoomHeights& heights,
                                  const Scheme& scheme, const std::vector<LightSource>& sources) {
  if (scheme.tasks.empty()) return {};
  return tasksUnder(pieces, room, heights, scheme, sources, Shades(pieces, room, scheme),
                    indirectIn(room, heights, lumensOf(sources)));
}

LightEstimate estimateLight(const Job& job, const Scheme& scheme, const Photometries& webs,
                            const std::set<CircuitId>& on, const std::stop_token& stop) {
  LightEstimate out;
  const Room& room = roomOf(job, scheme);
  const RoomHeights heights = heightsOf(room);
  const PieceIndex pieces(job);
  const std::vector<Fixture> fixtures = fixturesIn(pieces, room, heights, scheme);
  const std::vector<LightSource> sources = lightSourcesIn(fixtures, webs, on);
  const Shades shades(pieces, room, scheme);
  out.unknown = unknownLights(fixtures, webs);
  const double indirect = indirectIn(room, heights, lumensOf(sources));
  out.indirect = kMaintenance * indirect;
  LightGrid grid = lightGrid(outlineOf(room));
  out.spacing = grid.spacing;
  std::vector<double> planes;  // above the datum, stepped as the floor is
  for (const Vec2 p : grid.points) planes.push_back(heights.floorAt(p) + kLightPlane);
  const Shades near = planes.empty() ? Shades() : shades.above(*std::min_element(planes.begin(), planes.end()));
  double sum = 0;
  for (std::size_t i = 0; i < planes.size(); ++i) {
    if (stop.stop_requested()) return out;
    const Vec2 p = grid.points[i];
    if (near.inside(p, planes[i])) continue;  // nobody looks at a plane inside a bookcase
    const double direct = kMaintenance * directAt(sources, near, {p.x, p.y, planes[i]}, {0, 0, 1});
    sum += direct;
    out.at.push_back(p);
    out.lx.push_back(direct + out.indirect);
  }
  if (!out.lx.empty()) {
    out.direct = sum / static_cast<double>(out.lx.size());
    out.average = out.direct + out.indirect;
    const auto [least, most] = std::minmax_element(out.lx.begin(), out.lx.end());
    out.least = *least;
    out.most = *most;
  }
  out.tasks = tasksUnder(pieces, room, heights, scheme, sources, shades, indirect);
  for (const Hung& hung : hungIn(pieces, scheme)) {
    if (!isArt(pieces.of(*findPlacement(scheme, hung.members.front())).kind)) continue;
    const auto wall = findWall(room, hung.wall);
    const WallRect& e = hung.envelope;
    ArtLight art{hung.members, {}};
    for (const Vec2 uv : {Vec2{(e.left + e.right) / 2, e.centreHeight()}, Vec2{e.left, e.bottom},
                          Vec2{e.right, e.bottom}, Vec2{e.right, e.top}, Vec2{e.left, e.top}}) {
      const Vec2 p = inFrontOf(*wall, uv.x);
      const Vec2 n = wall->inward();
      art.lx.push_back(kMaintenance * directAt(sources, shades, {p.x, p.y, uv.y}, {n.x, n.y, 0}) + out.indirect);
    }
    out.art.push_back(std::move(art));
  }
  return out;
}

}  // namespace mezzet
