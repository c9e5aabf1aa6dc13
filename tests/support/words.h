// Words of a drawing that meet: by sampling points of each rectangle, not by the labeller's own geometry.
#pragma once

#include <cmath>
#include <optional>
#include <string>
#include <variant>
#include <vector>

#include "core/drawing/base/drawing.h"

namespace mezzet::test {

struct Word {
  std::string text;
  ItemId id;
  Vec2 origin, along, up;  ///< lower left corner and sides, with the ground
  [[nodiscard]] bool covers(Vec2 p, double by) const {
    const double u = dot(p - origin, along) / norm(along), v = dot(p - origin, up) / norm(up);
    return u > by && v > by && u < norm(along) - by && v < norm(up) - by;
  }
};

/// The upright box round some points. What does not even meet by it is not looked at closely.
struct Around {
  Vec2 low{1e300, 1e300}, high{-1e300, -1e300};
  explicit Around(const std::vector<Vec2>& points) {
    for (const Vec2 p : points) {
      low = {std::fmin(low.x, p.x), std::fmin(low.y, p.y)};
      high = {std::fmax(high.x, p.x), std::fmax(high.y, p.y)};
    }
  }
  [[nodiscard]] bool meets(const Around& o) const {
    return low.x <= o.high.x && o.low.x <= high.x && low.y <= o.high.y && o.low.y <= high.y;
  }
};
inline Around around(const Word& w) {
  return Around({w.origin, w.origin + w.along, w.origin + w.up, w.origin + w.along + w.up});
}

inline Word wordOf(const TextItem& t, const ItemId& id, double scale) {
  const double radians = t.turn * M_PI / 180, side = t.ground == Ink::None ? 0 : 0.5 * t.height,
               upright = t.ground == Ink::None ? 0 : 0.45 * t.height;
  const Vec2 dir{std::cos(radians), std::sin(radians)}, up{-dir.y, dir.x};
  const double letters = letteringWidth(t.text, t.height), width = letters + 2 * side, height = t.height + 2 * upright;
  const double left = (t.align == Align::Left ? 0 : t.align == Align::Centre ? -letters / 2 : -letters) - side;
  return {t.text, id, t.at + dir * (left * scale) - up * (height / 2 * scale), dir * (width * scale),
          up * (height * scale)};
}

inline std::vector<Word> wordsOf(const Drawing& d) {
  std::vector<Word> out;
  for (const Item& item : d.items)
    if (const auto* text = std::get_if<TextItem>(&item.shape)) out.push_back(wordOf(*text, item.id, d.scale));
  return out;
}

/// What lies on what: words on words, on a wall's fill, on a line of two ends with another id that ends in a dot (a
/// leader). One line each; empty when nothing meets.
inline std::vector<std::string> meetings(const Drawing& d) {
  std::vector<std::string> out;
  const std::vector<Word> words = wordsOf(d);
  const double grain = 0.15 * d.scale;  // less than this is a touch
  const auto samples = [](const Word& w) {
    std::vector<Vec2> points;
    for (int i = 0; i <= 40; ++i)
      for (int k = 0; k <= 8; ++k) points.push_back(w.origin + w.along * (i / 40.0) + w.up * (k / 8.0));
    return points;
  };
  std::vector<Around> boxes;
  for (const Word& w : words) boxes.push_back(around(w));
  std::vector<std::optional<Around>> paths(d.items.size());
  for (std::size_t i = 0; i < d.items.size(); ++i)
    if (const auto* path = std::get_if<PathItem>(&d.items[i].shape)) paths[i] = Around(path->points);
  for (const Word& a : words) {
    const std::vector<Vec2> points = samples(a);
    const Around& box = boxes[static_cast<std::size_t>(&a - words.data())];
    for (const Word& b : words) {
      if (&a == &b || !box.meets(boxes[static_cast<std::size_t>(&b - words.data())])) continue;
      for (const Vec2 p : points)
        if (b.covers(p, grain)) {
          out.push_back("\"" + a.text + "\" on \"" + b.text + "\"");
          break;
        }
    }
    for (std::size_t i = 0; i < d.items.size(); ++i) {
      const auto* path = std::get_if<PathItem>(&d.items[i].shape);
      if (path == nullptr || !box.meets(*paths[i])) continue;
      if (path->fill == Ink::CutWall) {
        for (const Vec2 p : points)
          if (a.covers(p, grain) && contains(path->points, p) && distanceToEdge(path->points, p) > grain) {
            out.push_back("\"" + a.text + "\" on a wall");
            break;
          }
        continue;
      }
      const auto* dot = i + 1 < d.items.size() ? std::get_if<ArcItem>(&d.items[i + 1].shape) : nullptr;
      const bool leader = path->points.size() == 2 && dot != nullptr && dot->fill == Ink::Ink &&
                          distance(dot->centre, path->points[1]) < 1e-6;
      if (!leader || d.items[i].id == a.id) continue;
      for (int k = 0; k <= 200; ++k)
        if (a.covers(path->points[0] + (path->points[1] - path->points[0]) * (k / 200.0), grain)) {
          out.push_back("\"" + a.text + "\" on the leader of " + d.items[i].id.id);
          break;
        }
    }
  }
  return out;
}

}  // namespace mezzet::test
