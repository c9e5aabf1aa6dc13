// How things on a wall were arranged, in the job file: it may be left out. Throws JsonFault that names the place.
#pragma once

#include <optional>
#include <string>

#include "io/json/job_json.h"
#include "io/json/json_reader.h"

namespace mezzet {

void readHangs(ObjectReader&, Scheme&);
void writeHangs(Json&, const Scheme&);
/// The word of an arrangement: "row"; what a word means; none for another word.
[[nodiscard]] const char* hangWord(HangAs);
[[nodiscard]] std::optional<HangAs> hangNamed(const std::string& word);
[[nodiscard]] std::optional<HangLine> hangLineNamed(const std::string& word);

}  // namespace mezzet
