#include "core/decide/dining_sizes.h"

#include <algorithm>
#include <cmath>
#include <set>

#include "core/decide/compare.h"
#include "core/edit/edits.h"
#include "core/model/kinds.h"
#include "core/use/chairs.h"

namespace mezzet {
namespace {

constexpr double kLeastTable = 30 * kInch, kLargestTable = 144 * kInch;

std::set<std::string> brokenIn(const std::vector<Finding>& findings) {
  std::set<std::string> out;
  for (const Finding& f : findings)
    if (breaksByWeight(f)) out.insert(f.id);
  return out;
}

/// One shape, made smaller until it holds.
class Search {
 public:
  Search(const Job& job, const Rulebook& book, const SchemeId& scheme, const PlacementId& table, LengthFormat format,
         const CheckWith& with)
      : book_(book), scheme_(scheme), table_(table), format_(format), with_{with.state, nullptr}, bare_(job) {
    // Its own chairs go with it.
    const PieceIndex pieces(job);
    for (const DiningSeat& seat : diningSeatsIn(pieces, *findScheme(job, scheme)))
      if (seat.table->id == table && !staysPut(pieces.of(*seat.chair).kind))
        bare_ = withoutPlacement(bare_, scheme, seat.chair->id);
    before_ = brokenIn(check(withoutPlacement(bare_, scheme, table), book, scheme, format, with_));
    const Box room = boundsOf(std::span<const Vec2>(outlineOf(roomOf(job, *findScheme(job, scheme)))));
    most_ = std::min(kLargestTable, std::max(room.high.x - room.low.x, room.high.y - room.low.y));
  }

  [[nodiscard]] std::optional<DiningSize> largest(Shape shape, const std::stop_token& stop) const {
    const double step = bare_.units == Unit::Inch ? kInch : 20;
    for (double width = std::floor(most_ / step) * step; width >= kLeastTable && !stop.stop_requested();
         width -= step) {
      const double depth = shape == Shape::Round  ? width
                           : shape == Shape::Oval ? std::min(width, kOvalDepth)
                                                  : std::min(width, kTableDepth);
      if (shape == Shape::Oval && depth >= width) return std::nullopt;  // that is a round one
      if (auto size = holds(shape, width, depth)) return size;
    }
    return std::nullopt;
  }

 private:
  [[nodiscard]] std::optional<DiningSize> holds(Shape shape, double width, double depth) const {
    Piece piece = pieceOf(bare_, *findPlacement(*findScheme(bare_, scheme_), table_));
    piece.shape = shape;
    piece.width = width;
    piece.depth = depth;
    piece.use.edit().extendsBy.reset();
    for (const char* side : {"width", "depth"}) piece.doubts.erase(side);
    const auto with = withPiece(bare_, piece);
    if (!with) return std::nullopt;
    // The table alone first: chairs make the check dear.
    if (breaks(*with)) return std::nullopt;
    IdSource ids(1'000'000'000);
    const auto set = withChairsSet(*with, scheme_, table_, std::nullopt, ids);
    if (!set || breaks(*set)) return std::nullopt;
    DiningSize out{shape, width, depth, chairsAt(*set, scheme_, table_), {}, 0};
    for (const auto& [wall, left] : figuresOf(*set, book_, scheme_, format_, with_).freeWall)
      if (left > out.left) {
        out.wall = wall;
        out.left = left;
      }
    return out;
  }
  [[nodiscard]] bool breaks(const Job& job) const {
    const std::vector<Finding> findings = check(job, book_, scheme_, format_, with_);
    return std::any_of(findings.begin(), findings.end(),
                       [&](const Finding& f) { return breaksByWeight(f) && !before_.contains(f.id); });
  }

  const Rulebook& book_;
  SchemeId scheme_;
  PlacementId table_;
  LengthFormat format_;
  CheckWith with_;
  Job bare_;
  std::set<std::string> before_;
  double most_ = 0;
};

}  // namespace

std::vector<DiningSize> diningSizes(const Job& job, const Rulebook& book, const SchemeId& id, const PlacementId& table,
                                    LengthFormat format, const CheckWith& with, const std::stop_token& stop) {
  const Scheme* scheme = findScheme(job, id);
  const Placement* p = scheme != nullptr ? findPlacement(*scheme, table) : nullptr;
  std::vector<DiningSize> out;
  if (p == nullptr || onFloor(p->on) == nullptr || !isDiningTable(pieceOf(job, *p).kind)) return out;
  const Search search(job, book, id, table, format, with);
  for (const Shape shape : {Shape::Rect, Shape::Round, Shape::Oval})
    if (const auto size = search.largest(shape, stop)) out.push_back(*size);
  return out;
}

std::vector<std::string> diningSizeWords(const std::vector<DiningSize>& sizes, LengthFormat format) {
  std::vector<std::string> out;
  for (const DiningSize& size : sizes) {
    std::string words = size.shape == Shape::Round
                            ? "Largest round " + writeLength(size.width, format) + " across"
                            : (size.shape == Shape::Oval ? "Largest oval " : "Largest rectangle ") +
                                  writeLength(size.width, format) + " x " + writeLength(size.depth, format);
    words += " with every clearance, for " + std::to_string(size.seats);
    if (size.left > 0)
      words += "; left for a serving piece: " + writeLength(size.left, format) + " of wall " + size.wall.value;
    out.push_back(words + ".");
  }
  return out;
}

}  // namespace mezzet
