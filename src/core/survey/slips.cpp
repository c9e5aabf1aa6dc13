#include "core/survey/slips.h"

#include <algorithm>
#include <charconv>
#include <cmath>

#include "core/base/chi_squared.h"

namespace mezzet {
namespace {

/// How much worse the next best must be before one slip is said to explain the reading.
constexpr double kClearlyBest = 6;

std::optional<long> wholeOf(const std::string& digits) {
  long value = 0;
  const auto [end, fault] = std::from_chars(digits.data(), digits.data() + digits.size(), value);
  return fault == std::errc{} && end == digits.data() + digits.size() ? std::optional(value) : std::nullopt;
}

/// The numbers in which a length is written, each with the way back to a length.
struct Form {
  std::string digits;
  double perUnit = 1, rest = 0;  ///< length = number * perUnit + rest
  long most = 1'000'000;         ///< inches behind feet stay below 12
};
std::vector<Form> formsOf(double length, Unit unit) {
  if (unit == Unit::Millimetre) {
    const long whole = static_cast<long>(std::floor(length + 1e-6));
    return {{std::to_string(whole), 1, length - static_cast<double>(whole)}};
  }
  const long inches = static_cast<long>(std::floor(length / kInch + 1e-6));
  const double fraction = length - static_cast<double>(inches) * kInch;
  const long feet = inches / 12, over = inches % 12;
  return {{std::to_string(inches), kInch, fraction},
          {std::to_string(feet), 12 * kInch, static_cast<double>(over) * kInch + fraction},
          {std::to_string(over), kInch, static_cast<double>(feet) * 12 * kInch + fraction, 11}};
}

/// Every length that comes from changing the digits of one form.
template <class Change>
std::vector<double> rewritten(double length, Unit unit, Change change) {
  std::vector<double> out;
  for (const Form& form : formsOf(length, unit))
    for (const std::string& digits : change(form.digits)) {
      const auto number = wholeOf(digits);
      if (!number || *number > form.most || digits == form.digits) continue;
      const double value = static_cast<double>(*number) * form.perUnit + form.rest;
      if (value > 1 && std::none_of(out.begin(), out.end(), [&](double v) { return std::abs(v - value) < 1e-6; }))
        out.push_back(value);
    }
  return out;
}

std::vector<std::string> swaps(const std::string& digits) {
  std::vector<std::string> out;
  for (std::size_t i = 0; i + 1 < digits.size(); ++i) {
    std::string other = digits;
    std::swap(other[i], other[i + 1]);
    if (other[0] != '0') out.push_back(other);  // nobody writes 0261
  }
  return out;
}
std::vector<std::string> replacements(const std::string& digits, char from, char to) {
  std::vector<std::string> out;
  for (std::size_t i = 0; i < digits.size(); ++i)
    if (digits[i] == from) {
      std::string other = digits;
      other[i] = to;
      out.push_back(other);
    }
  return out;
}

/// 127 in written as 12' 7", and the other way round.
std::optional<double> feetFromInches(double length) {
  const long inches = static_cast<long>(std::floor(length / kInch + 1e-6));
  if (inches < 20) return std::nullopt;
  return static_cast<double>(inches / 10 * 12 + inches % 10) * kInch + (length - static_cast<double>(inches) * kInch);
}
std::optional<double> inchesFromFeet(double length) {
  const long inches = static_cast<long>(std::floor(length / kInch + 1e-6)), feet = inches / 12, over = inches % 12;
  if (feet < 2 || over > 9) return std::nullopt;
  return static_cast<double>(feet * 10 + over) * kInch + (length - static_cast<double>(inches) * kInch);
}

}  // namespace

Unit unitOf(double read) {
  const double sixteenths = read / kInch * 16;
  return std::abs(sixteenths - std::round(sixteenths)) < 1e-3 ? Unit::Inch : Unit::Millimetre;
}

std::vector<Meant> meantBy(double read, const std::vector<Slip>& slips, Unit unit) {
  std::vector<Meant> out;
  const auto add = [&](const Slip& slip, double value) {
    if (value > 1 && value < kLongestLength && std::abs(value - read) > 1e-6) out.push_back({&slip, value});
  };
  for (const Slip& slip : slips) {
    if (slip.units && *slip.units != unit) continue;
    switch (slip.kind) {
      case SlipKind::Add: add(slip, read + slip.amount); break;
      case SlipKind::Scale: add(slip, read * slip.amount); break;
      case SlipKind::SwapDigits:
        for (const double v : rewritten(read, unit, swaps)) add(slip, v);
        break;
      case SlipKind::OtherDigit:
        for (const double v :
             rewritten(read, unit, [&](const std::string& d) { return replacements(d, slip.digit, slip.other); }))
          add(slip, v);
        break;
      case SlipKind::InchesAsFeet:
        if (const auto v = inchesFromFeet(read)) add(slip, *v);
        break;
    }
  }
  return out;
}

std::optional<double> slipped(double length, const Slip& slip, Unit unit, std::size_t pick) {
  std::vector<double> could;
  switch (slip.kind) {
    case SlipKind::Add: could = {length - slip.amount}; break;
    case SlipKind::Scale: could = {length / slip.amount}; break;
    case SlipKind::SwapDigits: could = rewritten(length, unit, swaps); break;
    case SlipKind::OtherDigit:
      could = rewritten(length, unit, [&](const std::string& d) { return replacements(d, slip.other, slip.digit); });
      break;
    case SlipKind::InchesAsFeet:
      if (const auto v = feetFromInches(length)) could = {*v};
      break;
  }
  std::erase_if(could, [](double v) { return v < 100; });
  if ((slip.units && *slip.units != unit) || could.empty()) return std::nullopt;
  return could[pick % could.size()];
}

std::vector<Explanation> explanationsOf(const Network& net, const Adjustment& all, const Suspects& suspects,
                                        const std::vector<Slip>& slips) {
  std::vector<Explanation> found;
  for (const Suspect& suspect : suspects.listed) {
    const Observation& o = net.observations[suspect.observation];
    if (!o.isLength()) continue;
    const double reach = 4 * std::hypot(suspect.predictedU95 / 2, o.sigma);
    for (const Meant& meant : meantBy(o.value, slips, unitOf(o.value))) {
      // Far from what the others say it cannot fit; that saves most adjustments.
      if (std::abs(meant.value - suspect.predicted) > reach) continue;
      Network other = net;
      other.observations[suspect.observation].value = meant.value;
      const auto tried = readjust(other, suspect.corners);
      if (tried) found.push_back({suspect.observation, meant.slip->id, meant.slip->words, meant.value, tried->chi2});
    }
  }
  std::stable_sort(found.begin(), found.end(),
                   [](const Explanation& a, const Explanation& b) { return a.chi2 < b.chi2; });
  if (found.empty() || found.front().chi2 > chiSquaredLimit(all.redundancy)) return {};
  std::vector<Explanation> out;
  for (const Explanation& e : found) {
    if (e.chi2 >= found.front().chi2 + kClearlyBest) break;
    // Another reading would explain it as well: nothing can be said. Of one reading several slips may be offered.
    if (e.observation != found.front().observation) return {};
    out.push_back(e);
  }
  return out;
}

}  // namespace mezzet
