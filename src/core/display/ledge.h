// A built ledge: two boards at a right angle, screwed to every stud they meet.
#pragma once

#include <optional>
#include <string>
#include <vector>

#include "core/display/cuts.h"
#include "core/model/job.h"

namespace mezzet {

/// What a ledge carries, and how far its ends may stand past the last screw [D].
inline constexpr double kLedgeLoad = 10, kLedgeOver = 8 * kInch;  // kg per m, mm
/// On solid walls screws stand so far apart [D].
inline constexpr double kSolidPitch = 16 * kInch;
/// Screws: number 10, this much of them in the stud; their row stands so far below the shelf's underside [D].
inline constexpr double kLedgeScrew = 0.190 * kInch, kLedgeBite = 1.5 * kInch, kLedgeRow = 1 * kInch;
/// Studs are taken as spruce, pine or fir [D].
inline constexpr double kStudGravity = 0.42;

/// In which order something is built, with its cautions.
struct BuildOrder {
  std::string id, title;  ///< "media-wall", "A media wall"
  std::vector<std::string> steps, cautions;
};

struct LedgeScrew {
  PlacementId ledge;
  double s = 0;  ///< from the ledge's left end, as seen
  double u = 0;  ///< along the wall
  bool stud = false;
  double off = 0;  ///< u from the stud's middle, + to the right
};
struct Ledge {
  std::vector<PlacementId> parts;  ///< the boards' placements, the one asked for first: round a corner there are two
  std::vector<LedgeScrew> screws;  ///< part by part, from the left
  double length = 0;               ///< of all parts
  double each = 0, allowed = 0;    ///< withdrawal of a screw: asked and by the table, N; 0 asked of no screws
  double sag = 0, sagLimit = 0;    ///< between the screws that are furthest apart
  std::vector<Cut> boards;
  std::vector<std::string> words;  ///< what is told: no stud at an end, cautions
  [[nodiscard]] bool holds() const { return !screws.empty() && each <= allowed; }
};
/// Boards are sold in these lengths [D]: 8, 10 and 12 ft.
inline constexpr double kBoardStock[] = {96 * kInch, 120 * kInch, 144 * kInch};
/// The boards of every ledge of the scheme.
[[nodiscard]] std::vector<Cut> ledgeBoards(const Job&, const Room&, const Scheme&, LengthFormat);
/// None of what is no ledge on a wall.
[[nodiscard]] std::optional<Ledge> ledgeOf(const Job&, const Room&, const Scheme&, const PlacementId&, LengthFormat);

}  // namespace mezzet
