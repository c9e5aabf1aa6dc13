// Candidates, areas, what a scheme takes out and the budget, as edits.
#pragma once

#include "core/base/result.h"
#include "core/model/job.h"

namespace mezzet {

/// A piece is thought of for this place. What stands there is among them from then on, as chosen. Refused when the
/// piece is none, or when there are too many.
[[nodiscard]] Result<Job> withCandidate(const Job&, const SchemeId&, const PlacementId&, const PieceId&);
/// Takes it off the list; what stands there stays on it.
[[nodiscard]] Job withoutCandidate(const Job&, const SchemeId&, const PlacementId&, const PieceId&);
/// Says something of a candidate: its note, its state with the reason. One is chosen: the one that was is a finalist
/// then. What stands there cannot be turned down; a rejection asks for a reason.
[[nodiscard]] Result<Job> withCandidateSaid(const Job&, const SchemeId&, const PlacementId&, Candidate);

[[nodiscard]] Result<Job> withAreas(const Job&, const SchemeId&, std::vector<RoomArea>);
/// Adds what is taken out, or replaces it.
[[nodiscard]] Result<Job> withTakenOut(const Job&, const SchemeId&, TakenOut);
[[nodiscard]] Job withoutTakenOut(const Job&, const SchemeId&, const std::string& what);
[[nodiscard]] Result<Job> withBudget(const Job&, BudgetList);

/// What a scheme takes out that no engineer has signed for. Such a scheme is not to build from.
[[nodiscard]] std::vector<std::string> unsignedIn(const Scheme&);

}  // namespace mezzet
