// What stands on one carrier, as its elevation and its section show it.
//
// Lengths in mm. x runs from the carrier's left end as seen from before it, y from its front edge back, heights above
// its foot.
#pragma once

#include <optional>
#include <string>
#include <vector>

#include "core/model/job.h"
#include "core/space/carried.h"

namespace mezzet {

/// One surface with the room over it.
struct Bay {
  std::string id;
  double left = 0, right = 0, bottom = 0;
  std::optional<double> top;  ///< none: open
  double front = 0, depth = 0;
  double thickness = kUsualBoard;
  const Surface* surface = nullptr;  ///< as the carrier has it; null of its top
  [[nodiscard]] double width() const { return right - left; }
  [[nodiscard]] std::optional<double> height() const { return top ? std::optional(*top - bottom) : std::nullopt; }
};

/// A thing where it stands. Turned things take up the box round them.
struct DisplayedThing {
  const Placement* placement = nullptr;
  const Piece* piece = nullptr;
  std::size_t bay = 0;
  Lie lie = Lie::Standing;
  double left = 0, right = 0, bottom = 0, top = 0, front = 0, back = 0;
  const Placement* on = nullptr;  ///< the thing it stands on; null: on the surface itself
  [[nodiscard]] double width() const { return right - left; }
  [[nodiscard]] double height() const { return top - bottom; }
  [[nodiscard]] double middle() const { return (left + right) / 2; }
  [[nodiscard]] double face() const { return width() * height(); }  ///< area seen from the front
};

/// Whose eye a display is judged from.
struct DisplayEye {
  double height = 0;    ///< above the floor
  double distance = 0;  ///< before the front edge
};

struct Display {
  Carrier carrier;
  DisplaySchool school = DisplaySchool::Bookcase;
  ColourPalette palette;
  std::string season;
  DisplayEye eye;
  std::vector<Bay> bays;
  std::vector<DisplayedThing> things;  ///< bay by bay, in each from the left; what stands on another after it
  double width = 0, height = 0, depth = 0;
  std::string name;
  [[nodiscard]] const DisplayedThing* shown(const PlacementId&) const;  ///< null when it is not there
  [[nodiscard]] const Bay* bay(std::string_view id) const;              ///< likewise
  /// "p5/b2", as findings name a surface.
  [[nodiscard]] std::string surfaceName(std::size_t bayIndex) const { return carrier.id + "/" + bays[bayIndex].id; }
};

/// Someone stands so far before a display to look at it [D].
inline constexpr double kDisplayDistance = 60 * kInch;
/// Up to this height a carrier is looked at by who sits before it, if anybody does; else by who stands [D].
inline constexpr double kTabletopHigh = 36 * kInch;

/// None where nothing of this id carries things. It points into the job.
[[nodiscard]] std::optional<Display> displayOf(const Job&, const PieceIndex&, const Room&, const Scheme&,
                                               std::string_view carrier);
std::optional<Display> displayOf(const Job&&, const PieceIndex&, const Room&, const Scheme&, std::string_view) = delete;
/// Ids of everything in the room that carries things or has surfaces for them: placements in their order, then what
/// is fixed. `onlyFilled`: only what something stands on.
[[nodiscard]] std::vector<std::string> carriersOf(const PieceIndex&, const Room&, const Scheme&, bool onlyFilled);
/// By what it is until said: things with shelves are bookcases, mantels mantels, anything else a tabletop.
[[nodiscard]] DisplaySchool schoolOf(const Carrier&, const DisplaySet*, const Room&);
/// Whether a thing is out now: things of no season always are, those of others are put away.
[[nodiscard]] bool isOut(const Piece&, const std::string& season);

/// Seen from the display's eye: what of each thing is, 0 to 1, in the order of `things`.
///
/// Above the eye the shelf hides max(0, back * (shelf - eye) / distance - rise) of a thing from its foot up, back = its
/// front behind the shelf's front edge; below the eye what stands before it does.
[[nodiscard]] std::vector<double> sharesSeen(const Display&);
/// The hidden height of one thing above the eye, by that formula.
[[nodiscard]] double hiddenByShelf(double back, double shelf, double eye, double distance, double rise);

/// How full a bay is: its tallest thing, with what that stands on, over its height; none of an open one or an empty
/// one.
[[nodiscard]] std::optional<double> fillOf(const Display&, std::size_t bay);
/// Free widths of a bay between what stands on its surface, from the left: pairs of x.
[[nodiscard]] std::vector<std::pair<double, double>> freeWidths(const Display&, std::size_t bay);
/// Left against right, by the faces about the middle: -1 all at the left edge, 1 all at the right; 0 of nothing.
[[nodiscard]] double balanceOf(const Display&);

}  // namespace mezzet
