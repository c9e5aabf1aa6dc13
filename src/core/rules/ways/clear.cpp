// What must stay clear: before drawers and leaves, round fires and heaters.
#include <algorithm>
#include <cmath>
#include <limits>

#include "core/rules/ways/rules.h"
#include "core/model/kinds.h"
#include "core/rules/base/facts.h"

namespace mezzet {
namespace {

/// Things further from a fire than this say nothing about it [D].
constexpr double kNearFire = 72 * kInch;

/// What stands before a side of a piece.
Behind before(const Situation& s, const FrontEdge& side, const std::function<bool(const Body&)>& ignored) {
  return firstMet(s, Convex{{side.left, side.right}, 0}, side.outward, ignored);
}

void evaluateStorageOpen(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  for (const Placement& p : s.scheme.placements) {
    const auto* place = onFloor(p.on);
    const Piece& piece = s.pieces.of(p);
    if (place == nullptr || !isStorage(piece.kind) || opensBy(piece) <= 0) continue;
    // Its front slid forward until something stops it.
    const FrontEdge face = seatFront(piece, *place);
    const auto [clear, hit, doubt] = before(s, face, [&](const Body& body) { return body.id == p.id.value; });
    if (!std::isfinite(clear)) continue;
    const double needs = opensBy(piece) + kStandingRoom;
    const Vec2 middle = midpoint(face.left, face.right);
    Finding f = findingOf(rule, askedOf(rule, s.job, piece), {p.id.value});
    f.measured = clear - needs;
    f.at = {middle + face.outward * needs, middle + face.outward * clear};
    f.between = {p.id.value, hit};
    f.u95 = std::hypot(doubtAlong(piece, *place, face.outward), doubt);
    decide(f, s.scheme);
    f.sentence = s.names.the(p.id, true) + " opens by " + writeLength(opensBy(piece), s.format) +
                 "; with room to stand before it " +
                 (f.margin < 0 ? writeLength(-f.measured, s.format) + " are missing, as far as "
                               : writeLength(f.measured, s.format) + " are left before ") +
                 thingWords(s, hit) + ".";
    out.push_back(std::move(f));
  }
}

/// A bed this wide is for two, and both get in on their own side [D].
constexpr double kBedForTwo = 48 * kInch;

void clearFinding(const Situation& s, const Rule& rule, const Placement& p, const FrontEdge& face, const Behind& there,
                  const std::string& words, std::vector<Finding>& out) {
  const Vec2 middle = midpoint(face.left, face.right);
  Finding f = findingOf(rule, askedOf(rule, s.job, s.pieces.of(p)), {p.id.value});
  f.measured = there.clear;
  f.at = {middle, middle + face.outward * there.clear};
  f.between = {p.id.value, there.hit};
  f.u95 = std::hypot(doubtAlong(s.pieces.of(p), floorPlace(p.on), face.outward), there.doubt);
  decide(f, s.scheme);
  f.sentence = words + " there are " + writeLength(there.clear, s.format) + " before " + thingWords(s, there.hit) +
               (f.margin < 0 ? ", " + writeLength(-f.margin, s.format) + " short." : ".");
  out.push_back(std::move(f));
}

void evaluateBedSide(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  for (const Placement& p : s.scheme.placements) {
    const auto* place = onFloor(p.on);
    const Piece& piece = s.pieces.of(p);
    if (place == nullptr || !isBed(piece.kind)) continue;
    const Turn turn = turnOf(place->turn);
    const double w = piece.width / 2, d = piece.depth.value_or(piece.width) / 2;
    const auto at = [&](double x, double y) { return place->at + rotated({x, y}, turn); };
    const FrontEdge sides[] = {{at(w, -d), at(w, d), rotated({1, 0}, turn)},
                               {at(-w, d), at(-w, -d), rotated({-1, 0}, turn)}};
    Behind there[2];
    for (int i = 0; i < 2; ++i) there[i] = before(s, sides[i], [&](const Body& body) { return body.id == p.id.value; });
    const bool both = piece.width >= kBedForTwo - kTouch;
    // Of a bed for two the narrower side, of a narrow one that which it is made from.
    const int judged = (there[0].clear < there[1].clear) == both ? 0 : 1;
    if (std::isfinite(there[judged].clear))
      clearFinding(s, rule, p, sides[judged], there[judged], "Beside " + s.names.the(p.id), out);
  }
}

void evaluateDeskChair(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  for (const Placement& p : s.scheme.placements) {
    const auto* place = onFloor(p.on);
    const Piece& piece = s.pieces.of(p);
    if (place == nullptr || !isSatAt(piece.kind) || isDiningTable(piece.kind)) continue;
    const FrontEdge face = seatFront(piece, *place);
    const Behind there = before(s, face, [&](const Body& body) {
      return body.id == p.id.value ||
             isDiningSeat(s.pieces.of(*s.placement(body.id)).kind);  // its chair is drawn there
    });
    if (std::isfinite(there.clear))
      clearFinding(s, rule, p, face, there, "Behind the chair at " + s.names.the(p.id), out);
  }
}

void evaluateHeaterClear(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  for (const Feature& feature : s.room.features) {
    // A radiator is judged only by what its maker asks; a hearth by our default until then.
    if (feature.kind != FeatureKind::Hearth && !(feature.kind == FeatureKind::Radiator && feature.clear)) continue;
    const Parts parts = convexParts(feature.outline);
    if (parts.empty()) continue;
    for (const Body& body : s.bodies()) {
      if (body.flat) continue;
      const Placement& p = *s.placement(body.id);
      const Piece& piece = s.pieces.of(p);
      if (!isUpholstered(piece.kind) && !isWooden(piece.kind) && !isDiningSeat(piece.kind)) continue;
      const Separation away = separation(body.parts, parts);
      if (away.gap > kNearFire) continue;
      Asked asked = askedOf(rule, s.job, piece);
      if (feature.clear) asked.tolerated.low = *feature.clear;
      Finding f = findingOf(rule, asked, {feature.id.value, body.id});
      f.measured = away.gap;
      f.at = {away.a, away.b};
      f.u95 = doubtOfThing(s, body.id, unit(away.b - away.a));
      decide(f, s.scheme);
      f.sentence = s.names.the(p.id, true) + " stands " + writeLength(std::max(0.0, f.measured), s.format) + " from " +
                   thingWords(s, feature.id.value) +
                   (f.margin < 0 ? ", " + missedBy(-f.margin, s.format) + " nearer than is safe." : ".");
      out.push_back(std::move(f));
    }
  }
}

constexpr RuleRow kClearRows[] = {
    {"bed-side", evaluateBedSide, [](Proposals& ways) { ways.widen(); }},
    {"desk-chair", evaluateDeskChair, [](Proposals& ways) { ways.widen(); }},
    {"storage-open", evaluateStorageOpen, [](Proposals& ways) { ways.moveClear(); }},
    {"heater-clear", evaluateHeaterClear, [](Proposals& ways) { ways.moveClear(); }, shows::kFindsFaults},
};

}  // namespace

RuleRows clearanceRules() { return kClearRows; }

}  // namespace mezzet
