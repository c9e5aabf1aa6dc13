// The ceiling for the electrician: every light from two walls, its underside, drop, circuit; with a key of the marks.
#include <algorithm>

#include "core/drawing/base/drafting.h"
#include "core/drawing/ceiling/ceiling.h"
#include "core/drawing/ceiling/marks.h"
#include "core/sheets/light_schedule.h"
#include "core/sheets/frame.h"
#include "core/sheets/sheet_row.h"

namespace mezzet {
namespace {

/// A fine line square to each wall that a light is set out from, with a tick on the wall.
void addFeet(Drawing& d, const FixtureLine& line_) {
  for (const FromWall& from : line_.from) {
    d.add(Layer::Dimension, line_.id.value, line(line_.at, from.foot, {Ink::Quiet, kFineLine, Dash::Dashed}));
    const Vec2 along = unit(line_.at - from.foot), tick = unit(along + leftOf(along)) * (1.2 * d.scale);
    d.add(Layer::Dimension, line_.id.value,
          line(from.foot - tick, from.foot + tick, {Ink::Ink, kFurnitureLine, Dash::Solid}));
  }
}

Drawing composeCeiling(const SheetSource& s, int scale) {
  CeilingOptions o;
  o.scale = scale;
  o.format = s.request.format;
  o.grid = false;
  o.titles = false;
  o.sectionRoom = false;
  const bool installer = s.request.version == SheetVersion::Installer;
  Drawing d = composeCeiling(s.job, s.room, s.scheme, o);
  if (s.scheme == nullptr) return d;
  const std::vector<FixtureLine> lines = fixtureSchedule(s.job, s.room, *s.scheme);
  const std::vector<Fixture> fixtures = fixturesIn(PieceIndex(s.job), s.room, heightsOf(s.room), *s.scheme);
  if (lines.empty()) {
    addListBelow(d, {"No light hangs in this scheme yet."});
    return d;
  }
  // The key stands below the plan, what is set out below the key.
  const double down = addLightKey(d, {d.low.x + 4 * d.scale, d.low.y - 2 * d.scale},
                                  std::max(150 * d.scale, d.high.x - d.low.x), fixtures, *s.scheme);
  d.low.y -= down + 4 * d.scale;
  if (!installer) return d;
  // What stands on the floor is not set out here: its names would hide the numbers.
  std::erase_if(d.labels, [&](const Label& label) {
    return std::any_of(s.scheme->placements.begin(), s.scheme->placements.end(),
                       [&](const Placement& p) { return label.id == ItemId(p.id.value); });
  });
  for (const FixtureLine& one : lines) {
    addFeet(d, one);
    const double out = kTagCircle + 1.2;
    std::vector<Vec2> spots;
    for (const double far : {1.0, 1.7})
      for (const Vec2 to : {Vec2{1, 1}, Vec2{1, -1}, Vec2{-1, 1}, Vec2{-1, -1}, Vec2{1.3, 0}, Vec2{-1.3, 0},
                            Vec2{0, 1.3}, Vec2{0, -1.3}})
        spots.push_back(one.at + to * (far * out * d.scale));
    addTag(d, spots, std::to_string(one.number), one.id.value, Rank::Piece);
  }
  std::vector<std::string> list = scheduleWords(lines, s.job.units, s.request.format);
  for (std::string& check : checkDiagonals(*s.scheme, lines, s.request.format)) list.push_back(std::move(check));
  list.emplace_back(
      "Seen from above. Distances at ceiling height, square to the walls named, to the middle of each light; "
      "undersides above the floor below.");
  list.emplace_back(
      "Electrical work is a licensed electrician's; local codes decide. Look above an old ceiling before cutting: it "
      "may hold asbestos, cables or pipes.");
  addListBelow(d, list);
  return d;
}

std::string headingCeiling(const SheetSource& s) {
  return "Ceiling seen from above. " + ceilingWords(s.room, s.request.format);
}

}  // namespace

bool offersCeiling(const Job& job) {
  return std::any_of(job.schemes.begin(), job.schemes.end(), [](const auto& scheme) {
    return std::any_of(scheme->placements.begin(), scheme->placements.end(),
                       [](const Placement& p) { return onCeiling(p.on) != nullptr; });
  });
}

const SheetRow& ceilingSheetRow() {
  static constexpr SheetRow row{.id = "ceiling",
                                .title = "ceiling and lights",
                                .compose = composeCeiling,
                                .heading = headingCeiling,
                                .offered = offersCeiling};
  return row;
}

}  // namespace mezzet
