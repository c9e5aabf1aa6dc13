// A size card to carry to the shop: one page, both units, what sets each end.
#include <algorithm>

#include "core/decide/size_card.h"
#include "core/drawing/base/drafting.h"
#include "core/model/kinds.h"
#include "core/sheets/frame.h"
#include "core/sheets/sheet_row.h"

namespace mezzet {
namespace {

constexpr double kRow = 7;

struct Row {
  std::string what;
  const SizeRange* range;
};

void addTable(Drawing& d, const SheetSource& s, const SizeCard& card, double left, double wide, double& y) {
  const std::pair<const char*, double> columns[] = {
      {"", 0}, {"Best", 0.14}, {"Ideal", 0.36}, {"At least", 0.62}, {"At most", 0.81}};
  for (const auto& [title, share] : columns) addSheetText(d, {left + share * wide, y}, title);
  d.add(Layer::Title, "", line({left, y - 3.5}, {left + wide, y - 3.5}, {Ink::Ink, kFurnitureLine, Dash::Solid}));
  y -= kRow + 2;
  std::vector<Row> rows{{card.round ? "Across" : "Width", &card.width}};
  if (card.depth) rows.push_back({"Depth", &*card.depth});
  if (card.height) rows.push_back({"Height", &*card.height});
  // The job's unit first, the other under it.
  const LengthFormat own = s.request.format, inches{LengthStyle::Inches, 16}, metric{LengthStyle::Millimetres, 16};
  const LengthFormat other = own.style == LengthStyle::Millimetres ? inches : metric;
  for (const Row& row : rows) {
    for (const LengthFormat& format : {own, other}) {
      const auto length = [&](double mm) { return writeLength(mm, format); };
      const SizeRange& r = *row.range;
      const std::string cells[] = {format.style == own.style ? row.what : std::string(), length(r.recommended),
                                   r.idealLow ? length(*r.idealLow) + " to " + length(*r.idealHigh) : std::string("-"),
                                   r.low ? length(r.low->value) : std::string("any"),
                                   r.high ? length(r.high->value) : std::string("any")};
      for (std::size_t c = 0; c < 5; ++c) addSheetText(d, {left + columns[c].second * wide, y}, cells[c]);
      y -= kRow;
    }
    d.add(Layer::Title, "", line({left, y + 3.5}, {left + wide, y + 3.5}, fine()));
    y -= 1.5;
  }
}

Sheet pageCard(const SheetSource& s, int) {
  Sheet sheet = emptySheet(*s.request.paper, {true}, 0);
  Drawing& d = sheet.drawing;
  d.scale = 1;
  const double left = kBorder + 8, wide = sheet.width - 2 * left;
  double y = sheet.height - kBorder - 14;
  const PlacementId id(s.subject);
  const Placement* p = s.scheme != nullptr ? findPlacement(*s.scheme, id) : nullptr;
  const auto card = p != nullptr && s.request.book != nullptr ? sizeCardOf(s.job, *s.request.book, s.scheme->id, id,
                                                                           s.request.format, {s.request.state, nullptr})
                                                              : std::nullopt;
  if (!card) {
    addSheetText(d, {left, y}, "Nothing that stands here has this name.");
  } else {
    const SchemeNames names(s.job, *s.scheme);
    const Piece& piece = pieceOf(s.job, *p);
    const std::string name = names.plain(id), kind(kindWords(piece.kind));
    addSheetText(d, {left, y}, name + (name.size() == kind.size() ? "" : ", a " + kind) + " for this place",
                 kTitleLetters);
    y -= 2 * kRow;
    addTable(d, s, *card, left, wide, y);
    y -= kRow / 2;
    std::vector<std::string> notes = sizeCardWords(*card, *s.request.book, names, s.room);
    const double off = usualDoubt(piece.kind, DimensionSource::Ticket);
    notes.push_back("The real piece may be off its ticket by " + writeLength(off, {LengthStyle::Inches, 16}) + " (" +
                    writeLength(off, {LengthStyle::Millimetres, 16}) +
                    ") either way: stay so far inside the ends, and measure it before it is bought.");
    for (const std::string& note : notes)
      for (const std::string& one : wrapped(note, wide)) {
        addSheetText(d, {left, y}, one);
        y -= kRow * 0.8;
      }
  }
  d.low = {0, 0};
  d.high = {sheet.width, sheet.height};
  addTitleBlock(sheet, s.job, s.room, s.scheme, "Size card", s.request);
  return sheet;
}

std::string headingCard(const SheetSource&) { return "Size card"; }
/// Offered where the card is shown, not with the sheets of the room.
std::vector<std::string> subjectsCard(const Room&) { return {}; }

}  // namespace

const SheetRow& sizeCardSheetRow() {
  static constexpr SheetRow row{.id = "card",
                                .title = "size card",
                                .scales = false,
                                .page = pageCard,
                                .heading = headingCard,
                                .subjects = subjectsCard};
  return row;
}

}  // namespace mezzet
