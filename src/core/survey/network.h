// Corners of a room and what was measured between them: the input of the adjustment.
#pragma once

#include <cstddef>
#include <optional>
#include <string>
#include <utility>
#include <vector>

#include "core/geometry/polygon.h"

namespace mezzet {

enum class ObservationKind { Run, Diagonal, Offset, Angle, Square };

/// One reading, or the assumption that a corner is square.
struct Observation {
  std::string id;
  ObservationKind kind = ObservationKind::Run;
  std::size_t
      from = 0,
      to = 0;  ///< corners; an angle or square stands at `from`; an offset goes from `from` square to the wall at `to`
  double value = 0;  ///< mm; of angles and squares degrees inside the room
  double sigma = 1;  ///< in the same unit, > 0
  /// Between two corners.
  [[nodiscard]] bool isLength() const { return kind == ObservationKind::Run || kind == ObservationKind::Diagonal; }
  [[nodiscard]] bool isAngular() const { return kind == ObservationKind::Angle || kind == ObservationKind::Square; }
};

/// A corner whose place is given in x, in y or in both.
struct Held {
  bool x = false, y = false;
  Vec2 at;
};

struct Network {
  std::size_t corners = 0;
  /// Which way the outline turns at each corner, from the sketch: 1 left, -1 right, 0 not known. Empty: the points are
  /// no outline.
  std::vector<int> turns;
  std::vector<Observation> observations;
  /// By corner. Empty: corner 0 stands at the origin and corner 1 on +x (the datum of a room).
  std::vector<Held> held;
};

/// What an observation would read if the corners stood here: mm, or degrees inside the room (0 to 360).
[[nodiscard]] double wouldRead(const Observation&, const Polygon& corners);
/// The angle inside the room at corner i, degrees from 0 to 360.
[[nodiscard]] double insideAngle(const Polygon& corners, std::size_t i);
/// Whether some observation is the length between two corners.
[[nodiscard]] bool isMeasured(const Network&, std::size_t a, std::size_t b);
/// Where the corners are held, with the datum of a room filled in.
[[nodiscard]] std::vector<Held> heldOf(const Network&);

}  // namespace mezzet
