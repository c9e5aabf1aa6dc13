// What is said of a carpet: strips, seams, stop lines, prices of its edge.
#pragma once

#include <string>
#include <vector>

#include "core/units/area.h"
#include "core/model/job.h"
#include "core/rugs/broadloom.h"
#include "core/rugs/stop_lines.h"
#include "core/rugs/trade.h"

namespace mezzet {

/// What an edge costs in one finish; no sum where the user's list has no price of it.
struct EdgePrice {
  std::string id, name;
  std::optional<double> sum;
};
/// The trade's finishes, cheapest first, then what else the user's list prices.
[[nodiscard]] std::vector<EdgePrice> edgePrices(double edgeLength, const CarpetList&, const RugTrade&);

/// "Two strips off the 13'-2" roll, 13'-6" each: 27 ft, 355.5 sq ft bought for 214.5, 40 % waste." and what follows.
[[nodiscard]] std::vector<std::string> carpetWords(const CarpetCut&, const Broadloom&, const Job&, const RugTrade&,
                                                   LengthFormat);
/// The length of a runner for each stair of the room, a sentence each.
[[nodiscard]] std::vector<std::string> runnerWords(const Room&, LengthFormat);
/// What a leaf over the carpet is called: a door of the room, or a cupboard.
[[nodiscard]] std::string leafWords(const std::string& id, const Job&, const Scheme&);
/// One line of the table of stop lines.
[[nodiscard]] std::string stopLineWords(const StopLine&, const Job&, const Scheme&, LengthFormat);

}  // namespace mezzet
