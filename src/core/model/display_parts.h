// What stands in displays: the surfaces of what carries, and what things on them are like.
#pragma once

#include <optional>
#include <string>
#include <utility>
#include <vector>

namespace mezzet {

/// What a board is cut from, in the order of the words in io/json/display_json.cpp and the table of
/// core/display/boards.
enum class Board { RedOak, WhiteOak, Maple, Walnut, Cherry, Poplar, WhitePine, DouglasFir, Mdf, Plywood };

/// A surface that things stand on: a shelf, a top. Lengths in mm, in the frame of the piece.
struct Surface {
  std::string id;                    ///< "b2"; unique within its piece
  double left = 0, right = 0;        ///< x
  double bottom = 0;                 ///< above the piece's foot: what things stand on
  std::optional<double> top = {};    ///< underside of what is over it, above the piece's foot; none: open
  std::optional<double> depth = {};  ///< front to back; the piece's own less `setback` until entered
  double setback = 0;                ///< of its front edge behind the piece's front
  std::optional<double> load = {};   ///< what it may carry, kg
  std::optional<Board> material = {};
  std::optional<double> thickness = {};  ///< of the board; kUsualBoard until entered
  std::optional<double> span = {};       ///< between its supports; right - left until entered
  bool fixed = false;                    ///< built in at both ends
  bool operator==(const Surface&) const = default;
};
struct SurfacePart {
  std::vector<Surface> all;
  bool operator==(const SurfacePart&) const = default;
};

/// A colour as written, "#rrggbb", and how much of a thing it takes, 0 to 1.
struct ColourShare {
  std::string srgb;
  double share = 1;
  bool operator==(const ColourShare&) const = default;
};
/// One of a stack, from the bottom.
struct StackItem {
  double width = 0, depth = 0, height = 0;
  bool operator==(const StackItem&) const = default;
};
/// What a box is to hold.
struct HeldThing {
  std::string name;
  double width = 0, depth = 0, height = 0;
  bool operator==(const HeldThing&) const = default;
};
struct ThingPart {
  std::string family = {};      ///< what belongs together: "brass", "shells"
  std::string collection = {};  ///< what was gathered over years and is spread about
  std::vector<ColourShare> colours = {};
  std::optional<bool> jacket = {};  ///< a book's paper jacket is on
  std::optional<bool> paperback = {};
  std::optional<bool> personal = {};      ///< the owner's own: never left out
  std::vector<std::string> seasons = {};  ///< when it stands there; none: always
  std::optional<int> volumes = {};        ///< of a run of books
  std::optional<double> branches = {};    ///< how high branches stand in a vase, above its foot
  std::vector<StackItem> items = {};      ///< of a stack, from the bottom
  std::optional<StackItem> inside = {};   ///< of a box
  std::vector<HeldThing> holds = {};
  bool operator==(const ThingPart&) const = default;
};

}  // namespace mezzet
