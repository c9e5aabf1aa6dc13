#include "core/use/seats.h"

#include <algorithm>
#include <cmath>

#include "core/model/kinds.h"

namespace mezzet {

int placesOn(const Piece& piece) {
  if (!isSeat(piece.kind) && !isDiningSeat(piece.kind)) return 0;
  if (piece.seat->people) return std::max(1, *piece.seat->people);
  return std::max(1, static_cast<int>(piece.width / kPlaceWidth + 1e-9));
}

std::vector<SeatPlace> seatPlaces(const Piece& piece, const FloorPlace& place) {
  std::vector<SeatPlace> out;
  const int places = placesOn(piece);
  if (places == 0) return out;
  const std::vector<FrontEdge> fronts = seatFronts(piece, place);
  double total = 0;
  for (const FrontEdge& f : fronts) total += distance(f.left, f.right);
  int left = places;
  for (std::size_t i = 0; i < fronts.size(); ++i) {
    const FrontEdge& f = fronts[i];
    // Each front its share; the last one what is left over.
    const int here =
        i + 1 == fronts.size()
            ? left
            : std::clamp(static_cast<int>(std::lround(places * distance(f.left, f.right) / std::max(total, 1.0))), 0,
                         left);
    for (int k = 0; k < here; ++k) {
      const Vec2 front = f.left + (f.right - f.left) * ((k + 0.5) / here);
      // Nobody sits behind the back of a shallow seat.
      const double behind = std::min(kSeatPoint, piece.depth.value_or(piece.width) / 2);
      out.push_back({front, front - f.outward * behind, f.outward});
    }
    left -= here;
  }
  return out;
}

}  // namespace mezzet
