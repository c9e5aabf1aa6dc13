#include "core/units/length.h"

#include <cmath>
#include <numeric>

namespace mezzet {
namespace {

/// Lengths that were inches once carry rounding of 1e-12; without this a half would fall either way.
constexpr double kHalfSlack = 1e-7;

long long roundedAway(double value) { return std::llround(value + std::copysign(kHalfSlack, value)); }

/// `units` of 10^-places as a decimal without trailing zeros
std::string decimal(long long units, int places) {
  std::string digits = std::to_string(std::llabs(units));
  while (static_cast<int>(digits.size()) <= places) digits.insert(digits.begin(), '0');
  std::string out = digits.substr(0, digits.size() - static_cast<std::size_t>(places));
  std::string tail = digits.substr(digits.size() - static_cast<std::size_t>(places));
  while (!tail.empty() && tail.back() == '0') tail.pop_back();
  if (!tail.empty()) out += "." + tail;
  return (units < 0 ? "-" : "") + out;
}

/// `zeroToo`: a whole number of 0 is written before a fraction as well (1'-0 1/2").
std::string inchesText(long long parts, int denominator, bool zeroToo) {
  const long long whole = parts / denominator, rest = parts % denominator;
  std::string out;
  if (whole != 0 || rest == 0 || zeroToo) out = std::to_string(whole);
  if (rest != 0) {
    const long long common = std::gcd(rest, static_cast<long long>(denominator));
    if (!out.empty()) out += " ";
    out += std::to_string(rest / common) + "/" + std::to_string(denominator / common);
  }
  return out;
}

}  // namespace

std::string writeLength(double length, LengthFormat format) {
  if (!std::isfinite(length)) return "?";
  const char* metric = nullptr;
  int places = 0;
  double perUnit = 1;
  switch (format.style) {
    case LengthStyle::Millimetres: metric = " mm"; break;
    case LengthStyle::Centimetres:
      metric = " cm";
      places = 1;
      break;
    case LengthStyle::Metres:
      metric = " m";
      places = 3;
      break;
    case LengthStyle::FeetInches:
    case LengthStyle::Inches: perUnit = kInch / format.denominator; break;
  }
  const long long units = roundedAway(length / perUnit);
  if (metric != nullptr) return decimal(units, places) + (format.withUnit ? metric : "");

  const std::string sign = units < 0 ? "-" : "";
  const long long parts = std::llabs(units);
  if (format.style == LengthStyle::Inches)
    return sign + inchesText(parts, format.denominator, false) + (format.withUnit ? " in" : "");
  const long long perFoot = 12LL * format.denominator;
  const long long feet = parts / perFoot;
  const std::string inches = inchesText(parts % perFoot, format.denominator, feet > 0) + "\"";
  return sign + (feet > 0 ? std::to_string(feet) + "'-" : "") + inches;
}

LengthFormat usualFormat(Unit unit) {
  return {unit == Unit::Inch ? LengthStyle::Inches : LengthStyle::Millimetres, 16, true};
}

}  // namespace mezzet
