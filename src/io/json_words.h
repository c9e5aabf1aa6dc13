// Words of the job file for values of the core, and small readers that several parts of it share; inside io only.
#pragma once

#include <string_view>

#include "core/model/job.h"
#include "io/job_json.h"
#include "io/json_reader.h"

namespace mezzet {

constexpr std::pair<const char*, Instrument> kInstruments[] = {{"tape", Instrument::Tape},
                                                               {"laser", Instrument::Laser},
                                                               {"plan", Instrument::Plan},
                                                               {"photograph", Instrument::Photograph}};

template <class Enum, std::size_t N>
[[nodiscard]] const char* wordFor(const std::pair<const char*, Enum> (&names)[N], Enum value) {
  for (const auto& [name, meaning] : names)
    if (meaning == value) return name;
  return "";
}

/// Keys sorted, so that equal data is equal text.
inline Extra readExtra(ObjectReader& in) {
  const Json* value = in.find("x");
  if (value == nullptr) return {};
  if (!value->is_object()) in.fail("x", "must be an object { .. }");
  return value->empty() ? Extra{} : nlohmann::json::parse(value->dump()).dump();
}
inline void writeExtra(Json& out, const Extra& extra) {
  if (!extra.empty()) out["x"] = Json::parse(extra);
}
inline void writeMaybe(Json& out, const char* key, const std::optional<double>& value) {
  if (value) out[key] = *value;
}

inline Polygon readPoints(ObjectReader& in, const std::string& key) {
  Polygon points;
  const Json& list = in.list(key);
  for (std::size_t i = 0; i < list.size(); ++i) {
    if (!list[i].is_array() || list[i].size() != 2 || !list[i][0].is_number() || !list[i][1].is_number())
      in.fail(key + "/" + std::to_string(i), "must be a point [x, y]");
    points.push_back({list[i][0].get<double>(), list[i][1].get<double>()});
  }
  return points;
}

/// SHA-256 and an ending.
inline bool isImageName(const std::string& name) {
  if (name.size() < 65 || name.size() > 70 || name[64] != '.') return false;
  for (std::size_t i = 0; i < 64; ++i)
    if (std::string_view("0123456789abcdef").find(name[i]) == std::string_view::npos) return false;
  const std::string ending = name.substr(65);
  return ending == "png" || ending == "jpg" || ending == "jpeg";
}
/// The name of an image of this file, or nothing.
inline std::string readImageName(ObjectReader& in, const std::string& key) {
  const std::string name = in.text(key, "");
  if (!name.empty() && !isImageName(name))
    in.fail(key, "is not the name of an image in this file", "It is a SHA-256 with .png or .jpg");
  return name;
}
inline void writeText(Json& out, const char* key, const std::string& text) {
  if (!text.empty()) out[key] = text;
}
/// Each element of a list, read by `read(ObjectReader&)`.
template <class T, class Read>
std::vector<T> readEach(ObjectReader& in, const std::string& key, Read read) {
  std::vector<T> out;
  const Json& list = in.list(key);
  for (std::size_t i = 0; i < list.size(); ++i) {
    ObjectReader one(list[i], in.placeOf(key + "/" + std::to_string(i)));
    out.push_back(read(one));
    one.finish();
  }
  return out;
}

}  // namespace mezzet
