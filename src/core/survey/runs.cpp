#include "core/survey/runs.h"

#include <algorithm>
#include <array>
#include <charconv>
#include <cmath>
#include <numbers>

#include "core/model/job.h"

namespace mezzet {
namespace {

/// Contract: under half a millimetre counts as touching.
constexpr double kCloses = 0.5;
constexpr double kSquareSlack = 1e-6;

std::vector<Vec2> directions(const std::vector<Run>& runs) {
  std::vector<Vec2> out;
  double heading = 0;
  for (const Run& run : runs) {
    const Turn t = turnOf(heading);
    out.push_back({t.cosine, t.sine});
    heading += run.turn;
  }
  return out;
}

std::string compass(Vec2 d) {
  // Directions as they look on the drawing, so that nobody has to know where north is.
  if (std::abs(d.x) >= std::abs(d.y)) return d.x > 0 ? "to the right" : "to the left";
  return d.y > 0 ? "upwards" : "downwards";
}

std::string sentenceFor(const Closing& c, LengthFormat format) {
  std::string text = "Make wall ";
  for (std::size_t i = 0; i < c.lengths.size(); ++i) {
    if (i > 0) text += " and wall ";
    text += cornerName(c.lengths[i].first).value + " " + writeLength(c.lengths[i].second, format);
  }
  return text;
}

}  // namespace

TurnReading readTurn(std::string_view text) {
  static constexpr const char* kHow = "Say left, right, left 45, or the angle inside the room: 135.";
  std::string words;
  for (const char c : text) words += c >= 'A' && c <= 'Z' ? static_cast<char>(c - 'A' + 'a') : c == ',' ? '.' : c;
  int side = 0;
  std::optional<double> degrees;
  bool inside = false;
  for (std::size_t at = 0; at < words.size();) {
    if (words[at] == ' ') ++at;
    else if (words.compare(at, 2, "\u00b0") == 0) at += 2;
    else if (words[at] >= 'a' && words[at] <= 'z') {
      std::size_t end = at;
      while (end < words.size() && words[end] >= 'a' && words[end] <= 'z') ++end;
      const std::string word = words.substr(at, end - at);
      if (word == "left" || word == "l" || word == "right" || word == "r") {
        if (side != 0) return {std::nullopt, kHow};
        side = word[0] == 'l' ? 1 : -1;
      } else if (word == "inside") {
        inside = true;
      } else if (word != "then" && word != "degrees" && word != "deg") {
        return {std::nullopt, kHow};
      }
      at = end;
    } else {
      double number = 0;
      const auto [end, fault] = std::from_chars(words.data() + at, words.data() + words.size(), number);
      if (fault != std::errc{} || degrees) return {std::nullopt, kHow};
      degrees = number;
      at = static_cast<std::size_t>(end - words.data());
    }
  }
  if ((side == 0 && !degrees) || (inside && (side != 0 || !degrees))) return {std::nullopt, kHow};
  if (side == 0) {
    if (!(*degrees > 0 && *degrees < 360)) return {std::nullopt, "The angle inside the room is between 0 and 360."};
    return {180 - *degrees, {}};
  }
  const double turn = degrees.value_or(90);
  if (!(turn > 0 && turn < 180)) return {std::nullopt, "A corner turns by more than 0 and less than 180 degrees."};
  return {side * turn, {}};
}

std::string writeTurn(double turn) {
  const double size = std::abs(turn);
  std::string text = turn >= 0 ? "then left" : "then right";
  if (size == 90) return text;
  std::array<char, 32> number{};
  const auto [end, fault] =
      std::to_chars(number.data(), number.data() + number.size(), size, std::chars_format::fixed, 2);
  std::string digits(number.data(), end);
  while (digits.back() == '0') digits.pop_back();
  if (digits.back() == '.') digits.pop_back();
  return text + " " + digits + "\u00b0";
}

Traverse walk(const std::vector<Run>& runs) {
  Traverse t;
  const std::vector<Vec2> along = directions(runs);
  Vec2 at;
  for (std::size_t i = 0; i < runs.size(); ++i) {
    t.corners.push_back(at);
    at += along[i] * runs[i].length.value_or(0);
    t.turned += runs[i].turn;
  }
  t.end = at;
  return t;
}

Result<std::vector<Corner>> cornersFromRuns(const std::vector<Run>& runs, LengthFormat format) {
  if (runs.size() < 3) return Error{"", "A room has at least three walls", "Add a wall"};
  for (std::size_t i = 0; i < runs.size(); ++i) {
    const std::string name = "Wall " + cornerName(i).value;
    if (!runs[i].length) return Error{name, "has no length yet", "Type its run"};
    if (auto fault = faultOfLength(*runs[i].length, name)) return *fault;
    if (!std::isfinite(runs[i].turn) || std::abs(runs[i].turn) >= 180)
      return Error{name, "ends in a turn that is not between -180 and 180 degrees", "A square corner is 90"};
  }
  const Traverse t = walk(runs);
  if (std::abs(t.turned + 360) < kSquareSlack)
    return Error{"", "These turns go round clockwise", "Walk with the room on your left hand: corners then turn left"};
  if (std::abs(t.turned - 360) > kSquareSlack) {
    LengthFormat degrees{LengthStyle::Millimetres, 16, false};
    return Error{"", "The turns add up to " + writeLength(t.turned, degrees) + " degrees and should make 360",
                 "An L-shaped room has five left turns and one right"};
  }
  if (t.misclosure() > kCloses)
    return Error{"",
                 "The walk does not close: it ends " + writeLength(t.misclosure(), format) + " " + compass(t.end) +
                     " of where it began",
                 "Check the runs, or take one of the lengths offered"};
  if (const auto crossing = selfCrossing(t.corners))
    return Error{"Wall " + cornerName(crossing->first).value, "crosses wall " + cornerName(crossing->second).value,
                 "Check the runs and the turns between them"};
  std::vector<Corner> corners;
  for (std::size_t i = 0; i < t.corners.size(); ++i) corners.push_back({cornerName(i), t.corners[i]});
  return corners;
}

std::vector<Run> runsOf(const std::vector<Corner>& corners) {
  std::vector<Run> runs;
  const std::size_t n = corners.size();
  for (std::size_t i = 0; i < n; ++i) {
    const Vec2 here = corners[(i + 1) % n].at - corners[i].at;
    const Vec2 next = corners[(i + 2) % n].at - corners[(i + 1) % n].at;
    double turn = std::atan2(cross(here, next), dot(here, next)) * 180 / std::numbers::pi;
    // Quarter turns come back exactly, so that an outline survives the way through runs.
    if (std::abs(turn - std::round(turn)) < kSquareSlack) turn = std::round(turn);
    runs.push_back({norm(here), turn});
  }
  return runs;
}

std::vector<Closing> closings(const std::vector<Run>& runs, std::optional<std::size_t> justTyped, LengthFormat format) {
  std::vector<Closing> out;
  const Traverse t = walk(runs);
  if (std::abs(t.turned - 360) > kSquareSlack) return out;
  const std::vector<Vec2> along = directions(runs);
  std::vector<std::size_t> blank;
  for (std::size_t i = 0; i < runs.size(); ++i)
    if (!runs[i].length) blank.push_back(i);
  const Vec2 owed = -t.end;
  const auto offer = [&](std::vector<std::pair<std::size_t, double>> lengths) {
    for (const auto& [run, length] : lengths)
      if (!(length > kCloses) || length > kLongestLength) return;
    Closing c{std::move(lengths), {}};
    c.sentence = sentenceFor(c, format);
    out.push_back(std::move(c));
  };
  if (blank.size() == 2) {
    const Vec2 p = along[blank[0]], q = along[blank[1]];
    const double d = cross(p, q);
    if (std::abs(d) > kSquareSlack) offer({{blank[0], cross(owed, q) / d}, {blank[1], cross(p, owed) / d}});
    return out;
  }
  if (blank.size() > 2 || (blank.empty() && t.misclosure() <= kCloses)) return out;
  for (std::size_t i = 0; i < runs.size(); ++i) {
    if (blank.size() == 1 ? i != blank[0] : justTyped == i) continue;
    if (std::abs(cross(along[i], owed)) > kCloses) continue;  // changing this run alone would not close it
    offer({{i, runs[i].length.value_or(0) + dot(along[i], owed)}});
  }
  return out;
}

}  // namespace mezzet
