#include "core/model/room.h"

#include <algorithm>
#include <array>
#include <string_view>

#include "core/base/sentence.h"

namespace mezzet {

std::vector<Wall> wallsOf(const Room& room) {
  std::vector<Wall> walls;
  walls.reserve(room.corners.size());
  for (std::size_t i = 0; i < room.corners.size(); ++i)
    walls.push_back({room.corners[i].id, room.corners[i].at, room.corners[(i + 1) % room.corners.size()].at,
                     room.corners[i].wallThickness.value_or(kUsualWall)});
  return walls;
}

std::optional<Wall> findWall(const Room& room, const CornerId& id) {
  for (const Wall& wall : wallsOf(room))
    if (wall.id == id) return wall;
  return std::nullopt;
}

Polygon outlineOf(const Room& room) {
  Polygon outline;
  outline.reserve(room.corners.size());
  for (const Corner& corner : room.corners) outline.push_back(corner.at);
  return outline;
}

CornerId cornerName(std::size_t index) {
  std::string name;
  for (std::size_t i = index + 1; i > 0; i = (i - 1) / 26)
    name.insert(name.begin(), static_cast<char>('A' + (i - 1) % 26));
  return CornerId(name);
}

std::string_view openingWord(OpeningKind kind) {
  constexpr std::array<std::string_view, 4> kOpeningKinds{"door", "sliding door", "window", "arch"};
  static_assert(static_cast<std::size_t>(OpeningKind::Arch) == kOpeningKinds.size() - 1);
  return kOpeningKinds[static_cast<std::size_t>(kind)];
}

std::string openingName(const Room& room, const Opening& o) {
  if (!o.name.empty()) return midSentence(o.name);
  std::size_t before = 0, alike = 0;
  for (const Opening& other : room.openings) {
    if (other.wall != o.wall || other.kind != o.kind || other.id == o.id) continue;
    ++alike;
    before += other.offset < o.offset;
  }
  constexpr std::array<std::string_view, 5> kOrdinals{"first ", "second ", "third ", "fourth ", "fifth "};
  std::string out;
  if (alike > 0) out = before < kOrdinals.size() ? std::string(kOrdinals[before]) : std::to_string(before + 1) + "th ";
  return out + std::string(openingWord(o.kind)) + " on wall " + o.wall.value;
}

Vec2 middleOf(const Wall& wall, const Opening& o) { return wall.start + wall.along() * (o.offset + o.width / 2); }

const Corner* findCorner(const Room& room, const CornerId& id) {
  const auto at = std::find_if(room.corners.begin(), room.corners.end(), [&](const Corner& c) { return c.id == id; });
  return at == room.corners.end() ? nullptr : &*at;
}

const Opening* findOpening(const Room& room, const OpeningId& id) {
  const auto at =
      std::find_if(room.openings.begin(), room.openings.end(), [&](const Opening& o) { return o.id == id; });
  return at == room.openings.end() ? nullptr : &*at;
}

}  // namespace mezzet
