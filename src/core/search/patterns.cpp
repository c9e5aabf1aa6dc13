#include "core/search/patterns.h"

#include <algorithm>
#include <cmath>

#include "core/model/kinds.h"
#include "core/search/chairs.h"
#include "core/search/seat_group.h"
#include "core/use/dining.h"
#include "core/use/chairs.h"

namespace mezzet {
namespace {

constexpr int kTries = 40;
constexpr double kOffWallLow = 12 * kInch, kOffWallHigh = 60 * kInch;  // of a main seat that stands off its wall
constexpr double kFireLow = 84 * kInch, kFireHigh = 132 * kInch;       // of a main seat's front from the fire [D]

/// Where the frame of a group lies in the plan: its origin, and the direction of its +y.
struct GroupFrame {
  Vec2 at;
  Vec2 up;
  [[nodiscard]] FloorPlace placeOf(const InGroup& one) const {
    const Vec2 right = -leftOf(up);
    const double turn = directionOf(up) - 90;
    return {at + right * one.at.x + up * one.at.y, normalisedTurn(one.look + turn + 90)};
  }
};

class Furnisher {
 public:
  Furnisher(const Ground& ground, Chance& chance) : g_(ground), chance_(chance), filling_(ground, layoutNow(ground)) {
    for (std::size_t i = 0; i < g_.movables.size(); ++i)
      if (g_.movables[i].sizes.size() > 1) filling_.layout().size[i] = chance_.below(g_.movables[i].sizes.size());
  }

  Furnished by(const Pattern& pattern) {
    beds();
    // Who has both sets down now one first, now the other.
    const bool diningFirst = chance_.may(0.4);
    if (diningFirst) dining();
    group(pattern);
    if (!diningFirst) dining();
    desks();
    if (pattern.place != GroupPlace::AtWall) consoleBehind();
    for (const auto* list : {&g_.storage, &g_.consoles})
      for (const std::size_t i : *list) atSomeWall(i);
    for (const auto* list : {&g_.others, &g_.seats, &g_.lowTables, &g_.sideTables, &g_.lamps, &g_.rugs})
      for (const std::size_t i : *list)
        if (!filling_.isPut(i)) anywhere(i);
    for (const std::size_t i : g_.diningChairs)
      if (!filling_.isPut(i)) atSomeWall(i);
    return done();
  }

  Furnished scatter() {
    for (std::size_t i = 0; i < g_.movables.size(); ++i) anywhere(i);
    return done();
  }

 private:
  Furnished done() {
    Furnished out{filling_.layout()};
    for (std::size_t i = 0; i < g_.movables.size(); ++i) out.placed += filling_.isPut(i);
    return out;
  }
  bool put(std::size_t i, const FloorPlace& place) {
    if (!filling_.fits(i, place)) return false;
    filling_.put(i, place);
    return true;
  }
  [[nodiscard]] const Piece& piece(std::size_t i) const { return g_.piece(filling_.layout(), i); }
  const Wall& someWall() { return g_.walls[chance_.below(g_.walls.size())]; }

  void group(const Pattern& pattern) {
    if (g_.seats.empty()) return;
    const std::vector<InGroup> all = seatGroup(g_, filling_.layout(), pattern.seats, chance_);
    const std::size_t main = g_.seats.front();
    Vec2 mainAt;
    for (const InGroup& one : all)
      if (one.movable == main) mainAt = one.at;
    const double back = depthOf(piece(main)) / 2;
    std::optional<GroupFrame> best;
    std::size_t most = 0;
    for (int t = 0; t < kTries; ++t) {
      const GroupFrame frame = frameFor(pattern, mainAt, back);
      if (!filling_.fits(main, frame.placeOf({main, mainAt, 90}))) continue;
      std::size_t n = 0;
      for (const InGroup& one : all) n += filling_.fits(one.movable, frame.placeOf(one));
      if (n <= most) continue;
      most = n;
      best = frame;
      if (n == all.size()) break;
    }
    if (!best) return;
    for (const InGroup& one : all) put(one.movable, best->placeOf(one));
  }
  GroupFrame frameFor(const Pattern& pattern, Vec2 main, double back) {
    // The main seat's back is at main.y - back in the group's frame.
    const double behind = -(main.y - back);
    if (pattern.place == GroupPlace::AtWall || pattern.place == GroupPlace::OffWall) {
      const Wall& wall = someWall();
      const double off = pattern.place == GroupPlace::AtWall ? 1 * kInch : chance_.between(kOffWallLow, kOffWallHigh);
      const double along = chance_.may(0.4) ? wall.length() / 2 : chance_.between(0, wall.length());
      return {wall.start + wall.along() * along + wall.inward() * (off + behind), wall.inward()};
    }
    if (pattern.place == GroupPlace::InMiddle || g_.focuses.empty()) {
      const Box box = boundsOf(g_.outline);
      const Vec2 at{chance_.between(box.low.x, box.high.x), chance_.between(box.low.y, box.high.y)};
      return {at, someWall().inward()};
    }
    const Focus& focus = g_.focuses[pattern.focus];
    if (pattern.place == GroupPlace::ToWindow && chance_.may(0.5)) {
      // The main seat's back is under the window, looking in.
      const double off = chance_.between(2 * kInch, 30 * kInch);
      return {focus.at + focus.outward * (off + behind), focus.outward};
    }
    if (chance_.may(0.3)) {
      // Across: the group's axis runs past the fire, seats at either side of it.
      const Vec2 side = chance_.may(0.5) ? leftOf(focus.outward) : -leftOf(focus.outward);
      return {focus.at + focus.outward * chance_.between(36 * kInch, 84 * kInch), side};
    }
    const double off = chance_.between(kFireLow, kFireHigh) - (behind - 2 * back);
    return {focus.at + focus.outward * std::max(off, 30 * kInch), -focus.outward};
  }

