// Style sheets of the window, made from the palette.
#pragma once

#include <QString>

#include "render/fonts.h"
#include "render/palette.h"

namespace mezzet::style {

[[nodiscard]] QString window();      ///< the whole application
[[nodiscard]] QString tapeEditor();  ///< the field that opens on a tape
[[nodiscard]] QString complaint();   ///< the sentence under a field

}  // namespace mezzet::style
