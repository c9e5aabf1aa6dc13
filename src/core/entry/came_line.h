// What came, as people with a tape say it: "sofa came 84 1/2 x 37", "low table came", "picture came 24 1/8 x 18".
#pragma once

#include <string>
#include <string_view>

#include "core/model/job.h"
#include "core/units/length.h"

namespace mezzet {

struct CameReading {
  bool meant = false;            ///< the line says that something came
  std::optional<PieceId> piece;  ///< which; none where the complaint says why
  BoxSize sizes;                 ///< 0: not taped, so as planned
  std::string echo;              ///< "Sofa came: 84 1/2 in wide (planned 84 in), 37 in deep (planned 36 in)"
  std::size_t at = 0;            ///< character the complaint is about
  std::string complaint;
  /// The sentence to show: the echo, or the complaint.
  [[nodiscard]] std::string says() const { return piece ? echo + "." : complaint; }
};

/// Sizes are width x depth x height; of what hangs width x height. The thing is named by its name, its id or its kind;
/// of several of a kind the one with that name. `first` are looked through before the job's other pieces.
[[nodiscard]] CameReading readCameLine(std::string_view text, const Job&, const std::vector<PieceId>& first, Unit bare,
                                       LengthFormat);

}  // namespace mezzet
