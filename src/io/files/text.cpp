#include "io/files/text.h"

#include <iconv.h>

#include <cerrno>

namespace mezzet {

bool isUtf8(std::string_view bytes) {
  const auto at = [&](std::size_t i) { return static_cast<unsigned char>(bytes[i]); };
  for (std::size_t i = 0; i < bytes.size();) {
    const unsigned char c = at(i);
    const std::size_t length = c < 0x80                ? 1
                               : c >= 0xC2 && c < 0xE0 ? 2
                               : c >= 0xE0 && c < 0xF0 ? 3
                               : c >= 0xF0 && c < 0xF5 ? 4
                                                       : 0;
    if (c == 0 || length == 0 || i + length > bytes.size()) return false;
    for (std::size_t k = 1; k < length; ++k)
      if ((at(i + k) & 0xC0) != 0x80) return false;
    // The second byte alone tells overlong forms, surrogates, and what is too far out.
    if (c == 0xE0 && at(i + 1) < 0xA0) return false;
    if (c == 0xED && at(i + 1) > 0x9F) return false;
    if (c == 0xF0 && at(i + 1) < 0x90) return false;
    if (c == 0xF4 && at(i + 1) > 0x8F) return false;
    i += length;
  }
  return true;
}

void appendUtf8(std::string& out, char32_t letter) {
  if (letter >= 0x110000 || (letter >= 0xD800 && letter < 0xE000)) letter = 0xFFFD;
  const auto put = [&](char32_t byte) { out += static_cast<char>(static_cast<unsigned char>(byte)); };
  if (letter < 0x80) return put(letter);
  if (letter < 0x800) return put(0xC0 | letter >> 6), put(0x80 | (letter & 0x3F));
  if (letter < 0x10000) return put(0xE0 | letter >> 12), put(0x80 | (letter >> 6 & 0x3F)), put(0x80 | (letter & 0x3F));
  put(0xF0 | letter >> 18), put(0x80 | (letter >> 12 & 0x3F)), put(0x80 | (letter >> 6 & 0x3F)),
      put(0x80 | (letter & 0x3F));
}

std::optional<std::string> fromCodePage(std::string_view bytes, int codePage) {
  const iconv_t converter = ::iconv_open("UTF-8", ("CP" + std::to_string(codePage)).c_str());
  if (converter == reinterpret_cast<iconv_t>(-1)) return std::nullopt;
  std::string out, in(bytes);
  char* from = in.data();
  std::size_t left = in.size();
  while (left > 0) {
    char part[1024];
    char* to = part;
    std::size_t room = sizeof part;
    const std::size_t done = ::iconv(converter, &from, &left, &to, &room);
    out.append(part, sizeof part - room);
    if (done == static_cast<std::size_t>(-1) && errno != E2BIG && left > 0) {
      appendUtf8(out, 0xFFFD);
      ++from;
      --left;
    }
  }
  ::iconv_close(converter);
  return out;
}

}  // namespace mezzet
