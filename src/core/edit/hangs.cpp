#include "core/edit/hangs.h"

#include <algorithm>
#include <cmath>
#include <set>

#include "core/colour/colour.h"
#include "core/edit/edits.h"
#include "core/edit/put.h"
#include "core/edit/validate.h"
#include "core/edit/validate_text.h"

namespace mezzet {
namespace {

constexpr std::size_t kMostHangs = 400;
constexpr int kMostRows = 200, kMostTreads = 20;

bool hasFixed(const Room& room, const std::string& id) {
  return std::any_of(room.features.begin(), room.features.end(), [&](const Feature& f) { return f.id.value == id; });
}

}  // namespace

Job withHang(const Job& job, const SchemeId& id, Hang hang) {
  const Scheme* scheme = findScheme(job, id);
  if (scheme == nullptr) return job;
  Scheme out = *scheme;
  putValue(out.hangs, std::move(hang));
  return withScheme(job, std::move(out));
}

Job withApart(const Job& job, const SchemeId& id, const PlacementId& placement, bool apart) {
  const Scheme* scheme = findScheme(job, id);
  const Placement* p = scheme != nullptr ? findPlacement(*scheme, placement) : nullptr;
  const auto* place = p != nullptr ? onWall(p->on) : nullptr;
  if (place == nullptr) return job;
  WallPlace there = *place;
  there.apart = apart;
  return placed(job, id, placement, there);
}

std::vector<PlacementId> membersOf(const Scheme& scheme, const std::string& group) {
  std::vector<std::pair<double, PlacementId>> found;
  for (const Placement& p : scheme.placements)
    if (const auto* place = onWall(p.on); place != nullptr && place->group == group) found.emplace_back(place->u, p.id);
  std::sort(found.begin(), found.end());
  std::vector<PlacementId> out;
  out.reserve(found.size());
  for (auto& [u, id] : found) out.push_back(std::move(id));
  return out;
}

Scheme withoutLostHangs(Scheme scheme) {
  std::erase_if(scheme.hangs, [&](const Hang& h) { return membersOf(scheme, h.id).empty(); });
  return scheme;
}

Job withoutLostHangs(const Job& job, const SchemeId& id) {
  const Scheme* scheme = findScheme(job, id);
  return scheme != nullptr ? withScheme(job, withoutLostHangs(*scheme)) : job;
}

void renameHangs(Scheme& scheme, const std::map<std::string, std::string>& renamed) {
  for (Hang& h : scheme.hangs)
    if (const auto at = renamed.find(h.like); at != renamed.end()) h.like = at->second;
}

std::optional<Error> faultOfHangs(const Scheme& scheme) {
  if (scheme.hangs.size() > kMostHangs)
    return Error{"scheme " + scheme.id.value, "has more than 400 arrangements on its walls", "Take some out"};
  std::set<std::string> groups;
  for (const Hang& h : scheme.hangs) {
    const std::string where = "arrangement " + h.id;
    if (h.id.empty() || h.id.size() > kLongestText)
      return Error{"scheme " + scheme.id.value, "has an arrangement without a group", "Its id is the group's name"};
    if (!groups.insert(h.id).second) return Error{where, "is there twice", "Take one of them out"};
    if (h.gap && !(*h.gap >= 0 && *h.gap <= kLongestLength))
      return Error{where, "has a gap that is no length", "Type a length"};
    if (!(h.rows >= 0 && h.rows <= kMostRows && h.columns >= 0 && h.columns <= kMostRows))
      return Error{where, "has rows or columns that are not 0 to 200", "Type how many"};
    if (!(h.treads >= 0 && h.treads <= kMostTreads))
      return Error{where, "steps by treads that are not 0 to 20", "Type how many from one frame to the next"};
  }
  return std::nullopt;
}

std::optional<Error> faultOfHanger(const Piece& p, const std::string& name) {
  for (const auto& [off, what] : {std::pair(p.hanger->offset, "offset"), std::pair(p.hanger->mass, "mass")})
    if (!(std::abs(off) <= p.width / 2))
      return Error{name, "has a hanger whose " + std::string(what) + " lies outside the frame",
                   "Measure from its middle"};
  return std::nullopt;
}

std::optional<Error> faultOfHung(const Placement& p, const std::string& where) {
  if (!p.asHung) return std::nullopt;
  if (onWall(p.on) == nullptr) return Error{where, "was hung, and is on no wall", "Take asHung out, or hang it"};
  if (!(p.asHung->u >= 0 && p.asHung->u <= kLongestLength && p.asHung->v >= 0 && p.asHung->v <= kLongestLength))
    return Error{where, "was hung where no wall is", "Type u and v in mm"};
  return std::nullopt;
}

std::optional<Error> faultOfLeaning(const Room& room, const Scheme& scheme, const Piece& piece,
                                    const LeaningPlace& leans, const std::string& where) {
  if (!findWall(room, leans.wall))
    return Error{where, "leans on a wall that is not there: " + leans.wall.value, "Choose one of the room's walls"};
  if (!piece.height) return Error{where, "leans " + piece.name + ", but its height is missing", "Give it a height"};
  if (!(std::abs(leans.u) <= kLongestLength && leans.foot <= kLongestLength))
    return Error{where, "stands at a place that is not a number", "Place it again"};
  if (!(leans.foot >= 0 && leans.lean >= 0))
    return Error{where, "leans with its foot below the floor or behind the wall", "Type 0 or more"};
  if (!(leans.lean < *piece.height))
    return Error{where, "leans further than it is high", "Set its foot nearer to the wall"};
  const Placement* carrier = findPlacement(scheme, PlacementId(leans.carrier));
  if (leans.carrier.empty() || hasFixed(room, leans.carrier) || (carrier != nullptr && onFloor(carrier->on) != nullptr))
    return std::nullopt;
  return Error{where, "leans on a thing that is not there: " + leans.carrier, "Stand it on the floor"};
}

std::optional<Error> faultOfLeaning(const Job& job, const Room& room, const Scheme& scheme) {
  for (const Placement& p : scheme.placements) {
    const auto* leans = leaning(p.on);
    if (leans == nullptr) continue;
    if (findWall(room, leans->wall) && (leans->carrier.empty() || hasFixed(room, leans->carrier) ||
                                        findPlacement(scheme, PlacementId(leans->carrier)) != nullptr))
      continue;
    return Error{"this", "is where " + pieceOf(job, p).name + " leans in " + scheme.name,
                 "Lean it elsewhere before it goes"};
  }
  return std::nullopt;
}

std::optional<Error> faultOfColour(const Corner& corner) {
  if (corner.colour.empty() || readColour(corner.colour)) return std::nullopt;
  return Error{"corner " + corner.id.value, "has a colour that is none: \"" + corner.colour.substr(0, 20) + "\"",
               "Colours look like #f4efe6"};
}

}  // namespace mezzet
