// What follows from the record of a site, as JSON for scripts.
#pragma once

#include <string>
#include <vector>

#include "core/model/job.h"
#include "core/base/result.h"
#include "io/tables/dxf.h"

namespace mezzet {

[[nodiscard]] std::string siteText(const Room&, LengthFormat);
[[nodiscard]] std::string houseText(const Job&, LengthFormat);
/// Rooms walked together as one outline.
[[nodiscard]] std::string togetherText(const Room&);
[[nodiscard]] std::string outlineText(const DxfOutline&, const std::string& layer, double mmPerUnit);

}  // namespace mezzet
