#include "core/decide/which_rug.h"

#include <algorithm>
#include <cmath>

#include "core/decide/rug_place.h"
#include "core/edit/edits.h"
#include "core/entry/piece_cell.h"
#include "core/model/kinds.h"
#include "core/rugs/template_rug.h"
#include "core/space/tapes.h"

namespace mezzet {
namespace {

std::string soldWords(const StockRug& sold, Unit unit) {
  const bool inch = unit == Unit::Inch;
  const auto number = [&](double mm) { return numberText(std::round(mm / (inch ? kFoot : 10.0) * 10) / 10, 1); };
  if (sold.round) return number(sold.longSide) + (inch ? " ft round" : " cm round");
  return number(sold.shortSide) + " x " + number(sold.longSide) + (inch ? " ft" : " cm");
}

Piece stockPiece(const StockRug& sold, bool longIsWidth) {
  Piece piece = usualPiece(kFloorRug);
  RugPart& rug = piece.rug.edit();
  rug.soldWidth = longIsWidth ? sold.longSide : sold.shortSide;
  rug.soldDepth = longIsWidth ? sold.shortSide : sold.longSide;
  piece.shape = sold.round ? Shape::Round : Shape::Rect;
  piece.width = *rug.soldWidth - kShortOfTicket;
  piece.depth = *rug.soldDepth - kShortOfTicket;
  for (const char* side : {"width", "depth"})
    piece.doubts[side] = {DimensionSource::Ticket, usualDoubt(kFloorRug, DimensionSource::Ticket)};
  return piece;
}

/// The four tapes of a rug laid there, to walls only; infinite where no wall faces a side.
std::vector<std::optional<double>> bordersAt(const Situation& s, Piece piece, const FloorPlace& at) {
  IdSource ids(1);
  piece.id = PieceId("which-rug");
  const auto with = withPiece(s.job, piece);
  std::vector<std::optional<double>> out(4);
  if (!with) return out;
  const PlacementId id("which-rug");
  const Job laid = withPlacement(*with, s.scheme.id, {id, piece.id, at, {}});
  for (const Tape& tape : tapesOf(laid, *findScheme(laid, s.scheme.id), id))
    if (tape.hits.of == Thing::Of::Wall && tape.side <= Side::Left)
      out[static_cast<std::size_t>(tape.side)] = tape.length;
  return out;
}

/// One class of feet: the smallest rug of the list for it.
class Chooser {
 public:
  Chooser(const Situation& s, std::vector<NeededFoot> feet, Vec2 middle, double turn, bool longIsWidth, bool rounds)
      : s_(s), ground_(groundOf(s, turn)), turn_(turn), longIsWidth_(longIsWidth), rounds_(rounds) {
    for (NeededFoot& foot : feet) foot.at = rotated(foot.at, ground_.into);
    feet_ = std::move(feet);
    middle_ = rotated(middle, ground_.into);
  }

  [[nodiscard]] std::optional<RugFit> smallest(std::string& none) const {
    std::string smaller;
    for (const StockRug& sold : s_.book.rugs.stock(s_.job.units)) {
      if (sold.round && !rounds_) continue;
      RugFit fit{sold, stockPiece(sold, longIsWidth_), {}, {}, {}};
      const double x = fit.piece.width / 2, y = *fit.piece.depth / 2;
      const RugTrial trial = sold.round ? triedRound(ground_, feet_, x) : triedRect(ground_, feet_, x, y);
      const auto at = nearestFree(trial, middle_);
      if (!at) {
        smaller = whyNot(sold, trial);
        continue;
      }
      fit.at = {rotated(even(*at, fit.piece, trial), ground_.back), turn_};
      for (const auto& border : bordersAt(s_, fit.piece, fit.at))
        if (border) fit.borders.push_back(*border);
      fit.binds = smaller.empty() ? "It is the smallest that is sold." : smaller;
      return fit;
    }
    none = smaller;
    return std::nullopt;
  }

