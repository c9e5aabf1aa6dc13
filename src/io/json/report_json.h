// What mezzet-cli answers in JSON; the shapes are fixed in docs/cli.md.
#pragma once

#include <string>
#include <vector>

#include "core/hang/as_hung.h"
#include "core/walk/free_space.h"
#include "core/space/gaps.h"
#include "core/rules/art/art_case.h"
#include "core/decide/size_card.h"
#include "core/decide/ways_out.h"

namespace mezzet {

struct CheckReport {
  RoomId room;
  SchemeId scheme;
  std::vector<Finding> findings;
  std::vector<std::vector<WayOut>> waysOut;  ///< one list per finding
  bool strict = false;                       ///< taste is counted
  std::vector<Deviation> asHung = {};        ///< where things hang otherwise than planned, where that was asked
};
[[nodiscard]] std::string checkJson(const CheckReport&, const Rulebook&);
[[nodiscard]] std::string sizeJson(const RoomId&, const SchemeId&, const SizeCard&);
[[nodiscard]] std::string gapsJson(const std::vector<Gap>&);
[[nodiscard]] std::string routeJson(const Way&);
[[nodiscard]] std::string reachJson(const std::vector<std::string>& reached, const std::vector<std::string>& missed);
[[nodiscard]] std::string turningJson(const TurningCircle&);
/// Of a picture with nothing below it, gap and frame heights are null.
[[nodiscard]] std::string artJson(const ArtSolution&);

}  // namespace mezzet
