// Small rooms with lights. Lengths in inches.
#pragma once

#include <functional>

#include "core/space/arrange.h"
#include "support/rooms.h"

namespace mezzet::test {

/// Adds the light once under the ceiling, its middle at (x, y).
inline Job lit(const Job& job, const Piece& p, const char* at, double x, double y, double drop, double turn = 0) {
  const Job have = withPiece(job, p).value();
  return withPlacement(have, SchemeId("s1"), {PlacementId(at), p.id, CeilingPlace{{in(x), in(y)}, turn, in(drop)}, {}});
}
inline Job hanging(const Job& job, double x, double y, double drop, const char* at = "l1", double height = 14,
                   double across = 20) {
  Piece p = roundPiece("pendant", "pendant", across, height);
  p.count = 9;
  return lit(job, p, at, x, y, drop);
}
inline Piece table() { return piece("table", "dining-table", 72, 36, 30); }
inline Piece chair() {
  Piece p = piece("chair", "chair", 18, 20, 34);
  p.seat.edit().height = in(18);
  p.count = 9;
  return p;
}
inline Piece sofa() {
  Piece p = piece("sofa", "sofa", 84, 36, 34);
  p.seat.edit().height = in(18);
  p.seat.edit().arm = in(25);
  p.seat.edit().back = in(34);
  return p;
}
/// A pendant so much over a table 30 in high in the middle of the room.
inline Job dinedUnder(double over, double ceiling = 96, double height = 14, double across = 20) {
  return hanging(with(emptyRoom(222, 150, ceiling), table(), "t", 111, 75), 111, 75, ceiling - 30 - over, "l1", height,
                 across);
}
/// Two chairs at the middles of the long sides.
inline Job facing(const Job& job) {
  return with(with(job, chair(), "c1", 111, 75 - 18 - 7, 180), chair(), "c2", 111, 75 + 18 + 7, 0);
}
/// Three pendants, or as many as there are places, over an island 84 long, at these places along it.
inline Job rowOf(const std::vector<double>& places) {
  Job job = with(emptyRoom(), piece("i", "island", 84, 36, 36), "t", 111, 75);
  int n = 0;
  for (const double at : places) job = hanging(job, 111 - 42 + at, 75, 28, ("l" + std::to_string(++n)).c_str(), 10, 8);
  return job;
}
/// Recessed lights in a box so far from all four walls, as one laying over the whole floor.
inline Job laid(Job job, int rows, int columns, double box) {
  const Room& room = *job.rooms.front();
  const Vec2 far = room.corners[2].at;
  Piece p = roundPiece("down", "downlight", 4);
  p.height.reset();
  p.count = rows * columns;
  LaidLights all{LaidId("l"), {}, far.x * far.y};
  for (int r = 0; r < rows; ++r)
    for (int c = 0; c < columns; ++c) {
      const std::string id = "d" + std::to_string(r) + std::to_string(c);
      const double x = box + (far.x / kInch - 2 * box) * c / std::max(1, columns - 1),
                   y = box + (far.y / kInch - 2 * box) * r / std::max(1, rows - 1);
      job = lit(job, p, id.c_str(), x, y, 0);
      all.placements.emplace_back(id);
    }
  Scheme s = *job.schemes.front();
  s.laid.push_back(all);
  return withScheme(job, s);
}
/// A wall light 5 wide on wall A, its centre so high and at u.
inline Job sconced(double height, double u = 90, const Job& job = emptyRoom(), const char* at = "l1") {
  Piece p = piece("sconce", "wall-light", 5, 4, 12);
  p.count = 9;
  return withPlacement(withPiece(job, p).value(), SchemeId("s1"),
                       {PlacementId(at), p.id, WallPlace{CornerId("A"), in(u), in(height), {}}, {}});
}
/// A socket on wall A, so far from its start.
inline Job socketed(const Job& job, double along) {
  Room room = *job.rooms.front();
  room.points.push_back({PointId("x1"), PointKind::Socket, CornerId("A"), in(along), in(12), {}});
  return withRoom(job, room).value();
}
/// Doors opposite each other, a lamp on one side of the way between them and the only socket on the other.
inline Job crossedByAWay() {
  Job job = emptyRoom(120, 150);
  for (const auto& [id, wall] : {std::pair{"d1", "A"}, std::pair{"d2", "C"}}) {
    Opening door;
    door.id = OpeningId(id);
    door.kind = OpeningKind::Arch;
    door.wall = CornerId(wall);
    door.offset = in(42);
    door.width = in(36);
    door.height = in(80);
    job = withOpening(job, RoomId("parlour"), door).value();
  }
  job = with(job, roundPiece("lamp", "lamp", 14, 60), "l1", 74, 75);
  Room room = *job.rooms.front();
  room.points.push_back({PointId("x1"), PointKind::Socket, CornerId("D"), in(75), in(12), {}});  // on the left wall
  return withRoom(job, room).value();
}
inline HeightReading heightAt(const char* id, double x, double y, double clear) {
  HeightReading h;
  h.id = ReadingId(id);
  h.kind = HeightKind::Clear;
  h.at = {in(x), in(y)};
  h.taken.value = in(clear);
  h.taken.typed = std::to_string(clear);
  return h;
}
/// A ceiling that rises from wall A to wall C.
inline Job sloped(const Job& job, double low, double high) {
  Room room = *job.rooms.front();
  const Vec2 far = room.corners[2].at * (1 / kInch);
  room.ceiling = CeilingShape::Sloped;
  room.heights = {heightAt("h1", 0, 0, low), heightAt("h2", far.x, 0, low), heightAt("h3", 0, far.y, high),
                  heightAt("h4", far.x, far.y, high)};
  return withRoom(job, room).value();
}
/// The left half of the ceiling at another height.
inline Job stepped(const Job& job, double height) {
  Room room = *job.rooms.front();
  const Vec2 far = room.corners[2].at;
  room.ceilingAreas.push_back(
      {CeilingId("c1"), {{0, 0}, {far.x / 2, 0}, {far.x / 2, far.y}, {0, far.y}}, CeilingShape::Flat});
  room.heights = {heightAt("h1", 20, 20, height), heightAt("h2", 40, 100, height), heightAt("h3", 200, 20, 96)};
  return withRoom(job, room).value();
}

/// The same rectangular room mirrored along wall A, or turned by a quarter to the left and put back to the origin.
inline Job movedRoom(const Job& job, const std::function<Vec2(Vec2)>& point, const std::function<double(double)>& turn,
                     Vec2 size) {
  Job out = job;
  Room room = *job.rooms.front();
  room.corners = corners({{0, 0}, {size.x / kInch, 0}, {size.x / kInch, size.y / kInch}, {0, size.y / kInch}});
  Scheme s = *job.schemes.front();
  for (Placement& p : s.placements) {
    if (auto* floor = onFloor(p.on)) *floor = {point(floor->at), normalisedTurn(turn(floor->turn))};
    if (auto* up = onCeiling(p.on)) up->at = point(up->at), up->turn = normalisedTurn(turn(up->turn));
  }
  out.rooms.front() = std::make_shared<const Room>(room);
  return withScheme(out, s);
}
inline Job mirrored(const Job& job) {
  const Vec2 far = job.rooms.front()->corners[2].at;
  return movedRoom(
      job,
      [far](Vec2 p) {
        return Vec2{far.x - p.x, p.y};
      },
      [](double t) { return -t; }, far);
}
inline Job quarterTurned(const Job& job) {
  const Vec2 far = job.rooms.front()->corners[2].at;
  return movedRoom(
      job,
      [far](Vec2 p) {
        return Vec2{far.y - p.y, p.x};
      },
      [](double t) { return t + 90; }, {far.y, far.x});
}

}  // namespace mezzet::test
