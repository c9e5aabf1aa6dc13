// The rulebook: the trade's ranges as data. Read from data/rules by io; the core only looks things up in it.
#pragma once

#include <optional>
#include <string>
#include <vector>

#include "core/base/range.h"
#include "core/base/result.h"
#include "core/display/ledge.h"
#include "core/hang/fixings.h"
#include "core/base/tasks.h"
#include "core/model/job.h"
#include "core/rugs/trade.h"
#include "core/use/eyes.h"

namespace mezzet {

enum class Weight { Must, Rule, Taste };

/// One school's answer, in mm for lengths.
struct School {
  std::string id;
  Range tolerated, ideal;
  bool aboutEyeHeight = false;  ///< the tolerated range is `within` about the viewers' mean eye height
  double within = 0;
  std::string why;
  /// Other ranges where something is so: `when` is a word of the rule's own evaluator.
  struct Case {
    std::string when;
    Range tolerated, ideal;
  };
  std::vector<Case> cases = {};
  /// What is added to both ends for each foot of a height over `over`, in proportion; 0: nothing.
  struct PerFoot {
    double over = 0, add = 0;
  };
  PerFoot perFoot = {};
};

struct Source {
  std::string kind;  ///< "practice", "published" or "default"
  std::string cite;
};

struct Rule {
  std::string id, name;
  Weight weight = Weight::Rule;
  std::string applies, measures, quantity, unit;
  std::vector<School> schools;
  std::optional<std::string> defaultSchool;
  Source source;
  std::optional<std::string> caution;
  int since = 1;  ///< the rulebook version that brought it
};

struct Rulebook {
  int version = 11;
  std::vector<Rule> rules;
  std::vector<BuildOrder> orders;  ///< in which order ledges and media walls are built
  std::vector<Fixing> fixings;     ///< what hooks go into walls with
  TaskList tasks;                  ///< what a job is made of, and in which order
  RugTrade rugs;                   ///< sizes, rolls, fibres: what ways out and size questions choose from
};

[[nodiscard]] const Rule* findRule(const Rulebook&, const std::string& id);
[[nodiscard]] const School* findSchool(const Rule&, const std::string& id);

/// What a job asks under one rule.
struct Asked {
  Range tolerated, ideal;
  std::optional<std::string> school;  ///< the one that decides; none: the schools together, or the job's own range
  std::vector<std::string> missing;   ///< what must be known first, e.g. "brief.viewers"
};

/// The job's own range first, then its school; with neither, the schools' overlap is ideal and their span tolerated. Of
/// each school the first of some cases that it has, else what it asks as always.
[[nodiscard]] Asked askedOf(const Rule&, const Job&, const std::vector<std::string>& whens = {});
/// The same, with what the piece itself asks going first.
[[nodiscard]] Asked askedOf(const Rule&, const Job&, const Piece&, const std::vector<std::string>& whens = {});
/// Raised by what the school that decides adds for each foot of a height (of the ceiling) over its own.
[[nodiscard]] Asked raisedFor(const Rule&, Asked, double height);

/// What one school asks of this job, in the first of some cases that it has.
[[nodiscard]] Asked askedBySchool(const School&, const Job&, const std::vector<std::string>& whens = {});

/// The house rules of a new job: the default school of every rule (eye height for pictures if statures are known).
[[nodiscard]] HouseRules newHouseRules(const Rulebook&, const Brief&);

/// What a rule is called in a sentence; its id where the rulebook has none of it.
[[nodiscard]] std::string ruleWords(const Rulebook&, const std::string& id);
/// A school that the house rules or a piece's own rules choose and that its rule does not have, with those it has.
[[nodiscard]] std::optional<Error> unknownSchool(const Job&, const Rulebook&);

}  // namespace mezzet
