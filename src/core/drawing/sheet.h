// Sheets: a drawing on paper at a stated scale, with border, title block, scale bar and check bar.
#pragma once

#include <optional>
#include <string>
#include <vector>

#include "core/drawing/drawing.h"
#include "core/job/job.h"
#include "core/result.h"

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
  double width = 0, height = 0;  ///< mm of paper, as turned
  bool turned = false;           ///< landscape
  Drawing drawing;               ///< in mm of paper; its scale is 1
};

struct SheetRequest {
  const Paper* paper = nullptr;
  int scale = 48;
  LengthFormat format;
  std::string date;  ///< as it is to be printed; the core reads no clock
};

/// The plan of a room on paper. Turned if it only fits that way; otherwise refused with the scale or paper that fits:
/// it never shrinks.
[[nodiscard]] Result<Sheet> planSheet(const Job&, const Room&, const Scheme*, const SheetRequest&);

}  // namespace mezzet
