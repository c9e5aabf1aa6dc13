// JSON text is looked over before the parser sees it.
#include "io/json/job_json.h"

#include <algorithm>

namespace mezzet {
namespace {

constexpr std::size_t kMostKeys = 2'000;          // of one object
constexpr std::size_t kMostKeyWork = 10'000'000;  // comparisons of keys in a whole file
/// Numbers of parse errors of our own, beside the library's.
enum class Unbearable { Depth = 9001, Keys, Zero };

}  // namespace

Json parseJson(std::string_view text) {
  // Before the parser sees it: what would exhaust the stack, or take it minutes, since its objects are lists.
  const auto refuse = [](Unbearable why, std::size_t at) {
    throw nlohmann::json::parse_error::create(static_cast<int>(why), at, "", nullptr);
  };
  std::vector<std::size_t> keys;  // of each object that is open; arrays have none
  std::size_t work = 0;
  bool inString = false;
  for (std::size_t i = 0; i < text.size(); ++i) {
    const char c = text[i];
    if (c == '\0') refuse(Unbearable::Zero, i);
    if (inString) {
      if (c == '\\') ++i;
      else if (c == '"') inString = false;
      continue;
    }
    if (c == '"') inString = true;
    else if (c == '[' || c == '{') keys.push_back(0);
    else if ((c == ']' || c == '}') && !keys.empty()) keys.pop_back();
    else if (c == ':' && !keys.empty()) {
      work += ++keys.back();
      if (keys.back() > kMostKeys || work > kMostKeyWork) refuse(Unbearable::Keys, i);
    }
    if (keys.size() > static_cast<std::size_t>(kDeepest)) refuse(Unbearable::Depth, i);
  }
  return Json::parse(text);
}

Error notJson(const nlohmann::json::parse_error& fault, std::string_view text, const std::string& name,
              const std::string& hint) {
  if (text.find_first_not_of(" \t\r\n") == std::string_view::npos) return {name, "is empty", hint};
  // The library counts from 1, our own from 0.
  const bool own = fault.id >= static_cast<int>(Unbearable::Depth);
  const std::string_view before =
      text.substr(0, std::min(text.size(), own ? fault.byte : fault.byte - (fault.byte > 0)));
  const auto line = 1 + std::count(before.begin(), before.end(), '\n');
  const std::size_t begins = before.rfind('\n') == std::string_view::npos ? 0 : before.rfind('\n') + 1;
  const std::string at = " at line " + std::to_string(line) + ", column " + std::to_string(before.size() - begins + 1);
  switch (static_cast<Unbearable>(fault.id)) {
    case Unbearable::Depth:
      return {name, "nests deeper than " + std::to_string(kDeepest) + " levels" + at,
              "Nothing that Mezzet writes does"};
    case Unbearable::Keys:
      return {name, "has more keys in its objects than Mezzet reads" + at,
              "An object may have up to " + std::to_string(kMostKeys)};
    case Unbearable::Zero:
      return {name, "has a zero" + at + ", which no text has", "The file may be damaged; open a copy"};
  }
  return {name, "is not valid JSON" + at, hint};
}

}  // namespace mezzet
