// Doors that must open and windows that must not be stood before.
#include <algorithm>
#include <cmath>

#include "core/rules/placing/rules.h"
#include "core/space/swing.h"
#include "core/model/kinds.h"
#include "core/edit/validate.h"
#include "core/rules/base/facts.h"
#include "core/base/sentence.h"

namespace mezzet {
namespace {

/// Bodies further than this from a leaf's sweep say nothing about it [D].
constexpr double kNearSweep = 1000;
/// What stands within this of a window stands before it [D].
constexpr double kBeforeWindow = 36 * kInch;

void judgeCasements(const Situation&, const Rule&, const Opening&, std::vector<Finding>&);

void evaluateDoorSwing(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  const std::vector<Body> features = featureBodies(s.room);
  for (const Opening& o : s.room.openings) {
    judgeCasements(s, rule, o, out);
    const auto sweep = sweepOf(s.room, o);
    if (!sweep) continue;
    const auto judge = [&](const Body& body, const std::string& name, double doubt, const Asked& asked) {
      const Separation sep = clearOfSweep(body.parts, *sweep);
      if (sep.gap > kNearSweep) return;
      Finding f = findingOf(rule, asked, {o.id.value, body.id});
      f.measured = std::abs(sep.gap) < kTouch ? 0 : sep.gap;
      f.at = {sep.a, sep.b};
      f.u95 = doubt;
      decide(f, s.scheme);
      if (f.measured < 0)
        f.sentence = name + " stands " + writeLength(-f.measured, s.format) + " inside the swing of the " +
                     openingName(s.room, o) + ".";
      else
        f.sentence = "the " + openingName(s.room, o) + " swings clear of " + midSentence(name) + " by " +
                     writeLength(f.measured, s.format) + " and opens to a clear " +
                     writeLength(clearWidth(o), s.format) + ".";
      f.sentence = capital(f.sentence);
      out.push_back(std::move(f));
    };
    for (const Body& body : s.bodies()) {
      if (body.flat) continue;  // a rug under a leaf is another rule's business
      const Placement& p = *s.placement(body.id);
      const Piece& piece = s.pieces.of(p);
      const Vec2 towards = unit(sweep->hinge - floorPlace(p.on).at);
      judge(body, s.names.the(p.id, true), doubtAlong(piece, floorPlace(p.on), towards), askedOf(rule, s.job, piece));
    }
    for (const Body& body : features) judge(body, "The " + featureWords(s.room, body.id), 0, askedOf(rule, s.job));
  }
}

/// What stands higher than the sill in the way of a window's leaves.
void judgeCasements(const Situation& s, const Rule& rule, const Opening& o, std::vector<Finding>& out) {
  const std::vector<Sweep> sweeps = casementSweeps(s.room, o);
  if (sweeps.empty()) return;
  for (const Body& body : s.bodies()) {
    if (body.flat) continue;
    const Placement& p = *s.placement(body.id);
    const Piece& piece = s.pieces.of(p);
    const std::optional<double> top = highestOf(piece);
    if (top && *top <= o.sill) continue;  // the leaves pass over it
    Separation nearest = clearOfSweep(body.parts, sweeps[0]);
    if (const Separation other = clearOfSweep(body.parts, sweeps[1]); other.gap < nearest.gap) nearest = other;
    if (nearest.gap > 0) continue;  // clear of a window's leaf is nothing to speak of
    Finding f = findingOf(rule, askedOf(rule, s.job, piece), {o.id.value, body.id});
    if (!top) f.missing.push_back(piece.id.value + ".height");
    f.measured = std::abs(nearest.gap) < kTouch ? 0 : nearest.gap;
    f.at = {nearest.a, nearest.b};
    decide(f, s.scheme);
    f.sentence = top ? s.names.the(p.id, true) + " stands " + writeLength(-f.measured, s.format) +
                           " inside the sweep of the " + openingName(s.room, o) + ", and is higher than its sill."
                     : "How high " + s.names.the(p.id) + " is has not been measured, and it stands in the sweep of " +
                           "the " + openingName(s.room, o) + ".";
    out.push_back(std::move(f));
  }
}

void evaluateDoorRug(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  for (const Body& rug : s.bodies()) {
    if (!rug.flat) continue;
    const Placement& lying = *s.placement(rug.id);
    for (const Opening& o : s.room.openings) {
      const auto sweep = sweepOf(s.room, o);
      if (!sweep) continue;
      const Separation sep = clearOfSweep(rug.parts, *sweep);
      if (sep.gap > -kTouch) continue;
      const Piece& piece = s.pieces.of(lying);
      Finding f = findingOf(rule, askedOf(rule, s.job, piece), {o.id.value, lying.id.value});
      if (!piece.height) f.missing.push_back(piece.id.value + ".height");
      f.measured = o.underLeaf - piece.height.value_or(0) - piece.rug->pad.value_or(0);
      f.at = {sep.a, sep.b};
      f.u95 = std::hypot(doubtOf(piece, "height"), doubtOf(piece, "pad"));
      decide(f, s.scheme);
      const std::string name = s.names.the(lying.id);
      const std::string with = piece.rug->pad ? " and its pad" : "";
      if (!piece.height)
        f.sentence =
            "How thick " + name + " is has not been measured, and the " + openingName(s.room, o) + " swings over it.";
      else if (f.measured < 0)
        f.sentence = s.names.the(lying.id, true) + with + " stop the " + openingName(s.room, o) + ": " +
                     writeLength(-f.measured, s.format) + " too thick.";
      else
        f.sentence = "Over " + name + with + " the leaf of the " + openingName(s.room, o) + " keeps " +
                     writeLength(f.measured, s.format) + ".";
      if (f.measured < 0 && with.empty() && piece.height)
        f.sentence = s.names.the(lying.id, true) + " stops the " + openingName(s.room, o) + ": it is " +
                     writeLength(-f.measured, s.format) + " too thick for the gap under the leaf.";
      out.push_back(std::move(f));
    }
  }
}

void evaluateWindowBlock(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  for (const Opening& o : s.room.openings) {
    if (o.kind != OpeningKind::Window) continue;
    const auto wall = findWall(s.room, o.wall);
    const Vec2 from = wall->start + wall->along() * o.offset, to = from + wall->along() * o.width,
               depth = wall->inward() * kBeforeWindow;
    const Parts before{Convex{{from, to, to + depth, from + depth}, 0}}, pane{Convex{{from, to}, 0}};
    for (const Body& body : s.bodies()) {
      if (body.flat) continue;
      const Placement& p = *s.placement(body.id);
      const Piece& piece = s.pieces.of(p);
      if (separation(body.parts, before).gap >= -kTouch) continue;
      const Separation nearest = separation(body.parts, pane);
      Finding f = findingOf(rule, askedOf(rule, s.job, piece), {o.id.value, p.id.value});
      // The highest point blocks, whatever one would hang a picture above.
      const std::optional<double> top = highestOf(piece);
      if (!top) f.missing.push_back(piece.id.value + ".height");
      f.measured = o.sill - top.value_or(0);
      f.at = {nearest.a, nearest.b};
      f.u95 = doubtOfTop(piece);
      decide(f, s.scheme);
      const std::string name = s.names.the(p.id);
      if (!top)
        f.sentence =
            "How high " + name + " is has not been measured, and it stands before the " + openingName(s.room, o) + ".";
      else if (f.measured < 0)
        f.sentence = s.names.the(p.id, true) + " stands before the " + openingName(s.room, o) + " and is " +
                     writeLength(-f.measured, s.format) + " higher than its sill.";
      else
        f.sentence = s.names.the(p.id, true) + " stays " + writeLength(f.measured, s.format) + " below the sill of " +
                     "the " + openingName(s.room, o) + ".";
      out.push_back(std::move(f));
    }
  }
}

// ---- ways out

void moveFromWindow(Proposals& ways) {
  const Vec2 wall = leftOf(unit(ways.target.at[0] - ways.target.at[1]));
  for (const std::string& id : ways.target.subjects) {
    const Placement* p = findPlacement(ways.scheme, PlacementId(id));
    const auto* place = p != nullptr ? onFloor(p->on) : nullptr;
    const Opening* window = findOpening(roomOf(ways.job, ways.scheme),
                                        OpeningId(ways.target.subjects[id == ways.target.subjects[0] ? 1 : 0]));
    if (place == nullptr || p->locked || window == nullptr || norm(wall) == 0) continue;
    const auto on = findWall(roomOf(ways.job, ways.scheme), window->wall);
    const Standing s = standingOf(pieceOf(ways.job, *p), p->id, *place, *on);
    const double right = on->length() - window->offset, left = right - window->width;
    // u runs against the wall's direction.
    ways.moveFloor(*p, on->along() * -(right - s.left));
    ways.moveFloor(*p, on->along() * (s.right - left));
  }
}

constexpr RuleRow kOpeningsRows[] = {
    {"door-swing", evaluateDoorSwing, [](Proposals& ways) { ways.moveClearOrAlongWalls(); }, shows::kFindsFaults},
    {kDoorRug, evaluateDoorRug},
    {"window-block", evaluateWindowBlock, moveFromWindow, shows::kFindsFaults},
};

}  // namespace

RuleRows openingRules() { return kOpeningsRows; }

}  // namespace mezzet
