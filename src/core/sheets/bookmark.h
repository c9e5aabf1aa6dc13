// A bookmark of a pack's PDF.
#pragma once

#include <string>

namespace mezzet {

struct PackBookmark {
  std::string title;
  int page = 0;  ///< from 0
  int level = 0;
};

}  // namespace mezzet
