// Things hung as one: the gaps between them; art on walls that are seen together; the shape of the free wall.
#include <algorithm>
#include <cmath>
#include <numbers>
#include <set>

#include "core/hang/free_wall.h"
#include "core/hang/neighbours.h"
#include "core/model/kinds.h"
#include "core/rules/art/art_case.h"
#include "core/rules/art/art_ways.h"
#include "core/rules/art/mirror_views.h"
#include "core/rules/art/rules.h"
#include "core/rules/base/facts.h"

namespace mezzet {
namespace {

/// Frames with both longer sides under the one, or over the other, have gaps of their own [D].
constexpr double kSmallFrame = 8 * kInch, kLargeFrame = 30 * kInch;
/// Walls this far off straight in are seen together from the entry, degrees [D].
constexpr double kSeenTogether = 60;

/// Which of the rule's ranges a gap between two of a group has; "" for the usual one.
std::string gapCase(const Situation& s, const Hung& hung, const HungPair& pair) {
  const Hang* made = hung.group.empty() ? nullptr : findHang(s.scheme, hung.group);
  if (made != nullptr && made->as == HangAs::Stair) return "stair";
  if (made != nullptr && made->as == HangAs::Match) return "match";
  const auto longer = [&](const PlacementId& id) {
    const WallRect r = wallRectOf(s.pieces.of(*findPlacement(s.scheme, id)), {});
    return std::max(r.width(), r.height());
  };
  const double a = longer(pair.a), b = longer(pair.b);
  if (a < kSmallFrame && b < kSmallFrame) return "small";
  if (a > kLargeFrame && b > kLargeFrame) return "large";
  return {};
}

void evaluateGalleryGap(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  for (const Hung& hung : s.hung()) {
    if (hung.members.size() < 2) continue;
    const Piece& first = s.pieces.of(*findPlacement(s.scheme, hung.members.front()));
    const std::vector<HungPair> pairs = spanningPairs(s.pieces, s.scheme, hung.members);
    // Of equal margins the pair of the smaller ids.
    const HungPair* edge = nullptr;
    Asked asked;
    double least = 0;
    for (const HungPair& pair : pairs) {
      const std::string when = gapCase(s, hung, pair);
      const Asked here = askedOf(rule, s.job, first, when.empty() ? std::vector<std::string>{} : std::vector{when});
      const double margin = marginIn(here.tolerated, pair.gap);
      const bool less = edge == nullptr || margin < least - 1e-9 ||
                        (margin < least + 1e-9 && std::pair(pair.a, pair.b) < std::pair(edge->a, edge->b));
      if (!less) continue;
      edge = &pair;
      asked = here;
      least = margin;
    }
    Finding f = findingOf(rule, asked, idsOf(hung));
    f.measured = edge->gap;
    f.at = edge->at;
    f.view = View{hung.wall};
    const auto doubt = [&](const PlacementId& id) {
      return doubtOf(s.pieces.of(*findPlacement(s.scheme, id)), "width") / 2;
    };
    f.u95 = std::hypot(doubt(edge->a), doubt(edge->b));
    decide(f, s.scheme);
    f.between = {edge->a.value, edge->b.value};
    for (const HungPair& pair : pairs) f.pairs.push_back({pair.a.value, pair.b.value, pair.gap});
    const std::string names = s.names.the(edge->a, true) + " and " + s.names.the(edge->b);
    if (f.measured < -0.5) f.sentence = names + " hang over each other by " + writeLength(-f.measured, s.format) + ".";
    else
      f.sentence = names + " hang " + writeLength(std::max(0.0, f.measured), s.format) + " apart" +
                   missWords(f, s.format, "too near", "too far") + ".";
    out.push_back(std::move(f));
  }
}

/// Art of one wall: how much, and where its middle is in the plan.
struct WallArt {
  CornerId wall;
  double area = 0;
  Vec2 sum;                     // u and v, each times the area
  std::set<std::string> names;  // groups and placements
};

std::vector<WallArt> artOnWalls(const Situation& s) {
  std::vector<WallArt> out;
  for (const Placement& p : s.scheme.placements) {
    const auto* place = onWall(p.on);
    if (place == nullptr || !isArt(s.pieces.of(p).kind)) continue;
    auto at = std::find_if(out.begin(), out.end(), [&](const WallArt& w) { return w.wall == place->wall; });
    if (at == out.end()) at = out.insert(out.end(), WallArt{place->wall, 0, {}, {}});
    const double area = outerArea(s.pieces.of(p));
    at->area += area;
    at->sum = at->sum + Vec2{place->u, place->v} * area;
    at->names.insert(p.id.value);
    if (place->group) at->names.insert(*place->group);
  }
  std::sort(out.begin(), out.end(), [](const WallArt& a, const WallArt& b) { return a.wall < b.wall; });
  return out;
}

/// Whether the middle of the art is seen by who comes in, not far off straight in.
bool seenFromEntry(const Situation& s, const WallArt& art) {
  const auto entry = entryEye(s.job, s.room);
  const auto wall = findWall(s.room, art.wall);
  if (!entry || !wall || entry->wall == art.wall) return false;
  const Vec2 middle = art.sum * (1 / art.area), at = inFrontOf(*wall, middle.x);
  if (degreesBetween(entry->into, at - entry->eye.at) > kSeenTogether) return false;
  return sees(entry->eye, at, middle.y, s.occluders());
}

void evaluateBalance(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  const std::vector<WallArt> walls = artOnWalls(s);
  if (walls.size() < 2) return;
  std::vector<bool> seen;
  for (const WallArt& w : walls) seen.push_back(seenFromEntry(s, w));
  const auto tied = [&](const WallArt& a, const WallArt& b) {
    return std::any_of(s.scheme.hangs.begin(), s.scheme.hangs.end(), [&](const Hang& h) {
      return !h.like.empty() && ((a.names.contains(h.id) && b.names.contains(h.like)) ||
                                 (b.names.contains(h.id) && a.names.contains(h.like)));
    });
  };
  for (std::size_t i = 0; i < walls.size(); ++i)
    for (std::size_t j = i + 1; j < walls.size(); ++j) {
      const WallArt &a = walls[i], &b = walls[j];
      if (!tied(a, b) && !(seen[i] && seen[j])) continue;
      Finding f = findingOf(rule, askedOf(rule, s.job), {wallKey(a.wall), wallKey(b.wall)});
      f.measured = std::max(a.area, b.area) / std::min(a.area, b.area);
      const auto middleOf = [&](const WallArt& w) { return onWall(*findWall(s.room, w.wall), w.sum.x / w.area); };
      f.at = {middleOf(a), middleOf(b)};
      decide(f, s.scheme);
      f.marginMm = std::nullopt;
      const bool first = a.area >= b.area;
      const double percent = std::round(100 * (f.measured - 1));
      f.sentence = percent < 1 ? "Walls " + a.wall.value + " and " + b.wall.value + " carry alike much art."
                               : "Wall " + (first ? a : b).wall.value + " carries " +
                                     std::to_string(static_cast<int>(std::min(percent, 9900.0))) +
                                     " % more art than wall " + (first ? b : a).wall.value + ", which is seen with it.";
      out.push_back(std::move(f));
    }
}

void evaluateArtShape(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  for (std::size_t i = 0; i < s.hung().size(); ++i) {
    const Hung& hung = s.hung()[i];
    const auto& below = s.below()[i];
    if (!below || !below->top || !isPictureGroup(s.pieces, s.scheme, hung)) continue;
    if (below->row != BelowRow::Seat && below->row != BelowRow::Table) continue;
    const WallRect& e = hung.envelope;
    if (e.height() <= 0) continue;
    const double wide = below->right - below->left;
    const bool ofTheHouse = std::any_of(std::begin(kHouseSizes), std::end(kHouseSizes), [&](const HouseSize& size) {
      return below->row == BelowRow::Seat && wide >= size.overSeatFrom - kTouch &&
             std::abs(e.width() - size.width) < kTouch && std::abs(e.height() - size.height) < kTouch;
    });
    const Wall wall = *findWall(s.room, hung.wall);
    const auto free = ofTheHouse
                          ? std::nullopt
                          : freeAbove(wallFace(s.job, s.room, &s.scheme, wall, hung.members),
                                      std::max(0.0, below->left), std::min(wall.length(), below->right), *below->top);
    if (!free || free->height() < kLeastFree || free->width() < kLeastFree) continue;
    std::vector<std::string> subjects = idsOf(hung);
    subjects.push_back(below->id);
    Finding f = findingOf(rule, askedOf(rule, s.job, s.pieces.of(*findPlacement(s.scheme, hung.members.front()))),
                          std::move(subjects));
    f.measured = e.width() / e.height() / (free->width() / free->height());
    f.at = {Vec2{free->left, free->bottom}, Vec2{free->right, free->top}};
    f.view = View{hung.wall};
    decide(f, s.scheme);
    f.marginMm = std::nullopt;
    const PictureShape shape = shapeFor(free->width() / free->height());
    const std::string asks = std::to_string(shape.width) + " to " + std::to_string(shape.height);
    f.sentence = "The free wall over " + thingWords(s, below->id) + " is " + writeLength(free->width(), s.format) +
                 " by " + writeLength(free->height(), s.format) + ": it asks for a picture about " + asks +
                 ", width to height" +
                 (f.margin >= 0    ? "."
                  : f.measured > 1 ? "; this one is longer."
                                   : "; this one is taller.");
    out.push_back(std::move(f));
  }
}

constexpr RuleRow kGalleryRows[] = {
    {"gallery-gap", evaluateGalleryGap, waysOutOfGallery},
    {"balance", evaluateBalance},
    {"art-shape", evaluateArtShape},
};

}  // namespace

RuleRows galleryRules() { return kGalleryRows; }

}  // namespace mezzet
