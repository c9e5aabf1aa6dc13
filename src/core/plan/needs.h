// Which tasks a room needs, and what the records say of a piece's order.
#pragma once

#include <string_view>

#include "core/hang/nails.h"
#include "core/rules/base/rulebook.h"

namespace mezzet {

struct TaskNeed {
  bool needed = false;
  double minutes = 0;  ///< as counted; 0: not counted
};
/// The nails of one wall by the house's school, from its left end.
[[nodiscard]] NailPlan nailsOf(const Job&, const Rulebook&, const Room&, const Scheme&, const CornerId& wall,
                               LengthFormat);
/// Of one room's scheme.
[[nodiscard]] TaskNeed needOf(const Job&, const Rulebook&, const Room&, const Scheme&, std::string_view task);
/// By which task a piece comes into its room: "furniture", "rugs", "hang", "second-fix", "displays".
[[nodiscard]] std::string_view taskBringing(const Piece&, const Place&);
/// Calendar days from order to delivery: the order's own, else the piece's.
[[nodiscard]] std::optional<int> leadOf(const Order*, const Piece&);

}  // namespace mezzet
