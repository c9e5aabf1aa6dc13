// Pictures and PDF pages from outside, made ready to be kept in a job: bounded, decoded, at most 4096 px on the long
// side.
#pragma once

#include <stop_token>
#include <string>

#include "core/base/result.h"
#include "render/decode.h"

namespace mezzet {

struct PictureIn {
  std::string bytes;   ///< of a PNG or JPEG
  std::string ending;  ///< "png" or "jpg"
  int width = 0, height = 0;
  bool madeSmaller = false;
};

/// PNG and JPEG. Anything else, too large, broken: an error that says so.
[[nodiscard]] Result<PictureIn> pictureFrom(const std::string& bytes, const std::string& name);

inline constexpr std::size_t kMostPdfBytes = 256u << 20;
inline constexpr int kMostPdfTime = 30'000;  ///< ms, then it is given up

/// How many pages a PDF has. Encrypted and broken ones are refused. It is read in a program of its own, mezzet-intake,
/// bounded in time and memory, that ends when this is told to stop. Needs a QCoreApplication.
[[nodiscard]] Result<int> pdfPages(const std::string& bytes, const std::string& name, const std::stop_token& stop = {});
/// One page, from 0, painted with its long side kKeptPixels.
[[nodiscard]] Result<PictureIn> pictureOfPdf(const std::string& bytes, const std::string& name, int page,
                                             const std::stop_token& stop = {});
[[nodiscard]] Result<PictureIn> packedPicture(const QImage& image, bool asJpeg, const std::string& name);

/// By what the file says of itself.
[[nodiscard]] inline bool isPdf(const std::string& bytes) {
  return bytes.substr(0, 1024).find("%PDF-") != std::string::npos;
}

}  // namespace mezzet
