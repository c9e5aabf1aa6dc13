#include "core/entry/line_words.h"

#include <algorithm>
#include <charconv>

#include "core/base/sentence.h"
#include "core/entry/words.h"
#include "core/model/kinds.h"

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

std::optional<int> countWord(std::string_view word) {
  constexpr std::string_view kCounts[] = {"two", "three", "four", "five", "six", "seven", "eight", "nine", "ten"};
  const auto* at = std::find(std::begin(kCounts), std::end(kCounts), word);
  return at != std::end(kCounts) ? std::optional(static_cast<int>(at - std::begin(kCounts)) + 2) : std::nullopt;
}

std::optional<KindHere> kindAt(std::string_view rest) {
  for (const NamedKind& named : kindNames()) {
    if (!rest.starts_with(named.words)) continue;
    std::size_t length = named.words.size();
    for (const std::string_view plural : {"es", "s", "ves"})
      if (rest.substr(length).starts_with(plural)) {
        length += plural.size();
        break;
      }
    const auto goesOn = [&] { return length < rest.size() && (isLetter(rest[length]) || rest[length] == '-'); };
    if (goesOn()) {
      length = named.words.size();
      if (goesOn()) continue;
    }
    return KindHere{std::string(named.kind), length, named.mount};
  }
  return std::nullopt;
}

std::optional<KindHere> topAfterOver(std::string_view low, std::size_t at) {
  constexpr std::string_view kOver = "over", kThe = "the ", kTable = "table";
  const std::size_t began = at;
  const auto skip = [&] {
    while (at < low.size() && low[at] == ' ') ++at;
  };
  at += kOver.size();
  skip();
  if (low.substr(at).starts_with(kThe)) at += kThe.size();
  skip();
  KindHere top{std::string(kDiningTableKind), kTable.size()};
  if (wordAt(low, at) != kTable) {
    const auto named = kindAt(low.substr(at));
    if (!named || !isLitUnder(named->kind)) return std::nullopt;
    top = *named;
  }
  top.length += at - began;
  return top;
}

std::optional<CountHere> countAt(std::string_view text, std::string_view low, std::size_t at) {
  if (!isDigit(text[at])) {
    const std::string_view word = wordAt(low, at);
    const auto said = countWord(word);
    return said ? CountHere{*said, at + word.size()} : CountHere{1, at};
  }
  int count = 0;
  const auto [end, fault] = std::from_chars(text.data() + at, text.data() + text.size(), count);
  const auto after = static_cast<std::size_t>(end - text.data());
  std::size_t next = after;
  while (next < text.size() && text[next] == ' ') ++next;
  const bool word = fault == std::errc{} && next > after && next < text.size() && isLetter(text[next]) &&
                    wordAt(low, next) != "x" && wordAt(low, next) != "by";
  return word ? std::optional(CountHere{count, next}) : std::nullopt;
}

std::size_t lengthEnd(std::string_view text, std::string_view low, std::size_t at, bool& bare) {
  std::size_t end = at;
  while (end < text.size()) {
    const char c = low[end];
    if (c == 'x' || c == '*' || text.substr(end).starts_with("\xC3\x97")) break;
    if (c == '"' && end > at && !isDigit(text[end - 1]) && text[end - 1] != '/') break;  // a quoted name, no inch mark
    if (isLetter(c)) {
      std::size_t wordEnd = end;
      while (wordEnd < low.size() && isLetter(low[wordEnd])) ++wordEnd;
      if (std::find(kUnits.begin(), kUnits.end(), low.substr(end, wordEnd - end)) == kUnits.end()) break;
      bare = false;
      end = wordEnd;
      continue;
    }
    if (c == '\'' || c == '"') bare = false;
    if ((c == ',' && end + 1 < text.size() && text[end + 1] == ' ') || c == ';') break;
    ++end;
  }
  return end;
}

