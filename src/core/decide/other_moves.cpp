#include "core/decide/other_moves.h"

#include <algorithm>
#include <cmath>

#include "core/edit/edits.h"
#include "core/model/kinds.h"
#include "core/rules/base/names.h"
#include "core/space/tapes.h"

namespace mezzet {
namespace {

/// What is a change of the plan, not a movement, comes after what moves: other goods, then nothing at all.
constexpr double kAnotherPiece = 30 * kInch, kNothing = 60 * kInch;

class Moves {
 public:
  Moves(Trial& trial, const Job& job, const Scheme& scheme, LengthFormat format, IdSource ids)
      : trial_(trial), job_(job), scheme_(scheme), names_(job, scheme), format_(format), ids_(ids) {}

  void of(const Placement& p) {
    const Piece& piece = pieceOf(job_, p);
    if (p.optional)
      offer("leave-out:" + p.id.value, "Leave " + names_.the(p.id) + " out", withoutPlacement(job_, scheme_.id, p.id),
            p, kNothing);
    if (p.locked || onFloor(p.on) == nullptr) return;
    if (piece.shape == Shape::L) otherHand(p, piece);
    backToWall(p, piece);
    if (!piece.shop->owned && !isRug(piece.kind)) resized(p, piece);
  }
  [[nodiscard]] std::vector<MoveCandidate> taken() { return std::move(out_); }

 private:
  /// Whether the target holds then.
  bool offer(std::string id, std::string sentence, Job after, const Placement& p, double moved) {
    const Outcome then = trial_(after);
    if (!then.holds) return false;
    MoveCandidate one;
    one.way = {std::move(id), std::move(sentence), trial_.gives(then), std::move(after), ids_.next()};
    one.moved = moved;
    one.movers = {p.id};
    out_.push_back(std::move(one));
    return true;
  }
  /// The placement with another piece in its place; absent when that piece is not sound.
  [[nodiscard]] std::optional<Job> asVariant(const Placement& p, Piece piece, IdSource& ids) const {
    piece.variantOf = piece.variantOf.value_or(piece.id);
    piece.id = ids.take<PieceId>("piece");
    piece.count = 1;
    const auto with = withPiece(job_, piece);
    if (!with) return std::nullopt;
    return repointed(*with, scheme_.id, p.id, piece.id);
  }
  void otherHand(const Placement& p, const Piece& piece) {
    Piece other = piece;
    const bool left = piece.limbs->hand == Hand::Left;
    other.limbs.edit().hand = left ? Hand::Right : Hand::Left;
    const IdSource before = ids_;
    if (auto job = asVariant(p, std::move(other), ids_))
      offer("hand:" + p.id.value, "Take " + names_.the(p.id) + " with its return on the " + (left ? "right" : "left"),
            std::move(*job), p, kAnotherPiece);
    ids_ = before;
  }
  void backToWall(const Placement& p, const Piece& piece) {
    if (isDiningSeat(piece.kind) || isLowTable(piece.kind) || isDiningTable(piece.kind)) return;
    const auto back = tapeOf(job_, scheme_, p.id, Side::Back);
    if (!back || back->hits.of != Thing::Of::Wall || back->length < kTouch) return;
    offer("to-wall:" + p.id.value, "Move " + names_.the(p.id) + " back to wall " + back->hits.id,
          placed(job_, scheme_.id, p.id, placeReading(p.on, *back, 0)), p, back->length);
  }
  void resized(const Placement& p, const Piece& piece) {
    const double step = job_.units == Unit::Inch ? kInch : 10;
    const bool round = piece.shape == Shape::Round;
    for (const bool width : {true, false}) {
      if (!width && (round || !piece.depth)) continue;
      // A larger top may serve a seat; nobody buys a deeper chair to reach a table.
      const bool grows = isSurface(piece.kind) || isLowTable(piece.kind) || isDiningTable(piece.kind);
      for (const double sign : {-1.0, 1.0}) {
        if (sign > 0 && !grows) continue;
        const double now = width ? piece.width : *piece.depth;
        for (int i = 1; i * step <= kMostResized && !trial_.over(); i = i < 4 ? i + 1 : i + 2) {
          const double size = sign < 0 ? std::ceil(now / step - 1e-6) * step - i * step
                                       : std::floor(now / step + 1e-6) * step + i * step;
          if (size < 6 * kInch || std::abs(size - now) < kTouch) continue;
          Piece other = piece;
          (width ? other.width : *other.depth) = size;
          if (round) other.depth = size;
          other.doubts.erase(width ? "width" : "depth");
          const IdSource before = ids_;
          auto job = asVariant(p, std::move(other), ids_);
          const bool cured = job && offer("size:" + p.id.value + (width ? ":width:" : ":depth:") +
                                              std::to_string(std::lround(size * 10)),
                                          "Take " + names_.the(p.id) + " " + writeLength(size, format_) +
                                              (round   ? " across"
                                               : width ? " wide"
                                                       : " deep"),
                                          std::move(*job), p, kAnotherPiece + std::abs(size - now));
          ids_ = before;
          if (cured) break;
        }
      }
    }
  }

  Trial& trial_;
  const Job& job_;
  const Scheme& scheme_;
  SchemeNames names_;
  LengthFormat format_;
  IdSource ids_;
  std::vector<MoveCandidate> out_;
};

}  // namespace

std::vector<MoveCandidate> otherMoves(Trial& trial, const Finding& target, const Job& job, const Scheme& scheme,
                                      LengthFormat format, const IdSource& ids) {
  Moves moves(trial, job, scheme, format, ids);
  std::vector<std::string> named = target.subjects;
  named.insert(named.end(), target.between.begin(), target.between.end());
  for (const std::string& id : named)
    if (const Placement* p = findPlacement(scheme, PlacementId(id)); p != nullptr && !trial.over()) moves.of(*p);
  return moves.taken();
}

}  // namespace mezzet
