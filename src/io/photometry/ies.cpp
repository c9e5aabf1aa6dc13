#include "io/photometry/ies.h"

#include <algorithm>
#include <array>
#include <charconv>
#include <cmath>
#include <map>

namespace mezzet {
namespace {

constexpr double kMostCandela = 1e9, kMostAngle = 360;

struct Fault {
  Error error;
};

/// The file line by line, then number by number over the lines: a reader of LM-63 must not rely on how numbers are
/// wrapped.
class IesReader {
 public:
  IesReader(std::string_view text, const std::string& name) : text_(text), name_(name) {}

  Photometry read() {
    Photometry out;
    readHead(out);
    const double lamps = figure("the number of lamps"), lumens = figure("the lumens of a lamp"),
                 multiplier = figure("the candela multiplier");
    const long long vertical = count("the number of vertical angles"),
                    horizontal = count("the number of horizontal angles");
    const double type = figure("the photometric type");
    if (type != 1)
      fail("is of type " + std::string(type == 2 ? "B" : type == 3 ? "A" : "?"), "Ask the maker for a file of type C");
    for (const char* what : {"the unit", "the width", "the length", "the height"}) static_cast<void>(figure(what));
    const double ballast = figure("the ballast factor"), second = figure("the next factor");
    out.watts = figure("the watts");
    if (vertical * horizontal > kMostCandelas)
      fail("has " + std::to_string(vertical) + " by " + std::to_string(horizontal) + " angles",
           "A photometric file has fewer");
    // The second factor is one only in the edition of 1995; elsewhere it says nothing.
    const double factor = multiplier * ballast * (out.format == "LM-63-1995" ? second : 1);
    if (!(factor > 0 && factor <= 1e6)) fail("has a multiplier that is not more than 0", "The file is damaged");
    if (lumens > 0) out.stated = lamps * lumens;
    for (long long i = 0; i < vertical; ++i) out.vertical.push_back(angle("a vertical angle", out.vertical));
    for (long long i = 0; i < horizontal; ++i) out.horizontal.push_back(angle("a horizontal angle", out.horizontal));
    for (long long i = 0; i < vertical * horizontal; ++i) {
      const double cd = figure("a candela value");
      if (cd < 0) fail("has a negative candela", "The file is damaged, or its multiplier is");
      if (cd * factor > kMostCandela) fail("has more than a thousand million candelas", "The file is damaged");
      out.candela.push_back(cd * factor);
    }
    rest(out);
    checkAngles(out);
    return out;
  }

 private:
  [[noreturn]] void fail(const std::string& what, const std::string& hint) const {
    throw Fault{{name_ + ", line " + std::to_string(line_), what, hint}};
  }

  std::string_view nextLine() {
    ++line_;
    const std::size_t end = text_.find('\n', at_);
    std::string_view out = text_.substr(at_, end == std::string_view::npos ? end : end - at_);
    at_ = end == std::string_view::npos ? text_.size() : end + 1;
    while (!out.empty() && (out.back() == '\r' || out.back() == ' ')) out.remove_suffix(1);
    return out;
  }

  /// The edition, keywords, and what is said of tilt.
  void readHead(Photometry& out) {
    out.format = "LM-63-1986";
    bool first = true;
    for (; at_ < text_.size(); first = false) {
      const std::string_view line = nextLine();
      if (first && line.starts_with("IESNA91")) out.format = "LM-63-1991";
      else if (first && (line.starts_with("IESNA:") || line.starts_with("IES:"))) {
        out.format = std::string(line.substr(line.find(':') + 1)).substr(0, 40);
        if (!out.format.starts_with("LM-63"))
          fail("is not an LM-63 file, but \"" + out.format + "\"", "Choose an .ies file");
      }
      if (!line.starts_with("TILT=")) continue;
      const std::string_view tilt = line.substr(5);
      ++line_;  // numbers begin on the next one
      if (tilt == "INCLUDE") {
        static_cast<void>(figure("the lamp's position"));
        const long long pairs = count("the number of tilt angles");
        for (long long i = 0; i < 2 * pairs; ++i) static_cast<void>(figure("a tilt factor"));
        out.says.emplace_back("Its factors for a tilted lamp are left out: it is taken as mounted as measured.");
      } else if (tilt != "NONE") {
        out.says.emplace_back("It names another file for a tilted lamp, which is left out.");
      }
      return;
    }
    fail("has no line TILT=", "It is not a photometric file of LM-63");
  }

  std::string_view token() {
    const auto blank = [](char c) { return c == ' ' || c == '\t' || c == '\r' || c == '\n' || c == ','; };
    while (at_ < text_.size() && blank(text_[at_])) {
      if (text_[at_] == '\n') ++line_;
      ++at_;
    }
    const std::size_t from = at_;
    while (at_ < text_.size() && !blank(text_[at_])) ++at_;
    // A comma within a number and a figure right behind it: a separator of old files, or a decimal comma.
    if (at_ > from && at_ + 1 < text_.size() && text_[at_] == ',' && text_[at_ + 1] >= '0' && text_[at_ + 1] <= '9')
      ++tight_;
    return text_.substr(from, at_ - from);
  }

  double figure(const std::string& what) {
    const std::string_view word = token();
    if (word.empty()) fail("ends before " + what, tight_ > 0 ? kCommas : "The file is cut off; fetch it again");
    double value = 0;
    const char* begin = word.data() + (word.front() == '+' ? 1 : 0);
    const auto [end, fault] = std::from_chars(begin, word.data() + word.size(), value);
    if (fault != std::errc{} || end != word.data() + word.size() || !std::isfinite(value))
      fail("has \"" + std::string(word.substr(0, 20)) + "\" where " + what + " stands",
           "The file is damaged; fetch it again");
    return value;
  }

