#include "core/drawing/base/drawing.h"

#include "lettering_widths.inc"

namespace mezzet {
namespace {

/// Space round a text that stands on a ground, in capitals' heights.
constexpr double kGroundSide = 0.5, kGroundUpright = 0.45;

}  // namespace

double letteringWidth(const std::string& text, double height) {
  long units = 0;
  for (std::size_t i = 0; i < text.size(); ++i) {
    const auto c = static_cast<unsigned char>(text[i]);
    if ((c & 0xC0u) == 0x80u) continue;  // counted with its lead byte
    unsigned code = c;
    if (c >= 0xC0 && i + 1 < text.size()) code = ((c & 0x1Fu) << 6) | (static_cast<unsigned char>(text[i + 1]) & 0x3Fu);
    units += code >= 0x20 && code <= 0xFF && c < 0xE0 ? kAdvances[code - 0x20] : kUnitsPerEm / 2;
  }
  return static_cast<double>(units) / kCapital * height;
}

double emOverCapital() { return static_cast<double>(kUnitsPerEm) / kCapital; }

TextBox textBox(const TextItem& t, double scale) {
  const double side = t.ground == Ink::None ? 0 : kGroundSide, upright = t.ground == Ink::None ? 0 : kGroundUpright;
  const double width = letteringWidth(t.text, t.height) * scale;
  const double left = t.align == Align::Left ? 0 : t.align == Align::Centre ? -width / 2 : -width;
  const double h = t.height * scale;
  return {{t.at.x + left - side * h, t.at.y - h / 2 - upright * h},
          {t.at.x + left + width + side * h, t.at.y + h / 2 + upright * h}};
}

void shift(Drawing& drawing, Vec2 by) {
  drawing.low += by;
  drawing.high += by;
  for (Item& item : drawing.items) {
    if (auto* path = std::get_if<PathItem>(&item.shape))
      for (Vec2& p : path->points) p += by;
    if (auto* arc = std::get_if<ArcItem>(&item.shape)) arc->centre += by;
    if (auto* text = std::get_if<TextItem>(&item.shape)) text->at += by;
    if (auto* image = std::get_if<ImageItem>(&item.shape)) {
      image->low += by;
      image->high += by;
    }
  }
}

}  // namespace mezzet