 private:
  /// Slid so that opposite borders are even where the walls are near.
  [[nodiscard]] Vec2 even(Vec2 at, const Piece& piece, const RugTrial& trial) const {
    const auto borders = bordersAt(s_, piece, {rotated(at, ground_.back), turn_});
    const auto side = [&](Side which) { return borders[static_cast<std::size_t>(which)]; };
    const auto offset = [&](Side plus, Side minus) {
      const auto a = side(plus), b = side(minus);
      return a && b && *a <= kEvenBorders && *b <= kEvenBorders ? (*a - *b) / 2 : 0;
    };
    return nearestFree(trial, at + Vec2{offset(Side::Right, Side::Left), offset(Side::Back, Side::Front)}).value_or(at);
  }
  [[nodiscard]] std::string whyNot(const StockRug& sold, const RugTrial& trial) const {
    const std::string size = soldWords(sold, s_.job.units);
    if (!trial.small) return "A rug " + size + " would lie in a leaf's sweep, in a route or against a wall.";
    if (sold.round) return "A rug " + size + " does not take every foot.";
    const auto along = [&](const NeededFoot& f) { return trial.wide ? f.at.x : f.at.y; };
    const auto [least, most] = std::minmax_element(
        feet_.begin(), feet_.end(), [&](const NeededFoot& a, const NeededFoot& b) { return along(a) < along(b); });
    return "A rug " + size + " is too small: from the feet of " + s_.names.the(PlacementId(least->of)) +
           " to those of " + s_.names.the(PlacementId(most->of)) + " it is " +
           writeLength(along(*most) - along(*least), s_.format) + ".";
  }

