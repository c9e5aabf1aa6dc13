#include "core/base/chi_squared.h"

#include <boost/math/distributions/chi_squared.hpp>

namespace mezzet {

double chiSquaredQuantile(int freedom, double probability) {
  return quantile(boost::math::chi_squared(freedom), probability);
}

double chiSquaredLimit(int redundancy) { return redundancy > 0 ? chiSquaredQuantile(redundancy, 0.95) : 0; }

}  // namespace mezzet
