// How a light's intensity goes with direction: as a file of measurements says, or by a simple model.
#pragma once

#include <map>
#include <memory>
#include <optional>
#include <string>
#include <vector>

namespace mezzet {

/// A web of measured intensities, type C: planes round the axis (horizontal angles), and in each plane vertical angles
/// from straight down (0) to straight up (180). Multipliers are in the candelas already. Source of the form: IES LM-63.
struct Photometry {
  std::string format;              ///< as the file names it: "LM-63-2002"
  std::vector<double> vertical;    ///< degrees, ascending
  std::vector<double> horizontal;  ///< degrees, ascending, from 0 to 0, 90, 180 or 360
  std::vector<double> candela;     ///< of each plane all vertical angles
  std::optional<double> stated;    ///< lumens as the file states them; none: absolute
  double watts = 0;
  std::vector<std::string> says = {};  ///< what the reader noticed
  bool operator==(const Photometry&) const = default;
};
enum class WebSymmetry { Rotational, Quadrant, Bilateral, None };
[[nodiscard]] WebSymmetry symmetryOf(const Photometry&);

/// cd, linear between the measured directions; 0 outside them.
[[nodiscard]] double intensityAt(const Photometry&, double fromNadir, double around);
/// Flux by zones, lumens: the mean of each zone's ends over all planes times 2 pi (cos a - cos b).
[[nodiscard]] double fluxOf(const Photometry&);
[[nodiscard]] double peakOf(const Photometry&);
/// Full angle, degrees, where the mean over all planes falls to a share of its peak: a half is the beam, a tenth the
/// field. None where it never falls so low below, or does not point down.
[[nodiscard]] std::optional<double> spreadOf(const Photometry&, double share);

/// Photometric data by the name that pieces have for it.
using Photometries = std::map<std::string, std::shared_ptr<const Photometry>>;

// ---- models for what has no file
/// Intensity on the axis of a beam whose intensity falls as cos^m to a half at half the full angle, for a flux; cd.
struct Beam {
  double m = 0, peak = 0;
};
[[nodiscard]] Beam beamOf(double lumens, double fullAngle);

}  // namespace mezzet
