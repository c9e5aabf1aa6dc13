// What hangs on a wall: outlines in elevation, and what is seen as one.
#pragma once

#include <optional>
#include <string>
#include <vector>

#include "core/model/job.h"

namespace mezzet {

/// How far a thing stands off the wall until its depth is measured [D].
inline constexpr double kUsualFrameDepth = 1.5 * kInch;
/// Things that hang nearer than this are seen as one [D].
inline constexpr double kSeenAsOne = 6 * kInch;

/// The outline in elevation, u and v: a rectangle, a circle, or an ellipse as a polygon that is nowhere more than
/// kOvalTolerance off.
[[nodiscard]] Parts hungOutline(const Piece&, const WallPlace&);
/// The same for gaps: most of what hangs is an upright rectangle, whose gaps need no more than four comparisons.
struct HungShape {
  WallRect rect;
  Parts curved = {};  ///< its outline where that is no rectangle
};
[[nodiscard]] HungShape hungShape(const Piece&, const WallPlace&);
/// The contract's gap in elevation, with its witness points: what `separation` says of the outlines.
[[nodiscard]] Separation hungGap(const HungShape&, const HungShape&);

/// The area inside the outer edges, mm2.
[[nodiscard]] double outerArea(const Piece&);
/// What of the frame shows the image, the glass or the screen, in elevation: as entered, else all of it; of a
/// television kScreenEdge less each way.
[[nodiscard]] WallRect shownRect(const Piece&, const WallPlace&);

[[nodiscard]] WallRect around(const WallRect&, const WallRect&);  ///< the smallest upright rectangle about both

/// A picture, or the pictures of one group, on a wall.
struct Hung {
  std::vector<PlacementId> members;  ///< ascending
  CornerId wall;
  WallRect envelope;
  std::string group = {};  ///< the made group it is, where it is one
};
/// Everything on the walls but lights. On one wall are one: what has one group id, at any distance; and pictures,
/// textiles, plates, mirrors and objects that hang nearer than kSeenAsOne to another of them, unless they are apart.
[[nodiscard]] std::vector<Hung> hungIn(const PieceIndex&, const Scheme&);
[[nodiscard]] inline std::vector<Hung> hungIn(const Job& job, const Scheme& scheme) {
  return hungIn(PieceIndex(job), scheme);
}
[[nodiscard]] std::optional<Hung> hungWith(const Job&, const Scheme&, const PlacementId&);

/// What the height of the centre is said of: the whole group where several are selected, else the thing itself.
[[nodiscard]] WallRect selectedWhole(const Job&, const Scheme&, const PlacementId&, std::size_t selected);

/// Whether any of them is a picture or a textile.
[[nodiscard]] bool isPictureGroup(const PieceIndex&, const Scheme&, const Hung&);

}  // namespace mezzet
