#include "core/edit/validate_rugs.h"

#include <cmath>

#include "core/edit/validate_site.h"
#include "core/geometry/convex.h"
#include "core/model/kinds.h"

namespace mezzet {
namespace {

constexpr std::size_t kMostRugCorners = 200, kMostRolls = 40;
constexpr double kTemplateSlack = 1;  // templates are cut to a sixteenth

}  // namespace

std::optional<Error> faultOfRug(const Piece& p, const std::string& name) {
  if (p.rug->pile && !(*p.rug->pile >= 0 && *p.rug->pile <= kLongestLength))
    return Error{name, "has a pile that is not a length", "Type 0 or more"};
  const Polygon& outline = p.rug->outline;
  if (outline.empty()) return std::nullopt;
  if (!isRug(p.kind)) return Error{name, "is cut to an outline, and is no rug", "Take its outline out"};
  if (outline.size() < 3 || outline.size() > kMostRugCorners)
    return Error{name, "has an outline of fewer than 3 or more than 200 corners", "Check its corners"};
  for (const Vec2 corner : outline)
    if (!(std::abs(corner.x) <= kLongestLength && std::abs(corner.y) <= kLongestLength))
      return Error{name, "has an outline with a corner that is no place", "Check its corners"};
  if (selfCrossing(outline)) return Error{name, "has an outline that crosses itself", "Check its corners"};
  if (signedArea(outline) <= 0) return Error{name, "has an outline that runs clockwise", "Turn its corners round"};
  const Box box = boundsOf(std::span<const Vec2>(outline));
  const double w = p.width / 2 + kTemplateSlack, d = p.depth.value_or(p.width) / 2 + kTemplateSlack;
  if (box.low.x < -w || box.high.x > w || box.low.y < -d || box.high.y > d)
    return Error{name, "has an outline that is larger than its width and depth",
                 "Its origin is the middle of its width and depth"};
  return std::nullopt;
}

std::optional<Error> faultOf(const CarpetList& list) {
  if (list.rolls.size() > kMostRolls || list.edgePrices.size() > kMostRolls)
    return Error{"carpet", "lists more than 40 rolls or edge finishes", "Keep those you buy"};
  for (const double roll : list.rolls)
    if (auto fault = faultOfLength(roll, "carpet, roll")) return fault;
  for (const auto& [finish, price] : list.edgePrices)
    if (!(price >= 0 && price <= 1e9))
      return Error{"carpet, " + finish, "has a price that is no amount", "Type 0 or more"};
  return std::nullopt;
}

std::optional<Error> faultOf(const Broadloom& cloth) {
  if (auto fault = faultOfLength(cloth.roll, "carpet, roll")) return fault;
  if (cloth.repeat)
    if (auto fault = faultOfLength(*cloth.repeat, "carpet, repeat")) return fault;
  if (!(cloth.trim >= 0 && cloth.trim <= kLongestLength))
    return Error{"carpet, trim", "is not a length", "Type 0 or more"};
  if (!std::isfinite(cloth.pile)) return Error{"carpet, pile", "is not a direction", "Type degrees"};
  return std::nullopt;
}

}  // namespace mezzet
