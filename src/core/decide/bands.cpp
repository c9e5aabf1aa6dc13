#include "core/decide/bands.h"

#include "core/decide/light_bands.h"

#include <algorithm>

#include "core/space/bodies.h"
#include "core/model/kinds.h"
#include "core/site/stair_wall.h"
#include "core/rules/art/art_case.h"
#include "core/rules/art/rules.h"
#include "core/rules/seating/rules.h"

namespace mezzet {
namespace {

/// The strip between `low` and `high` before the line left-right.
Polygon strip(Vec2 left, Vec2 right, Vec2 outward, double low, double high) {
  return {left + outward * low, right + outward * low, right + outward * high, left + outward * high};
}

/// Bands further than this from the thing in the hand say nothing about it [D].
constexpr double kBandReach = 3000;

void floorBands(const Job& job, const Scheme& scheme, const Rule& rule, const Placement& held, LengthFormat format,
                std::vector<Band>& out) {
  const Asked asked = askedOf(rule, job);
  if (!asked.tolerated.low || !asked.tolerated.high) return;
  const double low = *asked.tolerated.low, high = *asked.tolerated.high;
  const Piece& piece = pieceOf(job, held);
  const FloorPlace& place = floorPlace(held.on);
  const std::string label = "reach " + rangeWords(asked.tolerated, format);
  for (const Placement& p : scheme.placements) {
    const auto* other = onFloor(p.on);
    if (other == nullptr || p.id == held.id || distance(other->at, place.at) > kBandReach) continue;
    const Piece& otherPiece = pieceOf(job, p);
    if (isLowTable(piece.kind) && isSeat(otherPiece.kind)) {
      for (const FrontEdge& front : seatFronts(otherPiece, *other))
        out.push_back({rule.id, View{}, strip(front.left, front.right, front.outward, low, high), label});
    }
    if (isSeat(piece.kind) && isLowTable(otherPiece.kind)) {
      // Against the seat's front direction, before the table's nearest line; as wide as the table.
      const Vec2 back = -seatFront(piece, place).outward, t = leftOf(back);
      const Parts tables = footprint(otherPiece, *other);
      double near = -HUGE_VAL, lowT = HUGE_VAL, highT = -HUGE_VAL;
      for (const Convex& table : tables)
        for (const Vec2 q : table.core) {
          near = std::max(near, dot(q, back) + table.radius);
          lowT = std::min(lowT, dot(q, t) - table.radius);
          highT = std::max(highT, dot(q, t) + table.radius);
        }
      out.push_back({rule.id, View{}, strip(back * near + t * lowT, back * near + t * highT, back, low, high), label});
    }
  }
}

/// Between two places along the wall. `left` and `right`: of the floor there, which a height above the floor follows; 0
/// for one above the datum.
Band acrossWall(const std::string& rule, const CornerId& wall, std::pair<double, double> along, const Range& centre,
                double ceiling, std::string label, std::string beside, double left = 0, double right = 0) {
  const double low = std::clamp(centre.low.value_or(0), 0.0, ceiling),
               high = std::clamp(centre.high.value_or(ceiling), 0.0, ceiling);
  return {rule,
          View{wall},
          {{along.first, low + left},
           {along.second, low + right},
           {along.second, high + right},
           {along.first, high + left}},
          std::move(label),
          std::move(beside)};
}

}  // namespace

std::vector<Band> bandsOf(const Job& job, const Rulebook& book, const SchemeId& id, const PlacementId& placement,
                          LengthFormat format) {
  std::vector<Band> out;
  const Scheme* scheme = findScheme(job, id);
  const Placement* held = scheme != nullptr ? findPlacement(*scheme, placement) : nullptr;
  if (held == nullptr) return out;
  if (onFloor(held->on) != nullptr) {
    if (const Rule* rule = findRule(book, std::string(kTableReach)))
      floorBands(job, *scheme, *rule, *held, format, out);
    return out;
  }
  if (mountOf(pieceOf(job, *held))) return lightBands(job, book, *scheme, *held, format);
  const auto* hung = onWall(held->on);
  if (hung == nullptr) return out;
  const Room& room = roomOf(job, *scheme);
  const Wall wall = *findWall(room, hung->wall);
  const Piece& piece = pieceOf(job, *held);
  const double length = wall.length();
  const RoomHeights heights = heightsOf(room);
  const auto envelope = hungWith(job, *scheme, placement);
  if (!envelope) return out;
  LengthFormat bare = format;
  bare.withUnit = false;
  const auto below = belowOf(job, room, *scheme, *envelope);
  const ArtAsks asks = artAsks(job, PieceIndex(job), room, *scheme, *envelope, below);
  const Rule* centre = findRule(book, std::string(kArtCentre));
  const Rule* gap = findRule(book, std::string(kArtGap));
  if (centre != nullptr && asks.centre)
    if (const Asked asked = askedOf(*centre, job, piece); asked.missing.empty()) {
      // Over a flight it climbs with the treads.
      const std::vector<StairWall> flights = stairsAlong(room, heights, wall);
      const StairWall* flight = flightAt(flights, hung->u);
      const auto [left, right] = flight != nullptr ? flight->span() : std::pair(0.0, length);
      const auto floor = [&](double u) {
        return flight != nullptr ? flight->walking(u) : heights.floorAt(onWall(wall, u));
      };
      out.push_back(acrossWall(centre->id, hung->wall, {left, right}, asked.tolerated, room.ceilingHeight,
                               "centre by height, " + rangeWords(asked.tolerated, format),
                               "height " + rangeWords(asked.tolerated, bare), floor(left), floor(right)));
    }
  if (gap != nullptr && asks.gap && below->top)
    if (const Asked asked = askedOf(*gap, job, piece, asks.gapCases); asked.missing.empty()) {
      const ArtSolution bands = solveArt({{}, asked.tolerated, *below->top, envelope->envelope.height()});
      const std::string name = thingWords(SchemeNames(job, *scheme), room, below->id);
      out.push_back(acrossWall(gap->id, hung->wall, {0, length}, bands.gapBand, room.ceilingHeight,
                               "centre by gap over " + name + ", " + rangeWords(asked.tolerated, format),
                               "gap " + rangeWords(asked.tolerated, bare)));
    }
  return out;
}

}  // namespace mezzet
