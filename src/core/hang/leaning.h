// Things that lean against a wall: their angle, what keeps them from sliding, what of them is seen behind others.
#pragma once

#include <optional>
#include <string>
#include <vector>

#include "core/model/job.h"
#include "core/units/weight.h"

namespace mezzet {

/// From this height or weight on a thing that leans must stand safely; lower and lighter it is told [D].
inline constexpr double kLeansTall = 27 * kInch, kLeansHeavy = 10 * kPound;
/// Where a leaning thing first stands: its foot this share of its height from the wall, 1 in 8 or 7.2 degrees [D].
inline constexpr double kUsualLean = 0.125;

/// What friction its foot needs where the wall is smooth: tan(angle) / 2, by the moments of its weight about the foot.
[[nodiscard]] double frictionNeeded(double degrees);
/// How far its foot stands off the wall at an angle.
[[nodiscard]] double leanAt(double height, double degrees);
/// Whether it must stand safely: tall, or heavy.
[[nodiscard]] bool leansHeavily(const Piece&);

/// The share of a face, 0 to 1, that none of some rectangles before it covers.
[[nodiscard]] double shareFree(const WallRect& face, const std::vector<WallRect>& before);

/// Each leaning piece of a wall with what is seen of its face from the room, 0 to 1: what those before it, with a
/// larger lean, leave free.
struct LeaningFace {
  const Placement* placement = nullptr;
  WallRect face;  ///< above the datum
  double seen = 1;
};
[[nodiscard]] std::vector<LeaningFace> leaningFaces(const PieceIndex&, const Room&, const Scheme&,
                                                    const CornerId& wall);

/// "7 degrees from upright; its foot needs a friction of 0.063. A stop, a non-slip strip and a tether keep it."
[[nodiscard]] std::vector<std::string> leaningWords(const Job&, const Piece&, const LeaningPlace&);

/// What a leaning thing's foot can stand on at a place of a wall: what is there, "" for the floor.
struct Footing {
  std::string carrier;
  double height = 0;  ///< above the floor
};
[[nodiscard]] Footing footingAt(const Job&, const Room&, const Scheme&, const CornerId& wall, double u);

/// What hangs leans where it hung, on what is there; what leans hangs above it, its middle at the usual height.
[[nodiscard]] Job leanedOrHung(const Job&, const SchemeId&, const PlacementId&);

}  // namespace mezzet
