// Small jobs that tests are written on. All lengths are given in inches, as one would sketch them.
#pragma once

#include "core/edit/edits.h"
#include "core/model/job.h"
#include "core/rules/base/rulebook.h"

namespace mezzet::test {

inline double in(double inches) { return inches * kInch; }

inline std::vector<Corner> corners(const std::vector<Vec2>& inches) {
  std::vector<Corner> out;
  for (std::size_t i = 0; i < inches.size(); ++i) out.push_back({cornerName(i), inches[i] * kInch});
  return out;
}

/// A rectangular room with one empty scheme "s1".
inline Job emptyRoom(double width = 222, double depth = 150, double ceiling = 96) {
  Room room;
  room.id = RoomId("parlour");
  room.name = "Parlour";
  room.ceilingHeight = in(ceiling);
  room.corners = corners({{0, 0}, {width, 0}, {width, depth}, {0, depth}});
  Job job;
  job.name = "Test";
  job = withRoom(job, room).value();
  return withScheme(job, Scheme{SchemeId("s1"), room.id, "A", {}, {}, {}});
}

inline Piece piece(const char* id, const char* kind, double width, double depth, double height = 30) {
  Piece p;
  p.id = PieceId(id);
  p.name = id;
  p.name[0] = static_cast<char>(std::toupper(p.name[0]));
  p.kind = kind;
  p.width = in(width);
  p.depth = in(depth);
  p.height = in(height);
  return p;
}

inline Piece roundPiece(const char* id, const char* kind, double diameter, double height = 20) {
  Piece p = piece(id, kind, diameter, diameter, height);
  p.shape = Shape::Round;
  return p;
}

/// Adds the piece once on the floor, centre at (x, y), as placement `at`.
inline Job with(const Job& job, const Piece& p, const char* at, double x, double y, double turn = 0) {
  const Job have = withPiece(job, p).value();
  return withPlacement(have, SchemeId("s1"), {PlacementId(at), p.id, FloorPlace{{in(x), in(y)}, turn}, {}});
}

/// Hangs a frame on a wall, its centre at (u, v).
inline Job hung(const Job& job, const char* id, const char* at, double width, double height, double u, double v,
                const char* wall = "A") {
  Piece p = piece(id, "art", width, 1, height);
  const Job have = withPiece(job, p).value();
  return withPlacement(have, SchemeId("s1"),
                       {PlacementId(at), p.id, WallPlace{CornerId(wall), in(u), in(v), std::nullopt}, {}});
}

inline const Scheme& scheme(const Job& job) { return *job.schemes.front(); }

}  // namespace mezzet::test
