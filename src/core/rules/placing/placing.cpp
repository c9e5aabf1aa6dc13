// What no scheme can have: two bodies in one place, a body outside the room, more of a piece than there are.
#include <algorithm>
#include <unordered_map>

#include "core/rules/placing/rules.h"
#include "core/space/gaps.h"
#include "core/space/bodies.h"
#include "core/space/standing.h"
#include "core/model/kinds.h"
#include "core/edit/validate.h"
#include "core/rules/base/facts.h"

namespace mezzet {
namespace {

/// A dining chair whose arms are as high as its table's top is pushed in under it this far, any other until its back,
/// so thick, would meet the edge; measured inward from the edge [D].
constexpr double kArmsUnder = 4 * kInch, kBack = 4 * kInch;

/// How far one may stand under the other; 0 for what is no chair and its table.
double tucksUnder(const Piece& a, const Piece& b) {
  const bool first = isDiningSeat(a.kind) && isSatAt(b.kind);
  if (!first && !(isDiningSeat(b.kind) && isSatAt(a.kind))) return 0;
  const Piece &chair = first ? a : b, &table = first ? b : a;
  const bool arms = chair.seat->arm && (!table.height || *chair.seat->arm >= *table.height - kTouch);
  return arms ? kArmsUnder : std::max(kArmsUnder, chair.depth.value_or(chair.width) - kBack);
}

double overlapOf(const WallRect& a, const WallRect& b) {
  return std::min(std::min(a.right, b.right) - std::max(a.left, b.left),
                  std::min(a.top, b.top) - std::max(a.bottom, b.bottom));
}

void overlapFinding(const Situation& s, const Rule& rule, std::vector<std::string> subjects, double gap, Vec2 a, Vec2 b,
                    const View& view, const std::string& first, const std::string& second, std::vector<Finding>& out) {
  Finding f = findingOf(rule, askedOf(rule, s.job), std::move(subjects));
  f.measured = gap;
  f.at = {a, b};
  f.view = view;
  decide(f, s.scheme);
  f.sentence = first + " and " + second + " are in one place, by " + writeLength(-gap, s.format) + ".";
  out.push_back(std::move(f));
}

void outsideFinding(const Situation& s, const Rule& rule, const Placement& p, double amount, Vec2 a, Vec2 b,
                    const View& view, const std::string& past, std::vector<Finding>& out) {
  Finding f = findingOf(rule, askedOf(rule, s.job), {p.id.value});
  f.measured = amount;
  f.at = {a, b};
  f.view = view;
  decide(f, s.scheme);
  f.sentence = s.names.the(p.id, true) + " reaches " + writeLength(amount, s.format) + " past " + past + ".";
  out.push_back(std::move(f));
}

/// Nearest point of the outline to p.
Vec2 nearestOnOutline(const Polygon& outline, Vec2 p) {
  Vec2 best = outline.front();
  for (std::size_t i = 0; i < outline.size(); ++i) {
    const Vec2 q = nearestOnSegment(p, edgeStart(outline, i), edgeEnd(outline, i));
    if (distance(p, q) < distance(p, best)) best = q;
  }
  return best;
}

/// Lights under one ceiling: those whose bodies meet in the plan and in height.
void evaluateLightsOverlap(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  const std::vector<Fixture>& all = s.fixtures();
  for (std::size_t i = 0; i < all.size(); ++i)
    for (std::size_t j = i + 1; j < all.size(); ++j) {
      if (!all[i].onCeiling() || !all[j].onCeiling()) continue;
      if (!all[i].recessed() && !all[j].recessed() &&
          (all[i].underside >= all[j].top - kTouch || all[j].underside >= all[i].top - kTouch))
        continue;
      const Separation gap = separation(all[i].body, all[j].body);
      if (gap.gap < -kTouch)
        overlapFinding(s, rule, {all[i].id().value, all[j].id().value}, gap.gap, gap.a, gap.b, kCeilingView,
                       s.names.the(all[i].id(), true), s.names.the(all[j].id()), out);
    }
}

void evaluateOverlap(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  for (const Gap& gap : gapsIn(s.bodies(), s.room, 0.0)) {
    if (gap.length >= -kTouch) continue;
    const PlacementId a(gap.a), b(gap.b);
    if (const Placement* other = findPlacement(s.scheme, b)) {
      if (gap.length >= -tucksUnder(s.pieces.of(*findPlacement(s.scheme, a)), s.pieces.of(*other)) - kTouch) continue;
      overlapFinding(s, rule, {gap.a, gap.b}, gap.length, gap.atA, gap.atB, View{}, s.names.the(a, true),
                     s.names.the(b), out);
      continue;
    }
    if (!featureWords(s.room, gap.b).empty() && !isRug(s.pieces.of(*findPlacement(s.scheme, a)).kind))
      overlapFinding(s, rule, {gap.a, gap.b}, gap.length, gap.atA, gap.atB, View{}, s.names.the(a, true),
                     "the " + featureWords(s.room, gap.b), out);
  }
  evaluateLightsOverlap(s, rule, out);
  // Pictures on one wall.
  for (std::size_t i = 0; i < s.scheme.placements.size(); ++i) {
    const Placement& p = s.scheme.placements[i];
    const auto* on = onWall(p.on);
    if (on == nullptr) continue;
    const WallRect a = wallRectOf(s.pieces.of(p), *on);
    for (const Opening& o : s.room.openings) {
      if (o.wall != on->wall) continue;
      const double right = findWall(s.room, o.wall)->length() - o.offset;
      const WallRect hole{right - o.width, right, o.sill, o.head()};
      if (const double depth = overlapOf(a, hole); depth > kTouch)
        overlapFinding(s, rule, {p.id.value, o.id.value}, -depth, {on->u, on->v},
                       {(hole.left + hole.right) / 2, hole.centreHeight()}, View{on->wall}, s.names.the(p.id, true),
                       "the " + openingName(s.room, o), out);
    }
    for (std::size_t j = i + 1; j < s.scheme.placements.size(); ++j) {
      const Placement& q = s.scheme.placements[j];
      const auto* other = onWall(q.on);
      if (other == nullptr || other->wall != on->wall) continue;
      const WallRect b = wallRectOf(s.pieces.of(q), *other);
      if (const double depth = overlapOf(a, b); depth > kTouch)
        overlapFinding(s, rule, {p.id.value, q.id.value}, -depth, {on->u, on->v}, {other->u, other->v}, View{on->wall},
                       s.names.the(p.id, true), s.names.the(q.id), out);
    }
  }
}

void evaluateOutsideRoom(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  const Polygon outline = outlineOf(s.room);
  for (const Placement& p : s.scheme.placements) {
    const Piece& piece = s.pieces.of(p);
    if (const auto* floor = onFloor(p.on)) {
      const double reach = reachOutside(footprint(piece, *floor), outline);
      if (reach > kTouch)
        outsideFinding(s, rule, p, reach, floor->at, nearestOnOutline(outline, floor->at), View{}, "the walls", out);
    } else if (const auto* up = onCeiling(p.on)) {
      const double reach = reachOutside(footprint(piece, {up->at, up->turn}), outline);
      if (reach > kTouch)
        outsideFinding(s, rule, p, reach, up->at, nearestOnOutline(outline, up->at), kCeilingView, "the walls", out);
      else if (const double under = up->drop - s.heights().clearAt(up->at); under > kTouch)
        outsideFinding(s, rule, p, under, up->at, up->at, kCeilingView, "the floor", out);
    } else if (const auto* leans = leaning(p.on)) {
      const auto wall = findWall(s.room, leans->wall);
      const WallRect r = leaningRectOf(piece, *leans);
      const double side = std::max(-r.left, r.right - wall->length()),
                   above = r.top - s.heights().clearAt(inFrontOf(*wall, std::clamp(leans->u, 0.0, wall->length())));
      const Vec2 at{leans->u, r.centreHeight()};
      if (std::max(side, above) > kTouch)
        outsideFinding(s, rule, p, std::max(side, above), at, at, View{leans->wall},
                       side >= above ? "the end of wall " + leans->wall.value : "the ceiling", out);
    } else if (const auto* hung = onWall(p.on)) {
      const auto wall = findWall(s.room, hung->wall);
      const WallRect r = wallRectOf(piece, *hung);
      const auto clear = [&](double u) {
        const Vec2 here = inFrontOf(*wall, std::clamp(u, 0.0, wall->length()));
        return std::max(s.heights().floorAt(here) - r.bottom, r.top - s.heights().ceilingAt(here));
      };
      const double side = std::max(-r.left, r.right - wall->length()),
                   upright = std::max(clear(r.left), clear(r.right));
      const double reach = std::max(side, upright);
      if (reach > kTouch)
        outsideFinding(s, rule, p, reach, {hung->u, hung->v}, {hung->u, hung->v}, View{hung->wall},
                       side >= upright ? "the end of wall " + hung->wall.value
                       : r.bottom < s.heights().floorAt(inFrontOf(*wall, hung->u)) ? "the floor"
                                                                                   : "the ceiling",
                       out);
    }
  }
}

void evaluatePieceCount(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  std::unordered_map<const Piece*, int> placed;
  for (const Placement& p : s.scheme.placements) ++placed[&s.pieces.of(p)];
  for (const auto& [counted, count] : placed) {
    const Piece& piece = *counted;
    if (count <= piece.count) continue;
    Asked asked;
    asked.tolerated.high = piece.count;
    Finding f = findingOf(rule, asked, {piece.id.value});
    f.measured = count;
    decide(f, s.scheme);
    f.sentence = "The " + midSentence(piece.name) + " stands " + std::to_string(count) +
                 " times in this scheme; there " +
                 (piece.count == 1 ? "is 1." : "are " + std::to_string(piece.count) + ".");
    out.push_back(std::move(f));
  }
}

// ---- ways out

void partOverlap(Proposals& ways) {
  if (!ways.target.view.isPlan()) return;
  const Vec2 apart = ways.target.at[0] - ways.target.at[1];  // witness points lie |gap| apart along the least push
  for (std::size_t i = 0; i < 2; ++i) {
    const Placement* p = findPlacement(ways.scheme, PlacementId(ways.target.subjects[i]));
    if (p == nullptr) continue;
    // Either direction may part them, depending on who is first; the re-check decides.
    ways.moveFloor(*p, apart);
    ways.moveFloor(*p, -apart);
  }
}

void bringInside(Proposals& ways) {
  if (!ways.target.view.isPlan()) return;
  const Placement* p = findPlacement(ways.scheme, PlacementId(ways.target.subjects[0]));
  const auto* place = p != nullptr ? onFloor(p->on) : nullptr;
  if (place == nullptr) return;
  const Parts parts = footprint(pieceOf(ways.job, *p), *place);
  for (const Wall& wall : wallsOf(roomOf(ways.job, ways.scheme))) {
    double behind = 0;
    for (const Convex& body : parts)
      for (const Vec2 q : body.core) behind = std::max(behind, body.radius - dot(q - wall.start, wall.inward()));
    if (behind > kTouch) ways.moveFloor(*p, wall.inward() * behind);
  }
}

constexpr RuleRow kPlacingRows[] = {
    {"overlap", evaluateOverlap, partOverlap, shows::kNoRange | shows::kFindsFaults | shows::kBounds},
    {"outside-room", evaluateOutsideRoom, bringInside, shows::kNoRange | shows::kFindsFaults | shows::kBounds},
    {"piece-count", evaluatePieceCount, nullptr, shows::kFindsFaults},
};

}  // namespace

RuleRows placingRules() { return kPlacingRows; }

}  // namespace mezzet
