// Pictures and PDF pages from outside, made ready to be kept in a job: bounded, decoded, at most 4096 px on the long side.
#pragma once

#include <string>

#include "core/result.h"

namespace mezzet {

inline constexpr long long kMostPicturePixels = 80'000'000;
inline constexpr int kKeptPixels = 4096;  ///< on the long side

struct PictureIn {
  std::string bytes;   ///< of a PNG or JPEG
  std::string ending;  ///< "png" or "jpg"
  int width = 0, height = 0;
  bool madeSmaller = false;
};

/// PNG and JPEG. Anything else, too large, broken: an error that says so.
[[nodiscard]] Result<PictureIn> pictureFrom(const std::string& bytes, const std::string& name);

/// How many pages a PDF has. Encrypted and broken ones are refused. Needs a QGuiApplication.
[[nodiscard]] Result<int> pdfPages(const std::string& bytes, const std::string& name);
/// One page, from 0, painted with its long side kKeptPixels.
[[nodiscard]] Result<PictureIn> pictureOfPdf(const std::string& bytes, const std::string& name, int page);

/// By what the file says of itself.
[[nodiscard]] inline bool isPdf(const std::string& bytes) { return bytes.substr(0, 1024).find("%PDF-") != std::string::npos; }

}  // namespace mezzet
