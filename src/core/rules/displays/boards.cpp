// What shelves bear, what may tip, what cushions leave.
#include "core/display/boards.h"

#include <cmath>

#include "core/display/shelves.h"
#include "core/edit/displays.h"
#include "core/model/kinds.h"
#include "core/rules/displays/rules.h"
#include "core/rules/displays/shared.h"
#include "core/use/seats.h"

namespace mezzet {
namespace {

constexpr double kTipsFrom = 27 * kInch, kTallDepths = 3;  // ASTM F2057; [D]
constexpr double kCushion = 6 * kInch;                     // it takes of a seat, pushed aside [D]
constexpr double kUsualArm = 6 * kInch;                    // width of an arm until measured [D]

void evaluateLoad(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  for (const Display& d : s.displays())
    for (std::size_t b = 0; b < d.bays.size(); ++b) {
      if (d.bays[b].surface == nullptr || !d.bays[b].surface->load) continue;
      const double load = *d.bays[b].surface->load, mass = shelfLoadOf(d, b).mass;
      Finding f = displayFinding(rule, askedOf(rule, s.job), d, {d.surfaceName(b)});
      f.measured = mass / load;
      f.at = faceOf(d.bays[b], 0);
      decide(f, s.scheme);
      f.sentence = writeWeight(mass, s.job.units) + " stand on " + thingWords(s, d.surfaceName(b)) +
                   ", which may carry " + writeWeight(load, s.job.units) + ".";
      out.push_back(std::move(f));
    }
}

void evaluateSag(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  constexpr double kAsksWood = 36 * kInch;  // wider shelves are told to be measured; narrower ones hardly sag [D]
  for (const Display& d : s.displays())
    for (std::size_t b = 0; b < d.bays.size(); ++b) {
      const ShelfLoad load = shelfLoadOf(d, b);
      const bool shelf =
          d.bays[b].surface != nullptr && d.carrier.piece != nullptr && !d.carrier.piece->surfaces->all.empty();
      if (!load.inTime && !(shelf && load.span > kAsksWood)) continue;
      Finding f = displayFinding(rule, raisedFor(rule, askedOf(rule, s.job), load.span), d, {d.surfaceName(b)});
      f.at = {Vec2{d.bays[b].left, d.bays[b].bottom}, Vec2{d.bays[b].right, d.bays[b].bottom}};
      f.measured = load.inTime.value_or(0);
      if (!load.inTime) f.missing.push_back(d.surfaceName(b) + ".material");
      decide(f, s.scheme);
      const std::string where = thingWords(s, d.surfaceName(b));
      f.sentence = !load.inTime ? capital(where) + " is " + writeLength(load.span, s.format) +
                                      " long: say its wood, and how far it sags is worked out."
                                : capital(where) + " will sag " + writeLength(f.measured, s.format) + " in time over " +
                                      writeLength(load.span, s.format) +
                                      (load.asFull ? ", full of books" : ", with what stands on it") +
                                      (f.margin >= 0 ? "." : ": an upright, or a stiffer board.");
      out.push_back(std::move(f));
    }
}

void wayToStiffen(Proposals& ways) {
  const std::string& subject = ways.target.subjects.front();
  const std::size_t slash = subject.find('/');
  if (slash == std::string::npos) return;
  const Placement* p = ways.placement(subject.substr(0, slash));
  if (p == nullptr) return;
  const std::string surface = subject.substr(slash + 1);
  if (const auto after = withUpright(ways.job, ways.scheme.id, p->id, surface))
    ways.offer("upright", "Put an upright at the middle of shelf " + surface, "each half sags little", *after);
}

void evaluateTip(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  for (const Placement& p : s.scheme.placements) {
    if (onFloor(p.on) == nullptr) continue;
    const Piece& piece = s.pieces.of(p);
    if (!isStorage(piece.kind) || !piece.height || !piece.depth || *piece.height < kTipsFrom ||
        *piece.height <= kTallDepths * *piece.depth + kSame)
      continue;
    Finding f = findingOf(rule, askedOf(rule, s.job, piece), {p.id.value});
    // A climbing child is what tips it.
    if (s.job.brief.children) f.weight = Weight::Must;
    const Vec2 at = floorPlace(p.on).at;
    f.at = {at, at};
    f.measured = p.restrained ? 1 : 0;
    decide(f, s.scheme);
    f.sentence = capital(s.names.the(p.id, true)) + " is " + writeLength(*piece.height, s.format) + " high and " +
                 writeLength(*piece.depth, s.format) + " deep" +
                 (p.restrained ? ", and tied to the wall." : ": tie it to the wall.");
    out.push_back(std::move(f));
  }
}

void wayToTie(Proposals& ways) {
  const Placement* p = ways.placement(ways.target.subjects.front());
  if (p == nullptr) return;
  ways.offer("tie", "Tie " + ways.name(*p) + " to the wall", "it cannot tip",
             withRestrained(ways.job, ways.scheme.id, p->id, true));
}

void evaluateCushions(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  for (const Placement& p : s.scheme.placements) {
    if (onFloor(p.on) == nullptr) continue;
    const Piece& piece = s.pieces.of(p);
    const int cushions = piece.seat->cushions.value_or(0);
    const int people = cushions > 0 ? placesOn(piece) : 0;
    if (people == 0) continue;
    Finding f = findingOf(rule, askedOf(rule, s.job, piece), {p.id.value});
    const double seat = piece.width - (piece.seat->arm ? 2 * kUsualArm : 0);
    f.measured = std::max(0.0, seat - cushions * kCushion) / people;
    const Vec2 at = floorPlace(p.on).at;
    f.at = {at, at};
    f.u95 = doubtOf(piece, "width") / people;
    decide(f, s.scheme);
    f.sentence = std::to_string(cushions) + " cushions on " + s.names.the(p.id) + " leave " +
                 writeLength(f.measured, s.format) + " of seat for each of " + std::to_string(people) + ".";
    out.push_back(std::move(f));
  }
}

constexpr RuleRow kBoardRows[] = {{"shelf-load", evaluateLoad},
                                  {"shelf-sag", evaluateSag, wayToStiffen},
                                  {"tall-tip", evaluateTip, wayToTie, shows::kNoRange},
                                  {"cushion-room", evaluateCushions}};

}  // namespace

RuleRows boardRules() { return kBoardRows; }

}  // namespace mezzet
