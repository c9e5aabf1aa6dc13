#include "io/tables/dxf_names.h"

#include <algorithm>
#include <charconv>

#include "io/files/text.h"

namespace mezzet {

int codePageNamed(std::string_view name) {
  int page = 0;
  const std::size_t digits = std::min(name.find_first_of("0123456789"), name.size());
  std::from_chars(name.data() + digits, name.data() + name.size(), page);
  return page >= 100 && page < 100'000 ? page : kUsualCodePage;
}

std::string shownName(std::string_view raw, int codePage) {
  std::string text = isUtf8(raw)
                         ? std::string(raw)
                         : fromCodePage(raw, codePage).value_or(fromCodePage(raw, kUsualCodePage).value_or("?"));
  std::string out;
  for (std::size_t i = 0; i < text.size() && out.size() < kLongestName; ++i) {
    unsigned letter = 0;
    if (text.compare(i, 3, "\\U+") == 0 && i + 7 <= text.size()) {
      const auto [end, fault] = std::from_chars(text.data() + i + 3, text.data() + i + 7, letter, 16);
      if (fault == std::errc{} && end == text.data() + i + 7) {
        appendUtf8(out, letter < 0x20 ? U' ' : static_cast<char32_t>(letter));
        i += 6;
        continue;
      }
    }
    out += static_cast<unsigned char>(text[i]) < 0x20 || text[i] == 0x7F ? ' ' : text[i];
  }
  // Not cut in the middle of a letter.
  while (!isUtf8(out)) out.pop_back();
  return out.empty() ? "0" : out;
}

}  // namespace mezzet
