// What was measured of a room, as it was read: the record that the outline comes from.
#pragma once

#include <memory>
#include <optional>
#include <string>
#include <vector>

#include "core/base/ids.h"

namespace mezzet {

/// Along one wall; from corner to corner; inside a corner; from corner `from` square to the line of wall `to`; an
/// opening's width on wall `from`; how far the middle of a bowed wall stands off its chord. The last two say nothing of
/// the corners.
enum class ReadingKind { Run, Corners, Angle, Offset, Width, Sagitta };
enum class Instrument { Tape, Laser, Plan, Photograph };
enum class TakenAt { Skirting, Chest, Ceiling };

struct Reading {
  ReadingId id;
  ReadingKind kind = ReadingKind::Run;
  CornerId from, to;  ///< a run, width or sagitta goes to the next corner; an angle stands at `from`
  double value = 0;   ///< mm, or degrees inside the room
  std::string typed;  ///< as it was typed
  Instrument instrument = Instrument::Tape;
  std::optional<double> u95;  ///< its ±, mm or degrees; the instrument's usual one until entered
  TakenAt takenAt = TakenAt::Chest;
  bool atTrim = false;  ///< of a width: between the trims rather than the jambs
  std::string who = {}, when = {}, note = {};
  bool superseded = false;  ///< measured again since; kept, and no longer used
  [[nodiscard]] bool isAngle() const { return kind == ReadingKind::Angle; }
  /// Whether the corners follow from it.
  [[nodiscard]] bool isOfOutline() const { return kind != ReadingKind::Width && kind != ReadingKind::Sagitta; }
  bool operator==(const Reading&) const = default;
};

/// One corner of the sketch: which way the walk turns there, and whether it is taken as square.
struct SketchCorner {
  CornerId id;
  bool left = true, square = true;
  bool operator==(const SketchCorner&) const = default;
};

struct SurveyRecord {
  std::vector<SketchCorner> corners;
  std::vector<Reading> readings;
  bool operator==(const SurveyRecord&) const = default;
};

/// How sure the corners are: covariance of x0 y0 x1 y1 ..., mm², row by row. Follows from the readings, so rooms are
/// equal whatever stands here.
struct OutlineDoubt {
  std::shared_ptr<const std::vector<double>> covariance;
  bool operator==(const OutlineDoubt&) const { return true; }
};

}  // namespace mezzet
