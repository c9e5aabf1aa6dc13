#include "core/walk/free_space.h"

#include <algorithm>
#include <cmath>
#include <limits>
#include <queue>
#include <numbers>

namespace mezzet {
namespace {

/// Regions of the floor are drawn to this.
constexpr double kDrawn = 2;
/// Drawn regions are closed over gaps narrower than this before pockets are sought.
constexpr double kTidy = 10;

/// A point nearer to a line than this lies on it: a few steps of the grid that regions are cut on.
constexpr double kOnLine = 0.005;

/// A convex body grown by a distance: its corners are rounded by chords that touch the arc from outside.
Polygon grownBody(const Convex& body, double by, double chord) {
  const double r = body.radius + by;
  const double step = 2 * std::acos(r / (r + chord));
  Polygon out;
  const std::size_t n = body.core.size();
  // A point is rounded all the way, a segment by two halves, a corner by as much as it turns.
  for (std::size_t i = 0; i < n; ++i) {
    const Vec2 p = body.core[i];
    double from = 0, turn = 2 * std::numbers::pi;
    if (n > 1) {
      const Vec2 in = p - body.core[(i + n - 1) % n], away = body.core[(i + 1) % n] - p;
      const Vec2 normal = -leftOf(unit(in));
      from = std::atan2(normal.y, normal.x);
      turn = n == 2 ? std::numbers::pi : std::atan2(cross(in, away), dot(in, away));
    }
    const int chords = std::max(1, static_cast<int>(std::ceil(turn / step)));
    const double each = turn / chords, outside = r / std::cos(each / 2);
    for (int k = 0; k < chords; ++k) {
      const double angle = from + each * (k + 0.5);
      out.push_back(p + Vec2{std::cos(angle), std::sin(angle)} * outside);
    }
  }
  return out;
}

/// Where the centre of a disc may be, in the room and in these porches.
std::vector<Area> centresOf(const WalkSpace& space, const std::vector<Porch>& porches, double width, double chord) {
  std::vector<Polygon> floor{space.outline}, bodies;
  bodies.reserve(space.atoms.size());
  for (const Atom& atom : space.atoms) bodies.push_back(grownBody(atom.shape, width / 2, chord));
  for (const Porch& porch : porches) {
    floor.push_back(porch.floor);
    for (const Convex& side : porch.sides) bodies.push_back(grownBody(side, width / 2, chord));
  }
  return without(floor, bodies);
}

/// Corners of the free region that a shortest way may bend at, with their neighbours along the edge.
struct Bend {
  Vec2 at, before, after;
};
struct Edge {
  Vec2 a, b;
};
struct Ground {
  std::vector<Bend> bends;
  std::vector<Edge> edges;
};

Ground groundOf(const Area& area) {
  Ground out;
  const auto add = [&](const Polygon& ring) {
    const std::size_t n = ring.size();
    for (std::size_t i = 0; i < n; ++i) {
      const Vec2 before = ring[(i + n - 1) % n], at = ring[i], after = ring[(i + 1) % n];
      out.edges.push_back({at, after});
      // The free side is on the left of every edge: a right turn juts into it. A corner that hardly turns counts: ways
      // along an edge go from corner to corner.
      if (cross(unit(after - before), at - before) > -kOnLine) out.bends.push_back({at, before, after});
    }
  };
  add(area.outer);
  for (const Polygon& hole : area.holes) add(hole);
  return out;
}

/// Whether the line through `bend` leaves the obstacle there on one side: only then may a shortest way bend at it.
bool touchesAt(const Bend& bend, Vec2 direction) {
  const Vec2 d = unit(direction);
  const double one = cross(d, bend.before - bend.at), two = cross(d, bend.after - bend.at);
  return (one <= kOnLine && two <= kOnLine) || (one >= -kOnLine && two >= -kOnLine);
}

/// Whether the way from p to q stays in the region. An end on an edge does not cross it.
bool isFree(const Ground& ground, Vec2 p, Vec2 q) {
  const double lowX = std::min(p.x, q.x), highX = std::max(p.x, q.x), lowY = std::min(p.y, q.y),
               highY = std::max(p.y, q.y);
  const Vec2 d = q - p;
  for (const Edge& e : ground.edges) {
    if (std::max(e.a.x, e.b.x) < lowX || std::min(e.a.x, e.b.x) > highX || std::max(e.a.y, e.b.y) < lowY ||
        std::min(e.a.y, e.b.y) > highY)
      continue;
    if (e.a == p || e.b == p || e.a == q || e.b == q) {
      // An edge that the way begins or ends at does not cross it; but along the edge the way ends at its other end,
      // where another edge may begin that stands across.
      const bool atP = e.a == p || e.b == p, atA = atP ? e.a == p : e.a == q;
      const Vec2 near = atA ? e.a : e.b, far = atA ? e.b : e.a, way = atP ? d : -d;
      const double along = dot(far - near, way);
      if (along > 0 && along < dot(d, d) * (1 - 1e-9) && std::abs(cross(way, far - near)) < kOnLine * norm(d))
        return false;
      continue;
    }
    // A corner on the line counts as on its left: the way through a corner into a body crosses, a way that grazes it
    // goes by that corner as a bend of its own.
    const bool leftA = cross(d, e.a - p) >= 0, leftB = cross(d, e.b - p) >= 0;
    if (leftA == leftB) continue;
    const Vec2 f = e.b - e.a;
    if ((cross(f, p - e.a) >= 0) != (cross(f, q - e.a) >= 0)) return false;
  }
  return true;
}

/// Distance from p along the unit vector d to a convex body; `reach` when it is further or never met.
double rayTo(const Convex& body, Vec2 p, Vec2 d, double reach) {
  double best = reach;
  if (body.core.size() == 1) {
    const Vec2 c = body.core[0] - p;
    const double along = dot(c, d), off = dot(c, c) - along * along, r2 = body.radius * body.radius;
    if (off < r2 && along > 0) best = std::min(best, std::max(0.0, along - std::sqrt(r2 - off)));
    return best;
  }
  for (std::size_t i = 0; i < body.core.size(); ++i) {
    const Vec2 a = body.core[i] - p, b = body.core[(i + 1) % body.core.size()] - p;
    const double sa = cross(d, a), sb = cross(d, b);
    if ((sa > 0) == (sb > 0) && sa != 0 && sb != 0) continue;
    if (std::abs(sa - sb) < 1e-12) {
      // Along the ray: its nearer end.
      for (const Vec2 v : {a, b})
        if (dot(v, d) >= 0) best = std::min(best, dot(v, d));
      continue;
    }
    const double along = dot(a + (b - a) * (sa / (sa - sb)), d);
    if (along >= 0) best = std::min(best, along);
  }
  return best;
}

/// A cross-section and what bounds it on either side.
struct Bounded {
  CrossSection section;
  const Atom *left = nullptr, *right = nullptr;
};
Bounded sectionAt(const WalkSpace& space, Vec2 at, Vec2 left, double along, double reach) {
  double toLeft = reach, toRight = reach;
  Bounded out;
  for (const Atom& atom : space.atoms) {
    const Box& b = atom.bounds;
    if (b.low.x > at.x + reach || b.high.x < at.x - reach || b.low.y > at.y + reach || b.high.y < at.y - reach)
      continue;
    if (const double hit = rayTo(atom.shape, at, left, toLeft); hit < toLeft) {
      toLeft = hit;
      out.left = &atom;
    }
    if (const double hit = rayTo(atom.shape, at, -left, toRight); hit < toRight) {
      toRight = hit;
      out.right = &atom;
    }
  }
  out.section = {along, at, at + left * toLeft, at - left * toRight};
  return out;
}

/// Whether it is narrower than `width` there, measured square to the passage: a route that slants through it would
/// otherwise seem pinched before it is.
bool isNarrow(const WalkSpace& space, Vec2 at, Vec2 direction, double width) {
  const Vec2 normal = leftOf(direction);
  const Bounded square = sectionAt(space, at, normal, 0, width);
  if (square.section.width() >= width) return false;
  if (square.left == nullptr || square.right == nullptr) return true;
  const Separation across = separation(square.right->shape, square.left->shape);
  const Vec2 axis = unit(across.b - across.a);
  constexpr double kSlants = 0.5;  // cosine: beyond 60 degrees the two things do not face each other across the route
  return dot(axis, normal) < kSlants || sectionAt(space, at, axis, 0, width).section.width() < width;
}

/// A place on a route, and which way it leads there.
struct OnRoute {
  Vec2 at, direction;
};
OnRoute placeOn(const std::vector<Vec2>& route, double along) {
  for (std::size_t i = 0; i + 1 < route.size(); ++i) {
    const double length = distance(route[i], route[i + 1]);
    if (along <= length || i + 2 == route.size()) {
      const Vec2 d = unit(route[i + 1] - route[i]);
      return {route[i] + d * std::min(along, length), d};
    }
    along -= length;
  }
  return {route.empty() ? Vec2{} : route.front(), {1, 0}};
}
double lengthOf(const std::vector<Vec2>& route) {
  double length = 0;
  for (std::size_t i = 0; i + 1 < route.size(); ++i) length += distance(route[i], route[i + 1]);
  return length;
}

}  // namespace

std::optional<Porch> porchOf(const WalkSpace& space, const WayEnd& end) {
  if (end.inward == Vec2{} || end.widest <= 0) return std::nullopt;
  const Vec2 across = leftOf(end.inward) * (end.widest / 2), out = end.inward * -end.widest;
  const Vec2 left = end.at + across, right = end.at - across;
  // It reaches a little into the room, so that the two join.
  const Polygon floor{left - out * (1 / end.widest), right - out * (1 / end.widest), right + out, left + out};
  Polygon outside{left, right, right + out, left + out};
  if (signedArea(outside) < 0) std::reverse(outside.begin(), outside.end());
  double common = 0;
  for (const Area& area : within({outside}, {space.outline})) common += sizeOf(area);
  if (common > kTidy) return std::nullopt;
  Porch porch{floor,
              {Convex{{left, left + out}, 0}, Convex{{left + out, right + out}, 0}, Convex{{right + out, right}, 0}},
              end.at + out * 0.5};
  if (signedArea(porch.floor) < 0) std::reverse(porch.floor.begin(), porch.floor.end());
  return porch;
}

std::vector<Vec2> shortestRoute(const WalkSpace& space, const WayEnd& fromEnd, const WayEnd& toEnd, double width,
                                const std::stop_token& stop, double chord) {
  std::vector<Porch> porches;
  const auto placed = [&](const WayEnd& end) {
    const auto porch = porchOf(space, end);
    if (!porch) return end.at + end.inward;  // just inside, where the region begins
    porches.push_back(*porch);
    return porch->start;
  };
  const Vec2 from = placed(fromEnd), to = placed(toEnd);
  for (const Area& area : centresOf(space, porches, width, chord)) {
    if (!contains(area, from) || !contains(area, to)) continue;
    const Ground ground = groundOf(area);
    const std::size_t n = ground.bends.size(), start = n, goal = n + 1;
    const auto at = [&](std::size_t i) { return i < n ? ground.bends[i].at : i == start ? from : to; };
    std::vector<std::size_t> came(n + 2, start);
    std::vector<bool> done(n + 2, false);
    // Ways are offered by their length alone; whether one is free is asked only when it is the best offer left.
    struct Offer {
      double estimate, length;
      std::size_t to, by;
    };
    const auto worse = [](const Offer& a, const Offer& b) { return a.estimate > b.estimate; };
    std::priority_queue<Offer, std::vector<Offer>, decltype(worse)> offers(worse);
    offers.push({distance(from, to), 0, start, start});
    int looked = 0;
    while (!offers.empty()) {
      if ((++looked & 63) == 0 && stop.stop_requested()) return {};
      const Offer offer = offers.top();
      offers.pop();
      if (done[offer.to]) continue;
      if (offer.to != start && !isFree(ground, at(offer.by), at(offer.to))) continue;
      done[offer.to] = true;
      came[offer.to] = offer.by;
      if (offer.to == goal) {
        std::vector<Vec2> route;
        for (std::size_t i = goal;; i = came[i]) {
          route.push_back(at(i));
          if (i == start) break;
        }
        std::reverse(route.begin(), route.end());
        return route;
      }
      const Vec2 here = at(offer.to);
      for (std::size_t i = 0; i < n + 2; ++i) {
        if (done[i] || i == start) continue;
        const Vec2 d = at(i) - here;
        if (i < n && !touchesAt(ground.bends[i], d)) continue;
        if (offer.to < n && !touchesAt(ground.bends[offer.to], d)) continue;
        const double length = offer.length + norm(d);
        offers.push({length + distance(at(i), to), length, i, offer.to});
      }
    }
  }
  return {};
}

Reached reachedFloor(const WalkSpace& space, double width, const std::stop_token& stop) {
  Reached out;
  std::vector<Polygon> bodies;
  for (const Atom& atom : space.atoms)
    if (atom.shape.core.size() != 2 || atom.shape.radius > 0)
      bodies.push_back(atom.shape.core.size() < 3 ? grownBody(atom.shape, 0.5, kDrawn) : Polygon(atom.shape.core));
  const std::vector<Area> free = without({space.outline}, bodies);
  std::vector<Area> there;
  if (!space.openings.empty() && !stop.stop_requested()) {
    const WayEnd& entry = space.openings[space.entry];
    const auto porch = porchOf(space, entry);
    const Vec2 start = porch ? porch->start : entry.at + entry.inward;
    for (Area& area : centresOf(space, porch ? std::vector{*porch} : std::vector<Porch>{}, width, kDrawn))
      if (contains(area, start)) there.push_back(std::move(area));
  }
  if (!there.empty() && !stop.stop_requested()) {
    const std::vector<Area> swept = grown(there, width / 2, kDrawn);
    out.floor = within(outlinesOf(swept), {space.outline});
  }
  if (stop.stop_requested()) return out;
  // Corners that only the disc's roundness leaves out are no pockets: what is left is opened by the tidy width.
  const std::vector<Area> left = without(outlinesOf(free), outlinesOf(out.floor));
  for (Area& area : grown(grown(left, -kTidy, kDrawn), kTidy, kDrawn))
    if (sizeOf(area) >= kLeastPocket) out.pockets.push_back(std::move(area));
  return out;
}

std::vector<CrossSection> crossSections(const WalkSpace& space, const std::vector<Vec2>& route, double step,
                                        double reach) {
  std::vector<CrossSection> out;
  if (route.size() < 2) return out;
  const double length = lengthOf(route);
  const int n = std::max(1, static_cast<int>(std::ceil(length / step)));
  for (int i = 0; i <= n; ++i) {
    const double along = length * i / n;
    const OnRoute here = placeOn(route, along);
    out.push_back(sectionAt(space, here.at, leftOf(here.direction), along, reach).section);
  }
  return out;
}

double longestNarrowerThan(const WalkSpace& space, const std::vector<Vec2>& route, double width) {
  constexpr double kStep = 10, kExact = 0.1;
  const auto narrow = [&](double along) {
    const OnRoute here = placeOn(route, along);
    return isNarrow(space, here.at, here.direction, width);
  };
  const auto edge = [&](double open, double shut) {
    while (std::abs(open - shut) > kExact) {
      const double middle = (open + shut) / 2;
      (narrow(middle) ? shut : open) = middle;
    }
    return shut;
  };
  if (route.size() < 2) return 0;
  const double length = lengthOf(route);
  const int n = std::max(1, static_cast<int>(std::ceil(length / kStep)));
  double longest = 0, from = 0;
  bool before = false;
  for (int i = 0; i <= n; ++i) {
    const double along = length * i / n, last = length * std::max(0, i - 1) / n;
    const bool here = narrow(along);
    if (here && !before) from = i == 0 ? 0 : edge(last, along);
    if (before && !here) longest = std::max(longest, edge(along, last) - from);
    if (here && i == n) longest = std::max(longest, along - from);
    before = here;
  }
  return longest;
}

}  // namespace mezzet
