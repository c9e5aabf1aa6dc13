#include "core/entry/completion.h"

#include "core/entry/words.h"
#include "core/model/kinds.h"

namespace mezzet {

std::string kindCompletion(std::string_view text) {
  std::string low = lower(text);
  std::size_t begin = 0;
  while (begin < low.size() && ((low[begin] >= '0' && low[begin] <= '9') || low[begin] == ' ')) ++begin;
  const std::string_view typed = std::string_view(low).substr(begin);
  if (typed.empty()) return {};
  for (const std::string_view kind : offeredKinds())
    if (const std::string_view words = kindWords(kind); words.size() > typed.size() && words.starts_with(typed))
      return std::string(words.substr(typed.size()));
  for (const NamedKind& named : kindNames())
    if (named.words.size() > typed.size() && named.words.starts_with(typed))
      return std::string(named.words.substr(typed.size()));
  return {};
}

std::string usualSizes(const Piece& piece, Unit bare) {
  if (!isKnownKind(piece.kind) || piece.width <= 0) return {};
  LengthFormat plain = usualFormat(bare);
  plain.withUnit = false;
  const bool feet = isRug(piece.kind) && bare == Unit::Inch, cm = isRug(piece.kind) && bare == Unit::Millimetre;
  const auto words = [&](double length) { return writeLength(feet ? length / 12 : cm ? length / 10 : length, plain); };
  std::string out = words(piece.width);
  if (hangs(piece.kind)) return out + " x " + words(*piece.height);
  if (piece.shape != Shape::Round) out += " x " + words(*piece.depth);
  if (isRug(piece.kind)) return out;
  if (piece.shape == Shape::Round) out += " dia";
  if (piece.height) out += (piece.shape == Shape::Round ? " high " : " x ") + words(*piece.height);
  if (piece.seat->height) out += " seat " + words(*piece.seat->height);
  return out;
}

}  // namespace mezzet
