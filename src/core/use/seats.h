// The places on a seat: who sits where, looking which way.
#pragma once

#include "core/space/bodies.h"

namespace mezzet {

/// Sitters take this much of a sofa's or bench's front each (published width of a place setting; common practice for
/// sofas).
inline constexpr double kPlaceWidth = 24 * kInch;
/// A sitter's seat point lies this far behind the front edge [D] (contract).
inline constexpr double kSeatPoint = 10 * kInch;

struct SeatPlace {
  Vec2 front;   ///< middle of the place's front edge
  Vec2 at;      ///< the seat point
  Vec2 facing;  ///< unit
};

/// Whether someone there looks towards a face and it towards them: a screen whose middle is there and that looks
/// `outward`.
[[nodiscard]] inline bool looksAt(const SeatPlace& seat, Vec2 middle, Vec2 outward) {
  return dot(seat.facing, middle - seat.at) > 0 && dot(outward, seat.at - middle) > 0;
}

/// How many people sit on it: as entered, else by width, at least one; 0 for what is no seat.
[[nodiscard]] int placesOn(const Piece&);
/// One for each place, from left to right as someone before the seat sees it; of an L along the long limb, then the
/// return. Empty for what is no seat.
[[nodiscard]] std::vector<SeatPlace> seatPlaces(const Piece&, const FloorPlace&);

}  // namespace mezzet
