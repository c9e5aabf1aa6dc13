// What is recorded on site, in the job file: all of it may be left out. Throws JsonFault that names the place.
#pragma once

#include "io/json/job_json.h"
#include "io/json/json_reader.h"

namespace mezzet {

void readSite(ObjectReader&, Opening&);
void readSite(ObjectReader&, Feature&);
void readSite(ObjectReader&, Room&);
void writeSite(Json&, const Opening&);
void writeSite(Json&, const Feature&);
void writeSite(Json&, const Room&);
[[nodiscard]] std::vector<Storey> readStoreys(ObjectReader&);
[[nodiscard]] Json toJson(const std::vector<Storey>&);

}  // namespace mezzet
