// Values of a list that are told apart by their ids.
#pragma once

#include <algorithm>
#include <utility>
#include <vector>

namespace mezzet {

/// Replaces the value with `changed.id`, or adds it at the end.
template <class T>
void putValue(std::vector<T>& all, T changed) {
  const auto at = std::find_if(all.begin(), all.end(), [&](const T& one) { return one.id == changed.id; });
  if (at == all.end()) all.push_back(std::move(changed));
  else *at = std::move(changed);
}

}  // namespace mezzet
