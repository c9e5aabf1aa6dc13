// Fitted carpet and the user's list of it, as edits.
#include "core/edit/edits.h"
#include "core/edit/validate_rugs.h"

namespace mezzet {

Result<Job> withCarpet(const Job& job, const SchemeId& id, std::optional<Broadloom> carpet) {
  const Scheme* scheme = findScheme(job, id);
  if (scheme == nullptr) return job;
  if (carpet)
    if (auto fault = faultOf(*carpet)) return *fault;
  Scheme changed = *scheme;
  changed.carpet = carpet;
  return withScheme(job, std::move(changed));
}

Result<Job> withCarpetList(const Job& job, CarpetList list) {
  if (auto fault = faultOf(list)) return *fault;
  Job changed = job;
  changed.carpet = std::move(list);
  return changed;
}

}  // namespace mezzet
