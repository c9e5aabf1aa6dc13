// Frames that climb with a flight: in one line over it, and clear of the rail beside them.
#include <algorithm>
#include <cmath>

#include "core/edit/edits.h"
#include "core/rules/art/art_case.h"
#include "core/rules/art/rules.h"
#include "core/rules/base/facts.h"
#include "core/site/stair_wall.h"

namespace mezzet {
namespace {

/// What stands off the wall by no more than this is no matter to a hand on the rail.
constexpr double kThin = 1 * kInch;

/// The walls of a room with their flights.
std::vector<std::pair<Wall, std::vector<StairWall>>> stairWalls(const Situation& s) {
  std::vector<std::pair<Wall, std::vector<StairWall>>> out;
  const auto stair = [](const Feature& f) { return f.stair.has_value(); };
  if (std::none_of(s.room.features.begin(), s.room.features.end(), stair)) return out;
  for (const Wall& wall : wallsOf(s.room))
    if (auto flights = stairsAlong(s.room, s.heights(), wall); !flights.empty())
      out.emplace_back(wall, std::move(flights));
  return out;
}

void evaluateStairLine(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  for (const auto& [wall, flights] : stairWalls(s))
    for (const Hung& hung : s.hung()) {
      const Hang* made = hung.wall == wall.id && !hung.group.empty() ? findHang(s.scheme, hung.group) : nullptr;
      if (made == nullptr || made->as != HangAs::Stair) continue;
      for (const StairWall& flight : flights) {
        const WallPlace* lowest = nullptr;
        const WallPlace* highest = nullptr;
        int count = 0;
        const auto over = [&](const WallPlace& p) { return p.v - flight.walking(p.u); };
        for (const PlacementId& id : hung.members) {
          const WallPlace& p = *onWall(s.placement(id.value)->on);
          if (!flight.over(p.u)) continue;
          ++count;
          if (lowest == nullptr || over(p) < over(*lowest)) lowest = &p;
          if (highest == nullptr || over(p) > over(*highest)) highest = &p;
        }
        if (count < 2) continue;
        std::vector<std::string> subjects = idsOf(hung);
        subjects.push_back(flight.feature.value);
        Finding f = findingOf(rule, askedOf(rule, s.job), std::move(subjects));
        f.view = View{wall.id};
        f.measured = over(*highest) - over(*lowest);
        f.at = {Vec2{highest->u, highest->v}, Vec2{lowest->u, lowest->v}};
        decide(f, s.scheme);
        f.sentence = "Over the stair the centres " +
                     (f.measured < 0.05 ? std::string("hang in one line.")
                                        : "are " + writeLength(f.measured, s.format) + " out of one line.");
        out.push_back(std::move(f));
      }
    }
}

/// All at their mean height over the treads.
void wayIntoLine(Proposals& ways) {
  const Room& room = roomOf(ways.job, ways.scheme);
  double sum = 0;
  int count = 0;
  std::vector<std::pair<PlacementId, WallPlace>> all;
  for (const std::string& subject : ways.target.subjects) {
    const Placement* p = findPlacement(ways.scheme, PlacementId(subject));
    const auto* place = p != nullptr ? onWall(p->on) : nullptr;
    if (place == nullptr) continue;
    all.emplace_back(p->id, *place);
    sum += place->v - floorUnder(room, *place);
    ++count;
  }
  if (count == 0) return;
  Job after = ways.job;
  for (auto& [id, place] : all) {
    place.v = floorUnder(room, place) + sum / count;
    after = placed(after, ways.scheme.id, id, place);
  }
  ways.offer("line", "Hang them all with their centres at " + ways.length(sum / count) + " over the stair",
             "they are in one line", after);
}

void evaluateRailClear(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  for (const auto& [wall, flights] : stairWalls(s))
    for (const StairWall& flight : flights) {
      if (!flight.stair.handrail || flight.stair.railSide != RailSide::Wall) continue;
      for (const Placement& p : s.scheme.placements) {
        const auto* place = onWall(p.on);
        if (place == nullptr || place->wall != wall.id) continue;
        const Piece& piece = s.pieces.of(p);
        const WallRect r = wallRectOf(piece, *place);
        const double left = std::max(r.left, flight.low), right = std::min(r.right, flight.high);
        if (left >= right || piece.depth.value_or(kUsualFrameDepth) <= kThin) continue;
        // The rail climbs: it comes nearest at the upper end.
        const double u = flight.rising ? right : left;
        Finding f = findingOf(rule, askedOf(rule, s.job, piece), {p.id.value, flight.feature.value});
        f.view = View{wall.id};
        f.measured = r.bottom - *flight.rail(u);
        f.at = {Vec2{u, *flight.rail(u)}, Vec2{u, r.bottom}};
        f.u95 = doubtOf(piece, "height") / 2;
        decide(f, s.scheme);
        f.sentence = capital(s.names.the(p.id)) +
                     (f.measured < 0 ? " hangs " + writeLength(-f.measured, s.format) + " below the rail."
                                     : " hangs " + writeLength(f.measured, s.format) + " over the rail.");
        out.push_back(std::move(f));
      }
    }
}

/// Higher by what is missing; of a climb all together.
void wayOverRail(Proposals& ways) {
  if (ways.target.margin >= 0) return;
  for (const std::string& subject : ways.target.subjects) {
    const Placement* p = findPlacement(ways.scheme, PlacementId(subject));
    if (p == nullptr || onWall(p->on) == nullptr) continue;
    Job after = ways.job;
    const auto group = groupOf(p->on);
    for (const Placement& q : ways.scheme.placements) {
      if (q.id != p->id && (!group || groupOf(q.on) != group)) continue;
      after = placed(after, ways.scheme.id, q.id, moved(q.on, {0, -ways.target.margin}));
    }
    ways.offer("raise", "Hang it " + ways.length(-ways.target.margin) + " higher", "clear of the rail", after);
  }
}

constexpr RuleRow kStairHangRows[] = {{"stair-line", evaluateStairLine, wayIntoLine},
                                      {"rail-clear", evaluateRailClear, wayOverRail}};

}  // namespace

RuleRows stairHangRules() { return kStairHangRows; }

}  // namespace mezzet
