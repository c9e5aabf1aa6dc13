#include "core/plan/delivery.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <numbers>

#include "core/base/sentence.h"
#include "core/model/kinds.h"

namespace mezzet {
namespace {

constexpr double kAtTheEnd = 0.01;  // mm: ends belong to a range
constexpr int kTilts = 180;         // steps of a quarter turn when a tilt is looked for
constexpr int kGoldenSteps = 60;    // of the search for the least: then it is as fine as a double
constexpr double kGolden = 0.6180339887498949;

/// Where a function with one least value between two ends has it.
template <class F>
double leastBetween(double low, double high, F f) {
  double a = high - kGolden * (high - low), b = low + kGolden * (high - low);
  for (int i = 0; i < kGoldenSteps; ++i) {
    if (f(a) < f(b)) {
      high = b;
      b = a;
      a = high - kGolden * (high - low);
    } else {
      low = a;
      a = b;
      b = low + kGolden * (high - low);
    }
  }
  return (low + high) / 2;
}

/// As it lies: along the way, across it, upright.
struct Lying {
  double along = 0, across = 0, up = 0;
};

/// Over the six ways of putting three sizes down.
template <class F>
void everyWay(const BoxSize& box, F f) {
  std::array<double, 3> s{box.width, box.depth, box.height};
  std::sort(s.begin(), s.end());
  do f(Lying{s[0], s[1], s[2]});
  while (std::next_permutation(s.begin(), s.end()));
}

double heightLeft(const DeliveryLeg& leg, double up) { return leg.height ? *leg.height - up : HUGE_VAL; }

/// Level: what is left in plan.
double planSlack(const DeliveryLeg& leg, double along, double across) {
  switch (leg.kind) {
    case LegKind::Turn: {
      const double a = *leg.width, b = *leg.to, l = std::max(along, across), w = std::min(along, across);
      const double straight = std::max(std::min(a - w, b - l), std::min(a - l, b - w));
      // As wide as the narrower of the two it goes no further than the other is wide.
      const double least = std::min(a, b), longest = w < least ? longestRoundCorner(a, b, w) : std::max(a, b);
      const double round = std::min(least - w, longest - l);
      return std::max(straight, round);
    }
    case LegKind::Lift: return std::min(*leg.width - across, *leg.depth - along);
    case LegKind::Door:
    case LegKind::Corridor:
    case LegKind::Stair: return *leg.width - across;
    case LegKind::Stand: return HUGE_VAL;
  }
  return HUGE_VAL;
}

/// Tilted by t in the upright plane of its length.
double tiltedSlack(const DeliveryLeg& leg, const Lying& box, double t) {
  const double along = box.along * std::cos(t) + box.up * std::sin(t),
               up = box.along * std::sin(t) + box.up * std::cos(t);
  const double high = heightLeft(leg, up);
  return high < 0 ? high : std::min(planSlack(leg, along, box.across), high);  // too high is no way to carry it
}

/// The best tilt of one way of lying, looked for on a grid and then between its neighbours.
struct Tilted {
  double slack = 0, radians = 0;
};
Tilted bestTilted(const DeliveryLeg& leg, const Lying& box) {
  double best = -HUGE_VAL, at = 0;
  const double step = std::numbers::pi / 2 / kTilts;
  for (int i = 1; i < kTilts; ++i)
    if (const double slack = tiltedSlack(leg, box, i * step); slack > best) {
      best = slack;
      at = i * step;
    }
  const double fine = leastBetween(at - step, at + step, [&](double t) { return -tiltedSlack(leg, box, t); });
  if (const double slack = tiltedSlack(leg, box, fine); slack > best) return {slack, fine};
  return {best, at};
}

BoxSize grown(BoxSize box) {
  for (double* size : {&box.width, &box.depth, &box.height}) *size += 2 * kCarryRoom;
  return box;
}

/// Lifted upright under a ceiling: what is taller than it is wide turns over its shorter foot.
LegSlack slackStanding(const DeliveryLeg& leg, const BoxSize& box) {
  const double foot = std::min(box.width, box.depth);
  const bool tall = box.height >= std::max(box.width, box.depth);
  return {heightLeft(leg, tall ? std::hypot(box.height, foot) : box.height), tall ? Carried::Upright : Carried::Flat,
          foot, std::max(box.width, box.depth), box.height};
}

struct Boxes {
  std::vector<BoxSize> all;  ///< each of which must pass
  bool apart = false;
};
/// The sizes it is carried by; nothing where one of them is not known.
std::optional<BoxSize> boxOf(const Piece& p) {
  if (isRug(p.kind)) return BoxSize{std::min(p.width, p.depth.value_or(p.width)), kRolledRug, kRolledRug};
  const auto depth = p.depth ? p.depth : hangs(p.kind) ? std::optional(kHungDepth) : std::nullopt;
  if (!depth || !highestOf(p)) return std::nullopt;
  return BoxSize{p.width, *depth, *highestOf(p)};
}
/// Turned about its length, what has a back and a seat is as thin as its diagonal depth.
std::optional<BoxSize> turnedBox(const Piece& p, const BoxSize& box) {
  if (!p.carry->diagonalDepth) return std::nullopt;
  return BoxSize{box.width, *p.carry->diagonalDepth, std::hypot(box.depth, box.height)};
}

/// The legs of one box, or of the better of two. What is not passed costs nothing.
using Rooms = std::vector<std::string>;
/// Whether what goes into these rooms passes a leg.
bool isPassed(const DeliveryLeg& leg, const Rooms& to) {
  return leg.room.empty() || std::find(to.begin(), to.end(), leg.room) != to.end();
}

std::vector<LegSlack> slacksOf(const std::vector<DeliveryLeg>& legs, const Rooms& to, const BoxSize& box,
                               const std::optional<BoxSize>& turned) {
  std::vector<LegSlack> out;
  for (const DeliveryLeg& leg : legs) {
    if (!isPassed(leg, to)) {
      out.emplace_back().slack = HUGE_VAL;
      continue;
    }
    LegSlack slack = slackAt(leg, box);
    if (turned && leg.kind != LegKind::Stand)
      if (const LegSlack other = slackAt(leg, *turned); other.slack > slack.slack) {
        slack = other;
        slack.how = Carried::Tilted;
      }
    out.push_back(slack);
  }
  return out;
}
std::size_t leastOf(const std::vector<LegSlack>& legs) {
  return static_cast<std::size_t>(
      std::min_element(legs.begin(), legs.end(),
                       [](const LegSlack& a, const LegSlack& b) { return a.slack < b.slack; }) -
      legs.begin());
}
Carried hardestOf(const std::vector<LegSlack>& legs) {
  Carried how = Carried::Flat;
  for (const LegSlack& leg : legs) how = std::max(how, leg.how);
  return how;
}

const char* howWords(Carried how) {
  switch (how) {
    case Carried::Flat: return "level";
    case Carried::Upright: return "on end";
    case Carried::Tilted: return "tilted";
  }
  return "";
}

std::string helpWords(const Piece& p, const DeliveryLeg& leg, bool apart, double shortBy, LengthFormat format) {
  std::string out;
  const auto add = [&](const std::string& one) { out += (out.empty() ? "" : " ") + one; };
  if (leg.kind == LegKind::Door) add("Take the leaf off its hinges and measure between the frames.");
  if (p.legs->height && *p.legs->height >= shortBy)
    add("Its legs are " + writeLength(*p.legs->height, format) + " high: ask whether they come off.");
  if (!apart && p.carry->takesApart.empty() && !isRug(p.kind)) add("Ask the shop what it comes apart into.");
  if (isSeat(p.kind) && !p.carry->diagonalDepth) add("Not as a box: measure its diagonal depth.");
  return out;
}

std::string wordsFor(const DeliveryAnswer& a, const Piece& p, const std::vector<DeliveryLeg>& legs,
                     LengthFormat format) {
  const std::string name = capital(p.name);
  const std::string as = !a.apart ? "" : isRug(p.kind) ? "folded over, " : "taken apart, ";
  const double spare = *a.spare;
  const std::string at = legName(legs, *a.leg);
  switch (a.verdict) {
    case CarryVerdict::Goes:
      return name + " goes in, " + as + howWords(*a.how) + ": " + writeLength(spare, format) + " to spare at " + at +
             ".";
    case CarryVerdict::Tight:
      return name + " is tight, " + as + howWords(*a.how) + ": " + writeLength(spare, format) + " to spare at " + at +
             ". Measure it once more before it is ordered.";
    case CarryVerdict::No:
      return name + " does not go in as a box" + (a.apart ? ", not even taken apart" : "") + ": " +
             writeLength(-spare, format) + " short at " + at + ". " +
             helpWords(p, legs[*a.leg], a.apart, -spare, format);
    case CarryVerdict::NotMeasured: break;
  }
  return name + ".";
}

void weigh(DeliveryAnswer& a, std::vector<LegSlack> slacks, bool apart) {
  const std::size_t least = leastOf(slacks);
  const double spare = slacks[least].slack;
  if (a.spare && *a.spare >= spare) return;
  a.spare = spare;
  a.leg = least;
  a.apart = apart;
  a.how = hardestOf(slacks);
  a.verdict = spare < -kAtTheEnd                ? CarryVerdict::No
              : spare < kTightBelow - kAtTheEnd ? CarryVerdict::Tight
                                                : CarryVerdict::Goes;
  a.legs = std::move(slacks);
}

}  // namespace

namespace {

double lengthAt(double a, double b, double wide, double t) {
  return (a * std::sin(t) + b * std::cos(t) - wide) / (std::sin(t) * std::cos(t));
}
double tightestRadians(double a, double b, double wide) {
  constexpr double kEnd = 1e-6;
  return leastBetween(kEnd, std::numbers::pi / 2 - kEnd, [&](double t) { return lengthAt(a, b, wide, t); });
}

}  // namespace

double longestRoundCorner(double a, double b, double wide) {
  return wide >= std::min(a, b) ? 0 : lengthAt(a, b, wide, tightestRadians(a, b, wide));
}
double tightestTurn(double a, double b, double wide) {
  return wide >= std::min(a, b) ? 45 : tightestRadians(a, b, wide) * 180 / std::numbers::pi;
}

LegSlack slackAt(const DeliveryLeg& leg, const BoxSize& size) {
  const BoxSize box = grown(size);
  if (leg.kind == LegKind::Stand) return slackStanding(leg, box);
  const double longest = std::max({box.width, box.depth, box.height});
  LegSlack best;
  best.slack = -HUGE_VAL;
  const auto offer = [&](double slack, Carried how, const Lying& l, double tilt) {
    // Level is carried more easily than on end, and both than tilted: only what fails is carried harder.
    if (slack > best.slack && (best.slack < kTightBelow || how == best.how))
      best = {slack, how, l.along, l.across, l.up, tilt};
  };
  for (const Carried how : {Carried::Flat, Carried::Upright})
    everyWay(box, [&](const Lying& l) {
      if ((l.up >= longest) == (how == Carried::Upright))
        offer(std::min(planSlack(leg, l.along, l.across), heightLeft(leg, l.up)), how, l, 0);
    });
  if (best.slack < kTightBelow && leg.height && (leg.kind == LegKind::Turn || leg.kind == LegKind::Lift))
    everyWay(box, [&](const Lying& l) {
      const Tilted tilted = bestTilted(leg, l);
      // Tilted by less than it takes it is short both ways: how much too long it is, is told level.
      if (tilted.slack >= 0) offer(tilted.slack, Carried::Tilted, l, tilted.radians * 180 / std::numbers::pi);
    });
  return best;
}

std::vector<PieceId> carriedPieces(const Job& job) {
  std::vector<PieceId> out;
  for (const auto& piece : job.pieces) {
    const bool placed = std::any_of(job.schemes.begin(), job.schemes.end(),
                                    [&](const auto& scheme) { return timesPlaced(*scheme, piece->id) > 0; });
    if ((placed || !piece->shop->owned) && !isDisplayed(piece->kind) && !goesOnCeiling(piece->kind))
      out.push_back(piece->id);
  }
  return out;
}

std::vector<PieceId> carriedInto(const Job& job, const std::vector<const Scheme*>& schemes) {
  std::vector<PieceId> out = carriedPieces(job);
  std::erase_if(out, [&](const PieceId& id) {
    return std::none_of(schemes.begin(), schemes.end(),
                        [&](const Scheme* scheme) { return timesPlaced(*scheme, id) > 0; });
  });
  return out;
}

namespace {

/// Boxes each of which must pass where the whole does not: what it comes apart into, or a rolled rug folded over.
std::vector<BoxSize> partsOf(const Piece& p, const std::optional<BoxSize>& box) {
  if (!p.carry->takesApart.empty()) return p.carry->takesApart;
  if (isRug(p.kind) && box) return {{box->width / 2, 2 * kRolledRug, kRolledRug}};
  return {};
}

DeliveryAnswer deliverBy(const Piece& p, const std::vector<DeliveryLeg>& legs, const Rooms& to, LengthFormat format) {
  DeliveryAnswer a;
  a.piece = p.id;
  const auto box = boxOf(p);
  const std::vector<BoxSize> parts = partsOf(p, box);
  const bool any = std::any_of(legs.begin(), legs.end(), [&](const DeliveryLeg& leg) { return isPassed(leg, to); });
  if (!any || (!box && parts.empty())) {
    a.says = capital(p.name) + (any ? ": measure its depth and height first." : ": measure the way in first.");
    return a;
  }
  if (box) weigh(a, slacksOf(legs, to, *box, turnedBox(p, *box)), false);
  if (a.verdict != CarryVerdict::Goes && !parts.empty()) {
    std::vector<LegSlack> worst;
    for (const BoxSize& part : parts) {
      const std::vector<LegSlack> slacks = slacksOf(legs, to, part, std::nullopt);
      if (worst.empty()) worst = slacks;
      for (std::size_t i = 0; i < slacks.size(); ++i)
        if (slacks[i].slack < worst[i].slack) worst[i] = slacks[i];
    }
    weigh(a, std::move(worst), true);
  }
  a.says = wordsFor(a, p, legs, format);
  if (a.verdict == CarryVerdict::Goes) a.leg.reset();
  if (a.verdict == CarryVerdict::No) a.how.reset();
  return a;
}

}  // namespace

DeliveryAnswer deliver(const Piece& p, const std::vector<DeliveryLeg>& legs, LengthFormat format) {
  Rooms all;
  for (const DeliveryLeg& leg : legs) all.push_back(leg.room);
  return deliverBy(p, legs, all, format);
}

DeliveryAnswer deliver(const Job& job, const PieceId& id, LengthFormat format) {
  Rooms to;
  for (const auto& scheme : job.schemes)
    if (timesPlaced(*scheme, id) > 0) to.push_back(scheme->room.value);
  return deliverBy(*findPiece(job, id), job.records->legs, to, format);
}

std::string legName(const std::vector<DeliveryLeg>& legs, std::size_t leg) {
  const DeliveryLeg& l = legs.at(leg);
  const std::string word = l.name.empty() ? std::string("the ") + legWord(l.kind) : midSentence(l.name);
  return word + (legs.size() > 1 ? " (leg " + std::to_string(leg + 1) + ")" : "");
}

const char* legWord(LegKind kind) {
  constexpr const char* kWords[] = {"door", "corridor", "turn", "stair", "lift", "place where it is stood up"};
  return kWords[static_cast<std::size_t>(kind)];
}
const char* verdictWord(CarryVerdict v) {
  constexpr const char* kWords[] = {"goes", "tight", "no", "not measured"};
  return kWords[static_cast<std::size_t>(v)];
}
const char* carriedWord(Carried how) {
  constexpr const char* kWords[] = {"flat", "upright", "tilted"};
  return kWords[static_cast<std::size_t>(how)];
}

}  // namespace mezzet
