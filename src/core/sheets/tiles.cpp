#include "core/sheets/tiles.h"

#include <algorithm>
#include <cmath>
#include <optional>

#include "core/drawing/base/drafting.h"

namespace mezzet {
namespace {

constexpr double kMarkArm = 3;  // mm

/// The part of a segment inside a box (Liang and Barsky).
std::optional<std::pair<Vec2, Vec2>> clipped(Vec2 a, Vec2 b, Vec2 low, Vec2 high) {
  double from = 0, to = 1;
  const Vec2 d = b - a;
  const auto cut = [&](double toward, double room) {
    if (toward == 0) return room >= 0;
    const double t = room / toward;
    if (toward < 0) from = std::max(from, t);
    else to = std::min(to, t);
    return true;
  };
  if (!cut(-d.x, a.x - low.x) || !cut(d.x, high.x - a.x) || !cut(-d.y, a.y - low.y) || !cut(d.y, high.y - a.y) ||
      from > to)
    return std::nullopt;
  return std::pair{a + d * from, a + d * to};
}

/// Along one axis: where parts begin.
std::vector<double> startsOf(double low, double high, double most) {
  const int count =
      high - low <= most ? 1 : static_cast<int>(std::ceil((high - low - kTileOverlap) / (most - kTileOverlap)));
  std::vector<double> out;
  for (int i = 0; i < count; ++i) out.push_back(low + i * (most - kTileOverlap));
  return out;
}

bool inside(Vec2 p, const Tile& t) { return p.x >= t.low.x && p.x <= t.high.x && p.y >= t.low.y && p.y <= t.high.y; }

/// A cross and a name in the middle of an overlap.
void addMark(Drawing& d, Vec2 at, const std::string& name) {
  d.add(Layer::Dimension, "joint", line(at - Vec2{kMarkArm, 0}, at + Vec2{kMarkArm, 0}, thin()));
  d.add(Layer::Dimension, "joint", line(at - Vec2{0, kMarkArm}, at + Vec2{0, kMarkArm}, thin()));
  d.add(Layer::Label, "joint", TextItem{at + Vec2{3, 3}, name, kSmallLetters, Align::Centre, 0, Ink::Ink, Ink::None});
}

void addJoints(Drawing& d, const Tile& t, Vec2 move) {
  const auto upright = [&](double x, int joint) {
    d.add(Layer::Dimension, "joint",
          line(Vec2{x, t.low.y} + move, Vec2{x, t.high.y} + move, {Ink::Quiet, kFineLine, Dash::Dashed}));
    for (const double share : {0.3, 0.8})
      addMark(d, Vec2{x, t.low.y + share * (t.high.y - t.low.y)} + move,
              std::string(1, static_cast<char>('a' + joint % 26)));
  };
  const auto level = [&](double y, int joint) {
    d.add(Layer::Dimension, "joint",
          line(Vec2{t.low.x, y} + move, Vec2{t.high.x, y} + move, {Ink::Quiet, kFineLine, Dash::Dashed}));
    for (const double share : {0.2, 0.8})
      addMark(d, Vec2{t.low.x + share * (t.high.x - t.low.x), y} + move, std::to_string(joint + 1));
  };
  const double half = kTileOverlap / 2;
  if (t.column > 0) upright(t.low.x + half, t.column - 1);
  if (t.column + 1 < t.columns) upright(t.high.x - half, t.column);
  if (t.row > 0) level(t.high.y - half, t.row - 1);
  if (t.row + 1 < t.rows) level(t.low.y + half, t.row);
}

}  // namespace

std::vector<Tile> tilesOf(Vec2 low, Vec2 high, double wide, double tall) {
  const std::vector<double> across = startsOf(low.x, high.x, wide), down = startsOf(-high.y, -low.y, tall);
  std::vector<Tile> out;
  for (std::size_t r = 0; r < down.size(); ++r)
    for (std::size_t c = 0; c < across.size(); ++c) {
      Tile t{static_cast<int>(c),           static_cast<int>(r), static_cast<int>(across.size()),
             static_cast<int>(down.size()), {across[c], 0},      {std::min(high.x, across[c] + wide), -down[r]}};
      t.low.y = std::max(low.y, t.high.y - tall);
      out.push_back(t);
    }
  return out;
}

Drawing cutTile(const Drawing& whole, const Tile& t, Vec2 at) {
  Drawing out;
  out.scale = whole.scale;
  const Vec2 move = at - t.low;
  for (const Item& item : whole.items) {
    if (const auto* path = std::get_if<PathItem>(&item.shape)) {
      const std::size_t n = path->points.size();
      for (std::size_t i = 0; i + 1 < n + (path->closed ? 1 : 0); ++i)
        if (const auto part = clipped(path->points[i], path->points[(i + 1) % n], t.low, t.high))
          out.add(item.layer, item.id, line(part->first + move, part->second + move, path->stroke));
    } else if (const auto* arc = std::get_if<ArcItem>(&item.shape)) {
      const Vec2 r{arc->radius, arc->radius};
      if (!inside(arc->centre - r, t) || !inside(arc->centre + r, t)) continue;
      ArcItem moved = *arc;
      moved.centre += move;
      out.add(item.layer, item.id, moved);
    } else if (const auto* text = std::get_if<TextItem>(&item.shape)) {
      const TextBox box = textBox(*text, whole.scale);
      if (!inside(box.low, t) || !inside(box.high, t)) continue;
      TextItem moved = *text;
      moved.at += move;
      out.add(item.layer, item.id, moved);
    }
  }
  addJoints(out, t, move);
  return out;
}

}  // namespace mezzet
