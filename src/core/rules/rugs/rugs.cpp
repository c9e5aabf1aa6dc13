// Rugs under the furniture, along the walls and below doors.
#include <algorithm>
#include <cmath>
#include <limits>

#include "core/rules/rugs/rules.h"
#include "core/rugs/lying.h"
#include "core/space/swing.h"
#include "core/space/tapes.h"
#include "core/model/kinds.h"
#include "core/edit/validate.h"
#include "core/edit/edits.h"
#include "core/rules/base/facts.h"

namespace mezzet {
namespace {

/// A dining table's rug is judged by its chairs, not by the seats of the talk group.
bool liesUnderDining(const Situation& s, const Rug& rug) {
  return std::any_of(s.scheme.placements.begin(), s.scheme.placements.end(), [&](const Placement& p) {
    const auto* place = onFloor(p.on);
    return place != nullptr && isDiningTable(s.pieces.of(p).kind) && covers(rug.body, place->at);
  });
}

void evaluateRugFeet(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  std::vector<Rug> rugs = rugsIn(s.pieces, s.scheme);
  std::erase_if(rugs, [&](const Rug& rug) { return liesUnderDining(s, rug); });
  if (rugs.empty()) return;
  for (const Placement& p : s.scheme.placements) {
    const auto* place = onFloor(p.on);
    const Piece& piece = s.pieces.of(p);
    if (place == nullptr || !(isSeat(piece.kind) || isLowTable(piece.kind))) continue;
    const std::vector<Vec2> feet = feetOf(piece, *place);
    FeetOnRug best;
    for (const Rug& rug : rugs) {
      const FeetOnRug f = feetOn(rug, feet);
      if (best.rug == nullptr || std::pair(-f.rank(), f.frontOff) < std::pair(-best.rank(), best.frontOff)) best = f;
    }
    Finding f = findingOf(rule, askedOf(rule, s.job, piece), {p.id.value, best.rug->placement->id.value});
    f.measured = best.rank();
    const Separation sep = separation(best.rug->body, Parts{Convex{{best.foot}, 0}});
    f.at = {sep.b, sep.a};
    decide(f, s.scheme);
    // How far the front feet stand inside, or off.
    f.marginMm =
        best.rank() == 0 ? -best.frontOff : std::min(insideRug(*best.rug, feet[0]), insideRug(*best.rug, feet[1]));
    const std::string rug = s.names.the(best.rug->placement->id), name = s.names.the(p.id);
    if (best.rank() == 2) f.sentence = "All feet of " + name + " stand on " + rug + ".";
    else if (best.rank() == 1) f.sentence = "The front feet of " + name + " stand on " + rug + ".";
    else
      f.sentence = "The front feet of " + name + " stand " + writeLength(best.frontOff, s.format) + " off " + rug +
                   ", which looks like a bath mat.";
    out.push_back(std::move(f));
  }
}

void evaluateRugChair(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  const std::vector<Rug> rugs = rugsIn(s.pieces, s.scheme);
  if (rugs.empty()) return;
  for (const DiningSeat& seat : s.dining()) {
    const Piece &piece = s.pieces.of(*seat.chair), &table = s.pieces.of(*seat.table);
    if (staysPut(piece.kind)) continue;
    const Rug* rug = rugUnder(rugs, feetOf(table, floorPlace(seat.table->on)));
    if (rug == nullptr) continue;
    Finding f = findingOf(rule, askedOf(rule, s.job, piece), {seat.chair->id.value, rug->placement->id.value});
    f.measured = std::numeric_limits<double>::infinity();
    for (const Vec2 foot : feetOf(piece, pulledOut(s.pieces, seat))) {
      const double inside = insideRug(*rug, foot);
      if (inside >= f.measured) continue;
      f.measured = inside;
      const Separation sep = separation(rug->body, Parts{Convex{{foot}, 0}});
      f.at = {foot, inside < 0 ? sep.a : nearestEdge(*rug, foot)};
    }
    f.u95 = std::hypot(doubtOfThing(s, rug->placement->id.value, seat.back), doubtOf(table, "depth") / 2);
    decide(f, s.scheme);
    const std::string chair = s.names.the(seat.chair->id), under = s.names.the(rug->placement->id);
    f.sentence = f.measured < 0 ? "Pulled out, " + chair + " stands " + writeLength(-f.measured, s.format) + " off " +
                                      under + ", and its legs catch on the edge."
                                : "Pulled out, " + chair + " keeps " + writeLength(f.measured, s.format) + " of " +
                                      under + " behind its feet.";
    out.push_back(std::move(f));
  }
}

void evaluateRugBorder(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  for (const Rug& rug : rugsIn(s.pieces, s.scheme)) {
    const Piece& piece = s.pieces.of(*rug.placement);
    const FloorPlace& place = floorPlace(rug.placement->on);
    std::vector<Tape> tapes;
    for (const Tape& tape : tapesOf(s.job, s.scheme, rug.placement->id))
      if (tape.hits.of == Thing::Of::Wall) tapes.push_back(tape);
    for (const Tape& tape : tapes) {
      Finding f =
          findingOf(rule, askedOf(rule, s.job, piece), {rug.placement->id.value, wallKey(CornerId(tape.hits.id))});
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
                   tape.hits.id;
      for (const Tape& opposite : tapes)
        if (dot(opposite.along, tape.along) < -0.99 && std::abs(opposite.length - tape.length) > kInch)
          f.sentence += "; opposite it is " + writeLength(opposite.length, s.format);
      f.sentence += ".";
      if (same != out.end()) *same = std::move(f);
      else out.push_back(std::move(f));
    }
  }
}

// ---- ways out

/// The smallest rug that is sold, lies as this one does, and cures it.
void largerRug(Proposals& ways, const Placement& rug, const std::string& gives) {
  const Piece& now = pieceOf(ways.job, rug);
  if (now.shape != Shape::Rect || isCut(now)) return;
  for (const StockRug& size : ways.book.rugs.stock(ways.job.units)) {
    if (size.round) continue;
    const bool wide = now.width >= now.depth.value_or(0);
    // The long side the same way round.
    const double sold = wide ? size.longSide : size.shortSide, soldDeep = wide ? size.shortSide : size.longSide;
    const double width = sold - kShortOfTicket, depth = soldDeep - kShortOfTicket;
    if (width < now.width || depth < now.depth.value_or(0) || (width == now.width && depth == now.depth)) continue;
    IdSource ids = ways.ids;
    Piece larger = now;
    larger.variantOf = now.variantOf.value_or(now.id);
    larger.id = ids.take<PieceId>("rug");
    larger.rug.edit().soldWidth = sold;
    larger.rug.edit().soldDepth = soldDeep;
    larger.width = width;
    larger.depth = depth;
    larger.count = 1;
    Result<Job> added = withPiece(ways.job, larger);
    if (!added) return;
    if (ways.offer("larger-rug", "Take a rug sold as " + ways.length(sold) + " x " + ways.length(soldDeep), gives,
                   repointed(added.value(), ways.scheme.id, rug.id, larger.id), ids))
      return;
  }
}

void ontoRug(Proposals& ways) {
  const Placement* rug = nullptr;
  const Placement* piece = nullptr;
  for (const std::string& id : ways.target.subjects)
    if (const Placement* p = findPlacement(ways.scheme, PlacementId(id)))
      (isRug(pieceOf(ways.job, *p).kind) ? rug : piece) = p;
  if (rug == nullptr || piece == nullptr || !ways.target.marginMm) return;
  ways.moveFloor(*piece, unit(ways.target.at[1] - ways.target.at[0]) * -*ways.target.marginMm);
  largerRug(ways, *rug, "its feet stand on it");
}

void underChairs(Proposals& ways) {
  for (const std::string& id : ways.target.subjects)
    if (const Placement* p = findPlacement(ways.scheme, PlacementId(id)); p != nullptr && !p->locked)
      if (isRug(pieceOf(ways.job, *p).kind)) {
        // Towards the chair that is off it, as far as the others bear.
        ways.moveFloor(*p, unit(ways.target.at[0] - ways.target.at[1]) * -ways.target.margin);
        largerRug(ways, *p, "every chair pulls out on it");
      }
}

constexpr RuleRow kRugsRows[] = {
    {"rug-feet", evaluateRugFeet, ontoRug},
    {"rug-chair", evaluateRugChair, underChairs},
    {"rug-border", evaluateRugBorder},
};

}  // namespace

RuleRows rugRules() { return kRugsRows; }

}  // namespace mezzet
