#include "io/json/building_json.h"

#include "io/json/data_json.h"

namespace mezzet {
namespace {

using Json = ObjectReader::Json;

std::vector<std::string> sentences(ObjectReader& in, const char* key) {
  std::vector<std::string> out;
  for (const Json& one : in.list(key)) {
    if (!one.is_string()) in.fail(key, "must be texts in quotes");
    out.push_back(one.get<std::string>());
  }
  if (out.empty()) in.fail(key, "says nothing", "At least one sentence");
  return out;
}

}  // namespace

Result<std::vector<BuildOrder>> readBuildOrders(std::string_view text, const std::string& name) {
  return fromData<std::vector<BuildOrder>>(text, name, [&](const Json& json) {
    ObjectReader in(json, name);
    static_cast<void>(in.text("source"));
    std::vector<BuildOrder> out;
    const Json& list = in.list("orders");
    for (std::size_t i = 0; i < list.size(); ++i) {
      ObjectReader one(list[i], in.placeOf("orders/" + std::to_string(i)));
      out.push_back({one.text("id"), one.text("title"), sentences(one, "steps"), sentences(one, "cautions")});
      one.finish();
    }
    in.finish();
    return out;
  });
}

}  // namespace mezzet
