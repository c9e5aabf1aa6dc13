#include "core/hang/as_hung.h"

#include <algorithm>
#include <cmath>

#include "core/edit/edits.h"
#include "core/site/heights.h"

namespace mezzet {
namespace {

/// A sixteenth that came out of sums is still that sixteenth.
constexpr double kSixteenthHair = 0.01;

/// The room after a change that cannot make it unsound.
Job withRoomAs(const Job& job, Room room) {
  auto after = withRoom(job, std::move(room));
  return after ? *std::move(after) : job;
}

}  // namespace

Vec2 hungWhere(const Piece& piece, const Hooks& hooks, int hook, Vec2 landed) {
  const auto i = static_cast<std::size_t>(std::clamp<int>(hook, 1, static_cast<int>(hooks.across.size())) - 1);
  const WallRect frame = wallRectOf(piece, WallPlace{});
  return {landed.x - hooks.across[i], landed.y + hooks.drop - frame.top};
}

Vec2 landedAt(const Wall& wall, const NailAsk& ask, double fromEnd, double aboveLine) {
  return {ask.end == WallEnd::Left ? fromEnd : wall.length() - fromEnd, ask.line + aboveLine};
}

bool Deviation::over() const { return std::max(std::abs(right), std::abs(up)) > limit + kSixteenthHair; }

std::vector<Deviation> deviations(const PieceIndex& pieces, const Scheme& scheme) {
  std::vector<Deviation> out;
  const std::vector<Hung> groups = hungIn(pieces, scheme);
  for (const Placement& p : scheme.placements) {
    const auto* place = onWall(p.on);
    if (place == nullptr || !p.asHung) continue;
    const bool mates = std::any_of(groups.begin(), groups.end(),
                                   [&](const Hung& h) { return h.members.size() > 1 && has(h.members, p.id); });
    out.push_back({p.id, p.asHung->u - place->u, p.asHung->v - place->v, mates ? kOffInGroup : kOffAlone});
  }
  std::sort(out.begin(), out.end(), [](const Deviation& a, const Deviation& b) { return a.placement < b.placement; });
  return out;
}

std::string deviationWords(const Deviation& d, LengthFormat format) {
  std::string words;
  const auto add = [&](double by, const char* more, const char* less) {
    const std::string length = writeLength(std::abs(by), format);
    if (length == writeLength(0, format)) return;
    words += (words.empty() ? "" : ", ") + length + (by > 0 ? more : less);
  };
  add(d.right, " right", " left");
  add(d.up, " high", " low");
  return words.empty() ? "as planned" : words;
}

Job asItHangs(const Job& job, const SchemeId& id) {
  const Scheme* scheme = findScheme(job, id);
  if (scheme == nullptr) return job;
  Scheme changed = *scheme;
  for (Placement& p : changed.placements)
    if (auto* place = onWall(p.on); place != nullptr && p.asHung) {
      place->u = p.asHung->u;
      place->v = p.asHung->v;
    }
  return withScheme(job, std::move(changed));
}

Job withAsHung(const Job& job, const SchemeId& id, const PlacementId& placement, const std::optional<AsHung>& hung) {
  const Scheme* scheme = findScheme(job, id);
  const Placement* p = scheme != nullptr ? findPlacement(*scheme, placement) : nullptr;
  if (p == nullptr || onWall(p->on) == nullptr) return job;
  Placement changed = *p;
  changed.asHung = hung;
  return withPlacement(job, id, std::move(changed));
}

Job withHole(const Job& job, const RoomId& id, NailHole hole) {
  const Room* room = findRoom(job, id);
  if (room == nullptr) return job;
  const bool there = std::any_of(room->holes.begin(), room->holes.end(), [&](const NailHole& h) {
    return h.wall == hole.wall && h.filled.empty() && std::hypot(h.u - hole.u, h.v - hole.v) <= kSameSpot;
  });
  if (there) return job;
  Room changed = *room;
  changed.holes.push_back(std::move(hole));
  return withRoomAs(job, std::move(changed));
}

Job withHoleFilled(const Job& job, const RoomId& id, std::size_t hole, const std::string& date) {
  const Room* room = findRoom(job, id);
  if (room == nullptr || hole >= room->holes.size()) return job;
  Room changed = *room;
  changed.holes[hole].filled = date;
  return withRoomAs(job, std::move(changed));
}

Job withClearSpot(const Job& job, const RoomId& id, ClearSpot spot) {
  const Room* room = findRoom(job, id);
  if (room == nullptr) return job;
  Room changed = *room;
  std::erase_if(changed.clearSpots, [&](const ClearSpot& s) {
    return s.wall == spot.wall && std::hypot(s.u - spot.u, s.v - spot.v) <= kSameSpot;
  });
  if (!spot.date.empty()) changed.clearSpots.push_back(std::move(spot));
  return withRoomAs(job, std::move(changed));
}

std::vector<std::string> holeWords(const Room& room, LengthFormat format) {
  std::vector<std::string> out;
  for (const NailHole& h : room.holes)
    out.push_back("Wall " + h.wall.value + ": " + writeLength(h.u, format) + " from the left, " +
                  writeLength(h.v - floorUnder(room, {h.wall, h.u, h.v, std::nullopt}), format) + " up, " +
                  (h.diameter > 0 ? writeLength(h.diameter, format) + " wide" : std::string("width not known")) +
                  (h.made.empty() ? "" : ", made " + h.made) +
                  (h.filled.empty() ? ", not filled." : ", filled " + h.filled + "."));
  return out;
}

}  // namespace mezzet
