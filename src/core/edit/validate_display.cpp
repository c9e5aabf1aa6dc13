#include "core/edit/validate_display.h"

#include <algorithm>
#include <cmath>
#include <set>
#include <unordered_map>

#include "core/base/sentence.h"
#include "core/colour/colour.h"
#include "core/edit/validate.h"
#include "core/edit/validate_site.h"
#include "core/edit/validate_text.h"
#include "core/model/kinds.h"

namespace mezzet {
namespace {

constexpr double kSurfaceSlack = 0.01;
constexpr std::size_t kMostSurfaces = 60, kMostColours = 12, kMostItems = 40, kMostSeasons = 12, kMostPalette = 12;

bool isColour(const std::string& text) { return readColour(text).has_value(); }

std::optional<Error> faultOfSurface(const Piece& p, const Surface& s, const std::string& where) {
  const double half = p.width / 2;
  if (!(s.left >= -half - kSurfaceSlack && s.right <= half + kSurfaceSlack && s.right - s.left > kSurfaceSlack))
    return Error{where, "does not lie between the piece's sides", "left and right are x in its frame, left first"};
  if (!(s.bottom >= 0 && s.bottom <= kLongestLength))
    return Error{where, "has a height above the foot that is not a length", "Type 0 or more"};
  if (s.top && !(*s.top - s.bottom > kSurfaceSlack && *s.top <= kLongestLength))
    return Error{where, "is a bay of no height", "What is over it is higher than what things stand on"};
  if (!(s.setback >= 0 && s.setback <= kLongestLength))
    return Error{where, "is set back by what is not a length", "Type 0 or more"};
  for (const auto& [length, what] :
       {std::pair{s.depth, "depth"}, std::pair{s.thickness, "thickness"}, std::pair{s.span, "span"}})
    if (length)
      if (auto fault = faultOfLength(*length, where + ", " + what)) return fault;
  if (s.load && !(*s.load > 0 && *s.load <= 1e5))
    return Error{where, "has a load that is not more than 0", "Type kilograms"};
  return std::nullopt;
}

std::optional<Error> faultOfSize(double width, double depth, double height, const std::string& where) {
  for (const double v : {width, depth, height})
    if (auto fault = faultOfLength(v, where)) return fault;
  return std::nullopt;
}

}  // namespace

std::optional<Error> faultOfDisplayed(const Piece& p, const std::string& name) {
  const auto& surfaces = p.surfaces->all;
  const std::string kind(kindWords(p.kind));
  if (!surfaces.empty() && !canCarry(p.kind))
    return Error{name, "has shelves, which a " + kind + " cannot have", "Take them out, or choose another kind"};
  // Anything has colours.
  ThingPart coloured;
  coloured.colours = p.thing->colours;
  if (*p.thing != coloured && !canBeThing(p.kind))
    return Error{name, "has a family, a season or contents, which a " + kind + " cannot have",
                 "Take them out, or choose another kind"};
  if (surfaces.size() > kMostSurfaces) return Error{name, "has more than 60 surfaces", "Take some out"};
  std::set<std::string> ids;
  for (const Surface& s : surfaces) {
    const std::string where = name + ", surface " + s.id;
    if (s.id.empty() || s.id.find_first_of("/,:") != std::string::npos || !ids.insert(s.id).second)
      return Error{where, "needs an id of its own", "A short word without /, : or a comma"};
    if (auto fault = faultOfSurface(p, s, where)) return fault;
  }
  const ThingPart& t = *p.thing;
  if (t.colours.size() > kMostColours) return Error{name, "has more than 12 colours", "Keep the main ones"};
  for (const ColourShare& c : t.colours) {
    if (!isColour(c.srgb)) return Error{name, "has a colour that is none: " + c.srgb, "Write it as #2b2b2b"};
    if (!(c.share > 0 && c.share <= 1)) return Error{name, "has a share of a colour that is none", "0 to 1"};
  }
  if (t.seasons.size() > kMostSeasons) return Error{name, "has more than 12 seasons", "Keep the ones that are used"};
  if (t.items.size() > kMostItems || t.holds.size() > kMostItems)
    return Error{name, "holds more than 40 things", "Take some out"};
  for (const StackItem& i : t.items)
    if (auto fault = faultOfSize(i.width, i.depth, i.height, name + ", in the stack")) return fault;
  for (const HeldThing& h : t.holds)
    if (auto fault = faultOfSize(h.width, h.depth, h.height, name + ", " + h.name)) return fault;
  if (t.inside)
    if (auto fault = faultOfSize(t.inside->width, t.inside->depth, t.inside->height, name + ", inside")) return fault;
  return std::nullopt;
}

std::optional<Error> faultOfCarried(const Room& room, const Scheme& scheme,
                                    const std::function<const Piece*(const PieceId&)>& pieceOf) {
  std::unordered_map<std::string_view, const Placement*> byId;
  for (const Placement& p : scheme.placements) byId[p.id.value] = &p;
  for (const Placement& p : scheme.placements) {
    const auto* on = onAnother(p.on);
    if (on == nullptr) continue;
    const std::string where = "placement " + p.id.value;
    if (!on->fixed.empty()) {
      const bool there = std::any_of(room.features.begin(), room.features.end(),
                                     [&](const Feature& f) { return f.id.value == on->fixed; }) ||
                         std::any_of(room.openings.begin(), room.openings.end(), [&](const Opening& o) {
                           return o.id.value == on->fixed && o.kind == OpeningKind::Window;
                         });
      if (!there)
        return Error{where, "stands on a fixed thing or window that is not there: " + on->fixed, "Place it elsewhere"};
      continue;
    }
    const auto found = byId.find(on->carrier.value);
    if (found == byId.end() || found->second == &p)
      return Error{where, "stands on a placement that is not there: " + on->carrier.value, "Place it on the floor"};
    const Piece* carrier = pieceOf(found->second->piece);
    if (!on->surface.empty() && on->surface != "top" && carrier != nullptr &&
        std::none_of(carrier->surfaces->all.begin(), carrier->surfaces->all.end(),
                     [&](const Surface& s) { return s.id == on->surface; }))
      return Error{where, "stands on a surface that is not there: " + on->carrier.value + "/" + on->surface,
                   "Choose one of its surfaces, or leave it out for the top"};
    const Placement* at = found->second;
    for (int depth = 1; at != nullptr; ++depth) {
      const CarriedPlace* next = onAnother(at->on);
      if (at == &p) return Error{where, "stands on itself, by way of what it carries", "Place it on the floor"};
      if (depth > kDeepestCarried)
        return Error{where, "stands on more than 8 things, one on the other", "Place it lower"};
      if (next == nullptr) {
        if (onFloor(at->on) == nullptr && onWall(at->on) == nullptr)
          return Error{where, "stands on something that neither stands nor hangs on a wall", "Place it on the floor"};
        break;
      }
      if (!next->fixed.empty()) break;
      const auto up = byId.find(next->carrier.value);
      at = up == byId.end() ? nullptr : up->second;
    }
  }
  return std::nullopt;
}

std::optional<Error> faultOfPalette(const ColourPalette& palette, const std::string& where) {
  const auto fault = [&](const std::string& colour) {
    return Error{where, "has a colour that is none: " + colour.substr(0, 40), "Write it as #2b2b2b"};
  };
  if (palette.main.size() + palette.accent.size() + palette.readsAs.size() > kMostPalette)
    return Error{where, "has more than 12 colours", "One or two main colours and an accent do"};
  for (const auto* colours : {&palette.main, &palette.accent})
    for (const std::string& c : *colours)
      if (!isColour(c)) return fault(c);
  for (const ReadsAs& r : palette.readsAs)
    for (const std::string& c : {r.from, r.to})
      if (!isColour(c)) return fault(c);
  return std::nullopt;
}

std::optional<Error> faultOfDisplays(const Room& room, const Scheme& scheme) {
  std::set<std::string> carriers;
  for (const DisplaySet& d : scheme.displays) {
    const std::string where = "display " + d.carrier;
    const bool there = findPlacement(scheme, PlacementId(d.carrier)) != nullptr ||
                       findOpening(room, OpeningId(d.carrier)) != nullptr ||
                       std::any_of(room.features.begin(), room.features.end(),
                                   [&](const Feature& f) { return f.id.value == d.carrier; });
    if (!there) return Error{where, "is on something that is not there", "Take it out"};
    if (!carriers.insert(d.carrier).second) return Error{where, "is said twice", "Keep one"};
    if (auto fault = faultOfPalette(d.palette, where)) return fault;
    for (const auto& length : {d.eyeHeight, d.eyeDistance})
      if (length)
        if (auto fault = faultOfLength(*length, where + ", eye")) return fault;
  }
  return std::nullopt;
}

std::optional<Error> faultOfLostSurfaces(const Job& job, const Piece& changed) {
  const Piece* before = findPiece(job, changed.id);
  if (before == nullptr || before->surfaces == changed.surfaces) return std::nullopt;
  for (const auto& scheme : job.schemes)
    for (const Placement& p : scheme->placements) {
      const auto* on = onAnother(p.on);
      if (on == nullptr || on->surface.empty()) continue;
      const Placement* carrier = findPlacement(*scheme, on->carrier);
      if (carrier == nullptr || carrier->piece != changed.id) continue;
      if (std::none_of(changed.surfaces->all.begin(), changed.surfaces->all.end(),
                       [&](const Surface& s) { return s.id == on->surface; }))
        return Error{changed.name, "would lose shelf " + on->surface + ", where something stands",
                     "Take what stands there off first"};
    }
  return std::nullopt;
}

}  // namespace mezzet