TypedTo typedLengthAt(std::string_view text, std::string_view low, std::size_t at, Unit unit) {
  bool bare = true;
  std::size_t end = lengthEnd(text, low, at, bare);
  std::string_view piece = text.substr(at, end - at);
  while (!piece.empty() && piece.back() == ' ') piece.remove_suffix(1);
  LengthReading reading = readLength(piece, unit);
  if (const std::size_t space = piece.find(' '); !reading && space != std::string_view::npos)
    if (const LengthReading first =
            readLength(piece.substr(0, space), unit)) {  // "30 17 high": two sizes, the second with its word
      reading = first;
      end = at + space;
    }
  if (!reading) throw Refusal{at + std::min(reading.at, piece.size()), reading.complaint};
  return {{*reading.length, at, bare, piece}, end};
}

char letterAt(std::string_view low, std::size_t at, bool before) {
  std::size_t next = at;
  while (next < low.size() && isLetter(low[next])) ++next;
  const std::string_view word = low.substr(at, next - at);
  if (word != "w" && word != "d" && word != "h") return 0;
  while (next < low.size() && low[next] == ' ') ++next;
  return !before || (next < low.size() && isDigit(low[next])) ? word[0] : '\0';
}

double rugSize(const Typed& typed, Unit bare, std::vector<std::string>& notes) {
  constexpr double kMostRugFeet = 20;  // a bare rug size up to this is in feet
  constexpr double kMostRugCm = 1000;  // and in a metric job up to this in centimetres
  const auto taken = [&](const char* sentence, double length) {
    if (std::find(notes.begin(), notes.end(), sentence) == notes.end()) notes.emplace_back(sentence);
    return length;
  };
  if (typed.bare && bare == Unit::Inch && typed.length <= kMostRugFeet * kInch)
    return taken("Taken as feet: write 96 in for inches.", typed.length * 12);
  if (typed.bare && bare == Unit::Millimetre && typed.length <= kMostRugCm)
    return taken("Taken as centimetres: write 2400 mm for millimetres.", typed.length * 10);
  return typed.length;
}

std::string_view wordAt(std::string_view low, std::size_t at) {
  std::size_t end = at;
  while (end < low.size() && (isLetter(low[end]) || (low[end] == '-' && end > at))) ++end;
  return low.substr(at, end - at);
}

std::string withArticle(const std::string& name) {
  return (std::string_view("aeiouAEIOU").find(name[0]) != std::string_view::npos ? "an " : "a ") + lower(name);
}

OwnKind ownKindAt(std::string_view text, std::size_t at) {
  std::size_t end = at;
  while (end < text.size() && !isDigit(text[end]) && text[end] != '"') ++end;
  std::string name(text.substr(at, end - at));
  while (!name.empty() && (name.back() == ' ' || name.back() == ',')) name.pop_back();
  if (name.empty() || !isLetter(name[0])) throw Refusal{at, "Begin with what it is: sofa, low table, rug, art ..."};
  std::string kind = lower(name);
  if (kind == "table" || kind == "tables")
    throw Refusal{at, "Which table is it: a dining table, a low table, a side table or a console?"};
  std::replace(kind.begin(), kind.end(), ' ', '-');
  return {capital(name), std::move(kind), end};
}

namespace {
constexpr std::pair<std::string_view, HangAs> kHangWords[] = {{"row", HangAs::Row},           {"grid", HangAs::Grid},
                                                              {"salon", HangAs::Salon},       {"loose", HangAs::Loose},
                                                              {"mirrored", HangAs::Mirrored}, {"stair", HangAs::Stair}};
}

std::optional<HangAs> hangAsWord(std::string_view word) {
  for (const auto& [said, as] : kHangWords)
    if (said == word) return as;
  return std::nullopt;
}
std::string_view hangAsWord(HangAs as) {
  for (const auto& [said, one] : kHangWords)
    if (one == as) return said;
  return "";
}
std::string wishWords(const HangWish& wish, LengthFormat format) {
  return ", hung " + std::string(wish.as == HangAs::Loose || wish.as == HangAs::Mirrored ? "" : "as a ") +
         std::string(hangAsWord(wish.as)) + (wish.gap ? ", " + writeLength(*wish.gap, format) + " apart" : "");
}

}  // namespace mezzet
