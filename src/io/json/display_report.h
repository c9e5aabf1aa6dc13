// What mezzet-cli answers about displays, in JSON; the shapes are fixed in docs/cli.md.
#pragma once

#include <string>
#include <vector>

#include "core/colour/palette.h"
#include "core/decide/display_set.h"
#include "core/display/boards.h"
#include "core/display/cuts.h"
#include "core/display/ledge.h"
#include "core/display/missing.h"

namespace mezzet {

[[nodiscard]] std::string displayJson(const Scheme&, const Display&, const std::vector<MissingThing>&);
[[nodiscard]] std::string setJson(const Scheme&, const std::vector<SetOffer>&);
[[nodiscard]] std::string cutsJson(const CutList&);
[[nodiscard]] std::string colourJson(const Lab&, const Lab&);
[[nodiscard]] std::string paletteJson(const std::vector<PaletteColour>&);
/// Of a case the shelf that sags furthest beyond what it may, of a ledge its screws and boards.
[[nodiscard]] std::string shelfJson(const Scheme&, const Display*, const Ledge*, const CutList*);

}  // namespace mezzet
