// Lines of equal light.
#include <algorithm>
#include <cmath>
#include <map>

#include "core/drawing/base/drafting.h"
#include "core/drawing/ceiling/ceiling.h"

namespace mezzet {
namespace {

/// Steps in which light is told (EN 12464-1, 4.3.1, and below).
constexpr double kSteps[] = {5, 10, 20, 30, 50, 75, 100, 150, 200, 300, 500, 750, 1000, 1500, 2000, 3000, 5000};

}  // namespace

void addLightContours(Drawing& d, const LightEstimate& e) {
  std::vector<double> xs, ys;
  for (const Vec2 p : e.at) {
    xs.push_back(p.x);
    ys.push_back(p.y);
  }
  const auto distinct = [](std::vector<double>& v) {
    std::sort(v.begin(), v.end());
    v.erase(std::unique(v.begin(), v.end(), [](double a, double b) { return std::abs(a - b) < 1e-6; }), v.end());
  };
  distinct(xs);
  distinct(ys);
  const auto place = [](const std::vector<double>& v, double at) {
    return static_cast<std::size_t>(std::lower_bound(v.begin(), v.end(), at - 1e-6) - v.begin());
  };
  std::map<std::pair<std::size_t, std::size_t>, double> grid;
  for (std::size_t i = 0; i < e.at.size(); ++i) grid[{place(xs, e.at[i].x), place(ys, e.at[i].y)}] = e.lx[i];
  const auto at = [&](std::size_t i, std::size_t j) -> std::optional<double> {
    const auto found = grid.find({i, j});
    return found == grid.end() ? std::nullopt : std::optional(found->second);
  };
  std::map<double, std::vector<Vec2>> middles;  // of each step's lines: where its figure may stand
  for (std::size_t i = 0; i + 1 < xs.size(); ++i)
    for (std::size_t j = 0; j + 1 < ys.size(); ++j) {
      // Two triangles a cell: what each level cuts of them has no two readings.
      const std::optional<double> v[4] = {at(i, j), at(i + 1, j), at(i + 1, j + 1), at(i, j + 1)};
      if (!v[0] || !v[1] || !v[2] || !v[3]) continue;
      const Vec2 p[4] = {{xs[i], ys[j]}, {xs[i + 1], ys[j]}, {xs[i + 1], ys[j + 1]}, {xs[i], ys[j + 1]}};
      for (const auto& t : {std::array<std::size_t, 3>{0, 1, 2}, std::array<std::size_t, 3>{0, 2, 3}})
        for (const double step : kSteps) {
          std::vector<Vec2> cut;
          for (std::size_t k = 0; k < 3; ++k) {
            const std::size_t a = t[k], b = t[(k + 1) % 3];
            if ((*v[a] > step) != (*v[b] > step))
              cut.push_back(p[a] + (p[b] - p[a]) * ((step - *v[a]) / (*v[b] - *v[a])));
          }
          if (cut.size() != 2) continue;
          d.add(Layer::Dimension, "lux", line(cut[0], cut[1], {Ink::Ink, kDimensionLine, Dash::Solid}));
          middles[step].push_back(midpoint(cut[0], cut[1]));
        }
    }
  for (const auto& [step, where] : middles) {
    // At some of its lines, spread along it, or not at all.
    std::vector<Vec2> spots;
    constexpr std::size_t kMostSpots = 24;
    const std::size_t each = std::max<std::size_t>(1, where.size() / kMostSpots);
    for (std::size_t i = where.size() / 2; i < where.size(); i += each) spots.push_back(where[i]);
    for (std::size_t i = 0; i < where.size() / 2; i += each) spots.push_back(where[i]);
    d.add(labelOnlyAt(
        Layer::Label, "lux", Rank::Note, spots,
        TextItem{
            {}, std::to_string(std::lround(step)) + " lx", kSmallLetters, Align::Centre, 0, Ink::Ink, Ink::Floor}));
  }
}

}  // namespace mezzet