  void dining() {
    std::vector<std::size_t> chairs = g_.diningChairs;
    for (const std::size_t t : g_.diningTables) {
      const Piece& table = piece(t);
      // Each desk keeps one.
      const std::size_t round = chairs.size() - std::min(chairs.size(), g_.desks.size());
      const std::size_t wanted = (round + g_.diningTables.size() - 1) / g_.diningTables.size();
      const std::size_t rug =
          g_.rugs.size() > 1 || (g_.seats.empty() && !g_.rugs.empty()) ? g_.rugs.back() : g_.movables.size();
      for (int tries = 0; tries < kTries; ++tries) {
        const FloorPlace at = tablePlace(table);
        if (!filling_.fits(t, at)) continue;
        std::vector<std::pair<std::size_t, FloorPlace>> set;
        if (!chairs.empty()) {
          const auto settings = settingsAround(table, at, piece(chairs.front()), kPlaceSetting, chance_.may(0.5),
                                               static_cast<int>(wanted), kSetUnder);
          for (std::size_t c = 0; c < chairs.size() && c < settings.size(); ++c)
            set.emplace_back(chairs[c], settings[c].chair);
        }
        const bool free =
            std::all_of(set.begin(), set.end(), [&](const auto& one) { return filling_.fits(one.first, one.second); });
        if (!free && tries + 5 < kTries) continue;
        filling_.put(t, at);
        for (const auto& [chair, place] : set)
          if (put(chair, place)) std::erase(chairs, chair);
        if (rug < g_.movables.size() && !filling_.isPut(rug)) put(rug, at);
        break;
      }
    }
  }
  FloorPlace tablePlace(const Piece& table) {
    const Wall& wall = someWall();
    const double turn = turnToLook(wall.inward());
    if (chance_.may(0.3)) {
      // Before a window, or in the bay: on its axis.
      std::vector<const Focus*> windows;
      for (const Focus& f : g_.focuses)
        if (f.kind == Focus::Kind::Window) windows.push_back(&f);
      if (!windows.empty()) {
        const Focus& f = *windows[chance_.below(windows.size())];
        return {f.at + f.outward * (chance_.between(36 * kInch, 72 * kInch) + depthOf(table) / 2),
                turnToLook(f.outward)};
      }
    }
    const double off = chance_.between(36 * kInch, 60 * kInch) + depthOf(table) / 2;
    const double along = chance_.may(0.4) ? wall.length() / 2 : chance_.between(0, wall.length());
    return {wall.start + wall.along() * along + wall.inward() * off,
            normalisedTurn(turn + (chance_.may(0.3) ? 90 : 0))};
  }

