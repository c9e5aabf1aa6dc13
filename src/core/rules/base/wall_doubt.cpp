#include "core/rules/base/wall_doubt.h"

#include <algorithm>
#include <cmath>

#include "core/survey/room_survey.h"
#include "core/survey/rows.h"

namespace mezzet {
namespace {

constexpr double kOn = 1.5;      // mm: a witness point this near to a thing is on it
constexpr double kApart = 0.35;  // sine of the least angle between two walls that something is set out from
constexpr double kMeasuredThere =
    2;  // mm: witness points this far apart from the measured value belong to another quantity

/// How far a point moves, as a linear function of how the corners move: x and y rows over the columns of the
/// covariance.
struct Motion {
  std::vector<double> x, y;
  explicit Motion(std::size_t columns) : x(columns, 0), y(columns, 0) {}
};

Motion ofWall(const std::vector<Wall>& walls, std::size_t i, Vec2 at) {
  Motion m(2 * walls.size());
  const std::size_t next = (i + 1) % walls.size();
  const double share = std::clamp(dot(at - walls[i].start, walls[i].along()) / walls[i].length(), 0.0, 1.0);
  m.x[2 * i] = m.y[2 * i + 1] = 1 - share;
  m.x[2 * next] = m.y[2 * next + 1] = share;
  return m;
}

/// Of something that keeps its distances to two walls.
Motion between(const std::vector<Wall>& walls, std::size_t first, std::size_t second, Vec2 at) {
  const Vec2 n = walls[first].inward(), m = walls[second].inward();
  const double det = cross(n, m);
  const Motion a = ofWall(walls, first, at), b = ofWall(walls, second, at);
  Motion out(2 * walls.size());
  for (std::size_t c = 0; c < out.x.size(); ++c) {
    const double alongN = n.x * a.x[c] + n.y * a.y[c], alongM = m.x * b.x[c] + m.y * b.y[c];
    out.x[c] = (alongN * m.y - alongM * n.y) / det;
    out.y[c] = (n.x * alongM - m.x * alongN) / det;
  }
  return out;
}

/// Of something set out from the two walls that were chosen, else from the two nearest that are not in line.
std::optional<Motion> ofSetOut(const std::vector<Wall>& walls, Vec2 at, const std::vector<CornerId>& chosen = {}) {
  if (chosen.size() == 2) {
    const auto place = [&](const CornerId& id) {
      return static_cast<std::size_t>(
          std::find_if(walls.begin(), walls.end(), [&](const Wall& w) { return w.id == id; }) - walls.begin());
    };
    const std::size_t first = place(chosen[0]), second = place(chosen[1]);
    if (first < walls.size() && second < walls.size()) return between(walls, first, second, at);
  }
  std::vector<std::pair<double, std::size_t>> order;
  for (std::size_t i = 0; i < walls.size(); ++i)
    order.emplace_back(distance(at, nearestOnSegment(at, walls[i].start, walls[i].end)), i);
  std::sort(order.begin(), order.end());
  const std::size_t first = order.front().second;
  for (std::size_t k = 1; k < order.size(); ++k) {
    const std::size_t second = order[k].second;
    if (std::abs(cross(walls[first].inward(), walls[second].inward())) >= kApart)
      return between(walls, first, second, at);
  }
  return std::nullopt;
}

std::optional<Motion> motionAt(const Situation& s, const std::vector<Wall>& walls,
                               const std::vector<std::string>& subjects, Vec2 at) {
  const auto onBody = [&](const Body& body) { return separation(body.parts, Parts{Convex{{at}, 0}}).gap <= kOn; };
  const auto ofPlacement = [&](const Body& body) {
    const Placement& p = *s.placement(body.id);
    return ofSetOut(walls, floorPlace(p.on).at, p.setOut);
  };
  for (const Body& body : s.bodies())
    if (std::find(subjects.begin(), subjects.end(), body.id) != subjects.end() && onBody(body))
      return ofPlacement(body);
  for (std::size_t i = 0; i < walls.size(); ++i)
    if (distance(at, nearestOnSegment(at, walls[i].start, walls[i].end)) <= kOn) return ofWall(walls, i, at);
  for (const Body& body : s.bodies())
    if (!body.flat && onBody(body)) return ofPlacement(body);
  // A door's leaf moves with its wall, a fixed thing with the walls it was measured from.
  for (const Opening& o : s.room.openings)
    if (std::find(subjects.begin(), subjects.end(), o.id.value) != subjects.end())
      for (std::size_t i = 0; i < walls.size(); ++i)
        if (walls[i].id == o.wall) return ofWall(walls, i, at);
  for (const Body& body : featureBodies(s.room))
    if (onBody(body)) return ofSetOut(walls, midpoint(body.bounds.low, body.bounds.high));
  return std::nullopt;
}

/// The change of the distance from a to b as the corners move; empty when one of them is on nothing.
std::vector<double> gradientOfGap(const Situation& s, const std::vector<std::string>& subjects, Vec2 a, Vec2 b) {
  const std::vector<Wall> walls = wallsOf(s.room);
  const Vec2 n = unit(b - a);
  const auto from = motionAt(s, walls, subjects, a), to = motionAt(s, walls, subjects, b);
  if (!from || !to || norm(n) == 0) return {};
  std::vector<double> g(2 * walls.size());
  for (std::size_t c = 0; c < g.size(); ++c) g[c] = n.x * (to->x[c] - from->x[c]) + n.y * (to->y[c] - from->y[c]);
  return g;
}

/// C g
std::vector<double> spread(const std::vector<double>& covariance, const std::vector<double>& g) {
  std::vector<double> out(g.size(), 0);
  for (std::size_t i = 0; i < g.size(); ++i)
    for (std::size_t j = 0; j < g.size(); ++j) out[i] += covariance[i * g.size() + j] * g[j];
  return out;
}
double u95Along(const std::vector<double>& covariance, const std::vector<double>& g) {
  const std::vector<double> cg = spread(covariance, g);
  double variance = 0;
  for (std::size_t i = 0; i < g.size(); ++i) variance += g[i] * cg[i];
  return 2 * std::sqrt(std::max(0.0, variance));
}

/// What the gap's doubt hangs on most: "Measure wall A again to be sure."
std::string adviceFor(const Room& room, const std::vector<double>& g) {
  if (!room.survey) return {};
  const SurveyNetwork survey = networkOf(*room.survey);
  const Polygon corners = outlineOf(room);
  if (survey.network.corners != corners.size()) return {};
  const std::vector<double> cg = spread(*room.doubt.covariance, g);
  double most = 0;
  std::string out;
  for (std::size_t k = 0; k < survey.network.observations.size(); ++k) {
    const Observation& o = survey.network.observations[k];
    const Gradient row = gradientOf(o, corners);
    double influence = 0;
    for (std::size_t i = 0; i < row.size; ++i) influence += row.terms[i].second * cg[row.terms[i].first];
    influence = std::abs(influence) / o.sigma;
    if (influence <= most) continue;
    most = influence;
    if (o.kind == ObservationKind::Square)
      out = "Corner " + survey.corners[o.from] + " is only assumed square: measure corner to corner to be sure.";
    else if (o.kind == ObservationKind::Run) out = "Measure wall " + survey.corners[o.from] + " again to be sure.";
    else if (o.kind == ObservationKind::Diagonal)
      out = "Measure " + survey.corners[o.from] + " to " + survey.corners[o.to] + " again to be sure.";
    else if (o.kind == ObservationKind::Offset)
      out = "Measure " + survey.corners[o.from] + " off wall " + survey.corners[o.to] + " again to be sure.";
    else out = "Measure the angle at " + survey.corners[o.from] + " again to be sure.";
  }
  return out;
}

}  // namespace

void addWallDoubts(const Situation& s, std::vector<Finding>& findings) {
  const auto& covariance = s.room.doubt.covariance;
  if (!covariance || covariance->size() != 4 * s.room.corners.size() * s.room.corners.size()) return;
  for (Finding& f : findings) {
    if (f.quantity != Quantity::Length || !f.view.isPlan() || !f.missing.empty()) continue;
    if (std::abs(distance(f.at[0], f.at[1]) - std::abs(f.measured)) > kMeasuredThere) continue;  // heights, thicknesses
    const std::vector<double> g = gradientOfGap(s, f.subjects, f.at[0], f.at[1]);
    if (g.empty()) continue;
    f.u95 = std::hypot(f.u95, u95Along(*covariance, g));
    if (f.u95 < 1e-6) f.u95 = 0;
    const Verdict before = f.verdict;
    decide(f, s.scheme);
    if (f.verdict == Verdict::Close && before != Verdict::Close)
      f.sentence +=
          " That is within the doubt of the walls, \u00b1" + writeLength(f.u95, s.format) + ". " + adviceFor(s.room, g);
  }
}

}  // namespace mezzet
