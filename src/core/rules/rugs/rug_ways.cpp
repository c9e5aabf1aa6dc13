// Rugs where people walk: corners and edges in a route, piles on ways and stairs, loops and claws.
#include <algorithm>
#include <cmath>
#include <limits>

#include "core/base/sentence.h"
#include "core/edit/edits.h"
#include "core/model/kinds.h"
#include "core/rules/base/way_words.h"
#include "core/rules/rugs/rules.h"
#include "core/rugs/door_routes.h"
#include "core/rugs/lying.h"

namespace mezzet {
namespace {

/// How far a rug's own size may shift one of its corners.
double doubtOfCorner(const Rug& rug) {
  return std::hypot(doubtOf(*rug.piece, "width"), doubtOf(*rug.piece, "depth")) / 2;
}

void evaluateRugCorner(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  const std::vector<Rug> rugs = rugsIn(s.pieces, s.scheme);
  if (rugs.empty()) return;
  const std::vector<DoorRoute> routes = doorRoutes(s);
  for (const Rug& rug : rugs) {
    if (rug.placement->taped) continue;
    const std::vector<Vec2> corners = cornersOf(rug);
    for (const DoorRoute& route : routes) {
      if (std::none_of(corners.begin(), corners.end(), [&](Vec2 c) { return route.passesNear(c); })) continue;
      if (s.routes != nullptr && route.line.empty()) continue;  // no way leads there
      Finding f = findingOf(rule, askedOf(rule, s.job, *rug.piece), {rug.placement->id.value, route.to});
      if (s.routes == nullptr) f.missing.push_back("route");
      f.measured = std::numeric_limits<double>::max();
      for (const Vec2 corner : corners)
        if (const auto off = offRoute(corner, route); off && off->distance < f.measured) {
          f.measured = off->distance;
          f.at = {corner, off->onRoute};
        }
      if (!f.missing.empty()) f.measured = 0;
      f.u95 = doubtOfCorner(rug);
      decide(f, s.scheme);
      const std::string way = "the way to " + thingWords(s, route.to), name = s.names.the(rug.placement->id);
      f.sentence =
          !f.missing.empty()    ? "Whether a corner of " + name + " lies in " + way + " has not been worked out yet."
          : f.measured < kTouch ? "A corner of " + name + " lies right in " + way + ": feet catch on it."
                                : "A corner of " + name + " lies " + writeLength(f.measured, s.format) +
                                      " from the line of " + way + (f.margin < 0 ? ": feet catch on it." : ".");
      out.push_back(std::move(f));
    }
  }
}

void evaluateRugEdge(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  const std::vector<Rug> rugs = rugsIn(s.pieces, s.scheme);
  if (rugs.empty()) return;
  const std::vector<DoorRoute> routes = doorRoutes(s);
  for (const Rug& rug : rugs) {
    if (rug.placement->taped) continue;
    for (const DoorRoute& route : routes) {
      const bool near = std::any_of(route.doors.begin(), route.doors.end(), [&](const Convex& door) {
        return separation(rug.body, Parts{door}).gap < kNearDoor;
      });
      const auto crossing = leastCrossing(rug, route);
      if (!near || (s.routes != nullptr && !crossing)) continue;
      Finding f = findingOf(rule, askedOf(rule, s.job, *rug.piece), {rug.placement->id.value, route.to});
      if (s.routes == nullptr) f.missing.push_back("route");
      if (crossing) {
        f.measured = crossing->angle;
        f.at = {crossing->at - crossing->along * (6 * kInch), crossing->at + crossing->along * (6 * kInch)};
      }
      decide(f, s.scheme);
      const std::string way = "the way to " + thingWords(s, route.to), name = s.names.the(rug.placement->id);
      f.sentence = !f.missing.empty() ? "How " + way + " crosses the edge of " + name + " has not been worked out yet."
                                      : capital(way) + " crosses the edge of " + name + " at " +
                                            std::to_string(std::lround(f.measured)) + " degrees" +
                                            (f.margin < 0 ? ": one walks along it, and trips." : ".");
      out.push_back(std::move(f));
    }
  }
}

/// The pile, or the whole thickness where that holds as well; absent where what is known does not tell.
std::optional<double> pileOf(const Piece& rug, const Range& asked) {
  if (rug.rug->pile) return rug.rug->pile;
  return rug.height && asked.high && *rug.height <= *asked.high + 0.01 ? rug.height : std::nullopt;
}

void evaluateRugPile(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  const std::vector<Rug> rugs = rugsIn(s.pieces, s.scheme);
  if (rugs.empty()) return;
  const std::vector<DoorRoute> routes = doorRoutes(s);
  for (const Rug& rug : rugs) {
    const bool onWay =
        std::any_of(routes.begin(), routes.end(), [&](const DoorRoute& r) { return crosses(rug, r.line); });
    if (s.routes != nullptr ? !onWay : routes.empty()) continue;
    Finding f = findingOf(rule, askedOf(rule, s.job, *rug.piece), {rug.placement->id.value});
    if (s.job.brief.access) f.weight = Weight::Must;
    const auto pile = pileOf(*rug.piece, f.asked);
    if (s.routes == nullptr) f.missing.push_back("route");
    if (!pile) f.missing.push_back(rug.piece->id.value + ".pile");
    f.measured = pile.value_or(0);
    f.at = {rug.place().at, rug.place().at};
    decide(f, s.scheme);
    const std::string name = s.names.the(rug.placement->id, true);
    f.sentence = s.routes == nullptr
                     ? "Whether one walks over " + s.names.the(rug.placement->id) + " has not been worked out yet."
                 : !pile ? name + " lies in a way, and the height of its pile is not known."
                         : name + " lies in a way, " + (rug.piece->rug->pile ? "its pile " : "with its pile ") +
                               writeLength(*pile, s.format) + (rug.piece->rug->pile ? " high" : " thick") +
                               (f.margin < 0 ? ", too deep to roll or walk over." : ".");
    out.push_back(std::move(f));
  }
}

void evaluateStairPile(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  for (const Rug& rug : rugsIn(s.pieces, s.scheme))
    for (const Feature& feature : s.room.features) {
      if (!feature.stair || separation(rug.body, convexParts(feature.outline)).gap >= -kTouch) continue;
      Finding f = findingOf(rule, askedOf(rule, s.job, *rug.piece), {rug.placement->id.value, feature.id.value});
      const auto pile = pileOf(*rug.piece, f.asked);
      const auto made = rug.piece->rug->construction;
      const bool opens = made && *made != Construction::Loop && *made != Construction::Flat;
      if (!pile) f.missing.push_back(rug.piece->id.value + ".pile");
      if (!made) f.missing.push_back(rug.piece->id.value + ".construction");
      if (opens) f.asked.high = 0;  // of a cut pile no height will do
      f.measured = pile.value_or(0);
      f.at = {rug.place().at, rug.place().at};
      decide(f, s.scheme);
      if (opens) f.marginMm = std::nullopt;
      const std::string name = s.names.the(rug.placement->id, true);
      f.sentence = !f.missing.empty() ? name + " lies on the stair; its pile and how it is made decide whether it may."
                   : opens
                       ? name + " lies on the stair, and a cut pile opens over the nosing: take a loop or a flat weave."
                       : name + " lies on the stair, its pile " + writeLength(*pile, s.format) + " high" +
                             (f.margin < 0 ? ": too deep for the nosing." : ".");
      out.push_back(std::move(f));
    }
}

void evaluateLoopPets(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  if (!s.job.brief.pets) return;
  for (const Rug& rug : rugsIn(s.pieces, s.scheme)) {
    if (!rug.piece->rug->construction) continue;
    Finding f = findingOf(rule, askedOf(rule, s.job, *rug.piece), {rug.placement->id.value});
    f.measured = *rug.piece->rug->construction == Construction::Loop ? 0 : 1;
    f.at = {rug.place().at, rug.place().at};
    decide(f, s.scheme);
    f.sentence = s.names.the(rug.placement->id, true) +
                 (f.measured > 0 ? " has no loops for claws to catch in." : " is a loop pile, and claws catch in it.");
    out.push_back(std::move(f));
  }
}

// ---- ways out

const Placement* rugOf(const Proposals& ways) {
  for (const std::string& id : ways.target.subjects)
    if (const Placement* p = ways.placement(id); p != nullptr && isRug(pieceOf(ways.job, *p).kind)) return p;
  return nullptr;
}
void tapeDown(Proposals& ways) {
  if (const Placement* rug = rugOf(ways))
    ways.offer("tape:" + rug->id.value, "Tape the edges of " + ways.name(*rug) + " down, over a pad",
               "nothing is left to catch a foot", withTaped(ways.job, ways.scheme.id, rug->id, true));
}
void cornerOut(Proposals& ways) {
  const Placement* rug = rugOf(ways);
  if (rug != nullptr && !rug->locked && ways.target.measured > 0)
    ways.moveFloor(*rug, unit(ways.target.at[0] - ways.target.at[1]) * -ways.target.margin);
  tapeDown(ways);
}

constexpr RuleRow kRugWaysRows[] = {
    {kRugCorner, evaluateRugCorner, cornerOut, shows::kWays | shows::kFindsFaults},
    {"rug-edge", evaluateRugEdge, tapeDown, shows::kWays | shows::kFindsFaults},
    {"rug-pile", evaluateRugPile, nullptr, shows::kWays | shows::kFindsFaults},
    {"stair-pile", evaluateStairPile, nullptr, shows::kFindsFaults},
    {"rug-loop-pets", evaluateLoopPets, nullptr, shows::kNoRange},
};

}  // namespace

RuleRows rugWayRules() { return kRugWaysRows; }

}  // namespace mezzet
