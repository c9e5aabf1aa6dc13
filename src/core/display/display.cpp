#include "core/display/display.h"

#include <algorithm>
#include <cmath>
#include <unordered_map>
#include <unordered_set>

#include "core/model/kinds.h"
#include "core/use/eyes.h"
#include "core/use/seats.h"

namespace mezzet {
namespace {

/// Walked once: what stands under each placement.
using Children = std::unordered_multimap<std::string_view, const Placement*>;

Children childrenOf(const Scheme& scheme) {
  Children out;
  for (const Placement& p : scheme.placements)
    if (const auto* on = onAnother(p.on))
      out.emplace(on->fixed.empty() ? std::string_view(on->carrier.value) : std::string_view(on->fixed), &p);
  return out;
}

struct Builder {
  const PieceIndex& pieces;
  const Children& children;
  Display& display;

  /// Where a frame's origin lies in the carrier's box, and how it is turned there.
  struct Origin {
    double x = 0, y = 0, turn = 0, bottom = 0;
  };

  std::size_t bayFor(std::string_view surface) {
    for (std::size_t i = 0; i < display.bays.size(); ++i)
      if (display.bays[i].id == surface) return i;
    if (display.carrier.placement == nullptr) return 0;
    // On top of what has shelves.
    Bay top{std::string(kTopSurface), 0, display.carrier.width, display.carrier.height, {}, 0, display.carrier.depth};
    display.bays.push_back(top);
    return display.bays.size() - 1;
  }

