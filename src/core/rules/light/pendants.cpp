// What hangs from the ceiling: over tables, over heads.
#include <algorithm>
#include <cmath>

#include "core/light/over_tops.h"
#include "core/model/kinds.h"
#include "core/rules/base/facts.h"
#include "core/rules/light/pendant_ways.h"
#include "core/rules/light/rules.h"
#include "core/site/stairs.h"
#include "core/space/swing.h"
#include "core/use/seats.h"

namespace mezzet {
namespace {

/// Facings so near to opposite count as two who look at each other, degrees.
constexpr double kOpposite = 45;
/// What is lower stands in nobody's way under a light; people walk there.
constexpr double kStandsUnder = 12 * kInch;
/// A room fixture is judged in rooms wider than this.
constexpr double kRoomWide = 96 * kInch;

std::vector<OverTop> over(const Situation& s) { return overTops(s.pieces, s.scheme, s.bodies(), s.fixtures()); }
bool alone(const std::vector<OverTop>& all, const OverTop& one) {
  return std::count_if(all.begin(), all.end(), [&](const OverTop& o) { return o.body == one.body; }) == 1;
}

void evaluateDrop(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  for (const OverTop& o : over(s)) {
    const Fixture& f = *o.fixture;
    const Asked asked = raisedFor(rule, askedOf(rule, s.job, *f.piece), f.ceiling);
    Finding finding = findingOf(rule, asked, {f.id().value, o.body->id.value});
    if (!o.measured) finding.missing.push_back(o.body->piece.value + ".height");
    finding.view = kCeilingView;
    finding.at = {f.at.at, f.at.at};
    finding.measured = f.underside - o.top;
    finding.u95 = doubtOf(s.pieces.of(*o.body), "height");
    decide(finding, s.scheme);
    const std::string name = s.names.the(o.body->id);
    if (!o.measured) {
      finding.sentence = "How high " + name + " is has not been measured, so the cord over it is not known.";
    } else {
      finding.sentence = s.names.the(f.id(), true) + " hangs " + writeLength(finding.measured, s.format) + " over " +
                         name + missWords(finding, s.format) + ".";
      const double eye = standingEye(s.job.brief);
      if (!isDiningTable(s.pieces.of(*o.body).kind) && f.underside < eye && f.top > eye)
        finding.sentence += " Who stands there looks into it.";
    }
    out.push_back(std::move(finding));
  }
}

/// Someone who sits at a table.
struct Diner {
  Vec2 at, facing;
  double eye = 0;
};

/// How far along a line from a to b (0 to 1) it lies within a body: from where it first enters to where it last leaves.
std::optional<std::pair<double, double>> within(const Parts& body, Vec2 a, Vec2 b) {
  std::optional<std::pair<double, double>> out;
  for (const Convex& part : body)
    if (const auto in = stretchWithin(part, a, b))
      out = out ? std::pair{std::min(out->first, in->first), std::max(out->second, in->second)} : *in;
  return out;
}

void evaluateSight(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  for (const OverTop& o : over(s)) {
    const Fixture& f = *o.fixture;
    std::vector<Diner> diners;
    for (const DiningSeat& seat : s.dining()) {
      const Piece& chair = s.pieces.of(*seat.chair);
      const auto eye = seatedEye(chair);
      if (seat.table != o.body || !eye) continue;
      for (const SeatPlace& place : seatPlaces(chair, floorPlace(seat.chair->on)))
        diners.push_back({place.at, place.facing, *eye});
    }
    std::optional<double> least;
    std::array<Vec2, 2> at{};
    for (std::size_t i = 0; i < diners.size(); ++i)
      for (std::size_t j = i + 1; j < diners.size(); ++j) {
        const Diner &a = diners[i], &b = diners[j];
        if (degreesBetween(a.facing, -b.facing) > kOpposite) continue;
        const auto in = within(f.body, a.at, b.at);
        if (!in) continue;
        const double first = a.eye + (b.eye - a.eye) * in->first, last = a.eye + (b.eye - a.eye) * in->second;
        const double z0 = std::min(first, last), z1 = std::max(first, last);
        const double clear = std::max(f.underside - z1, z0 - f.top);
        if (!least || clear < *least) {
          least = clear;
          at = {a.at, b.at};
        }
      }
    if (!least) continue;
    Finding finding = findingOf(rule, askedOf(rule, s.job, *f.piece), {f.id().value, o.body->id.value});
    finding.view = kCeilingView;
    finding.at = at;
    finding.measured = *least;
    finding.u95 = f.piece->height ? doubtOf(*f.piece, "height") : 0;
    decide(finding, s.scheme);
    const bool under = *least == f.underside - f.top || *least >= 0;
    finding.sentence = *least < 0 && under ? s.names.the(f.id(), true) + " hangs in the eyes of who sit at " +
                                                 s.names.the(o.body->id) + "."
                       : *least < 0 ? s.names.the(f.id(), true) + " hangs in the line of sight of who sit at " +
                                          s.names.the(o.body->id) + ", by " + missedBy(-*least, s.format) + "."
                                    : "Who sit at " + s.names.the(o.body->id) + " see each other past " +
                                          s.names.the(f.id()) + ", " + writeLength(*least, s.format) + " clear.";
    out.push_back(std::move(finding));
  }
}

/// The larger and the smaller side of what is seen from above.
std::pair<double, double> sidesOf(const Piece& piece) {
  const double deep = piece.depth.value_or(piece.width);
  return {std::max(piece.width, deep), std::min(piece.width, deep)};
}

void evaluateSize(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  constexpr double kLong = 1.5;  // longer than wide by so much: it goes with the table's longer side [D]
  const std::vector<OverTop> all = over(s);
  for (const OverTop& o : all) {
    if (!alone(all, o)) continue;
    const Fixture& f = *o.fixture;
    const Piece& top = s.pieces.of(*o.body);
    const auto [length, width] = sidesOf(*f.piece);
    const bool isLong = length >= kLong * width;
    const double own = isLong ? length : f.piece->width, side = isLong ? sidesOf(top).first : sidesOf(top).second;
    Finding finding = findingOf(rule, askedOf(rule, s.job, *f.piece), {f.id().value, o.body->id.value});
    finding.view = kCeilingView;
    finding.at = {f.at.at, f.at.at};
    finding.measured = own / side;
    finding.u95 = finding.measured * std::hypot(doubtOf(*f.piece, "width") / own, doubtOf(top, "depth") / side);
    decide(finding, s.scheme);
    finding.marginMm = finding.margin * side;
    finding.sentence = s.names.the(f.id(), true) + " is " + measureWords(finding.measured, finding.quantity, s.format) +
                       (isLong ? " as long as " : " as wide as ") + s.names.the(o.body->id) +
                       idealWords(finding, s.format) + ".";
    if (finding.verdict == Verdict::Breaks)
      finding.sentence.insert(finding.sentence.size() - 1,
                              "; " + rangeWords(finding.asked, finding.quantity, s.format) + " is asked");
    out.push_back(std::move(finding));
  }
}

void evaluateRoomFixture(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  const Polygon outline = outlineOf(s.room);
  const Box box = boundsOf(std::span<const Vec2>(outline));
  const double x = box.high.x - box.low.x, y = box.high.y - box.low.y;
  if (std::min(x, y) <= kRoomWide) return;
  const std::vector<OverTop> all = over(s);
  for (const Fixture& f : s.fixtures()) {
    if (!isRoomLight(f.piece->kind) || !f.onCeiling() ||
        std::any_of(all.begin(), all.end(), [&](const OverTop& o) { return o.fixture == &f; }))
      continue;
    Finding finding = findingOf(rule, askedOf(rule, s.job, *f.piece), {f.id().value});
    finding.view = kCeilingView;
    finding.at = {f.at.at, f.at.at};
    finding.measured = 12 * f.piece->width / (x + y);
    finding.u95 = finding.measured * doubtOf(*f.piece, "width") / f.piece->width;
    decide(finding, s.scheme);
    finding.sentence = s.names.the(f.id(), true) + " is " + writeLength(f.piece->width, s.format) +
                       " wide; a room of this size takes one about " + writeLength((x + y) / 12, s.format) + ".";
    out.push_back(std::move(finding));
  }
}

void evaluateRow(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  const std::vector<OverTop> all = over(s);
  for (const PendantRow& row : pendantRows(s.pieces, all)) {
    const std::size_t n = row.fixtures.size();
    const double mean = (row.at(n - 1) - row.at(0)) / static_cast<double>(n - 1);
    double worst = std::abs((row.at(0) - row.start) - (row.end - row.at(n - 1)));
    std::array<Vec2, 2> at{row.fixtures.front()->at.at, row.fixtures.back()->at.at};
    bool ends = true;
    for (std::size_t i = 0; i + 1 < n; ++i)
      if (const double off = std::abs(row.at(i + 1) - row.at(i) - mean); off > worst) {
        worst = off;
        ends = false;
        at = {row.fixtures[i]->at.at, row.fixtures[i + 1]->at.at};
      }
    std::vector<std::string> subjects{row.body->id.value};
    std::vector<std::string> names;
    for (const Fixture* f : row.fixtures) {
      subjects.push_back(f->id().value);
      names.push_back(s.names.the(f->id()));
    }
    Finding finding = findingOf(rule, askedOf(rule, s.job, *row.fixtures.front()->piece), std::move(subjects));
    finding.view = kCeilingView;
    finding.at = at;
    finding.measured = worst;
    decide(finding, s.scheme);
    finding.sentence = finding.margin < 0
                           ? capital(listWords(names)) +
                                 (ends ? " are not in the middle of " : " are not evenly spaced over ") +
                                 s.names.the(row.body->id) + ": " + missedBy(worst, s.format) + " out."
                           : capital(listWords(names)) + " hang evenly over " + s.names.the(row.body->id) + ", " +
                                 writeLength(mean, s.format) + " apart.";
    out.push_back(std::move(finding));
  }
}

void evaluateCentre(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  const std::vector<OverTop> all = over(s);
  for (const OverTop& o : all) {
    if (!alone(all, o)) continue;
    const Fixture& f = *o.fixture;
    Finding finding = findingOf(rule, askedOf(rule, s.job, *f.piece), {f.id().value, o.body->id.value});
    finding.view = kCeilingView;
    finding.at = {floorPlace(o.body->on).at, f.at.at};
    finding.measured = distance(finding.at[0], finding.at[1]);
    decide(finding, s.scheme);
    finding.sentence = finding.measured < kTouch
                           ? s.names.the(f.id(), true) + " hangs over the middle of " + s.names.the(o.body->id) + "."
                           : s.names.the(f.id(), true) + " hangs " + writeLength(finding.measured, s.format) +
                                 " off the middle of " + s.names.the(o.body->id) + ".";
    out.push_back(std::move(finding));
  }
}

// ---- heads

bool meets(const Parts& body, const Parts& other) { return separation(body, other).gap < -kTouch; }

/// Whether something stands under it that keeps people from walking there.
bool keepsOff(const Situation& s, const Fixture& f) {
  for (const Body& body : s.bodies()) {
    const Placement* p = body.flat ? nullptr : s.placement(body.id);
    if (p != nullptr && highestOf(s.pieces.of(*p)).value_or(0) >= kStandsUnder && meets(body.parts, f.body))
      return true;
  }
  for (const Feature& feature : s.room.features)
    if (standsInTheWay(feature) && !feature.stair && feature.height.value_or(0) >= kStandsUnder &&
        meets(convexParts(feature.outline), f.body))
      return true;
  return false;
}

/// How much higher one walks there than on the floor: the nosing line of a flight, at its highest under the light.
double walkingLine(const Situation& s, const Fixture& f) {
  double high = 0;
  for (const Feature& feature : s.room.features) {
    if (!feature.stair || !meets(convexParts(feature.outline), f.body)) continue;
    const Vec2 up = rotated({1, 0}, turnOf(feature.stair->climbs));
    const Vec2 foot = stairPlan(feature.outline, *feature.stair).foot;
    double along = -HUGE_VAL;
    for (const Convex& part : f.body)
      for (const Vec2 p : part.core) along = std::max(along, dot(p - foot, up) + part.radius);
    high = std::max(high, nosingLine(*feature.stair, std::max(0.0, along)));
  }
  return high;
}

void evaluateHeadRoom(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  for (const Fixture& f : s.fixtures()) {
    if (!f.onCeiling() || f.recessed() || f.body.empty() || keepsOff(s, f)) continue;
    const Asked asked = askedOf(rule, s.job, *f.piece);
    Finding finding = findingOf(rule, asked, {f.id().value});
    if (s.job.brief.access || (s.routes != nullptr && passes(*s.routes, f.body, kMainWay / 2)))
      finding.weight = Weight::Must;
    const double line = walkingLine(s, f);
    finding.measured = f.underside - line;
    std::string over = line > 0 ? "the stair's walking line" : "the floor";
    // The leaf of a door must pass under it: what is free above the leaf counts from head room up.
    for (const Opening& o : s.room.openings)
      if (const auto sweep = sweepOf(s.room, o); sweep && asked.tolerated.low &&
                                                 clearOfSweep(f.body, *sweep).gap < -kTouch &&
                                                 *asked.tolerated.low + f.underside - o.head() < finding.measured) {
        finding.measured = *asked.tolerated.low + f.underside - o.head();
        over = "the leaf of the " + openingName(s.room, o);
      }
    finding.at = {f.at.at, f.at.at};
    decide(finding, s.scheme);
    const bool leaf = over.starts_with("the leaf");
    const double free = leaf ? finding.margin : finding.measured;
    finding.sentence =
        s.names.the(f.id(), true) +
        (leaf && free < 0
             ? " hangs into " + over + ", by " + missedBy(-free, s.format)
             : " hangs " + writeLength(std::max(0.0, free), s.format) + " above " + over +
                   (finding.margin < 0 ? ", " + missedBy(-finding.margin, s.format) + " too low for heads" : "")) +
        ".";
    out.push_back(std::move(finding));
  }
}

constexpr RuleRow kPendantsRows[] = {
    {kPendantDrop, evaluateDrop, pullCord},        {"pendant-sight", evaluateSight, pullCord},
    {"pendant-size", evaluateSize, otherDiameter}, {"room-fixture-size", evaluateRoomFixture, otherDiameter},
    {"pendant-row", evaluateRow, spreadRow},       {"pendant-centre", evaluateCentre, centreOverTop},
    {kHeadRoom, evaluateHeadRoom, pullCord},
};

}  // namespace

RuleRows pendantRules() { return kPendantsRows; }

}  // namespace mezzet
