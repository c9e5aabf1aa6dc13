#include "core/plan/carrying.h"

#include <algorithm>
#include <map>
#include <set>

#include "core/model/kinds.h"
#include "core/plan/needs.h"
#include "core/rules/base/names.h"
#include "core/walk/ways.h"

namespace mezzet {
namespace {

/// Where one comes in, on the inner face; the first corner where there is no door.
Vec2 entryOf(const Room& room) {
  const Opening* entry = mainEntry(room);
  if (entry == nullptr) return room.corners.empty() ? Vec2{} : room.corners.front().at;
  const auto wall = findWall(room, entry->wall);
  return wall ? middleOf(*wall, *entry) : Vec2{};
}

const char* sourceWords(DimensionSource source) {
  switch (source) {
    case DimensionSource::Ticket: return "is by its ticket";
    case DimensionSource::Guess: return "is a guess";
    case DimensionSource::Default: return "is only what is usual";
    case DimensionSource::Measured: break;
  }
  return "";
}

/// The first of its outer sizes that was not measured, in words; "" when all were.
std::string unmeasured(const Piece& piece) {
  if (!piece.depth && !isSeenUpright(piece.kind)) return "its depth is not known";
  if (!highestOf(piece) && !isRug(piece.kind)) return "its height is not known";
  for (const char* dimension : {"width", "depth", "height"}) {
    const auto at = piece.doubts.find(dimension);
    if (at != piece.doubts.end() && at->second.source != DimensionSource::Measured)
      return std::string("its ") + dimension + " " + sourceWords(at->second.source);
  }
  return {};
}

}  // namespace

std::vector<PlacementId> settingOrder(const Job& job, const Room& room, const Scheme& scheme) {
  const PieceIndex pieces(job);
  const Vec2 entry = entryOf(room);
  struct Set {
    PlacementId id;
    bool rug = false;
    double far = 0;
  };
  std::vector<Set> all;
  for (const Placement& p : scheme.placements)
    if (const auto* place = onFloor(p.on)) all.push_back({p.id, isRug(pieces.of(p).kind), distance(place->at, entry)});
  std::stable_sort(all.begin(), all.end(),
                   [](const Set& a, const Set& b) { return a.rug != b.rug ? a.rug : a.far > b.far; });
  std::vector<PlacementId> out;
  for (const Set& one : all) out.push_back(one.id);
  return out;
}

std::vector<PlacementId> hangOrder(const Job& job, const Rulebook& book, const Room& room, const Scheme& scheme,
                                   const CornerId& wall) {
  std::vector<PlacementId> out;
  const auto add = [&](const PlacementId& id) {
    if (std::find(out.begin(), out.end(), id) == out.end()) out.push_back(id);
  };
  const NailPlan plan = nailsOf(job, book, room, scheme, wall, usualFormat(job.units));
  for (const Nail& nail : plan.nails) add(nail.placement);
  for (const UnknownNails& unknown : plan.unknown) add(unknown.placement);
  for (const Placement& p : scheme.placements)
    if (const auto* on = onWall(p.on); on != nullptr && on->wall == wall) add(p.id);
  return out;
}

bool isDone(const Job& job, const Placement& p) {
  if (onWall(p.on) != nullptr) return p.asHung.has_value();
  const Order* order = orderOf(*job.records, p.piece);
  if (order != nullptr) return order->state == OrderState::Arrived;
  const Piece* piece = findPiece(job, p.piece);
  return piece != nullptr && piece->shop->owned;
}

std::vector<Waiting> waitingForTape(const Job& job, const std::vector<const Scheme*>& schemes) {
  std::vector<Waiting> out;
  for (const Scheme* scheme : schemes) {
    const SchemeNames names(job, *scheme);
    std::set<PieceId> told;
    std::map<CornerId, bool> begun;  // walls on which something was taped where it hangs
    for (const Placement& p : scheme->placements)
      if (const auto* on = onWall(p.on)) begun[on->wall] = begun[on->wall] || p.asHung.has_value();
    for (const Placement& p : scheme->placements) {
      const Piece& piece = pieceOf(job, p);
      if (isDisplayed(piece.kind)) continue;
      const auto say = [&](const std::string& words) {
        out.push_back({scheme->id, p.id, names.plain(p.id) + ": " + words});
      };
      const Order* order = orderOf(*job.records, piece.id);
      if (order != nullptr && order->state == OrderState::Ordered) {
        if (told.insert(piece.id).second) say("on order; tape it when it comes");
      } else if (const std::string what = unmeasured(piece); !what.empty() && told.insert(piece.id).second) {
        say(what);
      }
      if (const auto* on = onWall(p.on); on != nullptr && begun[on->wall] && !p.asHung)
        say("hangs, and was not taped on wall " + on->wall.value);
    }
  }
  return out;
}

}  // namespace mezzet
