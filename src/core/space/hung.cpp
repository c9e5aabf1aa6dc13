#include "core/space/hung.h"

#include <algorithm>
#include <numbers>
#include <numeric>

#include "core/model/kinds.h"
#include "core/space/bodies.h"

namespace mezzet {

Parts hungOutline(const Piece& piece, const WallPlace& place) {
  const WallRect r = wallRectOf(piece, place);
  if (piece.shape == Shape::Rect)
    return {{{{r.left, r.bottom}, {r.right, r.bottom}, {r.right, r.top}, {r.left, r.top}}, 0}};
  Piece upright;
  upright.shape = piece.shape == Shape::Round || piece.shape == Shape::Oval ? piece.shape : Shape::Rect;
  upright.width = piece.width;
  upright.depth = r.height();
  return footprint(upright, {{place.u, place.v}, 0});
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
  WallRect rect;
};

bool seenAsOne(const OnWall& a, const OnWall& b) {
  if (a.place->wall != b.place->wall) return false;
  if (a.place->group && a.place->group == b.place->group) return true;
  if (a.place->apart || b.place->apart || !gathersOnWall(a.piece->kind) || !gathersOnWall(b.piece->kind)) return false;
  const Box one{{a.rect.left, a.rect.bottom}, {a.rect.right, a.rect.top}},
      other{{b.rect.left, b.rect.bottom}, {b.rect.right, b.rect.top}};
  if (furtherApart(one, other, kSeenAsOne)) return false;
  // Lengths come out of sums: what hangs just that far apart is not nearer.
  constexpr double kRounding = 1e-6;
  return separation(hungOutline(*a.piece, *a.place), hungOutline(*b.piece, *b.place)).gap < kSeenAsOne - kRounding;
}

}  // namespace

std::vector<Hung> hungIn(const PieceIndex& pieces, const Scheme& scheme) {
  std::vector<OnWall> all;
  for (const Placement& p : scheme.placements) {
    const auto* place = onWall(p.on);
    if (place == nullptr || mountOf(pieces.of(p))) continue;  // lights are no pictures
    all.push_back({&p, place, &pieces.of(p), wallRectOf(pieces.of(p), *place)});
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
      out.push_back({{}, all[i].place->wall, all[i].rect});
    }
    Hung& hung = out[at[first]];
    hung.members.push_back(all[i].placement->id);
    hung.envelope = around(hung.envelope, all[i].rect);
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
  return hung && hung->members.size() == selected ? hung->envelope : wallRectOf(pieceOf(job, p), wallPlace(p.on));
}

bool isPictureGroup(const PieceIndex& pieces, const Scheme& scheme, const Hung& hung) {
  return std::any_of(hung.members.begin(), hung.members.end(), [&](const PlacementId& id) {
    const std::string& kind = pieces.of(*findPlacement(scheme, id)).kind;
    return isArt(kind) || isTextile(kind);
  });
}

}  // namespace mezzet
