// Style sheets of the window, made from the palette.
#pragma once

#include <QString>

class QApplication;

#include "render/fonts.h"
#include "render/palette.h"

namespace mezzet::style {

/// What the sheet lies on: slate as it comes, light for bright rooms, dark for the evening. Paper stays paper.
enum class Desk { Slate, Light, Dark };
[[nodiscard]] Desk deskNamed(const QString& name);
[[nodiscard]] QString nameOf(Desk);

[[nodiscard]] QString window(Desk);  ///< style sheet of the whole application
void apply(QApplication&, Desk);     ///< style sheet and palette
[[nodiscard]] QString tapeEditor();  ///< the field that opens on a tape
[[nodiscard]] QString complaint();   ///< the sentence under a field

}  // namespace mezzet::style
