// From a room's record of readings to its outline, and edits of that record.
#pragma once

#include "core/model/job.h"
#include "core/survey/report.h"

namespace mezzet {

/// u95 of a reading where none was entered [D]: tape 1/8 in plus 1/32 in for each 10 ft, laser 3 mm, plan 10 mm,
/// photograph 2 % and at least 10 mm; angles 0.5 degrees.
[[nodiscard]] double usualU95(const Reading&);
/// The ± of a reading: as entered, else the usual one.
[[nodiscard]] inline double u95Of(const Reading& r) { return r.u95.value_or(usualU95(r)); }

/// Two readings of one length or angle, from either end. A wall may have several openings: no width is another's.
[[nodiscard]] bool samePlace(const Reading&, const Reading&);
[[nodiscard]] bool scaledOff(const Reading&);  ///< taken from a picture, not in the room

/// Whether `tape`, taken on site, counts instead of `plan`, scaled off a picture of the same place. Both stay in the
/// record.
[[nodiscard]] bool outranks(const Reading& tape, const Reading& plan);

/// The record as a network: the readings that are not superseded, in their order, then the corners assumed square.
/// Readings whose corners are not in the sketch are left out.
struct SurveyNetwork {
  Network network;
  std::vector<std::string> corners;
  std::vector<std::size_t>
      readings;  ///< by observation: its place among the record's readings; squares come after them
};
[[nodiscard]] SurveyNetwork networkOf(const SurveyRecord&);

/// Sigma of the assumption that a corner is square, degrees: half a degree, and 12 mm over the shorter wall beside it
/// [D].
[[nodiscard]] double squareSigma(double shorterWall);

/// The room with the outline that its readings give; the named ones left out. Refused, and then the corners stay as
/// they were, where the readings fix no outline yet or none that can stand.
[[nodiscard]] Result<Room> surveyed(Room);

/// The same room with its doubt worked out anew from its readings; for a room that was just read from a file.
[[nodiscard]] Room withDoubt(Room);

/// Where the corners would be drawn with what is known so far; for a record that fixes no outline yet.
[[nodiscard]] Polygon outlineSoFar(const SurveyRecord&);

/// Everything that is said of the room's readings.
[[nodiscard]] Result<SurveyReport> reportOf(const SurveyRecord&, const std::vector<Slip>&, LengthFormat);

/// A record of a walk: its runs as tape readings (those that are known), its turns as the sketch. Corners that turn by
/// other than a quarter are not taken as square, and their turns are readings of an angle.
struct WalkedRun {
  std::optional<double> length;
  std::string typed;
  double turn = 90;  ///< at its end, degrees to the left
};
[[nodiscard]] SurveyRecord recordOf(const std::vector<WalkedRun>&, IdSource&);

/// The walk of a record, as far as it was read: the inverse of recordOf. Corners that are not square turn as they are
/// drawn.
[[nodiscard]] std::vector<WalkedRun> walkOf(const Room&);

}  // namespace mezzet
