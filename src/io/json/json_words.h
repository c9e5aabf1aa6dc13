// Words of the job file for values of the core, and small readers that several parts of it share; inside io only.
#pragma once

#include <string_view>

#include "core/model/job.h"
#include "io/json/job_json.h"
#include "io/json/json_reader.h"

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

inline Polygon pointsOf(const ObjectReader& in, const std::string& key, const Json& list) {
  Polygon points;
  if (!list.is_array()) in.fail(key, "must be a list of points");
  for (std::size_t i = 0; i < list.size(); ++i) {
    if (!list[i].is_array() || list[i].size() != 2 || !list[i][0].is_number() || !list[i][1].is_number())
      in.fail(key + "/" + std::to_string(i), "must be a point [x, y]");
    points.push_back({list[i][0].get<double>(), list[i][1].get<double>()});
  }
  return points;
}
inline Polygon readPoints(ObjectReader& in, const std::string& key) { return pointsOf(in, key, in.list(key)); }

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
inline Range readRange(ObjectReader& in) { return {in.maybeNumber("low"), in.maybeNumber("high")}; }
inline Json toJson(const Range& range) {
  const auto end = [](const std::optional<double>& v) { return v ? Json(*v) : Json(nullptr); };
  return {{"low", end(range.low)}, {"high", end(range.high)}};
}
/// The members of an object, each read by `read`; nothing when the key is absent.
template <class Value, class Read>
std::map<std::string, Value> readMap(ObjectReader& in, const std::string& key, Read read) {
  std::map<std::string, Value> out;
  const Json* all = in.find(key);
  if (all == nullptr) return out;
  if (!all->is_object()) in.fail(key, "must be an object { .. }");
  for (const auto& [name, value] : all->items()) {
    ObjectReader one(value, in.placeOf(key + "/" + name.substr(0, 60)));
    out[name] = read(one);
    one.finish();
  }
  return out;
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
