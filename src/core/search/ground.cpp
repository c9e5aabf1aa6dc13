#include "core/search/ground.h"

#include <algorithm>

#include "core/model/kinds.h"

namespace mezzet {
namespace {

constexpr double kBeforeDoor = 30 * kInch;  // kept free when something is put down [D]
constexpr double kSizesAlike = 0.01;

void sortByUse(Ground& g) {
  for (std::size_t i = 0; i < g.movables.size(); ++i) {
    const std::string& kind = g.movables[i].piece->kind;
    auto& list = isRug(kind)           ? g.rugs
                 : isBed(kind)         ? g.beds
                 : isLowTable(kind)    ? g.lowTables
                 : isDiningTable(kind) ? g.diningTables
                 : isSatAt(kind)       ? g.desks
                 : isDiningChair(kind) ? g.diningChairs
                 : isSeat(kind)        ? g.seats
                 : isDiningSeat(kind)  ? g.diningChairs
                 : isSideTable(kind)   ? g.sideTables
                 : isLamp(kind)        ? g.lamps
                 : isStorage(kind)     ? g.storage
                 : isSurface(kind)     ? g.consoles
                                       : g.others;
    list.push_back(i);
  }
  const auto wider = [&](std::size_t a, std::size_t b) {
    return g.movables[a].piece->width > g.movables[b].piece->width;
  };
  for (auto* list : {&g.seats, &g.lowTables, &g.rugs, &g.diningTables, &g.storage, &g.consoles, &g.beds, &g.others})
    std::stable_sort(list->begin(), list->end(), wider);
  // The main seat is a sofa where there is one.
  std::stable_partition(g.seats.begin(), g.seats.end(),
                        [&](std::size_t i) { return isSofa(g.movables[i].piece->kind); });
}

Vec2 middleOf(const Polygon& outline) {
  Vec2 sum;
  for (const Vec2 p : outline) sum += p;
  return sum * (1.0 / static_cast<double>(outline.size()));
}

void addFocuses(Ground& g, const SearchAsk& ask) {
  const Vec2 middle = middleOf(g.outline);
  std::vector<Focus> all;
  for (const Feature& f : g.room->features)
    if (f.kind == FeatureKind::Hearth || f.id.value == ask.anchor) {
      const Vec2 at = middleOf(f.outline);
      // It looks away from the wall it is nearest to.
      all.push_back({Focus::Kind::Fire, f.id.value, at, nearestWall(g, at).inward()});
    }
  for (const Opening& o : g.room->openings)
    if (const auto wall = findWall(*g.room, o.wall); o.kind == OpeningKind::Window && wall)
      all.push_back({Focus::Kind::Window, o.id.value, mezzet::middleOf(*wall, o), wall->inward()});
  for (const Placement& p : g.scheme->placements) {
    const Piece& piece = pieceOf(*g.job, p);
    const auto* on = onWall(p.on);
    if (!isScreen(piece.kind) && p.id.value != ask.anchor) continue;
    if (on != nullptr) {
      const auto wall = findWall(*g.room, on->wall);
      all.push_back({Focus::Kind::Screen, p.id.value, wall->end - wall->along() * on->u, wall->inward()});
    } else if (const auto* floor = onFloor(p.on); floor != nullptr && (p.locked || has(ask.keep, p.id))) {
      all.push_back({Focus::Kind::Piece, p.id.value, floor->at, rotated({0, -1}, turnOf(floor->turn))});
    }
  }
  const bool anchored = std::any_of(all.begin(), all.end(), [&](const Focus& f) { return f.id == ask.anchor; });
  for (const Focus& f : all)
    if ((!anchored || f.id == ask.anchor) && dot(middle - f.at, f.outward) > 0) g.focuses.push_back(f);
}

}  // namespace

double depthOf(const Piece& p) { return p.depth.value_or(p.width); }
Vec2 frontOf(const FloorPlace& p) { return rotated({0, -1}, turnOf(p.turn)); }

const Wall& nearestWall(const Ground& g, Vec2 at) {
  return *std::min_element(g.walls.begin(), g.walls.end(), [&](const Wall& a, const Wall& b) {
    return distance(at, nearestOnSegment(at, a.start, a.end)) < distance(at, nearestOnSegment(at, b.start, b.end));
  });
}

BackOff backOff(const Ground& g, const Layout& l, std::size_t movable) {
  const FloorPlace& p = l.at[movable];
  const Vec2 back = -frontOf(p), middle = p.at + back * (depthOf(g.piece(l, movable)) / 2);
  BackOff out;
  for (const Wall& wall : g.walls) {
    if (dot(back, wall.inward()) > -0.9) continue;
    const double off = dot(middle - wall.start, wall.inward()), along = dot(middle - wall.start, wall.along());
    if (along < 0 || along > wall.length() || off < -kTouch || (out.wall != nullptr && off > out.off)) continue;
    out = {&wall, off};
  }
  return out;
}

bool standsAsWished(const Ground& g, const Layout& l, WallsWish walls) {
  if (walls == WallsWish::Both || g.seats.empty()) return true;
  const BackOff back = backOff(g, l, g.seats.front());
  return walls == WallsWish::Against ? back.wall != nullptr && back.off <= kAtWall
                                     : back.wall == nullptr || back.off >= kOffWall;
}

double turnToLook(Vec2 along) { return normalisedTurn(directionOf(along) + 90); }

FloorPlace backTo(const Wall& wall, const Piece& piece, double along, double off) {
  const Vec2 at = wall.start + wall.along() * along + wall.inward() * (off + piece.depth.value_or(piece.width) / 2);
  return {at, turnToLook(wall.inward())};
}

Ground groundOf(const Job& job, const SearchAsk& ask) {
  Ground g;
  g.job = &job;
  g.scheme = findScheme(job, ask.scheme);
  if (g.scheme == nullptr) return g;
  g.room = &roomOf(job, *g.scheme);
  g.outline = outlineOf(*g.room);
  g.walls = wallsOf(*g.room);
  g.fixed = featureBodies(*g.room);
  const Box box = boundsOf(g.outline);
  g.reach = distance(box.low, box.high);
  for (const Opening& o : g.room->openings) {
    if (const auto sweep = sweepOf(*g.room, o)) g.sweeps.push_back(*sweep);
    const auto wall = findWall(*g.room, o.wall);
    if (o.kind == OpeningKind::Window || !wall) continue;
    const Vec2 from = wall->start + wall->along() * o.offset, to = from + wall->along() * o.width,
               in = wall->inward() * kBeforeDoor;
    g.before.push_back({from, to, to + in, from + in});
  }
  const PieceIndex pieces(job);
  for (const Placement& p : g.scheme->placements) {
    const auto* floor = onFloor(p.on);
    if (floor == nullptr) continue;
    const Piece& piece = pieces.of(p);
    if (!piece.depth) continue;
    if (p.locked || has(ask.keep, p.id)) {
      if (isRug(piece.kind)) continue;
      if (isSatAt(piece.kind)) g.satAt.emplace_back(&piece, *floor);
      Body body{p.id.value, footprint(piece, *floor), false, {}};
      body.bounds = boundsOf(body.parts);
      g.fixed.push_back(std::move(body));
      continue;
    }
    Movable m{p.id, &piece, {&piece}};
    // Another size or hand of what is still to be bought.
    const PieceId base = piece.variantOf.value_or(piece.id);
    for (const auto& other : job.pieces)
      if (!piece.shop->owned && other->id != piece.id && other->variantOf.value_or(other->id) == base &&
          other->kind == piece.kind && other->depth && other->width > kSizesAlike)
        m.sizes.push_back(other.get());
    g.movables.push_back(std::move(m));
  }
  sortByUse(g);
  addFocuses(g, ask);
  return g;
}

bool Filling::fits(std::size_t movable, const FloorPlace& place) const {
  const Piece& piece = ground_.piece(layout_, movable);
  const Parts parts = footprint(piece, place);
  if (reachOutside(parts, ground_.outline) > kTouch) return false;
  if (isRug(piece.kind)) return true;
  const Box box = boundsOf(parts);
  const auto meets = [&](const Body& other) {
    return !other.parts.empty() && !other.flat && !furtherApart(box, other.bounds, 0) &&
           separation(parts, other.parts).gap < -kTouch;
  };
  if (std::any_of(ground_.fixed.begin(), ground_.fixed.end(), meets)) return false;
  for (std::size_t i = 0; i < bodies_.size(); ++i) {
    if (i == movable || !meets(bodies_[i])) continue;
    // A chair goes in under its table.
    const std::string& other = ground_.movables[i].piece->kind;
    if ((isDiningSeat(piece.kind) && isSatAt(other)) || (isSatAt(piece.kind) && isDiningSeat(other))) continue;
    return false;
  }
  for (const Sweep& sweep : ground_.sweeps)
    if (clearOfSweep(parts, sweep).gap < -kTouch) return false;
  for (const Polygon& before : ground_.before)
    if (const Convex area{before}; std::any_of(
            parts.begin(), parts.end(), [&](const Convex& part) { return separation(part, area).gap < -kTouch; }))
      return false;
  return true;
}

void Filling::put(std::size_t movable, const FloorPlace& place) {
  const Piece& piece = ground_.piece(layout_, movable);
  layout_.at[movable] = {place.at, normalisedTurn(place.turn)};
  Body& body = bodies_[movable];
  body.parts = footprint(piece, place);
  body.bounds = boundsOf(body.parts);
  body.flat = isRug(piece.kind);
}

}  // namespace mezzet
