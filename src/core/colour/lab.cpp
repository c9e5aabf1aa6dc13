#include "core/colour/lab.h"

#include <algorithm>
#include <charconv>
#include <cmath>
#include <numbers>

namespace mezzet {
namespace {

constexpr double kWhite[] = {0.95047, 1.0, 1.08883};
constexpr double kToXyz[3][3] = {{0.4124, 0.3576, 0.1805}, {0.2126, 0.7152, 0.0722}, {0.0193, 0.1192, 0.9505}};
constexpr double kFromXyz[3][3] = {{3.2406, -1.5372, -0.4986}, {-0.9689, 1.8758, 0.0415}, {0.0557, -0.2040, 1.0570}};
constexpr double kSmall = 216.0 / 24389, kSlope = 24389.0 / 27;
constexpr double kRadian = std::numbers::pi / 180;

double linear(double c) { return c <= 0.04045 ? c / 12.92 : std::pow((c + 0.055) / 1.055, 2.4); }
double encoded(double c) { return c <= 0.0031308 ? 12.92 * c : 1.055 * std::pow(c, 1 / 2.4) - 0.055; }
/// Degrees, 0 to 360; 0 of a grey.
double hueOf(double a, double b) {
  if (a == 0 && b == 0) return 0;
  const double h = std::atan2(b, a) / kRadian;
  return h < 0 ? h + 360 : h;
}

}  // namespace

Lab labOf(const Srgb& colour) {
  const double rgb[] = {linear(colour[0]), linear(colour[1]), linear(colour[2])};
  double f[3];
  for (int i = 0; i < 3; ++i) {
    const double t = (kToXyz[i][0] * rgb[0] + kToXyz[i][1] * rgb[1] + kToXyz[i][2] * rgb[2]) / kWhite[i];
    f[i] = t > kSmall ? std::cbrt(t) : (kSlope * t + 16) / 116;
  }
  return {116 * f[1] - 16, 500 * (f[0] - f[1]), 200 * (f[1] - f[2])};
}

double lightnessOf(const Srgb& colour) { return labOf(colour).l; }

Srgb srgbOf(const Lab& lab) {
  const double fy = (lab.l + 16) / 116, f[] = {fy + lab.a / 500, fy, fy - lab.b / 200};
  double xyz[3];
  for (int i = 0; i < 3; ++i) {
    const double cube = f[i] * f[i] * f[i];
    xyz[i] = kWhite[i] * (cube > kSmall ? cube : (116 * f[i] - 16) / kSlope);
  }
  Srgb out;
  for (std::size_t i = 0; i < 3; ++i) {
    const double c = kFromXyz[i][0] * xyz[0] + kFromXyz[i][1] * xyz[1] + kFromXyz[i][2] * xyz[2];
    out[i] = std::clamp(encoded(std::max(0.0, c)), 0.0, 1.0);
  }
  return out;
}

std::string writeColour(const Srgb& colour) {
  constexpr char kDigits[] = "0123456789abcdef";
  std::string out = "#";
  for (const double c : colour) {
    const auto v = static_cast<unsigned>(std::lround(std::clamp(c, 0.0, 1.0) * 255));
    out += kDigits[v / 16];
    out += kDigits[v % 16];
  }
  return out;
}

std::optional<Lab> readLab(std::string_view text) {
  if (const auto written = readColour(text)) return labOf(*written);
  double values[3];
  const char* at = text.data();
  const char* const end = at + text.size();
  for (int i = 0; i < 3; ++i) {
    if (i > 0 && (at == end || *at++ != ',')) return std::nullopt;
    while (at != end && *at == ' ') ++at;
    const auto [next, fault] = std::from_chars(at, end, values[i]);
    if (fault != std::errc() || !std::isfinite(values[i])) return std::nullopt;
    at = next;
  }
  if (at != end || values[0] < 0 || values[0] > 100 || std::abs(values[1]) > 200 || std::abs(values[2]) > 200)
    return std::nullopt;
  return Lab{values[0], values[1], values[2]};
}

double deltaE00(const Lab& one, const Lab& two) {
  constexpr double k25to7 = 6103515625.0;
  const auto chroma7 = [](double c) { return c * c * c * (c * c * c) * c; };
  const double c1 = std::hypot(one.a, one.b), c2 = std::hypot(two.a, two.b), mean7 = chroma7((c1 + c2) / 2);
  const double g = 0.5 * (1 - std::sqrt(mean7 / (mean7 + k25to7)));
  const double a1 = (1 + g) * one.a, a2 = (1 + g) * two.a;
  const double p1 = std::hypot(a1, one.b), p2 = std::hypot(a2, two.b);
  const double h1 = hueOf(a1, one.b), h2 = hueOf(a2, two.b);
  const bool grey = p1 * p2 == 0;
  double turn = grey ? 0 : h2 - h1;
  if (turn > 180) turn -= 360;
  if (turn < -180) turn += 360;
  const double dl = two.l - one.l, dc = p2 - p1, dh = 2 * std::sqrt(p1 * p2) * std::sin(turn / 2 * kRadian);
  const double l = (one.l + two.l) / 2, c = (p1 + p2) / 2;
  double h = h1 + h2;
  if (!grey) {
    if (std::abs(h1 - h2) > 180) h += h < 360 ? 360 : -360;
    h /= 2;
  }
  const double t = 1 - 0.17 * std::cos((h - 30) * kRadian) + 0.24 * std::cos(2 * h * kRadian) +
                   0.32 * std::cos((3 * h + 6) * kRadian) - 0.20 * std::cos((4 * h - 63) * kRadian);
  const double bend = 30 * std::exp(-std::pow((h - 275) / 25, 2)), c7 = chroma7(c);
  const double rc = 2 * std::sqrt(c7 / (c7 + k25to7)), from50 = (l - 50) * (l - 50);
  const double sl = 1 + 0.015 * from50 / std::sqrt(20 + from50), sc = 1 + 0.045 * c, sh = 1 + 0.015 * c * t;
  const double rt = -std::sin(2 * bend * kRadian) * rc;
  const double x = dl / sl, y = dc / sc, z = dh / sh;
  return std::sqrt(x * x + y * y + z * z + rt * y * z);
}

}  // namespace mezzet
