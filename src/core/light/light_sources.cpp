#include "core/light/light_sources.h"

#include <algorithm>
#include <cmath>
#include <numbers>

namespace mezzet {
namespace {

double dot3(const Vec3& a, const Vec3& b) { return a.x * b.x + a.y * b.y + a.z * b.z; }
double degrees(double radians) { return radians * 180 / std::numbers::pi; }

/// Shades and candles shine all round, the rest downward.
LightSource::Model modelOf(Mount mount) {
  switch (mount) {
    case Mount::Table:
    case Mount::Floor:
    case Mount::Candle:
    case Mount::Wall: return LightSource::Model::Around;
    case Mount::Pendant:
    case Mount::Surface:
    case Mount::Recessed:
    case Mount::Spot:
    case Mount::Picture:
    case Mount::Strip: return LightSource::Model::Downward;
  }
  return LightSource::Model::Downward;
}

}  // namespace

Vec3 axisOf(const Fixture& f) {
  if (!f.placement->aim) return {0, 0, -1};
  const Turn tilt = turnOf(f.placement->aim->tilt), bearing = turnOf(f.placement->aim->bearing);
  return {tilt.sine * bearing.cosine, tilt.sine * bearing.sine, -tilt.cosine};
}

double intensityTowards(const LightSource& s, const Vec3& d) {
  switch (s.model) {
    case LightSource::Model::Around: return s.lumens / (4 * std::numbers::pi);
    case LightSource::Model::Downward: return s.lumens / std::numbers::pi * std::max(0.0, dot3(s.axis, d));
    case LightSource::Model::Beam: {
      const double along = dot3(s.axis, d);
      return along > 0 ? s.beam.peak * std::pow(along, s.beam.m) : 0;
    }
    case LightSource::Model::Measured: {
      const double from = degrees(std::acos(std::clamp(dot3(s.axis, d), -1.0, 1.0)));
      // Round the axis: as it is turned in the plan; of a tilted light likewise, which is right where it is symmetric.
      return s.scale * intensityAt(*s.web, from, degrees(std::atan2(d.y, d.x)) - s.turn);
    }
  }
  return 0;
}

std::vector<LightSource> lightSourcesIn(const std::vector<Fixture>& fixtures, const Photometries& webs,
                                        const std::set<CircuitId>& on) {
  std::vector<LightSource> out;
  for (const Fixture& f : fixtures) {
    if (!on.empty() && !on.contains(f.placement->circuit)) continue;
    const LightPart& light = *f.piece->light;
    LightSource s;
    s.id = f.id();
    s.circuit = f.placement->circuit;
    s.at = {f.at.at.x, f.at.at.y, f.floor + f.source};
    s.axis = axisOf(f);
    s.turn = f.at.turn;
    const auto web = webs.find(light.photometry);
    if (web != webs.end() && web->second != nullptr) {
      const double flux = fluxOf(*web->second);
      s.model = LightSource::Model::Measured;
      s.web = web->second;
      s.lumens = light.lumens.value_or(flux);
      s.scale = flux > 0 ? s.lumens / flux : 0;
    } else if (!light.lumens) {
      continue;
    } else {
      s.lumens = *light.lumens;
      s.model = light.beam ? LightSource::Model::Beam : modelOf(f.mount);
      if (light.beam) s.beam = beamOf(s.lumens, *light.beam);
    }
    const int parts =
        f.mount == Mount::Strip ? std::max(1, static_cast<int>(std::ceil(f.piece->width / kStripStep))) : 1;
    const Vec2 along = rotated({1, 0}, turnOf(f.at.turn)) * (f.piece->width / parts);
    for (int i = 0; i < parts; ++i) {
      LightSource part = s;
      const Vec2 at = f.at.at + along * (i - (parts - 1) / 2.0);
      part.at.x = at.x, part.at.y = at.y;
      part.lumens /= parts, part.beam.peak /= parts, part.scale /= parts;
      out.push_back(std::move(part));
    }
  }
  return out;
}

}  // namespace mezzet
