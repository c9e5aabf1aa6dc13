// What was measured of a room, as it was read: the record that the outline comes from.
#pragma once

#include <memory>
#include <optional>
#include <string>
#include <vector>

#include "core/job/ids.h"

namespace mezzet {

using ReadingId = Id<struct ReadingKindTag>;

enum class ReadingKind { Run, Corners, Angle };  ///< along one wall, from corner to corner, inside a corner
enum class Instrument { Tape, Laser, Plan, Photograph };
enum class TakenAt { Skirting, Chest, Ceiling };

struct Reading {
  ReadingId id;
  ReadingKind kind = ReadingKind::Run;
  CornerId from, to;  ///< a run goes to the next corner; an angle stands at `from`
  double value = 0;   ///< mm, or degrees inside the room
  std::string typed;  ///< as it was typed
  Instrument instrument = Instrument::Tape;
  std::optional<double> u95;  ///< its ±, mm or degrees; the instrument's usual one until entered
  TakenAt takenAt = TakenAt::Chest;
  std::string who = {}, when = {}, note = {};
  bool superseded = false;  ///< measured again since; kept, and no longer used
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
