// The job as a value: rooms, pieces, schemes. Copied, compared and stored; edits are functions (edits.h).
#pragma once

#include <map>
#include <memory>
#include <optional>
#include <string>
#include <string_view>
#include <unordered_map>
#include <variant>
#include <vector>

#include "core/geometry/polygon.h"
#include "core/base/ids.h"
#include "core/model/site.h"
#include "core/model/survey_record.h"
#include "core/units/length.h"

namespace mezzet {

/// Free JSON text kept as it was read (the key "x" in the file); "" when there is none.
using Extra = std::string;

struct Brief {
  std::vector<double> statures;  ///< of the people who look at the walls, mm
  bool isPublic = false, tenant = false, children = false, pets = false, access = false;
  std::string purpose = {};  ///< "entertaining", "reading", "television", "dining", "sleeping", "working" or ""
  std::string hours = {};    ///< "day", "evening", "both" or ""
  std::string anchor = {};   ///< what stays, and the room is built round; in the user's words
  std::optional<double> budgetSimple = std::nullopt,
                        budgetFull = std::nullopt;  ///< of the simple and of the harder scheme, in the user's currency
  bool operator==(const Brief&) const = default;
};

struct Corner {
  CornerId id;
  Vec2 at;
  std::optional<double> wallThickness =
      std::nullopt;  ///< of the wall that starts here; drawn kUsualWall thick until measured
  WallMaterial material = WallMaterial::Unknown;  ///< of the same wall
  bool operator==(const Corner&) const = default;
};

enum class OpeningKind { Door, Sliding, Window, Arch };
enum class Hinge { Start, End };
enum class Swing { In, Out };

struct Opening {
  OpeningId id;
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
  StoreyId storey = {};  ///< empty: the only one
  OpeningId entry = {};  ///< where one comes in; empty: the first door
  bool operator==(const Room&) const = default;
};

/// Contract: an oval is an ellipse; an L has its long limb along the back and its return at one side.
/// A curve is part of a ring, open at the front: longDepth is how deep the ring is, from its back to the seat's edge.
enum class Shape { Rect, Round, Oval, L, Curve };
enum class Hand { Left, Right };

/// Where a dimension of a piece comes from, and how far it may be off.
enum class DimensionSource { Measured, Ticket, Guess, Default };
struct Doubt {
  DimensionSource source = DimensionSource::Measured;
  double u95 = 0;  ///< mm, two sigma
  bool operator==(const Doubt&) const = default;
};

struct ChangedRange {
  std::optional<double> low, high;  ///< in the rule's unit; lengths in mm
  bool operator==(const ChangedRange&) const = default;
};
/// A rule bent for one piece only: another school, or a range of its own.
struct OwnRule {
  std::optional<std::string> school;
  std::optional<ChangedRange> range;
  bool operator==(const OwnRule&) const = default;
};

/// A real or candidate thing with fixed dimensions. Heights are above the floor.
struct Piece {
  PieceId id;
  std::string name;
  std::string kind;  ///< "sofa", "armchair", "low-table", "art" ...: see kinds.h
  Shape shape = Shape::Rect;
  double width = 0;
  std::optional<double> depth;   ///< front to back; a picture may leave it out
  std::optional<double> height;  ///< overall; of a picture: the frame's height
  std::optional<double> seatHeight, backHeight, armHeight;
  int count = 1;
  std::optional<PieceId> variantOf;
  std::string image;  ///< name in the job file's images folder, or ""
  Extra extra;
  std::optional<double> returnWidth, longDepth;      ///< of an L; longDepth also of a curve
  Hand hand = Hand::Left;                            ///< of an L: the return as seen by someone who stands before it
  std::optional<double> feetInset;                   ///< feet inside the corners; kUsualFeetInset until entered
  std::optional<double> pad;                         ///< under a rug
  std::optional<double> nominalWidth, nominalDepth;  ///< what a rug is sold as; width and depth are its actual size
  std::map<std::string, Doubt> doubts;               ///< by dimension: "width", "depth", "height", "seatHeight" ...
  std::map<std::string, OwnRule> ownRules;           ///< by rule id
  std::optional<int> seats = std::nullopt;           ///< how many sit on it; by its width until entered
  std::optional<double> legHeight = std::nullopt;    ///< of raised legs: the floor shows below
  std::optional<double> opensBy =
      std::nullopt;  ///< how far it comes forward in use: drawers, leaves, a footrest, a bed
  std::optional<double> extendsBy = std::nullopt;   ///< how much longer a table is with its leaves in
  std::optional<bool> backFinished = std::nullopt;  ///< whether its back may be seen
  std::string material = {};                        ///< of what is seen of it: "leather", "linen", "oak"
  std::optional<double> weight = std::nullopt;      ///< kg
  bool owned = false;                               ///< is there already; else to be bought
  std::optional<double> price = std::nullopt;       ///< of one, in the user's currency
  bool operator==(const Piece&) const = default;
};

/// Feet stand this far inside the corners unless entered [D].
inline constexpr double kUsualFeetInset = 2 * kInch;

struct FloorPlace {
  Vec2 at;          ///< centre of the piece's box
  double turn = 0;  ///< degrees anticlockwise, 0 <= turn < 360
  bool operator==(const FloorPlace&) const = default;
};
struct WallPlace {
  CornerId wall;
  double u = 0, v = 0;  ///< centre of the frame, seen from inside: u from the wall's end corner, v above the floor
  std::optional<std::string> group;
  bool operator==(const WallPlace&) const = default;
};
struct CarriedPlace {
  PlacementId carrier;
  Vec2 at;  ///< in the carrier's piece frame
  double turn = 0;
  bool operator==(const CarriedPlace&) const = default;
};
using Place = std::variant<FloorPlace, WallPlace, CarriedPlace>;

struct Placement {
  PlacementId id;
  PieceId piece;
  Place on;
  Extra extra;
  bool locked = false;                ///< stays where it is until unlocked
  std::string group = {};             ///< floor placements of one group move together; "" for none
  std::vector<CornerId> setOut = {};  ///< the two walls it is set out from; empty: the nearest along its sides
  bool inUse = false;                 ///< drawn and judged as in use on every day: a drawer open, a chair pulled out
  std::optional<FloorPlace> usedAt =
      std::nullopt;  ///< where a stool stands when there is company; elsewhere it is pushed back
  bool operator==(const Placement&) const = default;
};

/// A finding that the decorator bent on purpose.
struct Kept {
  std::string finding, reason;
  double margin = 0;      ///< when it was kept, in the finding's unit
  std::string date = {};  ///< when, as written by the program: 2026-03-31
  bool operator==(const Kept&) const = default;
};

/// What was decided about a scheme, what was thought of, and what was turned down and why.
enum class LogKind { Decision, Candidate, Rejection };
struct LogEntry {
  LogKind kind = LogKind::Decision;
  std::string date, text;
  bool operator==(const LogEntry&) const = default;
};

struct Scheme {
  SchemeId id;
  RoomId room;
  std::string name;
  std::vector<Kept> kept;
  std::vector<Placement> placements;
  Extra extra;
  std::vector<LogEntry> log = {};
  bool operator==(const Scheme&) const = default;
};

struct HouseRules {
  int rulebook = 1;
  std::map<std::string, std::string> schools;  ///< rule id to school id
  std::map<std::string, ChangedRange> ranges;  ///< rule id to the job's own range
  bool operator==(const HouseRules&) const = default;
};

template <class T>
using Shared = std::shared_ptr<const T>;

struct Job {
  std::string name;
  Unit units = Unit::Inch;
  Brief brief;
  std::vector<Shared<Room>> rooms;
  std::vector<Shared<Piece>> pieces;
  std::vector<Shared<Scheme>> schemes;
  HouseRules houseRules;
  Extra extra;
  std::vector<Storey> storeys = {};

