// What of the job file is about displays: all of it may be left out. Throws JsonFault that names the place.
#pragma once

#include <optional>
#include <string>

#include "io/json/job_json.h"
#include "io/json/json_reader.h"

namespace mezzet {

/// Surfaces of a piece: the list under "surfaces".
void readSurfaces(ObjectReader&, Piece&);
void writeSurfaces(Json&, const Piece&);
/// Of a piece's part `thing`: what no row of the table of fields says.
void readThing(ObjectReader&, Piece&);
void writeThing(Json&, const Piece&);
/// On another placement or on a fixed thing; its keys, but for those of the place itself.
[[nodiscard]] CarriedPlace readCarried(ObjectReader&, bool fixed);
[[nodiscard]] Json toJson(const CarriedPlace&);

[[nodiscard]] ColourPalette readPalette(ObjectReader&);
[[nodiscard]] Json toJson(const ColourPalette&);
void readDisplays(ObjectReader&, Scheme&);
void writeDisplays(Json&, const Scheme&);
/// The word of a board: "red-oak"; of a school; of a lie.
[[nodiscard]] const char* boardWord(Board);
[[nodiscard]] const char* displaySchoolWord(DisplaySchool);

}  // namespace mezzet
