// The salon hang: the largest in the middle, the others round it, one gap throughout.
//
// Each frame is thought half a gap larger on every side; frames then hang at the gap just where the larger rectangles
// touch. Every next frame goes where it touches one that hangs there already, beside or over it, and leaves the whole
// smallest in the wished ratio; then frames are taken out and put back while that helps. What is best of some restarts
// with other orders and weights is taken.
#include <algorithm>
#include <array>
#include <cmath>
#include <limits>
#include <numeric>
#include <optional>

#include "core/hang/arrangement.h"

namespace mezzet {
namespace {

/// Frames that hang together face each other by at least this.
constexpr double kLeastFacing = 25;
constexpr double kSalonHair = 1e-7;
/// What the best is chosen by: how far off the wished ratio, and the largest off the middle, cost nothing.
constexpr double kFreeRatio = 0.21, kFreeOff = 0.14;

/// Places nearer to a region's middle than this are much alike: what touches most is taken.
constexpr double kNearEnough = 150;

/// So many are moved about for longer.
constexpr std::size_t kFew = 16;

struct Rect {
  double x = 0, y = 0, w = 0, h = 0;  // lower left, half a gap larger all round
};
struct Weights {
  double off = 0.3, contact = 0.15, other = 0.15, freeOff = 0;
};

double facing(double a, double lengthA, double b, double lengthB) {
  return std::min(a + lengthA, b + lengthB) - std::max(a, b);
}

/// A sloping part of a wall that is to be filled from its middle outward, along its slope.
class Region {
 public:
  explicit Region(const ArrangementAsk& ask) : polygon_(ask.region), taken_(ask.taken) {
    if (polygon_.empty()) return;
    for (const Vec2 p : polygon_) middle_ += p * (1.0 / static_cast<double>(polygon_.size()));
    // The longest edge that is neither upright nor level gives the slope.
    double longest = 0;
    for (std::size_t i = 0; i < polygon_.size(); ++i) {
      const Vec2 edge = polygon_[(i + 1) % polygon_.size()] - polygon_[i];
      if (std::abs(edge.x) < 1 || std::abs(edge.y) < 1 || std::hypot(edge.x, edge.y) <= longest) continue;
      longest = std::hypot(edge.x, edge.y);
      slope_ = edge.y / edge.x;
    }
  }
  [[nodiscard]] bool asked() const { return !polygon_.empty(); }
  /// A frame's own edges, lower left and size.
  [[nodiscard]] bool takes(double x, double y, double w, double h) const {
    for (std::size_t i = 0; i < polygon_.size(); ++i) {
      const Vec2 a = polygon_[i], edge = unit(polygon_[(i + 1) % polygon_.size()] - a);
      for (const Vec2 corner : {Vec2{x, y}, Vec2{x + w, y}, Vec2{x + w, y + h}, Vec2{x, y + h}})
        if (cross(edge, corner - a) < -kSalonHair) return false;
    }
    return std::none_of(taken_.begin(), taken_.end(), [&](const WallRect& r) {
      return x < r.right - kSalonHair && x + w > r.left + kSalonHair && y < r.top - kSalonHair &&
             y + h > r.bottom + kSalonHair;
    });
  }
  /// How far a place is from its middle, along the slope and across it.
  [[nodiscard]] double away(Vec2 p) const {
    const Vec2 off = p - middle_;
    return std::hypot(off.x, 1.6 * (off.y - slope_ * off.x));
  }
  /// The middle for a frame of a size that is nearest to its own; none where nothing takes it.
  [[nodiscard]] std::optional<Vec2> seatFor(double w, double h) const {
    std::optional<Vec2> best;
    Vec2 low{HUGE_VAL, HUGE_VAL}, high{-HUGE_VAL, -HUGE_VAL};
    for (const Vec2 p : polygon_) {
      low = {std::min(low.x, p.x), std::min(low.y, p.y)};
      high = {std::max(high.x, p.x), std::max(high.y, p.y)};
    }
    constexpr int kSteps = 40;
    for (int i = 0; i <= kSteps; ++i)
      for (int j = 0; j <= kSteps; ++j) {
        const Vec2 at{low.x + (high.x - low.x) * i / kSteps, low.y + (high.y - low.y) * j / kSteps};
        if (takes(at.x - w / 2, at.y - h / 2, w, h) && (!best || away(at) < away(*best))) best = at;
      }
    return best;
  }

