#include "core/drawing/labels/surroundings.h"

#include <algorithm>
#include <cmath>
#include <numbers>

namespace mezzet {
namespace {

// How much words mind a line under them.
constexpr double kHeavy = 1, kLight = 0.5, kSlight = 0.2, kFace = 6, kThroughWall = 3;
constexpr int kArcSides = 12;

Box boxOf(std::span<const Vec2> points) {
  Box box{points.front(), points.front()};
  for (const Vec2 p : points) {
    box.low = {std::min(box.low.x, p.x), std::min(box.low.y, p.y)};
    box.high = {std::max(box.high.x, p.x), std::max(box.high.y, p.y)};
  }
  return box;
}
bool apart(const Box& a, const Box& b, double by = 0) {
  return a.low.x > b.high.x + by || b.low.x > a.high.x + by || a.low.y > b.high.y + by || b.low.y > a.high.y + by;
}

/// Whether the sides of `a` part it from `b` by more than `by`.
bool partedBy(const Quad& a, const Quad& b, double by) {
  for (std::size_t i = 0; i < 4; ++i) {
    const Vec2 out = -leftOf(unit(a.corners[(i + 1) % 4] - a.corners[i]));
    double nearest = std::numeric_limits<double>::infinity();
    for (const Vec2 p : b.corners) nearest = std::min(nearest, dot(out, p - a.corners[i]));
    if (nearest > by - 1e-6) return true;
  }
  return false;
}

double weightOf(const Item& item, const Stroke& stroke) {
  if (stroke.ink == Ink::None || item.layer == Layer::Grid || item.layer == Layer::Floor) return 0;
  if (item.layer == Layer::Rug || stroke.ink == Ink::Quiet || stroke.ink == Ink::Fine) return kSlight;
  return stroke.dash == Dash::Solid && stroke.width >= kDimensionLine ? kHeavy : kLight;
}

}  // namespace

bool meets(const Quad& a, const Quad& b, double apart) { return !partedBy(a, b, apart) && !partedBy(b, a, apart); }

bool meets(const Quad& quad, Vec2 a, Vec2 b) {
  // What of the line is left when it is cut by each side (Cyrus and Beck).
  double from = 0, to = 1;
  const Vec2 d = b - a;
  for (std::size_t i = 0; i < 4; ++i) {
    const Vec2 in = leftOf(quad.corners[(i + 1) % 4] - quad.corners[i]);
    const double at = dot(in, a - quad.corners[i]), slope = dot(in, d);
    if (std::abs(slope) < 1e-12) {
      if (at <= 0) return false;
      continue;
    }
    const double t = -at / slope;
    if (slope > 0) from = std::max(from, t);
    else to = std::min(to, t);
  }
  return to - from > 1e-9;
}

bool meets(const Quad& quad, const Polygon& outline) {
  for (std::size_t i = 0; i < outline.size(); ++i)
    if (meets(quad, outline[i], edgeEnd(outline, i))) return true;
  return contains(outline, midpoint(quad.corners[0], quad.corners[2]));
}

Surroundings::Surroundings(std::span<const Drawing* const> drawings) {
  if (drawings.empty()) return;
  const Drawing& first = *drawings.front();
  bounds_ = {first.low, first.high};
  bounded_ = first.high.x > first.low.x && first.high.y > first.low.y;
  for (const Drawing* drawing : drawings)
    for (const Item& item : drawing->items) addItem(item, drawing->scale);
}

void Surroundings::addLine(const Item& item, Vec2 a, Vec2 b, double weight) {
  const Vec2 ends[] = {a, b};
  lines_.push_back({a, b, boxOf(ends), weight, item.id, false});
}

void Surroundings::addItem(const Item& item, double scale) {
  if (const auto* text = std::get_if<TextItem>(&item.shape)) {
    const Quad body{textBody(*text, scale)};
    words_.push_back({body, boxOf(body.corners), {}});
  } else if (const auto* path = std::get_if<PathItem>(&item.shape)) {
    if (path->points.size() < 2) return;
    const bool wall = path->fill == Ink::CutWall;
    const bool face = item.layer == Layer::Furniture || item.layer == Layer::Picture || item.layer == Layer::Feature;
    if (wall || (face && path->closed && path->fill != Ink::None))
      faces_.push_back({path->points, boxOf(path->points), item.id, wall});
    const double weight = weightOf(item, path->stroke);
    if (wall || weight <= 0) return;
    for (std::size_t i = 0; i + 1 < path->points.size(); ++i)
      addLine(item, path->points[i], path->points[i + 1], weight);
    if (path->closed) addLine(item, path->points.back(), path->points.front(), weight);
  } else if (const auto* arc = std::get_if<ArcItem>(&item.shape)) {
    const double weight = weightOf(item, arc->stroke);
    Polygon sides;
    for (int i = 0; i <= kArcSides; ++i) {
      const double angle = (arc->start + arc->span * i / kArcSides) * std::numbers::pi / 180;
      sides.push_back(arc->centre + Vec2{std::cos(angle), std::sin(angle)} * arc->radius);
    }
    const bool mark = (item.layer == Layer::Working || item.layer == Layer::Label) && arc->fill != Ink::None;
    if (mark && arc->span >= 360) {
      const Vec2 r{arc->radius, arc->radius};
      const Box box{arc->centre - r, arc->centre + r};
      words_.push_back({{{box.low, {box.high.x, box.low.y}, box.high, {box.low.x, box.high.y}}}, box, item.id});
      return;
    }
    if (weight > 0)
      for (std::size_t i = 0; i + 1 < sides.size(); ++i) addLine(item, sides[i], sides[i + 1], weight);
    if (item.layer == Layer::Furniture && arc->fill != Ink::None && arc->span >= 360)
      faces_.push_back({sides, boxOf(sides), item.id, false});
  } else if (const auto* image = std::get_if<ImageItem>(&item.shape)) {
    faces_.push_back({{image->low, {image->high.x, image->low.y}, image->high, {image->low.x, image->high.y}},
                      {image->low, image->high},
                      item.id,
                      false});
  }
}

bool Surroundings::blocks(const Quad& body, const ItemId& own, double by, bool bounded) const {
  const Box box = boxOf(body.corners);
  if (bounded && bounded_ &&
      (box.low.x < bounds_.low.x || box.low.y < bounds_.low.y || box.high.x > bounds_.high.x ||
       box.high.y > bounds_.high.y))
    return true;
  for (const Words& words : words_)
    if (!apart(box, words.box, by) && (words.mark.empty() || words.mark != own) && meets(body, words.body, by))
      return true;
  for (const Face& face : faces_)
    if (face.wall && !apart(box, face.box) && meets(body, face.outline)) return true;
  for (const Line& line : lines_)
    if (line.leader && !apart(box, line.box) && meets(body, line.a, line.b)) return true;
  return false;
}

double Surroundings::crossed(const Quad& body, const ItemId& own) const {
  const Box box = boxOf(body.corners);
  double out = 0;
  for (const Line& line : lines_)
    if (!apart(box, line.box) && (own.empty() || line.id != own) && meets(body, line.a, line.b)) out += line.weight;
  // Words on the face of another thing would name the wrong one.
  const Vec2 middle = midpoint(body.corners[0], body.corners[2]);
  const Vec2 points[] = {middle, midpoint(body.corners[0], body.corners[3]),
                         midpoint(body.corners[1], body.corners[2])};
  for (const Face& face : faces_)
    if (!face.wall && !apart(box, face.box) && (own.empty() || face.id != own) &&
        std::any_of(std::begin(points), std::end(points), [&](Vec2 p) { return contains(face.outline, p); }))
      out += kFace;
  return out;
}

bool Surroundings::hidesWords(Vec2 a, Vec2 b) const {
  const Vec2 ends[] = {a, b};
  const Box box = boxOf(ends);
  return std::any_of(words_.begin(), words_.end(),
                     [&](const Words& words) { return !apart(box, words.box) && meets(words.body, a, b); });
}

double Surroundings::crossedBy(Vec2 a, Vec2 b, const ItemId& own) const {
  const Vec2 ends[] = {a, b};
  const Box box = boxOf(ends);
  const Vec2 along = b - a;
  double out = 0;
  for (const Line& line : lines_) {
    if (apart(box, line.box) || (!own.empty() && line.id == own)) continue;
    const Vec2 other = line.b - line.a;
    if (cross(along, line.a - a) * cross(along, line.b - a) < 0 &&
        cross(other, a - line.a) * cross(other, b - line.a) < 0)
      out += line.weight;
  }
  for (const Face& face : faces_) {
    if (!face.wall || apart(box, face.box)) continue;
    for (std::size_t i = 0; i < face.outline.size(); ++i) {
      const Vec2 p = face.outline[i], q = edgeEnd(face.outline, i);
      if (cross(along, p - a) * cross(along, q - a) < 0 && cross(q - p, a - p) * cross(q - p, b - p) < 0) {
        out += kThroughWall;
        break;
      }
    }
  }
  return out;
}

void Surroundings::add(const ItemId& id, const std::vector<Item>& items, double scale) {
  for (const Item& item : items) {
    if (const auto* path = std::get_if<PathItem>(&item.shape)) {
      // A leader, or the arms of a cross.
      const Vec2 ends[] = {path->points[0], path->points[1]};
      lines_.push_back({ends[0], ends[1], boxOf(ends), kHeavy, id, true});
    } else if (const auto* arc = std::get_if<ArcItem>(&item.shape)) {
      const double r = arc->radius;
      const Quad body{
          {arc->centre + Vec2{-r, -r}, arc->centre + Vec2{r, -r}, arc->centre + Vec2{r, r}, arc->centre + Vec2{-r, r}}};
      words_.push_back({body, boxOf(body.corners), {}});
    } else {
      addItem(item, scale);
    }
  }
}

}  // namespace mezzet
