// A kind of sheet: what the print dialog and the command line know of it. A new sheet is a file with such a row, and
// its function in sheet.cpp's list.
#pragma once

#include <string>
#include <string_view>
#include <vector>

#include "core/sheets/sheet.h"

namespace mezzet {

/// What a sheet is made of.
struct SheetSource {
  const Job& job;
  const Room& room;
  const Scheme* scheme = nullptr;
  std::string subject = {};  ///< which wall; "" of a sheet that has no subjects
  const SheetRequest& request;
};

/// What a sheet can be of.
struct SheetSubject {
  std::string id, name;
};

struct SheetRow {
  std::string_view id;     ///< in file names and on the command line: "plan", "wall"
  std::string_view title;  ///< in the dialog: "floor plan"
  bool scales = true;      ///< drawn to one of the scales; else a list on as many pages as it takes
  bool namesScheme = true;
  /// Of a list; null: one page.
  int (*pages)(const SheetSource&) = nullptr;
  /// What stands on it at a scale, in mm of the room; of a list, null.
  Drawing (*compose)(const SheetSource&, int scale) = nullptr;
  /// Of a list: one of its pages.
  Sheet (*page)(const SheetSource&, int page) = nullptr;
  /// Of what is written from the top down, instead of those: all its pages at once, at least one.
  std::vector<Sheet> (*whole)(const SheetSource&) = nullptr;
  /// What it is called in its title block.
  std::string (*heading)(const SheetSource&) = nullptr;
  /// Whether what a scheme adds decides on which paper it fits: a table of what hangs.
  bool fitsByScheme = false;
  bool close = false;  ///< worked from closely: the largest scale is proposed where it fits
  /// What it can be of in this room; empty: it is offered, and of nothing in particular. Null subjects: likewise.
  std::vector<std::string> (*subjects)(const Room&) = nullptr;
  /// Likewise of what stands in a scheme: its carriers, its ledges.
  std::vector<SheetSubject> (*placed)(const Job&, const Room&, const Scheme&) = nullptr;
  [[nodiscard]] bool ofSubjects() const { return subjects != nullptr || placed != nullptr; }
  /// Whether the dialog offers it for this job; null: always.
  bool (*offered)(const Job&) = nullptr;
};

[[nodiscard]] const SheetRow& planSheetRow();
[[nodiscard]] const SheetRow& wallSheetRow();
[[nodiscard]] const SheetRow& scheduleSheetRow();
[[nodiscard]] const SheetRow& fieldSheetRow();
[[nodiscard]] const SheetRow& houseSheetRow();
[[nodiscard]] const SheetRow& rugSheetRow();
[[nodiscard]] const SheetRow& carpetSheetRow();
[[nodiscard]] const SheetRow& sizeCardSheetRow();
[[nodiscard]] const SheetRow& ceilingSheetRow();
[[nodiscard]] const SheetRow& fixturesSheetRow();
[[nodiscard]] const SheetRow& foldSheetRow();
[[nodiscard]] const SheetRow& nailSheetRow();
[[nodiscard]] const SheetRow& templateSheetRow();
[[nodiscard]] const SheetRow& displaySheetRow();
[[nodiscard]] const SheetRow& ledgeSheetRow();
[[nodiscard]] const SheetRow& cutsSheetRow();
[[nodiscard]] const SheetRow& shoppingSheetRow();
[[nodiscard]] const SheetRow& budgetSheetRow();
[[nodiscard]] const SheetRow& mediaSheetRow();
[[nodiscard]] const SheetRow& tapeOutSheetRow();
[[nodiscard]] const SheetRow& cutOutsSheetRow();
[[nodiscard]] const SheetRow& daySheetRow();
[[nodiscard]] const SheetRow& datesSheetRow();
[[nodiscard]] const SheetRow& deliverySheetRow();
[[nodiscard]] const SheetRow& beforeAfterSheetRow();
[[nodiscard]] const SheetRow& finalistsSheetRow();

/// Whether a light hangs from a ceiling somewhere in the job.
[[nodiscard]] bool offersCeiling(const Job&);

}  // namespace mezzet
