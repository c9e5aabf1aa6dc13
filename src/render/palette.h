// Colours: one place for the meaning of every ink and of every part of the window.
#pragma once

#include <QColor>

#include "core/drawing/base/drawing.h"

namespace mezzet {

/// Colours of a drawing; invalid means "do not draw".
struct Palette {
  [[nodiscard]] static Palette screen();
  /// White paper, no tints that vanish on a monochrome printer.
  [[nodiscard]] static Palette print();
  [[nodiscard]] QColor operator()(Ink ink) const;
  bool onPaper = false;
};

namespace desk {
inline const QColor kDesk(0x46, 0x54, 0x5f), kDeskDark(0x2b, 0x35, 0x3c), kDeskEdge(0x39, 0x46, 0x4f);
inline const QColor kPaper(0xf8, 0xf4, 0xea), kSheet(0xff, 0xfe, 0xf9), kInk(0x1d, 0x27, 0x30),
    kQuiet(0x56, 0x60, 0x68);
inline const QColor kTape(0xf4, 0xc4, 0x30), kRule(0xd9, 0xd5, 0xc8), kOnDesk(0xf3, 0xf1, 0xea),
    kOnDeskQuiet(0xc6, 0xcf, 0xd5);
inline const QColor kHolds(0x2f, 0x7d, 0x6b), kClose(0xb9, 0x79, 0x1a), kBreaks(0xb2, 0x3f, 0x2e),
    kNotMeasured(0x7c, 0x88, 0x91), kKept(0x4d, 0x5c, 0x9e);
inline const QColor kWay(0x6b, 0x4a, 0x00);
}  // namespace desk

}  // namespace mezzet
