// The search behind core/display/setting: one annealing over the rows of all bays. Only for setting.cpp.
#pragma once

#include <algorithm>
#include <bit>
#include <cmath>
#include <cstdint>
#include <map>
#include <numeric>
#include <random>

#include "core/display/setting.h"

namespace mezzet::setting {

inline constexpr int kRounds = 30'000, kStarts = 3;
inline constexpr double kSlack = 0.01;
// What a fault costs [D]: what does not fit outweighs all taste together.
inline constexpr double kTouches = 0.5, kTooLong = 500, kAlike = 2;  // mm; and of a bay a thing had before
inline constexpr double kLeftOut = 400, kPerMmOver = 5, kFill = 40, kLoneLow = 10, kRun = 6, kSpread = 6, kHeavy = 4,
                        kUneven = 12, kMiddle = 2, kBalance = 10;
inline constexpr int kSpreadBays = 3;
inline constexpr double kHot = 30, kCold = 0.01;  // of the annealing, in cost
inline constexpr double kFillLow = 0.6, kFillHigh = 0.9, kLow = 0.35;

inline constexpr std::size_t kOut = static_cast<std::size_t>(-1);
using Row = std::vector<std::size_t>;

/// Of one bay by itself, and what it adds to what all bays share.
struct BayCost {
  double cost = 0, faces = 0, moment = 0;
  std::uint64_t collections = 0;  // one bit each
};

/// Colours that lie within a family share a number.
inline void nameFamilies(SetProblem& p) {
  std::vector<Lab> families;
  for (SetThing& t : p.things) {
    if (!t.colour) continue;
    std::size_t f = 0;
    while (f < families.size() && deltaE00(families[f], *t.colour) > kColourFamily) ++f;
    if (f == families.size()) families.push_back(*t.colour);
    t.family = static_cast<int>(f);
  }
}

struct State {
  std::vector<Row> rows;  // what stands side by side in each bay, leaning things too
  Row out;
};

class Search {
 public:
  explicit Search(const SetProblem& problem) : p_(problem) {}

  [[nodiscard]] bool mayStand(std::size_t thing, std::size_t bay) const {
    const SetThing& t = p_.things[thing];
    const SetBay& b = p_.bays[bay];
    return t.height <= b.height + kSlack && t.depth <= b.depth + kMayStandOut + kSlack && t.width <= b.width + kSlack;
  }

  [[nodiscard]] double widthOf(const Row& row) const {
    double sum = 0;
    for (const std::size_t i : row)
      if (!p_.things[i].leans) sum += p_.things[i].width;
    return sum;
  }

  /// How far a row is too long for its bay, stretch by stretch between what is locked there.
  [[nodiscard]] double overOf(const Row& row, const SetBay& bay) const {
    double from = 0, used = 0, over = 0;
    for (const std::size_t i : row) {
      const SetThing& t = p_.things[i];
      if (t.leans) continue;
      if (!t.lockedIn) {
        used += t.width;
        continue;
      }
      over += std::max(0.0, used - (t.lockedAt - from));
      from = t.lockedAt + t.width;
      used = 0;
    }
    return over + std::max(0.0, used - (bay.width - from));
  }

  /// Side by side from `from` in `room`: books close up, what is left is shared among the spaces beside other things.
  void layStretch(const Row& side, double from, double room, std::map<std::size_t, double>& lefts) const {
    const auto book = [&](std::size_t k) { return p_.things[side[k]].book; };
    std::vector<bool> elastic(side.size() + 1, false);
    for (std::size_t k = 0; k <= side.size(); ++k)
      elastic[k] = !side.empty() && (k == 0 ? !book(0) : k == side.size() ? !book(k - 1) : !(book(k - 1) && book(k)));
    const auto spaces = static_cast<double>(std::count(elastic.begin(), elastic.end(), true));
    const double space = spaces > 0 ? std::max(0.0, room - widthOf(side)) / spaces : 0;
    for (std::size_t k = 0; k < side.size(); ++k) {
      if (elastic[k]) from += space;
      lefts[side[k]] = from;
      from += p_.things[side[k]].width;
    }
  }

