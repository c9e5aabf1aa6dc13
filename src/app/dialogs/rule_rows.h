// The rows by which a rule is bent: its schools and the ends of its range. The house and a single piece share them.
#pragma once

#include <functional>

#include "app/document/workspace.h"

class QVBoxLayout;

namespace mezzet {

/// What is done with a choice; each makes one edit.
struct RuleEdits {
  std::function<void(const std::string& school)> school;
  std::function<void(const Range&)> range;
  std::function<void()> asHouse;  ///< of a piece only: back to what the house asks
};

/// How a rule stands: what is asked now, and whether a range of its own decides.
struct RuleState {
  Asked now;
  bool ownRange = false;
  bool asHouse = false;  ///< of a piece: nothing of its own is set
};

/// Adds name, schools, both ends and the reason of one rule.
void addRuleRows(QVBoxLayout* column, const Workspace&, const Rule&, const RuleState&, RuleEdits);

}  // namespace mezzet
