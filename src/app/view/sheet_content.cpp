#include "app/view/sheet_content.h"

#include <array>
#include <iterator>
#include <utility>

#include "core/drawing/labels/labels.h"

namespace mezzet {

void SheetContent::show(Drawing moving, bool inHand) {
  moving_ = std::move(moving);
  movingItems_ = moving_.items.size();
  movingAsked_ = std::exchange(moving_.labels, {});
  inHand_ = inHand;
  placed_ = false;
}

void SheetContent::composeStill() {
  if (!std::exchange(outdated_, false)) return;
  still_ = compose_();
  asked_ = Drawing{still_.scale, still_.low, still_.high, {}, std::exchange(still_.labels, {})};
  words_.scale = still_.scale;
  placed_ = false;
}

void SheetContent::place() {
  const bool keep = inHand_ && !outdated_ && !words_.items.empty();
  composeStill();
  if (std::exchange(placed_, true)) return;
  moving_.items.resize(movingItems_);
  moving_.labels = movingAsked_;
  const std::array<const Drawing*, 3> all{&still_, keep ? &words_ : &asked_, &moving_};
  std::vector<PlacedLabels> placed = placeLabels(all);
  if (!keep && words_.items != placed[1].items) {
    words_.items = std::move(placed[1].items);
    ++edition_;
  }
  moving_.labels.clear();
  moving_.items.insert(moving_.items.end(), std::make_move_iterator(placed[2].items.begin()),
                       std::make_move_iterator(placed[2].items.end()));
}

const Drawing& SheetContent::still() {
  composeStill();
  return still_;
}

const Drawing& SheetContent::words() {
  place();
  return words_;
}

const Drawing& SheetContent::moving() {
  place();
  return moving_;
}

}  // namespace mezzet
