// Studs behind the face of a wall, from taps or a detector's hits: pitch and first stud fitted so that a few wrong hits
// do not count, the usual pitches tried before a free one. Never a promise: the wall is detected again before anything
// is drilled.
#pragma once

#include <optional>
#include <string>
#include <vector>

#include "core/model/job.h"
#include "core/base/result.h"

namespace mezzet {

/// How far a hit may be off its stud's middle (u95, mm) [D]: knuckles find it to an inch, a detector to half an inch.
inline constexpr double kTapU95 = kInch, kDetectorU95 = kInch / 2;

struct Stud {
  double along = 0;  ///< of its middle, from the wall's start corner
  double u95 = 0;
  int hits = 0;  ///< that agree with it
};
struct StudFit {
  double pitch = 0, first = 0;  ///< first: of the stud nearest to the start corner, 0 <= first < pitch
  bool standardPitch = true;    ///< one of the usual ones, or the one that was typed
  std::vector<Stud> studs;      ///< predicted along the whole wall
  std::vector<ReadingId> odd;   ///< hits that fit no stud: an extra stud, a pipe, a mistake
  std::vector<double> others;   ///< other usual pitches that explain the hits about as well
};
/// 16 in, 24 in, 400, 450 and 600 mm.
[[nodiscard]] const std::vector<double>& usualPitches();
/// Nothing with fewer than two hits, or with a typed pitch fewer than one.
[[nodiscard]] std::optional<StudFit> fitStuds(const StudRecord&, double wallLength);
/// What is said of them; always ends with the caution.
[[nodiscard]] std::vector<std::string> studWords(const StudRecord&, const std::optional<StudFit>&, LengthFormat);

[[nodiscard]] const StudRecord* studsOf(const Room&, const CornerId& wall);

}  // namespace mezzet
