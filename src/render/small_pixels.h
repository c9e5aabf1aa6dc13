// A picture made small, for its main colours.
#pragma once

#include <functional>
#include <string_view>
#include <vector>

#include "core/base/result.h"
#include "core/choose/ties.h"
#include "core/colour/colour.h"

namespace mezzet {

struct SmallPicture {
  std::vector<Srgb> pixels;  ///< row by row from the top
  std::size_t width = 0;
};
/// At most kPaletteSide pixels each way, averaged. PNG and JPEG; anything else, too large, broken: an error that says
/// so.
[[nodiscard]] Result<SmallPicture> smallPicture(std::string_view bytes, const std::string& name);
/// The colours of every image that a piece of the job names; `bytesOf` is "" for one that is not there. What cannot be
/// decoded is left out.
[[nodiscard]] PicturesByName picturesOf(const Job&, const std::function<std::string_view(const std::string&)>& bytesOf);
[[nodiscard]] Result<std::vector<Srgb>> smallPixels(std::string_view bytes, const std::string& name);

}  // namespace mezzet
