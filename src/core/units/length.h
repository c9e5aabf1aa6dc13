// Reading and writing lengths as people with a tape write them. Inside the core a length is a double in millimetres.
#pragma once

#include <cstddef>
#include <optional>
#include <string>
#include <string_view>

#include "core/base/result.h"

namespace mezzet {

inline constexpr double kInch = 25.4;  ///< exact since 1959
inline constexpr double kFoot = 12 * kInch;
inline constexpr double kLongestLength = 100'000;  ///< no room or piece is longer than 100 m

/// A length that a job may hold: finite, greater than zero, at most 100 m.
[[nodiscard]] std::optional<Error> faultOfLength(double length, const std::string& where);

/// The unit of a job: what a bare number means.
enum class Unit { Inch, Millimetre };

/// What a typed length was understood as, or where and why it was not.
struct LengthReading {
  std::optional<double> length;  ///< mm, never negative; absent if the text was refused
  std::size_t at = 0;            ///< character (not byte) the complaint is about, from 0; the text's length: its end
  std::string complaint;         ///< one sentence, empty when read

  explicit operator bool() const { return length.has_value(); }
};

/// Reads one length. `text` is UTF-8: 63 | 63 1/4 | 63-1/4" | 63¼ | 63.25 in | 5'3" | 5' 3 1/4" | 5ft 3.25in |
/// 160cm | 1,6 m | 1600 mm; a bare number is in `bare`. Nothing is guessed: what can be read two ways is refused.
[[nodiscard]] LengthReading readLength(std::string_view text, Unit bare);

enum class LengthStyle { FeetInches, Inches, Millimetres, Centimetres, Metres };

/// How lengths are written on one sheet or screen.
struct LengthFormat {
  LengthStyle style = LengthStyle::Inches;
  int denominator = 16;  ///< finest fraction of an inch: 16, 8 or 4
  bool withUnit = true;  ///< writes the unit after inches, mm, cm, m (feet and inches always carry their marks)

  bool operator==(const LengthFormat&) const = default;
};

/// Writes `length` (mm) rounded half away from zero: 12'-6 1/2" | 63 1/4 in | 1607 mm | 160.7 cm | 1.607 m.
/// Fractions are reduced and carry; a value that rounds to nothing is 0, never -0.
[[nodiscard]] std::string writeLength(double length, LengthFormat format);

/// The usual format of a job: inches with sixteenths, or whole millimetres.
[[nodiscard]] LengthFormat usualFormat(Unit unit);

}  // namespace mezzet
