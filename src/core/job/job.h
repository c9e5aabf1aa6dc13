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
#include "core/job/ids.h"
#include "core/units/length.h"

namespace mezzet {

/// Free JSON text kept as it was read (the key "x" in the file); "" when there is none.
using Extra = std::string;

struct Brief {
  std::vector<double> statures;  ///< of the people who look at the walls, mm
  bool isPublic = false, tenant = false, children = false, pets = false, access = false;
  bool operator==(const Brief&) const = default;
};

struct Corner {
  CornerId id;
  Vec2 at;
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
  [[nodiscard]] double head() const { return sill + height; }
  bool operator==(const Opening&) const = default;
};

enum class FeatureKind { Hearth, Column, BuiltIn };
struct Feature {
  FeatureId id;
  FeatureKind kind = FeatureKind::Hearth;
  Polygon outline;
  std::optional<double> height;
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
  bool operator==(const Room&) const = default;
};

enum class Shape { Rect, Round };

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
  bool operator==(const Piece&) const = default;
};

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
  bool operator==(const Placement&) const = default;
};

/// A finding that the decorator bent on purpose.
struct Kept {
  std::string finding, reason;
  double margin = 0;  ///< when it was kept, in the finding's unit
  bool operator==(const Kept&) const = default;
};

struct Scheme {
  SchemeId id;
  RoomId room;
  std::string name;
  std::vector<Kept> kept;
  std::vector<Placement> placements;
  Extra extra;
  bool operator==(const Scheme&) const = default;
};

struct ChangedRange {
  std::optional<double> low, high;  ///< mm
  bool operator==(const ChangedRange&) const = default;
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
  [[nodiscard]] double length() const { return distance(start, end); }
  [[nodiscard]] Vec2 along() const { return unit(end - start); }
  [[nodiscard]] Vec2 inward() const { return leftOf(along()); }
  bool operator==(const Wall&) const = default;
};
[[nodiscard]] std::vector<Wall> wallsOf(const Room&);
[[nodiscard]] std::optional<Wall> findWall(const Room&, const CornerId&);
[[nodiscard]] Polygon outlineOf(const Room&);

// ---- a framed picture on its wall, in elevation
struct WallRect {
  double left = 0, right = 0, bottom = 0, top = 0;  ///< u and v
  [[nodiscard]] double width() const { return right - left; }
  [[nodiscard]] double height() const { return top - bottom; }
  [[nodiscard]] double centreHeight() const { return (bottom + top) / 2; }
};
[[nodiscard]] WallRect wallRectOf(const Piece&, const WallPlace&);

}  // namespace mezzet
