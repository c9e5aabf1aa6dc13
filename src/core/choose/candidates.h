// Candidates for one place: each judged where it would stand or hang, never ranked.
#pragma once

#include "core/choose/ties.h"
#include "core/rules/check.h"

namespace mezzet {

/// The job with another piece at a placement. On the floor the middle of its back stays where it was; on a wall its
/// middle stays, and over a sofa or table it goes where the rules of height and gap take it; else its place stays.
[[nodiscard]] Job withShown(const Job&, const Rulebook&, const SchemeId&, const PlacementId&, const PieceId&);

struct CandidateSeen {
  Candidate candidate;
  bool shown = false;                ///< stands there now
  Job job;                           ///< with it there
  std::vector<Finding> breaks;       ///< of weight, or of taste, that are about it and break with it there
  std::vector<std::string> changes;  ///< margins that differ from now: "height above the sofa 7 in, now 4 in"
  Ties ties;
  std::string tieWords;
  std::optional<double> price;
  std::string size;  ///< "32 x 40 in"
};
/// Each candidate of a placement, in their order; one that was turned down stands at the end.
[[nodiscard]] std::vector<CandidateSeen> candidatesSeen(const Job&, const Rulebook&, const SchemeId&,
                                                        const PlacementId&, LengthFormat, const CheckWith&,
                                                        const PicturesByName&);

/// Chooses a candidate: it stands there from then on, the one before is a finalist, and the choice is noted in the
/// scheme's log with what was felt. Refused when it is none of the placement's.
[[nodiscard]] Result<Job> withChosen(const Job&, const Rulebook&, const SchemeId&, const PlacementId&, const PieceId&,
                                     const std::string& why, const std::string& date);

/// Pieces of the job that could be thought of for the place: of the kinds that go there, not candidates yet, those of
/// its own kind first.
[[nodiscard]] std::vector<PieceId> couldBeThere(const Job&, const SchemeId&, const PlacementId&);

}  // namespace mezzet
