// A room typed as runs and turns: walk the walls with the room on the left hand, type each run and the turn at its end.
#pragma once

#include <optional>
#include <string>
#include <string_view>
#include <vector>

#include "core/geometry/polygon.h"
#include "core/model/job.h"
#include "core/base/result.h"

namespace mezzet {

struct Run {
  std::optional<double> length;  ///< mm; absent while it has not been typed
  double turn = 90;              ///< degrees at the run's end: 90 left, -90 right
  bool operator==(const Run&) const = default;
};

/// Walls that are being typed and make no outline yet.
struct WalkDraft {
  RoomId room;  ///< whose outline it changes; empty for a room that is not there yet
  std::vector<Run> runs;
  double ceiling = 0;  ///< of a room that is not there yet
  bool operator==(const WalkDraft&) const = default;
};

/// What was typed as a corner: "left", "right 45", "45 left", or the angle inside the room as an angle finder reads it,
/// "inside 135" or just "135". Degrees to the left, between -180 and 180; the complaint when it is none.
struct TurnReading {
  std::optional<double> turn;
  std::string complaint;
};
[[nodiscard]] TurnReading readTurn(std::string_view text);
[[nodiscard]] std::string writeTurn(double turn);  ///< "then left", "then right 45°"

/// Where the runs lead. A run that has no length yet is walked as 0.
struct Traverse {
  Polygon corners;    ///< start of each run
  Vec2 end;           ///< where the last run ends; (0, 0) when the walk closes
  double turned = 0;  ///< sum of the turns; 360 when the walk closes
  [[nodiscard]] double misclosure() const { return norm(end); }
};
[[nodiscard]] Traverse walk(const std::vector<Run>&);

/// The corners of a closed walk, or why it is none: which run is missing, how far it is from closing, what crosses.
/// Closing means within half a millimetre; the last corner takes up what is left.
[[nodiscard]] Result<std::vector<Corner>> cornersFromRuns(const std::vector<Run>&, LengthFormat format);

/// The runs of an outline; the inverse of cornersFromRuns.
[[nodiscard]] std::vector<Run> runsOf(const std::vector<Corner>&);

/// Lengths that would close the walk.
struct Closing {
  std::vector<std::pair<std::size_t, double>> lengths;  ///< run index and its new length, mm
  std::string sentence;                                 ///< "Make wall C 222 in"
};
/// First the runs not typed yet, else each single run (but `justTyped`) whose change alone closes the walk.
[[nodiscard]] std::vector<Closing> closings(const std::vector<Run>&, std::optional<std::size_t> justTyped,
                                            LengthFormat format);

}  // namespace mezzet
