#include "core/survey/adjust.h"

#include <algorithm>
#include <cmath>
#include <limits>
#include <numbers>

#include "core/geometry/linear.h"
#include "core/model/job.h"
#include "core/base/chi_squared.h"
#include "core/survey/rows.h"
#include "core/survey/sketch_start.h"

namespace mezzet {
namespace {

constexpr int kMostSteps = 200;
/// Steps smaller than this have arrived: far below any tape, and above rounding in a room of 100 m.
constexpr double kArrived = 1e-8;
/// Of the scaled normal matrix; below it some corner is not fixed.
constexpr double kSingular = 1e-13;
/// With more corners mirrored starts are not tried one by one.
constexpr std::size_t kMostMirrored = 24;
/// A fit that is worse by less than this (one reading at 95 %) is as good; corners nearer than kOtherRoom are the same
/// room.
constexpr double kAsGood = 3.84, kOtherRoom = 20;

double wrapped(double degrees) { return degrees - 360 * std::round(degrees / 360); }

double largestOf(const Numbers& v) {
  double most = 0;
  for (const double x : v) most = std::max(most, std::abs(x));
  return most;
}

/// Each row and column times its factor.
Matrix scaledBy(Matrix m, const Numbers& factors) {
  for (std::size_t i = 0; i < m.rows; ++i)
    for (std::size_t j = 0; j < m.columns; ++j) m(i, j) *= factors[i] * factors[j];
  return m;
}

/// adjusted - read, in the observation's unit.
double residualOf(const Observation& o, const Polygon& corners) {
  const double by = wouldRead(o, corners) - o.value;
  return o.isAngular() ? wrapped(by) : by;
}

double chi2Of(const Network& net, const Polygon& corners) {
  double sum = 0;
  for (const Observation& o : net.observations) {
    const double v = residualOf(o, corners) / o.sigma;
    sum += v * v;
  }
  return sum;
}

/// Which coordinates are free, and where each stands among the unknowns.
struct Unknowns {
  std::vector<std::optional<std::size_t>> place;  ///< by column (2 corner + axis); absent: held
  std::size_t size = 0;
};
Unknowns unknownsOf(const Network& net) {
  Unknowns u;
  for (const Held& h : heldOf(net))
    for (const bool fixed : {h.x, h.y}) u.place.push_back(fixed ? std::nullopt : std::optional(u.size++));
  return u;
}

struct Normal {
  Matrix matrix;
  Numbers right;
};
Normal normalOf(const Network& net, const Unknowns& u, const Polygon& corners) {
  Normal n{Matrix(u.size, u.size), Numbers(u.size, 0)};
  for (const Observation& o : net.observations) {
    const Gradient g = gradientOf(o, corners);
    const double weight = 1 / (o.sigma * o.sigma), v = residualOf(o, corners);
    for (std::size_t i = 0; i < g.size; ++i) {
      const auto row = u.place[g.terms[i].first];
      if (!row) continue;
      n.right[*row] -= g.terms[i].second * v * weight;
      for (std::size_t j = 0; j < g.size; ++j)
        if (const auto column = u.place[g.terms[j].first])
          n.matrix(*row, *column) += g.terms[i].second * g.terms[j].second * weight;
    }
  }
  return n;
}

Polygon moved(const Polygon& corners, const Unknowns& u, const Numbers& by) {
  Polygon out = corners;
  for (std::size_t i = 0; i < corners.size(); ++i) {
    if (const auto x = u.place[2 * i]) out[i].x += by[*x];
    if (const auto y = u.place[2 * i + 1]) out[i].y += by[*y];
  }
  return out;
}

struct Descent {
  Polygon corners;
  double chi2 = 0;
  int steps = 0;
};
/// Damped Gauss-Newton steps (after Levenberg and Marquardt) from a start to the nearest minimum.
Descent descend(const Network& net, Polygon corners, const Unknowns& u) {
  const std::vector<Held> held = heldOf(net);
  for (std::size_t i = 0; i < corners.size(); ++i) {
    if (held[i].x) corners[i].x = held[i].at.x;
    if (held[i].y) corners[i].y = held[i].at.y;
  }
  Descent d{std::move(corners), 0, 0};
  d.chi2 = chi2Of(net, d.corners);
  double damping = 1e-6;
  for (; d.steps < kMostSteps; ++d.steps) {
    const Normal n = normalOf(net, u, d.corners);
    bool better = false;
    double longest = 0;
    for (int tries = 0; tries < 12 && !better; ++tries) {
      Matrix damped = n.matrix;
      for (std::size_t i = 0; i < u.size; ++i) damped(i, i) += damping * (n.matrix(i, i) + 1e-12);
      const Numbers step = solvedPositive(damped, n.right);
      if (!std::all_of(step.begin(), step.end(), [](double v) { return std::isfinite(v); })) {
        damping = std::max(damping * 10, 1e-6);
        continue;
      }
      const Polygon next = moved(d.corners, u, step);
      const double chi2 = chi2Of(net, next);
      longest = largestOf(step);
      if (std::isfinite(chi2) && chi2 <= d.chi2 * (1 + 1e-14) + 1e-18) {
        d.corners = next;
        d.chi2 = chi2;
        damping = std::max(damping * 0.1, 1e-14);
        better = true;
      } else if (longest < kArrived) {
        break;
      } else {
        damping *= 10;
      }
    }
    if (!better || longest < kArrived) break;
  }
  // Half a turn round changes no reading: the datum wants corner 1 on +x.
  if (net.held.empty() && d.corners.size() > 1 && d.corners[1].x < 0)
    for (Vec2& p : d.corners) p = -p;
  return d;
}

bool turnsAsSketched(const Network& net, const Polygon& corners) {
  for (std::size_t i = 0; i < net.turns.size(); ++i)
    if (net.turns[i] != 0 && (insideAngle(corners, i) < 180) != (net.turns[i] > 0)) return false;
  return true;
}

/// The point across the line between two others.
Vec2 mirrored(Vec2 p, Vec2 a, Vec2 b) {
  const Vec2 along = unit(b - a);
  const Vec2 foot = a + along * dot(p - a, along);
  return foot * 2 - p;
}

/// The two points that a corner is mirrored across: its neighbours in the outline, else two that it was measured from.
std::optional<std::pair<std::size_t, std::size_t>> mirrorOf(const Network& net, std::size_t i) {
  const std::size_t n = net.corners;
  if (!net.turns.empty()) return std::pair{(i + n - 1) % n, (i + 1) % n};
  std::vector<std::size_t> from;
  for (const Observation& o : net.observations)
    if (o.isLength() && (o.from == i || o.to == i)) from.push_back(o.from == i ? o.to : o.from);
  if (from.size() < 2) return std::nullopt;
  return std::pair{from[0], from[1]};
}

/// Whether `a` is the better answer: it turns as sketched, and it fits better.
bool isBetter(const Network& net, const Descent& a, const Descent& b) {
  const bool rightA = turnsAsSketched(net, a.corners), rightB = turnsAsSketched(net, b.corners);
  return rightA != rightB ? rightA : a.chi2 < b.chi2 * (1 - 1e-9) - 1e-12;
}

int redundancyOf(const Network& net, std::size_t unknowns) {
  std::size_t squares = 0;
  std::vector<bool> assumed(net.corners, false);
  for (const Observation& o : net.observations)
    if (o.kind == ObservationKind::Square && !assumed[o.from]) assumed[o.from] = true, ++squares;
  const bool all = net.corners > 0 && squares == net.corners;
  return static_cast<int>(net.observations.size()) - static_cast<int>(unknowns) - (all ? 1 : 0);
}

std::optional<Adjustment> finished(const Network& net, const Unknowns& u, Descent d) {
  const Normal n = normalOf(net, u, d.corners);
  // Scaled to ones on the diagonal, so that its condition speaks of the geometry and not of the units.
  Numbers scale(u.size);
  for (std::size_t i = 0; i < u.size; ++i) {
    if (!(n.matrix(i, i) > 0)) return std::nullopt;
    scale[i] = 1 / std::sqrt(n.matrix(i, i));
  }
  const auto inverse = invertedPositive(scaledBy(n.matrix, scale), kSingular);
  if (!inverse) return std::nullopt;
  const Matrix cofactor = scaledBy(*inverse, scale);
  Adjustment out;
  out.corners = std::move(d.corners);
  out.chi2 = d.chi2;
  out.steps = d.steps;
  out.redundancy = redundancyOf(net, u.size);
  out.chi2Limit = chiSquaredLimit(out.redundancy);
  const std::size_t columns = 2 * net.corners;
  out.covariance.assign(columns * columns, 0);
  for (std::size_t i = 0; i < columns; ++i)
    for (std::size_t j = 0; j < columns; ++j)
      if (u.place[i] && u.place[j]) out.covariance[i * columns + j] = cofactor(*u.place[i], *u.place[j]);
  for (const Observation& o : net.observations) {
    const Gradient g = gradientOf(o, out.corners);
    AdjustedRow row;
    row.residual = residualOf(o, out.corners);
    row.sigma = o.sigma;
    row.redundancy = std::clamp(1 - product(g, out.covariance, columns, g) / (o.sigma * o.sigma), 0.0, 1.0);
    if (row.redundancy > 1e-9) row.w = row.residual / (o.sigma * std::sqrt(row.redundancy));
    out.rows.push_back(row);
  }
  return out;
}

std::string names(const std::vector<std::size_t>& corners) {
  std::string out;
  for (std::size_t i = 0; i < corners.size(); ++i)
    out += (i == 0 ? "" : i + 1 == corners.size() ? " and " : ", ") + cornerLetter(corners[i]);
  return out;
}

/// `closing`: a walk that cannot close is one too.
std::optional<Error> faultOf(const Network& net, bool closing, LengthFormat format) {
  for (const Observation& o : net.observations) {
    const bool inside = o.from < net.corners && (o.isAngular() || (o.to < net.corners && o.to != o.from));
    if (!inside || !std::isfinite(o.value) || !(o.sigma > 0) || !std::isfinite(o.sigma))
      return Error{"reading " + o.id, "is not one that can be taken", "Type it again"};
    if (!o.isAngular() && !(o.value > 0)) return Error{"reading " + o.id, "has no length", "Type what the tape reads"};
  }
  // A run longer than all the others together never closes, however the corners turn.
  const std::size_t n = net.corners;
  if (!closing || net.turns.empty() || n < 3) return std::nullopt;
  std::vector<double> run(n, 0);
  for (const Observation& o : net.observations)
    if (o.kind == ObservationKind::Run) run[o.from] = o.value;
  if (std::any_of(run.begin(), run.end(), [](double l) { return l == 0; })) return std::nullopt;
  const auto longest = std::max_element(run.begin(), run.end());
  double others = -*longest;
  for (const double l : run) others += l;
  if (*longest > others * 1.02 + 50)
    return Error{"wall " + cornerLetter(static_cast<std::size_t>(longest - run.begin())),
                 "is longer than all the other walls together, by " + writeLength(*longest - others, format) +
                     ", so the walk cannot close",
                 "Measure it again, or a wall is missing"};
  return std::nullopt;
}

/// The best of the minima that the start, the sketch and their mirrored corners lead to.
std::optional<Adjustment> bestFit(const Network& net, const std::optional<Polygon>& start) {
  const Unknowns u = unknownsOf(net);
  Descent best = descend(net, start.value_or(sketchStart(net)), u);
  const double limit = chiSquaredLimit(std::max(1, redundancyOf(net, u.size)));
  const auto doubtful = [&] { return best.chi2 > limit || !turnsAsSketched(net, best.corners); };
  if (start && doubtful())
    if (Descent other = descend(net, sketchStart(net), u); isBetter(net, other, best)) best = std::move(other);
  for (int round = 0; round < 3 && doubtful() && net.corners <= kMostMirrored; ++round) {
    bool found = false;
    for (std::size_t i = 0; i < net.corners; ++i) {
      const auto line = mirrorOf(net, i);
      if (!line || !u.place[2 * i]) continue;
      Polygon other = best.corners;
      other[i] = mirrored(other[i], other[line->first], other[line->second]);
      if (Descent tried = descend(net, std::move(other), u); isBetter(net, tried, best))
        best = std::move(tried), found = true;
    }
    if (!found) break;
  }
  return finished(net, u, std::move(best));
}

/// A corner whose turn is not known and that fits as well on its other side.
std::optional<std::size_t> undecidedTurn(const Network& net, const Adjustment& best) {
  const Unknowns u = unknownsOf(net);
  for (std::size_t i = 0; i < net.turns.size(); ++i) {
    if (net.turns[i] != 0 || !u.place[2 * i] || net.corners > kMostMirrored) continue;
    const auto line = mirrorOf(net, i);
    Polygon other = best.corners;
    other[i] = mirrored(other[i], other[line->first], other[line->second]);
    const Descent tried = descend(net, std::move(other), u);
    if (tried.chi2 < best.chi2 + kAsGood && distance(tried.corners[i], best.corners[i]) > kOtherRoom &&
        !selfCrossing(tried.corners))
      return i;
  }
  return std::nullopt;
}

}  // namespace

std::string cornerLetter(std::size_t index) { return cornerName(index).value; }

double Adjustment::s0() const { return redundancy > 0 ? std::sqrt(chi2 / redundancy) : 0; }

std::optional<Adjustment> readjust(const Network& net, const Polygon& start) {
  const Unknowns u = unknownsOf(net);
  return finished(net, u, descend(net, start, u));
}

Result<Adjustment> adjust(const Network& net, const std::optional<Polygon>& start, LengthFormat format) {
  if (const auto fault = faultOf(net, true, format)) return *fault;
  auto out = bestFit(net, start);
  if (!out) {
    const std::vector<std::size_t> loose = looseCorners(net);
    return Error{loose.empty() ? "the outline" : "corner" + std::string(loose.size() > 1 ? "s " : " ") + names(loose),
                 std::string(loose.size() > 1 ? "are" : "is") + " not fixed yet by what was measured",
                 "Measure a wall or a corner-to-corner length there"};
  }
  if (const auto either = undecidedTurn(net, *out))
    return Error{"corner " + cornerLetter(*either), "can turn left or right: two rooms fit these readings equally well",
                 "Say which way it turns"};
  for (std::size_t i = 0; i < net.turns.size(); ++i)
    if (net.turns[i] != 0 && (insideAngle(out->corners, i) < 180) != (net.turns[i] > 0))
      return Error{"corner " + cornerLetter(i),
                   std::string("turns ") + (net.turns[i] > 0 ? "left" : "right") +
                       " in the sketch, but the readings make it turn the other way",
                   "Check the turn, or the readings there"};
  if (!net.turns.empty())
    if (const auto crossing = selfCrossing(out->corners))
      return Error{"walls " + cornerLetter(crossing->first) + " and " + cornerLetter(crossing->second), "cross",
                   "Check their lengths and the turns between them"};
  return *std::move(out);
}

std::optional<Adjustment> adjustRegardless(const Network& net) {
  return faultOf(net, false, {}) ? std::nullopt : bestFit(net, std::nullopt);
}

std::vector<std::size_t> looseCorners(const Network& net) {
  const Unknowns u = unknownsOf(net);
  const Polygon at = descend(net, sketchStart(net), u).corners;
  const Matrix n = normalOf(net, u, at).matrix;
  Numbers scale(u.size);  // a coordinate that no observation touches stays 0, and so is loose
  for (std::size_t i = 0; i < u.size; ++i) scale[i] = n(i, i) > 1e-14 ? 1 / std::sqrt(n(i, i)) : 1;
  const Modes modes = modesOf(scaledBy(n, scale));
  std::vector<double> share(net.corners, 0);
  for (std::size_t k = 0; k < u.size; ++k) {
    if (modes.values[k] > 1e-10) break;
    Numbers mode = scale;
    for (std::size_t i = 0; i < u.size; ++i) mode[i] *= modes.vectors(i, k);
    const double most = largestOf(mode);
    for (std::size_t c = 0; c < 2 * net.corners; ++c)
      if (u.place[c]) share[c / 2] = std::max(share[c / 2], std::abs(mode[*u.place[c]]) / most);
  }
  std::vector<std::size_t> out;
  for (std::size_t i = 0; i < net.corners; ++i)
    if (share[i] > 0.05) out.push_back(i);
  return out;
}

Polygon drawnSoFar(const Network& net) { return descend(net, sketchStart(net), unknownsOf(net)).corners; }

double u95OfLength(const Adjustment& a, std::size_t from, std::size_t to) {
  const Gradient g = lengthGradient(from, to, a.corners);
  return 2 * std::sqrt(std::max(0.0, product(g, a.covariance, 2 * a.corners.size(), g)));
}

double u95Of(const Adjustment& a, const Observation& o) {
  const Gradient g = gradientOf(o, a.corners);
  return 2 * std::sqrt(std::max(0.0, product(g, a.covariance, 2 * a.corners.size(), g)));
}

ErrorEllipse ellipseOf(const Adjustment& a, std::size_t corner) {
  const std::size_t columns = 2 * a.corners.size(), x = 2 * corner, y = x + 1;
  const double xx = a.covariance[x * columns + x], yy = a.covariance[y * columns + y],
               xy = a.covariance[x * columns + y];
  const double middle = (xx + yy) / 2, half = std::hypot((xx - yy) / 2, xy);
  // 95 % of a two-dimensional normal lie within sqrt(chi-square with 2 degrees of freedom).
  const double factor = std::sqrt(chiSquaredQuantile(2, 0.95));
  return {factor * std::sqrt(std::max(0.0, middle + half)), factor * std::sqrt(std::max(0.0, middle - half)),
          std::atan2(2 * xy, xx - yy) / 2 * 180 / std::numbers::pi};
}

}  // namespace mezzet
