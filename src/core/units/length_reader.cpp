#include "core/units/length.h"

#include <array>
#include <charconv>
#include <cmath>
#include <vector>

namespace mezzet {
namespace {

struct Glyph {
  char32_t code;
  std::size_t at;  // character index in what was typed
};

/// Decodes UTF-8 leniently; a broken byte becomes U+FFFD and is complained about where it stands.
std::vector<Glyph> decode(std::string_view text) {
  std::vector<Glyph> out;
  std::size_t i = 0;
  while (i < text.size()) {
    const auto lead = static_cast<unsigned char>(text[i]);
    std::size_t more = lead < 0x80 ? 0 : (lead >> 5) == 6 ? 1 : (lead >> 4) == 14 ? 2 : (lead >> 3) == 30 ? 3 : 9;
    char32_t code = 0xFFFD;
    if (more == 0) {
      code = lead;
    } else if (more < 4 && i + more < text.size()) {
      code = lead & (0x3Fu >> more);
      for (std::size_t k = 1; k <= more; ++k) {
        const auto next = static_cast<unsigned char>(text[i + k]);
        if ((next & 0xC0u) != 0x80u) {
          code = 0xFFFD;
          more = 0;
          break;
        }
        code = (code << 6) | (next & 0x3Fu);
      }
    } else {
      more = 0;
    }
    out.push_back({code, out.size()});
    i += more + 1;
  }
  return out;
}

struct Vulgar {
  char32_t code;
  int over, under;
};
constexpr std::array<Vulgar, 9> kVulgar{{{0xBC, 1, 4},
                                         {0xBD, 1, 2},
                                         {0xBE, 3, 4},
                                         {0x2153, 1, 3},
                                         {0x2154, 2, 3},
                                         {0x215B, 1, 8},
                                         {0x215C, 3, 8},
                                         {0x215D, 5, 8},
                                         {0x215E, 7, 8}}};

/// Typographic quotes, spaces, minus and fraction bar become the characters of a plain keyboard.
char32_t plain(char32_t c) {
  switch (c) {
    case 0x2032:
    case 0x2019:
    case 0x2018:
    case 0xB4:
    case 0x60: return U'\'';
    case 0x2033:
    case 0x201D:
    case 0x201C: return U'"';
    case 0xA0:
    case 0x2009:
    case 0x202F:
    case U'\t': return U' ';
    case 0x2212:
    case 0x2013:
    case 0x2010:
    case 0x2011: return U'-';
    case 0x2044:
    case 0x2215: return U'/';
    default: return c;
  }
}

struct Refusal {
  std::size_t at;
  std::string why;
};

enum class Mark { None, Foot, Inch, Millimetre, Centimetre, Metre };

struct Number {
  double value = 0;
  bool fraction = false;  // has an n/d part
  bool decimal = false;   // has a decimal sign
  std::optional<std::size_t> comma;
  std::size_t at = 0;
};

class Reader {
 public:
  Reader(std::string_view text, Unit bare) : bare_(bare) {
    for (Glyph g : decode(text)) glyphs_.push_back({plain(g.code), g.at});
    end_ = glyphs_.size();
    // Two single quotes are how many people type the inch mark.
    for (std::size_t i = 0; i + 1 < glyphs_.size(); ++i)
      if (glyphs_[i].code == U'\'' && glyphs_[i + 1].code == U'\'') {
        glyphs_[i].code = U'"';
        glyphs_.erase(glyphs_.begin() + static_cast<std::ptrdiff_t>(i) + 1);
      }
  }

  double read() {
    skipSpaces();
    if (done()) throw Refusal{here(), "Type a length, for example 63 1/4 or 160 cm."};
    const Number first = number();
    skipSpaces();
    const std::size_t markAt = here();
    const Mark mark = unitMark();
    const double length =
        mark == Mark::Foot ? first.value * kFoot + inchesAfterFeet(first) : whole(first, mark, markAt);
    skipSpaces();
    if (!done()) unexpected(mark);
    if (!std::isfinite(length)) throw Refusal{first.at, "This number is too large."};
    return length;
  }

