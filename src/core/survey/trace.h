// A plan picture under the drawing: straightened by four points, scaled by known lengths, traced corner by corner. What
// is traced becomes readings with the picture's doubt; a tape outranks them wherever both were taken.
#pragma once

#include <array>
#include <optional>
#include <string>
#include <vector>

#include "core/base/result.h"
#include "core/model/job.h"
#include "core/model/job.h"
#include "core/base/result.h"

namespace mezzet {

/// A projective map of the plane, row by row.
using Homography = std::array<double, 9>;
[[nodiscard]] Vec2 mapped(const Homography&, Vec2);
/// The map that takes four points to four others. Nothing when three of either lie in one line.
[[nodiscard]] std::optional<Homography> homographyOf(const std::vector<Vec2>& from, const std::vector<Vec2>& to);
[[nodiscard]] std::optional<Homography> backwards(const Homography&);

/// How a click on the picture may be off, pixels (u95) [D].
inline constexpr double kClickU95 = 2;
/// Of a picture with only one known length, as a share of any other length (u95) [D].
inline constexpr double kUncheckedShare = 0.02;

/// The note of a traced reading.
inline constexpr const char* kTraceNote = "traced";

struct PictureScale {
  Homography toPlan{};            ///< pixels (y down) to mm on the plan (y up)
  double mmPerPixel = 0;          ///< in the middle of the picture
  std::vector<double> residuals;  ///< scaled - known, mm, by known length
  double scatter = 0;             ///< standard deviation of the known lengths about the scale, mm; 0 with one
  bool checked = false;           ///< by a second known length
  /// u95 of a length on the plan, mm.
  [[nodiscard]] double u95Of(double length) const;
  double shareSigma = 0;  ///< of the scale itself, as a share
};
/// Refused without a known length or a frame.
[[nodiscard]] Result<PictureScale> scaleOf(const Underlay&);
/// What is said of it: the residuals, and a warning with only one length.
[[nodiscard]] std::vector<std::string> scaleWords(const Underlay&, LengthFormat);

/// Where a click of the tracing hand comes to rest.
struct TraceSnap {
  Vec2 at;
  enum class To { Nothing, FirstCorner, Level, Upright, Corner } to = To::Nothing;
};
/// `reach` in pixels. The first corner closes the trace; else level and upright with the corner before, and with the
/// first.
[[nodiscard]] TraceSnap snapped(const std::vector<Vec2>& trace, Vec2 click, double reach);

/// The room with the traced walls as readings. A room that has readings keeps them, if the trace has as many corners; a
/// new one gets its corners from the trace. Corners within three degrees of square are taken as square.
[[nodiscard]] Result<Room> traced(Room, IdSource&);

/// A wall that was traced, against what the tape said since.
struct TraceDifference {
  CornerId from, to;
  double traced = 0, tracedU95 = 0;
  std::optional<double> taped, tapedU95;
  [[nodiscard]] std::optional<double> difference() const {
    return taped ? std::optional(*taped - traced) : std::nullopt;
  }
  std::string sentence;
};
[[nodiscard]] std::vector<TraceDifference> traceDifferences(const Room&, LengthFormat);

}  // namespace mezzet
