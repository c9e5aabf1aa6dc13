// A long room parted along its length, and areas that are drawn: each for what stands in it.
#include <algorithm>
#include <cmath>

#include "core/choose/areas.h"
#include "core/choose/room_frame.h"
#include "core/model/kinds.h"
#include "core/space/bodies.h"
#include "core/walk/ways.h"

namespace mezzet {
namespace {

double windowIn(const Room& room, const Polygon& outline) {
  double out = 0;
  for (const Opening& o : room.openings)
    if (const auto wall = findWall(room, o.wall);
        wall && o.kind == OpeningKind::Window && distanceToEdge(outline, middleOf(*wall, o)) < kTouch)
      out += o.width;
  return out;
}

/// What stands along the room's length: from, to, what it is.
struct Stands {
  double from = 0, to = 0;
  const std::string* kind = nullptr;
};
std::vector<Stands> standsAlong(const PieceIndex& pieces, const Scheme& scheme, const RoomFrame& frame) {
  std::vector<Stands> out;
  for (const Placement& p : scheme.placements) {
    const auto* floor = onFloor(p.on);
    const Piece& piece = pieces.of(p);
    if (floor == nullptr || isRug(piece.kind) || !piece.depth) continue;
    const Box box = frame.round(footprint(piece, *floor));
    out.push_back({box.low.x, box.high.x, &piece.kind});
  }
  return out;
}
/// Where a part ends: near its share of the length, through as few things as may be.
double cutNear(double share, double reach, const std::vector<Stands>& stands) {
  constexpr double kStep = 3 * kInch;
  double best = share, least = 1e18;
  for (double off = 0; off <= reach; off += kStep)
    for (const double at : {share + off, share - off}) {
      const auto cut = std::count_if(stands.begin(), stands.end(),
                                     [&](const Stands& s) { return s.from < at - kTouch && s.to > at + kTouch; });
      const double cost = static_cast<double>(cut) * 1e6 + off;
      if (cost >= least) continue;
      least = cost;
      best = at;
    }
  return best;
}
/// What a part is for, by what stands in its length.
std::optional<AreaUse> useOf(double from, double to, const std::vector<Stands>& stands) {
  std::optional<AreaUse> out;
  int seats = 0;
  for (const Stands& s : stands) {
    const double middle = (s.from + s.to) / 2;
    if (middle < from || middle > to) continue;
    if (isDiningTable(*s.kind)) return AreaUse::Dining;
    seats += isSeat(*s.kind) ? 1 + isSofa(*s.kind) : 0;
    if (isSatAt(*s.kind)) out = AreaUse::Work;
  }
  if (seats == 1) return out.value_or(AreaUse::Reading);
  return seats > 1 ? AreaUse::Sitting : out;
}

/// Where nothing stands that says what a part is for: where one comes in is the entry of three, and the part with most
/// window is for reading; of two the entry's part is for meals.
AreaUse usualUse(const Room& room, const std::vector<RoomArea>& all, std::size_t i) {
  const Opening* entry = mainEntry(room);
  const auto wall = entry != nullptr ? findWall(room, entry->wall) : std::nullopt;
  const auto off = [&](std::size_t k) { return distanceToEdge(all[k].outline, middleOf(*wall, *entry)); };
  std::size_t first = 0, bright = all.size();
  for (std::size_t k = 1; wall && k < all.size(); ++k)
    if (off(k) < off(first)) first = k;
  if (all.size() == 2) return i == first ? AreaUse::Dining : AreaUse::Sitting;
  if (i == first) return AreaUse::Entry;
  for (std::size_t k = 0; k < all.size(); ++k)
    if (k != first && windowIn(room, all[k].outline) > 0 &&
        (bright == all.size() || windowIn(room, all[k].outline) > windowIn(room, all[bright].outline)))
      bright = k;
  return i == bright ? AreaUse::Reading : AreaUse::Sitting;
}

std::vector<RoomArea> split(const Room& room, const RoomFrame& frame, const std::vector<Stands>& stands, int parts,
                            IdSource& ids) {
  std::vector<RoomArea> out;
  std::vector<std::optional<AreaUse>> uses;
  double from = 0;
  for (int i = 0; i < parts; ++i) {
    const double share = frame.length / parts,
                 to = i + 1 == parts ? frame.length : cutNear(share * (i + 1), share / 3, stands);
    Polygon outline = insideRoom(room, frame.box(from, to, -1, frame.width + 1), {});
    if (outline.size() >= 3) {
      out.push_back({ids.take<AreaId>("a"), AreaUse::Sitting, std::move(outline)});
      uses.push_back(useOf(from, to, stands));
    }
    from = to;
  }
  for (std::size_t i = 0; i < out.size(); ++i) out[i].use = uses[i].value_or(usualUse(room, out, i));
  return out;
}

}  // namespace

double lengthOverWidth(const Room& room) {
  if (room.corners.size() < 3) return 1;
  const RoomFrame frame = frameOf(room);
  return frame.width > 0 ? frame.length / frame.width : 1;
}

std::vector<std::vector<RoomArea>> areasOffered(const Job& job, const SchemeId& id, IdSource& ids) {
  const Scheme* scheme = findScheme(job, id);
  if (scheme == nullptr) return {};
  const Room& room = roomOf(job, *scheme);
  if (lengthOverWidth(room) <= kLongRoom) return {};
  const RoomFrame frame = frameOf(room);
  const std::vector<Stands> stands = standsAlong(PieceIndex(job), *scheme, frame);
  return {split(room, frame, stands, 2, ids), split(room, frame, stands, 3, ids)};
}

std::optional<RoomArea> areaDrawn(const Job& job, const SchemeId& id, Vec2 from, Vec2 to, IdSource& ids) {
  const Scheme* scheme = findScheme(job, id);
  if (scheme == nullptr) return std::nullopt;
  const Room& room = roomOf(job, *scheme);
  const RoomFrame frame = frameOf(room);
  const Vec2 a = frame.in(from), b = frame.in(to);
  std::vector<Polygon> taken;
  for (const RoomArea& area : scheme->areas) taken.push_back(area.outline);
  Polygon outline = insideRoom(
      room, frame.box(std::min(a.x, b.x), std::max(a.x, b.x), std::min(a.y, b.y), std::max(a.y, b.y)), taken);
  if (outline.size() < 3 || outline.size() > 60) return std::nullopt;
  const Box left = boundsOf(outline);
  if (left.high.x - left.low.x < kFoot || left.high.y - left.low.y < kFoot) return std::nullopt;
  const auto stands = standsAlong(PieceIndex(job), *scheme, frame);
  const AreaUse use = useOf(std::min(a.x, b.x), std::max(a.x, b.x), stands).value_or(AreaUse::Sitting);
  return RoomArea{ids.take<AreaId>("a"), use, std::move(outline)};
}

}  // namespace mezzet