 private:
  [[nodiscard]] bool done() const { return pos_ >= glyphs_.size(); }
  [[nodiscard]] char32_t peek(std::size_t ahead = 0) const {
    return pos_ + ahead < glyphs_.size() ? glyphs_[pos_ + ahead].code : U'\0';
  }
  [[nodiscard]] std::size_t here() const { return done() ? end_ : glyphs_[pos_].at; }
  void skipSpaces() {
    while (peek() == U' ') ++pos_;
  }
  static bool digit(char32_t c) { return c >= U'0' && c <= U'9'; }
  static const Vulgar* vulgar(char32_t c) {
    for (const Vulgar& v : kVulgar)
      if (v.code == c) return &v;
    return nullptr;
  }

  std::string digits() {
    std::string out;
    while (digit(peek())) out += static_cast<char>(glyphs_[pos_++].code);
    return out;
  }

  static double toDouble(const std::string& text) {
    double value = 0;
    const auto [end, fault] = std::from_chars(text.data(), text.data() + text.size(), value);
    return fault == std::errc{} && end == text.data() + text.size() ? value : HUGE_VAL;
  }

  /// whole, decimal, fraction, or whole and fraction
  Number number() {
    Number n;
    n.at = here();
    if (peek() == U'-') throw Refusal{here(), "A length cannot be negative."};
    if (const Vulgar* v = vulgar(peek())) {
      ++pos_;
      n.value = double(v->over) / v->under;
      n.fraction = true;
      return n;
    }
    if (!digit(peek()) && !(peek() == U'.' && digit(peek(1)))) throw Refusal{here(), "A number is wanted here."};
    std::string text = digits();
    if (peek() == U'.' || peek() == U',') {
      if (peek() == U',') n.comma = here();
      ++pos_;
      const std::string after = digits();
      if (after.empty()) throw Refusal{here(), "Digits are missing after the decimal sign."};
      if (n.comma && after.size() == 3)
        throw Refusal{*n.comma, "This comma can mean thousands or a decimal: write it without."};
      text += "." + after;
      n.decimal = true;
      if (peek() == U'.' || peek() == U',') throw Refusal{here(), "There is a second decimal sign."};
    }
    n.value = toDouble(text);
    if (peek() == U'/') {  // the digits just read were the upper part
      if (n.decimal) throw Refusal{here(), "A fraction takes whole numbers above and below."};
      n.value = fractionBelow(n.value);
      n.fraction = true;
      return n;
    }
    if (!n.decimal) fractionAfterWhole(n);
    return n;
  }

  double fractionBelow(double over) {
    ++pos_;  // the bar
    skipSpaces();
    const std::size_t at = here();
    const std::string under = digits();
    if (under.empty()) throw Refusal{at, "The fraction has no lower number."};
    const double below = toDouble(under);
    if (below == 0) throw Refusal{at, "A fraction cannot have 0 below the bar."};
    return over / below;
  }

  void fractionAfterWhole(Number& n) {
    const std::size_t back = pos_;
    if (const Vulgar* v = (skipSpaces(), vulgar(peek()))) {
      ++pos_;
      n.value += double(v->over) / v->under;
      n.fraction = true;
      return;
    }
    if (peek() == U'-') ++pos_;
    skipSpaces();
    const std::size_t at = here();
    if (digit(peek())) {
      const std::string over = digits();
      if (peek() == U'/') {
        const double part = fractionBelow(toDouble(over));
        if (part >= 1) throw Refusal{at, "The fraction is one or more: write it as a whole number and a fraction."};
        n.value += part;
        n.fraction = true;
        return;
      }
      throw Refusal{at, "Two numbers stand here without a unit between them: is it feet and inches, or a fraction?"};
    }
    pos_ = back;
  }

