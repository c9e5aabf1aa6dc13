#include "core/walk/route_facts.h"

#include <algorithm>
#include <cmath>
#include <limits>

#include "core/model/kinds.h"
#include "core/use/groups.h"

namespace mezzet {
namespace {

constexpr double kSample = 50;

/// Whether a route passes between two things that are nearer to each other than `width`.
bool squeezes(const WalkSpace& space, const std::vector<Vec2>& route, double from, double width) {
  const auto first = std::upper_bound(space.gaps.begin(), space.gaps.end(), from,
                                      [](double w, const WalkGap& g) { return w < g.length; });
  for (auto gap = first; gap != space.gaps.end() && gap->length < width - 1e-6; ++gap)
    for (std::size_t i = 0; i + 1 < route.size(); ++i)
      if (separation(Convex{{gap->a, gap->b}, 0}, Convex{{route[i], route[i + 1]}, 0}).gap <= 0) return true;
  return false;
}

/// A route is drawn a little narrower than the way is wide, so that it has room to run: the more room, the fewer
/// corners it has to look at. Where it then takes a way that the wider disc could not, it is drawn with less.
std::vector<Vec2> routeTo(const WalkSpace& space, const RoomWay& way, const std::stop_token& stop) {
  const double width = way.way.width;
  for (const double less : {16.0, 4.0, 1.0}) {
    if (width <= 2 * less || stop.stop_requested()) continue;
    std::vector<Vec2> line =
        shortestRoute(space, space.openings[space.entry], endOf(space, way), width - less, stop, 0.4 * less);
    if (!line.empty() && (less <= 1 || !squeezes(space, line, width - less, width))) return line;
  }
  return {};
}

void measureRoomy(const WalkSpace& space, RouteFacts::One& one) {
  std::vector<CrossSection> sections = crossSections(space, one.line, kSample, 60 * kInch);
  std::erase_if(sections, [&](const CrossSection& c) { return !contains(space.outline, c.at); });
  if (sections.empty()) return;
  for (std::size_t i = 0; i < sections.size(); ++i) {
    double least = std::numeric_limits<double>::infinity();
    std::size_t k = i;
    for (; k < sections.size() && sections[k].along - sections[i].along < kLongStretch; ++k)
      least = std::min(least, sections[k].width());
    if (k == sections.size()) break;  // what is left is too short
    if (one.roomy && least <= *one.roomy) continue;
    one.roomy = least;
    const CrossSection& middle = sections[(i + k) / 2];
    one.roomyAt = {middle.left, middle.right};
  }
}

double distanceToLine(const Convex& body, const std::vector<Vec2>& line, Vec2& onBody, Vec2& onLine) {
  double best = std::numeric_limits<double>::infinity();
  for (std::size_t i = 0; i + 1 < line.size(); ++i)
    if (const Separation s = separation(body, Convex{{line[i], line[i + 1]}, 0}); s.gap < best) {
      best = s.gap;
      onBody = s.a;
      onLine = s.b;
    }
  return best;
}

}  // namespace

bool passes(const RouteFacts& facts, const Parts& body, double within) {
  Vec2 onBody, onLine;
  return std::any_of(facts.ways.begin(), facts.ways.end(), [&](const auto& way) {
    return std::any_of(body.begin(), body.end(), [&](const Convex& part) {
      return distanceToLine(part, way.second.line, onBody, onLine) < within;
    });
  });
}

RouteFacts routeFactsOf(const Job& job, const SchemeId& id, const RouteAsk& ask, const std::stop_token& stop) {
  RouteFacts facts;
  const UseState state = ask.state;
  const Scheme* scheme = findScheme(job, id);
  if (scheme == nullptr) return facts;
  const Room& room = roomOf(job, *scheme);
  const PieceIndex pieces(job);
  const WalkSpace space = walkSpaceOf(pieces, room, *scheme, state);
  if ((job.brief.access || ask.reachWidth) && !stop.stop_requested())
    facts.turning = largestTurn(room, bodiesInUse(pieces, *scheme, state), stop);
  if (space.openings.empty()) return facts;
  const std::vector<TalkGroup> groups = talkGroupsIn(pieces, servingsIn(pieces, *scheme));
  // Of the main group the seat that is reached best: known only when the ways to all of its seats are.
  std::vector<Destination> goals = judgedDestinations(pieces, room, *scheme);
  std::erase_if(goals, [&](const Destination& d) {
    return !ask.all && d.goal != Goal::Opening && !ask.to.contains(d.id) &&
           (groups.empty() || !sitsIn(groups.front(), d.id));
  });
  const std::vector<RoomWay> ways = waysIn(space, goals);
  const RoomWay* seated = groups.empty() ? nullptr : bestReached(ways, groups.front());
  for (const RoomWay& way : ways) {
    if (stop.stop_requested()) return facts;
    if (!ask.all && way.to.goal != Goal::Opening && &way != seated && !ask.to.contains(way.to.id)) continue;
    RouteFacts::One one;
    one.line = routeTo(space, way, stop);
    if (!one.line.empty()) {
      one.narrow = way.way.width < kMainWay ? longestNarrowerThan(space, one.line, kMainWay) : 0;
      measureRoomy(space, one);
      if (ask.ribbons) one.ribbon = ribbonOf(space, one.line);
    }
    facts.ways[way.to.id] = std::move(one);
  }
  if (ask.reachWidth && !stop.stop_requested()) facts.reached = reachedFloor(space, *ask.reachWidth, stop);
  // Where main routes would run if the lamps were not there.
  Scheme bare = *scheme;
  std::erase_if(bare.placements, [&](const Placement& p) { return isLamp(pieces.of(p).kind); });
  if (bare.placements.size() == scheme->placements.size()) return facts;
  const WalkSpace open = walkSpaceOf(pieces, room, bare, state);
  std::vector<std::vector<Vec2>> lines;
  for (const RoomWay& way : waysIn(open, openingsAmong(destinationsIn(pieces, room, bare)))) {
    if (stop.stop_requested()) return facts;
    RoomWay main = way;
    main.way.width = std::min(main.way.width, kMainWay);
    if (auto line = routeTo(open, main, stop); !line.empty()) lines.push_back(std::move(line));
  }
  for (const Placement& p : scheme->placements) {
    const auto* place = onFloor(p.on);
    if (place == nullptr || !isLamp(pieces.of(p).kind)) continue;
    RouteFacts::Beside best{std::numeric_limits<double>::infinity(), {}, {}};
    for (const auto& line : lines)
      for (const Convex& part : footprint(pieces.of(p), *place)) {
        Vec2 onBody, onLine;
        if (const double away = distanceToLine(part, line, onBody, onLine); away < best.away)
          best = {away, onBody, onLine};
      }
    if (std::isfinite(best.away)) facts.lamps[p.id.value] = best;
  }
  return facts;
}

std::vector<Area> ribbonOf(const WalkSpace& space, const std::vector<Vec2>& line) {
  std::vector<Polygon> strips, bodies;
  constexpr double kStrip = 80;
  const std::vector<CrossSection> sections = crossSections(space, line, kStrip, kWidestRibbon / 2);
  for (std::size_t i = 0; i + 1 < sections.size(); ++i) {
    // No wider than the disc that has room there: the ribbon is what can be walked.
    const auto half = [&](const CrossSection& c) {
      return std::min(kWidestRibbon / 2, std::max(0.0, clearanceAt(space, c.at)));
    };
    const CrossSection &a = sections[i], &b = sections[i + 1];
    const double wa = half(a), wb = half(b);
    const Vec2 la = unit(a.left - a.right), lb = unit(b.left - b.right);
    Polygon strip{a.at + la * wa, a.at - la * wa, b.at - lb * wb, b.at + lb * wb};
    if (signedArea(strip) < 0) std::reverse(strip.begin(), strip.end());
    strips.push_back(std::move(strip));
  }
  for (const Atom& atom : space.atoms)
    if (atom.shape.core.size() > 2) bodies.push_back(atom.shape.core);
  // Spikes that a single sample makes are taken off, and notches filled.
  constexpr double kSmooth = 60, kRound = 5;
  const std::vector<Area> smooth =
      grown(grown(grown(without(strips, {}), kSmooth, kRound), -2 * kSmooth, kRound), kSmooth, kRound);
  const std::vector<Area> inside = within(outlinesOf(smooth), {space.outline});
  return without(outlinesOf(inside), bodies);
}

}  // namespace mezzet
