// A built ledge for whoever builds it: its boards along the wall, every screw from one end; and the cut list of all.
#include <algorithm>

#include "core/display/boards.h"
#include "core/display/ledge.h"
#include "core/drawing/base/drafting.h"
#include "core/model/kinds.h"
#include "core/sheets/frame.h"
#include "core/sheets/sheet_row.h"
#include "core/sheets/table.h"

namespace mezzet {
namespace {

std::vector<SheetSubject> ledges(const Job& job, const Room&, const Scheme& scheme) {
  std::vector<SheetSubject> out;
  for (const Placement& p : scheme.placements)
    if (onWall(p.on) != nullptr && isLedge(pieceOf(job, p).kind)) out.push_back({p.id.value, pieceOf(job, p).name});
  return out;
}

/// Null without a rulebook, or without an order of this id.
const BuildOrder* orderOf(const SheetSource& s, std::string_view id) {
  if (s.request.book == nullptr) return nullptr;
  for (const BuildOrder& order : s.request.book->orders)
    if (order.id == id) return &order;
  return nullptr;
}

Drawing composeLedge(const SheetSource& s, int scale) {
  Drawing d;
  d.scale = scale;
  const auto ledge =
      s.scheme == nullptr ? std::nullopt : ledgeOf(s.job, s.room, *s.scheme, PlacementId(s.subject), s.request.format);
  if (!ledge) return d;
  LengthFormat bare = s.request.format;
  bare.withUnit = false;
  const auto length = [&](double mm) { return writeLength(mm, s.request.format); };
  const double apart = 34.0 * scale;
  double base = 0;
  std::vector<std::string> list;
  for (const PlacementId& part : ledge->parts) {
    const Placement& p = *findPlacement(*s.scheme, part);
    const Piece& piece = pieceOf(s.job, p);
    const double width = piece.width, height = piece.height.value_or(0), depth = piece.depth.value_or(0);
    const ItemId id = part.value;
    const double row = base + height - kUsualBoard - kLedgeRow;
    d.add(Layer::Furniture, id,
          rectangle({0, base}, {width, base + height - kUsualBoard}, Ink::Paper,
                    {Ink::Ink, kFurnitureLine, Dash::Solid}));
    d.add(Layer::Furniture, id,
          rectangle({0, base + height - kUsualBoard}, {width, base + height}, Ink::Wood,
                    {Ink::Ink, kFurnitureLine, Dash::Solid}));
    // Beside it, from its end: the right angle.
    const double x = width + 14.0 * scale;
    d.add(Layer::Furniture, id,
          rectangle({x + depth - kUsualBoard, base}, {x + depth, base + height - kUsualBoard}, Ink::CutWall, thin()));
    d.add(Layer::Furniture, id,
          rectangle({x, base + height - kUsualBoard}, {x + depth, base + height}, Ink::CutWall, thin()));
    addDimension(d,
                 {{x, base + height}, {x + depth, base + height}, 5, writeLength(depth, bare), Layer::Dimension, {}});
    addDimension(d,
                 {{x + depth, base + height}, {x + depth, base}, 5, writeLength(height, bare), Layer::Dimension, {}});
    std::string screws;
    int number = 0;
    for (const LedgeScrew& screw : ledge->screws) {
      if (screw.ledge != part) continue;
      ++number;
      const double arm = 1.3 * scale;
      const Vec2 at{screw.s, row};
      d.add(Layer::Dimension, id, line(at - Vec2{arm, 0}, at + Vec2{arm, 0}, {Ink::Ink, kFurnitureLine, Dash::Solid}));
      d.add(Layer::Dimension, id, line(at - Vec2{0, arm}, at + Vec2{0, arm}, {Ink::Ink, kFurnitureLine, Dash::Solid}));
      d.add(Layer::Dimension, id, line({screw.s, row}, {screw.s, base - 4.0 * scale}, fine(Ink::Quiet)));
      d.add(labelAt(Layer::Dimension, id, Rank::Dimension,
                    {{screw.s, base - 6.0 * scale}, {screw.s, base - 10.0 * scale}},
                    TextItem{{}, writeLength(screw.s, bare), kSmallLetters, Align::Centre, 0, Ink::Ink, Ink::Paper}));
      screws += (screws.empty() ? "" : ", ") + writeLength(screw.s, bare);
    }
    addDimension(d, {{0, base + height}, {width, base + height}, 5, length(width), Layer::Dimension, {}});
    const WallPlace& place = wallPlace(p.on);
    list.push_back("On wall " + place.wall.value + ": its underside " + length(place.v - height / 2) +
                   " above the floor, its left end " + length(place.u - width / 2) + " from the wall's left end." +
                   (screws.empty() ? " No screws yet."
                                   : " " + std::to_string(number) + " screws from its left end: " + screws + "."));
    base -= height + apart;
  }
  double highest = 0, deepest = 0;
  for (const PlacementId& part : ledge->parts) {
    const Piece& piece = pieceOf(s.job, *findPlacement(*s.scheme, part));
    highest = std::max(highest, piece.height.value_or(0));
    deepest = std::max(deepest, piece.width + piece.depth.value_or(0));
  }
  d.low = {-6.0 * scale, base + apart - 2.0 * scale - (ledge->parts.size() > 1 ? 0 : 12.0 * scale)};
  d.high = {deepest + 26.0 * scale, highest + 12.0 * scale};
  if (!ledge->screws.empty())
    list.push_back("Screws " + length(kLedgeRow) + " below the shelf's underside, number 10, " + length(kLedgeBite) +
                   " of thread in the stud.");
  for (const std::string& word : ledge->words) list.push_back(word);
  if (const BuildOrder* order = orderOf(s, "hardwood")) {
    for (std::size_t i = 0; i < order->steps.size(); ++i)
      list.push_back(std::to_string(i + 1) + ". " + order->steps[i]);
    for (const std::string& caution : order->cautions)
      if (std::find(list.begin(), list.end(), caution) == list.end()) list.push_back(caution);
  }
  addListBelow(d, list);
  return d;
}

std::string headingLedge(const SheetSource&) { return "Ledge: two boards at a right angle, and its screws"; }

// ---- the cut list

constexpr TableColumn kCutColumns[] = {
    {"Board", 0}, {"As bought", 0.1}, {"Cuts, in this order", 0.26}, {"Left over", 0.86}};

Table cutsOf(const SheetSource& s) {
  Table table{kCutColumns, {}, "Cut list, lengths in ", "No ledge hangs in this scheme yet."};
  table.title += s.job.units == Unit::Inch ? "inches" : "mm";
  if (s.scheme == nullptr) return table;
  const std::vector<Cut> cuts = ledgeBoards(s.job, s.room, *s.scheme, s.request.format);
  if (cuts.empty()) return table;
  const auto list = cutFrom(cuts, {std::begin(kBoardStock), std::end(kBoardStock)}, kUsualKerf);
  if (!list) {
    table.none = list.error().text() + ".";
    return table;
  }
  LengthFormat bare = s.request.format;
  bare.withUnit = false;
  for (std::size_t b = 0; b < list->bars.size(); ++b) {
    const CutBar& bar = list->bars[b];
    std::string words;
    for (const std::size_t i : bar.cuts)
      words += (words.empty() ? "" : "; ") + writeLength(list->cuts[i].length, bare) + " " + list->cuts[i].what;
    table.rows.push_back({std::to_string(b + 1), writeLength(bar.stock, bare), words, writeLength(bar.left, bare)});
  }
  table.below.push_back("Each cut takes " + writeLength(list->kerf, s.request.format) + "; fewer than " +
                        std::to_string(list->bound) + (list->bound == 1 ? " board" : " boards") + " cannot do. " +
                        std::to_string(std::lround(100 * list->waste())) + " % is left over.");
  table.below.emplace_back(
      "Measure the wall once more before cutting; guard, glasses and a second pair of hands at the saw.");
  return table;
}

// ---- a media wall

constexpr TableColumn kSteps[] = {{"", 0}, {"In this order", 0.05}};

Table mediaOf(const SheetSource& s) {
  Table table{kSteps, {}, "A media wall", "The rulebook is not at hand."};
  const BuildOrder* order = orderOf(s, "media-wall");
  if (order == nullptr) return table;
  table.title = order->title + ", in the order in which it is built";
  for (std::size_t i = 0; i < order->steps.size(); ++i) table.rows.push_back({std::to_string(i + 1), order->steps[i]});
  table.below = order->cautions;
  return table;
}
int mediaPages(const SheetSource& s) { return pagesOf(mediaOf(s), *s.request.paper); }
Sheet mediaPage(const SheetSource& s, int number) { return tablePage(mediaOf(s), s, number); }
bool anyScreen(const Job& job) {
  return std::any_of(job.pieces.begin(), job.pieces.end(), [](const auto& piece) { return isScreen(piece->kind); });
}

int cutPages(const SheetSource& s) { return pagesOf(cutsOf(s), *s.request.paper); }
Sheet cutPage(const SheetSource& s, int number) { return tablePage(cutsOf(s), s, number); }
bool anyLedge(const Job& job) {
  return std::any_of(job.pieces.begin(), job.pieces.end(), [](const auto& piece) { return isLedge(piece->kind); });
}

}  // namespace

const SheetRow& ledgeSheetRow() {
  static constexpr SheetRow row{.id = "ledge",
                                .title = "building of",
                                .compose = composeLedge,
                                .heading = headingLedge,
                                .fitsByScheme = true,
                                .close = true,
                                .placed = ledges};
  return row;
}

const SheetRow& cutsSheetRow() {
  static constexpr SheetRow row{
      .id = "cuts", .title = "cut list", .scales = false, .pages = cutPages, .page = cutPage, .offered = anyLedge};
  return row;
}

const SheetRow& mediaSheetRow() {
  static constexpr SheetRow row{.id = "media-wall",
                                .title = "media wall, step by step",
                                .scales = false,
                                .pages = mediaPages,
                                .page = mediaPage,
                                .offered = anyScreen};
  return row;
}

}  // namespace mezzet
