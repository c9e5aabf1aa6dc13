// In which order things are set down and hung, which of that is done, and what still waits for a tape.
#pragma once

#include "core/rules/base/rulebook.h"

namespace mezzet {

/// What stands on the floor, in the order in which it is set down: rugs that others stand on first, then from the
/// furthest corner towards where one comes in, so that nothing is carried past.
[[nodiscard]] std::vector<PlacementId> settingOrder(const Job&, const Room&, const Scheme&);
/// What hangs on a wall, in the order in which it is hung.
[[nodiscard]] std::vector<PlacementId> hangOrder(const Job&, const Rulebook&, const Room&, const Scheme&,
                                                 const CornerId& wall);
/// It is there: on the floor what is owned or came, on a wall what was taped where it hangs.
[[nodiscard]] bool isDone(const Job&, const Placement&);

/// Something that nobody has measured yet.
struct Waiting {
  SchemeId scheme;
  PlacementId placement;
  std::string says;  ///< "Low table: on order; tape it when it comes"
};
/// Of the schemes that are built: what is on order, sizes that are guessed, not known or by their ticket, and what
/// hangs and was not taped while others of its wall were. Each placement once, by room.
[[nodiscard]] std::vector<Waiting> waitingForTape(const Job&, const std::vector<const Scheme*>&);

}  // namespace mezzet
