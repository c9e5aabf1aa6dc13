#include "core/entry/thing_text.h"

#include <charconv>
#include <cmath>

#include "core/colour/lab.h"
#include "core/colour/names.h"
#include "core/entry/words.h"

namespace mezzet {
namespace {

std::vector<std::string> parts(const std::string& text, char between) {
  std::vector<std::string> out;
  std::size_t at = 0;
  while (at <= text.size()) {
    const std::size_t end = std::min(text.find(between, at), text.size());
    if (std::string part = trimmed(std::string_view(text).substr(at, end - at)); !part.empty()) out.push_back(part);
    at = end + 1;
  }
  return out;
}

std::string sizeText(double w, double d, double h, LengthFormat format) {
  format.withUnit = false;
  return writeLength(w, format) + " x " + writeLength(d, format) + " x " + writeLength(h, format);
}

/// "10 x 7 x 1 1/2"
Result<StackItem> readSize(const std::string& text, const char* what, Unit bare) {
  const auto lengths = parts(text, 'x');
  StackItem out;
  double* into[] = {&out.width, &out.depth, &out.height};
  if (lengths.size() != 3) return Error{what, "needs three sizes: " + text, "Type width x depth x height"};
  for (std::size_t i = 0; i < 3; ++i) {
    const LengthReading reading = readLength(lengths[i], bare);
    if (!reading) return Error{what, "has a size that is no length: " + lengths[i], "Type width x depth x height"};
    *into[i] = *reading.length;
  }
  return out;
}

/// A word that stands for just this colour, else as it is written.
std::string wordOrHex(const std::string& srgb) {
  const std::string name = nameOfColour(srgb);
  return colourNamed(name) == srgb ? name : srgb;
}
std::optional<std::string> readOne(const std::string& text) {
  if (const auto written = readColour(text)) return writeColour(*written);
  return colourNamed(lower(text));
}
Error noColour(const std::string& text) {
  return {"colours", "hold one that is none: " + text, "Type black, or #2b2b2b"};
}

Result<std::vector<ColourShare>> readColours(const std::string& text) {
  std::vector<ColourShare> out;
  double said = 0;
  int silent = 0;
  for (const std::string& part : parts(text, ',')) {
    const auto words = parts(part, ' ');
    const auto colour = readOne(words.front());
    if (!colour) return noColour(words.front());
    double share = -1;
    if (words.size() > 1) {
      const std::string& number = words[1];
      const auto [end, fault] = std::from_chars(number.data(), number.data() + number.size(), share);
      const std::string_view rest(end, static_cast<std::size_t>(number.data() + number.size() - end));
      if (fault != std::errc() || (!rest.empty() && rest != "%") || !(share > 0 && share <= 100))
        return Error{"colours", "have a share that is none: " + number, "Type percent, 1 to 100"};
      said += share / 100;
    } else ++silent;
    out.push_back({*colour, share < 0 ? -1 : share / 100});
  }
  if (said > 1 + 1e-9) return Error{"colours", "add up to more than 100 %", "Lower a share"};
  for (ColourShare& c : out)
    if (c.share < 0) c.share = std::max(0.01, (1 - said) / silent);
  return out;
}

}  // namespace

ThingText thingText(const ThingPart& t, LengthFormat format) {
  ThingText out;
  for (const ColourShare& c : t.colours) {
    out.colours += (out.colours.empty() ? "" : ", ") + wordOrHex(c.srgb) +
                   (t.colours.size() > 1 ? " " + std::to_string(std::lround(100 * c.share)) : "");
  }
  for (const std::string& season : t.seasons) out.seasons += (out.seasons.empty() ? "" : ", ") + season;
  for (const StackItem& i : t.items)
    out.items += (out.items.empty() ? "" : "; ") + sizeText(i.width, i.depth, i.height, format);
  if (t.inside) out.inside = sizeText(t.inside->width, t.inside->depth, t.inside->height, format);
  for (const HeldThing& h : t.holds)
    out.holds += (out.holds.empty() ? "" : "; ") + h.name + " " + sizeText(h.width, h.depth, h.height, format);
  return out;
}

Result<ThingPart> withThingText(ThingPart out, const ThingText& text, Unit bare) {
  auto colours = readColours(text.colours);
  if (!colours) return colours.error();
  out.colours = std::move(*colours);
  out.seasons = parts(text.seasons, ',');
  out.items.clear();
  for (const std::string& part : parts(text.items, ';')) {
    const auto item = readSize(part, "the stack", bare);
    if (!item) return item.error();
    out.items.push_back(*item);
  }
  out.inside.reset();
  if (!trimmed(text.inside).empty()) {
    const auto inside = readSize(text.inside, "the inside", bare);
    if (!inside) return inside.error();
    out.inside = *inside;
  }
  out.holds.clear();
  for (const std::string& part : parts(text.holds, ';')) {
    std::size_t digit = part.find_first_of("0123456789");
    if (digit == std::string::npos || digit == 0)
      return Error{"what it holds", "needs a name and three sizes: " + part, "Type remote 8 x 2 x 1"};
    const auto size = readSize(part.substr(digit), "what it holds", bare);
    if (!size) return size.error();
    out.holds.push_back({trimmed(std::string_view(part).substr(0, digit)), size->width, size->depth, size->height});
  }
  return out;
}

PaletteText paletteText(const ColourPalette& palette) {
  PaletteText out;
  for (const auto& [colours, text] : {std::pair{&palette.main, &out.main}, std::pair{&palette.accent, &out.accent}})
    for (const std::string& c : *colours) *text += (text->empty() ? "" : ", ") + wordOrHex(c);
  for (const ReadsAs& r : palette.readsAs)
    out.readsAs += (out.readsAs.empty() ? "" : ", ") + wordOrHex(r.from) + " as " + wordOrHex(r.to);
  return out;
}

Result<ColourPalette> paletteFromText(const PaletteText& text, bool accepted) {
  ColourPalette out;
  out.accepted = accepted;
  for (const auto& [line, into] : {std::pair{&text.main, &out.main}, std::pair{&text.accent, &out.accent}})
    for (const std::string& part : parts(*line, ',')) {
      const auto colour = readOne(part);
      if (!colour) return noColour(part);
      into->push_back(*colour);
    }
  for (const std::string& part : parts(text.readsAs, ',')) {
    const std::size_t as = part.find(" as ");
    const auto from = readOne(trimmed(part.substr(0, as)));
    const auto to = as == std::string::npos ? std::nullopt : readOne(trimmed(part.substr(as + 4)));
    if (!from || !to) return Error{"what is read as another", "cannot be read: " + part, "Type brown as brass"};
    out.readsAs.push_back({*from, *to});
  }
  return out;
}

}  // namespace mezzet
