// As targets.h, for readers that need Qt: pictures, and pages of PDFs.
#pragma once

#include <cstdint>
#include <string_view>

namespace mezzet::fuzz {

void picture(std::string_view bytes);  ///< PNG and JPEG, as an image of a job and as it is taken in
void page(std::string_view bytes);     ///< a PDF, through the program that reads it

struct PictureTarget {
  const char* name;  ///< of its folder in fuzz/corpus
  void (*run)(std::string_view);
};
inline constexpr PictureTarget kPictureTargets[] = {{"picture", picture}, {"page", page}};

}  // namespace mezzet::fuzz
