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

void evaluateStorageOpen(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  for (const Placement& p : s.scheme.placements) {
    const auto* place = onFloor(p.on);
    const Piece& piece = s.pieces.of(p);
    if (place == nullptr || !isStorage(piece.kind) || opensBy(piece) <= 0) continue;
    // Its front slid forward until something stops it.
    const FrontEdge face = seatFront(piece, *place);
    const Convex front{{face.left, face.right}, 0};
    double clear = std::numeric_limits<double>::infinity();
    std::string hit;
    const auto offer = [&](const Body& body) {
      for (const Convex& part : body.parts)
        if (const auto length = slideUntilTouch(front, part, face.outward, kTouch); length && *length < clear) {
          clear = std::max(0.0, *length);
          hit = body.id;
        }
    };
    for (const Body& body : s.fixed()) offer(body);
    for (const Body& body : s.bodies())
      if (!body.flat && body.id != p.id.value) offer(body);
    if (!std::isfinite(clear)) continue;
    const double needs = opensBy(piece) + kStandingRoom;
    const Vec2 middle = midpoint(face.left, face.right);
    Finding f = findingOf(rule, askedOf(rule, s.job, piece), {p.id.value});
    f.measured = clear - needs;
    f.at = {middle + face.outward * needs, middle + face.outward * clear};
    f.between = {p.id.value, hit};
    f.u95 = std::hypot(doubtAlong(piece, *place, face.outward), doubtOfThing(s, hit, face.outward));
    decide(f, s.scheme);
    f.sentence = s.names.the(p.id, true) + " opens by " + writeLength(opensBy(piece), s.format) +
                 "; with room to stand before it " +
                 (f.margin < 0 ? writeLength(-f.measured, s.format) + " are missing, as far as "
                               : writeLength(f.measured, s.format) + " are left before ") +
                 thingWords(s, hit) + ".";
    out.push_back(std::move(f));
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

constexpr RuleRow kRows[] = {
    {"storage-open", evaluateStorageOpen, [](Proposals& ways) { ways.moveClear(); }},
    {"heater-clear", evaluateHeaterClear, [](Proposals& ways) { ways.moveClear(); }, shows::kFindsFaults},
};

}  // namespace

RuleRows clearanceRules() { return kRows; }

}  // namespace mezzet
