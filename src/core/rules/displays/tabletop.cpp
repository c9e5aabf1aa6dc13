// Groups on tabletops and mantels, room for cups, what boxes hold.
#include <algorithm>
#include <array>
#include <cmath>

#include "core/display/free_top.h"
#include "core/rules/displays/rules.h"
#include "core/rules/displays/shared.h"

namespace mezzet {
namespace {

constexpr double kTogether = 8 * kInch;   // of one family on a top [D]
constexpr double kLostShare = 1.0 / 8;    // of the top's length [D]
constexpr double kBoxFull = 0.8;          // of its inside [D]
constexpr double kCupReach = 24 * kInch;  // from a seat's front edge [D]

double apart(const DisplayedThing& a, const DisplayedThing& b) {
  const double x = std::max({0.0, a.left - b.right, b.left - a.right}),
               y = std::max({0.0, a.front - b.back, b.front - a.back});
  return std::hypot(x, y);
}

/// Things of one family that stand within reach of each other, in chains.
std::vector<std::vector<const DisplayedThing*>> groupsOn(const Display& d) {
  std::vector<std::vector<const DisplayedThing*>> out;
  for (const DisplayedThing& t : d.things) {
    if (t.piece->thing->family.empty()) continue;
    std::vector<const DisplayedThing*> fresh{&t};
    for (auto group = out.begin(); group != out.end();) {
      const bool joins = std::any_of(group->begin(), group->end(), [&](const DisplayedThing* other) {
        return other->piece->thing->family == t.piece->thing->family && other->bay == t.bay &&
               apart(*other, t) <= kTogether;
      });
      if (!joins) {
        ++group;
        continue;
      }
      fresh.insert(fresh.end(), group->begin(), group->end());
      group = out.erase(group);
    }
    out.push_back(std::move(fresh));
  }
  std::erase_if(out, [](const auto& group) { return group.size() < 2; });
  for (auto& group : out)
    std::stable_sort(group.begin(), group.end(),
                     [](const DisplayedThing* a, const DisplayedThing* b) { return a->left < b->left; });
  return out;
}

bool isFlankingPair(const Display& d, const std::vector<const DisplayedThing*>& group) {
  const Bay& bay = d.bays[group.front()->bay];
  return group.size() == 2 && areAlike(*group[0], *group[1]) &&
         flanks(d, *group[0], *group[1], (bay.left + bay.right) / 2);
}
std::vector<std::string> idsOf(const std::vector<const DisplayedThing*>& group) {
  std::vector<std::string> out;
  for (const DisplayedThing* t : group) out.push_back(t->placement->id.value);
  return out;
}
bool isTop(const Display& d) { return d.school != DisplaySchool::Bookcase; }

void evaluateOdd(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  for (const Display& d : s.displays()) {
    if (!isTop(d)) continue;
    for (const auto& group : groupsOn(d)) {
      Finding f = displayFinding(rule, askedOf(rule, s.job), d, idsOf(group));
      const bool pair = isFlankingPair(d, group);
      f.measured = group.size() % 2 == 1 || pair ? 1 : 0;
      f.at = {Vec2{group.front()->left, group.front()->bottom}, Vec2{group.back()->right, group.back()->top}};
      decide(f, s.scheme);
      const std::string family = group.front()->piece->thing->family;
      f.sentence = pair ? "The pair of " + family + " stands to the left and right of something."
                        : std::to_string(group.size()) + " of " + family + " stand together" +
                              (f.measured > 0 ? "." : ": one more or one less, for an odd number.");
      out.push_back(std::move(f));
    }
  }
}

void evaluateStep(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  for (const Display& d : s.displays()) {
    if (!isTop(d)) continue;
    for (const auto& group : groupsOn(d)) {
      if (isFlankingPair(d, group)) continue;
      Finding f = displayFinding(rule, askedOf(rule, s.job), d, idsOf(group));
      f.measured = HUGE_VAL;
      for (std::size_t i = 1; i < group.size(); ++i)
        if (const double step = std::abs(group[i]->top - group[i - 1]->top); step < f.measured) {
          f.measured = step;
          f.at = {Vec2{group[i - 1]->middle(), group[i - 1]->top}, Vec2{group[i]->middle(), group[i]->top}};
        }
      decide(f, s.scheme);
      f.sentence = "Neighbours among the " + group.front()->piece->thing->family + " differ by " +
                   writeLength(f.measured, s.format) + " in height" +
                   (f.margin >= 0 ? "." : ": raise one, or exchange two.");
      out.push_back(std::move(f));
    }
  }
}

void evaluateLost(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  for (const Display& d : s.displays()) {
    if (!isTop(d) || d.things.empty() || d.width <= 0) continue;
    double tallest = 0;
    for (const DisplayedThing& t : d.things) tallest = std::max(tallest, t.top - d.bays[t.bay].bottom);
    Finding f = displayFinding(rule, askedOf(rule, s.job), d, {d.carrier.id});
    f.measured = tallest >= kLostShare * d.width - kSame ? 1 : 0;
    f.at = {Vec2{0, d.height}, Vec2{d.width, d.height + tallest}};
    decide(f, s.scheme);
    f.sentence = "The tallest thing on " + thingWords(s, d.carrier.id) + " is " + writeLength(tallest, s.format) +
                 " high on a length of " + writeLength(d.width, s.format) +
                 (f.measured > 0 ? "." : ": everything there looks lost.");
    out.push_back(std::move(f));
  }
}

void evaluateCup(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  for (const Display& d : s.displays()) {
    if (d.carrier.placement == nullptr || d.things.empty()) continue;
    for (const Serving& serving : s.servings()) {
      const bool serves =
          serving.table == d.carrier.placement || (serving.side == d.carrier.placement && d.bays.size() == 1);
      if (!serves || serving.seat == nullptr) continue;
      const auto* floor = onFloor(serving.seat->on);
      if (floor == nullptr) continue;
      const auto seats = seatPlaces(s.pieces.of(*serving.seat), *floor);
      if (seats.empty()) continue;
      Finding f = displayFinding(rule, askedOf(rule, s.job), d, {d.carrier.id, serving.seat->id.value});
      f.measured = HUGE_VAL;
      for (const SeatPlace& seat : seats) {
        const Vec2 from = seat.front - d.carrier.left;
        const auto circle = largestFreeCircle(d, {dot(from, d.carrier.along), dot(from, d.carrier.back)}, kCupReach);
        if (2 * circle.radius < f.measured) {
          f.measured = 2 * circle.radius;
          f.at = {Vec2{circle.at.x - circle.radius, d.height}, Vec2{circle.at.x + circle.radius, d.height}};
        }
      }
      decide(f, s.scheme);
      f.sentence = "From " + s.names.the(serving.seat->id) + ", " + s.names.the(d.carrier.placement->id) +
                   (f.measured <= 0 ? " has no free spot within reach."
                                    : " has a free spot " + writeLength(f.measured, s.format) + " across" +
                                          (f.margin >= 0 ? "." : ": no cup stands there."));
      out.push_back(std::move(f));
    }
  }
}

/// Whether a content goes into a box in some right-angled turn.
bool goesInto(const HeldThing& held, const StackItem& inside) {
  std::array a{held.width, held.depth, held.height}, b{inside.width, inside.depth, inside.height};
  std::sort(a.begin(), a.end());
  std::sort(b.begin(), b.end());
  for (std::size_t i = 0; i < 3; ++i)
    if (a[i] > b[i] + 0.01) return false;
  return true;
}

void evaluateBox(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  for (const Display& d : s.displays())
    for (const DisplayedThing& t : d.things) {
      const ThingPart& thing = *t.piece->thing;
      if (thing.holds.empty()) continue;
      Finding f = displayFinding(rule, askedOf(rule, s.job, *t.piece), d, {t.placement->id.value});
      f.at = faceOf(t);
      if (!thing.inside) f.missing.push_back(t.piece->id.value + ".thing.inside");
      std::vector<std::string> stuck;
      double volume = 0;
      if (thing.inside) {
        for (const HeldThing& held : thing.holds) {
          volume += held.width * held.depth * held.height;
          if (!goesInto(held, *thing.inside)) stuck.push_back(held.name);
        }
        volume /= thing.inside->width * thing.inside->depth * thing.inside->height;
      }
      f.measured = stuck.empty() && volume <= kBoxFull ? 1 : 0;
      decide(f, s.scheme);
      const std::string who = capital(s.names.the(t.placement->id, true));
      f.sentence = !thing.inside    ? who + " is to hold things, but its inside was not measured."
                   : !stuck.empty() ? who + " does not take " + listWords(stuck) + "."
                                    : who + " is " + percent(volume) + " full with what it is to hold" +
                                          (f.measured > 0 ? "." : ": too full to close and to open.");
      out.push_back(std::move(f));
    }
}

constexpr RuleRow kTabletopRows[] = {{"odd-group", evaluateOdd, nullptr, shows::kNoRange},
                                     {"height-step", evaluateStep},
                                     {"lost", evaluateLost, nullptr, shows::kNoRange},
                                     {"cup-room", evaluateCup},
                                     {"box-holds", evaluateBox, nullptr, shows::kNoRange}};

}  // namespace

RuleRows tabletopRules() { return kTabletopRows; }

}  // namespace mezzet
