// Sheets: a drawing on paper at a stated scale, with border, title block, scale bar and check bar.
#pragma once

#include <optional>
#include <span>
#include <string>
#include <vector>

#include "core/drawing/base/drawing.h"
#include "core/model/job.h"
#include "core/base/result.h"
#include "core/rules/base/rulebook.h"
#include "core/use/use_zones.h"

namespace mezzet {

struct Paper {
  std::string id, name;          ///< "letter", "Letter"
  double width = 0, height = 0;  ///< mm, upright
};
[[nodiscard]] const std::vector<Paper>& papers();
[[nodiscard]] const Paper* findPaper(const std::string& id);

/// The scales a sheet can be printed at, as denominators.
[[nodiscard]] const std::vector<int>& sheetScales();
/// "1/4 in = 1 ft (1:48)", "1:50"
[[nodiscard]] std::string scaleInWords(int denominator);

struct Sheet {
  int scale = 48;                ///< denominator that was used; 0 for a list
  double width = 0, height = 0;  ///< mm of paper, as turned
  bool turned = false;           ///< landscape
  bool blockAtSide = false;      ///< where the title block stands
  Drawing drawing;               ///< in mm of paper; its scale is 1
};

/// A client's sheet shows the room and what is in it. An installer's adds what is set out: distances from the walls and
/// heights from the floor. Neither carries doubts, margins or rule names.
enum class SheetVersion { Client, Installer };

struct SheetRow;
/// Every kind of sheet, in the order in which they are offered.
[[nodiscard]] std::span<const SheetRow* const> sheetRows();
/// What a sheet shows: its row, and of which subject. Without a row the plan.
struct SheetKind {
  const SheetRow* row = nullptr;
  std::string subject = {};
};
/// "plan", "wall:A", "schedule", "field", "house"; absent for anything else.
[[nodiscard]] std::optional<SheetKind> sheetKind(const std::string& words);
/// All of them, in words: "plan, wall:A, schedule, field or house".
[[nodiscard]] std::string sheetWords();
/// A sheet that can be chosen for a room.
struct OfferedSheet {
  std::string kind, title;  ///< "wall:A", "wall A"
  bool scales = true;
};
[[nodiscard]] std::vector<OfferedSheet> offeredSheets(const Job&, const Room*, const Scheme* = nullptr);

struct SheetRequest {
  const Paper* paper = nullptr;
  int scale = 48;  ///< 0: the largest of the scales that fits
  LengthFormat format;
  std::string date;  ///< as it is to be printed; the core reads no clock
  SheetVersion version = SheetVersion::Client;
  const Rulebook* book = nullptr;                  ///< what a size card is judged by, and edge finishes are named from
  UseState state = UseState::Everyday;             ///< how the room is used where a size card looks at it
  bool nailsFromRight = false;                     ///< which end of the wall nails are measured from
  std::optional<double> levelLine = std::nullopt;  ///< above the datum; kLevelLine until typed
  bool wholeTemplates = false;                     ///< templates of whole frames, else strips along their tops
  std::optional<double> roll = std::nullopt;       ///< width of the roll that templates are printed on
  std::vector<std::vector<Vec2>> routes = {};      ///< main routes as drawn, which seams keep out of
  std::string issue = {};              ///< "Issue 2, 2026-11-28", or that it changed since; "": never issued
  int number = 0, of = 0;              ///< of the sheets of a pack; 0: it stands by itself
  SchemeId from = {};                  ///< what a scheme is compared with; "": another of its room
  std::vector<SchemeId> schemes = {};  ///< of the house where a sheet tells of all rooms; else their first
};

/// A sheet on paper. Turned if it only fits that way; otherwise refused with the scale or paper that fits: it never
/// shrinks. A schedule has no scale and takes as many pages as it needs: `page` counts from 0.
[[nodiscard]] Result<Sheet> composeSheet(const Job&, const Room&, const Scheme*, const SheetKind&, const SheetRequest&,
                                         int page = 0);
[[nodiscard]] inline Result<Sheet> planSheet(const Job& job, const Room& room, const Scheme* scheme,
                                             const SheetRequest& request) {
  return composeSheet(job, room, scheme, {}, request);
}
/// All its pages.
[[nodiscard]] Result<std::vector<Sheet>> composeSheets(const Job&, const Room&, const Scheme*, const SheetKind&,
                                                       const SheetRequest&);
/// How many pages a sheet takes on its paper; 1 but for long schedules.
[[nodiscard]] int pagesOf(const Job&, const Room&, const Scheme*, const SheetKind&, const SheetRequest&);

}  // namespace mezzet
