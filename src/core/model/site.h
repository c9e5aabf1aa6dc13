// What else is recorded on site: how openings, heights, studs and points of a wall were read, the plan that was traced,
// photographs. Values only; what follows from them is worked out in core/survey.
#pragma once

#include <optional>
#include <string>
#include <vector>

#include "core/geometry/polygon.h"
#include "core/model/survey_record.h"

namespace mezzet {

/// One figure as it was taken, whatever it is of.
struct Taken {
  double value = 0;   ///< mm
  std::string typed;  ///< as it was typed
  Instrument instrument = Instrument::Tape;
  std::optional<double> u95;  ///< its ±; the instrument's usual one until entered
  bool atTrim = false;        ///< of an opening: to the outer edge of its trim rather than to the jamb
  std::string who = {}, when = {}, note = {};
  bool superseded = false;  ///< measured again since; kept, and no longer used
  bool operator==(const Taken&) const = default;
};

/// From the wall's start corner (at the right, seen from inside) to the opening; its width; from it to the end corner.
enum class OpeningPart { Start, Width, End };
struct OpeningReading {
  ReadingId id;
  OpeningPart part = OpeningPart::Width;
  Taken taken;
  bool operator==(const OpeningReading&) const = default;
};

enum class WindowLeaf { Fixed, Sash, CasementIn, CasementOut };
/// What is seen through a window.
enum class Outside { Unknown, Street, View, Wall };

/// The opening of another room that this one is the other side of.
struct LeadsTo {
  RoomId room;
  OpeningId opening;
  bool operator==(const LeadsTo&) const = default;
};

// ---- heights
/// Floor to ceiling at one place; from the level line down to the floor; from the level line up to the ceiling.
enum class HeightKind { Clear, ToFloor, ToCeiling };
struct HeightReading {
  ReadingId id;
  HeightKind kind = HeightKind::Clear;
  Vec2 at;  ///< in the plan
  Taken taken;
  bool operator==(const HeightReading&) const = default;
};
enum class CeilingShape { Flat, Sloped };
/// A part of a stepped ceiling. The readings inside its outline are its own.
struct CeilingArea {
  CeilingId id;
  Polygon outline;
  CeilingShape shape = CeilingShape::Flat;
  bool operator==(const CeilingArea&) const = default;
};
/// What runs round the walls. Heights above the floor, depths off the wall.
struct RoomTrim {
  std::optional<double> skirting, skirtingDepth;
  std::optional<double> cornice, corniceDepth;  ///< how far it comes down from the ceiling, and off the wall
  std::optional<double> pictureRail;
  bool operator==(const RoomTrim&) const = default;
};

// ---- fixed things
/// A straight flight. Its footprint is the feature's outline.
/// Where a handrail runs: on the wall beside the flight, or on its open side.
enum class RailSide { Wall, Open };
struct Stair {
  int risers = 0;
  double riser = 0, going = 0;
  double climbs = 0;           ///< direction of the climb in the plan, degrees anticlockwise from x
  std::optional<double> rise;  ///< floor to floor, as measured
  std::optional<double> nosing, handrail, headroom;
  std::optional<RailSide> railSide = std::nullopt;
  bool operator==(const Stair&) const = default;
};

/// Small things in or on a wall or ceiling that are worked round.
enum class PointKind { Socket, Switch, WallLight, Vent, Detector, Thermostat };
struct WallPoint {
  PointId id;
  PointKind kind = PointKind::Socket;
  CornerId wall;      ///< empty: in the ceiling
  double along = 0;   ///< from the wall's start corner to its centre
  double height = 0;  ///< of its centre above the floor
  Vec2 at;            ///< in the plan, of one in the ceiling
  bool operator==(const WallPoint&) const = default;
};

enum class WallMaterial { Unknown, BoardOnStuds, LathAndPlaster, Brick, Block, Concrete, Stone, Timber };

// ---- what light meets
/// Timbers above the ceiling: parallel lines, the centre of one at `first` along the other axis.
enum class PlanAxis { X, Y };
struct Joists {
  double pitch = 0, first = 0;
  PlanAxis along = PlanAxis::X;  ///< the way they run
  double width = 0;
  bool operator==(const Joists&) const = default;
};
/// Shares of the light that ceiling, walls and floor throw back [D].
struct Reflectance {
  double ceiling = 0.7, walls = 0.5, floor = 0.2;
  bool operator==(const Reflectance&) const = default;
};

// ---- studs
/// Where something solid was found behind the face of a wall: knocked for, or shown by a detector.
struct StudHit {
  ReadingId id;
  double along = 0;       ///< of its middle, from the wall's start corner
  double confidence = 1;  ///< above 0, at most 1
  bool detector = false;
  bool operator==(const StudHit&) const = default;
};
struct StudRecord {
  CornerId wall;
  std::vector<StudHit> hits;
  std::optional<double> pitch;  ///< as known from the house; none: fitted
  bool operator==(const StudRecord&) const = default;
};

// ---- a plan that was traced
/// Two points of the picture whose distance is known.
struct KnownLength {
  Vec2 a, b;  ///< pixels of the stored picture, x right, y down
  double length = 0;
  std::string typed;
  bool operator==(const KnownLength&) const = default;
};
/// Four points of the picture that are the corners of a rectangle of known size, anticlockwise on paper from its lower
/// left.
struct Straightened {
  std::vector<Vec2> corners;  ///< four
  double width = 0, height = 0;
  bool operator==(const Straightened&) const = default;
};
struct Underlay {
  std::string image;             ///< name in the job's images
  std::string source;            ///< where it came from, in words: "survey.pdf, page 2"
  double width = 0, height = 0;  ///< pixels of the stored picture
  std::vector<KnownLength> known;
  std::optional<Straightened> frame;
  std::vector<Vec2> trace;  ///< corners of the room in pixels, anticlockwise as seen on paper or not
  bool operator==(const Underlay&) const = default;
};

/// How far a corner of a photograph may be off where it was picked, until entered [D].
inline constexpr double kPickDoubt = 2;  // px, two sigma
/// Four points of a photograph that are the corners of a rectangle of known size on its wall.
struct Calibration {
  std::vector<Vec2> corners;     ///< four, in pixels, x right, y down, anticlockwise from the lower left
  double width = 0, height = 0;  ///< of the rectangle
  double u = 0, v = 0;           ///< of its lower left corner, on the wall
  double u95 = kPickDoubt;       ///< of each pick, along x and along y
  bool operator==(const Calibration&) const = default;
};
/// A picture of a wall or a detail.
struct Photograph {
  PhotographId id;
  std::string image;  ///< name in the job's images
  CornerId wall;      ///< empty: of the room
  Vec2 at;            ///< u and v on its wall, else x and y in the plan
  std::string note = {}, when = {}, who = {};
  std::optional<Calibration> calibration = std::nullopt;
  std::vector<std::vector<Vec2>> before = {};  ///< outlines in pixels of what stands before the wall
  bool operator==(const Photograph&) const = default;
};

/// A spot of a wall that was looked through with a detector, and was clear.
struct ClearSpot {
  CornerId wall;
  double u = 0, v = 0;
  std::string date = {};
  bool operator==(const ClearSpot&) const = default;
};
/// A hole that was made in a wall, for who has to fill it again.
struct NailHole {
  CornerId wall;
  double u = 0, v = 0, diameter = 0;
  std::string made = {}, filled = {};  ///< dates; not filled while that is ""
  bool operator==(const NailHole&) const = default;
};

/// A floor of the house.
struct Storey {
  StoreyId id;
  std::string name;
  double level = 0;  ///< of its floor above the lowest
  bool operator==(const Storey&) const = default;
};

}  // namespace mezzet
