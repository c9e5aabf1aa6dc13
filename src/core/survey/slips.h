// The usual slips of a tape: what was read wrongly, and what it would have been. The table is data/survey/slips.json.
#pragma once

#include <string>
#include <vector>

#include "core/survey/suspects.h"

namespace mezzet {

enum class SlipKind { Add, Scale, SwapDigits, OtherDigit, InchesAsFeet };

struct Slip {
  std::string id;
  std::string words;  ///< "a foot was dropped"
  SlipKind kind = SlipKind::Add;
  double amount = 0;          ///< Add: true = read + amount, mm. Scale: true = read * amount
  char digit = 0, other = 0;  ///< OtherDigit: `digit` was written for `other`
  std::optional<Unit> units;  ///< made only by people who measure in these
};

/// What the reading may have been meant as, each with the slip that would explain it. Digits are those of the number as
/// people with a tape write it: feet and inches, inches, or millimetres and centimetres; `unit` says which.
struct Meant {
  const Slip* slip = nullptr;
  double value = 0;  ///< mm
};
[[nodiscard]] std::vector<Meant> meantBy(double read, const std::vector<Slip>& slips, Unit unit);

/// One slip made on purpose: what would be read of a true length. Nothing when it would be no reading. `pick` chooses
/// among several digits that could go wrong.
[[nodiscard]] std::optional<double> slipped(double length, const Slip& slip, Unit unit, std::size_t pick);

/// Inches when the reading is a whole number of sixteenths, else millimetres.
[[nodiscard]] Unit unitOf(double read);

struct Explanation {
  std::size_t observation = 0;
  std::string slip, words;
  double wouldRead = 0;  ///< mm
  double chi2 = 0;
};

/// Slips in the suspects' places that bring chi-square within its limit: the best first, then others of the same
/// reading that are worse by less than 6. None when a slip in another reading is as good as that.
[[nodiscard]] std::vector<Explanation> explanationsOf(const Network& net, const Adjustment& all,
                                                      const Suspects& suspects, const std::vector<Slip>& slips);

}  // namespace mezzet
