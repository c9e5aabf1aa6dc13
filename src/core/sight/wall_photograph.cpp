#include "core/sight/wall_photograph.h"

#include <algorithm>
#include <cmath>

#include "core/model/kinds.h"
#include "core/space/hung.h"

namespace mezzet {
namespace {

constexpr double kNudge = 0.25;  // px: far below a pick, far above rounding

std::vector<Vec2> onTheWall(const Calibration& c) {
  return {{c.u, c.v}, {c.u + c.width, c.v}, {c.u + c.width, c.v + c.height}, {c.u, c.v + c.height}};
}

std::optional<Homography> mapOf(const Calibration& c, const std::vector<Vec2>& corners) {
  return homographyOf(onTheWall(c), corners);
}

/// The outline of a rectangle or an ellipse in a box of the wall.
std::vector<Vec2> outlineIn(const WallRect& r, bool round) {
  if (!round) return {{r.left, r.bottom}, {r.right, r.bottom}, {r.right, r.top}, {r.left, r.top}};
  std::vector<Vec2> out;
  for (int i = 0; i < 72; ++i) {
    const Vec2 d = rotated({1, 0}, turnOf(i * 5));
    out.push_back({(r.left + r.right) / 2 + d.x * r.width() / 2, r.centreHeight() + d.y * r.height() / 2});
  }
  return out;
}

}  // namespace

Result<Homography> wallToPhotograph(const Calibration& c) {
  const Error fault{"the photograph", "cannot be put in scale by these four corners",
                    "Pick the corners of one rectangle, anticlockwise from its lower left"};
  if (c.corners.size() != 4) return fault;
  auto map = mapOf(c, c.corners);
  if (!map) return fault;
  for (const double v : *map)
    if (!std::isfinite(v)) return fault;
  return *map;
}

PhotographLength lengthIn(const Calibration& c, const Homography& map, Vec2 a, Vec2 b) {
  PhotographLength out{distance(a, b), 0};
  const Vec2 pa = mapped(map, a), pb = mapped(map, b);
  const auto read = [&](const std::vector<Vec2>& corners) {
    const auto other = mapOf(c, corners);
    const auto back = other ? backwards(*other) : std::nullopt;
    return back ? distance(mapped(*back, pa), mapped(*back, pb)) : out.mm;
  };
  double sum = 0;
  for (std::size_t i = 0; i < c.corners.size(); ++i)
    for (const Vec2 axis : {Vec2{1, 0}, Vec2{0, 1}}) {
      std::vector<Vec2> more = c.corners, less = c.corners;
      more[i] += axis * kNudge;
      less[i] += axis * -kNudge;
      const double slope = (read(more) - read(less)) / (2 * kNudge);
      sum += slope * slope;
    }
  out.u95 = std::sqrt(sum) * c.u95;
  return out;
}

std::vector<PhotographPiece> piecesIn(const Job& job, const Scheme& scheme, const Photograph& photograph,
                                      const Homography& map) {
  std::vector<PhotographPiece> out;
  if (!photograph.calibration) return out;
  const PieceIndex pieces(job);
  for (const Placement& p : scheme.placements) {
    const auto* place = onWall(p.on);
    if (place == nullptr || place->wall != photograph.wall) continue;
    const Piece& piece = pieces.of(p);
    const WallRect frame = wallRectOf(piece, *place);
    WallRect face = shownRect(piece, *place);
    if (face.width() >= frame.width() - 1 && !isScreen(piece.kind)) {
      // As on elevations, a border shows the frame until the image's own size is known.
      const double border = std::min({40.0, frame.width() * 0.1, frame.height() * 0.1});
      face = {frame.left + border, frame.right - border, frame.bottom + border, frame.top - border};
    }
    PhotographPiece one;
    one.placement = p.id;
    one.mirror = isMirror(piece.kind);
    one.screen = isScreen(piece.kind);
    one.image = one.mirror || one.screen ? std::string() : piece.image;
    const bool round = piece.shape == Shape::Round || piece.shape == Shape::Oval;
    for (const Vec2 corner : outlineIn(frame, round)) one.outer.push_back(mapped(map, corner));
    for (const Vec2 corner : outlineIn(face, round)) one.faceOutline.push_back(mapped(map, corner));
    const std::vector<Vec2> box = outlineIn(face, false);
    for (std::size_t i = 0; i < 4; ++i) one.face[i] = mapped(map, box[i]);
    const double u = (frame.left + frame.right) / 2, v = frame.centreHeight();
    one.width = lengthIn(*photograph.calibration, map, {frame.left, v}, {frame.right, v});
    one.height = lengthIn(*photograph.calibration, map, {u, frame.bottom}, {u, frame.top});
    out.push_back(std::move(one));
  }
  return out;
}

}  // namespace mezzet
