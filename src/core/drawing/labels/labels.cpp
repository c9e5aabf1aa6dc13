#include "core/drawing/labels/labels.h"

#include <algorithm>
#include <cmath>
#include <limits>
#include <numbers>
#include <optional>

namespace mezzet {
namespace {

constexpr double kAsideCost = 3;  // a leader is worth this many crossed lines
constexpr double kFarCost = 0.1;  // and each mm of paper further off a part of one
constexpr double kLeastCost = 1e-9;
constexpr int kDirections = 12;
constexpr double kNearest = 3, kStep = 4, kFurthest = 23, kFurthestNeeded = 240;  // of words beside, mm of paper

/// The best place found so far: one of the spots, or beside.
struct Best {
  double cost = std::numeric_limits<double>::infinity();
  const Label::Spot* spot = nullptr;
  std::optional<Vec2> aside;  ///< the words' middle
  std::vector<Vec2> leader;
  [[nodiscard]] bool found() const { return spot != nullptr || aside.has_value(); }
};

/// The middle of the cross that stands before words.
Vec2 crossBefore(const Quad& words, double scale) {
  return midpoint(words.corners[0], words.corners[3]) - Vec2{(kCrossOff - kCrossArm) * scale, 0};
}

/// A label's words beside, as they stand there.
TextItem wordsBeside(const Label& label, Vec2 at) {
  TextItem text = label.aside;
  text.align = Align::Centre;
  text.turn = 0;
  text.at = at;
  return text;
}

std::vector<Quad> bodiesOf(const Label& label, const Label::Spot& spot, double scale) {
  std::vector<Quad> out;
  for (const TextItem& text : spot) out.push_back({textBody(text, scale)});
  if (label.badge == Badge::Circle) out = {squareRound(spot.front().at, kTagCircle * scale)};
  if (label.badge == Badge::Cross) out.push_back(squareRound(crossBefore(out.front(), scale), kCrossArm * scale));
  return out;
}

std::vector<Item> itemsOf(const Label& label, const Label::Spot& spot, const std::vector<Vec2>& leader, double scale) {
  std::vector<Item> out;
  const Stroke thin{Ink::Ink, kDimensionLine, Dash::Solid};
  if (leader.size() == 2) {
    out.push_back({label.layer, label.id, PathItem{leader, false, Ink::None, thin}});
    out.push_back({label.layer, label.id, ArcItem{leader[1], 0.5 * scale, 0, 360, Ink::Ink, Stroke{}}});
  }
  if (label.badge == Badge::Circle)
    out.push_back({label.layer, label.id, ArcItem{spot.front().at, kTagCircle * scale, 0, 360, Ink::Paper, thin}});
  for (const TextItem& text : spot) out.push_back({label.layer, label.id, text});
  if (label.badge == Badge::Cross) {
    const Vec2 at = crossBefore({textBody(spot.front(), scale)}, scale);
    const double r = kCrossArm * scale;
    const Stroke mark{Ink::Breaks, 0.6, Dash::Solid};
    out.push_back({label.layer, label.id, PathItem{{at + Vec2{-r, -r}, at + Vec2{r, r}}, false, Ink::None, mark}});
    out.push_back({label.layer, label.id, PathItem{{at + Vec2{-r, r}, at + Vec2{r, -r}}, false, Ink::None, mark}});
  }
  return out;
}

class Labeller {
 public:
  Labeller(std::span<const Drawing* const> drawings, const Surroundings* under)
      : scale_(drawings.empty() ? 1 : drawings.front()->scale), surroundings_(drawings, under) {}

  /// What stands there from now on; nothing when there was no room.
  std::optional<std::vector<Item>> place(const Label& label) {
    Best best;
    for (const Label::Spot& spot : label.spots) {
      if (best.cost <= kLeastCost) break;
      const double cost = costOf(label, bodiesOf(label, spot, scale_), {}, best.cost, true);
      if (cost < best.cost) best = {cost, &spot, {}, {}};
    }
    if (!label.anchors.empty() && best.cost > kAsideCost) {
      aside(label, label.needed && !best.found() ? kFurthestNeeded : kFurthest, {true, true}, best);
      // Where no leader gets through, needed words still stand as near as they can.
      if (label.needed && !best.found()) aside(label, kFurthestNeeded, {false, true}, best);
      if (label.needed && !best.found()) aside(label, kFurthestNeeded, {false, false}, best);
    }
    if (!best.found()) return std::nullopt;
    if (best.spot != nullptr) return itemsOf(label, *best.spot, {}, scale_);
    return itemsOf(label, {wordsBeside(label, *best.aside)}, best.leader, scale_);
  }
  void take(const Label& label, const std::vector<Item>& items) { surroundings_.add(label.id, items, scale_); }

