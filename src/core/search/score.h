// How a layout is judged: as the ledger judges it.
#pragma once

#include <tuple>

#include "core/rules/check.h"
#include "core/search/ground.h"

namespace mezzet {

/// Less is better; compared in this order.
struct SearchScore {
  int must = 0;       ///< how many findings of weight must break
  double rule = 0;    ///< over broken rules: shortfall over the range's width, at most kMostShort each; to 0.01
  double wishes = 0;  ///< what is wished and not had, 0: all of it
  double taste = 0;   ///< as `rule`, of taste, and how much stands askew
  bool operator==(const SearchScore&) const = default;
  auto operator<=>(const SearchScore&) const = default;
  /// One number for annealing.
  [[nodiscard]] double energy() const { return 60 * must + 25 * rule + 2 * wishes + taste; }
};
inline constexpr double kMostShort = 3;
/// Width of a range that is open at one end: a length, an angle, anything else.
inline constexpr double kOpenLength = 6 * kInch, kOpenAngle = 10, kOpenOther = 1;

/// What one broken finding is short by, over its range's width, at most kMostShort.
[[nodiscard]] double shortfallOf(const Finding&);
/// Of findings already judged, without wishes.
[[nodiscard]] SearchScore scoreOf(const std::vector<Finding>&);

/// What is had of each wish, 0 to 1.
struct WishesHad {
  double seats = 0, talk = 0, screen = 0, storage = 0, reading = 0, freeFloor = 0;
};
/// Of a room as it stands; what `wanted` leaves at 0 is not worked out.
[[nodiscard]] WishesHad wishesHad(const Situation&, const Wishes& wanted);
[[nodiscard]] double wishesMissed(const WishesHad&, const Wishes& wanted);

/// Judges layouts, one after the other. Not for two threads at once: each has its own.
class Judge {
 public:
  /// References must outlive it.
  Judge(const Ground&, const Rulebook&, const SearchAsk&);
  /// None where bodies are in one place or outside the room, the main seat stands where it is not wished or chairs
  /// stand about: nothing else is asked then.
  [[nodiscard]] std::optional<SearchScore> operator()(const Layout&);

 private:
  const Ground& ground_;
  const Rulebook& book_;
  const SearchAsk& ask_;
  Job job_;                         // one room, one scheme, what stands in it
  std::shared_ptr<Scheme> scheme_;  // the one of the job, moved about in place
  std::vector<std::size_t> at_;     // of each movable in the scheme's placements
};

/// The job with a layout in its scheme: moved, and of another size where the layout says so. Areas were about what
/// stood there: they are left out.
[[nodiscard]] Job withLayout(const Job&, const Ground&, const Layout&);

}  // namespace mezzet
