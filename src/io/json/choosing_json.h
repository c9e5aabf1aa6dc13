// Candidates, areas, what is taken out, and the budget in the job file.
#pragma once

#include "core/model/job.h"
#include "io/json/job_json.h"
#include "io/json/json_reader.h"

namespace mezzet {

void readCandidates(ObjectReader& placement, Placement&);
void writeCandidates(Json& placement, const Placement&);
/// Areas, and what the scheme takes out.
void readAreas(ObjectReader& scheme, Scheme&);
void writeAreas(Json& scheme, const Scheme&);
[[nodiscard]] BudgetList readBudget(ObjectReader& job);
[[nodiscard]] Json toJson(const BudgetList&);
[[nodiscard]] const char* areaUseWord(AreaUse);

}  // namespace mezzet
