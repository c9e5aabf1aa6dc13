#include "meter/script.h"

#include <charconv>

namespace mezzet {

Result<std::vector<ScriptStep>> readScript(std::string_view text, const std::string& name) {
  std::vector<ScriptStep> out;
  std::size_t line = 0;
  while (!text.empty()) {
    ++line;
    const std::size_t end = text.find('\n');
    std::string_view words = text.substr(0, end);
    text = end == std::string_view::npos ? std::string_view{} : text.substr(end + 1);
    words = words.substr(0, words.find('#'));
    while (!words.empty() && (words.back() == ' ' || words.back() == '\r' || words.back() == '\t'))
      words.remove_suffix(1);
    while (!words.empty() && words.front() == ' ') words.remove_prefix(1);
    if (words.empty()) continue;
    if (out.size() >= 100'000) return Error{name, "has more than 100000 steps", "Shorten it"};
    if (words == "garbage" || words == "burst" || words == "drop") {
      out.push_back({words == "garbage" ? ScriptStep::Garbage
                     : words == "burst" ? ScriptStep::Burst
                                        : ScriptStep::Drop});
      continue;
    }
    ScriptStep step;
    const auto [rest, fault] = std::from_chars(words.data(), words.data() + words.size(), step.value);
    const char* last = words.data() + words.size();
    bool good = fault == std::errc{} && step.value >= 0 && step.value <= 100'000;
    if (good && rest != last) {
      const auto [after, second] = std::from_chars(rest + (*rest == ' ' ? 1 : 0), last, step.share);
      good = *rest == ' ' && second == std::errc{} && after == last && step.share > 0 && step.share <= 1;
    }
    if (!good)
      return Error{name + ", line " + std::to_string(line), "is no step", "A figure in mm, garbage, burst or drop"};
    out.push_back(step);
  }
  return out;
}

std::vector<ScriptStep> scriptOfRoom(const Room& room) {
  std::vector<ScriptStep> out;
  const std::size_t n = room.corners.size();
  for (const Wall& wall : wallsOf(room)) out.push_back({ScriptStep::Reading, wall.length()});
  for (std::size_t i = 0; i < n; ++i)
    for (std::size_t j = i + 2; j < n; ++j)
      if (!(i == 0 && j + 1 == n))
        out.push_back({ScriptStep::Reading, distance(room.corners[i].at, room.corners[j].at)});
  return out;
}

std::vector<ScriptStep> studsOfRoom(const Room& room) {
  std::vector<ScriptStep> out;
  for (const StudRecord& record : room.studs)
    for (const StudHit& hit : record.hits) out.push_back({ScriptStep::Reading, hit.along, hit.confidence});
  if (out.empty())
    for (double at = 100; at < wallsOf(room).front().length(); at += 16 * kInch)
      out.push_back({ScriptStep::Reading, at});
  return out;
}

}  // namespace mezzet
