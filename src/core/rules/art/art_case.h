// What is asked of one thing on a wall, and the art solver's question as one picture of a scheme asks it.
#pragma once

#include "core/hang/art_solver.h"
#include "core/rules/base/facts.h"
#include "core/space/below.h"

namespace mezzet {

/// The subjects of what is asked of a hung thing: all its members.
[[nodiscard]] std::vector<std::string> idsOf(const Hung&);

/// A top lower than this is too far below to be hung by, one higher sets the height alone [D].
inline constexpr double kLowTop = 26 * kInch, kHighTop = 42 * kInch;
/// What is as high as this is hung by its foot and its head [D].
inline constexpr double kHungByFootAndHead = 60 * kInch;
/// Something as high as this on the top below leaves no gap to be asked [D].
inline constexpr double kStandsUnder = 12 * kInch;

/// Which of the rules of pictures are asked of a hung thing.
struct ArtAsks {
  bool pictures = false;  ///< a picture or a textile is among them
  bool centre = false, gap = false;
  bool each = false;                       ///< of a hang along a stair the centre is asked of each frame
  std::string told = {};                   ///< why the height of its centre is not asked, where it else would be
  std::vector<std::string> gapCases = {};  ///< of the gap's rule
};
/// What such an arrangement over a flight does: it fills the wall there, bounded by what is built.
[[nodiscard]] inline bool fillsFlight(HangAs as) {
  return as == HangAs::Salon || as == HangAs::Mirrored || as == HangAs::Loose;
}
[[nodiscard]] ArtAsks artAsks(const Job&, const PieceIndex&, const Room&, const Scheme&, const Hung&,
                              const std::optional<Below>&);

/// The solver's question as the job asks it of a piece: ranges of what is not asked are open. `top`: of what is below,
/// above the floor. `complete`: everything that is asked can be (the viewers are known).
struct AskedArt {
  ArtQuestion question;
  bool complete = true;
};
[[nodiscard]] AskedArt artQuestionOf(const Job&, const Rulebook&, const Piece&, const ArtAsks&,
                                     const std::optional<double>& top, double frame);

struct ArtCase {
  Hung hung;
  Below below;
  ArtQuestion question;
  ArtSolution solution;
  std::vector<std::string> gapCases;
};

/// Absent when the placement hangs nowhere, nothing stands below it that its gap is asked over, that thing's top is not
/// measured, or a rule cannot be asked yet (no viewer is known). Where the centre is not asked its range is open.
[[nodiscard]] std::optional<ArtCase> artCaseOf(const Job&, const Rulebook&, const SchemeId&, const PlacementId&);

/// Moves all members of a picture's group so that the envelope's centre is `centre` above the floor.
[[nodiscard]] Job hungAtCentre(const Job&, const SchemeId&, const Hung&, double centre);

}  // namespace mezzet
