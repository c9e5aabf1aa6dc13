// A Drawing: what screen, PDF and print all render. Geometry in mm of the room, lettering and line widths in mm of
// paper at the drawing's scale.
#pragma once

#include <array>
#include <string>
#include <vector>

#include "core/drawing/base/items.h"
#include "core/drawing/base/label.h"

namespace mezzet {

struct Drawing {
  double scale = 48;  ///< denominator: mm of the room per mm of paper
  Vec2 low, high;     ///< the part of the model this drawing fills, margins included
  std::vector<Item> items;
  std::vector<Label> labels = {};  ///< words that wait for their place (drawing/labels)

  void add(Layer layer, ItemId id, PathItem path) { items.push_back({layer, std::move(id), std::move(path)}); }
  void add(Layer layer, ItemId id, ArcItem arc) { items.push_back({layer, std::move(id), std::move(arc)}); }
  void add(Layer layer, ItemId id, TextItem text) { items.push_back({layer, std::move(id), std::move(text)}); }
  void add(Layer layer, ItemId id, ImageItem image) { items.push_back({layer, std::move(id), std::move(image)}); }
  void add(Label label) { labels.push_back(std::move(label)); }
};

/// Width of a line of lettering in mm of paper, for capitals `height` high, from the shipped font's table.
[[nodiscard]] double letteringWidth(const std::string& text, double height);
/// Em size over height of a capital: what a renderer sets the font to.
[[nodiscard]] double emOverCapital();
/// What a text takes up, with its ground: mm of paper along its line and across.
[[nodiscard]] double textWidth(const TextItem&);
[[nodiscard]] double textHeight(const TextItem&);
/// The corners of the rectangle that it covers in the model, as it is turned, anticlockwise from its lower left.
[[nodiscard]] std::array<Vec2, 4> textBody(const TextItem&, double scale);
/// The upright box round that.
struct TextBox {
  Vec2 low, high;
};
[[nodiscard]] TextBox textBox(const TextItem&, double scale);

/// Puts one drawing over another of the same scale.
void append(Drawing& to, Drawing over);

/// Moves everything by `by` (model mm).
void shift(Drawing&, Vec2 by);

}  // namespace mezzet
