#include "core/space/ceiling_snapping.h"

#include <algorithm>
#include <cmath>

#include "core/base/sentence.h"
#include "core/model/kinds.h"

namespace mezzet {
namespace {

/// What it can be in line with, the more telling first.
struct CeilingMark {
  Vec2 at;
  std::string words;
  int rank = 0;
};

std::vector<CeilingMark> marksOf(const Job& job, const Scheme& scheme, Vec2 near, const PlacementIds& out) {
  constexpr double kNear = 60 * kInch;  // further off nobody lines up by eye
  std::vector<CeilingMark> marks;
  for (const Placement& p : scheme.placements) {
    if (std::find(out.begin(), out.end(), p.id) != out.end()) continue;
    const Piece& piece = pieceOf(job, p);
    if (const auto* floor = onFloor(p.on); floor != nullptr && !isRug(piece.kind)) {
      const Box box = extentOf(job, p);
      const bool under = near.x > box.low.x && near.x < box.high.x && near.y > box.low.y && near.y < box.high.y;
      if (under) marks.push_back({floor->at, "middle of " + midSentence(piece.name), 0});
    }
    if (const auto* up = onCeiling(p.on); up != nullptr && distance(up->at, near) < kNear)
      marks.push_back({up->at, "in line with " + midSentence(piece.name), 1});
  }
  const Polygon outline = outlineOf(roomOf(job, scheme));
  const Box box = boundsOf(std::span<const Vec2>(outline));
  marks.push_back({midpoint(box.low, box.high), "middle of the room", 2});
  return marks;
}

}  // namespace

Snapped ceilingSnapped(const Job& job, const Scheme& scheme, const CeilingPlace& wanted, const PlacementIds& out,
                       double reach) {
  const std::vector<CeilingMark> marks = marksOf(job, scheme, wanted.at, out);
  CeilingPlace there = wanted;
  std::vector<Guide> guides;
  for (const bool across : {true, false}) {
    const auto of = [&](Vec2 p) { return across ? p.x : p.y; };
    const CeilingMark* best = nullptr;
    for (const CeilingMark& mark : marks) {
      const double off = std::abs(of(mark.at) - of(wanted.at));
      if (off > reach ||
          (best != nullptr &&
           (mark.rank > best->rank || (mark.rank == best->rank && off >= std::abs(of(best->at) - of(wanted.at))))))
        continue;
      best = &mark;
    }
    if (best == nullptr) continue;
    (across ? there.at.x : there.at.y) = of(best->at);
    const double other = across ? wanted.at.y : wanted.at.x, mark = across ? best->at.y : best->at.x;
    const auto point = [&](double along) { return across ? Vec2{best->at.x, along} : Vec2{along, best->at.y}; };
    guides.push_back({point(std::min(other, mark)), point(std::max(other, mark)), best->words, best->at});
  }
  return {there, guides};
}

}  // namespace mezzet
