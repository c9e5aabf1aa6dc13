#include "io/json/fixings_json.h"

#include <algorithm>

#include "io/json/data_json.h"
#include "io/json/wall_materials.h"

namespace mezzet {
namespace {

using Json = ObjectReader::Json;

Fixing readFixing(const Json& json, const std::string& where) {
  ObjectReader in(json, where);
  Fixing f;
  f.id = in.text("id");
  f.words = in.text("words");
  for (const Json& wall : in.list("walls")) {
    const auto* found = std::find_if(std::begin(kWallMaterials), std::end(kWallMaterials), [&](const auto& one) {
      return wall.is_string() && wall.get<std::string>() == one.first;
    });
    if (found == std::end(kWallMaterials)) in.fail("walls", "names no wall", "See docs/job-file.md");
    f.walls.push_back(found->second);
  }
  f.kg = in.number("kg");
  f.ultimate = in.flag("ultimate");
  f.stud = in.flag("stud");
  f.captive = in.flag("captive");
  f.hole = in.number("hole");
  f.tool = in.text("tool");
  f.pilot = in.number("pilot");
  if (!(f.kg > 0) || !(f.hole >= 0) || !(f.pilot >= 0))
    in.fail("", "holds a number that cannot be", "Loads are above 0");
  in.finish();
  return f;
}

}  // namespace

Result<std::vector<Fixing>> readFixings(std::string_view text, const std::string& name) {
  return fromData<std::vector<Fixing>>(text, name, [&](const Json& json) {
    ObjectReader in(json, name);
    static_cast<void>(in.text("source"));
    std::vector<Fixing> out;
    const Json& list = in.list("fixings");
    for (std::size_t i = 0; i < list.size(); ++i) {
      out.push_back(readFixing(list[i], in.placeOf("fixings/" + std::to_string(i))));
      for (std::size_t k = 0; k < i; ++k)
        if (out[k].id == out[i].id) in.fail("fixings", "has " + out[i].id + " twice", "Ids must differ");
    }
    in.finish();
    return out;
  });
}

}  // namespace mezzet
