#include "io/json/hang_json.h"

#include <algorithm>

#include "io/json/json_words.h"

namespace mezzet {
namespace {

constexpr std::pair<const char*, HangAs> kHangs[] = {
    {"free", HangAs::Free},         {"row", HangAs::Row},     {"grid", HangAs::Grid},   {"salon", HangAs::Salon},
    {"mirrored", HangAs::Mirrored}, {"loose", HangAs::Loose}, {"match", HangAs::Match}, {"stair", HangAs::Stair}};
constexpr std::pair<const char*, HangLine> kHangLines[] = {
    {"centre", HangLine::Centre}, {"top", HangLine::Top}, {"bottom", HangLine::Bottom}};

template <class Enum, std::size_t N>
std::optional<Enum> named(const std::pair<const char*, Enum> (&names)[N], const std::string& word) {
  for (const auto& [name, meaning] : names)
    if (word == name) return meaning;
  return std::nullopt;
}

}  // namespace

const char* hangWord(HangAs as) { return wordFor(kHangs, as); }
std::optional<HangAs> hangNamed(const std::string& word) { return named(kHangs, word); }
std::optional<HangLine> hangLineNamed(const std::string& word) { return named(kHangLines, word); }

void readHangs(ObjectReader& in, Scheme& s) {
  s.hangs = readEach<Hang>(in, "hangs", [](ObjectReader& h) {
    const auto whole = [&](const char* key) { return static_cast<int>(std::clamp(h.whole(key, 0), -1LL, 10'000LL)); };
    return Hang{h.text("id"),         h.choice("as", kHangs, std::optional(HangAs::Free)),
                h.maybeNumber("gap"), whole("rows"),
                whole("columns"),     h.choice("line", kHangLines, std::optional(HangLine::Centre)),
                h.text("like", ""),   h.whole("seed", 1),
                whole("treads")};
  });
}

void writeHangs(Json& out, const Scheme& s) {
  for (const Hang& h : s.hangs) {
    Json one{{"id", h.id}, {"as", wordFor(kHangs, h.as)}};
    writeMaybe(one, "gap", h.gap);
    if (h.rows != 0) one["rows"] = h.rows;
    if (h.columns != 0) one["columns"] = h.columns;
    if (h.line != HangLine::Centre) one["line"] = wordFor(kHangLines, h.line);
    if (h.treads != 0) one["treads"] = h.treads;
    if (!h.like.empty()) one["like"] = h.like;
    if (h.seed != 1) one["seed"] = h.seed;
    out["hangs"].push_back(std::move(one));
  }
}

}  // namespace mezzet
