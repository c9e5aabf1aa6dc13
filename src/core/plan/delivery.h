// Whether a piece comes in: a box along the legs of the way from the street to the room. Sufficient, not necessary:
// what goes as a box goes; what does not may still go by the shape that it has.
#pragma once

#include <optional>
#include <string>
#include <vector>

#include "core/model/job.h"

namespace mezzet {

/// What hands and blankets take, each side of the piece [D].
inline constexpr double kCarryRoom = 1 * kInch;
/// Less to spare than this is tight [D].
inline constexpr double kTightBelow = 2 * kInch;
/// A rug comes rolled, so thick [D].
inline constexpr double kRolledRug = 12 * kInch;
/// Of what hangs, where its depth was not measured [D].
inline constexpr double kHungDepth = 2 * kInch;

enum class CarryVerdict { Goes, Tight, No, NotMeasured };
enum class Carried { Flat, Upright, Tilted };

struct LegSlack {
  double slack = 0;  ///< mm to spare at this leg, as it is best carried there; less than 0: short by
  Carried how = Carried::Flat;
  double along = 0, across = 0, up = 0;  ///< of the box, with kCarryRoom, as it is carried there; tilted: before that
  double tilt = 0;                       ///< in the upright plane of its length, degrees
};

struct DeliveryAnswer {
  PieceId piece;
  CarryVerdict verdict = CarryVerdict::NotMeasured;
  std::optional<Carried> how;
  std::optional<std::size_t> leg;   ///< that decides, unless it goes
  std::optional<double> spare;      ///< the least slack over the legs
  bool apart = false;               ///< only when it is taken apart
  std::vector<LegSlack> legs = {};  ///< of every leg; those that it does not pass have no end of slack
  std::string says;
};

/// The longest thing `wide` wide that comes level round a right-angled corner from a corridor `a` wide into one `b`
/// wide: least over t of (a sin t + b cos t - wide) / (sin t cos t). 0 where `wide` is no less than either.
[[nodiscard]] double longestRoundCorner(double a, double b, double wide);
/// At which angle to the second corridor that is, degrees.
[[nodiscard]] double tightestTurn(double a, double b, double wide);
/// What a box of these sizes has to spare at a leg, any face down, tilted where that helps. The sizes are those of the
/// piece: kCarryRoom is added here. A height that a leg does not say is not asked, and nothing is tilted there.
[[nodiscard]] LegSlack slackAt(const DeliveryLeg&, const BoxSize&);

/// Which pieces are carried in: those that stand, hang or lie in a scheme, or are to be bought; not what stands in
/// displays.
[[nodiscard]] std::vector<PieceId> carriedPieces(const Job&);
/// Those of them that stand, hang or lie in some schemes.
[[nodiscard]] std::vector<PieceId> carriedInto(const Job&, const std::vector<const Scheme*>&);
[[nodiscard]] DeliveryAnswer deliver(const Piece&, const std::vector<DeliveryLeg>&, LengthFormat);
/// By the legs that lead to where it stands in any scheme; a piece that stands nowhere takes those that are
/// everybody's.
[[nodiscard]] DeliveryAnswer deliver(const Job&, const PieceId&, LengthFormat);
/// "the door", "leg 2, the landing": how a leg is called.
[[nodiscard]] std::string legName(const std::vector<DeliveryLeg>&, std::size_t leg);
[[nodiscard]] const char* legWord(LegKind);
[[nodiscard]] const char* verdictWord(CarryVerdict);  ///< "goes", "tight", "no", "not measured"
[[nodiscard]] const char* carriedWord(Carried);       ///< "flat", "upright", "tilted"

}  // namespace mezzet
