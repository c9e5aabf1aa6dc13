#include "core/rules/base/words.h"

#include <cctype>
#include <cmath>

#include "core/units/area.h"

namespace mezzet {

std::string measureWords(double value, Quantity quantity, LengthFormat format) {
  switch (quantity) {
    case Quantity::Length: return writeLength(value, format);
    case Quantity::Ratio:
    case Quantity::Share: return std::to_string(std::lround(value * 100)) + " %";
    case Quantity::Area: return writeArea(value, unitOf(format));
    case Quantity::Illuminance: return std::to_string(std::lround(value)) + " lx";
    case Quantity::Temperature: return std::to_string(std::lround(value)) + " K";
    case Quantity::Angle: return std::to_string(std::lround(value)) + "\u00b0";
    default: return std::to_string(std::lround(value));
  }
}

std::string rangeWords(const Range& range, Quantity quantity, LengthFormat format) {
  if (quantity == Quantity::Length) return rangeWords(range, format);
  const auto words = [&](double v) { return measureWords(v, quantity, format); };
  std::string low = range.low ? words(*range.low) : "";
  if (range.low && range.high) {
    // The unit is said once.
    for (const std::string_view unit : {" %", " sq ft", " m\u00b2", " lx", " K"})
      if (low.ends_with(unit)) low.resize(low.size() - unit.size());
    return low + " to " + words(*range.high);
  }
  if (range.low) return "at least " + low;
  if (range.high) return "at most " + words(*range.high);
  return "nothing";
}

std::string rangeWords(const Range& range, LengthFormat format) {
  LengthFormat bare = format;
  bare.withUnit = false;
  if (range.low && range.high) return writeLength(*range.low, bare) + " to " + writeLength(*range.high, format);
  if (range.low) return "at least " + writeLength(*range.low, format);
  if (range.high) return "at most " + writeLength(*range.high, format);
  return "nothing";
}

std::string missedBy(double by, LengthFormat format) {
  const std::string words = writeLength(by, format);
  // The least that the tape shows.
  for (const double step : {kInch / 32, kInch / 16, kInch / 8, 1.0, 10.0})
    if (words == writeLength(0, format) && writeLength(step, format) != words)
      return "less than " + writeLength(step, format);
  return words;
}

std::string missWords(const Finding& f, LengthFormat format, const char* under, const char* over) {
  if (f.verdict != Verdict::Breaks && f.verdict != Verdict::Kept) return {};
  const bool high = f.asked.high && f.measured > *f.asked.high;
  return ", " + missedBy(-f.margin, format) + " " + (high ? over : under);
}

std::string idealWords(const Finding& f, LengthFormat format) {
  if (!f.ideal.low && !f.ideal.high) return {};
  const std::string range = rangeWords(f.ideal, f.quantity, format);
  if (marginIn(f.ideal, f.measured) >= 0) return ", which looks right";
  return "; " + range + (f.verdict == Verdict::Breaks ? " looks right" : " would look better");
}

}  // namespace mezzet
