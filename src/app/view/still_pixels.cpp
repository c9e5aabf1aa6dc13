#include "app/view/still_pixels.h"

#include <QPainter>
#include <algorithm>
#include <iterator>

#include "app/widgets/style.h"

namespace mezzet {

void StillPixels::paintSquares(const Drawing& drawing, const Projection& projection, QSize size, double ratio) {
  std::vector<Item> items;
  std::copy_if(drawing.items.begin(), drawing.items.end(), std::back_inserter(items),
               [](const Item& item) { return item.layer == Layer::Grid; });
  const bool same = squares_.size() == size * ratio && squaresAt_ == projection && squaresScale_ == drawing.scale;
  if (same && items == squaresItems_) return;
  squares_ = QPixmap(size * ratio);
  squares_.setDevicePixelRatio(ratio);
  squares_.fill(desk::kPaper);
  QPainter painter(&squares_);
  paintDrawing(painter, drawing, projection, {Palette::screen(), nullptr, 1, false, Layer::Grid, Layer::Grid});
  squaresItems_ = std::move(items);
  squaresAt_ = projection;
  squaresScale_ = drawing.scale;
}

void StillPixels::paint(const Drawing& drawing, const Projection& projection, const ImageStore& images, QSize size,
                        double ratio) {
  paintSquares(drawing, projection, size, ratio);
  pixels_ = squares_;
  QPainter painter(&pixels_);
  paintDrawing(painter, drawing, projection, {Palette::screen(), &images, 1, false, Layer::Floor});
  stale_ = false;
  edition_ = -1;
}

const QPixmap& StillPixels::pixels(const Drawing& words, int edition, const Projection& projection) {
  if (edition_ != edition) {
    worded_ = pixels_;
    QPainter painter(&worded_);
    paintDrawing(painter, words, projection, {Palette::screen(), nullptr, 1});
    edition_ = edition;
  }
  return worded_;
}

}  // namespace mezzet
