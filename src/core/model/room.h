// A room as it was measured, and its walls.
#pragma once

#include <optional>
#include <string>
#include <string_view>
#include <vector>

#include "core/base/ids.h"
#include "core/geometry/polygon.h"
#include "core/model/extra.h"
#include "core/model/site.h"
#include "core/model/survey_record.h"
#include "core/units/length.h"

namespace mezzet {

struct Corner {
  CornerId id;
  Vec2 at;
  std::optional<double> wallThickness =
      std::nullopt;  ///< of the wall that starts here; drawn kUsualWall thick until measured
  WallMaterial material = WallMaterial::Unknown;  ///< of the same wall
  std::string colour = {};                        ///< of the same wall, "#rrggbb"; "" until entered
  bool operator==(const Corner&) const = default;
};

enum class OpeningKind { Door, Sliding, Window, Arch };
enum class Hinge { Start, End };
enum class Swing { In, Out };

struct Opening {
  OpeningId id;
  std::string name = {};  ///< as people in the house call it: "river window"; empty: by kind and wall
  OpeningKind kind = OpeningKind::Door;
  CornerId wall;
  double offset = 0;  ///< from the wall's start corner to the near jamb
  double width = 0, height = 0, sill = 0;
  Hinge hinge = Hinge::Start;
  Swing swing = Swing::In;
  double leafThickness = 35;
  double underLeaf = 10;
  std::vector<OpeningReading> readings = {};          ///< along its wall; offset and width follow from them
  std::optional<double> trim = std::nullopt;          ///< width of the trim round it
  WindowLeaf leaf = WindowLeaf::Fixed;                ///< of a window
  std::optional<double> curtainStack = std::nullopt;  ///< drawn curtains stand this far beside the window, on each side
  Outside outside = Outside::Unknown;
  std::optional<LeadsTo> leadsTo = std::nullopt;  ///< the same opening, seen from the room beyond
  [[nodiscard]] double head() const { return sill + height; }
  bool operator==(const Opening&) const = default;
};

/// Thickness walls are drawn with until theirs is measured [D].
inline constexpr double kUsualWall = 120;
/// Soft and wooden things keep this far from a hearth where the maker says nothing else [D].
inline constexpr double kHearthClear = 36 * kInch;

enum class FeatureKind { Hearth, Column, BuiltIn, ChimneyBreast, Radiator, Beam, Niche, Stair };
struct Feature {
  FeatureId id;
  FeatureKind kind = FeatureKind::Hearth;
  Polygon outline;
  std::optional<double> height;
  std::optional<double>
      clear;  ///< depth of the zone round it that is kept clear; a hearth's is kHearthClear until entered
  std::optional<double> base = std::nullopt;    ///< its underside above the floor: beams, radiators, niches
  std::optional<double> mantel = std::nullopt;  ///< height of a hearth's shelf
  std::optional<Stair> stair = std::nullopt;    ///< of a stair
  bool operator==(const Feature&) const = default;
};

struct Room {
  RoomId id;
  std::string name;
  double ceilingHeight = 0;
  std::vector<Corner> corners;  ///< anticlockwise, the first at (0,0), the second on +x
  std::vector<Opening> openings;
  std::vector<Feature> features;
  Extra extra;
  std::optional<SurveyRecord> survey =
      std::nullopt;         ///< the readings the corners come from; none: the corners were typed
  OutlineDoubt doubt = {};  ///< of surveyed corners
  std::vector<HeightReading> heights = {};
  CeilingShape ceiling = CeilingShape::Flat;  ///< where no area says otherwise
  std::vector<CeilingArea> ceilingAreas = {};
  RoomTrim trim = {};
  std::vector<WallPoint> points = {};
  std::vector<StudRecord> studs = {};
  std::optional<Underlay> underlay = std::nullopt;
  std::vector<Photograph> photographs = {};
  std::vector<ClearSpot> clearSpots = {};
  std::vector<NailHole> holes = {};
  StoreyId storey = {};  ///< empty: the only one
  OpeningId entry = {};  ///< where one comes in; empty: the first door
  std::optional<Joists> joists = std::nullopt;
  std::optional<Reflectance> reflectance = std::nullopt;  ///< none: the usual shares
  bool operator==(const Room&) const = default;
};

struct Wall {
  CornerId id;
  Vec2 start, end;
  double thickness = kUsualWall;
  [[nodiscard]] double length() const { return distance(start, end); }
  [[nodiscard]] Vec2 along() const { return unit(end - start); }
  [[nodiscard]] Vec2 inward() const { return leftOf(along()); }
  bool operator==(const Wall&) const = default;
};
[[nodiscard]] std::vector<Wall> wallsOf(const Room&);
[[nodiscard]] std::optional<Wall> findWall(const Room&, const CornerId&);
/// Null when it is not there.
[[nodiscard]] const Corner* findCorner(const Room&, const CornerId&);
[[nodiscard]] Polygon outlineOf(const Room&);
[[nodiscard]] CornerId cornerName(std::size_t index);  ///< of corner i: A to Z, then AA, AB ...
/// "door", "sliding door", "window" or "arch".
[[nodiscard]] std::string_view openingWord(OpeningKind);
/// As it is called in a sentence: by the name typed for it, else "door on wall A"; where its wall has more of its kind
/// "second door on wall A", from the wall's start.
[[nodiscard]] std::string openingName(const Room&, const Opening&);
[[nodiscard]] Vec2 middleOf(const Wall&, const Opening&);  ///< of an opening in that wall, on its inner face

[[nodiscard]] const Opening* findOpening(const Room&, const OpeningId&);  ///< null when it is not there

}  // namespace mezzet