 private:
  const std::vector<Vec2>& polygon_;
  const std::vector<WallRect>& taken_;
  Vec2 middle_;
  double slope_ = 0;
};

class Salon {
 public:
  Salon(const std::vector<Frame>& frames, double gap, double ratio, const Region& region)
      : gap_(gap), ratio_(ratio), region_(region) {
    for (const Frame& f : frames) rects_.push_back({0, 0, f.width + gap, f.height + gap});
    area_ = std::accumulate(frames.begin(), frames.end(), 0.0,
                            [](double sum, const Frame& f) { return sum + f.width * f.height; });
    // The largest; of equals the smaller id.
    for (std::size_t i = 1; i < frames.size(); ++i) {
      const double a = frames[i].width * frames[i].height, b = frames[largest_].width * frames[largest_].height;
      if (a > b || (a == b && frames[i].id < frames[largest_].id)) largest_ = i;
    }
    if (region_.asked()) seat_ = region_.seatFor(frames[largest_].width, frames[largest_].height);
  }

  /// One way of hanging them; its score, larger is better.
  double hang(Chance& chance, bool plain) {
    const std::size_t n = rects_.size();
    std::vector<std::pair<double, std::size_t>> order;
    const double noise = plain ? 0 : chance.between(0.05, 0.6);
    const bool byArea = plain || chance.unit() < 0.5;
    for (std::size_t i = 0; i < n; ++i) {
      const Rect& r = rects_[i];
      order.emplace_back(-(byArea ? r.w * r.h : std::max(r.w, r.h)) * (1 + noise * (chance.unit() - 0.5)), i);
    }
    std::sort(order.begin(), order.end());
    weights_ = plain ? Weights{}
                     : Weights{chance.between(0.02, 0.8), chance.between(0, 0.4), chance.between(0.05, 1),
                               chance.between(0, 0.14)};
    placed_.clear();
    rects_[largest_].x = rects_[largest_].y = 0;
    if (region_.asked()) {
      Rect& first = rects_[largest_];
      if (!seat_) return -HUGE_VAL;
      first.x = seat_->x - first.w / 2;
      first.y = seat_->y - first.h / 2;
    }
    placed_.push_back(largest_);
    for (const auto& [key, i] : order)
      if (i != largest_) {
        if (!insert(i)) return -HUGE_VAL;
        placed_.push_back(i);
      }
    if (region_.asked()) return -gathered();
    improve(chance);
    return score();
  }
  /// How many were hung before there was no room for the next.
  [[nodiscard]] std::size_t hung() const { return placed_.size(); }

  [[nodiscard]] const std::vector<Rect>& rects() const { return rects_; }
  [[nodiscard]] std::array<double, 4> bounds() const {
    std::array<double, 4> b{HUGE_VAL, HUGE_VAL, -HUGE_VAL, -HUGE_VAL};
    for (const std::size_t i : placed_) widen(b, rects_[i]);
    return b;
  }

