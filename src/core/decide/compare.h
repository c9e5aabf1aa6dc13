// Two schemes of one room beside each other, as a list of measured differences.
#pragma once

#include "core/rules/check.h"

namespace mezzet {

/// What is lower leaves the wall above it free [D].
inline constexpr double kLowPieces = 36 * kInch;

/// What a scheme leaves and offers, so that schemes can be compared.
struct SchemeFigures {
  int seats = 0, placed = 0;
  int breaks = 0, kept = 0;
  double storage = 0;                                ///< length of the fronts of cupboards and shelves
  std::vector<std::pair<std::string, double>> ways;  ///< clear width to each other opening, in the room's order
  double freeFloor = 0;  ///< mm²: the room less what is fixed and what stands in it; rugs are floor
  std::vector<std::pair<CornerId, double>>
      freeWall;  ///< longest run of each wall that no door and nothing standing takes
  /// Longest run of each wall above kLowPieces that no opening, nothing tall and nothing hung takes: room for a
  /// picture.
  std::vector<std::pair<CornerId, double>> freeAbove;
};
[[nodiscard]] SchemeFigures figuresOf(const Job&, const Rulebook&, const SchemeId&, LengthFormat format,
                                      const CheckWith&);

/// The figures as short words for a scheme's picture: "5 seats", "free floor 190.4 sq ft", "way to door d2 30 in" ...
[[nodiscard]] std::vector<std::string> figureWords(const SchemeFigures&, const Room&, Unit, LengthFormat);

/// How `other` differs from `one`, in sentences with measures: "Low table: 2 in nearer to the sofa", "Free wall on B:
/// 18 in longer". Pieces are matched by piece and order; empty when nothing differs.
[[nodiscard]] std::vector<std::string> differences(const Job&, const Rulebook&, const SchemeId& one,
                                                   const SchemeId& other, LengthFormat format, const CheckWith&);

/// A scheme with its check and what follows from it, for whoever shows several of these.
struct Judged {
  SchemeId scheme;
  std::vector<Finding> findings;
  SchemeFigures figures;
};
[[nodiscard]] Judged judged(const Job&, const Rulebook&, const SchemeId&, LengthFormat format, const CheckWith&);
[[nodiscard]] std::vector<std::string> differences(const Job&, const Judged& one, const Judged& other,
                                                   LengthFormat format);

}  // namespace mezzet
