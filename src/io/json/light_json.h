// What of the job file is about light: all of it may be left out. Throws JsonFault that names the place.
#pragma once

#include "io/json/job_json.h"
#include "io/json/json_reader.h"

namespace mezzet {

void readLight(ObjectReader&, Placement&);
void readLight(ObjectReader&, Scheme&);
void readLight(ObjectReader&, Room&);
void writeLight(Json&, const Placement&);
void writeLight(Json&, const Scheme&);
void writeLight(Json&, const Room&);

}  // namespace mezzet
