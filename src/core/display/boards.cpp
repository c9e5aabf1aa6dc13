#include "core/display/boards.h"

#include <algorithm>
#include <cmath>

#include "core/hang/hooks.h"
#include "core/model/kinds.h"

namespace mezzet {
namespace {

constexpr double kBuiltIn = 5;                       // both ends built in: a fifth of the sag
constexpr double kSolidCreep = 1.5, kMadeCreep = 2;  // [D]

}  // namespace

const std::vector<BoardKind>& boardKinds() {
  static const std::vector<BoardKind> all{
      {Board::RedOak, "red oak", 12.5, 0.63},      {Board::WhiteOak, "white oak", 12.3, 0.68},
      {Board::Maple, "maple", 12.6, 0.63},         {Board::Walnut, "walnut", 11.6, 0.55},
      {Board::Cherry, "cherry", 10.3, 0.50},       {Board::Poplar, "poplar", 10.9, 0.42},
      {Board::WhitePine, "white pine", 8.5, 0.35}, {Board::DouglasFir, "Douglas fir", 13.4, 0.48},
      {Board::Mdf, "MDF", 3.0, 0.75, false},       {Board::Plywood, "plywood", 8.0, 0.60, false}};
  return all;
}

const BoardKind& boardKind(Board board) { return boardKinds()[static_cast<std::size_t>(board)]; }

double sagOf(double load, double span, double gigapascal, double depth, double thickness, bool builtIn) {
  const double inertia = depth * thickness * thickness * thickness / 12;
  if (inertia <= 0 || gigapascal <= 0) return 0;
  const double sag = 5 * load * std::pow(span, 4) / (384 * gigapascal * 1000 * inertia);
  return builtIn ? sag / kBuiltIn : sag;
}

double sagInTime(double sag, bool solid) { return sag * (solid ? kSolidCreep : kMadeCreep); }

double sagLimit(double span) { return span / (12 * 16); }

std::optional<double> massOf(const Piece& piece) {
  if (piece.shop->weight) return *piece.shop->weight;
  if (isBookRun(piece.kind)) return kBooksPerFoot * piece.width / (12 * kInch);
  if (isStack(piece.kind)) return kBooksPerFoot * lyingSize(piece, Lie::Standing).z / (12 * kInch);
  if (const auto framed = weightOf(piece)) return framed->kg;
  return std::nullopt;
}

ShelfLoad shelfLoadOf(const Display& d, std::size_t index) {
  const Bay& bay = d.bays[index];
  ShelfLoad out;
  for (const DisplayedThing& thing : d.things)
    if (thing.bay == index) out.mass += massOf(*thing.piece).value_or(0);
  const Surface none;
  const Surface& surface = bay.surface != nullptr ? *bay.surface : none;
  out.span = surface.span.value_or(bay.width());
  if (out.span <= 0) return out;
  out.perMetre = out.mass / out.span * 1000;
  const double full = kBooksPerFoot / (12 * kInch) * 1000;
  if (d.carrier.piece != nullptr && hasShelves(d.carrier.piece->kind) && full > out.perMetre) {
    out.perMetre = full;
    out.asFull = true;
  }
  if (!surface.material) return out;
  const BoardKind& wood = boardKind(*surface.material);
  out.sag = sagOf(out.perMetre * kGravity / 1000, out.span, wood.gigapascal, bay.depth, bay.thickness, surface.fixed);
  out.inTime = sagInTime(*out.sag, wood.solid);
  out.limit = sagLimit(out.span);
  return out;
}

double withdrawalPerMm(double gravity, double diameter) {
  constexpr double kNds = 2850;  // lb per inch of thread, diameter in inches
  return kNds * gravity * gravity * (diameter / kInch) * kPound * kGravity / kInch;
}

}  // namespace mezzet
