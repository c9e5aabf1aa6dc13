#include "core/rules/registry.h"

#include <array>

#include "core/rules/access/rules.h"
#include "core/rules/art/rules.h"
#include "core/rules/dining/rules.h"
#include "core/rules/displays/rules.h"
#include "core/rules/light/rules.h"
#include "core/rules/placing/rules.h"
#include "core/rules/rugs/rules.h"
#include "core/rules/seating/rules.h"
#include "core/rules/sight/rules.h"
#include "core/rules/stairs/rules.h"
#include "core/rules/ways/rules.h"

namespace mezzet {

std::span<const RuleRows> ruleFamilies() {
  static const std::array all{seatingRules(),       diningRules(),     wayRules(),       accessRules(),  groupRules(),
                              clearanceRules(),     sightRules(),      rugRules(),       rugWayRules(),  openingRules(),
                              artRules(),           proportionRules(), galleryRules(),   mirrorRules(),  screenRules(),
                              hookRules(),          stairHangRules(),  leaningRules(),   placingRules(), stairRules(),
                              pendantRules(),       sconceRules(),     downlightRules(), lampRules(),    shelfRules(),
                              displayColourRules(), tabletopRules(),   boardRules()};
  return all;
}

const RuleRow* rowOf(std::string_view rule) {
  static const std::unordered_map<std::string_view, const RuleRow*> byId = [] {
    std::unordered_map<std::string_view, const RuleRow*> index;
    for (const RuleRows rows : ruleFamilies())
      for (const RuleRow& row : rows) index.emplace(row.id, &row);
    return index;
  }();
  const auto at = byId.find(rule);
  return at == byId.end() ? nullptr : at->second;
}

bool showsOf(std::string_view rule, unsigned what) {
  const RuleRow* row = rowOf(rule);
  return row != nullptr && (row->shows & what) == what;
}

}  // namespace mezzet
