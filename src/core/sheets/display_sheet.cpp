// What stands on a carrier, to be set again after cleaning: every thing by its number, its shelf, its place from the
// left side of its bay and from the front edge.
#include <algorithm>
#include <map>

#include "core/colour/names.h"
#include "core/display/colours.h"
#include "core/drawing/base/drafting.h"
#include "core/drawing/display/display_drawing.h"
#include "core/model/kinds.h"
#include "core/sheets/frame.h"
#include "core/sheets/sheet_row.h"

namespace mezzet {
namespace {

std::vector<SheetSubject> displays(const Job& job, const Room& room, const Scheme& scheme) {
  std::vector<SheetSubject> out;
  const PieceIndex pieces(job);
  for (const std::string& id : carriersOf(pieces, room, scheme, true))
    if (const auto d = displayOf(job, pieces, room, scheme, id)) out.push_back({id, d->name});
  return out;
}

std::optional<Display> displayHere(const SheetSource& s) {
  return s.scheme == nullptr ? std::nullopt : displayOf(s.job, PieceIndex(s.job), s.room, *s.scheme, s.subject);
}

std::string lieWords(Lie lie) {
  return lie == Lie::Lying ? ", lying" : lie == Lie::Leaning ? ", leaning at the back" : "";
}

/// "3  Blue vase: shelf b2, left 4 in, 1/2 in behind the edge."
std::string lineOf(const Display& d, const DisplayedThing& t, int number, const std::map<std::string, int>& numbers,
                   LengthFormat format) {
  const Bay& bay = d.bays[t.bay];
  const auto length = [&](double mm) { return writeLength(mm, format); };
  std::string out = std::to_string(number) + "  " + t.piece->name;
  if (const std::string colour = mainColour(*t.piece); !colour.empty()) out += " (" + nameOfColour(colour) + ")";
  out += ": ";
  if (t.on != nullptr) return out + "on " + std::to_string(numbers.at(t.on->id.value)) + lieWords(t.lie) + ".";
  if (d.bays.size() > 1) out += "shelf " + bay.id + ", ";
  out += length(t.left - bay.left) + " from the left";
  const double back = t.front - bay.front;
  out += back < -0.5 ? ", out by " + length(-back) : ", " + length(back) + " behind the edge";
  return out + lieWords(t.lie) + (t.placement->locked ? ", never moved" : "") + ".";
}

Drawing composeReset(const SheetSource& s, int scale) {
  Drawing none;
  none.scale = scale;
  const auto d = displayHere(s);
  if (!d) return none;
  const bool installer = s.request.version == SheetVersion::Installer;
  DisplayOptions o;
  o.scale = scale;
  o.format = s.request.format;
  o.names = !installer;
  o.eye = false;
  Drawing out = composeDisplay(*d, o);
  std::map<std::string, int> numbers;
  for (const DisplayedThing& t : d->things)
    numbers.emplace(t.placement->id.value, static_cast<int>(numbers.size()) + 1);
  std::vector<std::string> list;
  if (installer)
    for (const DisplayedThing& t : d->things) {
      const double step = (kTagCircle + 0.6) * scale;
      addTag(out,
             {{t.middle(), (t.bottom + t.top) / 2},
              {t.middle(), t.bottom + step},
              {t.middle(), t.top + step},
              {t.left - step, (t.bottom + t.top) / 2},
              {t.right + step, (t.bottom + t.top) / 2}},
             std::to_string(numbers.at(t.placement->id.value)), t.placement->id.value, Rank::Piece);
      list.push_back(lineOf(*d, t, numbers.at(t.placement->id.value), numbers, s.request.format));
    }
  if (!d->season.empty()) list.push_back("Set for " + d->season + ".");
  if (installer)
    list.emplace_back(d->bays.size() > 1
                          ? "From the left: from the left side of the thing's own bay to its left edge. Shelves "
                            "are counted from the foot, b1 the lowest."
                          : "From the left: from the left end to the thing's left edge.");
  addListBelow(out, list);
  return out;
}

std::string headingReset(const SheetSource& s) {
  const auto d = displayHere(s);
  return (d ? d->name : s.subject) +
         (s.request.version == SheetVersion::Installer ? ": where everything stands" : ": as it is set");
}

}  // namespace

const SheetRow& displaySheetRow() {
  static constexpr SheetRow row{.id = "display",
                                .title = "what stands on",
                                .compose = composeReset,
                                .heading = headingReset,
                                .fitsByScheme = true,
                                .close = true,
                                .placed = displays};
  return row;
}

}  // namespace mezzet
