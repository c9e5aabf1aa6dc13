// Delivery, dates and changes as the command line answers them.
#pragma once

#include <string>
#include <vector>

#include "core/plan/changes.h"
#include "core/plan/dates.h"
#include "core/plan/delivery.h"

namespace mezzet {

[[nodiscard]] std::string deliveryJson(const Room&, const Scheme&, const std::vector<DeliveryAnswer>&);
[[nodiscard]] std::string datesJson(const Room&, const Scheme&, const Dates&);
[[nodiscard]] std::string changesJson(const Scheme&, const std::vector<Change>&);

}  // namespace mezzet
