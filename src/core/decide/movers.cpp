#include "core/decide/movers.h"

#include <algorithm>
#include <array>
#include <cmath>

#include "core/decide/other_moves.h"
#include "core/decide/trial.h"
#include "core/edit/edits.h"
#include "core/model/kinds.h"
#include "core/use/dining.h"

namespace mezzet {
namespace {

constexpr double kCoarse = 3 * kInch, kFine = kInch / 16;
/// Where a direction is tried first: if nothing gets better there, it is left alone.
constexpr std::array kFirstLook{2 * kInch, 18 * kInch};

/// What can move; each what moves together, the one it is named after first.
std::vector<PlacementIds> moversIn(const Finding& target, const PieceIndex& pieces, const Scheme& scheme) {
  std::vector<PlacementIds> out;
  std::vector<std::string> named = target.subjects;
  named.insert(named.end(), target.between.begin(), target.between.end());
  const std::vector<DiningSeat> seats = diningSeatsIn(pieces, scheme);
  for (const std::string& id : named) {
    const Placement* p = findPlacement(scheme, PlacementId(id));
    // A chair keeps its place at its table: the table moves, and takes it along.
    for (const DiningSeat& seat : seats)
      if (seat.chair == p) p = seat.table;
    if (p == nullptr || onFloor(p->on) == nullptr) continue;
    PlacementIds mover{p->id};
    if (!groupOf(*p).empty())
      for (const Placement& other : scheme.placements)
        if (other.id != p->id && groupOf(other) == groupOf(*p)) mover.push_back(other.id);
    if (isDiningTable(pieces.of(*p).kind))
      for (const DiningSeat& seat : seats)
        if (seat.table == p && std::find(mover.begin(), mover.end(), seat.chair->id) == mover.end())
          mover.push_back(seat.chair->id);
    const bool locked = std::any_of(mover.begin(), mover.end(),
                                    [&](const PlacementId& one) { return findPlacement(scheme, one)->locked; });
    if (!locked && std::find(out.begin(), out.end(), mover) == out.end()) out.push_back(std::move(mover));
  }
  return out;
}

constexpr std::array<const char*, 8> kWays{
    "to the right", "up the plan and to the right",  "up the plan",   "up the plan and to the left",
    "to the left",  "down the plan and to the left", "down the plan", "down the plan and to the right"};

Vec2 directionAt(int eighth) { return rotated({1, 0}, turnOf(45.0 * eighth)); }
int eighthOf(Vec2 along) { return static_cast<int>(std::lround(normalisedTurn(directionOf(along)) / 45)) % 8; }

std::string moverWords(const SchemeNames& names, const PieceIndex& pieces, const Scheme& scheme,
                       const PlacementIds& ids) {
  const std::string lead = names.the(ids.front());
  if (ids.size() == 1) return lead;
  const bool table = isDiningTable(pieces.of(*findPlacement(scheme, ids.front())).kind);
  return lead + (table ? " with its chairs" : " with its group");
}

MoveCandidate slideOf(const Job& job, const Scheme& scheme, LengthFormat format, const PlacementIds& movers, Vec2 along,
                      double by, const std::string& gives, const IdSource& ids) {
  const PieceIndex pieces(job);
  const SchemeNames names(job, scheme);
  std::string metres = std::to_string(by);
  while (metres.back() == '0') metres.pop_back();
  if (metres.back() == '.') metres.pop_back();
  const int eighth = eighthOf(along);
  MoveCandidate out;
  out.way = {"slide:" + movers.front().value + ":" + std::to_string(eighth * 45) + ":" + metres,
             "Slide " + moverWords(names, pieces, scheme, movers) + " " + writeLength(by, format) + " " +
                 kWays[static_cast<std::size_t>(eighth)],
             gives, movedTogether(job, scheme.id, movers, along * by), ids.next()};
  out.moved = by;
  out.along = along;
  out.movers = movers;
  return out;
}

/// The least distance along a direction at which the target holds.
std::optional<double> leastSlide(Trial& trial, const Job& job, const Scheme& scheme, const PlacementIds& mover,
                                 Vec2 along, const Finding& target) {
  const auto at = [&](double by) { return trial(movedTogether(job, scheme.id, mover, along * by)); };
  const bool better = std::any_of(kFirstLook.begin(), kFirstLook.end(), [&](double by) {
    const Outcome then = at(by);
    return then.holds || (then.margin && *then.margin > target.margin + 1e-6);
  });
  if (!better) return std::nullopt;
  for (double by = kCoarse; by <= kMostSlide + 1e-6 && !trial.over(); by += kCoarse) {
    if (!at(by).holds) continue;
    double low = by - kCoarse, high = by;
    while (high - low > kFine) {
      const double middle = (low + high) / 2;
      (at(middle).holds ? high : low) = middle;
    }
    return high;
  }
  return std::nullopt;
}

void addTurns(std::vector<MoveCandidate>& out, Trial& trial, const Job& job, const Scheme& scheme,
              const PlacementIds& mover, const IdSource& ids) {
  if (mover.size() > 1) return;
  const Placement& p = *findPlacement(scheme, mover.front());
  const Piece& piece = pieceOf(job, p);
  if (piece.shape == Shape::Round) return;
  const SchemeNames names(job, scheme);
  for (const double turn : {90.0, 180.0, 270.0}) {
    FloorPlace place = floorPlace(p.on);
    place.turn = normalisedTurn(place.turn + turn);
    Job after = placed(job, scheme.id, p.id, place);
    const Outcome then = trial(after);
    if (!then.holds) continue;
    MoveCandidate one;
    one.way = {"turn:" + p.id.value + ":" + std::to_string(static_cast<int>(turn)),
               "Turn " + names.the(p.id) +
                   (turn == 180  ? " round"
                    : turn == 90 ? " a quarter to the left"
                                 : " a quarter to the right"),
               trial.gives(then), std::move(after), ids.next()};
    const double corner = std::hypot(piece.width, piece.depth.value_or(piece.width)) / 2;
    one.moved = corner * (turn == 180 ? 2 : std::sqrt(2.0));
    one.movers = mover;
    out.push_back(std::move(one));
  }
}

}  // namespace

std::vector<MoveCandidate> moversOf(const Finding& target, const Job& job, const Rulebook& book, const Scheme& scheme,
                                    LengthFormat format, const CheckWith& with, IdSource ids, Tries* tries) {
  std::vector<MoveCandidate> out;
  Trial trial(target, book, scheme.id, format, with, tries);
  if (!trial.possible() || !target.view.isPlan()) return out;
  const double step = job.units == Unit::Inch ? kInch / 4 : 5;
  for (const PlacementIds& mover : moversIn(target, PieceIndex(job), scheme)) {
    for (int eighth = 0; eighth < 8 && !trial.over(); ++eighth) {
      const Vec2 along = directionAt(eighth);
      const auto least = leastSlide(trial, job, scheme, mover, along, target);
      if (!least) continue;
      // A figure that can be read off a tape.
      const double by = std::ceil(*least / step - 1e-6) * step;
      const Outcome then = trial(movedTogether(job, scheme.id, mover, along * by));
      if (then.holds) out.push_back(slideOf(job, scheme, format, mover, along, by, trial.gives(then), ids));
    }
    if (!trial.over()) addTurns(out, trial, job, scheme, mover, ids);
  }
  if (!trial.over())
    for (MoveCandidate& other : otherMoves(trial, target, job, scheme, format, ids)) out.push_back(std::move(other));
  std::stable_sort(out.begin(), out.end(), [](const MoveCandidate& a, const MoveCandidate& b) {
    return std::pair(a.moved, a.movers.size()) < std::pair(b.moved, b.movers.size());
  });
  return out;
}

std::optional<MoveCandidate> further(const MoveCandidate& candidate, double more, const Finding& target, const Job& job,
                                     const Rulebook& book, const Scheme& scheme, LengthFormat format,
                                     const CheckWith& with, Tries* tries) {
  if (norm(candidate.along) == 0 || candidate.moved + more > kMostSlide) return std::nullopt;
  Trial trial(target, book, scheme.id, format, with, tries);
  const double by = candidate.moved + more;
  const Outcome then = trial(movedTogether(job, scheme.id, candidate.movers, candidate.along * by));
  if (!then.holds) return std::nullopt;
  return slideOf(job, scheme, format, candidate.movers, candidate.along, by, trial.gives(then),
                 IdSource(candidate.way.nextId));
}

}  // namespace mezzet
