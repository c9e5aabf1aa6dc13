// What a sheet shows: what stands still, what moves over it, and the words of both, placed together.
#pragma once

#include <functional>
#include <optional>

#include "core/drawing/labels/labels.h"

namespace mezzet {

class SheetContent {
 public:
  using Compose = std::function<Drawing()>;
  explicit SheetContent(Compose composeStill) : compose_(std::move(composeStill)) {}

  /// What stands still is composed anew when it is next asked for.
  void outdate() { outdated_ = true; }
  /// What moves has changed. While something is in the hand, words that stand still keep their places, and those that
  /// move find theirs among them.
  void show(Drawing moving, bool inHand);

  [[nodiscard]] const Drawing& still();                        ///< without its words
  [[nodiscard]] const Drawing& words();                        ///< those of what stands still
  [[nodiscard]] int wordsEdition() const { return edition_; }  ///< another number whenever they have changed
  [[nodiscard]] const Drawing& moving();                       ///< with its words

 private:
  void composeStill();
  void place();
  void putMoving(PlacedLabels);

  Compose compose_;
  bool outdated_ = true, placed_ = false, inHand_ = false;
  int edition_ = 0;
  Drawing still_, asked_;                                  ///< `asked_` holds the labels of what stands still
  std::optional<Surroundings> stillAround_, wordsAround_;  ///< the second over the first
  Drawing words_;
  Drawing moving_;
  std::vector<Label> movingAsked_;
  std::size_t movingItems_ = 0;
};

}  // namespace mezzet
