// A photograph of a wall whose scale and slant are known from four corners of a rectangle: where things of the wall lie
// in it, and how well a length can be read from it.
#pragma once

#include <array>
#include <string>
#include <vector>

#include "core/base/result.h"
#include "core/model/job.h"
#include "core/survey/trace.h"

namespace mezzet {

/// From the wall (u to the right, v up, mm) to pixels (y down), row by row, h33 = 1. Refused where the four corners
/// make none.
[[nodiscard]] Result<Homography> wallToPhotograph(const Calibration&);

/// A length between two places of the wall as it is read from the photograph: u95 by first-order propagation of the
/// picks of the four corners.
struct PhotographLength {
  double mm = 0, u95 = 0;
};
[[nodiscard]] PhotographLength lengthIn(const Calibration&, const Homography&, Vec2 a, Vec2 b);

/// A planned piece as it lies in the photograph. Outlines are in pixels, anticlockwise on the wall from the lower left.
struct PhotographPiece {
  PlacementId placement;
  std::vector<Vec2> outer;        ///< of the frame; of round things many corners
  std::array<Vec2, 4> face{};     ///< of what shows: image, glass or screen, the corners of its upright box
  std::vector<Vec2> faceOutline;  ///< the same as it is cut
  std::string image;              ///< "" for none
  bool mirror = false, screen = false;
  PhotographLength width, height;  ///< as they could be read from it
};
/// What of a scheme hangs on the photograph's wall, in the scheme's order.
[[nodiscard]] std::vector<PhotographPiece> piecesIn(const Job&, const Scheme&, const Photograph&, const Homography&);

}  // namespace mezzet
