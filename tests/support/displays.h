// Cases, shelves and things that tests of displays are written on. Inches, as one would sketch them.
#pragma once

#include "core/display/display.h"
#include "core/display/placing.h"
#include "core/edit/displays.h"
#include "support/rooms.h"

namespace mezzet::test {

inline const SchemeId kDisplayScheme("s1");

/// A case with equal bays b1 .. bn, standing at the wall.
inline Job withCase(const Job& job, int shelves = 5, double width = 36, double depth = 12, double height = 78) {
  Piece p = withEqualBays(piece("case", "bookcase", width, depth, height), shelves);
  Job out = withPiece(job, p).value();
  Placement at{PlacementId("c"), p.id, FloorPlace{{in(111), in(depth / 2)}, 180}, {}};
  at.restrained = true;
  return withPlacement(out, kDisplayScheme, at);
}
inline Surface bay(const char* id, double left, double right, double bottom, std::optional<double> top) {
  Surface s;
  s.id = id;
  s.left = in(left);
  s.right = in(right);
  s.bottom = in(bottom);
  if (top) s.top = in(*top);
  return s;
}
/// A case with one shelf at a height above the floor, open by `high`.
inline Job withOneShelf(const Job& job, double shelf, double high = 20, double width = 36, double depth = 12) {
  Piece p = piece("case", "bookcase", width, depth, shelf + high + 1);
  p.surfaces.edit().all = {bay("b1", -width / 2 + 0.75, width / 2 - 0.75, shelf, shelf + high)};
  Placement at{PlacementId("c"), p.id, FloorPlace{{in(111), in(depth / 2)}, 180}, {}};
  at.restrained = true;
  return withPlacement(withPiece(job, p).value(), kDisplayScheme, at);
}
inline Piece coloured(Piece p, const char* srgb) {
  p.thing.edit().colours = {{srgb, 1}};
  return p;
}
inline Piece ofFamily(Piece p, const char* family) {
  p.thing.edit().family = family;
  return p;
}
inline Display display(const Job& job, const char* carrier = "c") {
  const Scheme& s = *findScheme(job, kDisplayScheme);
  return *displayOf(job, PieceIndex(job), roomOf(job, s), s, carrier);
}
Display display(const Job&&, const char* = "c") = delete;  // it points into the job
/// Puts a thing on a surface: its left side from the left of the bay, its front behind the bay's front edge.
inline Job on(const Job& job, const Piece& p, const char* at, const char* surface, double left, double front,
              Lie lie = Lie::Standing, const char* carrier = "c") {
  Job out = withPiece(job, p).value();
  const Display d = display(out, carrier);
  std::size_t b = 0;
  for (std::size_t i = 0; i < d.bays.size(); ++i)
    if (d.bays[i].id == surface) b = i;
  const LyingSize size = lyingSize(p, lie);
  CarriedPlace like;
  like.lie = lie;
  return withPlacement(
      out, kDisplayScheme,
      {PlacementId(at),
       p.id,
       placeOn(d, b, d.bays[b].left + in(left) + size.x / 2, d.bays[b].front + in(front) + size.y / 2, like),
       {}});
}
/// On top of another thing, in its middle.
inline Job stacked(const Job& job, const Piece& p, const char* at, const char* under) {
  CarriedPlace place;
  place.carrier = PlacementId(under);
  return withPlacement(withPiece(job, p).value(), kDisplayScheme, {PlacementId(at), p.id, place, {}});
}

}  // namespace mezzet::test
