// From a frame to its hooks: how far below its top they bear, how far apart, what a wire pulls, what each hook carries.
// Statics of a body that hangs at rest; all in mm, kg and degrees.
#pragma once

#include <optional>
#include <string>
#include <vector>

#include "core/base/result.h"
#include "core/model/piece.h"
#include "core/units/weight.h"

namespace mezzet {

/// From this on two hooks are asked by the school that asks for two at all (common practice).
inline constexpr double kTwoHooksFrom = 20 * kPound, kTwoHooksWide = 24 * kInch;
/// A hook nearer to the frame's top than this shows [D].
inline constexpr double kHookShows = 0.5 * kInch;
/// A wire flatter than this carries more than the load; flatter than that is a danger [D].
inline constexpr double kSteepWire = 30, kFlatWire = 15;

/// How far a wire of a length sags between rings `rings` apart when it hangs on one hook, or on two `spread` apart.
/// Refused where the wire does not reach, or the hooks are further apart than the rings.
[[nodiscard]] Result<double> wireSag(double wire, double rings, int hooks, double spread);
/// Of its ends to the level, for a sag.
[[nodiscard]] double wireAngle(double sag, double wire, int hooks, double spread);
/// What it pulls with at that angle: load / (2 sin angle).
[[nodiscard]] double wireTension(double load, double degrees);

/// What each of two hooks carries of a load whose centre of mass is at `mass`, by moments about each other. One may be
/// less than nothing: the frame then lifts off it.
struct HookLoads {
  double left = 0, right = 0;
};
[[nodiscard]] HookLoads hookLoads(double load, double left, double right, double mass);

/// A weight, and whether it is only guessed by kind and size: then it is that much more or less by half.
struct FrameWeight {
  double kg = 0;
  bool guess = false;
};
/// As entered; else pictures 8 kg/m2, behind glass 12, mirrors 2.5 kg per m2 and mm at 4 mm with 3 kg per m of frame
/// [D]; else not known.
[[nodiscard]] std::optional<FrameWeight> weightOf(const Piece&);

/// Whether the school of two asks for two: by weight or width.
[[nodiscard]] bool asksTwoHooks(const Piece&);
/// One hook or two.
enum class HookSchool { One, Two };
/// As entered; else two for two rings and keyholes and where the school asks for two, one for what bears on one alone.
[[nodiscard]] int hookCount(const Piece&, HookSchool);
/// What is not known of a frame, and what is usual.
struct HookMissing {
  std::string key;              ///< of the field: "frame.hanger.drop"
  std::string words;            ///< "how far below the top the hook bears"
  std::optional<double> usual;  ///< offered, never taken by itself
};
struct Hooks {
  std::vector<double> across;  ///< from the frame's middle, from left to right
  double drop = 0;
  std::optional<double> wireDegrees;
  std::vector<std::string> says;  ///< what shows, what pulls hard
};
struct HooksFound {
  std::optional<Hooks> hooks;  ///< where nothing is missing and the wire reaches
  std::vector<HookMissing> missing;
  std::string fault;  ///< in words where the wire does not reach, or the hooks stand outside the frame
};
[[nodiscard]] HooksFound hooksOf(const Piece&, HookSchool, LengthFormat);
/// Of the drop by kind [D]: wire 3 in, teeth 1/2 in, rings and cleats 2 in; none of keyholes, which are measured.
[[nodiscard]] std::optional<double> usualDrop(HangerKind);

}  // namespace mezzet
