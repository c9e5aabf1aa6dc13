#include "core/drawing/wall/wall_site.h"

#include <algorithm>
#include <cmath>

#include "core/drawing/base/drafting.h"
#include "core/drawing/plan/fixed_plan.h"
#include "core/model/kinds.h"
#include "core/site/stairs.h"
#include "core/site/studs.h"

namespace mezzet {
namespace {

constexpr double kUsualSkirting = 100;      // drawn line only [D]
constexpr double kAtWall = 24 * kInch;      // what stands further off is not seen "on" the wall [D]
constexpr double kLandingSeen = 900;        // how much of a landing's edge is drawn [D]
constexpr double kStudWidth = 1.5 * kInch;  // a 2 by 4 as it is sold, planed (PS 20, from memory)

std::vector<Vec2> raised(std::vector<Vec2> line, double by) {
  for (Vec2& p : line) p.y += by;
  return line;
}

/// Over the treads the line of the nosings and the handrail, dashed where it runs on the open side; beyond the last
/// riser the landing. What is above the ceiling is not seen.
void addFlightLines(Drawing& d, const Feature& f, double foot, bool rising, double floor, double seen, double length) {
  const Stair& s = *f.stair;
  const double slope = s.riser / s.going;
  const auto climb = [&](double over, Stroke stroke) {
    const double run = std::min(s.going * std::max(1, s.risers - 1), std::max(0.0, (seen - s.riser - over) / slope)),
                 end = std::clamp(foot + (rising ? run : -run), 0.0, length);
    d.add(Layer::Feature, f.id.value,
          line({foot, floor + s.riser + over}, {end, floor + s.riser + over + std::abs(end - foot) * slope}, stroke));
  };
  climb(0, {Ink::Quiet, kFineLine, Dash::Dashed});
  if (s.handrail)
    climb(*s.handrail, {Ink::Ink, kFurnitureLine, s.railSide == RailSide::Open ? Dash::Dashed : Dash::Solid});
  const double top = s.risers * s.riser, last = foot + (rising ? 1 : -1) * s.going * (s.risers - 1),
               beyond = rising ? length : 0;
  if (top < seen && last >= 0 && last <= length)
    d.add(Layer::Feature, f.id.value,
          line({last, floor + top},
               {rising ? std::min(beyond, last + kLandingSeen) : std::max(0.0, last - kLandingSeen), floor + top},
               {Ink::Ink, kFurnitureLine, Dash::Solid}));
}

}  // namespace

void addTrimLines(Drawing& d, const Room& room, const std::vector<Vec2>& ceiling, const std::vector<Vec2>& floor) {
  const auto add = [&](std::vector<Vec2> points, Stroke stroke) {
    d.add(Layer::Floor, "", PathItem{std::move(points), false, Ink::None, stroke});
  };
  add(raised(floor, room.trim.skirting.value_or(kUsualSkirting)), fine());
  if (room.trim.cornice && *room.trim.cornice > 0) add(raised(ceiling, -*room.trim.cornice), thin(Ink::Fine));
  if (room.trim.pictureRail && *room.trim.pictureRail > 0) {
    add(raised(floor, *room.trim.pictureRail), thin(Ink::Fine));
    add(raised(floor, *room.trim.pictureRail + 20), fine());
  }
}

void addFixedFront(Drawing& d, const Room& room, const Wall& wall, const RoomHeights& heights, LengthFormat format) {
  const double length = wall.length();
  for (const Feature& f : room.features) {
    double low = 1e300, high = -1e300, near = 1e300, far = -1e300;
    for (const Vec2 p : f.outline) {
      const double u = length - dot(p - wall.start, wall.along()), off = dot(p - wall.start, wall.inward());
      low = std::min(low, u);
      high = std::max(high, u);
      near = std::min(near, off);
      far = std::max(far, off);
    }
    const bool niche = f.kind == FeatureKind::Niche;
    if (niche ? std::abs(far) > 1 || near > -1 : near > kAtWall || far <= 0.5) continue;
    low = std::max(low, 0.0);
    high = std::min(high, length);
    if (high - low < 1) continue;
    const Vec2 middle = inFrontOf(wall, (low + high) / 2);
    const double floor = heights.floorAt(middle), ceiling = heights.ceilingAt(middle);
    const double base = floor + f.base.value_or(0);
    double top = f.height ? base + *f.height
                 : f.kind == FeatureKind::Hearth || f.kind == FeatureKind::Radiator || f.kind == FeatureKind::BuiltIn
                     ? base + 600
                     : ceiling;
    top = std::clamp(top, base + 1, std::max(base + 1, ceiling));
    const Stroke edge{Ink::Ink, kFurnitureLine, niche ? Dash::Dashed : Dash::Solid};
    if (f.stair) {
      // The steps in profile where the flight runs along this wall, else its front.
      const double sense = -dot(rotated({1, 0}, turnOf(f.stair->climbs)), wall.along());  // along u
      if (std::abs(sense) > 0.9) {
        const double foot = sense > 0 ? low : high;
        PathItem steps{{{foot, floor}}, false, Ink::None, edge};
        // Through the ceiling the flight is not seen.
        const double seen = ceiling - floor;
        for (int i = 0; i < f.stair->risers && (i + 1) * f.stair->riser <= seen + 1; ++i) {
          const double u = std::clamp(foot + (sense > 0 ? 1 : -1) * i * f.stair->going, 0.0, length);
          steps.points.push_back({u, floor + i * f.stair->riser});
          steps.points.push_back({u, floor + (i + 1) * f.stair->riser});
        }
        d.add(Layer::Feature, f.id.value, steps);
        addFlightLines(d, f, foot, sense > 0, floor, seen, length);
        continue;
      }
    }

    const Ink fill = f.kind == FeatureKind::Hearth    ? Ink::Hearth
                     : f.kind == FeatureKind::BuiltIn ? Ink::Wood
                     : f.kind == FeatureKind::Column  ? Ink::CutWall
                                                      : Ink::Paper;
    d.add(Layer::Feature, f.id.value, rectangle({low, base}, {high, top}, fill, edge));
    if (f.kind == FeatureKind::Radiator)
      for (double u = low + 60; u < high - 20; u += 60)
        d.add(Layer::Feature, f.id.value, line({u, base + 20}, {u, top - 20}, fine()));
    if (f.mantel)
      d.add(Layer::Feature, f.id.value,
            rectangle({low - 60, floor + *f.mantel - 40}, {high + 60, floor + *f.mantel}, Ink::Wood, thin()));
    std::string words(featureWord(f.kind));
    if (f.mantel) words += ", shelf at " + writeLength(*f.mantel, format);
    if (letteringWidth(words, kSmallLetters) * d.scale >= high - low) continue;
    const double u = (low + high) / 2, v = std::min((base + top) / 2, base + 6 * d.scale);
    d.add(labelOnlyAt(Layer::Label, f.id.value, Rank::Note,
                      {{u, v}, {u, (base + top) / 2}, {u, top - 4 * d.scale}, {u, top + 3.2 * d.scale}},
                      TextItem{{},
                               words,
                               kSmallLetters,
                               Align::Centre,
                               0,
                               Ink::Quiet,
                               f.kind == FeatureKind::Radiator ? Ink::Floor : Ink::None}));
  }
}

void addPointsFront(Drawing& d, const Room& room, const Wall& wall, const RoomHeights& heights) {
  for (const WallPoint& p : room.points) {
    if (p.wall != wall.id) continue;
    const double u = wall.length() - p.along, v = heights.floorAt(inFrontOf(wall, u)) + p.height;
    const double half = std::max(43.0, 1.6 * d.scale);
    d.add(Layer::Opening, p.id.value, rectangle({u - half, v - half}, {u + half, v + half}, Ink::Floor, thin()));
    addSign(d, p.id.value, {u, v}, pointSign(p.kind));
  }
}

std::vector<CableStrip> cableStrips(const Room& room, const Wall& wall, const RoomHeights& heights) {
  std::vector<CableStrip> out;
  const double length = wall.length();
  for (const WallPoint& p : room.points) {
    if (p.wall != wall.id || p.kind == PointKind::Vent) continue;
    const double u = length - p.along;
    const Vec2 here = inFrontOf(wall, std::clamp(u, 0.0, length));
    const double floor = heights.floorAt(here), v = floor + p.height;
    out.push_back(
        {p.id, std::max(0.0, u - kCableHalf), std::min(length, u + kCableHalf), floor, heights.ceilingAt(here)});
    out.push_back({p.id, 0, length, v - kCableHalf, v + kCableHalf});
  }
  return out;
}

double addServices(Drawing& d, const Room& room, const Wall& wall, const RoomHeights& heights, LengthFormat format,
                   double low) {
  const double length = wall.length();
  const auto strips = cableStrips(room, wall, heights);
  std::vector<double> levels;
  for (const CableStrip& s : strips) {
    // Points at one height share their level strip.
    if (s.left == 0 && s.right == length) {
      if (std::any_of(levels.begin(), levels.end(), [&](double v) { return std::abs(v - s.bottom) < 2 * kCableHalf; }))
        continue;
      levels.push_back(s.bottom);
    }
    d.add(Layer::Floor, s.point.value,
          rectangle({s.left, s.bottom}, {s.right, s.top}, Ink::Band, {Ink::Close, kFineLine, Dash::Dashed}));
  }
  const StudRecord* record = studsOf(room, wall.id);
  const auto fit = record != nullptr ? fitStuds(*record, length) : std::nullopt;
  if (fit)
    for (const Stud& stud : fit->studs) {
      const double u = length - stud.along;
      const Vec2 here = inFrontOf(wall, std::clamp(u, 0.0, length));
      const double floor = heights.floorAt(here), ceiling = heights.ceilingAt(here);
      for (const double side : {-kStudWidth / 2, kStudWidth / 2})
        d.add(Layer::Feature, "stud",
              line({u + side, floor}, {u + side, ceiling},
                   {Ink::Quiet, kFineLine, stud.hits > 0 ? Dash::Solid : Dash::Dashed}));
      // How far it may be off: a bar across at the foot.
      const double v = floor + 9 * d.scale;
      d.add(Layer::Feature, "stud", line({u - stud.u95, v}, {u + stud.u95, v}, {Ink::Holds, 0.5, Dash::Solid}));
    }
  if (record != nullptr) {
    const double v = heights.floorAt(inFrontOf(wall, length / 2)) + 14 * d.scale;
    for (const StudHit& h : record->hits) {
      const bool odd = fit && std::find(fit->odd.begin(), fit->odd.end(), h.id) != fit->odd.end();
      d.add(Layer::Opening, "hit:" + h.id.value,
            ArcItem{{length - h.along, v},
                    (0.6 + 0.6 * h.confidence) * d.scale,
                    0,
                    360,
                    odd ? Ink::Floor : Ink::Ink,
                    {Ink::Ink, kFurnitureLine, Dash::Solid}});
    }
  }
  std::vector<std::string> notes;
  if (fit) notes.push_back("studs every " + writeLength(fit->pitch, format) + ", predicted");
  if (!strips.empty()) notes.push_back("shaded: likely cables by a regional convention, no proof");
  if (!notes.empty()) notes.back() += ". Detect before drilling.";
  double v = low;
  for (const std::string& note : notes) {
    d.add(Layer::Label, "services", TextItem{{0, v}, note, kSmallLetters, Align::Left, 0, Ink::Ink, Ink::None});
    v -= 4.4 * d.scale;
  }
  return low - v;
}

}  // namespace mezzet
