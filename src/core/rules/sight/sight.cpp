// What is seen from the door and from the seats.
#include <algorithm>
#include <cmath>
#include <map>
#include <numbers>

#include "core/rules/sight/rules.h"
#include "core/model/kinds.h"
#include "core/edit/validate.h"
#include "core/rules/base/facts.h"
#include "core/base/sentence.h"

namespace mezzet {
namespace {

/// A back counts as seen when more than this share of it is [D].
constexpr double kSeenShare = 0.05;
/// Someone outside looks in from this far before a window [D].
constexpr double kOutside = 72 * kInch;
/// What is taller hides the room when one sees its back [D].
constexpr double kTall = 42 * kInch;

/// Someone at the entry, just inside.
std::optional<Eye> atEntry(const Situation& s) {
  if (s.walk().openings.empty()) return std::nullopt;
  const WayEnd& entry = s.walk().openings[s.walk().entry];
  return Eye{entry.at + entry.inward, standingEye(s.job.brief)};
}

/// A television's picture: its middle, how wide it is and which way it looks.
struct Screen {
  const Placement* placement;
  Vec2 middle, outward;
  double width = 0;
};
std::vector<Screen> screensIn(const Situation& s) {
  std::vector<Screen> out;
  for (const Placement& p : s.scheme.placements) {
    const Piece& piece = s.pieces.of(p);
    if (!isScreen(piece.kind)) continue;
    if (const auto* hung = onWall(p.on)) {
      const auto wall = findWall(s.room, hung->wall);
      if (wall)
        out.push_back({&p, wall->end - wall->along() * hung->u + wall->inward() * piece.depth.value_or(0),
                       wall->inward(), piece.width});
    } else if (const auto place = standsAt(s.scheme, p)) {
      const Vec2 outward = rotated({0, -1}, turnOf(place->turn));
      out.push_back({&p, place->at + outward * (piece.depth.value_or(0) / 2), outward, piece.width});
    }
  }
  return out;
}

/// Someone who might see a back, and who that is.
struct Looker {
  Eye eye;
  std::string words;
  std::string seat = {};  ///< what they sit on hides nothing from them
};
/// Someone who sits there; none when how high one sits has not been measured.
std::optional<Looker> sitterOn(const Situation& s, const Placement& seat, const std::string& from) {
  const Piece& piece = s.pieces.of(seat);
  const auto eye = seatedEye(piece);
  if (!eye) return std::nullopt;
  return Looker{{seatPlaces(piece, floorPlace(seat.on)).front().at, *eye}, from + s.names.the(seat.id), seat.id.value};
}
std::vector<Looker> lookersAt(const Situation& s, const std::string& back) {
  std::vector<Looker> out;
  if (const auto eye = atEntry(s)) out.push_back({*eye, "from " + thingWords(s, s.walk().openings[s.walk().entry].id)});
  // Another zone: seats of other groups and at tables.
  const auto sitting = [&](const Placement& seat) {
    if (seat.id.value == back) return;
    if (auto looker = sitterOn(s, seat, "from ")) out.push_back(std::move(*looker));
  };
  const TalkGroup* own = nullptr;
  for (const TalkGroup& group : s.groups())
    for (const Placement* p : group.seats)
      if (p->id.value == back) own = &group;
  for (const TalkGroup& group : s.groups())
    if (&group != own)
      for (const Placement* p : group.seats) sitting(*p);
  for (const DiningSeat& seat : s.dining()) sitting(*seat.chair);
  for (const Opening& o : s.room.openings) {
    if (o.kind != OpeningKind::Window || o.outside == Outside::Wall) continue;
    const auto wall = findWall(s.room, o.wall);
    if (!wall) continue;
    const Vec2 middle = middleOf(*wall, o);
    out.push_back({{middle - wall->inward() * kOutside, standingEye(s.job.brief)},
                   "from outside through the " + openingName(s.room, o)});
  }
  return out;
}

/// The sides of a body that look at an eye, with how long each is.
struct Face {
  Vec2 a, b;
};
std::vector<Face> facesTowards(const Parts& parts, Vec2 eye) {
  std::vector<Face> out;
  for (const Convex& part : parts) {
    if (part.core.size() < 3) {
      // A round piece looks as wide as it is from everywhere.
      const Vec2 t = leftOf(unit(eye - part.core[0])) * part.radius;
      out.push_back({part.core[0] - t, part.core[0] + t});
      continue;
    }
    for (std::size_t i = 0; i < part.core.size(); ++i) {
      const Vec2 a = part.core[i], b = part.core[(i + 1) % part.core.size()];
      if (cross(b - a, eye - a) < 0) out.push_back({a, b});
    }
  }
  return out;
}

void evaluateBackSeen(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  for (const Placement& p : s.scheme.placements) {
    const auto* place = onFloor(p.on);
    const Piece& piece = s.pieces.of(p);
    if (place == nullptr || piece.finish->backFinished.value_or(true)) continue;
    const double top = highestOf(piece).value_or(0);
    Finding f = findingOf(rule, askedOf(rule, s.job, piece), {p.id.value});
    if (top <= 0) f.missing.push_back(piece.id.value + ".height");
    const auto [a, b, outward] = backEdge(piece, *place);
    f.measured = 1;
    f.at = {midpoint(a, b), midpoint(a, b)};
    std::string from;
    double most = kSeenShare;
    for (const Looker& looker : lookersAt(s, p.id.value)) {
      if (top <= 0 || dot(looker.eye.at - a, outward) <= 0) continue;
      // Its upper half is looked at: the lower is easily hidden, and nobody minds.
      const double share = seenShare(looker.eye, a, b, top * 0.75, s.occluders(), {p.id.value, looker.seat});
      if (share <= most) continue;
      most = share;
      f.measured = 0;
      f.at = {looker.eye.at, midpoint(a, b)};
      from = looker.words;
    }
    decide(f, s.scheme);
    f.sentence = !f.missing.empty() ? "How high " + s.names.the(p.id) + " is has not been measured."
                 : f.measured > 0   ? "The unfinished back of " + s.names.the(p.id) + " is hidden."
                                    : "The unfinished back of " + s.names.the(p.id) + " is seen " + from + ".";
    out.push_back(std::move(f));
  }
}

void evaluateHeadTurn(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  const std::vector<Screen> screens = screensIn(s);
  for (const Placement* p : s.mainSeats()) {
    const Piece& piece = s.pieces.of(*p);
    // Who sits best may choose: the place that turns least counts.
    const auto judge = [&](const std::string& id, const std::string& words, Vec2 target) {
      double least = 360;
      Vec2 from;
      for (const SeatPlace& seat : seatPlaces(piece, floorPlace(p->on))) {
        const double turned = degreesBetween(seat.facing, target - seat.at);
        if (turned < least) {
          least = turned;
          from = seat.at;
        }
      }
      Finding f = findingOf(rule, askedOf(rule, s.job, piece), {p->id.value, id});
      f.measured = least;
      f.at = {from, target};
      decide(f, s.scheme);
      f.sentence = "From " + s.names.the(p->id) + " one turns the head by " +
                   measureWords(least, Quantity::Angle, s.format) + " to " + words + ".";
      out.push_back(std::move(f));
    };
    for (const Screen& screen : screens)
      judge(screen.placement->id.value, s.names.the(screen.placement->id), screen.middle);
    for (const Feature& feature : s.room.features)
      if (feature.kind == FeatureKind::Hearth) judge(feature.id.value, "the fire", meanOf(feature.outline));
  }
}

void evaluateScreenDistance(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  for (const Screen& screen : screensIn(s))
    for (const Placement* p : s.mainSeats()) {
      const Piece& piece = s.pieces.of(*p);
      // The farthest place that looks at it at all.
      double farthest = 0;
      Vec2 from;
      for (const SeatPlace& seat : seatPlaces(piece, floorPlace(p->on))) {
        const Vec2 d = screen.middle - seat.at;
        if (!looksAt(seat, screen.middle, screen.outward)) continue;
        if (norm(d) > farthest) {
          farthest = norm(d);
          from = seat.at;
        }
      }
      if (farthest <= 0) continue;
      Finding f = findingOf(rule, askedOf(rule, s.job, piece), {p->id.value, screen.placement->id.value});
      f.measured = farthest / screen.width;
      f.at = {from, screen.middle};
      f.u95 = f.measured * doubtOf(s.pieces.of(*screen.placement), "width") / screen.width;
      decide(f, s.scheme);
      f.marginMm = f.margin * screen.width;
      const double angle = 2 * std::atan(0.5 / f.measured) * 180 / std::numbers::pi;
      f.sentence = "From " + s.names.the(p->id) + " " + s.names.the(screen.placement->id) + " is " +
                   writeLength(farthest, s.format) + " away and fills " +
                   measureWords(angle, Quantity::Angle, s.format) + " of the view" +
                   (f.margin >= 0                                ? "."
                    : f.asked.high && f.measured > *f.asked.high ? ": too small from there."
                                                                 : ": too large from there.");
      f.rival = rivalWords(s, rule, f);
      out.push_back(std::move(f));
    }
}

void evaluateOneMaterial(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  constexpr int kEnough = 3;  // fewer upholstered pieces in one view cannot help being alike [D]
  std::vector<const Placement*> soft;
  for (const Placement& p : s.scheme.placements)
    if (onFloor(p.on) != nullptr && isUpholstered(s.pieces.of(p).kind)) soft.push_back(&p);
  if (static_cast<int>(soft.size()) < kEnough) return;
  // Nobody has begun to say what things are made of.
  if (std::all_of(soft.begin(), soft.end(),
                  [&](const Placement* p) { return s.pieces.of(*p).finish->material.empty(); }))
    return;
  Finding f = findingOf(rule, askedOf(rule, s.job), {s.room.id.value});
  for (const Placement* p : soft) {
    const Piece& piece = s.pieces.of(*p);
    if (piece.finish->material.empty() &&
        std::find(f.missing.begin(), f.missing.end(), piece.id.value + ".material") == f.missing.end())
      f.missing.push_back(piece.id.value + ".material");
  }
  std::vector<Looker> lookers;
  if (const auto eye = atEntry(s))
    lookers.push_back({*eye, "From " + thingWords(s, s.walk().openings[s.walk().entry].id)});
  if (!s.groups().empty())
    if (auto looker = sitterOn(s, *s.groups().front().seats.front(), "From ")) lookers.push_back(std::move(*looker));
  std::string most, from;
  for (const Looker& looker : lookers) {
    std::map<std::string, double> areas;
    double all = 0;
    int pieces = 0;
    for (const Placement* p : soft) {
      const Piece& piece = s.pieces.of(*p);
      const double top = highestOf(piece).value_or(0);
      if (top <= 0 || p->id.value == looker.seat) continue;
      const double before = all;
      for (const Face& face : facesTowards(footprint(piece, floorPlace(p->on)), looker.eye.at)) {
        const double area = distance(face.a, face.b) * top *
                            seenShare(looker.eye, face.a, face.b, top / 2, s.occluders(), {p->id.value, looker.seat});
        areas[piece.finish->material] += area;
        all += area;
      }
      pieces += all > before;
    }
    if (pieces < kEnough) continue;
    for (const auto& [material, area] : areas)
      if (all > 0 && area / all > f.measured) {
        f.measured = area / all;
        most = material;
        from = looker.words;
        f.at = {looker.eye.at, looker.eye.at};
      }
  }
  if (most.empty() && f.missing.empty()) return;
  decide(f, s.scheme);
  f.sentence = !f.missing.empty() ? "What some of the upholstery is made of has not been said."
                                  : from + " " + measureWords(f.measured, Quantity::Share, s.format) +
                                        " of the upholstery one sees is " + most + ".";
  out.push_back(std::move(f));
}

void evaluateFirstSight(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  const auto eye = atEntry(s);
  if (!eye || std::count_if(s.bodies().begin(), s.bodies().end(), [](const Body& b) { return !b.flat; }) < 1) return;
  const Vec2 axis = s.walk().openings[s.walk().entry].inward;
  const auto inLook = [&](Vec2 p) {
    const Vec2 d = p - eye->at;
    return dot(axis, d) > 0 && degreesBetween(axis, d) <= kFirstLook;
  };
  /// Whether some of a stretch of wall or floor lies in the first look and is seen.
  const auto seen = [&](Vec2 a, Vec2 b, double height, const std::string& id) {
    constexpr int kParts = 16;
    for (int i = 0; i <= kParts; ++i) {
      const Vec2 p = a + (b - a) * (static_cast<double>(i) / kParts);
      if (inLook(p) && sees(*eye, p, height, s.occluders(), {id})) return true;
    }
    return false;
  };
  std::vector<std::string> anchors, backs;
  std::string entry = s.walk().openings[s.walk().entry].id;
  for (const Fixture& f : s.fixtures())
    if (f.hangsDown() && inLook(f.at.at) && sees(*eye, f.at.at, f.source, s.occluders(), {}))
      anchors.push_back(s.names.the(f.id()));
  for (const Placement& p : s.scheme.placements) {
    const Piece& piece = s.pieces.of(p);
    if (const auto* hung = onWall(p.on)) {
      if (!isArt(piece.kind) && !isMirror(piece.kind) && mountOf(piece) != Mount::Wall) continue;
      const auto wall = findWall(s.room, hung->wall);
      const WallRect r = wallRectOf(piece, *hung);
      const Vec2 out2 = wall->inward();
      if (wall && seen(wall->end - wall->along() * r.left + out2, wall->end - wall->along() * r.right + out2, hung->v,
                       p.id.value))
        anchors.push_back(s.names.the(p.id));
      continue;
    }
    const auto* place = onFloor(p.on);
    if (place == nullptr) continue;
    const Turn turn = turnOf(place->turn);
    const double w = piece.width / 2;
    const Vec2 left = place->at + rotated({-w, 0}, turn), right = place->at + rotated({w, 0}, turn);
    if (isRug(piece.kind) && seen(left, right, 0, p.id.value)) anchors.push_back(s.names.the(p.id));
    const double top = highestOf(piece).value_or(0);
    if (isLamp(piece.kind) && seen(left, right, top, p.id.value)) anchors.push_back(s.names.the(p.id));
    const auto [a, b, outward] = backEdge(piece, *place);
    const bool behind = dot(eye->at - a, outward) > 0;
    const bool hides =
        (top > kTall && (isUpholstered(piece.kind) || isStorage(piece.kind) || isFoldingScreen(piece.kind))) ||
        isScreen(piece.kind);
    if (behind && hides && seen(a, b, top * 0.9, p.id.value)) backs.push_back(s.names.the(p.id));
  }
  for (const Feature& feature : s.room.features)
    if (feature.kind == FeatureKind::Hearth)
      for (std::size_t i = 0; i < feature.outline.size(); ++i)
        if (seen(edgeStart(feature.outline, i), edgeEnd(feature.outline, i), feature.height.value_or(300) / 2,
                 feature.id.value)) {
          anchors.push_back("the hearth");
          break;
        }
  Finding f = findingOf(rule, askedOf(rule, s.job), {entry});
  f.measured = backs.empty() && !anchors.empty() ? 1 : 0;
  f.at = {eye->at, eye->at + axis * 1000};
  decide(f, s.scheme);
  const std::string name = "Coming in by " + thingWords(s, entry);
  if (!backs.empty()) f.sentence = name + " one first sees the back of " + listWords(backs) + ".";
  else if (anchors.empty())
    f.sentence = name + " nothing holds the eye: no picture, light, rug or fire lies straight ahead.";
  else f.sentence = name + " one first sees " + listWords(anchors) + ".";
  out.push_back(std::move(f));
}

constexpr RuleRow kSightRows[] = {
    {"back-seen", evaluateBackSeen, nullptr, shows::kSight | shows::kBlankBack},
    {"head-turn", evaluateHeadTurn, nullptr, shows::kSight | shows::kSightLine},
    {"screen-distance", evaluateScreenDistance},
    {"one-material", evaluateOneMaterial, nullptr, shows::kSight},
    {"first-sight", evaluateFirstSight, nullptr, shows::kSight | shows::kFirstLook},
};

}  // namespace

RuleRows sightRules() { return kSightRows; }

}  // namespace mezzet
