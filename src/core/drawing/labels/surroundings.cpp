#include "core/drawing/labels/surroundings.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <numbers>

namespace mezzet {
namespace {

// How much words mind a line under them.
constexpr double kHeavy = 1, kLight = 0.5, kSlight = 0.2, kFace = 6, kThroughWall = 3;
constexpr int kArcSides = 12;

/// Whether two boxes share nothing: then neither does what is in them.
bool apart(const Box& a, const Box& b) { return furtherApart(a, b, 0); }

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

/// Round all the lines.
Box areaOf(std::span<const Drawing* const> drawings) {
  std::vector<Vec2> points{{0, 0}};
  for (const Drawing* drawing : drawings)
    for (const Item& item : drawing->items)
      if (const auto* path = std::get_if<PathItem>(&item.shape))
        points.insert(points.end(), path->points.begin(), path->points.end());
  return boundsOf(points);
}

Box boxOf(Vec2 a, Vec2 b) { return boundsOf(std::array{a, b}); }

double weightOf(const Item& item, const Stroke& stroke) {
  if (stroke.ink == Ink::None || item.layer == Layer::Grid || item.layer == Layer::Floor) return 0;
  // What is drawn within a thing: words on its face count already.
  const double within = item.layer == Layer::Furniture ? kDimensionLine : item.layer == Layer::Rug ? kFineLine : 0;
  if (stroke.width <= within) return 0;
  if (item.layer == Layer::Rug || stroke.ink == Ink::Quiet || stroke.ink == Ink::Fine) return kSlight;
  return stroke.dash == Dash::Solid && stroke.width >= kDimensionLine ? kHeavy : kLight;
}

}  // namespace

Quad squareRound(Vec2 middle, double half) {
  return {
      {middle + Vec2{-half, -half}, middle + Vec2{half, -half}, middle + Vec2{half, half}, middle + Vec2{-half, half}}};
}

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

Surroundings::Surroundings(std::span<const Drawing* const> drawings, const Surroundings* under) : under_(under) {
  if (drawings.empty()) return;
  const Drawing& first = *drawings.front();
  bounds_ = under != nullptr ? under->bounds_ : Box{first.low, first.high};
  bounded_ = under != nullptr ? under->bounded_ : first.high.x > first.low.x && first.high.y > first.low.y;
  constexpr double kCell = 10;  // mm of paper
  const Box area = bounded_ ? bounds_ : areaOf(drawings);
  wordsAt_ = linesAt_ = facesAt_ = BoxGrid(area, kCell * first.scale);
  for (const Drawing* drawing : drawings)
    for (const Item& item : drawing->items) addItem(item, drawing->scale);
}

void Surroundings::addWords(Words words) {
  wordsAt_.add(words.box, static_cast<std::uint32_t>(words_.size()));
  words_.push_back(std::move(words));
}
void Surroundings::addLine(Line line) {
  linesAt_.add(line.box, static_cast<std::uint32_t>(lines_.size()));
  lines_.push_back(std::move(line));
}
void Surroundings::addFace(Face face) {
  facesAt_.add(face.box, static_cast<std::uint32_t>(faces_.size()));
  faces_.push_back(std::move(face));
}

void Surroundings::addItem(const Item& item, double scale) {
  if (const auto* text = std::get_if<TextItem>(&item.shape)) {
    const Quad body{textBody(*text, scale)};
    addWords({body, boundsOf(body.corners), {}});
  } else if (const auto* path = std::get_if<PathItem>(&item.shape)) {
    if (path->points.size() < 2) return;
    const bool wall = path->fill == Ink::CutWall;
    const bool face = (item.layer == Layer::Furniture && path->stroke.width >= kFurnitureLine) ||
                      item.layer == Layer::Picture || item.layer == Layer::Feature;
    if (wall || (face && path->closed && path->fill != Ink::None))
      addFace({path->points, boundsOf(path->points), item.id, wall});
    const double weight = weightOf(item, path->stroke);
    if (wall || weight <= 0) return;
    const auto line = [&](Vec2 a, Vec2 b) { addLine({a, b, boxOf(a, b), weight, item.id, false}); };
    for (std::size_t i = 0; i + 1 < path->points.size(); ++i) line(path->points[i], path->points[i + 1]);
    if (path->closed) line(path->points.back(), path->points.front());
  } else if (const auto* arc = std::get_if<ArcItem>(&item.shape)) {
    const double weight = weightOf(item, arc->stroke);
    Polygon sides;
    for (int i = 0; i <= kArcSides; ++i) {
      const double angle = (arc->start + arc->span * i / kArcSides) * std::numbers::pi / 180;
      sides.push_back(arc->centre + Vec2{std::cos(angle), std::sin(angle)} * arc->radius);
    }
    const bool mark = (item.layer == Layer::Working || item.layer == Layer::Label) && arc->fill != Ink::None;
    if (mark && arc->span >= 360) {
      const Quad body = squareRound(arc->centre, arc->radius);
      return addWords({body, boundsOf(body.corners), item.id});
    }
    if (weight > 0)
      for (std::size_t i = 0; i + 1 < sides.size(); ++i)
        addLine({sides[i], sides[i + 1], boxOf(sides[i], sides[i + 1]), weight, item.id, false});
    if (item.layer == Layer::Furniture && arc->fill != Ink::None && arc->span >= 360)
      addFace({sides, boundsOf(sides), item.id, false});
  } else if (const auto* image = std::get_if<ImageItem>(&item.shape)) {
    const Vec2 middle = (image->low + image->high) * 0.5;
    std::vector<Vec2> corners{image->low, {image->high.x, image->low.y}, image->high, {image->low.x, image->high.y}};
    for (Vec2& c : corners) c = middle + rotated(c - middle, turnOf(image->turn));
    const Box box = boundsOf(std::span<const Vec2>(corners));
    addFace({std::move(corners), box, item.id, false});
  }
}

bool Surroundings::blocks(const Quad& body, const ItemId& own, double by, bool bounded) const {
  const Box box = boundsOf(body.corners);
  if (bounded && bounded_ &&
      (box.low.x < bounds_.low.x || box.low.y < bounds_.low.y || box.high.x > bounds_.high.x ||
       box.high.y > bounds_.high.y))
    return true;
  if (under_ != nullptr && under_->blocks(body, own, by, false)) return true;
  const Box wide{box.low - Vec2{by, by}, box.high + Vec2{by, by}};
  bool blocked = false;
  wordsAt_.near(wide, [&](std::uint32_t i) {
    const Words& words = words_[i];
    blocked = !apart(wide, words.box) && meets(body, words.body, by) && (words.mark.empty() || words.mark != own);
    return !blocked;
  });
  if (blocked) return true;
  facesAt_.near(box, [&](std::uint32_t i) {
    blocked = faces_[i].wall && !apart(box, faces_[i].box) && meets(body, faces_[i].outline);
    return !blocked;
  });
  if (blocked) return true;
  linesAt_.near(box, [&](std::uint32_t i) {
    const Line& line = lines_[i];
    blocked = line.leader && !apart(box, line.box) && meets(body, line.a, line.b);
    return !blocked;
  });
  return blocked;
}

double Surroundings::crossed(const Quad& body, const ItemId& own) const {
  const Box box = boundsOf(body.corners);
  const auto others = [&](const ItemId& id) { return own.empty() || id != own; };
  double out = under_ != nullptr ? under_->crossed(body, own) : 0;
  linesAt_.near(box, [&](std::uint32_t i) {
    const Line& line = lines_[i];
    if (!apart(box, line.box) && meets(body, line.a, line.b) && others(line.id)) out += line.weight;
    return true;
  });
  // Words on the face of another thing would name the wrong one.
  const Vec2 middle = midpoint(body.corners[0], body.corners[2]);
  const Vec2 points[] = {middle, midpoint(body.corners[0], body.corners[3]),
                         midpoint(body.corners[1], body.corners[2])};
  facesAt_.near(box, [&](std::uint32_t i) {
    const Face& face = faces_[i];
    if (!face.wall && !apart(box, face.box) && others(face.id) &&
        std::any_of(std::begin(points), std::end(points), [&](Vec2 p) { return contains(face.outline, p); }))
      out += kFace;
    return true;
  });
  return out;
}

bool Surroundings::hidesWords(Vec2 a, Vec2 b) const {
  const Box box = boxOf(a, b);
  bool hides = under_ != nullptr && under_->hidesWords(a, b);
  if (hides) return true;
  wordsAt_.near(box, [&](std::uint32_t i) {
    hides = !apart(box, words_[i].box) && meets(words_[i].body, a, b);
    return !hides;
  });
  return hides;
}

double Surroundings::crossedBy(Vec2 a, Vec2 b, const ItemId& own) const {
  const Box box = boxOf(a, b);
  const auto crosses = [&](Vec2 p, Vec2 q) {
    return cross(b - a, p - a) * cross(b - a, q - a) < 0 && cross(q - p, a - p) * cross(q - p, b - p) < 0;
  };
  double out = under_ != nullptr ? under_->crossedBy(a, b, own) : 0;
  linesAt_.near(box, [&](std::uint32_t i) {
    const Line& line = lines_[i];
    if (!apart(box, line.box) && crosses(line.a, line.b) && (own.empty() || line.id != own)) out += line.weight;
    return true;
  });
  facesAt_.near(box, [&](std::uint32_t i) {
    const Face& face = faces_[i];
    if (!face.wall || apart(box, face.box)) return true;
    for (std::size_t k = 0; k < face.outline.size(); ++k)
      if (crosses(face.outline[k], edgeEnd(face.outline, k))) {
        out += kThroughWall;
        break;
      }
    return true;
  });
  return out;
}

void Surroundings::add(const ItemId& id, const std::vector<Item>& items, double scale) {
  for (const Item& item : items) {
    if (const auto* path = std::get_if<PathItem>(&item.shape)) {
      // A leader, or the arms of a cross.
      const Vec2 a = path->points[0], b = path->points[1];
      addLine({a, b, boxOf(a, b), kHeavy, id, true});
    } else if (const auto* arc = std::get_if<ArcItem>(&item.shape)) {
      const Quad body = squareRound(arc->centre, arc->radius);
      addWords({body, boundsOf(body.corners), {}});
    } else {
      addItem(item, scale);
    }
  }
}

}  // namespace mezzet
