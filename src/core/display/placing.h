// Putting things on surfaces: thrown into a bay, moved by a tape, raised, in the frame of what carries them.
#pragma once

#include <optional>
#include <string>
#include <vector>

#include "core/display/display.h"
#include "core/space/tapes.h"

namespace mezzet {

/// The place of a thing whose middle is at x, y of a display (from its left end, behind its front edge), in the frame
/// of its carrier, turned and lying as `like`.
[[nodiscard]] CarriedPlace placeOn(const Display&, std::size_t bay, double x, double y, const CarriedPlace& like);

/// The free place of a bay that is nearest to x, at the front of its shelf; none where it does not fit. What leans
/// stands at the back, whatever is before it.
[[nodiscard]] std::optional<CarriedPlace> freeIn(const Display&, std::size_t bay, const Piece&, Lie, double x);
/// How a thing is put into bays at first: pictures lean, everything else stands.
[[nodiscard]] Lie usualLie(const Piece&);

/// A thing of the scheme, or one that is not placed yet, thrown into a bay at x: its neighbours close up round it as
/// far as the bay reaches, on both sides, and locked ones stay. The job as it was where nothing carries under that id.
[[nodiscard]] Job withThrown(const Job&, const SchemeId&, const std::string& carrier, std::size_t bay,
                             const Placement& thing, double x);

/// A thing that stands on a surface, on a riser of its own, so high. The job as it was where it stands on nothing.
[[nodiscard]] Job withRiser(const Job&, const SchemeId&, const PlacementId&, double rise, IdSource&);

/// What is read beside a thing: left and right to its neighbours or the bay's sides, up what is left over it (none of
/// an open one), and its front behind the shelf's edge; that one in the section, x behind the edge.
[[nodiscard]] std::vector<Tape> displayTapes(const Display&, const DisplayedThing&);
/// Where the thing goes so that a tape reads so; none for up, which only its height or the shelf changes.
[[nodiscard]] std::optional<CarriedPlace> placeForTape(const Display&, const DisplayedThing&, const Tape&,
                                                       double length);
/// Moved by a drag of the elevation: along x on its surface; none of what does not stand there.
[[nodiscard]] std::optional<CarriedPlace> movedOn(const Display&, const DisplayedThing&, double byX, double byY);

}  // namespace mezzet
