#include "core/entry/line_words.h"

#include <algorithm>

namespace mezzet {

std::size_t characters(std::string_view text, std::size_t byte) {
  return static_cast<std::size_t>(std::count_if(text.begin(),
                                                text.begin() + static_cast<std::ptrdiff_t>(std::min(byte, text.size())),
                                                [](char c) { return (static_cast<unsigned char>(c) & 0xC0) != 0x80; }));
}

std::optional<SizeWord> sizeWord(std::string_view word) {
  for (const std::string_view across : {"dia", "diameter"})
    if (word == across) return SizeWord{{across, true}, kDiameter};
  for (const PieceField& field : pieceFields())
    for (const LineWord& said : field.words)
      if (!word.empty() && said.word == word) return SizeWord{said, field.key};
  return std::nullopt;
}

std::optional<Shape> shapeWord(std::string_view word) {
  if (word == "round") return Shape::Round;
  if (word == "oval") return Shape::Oval;
  if (word == "curved") return Shape::Curve;
  if (word == "corner" || word == "l-shaped" || word == "l") return Shape::L;
  if (word == "square" || word == "rectangular") return Shape::Rect;
  return std::nullopt;
}

void shareUnit(std::vector<Typed>& sizes, Unit bare) {
  const std::string_view last = sizes.back().text;
  const auto isNumber = [](char c) { return isDigit(c) || c == ' ' || c == '.' || c == ',' || c == '/' || c == '-'; };
  std::size_t number = 0;
  while (number < last.size() && isNumber(last[number])) ++number;
  const std::string unit(last.substr(number));
  // One unit, and nothing behind it: 5' 3" says nothing of the others.
  if (sizes.back().bare || std::any_of(unit.begin(), unit.end(), isNumber)) return;
  for (std::size_t i = 0; i + 1 < sizes.size(); ++i)
    if (!sizes[i].bare) return;
  for (std::size_t i = 0; i + 1 < sizes.size(); ++i)
    if (const LengthReading reading = readLength(std::string(sizes[i].text) + unit, bare)) {
      sizes[i].length = *reading.length;
      sizes[i].bare = false;
    }
}

}  // namespace mezzet
