// Floor and ceiling from heights taken at several points: planes by least squares, with their residuals.
//
// Heights of the plan's third axis are above the datum: the floor at corner A. A floor that was not read against a
// level line is taken as level.
#pragma once

#include <array>

#include "core/model/job.h"

namespace mezzet {

struct Plane {
  double z = 0, gx = 0, gy = 0;  ///< height at (0, 0), and its rise per mm along x and y
  [[nodiscard]] double at(Vec2 p) const { return z + gx * p.x + gy * p.y; }
  bool operator==(const Plane&) const = default;
};
struct PlanePoint {
  Vec2 at;
  double z = 0, sigma = 1;
};
struct PlaneFit {
  Plane plane;
  std::vector<double> residuals;       ///< adjusted - read, by point
  std::array<double, 9> covariance{};  ///< of z, gx, gy, row by row
  double chi2 = 0, limit = 0;          ///< limit: one-sided 95 %; 0 without redundancy
  int redundancy = 0;
  [[nodiscard]] double u95At(Vec2) const;
  [[nodiscard]] bool fits() const { return redundancy <= 0 || chi2 <= limit; }
};
/// A level plane (the weighted mean), or a sloping one. Nothing without points, or, for a sloping one, when they lie in
/// one line.
[[nodiscard]] std::optional<PlaneFit> fitPlane(const std::vector<PlanePoint>&, bool sloping);

struct CeilingPart {
  Polygon outline;   ///< empty: the rest of the room
  std::string name;  ///< "the ceiling", "ceiling c1"
  Plane plane;
  bool measured = false;
  CeilingShape shape = CeilingShape::Flat;
};
/// What later heights stand on. Cheap where nothing was read.
struct RoomHeights {
  Plane floor;
  std::vector<CeilingPart> parts;  ///< the last is the rest of the room
  [[nodiscard]] double floorAt(Vec2 p) const { return floor.at(p); }
  [[nodiscard]] const CeilingPart& partAt(Vec2) const;
  [[nodiscard]] double ceilingAt(Vec2) const;  ///< above the datum
  [[nodiscard]] double clearAt(Vec2 p) const { return ceilingAt(p) - floorAt(p); }
  [[nodiscard]] bool level() const {
    return parts.size() == 1 && floor == Plane{} && parts[0].plane.gx == 0 && parts[0].plane.gy == 0;
  }
};
[[nodiscard]] RoomHeights heightsOf(const Room&);

struct HeightRow {
  ReadingId reading;
  double residual = 0, sigma = 0;  ///< mm; 0 residual where nothing checks it
  std::string of;                  ///< "the floor", "the ceiling", "ceiling c1"
};
/// All that is said of a room's heights.
struct HeightReport {
  std::vector<HeightRow> rows;
  std::vector<std::string> sentences;
  double lowestClear = 0, highestClear = 0;  ///< over the outline's corners and the areas' corners
  bool fits = true;
};
[[nodiscard]] HeightReport heightReport(const Room&, LengthFormat);
/// "Ceiling 98 in", "Ceiling 95 to 98 in".
[[nodiscard]] std::string ceilingWords(const Room&, LengthFormat);

/// Floor or ceiling where a wall meets it, from the wall's end corner (u = 0) to its start, steps included: (u, v)
/// above the datum.
[[nodiscard]] std::vector<Vec2> ceilingProfile(const Room&, const RoomHeights&, const Wall&);
[[nodiscard]] std::vector<Vec2> floorProfile(const RoomHeights&, const Wall&);
/// Where a place on the wall, u from its end corner, lies in the plan.
[[nodiscard]] inline Vec2 onWall(const Wall& wall, double u) { return wall.start + wall.along() * (wall.length() - u); }

/// The same a little into the room, where floor and ceiling of that place are looked up.
[[nodiscard]] inline Vec2 inFrontOf(const Wall& wall, double u) { return onWall(wall, u) + wall.inward(); }

/// Of the floor under the middle of what hangs there, above the datum; over a flight of its walking line.
[[nodiscard]] double floorUnder(const Room&, const WallPlace&);

/// Places where the clear height is looked at: the corners of the outline, just inside, and those of the parts.
[[nodiscard]] std::vector<Vec2> heightLookouts(const Room&, const RoomHeights&);
/// The height that is said of the whole room: floor to ceiling in the rest of the room, in its middle.
[[nodiscard]] double usualClear(const Room&, const RoomHeights&);

}  // namespace mezzet
