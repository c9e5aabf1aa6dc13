#include "core/drawing/plan/survey_plan.h"

#include <cmath>
#include <numbers>

#include "core/drawing/base/drafting.h"

namespace mezzet {
namespace {

constexpr double kMarkIn = 3.2;  // of a wall's mark inside its face, mm of paper

void addCross(Drawing& d, Vec2 at, const ItemId& id) {
  const double r = 1.5 * d.scale;
  d.add(Layer::Working, id, line(at + Vec2{-r, -r}, at + Vec2{r, r}, {Ink::Breaks, 0.6, Dash::Solid}));
  d.add(Layer::Working, id, line(at + Vec2{-r, r}, at + Vec2{r, -r}, {Ink::Breaks, 0.6, Dash::Solid}));
}

/// Checked: a filled dot; measured once: a half; assumed: an open ring.
void addCertainty(Drawing& d, Vec2 at, Certainty c) {
  const double r = 1.1 * d.scale;
  const Ink fill = c == Certainty::Checked ? Ink::Holds : Ink::Paper;
  d.add(
      Layer::Working, "",
      ArcItem{
          at, r, 0, 360, fill, {c == Certainty::Assumed ? Ink::NotMeasured : Ink::Holds, kFurnitureLine, Dash::Solid}});
  if (c == Certainty::Unchecked) d.add(Layer::Working, "", ArcItem{at, r * 0.5, 0, 360, Ink::Holds, Stroke{}});
}

}  // namespace

Drawing composeSurveyMarks(const Room& room, const SurveyMarks& marks, double scale, LengthFormat format) {
  Drawing d;
  d.scale = scale;
  if (marks.report == nullptr || marks.network == nullptr || !room.survey) return d;
  const SurveyReport& report = *marks.report;
  const Network& net = marks.network->network;
  const std::vector<Wall> walls = wallsOf(room);
  if (walls.size() != net.corners || report.certainty.walls.size() != walls.size()) return d;
  for (std::size_t i = 0; i < walls.size(); ++i) {
    const Vec2 middle = midpoint(walls[i].start, walls[i].end) + walls[i].inward() * (kMarkIn * scale);
    addCertainty(d, middle, report.certainty.walls[i]);
    const Vec2 before = walls[(i + walls.size() - 1) % walls.size()].along();
    const Vec2 into = unit(leftOf(walls[i].along()) + leftOf(before));
    addCertainty(d, walls[i].start + into * (kMarkIn * 1.3 * scale), report.certainty.corners[i]);
  }
  for (std::size_t k = 0; k < net.observations.size(); ++k) {
    const Observation& o = net.observations[k];
    const bool bad = report.status[k] == ReadingStatus::Named || report.status[k] == ReadingStatus::Suspect;
    const bool chosen =
        k < marks.network->readings.size() && room.survey->readings[marks.network->readings[k]].id == marks.chosen;
    const Vec2 a = room.corners[o.from].at, b = room.corners[o.to].at;
    const std::string id = k < marks.network->readings.size() ? "reading:" + o.id : "";
    const auto figure = [&](Vec2 along) {
      return TextItem{{},       writeLength(o.value, format),     kLetters, Align::Centre, readableTurn(along),
                      Ink::Ink, chosen ? Ink::Accent : Ink::Floor};
    };
    if (o.kind == ObservationKind::Diagonal) {
      d.add(Layer::Working, id,
            line(a, b, {bad ? Ink::Breaks : Ink::Fine, chosen ? 0.7 : kFurnitureLine, Dash::Dashed}));
      // Off the middle, where diagonals cross.
      d.add(labelOnLine(Layer::Working, id, Rank::Dimension, a, a + (b - a) * 0.76, figure(b - a), scale));
      if (bad) addCross(d, a + (b - a) * 0.6, id);
    } else if (o.kind == ObservationKind::Offset) {
      const Wall& wall = walls[o.to];
      const Vec2 foot = wall.start + wall.along() * dot(a - wall.start, wall.along());
      d.add(Layer::Working, id,
            line(a, foot, {bad ? Ink::Breaks : Ink::Fine, chosen ? 0.7 : kFurnitureLine, Dash::Dotted}));
      d.add(labelOnLine(Layer::Working, id, Rank::Dimension, a, foot, figure(foot - a), scale));
      if (bad) addCross(d, a + (foot - a) * 0.7, id);
    } else if (o.kind == ObservationKind::Run) {
      if (chosen) d.add(Layer::Working, id, line(a, b, {Ink::Accent, 1.4, Dash::Solid}));
      if (bad) {
        d.add(Layer::Working, id, line(a, b, {Ink::Breaks, 1.2, Dash::Dashed}));
        addCross(d, a + (b - a) * 0.4 + leftOf(unit(b - a)) * (kMarkIn * scale), id);
      }
    } else if (bad) {
      addCross(d, a + unit(leftOf(walls[o.from].along())) * (kMarkIn * 2 * scale), id);
    }
  }
  if (report.suspects.ask && !report.suspects.named) {
    const Vec2 a = room.corners[report.suspects.ask->first].at, b = room.corners[report.suspects.ask->second].at;
    d.add(Layer::Working, "", line(a, b, {Ink::Accent, 0.7, Dash::Dotted}));
  } else if (report.next) {
    const Vec2 a = room.corners[report.next->from].at, b = room.corners[report.next->to].at;
    d.add(Layer::Working, "", line(a, b, {Ink::Quiet, kDimensionLine, Dash::Dotted}));
  }
  if (marks.ellipses)
    for (std::size_t i = 0; i < net.corners; ++i) {
      const ErrorEllipse e = ellipseOf(report.best, i);
      PathItem path{{}, true, Ink::Paper, {Ink::Holds, kFurnitureLine, Dash::Solid}};  // paper: it lies over dark walls
      const Turn turn = turnOf(normalisedTurn(e.turn));
      for (int k = 0; k < 36; ++k) {
        const double t = 2 * std::numbers::pi * k / 36;
        path.points.push_back(
            report.best.corners[i] +
            rotated({e.major * kEllipseScale * std::cos(t), e.minor * kEllipseScale * std::sin(t)}, turn));
      }
      if (e.major > 0.01) d.add(Layer::Working, "", path);
    }
  return d;
}

}  // namespace mezzet
