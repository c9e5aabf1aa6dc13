// How much light falls where: an estimate, and said so. Direct light by the inverse square and the cosine, shaded by
// walls and by bodies higher than the point; indirect light as the mean of a closed cavity. Textbook formulas (IES
// Lighting Handbook; EN 12464-1 for the grid).
#pragma once

#include <span>
#include <stop_token>

#include "core/light/light_sources.h"

namespace mezzet {

/// Height of the plane that is looked at [D], its distance from the walls, and what is left of the light in the years
/// between cleanings, in every figure.
inline constexpr double kLightPlane = 760, kLightBand = 500, kMaintenance = 0.8;

/// What throws shadows in a room.
class Shades {
 public:
  Shades(const PieceIndex&, const Room&, const Scheme&);
  Shades() = default;  ///< nothing does
  [[nodiscard]] bool clear(const Vec3& source, const Vec3& point) const;
  /// Whether a place at this height lies inside a body.
  [[nodiscard]] bool inside(Vec2 at, double height) const;
  /// What is left of them for points at this height or above: most furniture is lower than where one looks at light.
  [[nodiscard]] Shades above(double height) const;

 private:
  struct Prism {
    Convex shape;
    Box bounds;
    double bottom = 0, top = 0;  ///< above the datum
  };
  std::vector<Prism> prisms_;
  std::vector<std::pair<Vec2, Vec2>> walls_;  ///< of a room with an inner corner: others shade nothing
};

/// lx at a point on a surface with this unit normal.
[[nodiscard]] double directAt(const std::vector<LightSource>&, const Shades&, const Vec3& point, const Vec3& normal);
/// lx everywhere in a closed cavity: lumens rho / (A (1 - rho)); A with openings, which reflect as walls.
[[nodiscard]] double indirectIn(const Room&, const RoomHeights&, double lumens);

/// Points of a plane inside an outline, `band` off its walls, spaced at most 0.2 * 5^(log10 d) m of its longer side d
/// in m (EN 12464-1, 4.4), at most 10 m; even along both sides. Empty where the room is too small.
struct LightGrid {
  double spacing = 0;  ///< the most allowed
  std::vector<Vec2> points;
};
[[nodiscard]] double gridSpacing(double longerSide);  ///< mm of mm
[[nodiscard]] LightGrid lightGrid(const Polygon& outline, double band = kLightBand);

struct TaskLight {
  TaskId task;
  Vec2 at;
  double height = 0;  ///< above the floor
  double lx = 0;
  std::optional<double> asked;
};
struct ArtLight {
  std::vector<PlacementId> group;  ///< ascending
  std::vector<double> lx;          ///< its centre, then its corners from the lower left, anticlockwise
};
struct LightEstimate {
  double spacing = 0;
  std::vector<Vec2> at;
  std::vector<double> lx;  ///< at each
  double average = 0, least = 0, most = 0;
  double direct = 0, indirect = 0;  ///< of the average
  std::vector<TaskLight> tasks;     ///< in the scheme's order
  std::vector<ArtLight> art;
  std::vector<PlacementId> unknown;  ///< lights whose lumens are not known
  [[nodiscard]] double evenness() const { return average > 0 ? least / average : 0; }
};
/// `on` as for lightSourcesIn. Partial when it was stopped.
[[nodiscard]] LightEstimate estimateLight(const Job&, const Scheme&, const Photometries&,
                                          const std::set<CircuitId>& on = {}, const std::stop_token& = {});
/// Of the tasks alone: cheap enough for a check.
[[nodiscard]] std::vector<TaskLight> taskLights(const PieceIndex&, const Room&, const RoomHeights&, const Scheme&,
                                                const std::vector<LightSource>&);
/// Lights whose lumens are not known.
[[nodiscard]] std::vector<PlacementId> unknownLights(const std::vector<Fixture>&, const Photometries&);
/// Light that is asked for what is done there, lx [D] (older codes, as remembered).
struct UsualLight {
  std::string_view what;
  double lx = 0;
};
[[nodiscard]] std::span<const UsualLight> usualLights();
/// The one of this name; none for the user's own words.
[[nodiscard]] std::optional<double> usualLight(const std::string& what);

}  // namespace mezzet
