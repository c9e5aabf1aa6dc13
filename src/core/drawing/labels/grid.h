// Which of many boxes come near another: by the cells of a grid that they lie in.
#pragma once

#include <algorithm>
#include <cstdint>
#include <vector>

#include "core/geometry/convex.h"

namespace mezzet {

class BoxGrid {
 public:
  BoxGrid() = default;
  /// What lies outside `area` is kept in its outermost cells.
  BoxGrid(const Box& area, double cell) : low_(area.low), cell_(cell) {
    const auto along = [&](double length) {
      return static_cast<std::size_t>(std::clamp(length / cell, 1.0, static_cast<double>(kMostCells)));
    };
    across_ = along(area.high.x - area.low.x);
    upright_ = along(area.high.y - area.low.y);
    cells_.resize(across_ * upright_);
  }
  void add(const Box& box, std::uint32_t index) {
    each(box, [&](std::size_t cell) {
      cells_[cell].push_back(index);
      return true;
    });
    if (index >= asked_.size()) asked_.resize(index + 1, 0);
  }
  /// Calls `look(index)` once for each whose cells the box shares, until it returns false.
  template <class Look>
  void near(const Box& box, Look look) const {
    ++question_;
    each(box, [&](std::size_t cell) {
      for (const std::uint32_t i : cells_[cell]) {
        if (asked_[i] == question_) continue;
        asked_[i] = question_;
        if (!look(i)) return false;
      }
      return true;
    });
  }

 private:
  static constexpr std::size_t kMostCells = 96;

  template <class Visit>
  void each(const Box& box, Visit visit) const {
    if (cells_.empty()) return;
    const auto at = [&](double v, double from, std::size_t count) {
      return static_cast<std::size_t>(std::clamp((v - from) / cell_, 0.0, static_cast<double>(count - 1)));
    };
    const std::size_t left = at(box.low.x, low_.x, across_), right = at(box.high.x, low_.x, across_),
                      bottom = at(box.low.y, low_.y, upright_), top = at(box.high.y, low_.y, upright_);
    for (std::size_t y = bottom; y <= top; ++y)
      for (std::size_t x = left; x <= right; ++x)
        if (!visit(y * across_ + x)) return;
  }

  Vec2 low_{};
  double cell_ = 1;
  std::size_t across_ = 0, upright_ = 0;
  std::vector<std::vector<std::uint32_t>> cells_;
  mutable std::vector<std::uint32_t> asked_;
  mutable std::uint32_t question_ = 0;
};

}  // namespace mezzet
