#include "core/rules/base/check.h"

#include <algorithm>
#include <array>
#include <cctype>
#include <cmath>
#include <tuple>

#include "core/model/kinds.h"
#include "core/edit/validate.h"
#include "core/rules/base/wall_doubt.h"

namespace mezzet {
namespace {

using Evaluator = void (*)(const Situation&, const Rule&, std::vector<Finding>&);
struct Entry {
  const char* rule;
  Evaluator evaluate;
};
constexpr std::array kEvaluators{
    Entry{"table-reach", evaluateTableReach},
    Entry{"served-seats", evaluateServedSeats},
    Entry{"table-level", evaluateTableLevel},
    Entry{"table-length", evaluateTableLength},
    Entry{"side-table-level", evaluateSideTableLevel},
    Entry{"dining-wall", evaluateDiningWall},
    Entry{"dining-pull", evaluateDiningPull},
    Entry{"place-setting", evaluatePlaceSetting},
    Entry{"knee-room", evaluateKneeRoom},
    Entry{"way-main", evaluateWayMain},
    Entry{"way-side", evaluateWaySide},
    Entry{"foot-room", evaluateFootRoom},
    Entry{"way-wasted", evaluateWayWasted},
    Entry{"tall-lamp", evaluateTallLamp},
    Entry{"ada-2010-403.5.1", evaluateAccessRoute},
    Entry{"ada-2010-304.3.1", evaluateAccessTurn},
    Entry{"ada-2010-404.2.3", evaluateAccessDoor},
    Entry{"ada-2010-403.5.2", evaluateAccessHalfTurn},
    Entry{"ada-2010-902.3", evaluateAccessTable},
    Entry{"conversation", evaluateConversation},
    Entry{"seat-level", evaluateSeatLevel},
    Entry{"tops-level", evaluateTopsLevel},
    Entry{"storage-open", evaluateStorageOpen},
    Entry{"heater-clear", evaluateHeaterClear},
    Entry{"back-seen", evaluateBackSeen},
    Entry{"head-turn", evaluateHeadTurn},
    Entry{"screen-distance", evaluateScreenDistance},
    Entry{"one-material", evaluateOneMaterial},
    Entry{"first-sight", evaluateFirstSight},
    Entry{"rug-feet", evaluateRugFeet},
    Entry{"rug-border", evaluateRugBorder},
    Entry{"door-swing", evaluateDoorSwing},
    Entry{"door-rug", evaluateDoorRug},
    Entry{"window-block", evaluateWindowBlock},
    Entry{"art-centre", evaluateArtCentre},
    Entry{"art-gap", evaluateArtGap},
    Entry{"art-width", evaluateArtWidth},
    Entry{"two-thirds", evaluateTwoThirds},
    Entry{"side-breathing", evaluateSideBreathing},
    Entry{"top-breathing", evaluateTopBreathing},
    Entry{"overlap", evaluateOverlap},
    Entry{"outside-room", evaluateOutsideRoom},
    Entry{"piece-count", evaluatePieceCount},
    Entry{"stair-rise", evaluateStairRise},
    Entry{"stair-going", evaluateStairGoing},
    Entry{"stair-pitch", evaluateStairPitch},
    Entry{"stair-step", evaluateStairStep},
    Entry{"stair-reach", evaluateStairReach},
    Entry{"stair-handrail", evaluateStairHandrail},
    Entry{"stair-headroom", evaluateStairHeadroom},
};

}  // namespace

std::vector<Finding> check(const Job& job, const Rulebook& book, const SchemeId& id, LengthFormat format,
                           const CheckWith& with) {
  std::vector<Finding> findings;
  const Scheme* scheme = findScheme(job, id);
  if (scheme == nullptr) return findings;
  const Room& room = roomOf(job, *scheme);
  PieceIndex pieces(job);
  SchemeNames names(pieces, *scheme);
  std::vector<Body> bodies = floorBodies(pieces, *scheme);
  std::vector<Serving> servings = servingsIn(pieces, *scheme);
  std::vector<Hung> hung = hungIn(pieces, *scheme);
  Situation situation{job,
                      book,
                      *scheme,
                      room,
                      format,
                      std::move(pieces),
                      std::move(names),
                      std::move(bodies),
                      std::move(servings),
                      std::move(hung),
                      heightsOf(room),
                      with.state,
                      with.routes};
  for (const Placement& p : scheme->placements) situation.byId.emplace(p.id.value, &p);
  situation.fixed = fixedBodies(room);
  situation.dining = diningSeatsIn(situation.pieces, *scheme);
  situation.behind = behindDiners(situation);
  situation.groups = talkGroupsIn(situation.pieces, situation.servings);
  situation.walk = walkSpaceOf(situation.pieces, room, *scheme, with.state);
  situation.ways = waysIn(situation.walk, judgedDestinations(situation.pieces, room, *scheme));
  situation.occluders = occludersIn(situation.pieces, room, *scheme);
  for (const Entry& entry : kEvaluators) {
    const Rule* rule = findRule(book, entry.rule);
    if (rule == nullptr) continue;
    const auto first = static_cast<std::ptrdiff_t>(findings.size());
    entry.evaluate(situation, *rule, findings);
    std::sort(findings.begin() + first, findings.end(),
              [](const Finding& a, const Finding& b) { return a.subjects < b.subjects; });
  }
  addWallDoubts(situation, findings);
  return findings;
}

std::string rulebookNews(const Job& job, const Rulebook& book, const std::vector<Finding>& findings) {
  const int known = job.houseRules.rulebook;
  if (known >= book.version) return {};
  // What judges nothing here is no news.
  if (std::none_of(findings.begin(), findings.end(), [&](const Finding& f) {
        const Rule* rule = findRule(book, f.rule);
        return rule != nullptr && rule->since > known;
      }))
    return {};
  int fresh = 0, broken = 0;
  std::string names;
  for (const Rule& rule : book.rules) {
    if (rule.since <= known) continue;
    ++fresh;
    const auto breaks = std::count_if(findings.begin(), findings.end(),
                                      [&](const Finding& f) { return f.rule == rule.id && breaksByWeight(f); });
    if (breaks > 0) names += (names.empty() ? ": " : ", ") + rule.name;
    broken += static_cast<int>(breaks);
  }
  if (fresh == 0) return {};
  std::string out = "Rulebook " + std::to_string(book.version) + " brings " + std::to_string(fresh) +
                    (fresh == 1 ? " rule" : " rules") + " that rulebook " + std::to_string(known) +
                    " had not; the others ask what they asked.";
  if (broken == 0) return out + " None of them breaks here.";
  return out +
         (broken == 1 ? " One finding of theirs breaks here"
                      : " " + std::to_string(broken) + " findings of theirs break here") +
         names + ".";
}

Finding findingOf(const Rule& rule, const Asked& asked, std::vector<std::string> subjects) {
  std::sort(subjects.begin(), subjects.end());
  Finding f;
  f.rule = rule.id;
  f.id = rule.id + ":";
  for (const std::string& s : subjects) f.id += (f.id.back() == ':' ? "" : ",") + s;
  f.subjects = std::move(subjects);
  f.school = asked.school;
  f.weight = rule.weight;
  f.quantity = quantityOf(rule);
  f.asked = asked.tolerated;
  f.ideal = asked.ideal;
  f.missing = asked.missing;
  return f;
}

std::string rivalWords(const Situation& s, const Rule& rule, const Finding& f) {
  if (!f.school || f.verdict == Verdict::NotMeasured) return {};
  std::string out;
  for (const School& school : rule.schools) {
    if (school.id == *f.school) continue;
    const Asked other = askedBySchool(school, s.job);
    if (!other.missing.empty()) continue;
    const bool holdsHere = marginIn(f.asked, f.measured) >= 0, holdsThere = marginIn(other.tolerated, f.measured) >= 0;
    if (holdsHere == holdsThere) continue;
    std::string letter = school.id;
    letter[0] = static_cast<char>(std::toupper(static_cast<unsigned char>(letter[0])));
    out +=
        (out.empty() ? "School " : "; school ") + letter + " asks " + rangeWords(other.tolerated, f.quantity, s.format);
  }
  return out.empty() ? out : out + ".";
}

std::optional<Place> placeForGap(const Job& job, const Scheme& scheme, const Finding& f, const PlacementId& mover,
                                 double length) {
  const Placement* p = findPlacement(scheme, mover);
  const Vec2 d = unit(f.at[1] - f.at[0]);
  if (p == nullptr || norm(d) == 0 || std::find(f.subjects.begin(), f.subjects.end(), mover.value) == f.subjects.end())
    return std::nullopt;
  // The first witness point is on the seat or on what stands below, the second on the table or the picture.
  const auto* floor = onFloor(p->on);
  const auto* hung = onWall(p->on);
  const bool second = hung != nullptr || (f.rule == "table-reach" && isLowTable(pieceOf(job, *p).kind));
  const Vec2 by = d * ((second ? 1 : -1) * (length - f.measured));
  if (floor != nullptr && f.view == "plan") return FloorPlace{floor->at + by, floor->turn};
  if (hung != nullptr) return WallPlace{hung->wall, hung->u + by.x, hung->v + by.y, hung->group};
  return std::nullopt;
}

std::string thingWords(const SchemeNames& names, const Room& room, const std::string& id) {
  if (id.starts_with("wall:")) return "wall " + id.substr(5);
  if (names.knows(id)) return names.the(PlacementId(id));
  if (const Opening* o = findOpening(room, OpeningId(id))) return openingName(*o);
  const std::string feature = featureWords(room, id);
  return feature.empty() ? id : "the " + feature;
}

double doubtOfThing(const Situation& s, const std::string& id, Vec2 direction) {
  const Placement* p = s.placement(id);
  const auto* place = p != nullptr ? onFloor(p->on) : nullptr;
  return place != nullptr ? doubtAlong(s.pieces.of(*p), *place, direction) : 0;
}

std::string listWords(const std::vector<std::string>& names) {
  std::string out;
  for (std::size_t i = 0; i < names.size(); ++i)
    out += (i == 0 ? "" : i + 1 == names.size() ? " and " : ", ") + names[i];
  return out;
}

std::string midSentence(std::string name) {
  // "TV stand" keeps its capitals; "Sofa" does not.
  if (name.size() > 1 && std::isupper(static_cast<unsigned char>(name[0])) &&
      std::islower(static_cast<unsigned char>(name[1])))
    name[0] = static_cast<char>(std::tolower(static_cast<unsigned char>(name[0])));
  return name;
}

SchemeNames::SchemeNames(const PieceIndex& pieces, const Scheme& scheme) {
  std::unordered_map<std::string_view, int> here, counted;
  for (const Placement& p : scheme.placements) ++here[pieces.of(p).name];
  for (const Placement& p : scheme.placements) {
    const std::string& name = pieces.of(p).name;
    const bool numbered = here[name] > 1;
    names_[p.id.value] = {numbered ? name + " " + std::to_string(++counted[name]) : name, numbered};
  }
}

std::string SchemeNames::plain(const PlacementId& id) const {
  const auto at = names_.find(id.value);
  return at == names_.end() ? id.value : at->second.text;
}

std::string SchemeNames::the(const PlacementId& id, bool startsSentence) const {
  const auto at = names_.find(id.value);
  if (at == names_.end()) return id.value;
  if (at->second.numbered) return startsSentence ? at->second.text : midSentence(at->second.text);
  return (startsSentence ? "The " : "the ") + midSentence(at->second.text);
}

double doubtOf(const Piece& piece, const std::string& dimension) {
  const auto at = piece.doubts.find(dimension);
  return at == piece.doubts.end() ? 0 : at->second.u95;
}

double doubtAlong(const Piece& piece, const FloorPlace& place, Vec2 direction) {
  if (piece.doubts.empty()) return 0;
  const Turn turn = turnOf(place.turn);
  const auto along = [&](Vec2 axis) {
    const double share = dot(direction, rotated(axis, turn));
    return std::abs(share) < 1e-9 ? 0 : share;  // square to it, but for rounding
  };
  const double across = along({1, 0}), deep = along({0, 1});
  return std::hypot(across * doubtOf(piece, "width"),
                    deep * doubtOf(piece, piece.shape == Shape::Round ? "width" : "depth"));
}

double doubtOfTop(const Piece& piece) { return doubtOf(piece, piece.seat->back ? "backHeight" : "height"); }

std::string measureWords(double value, Quantity quantity, LengthFormat format) {
  switch (quantity) {
    case Quantity::Length: return writeLength(value, format);
    case Quantity::Ratio:
    case Quantity::Share: return std::to_string(std::lround(value * 100)) + " %";
    case Quantity::Angle: return std::to_string(std::lround(value)) + "\u00b0";
    default: return std::to_string(std::lround(value));
  }
}

std::string rangeWords(const Range& range, Quantity quantity, LengthFormat format) {
  if (quantity == Quantity::Length) return rangeWords(range, format);
  const auto words = [&](double v) { return measureWords(v, quantity, format); };
  std::string low = range.low ? words(*range.low) : "";
  if (range.low && range.high) {
    if (low.ends_with(" %")) low.resize(low.size() - 2);
    return low + " to " + words(*range.high);
  }
  if (range.low) return "at least " + low;
  if (range.high) return "at most " + words(*range.high);
  return "nothing";
}

std::string rangeWords(const Range& range, LengthFormat format) {
  LengthFormat bare = format;
  bare.withUnit = false;
  if (range.low && range.high) return writeLength(*range.low, bare) + " to " + writeLength(*range.high, format);
  if (range.low) return "at least " + writeLength(*range.low, format);
  if (range.high) return "at most " + writeLength(*range.high, format);
  return "nothing";
}

}  // namespace mezzet
