// Answers about choosing as JSON: colour ties, budget, layouts searched.
#pragma once

#include "core/choose/budget.h"
#include "core/choose/ties.h"
#include "core/search/search.h"

namespace mezzet {

[[nodiscard]] std::string tiesJson(const Scheme&, const Ties&);
[[nodiscard]] std::string budgetJson(const Scheme&, const Budget&);
/// `ids`: under which each offer was written as a scheme of `written`; by number where there are none.
[[nodiscard]] std::string searchJson(const Job& written, const Scheme&, const SearchResult&,
                                     const std::vector<SchemeId>& ids);

}  // namespace mezzet
