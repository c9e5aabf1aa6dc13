// What a mirror shows to whom.
#pragma once

#include "core/rules/base/facts.h"
#include "core/sight/reflection.h"

namespace mezzet {

/// Someone at the entry, over the middle of its opening, at the standing eye.
struct EntryEye {
  Eye eye;
  Vec2 into;      ///< straight in
  CornerId wall;  ///< of the entry
};
[[nodiscard]] std::optional<EntryEye> entryEye(const Job&, const Room&);

/// A body met on its back counts as poor from this height on [D].
inline constexpr double kTallBack = 42 * kInch;

struct MirrorEye {
  Eye eye;
  std::string who;  ///< "entry", a seat's id, "eye" of one that was given
  std::vector<Shown> sees;
  double good = 0, poor = 0;  ///< shares
};
struct MirrorViews {
  std::vector<MirrorEye> eyes;        ///< the entry first, then the main seats by id; those before the glass only
  std::optional<std::size_t> judged;  ///< the nearest to the glass in the plan
};
/// Of a seat the place that sees most that is poor. Empty for what is no mirror on a wall.
[[nodiscard]] MirrorViews mirrorViews(const Situation&, const Placement& mirror, const std::optional<Eye>& given = {});
/// In the plan: both ends of the glass, and where the rays through them end that the judged eye sees. None for what
/// hangs on no wall, or before which nobody stands or sits.
struct MirrorCone {
  Vec2 a, b, toA, toB;
};
[[nodiscard]] std::optional<MirrorCone> mirrorCone(const Situation&, const Placement& mirror);
/// The same for any glass, of one eye.
[[nodiscard]] MirrorEye seenIn(const Situation&, const Glass&, const Eye&, const std::string& who,
                               const std::string& ownSeat);
/// Light, a view, art and the fire; televisions and tall backs.
[[nodiscard]] bool isGoodToSee(const Situation&, const Shown&);
[[nodiscard]] bool isPoorToSee(const Situation&, const Shown&);

}  // namespace mezzet