 private:
  static void widen(std::array<double, 4>& b, const Rect& r) {
    b = {std::min(b[0], r.x), std::min(b[1], r.y), std::max(b[2], r.x + r.w), std::max(b[3], r.y + r.h)};
  }
  /// What a whole of these bounds costs: the side of the wished shape about it, more the further the largest is off its
  /// middle.
  [[nodiscard]] double cost(const std::array<double, 4>& b) const {
    const double w = b[2] - b[0] - gap_, h = b[3] - b[1] - gap_;
    const Rect& l = rects_[largest_];
    const double offX = std::abs(l.x + l.w / 2 - (b[0] + b[2]) / 2) / w,
                 offY = std::abs(l.y + l.h / 2 - (b[1] + b[3]) / 2) / h;
    const double side = std::max(w / ratio_, h), other = std::min(w / ratio_, h);
    return (side + weights_.other * other) * (1 + weights_.off * std::max({offX, offY, weights_.freeOff}));
  }
  [[nodiscard]] double score() const {
    const auto b = bounds();
    const double w = b[2] - b[0] - gap_, h = b[3] - b[1] - gap_;
    const Rect& l = rects_[largest_];
    const double off =
        std::max(std::abs(l.x + l.w / 2 - (b[0] + b[2]) / 2) / w, std::abs(l.y + l.h / 2 - (b[1] + b[3]) / 2) / h);
    return area_ / (w * h) - 2 * std::max(0.0, std::abs(std::log(w / h / ratio_)) - kFreeRatio) -
           4 * std::max(0.0, off - kFreeOff);
  }
  [[nodiscard]] bool free(const Rect& r, std::size_t without) const {
    return std::none_of(placed_.begin(), placed_.end(), [&](std::size_t i) {
      const Rect& o = rects_[i];
      return i != without && r.x < o.x + o.w - kSalonHair && r.x + r.w > o.x + kSalonHair &&
             r.y < o.y + o.h - kSalonHair && r.y + r.h > o.y + kSalonHair;
    });
  }
  /// How much of its edge touches others.
  [[nodiscard]] double contact(const Rect& r, std::size_t without) const {
    double sum = 0;
    for (const std::size_t i : placed_) {
      if (i == without) continue;
      const Rect& o = rects_[i];
      if (std::abs(r.x - o.x - o.w) < kSalonHair || std::abs(o.x - r.x - r.w) < kSalonHair)
        sum += std::max(0.0, facing(r.y, r.h, o.y, o.h));
      if (std::abs(r.y - o.y - o.h) < kSalonHair || std::abs(o.y - r.y - r.h) < kSalonHair)
        sum += std::max(0.0, facing(r.x, r.w, o.x, o.w));
    }
    return sum / (2 * (r.w + r.h));
  }
  [[nodiscard]] bool hangTogether(const Rect& a, const Rect& b) const {
    const double need = gap_ + std::min({kLeastFacing, a.w - gap_, a.h - gap_, b.w - gap_, b.h - gap_});
    const bool side = std::abs(a.x - b.x - b.w) < kSalonHair || std::abs(b.x - a.x - a.w) < kSalonHair;
    const bool over = std::abs(a.y - b.y - b.h) < kSalonHair || std::abs(b.y - a.y - a.h) < kSalonHair;
    return (side && facing(a.y, a.h, b.y, b.h) >= need - kSalonHair) ||
           (over && facing(a.x, a.w, b.x, b.w) >= need - kSalonHair);
  }

  /// How far all are from the region's middle, by their areas.
  [[nodiscard]] double gathered() const {
    double sum = 0;
    for (const Rect& r : rects_) sum += r.w * r.h * region_.away({r.x + r.w / 2, r.y + r.h / 2});
    return sum / area_;
  }

  /// Puts frame i where it costs least among those placed, itself left out; false where there is no place for it.
  bool insert(std::size_t i) {
    std::array<double, 4> whole{HUGE_VAL, HUGE_VAL, -HUGE_VAL, -HUGE_VAL};
    for (const std::size_t k : placed_)
      if (k != i) widen(whole, rects_[k]);
    Rect r = rects_[i], best = r;
    double least = HUGE_VAL;
    const auto offer = [&](double x, double y) {
      r.x = x;
      r.y = y;
      auto b = whole;
      widen(b, r);
      if (region_.asked() && !region_.takes(x + gap_ / 2, y + gap_ / 2, r.w - gap_, r.h - gap_)) return;
      const double base = region_.asked() ? region_.away({x + r.w / 2, y + r.h / 2}) + kNearEnough : cost(b);
      // No contact makes it cheaper than this.
      if (base * (1 - weights_.contact) >= least || !free(r, i)) return;
      const double all = base * (1 - weights_.contact * contact(r, i));
      if (all < least) {
        least = all;
        best = r;
      }
    };
    for (const std::size_t p : placed_) {
      if (p == i) continue;
      const Rect& o = rects_[p];
      const double need = gap_ + std::min({kLeastFacing, r.w - gap_, r.h - gap_, o.w - gap_, o.h - gap_});
      const auto beside = [&](double y) {
        if (facing(y, r.h, o.y, o.h) < need) return;
        offer(o.x + o.w, y);
        offer(o.x - r.w, y);
      };
      const auto over = [&](double x) {
        if (facing(x, r.w, o.x, o.w) < need) return;
        offer(x, o.y + o.h);
        offer(x, o.y - r.h);
      };
      for (const double share : {0.0, 0.5, 1.0}) {
        beside(o.y + (o.h - r.h) * share);
        over(o.x + (o.w - r.w) * share);
      }
      for (const std::size_t q : placed_) {
        if (q == p || q == i) continue;
        const Rect& t = rects_[q];
        beside(t.y + t.h);
        beside(t.y - r.h);
        over(t.x + t.w);
        over(t.x - r.w);
      }
    }
    if (least < HUGE_VAL) rects_[i] = best;
    return least < HUGE_VAL;
  }

