#include "core/walk/approach.h"

#include <algorithm>
#include <cmath>
#include <limits>
#include <numbers>

namespace mezzet {
namespace {

/// Atoms near a mark; the rest is too far to bound a disc that has come to it.
struct Near {
  std::vector<const Atom*> atoms;

  Near() = default;
  Near(const WalkSpace& space, Vec2 mark, double reach) {
    space.near(mark, reach, [this](const Atom& atom) { atoms.push_back(&atom); });
  }
  /// What is not more than `wanted` need not be exact.
  [[nodiscard]] double clearance(Vec2 p, double wanted) const {
    double best = std::numeric_limits<double>::infinity();
    for (const Atom* atom : atoms) {
      best = nearerOf(best, *atom, p);
      if (best <= wanted) return best;
    }
    return best;
  }
};

struct Stand {
  Vec2 at;
  double clearance = 0;
};

/// Whether a disc that fills the clearance there comes within reach of the mark.
bool comesNear(Vec2 at, double clearance, Vec2 mark) { return distance(at, mark) - clearance <= kAtReach; }

/// Moved to where the clearance is largest, as far as the disc still comes near; stops at `enough`.
Stand settled(const Near& all, Stand stand, Vec2 mark, double enough) {
  // A few steps away only what is about as near as the nearest thing can bound the disc.
  constexpr double kRoam = 400;
  Near near;
  for (const Atom* atom : all.atoms)
    if (distanceTo(atom->shape, stand.at) < stand.clearance + 2 * kRoam) near.atoms.push_back(atom);
  const Vec2 began = stand.at;
  double step = 100;
  while (step > kSettled && stand.clearance < enough) {
    Stand best = stand;
    for (int k = 0; k < 8; ++k) {
      const double angle = k * std::numbers::pi / 4;
      const Vec2 p = stand.at + Vec2{std::cos(angle), std::sin(angle)} * step;
      if (distance(p, began) > kRoam) continue;
      const double c = near.clearance(p, best.clearance);
      if (c > best.clearance && comesNear(p, c, mark)) best = {p, c};
    }
    if (best.clearance > stand.clearance + 1e-9) stand = best;
    else step /= 2;
  }
  return stand;
}

/// The two things nearest to where a disc stands: what keeps it from being wider.
std::optional<Pinch> squeezedBetween(const WalkSpace& space, const Near& near, Vec2 at) {
  struct Touch {
    double away;
    const Atom* atom;
  };
  std::vector<Touch> touches;
  for (const Atom* atom : near.atoms) touches.push_back({distanceTo(atom->shape, at), atom});
  std::sort(touches.begin(), touches.end(), [](const Touch& a, const Touch& b) { return a.away < b.away; });
  for (std::size_t i = 1; i < touches.size(); ++i) {
    if (touches[i].atom->owner == touches[0].atom->owner) continue;
    Pinch pinch{space.owners[touches[0].atom->owner], space.owners[touches[i].atom->owner], {}, {}};
    const Separation one = separation(Convex{{at}, 0}, touches[0].atom->shape),
                     two = separation(Convex{{at}, 0}, touches[i].atom->shape);
    pinch.at = {one.b, two.b};
    if (pinch.second < pinch.first) {
      std::swap(pinch.first, pinch.second);
      std::swap(pinch.at[0], pinch.at[1]);
    }
    return pinch;
  }
  return std::nullopt;
}

}  // namespace

Approach widestApproach(const WaysFrom& from, const std::vector<Vec2>& marks, const std::string& id) {
  const WalkSpace& space = from.space();
  constexpr int kDirections = 16;
  constexpr double kRadii[] = {150, 300, 450, kAtReach, 800, 1000};
  const double enough = std::min(from.end().widest, space.cap) / 2;
  Approach best;
  best.at = marks.empty() ? Vec2{} : marks.front();
  for (const Vec2 mark : marks) {
    const Near near(space, mark, kAtReach + 2 * enough + 100);
    // The roomiest place to stand in each quarter about the mark.
    std::array<Stand, 4> stands{};
    for (int k = 0; k < kDirections; ++k) {
      const double angle = (k + 0.5) * 2 * std::numbers::pi / kDirections;
      const Vec2 d{std::cos(angle), std::sin(angle)};
      for (const double r : kRadii) {
        Stand& stand = stands[static_cast<std::size_t>(k * 4 / kDirections)];
        if (stand.clearance >= enough) break;
        const Vec2 p = mark + d * r;
        const double c = near.clearance(p, stand.clearance);
        if (c > stand.clearance && comesNear(p, c, mark)) stand = {p, c};
      }
    }
    std::sort(stands.begin(), stands.end(), [](const Stand& a, const Stand& b) { return a.clearance > b.clearance; });
    for (Stand stand : stands) {
      if (stand.clearance <= kClosedGap / 2) continue;
      const auto ask = [&](const Stand& there) { return widestWay(from, {id, there.at, 2 * there.clearance}); };
      Way way = ask(stand);
      // Only a place that is itself too tight is worth settling.
      if (way.cappedBy == id && stand.clearance < enough) {
        stand = settled(near, stand, mark, enough);
        way = ask(stand);
      }
      if (way.width <= best.way.width) continue;
      if (way.cappedBy == id) {
        way.pinch = squeezedBetween(space, near, stand.at);
        if (way.pinch) way.cappedBy.reset();
      }
      best = {std::move(way), stand.at, stand.clearance};
      if (best.way.width >= 2 * enough - kClosedGap) return best;
    }
  }
  return best;
}

}  // namespace mezzet
