// The main colours of a picture.
#pragma once

#include <span>
#include <string>
#include <vector>

#include "core/colour/lab.h"

namespace mezzet {

struct PaletteColour {
  std::string srgb;
  Lab lab;
  double share = 0;  ///< 0 to 1; they add to 1
};
inline constexpr int kMostPaletteColours = 6;
inline constexpr int kPaletteSide = 64;  ///< pictures are made no larger than this each way first

/// By k-means in Lab (first centres far from each other, seeded), the largest share first. At most `colours` of them,
/// 1 to kMostPaletteColours; fewer where there are fewer, and where two come nearer than just seen. None of no pixels.
[[nodiscard]] std::vector<PaletteColour> paletteOf(std::span<const Srgb> pixels, int colours, unsigned long long seed);

}  // namespace mezzet
