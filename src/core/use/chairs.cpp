#include "core/use/chairs.h"

#include <algorithm>

#include "core/model/kinds.h"

namespace mezzet {
namespace {

/// The chairs at a table, in placement order.
std::vector<const Placement*> chairsOf(const PieceIndex& pieces, const Scheme& scheme, const PlacementId& table) {
  std::vector<const Placement*> out;
  for (const DiningSeat& seat : diningSeatsIn(pieces, scheme))
    if (seat.table->id == table) out.push_back(seat.chair);
  return out;
}

}  // namespace

int chairsAt(const Job& job, const SchemeId& id, const PlacementId& table) {
  const Scheme* scheme = findScheme(job, id);
  return scheme == nullptr ? 0 : static_cast<int>(chairsOf(PieceIndex(job), *scheme, table).size());
}

Result<Job> withChairsSet(const Job& job, const SchemeId& id, const PlacementId& tableId, std::optional<int> count,
                          IdSource& ids) {
  const Scheme* scheme = findScheme(job, id);
  const Placement* at = scheme != nullptr ? findPlacement(*scheme, tableId) : nullptr;
  const auto* place = at != nullptr ? onFloor(at->on) : nullptr;
  if (place == nullptr || !isDiningTable(pieceOf(job, *at).kind))
    return Error{"chairs", "stand round a dining table", "Select one first"};
  const Piece& table = pieceOf(job, *at);
  const std::vector<const Placement*> there = chairsOf(PieceIndex(job), *scheme, tableId);
  Job out = job;
  // What to sit on.
  const Piece* chair = there.empty() ? nullptr : &pieceOf(job, *there.front());
  for (const auto& piece : job.pieces)
    if (chair == nullptr && isDiningChair(piece->kind)) chair = piece.get();
  if (chair == nullptr) {
    Piece usual = usualPiece(kDiningChair);
    usual.id = ids.take<PieceId>("chair");
    auto with = withPiece(out, usual);
    if (!with) return with.error();
    out = std::move(with).value();
    chair = findPiece(out, usual.id);
  }
  const int fit = placesAt(table, kPlaceSetting, true);
  const int wanted = count.value_or(there.empty() ? fit : static_cast<int>(there.size()));
  if (wanted > fit)
    return Error{table.name, "has edge for " + std::to_string(fit) + (fit == 1 ? " diner" : " diners"),
                 "A place setting takes 24 in (600 mm) of edge"};
  // Heads only where the sides are full.
  const bool heads = wanted > placesAt(table, kPlaceSetting, false);
  const std::vector<Setting> settings = settingsAround(table, *place, *chair, kPlaceSetting, heads, wanted, kSetUnder);
  Scheme changed = *findScheme(out, id);
  const auto isThere = [&](const PlacementId& p) {
    return std::any_of(there.begin(), there.end(), [&](const Placement* c) { return c->id == p && !c->locked; });
  };
  std::vector<PlacementId> free;
  for (const Placement& p : changed.placements)
    if (isThere(p.id)) free.push_back(p.id);
  std::size_t used = 0;
  for (const Setting& setting : settings) {
    if (used < free.size()) {
      const auto p = std::find_if(changed.placements.begin(), changed.placements.end(),
                                  [&](const Placement& q) { return q.id == free[used]; });
      p->on = setting.chair;
      ++used;
      continue;
    }
    changed.placements.push_back({ids.take<PlacementId>("p"), chair->id, setting.chair, {}});
  }
  for (; used < free.size(); ++used)
    std::erase_if(changed.placements, [&](const Placement& p) { return p.id == free[used]; });
  // There are as many as were set.
  int placed = 0;
  for (const Placement& p : changed.placements) placed += p.piece == chair->id;
  Piece counted = *chair;
  counted.count = std::max(counted.count, placed);
  auto with = withPiece(out, counted);
  if (!with) return with.error();
  return withScheme(with.value(), std::move(changed));
}

}  // namespace mezzet
