// Chairs at dining tables: which stands where, pulled out, and where chairs go round any table.
#pragma once

#include "core/space/bodies.h"

namespace mezzet {

/// A chair whose front is further than this from a table does not stand at it [D].
inline constexpr double kAtTable = 18 * kInch;
/// A chair is pulled out until its rearmost point is this far from the table's edge [D] (contract).
inline constexpr double kPulledOut = 24 * kInch;
/// Length of a table's edge per diner (published place setting).
inline constexpr double kPlaceSetting = 24 * kInch;

/// How far a body reaches along `axis` within the strip of half width `half` about the line through `middle`; minus
/// infinity when it has nothing there.
[[nodiscard]] double reachInStrip(const Parts&, Vec2 middle, Vec2 axis, double half);

struct DiningSeat {
  const Placement* chair = nullptr;
  const Placement* table = nullptr;  ///< the nearest before its front
  double gap = 0;                    ///< from the chair's front edge to the table
  Vec2 edge;                         ///< where the line through the chair's middle meets the table's edge
  Vec2 back;                         ///< unit, away from the table
};
/// Every dining seat that stands at a dining table, in placement order. The pointers are into the scheme.
[[nodiscard]] std::vector<DiningSeat> diningSeatsIn(const PieceIndex&, const Scheme&);

/// Where the chair stands when it is pulled out: straight back until its rearmost point is kPulledOut from the table's
/// edge; a chair that stands further out stays.
[[nodiscard]] FloorPlace pulledOut(const PieceIndex&, const DiningSeat&);

/// One place at a table: where a chair stands, pushed in as far as `tuck` under the edge.
struct Setting {
  FloorPlace chair;
  bool head = false;  ///< at the end of a table with corners
};
/// Chairs round a table, each with at least `pitch` of edge. Along each side of a table with corners as many as fit,
/// evenly, so that no corner is counted twice; at the ends only with `heads`. Round a round or oval table evenly, the
/// first at the front. At most `most`, ends last. Fewer when the table is too short.
[[nodiscard]] std::vector<Setting> settingsAround(const Piece& table, const FloorPlace&, const Piece& chair,
                                                  double pitch, bool heads, int most, double tuck);
/// How many places a table has at this pitch.
[[nodiscard]] int placesAt(const Piece& table, double pitch, bool heads);

}  // namespace mezzet