  /// Lefts of a row in its bay; leaning things in its middle.
  [[nodiscard]] std::vector<double> leftsOf(const Row& row, const SetBay& bay) const {
    std::map<std::size_t, double> lefts;
    Row stretch;
    double from = 0;
    for (const std::size_t i : row) {
      const SetThing& t = p_.things[i];
      if (t.leans) continue;
      if (!t.lockedIn) {
        stretch.push_back(i);
        continue;
      }
      layStretch(stretch, from, t.lockedAt - from, lefts);
      stretch.clear();
      lefts[i] = t.lockedAt;
      from = t.lockedAt + t.width;
    }
    layStretch(stretch, from, bay.width - from, lefts);
    std::vector<double> out;
    for (const std::size_t i : row) out.push_back(p_.things[i].leans ? (bay.width - p_.things[i].width) / 2 : lefts[i]);
    return out;
  }

  [[nodiscard]] BayCost costOf(const Row& row, std::size_t bayIndex) const {
    const SetBay& bay = p_.bays[bayIndex];
    BayCost out;
    double tallest = 0;
    const double used = widthOf(row);
    // Too long is worse than left out: what does not fit does not stand there.
    if (const double over = overOf(row, bay); over > kTouches) out.cost += kTooLong + kPerMmOver * over;
    int leaning = 0, runs = 0, lastFamily = -1;
    std::uint64_t families = 0;
    double along = 0;
    for (const std::size_t i : row) {
      const SetThing& t = p_.things[i];
      tallest = std::max(tallest, t.height);
      for (const auto& other : avoided_) out.cost += other[i] == bayIndex ? kAlike : 0;
      leaning += t.leans;
      if (t.book && t.family >= 0) {
        if (t.family != lastFamily) ++runs;
        lastFamily = t.family;
        families |= std::uint64_t{1} << (t.family % 64);
      }
      if (collectionOf_[i] >= 0) out.collections |= std::uint64_t{1} << (collectionOf_[i] % 64);
      const double middle = t.leans ? bay.width / 2 : along + t.width / 2, face = t.width * t.height;
      out.faces += face;
      out.moment += face * (bay.left + middle - p_.width / 2);
      if (t.leans) continue;
      // Tall at the sides, low in the middle; heavy low.
      const double from = std::abs(middle / std::max(1.0, used) - 0.5);
      out.cost += kMiddle * (0.5 - from) * t.height / std::max(1.0, bay.height);
      if (mass_ > 0) out.cost += kHeavy * t.mass / mass_ * bay.bottom / std::max(1.0, highest_);
      along += t.width;
    }
    if (leaning > 1) out.cost += kLeftOut * (leaning - 1);
    const double fill = bay.height > 0 ? tallest / bay.height : 0;
    if (fill < kFillLow) out.cost += kFill * (kFillLow - fill);
    if (fill > kFillHigh) out.cost += kFill * (fill - kFillHigh);
    if (bay.aboveEye && fill < kLow && !row.empty()) out.cost += kLoneLow;
    out.cost += kRun * (runs - std::popcount(families));
    const double uneven = used / std::max(1.0, bay.width) - mean_;
    out.cost += kUneven * uneven * uneven;
    return out;
  }

  /// Of all bays together: collections spread, left against right, what was left out.
  [[nodiscard]] double wholeOf(const std::vector<BayCost>& bays, const Row& out) const {
    double cost = kLeftOut * static_cast<double>(out.size()), faces = 0, moment = 0;
    for (const BayCost& b : bays) cost += b.cost, faces += b.faces, moment += b.moment;
    for (std::size_t c = 0; c < collections_.size(); ++c) {
      const auto bit = std::uint64_t{1} << (c % 64);
      const auto in =
          std::count_if(bays.begin(), bays.end(), [&](const BayCost& b) { return (b.collections & bit) != 0; });
      const int want = std::min({collections_[c], kSpreadBays, static_cast<int>(bays.size())});
      cost += kSpread * std::max(0, want - static_cast<int>(in));
    }
    if (faces > 0 && p_.width > 0) cost += kBalance * std::abs(moment / (faces * p_.width / 2));
    return cost;
  }

  /// From here on settings with things in the bays they have in this one cost more: another idea is looked for.
  void avoid(const DisplaySetting& setting) {
    std::vector<std::size_t> bays;
    for (const SetAt& at : setting.at) bays.push_back(at.bay.value_or(kOut));
    avoided_.push_back(std::move(bays));
  }

  void prepare() {
    double widths = 0, room = 0;
    for (const SetThing& t : p_.things) mass_ += t.mass, widths += t.leans ? 0 : t.width;
    for (const SetBay& b : p_.bays) room += b.width, highest_ = std::max(highest_, b.bottom);
    mean_ = room > 0 ? std::min(1.0, widths / room) : 0;
    std::map<std::string, int> numbers;
    for (const SetThing& t : p_.things) {
      int number = -1;
      if (!t.collection.empty()) {
        number = numbers.emplace(t.collection, static_cast<int>(numbers.size())).first->second;
        collections_.resize(numbers.size(), 0);
        ++collections_[static_cast<std::size_t>(number)];
      }
      collectionOf_.push_back(number);
    }
  }

