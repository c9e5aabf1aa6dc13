// The piece list as a table of texts: one row a piece, one column a property. The table on the screen, what is pasted
// from a spreadsheet and CSV files all pass through here.
#pragma once

#include <string>
#include <string_view>
#include <vector>

#include "core/model/job.h"
#include "core/base/result.h"

namespace mezzet {

enum class PieceField {
  Id,
  Name,
  Kind,
  Shape,
  Length,
  Hand,
  Count,
  Sources,
  Seats,
  Material,
  Back,
  Weight,
  Owned,
  Price
};

struct PieceColumn {
  std::string_view key;    ///< in CSV headers: "seat"; lengths carry their unit there, "seat (in)"
  std::string_view title;  ///< on the screen: "Seat"
  PieceField field = PieceField::Length;
  std::optional<double> Piece::*member = nullptr;  ///< of a length; null for the width
  std::string_view dimension = {};                 ///< its name in Piece::doubts
};

/// Every column, in the order of the CSV file.
[[nodiscard]] const std::vector<PieceColumn>& pieceColumns();

/// What a cell shows: "84 in", with where it comes from when that is more than a tape: "84 in ±1 in ticket", "17 in
/// usual".
[[nodiscard]] std::string pieceCell(const Piece&, const PieceColumn&, LengthFormat);

/// Takes what was typed into a cell. A length may carry its doubt and source in any order behind it: `84 ±1 ticket`,
/// `84 guess` (then the usual doubt of a guess), `84 +-1/2`. An empty cell takes the value out. Kinds are read with
/// their other names ("couch" is a sofa). The error's `where` is the column's title.
[[nodiscard]] Result<Piece> withPieceCell(Piece, const PieceColumn&, std::string_view text, Unit bare);

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
