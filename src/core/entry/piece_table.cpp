#include "core/entry/piece_table.h"

#include <algorithm>
#include <array>
#include <charconv>
#include <cmath>
#include <unordered_map>

#include "core/model/kinds.h"
#include "core/edit/validate.h"
#include "core/base/sentence.h"

namespace mezzet {
namespace {

constexpr std::array<std::string_view, 4> kSources{"measured", "ticket", "guess", "usual"};
constexpr std::array<std::string_view, 5> kShapes{"rect", "round", "oval", "l", "curve"};
constexpr std::size_t kLongestText = 200;
constexpr std::size_t kMostRows = 10'000;

std::string trimmed(std::string_view text) {
  const auto blank = [](char c) { return c == ' ' || c == '\t' || c == '\r' || c == '\n'; };
  while (!text.empty() && blank(text.front())) text.remove_prefix(1);
  while (!text.empty() && blank(text.back())) text.remove_suffix(1);
  return std::string(text);
}

std::string lower(std::string text) {
  for (char& c : text)
    if (c >= 'A' && c <= 'Z') c = static_cast<char>(c - 'A' + 'a');
  return text;
}

/// A length as a number of units: the fewest digits that, times the unit, give the very same length again.
std::string number(double length, double unit) {
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

std::optional<double> readNumber(std::string_view text) {
  double value = 0;
  const auto [end, fault] = std::from_chars(text.data(), text.data() + text.size(), value);
  if (fault != std::errc{} || end != text.data() + text.size()) return std::nullopt;
  return value;
}

std::optional<double> lengthOf(const Piece& piece, const PieceColumn& column) {
  return column.member == nullptr ? std::optional(piece.width) : piece.*column.member;
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

/// "Linen couch, blue" is a sofa.
std::string kindInName(const std::string& name) {
  const std::string low = lower(name);
  const auto letter = [&](std::size_t i) { return i < low.size() && low[i] >= 'a' && low[i] <= 'z'; };
  for (const NamedKind& named : kindNames())
    for (std::size_t at = low.find(named.words); at != std::string::npos; at = low.find(named.words, at + 1)) {
      const std::size_t end = at + named.words.size();
      const bool plural = end < low.size() && low[end] == 's' && !letter(end + 1);
      if ((at == 0 || !letter(at - 1)) && (!letter(end) || plural)) return std::string(named.kind);
    }
  return "piece";
}

/// "width ticket ±25.4; depth guess ±50.8", lengths in the unit of the table.
std::string sourcesText(const Piece& piece, double unit) {
  std::string out;
  for (const PieceColumn& column : pieceColumns()) {
    if (column.dimension.empty()) continue;
    const auto doubt = piece.doubts.find(std::string(column.dimension));
    if (doubt == piece.doubts.end() || doubt->second == Doubt{}) continue;
    out += (out.empty() ? "" : "; ") + std::string(column.key) + " " +
           std::string(kSources[static_cast<std::size_t>(doubt->second.source)]);
    out += " \u00b1" + number(doubt->second.u95, unit);  // also 0: without it a ticket has its usual ±
  }
  return out;
}

std::optional<Error> takeSources(Piece& piece, std::string_view text, Unit bare, const std::string& where) {
  piece.doubts.clear();
  std::string rest = trimmed(text);
  while (!rest.empty()) {
    const std::size_t end = std::min(rest.find(';'), rest.size());
    const std::string part = lower(trimmed(std::string_view(rest).substr(0, end)));
    rest = end < rest.size() ? trimmed(std::string_view(rest).substr(end + 1)) : "";
    if (part.empty()) continue;
    const auto column = std::find_if(pieceColumns().begin(), pieceColumns().end(), [&](const PieceColumn& c) {
      return !c.dimension.empty() && part.starts_with(c.key) &&
             (part.size() == c.key.size() || part[c.key.size()] == ' ');
    });
    // The length itself stands in its own column: a stand-in of 1 lets the same reader take source and ±.
    const Error unread{where, "cannot be read: \"" + part + "\"",
                       "Say a size, its source and its \u00b1, such as width ticket \u00b11"};
    if (column == pieceColumns().end()) return unread;
    const auto read = readDimension("1 " + part.substr(column->key.size()), piece.kind, bare, where);
    if (!read || !read->doubt) return unread;
    piece.doubts[std::string(column->dimension)] = *read->doubt;
  }
  return std::nullopt;
}

/// The column that a header names, and the unit in its brackets.
struct Heading {
  const PieceColumn* column = nullptr;
  std::string unit;
};
Heading headingOf(const std::string& text) {
  std::string word = lower(trimmed(text));
  Heading out;
  if (const std::size_t open = word.find('('); open != std::string::npos && word.ends_with(")")) {
    out.unit = trimmed(std::string_view(word).substr(open + 1, word.size() - open - 2));
    word = trimmed(std::string_view(word).substr(0, open));
  }
  static const std::unordered_map<std::string_view, std::string_view> kOthers{
      {"item", "name"},        {"piece", "name"}, {"what", "kind"},      {"type", "kind"},        {"w", "width"},
      {"length", "width"},     {"d", "depth"},    {"h", "height"},       {"seat height", "seat"}, {"arm height", "arm"},
      {"back height", "back"}, {"qty", "count"},  {"quantity", "count"}, {"number", "count"}};
  if (const auto other = kOthers.find(word); other != kOthers.end()) word = other->second;
  for (const PieceColumn& column : pieceColumns())
    if (word == column.key || word == lower(std::string(column.title))) out.column = &column;
  return out;
}

/// A decimal in inches may differ from the millimetres it came from in the last digit: then nothing was changed.
void keepExact(Piece& piece, const Piece& before, const PieceColumn& column) {
  constexpr double kRounding = 1e-6;
  const auto now = lengthOf(piece, column), then = lengthOf(before, column);
  if (!now || !then || std::abs(*now - *then) > kRounding) return;
  if (column.member == nullptr) piece.width = *then;
  else piece.*column.member = then;
}

bool isBareNumber(const std::string& text) {
  return !text.empty() && text.find_first_not_of("0123456789.,/ -") == std::string::npos;
}

}  // namespace

const std::vector<PieceColumn>& pieceColumns() {
  static const std::vector<PieceColumn> all{
      {"id", "Id", PieceField::Id},
      {"name", "Name", PieceField::Name},
      {"kind", "Kind", PieceField::Kind},
      {"shape", "Shape", PieceField::Shape},
      {"width", "Width", PieceField::Length, nullptr, "width"},
      {"depth", "Depth", PieceField::Length, &Piece::depth, "depth"},
      {"height", "Height", PieceField::Length, &Piece::height, "height"},
      {"seat", "Seat", PieceField::Length, &Piece::seatHeight, "seatHeight"},
      {"arm", "Arm", PieceField::Length, &Piece::armHeight, "armHeight"},
      {"back", "Back", PieceField::Length, &Piece::backHeight, "backHeight"},
      {"count", "Count", PieceField::Count},
      {"long limb", "Long limb", PieceField::Length, &Piece::longDepth, "longDepth"},
      {"return", "Return", PieceField::Length, &Piece::returnWidth, "returnWidth"},
      {"hand", "Hand", PieceField::Hand},
      {"feet in", "Feet in", PieceField::Length, &Piece::feetInset, "feetInset"},
      {"pad", "Pad", PieceField::Length, &Piece::pad, "pad"},
      {"sold width", "Sold width", PieceField::Length, &Piece::nominalWidth, ""},
      {"sold depth", "Sold depth", PieceField::Length, &Piece::nominalDepth, ""},
      {"seats", "Seats", PieceField::Seats},
      {"legs", "Legs", PieceField::Length, &Piece::legHeight, "legHeight"},
      {"opens by", "Opens by", PieceField::Length, &Piece::opensBy, "opensBy"},
      {"extends by", "Extends by", PieceField::Length, &Piece::extendsBy, "extendsBy"},
      {"back side", "Back side", PieceField::Back},
      {"material", "Material", PieceField::Material},
      {"weight", "Weight (kg)", PieceField::Weight},
      {"owned", "Owned", PieceField::Owned},
      {"price", "Price", PieceField::Price},
      {"sources", "Sources", PieceField::Sources}};
  return all;
}

std::string pieceCell(const Piece& piece, const PieceColumn& column, LengthFormat format) {
  switch (column.field) {
    case PieceField::Id: return piece.id.value;
    case PieceField::Name: return piece.name;
    case PieceField::Kind: return std::string(kindWords(piece.kind));
    case PieceField::Shape: return std::string(kShapes[static_cast<std::size_t>(piece.shape)]);
    case PieceField::Hand: return piece.shape != Shape::L ? "" : piece.hand == Hand::Left ? "left" : "right";
    case PieceField::Count: return std::to_string(piece.count);
    case PieceField::Sources: return sourcesText(piece, 1);
    case PieceField::Seats: return piece.seats ? std::to_string(*piece.seats) : "";
    case PieceField::Material: return piece.material;
    case PieceField::Back: return !piece.backFinished ? "" : *piece.backFinished ? "finished" : "unfinished";
    case PieceField::Weight: return piece.weight ? number(*piece.weight, 1) : "";
    case PieceField::Owned: return piece.owned ? "yes" : "";
    case PieceField::Price: return piece.price ? number(*piece.price, 1) : "";
    case PieceField::Length: break;
  }
  const auto length = lengthOf(piece, column);
  if (!length) return {};
  std::string text = writeLength(*length, format);
  const auto doubt = piece.doubts.find(std::string(column.dimension));
  if (doubt == piece.doubts.end() || doubt->second == Doubt{}) return text;
  if (doubt->second.u95 > 0) text += " \u00b1" + writeLength(doubt->second.u95, format);
  if (doubt->second.source != DimensionSource::Measured)
    text += " " + std::string(kSources[static_cast<std::size_t>(doubt->second.source)]);
  return text;
}

Result<Piece> withPieceCell(Piece piece, const PieceColumn& column, std::string_view typed, Unit bare) {
  const std::string text = trimmed(typed), where(column.title);
  const auto oneOf = [&](const auto& words) {
    return std::find(words.begin(), words.end(), lower(text)) - words.begin();
  };
  if (text.size() > kLongestText && column.field != PieceField::Sources)
    return Error{where, "is longer than 200 letters", "Shorten it"};
  switch (column.field) {
    case PieceField::Id: piece.id = PieceId(text); return piece;
    case PieceField::Name:
      if (text.empty()) return Error{where, "is empty", "Give it a name, so that the ledger can speak of it"};
      piece.name = text;
      return piece;
    case PieceField::Kind:
      if (text.empty()) return Error{where, "is empty", "Say what it is: sofa, low table, rug, art"};
      piece.kind = kindOf(text);
      return piece;
    case PieceField::Shape: {
      const auto at = text.empty() ? 0 : lower(text) == "rectangular" ? 0 : oneOf(kShapes);
      if (at == static_cast<std::ptrdiff_t>(kShapes.size()))
        return Error{where, "is not known: \"" + text + "\"", "Say rect, round, oval, l or curve"};
      piece.shape = static_cast<Shape>(at);
      if (piece.shape == Shape::Round) piece.depth = piece.width;
      if (piece.shape == Shape::L) {
        // Limbs to start from: a seat's depth, at most half of the whole [D].
        if (!piece.depth) piece.depth = piece.width;
        if (!piece.longDepth) piece.longDepth = std::min(36 * kInch, *piece.depth / 2);
        if (!piece.returnWidth) piece.returnWidth = std::min(36 * kInch, piece.width / 2);
      }
      if (piece.shape == Shape::Curve) {
        if (!piece.depth) piece.depth = piece.width / 2;
        if (!piece.longDepth) piece.longDepth = std::min(36 * kInch, *piece.depth / 2);
      }
      return piece;
    }
    case PieceField::Hand:
      if (text.empty()) return piece;
      if (lower(text) != "left" && lower(text) != "right")
        return Error{where, "is not known: \"" + text + "\"", "Say left or right"};
      piece.hand = lower(text) == "left" ? Hand::Left : Hand::Right;
      return piece;
    case PieceField::Count: {
      const auto count = text.empty() ? std::optional(1.0) : readNumber(text);
      if (!count || !(*count >= 0 && *count <= 10'000) || *count != std::floor(*count))
        return Error{where, "is not a whole number from 0 to 10000: \"" + text + "\"", "Type how many there are"};
      piece.count = static_cast<int>(*count);
      return piece;
    }
    case PieceField::Seats: {
      const auto seats = readNumber(text);
      if (text.empty()) piece.seats = std::nullopt;
      else if (!seats || !(*seats >= 1 && *seats <= 100) || *seats != std::floor(*seats))
        return Error{where, "is not a whole number from 1 to 100: \"" + text + "\"", "Type how many sit on it"};
      else piece.seats = static_cast<int>(*seats);
      return piece;
    }
    case PieceField::Material: piece.material = text; return piece;
    case PieceField::Back: {
      static constexpr std::array<std::string_view, 2> kBacks{"unfinished", "finished"};
      const auto at = oneOf(kBacks);
      if (!text.empty() && at == 2) return Error{where, "is not known: \"" + text + "\"", "Say finished or unfinished"};
      piece.backFinished = text.empty() ? std::nullopt : std::optional(at == 1);
      return piece;
    }
    case PieceField::Owned: {
      static constexpr std::array<std::string_view, 2> kAnswers{"no", "yes"};
      const auto at = text.empty() ? 0 : oneOf(kAnswers);
      if (at == 2) return Error{where, "is not known: \"" + text + "\"", "Say yes or no"};
      piece.owned = at == 1;
      return piece;
    }
    case PieceField::Weight:
    case PieceField::Price: {
      auto& amount = column.field == PieceField::Weight ? piece.weight : piece.price;
      const bool weight = column.field == PieceField::Weight;
      const auto read = readNumber(text);
      if (text.empty()) amount = std::nullopt;
      else if (!read || !(weight ? *read > 0 && *read <= 100'000 : *read >= 0 && *read <= 1e9))
        return Error{where, "is not an amount: \"" + text + "\"",
                     weight ? "Type kilograms" : "Type a number without a currency"};
      else amount = *read;
      return piece;
    }
    case PieceField::Sources:
      if (const auto fault = takeSources(piece, text, bare, where)) return *fault;
      return piece;
    case PieceField::Length: break;
  }
  const auto read = readDimension(text, piece.kind, bare, where);
  if (!read) return read.error();
  const std::string dimension(column.dimension);
  if (!read->length) {
    if (column.member == nullptr) return Error{where, "is empty", "Type the width as the tape reads"};
    piece.*column.member = std::nullopt;
    piece.doubts.erase(dimension);
    return piece;
  }
  if (column.member == &Piece::feetInset && *read->length == 0) piece.feetInset = 0;
  else if (const auto fault = faultOfLength(*read->length, where)) return *fault;
  if (column.member == nullptr) piece.width = *read->length;
  else piece.*column.member = read->length;
  if (piece.shape == Shape::Round && (column.member == nullptr || column.member == &Piece::depth))
    piece.width = *(piece.depth = read->length);
  if (dimension.empty()) return piece;
  piece.doubts.erase(dimension);
  if (read->doubt && *read->doubt != Doubt{}) piece.doubts[dimension] = *read->doubt;
  return piece;
}

bool isHeader(const std::vector<std::string>& row) {
  bool name = false;
  int known = 0;
  for (const std::string& cell : row) {
    const Heading heading = headingOf(cell);
    known += heading.column != nullptr;
    name = name || (heading.column != nullptr &&
                    (heading.column->field == PieceField::Name || heading.column->field == PieceField::Kind));
  }
  return name && known >= 2;
}

TableReading readPieceTable(const std::vector<std::vector<std::string>>& rows, Unit bare,
                            const std::vector<Shared<Piece>>& known, std::size_t headerRow) {
  TableReading out;
  std::unordered_map<std::string_view, const Piece*> byId;
  for (const auto& piece : known) byId[piece->id.value] = piece.get();
  std::unordered_map<std::string, std::size_t> seen;
  const auto refuse = [&](std::size_t row, Error fault) {
    ++out.faulty;
    if (!fault.where.empty()) fault.where = ", " + fault.where;
    if (out.faults.size() < kMostFaults)
      out.faults.push_back({"row " + std::to_string(row) + fault.where, fault.what, fault.hint});
  };
  if (rows.empty() || !isHeader(rows.front())) {
    refuse(headerRow, {"", "does not name the columns",
                       "The first row says what stands below it: name, kind, width, depth, height, count"});
    return out;
  }
  if (rows.size() > kMostRows) {
    refuse(kMostRows, {"", "is as far as a table may go", "Split it into tables of 10000 rows"});
    return out;
  }
  std::vector<Heading> headings;
  for (const std::string& cell : rows.front()) {
    headings.push_back(headingOf(cell));
    if (headings.back().column == nullptr && !trimmed(cell).empty())
      out.notes.push_back("The column \"" + trimmed(cell) + "\" is not read.");
  }
  const auto has = [&](PieceField field) {
    return std::any_of(headings.begin(), headings.end(),
                       [&](const Heading& h) { return h.column != nullptr && h.column->field == field; });
  };
  // What later columns build on comes first, wherever it stands: a kind decides the usual ±, a shape what a width
  // means.
  static constexpr std::array kOrder{PieceField::Id,       PieceField::Name,   PieceField::Kind,   PieceField::Length,
                                     PieceField::Shape,    PieceField::Hand,   PieceField::Count,  PieceField::Seats,
                                     PieceField::Material, PieceField::Back,   PieceField::Weight, PieceField::Owned,
                                     PieceField::Price,    PieceField::Sources};
  for (std::size_t r = 1; r < rows.size(); ++r) {
    if (std::all_of(rows[r].begin(), rows[r].end(), [](const std::string& cell) { return trimmed(cell).empty(); }))
      continue;
    Piece piece;
    bool sound = true;
    const Piece* before = nullptr;
    for (std::size_t c = 0; c < headings.size() && c < rows[r].size(); ++c)
      if (headings[c].column != nullptr && headings[c].column->field == PieceField::Id)
        if (const auto at = byId.find(trimmed(rows[r][c])); at != byId.end()) piece = *(before = at->second);
    if (before != nullptr)
      if (const auto [first, fresh] = seen.emplace(before->id.value, headerRow + r); !fresh) {
        refuse(headerRow + r,
               {"Id", "is that of row " + std::to_string(first->second) + ", too", "Each piece stands in one row"});
        continue;
      }
    for (const PieceField field : kOrder)
      for (std::size_t c = 0; c < headings.size() && c < rows[r].size() && sound; ++c) {
        const PieceColumn* column = headings[c].column;
        if (column == nullptr || column->field != field) continue;
        std::string text = trimmed(rows[r][c]);
        if (text.empty() && field != PieceField::Length) continue;
        if (field == PieceField::Length && !headings[c].unit.empty() && isBareNumber(text))
          text += " " + headings[c].unit;
        const auto with = withPieceCell(piece, *column, text, bare);
        if (with) piece = *with;
        if (with && before != nullptr && field == PieceField::Length) keepExact(piece, *before, *column);
        if (!with) refuse(headerRow + r, with.error()), sound = false;
      }
    if (!sound) continue;
    if (piece.kind.empty()) piece.kind = kindInName(piece.name);
    if (piece.name.empty()) piece.name = capital(std::string(kindWords(piece.kind)));
    if (!isKnownKind(piece.kind) && has(PieceField::Kind))
      out.notes.push_back("Row " + std::to_string(headerRow + r) + ": no furniture rule judges a \"" + piece.kind +
                          "\"; it is drawn and measured.");
    Piece named = piece;
    if (named.id.empty()) named.id = PieceId("row");
    if (const auto fault = faultOf(named)) refuse(headerRow + r, *fault);
    else out.pieces.push_back(std::move(piece));
  }
  if (out.pieces.empty() && out.faults.empty())
    refuse(headerRow + 1, {"", "holds no piece", "Below the header comes one row for each piece"});
  return out;
}

std::vector<std::vector<std::string>> pieceRows(const std::vector<Shared<Piece>>& pieces, Unit unit) {
  const double per = unit == Unit::Inch ? kInch : 1;
  std::vector<std::vector<std::string>> rows(1);
  for (const PieceColumn& column : pieceColumns())
    rows[0].push_back(std::string(column.key) +
                      (column.field == PieceField::Length ? unit == Unit::Inch ? " (in)" : " (mm)" : ""));
  for (const auto& piece : pieces) {
    auto& row = rows.emplace_back();
    for (const PieceColumn& column : pieceColumns()) {
      if (column.field == PieceField::Length) {
        const auto length = lengthOf(*piece, column);
        row.push_back(length ? number(*length, per) : "");
      } else if (column.field == PieceField::Sources) {
        row.push_back(sourcesText(*piece, per));
      } else {
        row.push_back(pieceCell(*piece, column, usualFormat(unit)));
      }
    }
  }
  return rows;
}

Result<Job> withPieceTable(const Job& job, const std::vector<Piece>& pieces, IdSource& ids) {
  Job out = job;
  std::unordered_map<std::string, std::size_t> at;
  for (std::size_t i = 0; i < out.pieces.size(); ++i) at[out.pieces[i]->id.value] = i;
  for (Piece piece : pieces) {
    const auto known = at.find(piece.id.value);
    if (known == at.end()) {
      piece.id = ids.take<PieceId>("piece");
      if (const auto fault = faultOf(piece)) return *fault;
      out.pieces.push_back(std::make_shared<const Piece>(std::move(piece)));
      continue;
    }
    const Piece& before = *out.pieces[known->second];
    piece.variantOf = before.variantOf;
    piece.image = before.image;
    piece.ownRules = before.ownRules;
    piece.extra = before.extra;
    if (const auto fault = faultOf(piece)) return *fault;
    if (!(piece == before)) out.pieces[known->second] = std::make_shared<const Piece>(std::move(piece));
  }
  if (const auto fault = faultOf(out)) return *fault;
  return out;
}

}  // namespace mezzet
