#include "core/space/hung.h"

#include <algorithm>
#include <cmath>
#include <numbers>
#include <numeric>

#include "core/model/kinds.h"
#include "core/space/bodies.h"

namespace mezzet {

namespace {

Convex rectangleOf(const WallRect& r) {
  return {{{r.left, r.bottom}, {r.right, r.bottom}, {r.right, r.top}, {r.left, r.top}}, 0};
}

}  // namespace

Parts hungOutline(const Piece& piece, const WallPlace& place) {
  const WallRect r = wallRectOf(piece, place);
  if (piece.shape == Shape::Rect) return {rectangleOf(r)};
  Piece upright;
  upright.shape = piece.shape == Shape::Round || piece.shape == Shape::Oval ? piece.shape : Shape::Rect;
  upright.width = piece.width;
  upright.depth = r.height();
  return footprint(upright, {{place.u, place.v}, 0});
}

HungShape hungShape(const Piece& piece, const WallPlace& place) {
  return {wallRectOf(piece, place), piece.shape == Shape::Rect ? Parts{} : hungOutline(piece, place)};
}

Separation hungGap(const HungShape& one, const HungShape& other) {
  if (!one.curved.empty() || !other.curved.empty()) {
    const auto outline = [](const HungShape& s) { return s.curved.empty() ? Parts{rectangleOf(s.rect)} : s.curved; };
    return separation(outline(one), outline(other));
  }
  const WallRect &a = one.rect, &b = other.rect;
  const double across = std::max(a.left - b.right, b.left - a.right), up = std::max(a.bottom - b.top, b.bottom - a.top);
  // Along an axis: the two facing edges, or the middle of what faces each other.
  const auto along = [](bool edges, double lowA, double highA, double lowB, double highB) {
    if (!edges) {
      const double middle = (std::max(lowA, lowB) + std::min(highA, highB)) / 2;
      return std::pair(middle, middle);
    }
    return lowA - highB > lowB - highA ? std::pair(lowA, highB) : std::pair(highA, lowB);
  };
  const bool apart = across > 0 || up > 0;
  const auto [ax, bx] = along(apart ? across > 0 : across >= up, a.left, a.right, b.left, b.right);
  const auto [ay, by] = along(apart ? up > 0 : up > across, a.bottom, a.top, b.bottom, b.top);
  const double gap = apart ? std::hypot(std::max(0.0, across), std::max(0.0, up)) : std::max(across, up);
  return {gap, {ax, ay}, {bx, by}};
}

double outerArea(const Piece& piece) {
  const WallRect r = wallRectOf(piece, {});
  const bool curved = piece.shape == Shape::Round || piece.shape == Shape::Oval;
  return r.width() * r.height() * (curved ? std::numbers::pi / 4 : 1);
}

WallRect shownRect(const Piece& piece, const WallPlace& place) {
  const WallRect outer = wallRectOf(piece, place);
  double width = outer.width(), height = outer.height();
  if (isScreen(piece.kind)) {
    width = piece.screen->width.value_or(std::max(0.0, width - kScreenEdge));
    height = piece.screen->height.value_or(std::max(0.0, height - kScreenEdge));
  } else {
    width = piece.frame->imageWidth.value_or(width);
    height = piece.frame->imageHeight.value_or(height);
  }
  return {place.u - width / 2, place.u + width / 2, place.v - height / 2, place.v + height / 2};
}

WallRect around(const WallRect& a, const WallRect& b) {
  return {std::min(a.left, b.left), std::max(a.right, b.right), std::min(a.bottom, b.bottom), std::max(a.top, b.top)};
}

namespace {

struct OnWall {
  const Placement* placement;
  const WallPlace* place;
  const Piece* piece;
  HungShape shape;
};

bool seenAsOne(const OnWall& a, const OnWall& b) {
  if (a.place->wall != b.place->wall) return false;
  if (a.place->group && a.place->group == b.place->group) return true;
  if (a.place->apart || b.place->apart || !gathersOnWall(a.piece->kind) || !gathersOnWall(b.piece->kind)) return false;
  const auto boxOf = [](const WallRect& r) { return Box{{r.left, r.bottom}, {r.right, r.top}}; };
  if (furtherApart(boxOf(a.shape.rect), boxOf(b.shape.rect), kSeenAsOne)) return false;
  // Lengths come out of sums: what hangs just that far apart is not nearer.
  constexpr double kRounding = 1e-6;
  return hungGap(a.shape, b.shape).gap < kSeenAsOne - kRounding;
}

}  // namespace

std::vector<Hung> hungIn(const PieceIndex& pieces, const Scheme& scheme) {
  std::vector<OnWall> all;
  for (const Placement& p : scheme.placements) {
    const auto* place = onWall(p.on);
    if (place == nullptr || mountOf(pieces.of(p))) continue;  // lights are no pictures
    all.push_back({&p, place, &pieces.of(p), hungShape(pieces.of(p), *place)});
  }
  std::vector<std::size_t> root(all.size());
  std::iota(root.begin(), root.end(), std::size_t{0});
  const auto find = [&](std::size_t i) {
    while (root[i] != i) i = root[i] = root[root[i]];
    return i;
  };
  for (std::size_t i = 0; i < all.size(); ++i)
    for (std::size_t j = i + 1; j < all.size(); ++j)
      if (const std::size_t a = find(i), b = find(j); a != b && seenAsOne(all[i], all[j]))
        root[std::max(a, b)] = std::min(a, b);
  std::vector<Hung> out;
  std::vector<std::size_t> at(all.size());
  for (std::size_t i = 0; i < all.size(); ++i) {
    const std::size_t first = find(i);
    if (first == i) {
      at[i] = out.size();
      out.push_back({{}, all[i].place->wall, all[i].shape.rect});
    }
    Hung& hung = out[at[first]];
    hung.members.push_back(all[i].placement->id);
    hung.envelope = around(hung.envelope, all[i].shape.rect);
    if (hung.group.empty()) hung.group = all[i].place->group.value_or("");
  }
  for (Hung& hung : out) std::sort(hung.members.begin(), hung.members.end());
  return out;
}

std::optional<Hung> hungWith(const Job& job, const Scheme& scheme, const PlacementId& id) {
  for (Hung& hung : hungIn(job, scheme))
    if (std::find(hung.members.begin(), hung.members.end(), id) != hung.members.end()) return std::move(hung);
  return std::nullopt;
}

WallRect selectedWhole(const Job& job, const Scheme& scheme, const PlacementId& id, std::size_t selected) {
  const Placement& p = *findPlacement(scheme, id);
  const auto hung = selected > 1 ? hungWith(job, scheme, id) : std::nullopt;
  // Frames that climb have a height each.
  const Hang* made = hung && !hung->group.empty() ? findHang(scheme, hung->group) : nullptr;
  const bool climbs = made != nullptr && made->as == HangAs::Stair;
  return hung && !climbs && hung->members.size() == selected ? hung->envelope
                                                             : wallRectOf(pieceOf(job, p), wallPlace(p.on));
}

bool isPictureGroup(const PieceIndex& pieces, const Scheme& scheme, const Hung& hung) {
  return std::any_of(hung.members.begin(), hung.members.end(), [&](const PlacementId& id) {
    const std::string& kind = pieces.of(*findPlacement(scheme, id)).kind;
    return isArt(kind) || isTextile(kind);
  });
}

}  // namespace mezzet
