#include "core/edit/validate_choosing.h"

#include <cmath>
#include <set>

#include "core/geometry/polygon.h"

namespace mezzet {
namespace {

constexpr double kMostMoney = 1e9, kMostHours = 1e5, kFarthest = 1e6;

std::optional<Error> faultOfArea(const RoomArea& area) {
  const std::string where = "area " + area.id.value;
  if (area.outline.size() < 3 || area.outline.size() > 60)
    return Error{where, "has an outline that is none", "3 to 60 corners"};
  for (const Vec2 corner : area.outline)
    if (!(std::abs(corner.x) <= kFarthest && std::abs(corner.y) <= kFarthest))
      return Error{where, "has a corner that is nowhere", "Draw it in the room"};
  if (selfCrossing(area.outline)) return Error{where, "has an outline that crosses itself", "Check its corners"};
  if (!(signedArea(area.outline) > 0)) return Error{where, "has an outline that is not anticlockwise", "Turn it round"};
  return std::nullopt;
}

}  // namespace

std::optional<Error> faultOfBudget(const BudgetList& budget) {
  const std::string where = "budget";
  if (budget.prices.size() > kMostPrices) return Error{where, "has more than 400 prices", "Take some out"};
  for (const auto& [what, price] : budget.prices)
    if (!(price >= 0 && price <= kMostMoney))
      return Error{where + ", " + what.substr(0, 60), "has a price that is no amount", "Type 0 or more"};
  if (budget.rate && !(*budget.rate >= 0 && *budget.rate <= kMostMoney))
    return Error{where + ", rate", "is not an amount", "Type 0 or more"};
  if (budget.hours && !(*budget.hours >= 0 && *budget.hours <= kMostHours))
    return Error{where + ", hours", "is not a number of hours", "Type 0 or more"};
  return std::nullopt;
}

std::optional<Error> faultOfChoosing(const Scheme& scheme, const std::function<const Piece*(const PieceId&)>& pieceOf) {
  for (const Placement& p : scheme.placements) {
    const std::string where = "placement " + p.id.value + ", candidates";
    if (p.candidates.size() > kMostCandidates)
      return Error{where, "are more than 40", "Take those out that were turned down long ago"};
    std::set<std::string> seen;
    int chosen = 0;
    for (const Candidate& c : p.candidates) {
      if (pieceOf(c.piece) == nullptr)
        return Error{where, "name a piece that is not there: " + c.piece.value, "Add the piece"};
      if (!seen.insert(c.piece.value).second) return Error{where, "name " + c.piece.value + " twice", "Keep one"};
      chosen += c.state == CandidateState::Chosen;
    }
    if (chosen > 1) return Error{where, "have two that are chosen", "One is"};
  }
  if (scheme.areas.size() > kMostAreas)
    return Error{"scheme " + scheme.id.value, "has more than 12 areas", "Take some out"};
  std::set<std::string> areas;
  for (const RoomArea& area : scheme.areas) {
    if (area.id.empty() || !areas.insert(area.id.value).second)
      return Error{"area " + area.id.value, "needs an id of its own", "Give it one"};
    if (auto fault = faultOfArea(area)) return fault;
  }
  if (scheme.takesOut.size() > kMostTakenOut)
    return Error{"scheme " + scheme.id.value, "takes out more than 40 things", "Draw the room as it will be"};
  std::set<std::string> out;
  for (const TakenOut& t : scheme.takesOut)
    if (t.what.empty() || !out.insert(t.what).second)
      return Error{"scheme " + scheme.id.value + ", takesOut", "names nothing, or one thing twice",
                   "Name a fixed thing, or wall:A"};
  return std::nullopt;
}

}  // namespace mezzet
