// Colours of what stands on a carrier, under its palette.
#pragma once

#include <map>
#include <optional>
#include <string>
#include <vector>

#include "core/colour/lab.h"
#include "core/display/display.h"

namespace mezzet {

/// Most of what is seen of a thing; "" while no colour was said.
[[nodiscard]] std::string mainColour(const Piece&);

/// A palette read once: what is read as another is replaced. Not for two threads at once.
class PaletteReader {
 public:
  explicit PaletteReader(const ColourPalette&);
  [[nodiscard]] bool empty() const { return mains_.empty() && accents_.empty(); }
  /// CIEDE2000 to the nearest colour of the palette; none of what is no colour, or of an empty palette.
  [[nodiscard]] std::optional<double> strayOf(const std::string& srgb) const;
  /// Whether the nearest colour of the palette is an accent.
  [[nodiscard]] bool isAccent(const std::string& srgb) const;
  /// As it is read: brown as brass.
  [[nodiscard]] std::optional<Lab> read(const std::string& srgb) const;

 private:
  /// How far a colour is from both; most things of a display share a few colours, so each is worked out once.
  struct Off {
    double main = 0, accent = 0;
  };
  [[nodiscard]] std::optional<Off> offOf(const std::string& srgb) const;

  std::vector<Lab> mains_, accents_;
  std::vector<std::pair<Lab, Lab>> readsAs_;
  mutable std::map<std::string, std::optional<Off>> known_;
};

struct SharedColour {
  std::string srgb;
  double share = 0;  ///< of the faces whose colour is known
};
/// By the area of their faces, the largest first; colours of one family together, named by the largest of it.
[[nodiscard]] std::vector<SharedColour> coloursOf(const Display&);
/// Accents over all, by the area of faces; none without a palette with an accent, or without coloured things.
[[nodiscard]] std::optional<double> accentShareOf(const Display&);
/// One to start from: the two largest colour families, and as accent the largest that differs from both.
[[nodiscard]] ColourPalette proposedPalette(const Display&);

/// Books of a bay in their order: how many stretches of one colour family, and how many families.
struct ColourRuns {
  int runs = 0, families = 0;
};
[[nodiscard]] ColourRuns colourRunsOf(const Display&, std::size_t bay);

/// Paper that covers a book: (height + 2) x (2 widths + spine + 6) in, lengths in mm.
struct CoverPaper {
  double height = 0, width = 0;
};
[[nodiscard]] CoverPaper coverPaper(double height, double width, double spine);

}  // namespace mezzet