  long long count(const std::string& what) {
    const double value = figure(what);
    if (!(value >= 1 && value <= static_cast<double>(kMostAngles)) || value != std::floor(value))
      fail(what + " is not a whole number from 1 to " + std::to_string(kMostAngles),
           tight_ > 0 ? kCommas : "The file is damaged");
    return static_cast<long long>(value);
  }

  double angle(const std::string& what, const std::vector<double>& before) {
    const double value = figure(what);
    if (!(value >= 0 && value <= kMostAngle)) fail(what + " is not from 0 to 360 degrees", "The file is damaged");
    if (!before.empty() && value <= before.back())
      fail(what + " does not rise", tight_ > 0 ? kCommas : "The file is damaged");
    return value;
  }

  /// What stands behind the last value: nothing, or the file was not understood.
  void rest(Photometry& out) {
    std::size_t more = 0;
    while (!token().empty()) ++more;
    if (more > 0 && tight_ > 0) fail("holds more numbers than its angles ask for", kCommas);
    if (more > 0) out.says.push_back(std::to_string(more) + " values behind the last candela are left out.");
  }

  void checkAngles(Photometry& p) {
    const double v0 = p.vertical.front(), v1 = p.vertical.back(), h0 = p.horizontal.front(), h1 = p.horizontal.back();
    if (!((v0 == 0 || v0 == 90) && (v1 == 90 || v1 == 180)))
      fail("has vertical angles from other than 0 or 90 to 90 or 180 degrees", "Type C files have these");
    if (h0 == 90 && h1 == 270) return wholeCircle(p);
    if (h0 != 0 || (h1 != 0 && h1 != 90 && h1 != 180 && h1 != 360))
      fail("has horizontal angles from other than 0 to 0, 90, 180 or 360 degrees", "Type C files have these");
  }

  /// Planes from 90 to 270 degrees, the same on the other side of the axis from 90 to 270.
  static void wholeCircle(Photometry& p) {
    const std::size_t n = p.vertical.size();
    std::map<double, std::vector<double>> planes;
    for (std::size_t i = 0; i < p.horizontal.size(); ++i) {
      const std::vector<double> plane(p.candela.begin() + static_cast<std::ptrdiff_t>(i * n),
                                      p.candela.begin() + static_cast<std::ptrdiff_t>((i + 1) * n));
      planes[p.horizontal[i]] = plane;
      planes[std::fmod(540 - p.horizontal[i], 360)] = plane;
    }
    if (!planes.contains(0)) {
      // Half way between its neighbours on both sides.
      const auto &low = planes.begin()->second, &high = planes.rbegin()->second;
      std::vector<double> middle(n);
      for (std::size_t v = 0; v < n; ++v) middle[v] = (low[v] + high[v]) / 2;
      planes[0] = middle;
    }
    planes[360] = planes[0];
    p.horizontal.clear();
    p.candela.clear();
    for (const auto& [at, plane] : planes) {
      p.horizontal.push_back(at);
      p.candela.insert(p.candela.end(), plane.begin(), plane.end());
    }
  }

  static constexpr const char* kCommas = "It may use commas as decimals: write points instead";
  std::string_view text_;
  std::string name_;
  std::size_t at_ = 0, tight_ = 0;
  int line_ = 0;
};

void writeNumbers(std::string& out, const std::vector<double>& values) {
  std::size_t column = 0;
  for (const double value : values) {
    std::array<char, 32> buffer{};
    const auto [end, fault] = std::to_chars(buffer.data(), buffer.data() + buffer.size(), value);
    const std::string word(buffer.data(), end);
    static_cast<void>(fault);
    if (column > 0 && column + word.size() > 120) {
      out += "\n";
      column = 0;
    }
    out += (column > 0 ? " " : "") + word;
    column += word.size() + 1;
  }
  out += "\n";
}

}  // namespace

Result<Photometry> readIes(std::string_view text, const std::string& name) {
  if (text.size() > kMostIesBytes)
    return Error{name, "is larger than 4 MB", "A photometric file of that size cannot be right"};
  try {
    return IesReader(text, name).read();
  } catch (const Fault& fault) {
    return fault.error;
  }
}

std::string writeIes(const Photometry& p) {
  std::string out = "IESNA:LM-63-2002\n[TEST] none\n[TESTLAB] none\n[ISSUEDATE] none\n[MANUFAC] none\nTILT=NONE\n";
  writeNumbers(out, {1, p.stated.value_or(-1), 1, static_cast<double>(p.vertical.size()),
                     static_cast<double>(p.horizontal.size()), 1, 2, 0, 0, 0});
  writeNumbers(out, {1, 1, p.watts});
  writeNumbers(out, p.vertical);
  writeNumbers(out, p.horizontal);
  writeNumbers(out, p.candela);
  return out;
}

bool isPhotometryName(std::string_view name) {
  constexpr std::size_t kDigest = 64;
  if (!name.starts_with(kPhotometryFolder) || name.size() != kPhotometryFolder.size() + kDigest) return false;
  return name.substr(kPhotometryFolder.size()).find_first_not_of("0123456789abcdef") == std::string_view::npos;
}

}  // namespace mezzet
