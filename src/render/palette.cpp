#include "render/palette.h"

namespace mezzet {

Palette Palette::screen() { return {}; }
Palette Palette::print() {
  Palette p;
  p.onPaper = true;
  return p;
}

QColor Palette::operator()(Ink ink) const {
  switch (ink) {
    case Ink::None: return {};
    case Ink::Ink: return onPaper ? QColor(Qt::black) : desk::kInk;
    case Ink::CutWall: return onPaper ? QColor(0x3a, 0x3a, 0x3a) : QColor(0x39, 0x46, 0x4f);
    case Ink::Fine: return onPaper ? QColor(0x60, 0x60, 0x60) : QColor(0x6d, 0x74, 0x78);
    case Ink::Quiet: return onPaper ? QColor(0x40, 0x40, 0x40) : desk::kQuiet;
    case Ink::Paper: return onPaper ? QColor(Qt::white) : desk::kPaper;
    case Ink::Floor: return onPaper ? QColor(Qt::white) : desk::kSheet;
    case Ink::Cloth: return QColor(Qt::white);
    case Ink::ClothShade: return onPaper ? QColor(0xef, 0xec, 0xe6) : QColor(0xf1, 0xed, 0xe4);
    case Ink::Wood: return onPaper ? QColor(0xf6, 0xec, 0xd8) : QColor(0xf6, 0xf0, 0xe2);
    case Ink::Rug: return onPaper ? QColor(0xec, 0xe2, 0xd6) : QColor(0xec, 0xe2, 0xd6);
    case Ink::Glass: return onPaper ? QColor(0xec, 0xf2, 0xf2) : QColor(0xee, 0xf3, 0xee);
    case Ink::Mount: return onPaper ? QColor(0xf3, 0xee, 0xe2) : QColor(0xe9, 0xe3, 0xd2);
    case Ink::Leaf: return onPaper ? QColor(0xe4, 0xec, 0xe0) : QColor(0xdf, 0xe8, 0xd6);
    case Ink::Screen: return onPaper ? QColor(0xd4, 0xd6, 0xd8) : QColor(0xcf, 0xd6, 0xda);
    case Ink::HatchedWall: return onPaper ? QColor(0xe8, 0xe6, 0xe2) : QColor(0xd9, 0xd8, 0xd0);
    case Ink::GridLine: return onPaper ? QColor() : QColor(0xe9, 0xe4, 0xd4);
    case Ink::Hearth: return onPaper ? QColor(0xde, 0xd9, 0xce) : QColor(0xd8, 0xd3, 0xc4);
    case Ink::Band: return QColor(0x2f, 0x7d, 0x6b, 0x46);
    case Ink::Way: return QColor(0x46, 0x54, 0x5f, 0x30);
    case Ink::Pocket: return QColor(0x8a, 0x6a, 0x4a, 0x48);
    case Ink::Accent: return desk::kTape;
    case Ink::AccentText: return desk::kInk;
    case Ink::Holds: return desk::kHolds;
    case Ink::Close: return desk::kClose;
    case Ink::Breaks: return desk::kBreaks;
    case Ink::NotMeasured: return desk::kNotMeasured;
    case Ink::Kept: return desk::kKept;
    case Ink::Ghost: return QColor(0x1d, 0x27, 0x30, 0x60);
  }
  return {};
}

}  // namespace mezzet
