// Reads JSON objects strictly: every key is asked for, and what nobody asked for is an error that names it.
#pragma once

#include <nlohmann/json.hpp>
#include <optional>
#include <set>
#include <string>

#include "core/edit/validate_text.h"
#include "core/base/result.h"

namespace mezzet {

/// Thrown inside a reader, turned into a Result at its edge.
struct JsonFault {
  Error error;
};

class ObjectReader {
 public:
  using Json = nlohmann::ordered_json;

  ObjectReader(const Json& json, std::string place) : json_(json), place_(std::move(place)) {
    if (!json.is_object()) fail("", "must be an object { .. }");
  }

  [[nodiscard]] const std::string& place() const { return place_; }
  [[nodiscard]] std::string placeOf(const std::string& key) const { return place_ + "/" + key; }

  [[noreturn]] void fail(const std::string& key, const std::string& what,
                         const std::string& hint = "See docs/job-file.md") const {
    throw JsonFault{{key.empty() ? place_ : placeOf(key), what, hint}};
  }

  /// The value, or null if the key is absent or null.
  const Json* find(const std::string& key) {
    seen_.insert(key);
    const auto at = json_.find(key);
    return at == json_.end() || at->is_null() ? nullptr : &*at;
  }
  const Json& need(const std::string& key) {
    const Json* value = find(key);
    if (value == nullptr) fail(key, "is missing");
    return *value;
  }

  std::string text(const std::string& key) { return asText(key, need(key)); }
  std::string text(const std::string& key, std::string otherwise) {
    const Json* value = find(key);
    return value == nullptr ? std::move(otherwise) : asText(key, *value);
  }
  double number(const std::string& key) { return asNumber(key, need(key)); }
  double number(const std::string& key, double otherwise) {
    const Json* value = find(key);
    return value == nullptr ? otherwise : asNumber(key, *value);
  }
  std::optional<double> maybeNumber(const std::string& key) {
    const Json* value = find(key);
    return value == nullptr ? std::nullopt : std::optional(asNumber(key, *value));
  }
  long long whole(const std::string& key, long long otherwise) {
    const Json* value = find(key);
    if (value == nullptr) return otherwise;
    if (!value->is_number_integer() ||
        (value->is_number_unsigned() && value->get<std::uint64_t>() > (std::uint64_t{1} << 53)))
      fail(key, "must be a whole number");
    return value->get<long long>();
  }
  bool flag(const std::string& key) {
    const Json* value = find(key);
    if (value == nullptr) return false;
    if (!value->is_boolean()) fail(key, "must be true or false");
    return value->get<bool>();
  }
  /// The elements of an array; none if the key is absent.
  const Json& list(const std::string& key) {
    static const Json kNone = Json::array();
    const Json* value = find(key);
    if (value == nullptr) return kNone;
    if (!value->is_array()) fail(key, "must be a list [ .. ]");
    return *value;
  }

  template <class Enum, std::size_t N>
  Enum choice(const std::string& key, const std::pair<const char*, Enum> (&names)[N],
              std::optional<Enum> otherwise = std::nullopt) {
    const Json* value = otherwise ? find(key) : &need(key);
    if (value == nullptr) return *otherwise;
    const std::string word = asText(key, *value);
    std::string all;
    for (const auto& [name, meaning] : names) {
      if (word == name) return meaning;
      all += (all.empty() ? "" : ", ") + std::string(name);
    }
    fail(key, "is \"" + word.substr(0, 40) + "\"", "Use one of: " + all);
  }

  /// Call when everything has been asked for.
  void finish() const {
    for (const auto& [key, value] : json_.items())
      if (!seen_.contains(key))
        fail(key.substr(0, 60), "is a key that Mezzet does not know", "Remove it, or keep free data under \"x\"");
  }

 private:
  std::string asText(const std::string& key, const Json& value) const {
    if (!value.is_string()) fail(key, "must be a text in quotes");
    std::string text = value.get<std::string>();
    if (text.size() > kLongestText) fail(key, "is longer than 10000 characters");
    return text;
  }
  double asNumber(const std::string& key, const Json& value) const {
    if (!value.is_number()) fail(key, "must be a number");
    return value.get<double>();
  }

  const Json& json_;
  std::string place_;
  std::set<std::string> seen_;
};

}  // namespace mezzet
