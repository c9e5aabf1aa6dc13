#include "core/choose/budget.h"

#include <algorithm>
#include <cmath>
#include <map>

#include "core/display/ledge.h"
#include "core/hang/nails.h"
#include "core/model/kinds.h"
#include "core/rugs/broadloom.h"
#include "core/rugs/template_rug.h"
#include "core/units/area.h"

namespace mezzet {
namespace {

constexpr double kMetre = 1000;

std::optional<double> priceOf(const Job& job, const std::string& what) {
  const auto at = job.budget.prices.find(what);
  return at == job.budget.prices.end() ? std::nullopt : std::optional(at->second);
}

/// A variant is bought as what it is a variant of.
const Piece& bought(const Job& job, const Piece& piece) {
  if (piece.shop->price || !piece.variantOf) return piece;
  const Piece* base = findPiece(job, *piece.variantOf);
  return base != nullptr ? *base : piece;
}

void addPieces(const Job& job, const Scheme& scheme, Budget& out) {
  std::map<PieceId, std::size_t> lines;
  std::vector<BudgetLine> found;
  for (const auto& piece : job.pieces)
    for (const Placement& p : scheme.placements) {
      if (p.piece != piece->id) continue;
      const Piece& from = bought(job, *piece);
      if (piece->shop->owned || from.shop->owned) {
        ++out.owned;
        continue;
      }
      const auto [at, fresh] = lines.emplace(from.id, found.size());
      if (fresh) {
        BudgetLine line{from.name,
                        0,
                        from.shop->price,
                        from.shop->phase.value_or(Phase::Now),
                        from.shop->tier == Tier::Full,
                        {from.id},
                        from.shop->leadDays.value_or(0)};
        found.push_back(std::move(line));
      }
      BudgetLine& line = found[at->second];
      ++line.count;
      line.leadDays = std::max(line.leadDays, piece->shop->leadDays.value_or(0));
    }
  out.lines = std::move(found);
}

void addRugEdges(const Job& job, const Scheme& scheme, Budget& out) {
  const PieceIndex pieces(job);
  std::map<std::string, double> metres;
  for (const Placement& p : scheme.placements) {
    const Piece& piece = pieces.of(p);
    if (!isCut(piece) || piece.rug->edge.empty() || piece.shop->owned) continue;
    const Polygon& outline = piece.rug->outline;
    double edge = 0;
    for (std::size_t i = 0; i < outline.size(); ++i) edge += norm(outline[(i + 1) % outline.size()] - outline[i]);
    metres[piece.rug->edge] += edge / kMetre;
  }
  for (const auto& [edge, length] : metres) {
    const auto price = job.carpet.edgePrices.find(edge);
    out.lines.push_back({"edge, " + edge + ", m", length,
                         price == job.carpet.edgePrices.end() ? std::nullopt : std::optional(price->second)});
  }
}

void addCarpet(const Job& job, const Room& room, const Scheme& scheme, Budget& out) {
  if (!scheme.carpet) return;
  const auto cut = cutCarpet(carpetedFloor(room), *scheme.carpet, {});
  if (cut)
    out.lines.push_back(
        {"carpet off the roll, m2", cut->boughtArea / (kMetre * kMetre), priceOf(job, "carpet off the roll, m2")});
}

void addBoards(const Job& job, const Room& room, const Scheme& scheme, Budget& out) {
  const LengthFormat format = usualFormat(job.units);
  const auto cuts = ledgeBoards(job, room, scheme, format);
  if (cuts.empty()) return;
  const auto list = cutFrom(cuts, {std::begin(kBoardStock), std::end(kBoardStock)}, kUsualKerf);
  if (!list) return;
  std::map<double, int> bars;
  for (const CutBar& bar : list->bars) ++bars[bar.stock];
  for (const auto& [stock, count] : bars) {
    // By one name in any unit, so that a price stays.
    const std::string what = "board, " + std::to_string(std::lround(stock / kFoot)) + " ft";
    out.lines.push_back({what, static_cast<double>(count), priceOf(job, what)});
  }
}

void addFixings(const Job& job, const Rulebook& book, const Room& room, const Scheme& scheme, Budget& out) {
  std::map<std::string, int> counts;
  for (const Wall& wall : wallsOf(room)) {
    const bool any = std::any_of(scheme.placements.begin(), scheme.placements.end(), [&](const Placement& p) {
      const auto* on = onWall(p.on);
      return on != nullptr && on->wall == wall.id;
    });
    if (!any) continue;
    NailAsk ask;
    ask.wall = wall.id;
    for (const Nail& nail : nailPlan(job, room, scheme, book.fixings, ask, usualFormat(job.units)).nails)
      if (!nail.fixings.empty()) ++counts[nail.fixings.front()];
  }
  for (const auto& [id, count] : counts) {
    const Fixing* fixing = findFixing(book.fixings, id);
    const std::string what = fixing != nullptr ? fixing->words : id;
    out.lines.push_back({what, static_cast<double>(count), priceOf(job, what)});
  }
}

void close(const Job& job, Budget& out) {
  for (const BudgetLine& line : out.lines) {
    if (!line.price) out.noPrice.push_back(line.what);
    out.sums.full += line.sum();
    if (!line.full) out.sums.simple += line.sum();
    (line.phase == Phase::Later ? out.sums.later : out.sums.now) += line.sum();
  }
  if (job.brief.budgetSimple) out.leftSimple = *job.brief.budgetSimple - out.sums.simple;
  if (job.brief.budgetFull) out.leftFull = *job.brief.budgetFull - out.sums.full;
}

}  // namespace

Budget budgetOf(const Job& job, const Rulebook& book, const SchemeId& id, bool hours) {
  Budget out;
  const Scheme* scheme = findScheme(job, id);
  if (scheme == nullptr) return out;
  const Room& room = roomOf(job, *scheme);
  addPieces(job, *scheme, out);
  addRugEdges(job, *scheme, out);
  addCarpet(job, room, *scheme, out);
  addBoards(job, room, *scheme, out);
  addFixings(job, book, room, *scheme, out);
  if (hours && job.budget.hours) {
    out.lines.push_back({"decorator, hours", *job.budget.hours, job.budget.rate});
    out.lines.back().hours = true;
  }
  close(job, out);
  return out;
}

HouseBudget houseBudget(const Job& job, const Rulebook& book, const std::vector<SchemeId>& schemes) {
  HouseBudget out;
  for (const SchemeId& id : schemes) {
    const BudgetSums sums = budgetOf(job, book, id, false).sums;
    out.rooms.emplace_back(id, sums);
    out.sums.simple += sums.simple;
    out.sums.full += sums.full;
    out.sums.now += sums.now;
    out.sums.later += sums.later;
  }
  out.hours = job.budget.hours.value_or(0) * job.budget.rate.value_or(0);
  for (double* sum : {&out.sums.simple, &out.sums.full, &out.sums.now}) *sum += out.hours;
  if (job.brief.budgetSimple) out.leftSimple = *job.brief.budgetSimple - out.sums.simple;
  if (job.brief.budgetFull) out.leftFull = *job.brief.budgetFull - out.sums.full;
  return out;
}

std::string moneyText(double amount) {
  const long long cents = std::llround(std::abs(amount) * 100);
  std::string whole = std::to_string(cents / 100), out;
  for (std::size_t i = 0; i < whole.size(); ++i) {
    if (i > 0 && (whole.size() - i) % 3 == 0) out += ',';
    out += whole[i];
  }
  if (cents % 100 != 0) out += (cents % 100 < 10 ? ".0" : ".") + std::to_string(cents % 100);
  return (amount < 0 && cents > 0 ? "-" : "") + out;
}

std::string moneyText(const Job& job, double amount) {
  return moneyText(amount) + (job.budget.currency.empty() ? "" : " " + job.budget.currency);
}

}  // namespace mezzet
