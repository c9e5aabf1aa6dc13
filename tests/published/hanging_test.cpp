// Hanging against outside knowledge: tensions per leg as in sling tables (statics; the factors 1.155, 1.414 and 2.000
// of half the load at 60, 45 and 30 degrees are those of ASME B30.9 and OSHA 1926.251, from memory); sags of wires as
// the root of the wire's length, found by GSL (an independent library); moments by a 2 x 2 system solved by GSL.
#include <gsl/gsl_errno.h>
#include <gsl/gsl_linalg.h>
#include <gsl/gsl_roots.h>
#include <gtest/gtest.h>

#include <cmath>
#include <random>

#include "core/hang/hooks.h"
#include "core/hang/leaning.h"

namespace mezzet {
namespace hanging_test {

constexpr unsigned kSeed = 1'926'251;

TEST(WireTension, IsThatOfSlingTables) {
  for (const auto& [degrees, factor] : {std::pair(60.0, 1.155), {45.0, 1.414}, {30.0, 2.000}})
    EXPECT_NEAR(wireTension(1, degrees), factor / 2, 5e-4) << degrees;
}

struct Wire {
  double length, rings, spread;
};
/// How much too long a wire is that goes from ring to hook and, of two hooks, along to the other.
double tooLong(double sag, void* at) {
  const Wire& w = *static_cast<const Wire*>(at);
  const double run = (w.rings - w.spread) / 2;
  return 2 * std::hypot(run, sag) + w.spread - w.length;
}

TEST(WireSag, IsTheRootOfTheWiresLength) {
  std::printf("seed %u\n", kSeed);
  gsl_set_error_handler_off();
  std::mt19937 random(kSeed);
  std::uniform_real_distribution<double> rings(100, 1500), slack(1.001, 1.6), share(0.05, 0.9);
  gsl_root_fsolver* solver = gsl_root_fsolver_alloc(gsl_root_fsolver_brent);
  for (int i = 0; i < 500; ++i) {
    const int hooks = 1 + i % 2;
    const double s = rings(random);
    Wire w{0, s, hooks == 2 ? s * share(random) : 0};
    w.length = w.spread + (s - w.spread) * slack(random);
    // On two hooks the wire reaches when its free part is longer than the free part of the rings.
    if (!(w.length > w.rings)) continue;
    gsl_function f{tooLong, &w};
    ASSERT_EQ(gsl_root_fsolver_set(solver, &f, 0, w.length), GSL_SUCCESS);
    for (int k = 0; k < 200; ++k) {
      gsl_root_fsolver_iterate(solver);
      if (gsl_root_test_interval(gsl_root_fsolver_x_lower(solver), gsl_root_fsolver_x_upper(solver), 1e-10, 0) ==
          GSL_SUCCESS)
        break;
    }
    const double sag = gsl_root_fsolver_root(solver);
    const auto ours = wireSag(w.length, w.rings, hooks, w.spread);
    ASSERT_TRUE(ours);
    EXPECT_NEAR(*ours, sag, 1e-6) << "seed " << kSeed << ", case " << i;
    EXPECT_NEAR(wireAngle(*ours, w.length, hooks, w.spread), std::atan2(sag, (w.rings - w.spread) / 2) * 180 / M_PI,
                1e-6);
  }
  gsl_root_fsolver_free(solver);
}

TEST(HookLoads, SolveTheTwoEquationsOfRest) {
  std::printf("seed %u\n", kSeed);
  std::mt19937 random(kSeed);
  std::uniform_real_distribution<double> load(1, 60), place(-500, 500);
  for (int i = 0; i < 500; ++i) {
    const double w = load(random), left = place(random), right = left + 50 + std::abs(place(random)),
                 mass = place(random);
    // F1 + F2 = W; F1 left + F2 right = W mass.
    double a[] = {1, 1, left, right}, b[] = {w, w * mass};
    gsl_matrix_view matrix = gsl_matrix_view_array(a, 2, 2);
    gsl_vector_view known = gsl_vector_view_array(b, 2);
    double x[2];
    gsl_vector_view found = gsl_vector_view_array(x, 2);
    int sign = 0;
    gsl_permutation* order = gsl_permutation_alloc(2);
    gsl_linalg_LU_decomp(&matrix.matrix, order, &sign);
    gsl_linalg_LU_solve(&matrix.matrix, order, &known.vector, &found.vector);
    gsl_permutation_free(order);
    const HookLoads loads = hookLoads(w, left, right, mass);
    EXPECT_NEAR(loads.left, x[0], 1e-7 * (1 + std::abs(x[0]))) << "seed " << kSeed << ", case " << i;
    EXPECT_NEAR(loads.right, x[1], 1e-7 * (1 + std::abs(x[1]))) << "seed " << kSeed << ", case " << i;
  }
}

/// A thing that leans on a smooth wall: three equations of its rest (along, up, moments about the foot) for the floor's
/// push, the friction at the foot and the wall's push, solved by GSL.
TEST(Leaning, NeedsTheFrictionOfItsRest) {
  std::printf("seed %u\n", kSeed);
  std::mt19937 random(kSeed);
  std::uniform_real_distribution<double> height(300, 2400), share(0.01, 0.6), weight(1, 80);
  for (int k = 0; k < 300; ++k) {
    const double h = height(random), lean = h * share(random), w = weight(random);
    const double up = std::sqrt(h * h - lean * lean);  // of its top over its foot
    // floor N, friction F, wall R: F - R = 0; N = w; R up - w lean / 2 = 0.
    double a[] = {0, 1, -1, 1, 0, 0, 0, 0, up}, b[] = {0, w, w * lean / 2};
    gsl_matrix_view m = gsl_matrix_view_array(a, 3, 3);
    gsl_vector_view v = gsl_vector_view_array(b, 3);
    gsl_vector* x = gsl_vector_alloc(3);
    gsl_permutation* p = gsl_permutation_alloc(3);
    int sign = 0;
    gsl_linalg_LU_decomp(&m.matrix, p, &sign);
    gsl_linalg_LU_solve(&m.matrix, p, &v.vector, x);
    const double asked = gsl_vector_get(x, 1) / gsl_vector_get(x, 0);
    gsl_permutation_free(p);
    gsl_vector_free(x);
    Piece piece;
    piece.height = h;
    EXPECT_NEAR(frictionNeeded(leanAngle(piece, {CornerId("A"), 0, 0, lean, ""})), asked, 1e-9)
        << "seed " << kSeed << ", case " << k;
  }
}

}  // namespace hanging_test
}  // namespace mezzet