  const Situation& s_;
  RugGround ground_;
  std::vector<NeededFoot> feet_;
  Vec2 middle_;
  double turn_;
  bool longIsWidth_, rounds_;
};

/// The group as the question sees it.
struct Members {
  std::vector<const Placement*> pieces;  ///< seats and low tables
  const Placement* table = nullptr;      ///< a dining table
  std::vector<DiningSeat> chairs;
};
Members membersOf(const Situation& s, const PlacementIds& group) {
  Members out;
  const auto named = [&](const PlacementId& id) { return std::find(group.begin(), group.end(), id) != group.end(); };
  for (const Placement& p : s.scheme.placements) {
    if (!named(p.id) || onFloor(p.on) == nullptr) continue;
    const std::string& kind = s.pieces.of(p).kind;
    if (isSeat(kind) || isLowTable(kind)) out.pieces.push_back(&p);
    if (isDiningTable(kind) && out.table == nullptr) out.table = &p;
  }
  if (out.table == nullptr) return out;
  bool some = false;
  for (const DiningSeat& seat : s.dining()) some = some || (seat.table == out.table && named(seat.chair->id));
  for (const DiningSeat& seat : s.dining())
    if (seat.table == out.table && (!some || named(seat.chair->id))) out.chairs.push_back(seat);
  return out;
}

Vec2 middleOf(const std::vector<Parts>& bodies, double turn) {
  std::optional<Box> box;
  for (const Parts& body : bodies) {
    Parts own = body;
    for (Convex& part : own)
      for (Vec2& p : part.core) p = rotated(p, turnOf(-turn));
    const Box b = boundsOf(own);
    if (!box) box = b;
    box->low = {std::min(box->low.x, b.low.x), std::min(box->low.y, b.low.y)};
    box->high = {std::max(box->high.x, b.high.x), std::max(box->high.y, b.high.y)};
  }
  return rotated(midpoint(box->low, box->high), turnOf(turn));
}

}  // namespace

std::optional<WhichRug> whichRug(const Job& job, const Rulebook& book, const SchemeId& scheme,
                                 const PlacementIds& group, LengthFormat format, const CheckWith& with) {
  const Situation s(job, book, *findScheme(job, scheme), format, with);
  const Members members = membersOf(s, group);
  if (members.table == nullptr && members.pieces.empty()) return std::nullopt;
  WhichRug out;
  out.dining = members.table != nullptr;
  std::vector<Parts> bodies;
  std::vector<NeededFoot> front, all;
  double turn = 0;
  bool longIsWidth = true, rounds = false;
  Vec2 middle;
  if (out.dining) {
    const Piece& table = s.pieces.of(*members.table);
    const FloorPlace& place = floorPlace(members.table->on);
    turn = place.turn;
    longIsWidth = table.width >= table.depth.value_or(table.width);
    rounds = table.shape == Shape::Round;
    middle = place.at;
    bodies.push_back(footprint(table, place));
    for (const Vec2 foot : feetOf(table, place)) all.push_back({foot, members.table->id.value});
    for (const DiningSeat& seat : members.chairs) {
      const Piece& chair = s.pieces.of(*seat.chair);
      const FloorPlace there = staysPut(chair.kind) ? floorPlace(seat.chair->on) : pulledOut(s.pieces, seat);
      bodies.push_back(footprint(chair, there));
      for (const Vec2 foot : feetOf(chair, there)) all.push_back({foot, seat.chair->id.value});
    }
    front = all;
  } else {
    const Placement* main = members.pieces.front();
    for (const Placement* p : members.pieces) {
      const Piece& piece = s.pieces.of(*p);
      const bool better = std::pair(isSeat(piece.kind), piece.width) >
                          std::pair(isSeat(s.pieces.of(*main).kind), s.pieces.of(*main).width);
      if (better) main = p;
      rounds = rounds || (isLowTable(piece.kind) && piece.shape == Shape::Round);
      bodies.push_back(footprint(piece, floorPlace(p->on)));
      const std::vector<Vec2> feet = feetOf(piece, floorPlace(p->on));
      for (std::size_t i = 0; i < feet.size(); ++i) {
        if (i < 2) front.push_back({feet[i], p->id.value});
        all.push_back({feet[i], p->id.value});
      }
    }
    turn = floorPlace(main->on).turn;
    middle = middleOf(bodies, turn);
  }
  out.front = Chooser(s, front, middle, turn, longIsWidth, rounds).smallest(out.none);
  out.all = out.dining ? out.front : Chooser(s, all, middle, turn, longIsWidth, rounds).smallest(out.none);
  out.cut = templateRug(s.room, bodies);
  return out;
}

std::vector<std::string> whichRugWords(const WhichRug& which, Unit unit, LengthFormat format) {
  std::vector<std::string> out;
  const auto add = [&](const char* what, const RugFit& fit) {
    std::string words =
        std::string(what) + ": " + soldWords(fit.sold, unit) + ", actually " + writeLength(fit.piece.width, format);
    if (!fit.sold.round) words += " x " + writeLength(fit.piece.depth.value_or(0), format);
    if (!fit.borders.empty()) {
      words += ", with ";
      for (std::size_t i = 0; i < fit.borders.size(); ++i)
        words += (i == 0 ? "" : i + 1 == fit.borders.size() ? " and " : ", ") + writeLength(fit.borders[i], format);
      words += " to the walls";
    }
    out.push_back(words + ". " + fit.binds);
  };
  if (which.front) add(which.dining ? "For every chair pulled out" : "For the front feet", *which.front);
  if (which.all && !which.dining) add("For all feet", *which.all);
  if (which.none.empty()) return out;
  out.push_back((which.front ? "None that is sold takes all feet. " : "None that is sold takes them. ") + which.none);
  out.emplace_back(which.cut.empty() ? "No template fits either." : "A rug cut to a template follows the group.");
  return out;
}

PlacementIds rugGroupOf(const Job& job, const SchemeId& id, const PlacementIds& selected) {
  const Scheme* scheme = findScheme(job, id);
  if (scheme == nullptr || selected.size() != 1) return selected;
  const PieceIndex pieces(job);
  for (const DiningSeat& seat : diningSeatsIn(pieces, *scheme))
    if (seat.chair->id == selected.front()) return {seat.table->id};
  const std::vector<Serving> servings = servingsIn(pieces, *scheme);
  for (const TalkGroup& group : talkGroupsIn(pieces, servings)) {
    PlacementIds out;
    bool here = false;
    const auto add = [&](const Placement* p) {
      if (p == nullptr || std::find(out.begin(), out.end(), p->id) != out.end()) return;
      out.push_back(p->id);
      here = here || p->id == selected.front();
    };
    for (const Placement* seat : group.seats) add(seat);
    for (const Serving& serving : servings)
      if (sitsIn(group, serving.seat->id.value)) add(serving.table);
    if (here) return out;
  }
  return selected;
}

Result<Job> withRugLaid(const Job& job, const SchemeId& scheme, Piece piece, const FloorPlace& at, IdSource& ids,
                        PlacementId& placed) {
  IdSource taken = ids;
  piece.id = taken.take<PieceId>("rug");
  auto with = withPiece(job, piece);
  if (!with) return with.error();
  placed = taken.take<PlacementId>("p");
  ids = taken;
  return withPlacement(*with, scheme, {placed, piece.id, at, {}});
}

}  // namespace mezzet
