#include "core/entry/thing_words.h"

#include <algorithm>
#include <charconv>

#include "core/colour/lab.h"
#include "core/colour/names.h"
#include "core/model/kinds.h"

namespace mezzet {
namespace {

void addColour(Piece& piece, std::string srgb) {
  auto& colours = piece.thing.edit().colours;
  colours.push_back({std::move(srgb), 1});
  for (ColourShare& c : colours) c.share = 1.0 / static_cast<double>(colours.size());
}

/// "5 shelves", "one shelf": how many, and where the line goes on.
std::optional<CountHere> shelvesAt(std::string_view low, std::size_t at) {
  int count = 0;
  std::size_t next = at;
  if (isDigit(low[at])) {
    const auto [end, fault] = std::from_chars(low.data() + at, low.data() + low.size(), count);
    if (fault != std::errc()) return std::nullopt;
    next = static_cast<std::size_t>(end - low.data());
  } else {
    const std::string_view word = wordAt(low, at);
    const auto said = countWord(word);
    if (!said && word != "one") return std::nullopt;
    count = said.value_or(1);
    next = at + word.size();
  }
  while (next < low.size() && low[next] == ' ') ++next;
  const std::string_view word = next < low.size() ? wordAt(low, next) : std::string_view();
  constexpr std::string_view kWords[] = {"shelves", "shelf", "bays"};
  if (std::find(std::begin(kWords), std::end(kWords), word) == std::end(kWords)) return std::nullopt;
  constexpr int kMostShelves = 40;
  if (count < 1 || count > kMostShelves) throw Refusal{at, "A case has 1 to 40 shelves."};
  return CountHere{count, next + word.size()};
}

}  // namespace

std::size_t readThingWord(std::string_view text, std::string_view low, std::size_t at, Piece& piece) {
  constexpr std::size_t kWritten = 7;
  if (text[at] == '#') {
    const auto colour = readColour(text.substr(at, kWritten));
    const bool ends = at + kWritten >= text.size() || !(isLetter(text[at + kWritten]) || isDigit(text[at + kWritten]));
    if (!colour || !ends) throw Refusal{at, "A colour is written #2b2b2b: two digits each of red, green and blue."};
    addColour(piece, writeColour(*colour));
    return kWritten;
  }
  if (hasShelves(piece.kind))
    if (const auto shelves = shelvesAt(low, at)) {
      piece.surfaces.edit().all.resize(static_cast<std::size_t>(shelves->count));
      return shelves->next - at;
    }
  if (!canBeThing(piece.kind)) return 0;
  const std::string_view word = wordAt(low, at);
  const auto named = word.empty() ? std::nullopt : colourNamed(word);
  if (!named) return 0;
  addColour(piece, *named);
  return word.size();
}

void checkCount(int count, std::string_view kind) {
  constexpr int kMostAtOnce = 100, kMostVolumes = 1000;
  const int most = isBookRun(kind) ? kMostVolumes : kMostAtOnce;
  if (count >= 1 && count <= most) return;
  throw Refusal{0, isBookRun(kind) ? "A run holds 1 to " + std::to_string(most) + " books: type several runs."
                                   : "Between 1 and " + std::to_string(most) + " can be added at once."};
}

}  // namespace mezzet
