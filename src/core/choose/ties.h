// What a picture, rug or textile picks up from the room: each of its colours against those of what stands there.
#pragma once

#include <map>
#include <optional>
#include <string>
#include <vector>

#include "core/model/job.h"

namespace mezzet {

/// CIEDE2000 up to which a colour echoes another, or is near it [D].
inline constexpr double kEchoes = 10, kNear = 20;
/// Smaller shares of a picture are not looked at.
inline constexpr double kLeastShare = 0.05;
/// L* of a picture's lower third under which its foot is dark [D].
inline constexpr double kDarkFoot = 40;
/// A picture of which so much echoes one thing repeats it [D].
inline constexpr double kRepeats = 0.7;

/// The main colours of an image, and how light its lower third is.
struct PictureColours {
  std::vector<ColourShare> palette;  ///< the largest share first
  std::optional<double> footLightness;
};
/// By the image's name in the job file. The core decodes no images: whoever has them hands their colours over.
using PicturesByName = std::map<std::string, PictureColours>;

/// Pixels row by row from the top, `width` to a row.
[[nodiscard]] PictureColours coloursOfPicture(const std::vector<std::array<double, 3>>& srgb, std::size_t width);

enum class Tie { Echoes, Near, New };
struct ColourTie {
  std::string srgb;
  double share = 0;
  /// The nearest of what stands in the room: a placement or "wall:A"; empty in a room without colours.
  std::string nearest, nearestSrgb;
  double deltaE00 = 0;  ///< to it
  Tie tie = Tie::New;
};
struct Ties {
  std::vector<ColourTie> colours;  ///< the largest share first
  std::optional<Foot> foot;        ///< by its image; none without one
  std::vector<std::string> says;
};

/// The colours of a piece: as they were said, else those of its image.
[[nodiscard]] std::vector<ColourShare> coloursOf(const Piece&, const PicturesByName&);

/// Of a piece that would stand or hang at the placement. What else is placed in the scheme and the walls' colours are
/// what it ties to; of equals the first placement, then walls.
[[nodiscard]] Ties tiesOf(const Job&, const Scheme&, const PlacementId& at, const Piece&, const PicturesByName&);

[[nodiscard]] const char* tieWord(Tie);  ///< "echoes", "near", "new"
/// "Its blue echoes the sofa; its ochre is new here." One sentence for what ties, in colour words.
[[nodiscard]] std::string tieSentence(const Job&, const Scheme&, const Ties&);

}  // namespace mezzet
