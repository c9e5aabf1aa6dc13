#include "core/search/score.h"

#include <algorithm>
#include <cmath>

#include "core/edit/edits.h"
#include "core/model/kinds.h"
#include "core/rules/base/wall_doubt.h"
#include "core/rules/registry.h"
#include "core/search/chairs.h"
#include "core/search/tidy.h"
#include "core/use/seats.h"

namespace mezzet {
namespace {

constexpr double kSeesScreen = 30;                                      // degrees (trade)
constexpr double kByWindow = 60 * kInch, kFarFromWindow = 120 * kInch;  // of a reading place [D]
constexpr double kLampNear = 36 * kInch;                                // from a seat [D]
constexpr double kBeforeStorage = 36 * kInch;                           // to stand before it [D]
constexpr int kFloorGrid = 9;
constexpr double kWishStep = 0.1;  // less is not worth standing askew for

/// What the rules find that throw a layout out (bodies in one place, or outside the room), or all others.
std::vector<Finding> findingsOf(const Situation& s, const Rulebook& book, bool bounds) {
  std::vector<Finding> out;
  for (const RuleRows rows : ruleFamilies())
    for (const RuleRow& row : rows) {
      if (((row.shows & shows::kBounds) != 0) != bounds) continue;
      if (const Rule* rule = findRule(book, std::string(row.id))) row.evaluate(s, *rule, out);
    }
  return out;
}
bool isPossible(const Situation& s, const Rulebook& book) {
  const std::vector<Finding> found = findingsOf(s, book, true);
  return std::none_of(found.begin(), found.end(), [](const Finding& f) { return f.verdict == Verdict::Breaks; });
}

double shareServed(const Situation& s) {
  int all = 0, served = 0;
  for (const Serving& serving : s.servings()) {
    const int places = placesOn(s.pieces.of(*serving.seat));
    all += places;
    if (serving.table != nullptr || (serving.side != nullptr && serving.beside.gap <= kSideReach)) served += places;
  }
  return all == 0 ? 1 : static_cast<double>(served) / all;
}

double shareTalking(const Situation& s) {
  int all = 0, most = 0;
  for (const TalkGroup& group : s.groups()) {
    all += group.places;
    most = std::max(most, group.places);
  }
  return all == 0 ? 1 : static_cast<double>(most) / all;
}

/// Middles of screens, in the plan.
std::vector<Vec2> screensIn(const Situation& s) {
  std::vector<Vec2> out;
  for (const Placement& p : s.scheme.placements) {
    if (!isScreen(s.pieces.of(p).kind)) continue;
    if (const auto* on = onWall(p.on)) {
      if (const auto wall = findWall(s.room, on->wall)) out.push_back(wall->end - wall->along() * on->u);
    } else if (const auto stands = standsAt(s.scheme, p)) out.push_back(stands->at);
  }
  return out;
}

double shareWatching(const Situation& s) {
  const std::vector<Vec2> screens = screensIn(s);
  int all = 0, watching = 0;
  for (const Placement& p : s.scheme.placements) {
    const auto* floor = onFloor(p.on);
    if (floor == nullptr || !isSeat(s.pieces.of(p).kind)) continue;
    for (const SeatPlace& seat : seatPlaces(s.pieces.of(p), *floor)) {
      ++all;
      watching += std::any_of(screens.begin(), screens.end(), [&](Vec2 screen) {
        return degreesBetween(seat.facing, screen - seat.at) <= kSeesScreen;
      });
    }
  }
  return all == 0 ? 1 : static_cast<double>(watching) / all;
}

double shareReached(const Situation& s) {
  int all = 0, reached = 0;
  for (const Placement& p : s.scheme.placements) {
    const auto* floor = onFloor(p.on);
    const Piece& piece = s.pieces.of(p);
    if (floor == nullptr || !isStorage(piece.kind) || !piece.depth) continue;
    ++all;
    const Vec2 front = rotated({0, -1}, turnOf(floor->turn)), side = leftOf(front) * (piece.width / 2);
    const Vec2 edge = floor->at + front * (*piece.depth / 2);
    const Behind met =
        firstMet(s, Convex{{edge - side, edge + side}}, front, [&](const Body& body) { return body.id == p.id.value; });
    reached += met.clear >= kBeforeStorage;
  }
  return all == 0 ? 1 : static_cast<double>(reached) / all;
}

/// Of the best seat: half for a window near it, half for a lamp.
double readingPlace(const Situation& s) {
  double best = 0;
  for (const Placement& p : s.scheme.placements) {
    const auto* floor = onFloor(p.on);
    if (floor == nullptr || !isSeat(s.pieces.of(p).kind)) continue;
    double light = 0, lamp = 0;
    for (const Opening& o : s.room.openings)
      if (const auto wall = findWall(s.room, o.wall); wall && o.kind == OpeningKind::Window)
        light = std::max(
            light, std::clamp((kFarFromWindow - distance(floor->at, middleOf(*wall, o))) / (kFarFromWindow - kByWindow),
                              0.0, 1.0));
    for (const Placement& other : s.scheme.placements)
      if (isLamp(s.pieces.of(other).kind))
        if (const auto at = standsAt(s.scheme, other);
            at && distance(at->at, floor->at) <= kLampNear + s.pieces.of(p).width / 2)
          lamp = 1;
    best = std::max(best, (light + lamp) / 2);
  }
  return best;
}

/// Diameter of the largest circle of bare floor about a point of a grid, over half the room's shorter side.
double bareFloor(const Situation& s) {
  const Polygon outline = outlineOf(s.room);
  const Box box = boundsOf(outline);
  double best = 0;
  for (int i = 1; i < kFloorGrid; ++i)
    for (int j = 1; j < kFloorGrid; ++j) {
      const Vec2 at{box.low.x + (box.high.x - box.low.x) * i / kFloorGrid,
                    box.low.y + (box.high.y - box.low.y) * j / kFloorGrid};
      if (!contains(outline, at)) continue;
      const Parts point{Convex{{at}}};
      double free = 1e9;
      for (const auto* bodies : {&s.bodies(), &s.fixed()})
        for (const Body& body : *bodies)
          if (!body.flat && free > best / 2) free = std::min(free, separation(point, body.parts).gap);
      best = std::max(best, 2 * free);
    }
  const double shorter = std::min(box.high.x - box.low.x, box.high.y - box.low.y);
  return shorter <= 0 ? 0 : std::min(1.0, best / (shorter / 2));
}

}  // namespace

double shortfallOf(const Finding& f) {
  const double open = f.quantity == Quantity::Length  ? kOpenLength
                      : f.quantity == Quantity::Angle ? kOpenAngle
                                                      : kOpenOther;
  const bool closed = f.asked.low && f.asked.high && *f.asked.high - *f.asked.low > 0;
  return std::min(kMostShort, std::max(0.0, -f.margin) / (closed ? *f.asked.high - *f.asked.low : open));
}

SearchScore scoreOf(const std::vector<Finding>& findings) {
  SearchScore out;
  for (const Finding& f : findings) {
    if (f.verdict != Verdict::Breaks) continue;
    if (f.weight == Weight::Must) ++out.must;
    else (f.weight == Weight::Rule ? out.rule : out.taste) += shortfallOf(f);
  }
  // What breaks by less than the rounding breaks.
  const auto rounded = [](double v) { return v > 0 ? std::max(0.01, std::round(v * 100) / 100) : 0; };
  out.rule = rounded(out.rule);
  out.taste = rounded(out.taste);
  return out;
}

WishesHad wishesHad(const Situation& s, const Wishes& wanted) {
  WishesHad out;
  if (wanted.seats > 0) out.seats = shareServed(s);
  if (wanted.talk > 0) out.talk = shareTalking(s);
  if (wanted.screen > 0) out.screen = shareWatching(s);
  if (wanted.storage > 0) out.storage = shareReached(s);
  if (wanted.reading > 0) out.reading = readingPlace(s);
  if (wanted.freeFloor > 0) out.freeFloor = bareFloor(s);
  return out;
}

double wishesMissed(const WishesHad& had, const Wishes& w) {
  const double missed = w.seats * (1 - had.seats) + w.talk * (1 - had.talk) + w.screen * (1 - had.screen) +
                        w.storage * (1 - had.storage) + w.reading * (1 - had.reading) +
                        w.freeFloor * (1 - had.freeFloor);
  return std::round(missed / kWishStep) * kWishStep;
}

Job withLayout(const Job& job, const Ground& ground, const Layout& layout) {
  const Scheme* scheme = findScheme(job, ground.scheme->id);
  if (scheme == nullptr) return job;
  Scheme changed = *scheme;
  for (std::size_t i = 0; i < ground.movables.size(); ++i)
    for (Placement& p : changed.placements)
      if (p.id == ground.movables[i].id) {
        p.on = layout.at[i];
        p.piece = ground.piece(layout, i).id;
        p.usedAt.reset();
      }
  changed.areas.clear();
  return withScheme(job, std::move(changed));
}

Judge::Judge(const Ground& ground, const Rulebook& book, const SearchAsk& ask)
    : ground_(ground), book_(book), ask_(ask), scheme_(std::make_shared<Scheme>(*ground.scheme)) {
  // What stands on the floor decides: pictures and shelves are judged when a layout is offered.
  std::erase_if(scheme_->placements, [&](const Placement& p) {
    const std::string& kind = pieceOf(*ground.job, p).kind;
    return onFloor(p.on) == nullptr && !(onWall(p.on) != nullptr && isScreen(kind)) &&
           !(onAnother(p.on) != nullptr && canBeLight(kind) && standsAt(*ground.scheme, p).has_value());
  });
  // Lamps stand on what is left.
  for (std::size_t before = 0; before != scheme_->placements.size();) {
    before = scheme_->placements.size();
    std::erase_if(scheme_->placements, [&](const Placement& p) {
      const auto carrier = carrierOf(p.on);
      return carrier && findPlacement(*scheme_, *carrier) == nullptr;
    });
  }
  scheme_->displays.clear();
  scheme_->hangs.clear();
  scheme_->laid.clear();
  scheme_->tasks.clear();
  scheme_->circuits.clear();
  for (Placement& p : scheme_->placements) {
    p.circuit = {};
    p.usedAt.reset();
  }
  for (const Movable& m : ground.movables)
    for (std::size_t i = 0; i < scheme_->placements.size(); ++i)
      if (scheme_->placements[i].id == m.id) at_.push_back(i);
  job_ = *ground.job;
  job_.schemes = {scheme_};
  std::erase_if(job_.pieces, [&](const auto& piece) {
    const bool placed = timesPlaced(*scheme_, piece->id) > 0;
    const bool size = std::any_of(ground.movables.begin(), ground.movables.end(), [&](const Movable& m) {
      return std::find(m.sizes.begin(), m.sizes.end(), piece.get()) != m.sizes.end();
    });
    return !placed && !size;
  });
}

std::optional<SearchScore> Judge::operator()(const Layout& layout) {
  if (!standsAsWished(ground_, layout, ask_.walls) || !chairsStandAtTables(ground_, layout)) return std::nullopt;
  for (std::size_t i = 0; i < at_.size(); ++i) {
    Placement& p = scheme_->placements[at_[i]];
    p.on = layout.at[i];
    if (const PieceId& id = ground_.piece(layout, i).id; p.piece != id) p.piece = id;
  }
  SearchScore worst;
  bool first = true;
  for (const UseState state : ask_.states) {
    const Situation situation(job_, book_, *scheme_, usualFormat(job_.units), CheckWith{state, nullptr, nullptr});
    if (!isPossible(situation, book_)) return std::nullopt;
    // What bounds holds: it counts nothing.
    std::vector<Finding> findings = findingsOf(situation, book_, false);
    addWallDoubts(situation, findings);
    SearchScore score = scoreOf(findings);
    score.wishes = wishesMissed(wishesHad(situation, ask_.wishes), ask_.wishes);
    score.taste += untidiness(ground_, layout);
    worst = first ? score : std::max(worst, score);
    first = false;
  }
  return worst;
}

}  // namespace mezzet
