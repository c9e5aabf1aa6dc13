// A scheme: what stands and hangs where in a room, and what was decided about it.
#pragma once

#include <string>
#include <vector>

#include "core/model/place.h"

namespace mezzet {

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
  bool taped = false;  ///< a rug whose edges are taped down
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

[[nodiscard]] const Placement* findPlacement(const Scheme&, const PlacementId&);  ///< null when it is not there
/// Where a thing stands in the plan, on the floor or on something that does; none for what hangs.
[[nodiscard]] std::optional<FloorPlace> standsAt(const Scheme&, const Placement&);

}  // namespace mezzet
