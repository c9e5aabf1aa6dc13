// Things arranged on a wall of a scheme: where in the free wall, over what, how high.
#pragma once

#include <stop_token>

#include "core/base/ids.h"
#include "core/hang/arrangement.h"
#include "core/hang/neighbours.h"
#include "core/rules/base/rulebook.h"
#include "core/space/arrange.h"

namespace mezzet {

struct HangRequest {
  std::vector<PlacementId> placements;  ///< in the order they are to hang in
  CornerId wall;
  HangAs as = HangAs::Row;
  std::optional<double> gap = std::nullopt;
  int rows = 0, columns = 0;
  int treads = 0;  ///< of a stair: from one frame to the next; 0: chosen
  HangLine line = HangLine::Centre;
  std::string like = {};                          ///< of a match: a group or a placement
  std::optional<double> ratio = std::nullopt;     ///< width to height
  std::optional<WallRect> within = std::nullopt;  ///< the free rectangle that takes it where left out
  std::optional<double> middle = std::nullopt;    ///< u of its middle; of what is below, or of the region
  /// What else hangs is kept as far off as makes it another group; where nothing fits so, as the gap, and then not.
  bool keepClear = true;
  std::optional<int> restarts = std::nullopt;
  std::uint64_t seed = 1;
};
/// What is usual for so many: what a hand waits for without noticing.
[[nodiscard]] int usualRestarts(std::size_t frames);

struct HangPlan {
  bool fits = false;
  double shortWidth = 0, shortHeight = 0;
  std::vector<std::pair<PlacementId, WallPlace>> places;  ///< by id; empty when it does not fit
  std::optional<WallRect> envelope;
  std::vector<HungPair> pairs;
  double fill = 0;
  int restarts = 0;
  std::vector<std::string> says;
  Job job;  ///< with them hung so, as one group; the job as it was when it does not fit
};
/// Puts the things of a request where their middles are, as one group: what every way of arranging ends with.
void takeMiddles(HangPlan&, const Scheme&, const HangRequest&, const std::vector<Vec2>& middles, IdSource&);
/// Refused when a placement does not hang or is there twice, when the wall is none, when a number is none.
[[nodiscard]] Result<HangPlan> hangPlan(const Job&, const Rulebook&, const SchemeId&, const HangRequest&, IdSource&,
                                        LengthFormat, const std::stop_token& = {});

/// The arrangement that some of these are in.
[[nodiscard]] const Hang* hangAmong(const Scheme&, const PlacementIds&);
/// Round a group, or round one placement.
[[nodiscard]] std::optional<WallRect> envelopeOf(const PieceIndex&, const Scheme&, const std::string& like);

/// Asks to hang these so: in the order they hang in now, left to right, of a grid row by row. What is hung so already
/// keeps its gap, its rows and columns, its line, what it is like and its seed.
[[nodiscard]] HangRequest requestFor(const Scheme&, std::vector<PlacementId>, const CornerId& wall, HangAs);

/// What of a scheme a match can be like: single pictures and made groups, but those in which any of these hang.
struct MatchModel {
  std::string id;     ///< of the placement or the group
  std::string words;  ///< "river print, 56 x 24 in, wall D"
};
[[nodiscard]] std::vector<MatchModel> matchModels(const Job&, const Scheme&, const PlacementIds& without, LengthFormat);

}  // namespace mezzet
