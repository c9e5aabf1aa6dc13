// What a search moves about, and where it can stand: bodies, walls and leaves, read once.
#pragma once

#include <algorithm>
#include <memory>
#include <optional>

#include "core/base/chance.h"
#include "core/search/ask.h"
#include "core/space/swing.h"

namespace mezzet {

/// One thing that is moved.
struct Movable {
  PlacementId id;
  const Piece* piece = nullptr;
  std::vector<const Piece*> sizes = {};  ///< it, and its variants that may stand for it
};
/// Where each movable stands, by its index, and which of its sizes it is.
struct Layout {
  std::vector<FloorPlace> at;
  std::vector<std::size_t> size;
};
/// A place for the seats to be set round: a fire, a window, a screen.
struct Focus {
  enum class Kind { Fire, Window, Screen, Piece } kind = Kind::Fire;
  std::string id;
  Vec2 at;       ///< its middle
  Vec2 outward;  ///< into the room
};

/// Everything of one search that does not change. Holds references into the job: it must outlive this.
struct Ground {
  const Job* job = nullptr;
  const Scheme* scheme = nullptr;
  const Room* room = nullptr;
  Polygon outline;
  std::vector<Wall> walls;
  std::vector<Body> fixed;      ///< fixed things, and what stays where it is
  std::vector<Sweep> sweeps;    ///< of doors' leaves
  std::vector<Polygon> before;  ///< the floor before doors: kept free when something is put down
  std::vector<Movable> movables;
  std::vector<Focus> focuses;
  std::vector<std::pair<const Piece*, FloorPlace>> satAt;  ///< tables and desks that stay where they are
  double reach = 0;                                        ///< diagonal of the room

  // by what they are for, indices into `movables`
  std::vector<std::size_t> seats, lowTables, sideTables, rugs, diningTables, diningChairs, desks, storage, consoles,
      beds, lamps, others;

  [[nodiscard]] const Piece& piece(const Layout& l, std::size_t i) const { return *movables[i].sizes[l.size[i]]; }
};

[[nodiscard]] Ground groundOf(const Job&, const SearchAsk&);

/// Bodies of a layout that is being filled.
class Filling {
 public:
  Filling(const Ground& ground, Layout layout)
      : ground_(ground), layout_(std::move(layout)), bodies_(ground.movables.size()) {}
  /// Whether it meets nothing there: walls, fixed things, leaves, the floor before doors, what stands already. A rug
  /// only stays inside the room.
  [[nodiscard]] bool fits(std::size_t movable, const FloorPlace&) const;
  void put(std::size_t movable, const FloorPlace&);
  [[nodiscard]] bool isPut(std::size_t movable) const { return !bodies_[movable].parts.empty(); }
  [[nodiscard]] const Layout& layout() const { return layout_; }
  [[nodiscard]] Layout& layout() { return layout_; }

 private:
  const Ground& ground_;
  Layout layout_;
  std::vector<Body> bodies_;  // no parts until it is put
};

/// Of a piece: its depth, of what has none its width.
[[nodiscard]] double depthOf(const Piece&);
/// The way its front looks.
[[nodiscard]] Vec2 frontOf(const FloorPlace&);
/// The one whose line is nearest; of equally near ones the first.
[[nodiscard]] const Wall& nearestWall(const Ground&, Vec2);
[[nodiscard]] inline bool among(const std::vector<std::size_t>& list, std::size_t i) {
  return std::find(list.begin(), list.end(), i) != list.end();
}
/// The wall behind a thing, and how far its back's middle is from it: none where no wall is behind it.
struct BackOff {
  const Wall* wall = nullptr;
  double off = 0;
};
[[nodiscard]] BackOff backOff(const Ground&, const Layout&, std::size_t movable);
/// A back that near stands at its wall; a main seat that is wanted off it stands at least so far away [D].
inline constexpr double kAtWall = 6 * kInch, kOffWall = 10 * kInch;
/// No higher does a case stand behind a seat [D].
inline constexpr double kLowCase = 40 * kInch;
/// Whether the main seat stands as it is wished to.
[[nodiscard]] bool standsAsWished(const Ground&, const Layout&, WallsWish);

/// Seats that near each other are one group [D].
inline constexpr double kOneGroup = 144 * kInch;

/// With its back along a wall, `off` from it, its middle so far along the wall from the wall's start.
[[nodiscard]] FloorPlace backTo(const Wall&, const Piece&, double along, double off);
/// The turn with which a piece's front looks along a vector.
[[nodiscard]] double turnToLook(Vec2 along);

}  // namespace mezzet
