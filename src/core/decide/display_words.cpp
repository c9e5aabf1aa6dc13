#include "core/decide/display_words.h"

#include <cmath>

#include "core/base/sentence.h"
#include "core/display/colours.h"
#include "core/model/kinds.h"

namespace mezzet {
namespace {

std::string where(const Display& d, const DisplayedThing& t, LengthFormat format) {
  const Bay& bay = d.bays[t.bay];
  if (t.on != nullptr) {
    const DisplayedThing* under = d.shown(t.on->id);
    return "on " + (under != nullptr ? midSentence(under->piece->name) : std::string("another"));
  }
  const double back = t.front - bay.front;
  std::string out = d.bays.size() > 1 ? "shelf " + bay.id + ", " : "";
  out += writeLength(t.left - bay.left, format) + " from the left";
  out += back < -0.5 ? ", out over the edge by " + writeLength(-back, format)
                     : ", " + writeLength(back, format) + " behind the edge";
  return out + (t.lie == Lie::Lying ? ", lying" : t.lie == Lie::Leaning ? ", leaning" : "");
}

}  // namespace

std::string putBackWords(const Display& d, const DisplayedThing& t, LengthFormat format) {
  return t.piece->name + ": " + where(d, t, format);
}

std::vector<std::string> toldOfThing(const Display& d, const DisplayedThing& t, LengthFormat format) {
  // The tapes say where it stands; what they do not say comes first.
  std::vector<std::string> out;
  if (t.on != nullptr) out.push_back(capital(where(d, t, format)) + ".");
  const auto seen = sharesSeen(d);
  for (std::size_t i = 0; i < d.things.size(); ++i)
    if (&d.things[i] == &t && seen[i] < 0.995)
      out.push_back(std::to_string(std::lround(100 * seen[i])) + " % of it is seen.");
  double free = 0;
  for (const auto& [left, right] : freeWidths(d, t.bay)) free += right - left;
  std::string bay = writeLength(free, format) + " of width free" +
                    (d.bays.size() > 1 ? " on shelf " + d.bays[t.bay].id : std::string(" there"));
  if (const auto fill = fillOf(d, t.bay))
    bay += ", filled to " + std::to_string(std::lround(100 * *fill)) + " % of its height";
  out.push_back(bay + ".");
  if (t.piece->thing->jacket.value_or(false)) out.emplace_back("Its jackets are on: the cloth under them is quieter.");
  if (t.piece->thing->paperback.value_or(false)) out.emplace_back("Paperbacks: few or none in a formal room.");
  if (mountOf(*t.piece) == Mount::Candle)
    out.emplace_back("A battery candle only: never a flame near shelves, books or branches.");
  if (const auto stray = PaletteReader(d.palette).strayOf(mainColour(*t.piece)); stray && *stray > kColourFamily)
    out.push_back("Its colour strays by " + std::to_string(std::lround(*stray)) + ".");
  return out;
}

}  // namespace mezzet
