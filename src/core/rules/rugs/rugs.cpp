// Rugs under the furniture, along the walls and below doors.
#include <algorithm>
#include <cmath>
#include <limits>

#include "core/space/swing.h"
#include "core/space/tapes.h"
#include "core/model/kinds.h"
#include "core/edit/validate.h"
#include "core/rules/base/check.h"

namespace mezzet {
namespace {

struct Rug {
  const Placement* placement;
  Parts body;
};

std::vector<Rug> rugsIn(const Situation& s) {
  std::vector<Rug> rugs;
  for (const Placement& p : s.scheme.placements)
    if (const auto* place = onFloor(p.on); place != nullptr && isRug(s.pieces.of(p).kind))
      rugs.push_back({&p, footprint(s.pieces.of(p), *place)});
  return rugs;
}

/// A dining table's rug is judged by its chairs, not by the seats of the talk group.
bool liesUnderDining(const Situation& s, const Rug& rug) {
  return std::any_of(s.scheme.placements.begin(), s.scheme.placements.end(), [&](const Placement& p) {
    const auto* place = onFloor(p.on);
    return place != nullptr && isDiningTable(s.pieces.of(p).kind) && covers(rug.body, place->at);
  });
}

/// How far a point is off the rug; 0 on it.
double offRug(const Rug& rug, Vec2 foot) { return std::max(0.0, separation(rug.body, Parts{Convex{{foot}, 0}}).gap); }

struct Feet {
  const Rug* rug = nullptr;
  int onFront = 0, on = 0;
  double frontOff = std::numeric_limits<double>::infinity();  ///< of the front foot furthest off
  Vec2 foot;
  [[nodiscard]] int rank() const { return on == 4 ? 2 : onFront == 2 ? 1 : 0; }
};

Feet feetOn(const Rug& rug, const std::vector<Vec2>& feet) {
  Feet f{&rug, 0, 0, 0, feet.front()};
  for (std::size_t i = 0; i < feet.size(); ++i) {
    const double off = offRug(rug, feet[i]);
    const bool here = off < kTouch;
    f.on += here;
    if (i > 1) continue;
    f.onFront += here;
    if (off >= f.frontOff) {
      f.frontOff = off;
      f.foot = feet[i];
    }
  }
  return f;
}

}  // namespace

void evaluateRugFeet(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  std::vector<Rug> rugs = rugsIn(s);
  std::erase_if(rugs, [&](const Rug& rug) { return liesUnderDining(s, rug); });
  if (rugs.empty()) return;
  for (const Placement& p : s.scheme.placements) {
    const auto* place = onFloor(p.on);
    const Piece& piece = s.pieces.of(p);
    if (place == nullptr || !(isSeat(piece.kind) || isLowTable(piece.kind))) continue;
    const std::vector<Vec2> feet = feetOf(piece, *place);
    Feet best;
    for (const Rug& rug : rugs) {
      const Feet f = feetOn(rug, feet);
      if (best.rug == nullptr || std::pair(-f.rank(), f.frontOff) < std::pair(-best.rank(), best.frontOff)) best = f;
    }
    Finding f = findingOf(rule, askedOf(rule, s.job, piece), {p.id.value, best.rug->placement->id.value});
    f.measured = best.rank();
    const Separation sep = separation(best.rug->body, Parts{Convex{{best.foot}, 0}});
    f.at = {sep.b, sep.a};
    decide(f, s.scheme);
    if (best.rank() == 0) f.marginMm = -best.frontOff;
    const std::string rug = s.names.the(best.rug->placement->id), name = s.names.the(p.id);
    if (best.rank() == 2) f.sentence = "All feet of " + name + " stand on " + rug + ".";
    else if (best.rank() == 1) f.sentence = "The front feet of " + name + " stand on " + rug + ".";
    else
      f.sentence = "The front feet of " + name + " stand " + writeLength(best.frontOff, s.format) + " off " + rug +
                   ", which looks like a bath mat.";
    out.push_back(std::move(f));
  }
}

void evaluateRugBorder(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  for (const Rug& rug : rugsIn(s)) {
    const Piece& piece = s.pieces.of(*rug.placement);
    const FloorPlace& place = floorPlace(rug.placement->on);
    std::vector<Tape> tapes;
    for (const Tape& tape : tapesOf(s.job, s.scheme, rug.placement->id))
      if (tape.hits.starts_with("wall:")) tapes.push_back(tape);
    for (const Tape& tape : tapes) {
      Finding f = findingOf(rule, askedOf(rule, s.job, piece), {rug.placement->id.value, tape.hits});
      // Two sides of a turned rug can meet one wall: the nearer decides.
      const auto same = std::find_if(out.begin(), out.end(), [&](const Finding& other) { return other.id == f.id; });
      if (same != out.end() && same->measured <= tape.length) continue;
      f.measured = tape.length;
      f.at = {tape.from, tape.to};
      f.u95 = doubtAlong(piece, place, tape.along);
      decide(f, s.scheme);
      f.sentence = std::string(f.measured < 0 ? "It lies " : "There are ") +
                   writeLength(std::abs(f.measured), s.format) +
                   (f.measured < 0 ? " under wall "
                                   : " of bare floor between " + s.names.the(rug.placement->id) + " and wall ") +
                   tape.hits.substr(5);
      for (const Tape& opposite : tapes)
        if (dot(opposite.along, tape.along) < -0.99 && std::abs(opposite.length - tape.length) > kInch)
          f.sentence += "; opposite it is " + writeLength(opposite.length, s.format);
      f.sentence += ".";
      if (same != out.end()) *same = std::move(f);
      else out.push_back(std::move(f));
    }
  }
}

void evaluateDoorRug(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  for (const Rug& rug : rugsIn(s))
    for (const Opening& o : s.room.openings) {
      const auto sweep = sweepOf(s.room, o);
      if (!sweep) continue;
      const Separation sep = clearOfSweep(rug.body, *sweep);
      if (sep.gap > -kTouch) continue;
      const Piece& piece = s.pieces.of(*rug.placement);
      Finding f = findingOf(rule, askedOf(rule, s.job, piece), {o.id.value, rug.placement->id.value});
      if (!piece.height) f.missing.push_back(piece.id.value + ".height");
      f.measured = o.underLeaf - piece.height.value_or(0) - piece.rug->pad.value_or(0);
      f.at = {sep.a, sep.b};
      f.u95 = std::hypot(doubtOf(piece, "height"), doubtOf(piece, "pad"));
      decide(f, s.scheme);
      const std::string name = s.names.the(rug.placement->id);
      const std::string with = piece.rug->pad ? " and its pad" : "";
      if (!piece.height)
        f.sentence = "How thick " + name + " is has not been measured, and " + openingName(o) + " swings over it.";
      else if (f.measured < 0)
        f.sentence = s.names.the(rug.placement->id, true) + with + " stop " + openingName(o) + ": " +
                     writeLength(-f.measured, s.format) + " too thick.";
      else
        f.sentence = "Over " + name + with + " the leaf of " + openingName(o) + " keeps " +
                     writeLength(f.measured, s.format) + ".";
      if (f.measured < 0 && with.empty() && piece.height)
        f.sentence = s.names.the(rug.placement->id, true) + " stops " + openingName(o) + ": it is " +
                     writeLength(-f.measured, s.format) + " too thick for the gap under the leaf.";
      out.push_back(std::move(f));
    }
}

}  // namespace mezzet
