// What is asked of a search for layouts.
#pragma once

#include <cstdint>
#include <string>
#include <vector>

#include "core/rules/base/facts.h"
#include "core/space/arrange.h"

namespace mezzet {

/// Whether the main seats stand against the walls, off them, or as it comes.
enum class WallsWish { Against, Off, Both };

/// How much each is wanted, 0 to 3.
struct Wishes {
  int seats = 1;      ///< a surface within reach of every seat
  int talk = 1;       ///< seats in one group that talks
  int screen = 0;     ///< seats that look at a screen
  int storage = 0;    ///< cupboards one can stand before
  int reading = 0;    ///< a seat by a window, with a lamp
  int freeFloor = 0;  ///< a large circle of bare floor
  bool operator==(const Wishes&) const = default;
};
inline constexpr int kMostWish = 3;

struct SearchAsk {
  SchemeId scheme;
  PlacementIds keep = {};   ///< stay where they are, as locked ones do
  std::string anchor = {};  ///< what the seats are set round: a placement, a fixed thing, a window; "": as it comes
  std::vector<UseState> states = {UseState::Everyday};  ///< all of these are to hold
  WallsWish walls = WallsWish::Both;
  Wishes wishes = {};
  std::uint64_t seed = 1;
  /// Bounded and judged layouts after which it ends; 0: when it is stopped. Only a number gives the same answer again.
  long long candidates = 0;
  int threads = 2;
  std::size_t offers = 5;
};

}  // namespace mezzet
