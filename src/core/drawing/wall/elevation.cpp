#include "core/drawing/wall/elevation.h"

#include <algorithm>
#include <cmath>

#include "core/space/bodies.h"
#include "core/drawing/base/drafting.h"
#include "core/light/aim.h"
#include "core/drawing/display/thing_front.h"
#include "core/drawing/wall/furniture_front.h"
#include "core/hang/leaning.h"
#include "core/drawing/wall/nail_marks.h"
#include "core/drawing/wall/wall_site.h"
#include "core/drawing/base/working.h"
#include "core/space/hung.h"
#include "core/space/standing.h"
#include "core/model/kinds.h"
#include "core/rules/check.h"
#include "core/site/heights.h"
#include "core/rules/registry.h"

namespace mezzet {
namespace {

constexpr double kNamesMargin = 30;  // mm of paper: names of bands stand there while one works
constexpr double kSideMargin = 11, kBareSide = 2, kTopMargin = 5.5, kBareTop = 1;  // mm of paper
constexpr double kLeastStrip = 300, kStripFree = 40;  // the floor strip's depth, and beyond what stands there
constexpr double kStripCut = 60;                      // drawn thickness of the wall over the strip [D]

void addOpeningFront(Drawing& d, const Opening& o, const Wall& wall, LengthFormat format) {
  const double right = wall.length() - o.offset, left = right - o.width;
  const Ink fill = o.kind == OpeningKind::Window ? Ink::Glass : o.kind == OpeningKind::Arch ? Ink::Paper : Ink::Wood;
  d.add(Layer::Opening, o.id.value,
        rectangle({left, o.sill}, {right, o.head()}, fill, {Ink::Ink, kFurnitureLine, Dash::Solid}));
  if (o.kind == OpeningKind::Window) {
    const double u = (left + right) / 2, v = (o.sill + o.head()) / 2;
    d.add(Layer::Opening, o.id.value, line({u, o.sill}, {u, o.head()}, thin()));
    d.add(Layer::Opening, o.id.value, line({left, v}, {right, v}, thin()));
    d.add(Layer::Opening, o.id.value, rectangle({left - 40, o.sill - 35}, {right + 40, o.sill}, Ink::Paper, thin()));
  } else if (o.kind == OpeningKind::Door) {
    const double knob = o.hinge == Hinge::Start ? left + 70 : right - 70;
    d.add(Layer::Opening, o.id.value,
          rectangle({left + 45, o.sill + 120}, {right - 45, o.head() - 120}, Ink::None, fine(Ink::Ink)));
    d.add(Layer::Opening, o.id.value, ArcItem{{knob, o.sill + 1000}, 26, 0, 360, Ink::Ink, Stroke{}});
  }
  LengthFormat bare = format;
  bare.withUnit = false;
  const std::string text = o.kind == OpeningKind::Window
                               ? "sill " + writeLength(o.sill, bare) + ", head " + writeLength(o.head(), bare)
                               : writeLength(o.width, bare) + " x " + writeLength(o.height, bare);
  const double u = (left + right) / 2, beside = (letteringWidth(text, kSmallLetters) / 2 + 4) * d.scale;
  d.add(labelOnlyAt(Layer::Label, o.id.value, Rank::Note,
                    {{u, o.head() + 3.2 * d.scale},
                     {u, o.head() - 3.2 * d.scale},
                     {u, (o.sill + o.head()) / 2},
                     {u, o.sill - 5 * d.scale},
                     {left - beside, o.head() - 3.2 * d.scale},
                     {right + beside, o.head() - 3.2 * d.scale}},
                    TextItem{{}, text, kSmallLetters, Align::Centre, 0, Ink::Quiet, Ink::None}));
}

/// As deep as what stands there.
double stripDepth(const Job& job, const Scheme* scheme, const Wall& wall) {
  double deep = kLeastStrip;
  if (scheme == nullptr) return deep;
  for (const Standing& s : standingAt(job, *scheme, wall)) deep = std::max(deep, s.offWallFar + kStripFree);
  return deep;
}

/// Where the floor strip begins below the floor line: the length of the wall stands between.
double stripBelow(double scale) { return kElevationCut + kStripCut + 5 * scale; }

/// Where a place of the plan lies in the strip.
Vec2 inStrip(const Wall& wall, double scale, Vec2 p) {
  return {wall.length() - dot(p - wall.start, wall.along()), -stripBelow(scale) - dot(p - wall.start, wall.inward())};
}

/// What the mirror shows, as far as the strip reaches.
void addMirrorCone(Drawing& d, const MirrorCone& cone, const Wall& wall, double deep) {
  const auto cut = [&](Vec2 from, Vec2 to) {
    const double off = dot(to - wall.start, wall.inward());
    return from + (to - from) * (off > deep ? deep / off : 1);
  };
  PathItem seen{{}, true, Ink::Band, {Ink::Ink, kDimensionLine, Dash::Dashed}};
  for (const Vec2 p : {cone.a, cut(cone.a, cone.toA), cut(cone.b, cone.toB), cone.b})
    seen.points.push_back(inStrip(wall, d.scale, p));
  d.add(Layer::Working, "mirror", std::move(seen));
}

/// The plan along this wall, turned so that the wall is at the top.
void addFloorStrip(Drawing& d, const Job& job, const Room& room, const Scheme* scheme, const Wall& wall, double deep,
                   LengthFormat format) {
  const double length = wall.length(), below = stripBelow(d.scale);
  const auto home = [&](Vec2 p) { return inStrip(wall, d.scale, p); };
  // A fine edge, so that what stands in it does not float on white paper.
  d.add(Layer::Floor, "", rectangle({0, -below - deep}, {length, -below}, Ink::Floor, fine(Ink::Quiet)));
  d.add(Layer::Wall, wallItem(wall.id),
        rectangle({-kElevationCut, -below}, {length + kElevationCut, -below + kStripCut}, Ink::CutWall, Stroke{}));
  for (const Opening& o : room.openings)
    if (o.wall == wall.id) {
      const double right = length - o.offset;
      d.add(Layer::Opening, o.id.value,
            rectangle({right - o.width, -below}, {right, -below + kStripCut},
                      o.kind == OpeningKind::Window ? Ink::Glass : Ink::Floor, thin()));
    }
  if (scheme == nullptr) return;
  const SchemeNames names(job, *scheme);
  const double wallTurn = directionOf(wall.along());
  // Just what is drawn as standing there above.
  for (const Standing& s : standingAt(job, *scheme, wall)) {
    const Placement& p = *findPlacement(*scheme, s.id);
    const FloorPlace& place = floorPlace(p.on);
    const FloorPlace there{home(place.at), normalisedTurn(place.turn - wallTurn + 180)};
    addPiece(d, pieceOf(job, p), there, p.id.value, midSentence(names.plain(p.id)), format);
    for (const double u : {s.left, s.right})
      d.add(Layer::Dimension, "",
            line({u, 0}, {u, -below - std::max(0.0, s.offWall)}, {Ink::Fine, kFineLine, Dash::Dashed}));
  }
}

}  // namespace

namespace {

/// As it is seen from the room: less high than it is, on what it stands.
void addLeaningFace(Drawing& d, const PieceIndex& pieces, const SchemeNames& names, const LeaningFace& face,
                    Layer layer) {
  Piece seen = pieces.of(*face.placement);
  seen.height = face.face.height();
  const LeaningPlace& leans = *leaning(face.placement->on);
  const PlacementId& id = face.placement->id;
  addHung(d, seen, {leans.wall, leans.u, face.face.centreHeight(), std::nullopt}, id.value, names.plain(id), layer);
}
void addLeaning(Drawing& d, const Job& job, const Room& room, const Scheme& scheme, const CornerId& wall,
                const PlacementIds& without) {
  const PieceIndex pieces(job);
  const SchemeNames names(job, scheme);
  for (const LeaningFace& face : leaningFaces(pieces, room, scheme, wall))
    if (!has(without, face.placement->id)) addLeaningFace(d, pieces, names, face, Layer::Picture);
}

/// Beams of lights that are aimed at this wall.
void addBeams(Drawing& d, const Job& job, const Room& room, const Scheme& scheme, const Wall& wall,
              const RoomHeights& heights) {
  for (const Fixture& f : fixturesIn(PieceIndex(job), room, heights, scheme)) {
    const auto lit = f.piece->light->beam ? litBy(room, f) : std::nullopt;
    if (lit && lit->wall == wall.id)
      d.add(Layer::Dimension, f.id().value,
            PathItem{
                beamOnWall(f, wall, *f.piece->light->beam), true, Ink::None, {Ink::Ink, kDimensionLine, Dash::Dashed}});
  }
}

/// What stands on a thing: seen from its front where it stands in its bays, else as if its top were the floor.
void addCarriedFront(Drawing& d, const Job& job, const Scheme& scheme, const Placement& carrier, const Wall& wall,
                     const Standing& below) {
  constexpr double kSeenFromFront = 0.9;  // cosine
  const PieceIndex pieces(job);
  const bool front = dot(rotated({0, -1}, turnOf(floorPlace(carrier.on).turn)), wall.inward()) > kSeenFromFront;
  if (front && !pieces.of(carrier).surfaces->all.empty()) {
    const auto display = displayOf(job, pieces, roomOf(job, scheme), scheme, carrier.id.value);
    if (display) addThingsFront(d, *display, {below.left, below.floor});
    return;
  }
  for (const Placement& p : scheme.placements) {
    if (carrierOf(p.on) != carrier.id || !below.top || standsInBay(scheme, p)) continue;
    const FloorPlace there = *standsAt(scheme, p);
    Standing s = standingOf(pieces.of(p), p.id, there, wall);
    if (s.top) *s.top += *below.top - s.floor;
    s.floor = *below.top;
    addFurnitureFront(d, pieces.of(p), there, s, wall, p.id.value);
  }
}

}  // namespace

Drawing composeElevation(const Job& job, const Room& room, const Scheme* scheme, const CornerId& wallId,
                         const ElevationOptions& o) {
  Drawing d;
  d.scale = o.scale;
  const auto wall = findWall(room, wallId);
  if (!wall) return d;
  const RoomHeights heights = heightsOf(room);
  const std::vector<Vec2> above = ceilingProfile(room, heights, *wall), below = floorProfile(heights, *wall);
  double ceiling = 0, lowest = 0;
  for (const Vec2 p : above) ceiling = std::max(ceiling, p.y);
  for (const Vec2 p : below) lowest = std::min(lowest, p.y);
  const double length = wall->length(), t = kElevationCut;
  const double deep = stripDepth(job, scheme, *wall);
  d.low = {-t - kSideMargin * d.scale, -stripBelow(d.scale) - (o.strip ? deep + 2 * d.scale : 0)};
  // The other end's height is written, too, where it differs.
  const bool twoHeights = std::abs((above.back().y - below.back().y) - (above.front().y - below.front().y)) > kTouch;
  d.high = {length + t +
                (o.titles     ? kNamesMargin
                 : twoHeights ? kSideMargin
                              : kBareSide) *
                    d.scale,
            ceiling + t + (o.titles ? kTopMargin : kBareTop) * d.scale};

  PathItem face{below, true, Ink::Floor, Stroke{}};
  face.points.insert(face.points.end(), above.rbegin(), above.rend());
  d.add(Layer::Floor, wallItem(wallId), face);
  if (o.grid) addGrid(d, o.gridLow, o.gridHigh, job.units == Unit::Inch);
  // The cut: side walls, ceiling and floor.
  // As thick above a slope as elsewhere.
  PathItem cut{
      {{-t, lowest - t}, {length + t, lowest - t}, {length + t, above.back().y + t}}, true, Ink::CutWall, Stroke{}};
  // Beside a step the cut goes up on the lower side.
  const auto aside = [&](std::size_t i) {
    for (const std::size_t k : {i, i - 1})
      if (k < above.size() && k + 1 < above.size() && std::abs(above[k].x - above[k + 1].x) < 1 &&
          std::abs(above[k].y - above[k + 1].y) > kTouch)
        return above[k].y < above[k + 1].y ? -t : t;
    return 0.0;
  };
  for (std::size_t i = above.size(); i-- > 0;) cut.points.push_back(above[i] + Vec2{aside(i), t});
  for (const Vec2 p : {Vec2{-t, above.front().y + t}, Vec2{-t, lowest - t}, below.front()}) cut.points.push_back(p);
  cut.points.insert(cut.points.end(), above.begin(), above.end());
  cut.points.push_back(below.back());
  cut.points.push_back(below.front());
  d.add(Layer::Wall, wallItem(wallId), cut);
  addTrimLines(d, room, above, below);
  addFixedFront(d, room, *wall, heights, o.format);
  for (const Opening& opening : room.openings)
    if (opening.wall == wallId) addOpeningFront(d, opening, *wall, o.format);
  if (scheme != nullptr) {
    const SchemeNames names(job, *scheme);
    for (const Placement& p : scheme->placements) {
      const auto* hung = onWall(p.on);
      if (hung != nullptr && hung->wall == wallId &&
          std::find(o.without.begin(), o.without.end(), p.id) == o.without.end())
        addHung(d, pieceOf(job, p), *hung, p.id.value, names.plain(p.id), Layer::Picture);
    }
    addBeams(d, job, room, *scheme, *wall, heights);
    addLeaning(d, job, room, *scheme, wallId, o.without);
    for (const Standing& s : standingAt(job, *scheme, *wall)) {
      const Placement& p = *findPlacement(*scheme, s.id);
      addFurnitureFront(d, pieceOf(job, p), floorPlace(p.on), s, *wall, s.id.value);
      addCarriedFront(d, job, *scheme, p, *wall, s);
    }
  }
  addPointsFront(d, room, *wall, heights);
  if (o.alone) {
    d.low = {-t, lowest - t};
    d.high = {length + t, ceiling + t};
    return d;
  }
  if (o.services) d.low.y -= addServices(d, room, *wall, heights, o.format, d.low.y);
  if (o.strip) addFloorStrip(d, job, room, scheme, *wall, deep, o.format);
  // Below the floor line, clear of both cut walls.
  addDimension(d, {{0, -(stripBelow(d.scale) - kStripCut + t) / 2},
                   {length, -(stripBelow(d.scale) - kStripCut + t) / 2},
                   0,
                   writeLength(length, o.format),
                   Layer::Dimension,
                   wallItem(wallId),
                   Ink::Ink,
                   Ink::Paper,
                   Ink::Ink});
  const auto clear = [&](Vec2 foot, Vec2 head, double out) {
    addDimension(d, {foot, head, out, writeLength(head.y - foot.y, o.format), Layer::Dimension, "ceiling", Ink::Ink,
                     Ink::Paper, Ink::Ink});
  };
  clear(below.front(), above.front(), t / d.scale + 7);
  // The other end too, where it is another height.
  if (twoHeights) clear(below.back(), above.back(), -(t / d.scale + 7));
  if (o.titles) {
    addTag(d, {{length + t + 6 * d.scale, ceiling - 4 * d.scale}, {length + t + 6 * d.scale, ceiling / 2}},
           wallId.value, wallItem(wallId));
    // In the corner of what is seen.
    d.add(Layer::Title, "",
          TextItem{{std::min(d.low.x, o.gridLow.x) + 3 * d.scale, std::max(d.high.y, o.gridHigh.y) - 2.6 * d.scale},
                   room.name + ", wall " + wallId.value + " seen from the room",
                   kSmallLetters,
                   Align::Left,
                   0,
                   Ink::Ink,
                   Ink::None});
  }
  return d;
}

Drawing composeElevationWork(const Job& job, const Room& room, const ElevationWork& work, double scale,
                             LengthFormat format) {
  Drawing d;
  d.scale = scale;
  const auto wall = findWall(room, work.wall);
  if (!wall || work.scheme == nullptr) return d;
  const View view{work.wall};
  addBands(d, work.bands, view);
  if (work.nails) addNailMarks(d, *work.nails, work.levelLine, wall->length(), format);
  if (work.mirror) addMirrorCone(d, *work.mirror, *wall, stripDepth(job, work.scheme, *wall));
  // Their names stand beside the wall, never across what hangs on it: at the right, beyond the cut wall; the left has
  // the height.
  std::vector<const Band*> here;
  for (const Band& band : work.bands)
    if (band.view == view) here.push_back(&band);
  std::sort(here.begin(), here.end(), [](const Band* a, const Band* b) { return a->zone[0].y < b->zone[0].y; });
  for (std::size_t i = 0; i < here.size(); ++i) {
    const Band* band = here[i];
    const TextItem words{
        {}, band->beside.empty() ? band->label : band->beside, kSmallLetters, Align::Left, 0, Ink::Ink, Ink::Paper};
    const double beside = wall->length() + kElevationCut + 2 * scale, middle = (band->zone[0].y + band->zone[2].y) / 2,
                 apart = 1.6 * kSmallLetters * scale;
    std::vector<Vec2> places;
    for (const double off : {0.0, i == 0 ? -apart : apart, i == 0 ? -2 * apart : 2 * apart})
      places.push_back({beside, middle + off});
    d.add(Layer::Working, "band:" + band->rule,
          line({wall->length(), middle}, {beside - 0.5 * scale, middle}, {Ink::Fine, kFineLine, Dash::Solid}));
    d.add(labelAt(Layer::Working, "band:" + band->rule, Rank::Note, places, words));
  }
  if (here.size() == 2 && here[1]->zone[0].y > here[0]->zone[2].y + kTouch) {
    const double u = wall->length() - 9 * scale, low = here[0]->zone[2].y, high = here[1]->zone[0].y;
    const double tick = 1.6 * scale;
    d.add(Layer::Working, "apart", line({u, low}, {u, high}, {Ink::Breaks, kFurnitureLine, Dash::Solid}));
    for (const double v : {low, high})
      d.add(Layer::Working, "apart", line({u - tick, v}, {u + tick, v}, {Ink::Breaks, kFurnitureLine, Dash::Solid}));
    d.add(labelOnLine(
        Layer::Working, "apart", Rank::Finding, {u, low}, {u, high},
        TextItem{{}, writeLength(high - low, format) + " apart", kSmallLetters, Align::Centre, 0, Ink::Ink, Ink::Paper},
        scale));
  }
  const SchemeNames names(job, *work.scheme);
  for (const PlacementId& id : work.inHand)
    if (const Placement* p = findPlacement(*work.scheme, id))
      if (const auto* place = onWall(p->on))
        addHung(d, pieceOf(job, *p), *place, id.value, names.plain(id), Layer::Working);
  const std::vector<LeaningFace> faces = leaningFaces(PieceIndex(job), room, *work.scheme, work.wall);
  const auto faceOf = [&](const PlacementId& id) {
    return std::find_if(faces.begin(), faces.end(), [&](const LeaningFace& f) { return f.placement->id == id; });
  };
  for (const LeaningFace& face : faces)
    if (has(work.inHand, face.placement->id)) addLeaningFace(d, PieceIndex(job), names, face, Layer::Working);
  if (work.ghost != nullptr)
    if (const Scheme* then = findScheme(*work.ghost, work.scheme->id))
      for (const Placement& q : then->placements) {
        const Placement* before = findPlacement(*work.scheme, q.id);
        const auto* place = onWall(q.on);
        if (place == nullptr || place->wall != work.wall || (before != nullptr && *before == q)) continue;
        const WallRect r = wallRectOf(pieceOf(*work.ghost, q), *place);
        d.add(Layer::Working, "ghost",
              rectangle({r.left, r.bottom}, {r.right, r.top}, Ink::Band, {Ink::Holds, 0.7, Dash::Dashed}));
      }
  addGuides(d, work.guides);
  for (const PlacementId& id : work.selection)
    if (const Placement* p = findPlacement(*work.scheme, id); p != nullptr && id != work.selected)
      if (const auto* place = onWall(p->on); place != nullptr && place->wall == work.wall) {
        const WallRect r = wallRectOf(pieceOf(job, *p), *place);
        const double edge = 0.6 * scale;
        d.add(Layer::Working, "selection",
              rectangle({r.left - edge, r.bottom - edge}, {r.right + edge, r.top + edge}, Ink::None,
                        {Ink::Accent, 0.8, Dash::Solid}));
      }
  const Placement* selected = findPlacement(*work.scheme, work.selected);
  if (const auto at = selected != nullptr ? faceOf(selected->id) : faces.end(); at != faces.end()) {
    const WallRect r = at->face;
    d.add(Layer::Working, "selection",
          rectangle({r.left - 0.7 * scale, r.bottom - 0.7 * scale}, {r.right + 0.7 * scale, r.top + 0.7 * scale},
                    Ink::None, {Ink::Accent, 1.1, Dash::Solid}));
    for (const Tape& tape : work.tapes) addTape(d, tape, format, work.typedInto != tapeItem(tape.side));
    return d;
  }
  const auto* hung = selected != nullptr ? onWall(selected->on) : nullptr;
  if (hung == nullptr || hung->wall != work.wall) {
    for (Finding f : work.findings) {
      if (f.view != view) continue;
      if (showsOf(f.rule, shows::kCentreHeight)) {
        // The height of the centre is drawn beside the frame, clear of the gap below it.
        const auto envelope = hungWith(job, *work.scheme, PlacementId(f.subjects.front()));
        const double aside = envelope ? envelope->envelope.left - 7 * scale : f.at[0].x;
        if (f.verdict == Verdict::Breaks)
          d.add(Layer::Working, ItemId(ItemId::Of::Finding, f.id),
                line({aside, f.at[1].y}, {f.at[1].x, f.at[1].y}, fine(Ink::Breaks)));
        for (Vec2& p : f.at) p.x = aside;
      }
      addFindingMark(d, f, format);
    }
    return d;
  }
  const WallRect r = wallRectOf(pieceOf(job, *selected), *hung);
  const double edge = 0.7 * scale;
  d.add(Layer::Working, "selection",
        rectangle({r.left - edge, r.bottom - edge}, {r.right + edge, r.top + edge}, Ink::None,
                  {Ink::Accent, 1.1, Dash::Solid}));
  // The centre: a cross, and its height from the floor to the left of the frame.
  const double arm = 1.8 * scale;
  const WallRect whole = selectedWhole(job, *work.scheme, work.selected, work.selection.size());
  const double mid = (whole.left + whole.right) / 2, v = whole.centreHeight();
  d.add(Layer::Working, "centre", line({mid - arm, v}, {mid + arm, v}, {Ink::Paper, 0.5, Dash::Solid}));
  d.add(Layer::Working, "centre", line({mid, v - arm}, {mid, v + arm}, {Ink::Paper, 0.5, Dash::Solid}));
  const double u = std::max(whole.left - 7 * scale, 3 * scale);
  d.add(Layer::Working, centreTape(), line({u, v}, {whole.left, v}, fine(Ink::Ink)));
  const double floor = floorUnder(room, *hung);
  const Tape centre{Side::Up, {0, 1}, {u, floor}, {u, v}, v - floor, Thing{Thing::Of::Floor}};
  addTape(d, centre, format, work.typedInto != centreTape(), centreTape());
  for (const Tape& tape : work.tapes) addTape(d, tape, format, work.typedInto != tapeItem(tape.side));
  return d;
}

}  // namespace mezzet