  [[nodiscard]] std::vector<BayCost> costsOf(const State& s) const {
    std::vector<BayCost> out;
    for (std::size_t b = 0; b < s.rows.size(); ++b) out.push_back(costOf(s.rows[b], b));
    return out;
  }
  [[nodiscard]] double whole(const State& s) const { return wholeOf(costsOf(s), s.out); }

  /// The tallest first, into the lowest bay that takes it.
  [[nodiscard]] State greedy(const std::vector<std::size_t>& order) const {
    State s;
    s.rows.resize(p_.bays.size());
    std::vector<std::size_t> bays(p_.bays.size());
    std::iota(bays.begin(), bays.end(), std::size_t{0});
    std::stable_sort(bays.begin(), bays.end(), [&](auto a, auto b) { return p_.bays[a].height < p_.bays[b].height; });
    for (const std::size_t i : order)
      if (p_.things[i].lockedIn) s.rows[*p_.things[i].lockedIn].push_back(i);
    for (const std::size_t i : order) {
      if (p_.things[i].lockedIn) continue;
      const auto takes = [&](std::size_t b) {
        const bool picture = p_.things[i].leans;
        const bool free = picture ? std::none_of(s.rows[b].begin(), s.rows[b].end(),
                                                 [&](std::size_t k) { return p_.things[k].leans; })
                                  : widthOf(s.rows[b]) + p_.things[i].width <= p_.bays[b].width + kSlack;
        return mayStand(i, b) && free;
      };
      const auto at = std::find_if(bays.begin(), bays.end(), takes);
      if (at == bays.end()) s.out.push_back(i);
      else s.rows[*at].push_back(i);
    }
    return s;
  }

  [[nodiscard]] std::vector<std::size_t> tallestOrder() const {
    std::vector<std::size_t> order(p_.things.size());
    std::iota(order.begin(), order.end(), std::size_t{0});
    std::stable_sort(order.begin(), order.end(),
                     [&](auto a, auto b) { return p_.things[a].height > p_.things[b].height; });
    return order;
  }

  /// Anneals: a thing into another bay, two exchanged, or a row in another order.
  State anneal(State now, std::mt19937_64& random, const std::stop_token& stop) const {
    const auto below = [&](std::size_t n) { return static_cast<std::size_t>(random() % n); };
    const auto share = [&] {
      return static_cast<double>(random() >> 11) / static_cast<double>(std::uint64_t{1} << 53);
    };
    if (p_.things.empty() || p_.bays.empty()) return now;
    std::vector<BayCost> costs = costsOf(now);
    double cost = wholeOf(costs, now.out), bestCost = cost;
    State best = now;
    for (int round = 0; round < kRounds && !stop.stop_requested(); ++round) {
      const double heat = kHot * std::pow(kCold / kHot, static_cast<double>(round) / kRounds);
      const auto touched = change(now, below);
      if (!touched) continue;
      for (const Before& b : *touched)
        if (b.bay != kOut) costs[b.bay] = costOf(now.rows[b.bay], b.bay);
      const double there = wholeOf(costs, now.out);
      if (there <= cost || share() < std::exp((cost - there) / heat)) {
        cost = there;
        if (cost < bestCost - 1e-9) best = now, bestCost = cost;
        continue;
      }
      for (const Before& b : *touched) {
        (b.bay == kOut ? now.out : now.rows[b.bay]) = b.row;
        if (b.bay != kOut) costs[b.bay] = costOf(b.row, b.bay);
      }
    }
    return best;
  }

  [[nodiscard]] DisplaySetting settingOf(const State& s) const {
    DisplaySetting out;
    out.at.resize(p_.things.size());
    for (std::size_t b = 0; b < s.rows.size(); ++b) {
      const auto lefts = leftsOf(s.rows[b], p_.bays[b]);
      std::map<std::string, int> alike;
      for (std::size_t k = 0; k < s.rows[b].size(); ++k) {
        const SetThing& t = p_.things[s.rows[b][k]];
        const double room = p_.bays[b].depth - t.depth;
        double front = t.leans ? std::max(0.0, room) : std::min(kBehindEdge, std::max(room, -kMayStandOut));
        if (!t.leans && !t.alike.empty() && alike[t.alike]++ % 2 == 1)
          front = std::min(front + kStagger, std::max(room, front));
        out.at[s.rows[b][k]] = {b, t.lockedIn ? t.lockedAt : lefts[k], front};
      }
    }
    out.score = whole(s);
    return out;
  }

