// Frames arranged as one: where each has its middle. Pure geometry: no wall, no rules.
#pragma once

#include <cstdint>
#include <optional>
#include <stop_token>
#include <string>
#include <vector>

#include "core/base/chance.h"
#include "core/model/place.h"
#include "core/model/scheme.h"

namespace mezzet {

/// Between two frames unless said (common practice).
inline constexpr double kHangGap = 2 * kInch;
/// Frames of a grid or a match that differ by no more than this are equal [D].
inline constexpr double kEqualFrames = kInch / 8;
/// The gaps a match may have [D].
inline constexpr double kMatchGapLow = 0.75 * kInch, kMatchGapHigh = 4 * kInch;
/// Of a loose hang: how far its corner frames are out of line, and the gaps between its frames [D].
inline constexpr double kLooseOffLow = 1 * kInch, kLooseOffHigh = 4 * kInch;
inline constexpr double kLooseGapLow = 1.5 * kInch, kLooseGapHigh = 3 * kInch;
/// More than this are not arranged at once.
inline constexpr std::size_t kMostFrames = 200;

struct Frame {
  std::string id;
  double width = 0, height = 0;  ///< outer edges
  std::string name = {};         ///< as it is called; the id where there is none
};
struct ArrangementAsk {
  HangAs as = HangAs::Row;
  std::vector<Frame> frames;
  double roomWidth = 0, roomHeight = 0;  ///< of the region; what does not fit it is told
  std::optional<double> gap = std::nullopt;
  int rows = 0, columns = 0;  ///< of a grid or a match; 0: chosen
  HangLine line = HangLine::Centre;
  std::optional<double> ratio = std::nullopt;  ///< width to height that is wished of the whole
  double matchWidth = 0, matchHeight = 0;      ///< of a match
  int restarts = 100;
  std::uint64_t seed = 1;
  /// Of a salon: a convex polygon, anticlockwise, that it fills instead of the room's width and height, and what is in
  /// the way there.
  std::vector<Vec2> region = {};
  std::vector<WallRect> taken = {};
};
/// Middles count from the left and lower edge of the envelope.
struct Arrangement {
  bool made = false;          ///< there is one; whether it fits the region say the shortfalls
  std::vector<Vec2> centres;  ///< in the order of the frames
  double width = 0, height = 0;
  Vec2 at;                                 ///< the envelope's lower left corner, where a region was asked for
  double shortWidth = 0, shortHeight = 0;  ///< by how much it does not fit; 0: it does
  int restarts = 0;
  std::vector<std::string> unmet;  ///< in words with lengths as {mm}: see `saidOf`
  [[nodiscard]] bool fits() const { return made && shortWidth <= 0 && shortHeight <= 0; }
};
/// The same input gives the same answer. A stop gives the best so far.
[[nodiscard]] Arrangement arranged(const ArrangementAsk&, LengthFormat, const std::stop_token& = {});

/// Frame area over envelope.
[[nodiscard]] double fillOf(const std::vector<Frame>&, const Arrangement&);

// ---- one function for each way; called by `arranged`
[[nodiscard]] Arrangement arrangedRow(const ArrangementAsk&);
[[nodiscard]] Arrangement arrangedGrid(const ArrangementAsk&, LengthFormat);
[[nodiscard]] Arrangement arrangedMatch(const ArrangementAsk&, LengthFormat);
[[nodiscard]] Arrangement arrangedSalon(const ArrangementAsk&, const std::stop_token&);
[[nodiscard]] Arrangement arrangedLoose(const ArrangementAsk&, LengthFormat, const std::stop_token&);
[[nodiscard]] Arrangement arrangedMirrored(const ArrangementAsk&, LengthFormat);

}  // namespace mezzet
