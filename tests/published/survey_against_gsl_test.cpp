// An independent solver: GSL's nonlinear least squares on random rooms must reach the same corners.
#include <gsl/gsl_multifit_nlinear.h>
#include <gtest/gtest.h>

#include "support/survey_rooms.h"

namespace mezzet {
namespace survey_against_gsl_test {
using namespace test;

Polygon unpacked(const gsl_vector* x, std::size_t corners) {
  Polygon p(corners);
  p[1].x = gsl_vector_get(x, 0);
  for (std::size_t i = 2; i < corners; ++i) p[i] = {gsl_vector_get(x, 2 * i - 3), gsl_vector_get(x, 2 * i - 2)};
  return p;
}
int residuals(const gsl_vector* x, void* data, gsl_vector* f) {
  const Network& net = *static_cast<const Network*>(data);
  const Polygon p = unpacked(x, net.corners);
  for (std::size_t i = 0; i < net.observations.size(); ++i) {
    const Observation& o = net.observations[i];
    double v = 0;
    if (o.isLength()) {
      v = std::hypot(p[o.to].x - p[o.from].x, p[o.to].y - p[o.from].y) - o.value;
    } else {
      // Written out anew, so that a mistake in the product's angle would show.
      const Vec2 a = p[(o.from + 1) % net.corners] - p[o.from],
                 b = p[(o.from + net.corners - 1) % net.corners] - p[o.from];
      double inside = (std::atan2(b.y, b.x) - std::atan2(a.y, a.x)) * 180 / std::acos(-1.0);
      while (inside < o.value - 180) inside += 360;
      while (inside > o.value + 180) inside -= 360;
      v = inside - o.value;
    }
    gsl_vector_set(f, i, v / o.sigma);
  }
  return 0;
}

Polygon byGsl(const Network& net, const Polygon& start) {
  const std::size_t unknowns = 2 * net.corners - 3;
  gsl_multifit_nlinear_parameters how = gsl_multifit_nlinear_default_parameters();
  how.fdtype = GSL_MULTIFIT_NLINEAR_CTRDIFF;
  gsl_multifit_nlinear_workspace* w =
      gsl_multifit_nlinear_alloc(gsl_multifit_nlinear_trust, &how, net.observations.size(), unknowns);
  gsl_multifit_nlinear_fdf fdf{};
  fdf.f = residuals;
  fdf.n = net.observations.size();
  fdf.p = unknowns;
  fdf.params = const_cast<Network*>(&net);
  gsl_vector* x = gsl_vector_alloc(unknowns);
  gsl_vector_set(x, 0, start[1].x);
  for (std::size_t i = 2; i < net.corners; ++i) {
    gsl_vector_set(x, 2 * i - 3, start[i].x);
    gsl_vector_set(x, 2 * i - 2, start[i].y);
  }
  gsl_multifit_nlinear_init(x, &fdf, w);
  int info = 0;
  gsl_multifit_nlinear_driver(500, 1e-14, 1e-14, 0, nullptr, nullptr, &info, w);
  const Polygon out = unpacked(gsl_multifit_nlinear_position(w), net.corners);
  gsl_vector_free(x);
  gsl_multifit_nlinear_free(w);
  return out;
}

TEST(AgainstGsl, RandomRoomsHaveTheSameCornersWithinAMicrometre) {
  constexpr unsigned kSeed = 4711;
  std::printf("seed %u\n", kSeed);
  std::mt19937 random(kSeed);
  std::normal_distribution<double> noise;
  const auto uniform = [&](double a, double b) { return std::uniform_real_distribution(a, b)(random); };
  for (int room = 0; room < 60; ++room) {
    // A comb of alcoves along the top: 4, 8 or 12 corners, one of them angled.
    const int alcoves = room % 3;
    const double w = uniform(3000, 7000), d = uniform(2600, 5000);
    Polygon p{{0, 0}, {w, 0}, {w, d}};
    for (int k = 0; k < alcoves; ++k) {
      const double right = w * (1 - (k + 0.3) / (alcoves + 0.2)), left = right - w * 0.3 / (alcoves + 0.2),
                   deep = uniform(300, 700);
      p.insert(p.end(), {{right, d}, {right, d - deep}, {left, d - deep}, {left, d}});
    }
    p.push_back({0, d});
    std::vector<std::pair<std::size_t, std::size_t>> diagonals{{0, 2}, {1, p.size() - 1}};
    if (alcoves > 0) diagonals.insert(diagonals.end(), {{0, 3}, {1, 5}, {0, 5}});
    Network net = surveyOf(p, diagonals, {2});
    for (Observation& o : net.observations) o.value += noise(random) * o.sigma;
    net.observations.push_back({"angle", ObservationKind::Angle, 2, 2, insideAngle(p, 2) + noise(random) * 0.2, 0.2});
    const auto ours = adjust(net);
    ASSERT_TRUE(ours.ok()) << ours.error().text();
    const Polygon theirs = byGsl(net, p);
    for (std::size_t i = 0; i < p.size(); ++i)
      EXPECT_LT(distance(ours->corners[i], theirs[i]), 1e-3) << "room " << room << " corner " << i;
  }
}

}  // namespace survey_against_gsl_test
}  // namespace mezzet
