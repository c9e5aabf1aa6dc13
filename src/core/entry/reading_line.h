// The typed line of Measure: "AB 12'7", "A to C 268", "B angle 92.5", "150" for the next wall.
#pragma once

#include <string>
#include <string_view>

#include "core/model/job.h"

namespace mezzet {

/// What a line was understood as, or where and why it was not.
struct ReadingLine {
  std::optional<Reading> reading;  ///< without id
  std::string echo;                ///< "Wall A, 12'-7" with the tape, ±3/16 in"
  std::size_t at = 0;              ///< character the complaint is about
  std::string complaint;           ///< one sentence; empty when read
};

/// Between which corners the next reading is expected: the first wall not read yet, else nothing.
[[nodiscard]] std::optional<std::pair<CornerId, CornerId>> expectedRun(const SurveyRecord&);

/// Reads one line. Two corners that follow each other are a wall, read in either direction; others are corner to
/// corner. One corner and "angle" or a degree sign: the angle inside it. "C off A": from corner C square to wall A. "A
/// opening 32 trim": an opening's width on wall A. "AB bow 4": how far the middle of wall A stands off its chord.
/// Without corners it is `expected`. Behind the value: laser, plan or photo; skirting or ceiling; its ± as ±1/4; a note
/// in quotes. Bare numbers are in the job's unit.
[[nodiscard]] ReadingLine readReadingLine(std::string_view text, const SurveyRecord&,
                                          const std::optional<std::pair<CornerId, CornerId>>& expected, Unit bare,
                                          LengthFormat format);

/// What stands before the value on a line for the same place: "A to C ", "B angle ".
[[nodiscard]] std::string linePlace(const Reading&);

/// "wall A", "A to C", "the angle at B".
[[nodiscard]] std::string readingName(const Reading&);

}  // namespace mezzet
