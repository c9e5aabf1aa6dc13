// Televisions by the eyes of who sits before them; shelves over seats.
#include <algorithm>
#include <cmath>
#include <numbers>

#include "core/model/kinds.h"
#include "core/rules/art/art_ways.h"
#include "core/rules/art/mirror_views.h"
#include "core/rules/art/rules.h"
#include "core/use/seats.h"

namespace mezzet {
namespace {

/// A sitter's head reaches this far above the seat, with room to move; a low shelf may stand this far over the back.
constexpr double kHeadOverSeat = 40 * kInch, kOverBack = 2 * kInch;
/// A shelf within this of the seat's back face is behind the head [D].
constexpr double kShelfReach = 8 * kInch;

/// The lit part of a television: on a wall, or on what it stands on.
struct Lit {
  const Placement* placement;
  Glass glass;
};
std::vector<Lit> screensIn(const Situation& s) {
  std::vector<Lit> out;
  for (const Placement& p : s.scheme.placements) {
    const Piece& piece = s.pieces.of(p);
    if (!isScreen(piece.kind)) continue;
    if (auto glass = glassOf(s.pieces, s.room, p)) {
      out.push_back({&p, std::move(*glass)});
      continue;
    }
    const auto there = standsAt(s.scheme, p);
    if (!there || !piece.height) continue;
    double base = s.heights().floorAt(there->at);
    if (const auto carrier = carrierOf(p.on))
      if (const Placement* under = findPlacement(s.scheme, *carrier)) base += s.pieces.of(*under).height.value_or(0);
    const Turn turn = turnOf(there->turn);
    const double half = shownRect(piece, {}).width() / 2, face = piece.depth.value_or(0) / 2;
    // Its front looks along -y of its own frame.
    out.push_back({&p,
                   {there->at + rotated({-half, -face}, turn), there->at + rotated({half, -face}, turn),
                    rotated({0, -1}, turn), base + *piece.height / 2, p.id.value}});
  }
  return out;
}

std::string notMeasured(const Situation& s, const PlacementId& seat) {
  return "How high one sits on " + s.names.the(seat) + " has not been measured.";
}

void evaluateScreenCentre(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  for (const Lit& screen : screensIn(s))
    for (const Placement* p : s.mainSeats()) {
      const Piece& piece = s.pieces.of(*p);
      const auto high = seatedEye(piece);
      std::optional<Finding> worst;
      for (const SeatPlace& seat : seatPlaces(piece, floorPlace(p->on))) {
        if (!looksAt(seat, screen.glass.middle(), screen.glass.inward)) continue;
        const Vec2 d = screen.glass.middle() - seat.at;
        Finding f = findingOf(rule, askedOf(rule, s.job, piece), {p->id.value, screen.placement->id.value});
        f.at = {seat.at, screen.glass.middle()};
        if (!high) f.missing.push_back(p->piece.value + ".seatHeight");
        else
          f.measured =
              std::atan2(screen.glass.height - s.heights().floorAt(seat.at) - *high, norm(d)) * 180 / std::numbers::pi;
        decide(f, s.scheme);
        f.marginMm = std::nullopt;
        if (!worst || f.margin < worst->margin) worst = std::move(f);
      }
      if (!worst) continue;
      const std::string angle = measureWords(std::abs(worst->measured), Quantity::Angle, s.format);
      worst->sentence = worst->verdict == Verdict::NotMeasured
                            ? notMeasured(s, p->id)
                            : "From " + s.names.the(p->id) + " one looks " + angle +
                                  (worst->measured >= 0 ? " up" : " down") + " to the middle of " +
                                  s.names.the(screen.placement->id) +
                                  (worst->margin >= 0    ? "."
                                   : worst->measured > 0 ? ": it hangs too high."
                                                         : ": it hangs too low.");
      out.push_back(std::move(*worst));
    }
}

void evaluateScreenGlare(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  for (const Lit& screen : screensIn(s))
    for (const Placement* p : s.mainSeats()) {
      const Piece& piece = s.pieces.of(*p);
      const auto high = seatedEye(piece);
      Finding f = findingOf(rule, askedOf(rule, s.job, piece), {p->id.value, screen.placement->id.value});
      if (!high) f.missing.push_back(p->piece.value + ".seatHeight");
      bool any = false;
      std::string window;
      for (const SeatPlace& seat : seatPlaces(piece, floorPlace(p->on))) {
        if (!looksAt(seat, screen.glass.middle(), screen.glass.inward)) continue;
        const MirrorEye seen = seenIn(s, screen.glass, {seat.at, s.heights().floorAt(seat.at) + high.value_or(0)},
                                      p->id.value, p->id.value);
        double share = 0, most = 0;
        std::string largest;
        for (const Shown& one : seen.sees) {
          const Opening* o = one.kind == MetKind::Opening ? findOpening(s.room, OpeningId(one.id)) : nullptr;
          if (o == nullptr || o->kind != OpeningKind::Window) continue;
          share += one.share;
          if (one.share > most) {
            most = one.share;
            largest = one.id;
          }
        }
        if (any && share <= f.measured) continue;
        any = true;
        f.measured = share;
        window = largest;
        f.at = {seat.at, screen.glass.middle()};
      }
      if (!any) continue;
      decide(f, s.scheme);
      f.marginMm = std::nullopt;
      const std::string name = s.names.the(screen.placement->id);
      f.sentence = f.verdict == Verdict::NotMeasured ? notMeasured(s, p->id)
                   : window.empty() ? "From " + s.names.the(p->id) + " no window is mirrored in " + name + "."
                                    : "From " + s.names.the(p->id) + " " + thingWords(s, window) + " is mirrored in " +
                                          measureWords(f.measured, Quantity::Share, s.format) + " of " + name + ".";
      out.push_back(std::move(f));
    }
}

void evaluateShelfOverSeat(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  for (const Placement& shelf : s.scheme.placements) {
    const Piece& board = s.pieces.of(shelf);
    const auto* hung = onWall(shelf.on);
    const auto wall = hung != nullptr && isShelf(board.kind) ? findWall(s.room, hung->wall) : std::nullopt;
    if (!wall) continue;
    const WallRect r = wallRectOf(board, *hung);
    for (const Standing& st : standingAt(s.job, s.scheme, *wall)) {
      const Placement& seat = *s.placement(st.id.value);
      const Piece& piece = s.pieces.of(seat);
      if (!isSeat(piece.kind) && !isDiningSeat(piece.kind)) continue;
      if (std::min(st.right, r.right) - std::max(st.left, r.left) <= kTouch) continue;
      if (board.depth.value_or(kUsualFrameDepth) <= st.offWall + kShelfReach) continue;
      Finding f = findingOf(rule, askedOf(rule, s.job, board), {shelf.id.value, seat.id.value});
      f.view = View{wall->id};
      const double u = (std::max(st.left, r.left) + std::min(st.right, r.right)) / 2;
      if (!piece.seat->height) f.missing.push_back(seat.piece.value + ".seatHeight");
      const double on = st.floor + piece.seat->height.value_or(0),
                   back = st.floor + piece.seat->back.value_or(piece.seat->height.value_or(0));
      const double over = r.bottom - on - kHeadOverSeat, low = back + kOverBack - r.top;
      f.measured = std::max(over, low);
      f.at = {Vec2{u, on}, Vec2{u, r.bottom}};
      f.u95 = std::hypot(doubtOf(piece, "seatHeight"), doubtOf(board, "height") / 2);
      decide(f, s.scheme);
      f.sentence = f.verdict == Verdict::NotMeasured ? notMeasured(s, seat.id)
                   : f.margin >= 0 ? "Heads on " + s.names.the(seat.id) + " clear " + s.names.the(shelf.id) + "."
                                   : "Heads on " + s.names.the(seat.id) + " meet " + s.names.the(shelf.id) +
                                         ": raise it by " + writeLength(-over, s.format) + ".";
      out.push_back(std::move(f));
    }
  }
}

constexpr RuleRow kScreenRows[] = {
    {"screen-centre", evaluateScreenCentre, waysOutOfScreen},
    {"screen-glare", evaluateScreenGlare},
    {"shelf-over-seat", evaluateShelfOverSeat, waysOutOfShelf},
};

}  // namespace

RuleRows screenRules() { return kScreenRows; }

}  // namespace mezzet
