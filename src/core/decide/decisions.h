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

/// What broke before and does not now, in sentences: as it is measured now, or as what is no more. Of what was taken
/// out of the scheme nothing is said; kept is not cured.
[[nodiscard]] std::vector<std::string> nowHolds(const std::vector<Finding>& before, const std::vector<Finding>& now,
                                                const Job&, const Rulebook&, const SchemeId&);

/// A finding that an edit turned about something that was left alone: it breaks now.
struct Turned {
  std::string finding, sentence;
};
[[nodiscard]] std::vector<Turned> nowTurned(const std::vector<Finding>& before, const std::vector<Finding>& now,
                                            const Job& jobBefore, const Job& job, const SchemeId&);

}  // namespace mezzet
