// The art solver's question as one picture of a scheme asks it.
#pragma once

#include "core/hang/art_solver.h"
#include "core/space/standing.h"
#include "core/rules/base/facts.h"

namespace mezzet {

/// The subjects of what is asked of a hung thing: all its members.
[[nodiscard]] std::vector<std::string> idsOf(const Hung&);

struct ArtCase {
  Hung hung;
  Standing below;
  ArtQuestion question;
  ArtSolution solution;
};

/// Absent when the placement hangs nowhere, nothing stands below it, that thing's top is not measured, or a rule
/// cannot be asked yet (no viewer is known).
[[nodiscard]] std::optional<ArtCase> artCaseOf(const Job&, const Rulebook&, const SchemeId&, const PlacementId&);

/// Moves all members of a picture's group so that the envelope's centre is `centre` above the floor.
[[nodiscard]] Job hungAtCentre(const Job&, const SchemeId&, const Hung&, double centre);

}  // namespace mezzet
