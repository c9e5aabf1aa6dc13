// A rule as the program knows it: how it is evaluated, what ways out it has, what is drawn of its findings. Its ranges,
// schools and reasons are data (data/rules).
#pragma once

#include <span>
#include <string_view>

#include "core/rules/base/facts.h"
#include "core/rules/base/proposals.h"

namespace mezzet {

/// What is drawn of a rule's findings, and what can be done with them; any of these together.
namespace shows {
inline constexpr unsigned kNothing = 0;
inline constexpr unsigned kWays = 1u << 0;          ///< the layer of ways
inline constexpr unsigned kTalk = 1u << 1;          ///< the layer of who talks with whom
inline constexpr unsigned kReach = 1u << 2;         ///< the layer of what is reached from a seat
inline constexpr unsigned kSight = 1u << 3;         ///< the layer of sight
inline constexpr unsigned kRibbon = 1u << 4;        ///< the way it judges is drawn as a ribbon
inline constexpr unsigned kPinch = 1u << 5;         ///< where the way is narrowest, though it holds
inline constexpr unsigned kTableReach = 1u << 6;    ///< what it asks is how far one reaches from a seat
inline constexpr unsigned kBlankBack = 1u << 7;     ///< a line to a back that is seen unfinished
inline constexpr unsigned kSightLine = 1u << 8;     ///< a line of sight
inline constexpr unsigned kCentreHeight = 1u << 9;  ///< on the wall: its centre is measured from the floor
inline constexpr unsigned kNoRange = 1u << 10;      ///< nothing in it can be chosen or typed: it holds or it does not
inline constexpr unsigned kFindsFaults = 1u << 11;  ///< what it finds is no purpose of the room: gone is cured
inline constexpr unsigned kBounds = 1u << 12;       ///< what no scheme can have: a search asks nothing else then
inline constexpr unsigned kFirstLook = 1u << 13;    ///< what one sees on entering
}  // namespace shows

struct RuleRow {
  std::string_view id;
  void (*evaluate)(const Situation&, const Rule&, std::vector<Finding>&);
  void (*waysOut)(Proposals&) = nullptr;  ///< proposes changes for one broken finding
  unsigned shows = shows::kNothing;
};
using RuleRows = std::span<const RuleRow>;

}  // namespace mezzet
