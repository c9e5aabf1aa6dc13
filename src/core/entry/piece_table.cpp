#include "core/entry/piece_table.h"

#include <algorithm>
#include <array>
#include <charconv>
#include <cmath>
#include <unordered_map>

#include "core/entry/piece_cell.h"
#include "core/entry/words.h"
#include "core/model/kinds.h"
#include "core/model/piece_fields.h"
#include "core/edit/validate.h"
#include "core/base/sentence.h"

namespace mezzet {
namespace {

constexpr std::size_t kMostRows = 10'000;

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

/// The column that a header names, and the unit in its brackets.
struct Heading {
  const PieceField* column = nullptr;
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
  for (const PieceField& column : pieceFields())
    if (word == column.column || word == lower(std::string(column.title))) out.column = &column;
  return out;
}

/// A decimal in inches may differ from the millimetres it came from in the last digit: then nothing was changed.
void keepExact(Piece& piece, const Piece& before, const PieceField& column) {
  constexpr double kRounding = 1e-6;
  const auto now = column.number(piece), then = column.number(before);
  if (now && then && std::abs(*now - *then) <= kRounding) column.setNumber(piece, then);
}

bool isBareNumber(const std::string& text) {
  return !text.empty() && text.find_first_not_of("0123456789.,/ -") == std::string::npos;
}

}  // namespace

bool isHeader(const std::vector<std::string>& row) {
  bool name = false;
  int known = 0;
  for (const std::string& cell : row) {
    const Heading heading = headingOf(cell);
    known += heading.column != nullptr;
    name = name || (heading.column != nullptr &&
                    (heading.column->kind == FieldKind::Name || heading.column->kind == FieldKind::Kind));
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
  const auto has = [&](FieldKind kind) {
    return std::any_of(headings.begin(), headings.end(),
                       [&](const Heading& h) { return h.column != nullptr && h.column->kind == kind; });
  };
  // What later columns build on comes first, wherever it stands: a kind decides the usual ±, a shape what a width
  // means.
  static constexpr std::array kOrder{FieldKind::Id,    FieldKind::Name,   FieldKind::Kind,   FieldKind::Length,
                                     FieldKind::Shape, FieldKind::Choice, FieldKind::Whole,  FieldKind::Text,
                                     FieldKind::Flag,  FieldKind::Amount, FieldKind::Sources};
  for (std::size_t r = 1; r < rows.size(); ++r) {
    if (std::all_of(rows[r].begin(), rows[r].end(), [](const std::string& cell) { return trimmed(cell).empty(); }))
      continue;
    Piece piece;
    bool sound = true;
    const Piece* before = nullptr;
    for (std::size_t c = 0; c < headings.size() && c < rows[r].size(); ++c)
      if (headings[c].column != nullptr && headings[c].column->kind == FieldKind::Id)
        if (const auto at = byId.find(trimmed(rows[r][c])); at != byId.end()) piece = *(before = at->second);
    if (before != nullptr)
      if (const auto [first, fresh] = seen.emplace(before->id.value, headerRow + r); !fresh) {
        refuse(headerRow + r,
               {"Id", "is that of row " + std::to_string(first->second) + ", too", "Each piece stands in one row"});
        continue;
      }
    for (const FieldKind kind : kOrder)
      for (std::size_t c = 0; c < headings.size() && c < rows[r].size() && sound; ++c) {
        const PieceField* column = headings[c].column;
        if (column == nullptr || column->kind != kind) continue;
        std::string text = trimmed(rows[r][c]);
        if (text.empty() && kind != FieldKind::Length) continue;
        if (kind == FieldKind::Length && !headings[c].unit.empty() && isBareNumber(text))
          text += " " + headings[c].unit;
        const auto with = withPieceCell(piece, *column, text, bare);
        if (with) piece = *with;
        if (with && before != nullptr && kind == FieldKind::Length) keepExact(piece, *before, *column);
        if (!with) refuse(headerRow + r, with.error()), sound = false;
      }
    if (!sound) continue;
    if (piece.kind.empty()) piece.kind = kindInName(piece.name);
    if (piece.name.empty()) piece.name = capital(std::string(kindWords(piece.kind)));
    if (!isKnownKind(piece.kind) && has(FieldKind::Kind))
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
  for (const PieceField& column : pieceFields())
    rows[0].push_back(std::string(column.column) +
                      (column.kind == FieldKind::Length ? unit == Unit::Inch ? " (in)" : " (mm)" : ""));
  for (const auto& piece : pieces) {
    auto& row = rows.emplace_back();
    for (const PieceField& column : pieceFields()) {
      if (column.kind == FieldKind::Length) {
        const auto length = column.number(*piece);
        row.push_back(length ? numberText(*length, per) : "");
      } else if (column.kind == FieldKind::Sources) {
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
