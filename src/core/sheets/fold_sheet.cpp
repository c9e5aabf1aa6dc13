// The room opened like a box, for the client.
#include "core/drawing/fold/fold_out.h"
#include "core/sheets/sheet_row.h"
#include "core/site/heights.h"

namespace mezzet {
namespace {

Drawing composeFold(const SheetSource& s, int scale) {
  return composeFoldOut(s.job, s.room, s.scheme, scale, s.request.format);
}
std::string headingFold(const SheetSource& s) { return "Opened like a box. " + ceilingWords(s.room, s.request.format); }

}  // namespace

const SheetRow& foldSheetRow() {
  static constexpr SheetRow row{
      .id = "fold-out", .title = "room opened like a box", .compose = composeFold, .heading = headingFold};
  return row;
}

}  // namespace mezzet
