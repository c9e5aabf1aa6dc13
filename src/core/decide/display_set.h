// Things of a scheme set out on a carrier, and each setting judged by the rules.
#pragma once

#include <functional>
#include <stop_token>
#include <string>
#include <vector>

#include "core/model/job.h"
#include "core/rules/base/rulebook.h"

namespace mezzet {

struct SetOffer {
  double score = 0;                   ///< lower is better
  int rule = 0, taste = 0;            ///< findings about the display that break
  std::vector<Placement> placements;  ///< every thing where it stands then
  std::vector<PlacementId> left;      ///< found no room: they are taken off
  std::string idea;                   ///< what it does, in a sentence
  Job job;
};
struct SetAsk {
  SchemeId scheme;
  std::string carrier;
  std::vector<PlacementId> things = {};  ///< none: all that stand on the carrier
  unsigned long long seed = 1;
  std::size_t count = 3;
};
/// Settings that differ, best first: fewest broken rules, then the score. Locked things stay; what stands on a thing
/// goes with it. Empty where nothing carries, or there is nothing to set. May take a second: off the interface thread.
[[nodiscard]] std::vector<SetOffer> setDisplay(const Job&, const Rulebook&, const SetAsk&, LengthFormat,
                                               std::stop_token, const std::function<void(double)>& progress = {});

}  // namespace mezzet
