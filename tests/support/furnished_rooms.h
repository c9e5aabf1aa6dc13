// Rooms built round a layout that is sound, and then emptied: what a search must be able to find.
#pragma once

#include "core/base/chance.h"
#include "core/rules/check.h"
#include "support/rooms.h"

namespace mezzet::test {

inline const SchemeId kFurnished("s1");

/// Whole inches from `low` to `high`.
inline double inches(Chance& chance, int low, int high) {
  return low + static_cast<double>(chance.below(static_cast<std::size_t>(high - low + 1)));
}
inline void addDoorAndWindow(Job& job, Chance& chance) {
  Room room = *job.rooms.front();
  Opening door;
  door.id = OpeningId("d1");
  door.wall = CornerId("A");
  door.offset = in(inches(chance, 6, 14));
  door.width = in(32);
  door.height = in(80);
  Opening window;
  window.id = OpeningId("w1");
  window.kind = OpeningKind::Window;
  window.wall = CornerId(chance.may(0.5) ? "B" : "D");
  window.offset = in(inches(chance, 30, 50));
  window.width = in(inches(chance, 36, 54));
  window.height = in(48);
  window.sill = in(32);
  room.openings = {door, window};
  job = withRoom(job, room).value();
}
/// A sofa at the far wall, chairs facing it over a table, a case beside the door.
inline Job sittingRoom(Chance& chance) {
  const double sofa = inches(chance, 72, 90), deep = inches(chance, 34, 40), chair = inches(chance, 27, 31),
               chairDeep = inches(chance, 29, 33), tableDeep = inches(chance, 20, 26);
  const double table = std::round(sofa * 0.66);
  const double width = sofa + inches(chance, 76, 110),
               depth = deep + 16 + tableDeep + 16 + chairDeep + inches(chance, 44, 72);
  Job job = emptyRoom(width, depth);
  addDoorAndWindow(job, chance);
  const double x = width / 2, back = depth;
  job = with(job, piece("sofa", "sofa", sofa, deep, 34), "p1", x, back - deep / 2);
  job = with(job, piece("low", "low-table", table, tableDeep, 17), "p2", x, back - deep - 16 - tableDeep / 2);
  Piece easy = piece("easy", "armchair", chair, chairDeep, 34);
  easy.count = 2;
  const double row = back - deep - 16 - tableDeep - 16 - chairDeep / 2;
  job = with(job, easy, "p3", x - chair / 2 - 4, row, 180);
  job = with(job, easy, "p4", x + chair / 2 + 4, row, 180);
  const double wide = inches(chance, 30, 42);
  return with(job, piece("case", "bookcase", wide, 12, 72), "p5", width - wide / 2 - 2, 6, 180);
}
/// A table with its chairs in the middle, a sideboard at the far wall.
inline Job diningRoom(Chance& chance) {
  const double length = inches(chance, 60, 84), deep = inches(chance, 34, 40);
  const int sides = length >= 78 ? 3 : 2;
  const double width = length + 2 * inches(chance, 50, 64), depth = deep + 2 * inches(chance, 52, 66) + 18;
  Job job = emptyRoom(width, depth);
  addDoorAndWindow(job, chance);
  const double x = width / 2, y = (depth - 18) / 2;
  job = with(job, piece("table", "dining-table", length, deep, 30), "p1", x, y);
  Piece chair = piece("chair", "chair", 18, 20, 34);
  chair.seat.edit().height = in(18);
  chair.count = 2 * sides;
  for (int i = 0; i < sides; ++i) {
    const double at = x - length / 2 + length * (i + 0.5) / sides;
    job = with(job, chair, ("c" + std::to_string(i)).c_str(), at, y + deep / 2 + 10 - 3, 0);
    job = with(job, chair, ("e" + std::to_string(i)).c_str(), at, y - deep / 2 - 10 + 3, 180);
  }
  return with(job, piece("board", "sideboard", inches(chance, 48, 66), 18, 34), "p9", x, depth - 9);
}
inline bool isSound(const Job& job, const Rulebook& book) {
  const RouteFacts routes = routeFactsOf(job, kFurnished, UseState::Everyday);
  const auto findings = check(job, book, kFurnished, usualFormat(Unit::Inch), {UseState::Everyday, &routes});
  return std::none_of(findings.begin(), findings.end(), breaksByWeight);
}
/// The next sound room of a seed, furnished; `drawn` counts how many had to be drawn for it.
inline Job soundRoom(Chance& chance, const Rulebook& book, int& drawn) {
  for (;;) {
    ++drawn;
    Job job = chance.may(0.6) ? sittingRoom(chance) : diningRoom(chance);
    if (isSound(job, book)) return job;
    if (drawn > 2'000) return job;
  }
}
/// Everything in a heap in the middle.
inline Job emptied(Job job) {
  const Box box = boundsOf(outlineOf(*job.rooms.front()));
  for (const Placement& p : scheme(job).placements)
    job = placed(job, kFurnished, p.id, FloorPlace{midpoint(box.low, box.high), 0});
  return job;
}

}  // namespace mezzet::test
