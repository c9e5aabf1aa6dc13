// A scheme: what stands and hangs where in a room, and what was decided about it.
#pragma once

#include <string>
#include <string_view>
#include <variant>
#include <vector>

#include "core/model/place.h"

namespace mezzet {

/// Where a spot or downlight is aimed, degrees.
struct Aim {
  double tilt = 0;     ///< from straight down
  double bearing = 0;  ///< in the plan, anticlockwise from +x
  bool operator==(const Aim&) const = default;
};

/// Where a thing on a wall was measured to hang, after it was hung.
struct AsHung {
  double u = 0, v = 0;  ///< of its middle
  std::string date = {}, who = {}, note = {};
  bool operator==(const AsHung&) const = default;
};

/// A piece that was thought of for one place.
enum class CandidateState { Open, Finalist, Chosen, Rejected };
struct Candidate {
  PieceId piece;
  std::string note = {};  ///< what was felt of it, in the owner's words
  CandidateState state = CandidateState::Open;
  std::string why = {};   ///< why it was turned down or chosen
  std::string date = {};  ///< of the last word on it: 2026-03-31
  bool operator==(const Candidate&) const = default;
};
/// Still thought of: chosen, or a finalist.
[[nodiscard]] inline bool isInTheRunning(const Candidate& c) {
  return c.state == CandidateState::Chosen || c.state == CandidateState::Finalist;
}

struct Placement {
  PlacementId id;
  PieceId piece;
  Place on;
  Extra extra;
  bool locked = false;     ///< stays where it is until unlocked
  std::string group = {};  ///< what stands, or hangs from the ceiling, in one group moves together; "" for none
  std::vector<CornerId> setOut = {};  ///< the two walls it is set out from; empty: the nearest along its sides
  bool inUse = false;                 ///< drawn and judged as in use on every day: a drawer open, a chair pulled out
  std::optional<FloorPlace> usedAt =
      std::nullopt;        ///< where a stool stands when there is company; elsewhere it is pushed back
  bool taped = false;      ///< a rug whose edges are taped down
  bool optional = false;   ///< may be left out where it stands in the way of what must be
  CircuitId circuit = {};  ///< of a light: what it is switched with; "" until decided
  std::optional<Aim> aim = std::nullopt;
  std::optional<AsHung> asHung = std::nullopt;  ///< where it really hangs
  bool restrained = false;                      ///< tied to the wall, so that it cannot tip
  std::vector<Candidate> candidates = {};       ///< for this place, the piece that stands there among them
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

/// Left over at every cut edge of carpet, to trim to the wall [D].
inline constexpr double kCarpetTrim = 3 * kInch;
/// How broadloom is to be cut for the room's floor.
struct Broadloom {
  double roll = 0;                              ///< width of the roll
  double pile = 0;                              ///< direction of the strips in the plan, degrees anticlockwise from x
  std::optional<double> repeat = std::nullopt;  ///< of the pattern, along the pile
  double trim = kCarpetTrim;
  bool operator==(const Broadloom&) const = default;
};

/// Lights that are switched together.
enum class CircuitUse { General, Task, Accent, Evening };
struct Circuit {
  CircuitId id;
  std::string name;       ///< a letter
  PointId switchAt = {};  ///< a switch of the room; "" until chosen
  CircuitUse use = CircuitUse::General;
  bool operator==(const Circuit&) const = default;
};
/// Lights that were laid evenly in one go, and the floor area they were laid in.
struct LaidLights {
  LaidId id;
  std::vector<PlacementId> placements;
  double area = 0;  ///< mm2
  bool operator==(const LaidLights&) const = default;
};
/// Where light is asked for: at a place of the plan, on a placement or on a fixed thing.
struct LightTask {
  TaskId id;
  std::string what;  ///< "reading", "dining" ..., or the user's own word
  std::variant<Vec2, PlacementId, FeatureId> where;
  std::optional<double> height = std::nullopt;  ///< above the floor; the top of what it is on, else kTaskHeight
  std::optional<double> asked = std::nullopt;   ///< lx; by `what` until entered
  bool operator==(const LightTask&) const = default;
};

/// How things that hang on one wall were arranged, so that it is done again when one of them changes.
enum class HangAs { Free, Row, Grid, Salon, Mirrored, Loose, Match, Stair };
enum class HangLine { Centre, Top, Bottom };
struct Hang {
  std::string id;  ///< of the group of its members
  HangAs as = HangAs::Free;
  std::optional<double> gap = std::nullopt;  ///< between two of them; the usual one until typed
  int rows = 0, columns = 0;                 ///< of a grid or a match; 0: not said
  HangLine line = HangLine::Centre;          ///< of a row
  std::string like = {};                     ///< the group or placement whose outside it takes; "" for none
  long long seed = 1;
  int treads = 0;  ///< of a stair: from one frame to the next; 0: not said
  bool operator==(const Hang&) const = default;
};

/// A colour that is read as another: brown as brass.
struct ReadsAs {
  std::string from, to;  ///< "#rrggbb"
  bool operator==(const ReadsAs&) const = default;
};
/// The colours that a display is kept to, "#rrggbb". Strays are told once it is accepted.
struct ColourPalette {
  std::vector<std::string> main = {}, accent = {};
  std::vector<ReadsAs> readsAs = {};
  bool accepted = false;
  bool operator==(const ColourPalette&) const = default;
};
/// A bookcase likes many kinds under one palette, a tabletop one family in odd numbers, a mantel both with a pair.
enum class DisplaySchool { Bookcase, Tabletop, Mantel };
/// What was decided about what stands on one carrier: a placement, a fixed thing or a window.
struct DisplaySet {
  std::string carrier;
  std::optional<DisplaySchool> school = std::nullopt;  ///< by what the carrier is until said
  ColourPalette palette = {};
  std::optional<double> eyeHeight = std::nullopt, eyeDistance = std::nullopt;  ///< whose eye it is judged from
  std::string season = {};  ///< shown now; things of other seasons are put away; "": all are out
  bool operator==(const DisplaySet&) const = default;
};

/// What a part of a room is for.
enum class AreaUse { Sitting, Dining, Reading, Entry, Work };
struct RoomArea {
  AreaId id;
  AreaUse use = AreaUse::Sitting;
  Polygon outline;  ///< in the plan, anticlockwise
  bool operator==(const RoomArea&) const = default;
};
/// A column or wall that a scheme does without: structure until an engineer has signed for it.
struct TakenOut {
  std::string what;                      ///< id of the fixed thing, or "wall:A"
  std::string engineer = {}, date = {};  ///< who signed, and when; "" until then
  [[nodiscard]] bool isSigned() const { return !engineer.empty() && !date.empty(); }
  bool operator==(const TakenOut&) const = default;
};

struct Scheme {
  SchemeId id;
  RoomId room;
  std::string name;
  std::vector<Kept> kept;
  std::vector<Placement> placements;
  Extra extra;
  std::vector<LogEntry> log = {};
  std::optional<Broadloom> carpet = std::nullopt;  ///< fitted carpet; none: the floor is bare or not decided
  std::vector<Circuit> circuits = {};
  std::vector<LaidLights> laid = {};
  std::vector<LightTask> tasks = {};
  std::vector<Hang> hangs = {};
  std::vector<DisplaySet> displays = {};
  std::vector<RoomArea> areas = {};
  std::vector<TakenOut> takesOut = {};
  bool operator==(const Scheme&) const = default;
};

[[nodiscard]] const Placement* findPlacement(const Scheme&, const PlacementId&);       ///< null when it is not there
[[nodiscard]] const Circuit* findCircuit(const Scheme&, const CircuitId&);             ///< likewise
[[nodiscard]] const Hang* findHang(const Scheme&, std::string_view group);             ///< likewise
[[nodiscard]] const DisplaySet* findDisplay(const Scheme&, std::string_view carrier);  ///< likewise
/// How often a piece is placed there.
[[nodiscard]] int timesPlaced(const Scheme&, const PieceId&);
/// Things stand on each other at most so deep.
inline constexpr int kDeepestCarried = 8;
/// Where a thing stands in the plan, on the floor or, through any number of others, on something that does; none for
/// what hangs or stands on what hangs or is fixed: core/space/carried knows those.
[[nodiscard]] std::optional<FloorPlace> standsAt(const Scheme&, const Placement&);

}  // namespace mezzet
