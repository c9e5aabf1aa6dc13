#include "core/hang/leaning.h"

#include <algorithm>
#include <cmath>
#include <numbers>

#include "core/base/sentence.h"
#include "core/edit/edits.h"
#include "core/edit/hangs.h"
#include "core/hang/art_solver.h"
#include "core/hang/hooks.h"
#include "core/model/kinds.h"
#include "core/site/heights.h"
#include "core/space/below.h"

namespace mezzet {
namespace {

/// Furniture further off the wall than this leaves nothing for a foot to stand on at the wall [D].
constexpr double kStandsAgainst = 3 * kInch;

}  // namespace

double shareFree(const WallRect& face, const std::vector<WallRect>& before) {
  const double whole = face.width() * face.height();
  if (whole <= 0) return 1;
  // Cut into columns at every upright edge: in each the covered heights are a union of intervals.
  std::vector<double> edges{face.left, face.right};
  for (const WallRect& r : before)
    for (const double u : {r.left, r.right})
      if (u > face.left && u < face.right) edges.push_back(u);
  std::sort(edges.begin(), edges.end());
  double covered = 0;
  for (std::size_t i = 0; i + 1 < edges.size(); ++i) {
    const double middle = (edges[i] + edges[i + 1]) / 2;
    std::vector<std::pair<double, double>> spans;
    for (const WallRect& r : before)
      if (r.left < middle && r.right > middle)
        spans.emplace_back(std::max(r.bottom, face.bottom), std::min(r.top, face.top));
    std::sort(spans.begin(), spans.end());
    double reached = face.bottom, sum = 0;
    for (const auto& [low, high] : spans) {
      sum += std::max(0.0, high - std::max(low, reached));
      reached = std::max(reached, high);
    }
    covered += sum * (edges[i + 1] - edges[i]);
  }
  return 1 - covered / whole;
}

double frictionNeeded(double degrees) { return std::tan(degrees * std::numbers::pi / 180) / 2; }

double leanAt(double height, double degrees) { return height * std::sin(degrees * std::numbers::pi / 180); }

bool leansHeavily(const Piece& piece) {
  const auto weight = weightOf(piece);
  return piece.height.value_or(0) >= kLeansTall || (weight && weight->kg >= kLeansHeavy);
}

std::vector<LeaningFace> leaningFaces(const PieceIndex& pieces, const Room& room, const Scheme& scheme,
                                      const CornerId& wallId) {
  std::vector<LeaningFace> out;
  const auto wall = findWall(room, wallId);
  if (!wall) return out;
  const RoomHeights heights = heightsOf(room);
  for (const Placement& p : scheme.placements) {
    const auto* place = leaning(p.on);
    if (place == nullptr || place->wall != wallId) continue;
    WallRect face = leaningRectOf(pieces.of(p), *place);
    const double floor = heights.floorAt(inFrontOf(*wall, place->u));
    face.bottom += floor;
    face.top += floor;
    out.push_back({&p, face, 1});
  }
  // Those behind first: so they are drawn, and so each is covered by what follows.
  std::stable_sort(out.begin(), out.end(), [](const LeaningFace& a, const LeaningFace& b) {
    return leaning(a.placement->on)->lean < leaning(b.placement->on)->lean;
  });
  for (std::size_t i = 0; i < out.size(); ++i) {
    std::vector<WallRect> before;
    for (std::size_t j = i + 1; j < out.size(); ++j)
      if (leaning(out[j].placement->on)->lean > leaning(out[i].placement->on)->lean) before.push_back(out[j].face);
    out[i].seen = shareFree(out[i].face, before);
  }
  return out;
}

std::vector<std::string> leaningWords(const Job& job, const Piece& piece, const LeaningPlace& place) {
  const double degrees = leanAngle(piece, place);
  const auto tenths = [](double v, int places) {
    const double by = std::pow(10, places);
    const long long whole = std::llround(v * by);
    std::string rest = std::to_string(whole % static_cast<long long>(by));
    rest.insert(0, static_cast<std::size_t>(places) - rest.size(), '0');
    return std::to_string(whole / static_cast<long long>(by)) + "." + rest;
  };
  std::vector<std::string> out;
  out.push_back("It leans " + tenths(degrees, 1) + " degrees; its foot needs a friction of " +
                tenths(frictionNeeded(degrees), 3) + ".");
  if (job.brief.children) out.emplace_back("Children: a stop, a non-slip strip, and always a tether to the wall.");
  else if (leansHeavily(piece)) out.emplace_back("A stop and a non-slip strip at its foot, and a tether to the wall.");
  else out.emplace_back("A lip or a non-slip strip keeps its foot.");
  return out;
}

Job leanedOrHung(const Job& job, const SchemeId& id, const PlacementId& placement) {
  const Scheme* scheme = findScheme(job, id);
  const Placement* p = scheme != nullptr ? findPlacement(*scheme, placement) : nullptr;
  if (p == nullptr) return job;
  const Room& room = roomOf(job, *scheme);
  Placement changed = *p;
  if (const auto* hung = onWall(p->on)) {
    const double height = pieceOf(job, *p).height.value_or(0);
    if (height <= 0) return job;
    const Footing foot = footingAt(job, room, *scheme, hung->wall, hung->u);
    changed.on = LeaningPlace{hung->wall, hung->u, foot.height, kUsualLean * height, foot.carrier};
    changed.asHung.reset();
  } else if (const auto* leans = leaning(p->on)) {
    WallPlace up{leans->wall, leans->u, 0, std::nullopt};
    up.v = floorUnder(room, up) + kUsualCentre;
    changed.on = up;
  }
  return withoutLostHangs(withPlacement(job, id, std::move(changed)), id);
}

Footing footingAt(const Job& job, const Room& room, const Scheme& scheme, const CornerId& wallId, double u) {
  const auto wall = findWall(room, wallId);
  if (!wall) return {};
  const Below* best = nullptr;
  const std::vector<Below> all = candidatesBelow(job, room, scheme, *wall);
  for (const Below& b : all) {
    const bool top = b.row == BelowRow::Table || b.row == BelowRow::Mantel;
    if (!top || !b.top || u < b.left || u > b.right || b.offWall > kStandsAgainst) continue;
    if (best == nullptr || *b.top > *best->top) best = &b;
  }
  return best == nullptr ? Footing{} : Footing{best->id, *best->top - best->floor};
}

}  // namespace mezzet
