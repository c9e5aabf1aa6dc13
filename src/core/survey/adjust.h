// Least-squares adjustment of a room: all readings together, by damped Gauss-Newton steps.
// Sigmas are taken as given (a priori); the a-posteriori factor is told and never used.
#pragma once

#include "core/base/result.h"
#include "core/survey/network.h"
#include "core/units/length.h"

namespace mezzet {

struct AdjustedRow {
  double residual = 0;    ///< adjusted - read, mm or degrees
  double sigma = 0;       ///< of the reading, as given
  double redundancy = 0;  ///< its share of the redundancy, 0 (nothing checks it) to 1
  double w = 0;           ///< residual / (sigma sqrt(redundancy)); 0 where nothing checks it
};

struct Adjustment {
  Polygon corners;
  double chi2 = 0;       ///< sum of squared residuals over sigmas
  int redundancy = 0;    ///< readings + assumptions - unknowns, less one when every corner is assumed square
  double chi2Limit = 0;  ///< one-sided 95 %; 0 without redundancy
  std::vector<AdjustedRow> rows;
  std::vector<double> covariance;  ///< of x0 y0 x1 y1 ...: 2n by 2n, row by row, mm²
  int steps = 0;
  [[nodiscard]] double s0() const;  ///< a-posteriori factor; 0 without redundancy
  /// Nothing contradicts: within the limit, or nothing to check.
  [[nodiscard]] bool withinLimit() const { return redundancy > 0 ? chi2 <= chi2Limit : chi2 < 1e-6; }
};

/// Adjusts from `start`, or from the sketch. The outline must come out turning as the sketch says; where a start leads
/// to another, or to a worse fit, mirrored starts are tried, so that the answer does not depend on it. Refused, in
/// words: corners that nothing fixes, a run longer than the rest together, an outline that crosses itself or turns
/// otherwise.
[[nodiscard]] Result<Adjustment> adjust(const Network&, const std::optional<Polygon>& start = std::nullopt,
                                        LengthFormat format = {});

/// The same from a start that is already good, without tries of others: for what is adjusted again and again.
[[nodiscard]] std::optional<Adjustment> readjust(const Network&, const Polygon& start);

/// The same without looking at the outline's shape: one that crosses itself or turns otherwise is still weighed, so
/// that the reading that spoils it can be named. Nothing when some corner is not fixed or an observation cannot be
/// taken.
[[nodiscard]] std::optional<Adjustment> adjustRegardless(const Network&);

/// Where the corners come to lie though some are not fixed yet: what was read is kept, the rest stays as in the sketch.
[[nodiscard]] Polygon drawnSoFar(const Network&);

/// Corners that the observations do not fix, each by its index.
[[nodiscard]] std::vector<std::size_t> looseCorners(const Network&);

/// A to Z, then AA, AB ...
[[nodiscard]] std::string cornerLetter(std::size_t index);

/// u95 of the distance between two corners, mm.
[[nodiscard]] double u95OfLength(const Adjustment&, std::size_t a, std::size_t b);
/// u95 of what an observation would read, in its unit.
[[nodiscard]] double u95Of(const Adjustment&, const Observation&);

/// The two ends of the 95 % error ellipse's half axes at a corner, mm.
struct ErrorEllipse {
  double major = 0, minor = 0;  ///< half axes
  double turn = 0;              ///< of the major axis, degrees anticlockwise from x
};
[[nodiscard]] ErrorEllipse ellipseOf(const Adjustment&, std::size_t corner);

}  // namespace mezzet
