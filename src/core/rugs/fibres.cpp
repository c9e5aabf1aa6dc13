#include "core/rugs/fibres.h"

#include <algorithm>
#include <array>
#include <tuple>

namespace mezzet {

std::vector<RugUse> usesOf(const Brief& brief, const Room& room) {
  std::vector<RugUse> out;
  if (brief.children) out.push_back(RugUse::Children);
  if (brief.pets) out.push_back(RugUse::Pets);
  if (brief.purpose == "dining") out.push_back(RugUse::Food);
  if (std::any_of(room.features.begin(), room.features.end(), [](const Feature& f) { return f.stair.has_value(); }))
    out.push_back(RugUse::Stair);
  return out;
}

std::string_view useWords(RugUse use) {
  static constexpr std::array<std::string_view, kRugUses> kWords{"children", "pets",  "food", "oil",
                                                                 "damp",     "stair", "entry"};
  return kWords[static_cast<std::size_t>(use)];
}

std::vector<RugAdvice> adviceFor(const RugTrade& trade, const std::vector<RugUse>& uses) {
  std::vector<RugAdvice> out;
  for (const RugStuff& stuff : trade.stuffs) {
    RugAdvice one{&stuff, false, {}};
    std::vector<std::string> care;
    for (const RugUse use : uses) {
      const auto i = static_cast<std::size_t>(use);
      if (stuff.bears[i] == Bears::Well) continue;
      const bool badly = stuff.bears[i] == Bears::Badly;
      one.out = one.out || badly;
      (badly ? one.reasons : care).push_back(std::string(useWords(use)) + ": " + stuff.why[i]);
    }
    if (!one.out) one.reasons = std::move(care);
    out.push_back(std::move(one));
  }
  std::stable_sort(out.begin(), out.end(), [](const RugAdvice& a, const RugAdvice& b) {
    const auto rank = [](const RugAdvice& x) {
      return std::tuple(!x.stuff->fibre, x.out, x.out ? 0 : x.reasons.size(), x.stuff->cost);
    };
    return rank(a) < rank(b);
  });
  return out;
}

}  // namespace mezzet
