// Writes the advance widths of the lettering font as a table for the core, so that labels stand the same on screen
// and on paper without the core knowing any font library.
// Usage: lettering_widths FONT.ttf > lettering_widths.inc
#include <ft2build.h>
#include FT_FREETYPE_H

#include <cstdio>

int main(int argc, char** argv) {
  FT_Library library = nullptr;
  FT_Face face = nullptr;
  if (argc != 2 || FT_Init_FreeType(&library) != 0 || FT_New_Face(library, argv[1], 0, &face) != 0) {
    std::fprintf(stderr, "lettering_widths: cannot read the font\n");
    return 1;
  }
  const long em = face->units_per_EM;
  if (FT_Load_Char(face, 'H', FT_LOAD_NO_SCALE) != 0) return 1;
  std::printf("// units per em, height of a capital, then advances of U+0020 to U+00FF\n");
  std::printf("inline constexpr int kUnitsPerEm = %ld;\n", em);
  std::printf("inline constexpr int kCapital = %ld;\n", face->glyph->metrics.height);
  std::printf("inline constexpr int kAdvances[224] = {\n");
  for (unsigned long c = 0x20; c <= 0xFF; ++c) {
    const bool there = FT_Get_Char_Index(face, c) != 0 && FT_Load_Char(face, c, FT_LOAD_NO_SCALE) == 0;
    std::printf("%ld,%s", there ? face->glyph->metrics.horiAdvance : em / 2, c % 16 == 15 ? "\n" : " ");
  }
  std::printf("};\n");
  FT_Done_Face(face);
  FT_Done_FreeType(library);
  return 0;
}
