// One broken finding judged again in a changed job, by its own rule alone: a part of what a whole check costs.
#pragma once

#include <optional>
#include <string>

#include "core/decide/ways_out.h"
#include "core/rules/base/row.h"

namespace mezzet {

/// How the target's rule judges it in a changed job.
struct Outcome {
  bool holds = false;
  std::optional<double> margin;  ///< of the same finding; absent when it is gone
  std::string measured;          ///< as it reads then; "" when it is gone or no length
};

/// Holds references: all of them must outlive it.
class Trial {
 public:
  Trial(const Finding& target, const Rulebook&, const SchemeId&, LengthFormat, const CheckWith&, Tries*);
  [[nodiscard]] bool possible() const { return row_ != nullptr && rule_ != nullptr; }
  [[nodiscard]] bool over() const { return over_; }
  [[nodiscard]] Outcome operator()(const Job&);
  /// What it gives, in words: "reach 18 in".
  [[nodiscard]] std::string gives(const Outcome&) const;

 private:
  const Finding& target_;
  const RuleRow* row_;
  const Rule* rule_;
  const Rulebook& book_;
  SchemeId scheme_;
  LengthFormat format_;
  CheckWith with_;
  Tries* tries_;
  bool over_ = false;
};

}  // namespace mezzet
