// Carpet off the roll: where each strip lies, its length to cut, the seams, what is bought.
#include <algorithm>

#include "core/drawing/base/drafting.h"
#include "core/drawing/plan/plan.h"
#include "core/rugs/carpet_words.h"
#include "core/sheets/frame.h"
#include "core/sheets/sheet_row.h"

namespace mezzet {
namespace {

void addPileArrow(Drawing& d, Vec2 at, Vec2 along) {
  const Vec2 tip = at + along * (8 * d.scale), back = along * (2.5 * d.scale), side = leftOf(along) * (1.2 * d.scale);
  d.add(Layer::Label, "pile", line(at, tip, thin()));
  d.add(Layer::Label, "pile", PathItem{{tip, tip - back + side, tip - back - side}, true, Ink::Ink, thin()});
}

Drawing composeCarpet(const SheetSource& s, int scale) {
  Drawing d = composePlan(s.job, s.room, nullptr, planOptions(scale, s.request.format));
  std::vector<std::string> words;
  const std::vector<Area> region = carpetedFloor(s.room);
  const auto cut =
      s.scheme != nullptr && s.scheme->carpet ? cutCarpet(region, *s.scheme->carpet, s.request.routes) : std::nullopt;
  if (!cut) {
    words.emplace_back("No carpet is cut for this scheme yet: say which roll under Rugs and carpet.");
  } else {
    const Broadloom& cloth = *s.scheme->carpet;
    for (const auto& [a, b] : seamLines(region, cloth, *cut))
      d.add(Layer::Furniture, "seam", line(a, b, {Ink::Ink, kFurnitureLine, Dash::Dashed}));
    const Vec2 along = rotated({1, 0}, turnOf(cloth.pile));
    for (std::size_t i = 0; i < cut->strips.size(); ++i) {
      const Vec2 middle = stripMiddle(region, cloth, *cut, i);
      Label label = labelAt(
          Layer::Label, "strip", Rank::Dimension,
          {middle, middle + along * (12 * d.scale), middle - along * (12 * d.scale)},
          TextItem{{},
                   "strip " + std::to_string(i + 1) + ": cut " + writeLength(cut->strips[i].length, s.request.format),
                   kLetters,
                   Align::Centre,
                   readableTurn(along),
                   Ink::Ink,
                   Ink::Paper});
      label.needed = true;
      d.add(std::move(label));
      addPileArrow(d, middle - leftOf(along) * (6 * d.scale) - along * (4 * d.scale), along);
    }
    words = carpetWords(*cut, cloth, s.job, s.request.book != nullptr ? s.request.book->rugs : RugTrade{},
                        s.request.format);
    for (std::string& runner : runnerWords(s.room, s.request.format)) words.push_back(std::move(runner));
    words.emplace_back(
        "Arrows: direction of the pile. All strips lie the same way. Measure the room again before cutting.");
  }
  addListBelow(d, words);
  return d;
}

std::string headingCarpet(const SheetSource&) { return "Carpet, strips and seams"; }
bool offersCarpet(const Job& job) {
  return std::any_of(job.schemes.begin(), job.schemes.end(), [](const auto& s) { return s->carpet.has_value(); });
}

}  // namespace

const SheetRow& carpetSheetRow() {
  static constexpr SheetRow row{.id = "carpet",
                                .title = "carpet strips",
                                .compose = composeCarpet,
                                .heading = headingCarpet,
                                .offered = offersCarpet};
  return row;
}

}  // namespace mezzet
