// Pieces to cut out and push about on squared paper, at the trade's drawing scale.
#include <algorithm>

#include "core/drawing/base/drafting.h"
#include "core/drawing/labels/labels.h"
#include "core/drawing/plan/plan.h"
#include "core/model/kinds.h"
#include "core/rules/base/names.h"
#include "core/sheets/flow.h"

namespace mezzet {
namespace {

constexpr int kCutScale = 48, kCutScaleMetric = 50;
constexpr double kCutGap = 6, kUnderCut = 5;  // mm of paper

struct CutOut {
  const Piece* piece;
  int count = 0;
  double wide = 0, deep = 0;  ///< mm of paper
};

/// What stands in the scheme, once for each time it stands there, the deepest first.
std::vector<CutOut> cutOutsOf(const Job& job, const Scheme& scheme, double scale) {
  std::vector<CutOut> out;
  for (const Placement& p : scheme.placements) {
    if (onFloor(p.on) == nullptr) continue;
    const Piece& piece = pieceOf(job, p);
    out.push_back({&piece, 1, piece.width / scale, piece.depth.value_or(piece.width) / scale});
  }
  std::stable_sort(out.begin(), out.end(), [](const CutOut& a, const CutOut& b) { return a.deep > b.deep; });
  return out;
}

std::string cutWords(const Piece& piece, LengthFormat format) {
  LengthFormat bare = format;
  bare.withUnit = false;
  return piece.name + ", " + writeLength(piece.width, bare) + " x " +
         writeLength(piece.depth.value_or(piece.width), format);
}

std::vector<Sheet> cutOutPages(const SheetSource& s) {
  const int scale = s.job.units == Unit::Inch ? kCutScale : kCutScaleMetric;
  Flow flow(s, "Cut-outs to push about");
  flow.toScale(scale);
  const std::vector<CutOut> all = s.scheme != nullptr ? cutOutsOf(s.job, *s.scheme, scale) : std::vector<CutOut>();
  flow.line("Cut along the outer lines. Lay them on a plan that was printed at " + scaleInWords(scale) + ".");
  flow.skip(2);
  if (all.empty()) flow.line("Nothing stands here yet.");
  double x = 0, row = 0;
  for (const CutOut& one : all) {
    const std::string words = cutWords(*one.piece, s.request.format);
    const double across = std::max(one.wide, letteringWidth(words, kSmallLetters));
    if (x > 0 && x + across > flow.wide()) {
      flow.skip(row + kUnderCut + kCutGap);
      x = row = 0;
    }
    if (x == 0) flow.need(one.deep + kUnderCut + kCutGap);
    Drawing d;
    d.scale = scale;
    const Vec2 half{one.piece->width / 2, one.piece->depth.value_or(one.piece->width) / 2};
    d.low = half * -1;
    d.high = half;
    addPiece(d, *one.piece, {{0, 0}, 0}, {}, "", s.request.format);
    d.labels.clear();
    toPaper(d, {flow.left() + x, flow.y() - one.deep});
    append(flow.drawing(), std::move(d));
    addSheetText(flow.drawing(), {flow.left() + x, flow.y() - one.deep - 3.4}, words);
    row = std::max(row, one.deep);
    x += across + kCutGap;
  }
  flow.skip(row + kUnderCut + kCutGap);
  std::vector<Sheet> pages = flow.finish();
  return pages;
}

}  // namespace

const SheetRow& cutOutsSheetRow() {
  static constexpr SheetRow row{
      .id = "cut-outs", .title = "cut-outs to push about", .scales = false, .whole = cutOutPages};
  return row;
}

}  // namespace mezzet
