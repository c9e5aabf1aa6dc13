// The lights of a scheme as an electrician needs them: where, how low, on what.
#pragma once

#include <string>
#include <vector>

#include "core/light/fixtures.h"
#include "core/rugs/template_rug.h"

namespace mezzet {

/// A ceiling box takes this much unless it is listed for more (published, NEC 314.27(A)(2), as remembered), kg.
inline constexpr double kBoxHolds = 22.68;

struct FixtureLine {
  int number = 0;  ///< as on the sheet, from 1
  PlacementId id;
  std::string name, mount;
  std::string piece;  ///< its name, not numbered
  Vec2 at;
  std::vector<FromWall> from;       ///< under the ceiling: its middle square from two walls
  std::optional<CornerId> wall;     ///< of what hangs on one
  double along = 0, centre = 0;     ///< there: from the wall's left end as seen, and of its middle above the floor
  std::string on;                   ///< what it stands on; "" for the floor and what hangs
  double underside = 0;             ///< above the floor
  std::optional<double> drop, rod;  ///< of what hangs from the ceiling
  std::optional<double> cutOut, above, weight;
  std::string circuit, switchedAt;  ///< "" while not decided
  std::string lamp;                 ///< "806 lm, 7 W, 2700 K" as far as it is known
};
/// Ceiling first, then walls, lamps and candles, each in the scheme's order.
[[nodiscard]] std::vector<FixtureLine> fixtureSchedule(const Job&, const Room&, const Scheme&);
/// In words: what lights of one kind have in common, then where each of them is, "1: 39 in to wall A, 45 in to wall E".
[[nodiscard]] std::vector<std::string> scheduleWords(const std::vector<FixtureLine>&, Unit, LengthFormat);
/// What is asked of the box in the ceiling or wall; "" where the weight is not known.
[[nodiscard]] std::string boxWords(const FixtureLine&, Unit);
/// Distances to check what was set out by: across the corners of each laying.
[[nodiscard]] std::vector<std::string> checkDiagonals(const Scheme&, const std::vector<FixtureLine>&, LengthFormat);
/// Rows of text with their heads first: for a table, or a CSV file. Lengths in the unit alone, with a decimal point.
[[nodiscard]] std::vector<std::vector<std::string>> fixtureTable(const std::vector<FixtureLine>&, Unit);

}  // namespace mezzet
