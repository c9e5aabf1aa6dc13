// Random numbers that are the same everywhere for one seed: what is searched by chance is found again.
#pragma once

#include <cstddef>
#include <cstdint>

namespace mezzet {

/// Numbers that look random and are the same everywhere (SplitMix64, public domain).
class Chance {
 public:
  explicit Chance(std::uint64_t seed) : state_(seed) {}
  std::uint64_t next() {
    std::uint64_t z = (state_ += 0x9e3779b97f4a7c15ULL);
    z = (z ^ (z >> 30)) * 0xbf58476d1ce4e5b9ULL;
    z = (z ^ (z >> 27)) * 0x94d049bb133111ebULL;
    return z ^ (z >> 31);
  }
  double unit() { return static_cast<double>(next() >> 11) * 0x1.0p-53; }  ///< 0 up to 1
  double between(double low, double high) { return low + (high - low) * unit(); }
  std::size_t below(std::size_t n) { return n == 0 ? 0 : static_cast<std::size_t>(next() % n); }
  bool may(double share) { return unit() < share; }

 private:
  std::uint64_t state_;
};

}  // namespace mezzet
