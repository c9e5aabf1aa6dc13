#include "core/decide/display_place.h"

#include <algorithm>
#include <cmath>

#include "core/base/sentence.h"
#include "core/display/placing.h"
#include "core/edit/edits.h"

namespace mezzet {
namespace {

constexpr double kGoodFill = 0.75;  // the middle of what is asked of a bay [D]

/// The bay a point of the elevation lies in: the highest whose shelf is not above it.
std::optional<std::size_t> bayAt(const Display& d, Vec2 at) {
  std::optional<std::size_t> best;
  for (std::size_t b = 0; b < d.bays.size(); ++b) {
    const Bay& bay = d.bays[b];
    if (at.x < bay.left || at.x > bay.right || at.y < bay.bottom - bay.thickness) continue;
    if (!best || bay.bottom > d.bays[*best].bottom) best = b;
  }
  return best;
}

Error fitsNowhere(const Display& d, const Piece& piece, Unit unit) {
  const LengthFormat format = usualFormat(unit);
  std::size_t best = 0;
  double widest = -1;
  for (std::size_t b = 0; b < d.bays.size(); ++b)
    for (const auto& [left, right] : freeWidths(d, b))
      if (right - left > widest) widest = right - left, best = b;
  if (widest <= 0) return {piece.name, "finds no room on " + midSentence(d.name), "Take something off first"};
  const auto height = d.bays[best].height();
  return {piece.name, "fits nowhere on " + midSentence(d.name),
          "The largest place is " + writeLength(widest, format) + " wide" +
              (height ? " and " + writeLength(*height, format) + " high" : "") +
              (d.bays.size() > 1 ? ", on shelf " + d.bays[best].id : "")};
}

}  // namespace

Result<Added> withSetDown(const Job& job, const SchemeId& id, const std::string& carrier, const PieceId& pieceId,
                          IdSource& ids, std::optional<Vec2> at) {
  const Scheme* scheme = findScheme(job, id);
  const Piece* piece = findPiece(job, pieceId);
  if (scheme == nullptr || piece == nullptr)
    return Error{pieceId.value, "cannot be put anywhere here", "Choose a scheme first"};
  const auto d = displayOf(job, PieceIndex(job), roomOf(job, *scheme), *scheme, carrier);
  if (!d) return Error{piece->name, "finds nothing to stand on", "Choose a bookcase, a table or a mantel"};
  const Lie lie = usualLie(*piece);
  Placement fresh;
  fresh.id = ids.take<PlacementId>("p");
  fresh.piece = pieceId;
  if (at) {
    const auto bay = bayAt(*d, *at);
    if (!bay) return Error{piece->name, "is over no shelf there", "Let it go over a bay"};
    const LyingSize size = lyingSize(*piece, lie);
    if (d->bays[*bay].height() && size.z > *d->bays[*bay].height() + 0.01) return fitsNowhere(*d, *piece, job.units);
    return Added{withThrown(job, id, carrier, *bay, fresh, at->x), fresh.id};
  }
  std::optional<CarriedPlace> best;
  double least = 1e9;
  for (std::size_t b = 0; b < d->bays.size(); ++b) {
    const auto there = freeIn(*d, b, *piece, lie, d->width / 2);
    if (!there) continue;
    const auto height = d->bays[b].height();
    const double off = height ? std::abs(lyingSize(*piece, lie).z / *height - kGoodFill) : 0.2;
    if (off < least) least = off, best = there;
  }
  if (!best) return fitsNowhere(*d, *piece, job.units);
  fresh.on = *best;
  return Added{withPlacement(job, id, fresh), fresh.id};
}

}  // namespace mezzet
