// The piece list as a table of texts: one row a piece, one column a property. The table on the screen, what is pasted
// from a spreadsheet and CSV files all pass through here.
#pragma once

#include <string>
#include <string_view>
#include <vector>

#include "core/base/result.h"
#include "core/model/job.h"

namespace mezzet {

/// What rows of text were read as. Nothing is taken unless `faults` is empty.
struct TableReading {
  std::vector<Piece> pieces;       ///< without id where the row gave none
  std::vector<std::string> notes;  ///< what was not read or was assumed, one sentence each
  std::vector<Error> faults;       ///< `where` is "row 3, Depth"; at most kMostFaults of them
  std::size_t faulty = 0;          ///< how many rows could not be read
};
inline constexpr std::size_t kMostFaults = 5;

/// True when the first row names columns rather than a piece.
[[nodiscard]] bool isHeader(const std::vector<std::string>& row);

/// Reads rows under a header. Columns come in any order, under any of their usual names; a unit in brackets behind a
/// column's name, "width (cm)", is that of its bare numbers. Rows are counted as a spreadsheet does: the
/// header is row `headerRow`.
/// A row with the id of a `known` piece changes only the columns that are there.
[[nodiscard]] TableReading readPieceTable(const std::vector<std::vector<std::string>>& rows, Unit bare,
                                          const std::vector<Shared<Piece>>& known = {}, std::size_t headerRow = 1);

/// The pieces as rows under a header, with lengths as decimal numbers in `unit`: read again with these pieces known,
/// nothing changes.
[[nodiscard]] std::vector<std::vector<std::string>> pieceRows(const std::vector<Shared<Piece>>&, Unit unit);

/// Pieces of a table put into a job: those with the id of a piece that is there change it, others are new. Images, own
/// rules and what the table does not hold stay as they are. Refused as a whole if one of them is not sound.
[[nodiscard]] Result<Job> withPieceTable(const Job&, const std::vector<Piece>&, class IdSource&);

}  // namespace mezzet
