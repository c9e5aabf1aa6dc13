#include "core/light/circuits.h"

#include <algorithm>

namespace mezzet {
namespace {

const WallPoint* switchOf(const Room& room, const Circuit& circuit) {
  const auto at = std::find_if(room.points.begin(), room.points.end(),
                               [&](const WallPoint& p) { return p.id == circuit.switchAt; });
  return at == room.points.end() ? nullptr : &*at;
}

}  // namespace

std::string switchWords(const Room& room, const Circuit& circuit) {
  const WallPoint* point = switchOf(room, circuit);
  if (point == nullptr) return "no switch yet";
  return point->wall.empty() ? "switch in the ceiling" : "switch on wall " + point->wall.value;
}

std::string switchWords(const Room& room, const Circuit& circuit, LengthFormat format) {
  const WallPoint* point = switchOf(room, circuit);
  std::string words = switchWords(room, circuit);
  if (point != nullptr && !point->wall.empty())
    words +=
        ", " + writeLength(point->along, format) + " from its start, " + writeLength(point->height, format) + " up";
  return words;
}

}  // namespace mezzet
