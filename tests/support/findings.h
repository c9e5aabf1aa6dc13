// Findings looked up so that one that is not there is no verdict.
#pragma once

#include <gtest/gtest.h>

#include <string>

#include "core/rules/check.h"

namespace mezzet::test {

/// Null when there is none of this id.
inline const Finding* findingIn(const std::vector<Finding>& findings, const std::string& id) {
  for (const Finding& f : findings)
    if (f.id == id) return &f;
  return nullptr;
}

/// Its verdict; a failure of the test when there is none of this id.
inline Verdict verdictIn(const std::vector<Finding>& findings, const std::string& id) {
  const Finding* f = findingIn(findings, id);
  if (f == nullptr) ADD_FAILURE() << "no finding " << id;
  return f == nullptr ? Verdict::NotMeasured : f->verdict;
}

}  // namespace mezzet::test
