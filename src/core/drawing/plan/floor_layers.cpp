#include "core/drawing/plan/floor_layers.h"

#include <algorithm>
#include <cmath>
#include <numbers>

#include "core/rules/registry.h"
#include "core/use/seats.h"
#include "core/sight/sight.h"
#include "core/drawing/base/drafting.h"
#include "core/model/kinds.h"

namespace mezzet {
namespace {

constexpr double kSightReach = 12'000;
constexpr std::size_t kMostWaysDrawn = 16, kMostTalkDrawn = 200;

/// An area as one ring: holes hang on it by seams without width.
std::vector<Vec2> ringOf(const Area& area) {
  std::vector<Vec2> ring = area.outer;
  for (const Polygon& hole : area.holes) {
    const Vec2 back = ring.front();
    ring.push_back(back);
    ring.insert(ring.end(), hole.begin(), hole.end());
    ring.push_back(hole.front());
    ring.push_back(back);
  }
  return ring;
}
/// Where words stand best in an area: of a grid of points the one furthest from its edges.
Vec2 roomiest(const Area& area) {
  constexpr int kGrid = 24;
  const Box box = boundsOf(Convex{area.outer, 0});
  Vec2 best = area.outer.front();
  double most = -1;
  for (int i = 1; i < kGrid; ++i)
    for (int k = 1; k < kGrid; ++k) {
      const Vec2 p{box.low.x + (box.high.x - box.low.x) * i / kGrid, box.low.y + (box.high.y - box.low.y) * k / kGrid};
      if (!contains(area, p)) continue;
      double edge = distanceToEdge(area.outer, p);
      for (const Polygon& hole : area.holes) edge = std::min(edge, distanceToEdge(hole, p));
      if (edge > most) {
        most = edge;
        best = p;
      }
    }
  return best;
}
void addAreas(Drawing& d, const std::vector<Area>& areas, Ink fill, const ItemId& id) {
  for (const Area& area : areas) d.add(Layer::Working, id, PathItem{ringOf(area), true, fill, {}});
}
TextItem lettered(const std::string& words) {
  return {{}, words, kSmallLetters, Align::Centre, 0, Ink::Ink, Ink::Paper};
}
void addWords(Drawing& d, Vec2 at, const std::string& words, const ItemId& id) {
  std::vector<Vec2> places;
  for (const double y : {0.0, 5.0, -5.0, 10.0, -10.0}) places.push_back(at + Vec2{0, y * d.scale});
  d.add(labelAt(Layer::Working, id, Rank::Finding, places, lettered(words)));
}

/// Points along a line, its middle first.
std::vector<Vec2> alongLine(const std::vector<Vec2>& points) {
  double whole = 0;
  for (std::size_t i = 0; i + 1 < points.size(); ++i) whole += distance(points[i], points[i + 1]);
  std::vector<Vec2> out;
  for (const double share : {0.5, 0.6, 0.4, 0.7, 0.3, 0.8, 0.2}) {
    double left = share * whole;
    for (std::size_t i = 0; i + 1 < points.size(); ++i) {
      const double length = distance(points[i], points[i + 1]);
      if (left <= length && length > 0) {
        out.push_back(points[i] + (points[i + 1] - points[i]) * (left / length));
        break;
      }
      left -= length;
    }
  }
  return out;
}

void addWays(Drawing& d, const FloorLayers& layers, const std::vector<Finding>& findings, const RouteFacts& routes,
             LengthFormat format) {
  // What rules judge, and in one tone, however many ways share the floor.
  std::set<std::string> judged;
  for (const Finding& f : findings)
    if (showsOf(f.rule, shows::kRibbon)) judged.insert(f.subjects.begin(), f.subjects.end());
  // In a room of two hundred cupboards a ribbon to each would cover the floor, and tell nothing.
  std::set<std::string> drawn;
  for (const auto& [id, way] : routes.ways)
    if (drawn.size() < kMostWaysDrawn && (layers.only.empty() ? judged.contains(id) : layers.only.contains(id)))
      drawn.insert(id);
  const auto shown = [&](const std::string& id) { return drawn.contains(id); };
  std::vector<Polygon> ribbons;
  for (const auto& [id, way] : routes.ways)
    if (shown(id))
      for (Polygon& ring : outlinesOf(way.ribbon)) ribbons.push_back(std::move(ring));
  addAreas(d, without(ribbons, {}), Ink::Way, "ways");
  for (const auto& [id, way] : routes.ways) {
    if (!shown(id)) continue;
    for (std::size_t i = 0; i + 1 < way.line.size(); ++i)
      d.add(Layer::Working, "way:" + id, line(way.line[i], way.line[i + 1], {Ink::Quiet, kFineLine, Dash::Dashed}));
  }
  // Each pinch once, with its width; what breaks carries its own mark. Where a door sets the width it stands on the
  // way.
  std::vector<Vec2> labelled;
  for (const Finding& f : findings) {
    if (!showsOf(f.rule, shows::kRibbon) || !f.between.empty() || f.measured <= 0 || f.verdict == Verdict::Breaks)
      continue;
    for (const auto& [id, way] : routes.ways)
      if (shown(id) && std::find(f.subjects.begin(), f.subjects.end(), id) != f.subjects.end())
        d.add(labelOnlyAt(Layer::Working, "way:" + id, Rank::Note, alongLine(way.line),
                          lettered(writeLength(f.measured, format))));
  }
  for (const Finding& f : findings) {
    if (!showsOf(f.rule, shows::kPinch) || f.between.empty() || f.verdict == Verdict::Breaks) continue;
    const Vec2 middle = midpoint(f.at[0], f.at[1]);
    if (std::any_of(labelled.begin(), labelled.end(), [&](Vec2 p) { return distance(p, middle) < 10; })) continue;
    labelled.push_back(middle);
    d.add(Layer::Working, "pinch:" + f.id, line(f.at[0], f.at[1], {Ink::Quiet, kDimensionLine, Dash::Solid}));
    d.add(labelOnLine(Layer::Working, "pinch:" + f.id, Rank::Finding, f.at[0], f.at[1],
                      lettered(writeLength(f.measured, format)), d.scale));
  }
}

void addTalk(Drawing& d, const std::vector<Finding>& findings, LengthFormat format) {
  std::size_t drawn = 0;
  for (const Finding& f : findings) {
    if (!showsOf(f.rule, shows::kTalk) || ++drawn > kMostTalkDrawn) continue;
    const bool breaks = f.verdict == Verdict::Breaks;
    d.add(Layer::Working, "talk:" + f.id,
          line(f.at[0], f.at[1], {Ink::Quiet, kDimensionLine, breaks ? Dash::Dotted : Dash::Solid}));
    if (!breaks)
      d.add(labelOnLine(Layer::Working, "talk:" + f.id, Rank::Finding, f.at[0], f.at[1],
                        lettered(writeLength(distance(f.at[0], f.at[1]), format)), d.scale));
  }
}

void addReach(Drawing& d, const PieceIndex& pieces, const Scheme& scheme, const std::vector<Finding>& findings) {
  double reach = 18 * kInch;
  for (const Finding& f : findings)
    if (showsOf(f.rule, shows::kTableReach) && f.asked.high) reach = *f.asked.high;
  for (const Placement& p : scheme.placements) {
    const auto* place = onFloor(p.on);
    if (place == nullptr || !isSeat(pieces.of(p).kind)) continue;
    for (const SeatPlace& seat : seatPlaces(pieces.of(p), *place)) {
      const double facing = directionOf(seat.facing);
      d.add(Layer::Working, "reach:" + p.id.value,
            ArcItem{seat.front,
                    reach,
                    normalisedTurn(facing - 75),
                    150,
                    Ink::None,
                    {Ink::Quiet, kDimensionLine, Dash::Dashed}});
    }
  }
}

void addSight(Drawing& d, const PieceIndex& pieces, const Job& job, const Room& room, const Scheme& scheme,
              const std::vector<Finding>& findings) {
  const std::vector<Occluder> occluders = occludersIn(pieces, room, scheme);
  if (const Opening* entry = mainEntry(room))
    if (const auto wall = findWall(room, entry->wall)) {
      const Vec2 in = wall->inward();
      const Eye eye{wall->start + wall->along() * (entry->offset + entry->width / 2) + in, standingEye(job.brief)};
      // The first look: what of the wedge is seen.
      const double spread = std::tan(kFirstLook * std::numbers::pi / 180) * kSightReach;
      const Polygon wedge{eye.at, eye.at + in * kSightReach - leftOf(in) * spread,
                          eye.at + in * kSightReach + leftOf(in) * spread};
      for (const Area& area : within({sightRegion(eye, occluders, kSightReach)}, {wedge}))
        for (const Area& inside : within(outlinesOf({area}), {outlineOf(room)}))
          addAreas(d, {inside}, Ink::Way, "sight");
    }
  for (const Finding& f : findings)
    if ((showsOf(f.rule, shows::kBlankBack) && f.measured < 1 && f.missing.empty()) ||
        showsOf(f.rule, shows::kSightLine))
      d.add(Layer::Working, "sight:" + f.id, line(f.at[0], f.at[1], {Ink::Quiet, kDimensionLine, Dash::Dotted}));
}

}  // namespace

FloorLayers layersFor(const std::vector<Finding>& findings, const std::string& subject) {
  FloorLayers out;
  if (subject.empty()) return out;
  for (const Finding& f : findings) {
    if (!f.view.isPlan() || (f.verdict != Verdict::Breaks && f.verdict != Verdict::Close)) continue;
    const auto names = [&](const std::vector<std::string>& ids) {
      return std::find(ids.begin(), ids.end(), subject) != ids.end();
    };
    if (!names(f.subjects) && !names(f.between)) continue;
    if (showsOf(f.rule, shows::kWays)) {
      out.shown.insert(FloorLayer::Ways);
      for (const std::string& s : f.subjects) out.only.insert(s);
    }
    if (showsOf(f.rule, shows::kTalk)) out.shown.insert(FloorLayer::Talk);
    if (showsOf(f.rule, shows::kReach)) out.shown.insert(FloorLayer::Reach);
    if (showsOf(f.rule, shows::kSight)) out.shown.insert(FloorLayer::Sight);
  }
  return out;
}

void addFloorLayers(Drawing& d, const Job& job, const Scheme& scheme, const FloorLayers& layers,
                    const std::vector<Finding>& findings, const RouteFacts* routes, LengthFormat format) {
  const auto shows = [&](FloorLayer layer) { return layers.shown.contains(layer); };
  const PieceIndex pieces(job);
  if (shows(FloorLayer::Reached) && routes != nullptr && routes->reached) {
    addAreas(d, routes->reached->floor, Ink::Way, "reached");
    addAreas(d, routes->reached->pockets, Ink::Pocket, "pocket");
    for (const Area& pocket : routes->reached->pockets) addWords(d, roomiest(pocket), "not reached", "pocket");
  }
  if (shows(FloorLayer::Reached) && routes != nullptr && routes->turning && routes->turning->diameter > 0) {
    const TurningCircle& turn = *routes->turning;
    d.add(Layer::Working, "turning",
          ArcItem{turn.centre, turn.diameter / 2, 0, 360, Ink::None, {Ink::Quiet, kDimensionLine, Dash::Dashed}});
    addWords(d, turn.centre, "turns in " + writeLength(turn.diameter, format), "turning");
  }
  if (shows(FloorLayer::Sight)) addSight(d, pieces, job, roomOf(job, scheme), scheme, findings);
  if (shows(FloorLayer::Ways) && routes != nullptr) addWays(d, layers, findings, *routes, format);
  if (shows(FloorLayer::Reach)) addReach(d, pieces, scheme, findings);
  if (shows(FloorLayer::Talk)) addTalk(d, findings, format);
}

void addUseZones(Drawing& d, const Job& job, const Scheme& scheme, UseState state) {
  const PieceIndex pieces(job);
  for (const UseZone& zone : useZones(pieces, scheme, state))
    for (const Convex& part : zone.parts) {
      const Stroke stroke{Ink::Fine, kDimensionLine, Dash::Dashed};
      if (part.core.size() == 1)
        d.add(Layer::Working, "use:" + zone.id, ArcItem{part.core[0], part.radius, 0, 360, Ink::None, stroke});
      else d.add(Layer::Working, "use:" + zone.id, PathItem{part.core, true, Ink::None, stroke});
    }
}

}  // namespace mezzet
