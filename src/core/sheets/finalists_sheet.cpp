// What is still to be chosen, for the owner: the finalists of each place with picture, size and price, and what was
// felt of them.
#include <algorithm>

#include "core/choose/budget.h"
#include "core/drawing/base/drafting.h"
#include "core/drawing/plan/plan.h"
#include "core/model/kinds.h"
#include "core/rules/base/names.h"
#include "core/sheets/flow.h"

namespace mezzet {
namespace {

constexpr int kAcross = 3;
constexpr double kCardGap = 6, kCardPicture = 42, kCardWords = 17;  // mm of paper

std::vector<const Candidate*> stillThought(const Placement& p) {
  std::vector<const Candidate*> out;
  for (const Candidate& c : p.candidates)
    if (isInTheRunning(c)) out.push_back(&c);
  return out;
}

void addCard(Flow& flow, const SheetSource& s, const Candidate& c, double x, double wide) {
  const Piece& piece = *findPiece(s.job, c.piece);
  const double deep =
      isSeenUpright(piece.kind) ? piece.height.value_or(piece.width) : piece.depth.value_or(piece.width);
  const double k = std::min(wide / piece.width, kCardPicture / deep);
  const double w = piece.width * k, h = deep * k;
  const Vec2 low{x + (wide - w) / 2, flow.y() - kCardPicture + (kCardPicture - h) / 2}, high = low + Vec2{w, h};
  Drawing& d = flow.drawing();
  if (!piece.image.empty()) d.add(Layer::Picture, "", ImageItem{low, high, piece.image});
  else if (!isSeenUpright(piece.kind)) {
    Drawing one;
    one.scale = 1 / k;
    one.low = Vec2{piece.width, deep} * -0.5;
    one.high = Vec2{piece.width, deep} * 0.5;
    addPiece(one, piece, {{0, 0}, 0}, {}, "", s.request.format);
    one.labels.clear();
    toPaper(one, low);
    append(d, std::move(one));
  }
  d.add(Layer::Furniture, "", rectangle(low, high, Ink::None, {Ink::Ink, kFurnitureLine, Dash::Solid}));
  LengthFormat bare = s.request.format;
  bare.withUnit = false;
  double y = flow.y() - kCardPicture - 4;
  const auto say = [&](const std::string& words, Ink ink = Ink::Ink) {
    if (words.empty()) return;
    addSheetText(d, {x, y}, fittedText(words, wide), kSmallLetters, ink);
    y -= 4.2;
  };
  say(piece.name + (c.state == CandidateState::Chosen ? " (chosen)" : ""));
  say(writeLength(piece.width, bare) + " x " + writeLength(deep, s.request.format) +
          (piece.shop->price ? ", " + moneyText(s.job, *piece.shop->price) : std::string()),
      Ink::Quiet);
  say(!c.note.empty() ? c.note : c.why);
}

std::vector<Sheet> finalistPages(const SheetSource& s) {
  Flow flow(s, "Finalists");
  bool any = false;
  if (s.scheme != nullptr) {
    const SchemeNames names(s.job, *s.scheme);
    const double wide = (flow.wide() - (kAcross - 1) * kCardGap) / kAcross;
    for (const Placement& p : s.scheme->placements) {
      const std::vector<const Candidate*> all = stillThought(p);
      if (all.size() < 2) continue;
      any = true;
      flow.need(kCardPicture + kCardWords + 16);
      flow.heading("In the place of " + midSentence(names.plain(p.id)));
      for (std::size_t i = 0; i < all.size(); i += kAcross) {
        flow.need(kCardPicture + kCardWords);
        for (std::size_t k = i; k < std::min(all.size(), i + kAcross); ++k)
          addCard(flow, s, *all[k], flow.left() + static_cast<double>(k - i) * (wide + kCardGap), wide);
        flow.skip(kCardPicture + kCardWords);
      }
    }
  }
  if (any) flow.line("The choice is the owner's. Sizes are those of the whole piece or frame.");
  else flow.line("Nothing is open: every place has one piece.");
  return flow.finish();
}

bool anyFinalist(const Job& job) {
  for (const auto& scheme : job.schemes)
    for (const Placement& p : scheme->placements)
      if (stillThought(p).size() > 1) return true;
  return false;
}

}  // namespace

const SheetRow& finalistsSheetRow() {
  static constexpr SheetRow row{
      .id = "finalists", .title = "finalists", .scales = false, .whole = finalistPages, .offered = anyFinalist};
  return row;
}

}  // namespace mezzet
