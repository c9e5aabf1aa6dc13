#include "core/decide/hang_drop.h"

#include <algorithm>
#include <cmath>

#include "core/edit/edits.h"
#include "core/hang/free_wall.h"
#include "core/model/kinds.h"

namespace mezzet {
namespace {

/// What else hangs is kept off as far as makes it another group, where that leaves room.
constexpr double kClears[] = {kSeenAsOne, 0};

}  // namespace

Result<Added> withHungTogether(const Job& job, const Rulebook& book, const SchemeId& id, const CornerId& wall,
                               const std::vector<PieceId>& pieces, HangAs as, std::optional<double> gap, IdSource& ids,
                               LengthFormat format) {
  HangRequest r;
  r.wall = wall;
  r.as = as;
  r.gap = gap;
  Job with = job;
  for (const PieceId& piece : pieces) {
    r.placements.push_back(ids.take<PlacementId>("p"));
    with = withPlacement(with, id, {r.placements.back(), piece, WallPlace{wall, 0, 0, std::nullopt}, {}});
  }
  auto plan = hangPlan(with, book, id, r, ids, format);
  if (!plan) return plan.error();
  if (!plan->fits) {
    std::string why;
    for (const std::string& one : plan->says) why += (why.empty() ? "" : " ") + one;
    while (!why.empty() && why.back() == '.') why.pop_back();
    return Error{"", why, "Take another wall, fewer, or a smaller gap"};
  }
  return Added{std::move(plan->job), r.placements.front()};
}

std::optional<HungDrop> withDropped(const Job& job, const Rulebook& book, const SchemeId& id, const CornerId& wallId,
                                    const std::vector<PieceId>& dropped, Vec2 at, IdSource& ids, LengthFormat format) {
  const Scheme* scheme = findScheme(job, id);
  const auto wall = scheme != nullptr ? findWall(roomOf(job, *scheme), wallId) : std::nullopt;
  const bool can = std::all_of(dropped.begin(), dropped.end(), [&](const PieceId& p) {
    const Piece* piece = findPiece(job, p);
    return piece != nullptr && piece->height && gathersOnWall(piece->kind);
  });
  if (!wall || dropped.empty() || !can) return std::nullopt;
  const Room& room = roomOf(job, *scheme);
  const PieceIndex pieces(job);
  HungDrop out{job, {}, {}};
  for (const PieceId& piece : dropped) {
    out.fresh.push_back(ids.take<PlacementId>("p"));
    out.job = withPlacement(out.job, id, {out.fresh.back(), piece, WallPlace{wallId, at.x, at.y, std::nullopt}, {}});
  }
  const Scheme& with = *findScheme(out.job, id);
  // All of them as a row, else as a salon; `made` is what is arranged there already, which stays so.
  const auto hung = [&](PlacementIds all, const WallRect& region, double middle, const Hang* made) {
    all.insert(all.end(), out.fresh.begin(), out.fresh.end());
    for (const HangAs as : {HangAs::Row, HangAs::Salon}) {
      if ((made != nullptr && made->as != as) || (as == HangAs::Salon && dropped.size() == 1)) continue;
      HangRequest r = requestFor(with, all, wallId, as);
      r.within = region;
      r.middle = middle;
      if (made != nullptr) r.gap = made->gap;
      auto plan = hangPlan(out.job, book, id, r, ids, format);
      if (!plan || !plan->fits) continue;
      out.job = std::move(plan->job);
      out.region = region;
      return true;
    }
    return false;
  };
  const auto holds = [&](const WallRect& r) {
    return at.x >= r.left && at.x <= r.right && at.y >= r.bottom && at.y <= r.top;
  };
  for (const Below& below : candidatesBelow(job, room, *scheme, *wall)) {
    if (below.row == BelowRow::None || !below.top || at.x < below.left || at.x > below.right || at.y < *below.top)
      continue;
    // What hangs over it already makes room, and hangs as one with it.
    PlacementIds there;
    for (const Placement& p : scheme->placements) {
      const auto* place = onWall(p.on);
      if (place != nullptr && place->wall == wallId && !p.locked && gathersOnWall(pieces.of(p).kind) &&
          place->u >= below.left && place->u <= below.right && place->v > *below.top)
        there.push_back(p.id);
    }
    const Hang* made = there.size() > 1 ? hangAmong(*scheme, there) : nullptr;
    for (const double clear : kClears)
      if (const auto region = freeAbove(wallFace(job, room, scheme, *wall, there, clear), std::max(0.0, below.left),
                                        std::min(wall->length(), below.right), *below.top);
          region && holds(*region) && hung(there, *region, below.middles.front(), made))
        return out;
  }
  if (dropped.size() == 1) return std::nullopt;
  // The free wall there, else the nearest that takes them.
  std::vector<WallRect> free;
  for (const double clear : kClears)
    for (const WallRect& r : freeRectangles(wallFace(job, room, scheme, *wall, {}, clear))) free.push_back(r);
  const auto off = [&](const WallRect& r) {
    return std::hypot(std::max({r.left - at.x, at.x - r.right, 0.0}), std::max({r.bottom - at.y, at.y - r.top, 0.0}));
  };
  std::stable_sort(free.begin(), free.end(), [&](const WallRect& a, const WallRect& b) { return off(a) < off(b); });
  for (const WallRect& region : free)
    if (hung({}, region, (region.left + region.right) / 2, nullptr)) return out;
  return std::nullopt;
}

}  // namespace mezzet
