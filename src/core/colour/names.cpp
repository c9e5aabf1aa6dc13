#include "core/colour/names.h"

#include <iterator>
#include <utility>
#include <vector>

#include "core/colour/lab.h"

namespace mezzet {
namespace {

constexpr std::pair<std::string_view, std::string_view> kNames[] = {
    {"black", "#1f1d1b"},  {"charcoal", "#3c3f42"}, {"grey", "#8a8780"},  {"white", "#f3f0e8"},  {"cream", "#ece0c4"},
    {"sand", "#cdb892"},   {"brown", "#6b4a2f"},    {"tan", "#b08a5b"},   {"brass", "#b08d3c"},  {"copper", "#a5633c"},
    {"red", "#a3322b"},    {"rust", "#97492b"},     {"pink", "#d2a09b"},  {"orange", "#cc7a33"}, {"yellow", "#d9b23f"},
    {"green", "#4c6b4a"},  {"olive", "#73713f"},    {"teal", "#2f6a6d"},  {"blue", "#3d5f8c"},   {"navy", "#232f4b"},
    {"violet", "#6a4f7d"}, {"silver", "#b4b6b8"},   {"straw", "#d8c585"}, {"oak", "#b98f5e"}};

}  // namespace

std::optional<std::string> colourNamed(std::string_view word) {
  if (word == "gray") word = "grey";
  if (word == "gold") word = "brass";
  for (const auto& [name, srgb] : kNames)
    if (name == word) return std::string(srgb);
  return std::nullopt;
}

std::string nameOfColour(std::string_view srgb) {
  const auto colour = readColour(srgb);
  if (!colour) return std::string(srgb);
  static const std::vector<Lab> labs = [] {
    std::vector<Lab> out;
    for (const auto& [name, written] : kNames) out.push_back(labOf(*readColour(written)));
    return out;
  }();
  const Lab here = labOf(*colour);
  std::size_t best = 0;
  for (std::size_t i = 1; i < labs.size(); ++i)
    if (deltaE00(here, labs[i]) < deltaE00(here, labs[best])) best = i;
  return std::string(kNames[best].first);
}

}  // namespace mezzet
