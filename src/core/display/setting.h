// Things set out on the bays of a carrier: several settings that differ, searched with a seed.
#pragma once

#include <functional>
#include <optional>
#include <stop_token>
#include <string>
#include <vector>

#include "core/colour/lab.h"

namespace mezzet {

/// A thing to be set, as it stands. Lengths in mm.
struct SetThing {
  double width = 0, depth = 0, height = 0;
  std::optional<Lab> colour;
  bool book = false;                                   ///< massed by colour, and close to its neighbours
  bool leans = false;                                  ///< a picture: at the back of a bay, others before it
  std::string alike, collection;                       ///< what it is alike to; what it was gathered with
  double mass = 0;                                     ///< kg; 0: not known
  std::optional<std::size_t> lockedIn = std::nullopt;  ///< stays in this bay
  double lockedAt = 0;                                 ///< its left edge there
  int family = -1;                                     ///< of its colour; filled in by the search
};
struct SetBay {
  double width = 0, height = 0, depth = 0;
  double left = 0, bottom = 0;  ///< x of its left end; above the foot
  bool aboveEye = false;
};
struct SetProblem {
  std::vector<SetBay> bays;
  std::vector<SetThing> things;
  double width = 0;  ///< of the carrier
};

/// Where one thing came. Leaning things stand at the back, the others side by side at the front.
struct SetAt {
  std::optional<std::size_t> bay;  ///< none: it was left out
  double left = 0;                 ///< x from the bay's left end
  double front = 0;                ///< behind the bay's front edge
};
struct DisplaySetting {
  double score = 0;       ///< lower is better
  std::vector<SetAt> at;  ///< of each thing
  [[nodiscard]] std::vector<std::size_t> leftOut() const;
};

/// A thing's front stands so far behind the edge; it may come out by kMayStandOut; alike ones stand at depths this far
/// apart [D].
inline constexpr double kBehindEdge = 0.5 * 25.4, kMayStandOut = 25.4, kStagger = 25.4;

/// At most `count` settings, the best first; each two differ in the bay of some thing, or its place in the row. The
/// same problem and seed give the same settings. Stops when asked with what it has. `progress` is told 0 to 1.
[[nodiscard]] std::vector<DisplaySetting> settingsOf(SetProblem, unsigned long long seed, std::size_t count,
                                                     std::stop_token, const std::function<void(double)>& progress = {});
/// The usual way of filling: the tallest first, each into the lowest bay that takes it.
[[nodiscard]] DisplaySetting tallestFirst(SetProblem);
/// What the search makes small, of any setting.
[[nodiscard]] double scoreOf(SetProblem, const DisplaySetting&);

}  // namespace mezzet
