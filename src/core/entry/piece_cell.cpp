#include "core/entry/piece_cell.h"

#include <algorithm>
#include <array>
#include <charconv>
#include <cmath>

#include "core/entry/words.h"
#include "core/model/kinds.h"

namespace mezzet {
namespace {

constexpr std::array<std::string_view, 4> kSources{"measured", "ticket", "guess", "usual"};
constexpr std::size_t kLongestText = 200;

std::optional<double> readNumber(std::string_view text) {
  double value = 0;
  const auto [end, fault] = std::from_chars(text.data(), text.data() + text.size(), value);
  if (fault != std::errc{} || end != text.data() + text.size()) return std::nullopt;
  return value;
}

/// "ticket" from the end of a text, with the blank before it.
std::optional<DimensionSource> takeSource(std::string& text) {
  for (std::size_t i = 0; i < kSources.size(); ++i)
    if (text.ends_with(kSources[i])) {
      text = trimmed(std::string_view(text).substr(0, text.size() - kSources[i].size()));
      return static_cast<DimensionSource>(i);
    }
  return std::nullopt;
}

struct Dimension {
  std::optional<double> length;
  std::optional<Doubt> doubt;
};

/// "84 ±1 ticket"
Result<Dimension> readDimension(std::string_view typed, std::string_view kind, Unit bare, const std::string& where) {
  std::string text = lower(trimmed(typed));
  Dimension out;
  if (text.empty() || text == "-") return out;
  std::optional<DimensionSource> source = takeSource(text);
  std::optional<double> u95;
  for (const std::string_view mark : {"\u00b1", "+/-", "+-"})
    if (const std::size_t at = text.find(mark); at != std::string::npos) {
      std::string behind = trimmed(std::string_view(text).substr(at + mark.size()));
      if (!source) source = takeSource(behind);
      const bool zero = behind == "0";  // "0" is no length, but a ± may be none
      const LengthReading doubt = zero ? LengthReading{0.0, 0, {}} : readLength(behind, bare);
      if (!doubt)
        return Error{where, "has a \u00b1 that cannot be read: \"" + behind + "\"", "Type it as 84 \u00b11/2 ticket"};
      u95 = *doubt.length;
      text = trimmed(std::string_view(text).substr(0, at));
      if (!source) source = takeSource(text);
      break;
    }
  const LengthReading reading = readLength(text, bare);
  if (!reading) return Error{where, "cannot be read: \"" + trimmed(typed) + "\"", reading.complaint};
  out.length = reading.length;
  if (source || u95) {
    const DimensionSource from = source.value_or(DimensionSource::Measured);
    out.doubt = Doubt{from, u95.value_or(usualDoubt(kind, from))};
  }
  return out;
}

std::string kindOf(const std::string& words) {
  const std::string low = lower(words);
  for (const NamedKind& named : kindNames())
    if (low == named.words || low == std::string(named.words) + "s") return std::string(named.kind);
  std::string own = low;
  std::replace(own.begin(), own.end(), ' ', '-');
  return own;
}

std::optional<Error> takeSources(Piece& piece, std::string_view text, Unit bare, const std::string& where) {
  piece.doubts.clear();
  std::string rest = trimmed(text);
  while (!rest.empty()) {
    const std::size_t end = std::min(rest.find(';'), rest.size());
    const std::string part = lower(trimmed(std::string_view(rest).substr(0, end)));
    rest = end < rest.size() ? trimmed(std::string_view(rest).substr(end + 1)) : "";
    if (part.empty()) continue;
    const auto column = std::find_if(pieceFields().begin(), pieceFields().end(), [&](const PieceField& c) {
      return c.carriesDoubt() && part.starts_with(c.column) &&
             (part.size() == c.column.size() || part[c.column.size()] == ' ');
    });
    // The length itself stands in its own column: a stand-in of 1 lets the same reader take source and ±.
    const Error unread{where, "cannot be read: \"" + part + "\"",
                       "Say a size, its source and its \u00b1, such as width ticket \u00b11"};
    if (column == pieceFields().end()) return unread;
    const auto read = readDimension("1 " + part.substr(column->column.size()), piece.kind, bare, where);
    if (!read || !read->doubt) return unread;
    piece.doubts[std::string(column->key)] = *read->doubt;
  }
  return std::nullopt;
}

Error unknownWord(const std::string& where, const std::string& text, const std::string& say) {
  return {where, "is not known: \"" + text + "\"", say};
}

/// Limbs to start from: a seat's depth, at most half of the whole [D].
Result<Piece> withShapeCell(Piece piece, const std::string& text, const std::string& where) {
  const std::string word = lower(text);
  const auto at = text.empty() || word == "rectangular" ? kShapeWords.begin()
                                                        : std::find(kShapeWords.begin(), kShapeWords.end(), word);
  if (at == kShapeWords.end()) return unknownWord(where, text, "Say rect, round, oval, l or curve");
  piece.shape = static_cast<Shape>(at - kShapeWords.begin());
  constexpr double kLimb = 36 * kInch;
  const auto start = [&](std::optional<double> LimbPart::*limb, double most) {
    if (!((*piece.limbs).*limb)) piece.limbs.edit().*limb = std::min(kLimb, most);
  };
  keepRound(piece);
  if (piece.shape == Shape::L) {
    if (!piece.depth) piece.depth = piece.width;
    start(&LimbPart::longDepth, *piece.depth / 2);
    start(&LimbPart::returnWidth, piece.width / 2);
  }
  if (piece.shape == Shape::Curve) {
    if (!piece.depth) piece.depth = piece.width / 2;
    start(&LimbPart::longDepth, *piece.depth / 2);
  }
  return piece;
}

/// Whole numbers and amounts.
Result<Piece> withNumberCell(Piece piece, const PieceField& field, const std::string& text, const std::string& where) {
  const bool whole = field.kind == FieldKind::Whole;
  const auto read = readNumber(text);
  if (!text.empty() && (!read || !field.allows(*read) || (whole && *read != std::floor(*read))))
    return Error{where,
                 (whole ? "is not a whole number from " + numberText(field.low, 1) + " to " + numberText(field.high, 1)
                        : std::string("is not an amount")) +
                     ": \"" + text + "\"",
                 std::string(field.hint)};
  field.setNumber(piece, text.empty() ? std::nullopt : read);
  return piece;
}

/// One of some words.
Result<Piece> withWordCell(Piece piece, const PieceField& field, const std::string& text, const std::string& where) {
  const auto at = std::find(field.choices.begin(), field.choices.end(), lower(text));
  if (!text.empty() && at == field.choices.end()) {
    std::vector<std::string> words(field.choices.begin(), field.choices.end());
    if (field.kind == FieldKind::Flag) std::reverse(words.begin(), words.end());  // yes or no
    std::string all;
    for (std::size_t i = 0; i < words.size(); ++i)
      all += (i == 0 ? "" : i + 1 == words.size() ? " or " : ", ") + words[i];
    return unknownWord(where, text, "Say " + all);
  }
  field.setNumber(piece, text.empty() ? std::nullopt : std::optional<double>(at - field.choices.begin()));
  return piece;
}

Result<Piece> withLengthCell(Piece piece, const PieceField& field, const std::string& text, Unit bare,
                             const std::string& where) {
  const auto read = readDimension(text, piece.kind, bare, where);
  if (!read) return read.error();
  const std::string dimension(field.key);
  if (!read->length) {
    if (field.required) return Error{where, "is empty", "Type the width as the tape reads"};
    field.setNumber(piece, std::nullopt);
    piece.doubts.erase(dimension);
    return piece;
  }
  if (!(field.zero && *read->length == 0))
    if (const auto fault = faultOfLength(*read->length, where)) return *fault;
  field.setNumber(piece, read->length);
  // A round thing has one size across.
  if (piece.shape == Shape::Round &&
      (field.key == kWidthKey || field.key == (isSeenUpright(piece.kind) ? kHeightKey : kDepthKey))) {
    piece.width = *read->length;
    keepRound(piece);
  }
  if (!field.doubted) return piece;
  piece.doubts.erase(dimension);
  if (read->doubt && *read->doubt != Doubt{}) piece.doubts[dimension] = *read->doubt;
  return piece;
}

}  // namespace

std::string numberText(double length, double unit) {
  std::array<char, 40> text{};
  const char* end = text.data();
  for (int digits = 1; digits <= 17; ++digits) {
    double back = 0;
    end = std::to_chars(text.data(), text.data() + text.size(), length / unit, std::chars_format::general, digits).ptr;
    std::from_chars(text.data(), end, back);
    if (back * unit == length) break;
  }
  // Large numbers would come with an exponent, which spreadsheets write and people do not.
  if (std::string_view(text.data(), end).find('e') != std::string_view::npos)
    end = std::to_chars(text.data(), text.data() + text.size(), length / unit, std::chars_format::fixed).ptr;
  return std::string(static_cast<const char*>(text.data()), end);
}

std::string sourcesText(const Piece& piece, double unit) {
  std::string out;
  for (const PieceField& column : pieceFields()) {
    if (!column.carriesDoubt()) continue;
    const auto doubt = piece.doubts.find(std::string(column.key));
    if (doubt == piece.doubts.end() || doubt->second == Doubt{}) continue;
    out += (out.empty() ? "" : "; ") + std::string(column.column) + " " +
           std::string(kSources[static_cast<std::size_t>(doubt->second.source)]);
    out += " \u00b1" + numberText(doubt->second.u95, unit);  // also 0: without it a ticket has its usual ±
  }
  return out;
}

std::string pieceCell(const Piece& piece, const PieceField& field, LengthFormat format) {
  const auto number = field.valueOf(piece);
  switch (field.kind) {
    case FieldKind::Id: return piece.id.value;
    case FieldKind::Name: return piece.name;
    case FieldKind::Kind: return std::string(kindWords(piece.kind));
    case FieldKind::Shape: return std::string(kShapeWords[static_cast<std::size_t>(piece.shape)]);
    case FieldKind::Sources: return sourcesText(piece, 1);
    case FieldKind::Text: return field.text(piece);
    case FieldKind::Whole:
    case FieldKind::Amount: return number ? numberText(*number, 1) : "";
    case FieldKind::Choice:
      if (field.asked != nullptr && field.asked(piece).empty()) return {};
      [[fallthrough]];
    case FieldKind::Flag: return number ? std::string(field.choices[static_cast<std::size_t>(*number)]) : "";
    case FieldKind::Length: break;
  }
  if (!number) return {};
  std::string text = writeLength(*number, format);
  const auto doubt = field.doubted ? piece.doubts.find(std::string(field.key)) : piece.doubts.end();
  if (doubt == piece.doubts.end() || doubt->second == Doubt{}) return text;
  if (doubt->second.u95 > 0) text += " \u00b1" + writeLength(doubt->second.u95, format);
  if (doubt->second.source != DimensionSource::Measured)
    text += " " + std::string(kSources[static_cast<std::size_t>(doubt->second.source)]);
  return text;
}

Result<Piece> withPieceCell(Piece piece, const PieceField& field, std::string_view typed, Unit bare) {
  const std::string text = trimmed(typed), where(field.title);
  if (text.size() > kLongestText && field.kind != FieldKind::Sources)
    return Error{where, "is longer than 200 letters", "Shorten it"};
  switch (field.kind) {
    case FieldKind::Id: piece.id = PieceId(text); return piece;
    case FieldKind::Name:
      if (text.empty()) return Error{where, "is empty", "Give it a name, so that the ledger can speak of it"};
      piece.name = text;
      return piece;
    case FieldKind::Kind:
      if (text.empty()) return Error{where, "is empty", "Say what it is: sofa, low table, rug, art"};
      piece.kind = kindOf(text);
      return piece;
    case FieldKind::Sources:
      if (const auto fault = takeSources(piece, text, bare, where)) return *fault;
      return piece;
    case FieldKind::Text: field.setText(piece, text); return piece;
    case FieldKind::Shape: return withShapeCell(std::move(piece), text, where);
    case FieldKind::Whole:
    case FieldKind::Amount: return withNumberCell(std::move(piece), field, text, where);
    case FieldKind::Choice:
    case FieldKind::Flag: return withWordCell(std::move(piece), field, text, where);
    case FieldKind::Length: return withLengthCell(std::move(piece), field, text, bare, where);
  }
  return piece;
}

}  // namespace mezzet
