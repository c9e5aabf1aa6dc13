// What the displays of a scheme are still without, to be taken to the shop: the largest size that fits, kind and
// colour.
#include <algorithm>

#include "core/colour/names.h"
#include "core/display/missing.h"
#include "core/model/kinds.h"
#include "core/sheets/sheet_row.h"
#include "core/sheets/table.h"

namespace mezzet {
namespace {

constexpr TableColumn kWanted[] = {{"For", 0},
                                   {"Shelf", 0.2},
                                   {"What", 0.3},
                                   {"Colour", 0.45},
                                   {"Wide, at most", 0.57},
                                   {"High, at most", 0.69},
                                   {"Deep, at most", 0.81}};

Table wantedOf(const SheetSource& s) {
  Table table{kWanted, {}, "Still wanted, lengths in ", "Nothing is missing on the shelves of this scheme."};
  table.title += s.job.units == Unit::Inch ? "inches" : "mm";
  table.lying = true;
  if (s.scheme == nullptr) return table;
  LengthFormat bare = s.request.format;
  bare.withUnit = false;
  const PieceIndex pieces(s.job);
  std::string inTheHouse;
  for (const std::string& id : carriersOf(pieces, s.room, *s.scheme, true)) {
    const auto d = displayOf(s.job, pieces, s.room, *s.scheme, id);
    if (!d) continue;
    for (const MissingThing& m : missingOf(*d, s.job, *s.scheme)) {
      table.rows.push_back({d->name, d->bays.size() > 1 ? d->bays[m.bay].id : std::string("top"),
                            std::string(kindWords(m.kind)),
                            m.colour.empty() ? std::string("any") : nameOfColour(m.colour), writeLength(m.width, bare),
                            writeLength(m.height, bare), writeLength(m.depth, bare)});
      for (const PieceId& would : m.wouldDo)
        if (const std::string& name = findPiece(s.job, would)->name; inTheHouse.find(name) == std::string::npos)
          inTheHouse += (inTheHouse.empty() ? "" : ", ") + name;
    }
  }
  if (!inTheHouse.empty()) table.below.push_back("Look through the house first: " + inTheHouse + ".");
  table.below.emplace_back("Half an inch is visible: take the tape along.");
  return table;
}

int wantedPages(const SheetSource& s) { return pagesOf(wantedOf(s), *s.request.paper); }
Sheet wantedPage(const SheetSource& s, int number) { return tablePage(wantedOf(s), s, number); }
bool anyShelves(const Job& job) {
  return std::any_of(job.pieces.begin(), job.pieces.end(),
                     [](const auto& piece) { return !piece->surfaces->all.empty() || isDisplayed(piece->kind); });
}

}  // namespace

const SheetRow& shoppingSheetRow() {
  static constexpr SheetRow row{.id = "wanted",
                                .title = "what displays still want",
                                .scales = false,
                                .pages = wantedPages,
                                .page = wantedPage,
                                .offered = anyShelves};
  return row;
}

}  // namespace mezzet
