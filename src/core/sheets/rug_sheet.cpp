// The rugs of a scheme as they are laid and cut: every corner square from two walls, sides, diagonals, area, edge.
#include <algorithm>
#include <cmath>

#include "core/drawing/base/drafting.h"
#include "core/drawing/plan/plan.h"
#include "core/model/kinds.h"
#include "core/rules/base/names.h"
#include "core/rugs/carpet_words.h"
#include "core/rugs/lying.h"
#include "core/rugs/template_rug.h"
#include "core/sheets/frame.h"
#include "core/sheets/sheet_row.h"

namespace mezzet {
namespace {

constexpr double kOut = 4.2, kLeastFigured = 25;  // mm of paper

/// The corner's number outside the rug, and fine lines to the walls it is set out from.
void addCorner(Drawing& d, const SetOutCorner& corner, Vec2 outward, const std::string& number, const ItemId& id) {
  for (const FromWall& from : corner.from) {
    d.add(Layer::Dimension, id, line(corner.at, from.foot, {Ink::Quiet, kFineLine, Dash::Dashed}));
    const Vec2 d1 = unit(corner.at - from.foot), tick = unit(d1 + leftOf(d1)) * (1.4 * d.scale);
    d.add(Layer::Dimension, id, line(from.foot - tick, from.foot + tick, {Ink::Ink, kFurnitureLine, Dash::Solid}));
  }
  const Vec2 side = leftOf(outward) * (kOut * d.scale), out = outward * (kOut * d.scale);
  addTag(d, {corner.at + out, corner.at + out + side, corner.at + out - side, corner.at - out}, number, id);
}

void addRug(Drawing& d, const SheetSource& s, const Rug& rug, const SchemeNames& names, int& number,
            std::vector<std::string>& list) {
  const Polygon outline = rugOutline(*rug.piece, rug.place());
  const ItemId id = rug.placement->id.value;
  const bool round = cornersOf(rug).empty();
  const auto length = [&](double mm) { return writeLength(mm, s.request.format); };
  std::erase_if(d.labels, [&](const Label& label) { return label.id == id; });
  if (round) {
    const RugTemplate middle = templateOf(s.room, {rug.place().at});
    const std::string tag = std::to_string(++number);
    addCorner(d, middle.corners.front(), {0, 1}, tag, id);
    std::string words =
        names.plain(rug.placement->id) + ", " + length(rug.piece->width) + " across; its middle " + tag + ": ";
    for (const FromWall& from : middle.corners.front().from)
      words += (&from == &middle.corners.front().from.front() ? "" : ", ") + length(from.off) + " to wall " +
               from.wall.value;
    list.push_back(words);
    return;
  }
  const RugTemplate t = templateOf(s.room, outline);
  const int first = number + 1;
  const Vec2 middle = centroidOf(outline);
  list.push_back(names.plain(rug.placement->id) + (isCut(*rug.piece) ? ", cut to this template" : "") +
                 (rug.placement->taped ? ", taped down" : "") + ": " + writeArea(t.area, s.job.units) + ", edge " +
                 length(t.edge));
  for (std::size_t i = 0; i < t.corners.size(); ++i) {
    const SetOutCorner& corner = t.corners[i];
    const std::string tag = std::to_string(++number);
    addCorner(d, corner, unit(corner.at - middle), tag, id);
    std::string words = tag + ": ";
    for (const FromWall& from : corner.from)
      words += (&from == &corner.from.front() ? "" : ", ") + length(from.off) + " to wall " + from.wall.value;
    const auto& side = t.sides[i];
    list.push_back(words + "; " + length(side.length) + " to " + std::to_string(first + static_cast<int>(side.to)));
  }
  // Short sides are in the list: their figures would hide the corners.
  for (const auto& side : t.sides)
    if (side.length / d.scale >= kLeastFigured)
      addDimension(d, {t.corners[side.from].at, t.corners[side.to].at, 0, length(side.length), Layer::Dimension, id});
  std::string check = "Diagonals to check: ";
  for (const auto& diagonal : t.diagonals)
    check += (&diagonal == &t.diagonals.front() ? "" : ", ") + std::to_string(first + static_cast<int>(diagonal.from)) +
             " to " + std::to_string(first + static_cast<int>(diagonal.to)) + ": " + length(diagonal.length);
  if (!t.diagonals.empty()) list.push_back(check);
}

Drawing composeRug(const SheetSource& s, int scale) {
  PlanOptions options = planOptions(scale, s.request.format);
  options.named = false;
  if (s.scheme == nullptr) return composePlan(s.job, s.room, nullptr, options);
  // Only the rugs: what else stands in the room hides their corners.
  Scheme rugs = *s.scheme;
  std::erase_if(rugs.placements,
                [&](const Placement& p) { return onFloor(p.on) == nullptr || !isRug(pieceOf(s.job, p).kind); });
  Drawing d = composePlan(s.job, s.room, &rugs, options);
  const SchemeNames names(s.job, *s.scheme);
  std::vector<std::string> list;
  int number = 0;
  const PieceIndex pieces(s.job);
  for (const Rug& rug : rugsIn(pieces, rugs)) addRug(d, s, rug, names, number, list);
  if (number == 0) list.emplace_back("No rug lies in this scheme yet.");
  else list.emplace_back("Square to the walls named. Pad 1 in less all round; tape the edges where people walk.");
  addListBelow(d, list);
  return d;
}

std::string headingRug(const SheetSource&) { return "Rugs, laid and cut"; }
bool offersRug(const Job& job) {
  return std::any_of(job.pieces.begin(), job.pieces.end(), [](const auto& piece) { return isRug(piece->kind); });
}

}  // namespace

const SheetRow& rugSheetRow() {
  static constexpr SheetRow row{
      .id = "rugs", .title = "rugs and templates", .compose = composeRug, .heading = headingRug, .offered = offersRug};
  return row;
}

}  // namespace mezzet