  [[nodiscard]] bool allTied() const {
    std::vector<std::size_t> open{placed_.front()}, left(placed_.begin() + 1, placed_.end());
    while (!open.empty()) {
      const Rect at = rects_[open.back()];
      open.pop_back();
      for (std::size_t k = 0; k < left.size();) {
        if (hangTogether(at, rects_[left[k]])) {
          open.push_back(left[k]);
          left[k] = left.back();
          left.pop_back();
        } else ++k;
      }
    }
    return left.empty();
  }

  /// One frame or two are taken out and put back where that is cheaper, until nothing has helped for a while.
  void improve(Chance& chance) {
    weights_.contact *= 0.3;
    double now = cost(bounds());
    const std::size_t n = placed_.size(), most = n <= kFew ? 4 * n : n;
    for (std::size_t idle = 0; idle < most && n > 2;) {
      const std::size_t i = placed_[chance.below(n)], j = placed_[chance.below(n)];
      ++idle;
      if (i == largest_ || !atEdge(rects_[i])) continue;
      const Rect one = rects_[i], other = rects_[j];
      const bool two = j != i && j != largest_ && chance.unit() < 0.5;
      if (two) std::erase(placed_, j);
      insert(i);
      if (two) {
        placed_.push_back(j);
        insert(j);
      }
      if (const double then = cost(bounds()); then < now - kSalonHair && allTied()) {
        now = then;
        idle = 0;
      } else {
        rects_[i] = one;
        rects_[j] = other;
      }
    }
  }
  [[nodiscard]] bool atEdge(const Rect& r) const {
    const auto b = bounds();
    return r.x <= b[0] + kSalonHair || r.y <= b[1] + kSalonHair || r.x + r.w >= b[2] - kSalonHair ||
           r.y + r.h >= b[3] - kSalonHair;
  }

  double gap_, ratio_, area_ = 0;
  const Region& region_;
  std::optional<Vec2> seat_;  ///< of the largest in the region
  std::size_t largest_ = 0;
  std::vector<Rect> rects_;
  std::vector<std::size_t> placed_;
  Weights weights_;
};

}  // namespace

Arrangement arrangedSalon(const ArrangementAsk& ask, const std::stop_token& stop) {
  Arrangement out;
  const double gap = ask.gap.value_or(kHangGap);
  const double region = ask.roomHeight > 0 ? ask.roomWidth / ask.roomHeight : 1.5;
  const double ratio = ask.ratio.value_or(std::clamp(region, 1.0, 2.0));
  Chance chance(ask.seed);
  const Region area(ask);
  Salon salon(ask.frames, gap, ratio, area);
  std::size_t most = 0;
  double best = -std::numeric_limits<double>::infinity();
  // Few frames are quick, and have few ways that are good.
  const int hangings = ask.frames.size() <= 8 ? 5 : ask.frames.size() <= 11 ? 2 : 1;
  for (int restart = 0; restart < std::max(1, ask.restarts) && (restart == 0 || !stop.stop_requested()); ++restart) {
    ++out.restarts;
    for (int one = 0; one < hangings; ++one) {
      const double score = salon.hang(chance, restart == 0 && one == 0);
      most = std::max(most, salon.hung());
      if (score <= best) continue;
      best = score;
      const auto b = salon.bounds();
      out.width = b[2] - b[0] - gap;
      out.height = b[3] - b[1] - gap;
      out.at = {b[0] + gap / 2, b[1] + gap / 2};
      out.centres.clear();
      for (const Rect& r : salon.rects())
        out.centres.push_back({r.x + r.w / 2 - b[0] - gap / 2, r.y + r.h / 2 - b[1] - gap / 2});
    }
  }
  out.made = !out.centres.empty();
  if (!out.made)
    out.unmet.push_back("Only " + std::to_string(most) + " of " + std::to_string(ask.frames.size()) +
                        " found room there.");
  return out;
}

}  // namespace mezzet
