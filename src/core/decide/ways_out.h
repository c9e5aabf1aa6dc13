// Ways out: concrete changes that would make a broken finding hold, each re-checked against every rule.
#pragma once

#include <limits>
#include <stop_token>

#include "core/decide/decisions.h"
#include "core/rules/base/proposals.h"

namespace mezzet {

/// How much may be tried. A re-check costs about the square of what stands in the room; in a heap of pieces thousands
/// are wanted.
struct Tries {
  long long left = std::numeric_limits<long long>::max();  ///< squares of placements
  std::stop_token stop = {};
  /// Whether one more re-check may be made of a scheme with so many placements.
  [[nodiscard]] bool take(std::size_t placements) {
    left -= static_cast<long long>(placements * placements);
    return left >= 0 && !stop.stop_requested();
  }
  /// The same of one rule alone.
  [[nodiscard]] bool takePart(std::size_t placements) {
    left -= static_cast<long long>(placements * placements / kRules + 1);
    return left >= 0 && !stop.stop_requested();
  }
  /// What a rule found makes it dearer where that is more than there are placements: all of a heap that lie on each
  /// other.
  void found(std::size_t placements, std::size_t findings) {
    if (findings > placements) left -= static_cast<long long>(kFinding * (findings - placements));
  }
  static constexpr std::size_t kRules = 16;    // one rule costs about this part of a whole check
  static constexpr std::size_t kFinding = 10;  // a finding costs about as much as so many squares of placements
};

/// Ways out of one broken finding: what its rule proposes, then slides and turns on the floor, least movement first;
/// none for one that neither breaks nor is close. Each is proven by a whole check of the room after it: its rule then
/// holds for the target's subjects (of rules that find only what breaks, the finding is gone); nothing else of weight
/// breaks that did not, or gets worse by more than 0.5 mm (1e-6 in other units); no close call's margin is lower;
/// nothing that was measured is measured no more. Where `with` has routes they are drawn anew for the last proof; what
/// waits for a route does not count before. The even split of a picture that two rules pull apart is the exception: it
/// makes the larger of the two shortfalls least. Also of a close call, which is then no longer close. `refused`
/// receives why the nearest other changes are not offered, a sentence each, kMostRefused at most.
[[nodiscard]] std::vector<WayOut> waysOutOf(const Finding&, const std::vector<Finding>& now, const Job&,
                                            const Rulebook&, const SchemeId&, IdSource ids, LengthFormat format,
                                            const CheckWith&, Tries* tries = nullptr,
                                            std::vector<std::string>* refused = nullptr);
inline constexpr std::size_t kMostRefused = 4;

/// So many are offered of one finding; rules' own proposals may be more.
inline constexpr std::size_t kMostWays = 3;
/// Ways out are looked for from the worst findings of a decision only: in a pile each piece has hundreds, and each way
/// is re-checked.
inline constexpr std::size_t kMostLookedAt = 6;
/// When so many were found of a decision's worst findings, the others are not asked.
inline constexpr std::size_t kMostOfDecision = 4;
/// A heap of pieces with more findings than this is taken apart first: none of its ways out is looked for.
inline constexpr std::size_t kHeap = 4'000;

[[nodiscard]] std::vector<WayOut> waysOutOf(const Decision&, const std::vector<Finding>&, const Job&, const Rulebook&,
                                            const SchemeId&, IdSource ids, LengthFormat format, const CheckWith&,
                                            Tries* tries = nullptr, std::vector<std::string>* refused = nullptr);

}  // namespace mezzet
