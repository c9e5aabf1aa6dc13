#include "core/decide/hang_place.h"

#include "core/decide/stair_place.h"

#include <algorithm>
#include <cmath>
#include <set>

#include "core/edit/edits.h"
#include "core/edit/hangs.h"
#include "core/hang/free_wall.h"
#include "core/model/kinds.h"
#include "core/rules/art/art_case.h"
#include "core/rules/art/rules.h"
#include "core/rules/base/names.h"
#include "core/rules/base/words.h"
#include "core/site/stair_wall.h"

namespace mezzet {
namespace {

constexpr double kHair = 1e-6;
/// A middle moved by less is where it was.
constexpr double kMoved = 0.5;

std::optional<Error> faultOf(const Job& job, const Scheme& scheme, const Room& room, const HangRequest& r) {
  if (!findWall(room, r.wall))
    return Error{"wall " + r.wall.value, "is none of room " + room.name, "Name it by its letter"};
  std::set<PlacementId> seen;
  for (const PlacementId& id : r.placements) {
    const Placement* p = findPlacement(scheme, id);
    if (p == nullptr) return Error{"placement " + id.value, "is not in this scheme", "See the ids in job.json"};
    if (!seen.insert(id).second) return Error{"placement " + id.value, "is named twice", "Name each once"};
    if (!hangs(pieceOf(job, *p).kind) && onWall(p->on) == nullptr)
      return Error{"placement " + id.value, "does not hang on walls", "Arrange pictures, mirrors, plates and the like"};
    if (mountOf(pieceOf(job, *p)))
      return Error{"placement " + id.value, "is a light", "Arrange pictures, mirrors, plates and the like"};
  }
  const auto bad = [](const std::optional<double>& v, double low) {
    return v && !(std::isfinite(*v) && *v >= low && *v <= kLongestLength);
  };
  if (bad(r.gap, 0)) return Error{"the gap", "is no length from 0", "Type a length"};
  if (bad(r.ratio, 1e-3) || (r.ratio && *r.ratio > 1000)) return Error{"the ratio", "is none", "Type it as 3:2"};
  if (bad(r.middle, 0)) return Error{"the middle", "is no length from 0", "Type a length"};
  if (r.treads < 0 || r.treads > 20)
    return Error{"treads", "are not 0 to 20", "Type how many from one frame to the next"};
  if (r.rows < 0 || r.columns < 0 || r.rows > 200 || r.columns > 200)
    return Error{"rows or columns", "are not 0 to 200", "Type how many"};
  if (r.restarts && !(*r.restarts >= 1 && *r.restarts <= 100'000))
    return Error{"restarts", "are not 1 to 100000", "Type how many"};
  if (r.within && !(r.within->right > r.within->left && r.within->top > r.within->bottom))
    return Error{"the region", "has no width or no height", "Type left,right,bottom,top"};
  return std::nullopt;
}

/// Where the whole goes on the wall: its middle u and v.
struct Spot {
  WallRect region;
  std::optional<Below> over;
};

/// The free rectangle that takes the whole: over a piece at least as wide where one of them does, else the largest that
/// does, else the largest.
Spot spotFor(const std::vector<WallRect>& free, const std::vector<Below>& candidates, double width, double height) {
  const auto takes = [&](const WallRect& r) { return r.width() >= width - kHair && r.height() >= height - kHair; };
  std::vector<Below> real;
  for (const Below& b : candidates)
    if (b.row != BelowRow::None && b.top) real.push_back(b);
  for (const bool fitting : {true, false})
    for (const bool overSomething : {true, false})
      for (const WallRect& r : free) {
        if (fitting && !takes(r)) continue;
        const auto over = belowOf(real, r);
        if (overSomething &&
            !(over && over->top && *over->top <= r.bottom + kHair && over->right - over->left >= width - kHair))
          continue;
        return {r, over};
      }
  return {free.empty() ? WallRect{} : free.front(), std::nullopt};
}

/// What is arranged, before it is known where.
ArrangementAsk askFor(const PieceIndex& pieces, const SchemeNames& names, const Scheme& scheme, const HangRequest& r) {
  ArrangementAsk ask{.as = r.as, .frames = {}};
  for (const PlacementId& p : r.placements) {
    const WallRect rect = wallRectOf(pieces.of(*findPlacement(scheme, p)), {});
    ask.frames.push_back({p.value, rect.width(), rect.height(), names.the(p)});
  }
  ask.gap = r.gap;
  ask.rows = r.rows;
  ask.columns = r.columns;
  ask.line = r.line;
  ask.ratio = r.ratio;
  ask.restarts = r.restarts.value_or(usualRestarts(ask.frames.size()));
  ask.seed = r.seed;
  if (r.as == HangAs::Match)
    if (const auto like = envelopeOf(pieces, scheme, r.like)) {
      ask.matchWidth = like->width();
      ask.matchHeight = like->height();
    }
  return ask;
}

/// Arranged in the free rectangle that takes it.
Arrangement arrangedIn(const std::vector<WallRect>& free, const std::vector<Below>& candidates, ArrangementAsk ask,
                       Spot& spot, LengthFormat format, const std::stop_token& stop) {
  const auto arrangeIn = [&](const Spot& there) {
    spot = there;
    ask.roomWidth = spot.region.width();
    ask.roomHeight = spot.region.height();
    return arranged(ask, format, stop);
  };
  // The shape of what is free decides the wished one of a salon, so it is known first.
  Arrangement a = arrangeIn(spotFor(free, candidates, 0, 0));
  if (!a.made || a.fits()) return a;
  const Spot other = spotFor(free, candidates, a.width, a.height);
  if (other.region.left == spot.region.left && other.region.bottom == spot.region.bottom &&
      other.region.right == spot.region.right)
    return a;
  if (!ask.ratio) ask.ratio = a.width / a.height;
  return arrangeIn(other);
}

/// Along the wall: the middle of the whole over that of what is below, as near as the free wall lets it.
double middleAlong(const HangRequest& r, const Spot& spot, double width, LengthFormat format,
                   std::vector<std::string>& says) {
  const WallRect& region = spot.region;
  // What is narrower than the whole is not what it hangs over.
  const bool over = spot.over && width <= spot.over->right - spot.over->left + kHair;
  const double wished = r.middle ? *r.middle : over ? spot.over->middles.front() : (region.left + region.right) / 2;
  const double least = region.left + width / 2,
               u = std::clamp(wished, least, std::max(least, region.right - width / 2));
  if (std::abs(u - wished) > kMoved)
    says.push_back("Its middle is " + writeLength(std::abs(u - wished), format) +
                   " off the wished one: there is no free wall.");
  return u;
}

/// Up the wall: by the rules of pictures, as near as the free wall lets it. `hung` hangs as high as the region goes.
double middleUp(const Job& job, const Rulebook& book, const Room& room, const Scheme& scheme, const PieceIndex& pieces,
                const std::vector<Below>& candidates, const Hung& hung, const WallRect& region, LengthFormat format,
                std::vector<std::string>& says) {
  const WallRect& e = hung.envelope;
  const auto below = belowOf(candidates, e);
  const ArtAsks asks = artAsks(job, pieces, room, scheme, hung, below);
  const double floor = floorAlong(room, heightsOf(room), *findWall(room, hung.wall), (e.left + e.right) / 2);
  const ArtQuestion question =
      artQuestionOf(job, book, pieces.of(*findPlacement(scheme, hung.members.front())), asks,
                    below && below->top ? std::optional(*below->top - floor) : std::nullopt, e.height())
          .question;
  double v = region.centreHeight();
  if (question.centre.low || question.centre.high || question.gap.low || question.gap.high) {
    const ArtSolution solved = solveArt(question);
    v = solved.centre + floor;
    if (!solved.both)
      says.push_back("Height and gap cannot both hold: each is out by " +
                     writeLength(std::max(solved.shortCentre, solved.shortGap), format) + ".");
  }
  const double least = region.bottom + e.height() / 2, most = std::max(least, region.top - e.height() / 2);
  if (v < least - kMoved || v > most + kMoved)
    says.push_back("It hangs " + writeLength(std::abs(v - std::clamp(v, least, most)), format) +
                   (v < least ? " higher" : " lower") + " than wished: there is no free wall.");
  return std::clamp(v, least, most);
}

/// One group: the one they are all in and nothing else is, else a fresh one; "" of one thing alone.
std::string groupFor(const Scheme& scheme, const std::vector<PlacementId>& placements, IdSource& ids) {
  const auto group = groupOf(findPlacement(scheme, placements.front())->on);
  const bool shared = group && membersOf(scheme, *group).size() == placements.size() &&
                      std::all_of(placements.begin(), placements.end(),
                                  [&](const PlacementId& p) { return groupOf(findPlacement(scheme, p)->on) == group; });
  if (shared) return *group;
  return placements.size() > 1 ? ids.take<PlacementId>("g").value : "";
}

}  // namespace

const Hang* hangAmong(const Scheme& scheme, const std::vector<PlacementId>& all) {
  const Hang* out = nullptr;
  for (const PlacementId& p : all) {
    const auto group = groupOf(findPlacement(scheme, p)->on);
    if (const Hang* made = group ? findHang(scheme, *group) : nullptr) out = made;
  }
  return out;
}

std::optional<WallRect> envelopeOf(const PieceIndex& pieces, const Scheme& scheme, const std::string& like) {
  std::optional<WallRect> out;
  for (const Placement& p : scheme.placements)
    if (const auto* place = onWall(p.on); place != nullptr && (place->group == like || p.id.value == like)) {
      const WallRect r = wallRectOf(pieces.of(p), *place);
      out = out ? around(*out, r) : r;
    }
  return out;
}

int usualRestarts(std::size_t frames) { return frames <= 15 ? 100 : frames <= 24 ? 30 : 4; }

void takeMiddles(HangPlan& out, const Scheme& scheme, const HangRequest& r, const std::vector<Vec2>& middles,
                 IdSource& ids) {
  const std::string group = groupFor(scheme, r.placements, ids);
  const PieceIndex pieces(out.job);
  double area = 0;
  for (std::size_t i = 0; i < r.placements.size(); ++i) {
    WallPlace place{r.wall, middles[i].x, middles[i].y, std::nullopt};
    if (!group.empty()) place.group = group;
    const Piece& piece = pieces.of(*findPlacement(scheme, r.placements[i]));
    const WallRect rect = wallRectOf(piece, place);
    out.envelope = out.envelope ? around(*out.envelope, rect) : rect;
    area += outerArea(piece);
    out.places.emplace_back(r.placements[i], place);
  }
  for (const auto& [p, place] : out.places) out.job = placed(out.job, scheme.id, p, place);
  std::sort(out.places.begin(), out.places.end(), [](const auto& x, const auto& y) { return x.first < y.first; });
  if (!group.empty())
    out.job = withHang(out.job, scheme.id,
                       {.id = group,
                        .as = r.as,
                        .gap = r.gap,
                        .rows = r.rows,
                        .columns = r.columns,
                        .line = r.line,
                        .like = r.as == HangAs::Match ? r.like : std::string(),
                        .seed = static_cast<long long>(r.seed),
                        .treads = r.as == HangAs::Stair ? r.treads : 0});
  out.job = withoutLostHangs(out.job, scheme.id);
  out.fits = true;
  std::vector<PlacementId> members = r.placements;
  std::sort(members.begin(), members.end());
  out.pairs = spanningPairs(PieceIndex(out.job), *findScheme(out.job, scheme.id), members);
  out.fill = area / (out.envelope->width() * out.envelope->height());
}

Result<HangPlan> hangPlan(const Job& job, const Rulebook& book, const SchemeId& id, const HangRequest& r, IdSource& ids,
                          LengthFormat format, const std::stop_token& stop) {
  const Scheme* scheme = findScheme(job, id);
  if (scheme == nullptr) return Error{"scheme " + id.value, "is not there", "See the ids in job.json"};
  const Room& room = roomOf(job, *scheme);
  if (auto fault = faultOf(job, *scheme, room, r)) return *fault;
  const PieceIndex pieces(job);
  const Wall wall = *findWall(room, r.wall);
  const std::vector<Below> candidates = candidatesBelow(job, room, *scheme, wall);
  const ArrangementAsk ask = askFor(pieces, SchemeNames(job, *scheme), *scheme, r);
  if (auto climbing = stairPlan(job, book, *scheme, wall, ask, r, ids, format, stop)) return *std::move(climbing);
  std::vector<double> clears{0};
  if (r.keepClear && !r.within) clears = {kSeenAsOne, r.gap.value_or(kHangGap), 0};

  HangPlan out;
  out.job = job;
  Spot spot;
  Arrangement a;
  for (const double clear : clears) {
    const std::vector<WallRect> free = r.within
                                           ? std::vector<WallRect>{*r.within}
                                           : freeRectangles(wallFace(job, room, scheme, wall, r.placements, clear));
    a = arrangedIn(free, candidates, ask, spot, format, stop);
    if (a.fits() || !a.made) break;
  }
  out.says = a.unmet;
  out.restarts = a.restarts;
  out.shortWidth = a.shortWidth;
  out.shortHeight = a.shortHeight;
  if (!a.fits()) return out;

  const double u = middleAlong(r, spot, a.width, format, out.says);
  WallRect whole{u - a.width / 2, u + a.width / 2, spot.region.top - a.height, spot.region.top};
  Hung hung{r.placements, r.wall, whole, ""};
  std::sort(hung.members.begin(), hung.members.end());
  const double v = middleUp(job, book, room, *scheme, pieces, candidates, hung, spot.region, format, out.says);
  whole.bottom = v - a.height / 2;
  whole.top = v + a.height / 2;

  std::vector<Vec2> middles;
  for (const Vec2 centre : a.centres) middles.push_back(Vec2{whole.left, whole.bottom} + centre);
  takeMiddles(out, *scheme, r, middles, ids);
  return out;
}

HangRequest requestFor(const Scheme& scheme, std::vector<PlacementId> placements, const CornerId& wall, HangAs as) {
  HangRequest r;
  r.wall = wall;
  r.as = as;
  const auto placeOf = [&](const PlacementId& p) {
    const Placement* placement = findPlacement(scheme, p);
    const auto* place = placement != nullptr ? onWall(placement->on) : nullptr;
    return place != nullptr ? *place : WallPlace{};
  };
  const bool rows = as == HangAs::Grid || as == HangAs::Match;
  std::stable_sort(placements.begin(), placements.end(), [&](const PlacementId& a, const PlacementId& b) {
    const WallPlace x = placeOf(a), y = placeOf(b);
    return rows && std::abs(x.v - y.v) > kEqualFrames ? x.v > y.v : x.u < y.u;
  });
  r.placements = std::move(placements);
  const Hang* made = hangAmong(scheme, r.placements);
  if (made == nullptr || made->as != as) return r;
  r.gap = made->gap;
  r.treads = made->treads;
  r.rows = made->rows;
  r.columns = made->columns;
  if (r.rows * r.columns != static_cast<int>(r.placements.size())) r.rows = r.columns = 0;
  r.line = made->line;
  r.like = made->like;
  r.seed = static_cast<std::uint64_t>(made->seed);
  return r;
}

std::vector<MatchModel> matchModels(const Job& job, const Scheme& scheme, const PlacementIds& without,
                                    LengthFormat format) {
  std::vector<MatchModel> out;
  const PieceIndex pieces(job);
  const SchemeNames names(job, scheme);
  for (const Hung& hung : hungIn(pieces, scheme)) {
    const bool art = std::any_of(hung.members.begin(), hung.members.end(), [&](const PlacementId& id) {
      return isArt(pieces.of(*findPlacement(scheme, id)).kind);
    });
    const auto taken = [&](const PlacementId& id) { return has(without, id); };
    if (!art || std::any_of(hung.members.begin(), hung.members.end(), taken)) continue;
    const auto add = [&](const std::string& id, const std::string& what, const WallRect& r) {
      out.push_back({id, what + ", " + writeLength(r.width(), format) + " x " + writeLength(r.height(), format) +
                             ", wall " + hung.wall.value});
    };
    if (!hung.group.empty()) {
      add(hung.group, std::to_string(hung.members.size()) + " hung as one", hung.envelope);
      continue;
    }
    for (const PlacementId& id : hung.members) {
      const Placement& p = *findPlacement(scheme, id);
      add(id.value, names.plain(id), wallRectOf(pieces.of(p), *onWall(p.on)));
    }
  }
  return out;
}

}  // namespace mezzet
