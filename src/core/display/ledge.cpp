#include "core/display/ledge.h"

#include <algorithm>
#include <cmath>

#include "core/display/boards.h"
#include "core/model/kinds.h"
#include "core/site/studs.h"

namespace mezzet {
namespace {

constexpr double kMeets = 2 * kInch;    // ledges whose ends come so near a corner meet there
constexpr double kFromEnd = 1 * kInch;  // no screw nearer to a board's end

/// Where a ledge's screws go on its wall: the studs it meets, or even spaces on a solid wall.
std::vector<LedgeScrew> screwsOf(const Room& room, const Wall& wall, const Placement& p, const Piece& piece,
                                 std::vector<std::string>& words, LengthFormat format) {
  std::vector<LedgeScrew> out;
  const double left = wallPlace(p.on).u - piece.width / 2, right = left + piece.width;
  const auto add = [&](double u, bool stud) { out.push_back({p.id, u - left, u, stud, 0}); };
  const StudRecord* record = studsOf(room, wall.id);
  const auto fit = record != nullptr ? fitStuds(*record, wall.length()) : std::nullopt;
  const Corner* corner = findCorner(room, wall.id);
  const WallMaterial material = corner != nullptr ? corner->material : WallMaterial::Unknown;
  const bool solid = material != WallMaterial::Unknown && material != WallMaterial::BoardOnStuds &&
                     material != WallMaterial::LathAndPlaster;
  if (fit && !solid) {
    for (const Stud& stud : fit->studs)
      if (const double u = wall.length() - stud.along; u >= left + kFromEnd && u <= right - kFromEnd) add(u, true);
    std::sort(out.begin(), out.end(), [](const auto& a, const auto& b) { return a.u < b.u; });
  } else if (solid) {
    // Evenly, the ends over by half a space at most.
    const int count = std::max(2, static_cast<int>(std::ceil(piece.width / kSolidPitch)));
    const double end = std::min(kLedgeOver, piece.width / (2.0 * count));
    for (int i = 0; i < count; ++i) add(left + end + (piece.width - 2 * end) * i / (count - 1), false);
  } else {
    words.push_back("No studs are recorded on wall " + wall.id.value + ": find them first; every screw must meet one.");
  }
  if (out.empty()) return out;
  for (const auto& [over, side] : {std::pair(out.front().u - left, "left"), std::pair(right - out.back().u, "right")})
    if (over > kLedgeOver + 0.01)
      words.push_back("Its " + std::string(side) + " end stands " + writeLength(over, format) +
                      " past the last screw; at most " + writeLength(kLedgeOver, format) +
                      " holds. Shorten it or move it to a stud.");
  return out;
}

}  // namespace

std::optional<Ledge> ledgeOf(const Job& job, const Room& room, const Scheme& scheme, const PlacementId& id,
                             LengthFormat format) {
  const Placement* asked = findPlacement(scheme, id);
  if (asked == nullptr || onWall(asked->on) == nullptr || !isLedge(pieceOf(job, *asked).kind)) return std::nullopt;
  Ledge out;
  std::vector<const Placement*> parts{asked};
  const WallPlace& at = wallPlace(asked->on);
  for (const Placement& p : scheme.placements) {
    const auto* hung = onWall(p.on);
    if (hung == nullptr || p.id == id || !isLedge(pieceOf(job, p).kind) || std::abs(hung->v - at.v) > kMeets) continue;
    const auto here = findWall(room, at.wall), there = findWall(room, hung->wall);
    if (!here || !there || here->id == there->id) continue;
    const auto reaches = [&](const Placement& q, const Wall& wall, Vec2 corner) {
      const WallPlace& place = wallPlace(q.on);
      const double half = pieceOf(job, q).width / 2, u = wall.length() - dot(corner - wall.start, wall.along());
      return std::abs(u - (place.u - half)) <= kMeets + pieceOf(job, q).depth.value_or(0) ||
             std::abs(u - (place.u + half)) <= kMeets + pieceOf(job, q).depth.value_or(0);
    };
    for (const Vec2 corner : {here->start, here->end})
      if ((distance(corner, there->start) < 1 || distance(corner, there->end) < 1) && reaches(*asked, *here, corner) &&
          reaches(p, *there, corner))
        parts.push_back(&p);
  }
  double least = HUGE_VAL, widest = 0;
  double moment = 0;
  for (const Placement* p : parts) {
    const Piece& piece = pieceOf(job, *p);
    const auto wall = findWall(room, wallPlace(p->on).wall);
    out.parts.push_back(p->id);
    out.length += piece.width;
    const double depth = piece.depth.value_or(0), height = piece.height.value_or(0);
    const auto screws = screwsOf(room, *wall, *p, piece, out.words, format);
    for (std::size_t i = 0; i + 1 < screws.size(); ++i) widest = std::max(widest, screws[i + 1].u - screws[i].u);
    out.screws.insert(out.screws.end(), screws.begin(), screws.end());
    // The load stands in the middle of the shelf, and turns the boards about their lower edge.
    moment += kLedgeLoad * piece.width / 1000 * kGravity * depth / 2;
    least = std::min(least, height - kUsualBoard - kLedgeRow);
    const std::string where = " on wall " + wall->id.value;
    out.boards.push_back({"shelf" + where, piece.width});
    out.boards.push_back({"upright" + where, piece.width});
    const double inertiaHeight = height - kUsualBoard;
    if (inertiaHeight > 0 && widest > 0)
      out.sag = std::max(out.sag, sagOf(kLedgeLoad * kGravity / 1000, widest, boardKind(Board::Poplar).gigapascal,
                                        kUsualBoard, inertiaHeight, false));
  }
  out.sagLimit = sagLimit(widest);
  out.allowed = withdrawalPerMm(kStudGravity, kLedgeScrew) * kLedgeBite;
  if (!out.screws.empty() && least > 0) out.each = moment / (static_cast<double>(out.screws.size()) * least);
  out.words.emplace_back(
      "Detect again for cables and pipes before drilling; the fixing's packet, local codes and "
      "licensed trades decide.");
  return out;
}

std::vector<Cut> ledgeBoards(const Job& job, const Room& room, const Scheme& scheme, LengthFormat format) {
  std::vector<Cut> out;
  std::vector<PlacementId> seen;
  for (const Placement& p : scheme.placements) {
    if (onWall(p.on) == nullptr || !isLedge(pieceOf(job, p).kind)) continue;
    if (std::find(seen.begin(), seen.end(), p.id) != seen.end()) continue;
    const auto ledge = ledgeOf(job, room, scheme, p.id, format);
    if (!ledge) continue;
    seen.insert(seen.end(), ledge->parts.begin(), ledge->parts.end());
    out.insert(out.end(), ledge->boards.begin(), ledge->boards.end());
  }
  return out;
}

}  // namespace mezzet
