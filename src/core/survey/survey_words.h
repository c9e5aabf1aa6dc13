// What a survey says, in sentences.
#pragma once

#include "core/model/survey_record.h"
#include "core/survey/report.h"

namespace mezzet {

/// "wall C", "A to C", "the square corner at B", "the angle at B".
[[nodiscard]] std::string observationName(const Network&, const std::vector<std::string>& corners,
                                          std::size_t observation);
/// A reading in the user's unit: "139 1/8 in", "87.2°".
[[nodiscard]] std::string readingWords(const Observation&, double value, LengthFormat);

/// The same of a reading of the record.
[[nodiscard]] std::string readingWords(const Reading&, LengthFormat);

/// Whether the readings fit, and which does not: one sentence, two where there is a slip to tell or something to
/// measure.
[[nodiscard]] std::string closureSentence(const Network&, const std::vector<std::string>& corners, const SurveyReport&,
                                          LengthFormat);
/// What to measure next and what it would gain; "" when nothing would help.
[[nodiscard]] std::string nextSentence(const std::vector<std::string>& corners, const SurveyReport&, LengthFormat);

}  // namespace mezzet
