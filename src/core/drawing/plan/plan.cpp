#include "core/drawing/plan/plan.h"

#include "core/choose/areas.h"
#include "core/drawing/plan/furniture_plan.h"

#include <algorithm>
#include <cmath>

#include "core/space/hung.h"
#include "core/space/bodies.h"
#include "core/drawing/base/drafting.h"
#include "core/drawing/plan/fixed_plan.h"
#include "core/model/kinds.h"
#include "core/space/carried.h"
#include "core/rules/check.h"
#include "core/site/heights.h"

namespace mezzet {
namespace {

// Distances on paper (mm) from the wall's outer face outward.
constexpr double kDimensionOut = 8, kDimensionIn = 5.5, kTagNear = 6, kMargin = 12.5, kSillOut = 2.4;
constexpr double kTagApart = 1.5;  // of a wall's letter from its length

struct WallDraft {
  Wall wall;
  Vec2 outerStart, outerEnd;  // mitred corners of the outer face
};

/// Where the outer faces of two walls meet at the corner between them; `of` is the one whose end is asked for, since
/// walls in one line but of two thicknesses do not meet.
Vec2 mitre(const Wall& before, const Wall& after, const Wall& of) {
  const Vec2 corner = after.start, n = -before.inward(), m = -after.inward();
  const double det = cross(n, m);
  if (1 + dot(n, m) < 0.1) return corner + (n + m) * (of.thickness / 2);  // nearly folded back: blunt the point
  if (std::abs(det) < 1e-6) return corner - of.inward() * of.thickness;
  const double a = before.thickness, b = after.thickness;
  return corner + Vec2{(a * m.y - b * n.y) / det, (n.x * b - m.x * a) / det};
}

std::vector<WallDraft> wallDrafts(const Room& room) {
  const std::vector<Wall> walls = wallsOf(room);
  const std::size_t n = walls.size();
  std::vector<WallDraft> out;
  for (std::size_t i = 0; i < n; ++i)
    out.push_back(
        {walls[i], mitre(walls[(i + n - 1) % n], walls[i], walls[i]), mitre(walls[i], walls[(i + 1) % n], walls[i])});
  return out;
}

void addSolidWall(Drawing& d, const WallDraft& w, double from, double to, const ItemId& id) {
  const Vec2 along = w.wall.along(), out = -w.wall.inward() * w.wall.thickness;
  const double length = w.wall.length();
  const Vec2 a = w.wall.start + along * from, b = w.wall.start + along * to;
  const Vec2 outerA = from <= 0 ? w.outerStart : a + out, outerB = to >= length ? w.outerEnd : b + out;
  d.add(Layer::Wall, id, PathItem{{a, b, outerB, outerA}, true, Ink::CutWall, {Ink::CutWall, kWallLine, Dash::Solid}});
}

void addDoor(Drawing& d, const Opening& o, const Wall& wall, Vec2 a, Vec2 b) {
  const Vec2 in = o.swing == Swing::In ? wall.inward() : -wall.inward();
  const Vec2 hinge =
      (o.hinge == Hinge::Start ? a : b) + (o.swing == Swing::In ? Vec2{} : -wall.inward() * wall.thickness);
  const Vec2 closed = unit((o.hinge == Hinge::Start ? b - a : a - b));
  d.add(Layer::Opening, o.id.value, line(hinge, hinge + in * o.width, {Ink::Ink, kFurnitureLine * 1.4, Dash::Solid}));
  const double from = directionOf(closed);
  const double span = cross(closed, in) > 0 ? 90 : -90;
  d.add(Layer::Opening, o.id.value,
        ArcItem{hinge, o.width, span > 0 ? from : from - 90, 90, Ink::None, {Ink::Fine, kDimensionLine, Dash::Dashed}});
}

/// Two leaves that swing in or out from the jambs.
void addCasements(Drawing& d, const Opening& o, const Wall& wall, Vec2 a, Vec2 b) {
  if (o.leaf != WindowLeaf::CasementIn && o.leaf != WindowLeaf::CasementOut) return;
  const bool in = o.leaf == WindowLeaf::CasementIn;
  const Vec2 face = in ? Vec2{} : -wall.inward() * wall.thickness, side = in ? wall.inward() : -wall.inward();
  // Outside only a hint: sill, head and the wall's dimension stand there.
  const double leaf = in ? o.width / 2 : std::min(o.width / 2, 2 * d.scale);
  for (const auto& [hinge, closed] : {std::pair(a, wall.along()), std::pair(b, -wall.along())}) {
    const Vec2 open = unit(side + closed * 0.35);
    d.add(Layer::Opening, o.id.value, line(hinge + face, hinge + face + open * leaf, fine(Ink::Ink)));
    if (!in) continue;
    const double from = directionOf(closed), span = cross(closed, side) > 0 ? 70 : -70;
    d.add(
        Layer::Opening, o.id.value,
        ArcItem{hinge + face, leaf, span > 0 ? from : from - 70, 70, Ink::None, {Ink::Fine, kFineLine, Dash::Dashed}});
  }
}

/// Drawn curtains beside a window: a wave on the wall's face.
void addCurtains(Drawing& d, const Opening& o, const Wall& wall, Vec2 a, Vec2 b) {
  if (!o.curtainStack || *o.curtainStack <= 0) return;
  const double deep = 60, fold = 50;
  const int folds = std::clamp(static_cast<int>(*o.curtainStack / fold), 2, 40);
  for (const auto& [from, along] : {std::pair(a, -wall.along()), std::pair(b, wall.along())}) {
    PathItem wave{{}, false, Ink::None, fine(Ink::Ink)};
    for (int i = 0; i <= folds; ++i)
      wave.points.push_back(from + along * (*o.curtainStack * i / folds) +
                            wall.inward() * (i % 2 == 0 ? deep * 0.3 : deep * 1.3));
    d.add(Layer::Opening, o.id.value, wave);
  }
}

void addOpening(Drawing& d, const Opening& o, const Wall& wall, const PlanOptions& options) {
  const Vec2 along = wall.along(), out = -wall.inward() * wall.thickness;
  const Vec2 a = wall.start + along * o.offset, b = a + along * o.width;
  d.add(Layer::Opening, o.id.value,
        PathItem{{a, b, b + out, a + out}, true, o.kind == OpeningKind::Window ? Ink::Glass : Ink::Floor, Stroke{}});
  for (const Vec2 jamb : {a, b})
    d.add(Layer::Opening, o.id.value, line(jamb, jamb + out, {Ink::Ink, kFurnitureLine, Dash::Solid}));
  LengthFormat bare = options.format;
  bare.withUnit = false;
  switch (o.kind) {
    case OpeningKind::Door: addDoor(d, o, wall, a, b); break;
    case OpeningKind::Sliding:
      d.add(Layer::Opening, o.id.value,
            line(a + out * 0.35, a + along * (o.width * 0.55) + out * 0.35, {Ink::Ink, kFurnitureLine, Dash::Solid}));
      d.add(Layer::Opening, o.id.value,
            line(b + out * 0.65, b - along * (o.width * 0.55) + out * 0.65, {Ink::Ink, kFurnitureLine, Dash::Solid}));
      break;
    case OpeningKind::Window: {
      for (const double t : {0.0, 0.5, 1.0}) d.add(Layer::Opening, o.id.value, line(a + out * t, b + out * t, thin()));
      addCasements(d, o, wall, a, b);
      addCurtains(d, o, wall, a, b);
      if (options.named) break;
      // Outside, before the wall's dimension: what stands before the window keeps its own words.
      const Vec2 outside = midpoint(a, b) + out - wall.inward() * (kSillOut * d.scale), step = along * (4 * d.scale);
      d.add(labelAt(Layer::Label, o.id.value, Rank::Note,
                    {outside, outside + step, outside - step, outside + step * 2, outside - step * 2},
                    TextItem{{},
                             "sill " + writeLength(o.sill, bare) + ", head " + writeLength(o.head(), bare),
                             kSmallLetters,
                             Align::Centre,
                             readableTurn(along),
                             Ink::Quiet,
                             Ink::None}));
      break;
    }
    case OpeningKind::Arch:
      for (const double t : {0.0, 1.0})
        d.add(Layer::Opening, o.id.value, line(a + out * t, b + out * t, {Ink::Fine, kDimensionLine, Dash::Dashed}));
      break;
  }
}

/// "door to the stair hall", or the name typed for it: in the opening where its words fit, else before or beside it.
void addOpeningName(Drawing& d, const Job& job, const Opening& o, const Wall& wall) {
  std::string name = o.name.empty() ? std::string(openingWord(o.kind)) : midSentence(o.name);
  const Room* beyond = o.leadsTo ? findRoom(job, o.leadsTo->room) : nullptr;
  if (o.name.empty() && beyond != nullptr) name += " to " + midSentence(beyond->name);
  const Vec2 face = middleOf(wall, o), out = -wall.inward(), along = wall.along() * (4 * d.scale);
  const double beyondWall = wall.thickness + kSillOut * d.scale, inside = kSillOut * d.scale;
  std::vector<Vec2> places;
  if (o.kind != OpeningKind::Window && wall.thickness > 1.3 * kSmallLetters * d.scale &&
      letteringWidth(name, kSmallLetters) * d.scale < o.width * 0.9)
    places.push_back(face + out * (wall.thickness / 2));
  for (const double off : {beyondWall, -inside})
    for (const double by : {0.0, 1.0, -1.0, 2.0, -2.0}) places.push_back(face + out * off + along * by);
  d.add(labelAt(Layer::Label, o.id.value, Rank::Note, places,
                TextItem{{}, name, kSmallLetters, Align::Centre, readableTurn(wall.along()), Ink::Quiet, Ink::None}));
}

/// Near the middle, on floor that nothing stands or lies on, as far as a net of places finds it; else nowhere.
void addRoomName(Drawing& d, const Job& job, const Room& room, const Scheme* scheme, const Polygon& outline) {
  const TextItem words{{}, room.name, kTitleLetters, Align::Centre, 0, Ink::Ink, Ink::None};
  const Vec2 half = Vec2{textWidth(words), textHeight(words)} * (d.scale / 2);
  std::vector<Body> taken;
  if (scheme != nullptr) taken = floorBodies(job, *scheme);
  const Box box = boundsOf(outline);
  const Vec2 middle = centroidOf(outline);
  std::vector<Vec2> places;
  constexpr int kNet = 16;
  for (int i = 1; i < kNet; ++i)
    for (int k = 1; k < kNet; ++k) {
      const Vec2 p{box.low.x + (box.high.x - box.low.x) * i / kNet, box.low.y + (box.high.y - box.low.y) * k / kNet};
      const Box here{p - half, p + half};
      if (contains(outline, p) && std::none_of(taken.begin(), taken.end(),
                                               [&](const Body& body) { return !furtherApart(body.bounds, here, 0); }))
        places.push_back(p);
    }
  std::stable_sort(places.begin(), places.end(),
                   [&](Vec2 a, Vec2 b) { return distance(a, middle) < distance(b, middle); });
  d.add(labelOnlyAt(Layer::Label, room.id.value, Rank::Note, places, words));
}

/// What each part of the room is for: a dashed edge inside its outline, and its word at one of its corners.
void addAreas(Drawing& d, const Scheme& scheme) {
  constexpr double kAreaIn = 1.2, kWordIn = 3;  // mm of paper
  for (const RoomArea& area : scheme.areas) {
    const ItemId id = area.id.value;
    for (const Polygon& edge : grownSquare(area.outline, -kAreaIn * d.scale))
      d.add(Layer::Label, id, PathItem{edge, true, Ink::None, {Ink::Quiet, kDimensionLine, Dash::Dashed}});
    const Vec2 middle = centroidOf(area.outline);
    std::vector<Vec2> places;
    for (const Vec2 corner : area.outline) {
      const Vec2 in{corner.x < middle.x ? 1.0 : -1.0, corner.y < middle.y ? 1.0 : -1.0};
      const double half = letteringWidth(areaWords(area.use), kLetters) / 2 + kWordIn;
      places.push_back(corner + Vec2{in.x * half, in.y * kWordIn * 1.4} * d.scale);
    }
    places.push_back(middle);
    d.add(labelAt(Layer::Label, id, Rank::Note, places,
                  TextItem{{}, areaWords(area.use), kLetters, Align::Centre, 0, Ink::Quiet, Ink::None}));
  }
}

void addWallsAndOpenings(Drawing& d, const Job& job, const Room& room, const PlanOptions& options) {
  for (const WallDraft& w : wallDrafts(room)) {
    std::vector<const Opening*> here;
    for (const Opening& o : room.openings)
      if (o.wall == w.wall.id) here.push_back(&o);
    std::sort(here.begin(), here.end(), [](const Opening* a, const Opening* b) { return a->offset < b->offset; });
    double from = 0;
    for (const Opening* o : here) {
      if (o->offset > from) addSolidWall(d, w, from, o->offset, wallItem(w.wall.id));
      from = std::max(from, o->offset + o->width);
    }
    if (from < w.wall.length()) addSolidWall(d, w, from, w.wall.length(), wallItem(w.wall.id));
    for (const Opening* o : here) {
      addOpening(d, *o, w.wall, options);
      if (options.named) addOpeningName(d, job, *o, w.wall);
    }
  }
}

void addWallDimensions(Drawing& d, const Room& room, LengthFormat format) {
  const std::vector<Wall> walls = wallsOf(room);
  const Polygon outline = outlineOf(room);
  for (std::size_t i = 0; i < walls.size(); ++i) {
    const Wall& wall = walls[i];
    const double face = wall.thickness / d.scale;
    const ItemId id = wallItem(wall.id);
    const std::string text = writeLength(wall.length(), format);
    const std::size_t next = (i + 1) % walls.size(), before = (i + walls.size() - 1) % walls.size();
    // Outside, two dimensions would cross in the angle of a jutting corner: the shorter wall has its own inside.
    const bool inside = (isReflex(outline, i) && wall.length() < walls[before].length()) ||
                        (isReflex(outline, next) && wall.length() <= walls[next].length());
    // The dimension runs from end to start, so that "left of it" is outside.
    addDimension(d, {wall.end, wall.start, inside ? -kDimensionIn : face + kDimensionOut, text, Layer::Dimension, id,
                     Ink::Ink, inside ? Ink::Floor : Ink::Paper, Ink::Ink});
    // Its letter stands on the same line beside its length, or outside the wall where that is measured inside.
    const double out = face + (inside ? kTagNear : kDimensionOut),
                 beside = letteringWidth(text, kLetters) / 2 + kLetters * 0.5 + kTagCircle + kTagApart;
    std::vector<Vec2> places;
    const auto place = [&](double along, double further) {
      places.push_back(wall.start + wall.along() * along - wall.inward() * ((out + further) * d.scale));
    };
    const double length = wall.length();
    for (const double side : {-1.0, 1.0}) place(length / 2 + (inside ? 0 : side * beside * d.scale), 0);
    for (const double share : {0.28, 0.72, 0.15, 0.85, 0.0, 1.0, 0.5})
      for (const double further : {0.0, inside ? 3.0 : -4.5}) place(share * length, further);
    addTag(d, places, wall.id.value, id);
  }
}

/// A picture on a wall shows in plan as a bar on the face of its wall; what leans takes what it stands on, out to its
/// front.
void addOnWalls(Drawing& d, const PieceIndex& pieces, const Room& room, const Scheme& scheme) {
  const auto bar = [&](const ItemId& id, Vec2 from, Vec2 to, Vec2 in) {
    d.add(Layer::Picture, id,
          PathItem{{from, to, to + in, from + in}, true, Ink::Mount, {Ink::Ink, kDimensionLine, Dash::Solid}});
  };
  for (const Placement& p : scheme.placements) {
    const auto* hung = onWall(p.on);
    const auto* leans = leaning(p.on);
    const auto wall = hung != nullptr    ? findWall(room, hung->wall)
                      : leans != nullptr ? findWall(room, leans->wall)
                                         : std::nullopt;
    if (!wall) continue;
    const Vec2 at = onWall(*wall, hung != nullptr ? hung->u : leans->u),
               half = wall->along() * (pieces.of(p).width / 2);
    if (hung != nullptr) {
      bar(p.id.value, at - half, at + half, wall->inward() * std::max(40.0, 0.9 * d.scale));
      continue;
    }
    const double deep = pieces.of(p).depth.value_or(kUsualFrameDepth);
    bar(p.id.value, at - half, at + half, wall->inward() * std::max(leans->lean + deep, 0.9 * d.scale));
    const Vec2 back = wall->inward() * leans->lean;
    d.add(Layer::Picture, p.id.value, line(at - half + back, at + half + back, thin()));
  }
}

}  // namespace

Drawing composePlan(const Job& job, const Room& room, const Scheme* scheme, const PlanOptions& o) {
  Drawing d;
  d.scale = o.scale;
  const Polygon outline = outlineOf(room);
  const Box box = boundsOf(outline);
  d.low = box.low;
  d.high = box.high;
  double thickest = kUsualWall;
  for (const Wall& wall : wallsOf(room)) thickest = std::max(thickest, wall.thickness);
  constexpr double kBareMargin = 1;  // mm of paper
  const double margin = thickest + (o.bare ? kBareMargin : kMargin) * d.scale;
  d.low = d.low - Vec2{margin, margin};
  d.high += Vec2{margin, margin};

  d.add(Layer::Floor, room.id.value, PathItem{outline, true, Ink::Floor, Stroke{}});
  if (o.grid) addGrid(d, o.gridLow, o.gridHigh, job.units == Unit::Inch);
  for (const Feature& f : room.features)
    if (f.kind != FeatureKind::Niche && f.kind != FeatureKind::Beam) addFeature(d, room, f, o.format);
  addWallsAndOpenings(d, job, room, o);
  for (const Feature& f : room.features)
    if (f.kind == FeatureKind::Niche || f.kind == FeatureKind::Beam) addFeature(d, room, f, o.format);
  if (!o.named && !o.bare) addPoints(d, room);
  if (!o.bare) addWallDimensions(d, room, o.format);
  if (scheme != nullptr) {
    const PieceIndex pieces(job);
    const SchemeNames names(job, *scheme);
    for (const bool rugs : {true, false})
      for (const Placement& p : scheme->placements) {
        const auto* place = onFloor(p.on);
        const Piece& piece = pieces.of(p);
        if (place == nullptr || std::find(o.without.begin(), o.without.end(), p.id) != o.without.end() ||
            isRug(piece.kind) != rugs)
          continue;
        addPiece(d, piece, *place, p.id.value, midSentence(names.plain(p.id)), o.format);
      }
    // What stands on something, over it.
    for (const Placement& p : scheme->placements)
      if (const auto place = carrierOf(p.on) && !standsInBay(*scheme, p) ? standsAt(*scheme, p) : std::nullopt)
        addFurniturePlan(d, pieces.of(p), *place, p.id.value, Layer::Furniture);
    addOnWalls(d, pieces, room, *scheme);
  }
  if (scheme != nullptr) addAreas(d, *scheme);
  if (o.named) addRoomName(d, job, room, scheme, outline);
  if (o.titles) {
    // In the corners of what is seen, of which the drawing may be a part.
    const double p = d.scale;
    const Vec2 low{std::min(d.low.x, o.gridLow.x), std::min(d.low.y, o.gridLow.y)},
        high{std::max(d.high.x, o.gridHigh.x), std::max(d.high.y, o.gridHigh.y)};
    d.add(Layer::Title, "",
          TextItem{{high.x - 3 * p, low.y + 7.5 * p},
                   ceilingWords(room, o.format),
                   kSmallLetters,
                   Align::Right,
                   0,
                   Ink::Ink,
                   Ink::Paper});
    addNorth(d, {high.x - 5 * p, high.y - 7 * p});
    const double reach = job.units == Unit::Inch ? 5 * kFoot : 2000,
                 bar = reach + (letteringWidth(writeLength(reach, o.format), kSmallLetters) + 6) * p;
    addScaleBar(d, {high.x - bar, low.y + 2.5 * p}, job.units == Unit::Inch, o.format);
  }
  if (o.bare) {
    d.labels.clear();
    std::erase_if(d.items, [](const Item& item) { return std::holds_alternative<TextItem>(item.shape); });
  }
  return d;
}

}  // namespace mezzet
