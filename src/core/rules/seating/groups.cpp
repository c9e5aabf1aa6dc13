// Seats that talk: how far apart, facing, nothing between; at one level, with level tops.
#include <algorithm>
#include <cmath>

#include "core/rules/seating/rules.h"
#include "core/model/kinds.h"
#include "core/rules/base/facts.h"
#include "core/base/sentence.h"

namespace mezzet {
namespace {

/// Those who talk look at each other within this [D].
constexpr double kFacing = 60;
/// Seats that look the same way by less than this sit side by side, and talk without looking [D].
constexpr double kSideBySide = 50;
/// What is taller stands between those who talk [D].
constexpr double kTalkOver = 42 * kInch;

Vec2 middleOf(const FrontEdge& f) { return midpoint(f.left, f.right); }

/// Degrees that those on a seat turn to look at a point: whoever sits best for it.
double turnedOn(const Situation& s, const Placement& seat, Vec2 point) {
  double least = 180;
  for (const SeatPlace& place : seatPlaces(s.pieces.of(seat), floorPlace(seat.on)))
    least = std::min(least, turnedAway({place.front, place.front, place.facing}, point));
  return least;
}

/// What stands between two seats and is too tall to talk over.
const Occluder* between(const Situation& s, const Placement& a, const Placement& b, Vec2 from, Vec2 to) {
  const Occluder* tallest = nullptr;
  for (const Occluder& o : s.occluders()) {
    if (o.top <= kTalkOver || o.bottom > kTalkOver || o.wall || o.owner == a.id.value || o.owner == b.id.value)
      continue;
    if (separation(o.shape, Convex{{from, to}, 0}).gap < -kTouch && (tallest == nullptr || o.top > tallest->top))
      tallest = &o;
  }
  return tallest;
}

/// The spread of a height in a group; the highest and the lowest piece.
void judgeSpread(const Situation& s, const Rule& rule, const char* dimension, std::optional<double> SeatPart::*height,
                 const char* what, const char* missing, std::vector<Finding>& out) {
  const auto heightOf = [&](const Placement* p) { return (*s.pieces.of(*p).seat).*height; };
  for (const TalkGroup& group : s.groups()) {
    if (group.seats.size() < 2) continue;
    std::vector<std::string> subjects;
    for (const Placement* p : group.seats) subjects.push_back(p->id.value);
    Finding f = findingOf(rule, askedOf(rule, s.job), subjects);
    const Placement *high = nullptr, *low = nullptr, *unknown = nullptr;
    for (const Placement* p : group.seats) {
      const Piece& piece = s.pieces.of(*p);
      if (!heightOf(p)) {
        unknown = p;
        f.missing.push_back(piece.id.value + "." + dimension);
        continue;
      }
      if (high == nullptr || *heightOf(p) > *heightOf(high)) high = p;
      if (low == nullptr || *heightOf(p) < *heightOf(low)) low = p;
    }
    f.missing.erase(std::unique(f.missing.begin(), f.missing.end()), f.missing.end());
    if (high != nullptr && low != nullptr) {
      f.measured = *heightOf(high) - *heightOf(low);
      f.u95 = std::hypot(doubtOf(s.pieces.of(*high), dimension), doubtOf(s.pieces.of(*low), dimension));
      f.at = {floorPlace(high->on).at, floorPlace(low->on).at};
    }
    decide(f, s.scheme);
    if (unknown != nullptr)
      f.sentence = "How high " + std::string(missing) + " " + s.names.the(unknown->id) + " is has not been measured.";
    else if (f.measured < kTouch) f.sentence = "All " + std::string(what) + " of this group are level.";
    else
      f.sentence = "In this group " + std::string(what) + " differ by " + writeLength(f.measured, s.format) + ": " +
                   s.names.the(high->id) + " is highest, " + s.names.the(low->id) + " lowest.";
    out.push_back(std::move(f));
  }
}

void evaluateConversation(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  for (const TalkGroup& group : s.groups())
    for (std::size_t i = 0; i < group.seats.size(); ++i)
      for (std::size_t j = i + 1; j < group.seats.size(); ++j) {
        const Placement &a = *group.seats[i], &b = *group.seats[j];
        const FrontEdge one = frontOf(s.pieces, a), two = frontOf(s.pieces, b);
        const Vec2 from = middleOf(one), to = middleOf(two);
        const double angle = degreesBetween(one.outward, two.outward);
        if (angle < kSideBySide) continue;
        Finding f = findingOf(rule, askedOf(rule, s.job, s.pieces.of(a)), {a.id.value, b.id.value});
        f.measured = distance(from, to);
        f.at = {from, to};
        const Vec2 d = unit(to - from);
        f.u95 = std::hypot(doubtOfThing(s, a.id.value, d), doubtOfThing(s, b.id.value, d));
        decide(f, s.scheme);
        const std::string pair = s.names.the(a.id, true) + " and " + s.names.the(b.id);
        const double turned = std::max(turnedOn(s, a, to), turnedOn(s, b, from));
        const Occluder* tall = between(s, a, b, from, to);
        if (f.verdict == Verdict::Breaks) {
          f.sentence = pair + " are " + writeLength(f.measured, s.format) + " apart, " +
                       writeLength(-f.margin, s.format) +
                       (f.asked.low && f.measured < *f.asked.low ? " too near to talk at ease." : " too far to talk.");
        } else if (turned > kFacing + 1e-9) {
          // Judged by the angle instead: the distance is as it should be.
          f.quantity = Quantity::Angle;
          f.asked = {std::nullopt, kFacing};
          f.ideal = {};
          f.measured = turned;
          f.u95 = 0;
          f.marginMm = std::nullopt;
          decide(f, s.scheme);
          f.sentence =
              pair + " are turned away from each other by " + measureWords(turned, Quantity::Angle, s.format) + ".";
        } else if (tall != nullptr) {
          f.asked = {std::nullopt, kTalkOver};
          f.ideal = {};
          f.measured = tall->top;
          f.u95 = 0;
          decide(f, s.scheme);
          f.sentence = capital(thingWords(s, tall->owner)) + " stands between " + s.names.the(a.id) + " and " +
                       s.names.the(b.id) + " and is " + writeLength(tall->top, s.format) + " tall.";
        } else {
          f.sentence = pair + " are " + writeLength(f.measured, s.format) + " apart, facing.";
        }
        out.push_back(std::move(f));
      }
}

void evaluateSeatLevel(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  judgeSpread(s, rule, "seatHeight", &SeatPart::height, "the seats", "the seat of", out);
}
void evaluateTopsLevel(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  judgeSpread(s, rule, "backHeight", &SeatPart::back, "the tops of the backs", "the back of", out);
}

constexpr RuleRow kGroupsRows[] = {
    {"conversation", evaluateConversation, nullptr, shows::kTalk},
    {"seat-level", evaluateSeatLevel},
    {"tops-level", evaluateTopsLevel},
};

}  // namespace

RuleRows groupRules() { return kGroupsRows; }

}  // namespace mezzet
