#include "core/display/missing.h"

#include <algorithm>
#include <map>

#include "core/colour/names.h"
#include "core/display/colours.h"
#include "core/model/kinds.h"

namespace mezzet {
namespace {

constexpr double kLowest = 0.6, kTallest = 0.9;  // of the bay: shelf-fill [D]
constexpr double kNarrow = 1.2;                  // what is wider than so many times its height is a run of books
constexpr double kLeastAccent = 0.05;            // accent-share [D]
constexpr double kLeastSide = 2 * kInch;         // narrower gaps take nothing worth buying [D]
constexpr std::size_t kMostWouldDo = 5;

std::string kindFor(double width, double height) {
  if (width > kNarrow * height) return std::string(kBooks);
  return height > kNarrow * width ? std::string(kVase) : std::string(kBox);
}

/// Pieces that fit as they stand and are not in the scheme yet.
std::vector<PieceId> fitting(const MissingThing& m, const Job& job, const Scheme& scheme) {
  std::map<std::string_view, int> placed;
  for (const Placement& p : scheme.placements) ++placed[p.piece.value];
  std::vector<PieceId> out;
  for (const auto& piece : job.pieces) {
    if (!canBeThing(piece->kind) || !piece->height || hangs(piece->kind) || goesOnCeiling(piece->kind)) continue;
    const auto at = placed.find(piece->id.value);
    if (at != placed.end() && at->second >= piece->count) continue;
    const LyingSize size = lyingSize(*piece, Lie::Standing);
    const bool tall = size.z >= m.height * kLowest / kTallest || isRiser(m.kind);
    if (size.x <= m.width + 0.01 && size.z <= m.height + 0.01 && size.y <= m.depth + 0.01 && tall)
      out.push_back(piece->id);
    if (out.size() == kMostWouldDo) break;
  }
  return out;
}

}  // namespace

std::vector<MissingThing> missingOf(const Display& d, const Job& job, const Scheme& scheme) {
  std::vector<MissingThing> out;
  const auto accent = accentShareOf(d);
  bool wantsAccent = !d.palette.accent.empty() && (!accent || *accent < kLeastAccent);
  for (std::size_t b = 0; b < d.bays.size(); ++b) {
    const Bay& bay = d.bays[b];
    const auto height = bay.height();
    if (!height || bay.width() <= 0) continue;
    const auto gaps = freeWidths(d, b);
    double free = 0;
    std::pair<double, double> widest{0, 0};
    for (const auto& gap : gaps) {
      free += gap.second - gap.first;
      if (gap.second - gap.first > widest.second - widest.first) widest = gap;
    }
    const double gapWidth = widest.second - widest.first - kBuyAir;
    const auto fill = fillOf(d, b);
    const bool empty = free > (1 - kEmptyBay) * bay.width(), low = !fill || *fill < kLowest;
    if (!empty && !low && !wantsAccent) continue;
    MissingThing m;
    m.bay = b;
    m.depth = bay.depth;
    m.height = kTallest * *height;
    m.width = gapWidth;
    if (gapWidth >= kLeastSide && (empty || low || wantsAccent)) {
      m.width = std::min(gapWidth, std::max(kLeastSide, bay.width() / 2));
      m.kind = kindFor(m.width, m.height);
      m.why = !fill   ? "nothing stands there"
              : low   ? "its tallest thing is too low for it"
              : empty ? "more than half of it is free"
                      : "no accent is seen";
    } else if (low) {
      // No room beside: what is tallest is lifted.
      const DisplayedThing* tallest = nullptr;
      for (const DisplayedThing& thing : d.things)
        if (thing.bay == b && !isBookRun(thing.piece->kind) && (tallest == nullptr || thing.top > tallest->top))
          tallest = &thing;
      if (tallest == nullptr) continue;
      m.under = tallest->placement->id;
      m.width = tallest->width();
      m.depth = tallest->back - tallest->front;
      m.height = kTallest * *height - (tallest->top - bay.bottom);
      m.kind = kRiser;
      m.why = "its tallest thing is too low for it, and nothing fits beside";
    } else continue;
    if (wantsAccent && m.kind != kRiser) {
      m.colour = d.palette.accent.front();
      wantsAccent = false;
    } else if (!d.palette.main.empty()) m.colour = d.palette.main.front();
    m.wouldDo = fitting(m, job, scheme);
    out.push_back(std::move(m));
  }
  return out;
}

std::string missingWords(const MissingThing& m, LengthFormat format) {
  const auto length = [&](double mm) { return writeLength(mm, format); };
  std::string out = m.kind == kBooks ? "books" : "a " + std::string(kindWords(m.kind));
  if (!m.colour.empty()) out += " in " + nameOfColour(m.colour);
  return out + ", at most " + length(m.width) + " wide, " + length(m.height) + " high, " + length(m.depth) + " deep";
}

}  // namespace mezzet
