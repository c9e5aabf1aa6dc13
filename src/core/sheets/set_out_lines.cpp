#include "core/sheets/set_out_lines.h"

#include <algorithm>
#include <cmath>

#include "core/drawing/base/drafting.h"
#include "core/space/bodies.h"

namespace mezzet {
namespace {

constexpr double kBetweenColumns = 4;  // mm of paper

}  // namespace

void addExtension(Drawing& d, const std::vector<WallRect>& frames, double a, double b, double at, bool upright) {
  std::vector<std::pair<double, double>> free{{std::min(a, b), std::max(a, b)}};
  for (const WallRect& f : frames) {
    const double low = upright ? f.left : f.bottom, high = upright ? f.right : f.top,
                 from = upright ? f.bottom : f.left, to = upright ? f.top : f.right;
    if (at <= low || at >= high) continue;
    std::vector<std::pair<double, double>> left;
    for (const auto& [p, q] : free) {
      if (std::min(q, from) > p) left.push_back({p, std::min(q, from)});
      if (std::max(p, to) < q) left.push_back({std::max(p, to), q});
    }
    free = std::move(left);
  }
  for (const auto& [p, q] : free)
    d.add(Layer::Dimension, "set-out",
          upright ? line({at, p}, {at, q}, fine(Ink::Quiet)) : line({p, at}, {q, at}, fine(Ink::Quiet)));
}

void addRunning(Drawing& d, Vec2 origin, Vec2 along, std::vector<double> stops, LengthFormat format) {
  std::sort(stops.begin(), stops.end());
  stops.erase(std::unique(stops.begin(), stops.end(), [](double a, double b) { return b - a < kTouch; }), stops.end());
  if (stops.empty()) return;
  const Vec2 tick = unit(along + leftOf(along)) * (1.4 * d.scale), out = leftOf(along);
  d.add(Layer::Dimension, "set-out", line(origin, origin + along * stops.back(), thin()));
  d.add(Layer::Dimension, "set-out", ArcItem{origin, 0.8 * d.scale, 0, 360, Ink::Paper, thin()});
  for (const double stop : stops) {
    const Vec2 at = origin + along * stop;
    d.add(Layer::Dimension, "set-out", line(at - tick, at + tick, {Ink::Ink, kFurnitureLine, Dash::Solid}));
    const TextItem words{{}, writeLength(stop, format), kLetters, Align::Centre, 0, Ink::Ink, Ink::Paper};
    // Outside the line, further out where the next one is near.
    const double wide = (textWidth(words) / 2 + 0.8) * d.scale, high = (textHeight(words) / 2 + 0.8) * d.scale;
    const double off = std::abs(out.x) * wide + std::abs(out.y) * high,
                 step = std::abs(out.x) * 2 * wide + std::abs(out.y) * 2 * high;
    Label label = labelAt(Layer::Dimension, "set-out", Rank::Dimension,
                          {at + out * off, at + out * (off + step), at + out * (off + 2 * step)}, words);
    label.anchors = {at};
    label.needed = true;
    d.add(std::move(label));
  }
}

void addColumns(Drawing& d, const std::vector<std::vector<std::string>>& rows) {
  if (rows.empty()) return;
  const auto text = [&](const std::string& words) {
    return TextItem{{}, words, kSmallLetters, Align::Left, 0, Ink::Ink, Ink::None};
  };
  std::vector<double> wide;  // mm of paper
  for (const auto& row : rows)
    for (std::size_t i = 0; i < row.size(); ++i) {
      if (wide.size() <= i) wide.push_back(0);
      wide[i] = std::max(wide[i], textWidth(text(row[i])));
    }
  double y = d.low.y - 3 * d.scale, all = 8;
  for (const double w : wide) all += w + kBetweenColumns;
  for (const auto& row : rows) {
    double x = d.low.x + 4 * d.scale;
    for (std::size_t i = 0; i < row.size(); ++i) {
      TextItem cell = text(row[i]);
      cell.at = {x, y};
      d.add(Layer::Label, "", cell);
      x += (wide[i] + kBetweenColumns) * d.scale;
    }
    y -= kListStep * d.scale;
    if (&row == &rows.front())
      d.add(Layer::Dimension, "",
            line({d.low.x + 4 * d.scale, y + 0.45 * kListStep * d.scale},
                 {d.low.x + all * d.scale, y + 0.45 * kListStep * d.scale}, thin()));
  }
  d.low.y = y;
  d.high.x = std::max(d.high.x, d.low.x + all * d.scale);
}

}  // namespace mezzet
