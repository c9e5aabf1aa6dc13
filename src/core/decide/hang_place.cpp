#include "core/decide/hang_place.h"

#include <algorithm>
#include <cmath>
#include <set>

#include "core/edit/edits.h"
#include "core/edit/hangs.h"
#include "core/hang/free_wall.h"
#include "core/model/kinds.h"
#include "core/rules/art/art_case.h"
#include "core/rules/art/rules.h"
#include "core/rules/base/words.h"
#include "core/site/heights.h"

namespace mezzet {
namespace {

constexpr double kHair = 1e-6;
/// A middle moved by less is where it was.
constexpr double kMoved = 0.5;

/// The envelope of what a match is to be like.
std::optional<WallRect> envelopeOf(const PieceIndex& pieces, const Scheme& scheme, const std::string& like) {
  std::optional<WallRect> out;
  for (const Placement& p : scheme.placements)
    if (const auto* place = onWall(p.on); place != nullptr && (place->group == like || p.id.value == like)) {
      const WallRect r = wallRectOf(pieces.of(p), *place);
      out = out ? around(*out, r) : r;
    }
  return out;
}

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
  if (r.rows < 0 || r.columns < 0 || r.rows > 200 || r.columns > 200)
    return Error{"rows or columns", "are not 0 to 200", "Type how many"};
  if (r.restarts && !(*r.restarts >= 1 && *r.restarts <= 100'000))
    return Error{"restarts", "are not 1 to 100000", "Type how many"};
  if (r.within && !(r.within->right > r.within->left && r.within->top > r.within->bottom))
    return Error{"the region", "has no width or no height", "Type left,right,bottom,top"};
  return std::nullopt;
}

/// The arrangement that all but one of these are in.
const Hang* hangOfAll(const Scheme& scheme, const std::vector<PlacementId>& all, const PlacementId& but) {
  const Hang* out = nullptr;
  for (const PlacementId& p : all) {
    const Placement* placement = p != but ? findPlacement(scheme, p) : nullptr;
    const auto group = placement != nullptr ? groupOf(placement->on) : std::nullopt;
    if (const Hang* made = group ? findHang(scheme, *group) : nullptr) out = made;
  }
  return out;
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

}  // namespace

int usualRestarts(std::size_t frames) { return frames <= 15 ? 100 : frames <= 24 ? 30 : 4; }

Result<HangPlan> hangPlan(const Job& job, const Rulebook& book, const SchemeId& id, const HangRequest& r, IdSource& ids,
                          LengthFormat format, const std::stop_token& stop) {
  const Scheme* scheme = findScheme(job, id);
  if (scheme == nullptr) return Error{"scheme " + id.value, "is not there", "See the ids in job.json"};
  const Room& room = roomOf(job, *scheme);
  if (auto fault = faultOf(job, *scheme, room, r)) return *fault;
  const PieceIndex pieces(job);
  const Wall wall = *findWall(room, r.wall);
  const RoomHeights heights = heightsOf(room);
  const std::vector<Below> candidates = candidatesBelow(job, room, *scheme, wall);
  const std::vector<WallRect> free =
      r.within ? std::vector<WallRect>{*r.within} : freeRectangles(wallFace(job, room, scheme, wall, r.placements));

  HangPlan out;
  out.job = job;
  ArrangementAsk ask{.as = r.as, .frames = {}};
  for (const PlacementId& p : r.placements) {
    const Piece& piece = pieces.of(*findPlacement(*scheme, p));
    const WallRect rect = wallRectOf(piece, {});
    ask.frames.push_back({p.value, rect.width(), rect.height()});
  }
  ask.gap = r.gap;
  ask.rows = r.rows;
  ask.columns = r.columns;
  ask.line = r.line;
  ask.ratio = r.ratio;
  ask.restarts = r.restarts.value_or(usualRestarts(ask.frames.size()));
  ask.seed = r.seed;
  if (r.as == HangAs::Match)
    if (const auto like = envelopeOf(pieces, *scheme, r.like)) {
      ask.matchWidth = like->width();
      ask.matchHeight = like->height();
    }
  // The shape of what is free decides the wished one of a salon, so it is known first.
  Spot spot = spotFor(free, candidates, 0, 0);
  ask.roomWidth = spot.region.width();
  ask.roomHeight = spot.region.height();
  Arrangement a = arranged(ask, format, stop);
  if (a.made && !a.fits()) {
    if (const Spot other = spotFor(free, candidates, a.width, a.height); other.region.left != spot.region.left ||
                                                                         other.region.bottom != spot.region.bottom ||
                                                                         other.region.right != spot.region.right) {
      spot = other;
      ask.roomWidth = spot.region.width();
      ask.roomHeight = spot.region.height();
      if (!ask.ratio) ask.ratio = a.width / a.height;
      a = arranged(ask, format, stop);
    }
  }
  out.says = a.unmet;
  out.restarts = a.restarts;
  out.shortWidth = a.shortWidth;
  out.shortHeight = a.shortHeight;
  if (!a.fits()) return out;

  // Along the wall: over the middle of what is below, as near as the free wall lets it.
  const WallRect& region = spot.region;
  // What is narrower than the whole is not what it hangs over.
  const bool over = spot.over && a.width <= spot.over->right - spot.over->left + kHair;
  const double wished = r.middle ? *r.middle : over ? spot.over->middles.front() : (region.left + region.right) / 2;
  const double u =
      std::clamp(wished, region.left + a.width / 2, std::max(region.left + a.width / 2, region.right - a.width / 2));
  if (std::abs(u - wished) > kMoved)
    out.says.push_back("Its middle is " + writeLength(std::abs(u - wished), format) +
                       " off the wished one: there is no free wall.");

  // Up the wall: by the rules of pictures, as near as the free wall lets it.
  WallRect whole{u - a.width / 2, u + a.width / 2, region.bottom, region.bottom + a.height};
  Hung hung{r.placements, r.wall, {whole.left, whole.right, region.top - a.height, region.top}, ""};
  std::sort(hung.members.begin(), hung.members.end());
  const auto below = belowOf(candidates, hung.envelope);
  const ArtAsks asks = hung.members.empty() ? ArtAsks{} : artAsks(job, pieces, room, *scheme, hung, below);
  const Piece& first = pieces.of(*findPlacement(*scheme, hung.members.front()));
  const double floor = heights.floorAt(onWall(wall, u));
  double v = region.centreHeight();
  const Rule* centreRule = findRule(book, std::string(kArtCentre));
  const Rule* gapRule = findRule(book, std::string(kArtGap));
  ArtQuestion question;
  question.frame = a.height;
  question.top = below && below->top ? *below->top - floor : 0;
  if (centreRule != nullptr && asks.centre)
    if (const Asked asked = askedOf(*centreRule, job, first); asked.missing.empty()) question.centre = asked.tolerated;
  if (gapRule != nullptr && asks.gap && below->top)
    if (const Asked asked = askedOf(*gapRule, job, first, asks.gapCases); asked.missing.empty())
      question.gap = asked.tolerated;
  const bool asked = question.centre.low || question.centre.high || question.gap.low || question.gap.high;
  if (asked) {
    const ArtSolution solved = solveArt(question);
    v = solved.centre + floor;
    if (!solved.both)
      out.says.push_back("Height and gap cannot both hold: each is out by " +
                         writeLength(std::max(solved.shortCentre, solved.shortGap), format) + ".");
  }
  const double least = region.bottom + a.height / 2, most = std::max(least, region.top - a.height / 2);
  if (v < least - kMoved || v > most + kMoved)
    out.says.push_back("It hangs " + writeLength(std::abs(v - std::clamp(v, least, most)), format) +
                       (v < least ? " higher" : " lower") + " than wished: there is no free wall.");
  v = std::clamp(v, least, most);
  whole.bottom = v - a.height / 2;
  whole.top = v + a.height / 2;

  // One group: the one they are all in and nothing else is, else a fresh one.
  std::string group;
  for (const PlacementId& p : r.placements) {
    const auto own = groupOf(findPlacement(*scheme, p)->on);
    if (p == r.placements.front()) group = own.value_or("");
    else if (own != group) group.clear();
  }
  if (group.empty() || membersOf(*scheme, group).size() != r.placements.size())
    group = r.placements.size() > 1 ? ids.take<PlacementId>("g").value : "";
  for (std::size_t i = 0; i < r.placements.size(); ++i) {
    WallPlace place{r.wall, whole.left + a.centres[i].x, whole.bottom + a.centres[i].y, std::nullopt};
    if (!group.empty()) place.group = group;
    out.places.emplace_back(r.placements[i], place);
    out.job = placed(out.job, id, r.placements[i], place);
  }
  std::sort(out.places.begin(), out.places.end(), [](const auto& x, const auto& y) { return x.first < y.first; });
  if (!group.empty()) {
    Hang made{group,
              r.as,
              r.gap,
              r.rows,
              r.columns,
              r.line,
              r.as == HangAs::Match ? r.like : std::string(),
              static_cast<long long>(r.seed)};
    out.job = withHang(out.job, id, std::move(made));
  }
  out.fits = true;
  out.envelope = whole;
  const Scheme& hungScheme = *findScheme(out.job, id);
  out.pairs = spanningPairs(PieceIndex(out.job), hungScheme, hung.members);
  double area = 0;
  for (const PlacementId& p : r.placements) area += outerArea(pieces.of(*findPlacement(*scheme, p)));
  out.fill = area / (whole.width() * whole.height());
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
  return r;
}

Result<HungTogether> withHungTogether(const Job& job, const Rulebook& book, const SchemeId& id, const CornerId& wall,
                                      const PieceId& piece, int count, HangAs as, std::optional<double> gap,
                                      IdSource& ids, LengthFormat format) {
  HangRequest r;
  r.wall = wall;
  r.as = as;
  r.gap = gap;
  Job with = job;
  for (int i = 0; i < count; ++i) {
    r.placements.push_back(ids.take<PlacementId>("p"));
    with = withPlacement(with, id, {r.placements.back(), piece, WallPlace{wall, 0, 0, std::nullopt}, {}});
  }
  auto plan = hangPlan(with, book, id, r, ids, format);
  if (!plan) return plan.error();
  if (!plan->fits) {
    std::string why;
    for (const std::string& one : plan->says) why += (why.empty() ? "" : " ") + one;
    while (!why.empty() && why.back() == '.') why.pop_back();
    return Error{"", why, "Take another wall, fewer, or a smaller gap"};
  }
  return HungTogether{std::move(plan->job), r.placements.front()};
}

std::optional<DroppedOver> withDroppedOver(const Job& job, const Rulebook& book, const SchemeId& id,
                                           const CornerId& wallId, const PieceId& pieceId, Vec2 at, IdSource& ids,
                                           LengthFormat format) {
  const Scheme* scheme = findScheme(job, id);
  const Piece* piece = findPiece(job, pieceId);
  const auto wall = scheme != nullptr ? findWall(roomOf(job, *scheme), wallId) : std::nullopt;
  if (!wall || piece == nullptr || !piece->height || !gathersOnWall(piece->kind)) return std::nullopt;
  const Room& room = roomOf(job, *scheme);
  const PieceIndex pieces(job);
  for (const Below& below : candidatesBelow(job, room, *scheme, *wall)) {
    if (below.row == BelowRow::None || !below.top || at.x < below.left || at.x > below.right || at.y < *below.top)
      continue;
    // What hangs over it already makes room, and hangs in one row with it.
    HangRequest r;
    for (const Placement& p : scheme->placements) {
      const auto* place = onWall(p.on);
      if (place != nullptr && place->wall == wallId && !p.locked && gathersOnWall(pieces.of(p).kind) &&
          place->u >= below.left && place->u <= below.right && place->v > *below.top)
        r.placements.push_back(p.id);
    }
    const auto region = freeAbove(wallFace(job, room, scheme, *wall, r.placements), std::max(0.0, below.left),
                                  std::min(wall->length(), below.right), *below.top);
    if (!region || at.y > region->top || at.x < region->left || at.x > region->right) continue;
    const PlacementId fresh = ids.take<PlacementId>("p");
    const Job with = withPlacement(job, id, {fresh, pieceId, WallPlace{wallId, at.x, at.y, std::nullopt}, {}});
    r.placements.push_back(fresh);
    r = requestFor(*findScheme(with, id), r.placements, wallId, HangAs::Row);
    r.within = region;
    r.middle = below.middles.front();
    if (const Hang* made = r.placements.size() > 2 ? hangOfAll(*scheme, r.placements, fresh) : nullptr) {
      if (made->as != HangAs::Row) continue;  // what was arranged otherwise stays so
      r.gap = made->gap;
    }
    auto plan = hangPlan(with, book, id, r, ids, format);
    if (plan && plan->fits) return DroppedOver{std::move(plan->job), fresh, *region};
  }
  return std::nullopt;
}

Job hungAgain(const Job& job, const Rulebook& book, const SchemeId& id, const std::string& group, LengthFormat format) {
  const Scheme* scheme = findScheme(job, id);
  const Hang* made = scheme != nullptr ? findHang(*scheme, group) : nullptr;
  if (made == nullptr || made->as == HangAs::Free || made->as == HangAs::Stair) return job;
  const std::vector<PlacementId> members = membersOf(*scheme, group);
  if (members.size() < 2) return job;
  const PieceIndex pieces(job);
  std::optional<WallRect> was;
  CornerId wall;
  for (const PlacementId& p : members) {
    const Placement& placement = *findPlacement(*scheme, p);
    const WallRect rect = wallRectOf(pieces.of(placement), wallPlace(placement.on));
    was = was ? around(*was, rect) : rect;
    wall = wallPlace(placement.on).wall;
  }
  HangRequest r = requestFor(*scheme, members, wall, made->as);
  r.gap = made->gap;
  r.rows = made->rows;
  r.columns = made->columns;
  if (r.rows * r.columns != static_cast<int>(members.size())) r.rows = r.columns = 0;
  r.line = made->line;
  r.like = made->like;
  r.seed = static_cast<std::uint64_t>(made->seed);
  r.middle = (was->left + was->right) / 2;
  IdSource unused(1);
  const auto plan = hangPlan(job, book, id, r, unused, format);
  return plan && plan->fits ? plan->job : job;
}

Job hangsSettled(const Job& before, Job after, const Rulebook& book, LengthFormat format) {
  const auto frameOf = [](const Job& job, const PlacementId& p, const Scheme& scheme) {
    const WallRect r = wallRectOf(pieceOf(job, *findPlacement(scheme, p)), {});
    return std::pair(r.width(), r.height());
  };
  for (std::size_t i = 0; i < after.schemes.size(); ++i) {
    const Shared<Scheme> scheme = after.schemes[i];
    const Scheme* old = findScheme(before, scheme->id);
    if (old == nullptr || scheme->hangs.empty()) continue;
    for (const Hang& hang : scheme->hangs) {
      const Hang* was = findHang(*old, hang.id);
      if (was == nullptr || *was != hang) continue;  // it was made just now
      const std::vector<PlacementId> members = membersOf(*scheme, hang.id), others = membersOf(*old, hang.id);
      std::set<PlacementId> now(members.begin(), members.end()), then(others.begin(), others.end());
      const bool changed = now != then || std::any_of(now.begin(), now.end(), [&](const PlacementId& p) {
                             return frameOf(after, p, *scheme) != frameOf(before, p, *old);
                           });
      if (changed) after = hungAgain(after, book, scheme->id, hang.id, format);
    }
  }
  return after;
}

}  // namespace mezzet
