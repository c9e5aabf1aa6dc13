// What only drawn routes tell of a scheme: how long a narrow part is, where a way is wider than it need be, what lies
// at a route's side, how large a circle turns. Milliseconds: worked out off the interface thread, and handed to a
// check.
#pragma once

#include <map>
#include <set>

#include "core/walk/free_space.h"
#include "core/walk/ways.h"

namespace mezzet {

/// Short pinches up to this long may be narrower (common practice; published for access routes).
inline constexpr double kShortPinch = 24 * kInch;
/// Lengths of pinches are good to this.
inline constexpr double kPinchSlack = 0.5;
/// Ways wider than this need no looking at along their length.
inline constexpr double kMainWay = 36 * kInch;
/// A stretch of a route this long with nothing using it is wasted floor when it is too wide.
inline constexpr double kLongStretch = 72 * kInch;
/// Local widths of a ribbon are shown up to this.
inline constexpr double kWidestRibbon = 48 * kInch;

struct RouteFacts {
  struct One {
    std::vector<Vec2> line;  ///< of the disc's centre; empty when there is no route
    double narrow = 0;       ///< length of its longest part under kMainWay
    std::optional<double>
        roomy;  ///< the least width along the widest stretch of kLongStretch; absent on shorter routes
    std::array<Vec2, 2> roomyAt{};  ///< across the route in the middle of that stretch
    std::vector<Area> ribbon;       ///< of its local clear width, where it was asked for
  };
  std::map<std::string, One> ways;  ///< by destination
  /// For each lamp on the floor the nearest main route as it would run without lamps: distance from the lamp's body to
  /// the route's centre line, and where.
  struct Beside {
    double away = 0;
    Vec2 at, onRoute;
  };
  std::map<std::string, Beside> lamps;
  std::optional<TurningCircle> turning;
  std::optional<Reached> reached;  ///< where it was asked for
};

/// What is worked out besides what rules need.
struct RouteAsk {
  UseState state = UseState::Everyday;
  bool ribbons = false;
  bool all = false;               ///< routes to everything one goes to, not only what main rules judge
  std::set<std::string> to = {};  ///< and to these
  std::optional<double> reachWidth = std::nullopt;  ///< what someone so wide reaches
  bool operator==(const RouteAsk&) const = default;
};
/// Of the ways that main rules judge (openings, and the seat that is reached best) in one state of use; the circle only
/// when the job asks for access or reach is asked for. Partial when it was stopped.
[[nodiscard]] RouteFacts routeFactsOf(const Job&, const SchemeId&, const RouteAsk&, const std::stop_token& = {});
[[nodiscard]] inline RouteFacts routeFactsOf(const Job& job, const SchemeId& scheme, UseState state) {
  return routeFactsOf(job, scheme, RouteAsk{state});
}

/// Whether a route comes nearer to a body than this. Of half a main way: people walk under it or past it.
[[nodiscard]] bool passes(const RouteFacts&, const Parts& body, double within);

/// A route as a ribbon of its clear width, at most kWidestRibbon, never across a body.
[[nodiscard]] std::vector<Area> ribbonOf(const WalkSpace&, const std::vector<Vec2>& line);

}  // namespace mezzet