  /// Equal if the shared pointers are equal, else by value.
  bool operator==(const Job& other) const;
};

// ---- looking things up; null when there is no such thing
[[nodiscard]] const Room* findRoom(const Job&, const RoomId&);
[[nodiscard]] const Piece* findPiece(const Job&, const PieceId&);
[[nodiscard]] const Scheme* findScheme(const Job&, const SchemeId&);
[[nodiscard]] const Placement* findPlacement(const Scheme&, const PlacementId&);
[[nodiscard]] const Opening* findOpening(const Room&, const OpeningId&);
[[nodiscard]] const Piece& pieceOf(const Job&, const Placement&);  ///< throws std::out_of_range: a checked job has it
[[nodiscard]] const Room& roomOf(const Job&, const Scheme&);       ///< likewise

/// Pieces by id, for loops over placements: searching the list for each of them would be quadratic.
class PieceIndex {
 public:
  explicit PieceIndex(const Job&);
  [[nodiscard]] const Piece& of(const Placement&) const;  ///< throws std::out_of_range: a checked job has it

 private:
  std::unordered_map<std::string_view, const Piece*> pieces_;
};

// ---- walls
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
[[nodiscard]] Polygon outlineOf(const Room&);
[[nodiscard]] CornerId cornerName(std::size_t index);      ///< of corner i: A to Z, then AA, AB ...
[[nodiscard]] std::string openingName(const Opening&);     ///< "door d1"
[[nodiscard]] Vec2 middleOf(const Wall&, const Opening&);  ///< of an opening in that wall, on its inner face

/// How high a piece stands at its highest, back included; none when neither was measured.
[[nodiscard]] std::optional<double> highestOf(const Piece&);

// ---- a framed picture on its wall, in elevation
struct WallRect {
  double left = 0, right = 0, bottom = 0, top = 0;  ///< u and v
  [[nodiscard]] double width() const { return right - left; }
  [[nodiscard]] double height() const { return top - bottom; }
  [[nodiscard]] double centreHeight() const { return (bottom + top) / 2; }
};
[[nodiscard]] WallRect wallRectOf(const Piece&, const WallPlace&);

}  // namespace mezzet
