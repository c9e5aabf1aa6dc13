// Pictures decoded by their own bytes: PNG and JPEG, and never anything else, whatever a name says. Other readers of Qt
// may open files that a picture names.
#pragma once

#include <QImage>
#include <QSize>
#include <string_view>

namespace mezzet {

inline constexpr long long kMostPicturePixels = 80'000'000;
inline constexpr int kKeptPixels = 4096;  ///< on the long side

/// "png" or "jpeg", or null for anything else.
[[nodiscard]] const char* pictureFormat(std::string_view bytes);

struct Decoded {
  QImage image;         ///< null when it is no picture that Mezzet takes, or broken, or larger than kMostPicturePixels
  QSize size;           ///< as the file says; invalid when it says none
  bool turned = false;  ///< its camera was, and the image is upright
};
/// Made smaller when its long side is more than kKeptPixels. `upright` follows what a camera noted.
[[nodiscard]] Decoded decodedPicture(std::string_view bytes, bool upright);

}  // namespace mezzet