  void desks() {
    std::vector<std::size_t> chairs;
    for (const std::size_t i : g_.diningChairs)
      if (!filling_.isPut(i)) chairs.push_back(i);
    for (const std::size_t d : g_.desks) {
      // A desk is of use where its chair has room.
      for (int t = 0; t < kTries && !chairs.empty() && !filling_.isPut(d); ++t) {
        const Wall& wall = someWall();
        if (wall.length() < piece(d).width) continue;
        const FloorPlace at =
            backTo(wall, piece(d), chance_.between(piece(d).width / 2, wall.length() - piece(d).width / 2), 0);
        const FloorPlace before = atDesk(piece(d), at, piece(chairs.front()));
        if (!filling_.fits(d, at) || !filling_.fits(chairs.front(), before)) continue;
        filling_.put(d, at);
        filling_.put(chairs.front(), before);
        chairs.erase(chairs.begin());
      }
      atSomeWall(d);
    }
  }
  void beds() {
    for (const std::size_t i : g_.beds)
      for (int t = 0; t < kTries; ++t) {
        const Wall& wall = someWall();
        const double along = chance_.may(0.6) ? wall.length() / 2 : chance_.between(0, wall.length());
        if (put(i, backTo(wall, piece(i), along, 0))) break;
      }
  }
  /// A case behind the main seat's back divides the room.
  void consoleBehind() {
    if (g_.seats.empty() || !filling_.isPut(g_.seats.front())) return;
    const std::size_t main = g_.seats.front();
    const FloorPlace seat = filling_.layout().at[main];
    const Vec2 back = -frontOf(seat);
    std::vector<std::size_t> cases = g_.consoles;
    cases.insert(cases.end(), g_.storage.rbegin(), g_.storage.rend());
    for (const std::size_t i : cases) {
      const Piece& p = piece(i);
      if (p.width > piece(main).width + kTouch || !p.height || *p.height > kLowCase) continue;
      const FloorPlace place{seat.at + back * ((depthOf(piece(main)) + depthOf(p)) / 2 + 1 * kInch), turnToLook(back)};
      if (put(i, place)) return;
    }
  }
  bool atSomeWall(std::size_t i) {
    if (filling_.isPut(i)) return true;
    const Piece& p = piece(i);
    for (int t = 0; t < kTries; ++t) {
      const Wall& wall = someWall();
      if (wall.length() < p.width) continue;
      const double end = p.width / 2 + (chance_.may(0.3) ? 0 : chance_.between(0, wall.length() - p.width));
      if (beforeWindow(wall, end, p)) continue;
      if (put(i, backTo(wall, p, chance_.may(0.5) ? end : wall.length() - end, 0))) return true;
    }
    return anywhere(i);
  }
  /// Whether something tall would stand before a window's sill.
  [[nodiscard]] bool beforeWindow(const Wall& wall, double along, const Piece& p) const {
    for (const Opening& o : g_.room->openings)
      if (o.kind == OpeningKind::Window && o.wall == wall.id && p.height.value_or(0) > o.sill &&
          std::abs(along - (o.offset + o.width / 2)) < (p.width + o.width) / 2)
        return true;
    return false;
  }
  bool anywhere(std::size_t i) {
    const Box box = boundsOf(g_.outline);
    for (int t = 0; t < kTries; ++t) {
      const Wall& wall = someWall();
      const FloorPlace place =
          chance_.may(0.5) && wall.length() > piece(i).width
              ? backTo(wall, piece(i), chance_.between(piece(i).width / 2, wall.length() - piece(i).width / 2),
                       chance_.between(0, 6 * kInch))
              : FloorPlace{{chance_.between(box.low.x, box.high.x), chance_.between(box.low.y, box.high.y)},
                           turnToLook(wall.inward())};
      if (put(i, place)) return true;
    }
    return false;
  }

  const Ground& g_;
  Chance& chance_;
  Filling filling_;
};

}  // namespace

Layout layoutNow(const Ground& g) {
  Layout out;
  for (const Movable& m : g.movables) {
    out.at.push_back(floorPlace(findPlacement(*g.scheme, m.id)->on));
    out.size.push_back(0);
  }
  return out;
}

std::vector<Pattern> patternsOf(const Ground& g, WallsWish walls) {
  std::vector<std::pair<GroupPlace, std::size_t>> places;
  const auto add = [&](GroupPlace place, std::size_t focus = 0) { places.emplace_back(place, focus); };
  for (std::size_t i = 0; i < g.focuses.size(); ++i) switch (g.focuses[i].kind) {
      case Focus::Kind::Fire:
      case Focus::Kind::Piece: add(GroupPlace::ToFire, i); break;
      case Focus::Kind::Screen: add(GroupPlace::ToScreen, i); break;
      case Focus::Kind::Window: add(GroupPlace::ToWindow, i); break;
    }
  if (walls != WallsWish::Off) add(GroupPlace::AtWall);
  if (walls != WallsWish::Against) {
    add(GroupPlace::OffWall);
    add(GroupPlace::InMiddle);
  }
  std::vector<SeatPattern> seats{SeatPattern::Facing};
  if (g.seats.size() > 1) seats = {SeatPattern::Corner, SeatPattern::Facing, SeatPattern::Horseshoe, SeatPattern::Side};
  std::vector<Pattern> out;
  for (std::size_t s = 0; s < seats.size(); ++s)
    for (std::size_t p = 0; p < places.size(); ++p)
      out.push_back({seats[(s + p) % seats.size()], places[p].first, places[p].second});
  return out;
}

Furnished furnish(const Ground& ground, const Pattern& pattern, Chance& chance) {
  return Furnisher(ground, chance).by(pattern);
}

Furnished scattered(const Ground& ground, Chance& chance) { return Furnisher(ground, chance).scatter(); }

}  // namespace mezzet
