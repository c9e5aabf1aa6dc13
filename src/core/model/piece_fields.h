// The one table of a piece's fields: list, dialog, typed line, CSV and job file are made from it. A new field is a
// member of a part in piece.h and a row here.
#pragma once

#include <array>
#include <optional>
#include <span>
#include <string>
#include <string_view>

#include "core/model/piece.h"

namespace mezzet {

enum class FieldKind {
  Id,
  Name,
  Kind,
  Shape,
  Length,  ///< mm
  Whole,   ///< how many
  Amount,  ///< kilograms, money
  Choice,  ///< one of some words
  Flag,    ///< yes or no, or not said
  Text,
  Sources,  ///< where all the lengths come from, in one text
};

/// A word of the typed line that names a size. `behind`: it stands behind its size even when another size follows, "20
/// deep 22 high".
struct LineWord {
  std::string_view word = {};
  bool behind = false;
};

struct PieceField {
  /// In the job file, and of its doubt in Piece::doubts: "seatHeight"; with a dot what is nested there: "rug.pile".
  std::string_view key = {};
  std::string_view column = {};  ///< in CSV headers: "seat"; lengths carry their unit there, "seat (in)"
  std::string_view title = {};   ///< over the list: "Seat"
  FieldKind kind = FieldKind::Length;

  /// Its value as a number: a length in mm, a whole number, an amount, the place of a choice, 0 or 1 of a flag; absent
  /// while it is not known. Null for texts.
  std::optional<double> (*number)(const Piece&) = nullptr;
  void (*setNumber)(Piece&, std::optional<double>) = nullptr;
  const std::string& (*text)(const Piece&) = nullptr;
  void (*setText)(Piece&, std::string) = nullptr;

  /// What the dialog calls it for a piece like this; "" where such a piece has none.
  std::string_view (*asked)(const Piece&) = nullptr;
  /// What the typed line says it understood, of its written value; "" where it goes without saying.
  std::string (*echo)(const Piece&, const std::string& value) = nullptr;
  std::array<LineWord, 4> words = {};  ///< of the typed line

  std::span<const std::string_view> choices = {};  ///< of a choice or a flag, by their number
  double low = 0, high = 0;                        ///< of a whole number or an amount
  bool aboveLow = false;                           ///< more than `low`, not just as much
  std::string_view hint = {};                      ///< what to type instead of what is none
  std::string_view name = {};                      ///< in a complaint: "seat height"
  std::string_view unsound = {};                   ///< what is said of a piece whose number is outside low and high
  std::string_view unsoundHint = {};
  bool required = false;  ///< the width: a piece has one
  bool zero = false;      ///< a length that may be 0
  bool doubted = true;    ///< a length that may be off, by Piece::doubts

  /// The number, where this is one and it is known.
  [[nodiscard]] std::optional<double> valueOf(const Piece&) const;
  [[nodiscard]] bool carriesDoubt() const { return kind == FieldKind::Length && doubted; }
  /// Whether a number of this kind is one a piece can have.
  [[nodiscard]] bool allows(double value) const { return (aboveLow ? value > low : value >= low) && value <= high; }
};

/// Every field, in the order of the CSV file.
[[nodiscard]] std::span<const PieceField> pieceFields();
/// The field with this key; null when there is none.
[[nodiscard]] const PieceField* findField(std::string_view key);

/// Keys that shapes are judged by.
inline constexpr std::string_view kWidthKey = "width", kDepthKey = "depth", kHeightKey = "height",
                                  kBackKey = "backHeight", kLimbKey = "longDepth";
/// Words of shapes, by their number.
inline constexpr std::array<std::string_view, 5> kShapeWords{"rect", "round", "oval", "l", "curve"};

}  // namespace mezzet