  Mark unitMark() {
    if (peek() == U'\'') return ++pos_, Mark::Foot;
    if (peek() == U'"') return ++pos_, Mark::Inch;
    const std::size_t at = here();
    const std::size_t start = pos_;
    std::string word;
    for (char32_t c = peek(); (c >= U'a' && c <= U'z') || (c >= U'A' && c <= U'Z'); c = peek()) {
      word += static_cast<char>(c | 0x20u);
      ++pos_;
    }
    if (word.empty()) return Mark::None;
    if (peek() == U'.') ++pos_;  // "in."
    if (word == "ft" || word == "foot" || word == "feet") return Mark::Foot;
    if (word == "in" || word == "ins" || word == "inch" || word == "inches") return Mark::Inch;
    if (word == "mm") return Mark::Millimetre;
    if (word == "cm") return Mark::Centimetre;
    if (word == "m") return Mark::Metre;
    pos_ = start;
    throw Refusal{at, "\"" + word + "\" is not a unit: use ft, in, mm, cm or m."};
  }

  double inchesAfterFeet(const Number& feet) {
    refuseInchComma(feet);
    skipSpaces();
    if (peek() == U'-') ++pos_;
    skipSpaces();
    if (done()) return 0;
    if (feet.decimal || feet.fraction) throw Refusal{feet.at, "Feet must be a whole number when inches follow."};
    const Number inches = number();
    refuseInchComma(inches);
    skipSpaces();
    const std::size_t markAt = here();
    const Mark mark = unitMark();
    if (mark != Mark::None && mark != Mark::Inch) throw Refusal{markAt, "After feet only inches can follow."};
    if (inches.value >= 12) throw Refusal{inches.at, "After feet, inches must be less than 12."};
    return inches.value * kInch;
  }

  static void refuseInchComma(const Number& n) {
    if (n.comma) throw Refusal{*n.comma, "Inches take a decimal point, not a comma."};
  }

  [[nodiscard]] double whole(const Number& n, Mark mark, std::size_t markAt) const {
    if (mark == Mark::None) mark = bare_ == Unit::Inch ? Mark::Inch : Mark::Millimetre;
    if (mark == Mark::Inch) {
      refuseInchComma(n);
      return n.value * kInch;
    }
    if (n.fraction) throw Refusal{markAt, "Fractions are for inches: write metric lengths with decimals."};
    return n.value * (mark == Mark::Metre ? 1000 : mark == Mark::Centimetre ? 10 : 1);
  }

  [[noreturn]] void unexpected(Mark mark) const {
    if (peek() == U'-' || digit(peek()))
      throw Refusal{here(), mark == Mark::None ? "A number is not wanted here."
                                               : "Something follows the unit: write one length."};
    throw Refusal{here(), "This sign is not part of a length."};
  }

  Unit bare_;
  std::vector<Glyph> glyphs_;
  std::size_t pos_ = 0, end_ = 0;
};

}  // namespace

LengthReading readLength(std::string_view text, Unit bare) {
  constexpr std::size_t kLongestText = 64;  // nobody writes a longer length; keeps pasted pages out
  if (text.size() > kLongestText) return {std::nullopt, kLongestText, "This is too long to be one length."};
  try {
    return {Reader(text, bare).read(), 0, {}};
  } catch (const Refusal& refusal) {
    return {std::nullopt, refusal.at, refusal.why};
  }
}

std::optional<Error> faultOfLength(double length, const std::string& where) {
  if (!std::isfinite(length)) return Error{where, "is not a number", "Type a length"};
  if (length <= 0) return Error{where, "must be more than 0", "Type the length as the tape reads"};
  if (length > kLongestLength) return Error{where, "is longer than 100 m (328 ft)", "Check the unit"};
  return std::nullopt;
}

}  // namespace mezzet
