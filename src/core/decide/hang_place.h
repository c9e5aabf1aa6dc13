// Things arranged on a wall of a scheme: where in the free wall, over what, how high.
#pragma once

#include <stop_token>

#include "core/base/ids.h"
#include "core/hang/arrangement.h"
#include "core/hang/neighbours.h"
#include "core/rules/base/rulebook.h"

namespace mezzet {

struct HangRequest {
  std::vector<PlacementId> placements;  ///< in the order they are to hang in
  CornerId wall;
  HangAs as = HangAs::Row;
  std::optional<double> gap = std::nullopt;
  int rows = 0, columns = 0;
  HangLine line = HangLine::Centre;
  std::string like = {};                          ///< a group or a placement, of a match
  std::optional<double> ratio = std::nullopt;     ///< width to height
  std::optional<WallRect> within = std::nullopt;  ///< the free rectangle that takes it where left out
  std::optional<double> middle = std::nullopt;    ///< u of its middle; of what is below, or of the region
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
/// Refused when a placement does not hang or is there twice, when the wall is none, when a number is none.
[[nodiscard]] Result<HangPlan> hangPlan(const Job&, const Rulebook&, const SchemeId&, const HangRequest&, IdSource&,
                                        LengthFormat, const std::stop_token& = {});

/// Asks to hang these so: in the order they hang in now, left to right, of a grid row by row. A group that is made
/// stays about its middle.
[[nodiscard]] HangRequest requestFor(const Scheme&, std::vector<PlacementId>, const CornerId& wall, HangAs);

/// Several of one piece hung at once as one group; the first of them. Refused in words where they do not fit.
struct HungTogether {
  Job job;
  PlacementId placement;
};
[[nodiscard]] Result<HungTogether> withHungTogether(const Job&, const Rulebook&, const SchemeId&, const CornerId& wall,
                                                    const PieceId&, int count, HangAs, std::optional<double> gap,
                                                    IdSource&, LengthFormat);

/// A piece dropped on the free wall over something that stands there: hung over its middle at the height its rules
/// ask, in a row with what hangs there already. Nothing where the wall is not free over anything there, or where they
/// do not fit. `region` is what lights up.
struct DroppedOver {
  Job job;
  PlacementId placement;
  WallRect region;
};
[[nodiscard]] std::optional<DroppedOver> withDroppedOver(const Job&, const Rulebook&, const SchemeId&,
                                                         const CornerId& wall, const PieceId&, Vec2 at, IdSource&,
                                                         LengthFormat);

/// A made group arranged again as it was made, about the middle it has: after a frame changed, joined or left. The job
/// as it is where the group was not made, or it no longer fits.
[[nodiscard]] Job hungAgain(const Job&, const Rulebook&, const SchemeId&, const std::string& group, LengthFormat);

/// The same for every group of `after` of which a frame changed, joined or left since `before`.
[[nodiscard]] Job hangsSettled(const Job& before, Job after, const Rulebook&, LengthFormat);

}  // namespace mezzet
