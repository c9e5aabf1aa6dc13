// Openings read along their wall: how far from the start corner, how wide, how far to the end corner. Three readings
// are one more than needed, so they check each other: offset + width + offset must be the wall. Least squares by wall.
#pragma once

#include "core/model/job.h"
#include "core/base/result.h"
#include "core/model/usual_doubt.h"

namespace mezzet {

struct OpeningRow {
  OpeningId opening;
  ReadingId reading;  ///< empty: the wall's own length
  OpeningPart part = OpeningPart::Width;
  double read = 0;      ///< mm, brought to the jamb
  double sigma = 0;     ///< mm
  double residual = 0;  ///< adjusted - read, mm
};
struct OpeningPlace {
  OpeningId opening;
  double offset = 0, width = 0;        ///< adjusted, mm; offset from the start corner
  double offsetU95 = 0, widthU95 = 0;  ///< 0 where no reading says
  /// start + width + end - wall, where all three were read; negative: they leave a part of the wall over.
  std::optional<double> misclosure;
};
struct WallClosure {
  std::vector<OpeningRow> rows;
  std::vector<OpeningPlace> places;  ///< of the openings with readings, in the room's order
  double wallLength = 0, wallU95 = 0;
  double chi2 = 0, limit = 0;  ///< one-sided 95 %; 0 without redundancy
  int redundancy = 0;
  [[nodiscard]] bool closes() const { return redundancy == 0 || chi2 <= limit; }
};

/// Of one wall; empty when none of its openings was read. The wall's length counts with the doubt of its corners, and
/// is not moved by it. A reading at the trim needs the trim's width: refused without it.
[[nodiscard]] Result<WallClosure> closureOf(const Room&, const CornerId& wall);
/// The room with its openings where their readings say.
[[nodiscard]] Result<Room> openingsClosed(Room);
/// Two or three sentences: what was read, what it leaves, whether it closes. Empty without readings.
[[nodiscard]] std::vector<std::string> closureWords(const Room&, const OpeningId&, LengthFormat);

}  // namespace mezzet
