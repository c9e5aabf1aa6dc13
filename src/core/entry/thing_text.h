// What a thing is like as lines of text, and back: colours, seasons, a stack's items, what a box holds.
#pragma once

#include <string>

#include "core/base/result.h"
#include "core/model/job.h"

namespace mezzet {

struct ThingText {
  std::string colours;  ///< "black 70, #b08d3c 30": shares in percent, equal where none is said
  std::string seasons;  ///< "autumn, winter"
  std::string items;    ///< "10 x 7 x 1 1/2; 9 x 6 x 1", from the bottom
  std::string inside;   ///< "9 x 6 x 3"
  std::string holds;    ///< "remote 8 x 2 x 1; candles 6 x 4 x 4"
  bool operator==(const ThingText&) const = default;
};
[[nodiscard]] ThingText thingText(const ThingPart&, LengthFormat);
/// The part with what the lines say; what they say nothing of stays. Lengths without a unit are in `bare`. The fault
/// names the line's part that cannot be read.
[[nodiscard]] Result<ThingPart> withThingText(ThingPart, const ThingText&, Unit bare);

/// A palette as lines: "black, #b08d3c"; what is read as another "brown as brass, charcoal as black".
struct PaletteText {
  std::string main, accent, readsAs;
};
[[nodiscard]] PaletteText paletteText(const ColourPalette&);
[[nodiscard]] Result<ColourPalette> paletteFromText(const PaletteText&, bool accepted);

}  // namespace mezzet
