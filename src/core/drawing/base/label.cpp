#include "core/drawing/base/label.h"

#include <cmath>

#include "core/drawing/base/drawing.h"
#include "core/geometry/vec.h"

namespace mezzet {
namespace {

constexpr double kLineEnd = 1.5;  // words keep this far from a line's ends, mm of paper
constexpr double kBeside = 1.0;   // and from the line they stand beside

}  // namespace

Label labelOnLine(Layer layer, ItemId id, Rank rank, Vec2 a, Vec2 b, const TextItem& like, double scale) {
  Label label{layer, std::move(id), rank, {}, {}, like, Badge::None, true};
  for (const double t : {0.5, 0.25, 0.75, 0.1, 0.9, 0.0, 1.0}) label.anchors.push_back(a + (b - a) * t);
  const double length = distance(a, b);
  const Vec2 along = length > 0 ? (b - a) * (1 / length) : Vec2{1, 0}, across = leftOf(along);
  const double wide = textWidth(like) * scale, high = textHeight(like) * scale;
  // Of level words along an upright line, and of words that run with theirs.
  const auto reach = [&](Vec2 d) {
    const Turn turn = turnOf(-like.turn);
    const Vec2 own = rotated(d, turn);
    return (std::abs(own.x) * wide + std::abs(own.y) * high) / 2;
  };
  const double shares[] = {0.5, 0.42, 0.58, 0.34, 0.66, 0.26, 0.74, 0.18, 0.82, 0.1, 0.9};
  const auto spot = [&](Vec2 at) {
    TextItem text = like;
    text.at = at;
    text.align = Align::Centre;
    label.spots.push_back({text});
  };
  for (const double t : shares)
    if (std::min(t, 1 - t) * length >= reach(along) + kLineEnd * scale) spot(a + along * (t * length));
  const double off = reach(across) + kBeside * scale;
  for (const double side : {1.0, -1.0})
    for (const double t : {0.5, 0.3, 0.7}) spot(a + along * (t * length) + across * (side * off));
  return label;
}

Label labelOnlyAt(Layer layer, ItemId id, Rank rank, const std::vector<Vec2>& points, const TextItem& like) {
  Label label{layer, std::move(id), rank, {}, {}, like, Badge::None, false};
  for (const Vec2 p : points) {
    TextItem text = like;
    text.at = p;
    label.spots.push_back({text});
  }
  return label;
}

Label labelAt(Layer layer, ItemId id, Rank rank, const std::vector<Vec2>& points, const TextItem& like) {
  Label label = labelOnlyAt(layer, std::move(id), rank, points, like);
  label.anchors = points;
  return label;
}

}  // namespace mezzet
