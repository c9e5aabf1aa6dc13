// Lamps on floors and tables.
#include <algorithm>
#include <cmath>

#include "core/edit/edits.h"
#include "core/light/cord.h"
#include "core/model/kinds.h"
#include "core/rules/base/facts.h"
#include "core/rules/base/way_words.h"
#include "core/rules/light/rules.h"

namespace mezzet {
namespace {

/// A lamp belongs to a seat that is no further off [D].
constexpr double kBesideSeat = 24 * kInch;
constexpr std::string_view kReading = "reading";

bool isShaded(const Fixture& f) {
  return isLamp(f.piece->kind) && (f.mount == Mount::Floor || f.mount == Mount::Table);
}

void evaluateShade(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  for (const Fixture& f : s.fixtures()) {
    if (!isShaded(f) || f.body.empty()) continue;
    const Body* nearest = nullptr;
    Separation least;
    for (const Body& body : s.bodies()) {
      const Placement* p = s.placement(body.id);
      if (p == nullptr || !isSeat(s.pieces.of(*p).kind)) continue;
      const Separation gap = separation(f.body, body.parts);
      if (gap.gap > kBesideSeat + kTouch || (nearest != nullptr && gap.gap >= least.gap)) continue;
      nearest = &body;
      least = gap;
    }
    if (nearest == nullptr) continue;
    const PlacementId seatId(nearest->id);
    const Piece& seat = s.pieces.of(*s.placement(nearest->id));
    Finding finding = findingOf(rule, askedOf(rule, s.job, *f.piece), {f.id().value, nearest->id});
    const auto eye = seatedEye(seat);
    if (!f.piece->light->shadeBottom) finding.missing.push_back(f.piece->id.value + ".light.shadeBottom");
    if (!eye) finding.missing.push_back(seat.id.value + ".seatHeight");
    finding.at = {least.a, least.b};
    finding.measured = eye.value_or(0) - f.source;
    finding.u95 = std::hypot(doubtOf(seat, "seatHeight"), doubtOf(*f.piece, "light.shadeBottom"));
    decide(finding, s.scheme);
    const std::string lamp = s.names.the(f.id());
    finding.sentence =
        !f.piece->light->shadeBottom ? "Where the shade of " + lamp + " ends has not been measured."
        : !eye                       ? "How high one sits on " + s.names.the(seatId) + " has not been measured."
        : finding.measured < 0
            ? "Who sits on " + s.names.the(seatId) + " looks up into the shade of " + lamp + ": its lower edge is " +
                  missedBy(-finding.measured, s.format) + " above the eyes."
            : "The shade of " + lamp + " ends " +
                  (finding.measured < kTouch ? std::string("at") : writeLength(finding.measured, s.format) + " below") +
                  " the eyes of who sits on " + s.names.the(seatId) + ".";
    out.push_back(std::move(finding));
  }
}

void evaluateSeatLight(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  if (s.job.brief.purpose != kReading) return;
  for (const Placement* seat : s.mainSeats()) {
    const Parts body = footprint(s.pieces.of(*seat), floorPlace(seat->on));
    std::optional<Separation> least;
    const Fixture* nearest = nullptr;
    for (const Fixture& f : s.fixtures()) {
      if (!isShaded(f) || f.body.empty()) continue;
      const Separation gap = separation(body, f.body);
      if (least && gap.gap >= least->gap) continue;
      least = gap;
      nearest = &f;
    }
    Finding finding = findingOf(rule, askedOf(rule, s.job, s.pieces.of(*seat)), {seat->id.value});
    if (!least) finding.missing.push_back("lamp");
    else finding.at = {least->a, least->b};
    finding.measured = least ? std::max(0.0, least->gap) : 0;
    decide(finding, s.scheme);
    finding.sentence = nearest == nullptr
                           ? "No lamp stands here to read by on " + s.names.the(seat->id) + "."
                           : "From " + s.names.the(seat->id) + " it is " + writeLength(finding.measured, s.format) +
                                 " to " + s.names.the(nearest->id()) +
                                 (finding.margin < 0 ? ", too far to read by" : "") + ".";
    out.push_back(std::move(finding));
  }
}

/// What has a cord that lies on the floor: lamps, and screens that stand.
std::vector<const Placement*> withCords(const Situation& s) {
  std::vector<const Placement*> out;
  for (const Placement& p : s.scheme.placements) {
    const Piece& piece = s.pieces.of(p);
    const auto mount = mountOf(piece);
    if ((mount == Mount::Floor || mount == Mount::Table || isScreen(piece.kind)) && standsAt(s.scheme, p))
      out.push_back(&p);
  }
  return out;
}

void evaluateCord(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  for (const Placement* p : withCords(s)) {
    const FloorPlace at = *standsAt(s.scheme, *p);
    std::vector<PlacementId> own{p->id};
    Parts rim = footprint(s.pieces.of(*p), at);
    if (const auto carrier = carrierOf(p->on)) {
      own.push_back(*carrier);
      const Placement* below = findPlacement(s.scheme, *carrier);
      rim = footprint(s.pieces.of(*below), floorPlace(below->on));
    }
    CordFloor floor = cordFloor(s.pieces, s.room, s.scheme, own);
    const std::string name = s.names.the(p->id);
    const Asked asked = askedOf(rule, s.job, s.pieces.of(*p));
    if (floor.sockets.empty()) {
      Finding f = findingOf(rule, asked, {p->id.value});
      f.at = {at.at, at.at};
      f.missing.push_back("sockets");
      decide(f, s.scheme);
      f.sentence = "Where the sockets are has not been recorded, so the cord of " + name + " is not known.";
      out.push_back(std::move(f));
      continue;
    }
    if (s.routes != nullptr)
      for (const RoomWay* way : mainWays(s))
        if (const RouteFacts::One* drawn = routeOf(s, *way)) floor.notAcross.push_back(drawn->line);
    const auto cord = shortestCord(floor, at.at, rim);
    std::vector<std::string> subjects{p->id.value};
    if (cord) subjects.push_back(cord->socket.value);
    Finding f = findingOf(rule, asked, std::move(subjects));
    f.measured = cord ? cord->length : kCordSearch;
    f.at = cord ? std::array{cord->line.front(), cord->line.back()} : std::array{at.at, at.at};
    decide(f, s.scheme);
    bool straight = true;  // whether the way across would be short enough
    if (f.margin < 0 && !floor.notAcross.empty()) {
      floor.notAcross.clear();
      const auto across = shortestCord(floor, at.at, rim);
      straight = !across || !f.asked.high || across->length > *f.asked.high;
    }
    f.sentence = f.margin >= 0
                     ? "The cord of " + name + " reaches a socket in " + writeLength(f.measured, s.format) + "."
                 : !straight ? "The cord of " + name + " reaches a socket only across the way" +
                                   (cord ? "; round it is " + writeLength(f.measured, s.format) : std::string()) + "."
                 : cord ? "The cord of " + name + " has " + writeLength(f.measured, s.format) +
                              " to the next socket, " + missedBy(-f.margin, s.format) + " too far."
                        : "No socket is reached by the cord of " + name + ".";
    out.push_back(std::move(f));
  }
}

constexpr RuleRow kLampsRows[] = {
    {"lamp-shade", evaluateShade, nullptr, shows::kSight},
    {"seat-light", evaluateSeatLight},
    {"cord-reach", evaluateCord},
};

}  // namespace

RuleRows lampRules() { return kLampsRows; }

}  // namespace mezzet
