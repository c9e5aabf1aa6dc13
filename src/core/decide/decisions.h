// What to decide next: what breaks, grouped by piece.
#pragma once

#include "core/rules/check.h"

namespace mezzet {

/// One thing to decide: the broken findings of one piece, with their ways out.
struct Decision {
  std::string subject;                ///< placement or piece id
  std::string title;                  ///< its name
  std::vector<std::size_t> findings;  ///< into the findings, worst first
  std::string conflict;               ///< when two rules cannot both hold: the sentence that says so
};

inline constexpr std::size_t kMostDecisions = 5;
/// What breaks, grouped by piece, worst first; taste is left out. All of them: the ledger shows the first five.
[[nodiscard]] std::vector<Decision> decisionsOf(const std::vector<Finding>&, const Job&, const Rulebook&,
                                                const SchemeId&, LengthFormat format);

}  // namespace mezzet
