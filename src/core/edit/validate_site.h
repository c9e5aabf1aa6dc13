// What makes the record of a site sound; called by the checks of validate.h.
#pragma once

#include <optional>
#include <set>
#include <string>

#include "core/model/job.h"
#include "core/base/result.h"

namespace mezzet {

/// An id that is empty or was there before is a fault.
template <class AnyId>
[[nodiscard]] std::optional<Error> takeId(std::set<std::string>& seen, const AnyId& id, const std::string& what) {
  if (id.empty()) return Error{what, "has no id", "Give it a short name"};
  if (!seen.insert(id.value).second) return Error{what + " " + id.value, "stands twice", "Ids must differ"};
  return std::nullopt;
}

[[nodiscard]] std::optional<Error> faultOfSite(const Opening&, const std::string& where);
[[nodiscard]] std::optional<Error> faultOfSite(const Feature&);
[[nodiscard]] std::optional<Error> faultOfSite(const Room&);
/// Storeys, and doors that belong to two rooms.
[[nodiscard]] std::optional<Error> faultOfHouse(const Job&);

}  // namespace mezzet
