#include "app/view/sheet_content.h"

#include <algorithm>
#include <array>
#include <iterator>
#include <utility>

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
  // What has just been taken into the hand leaves no words behind; the others keep their places.
  if (inHand_ && std::erase_if(words_.items, [&](const Item& item) {
                   return !item.id.empty() && std::none_of(asked_.labels.begin(), asked_.labels.end(),
                                                           [&](const Label& label) { return label.id == item.id; });
                 }) > 0)
    ++edition_;
  const std::array<const Drawing*, 1> alone{&still_};
  wordsAround_.reset();
  stillAround_.emplace(alone);
  placed_ = false;
}

void SheetContent::place() {
  const bool keep = inHand_ && !outdated_ && !words_.items.empty();
  composeStill();
  if (std::exchange(placed_, true)) return;
  moving_.items.resize(movingItems_);
  moving_.labels = movingAsked_;
  if (keep) {
    // In the hand only what moves is placed, over what was placed before.
    if (!wordsAround_) wordsAround_.emplace(std::array<const Drawing*, 1>{&words_}, &*stillAround_);
    const std::array<const Drawing*, 1> alone{&moving_};
    return putMoving(std::move(placeLabels(alone, &*wordsAround_).front()));
  }
  const std::array<const Drawing*, 2> both{&asked_, &moving_};
  std::vector<PlacedLabels> placed = placeLabels(both, &*stillAround_);
  if (words_.items != placed[0].items) {
    words_.items = std::move(placed[0].items);
    wordsAround_.reset();
    ++edition_;
  }
  putMoving(std::move(placed[1]));
}

void SheetContent::putMoving(PlacedLabels placed) {
  moving_.labels.clear();
  moving_.items.insert(moving_.items.end(), std::make_move_iterator(placed.items.begin()),
                       std::make_move_iterator(placed.items.end()));
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