  void add(const Placement& p, const Placement* under, std::size_t bay, const Origin& frame, int depth) {
    const auto& on = *onAnother(p.on);
    const Piece& piece = pieces.of(p);
    if (depth > kDeepestCarried || !isOut(piece, display.season)) return;
    const LyingSize size = lyingSize(piece, on.lie);
    const Vec2 at = Vec2{frame.x, frame.y} + rotated(on.at, turnOf(frame.turn));
    const Turn turn = turnOf(frame.turn + on.turn);
    const bool round = piece.shape == Shape::Round && on.lie != Lie::Lying;
    const double halfX = round ? size.x / 2 : (size.x * std::abs(turn.cosine) + size.y * std::abs(turn.sine)) / 2;
    const double halfY = round ? size.y / 2 : (size.x * std::abs(turn.sine) + size.y * std::abs(turn.cosine)) / 2;
    DisplayedThing shown;
    shown.placement = &p;
    shown.piece = &piece;
    shown.bay = bay;
    shown.lie = on.lie;
    shown.left = at.x - halfX;
    shown.right = at.x + halfX;
    shown.front = at.y - halfY;
    shown.back = at.y + halfY;
    shown.bottom = frame.bottom;
    shown.top = frame.bottom + size.z;
    shown.on = under;
    display.things.push_back(shown);
    Origin next{at.x, at.y, normalisedTurn(frame.turn + on.turn), 0};
    const auto [from, to] = children.equal_range(p.id.value);
    for (auto child = from; child != to; ++child) {
      next.bottom = frame.bottom + size.z;
      for (const Surface& s : piece.surfaces->all)
        if (s.id == surfaceOf(*onAnother(child->second->on))) next.bottom = frame.bottom + s.bottom;
      add(*child->second, &p, bay, next, depth + 1);
    }
  }
};

Bay bayOf(const Surface& s) {
  Bay out;
  out.id = s.id;
  out.left = s.left;
  out.right = s.right;
  out.bottom = s.bottom;
  out.top = s.top;
  out.front = s.setback;
  out.depth = s.depth.value_or(0);
  out.thickness = s.thickness.value_or(kUsualBoard);
  return out;
}

std::string nameOf(const Room& room, const Carrier& carrier) {
  if (carrier.piece != nullptr) return carrier.piece->name;
  for (const Feature& f : room.features)
    if (f.id.value == carrier.id) return f.kind == FeatureKind::Hearth ? "mantel" : std::string(featureWord(f.kind));
  for (const Opening& o : room.openings)
    if (o.id.value == carrier.id) return "sill of the " + openingName(room, o);
  return carrier.id;
}

/// Who sits before a low carrier and looks at its front: the nearest of them; nobody before what is looked at standing.
std::optional<DisplayEye> seatedBefore(const PieceIndex& pieces, const Scheme& scheme, const Carrier& carrier) {
  constexpr double kFarthest = 144 * kInch;  // further off one gets up to look [D]
  if (carrier.placement == nullptr || carrier.height > kTabletopHigh || carrier.foot > 0) return std::nullopt;
  const Vec2 middle = carrier.left + carrier.along * (carrier.width / 2);
  std::optional<DisplayEye> best;
  for (const Placement& p : scheme.placements) {
    const auto* floor = onFloor(p.on);
    const auto eye = floor != nullptr ? seatedEye(pieces.of(p)) : std::nullopt;
    if (!eye) continue;
    for (const SeatPlace& seat : seatPlaces(pieces.of(p), *floor)) {
      const double off = dot(seat.at - middle, -carrier.back);
      if (!looksAt(seat, middle, -carrier.back) || off <= 0 || off > kFarthest) continue;
      if (!best || off < best->distance) best = DisplayEye{*eye, off};
    }
  }
  return best;
}

/// Seen shares below the eye: columns of a thing's face between the edges of what stands before it.
double seenPast(const Display& d, const DisplayedThing& thing) {
  const double eye = d.eye.height - d.carrier.foot, reach = d.eye.distance;
  std::vector<const DisplayedThing*> before;
  for (const DisplayedThing& other : d.things)
    if (&other != &thing && other.bay == thing.bay && other.back <= thing.front + 0.01 && other.right > thing.left &&
        other.left < thing.right && other.placement != thing.on && other.on != thing.placement)
      before.push_back(&other);
  if (before.empty()) return 1;
  std::vector<double> edges{thing.left, thing.right};
  for (const DisplayedThing* b : before)
    for (const double x : {b->left, b->right})
      if (x > thing.left && x < thing.right) edges.push_back(x);
  std::sort(edges.begin(), edges.end());
  double seen = 0;
  for (std::size_t i = 0; i + 1 < edges.size(); ++i) {
    const double middle = (edges[i] + edges[i + 1]) / 2;
    double hidden = thing.bottom;
    for (const DisplayedThing* b : before) {
      if (b->left >= middle || b->right <= middle) continue;
      // A line from the eye over the edge of its top that stands in the way: the far one of what is looked down on.
      const double edge = eye >= b->top ? b->back : b->front;
      hidden = std::max(hidden, eye + (b->top - eye) * (reach + thing.front) / (reach + edge));
    }
    seen += (edges[i + 1] - edges[i]) * std::max(0.0, thing.top - hidden);
  }
  return thing.face() > 0 ? std::min(1.0, seen / thing.face()) : 1;
}

}  // namespace

bool isOut(const Piece& piece, const std::string& season) {
  const auto& seasons = piece.thing->seasons;
  return season.empty() || seasons.empty() || std::find(seasons.begin(), seasons.end(), season) != seasons.end();
}

const DisplayedThing* Display::shown(const PlacementId& id) const {
  for (const DisplayedThing& s : things)
    if (s.placement->id == id) return &s;
  return nullptr;
}
const Bay* Display::bay(std::string_view id) const {
  for (const Bay& b : bays)
    if (b.id == id) return &b;
  return nullptr;
}

DisplaySchool schoolOf(const Carrier& carrier, const DisplaySet* set, const Room& room) {
  if (set != nullptr && set->school) return *set->school;
  if (carrier.piece != nullptr)
    return hasShelves(carrier.piece->kind) || carrier.surfaces.size() > 1 ? DisplaySchool::Bookcase
                                                                          : DisplaySchool::Tabletop;
  const bool mantel = std::any_of(room.features.begin(), room.features.end(), [&](const Feature& f) {
    return f.id.value == carrier.id && f.kind == FeatureKind::Hearth;
  });
  return mantel ? DisplaySchool::Mantel : DisplaySchool::Tabletop;
}

std::optional<Display> displayOf(const Job& job, const PieceIndex& pieces, const Room& room, const Scheme& scheme,
                                 std::string_view id) {
  auto carrier = carrierNamed(pieces, room, scheme, id);
  if (!carrier) return std::nullopt;
  const DisplaySet* set = findDisplay(scheme, id);
  Display out;
  out.carrier = std::move(*carrier);
  out.school = schoolOf(out.carrier, set, room);
  out.palette = set != nullptr && set->palette != ColourPalette{} ? set->palette : job.palette;
  if (set != nullptr) out.season = set->season;
  out.eye = {set != nullptr && set->eyeHeight ? *set->eyeHeight : standingEye(job.brief),
             set != nullptr && set->eyeDistance ? *set->eyeDistance : kDisplayDistance};
  if (const auto seated = seatedBefore(pieces, scheme, out.carrier);
      seated && (set == nullptr || (!set->eyeHeight && !set->eyeDistance)))
    out.eye = *seated;
  out.width = out.carrier.width;
  out.depth = out.carrier.depth;
  out.height = out.carrier.height;
  out.name = nameOf(room, out.carrier);
  for (const Surface& s : out.carrier.surfaces) out.bays.push_back(bayOf(s));
  const Children children = childrenOf(scheme);
  Builder builder{pieces, children, out};
  const bool fixed = out.carrier.placement == nullptr;
  const auto [from, to] = children.equal_range(id);
  for (auto child = from; child != to; ++child) {
    const auto& on = *onAnother(child->second->on);
    const std::size_t bay = builder.bayFor(surfaceOf(on));
    builder.add(*child->second, nullptr, bay,
                {fixed ? 0 : out.width / 2, fixed ? 0 : out.depth / 2, 0, out.bays[bay].bottom}, 1);
  }
  // Only now do surfaces stay where they are.
  for (Bay& bay : out.bays) bay.surface = out.carrier.surface(bay.id);
  std::stable_sort(out.things.begin(), out.things.end(), [](const DisplayedThing& a, const DisplayedThing& b) {
    return std::tuple(a.bay, a.left, a.bottom) < std::tuple(b.bay, b.left, b.bottom);
  });
  return out;
}

std::vector<std::string> carriersOf(const PieceIndex& pieces, const Room& room, const Scheme& scheme, bool onlyFilled) {
  std::unordered_set<std::string> filled;
  // What carries only by way of another carries that one.
  for (const Placement& p : scheme.placements)
    if (const auto* on = onAnother(p.on)) filled.insert(on->fixed.empty() ? on->carrier.value : on->fixed);
  std::vector<std::string> out;
  for (const Placement& p : scheme.placements) {
    if (onAnother(p.on) != nullptr) continue;
    const Piece& piece = pieces.of(p);
    const bool offers = !onlyFilled && (!piece.surfaces->all.empty() || hasShelves(piece.kind));
    if (filled.contains(p.id.value) || offers) out.push_back(p.id.value);
  }
  for (const Feature& f : room.features)
    if (filled.contains(f.id.value) || (!onlyFilled && f.kind == FeatureKind::Hearth && f.mantel))
      out.push_back(f.id.value);
  for (const Opening& o : room.openings)
    if (filled.contains(o.id.value)) out.push_back(o.id.value);
  return out;
}

double hiddenByShelf(double back, double shelf, double eye, double distance, double rise) {
  return distance > 0 ? std::max(0.0, back * (shelf - eye) / distance - rise) : 0;
}

std::vector<double> sharesSeen(const Display& d) {
  std::vector<double> out;
  for (const DisplayedThing& thing : d.things) {
    const Bay& bay = d.bays[thing.bay];
    const double shelf = d.carrier.foot + bay.bottom;
    if (shelf <= d.eye.height) {
      out.push_back(seenPast(d, thing));
      continue;
    }
    const double hidden =
        hiddenByShelf(thing.front - bay.front, shelf, d.eye.height, d.eye.distance, thing.bottom - bay.bottom);
    out.push_back(thing.height() > 0 ? std::clamp(1 - hidden / thing.height(), 0.0, 1.0) : 1);
  }
  return out;
}

std::optional<double> fillOf(const Display& d, std::size_t bay) {
  const auto height = d.bays[bay].height();
  if (!height || *height <= 0) return std::nullopt;
  double tallest = 0;
  for (const DisplayedThing& thing : d.things)
    if (thing.bay == bay) tallest = std::max(tallest, thing.top - d.bays[bay].bottom);
  return tallest > 0 ? std::optional(tallest / *height) : std::nullopt;
}

std::vector<std::pair<double, double>> freeWidths(const Display& d, std::size_t bay) {
  std::vector<std::pair<double, double>> taken, out;
  for (const DisplayedThing& thing : d.things)
    if (thing.bay == bay && thing.on == nullptr && thing.lie != Lie::Leaning)
      taken.emplace_back(thing.left, thing.right);
  std::sort(taken.begin(), taken.end());
  double at = d.bays[bay].left;
  for (const auto& [left, right] : taken) {
    if (left > at) out.emplace_back(at, left);
    at = std::max(at, right);
  }
  if (d.bays[bay].right > at) out.emplace_back(at, d.bays[bay].right);
  return out;
}

double balanceOf(const Display& d) {
  double sum = 0, moment = 0;
  for (const DisplayedThing& thing : d.things) {
    sum += thing.face();
    moment += thing.face() * (thing.middle() - d.width / 2);
  }
  return sum > 0 && d.width > 0 ? moment / (sum * d.width / 2) : 0;
}

}  // namespace mezzet
