#include "core/drawing/base/drawing.h"

#include <algorithm>
#include <iterator>

#include "core/geometry/vec.h"
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

double textWidth(const TextItem& t) {
  return letteringWidth(t.text, t.height) + (t.ground == Ink::None ? 0 : 2 * kGroundSide * t.height);
}
double textHeight(const TextItem& t) { return t.height + (t.ground == Ink::None ? 0 : 2 * kGroundUpright * t.height); }

std::array<Vec2, 4> textBody(const TextItem& t, double scale) {
  const double side = t.ground == Ink::None ? 0 : kGroundSide * t.height * scale;
  const double width = textWidth(t) * scale, half = textHeight(t) * scale / 2;
  const double letters = width - 2 * side;
  const double left = (t.align == Align::Left ? 0 : t.align == Align::Centre ? -letters / 2 : -letters) - side;
  const Turn turn = turnOf(t.turn);
  const auto at = [&](double x, double y) { return t.at + rotated({x, y}, turn); };
  return {at(left, -half), at(left + width, -half), at(left + width, half), at(left, half)};
}

TextBox textBox(const TextItem& t, double scale) {
  TextBox box;
  const auto body = textBody(t, scale);
  box.low = box.high = body[0];
  for (const Vec2 p : body) {
    box.low = {std::min(box.low.x, p.x), std::min(box.low.y, p.y)};
    box.high = {std::max(box.high.x, p.x), std::max(box.high.y, p.y)};
  }
  return box;
}

void append(Drawing& to, Drawing over) {
  to.items.insert(to.items.end(), std::make_move_iterator(over.items.begin()),
                  std::make_move_iterator(over.items.end()));
  to.labels.insert(to.labels.end(), std::make_move_iterator(over.labels.begin()),
                   std::make_move_iterator(over.labels.end()));
}

namespace {
void shift(Label& label, Vec2 by) {
  for (Label::Spot& spot : label.spots)
    for (TextItem& text : spot) text.at += by;
  for (Vec2& anchor : label.anchors) anchor += by;
}
}  // namespace

void shift(Drawing& drawing, Vec2 by) {
  drawing.low += by;
  drawing.high += by;
  for (Label& label : drawing.labels) shift(label, by);
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
