#include "pictures.h"

#include <QCoreApplication>
#include <QElapsedTimer>
#include <algorithm>
#include <cstdio>
#include <cstdlib>

#include "render/painter.h"
#include "render/picture_in.h"

namespace mezzet::fuzz {
namespace {

void promise(bool kept, const char* what) {
  if (kept) return;
  std::fprintf(stderr, "promise broken: %s\n", what);
  std::abort();
}

/// The fuzzer has no application of its own; the tests do.
void needApplication() {
  static int count = 1;
  static char name[] = "fuzz", *arguments[] = {name, nullptr};
  if (QCoreApplication::instance() == nullptr) new QCoreApplication(count, arguments);
  qInstallMessageHandler(
      [](QtMsgType, const QMessageLogContext&, const QString&) {});  // the decoders complain of each file
}

}  // namespace

void picture(std::string_view bytes) {
  needApplication();
  const std::string whole(bytes);
  const auto taken = pictureFrom(whole, "fuzz");
  promise(taken.ok() || !taken.error().text().empty(), "an error has words");
  ImageStore store;
  store.add("image.png", whole);
  const QImage* image = store.find("image.png");
  promise(image == nullptr || pictureFormat(bytes) != nullptr, "only the bytes of a PNG or JPEG are decoded");
  promise(image == nullptr || std::max(image->width(), image->height()) <= kKeptPixels, "an image is kept small");
  if (!taken) return;
  promise(taken->width > 0 && taken->height > 0 && std::max(taken->width, taken->height) <= kKeptPixels,
          "a picture that was taken in has a size");
  const auto again = pictureFrom(taken->bytes, "fuzz");
  promise(again.ok() && again->width == taken->width && again->height == taken->height,
          "a picture that was taken in can be taken in again");
}

void page(std::string_view bytes) {
  needApplication();
  QElapsedTimer since;
  since.start();
  const auto taken = pictureOfPdf(std::string(bytes), "fuzz", 0);
  promise(since.elapsed() < kMostPdfTime + 5'000, "a page is painted or given up in time");
  if (!taken) return promise(!taken.error().text().empty(), "an error has words");
  promise(std::max(taken->width, taken->height) <= kKeptPixels && pictureFormat(taken->bytes) != nullptr,
          "a page becomes a picture");
}

}  // namespace mezzet::fuzz
