#include "io/meter/meter_line.h"

#include <charconv>
#include <cmath>

namespace mezzet {
namespace {

constexpr double kFarthest = 100'000;  // mm; no room is longer
constexpr double kCoarsest = 1'000;

/// The next word; words are parted by single blanks.
std::string_view word(std::string_view& rest) {
  const std::size_t end = rest.find(' ');
  const std::string_view out = rest.substr(0, end);
  rest = end == std::string_view::npos ? std::string_view{} : rest.substr(end + 1);
  return out;
}

std::optional<double> figure(std::string_view text, double least, double most) {
  double v = 0;
  const auto [end, fault] = std::from_chars(text.data(), text.data() + text.size(), v);
  if (fault != std::errc{} || end != text.data() + text.size() || !(v >= least && v <= most)) return std::nullopt;
  return v;
}

std::optional<long long> number(std::string_view text) {
  long long v = 0;
  const auto [end, fault] = std::from_chars(text.data(), text.data() + text.size(), v);
  if (fault != std::errc{} || end != text.data() + text.size() || v < 0) return std::nullopt;
  return v;
}

std::string written(double v) {
  char buffer[64];
  const auto [end, fault] = std::to_chars(buffer, buffer + sizeof buffer, v);
  return fault == std::errc{} ? std::string(buffer, end) : std::string("0");
}

/// Printable, and nothing that a label would take for markup.
std::string plain(std::string_view text) {
  std::string out;
  for (const char c : text.substr(0, 120))
    if (static_cast<unsigned char>(c) >= 0x20 && c != 0x7f && c != '<' && c != '>' && c != '&') out += c;
  return out;
}

}  // namespace

std::optional<MeterMessage> readMeterLine(std::string_view line) {
  if (!line.empty() && line.back() == '\r') line.remove_suffix(1);
  if (line.size() > kMostMeterLine) return std::nullopt;
  if (line.starts_with(kMeterHello)) {
    std::string_view rest = line.substr(kMeterHello.size());
    if (rest.empty() || rest.front() != ' ') return std::nullopt;
    rest.remove_prefix(1);
    const std::string_view kind = word(rest);
    if (kind != "laser" && kind != "stud") return std::nullopt;
    return MeterHello{kind == "stud" ? MeterKind::Stud : MeterKind::Laser, plain(rest)};
  }
  std::string_view rest = line;
  const std::string_view what = word(rest);
  if (what == "live") {
    const auto v = figure(rest, 0, kFarthest);
    if (v) return MeterLive{*v};
  } else if (what == "reading") {
    const auto n = number(word(rest));
    const auto v = figure(word(rest), 1, kFarthest);
    const auto u95 = figure(rest, 0.001, kCoarsest);
    if (n && v && u95) return MeterReading{*n, *v, *u95};
  } else if (what == "hit") {
    const auto n = number(word(rest));
    const auto along = figure(word(rest), 0, kFarthest);
    const auto confidence = figure(rest, 0.001, 1);
    if (n && along && confidence) return MeterHit{*n, *along, *confidence};
  } else if (what == "error") {
    return MeterTrouble{plain(rest)};
  }
  return std::nullopt;
}

std::string meterLine(const MeterMessage& message) {
  struct Write {
    std::string operator()(const MeterHello& m) const {
      return std::string(kMeterHello) + (m.kind == MeterKind::Stud ? " stud" : " laser") +
             (m.name.empty() ? "" : " " + plain(m.name));
    }
    std::string operator()(const MeterLive& m) const { return "live " + written(m.value); }
    std::string operator()(const MeterReading& m) const {
      return "reading " + std::to_string(m.number) + " " + written(m.value) + " " + written(m.u95);
    }
    std::string operator()(const MeterHit& m) const {
      return "hit " + std::to_string(m.number) + " " + written(m.along) + " " + written(m.confidence);
    }
    std::string operator()(const MeterTrouble& m) const { return "error " + plain(m.words); }
  };
  return std::visit(Write{}, message) + "\n";
}

std::vector<MeterMessage> MeterLines::take(std::string_view bytes) {
  std::vector<MeterMessage> out;
  while (!bytes.empty()) {
    const std::size_t end = bytes.find('\n');
    const std::string_view piece = bytes.substr(0, end);
    if (!dropping_) rest_ += piece.substr(0, kMostMeterLine + 1);
    if (rest_.size() > kMostMeterLine) dropping_ = true;
    if (end == std::string_view::npos) break;
    if (!dropping_)
      if (auto message = readMeterLine(rest_)) out.push_back(std::move(*message));
      else ++garbled_;
    else ++garbled_;
    rest_.clear();
    dropping_ = false;
    bytes = bytes.substr(end + 1);
  }
  return out;
}

}  // namespace mezzet
