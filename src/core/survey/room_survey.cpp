#include "core/survey/room_survey.h"

#include <algorithm>
#include <cmath>
#include <numbers>

#include "core/survey/sketch_start.h"

namespace mezzet {
namespace {

/// A file may say anything: larger surveys open without the doubt of their walls, which the next reading brings.
constexpr std::size_t kMostDoubted = 60, kMostDoubtedReadings = 300;
constexpr double kQuarter = 1e-6;  // a turn this near to 90 degrees is a quarter turn

}  // namespace

bool samePlace(const Reading& a, const Reading& b) {
  if (a.kind == ReadingKind::Width) return false;  // a wall may have several openings
  return a.kind == b.kind &&
         ((a.from == b.from && a.to == b.to) || (a.kind == ReadingKind::Corners && a.from == b.to && a.to == b.from));
}

/// Taken from a picture, not in the room.
bool scaledOff(const Reading& r) { return r.instrument == Instrument::Plan || r.instrument == Instrument::Photograph; }

double usualU95(const Reading& r) { return r.isAngle() ? 0.5 : usualU95(r.instrument, r.value); }

bool outranks(const Reading& tape, const Reading& plan) {
  return !tape.superseded && !scaledOff(tape) && scaledOff(plan) && samePlace(tape, plan);
}

double squareSigma(double shorterWall) {
  return std::hypot(0.5, 12 / std::max(1.0, shorterWall) * 180 / std::numbers::pi);
}

SurveyNetwork networkOf(const SurveyRecord& record) {
  SurveyNetwork out;
  Network& net = out.network;
  net.corners = record.corners.size();
  if (net.corners < 3) return out;
  const auto place = [&](const CornerId& id) -> std::optional<std::size_t> {
    for (std::size_t i = 0; i < record.corners.size(); ++i)
      if (record.corners[i].id == id) return i;
    return std::nullopt;
  };
  for (const SketchCorner& c : record.corners) {
    out.corners.push_back(c.id.value);
    net.turns.push_back(c.left ? 1 : -1);
  }
  for (std::size_t k = 0; k < record.readings.size(); ++k) {
    const Reading& r = record.readings[k];
    const auto from = place(r.from);
    const auto to = r.kind == ReadingKind::Run && from ? std::optional((*from + 1) % net.corners)
                    : r.kind == ReadingKind::Angle     ? from
                                                       : place(r.to);
    if (r.superseded || !from || !to || !r.isOfOutline()) continue;
    if (std::any_of(record.readings.begin(), record.readings.end(),
                    [&](const Reading& tape) { return outranks(tape, r); }))
      continue;
    net.observations.push_back({r.id.value,
                                r.kind == ReadingKind::Run      ? ObservationKind::Run
                                : r.isAngle()                   ? ObservationKind::Angle
                                : r.kind == ReadingKind::Offset ? ObservationKind::Offset
                                                                : ObservationKind::Diagonal,
                                *from, *to, r.value, u95Of(r) / 2});
    out.readings.push_back(k);
  }
  // Walls beside a corner, as far as they are known, decide how square it can be taken.
  Network squares = net;
  for (std::size_t i = 0; i < net.corners; ++i)
    if (record.corners[i].square)
      squares.observations.push_back({"", ObservationKind::Square, i, i, record.corners[i].left ? 90.0 : 270.0, 1});
  const Polygon drawn = sketchStart(squares);
  for (std::size_t i = 0; i < net.corners; ++i) {
    if (!record.corners[i].square) continue;
    const double shorter = std::min(distance(drawn[i], drawn[(i + 1) % net.corners]),
                                    distance(drawn[i], drawn[(i + net.corners - 1) % net.corners]));
    net.observations.push_back({"square " + out.corners[i], ObservationKind::Square, i, i,
                                record.corners[i].left ? 90.0 : 270.0, squareSigma(shorter)});
  }
  return out;
}

Result<SurveyReport> reportOf(const SurveyRecord& record, const std::vector<Slip>& slips, LengthFormat format) {
  if (record.corners.size() < 3) return Error{"the sketch", "has fewer than three corners", "Add a wall"};
  return reportOf(networkOf(record).network, slips, format);
}

Result<Room> surveyed(Room room) {
  if (!room.survey) return Error{room.name, "has no readings", "Measure it first"};
  const auto report = reportOf(*room.survey, {}, {});
  if (!report) return report.error();
  if (report->refused && report->named.empty()) return *report->refused;
  std::vector<Corner> corners;
  for (std::size_t i = 0; i < room.survey->corners.size(); ++i) {
    Corner c{room.survey->corners[i].id, report->best.corners[i]};
    for (const Corner& before : room.corners)
      if (before.id == c.id) c.wallThickness = before.wallThickness;
    corners.push_back(std::move(c));
  }
  room.corners = std::move(corners);
  room.doubt.covariance = std::make_shared<const std::vector<double>>(report->best.covariance);
  return room;
}

Room withDoubt(Room room) {
  if (room.corners.size() > kMostDoubted || !room.survey || room.survey->readings.size() > kMostDoubtedReadings)
    return room;
  if (const auto adjusted = surveyed(room); adjusted && adjusted->corners.size() == room.corners.size())
    room.doubt = adjusted->doubt;
  return room;
}

Polygon outlineSoFar(const SurveyRecord& record) { return drawnSoFar(networkOf(record).network); }

SurveyRecord recordOf(const std::vector<WalkedRun>& runs, IdSource& ids) {
  SurveyRecord out;
  const std::size_t n = runs.size();
  for (std::size_t i = 0; i < n; ++i) {
    const double turn = runs[(i + n - 1) % n].turn;
    out.corners.push_back({cornerName(i), turn > 0, std::abs(std::abs(turn) - 90) < kQuarter});
  }
  for (std::size_t i = 0; i < n; ++i) {
    if (!runs[i].length) continue;
    Reading r;
    r.id = ids.take<ReadingId>("r");
    r.from = cornerName(i);
    r.to = cornerName((i + 1) % n);
    r.value = *runs[i].length;
    r.typed = runs[i].typed;
    out.readings.push_back(std::move(r));
  }
  for (std::size_t i = 0; i < n; ++i) {
    if (out.corners[i].square) continue;
    Reading r;
    r.id = ids.take<ReadingId>("r");
    r.kind = ReadingKind::Angle;
    r.from = cornerName(i);
    r.value = 180 - runs[(i + n - 1) % n].turn;
    out.readings.push_back(std::move(r));
  }
  return out;
}

std::vector<WalkedRun> walkOf(const Room& room) {
  std::vector<WalkedRun> out;
  if (!room.survey) return out;
  const auto& corners = room.survey->corners;
  const std::size_t n = corners.size();
  const Polygon outline = outlineOf(room);
  for (std::size_t i = 0; i < n; ++i) {
    WalkedRun run;
    for (const Reading& r : room.survey->readings)
      if (r.kind == ReadingKind::Run && r.from == corners[i].id && !r.superseded)
        run.length = r.value, run.typed = r.typed;
    const std::size_t next = (i + 1) % n;
    run.turn = corners[next].square ? (corners[next].left ? 90 : -90) : 180 - insideAngle(outline, next);
    for (const Reading& r : room.survey->readings)
      if (r.kind == ReadingKind::Angle && r.from == corners[next].id && !r.superseded) run.turn = 180 - r.value;
    out.push_back(run);
  }
  return out;
}

}  // namespace mezzet
