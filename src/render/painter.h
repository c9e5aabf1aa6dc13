// Paints a core Drawing with QPainter: on screen, into a picture, into a PDF.
#pragma once

#include <QImage>
#include <QPointF>
#include <map>
#include <memory>
#include <string>

#include "core/drawing/base/drawing.h"
#include "render/palette.h"

class QPainter;

namespace mezzet {

/// Where model points fall on the device.
struct Projection {
  double perMm = 1;  ///< device pixels per model mm
  QPointF origin;    ///< device point of model (0, 0)

  bool operator==(const Projection&) const = default;
  [[nodiscard]] QPointF map(Vec2 p) const { return {origin.x() + p.x * perMm, origin.y() - p.y * perMm}; }
  [[nodiscard]] Vec2 unmap(QPointF p) const { return {(p.x() - origin.x()) / perMm, (origin.y() - p.y()) / perMm}; }
};

/// Decoded images by their name in the job. Images over 4096 px are kept smaller.
class ImageStore {
 public:
  /// Keeps the bytes; they are decoded when the image is first asked for, so that a job with many opens at once.
  void add(const std::string& name, const std::string& bytes);
  /// Null for one that is not there or cannot be decoded: the drawing then shows an empty mount. From one thread only.
  [[nodiscard]] const QImage* find(const std::string& name) const;
  void clear() {
    waiting_.clear();
    images_.clear();
  }

 private:
  mutable std::map<std::string, std::string> waiting_;
  mutable std::map<std::string, QImage> images_;
};

struct PaintStyle {
  Palette palette;
  const ImageStore* images = nullptr;
  double thinnest = 0;                               ///< device pixels; screens want 1, paper 0
  bool letteringAsPaths = false;                     ///< for formats that a reader may open without the lettering font
  Layer first = Layer::Grid, last = Layer::Working;  ///< what is painted
};

/// Items are painted in layer order, then in the order in which they were added.
void paintDrawing(QPainter&, const Drawing&, const Projection&, const PaintStyle&);

}  // namespace mezzet
