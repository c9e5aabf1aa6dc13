// Everything that is said of a survey: adjustment, suspects, slips, what is checked, what to measure next.
#pragma once

#include "core/survey/certainty.h"
#include "core/survey/next_reading.h"
#include "core/survey/slips.h"

namespace mezzet {

enum class ReadingStatus { Ok, Suspect, Named, Unchecked };
[[nodiscard]] const char* statusWord(ReadingStatus);  ///< "ok", "suspect", "named", "unchecked"

struct SurveyReport {
  Adjustment all;                  ///< of every observation
  Suspects suspects;               ///< of the first round
  std::vector<std::size_t> named;  ///< in the order in which they were named and left out; each of a later round only
                                   ///< shows once the former are out
  std::vector<Explanation> explanations;  ///< of the first round
  Adjustment best;                        ///< without the named ones: where the corners are believed to be
  std::vector<ReadingStatus> status;      ///< by observation
  std::vector<AdjustedRow> rows;          ///< by observation, in `best`; a named one against what the others say
  RoomCertainty certainty;                ///< without the named ones
  std::optional<NextReading> next;
  std::optional<Error>
      refused;  ///< why the outline of all observations cannot stand; then `best` is without the named ones
  [[nodiscard]] bool closes() const { return !refused && all.withinLimit() && !suspects.detected; }
};

/// Refused where nothing can be said: corners not fixed yet, or an outline that cannot stand and no reading to blame.
[[nodiscard]] Result<SurveyReport> reportOf(const Network&, const std::vector<Slip>&, LengthFormat format = {});

}  // namespace mezzet
