// Things in their bays: whether they fit, fill them, and are seen.
#include <algorithm>
#include <cmath>

#include "core/display/boards.h"
#include "core/display/placing.h"
#include "core/display/setting.h"
#include "core/edit/edits.h"
#include "core/hang/leaning.h"
#include "core/model/kinds.h"
#include "core/rules/displays/rules.h"
#include "core/rules/displays/shared.h"

namespace mezzet {
namespace {

constexpr double kStandsOut = 1 * kInch;  // past the shelf's front edge [D]
constexpr double kSameShare = 1e-9;
constexpr double kLoneLow = 0.35;  // of the bay's height [D]

/// How far two things on one surface run into each other; 0: they do not.
double overlapOf(const DisplayedThing& a, const DisplayedThing& b) {
  const double x = std::min(a.right, b.right) - std::max(a.left, b.left),
               y = std::min(a.back, b.back) - std::max(a.front, b.front),
               z = std::min(a.top, b.top) - std::max(a.bottom, b.bottom);
  return std::max(0.0, std::min({x, y, z}));
}

void evaluateFit(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  for (const Display& d : s.displays())
    for (const DisplayedThing& t : d.things) {
      const Bay& bay = d.bays[t.bay];
      Finding f = displayFinding(rule, askedOf(rule, s.job, *t.piece), d, {t.placement->id.value});
      struct Room {
        double mm;
        const char* where;
      };
      std::vector<Room> rooms{{t.left - bay.left, "to its left"}, {bay.right - t.right, "to its right"}};
      if (bay.top) rooms.push_back({*bay.top - t.top, "above it"});
      const double out1 = bay.front - t.front - kStandsOut, behind = t.back - (bay.front + bay.depth);
      if (out1 > 0) rooms.push_back({-out1, "past the inch it may stand out"});
      if (behind > kTouch) rooms.push_back({-behind, "behind it"});
      std::string into;
      for (const DisplayedThing& other : d.things) {
        const double overlap = &other == &t || other.bay != t.bay ? 0 : overlapOf(t, other);
        if (overlap <= kTouch || other.lie == Lie::Leaning || t.lie == Lie::Leaning) continue;
        if (-overlap < std::min_element(
                           rooms.begin(), rooms.end(), [](auto& a, auto& b) { return a.mm < b.mm; })
                           ->mm)
          into = s.names.the(other.placement->id);
        rooms.push_back({-overlap, "beside it"});
      }
      const Room& least =
          *std::min_element(rooms.begin(), rooms.end(), [](const Room& a, const Room& b) { return a.mm < b.mm; });
      // Under half a millimetre is touching, and touching fits.
      f.measured = least.mm < 0 && least.mm > -kTouch ? 0 : least.mm;
      f.at = faceOf(t);
      f.u95 = std::hypot(doubtOf(*t.piece, "height"), doubtOf(*t.piece, "width"));
      decide(f, s.scheme);
      const std::string who = capital(s.names.the(t.placement->id, true)), where = s.names.the(t.placement->id);
      f.sentence = f.measured < 0
                       ? (into.empty() ? who + " does not fit: " + writeLength(-least.mm, s.format) + " are short " +
                                             least.where + "."
                                       : who + " runs " + writeLength(-least.mm, s.format) + " into " + into + ".")
                       : who + " fits, with " + writeLength(least.mm, s.format) + " " + least.where + ".";
      out.push_back(std::move(f));
    }
}

void evaluateFill(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  for (const Display& d : s.displays())
    for (std::size_t b = 0; b < d.bays.size(); ++b) {
      const auto fill = fillOf(d, b);
      if (!fill) continue;
      Finding f = displayFinding(rule, askedOf(rule, s.job), d, {d.surfaceName(b)});
      f.measured = *fill;
      f.at = faceOf(d.bays[b], 0);
      decide(f, s.scheme);
      f.sentence = "The tallest thing on " + thingWords(s, d.surfaceName(b)) + " is " + percent(*fill) +
                   " of the bay's height" +
                   (f.margin >= 0                     ? "."
                    : *fill < f.asked.low.value_or(0) ? ": it looks lost there."
                                                      : ": it looks jammed in.");
      out.push_back(std::move(f));
    }
}

void evaluateSee(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  for (const Display& d : s.displays()) {
    const std::vector<double> seen = sharesSeen(d);
    for (std::size_t i = 0; i < d.things.size(); ++i) {
      const DisplayedThing& t = d.things[i];
      const double shelf = d.carrier.foot + d.bays[t.bay].bottom;
      // What lies open to the eye is no news.
      if (seen[i] >= 1 && shelf <= d.eye.height) continue;
      Finding f = displayFinding(rule, askedOf(rule, s.job, *t.piece), d, {t.placement->id.value});
      f.measured = seen[i];
      f.at = faceOf(t);
      decide(f, s.scheme);
      f.sentence = percent(seen[i]) + " of " + s.names.the(t.placement->id) + " is seen from " +
                   writeLength(d.eye.height, s.format) + " high, " + writeLength(d.eye.distance, s.format) + " away" +
                   (f.margin >= 0          ? "."
                    : shelf > d.eye.height ? ": the shelf's edge hides the rest."
                                           : ": what stands before it hides the rest.");
      out.push_back(std::move(f));
    }
  }
}

void wayToSee(Proposals& ways) {
  const Placement* p = ways.placement(ways.target.subjects.front());
  if (p == nullptr || onAnother(p->on) == nullptr || !ways.target.asked.low) return;
  const PieceIndex pieces(ways.job);
  const auto d = displayOf(ways.job, pieces, roomOf(ways.job, ways.scheme), ways.scheme, ways.target.view.display);
  const DisplayedThing* t = d ? d->shown(p->id) : nullptr;
  if (t == nullptr || t->on != nullptr) return;
  const Bay& bay = d->bays[t->bay];
  if (t->front > bay.front + kBehindEdge + kTouch)
    ways.offer("forward", "Bring " + ways.name(*p) + " forward to the edge", "more of it is seen",
               placed(ways.job, ways.scheme.id, p->id,
                      placeOn(*d, t->bay, t->middle(), bay.front + kBehindEdge + (t->back - t->front) / 2,
                              *onAnother(p->on))));
  const double shelf = d->carrier.foot + bay.bottom;
  if (shelf <= d->eye.height) return;
  const double hidden = hiddenByShelf(t->front - bay.front, shelf, d->eye.height, d->eye.distance, 0);
  const double step = ways.job.units == Unit::Inch ? kInch / 2 : 10.0;
  const double rise = std::ceil((hidden - (1 - *ways.target.asked.low) * t->height()) / step - 1e-9) * step;
  if (rise <= 0 || (bay.top && t->top + rise > *bay.top)) return;
  IdSource ids = ways.ids;
  Job after = withRiser(ways.job, ways.scheme.id, p->id, rise, ids);
  ways.offer("riser", "Stand it on a riser " + ways.length(rise) + " high", "it rises over the edge", std::move(after),
             ids);
}

void wayToFit(Proposals& ways) {
  const Placement* p = ways.placement(ways.target.subjects.front());
  const auto* on = p != nullptr ? onAnother(p->on) : nullptr;
  if (on == nullptr) return;
  const PieceIndex pieces(ways.job);
  const auto d = displayOf(ways.job, pieces, roomOf(ways.job, ways.scheme), ways.scheme, ways.target.view.display);
  const DisplayedThing* t = d ? d->shown(p->id) : nullptr;
  if (t == nullptr || t->on != nullptr) return;
  if (on->lie == Lie::Standing) {
    CarriedPlace lying = *on;
    lying.lie = Lie::Lying;
    const Bay& bay = d->bays[t->bay];
    const double half = lyingSize(*t->piece, Lie::Lying).x / 2;
    if (2 * half <= bay.width())
      lying = placeOn(*d, t->bay, std::clamp(t->middle(), bay.left + half, bay.right - half), (t->front + t->back) / 2,
                      lying);
    ways.offer("lay", "Lay " + ways.name(*p) + " down", "it fits where it is",
               placed(ways.job, ways.scheme.id, p->id, lying));
  }
  for (std::size_t b = 0; b < d->bays.size(); ++b) {
    if (b == t->bay) continue;
    const auto there = freeIn(*d, b, *t->piece, on->lie, t->middle());
    if (there && ways.offer("bay:" + d->bays[b].id, "Move it to shelf " + d->bays[b].id, "it fits there",
                            placed(ways.job, ways.scheme.id, p->id, *there)))
      return;
  }
}

void evaluateStack(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  for (const Display& d : s.displays())
    for (const DisplayedThing& t : d.things) {
      const auto& items = t.piece->thing->items;
      if (items.size() < 2) continue;
      // Below the eye, with nothing on it, the cover on top is what is seen.
      const bool covered = std::any_of(d.things.begin(), d.things.end(),
                                       [&](const DisplayedThing& other) { return other.on == t.placement; });
      if (d.carrier.foot + t.top < d.eye.height && !covered) continue;
      Finding f = displayFinding(rule, askedOf(rule, s.job, *t.piece), d, {t.placement->id.value});
      f.measured = HUGE_VAL;
      for (std::size_t i = 1; i < items.size(); ++i) {
        const auto [aLow, aHigh] = std::minmax(items[i - 1].width, items[i - 1].depth);
        const auto [bLow, bHigh] = std::minmax(items[i].width, items[i].depth);
        f.measured = std::min({f.measured, aLow - bLow, aHigh - bHigh});
      }
      f.at = faceOf(t);
      decide(f, s.scheme);
      f.sentence = f.margin >= 0 ? capital(s.names.the(t.placement->id, true)) + " is widest at the bottom."
                                 : "In " + s.names.the(t.placement->id) + " one stands out " +
                                       writeLength(-f.measured, s.format) + " over the one below it.";
      out.push_back(std::move(f));
    }
}

void evaluateLoneLow(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  for (const Display& d : s.displays())
    for (std::size_t b = 0; b < d.bays.size(); ++b) {
      const auto fill = fillOf(d, b);
      if (!fill || d.carrier.foot + d.bays[b].bottom <= d.eye.height) continue;
      Finding f = displayFinding(rule, askedOf(rule, s.job), d, {d.surfaceName(b)});
      f.measured = *fill >= kLoneLow - kSameShare ? 1 : 0;
      f.at = faceOf(d.bays[b], 0);
      decide(f, s.scheme);
      f.sentence = f.measured > 0
                       ? capital(thingWords(s, d.surfaceName(b))) + " holds something tall enough to be seen."
                       : "What stands on " + thingWords(s, d.surfaceName(b)) +
                             " is so low that it is lost above the eye: stack it, or raise it.";
      out.push_back(std::move(f));
    }
}

void evaluateLeanFront(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  for (const Display& d : s.displays())
    for (const DisplayedThing& t : d.things) {
      if (t.lie != Lie::Leaning) continue;
      const auto rect = [](const DisplayedThing& one) { return WallRect{one.left, one.right, one.bottom, one.top}; };
      std::vector<WallRect> before;
      for (const DisplayedThing& other : d.things)
        if (other.bay == t.bay && &other != &t && other.front < t.front - kTouch) before.push_back(rect(other));
      Finding f = displayFinding(rule, askedOf(rule, s.job, *t.piece), d, {t.placement->id.value});
      f.measured = shareFree(rect(t), before);
      f.at = faceOf(t);
      decide(f, s.scheme);
      f.sentence = percent(f.measured) + " of " + s.names.the(t.placement->id) +
                   " is left free by what stands before it" +
                   (f.margin >= 0 ? "." : ": keep the tall things at its sides.");
      out.push_back(std::move(f));
    }
}

void evaluateStagger(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  for (const Display& d : s.displays())
    for (std::size_t i = 0; i < d.things.size(); ++i)
      for (std::size_t j = i + 1; j < d.things.size(); ++j) {
        const DisplayedThing &a = d.things[i], &b = d.things[j];
        const Bay& bay = d.bays[a.bay];
        if (a.bay != b.bay || a.on != nullptr || b.on != nullptr || isBookLike(a.piece->kind) || !areAlike(a, b) ||
            flanks(d, a, b, (bay.left + bay.right) / 2))
          continue;
        Finding f = displayFinding(rule, askedOf(rule, s.job), d, {a.placement->id.value, b.placement->id.value});
        f.measured = std::abs(a.front - b.front);
        f.at = {Vec2{a.middle(), a.bottom}, Vec2{b.middle(), b.bottom}};
        decide(f, s.scheme);
        f.sentence = capital(s.names.the(a.placement->id, true)) + " and " + s.names.the(b.placement->id) +
                     (f.margin >= 0 ? " stand at two depths." : " are alike and stand in one plane: set one back.");
        out.push_back(std::move(f));
      }
}

void wayToStagger(Proposals& ways) {
  const PieceIndex pieces(ways.job);
  const auto d = displayOf(ways.job, pieces, roomOf(ways.job, ways.scheme), ways.scheme, ways.target.view.display);
  for (const std::string& subject : ways.target.subjects) {
    const Placement* p = ways.placement(subject);
    const DisplayedThing* t = d && p != nullptr ? d->shown(p->id) : nullptr;
    if (t == nullptr) continue;
    const double by = -ways.target.margin;
    for (const double step : {by, -by})
      if (ways.offer(step > 0 ? "back" : "forward",
                     std::string("Set ") + ways.name(*p) + (step > 0 ? " back " : " forward ") + ways.length(by),
                     "the two stand at two depths",
                     placed(ways.job, ways.scheme.id, p->id,
                            placeOn(*d, t->bay, t->middle(), (t->front + t->back) / 2 + step, *onAnother(p->on)))))
        return;
  }
}

constexpr RuleRow kShelfRows[] = {{"shelf-fit", evaluateFit, wayToFit, shows::kNothing},
                                  {"shelf-fill", evaluateFill},
                                  {"shelf-see", evaluateSee, wayToSee},
                                  {"stack-order", evaluateStack},
                                  {"lone-low", evaluateLoneLow, nullptr, shows::kNoRange},
                                  {"lean-front", evaluateLeanFront},
                                  {"pair-stagger", evaluateStagger, wayToStagger}};

}  // namespace

RuleRows shelfRules() { return kShelfRows; }

}  // namespace mezzet
