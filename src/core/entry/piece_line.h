// The typed line: "sofa 84 x 36 x 33 seat 18", "rug 8x10", "4 chairs 18 x 20 x 34", "art 40 x 30".
#pragma once

#include <string>
#include <string_view>
#include <vector>

#include "core/entry/line_words.h"
#include "core/model/job.h"
#include "core/units/length.h"

namespace mezzet {

/// What a typed line was understood as, or where and why it was not.
struct PieceReading {
  std::optional<Piece> piece;         ///< without id; sizes that were not typed are usual ones, marked as defaults
  int count = 1;                      ///< how many were asked for
  std::string echo;                   ///< "Picture, 40 in wide, 30 in high"; what was understood
  std::vector<std::string> notes;     ///< what was assumed, one sentence each
  std::string over = {};              ///< a kind of table that it is to hang over; "": not said
  std::optional<HangWish> hang = {};  ///< how several are to hang: "row 2"
  bool canSwap = false;               ///< a picture: its two sizes can be meant the other way round
  std::size_t at = 0;                 ///< character the complaint is about
  std::string complaint;              ///< one sentence; empty when read
  std::string completion;             ///< what Tab would add to the line
};

/// Reads one line; bare numbers are in the job's unit, but of rugs up to 20 in feet (metric: up to 1000 in cm). Sizes
/// are width x depth x height; of a picture width x height; words give the rest: seat, arm, back, high, pad, dia, limb,
/// return, left, right; of what hangs row, grid, salon, loose or mirrored, with the gap behind it. Text in quotes is
/// the name. `swapped` takes a picture's sizes the other way round.
[[nodiscard]] PieceReading readPieceLine(std::string_view text, Unit bare, LengthFormat format, bool swapped = false);

/// What a piece is, in one line: "Sofa, 84 in wide, 36 in deep, 33 in high, seat 18 in; usual: arm 25 in".
[[nodiscard]] std::string pieceWords(const Piece&, LengthFormat format);

}  // namespace mezzet
