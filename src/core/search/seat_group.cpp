#include "core/search/seat_group.h"

#include <algorithm>

namespace mezzet {
namespace {

constexpr double kReach = 16 * kInch;        // a table before a seat, in every school's ideal
constexpr double kBeside = 2 * kInch;        // a side table from an arm
constexpr double kBetweenSeats = 8 * kInch;  // two chairs side by side, a cup's width

class GroupLayer {
 public:
  GroupLayer(const Ground& ground, const Layout& layout, Chance& chance) : g_(ground), l_(layout), chance_(chance) {}

  std::vector<InGroup> lay(SeatPattern pattern) {
    const Piece* table = g_.lowTables.empty() ? nullptr : &g_.piece(l_, g_.lowTables.front());
    half_ = table != nullptr ? Vec2{table->width / 2, depthOf(*table) / 2} : Vec2{18 * kInch, 12 * kInch};
    if (table != nullptr) {
      // Its length runs along the main seat.
      out_.push_back({g_.lowTables.front(), {}, 90});
    }
    std::vector<std::size_t> seats = g_.seats;
    if (seats.empty()) return out_;
    atSide(seats.front(), 0, 0);
    main_ = seats.front();
    seats.erase(seats.begin());
    spread(seats, pattern);
    besideSeats();
    return out_;
  }

 private:
  /// On side 0 (below, looking up), 1 right, 2 above, 3 left; `shift` along that side.
  void atSide(std::size_t movable, int side, double shift) {
    const Piece& p = g_.piece(l_, movable);
    const double off = kReach + depthOf(p) / 2;
    switch (side) {
      case 0: out_.push_back({movable, {shift, -half_.y - off}, 90}); break;
      case 1: out_.push_back({movable, {half_.x + off, shift}, 180}); break;
      case 2: out_.push_back({movable, {shift, half_.y + off}, 270}); break;
      default: out_.push_back({movable, {-half_.x - off, shift}, 0}); break;
    }
  }
  /// Seats side by side along one side of the table.
  void row(const std::vector<std::size_t>& seats, int side) {
    double total = -kBetweenSeats;
    for (const std::size_t i : seats) total += g_.piece(l_, i).width + kBetweenSeats;
    double from = -total / 2;
    for (const std::size_t i : seats) {
      const double width = g_.piece(l_, i).width;
      atSide(i, side, from + width / 2);
      from += width + kBetweenSeats;
    }
  }
  void spread(const std::vector<std::size_t>& seats, SeatPattern pattern) {
    std::vector<std::size_t> right, above, left;
    const bool mirrored = chance_.may(0.5);
    for (std::size_t i = 0; i < seats.size(); ++i) switch (pattern) {
        case SeatPattern::Facing: (i < 3 ? above : right).push_back(seats[i]); break;
        case SeatPattern::Corner: (i == 0 ? right : above).push_back(seats[i]); break;
        case SeatPattern::Horseshoe: (i % 3 == 0 ? right : i % 3 == 1 ? left : above).push_back(seats[i]); break;
        case SeatPattern::Side: (i < 2 ? right : left).push_back(seats[i]); break;
      }
    row(mirrored ? left : right, 1);
    row(above, 2);
    row(mirrored ? right : left, 3);
  }
  /// Side tables and lamps at arms, rugs under the middle.
  void besideSeats() {
    const Piece& main = g_.piece(l_, main_);
    const Vec2 seat = out_[g_.lowTables.empty() ? 0 : 1].at;
    double side = chance_.may(0.5) ? 1 : -1;
    double reach[2] = {main.width / 2, main.width / 2};  // of what stands beside it, right and left
    const auto beside = [&](std::size_t i, double gap) {
      const Piece& p = g_.piece(l_, i);
      double& at = reach[side > 0 ? 0 : 1];
      out_.push_back({i, seat + Vec2{side * (at + gap + p.width / 2), -(depthOf(main) - depthOf(p)) / 2}, 90});
      at += gap + p.width;
      side = -side;
    };
    for (std::size_t i = 0; i < g_.sideTables.size() && i < 2; ++i) beside(g_.sideTables[i], kBeside);
    for (std::size_t i = 0; i < g_.lamps.size() && i < 2; ++i) beside(g_.lamps[i], kBeside);
    for (std::size_t i = 1; i < g_.lowTables.size(); ++i) {
      const Piece& p = g_.piece(l_, g_.lowTables[i]);
      out_.push_back({g_.lowTables[i], {half_.x + kBeside + p.width / 2, 0}, 90});
    }
    if (!g_.rugs.empty()) {
      const Piece& rug = g_.piece(l_, g_.rugs.front());
      const bool turned = depthOf(rug) > rug.width;
      // The seats' front feet stand on it.
      out_.push_back({g_.rugs.front(), {0, 0}, turned ? 0.0 : 90.0});
    }
  }

  const Ground& g_;
  const Layout& l_;
  Chance& chance_;
  std::vector<InGroup> out_;
  Vec2 half_;
  std::size_t main_ = 0;
};

}  // namespace

std::vector<InGroup> seatGroup(const Ground& ground, const Layout& layout, SeatPattern pattern, Chance& chance) {
  return GroupLayer(ground, layout, chance).lay(pattern);
}

}  // namespace mezzet
