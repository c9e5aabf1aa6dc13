#include "core/decide/display_set.h"

#include <algorithm>
#include <set>

#include "core/display/boards.h"
#include "core/display/colours.h"
#include "core/display/placing.h"
#include "core/display/setting.h"
#include "core/edit/edits.h"
#include "core/edit/put.h"
#include "core/model/kinds.h"
#include "core/rules/check.h"

namespace mezzet {
namespace {

/// A thing with all that stands on it.
struct Item {
  const Placement* placement = nullptr;
  CarriedPlace like;
  SetThing set;
};

std::vector<Item> itemsOf(const PieceIndex& pieces, const Scheme& scheme, const Display& d, const SetAsk& ask) {
  std::vector<Item> out;
  for (const Placement& p : scheme.placements) {
    const bool named = std::find(ask.things.begin(), ask.things.end(), p.id) != ask.things.end();
    const DisplayedThing* there = d.shown(p.id);
    if (ask.things.empty() ? there == nullptr || there->on != nullptr : !named || p.id.value == ask.carrier) continue;
    const Piece& piece = pieces.of(p);
    Item item;
    item.placement = &p;
    const auto* on = onAnother(p.on);
    if (on != nullptr) item.like = *on;
    else item.like.lie = usualLie(piece);
    const LyingSize size = lyingSize(piece, item.like.lie);
    item.set = {size.x,
                size.y,
                size.z,
                {},
                isBookRun(piece.kind),
                item.like.lie == Lie::Leaning,
                {},
                {},
                massOf(piece).value_or(0)};
    if (const auto colour = readColour(mainColour(piece))) item.set.colour = labOf(*colour);
    item.set.alike = piece.id.value;
    item.set.collection = piece.thing->collection;
    // What stands on it makes it higher.
    if (there != nullptr) {
      item.set.width = there->width();
      item.set.depth = there->back - there->front;
      for (const DisplayedThing& other : d.things)
        if (other.on == &p) item.set.height = std::max(item.set.height, other.top - there->bottom);
      if (p.locked) {
        item.set.lockedIn = there->bay;
        item.set.lockedAt = there->left - d.bays[there->bay].left;
      }
    }
    out.push_back(std::move(item));
  }
  return out;
}

SetProblem problemOf(const Display& d, const std::vector<Item>& items) {
  SetProblem out;
  out.width = d.width;
  for (const Bay& bay : d.bays)
    out.bays.push_back({bay.width(), bay.height().value_or(1e4), bay.depth, bay.left, bay.bottom,
                        d.carrier.foot + bay.bottom > d.eye.height});
  for (const Item& item : items) out.things.push_back(item.set);
  return out;
}

std::string ideaOf(const std::vector<Item>& items, const DisplaySetting& setting, const Display& d) {
  std::set<std::size_t> books, others;
  std::size_t tallest = 0, tallestBay = 0;
  for (std::size_t i = 0; i < items.size(); ++i) {
    if (!setting.at[i].bay) continue;
    (items[i].set.book ? books : others).insert(*setting.at[i].bay);
    if (items[i].set.height > items[tallest].set.height || !setting.at[tallest].bay) tallest = i;
  }
  if (!items.empty() && setting.at[tallest].bay) tallestBay = *setting.at[tallest].bay;
  std::string out;
  if (!books.empty())
    out = "Books in " + std::to_string(books.size()) + (books.size() == 1 ? " bay" : " bays") + ", other things in " +
          std::to_string(others.size());
  else out = "Things in " + std::to_string(others.size()) + (others.size() == 1 ? " bay" : " bays");
  if (d.bays.size() > 1) out += "; the tallest on shelf " + d.bays[tallestBay].id;
  return out + ".";
}

SetOffer offerOf(const Job& job, const Rulebook& book, const Scheme& scheme, const Display& d, const SetAsk& ask,
                 const std::vector<Item>& items, const DisplaySetting& setting, LengthFormat format) {
  SetOffer out;
  out.score = setting.score;
  out.idea = ideaOf(items, setting, d);
  Scheme changed = scheme;
  for (std::size_t i = 0; i < items.size(); ++i) {
    const SetAt& at = setting.at[i];
    if (!at.bay) {
      out.left.push_back(items[i].placement->id);
      continue;
    }
    if (items[i].set.lockedIn) {
      out.placements.push_back(*items[i].placement);
      continue;
    }
    const Bay& bay = d.bays[*at.bay];
    Placement moved = *items[i].placement;
    moved.on = placeOn(d, *at.bay, bay.left + at.left + items[i].set.width / 2,
                       bay.front + at.front + items[i].set.depth / 2, items[i].like);
    putValue(changed.placements, moved);
    out.placements.push_back(std::move(moved));
  }
  out.job = withScheme(job, std::move(changed));
  for (const PlacementId& id : out.left) out.job = withoutPlacement(out.job, ask.scheme, id);
  const View view = displayView(ask.carrier);
  for (const Finding& f : check(out.job, book, ask.scheme, format, kEveryDay))
    if (f.view == view && f.verdict == Verdict::Breaks) ++(f.weight == Weight::Taste ? out.taste : out.rule);
  return out;
}

}  // namespace

std::vector<SetOffer> setDisplay(const Job& job, const Rulebook& book, const SetAsk& ask, LengthFormat format,
                                 std::stop_token stop, const std::function<void(double)>& progress) {
  const Scheme* scheme = findScheme(job, ask.scheme);
  if (scheme == nullptr) return {};
  const PieceIndex pieces(job);
  const auto d = displayOf(job, pieces, roomOf(job, *scheme), *scheme, ask.carrier);
  if (!d) return {};
  const std::vector<Item> items = itemsOf(pieces, *scheme, *d, ask);
  if (items.empty()) return {};
  std::vector<SetOffer> out;
  for (const DisplaySetting& setting : settingsOf(problemOf(*d, items), ask.seed, ask.count, stop, progress))
    out.push_back(offerOf(job, book, *scheme, *d, ask, items, setting, format));
  std::stable_sort(out.begin(), out.end(), [](const SetOffer& a, const SetOffer& b) {
    return std::pair(a.rule + static_cast<int>(a.left.size()), a.score) <
           std::pair(b.rule + static_cast<int>(b.left.size()), b.score);
  });
  return out;
}

}  // namespace mezzet
