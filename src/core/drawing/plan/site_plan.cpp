#include "core/drawing/plan/site_plan.h"

#include <algorithm>
#include <cmath>

#include "core/drawing/base/drafting.h"
#include "core/geometry/convex.h"
#include "core/drawing/plan/plan.h"
#include "core/site/openings.h"

namespace mezzet {
namespace {

constexpr double kMostBar = 6;  // mm of paper: the longest residual bar
constexpr double kBarPerMm = 0.6;

}  // namespace

Drawing composeHeightMarks(const Room& room, const HeightReport& report, const ReadingId& chosen, double scale,
                           LengthFormat format) {
  Drawing d;
  d.scale = scale;
  for (const CeilingArea& a : room.ceilingAreas) {
    d.add(Layer::Working, "ceiling:" + a.id.value,
          PathItem{a.outline, true, Ink::None, {Ink::Ink, kFurnitureLine, Dash::Dashed}});
    const Vec2 middle = centroidOf(a.outline);
    d.add(labelAt(Layer::Working, "ceiling:" + a.id.value, Rank::Piece,
                  {middle + Vec2{0, 8 * scale}, middle - Vec2{0, 8 * scale}, middle, middle + Vec2{0, 16 * scale},
                   middle - Vec2{0, 16 * scale}},
                  TextItem{{},
                           "ceiling " + a.id.value + (a.shape == CeilingShape::Sloped ? ", sloped" : ", flat"),
                           kSmallLetters,
                           Align::Centre,
                           0,
                           Ink::Ink,
                           Ink::Floor}));
  }
  // A sloping ceiling says which way it falls.
  const RoomHeights heights = heightsOf(room);
  for (const CeilingPart& part : heights.parts) {
    const double slope = std::hypot(part.plane.gx, part.plane.gy);
    if (slope < 1e-3) continue;
    const Vec2 down = Vec2{-part.plane.gx, -part.plane.gy} * (1 / slope);
    // Beside the middle, where a height is often taken.
    const Vec2 at = centroidOf(part.outline.empty() ? outlineOf(room) : part.outline) + leftOf(down) * (14 * scale);
    const Vec2 tip = at + down * (10 * scale), side = leftOf(down) * (1.2 * scale);
    d.add(Layer::Working, "", line(at - down * (10 * scale), tip, thin()));
    d.add(Layer::Working, "",
          PathItem{
              {tip, tip - down * (2.4 * scale) + side, tip - down * (2.4 * scale) - side}, true, Ink::Ink, Stroke{}});
    d.add(labelOnLine(Layer::Working, "falls", Rank::Note, at - down * (10 * scale), tip,
                      TextItem{{}, "falls", kSmallLetters, Align::Centre, readableTurn(down), Ink::Ink, Ink::Floor},
                      scale));
  }
  for (const HeightReading& h : room.heights) {
    if (h.taken.superseded) continue;
    const ItemId id(ItemId::Of::Height, h.id.value);
    const auto row =
        std::find_if(report.rows.begin(), report.rows.end(), [&](const HeightRow& r) { return r.reading == h.id; });
    const bool bad = row != report.rows.end() && std::abs(row->residual) > 3 * row->sigma;
    const double r = 1.3 * scale;
    if (h.kind == HeightKind::ToFloor)
      d.add(Layer::Working, id,
            PathItem{{h.at + Vec2{-r, r}, h.at + Vec2{r, r}, h.at + Vec2{0, -r}},
                     true,
                     Ink::Paper,
                     {Ink::Ink, kFurnitureLine, Dash::Solid}});
    else
      d.add(Layer::Working, id,
            ArcItem{h.at,
                    r,
                    0,
                    360,
                    h.kind == HeightKind::Clear ? Ink::Holds : Ink::Paper,
                    {Ink::Ink, kFurnitureLine, Dash::Solid}});
    const std::string words = (h.kind == HeightKind::ToFloor     ? "down "
                               : h.kind == HeightKind::ToCeiling ? "up "
                                                                 : "") +
                              writeLength(h.taken.value, format);
    const TextItem figure{
        {}, words, kSmallLetters, Align::Centre, 0, Ink::Ink, h.id == chosen ? Ink::Accent : Ink::Floor};
    const Vec2 beside{(textWidth(figure) / 2 + 2.2) * scale, 0}, over{0, 4.2 * scale};
    Label label =
        labelAt(Layer::Working, id, Rank::Dimension, {h.at + beside, h.at - beside, h.at + over, h.at - over}, figure);
    label.anchors = {h.at};
    label.needed = true;
    d.add(std::move(label));
    if (row != report.rows.end() && std::abs(row->residual) > 0.05) {
      const double bar = std::clamp(row->residual * kBarPerMm, -kMostBar, kMostBar) * scale;
      d.add(Layer::Working, id, line(h.at, h.at + Vec2{0, bar}, {bad ? Ink::Breaks : Ink::Holds, 0.8, Dash::Solid}));
    }
  }
  return d;
}

void addSpot(Drawing& d, Vec2 at) {
  const double r = 3 * d.scale;
  for (const Vec2 arm : {Vec2{r, 0}, Vec2{0, r}}) {
    d.add(Layer::Working, "spot", line(at - arm, at + arm, {Ink::Ink, 1.1, Dash::Solid}));
    d.add(Layer::Working, "spot", line(at - arm, at + arm, {Ink::Accent, 0.6, Dash::Solid}));
  }
}

Drawing composeOpeningMarks(const Room& room, const CornerId& shown, double scale, LengthFormat format) {
  constexpr double kIn = 7;  // mm of paper inside the wall's face
  Drawing d;
  d.scale = scale;
  LengthFormat bare = format;
  bare.withUnit = false;
  for (const Wall& wall : wallsOf(room)) {
    std::vector<const Opening*> here;
    for (const Opening& o : room.openings)
      if (o.wall == wall.id) here.push_back(&o);
    if (here.empty() || wall.id != shown) continue;
    std::sort(here.begin(), here.end(), [](const Opening* a, const Opening* b) { return a->offset < b->offset; });
    const auto closure = closureOf(room, wall.id);
    const bool bad = closure.ok() && !closure->closes();
    std::vector<double> stops{0};
    for (const Opening* o : here) {
      stops.push_back(o->offset);
      stops.push_back(o->offset + o->width);
    }
    stops.push_back(wall.length());
    const auto at = [&](double s) { return wall.start + wall.along() * s; };
    for (std::size_t i = 0; i + 1 < stops.size(); ++i) {
      if (stops[i + 1] - stops[i] < 1) continue;
      const std::string text = writeLength(stops[i + 1] - stops[i], bare);
      addDimension(d, {at(stops[i]), at(stops[i + 1]), kIn, text, Layer::Working, "opening",
                       bad ? Ink::Breaks : Ink::Ink, Ink::Floor, Ink::Ink});
    }
    for (const Opening* o : here) {
      const Vec2 middle = middleOf(wall, *o) + wall.inward() * ((kIn + 5.4) * scale);
      std::string words;
      if (closure.ok())
        for (const OpeningPlace& p : closure->places)
          if (p.opening == o->id && p.misclosure)
            words = std::abs(*p.misclosure) < 0.5
                        ? "closes"
                        : (*p.misclosure > 0 ? "over by " : "short by ") + writeLength(std::abs(*p.misclosure), format);
      if (!words.empty())
        d.add(labelAt(Layer::Working, o->id.value, Rank::Finding,
                      {middle, middle + wall.inward() * (4 * scale), middle + wall.along() * (8 * scale),
                       middle - wall.along() * (8 * scale), middle + wall.inward() * (8 * scale)},
                      TextItem{{},
                               words,
                               kSmallLetters,
                               Align::Centre,
                               readableTurn(wall.along()),
                               Ink::Ink,
                               bad ? Ink::Accent : Ink::Floor}));
    }
  }
  return d;
}

Drawing composePhotographMarks(const Room& room, const PhotographId& chosen, double scale) {
  Drawing d;
  d.scale = scale;
  int number = 0;
  for (const Photograph& p : room.photographs) {
    Vec2 at = p.at;
    if (const auto wall = findWall(room, p.wall))
      at = onWall(*wall, std::clamp(p.at.x, 0.0, wall->length())) + wall->inward() * (4 * scale);
    const double w = 2.6 * scale, h = 1.9 * scale;
    const ItemId id(ItemId::Of::Photograph, p.id.value);
    d.add(Layer::Working, id,
          rectangle(at - Vec2{w, h}, at + Vec2{w, h}, p.id == chosen ? Ink::Accent : Ink::Paper,
                    {Ink::Ink, kFurnitureLine, Dash::Solid}));
    Label figure =
        labelAt(Layer::Working, id, Rank::Tape, {at},
                TextItem{{}, std::to_string(++number), kSmallLetters, Align::Centre, 0, Ink::Ink, Ink::None});
    figure.needed = true;
    d.add(std::move(figure));
  }
  return d;
}

Drawing composeStorey(const Job& job, const HouseStorey& storey, const RoomId& chosen, double scale,
                      LengthFormat format) {
  Drawing d;
  d.scale = scale;
  bool first = true;
  for (const PlacedRoom& placed : storey.rooms) {
    const Room& room = *findRoom(job, placed.room);
    // The room's own plan, turned: one drawing of a wall serves here too.
    PlanOptions options;
    options.scale = scale;
    options.format = format;
    options.grid = options.titles = false;
    Drawing plan = composePlan(job, room, nullptr, options);
    const Turn turn = turnOf(normalisedTurn(placed.turn));
    const auto home = [&](Vec2 p) { return placed.at + rotated(p, turn); };
    // A door of two rooms is drawn once: by the room that it swings into.
    const auto drawnBeyond = [&](const std::string& id) {
      const Opening* o = findOpening(room, OpeningId(id));
      return o != nullptr && o->leadsTo && o->kind == OpeningKind::Door && o->swing == Swing::Out;
    };
    for (Item& item : plan.items) {
      if (item.layer == Layer::Opening && drawnBeyond(item.id.id) &&
          !(std::holds_alternative<PathItem>(item.shape) && std::get<PathItem>(item.shape).closed))
        continue;
      if (item.layer == Layer::Dimension || item.layer == Layer::Label || item.layer == Layer::Title) continue;
      if (auto* path = std::get_if<PathItem>(&item.shape)) {
        for (Vec2& p : path->points) p = home(p);
      } else if (auto* arc = std::get_if<ArcItem>(&item.shape)) {
        arc->centre = home(arc->centre);
        arc->start += placed.turn;
      } else {
        continue;
      }
      item.id = {ItemId::Of::Room, room.id.value};
      if (item.layer == Layer::Floor && room.id == chosen)
        if (auto* path = std::get_if<PathItem>(&item.shape)) path->stroke = {Ink::Accent, 1.6, Dash::Solid};
      d.items.push_back(std::move(item));
    }
    Polygon outline;
    for (const Vec2 p : outlineOf(room)) {
      outline.push_back(home(p));
      d.low = first ? outline.back() : Vec2{std::min(d.low.x, outline.back().x), std::min(d.low.y, outline.back().y)};
      d.high =
          first ? outline.back() : Vec2{std::max(d.high.x, outline.back().x), std::max(d.high.y, outline.back().y)};
      first = false;
    }
    const Vec2 middle = centroidOf(outline);
    const ItemId id(ItemId::Of::Room, room.id.value);
    const TextItem name{{}, room.name, kTitleLetters, Align::Centre, 0, Ink::Ink, Ink::Floor},
        ceiling{{}, ceilingWords(room, format), kSmallLetters, Align::Centre, 0, Ink::Quiet, Ink::Floor};
    std::vector<Vec2> places;
    for (const double x : {0.0, 10.0, -10.0})
      for (const double y : {0.0, 8.0, -8.0, 16.0, -16.0}) places.push_back(middle + Vec2{x, y} * scale);
    Label both = labelAt(Layer::Label, id, Rank::Piece, places, name);
    const std::vector<Label::Spot> bare = both.spots;
    const double wide = boundsOf(Convex{outline, 0}).high.x - boundsOf(Convex{outline, 0}).low.x;
    if (textWidth(ceiling) * scale < wide)
      for (Label::Spot& spot : both.spots) {
        spot.push_back(ceiling);
        spot[1].at = spot[0].at - Vec2{0, 3.2 * scale};
        spot[0].at += Vec2{0, 3.2 * scale};
      }
    // A small room keeps its name.
    both.spots.insert(both.spots.end(), bare.begin(), bare.end());
    both.needed = true;
    d.add(std::move(both));
  }
  const double margin = kUsualWall * 3 + 12 * scale;
  d.low = d.low - Vec2{margin, margin};
  d.high += Vec2{margin, margin};
  if (!storey.name.empty())
    d.add(Layer::Title, "",
          TextItem{{d.low.x + 3 * scale, d.high.y - 3 * scale},
                   storey.name,
                   kTitleLetters,
                   Align::Left,
                   0,
                   Ink::Ink,
                   Ink::None});
  addScaleBar(d, {d.low.x + 4 * scale, d.low.y + 3 * scale}, job.units == Unit::Inch, format);
  return d;
}

}  // namespace mezzet
