// Ways out for what hangs as a group, for mirrors, televisions and shelves: each at the least step that clears it.
#include <algorithm>
#include <cmath>

#include "core/edit/edits.h"
#include "core/model/kinds.h"
#include "core/rules/art/art_ways.h"
#include "core/space/hung.h"

namespace mezzet {
namespace {

double stepOf(const Proposals& ways) { return ways.job.units == Unit::Inch ? kInch / 2 : 10; }

/// The placement on a wall among the target's subjects that `is` so.
const Placement* hungSubject(const Proposals& ways, bool (*is)(std::string_view)) {
  for (const std::string& id : ways.target.subjects)
    if (const Placement* p = ways.placement(id);
        p != nullptr && onWall(p->on) != nullptr && is(pieceOf(ways.job, *p).kind))
      return p;
  return nullptr;
}

/// Higher or lower, by the least whole step that proves good.
void raise(Proposals& ways, const Placement& p, double by, const std::string& gives) {
  const double step = stepOf(ways), moved = std::copysign(std::ceil(std::abs(by) / step - 1e-9) * step, by);
  if (moved == 0) return;
  WallPlace place = wallPlace(p.on);
  place.v += moved;
  ways.offer(moved > 0 ? "raise" : "lower",
             std::string(moved > 0 ? "Raise " : "Lower ") + ways.name(p) + " by " + ways.length(std::abs(moved)), gives,
             placed(ways.job, ways.scheme.id, p.id, place));
}

}  // namespace

void waysOutOfGallery(Proposals& ways) {
  if (ways.target.between.size() != 2) return;
  const Placement *a = ways.placement(ways.target.between[0]), *b = ways.placement(ways.target.between[1]);
  if (a == nullptr || b == nullptr) return;
  // The nearest end of the range that does.
  const double wished =
      ways.target.ideal.low && ways.target.ideal.high
          ? (*ways.target.ideal.low + *ways.target.ideal.high) / 2
          : std::clamp(ways.target.measured, ways.target.asked.low.value_or(0), ways.target.asked.high.value_or(1e9));
  const Vec2 d = ways.target.at[1] - ways.target.at[0];
  const double sign = ways.target.measured < 0 ? -1 : 1;
  for (const auto& [moving, away] : {std::pair{b, 1.0}, std::pair{a, -1.0}}) {
    const double by = wished - ways.target.measured;
    WallPlace place = wallPlace(moving->on);
    // Along the wall or up it, whichever way they face.
    const bool level = std::abs(d.x) >= std::abs(d.y);
    const double way = away * sign * (level ? (d.x >= 0 ? 1 : -1) : (d.y >= 0 ? 1 : -1)) * by;
    (level ? place.u : place.v) += way;
    const std::string where = level ? (way > 0 ? "right" : "left") : (way > 0 ? "up" : "down");
    ways.offer("space:" + moving->id.value,
               "Move " + ways.name(*moving) + " " + ways.length(std::abs(way)) + " " + where,
               ways.length(wished) + " apart", placed(ways.job, ways.scheme.id, moving->id, place));
  }
}

void waysOutOfMirror(Proposals& ways) {
  const Placement* mirror = hungSubject(ways, isMirror);
  if (mirror == nullptr) return;
  for (const double way : {-1.0, 1.0}) raise(ways, *mirror, way * -ways.target.margin, "seen whole");
}

void waysOutOfScreen(Proposals& ways) {
  const Placement* screen = hungSubject(ways, isScreen);
  if (screen == nullptr) return;
  const double far = distance(ways.target.at[0], ways.target.at[1]);
  const double limit =
      ways.target.measured > 0 ? ways.target.asked.high.value_or(0) : ways.target.asked.low.value_or(0);
  constexpr double kRadians = 0.017453292519943295;
  raise(ways, *screen, far * (std::tan(limit * kRadians) - std::tan(ways.target.measured * kRadians)),
        "seen without lifting the chin");
}

void waysOutOfShelf(Proposals& ways) {
  if (const Placement* shelf = hungSubject(ways, isShelf)) raise(ways, *shelf, -ways.target.margin, "heads clear it");
}

}  // namespace mezzet
