// What a Drawing is made of: lines, fills, text, pictures. Geometry in mm of the room, lettering and line widths in mm
// of paper at the drawing's scale.
#pragma once

#include <optional>
#include <string>
#include <variant>
#include <vector>

#include "core/colour/colour.h"
#include "core/drawing/base/item_id.h"
#include "core/geometry/polygon.h"

namespace mezzet {

enum class Layer { Grid, Floor, Rug, Feature, Wall, Opening, Furniture, Picture, Dimension, Label, Title, Working };

/// What a line or fill means; renderers choose the colour.
enum class Ink {
  None,
  Ink,
  CutWall,
  Fine,
  Quiet,
  Paper,
  Floor,
  Cloth,
  ClothShade,
  Wood,
  Rug,
  Glass,
  Mount,
  Leaf,
  Screen,
  HatchedWall,  ///< behind the hatch of a cut wall, on paper
  GridLine,
  Hearth,
  Band,
  Way,     ///< floor that is walked on, translucent
  Pocket,  ///< floor that is not reached, translucent
  Accent,
  AccentText,
  Holds,
  Close,
  Breaks,
  NotMeasured,
  Kept,
  Ghost,
};

enum class Dash { Solid, Dashed, Dotted };

struct Stroke {
  Ink ink = Ink::None;
  double width = 0.25;  ///< mm of paper
  Dash dash = Dash::Solid;

  bool operator==(const Stroke&) const = default;
};

// Line widths as draughtsmen grade them (ISO 128 series, mm of paper).
inline constexpr double kWallLine = 0.5, kFurnitureLine = 0.35, kDimensionLine = 0.18, kFineLine = 0.13;
// Lettering heights of capitals (ISO 3098 series, mm of paper).
inline constexpr double kSmallLetters = 2.5, kLetters = 2.5, kTitleLetters = 3.5;

struct PathItem {
  std::vector<Vec2> points;
  bool closed = false;
  Ink fill = Ink::None;
  Stroke stroke;
  std::optional<Srgb> tint = std::nullopt;  ///< the thing's own colour, in place of the fill

  bool operator==(const PathItem&) const = default;
};
/// An arc of a circle, anticlockwise from `start` over `span` degrees; 360 is a whole circle and can be filled.
struct ArcItem {
  Vec2 centre;
  double radius = 0, start = 0, span = 360;
  Ink fill = Ink::None;
  Stroke stroke;
  std::optional<Srgb> tint = std::nullopt;  ///< likewise

  bool operator==(const ArcItem&) const = default;
};
enum class Align { Left, Centre, Right };
struct TextItem {
  Vec2 at;                   ///< left end, middle or right end of the line of text, half way up the capitals
  std::string text;          ///< UTF-8
  double height = kLetters;  ///< of capitals, mm of paper
  Align align = Align::Centre;
  double turn = 0;  ///< degrees anticlockwise
  Ink ink = Ink::Ink;
  Ink ground = Ink::None;  ///< fill behind the text, so that it stands clear of lines

  bool operator==(const TextItem&) const = default;
};
struct ImageItem {
  Vec2 low, high;     ///< corners, unturned
  std::string image;  ///< name in the job's images
  double turn = 0;    ///< degrees anticlockwise, about its middle

  bool operator==(const ImageItem&) const = default;
};

struct Item {
  Layer layer = Layer::Furniture;
  ItemId id;  ///< of what this shows; may be empty
  std::variant<PathItem, ArcItem, TextItem, ImageItem> shape;

  bool operator==(const Item&) const = default;
};

}  // namespace mezzet
