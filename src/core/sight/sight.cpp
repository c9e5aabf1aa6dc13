#include "core/sight/sight.h"

#include <algorithm>
#include <cmath>
#include <limits>
#include <numbers>

#include "core/walk/walk_space.h"
#include "core/model/kinds.h"

namespace mezzet {
namespace {

constexpr double kEndless = 1e7;

/// The part of a convex polygon or segment where low <= f(p) <= high, f linear in p.
template <class F>
std::vector<Vec2> between(const std::vector<Vec2>& points, F f, double low, double high) {
  std::vector<Vec2> in = points;
  for (const double side : {1.0, -1.0}) {
    const double limit = side > 0 ? low : -high;
    std::vector<Vec2> out;
    const std::size_t n = in.size();
    for (std::size_t i = 0; i < n; ++i) {
      const Vec2 a = in[i], b = in[(i + 1) % n];
      const double fa = side * f(a) - limit, fb = side * f(b) - limit;
      if (fa >= 0) out.push_back(a);
      if ((fa > 0 && fb < 0) || (fa < 0 && fb > 0)) out.push_back(a + (b - a) * (fa / (fa - fb)));
    }
    in = std::move(out);
    if (in.empty()) break;
  }
  return in;
}

/// How far along the line of sight (0 at the eye, 1 at what is looked at) the line is between bottom and top.
Stretch hiddenAlong(double eye, double height, double bottom, double top) {
  const double rise = height - eye;
  if (std::abs(rise) < 1e-9) return eye > bottom + 1e-9 && eye < top - 1e-9 ? Stretch{0, 1} : Stretch{1, 0};
  double from = (bottom - eye) / rise, to = (top - eye) / rise;
  if (from > to) std::swap(from, to);
  return {std::max(0.0, from), std::min(1.0, to)};
}

}  // namespace

std::vector<Vec2> outlineOfBody(const Convex& body) {
  if (body.radius <= 0) return body.core;
  const Vec2 c = body.core[0];
  const int n = std::max(
      16, static_cast<int>(std::ceil(std::numbers::pi / std::acos(std::max(0.0, 1 - kRoundSight / body.radius)))));
  std::vector<Vec2> out;
  for (int i = 0; i < n; ++i) {
    const double t = 2 * std::numbers::pi * i / n;
    out.push_back(c + Vec2{std::cos(t), std::sin(t)} * body.radius);
  }
  return out;
}

std::vector<Occluder> occludersIn(const PieceIndex& pieces, const Room& room, const Scheme& scheme) {
  std::vector<Occluder> out;
  for (const Wall& wall : wallsOf(room)) {
    const std::string owner = wallKey(wall.id);
    std::vector<const Opening*> openings;
    for (const Opening& o : room.openings)
      if (o.wall == wall.id) openings.push_back(&o);
    std::sort(openings.begin(), openings.end(),
              [](const Opening* a, const Opening* b) { return a->offset < b->offset; });
    double from = 0;
    const auto part = [&](double a, double b, double bottom, double top) {
      if (b > a && top > bottom)
        out.push_back(
            {Convex{{wall.start + wall.along() * a, wall.start + wall.along() * b}, 0}, bottom, top, owner, true});
    };
    for (const Opening* o : openings) {
      const double end = std::min(o->offset + o->width, wall.length());
      part(from, o->offset, -kEndless, kEndless);
      part(std::max(from, o->offset), end, -kEndless, o->sill);
      part(std::max(from, o->offset), end, o->head(), kEndless);
      from = std::max(from, end);
    }
    part(from, wall.length(), -kEndless, kEndless);
  }
  for (const Feature& f : room.features) {
    if (!f.height || f.kind == FeatureKind::Niche) continue;
    const double bottom = f.base.value_or(0);
    for (const Convex& partOf : convexParts(f.outline)) out.push_back({partOf, bottom, bottom + *f.height, f.id.value});
  }
  for (const Placement& p : scheme.placements) {
    const auto* place = onFloor(p.on);
    const Piece& piece = pieces.of(p);
    const double top = highestOf(piece).value_or(0);
    if (place == nullptr || isRug(piece.kind) || top <= 0) continue;
    // One looks through under raised legs.
    const double bottom = std::min(top, piece.legs->height.value_or(0));
    for (const Convex& partOf : footprint(piece, *place)) out.push_back({partOf, bottom, top, p.id.value});
  }
  return out;
}

std::vector<Stretch> seenOf(const Eye& eye, Vec2 a, Vec2 b, double height, const std::vector<Occluder>& occluders,
                            const std::vector<std::string>& ignore) {
  // In the plan: the line of what is looked at, and how far towards it a point lies (0 at the eye, 1 on the line).
  const Vec2 d = b - a;
  const double off = cross(d, eye.at - a);
  if (std::abs(off) < 1e-9) return {};  // seen edge on
  const auto towards = [&](Vec2 p) { return 1 - cross(d, p - a) / off; };
  // Where the line from the eye through p meets the segment's line, as a share of the segment.
  const auto share = [&](Vec2 p) {
    const Vec2 q = eye.at + (p - eye.at) * (1 / towards(p));
    return dot(q - a, d) / dot(d, d);
  };
  std::vector<Stretch> hidden;
  for (const Occluder& o : occluders) {
    const Stretch where = hiddenAlong(eye.height, height, o.bottom, o.top);
    if (where.from >= where.to) continue;
    if (std::find(ignore.begin(), ignore.end(), o.owner) != ignore.end()) continue;
    // Nothing hides at the eye itself, nor beyond what is looked at.
    constexpr double kHere = 1e-6;
    const std::vector<Vec2> part =
        between(outlineOfBody(o.shape), towards, std::max(where.from, kHere), where.to - kHere);
    if (part.empty()) continue;
    Stretch shadow{std::numeric_limits<double>::infinity(), -std::numeric_limits<double>::infinity()};
    for (const Vec2 p : part) {
      const double s = share(p);
      shadow = {std::min(shadow.from, s), std::max(shadow.to, s)};
    }
    if (shadow.to > 0 && shadow.from < 1 && shadow.to > shadow.from) hidden.push_back(shadow);
  }
  std::sort(hidden.begin(), hidden.end(), [](const Stretch& x, const Stretch& y) { return x.from < y.from; });
  std::vector<Stretch> seen;
  seen.reserve(hidden.size() + 1);
  double from = 0;
  for (const Stretch& h : hidden) {
    if (h.from > from) seen.push_back({from, std::min(1.0, h.from)});
    from = std::max(from, h.to);
  }
  if (from < 1) seen.push_back({from, 1});
  return seen;
}

double seenShare(const Eye& eye, Vec2 a, Vec2 b, double height, const std::vector<Occluder>& occluders,
                 const std::vector<std::string>& ignore) {
  double share = 0;
  for (const Stretch& s : seenOf(eye, a, b, height, occluders, ignore)) share += s.to - s.from;
  return share;
}

bool sees(const Eye& eye, Vec2 point, double height, const std::vector<Occluder>& occluders,
          const std::vector<std::string>& ignore) {
  const Vec2 d = unit(point - eye.at);
  if (norm(d) == 0) return true;
  // A sliver square to the line of sight stands for the point.
  constexpr double kSliver = 0.01;
  const Vec2 t = leftOf(d) * kSliver;
  return seenShare(eye, point - t, point + t, height, occluders, ignore) > 0.5;
}

Polygon sightRegion(const Eye& eye, const std::vector<Occluder>& occluders, double reach,
                    const std::vector<std::string>& ignore) {
  struct Side {
    Vec2 a, b;  // seen from the eye
  };
  std::vector<Side> sides;
  std::vector<double> angles;
  for (int i = 0; i < 64; ++i) angles.push_back(-std::numbers::pi + 2 * std::numbers::pi * i / 64);
  for (const Occluder& o : occluders) {
    if (eye.height <= o.bottom || eye.height >= o.top ||
        std::find(ignore.begin(), ignore.end(), o.owner) != ignore.end())
      continue;
    const std::vector<Vec2> points = outlineOfBody(o.shape);
    const std::size_t n = points.size(), edges = n == 2 ? 1 : n;
    for (std::size_t i = 0; i < edges; ++i) {
      const Side side{points[i] - eye.at, points[(i + 1) % n] - eye.at};
      // Of a body only the sides that face the eye are seen; both ends of each turn the view.
      if (n > 2 && cross(side.a, side.b) > 0 && !covers({Convex{points, 0}}, eye.at)) continue;
      sides.push_back(side);
      for (const Vec2 p : {side.a, side.b}) {
        // Just beside a corner on either side, where the view jumps.
        const double angle = std::atan2(p.y, p.x);
        for (const double beside : {-1e-7, 0.0, 1e-7}) angles.push_back(angle + beside);
      }
    }
  }
  std::sort(angles.begin(), angles.end());
  angles.erase(std::unique(angles.begin(), angles.end(), [](double a, double b) { return b - a < 1e-9; }),
               angles.end());
  Polygon out;
  for (const double angle : angles) {
    const Vec2 d{std::cos(angle), std::sin(angle)};
    double nearest = reach;
    for (const Side& s : sides) {
      const double sa = cross(d, s.a), sb = cross(d, s.b);
      if ((sa > 0) == (sb > 0) || sa == sb) continue;
      const double along = dot(s.a + (s.b - s.a) * (sa / (sa - sb)), d);
      if (along > 1e-9) nearest = std::min(nearest, along);
    }
    out.push_back(eye.at + d * nearest);
  }
  return out;
}

}  // namespace mezzet
