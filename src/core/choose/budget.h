// What a scheme costs: pieces to buy, edges, carpet, boards, fixings, hours; by tier and phase, against the brief.
#pragma once

#include "core/rules/base/rulebook.h"

namespace mezzet {

struct BudgetLine {
  std::string what;
  double count = 1;             ///< pieces, metres, square metres, hours
  std::optional<double> price;  ///< of one, in the user's currency
  Phase phase = Phase::Now;
  bool full = false;  ///< only in the fuller budget
  std::vector<PieceId> pieces = {};
  int leadDays = 0;    ///< the longest of its pieces'; 0: not said
  bool hours = false;  ///< of the decorator
  /// 0 without a price.
  [[nodiscard]] double sum() const { return count * price.value_or(0); }
};
struct BudgetSums {
  double simple = 0, full = 0;  ///< the fuller budget has all of it
  double now = 0, later = 0;    ///< of the fuller one
  bool operator==(const BudgetSums&) const = default;
};
struct Budget {
  std::vector<BudgetLine> lines;  ///< pieces in the job's order, then what was worked out, then hours
  BudgetSums sums;
  std::vector<std::string> noPrice;  ///< what has none yet
  double owned = 0;                  ///< how many placements need not be bought
  /// Left of what the brief allows; negative: over it. Absent where the brief says nothing.
  std::optional<double> leftSimple, leftFull;
};

/// Of one scheme. Each placement of a piece that is not owned counts once; candidates that are not chosen do not. What
/// edges, carpet, boards and hooks cost per piece, metre or square metre is the user's own list; no hours are counted
/// unless `hours`.
[[nodiscard]] Budget budgetOf(const Job&, const Rulebook&, const SchemeId&, bool hours = true);

/// Of several rooms: one scheme each, hours once.
struct HouseBudget {
  std::vector<std::pair<SchemeId, BudgetSums>> rooms;
  double hours = 0;  ///< what the decorator's hours cost
  BudgetSums sums;
  std::optional<double> leftSimple, leftFull;
};
/// `schemes`: one of each room that counts, in that order.
[[nodiscard]] HouseBudget houseBudget(const Job&, const Rulebook&, const std::vector<SchemeId>& schemes);

/// "1,240": at most two decimals, none of a whole amount, thousands apart.
[[nodiscard]] std::string moneyText(double amount);
/// "1,240 kroner"
[[nodiscard]] std::string moneyText(const Job&, double amount);

}  // namespace mezzet