 private:
  /// Infinite where words cannot stand, and anything not below `most` where they would cost as much.
  [[nodiscard]] double costOf(const Label& label, const std::vector<Quad>& bodies, const std::vector<Vec2>& leader,
                              double most, bool bounded) const {
    double cost = 0;
    for (const Quad& body : bodies)
      if (surroundings_.blocks(body, label.id, kApart * scale_, bounded))
        return std::numeric_limits<double>::infinity();
    if (leader.size() == 2 && surroundings_.hidesWords(leader[0], leader[1]))
      return std::numeric_limits<double>::infinity();
    for (const Quad& body : bodies) {
      // Beside, words keep off their own thing, too.
      cost += surroundings_.crossed(body, leader.empty() ? label.id : ItemId());
      if (cost >= most) return cost;
    }
    return leader.size() == 2 ? cost + surroundings_.crossedBy(leader[0], leader[1], label.id) : cost;
  }

  struct AsideHow {
    bool leader = true, bounded = true;
  };
  /// Round the anchor, further and further off.
  void aside(const Label& label, double furthest, AsideHow how, Best& best) const {
    const auto free = std::find_if(label.anchors.begin(), label.anchors.end(), [&](Vec2 p) {
      return !surroundings_.hidesWords(p, p + Vec2{0.01, 0});
    });
    const Vec2 anchor = free != label.anchors.end() ? *free : label.anchors.front();
    const TextItem text = wordsBeside(label, {});
    const std::vector<Quad> atZero = bodiesOf(label, {text}, scale_);
    const double badge = label.badge == Badge::Circle ? kTagCircle : 0;
    const double wide = std::max(textWidth(text) / 2, badge), high = std::max(textHeight(text) / 2, badge);
    std::vector<Quad> bodies = atZero;
    std::vector<Vec2> leader;
    for (double r = kNearest; r <= furthest; r += kStep) {
      const double extra = kAsideCost + kFarCost * r;
      if (extra >= best.cost) return;
      for (int k = 0; k < kDirections; ++k) {
        const double angle = (k + 0.5) * 2 * std::numbers::pi / kDirections;
        const Vec2 d{std::cos(angle), std::sin(angle)};
        const Vec2 off{d.x * r + std::clamp(3 * d.x, -1.0, 1.0) * wide,
                       d.y * r + std::clamp(3 * d.y, -1.0, 1.0) * high};
        const Vec2 at = anchor + off * scale_;
        for (std::size_t b = 0; b < bodies.size(); ++b)
          for (std::size_t c = 0; c < 4; ++c) bodies[b].corners[c] = atZero[b].corners[c] + at;
        // The leader leaves from the edge that faces what it names.
        if (how.leader)
          leader = {at - Vec2{std::clamp(off.x, -wide, wide), std::clamp(off.y, -high, high)} * scale_, anchor};
        const double cost = extra + costOf(label, bodies, leader, best.cost - extra, how.bounded);
        if (cost < best.cost) best = {cost, nullptr, at, leader};
      }
    }
  }

  static constexpr double kApart = 0.4;  // between words, mm of paper
  double scale_;
  Surroundings surroundings_;
};

}  // namespace

std::vector<PlacedLabels> placeLabels(std::span<const Drawing* const> drawings, const Surroundings* under) {
  std::vector<PlacedLabels> out(drawings.size());
  struct Asked {
    const Label* label;
    std::size_t drawing;
  };
  std::vector<Asked> all;
  for (std::size_t i = 0; i < drawings.size(); ++i)
    for (const Label& label : drawings[i]->labels) all.push_back({&label, i});
  std::stable_sort(all.begin(), all.end(),
                   [](const Asked& a, const Asked& b) { return a.label->rank < b.label->rank; });
  Labeller labeller(drawings, under);
  for (const Asked& asked : all) {
    PlacedLabels& of = out[asked.drawing];
    PlacedLabels::Count& count = of.counts[static_cast<std::size_t>(asked.label->rank)];
    ++count.asked;
    auto items = labeller.place(*asked.label);
    if (!items) {
      ++count.leftOut;
      continue;
    }
    labeller.take(*asked.label, *items);
    of.items.insert(of.items.end(), std::make_move_iterator(items->begin()), std::make_move_iterator(items->end()));
  }
  return out;
}

PlacedLabels settle(Drawing& drawing) {
  const Drawing* const alone[] = {&drawing};
  PlacedLabels placed = placeLabels(alone).front();
  drawing.items.insert(drawing.items.end(), placed.items.begin(), placed.items.end());
  drawing.labels.clear();
  return placed;
}

}  // namespace mezzet
