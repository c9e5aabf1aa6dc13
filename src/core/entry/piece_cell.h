// One field of a piece as text: cells of the list, fields of the dialog, cells of CSV files.
#pragma once

#include <string>
#include <string_view>

#include "core/base/result.h"
#include "core/model/piece_fields.h"
#include "core/units/length.h"

namespace mezzet {

/// What a cell shows: "84 in", with where it comes from when that is more than a tape: "84 in ±1 in ticket", "17 in
/// usual".
[[nodiscard]] std::string pieceCell(const Piece&, const PieceField&, LengthFormat);

/// Takes what was typed into a cell. A length may carry its doubt and source in any order behind it: `84 ±1 ticket`,
/// `84 guess` (then the usual doubt of a guess), `84 +-1/2`. An empty cell takes the value out. Kinds are read with
/// their other names ("couch" is a sofa). The error's `where` is the column's title.
[[nodiscard]] Result<Piece> withPieceCell(Piece, const PieceField&, std::string_view text, Unit bare);

/// The text of a "sources" cell, lengths in this unit: "width ticket ±25.4; depth guess ±50.8".
[[nodiscard]] std::string sourcesText(const Piece&, double unit);
/// A number as people write it: the fewest digits that, times the unit, give the very same number again.
[[nodiscard]] std::string numberText(double value, double unit);

}  // namespace mezzet
