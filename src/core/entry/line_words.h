// Words and sizes of the typed line.
#pragma once

#include <array>
#include <optional>
#include <string>
#include <string_view>
#include <vector>

#include "core/entry/words.h"
#include "core/model/piece_fields.h"
#include "core/model/scheme.h"

namespace mezzet {

inline bool isDigit(char c) { return c >= '0' && c <= '9'; }

/// A kind in the user's own words, up to the first number; throws Refusal.
struct OwnKind {
  std::string name, kind;
  std::size_t end = 0;
};
[[nodiscard]] OwnKind ownKindAt(std::string_view text, std::size_t at);
/// "row", "grid", "salon", "loose", "mirrored", and back.
[[nodiscard]] std::optional<HangAs> hangAsWord(std::string_view word);
[[nodiscard]] std::string_view hangAsWord(HangAs);
/// How several are to hang, and how far apart.
struct HangWish {
  HangAs as = HangAs::Row;
  std::optional<double> gap = std::nullopt;
};
[[nodiscard]] std::string wishWords(const HangWish&, LengthFormat);  ///< ", hung as a row, 2 in apart"

/// Characters (not bytes) before a byte of UTF-8 text.
[[nodiscard]] std::size_t characters(std::string_view text, std::size_t byte);

/// What "20 dia" sets: width and depth of a round thing.
inline constexpr std::string_view kDiameter = "diameter";

/// A word that says which size follows it or stands before it, and the key of its field.
struct SizeWord {
  LineWord said;
  std::string_view key;
};
[[nodiscard]] std::optional<SizeWord> sizeWord(std::string_view word);
/// "round", "oval", "curved", "corner", "square".
[[nodiscard]] std::optional<Shape> shapeWord(std::string_view word);
inline constexpr std::array<std::string_view, 9> kUnits{"in", "inch", "inches", "ft", "foot", "feet", "mm", "cm", "m"};

/// A size as it was typed.
struct Typed {
  double length;
  std::size_t at;
  bool bare;  ///< no unit was typed
  std::string_view text;
};
/// The length that begins there, and where the line goes on; throws Refusal.
struct TypedTo {
  Typed typed;
  std::size_t end = 0;
};
[[nodiscard]] TypedTo typedLengthAt(std::string_view text, std::string_view low, std::size_t at, Unit bare);
/// "234 x 102 x 84 cm": the unit behind the last size is that of all of them.
void shareUnit(std::vector<Typed>& sizes, Unit bare);

/// "two" to "ten".
[[nodiscard]] std::optional<int> countWord(std::string_view word);

/// The kind whose name a text in small letters begins with, in the singular or the plural, and how long that is.
struct KindHere {
  std::string kind;
  std::size_t length = 0;
  std::optional<Mount> mount = {};
};
[[nodiscard]] std::optional<KindHere> kindAt(std::string_view rest);
/// After the word "over" at `at`: a top that a light can hang over, and how long both are; plain "table" is a dining
/// table.
[[nodiscard]] std::optional<KindHere> topAfterOver(std::string_view low, std::size_t at);

/// How many, and where the line goes on: "4 chairs", "four chairs", "chairs". None where a number stands that counts
/// nothing.
struct CountHere {
  int count = 1;
  std::size_t next = 0;
};
[[nodiscard]] std::optional<CountHere> countAt(std::string_view text, std::string_view low, std::size_t at);

/// Where a length that begins at `at` ends: at the next "x", a word that is no unit, a quoted name. `bare` turns false
/// when it carries a unit. `low` is the text in small letters.
[[nodiscard]] std::size_t lengthEnd(std::string_view text, std::string_view low, std::size_t at, bool& bare);

/// One of w, d and h by itself, before a number or behind one; 0 for anything else.
[[nodiscard]] char letterAt(std::string_view low, std::size_t at, bool before);

/// A bare rug size that would be absurd in the job's unit is in feet, or in centimetres; a note says so, once.
[[nodiscard]] double rugSize(const Typed&, Unit bare, std::vector<std::string>& notes);

/// The word that begins there: letters, with hyphens inside it.
[[nodiscard]] std::string_view wordAt(std::string_view low, std::size_t at);
/// "an étagère", "a lamp": in small letters.
[[nodiscard]] std::string withArticle(const std::string& name);

}  // namespace mezzet
