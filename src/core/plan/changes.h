// What differs between two states of a job, in measures: two schemes, two issues, planned and built.
#pragma once

#include "core/rules/check.h"

namespace mezzet {

/// A figure with what it is told apart by: pieces rather than placements, so that two schemes can be compared.
struct KeyedFigure {
  std::string key;
  IssuedFigure figure;
  bool less = false, more = false;  ///< which way is better where no range says it
};
/// Every measured finding of a scheme, but matters of taste, and what it leaves and offers: seats, ways, free floor and
/// walls, what breaks.
[[nodiscard]] std::vector<KeyedFigure> figuresFor(const Job&, const Rulebook&, const SchemeId&, LengthFormat,
                                                  const CheckWith&);
/// Those of one scheme a room, as an issue keeps them.
[[nodiscard]] std::vector<IssuedFigure> figuresToIssue(const Job&, const Rulebook&, const std::vector<const Scheme*>&,
                                                       LengthFormat);

struct Change {
  std::string id, what, room, stage;  ///< "floor", "light", "walls", "displays"
  std::optional<double> from, to;     ///< none: it is only in one of the two
  std::string unit;
  std::optional<bool> better;
};
/// By room and stage, as they come in `to`; what is only in `from` last.
[[nodiscard]] std::vector<Change> changesBetween(const std::vector<KeyedFigure>& from,
                                                 const std::vector<KeyedFigure>& to);
[[nodiscard]] std::vector<Change> changesBetween(const std::vector<IssuedFigure>& from,
                                                 const std::vector<IssuedFigure>& to);
/// As it was planned: the sizes that were ordered by.
[[nodiscard]] Job asPlanned(const Job&);
/// As it was built: the sizes that came, and where frames really hang.
[[nodiscard]] Job asBuilt(const Job&, const std::vector<const Scheme*>&);
[[nodiscard]] std::vector<Change> plannedAndBuilt(const Job&, const Rulebook&, const Scheme&, LengthFormat,
                                                  const CheckWith&);

/// "14 in", "3", "12.5 sq ft": a figure as people read it.
[[nodiscard]] std::string figureText(double value, const std::string& unit, LengthFormat, Unit);
/// "Sofa and low table, ...: 16 in, was 14 in (better)."
[[nodiscard]] std::string changeWords(const Change&, LengthFormat, Unit);

}  // namespace mezzet