  /// With the row of one bay the other way round, the first that is `wanted`; none where no row has two to exchange.
  template <class Wanted>
  [[nodiscard]] std::optional<DisplaySetting> turned(const DisplaySetting& setting, Wanted wanted) const {
    const State state = stateOf(setting);
    for (std::size_t b = 0; b < state.rows.size(); ++b) {
      const Row& row = state.rows[b];
      if (row.size() < 2 || std::any_of(row.begin(), row.end(), [&](auto i) { return p_.things[i].lockedIn; }))
        continue;
      State other = state;
      std::reverse(other.rows[b].begin(), other.rows[b].end());
      if (DisplaySetting found = settingOf(other); wanted(found)) return found;
    }
    return std::nullopt;
  }

  /// The row of each bay from the places of its things.
  [[nodiscard]] State stateOf(const DisplaySetting& setting) const {
    State s;
    s.rows.resize(p_.bays.size());
    for (std::size_t i = 0; i < p_.things.size(); ++i)
      if (const auto& bay = setting.at[i].bay) s.rows[*bay].push_back(i);
      else s.out.push_back(i);
    for (Row& row : s.rows)
      std::stable_sort(row.begin(), row.end(), [&](auto a, auto b) { return setting.at[a].left < setting.at[b].left; });
    return s;
  }

 private:
  /// A row before it was changed; kOut: what was left out.
  struct Before {
    std::size_t bay = 0;
    Row row;
  };
  /// Makes one change, and says which rows were otherwise; none where it cannot be made.
  template <class Below>
  std::optional<std::vector<Before>> change(State& s, const Below& below) const {
    const auto rowOf = [&](std::size_t bay) -> Row& { return bay == kOut ? s.out : s.rows[bay]; };
    // Where a thing is.
    const auto find = [&](std::size_t thing) -> std::pair<std::size_t, std::size_t> {
      for (std::size_t b = 0; b < s.rows.size(); ++b)
        for (std::size_t k = 0; k < s.rows[b].size(); ++k)
          if (s.rows[b][k] == thing) return {b, k};
      return {kOut, static_cast<std::size_t>(std::find(s.out.begin(), s.out.end(), thing) - s.out.begin())};
    };
    const std::size_t one = below(p_.things.size());
    if (p_.things[one].lockedIn) return std::nullopt;
    const auto [bay, at] = find(one);
    const std::size_t what = below(3);
    if (what == 0) {  // into another bay, somewhere in its row
      const std::size_t to = below(p_.bays.size());
      if (to == bay || !mayStand(one, to)) return std::nullopt;
      std::vector<Before> before{{bay, rowOf(bay)}, {to, rowOf(to)}};
      rowOf(bay).erase(rowOf(bay).begin() + static_cast<std::ptrdiff_t>(at));
      Row& row = rowOf(to);
      row.insert(row.begin() + static_cast<std::ptrdiff_t>(below(row.size() + 1)), one);
      return before;
    }
    if (what == 1) {  // exchanged with another
      const std::size_t two = below(p_.things.size());
      if (two == one || p_.things[two].lockedIn) return std::nullopt;
      const auto [bay2, at2] = find(two);
      if ((bay == kOut && bay2 == kOut) || (bay2 != kOut && !mayStand(one, bay2)) ||
          (bay != kOut && !mayStand(two, bay)))
        return std::nullopt;
      std::vector<Before> before{{bay, rowOf(bay)}};
      if (bay2 != bay) before.push_back({bay2, rowOf(bay2)});
      std::swap(rowOf(bay)[at], rowOf(bay2)[at2]);
      return before;
    }
    if (bay == kOut || rowOf(bay).size() < 2) return std::nullopt;
    std::vector<Before> before{{bay, rowOf(bay)}};
    std::swap(rowOf(bay)[at], rowOf(bay)[below(rowOf(bay).size())]);
    return before;
  }

  const SetProblem& p_;
  double mass_ = 0, mean_ = 0, highest_ = 0;
  std::vector<std::vector<std::size_t>> avoided_;  // bays of things in settings found before
  std::vector<int> collectionOf_;                  // of each thing: a number, or -1
  std::vector<int> collections_;                   // how many things each has
};

}  // namespace mezzet::setting
