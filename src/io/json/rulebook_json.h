// The rulebook as data: read from the JSON files of data/rules.
#pragma once

#include <string_view>

#include "core/base/result.h"
#include "core/rules/base/rulebook.h"

namespace mezzet {

/// Parses one file of rules and adds them to the book. Lengths in inches become mm.
[[nodiscard]] std::optional<Error> addRules(Rulebook&, std::string_view text, const std::string& name);

/// The rulebook that ships with the program, built in from data/rules.
[[nodiscard]] const Rulebook& builtInRulebook();

}  // namespace mezzet
