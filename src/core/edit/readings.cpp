#include "core/edit/readings.h"

#include <algorithm>
#include <cmath>

#include "core/site/openings.h"

namespace mezzet {
namespace {

/// The room with another record and the outline that follows from it; where none follows, the one it had.
Result<Job> withRecord(const Job& job, Room room, SurveyRecord record) {
  room.survey = std::move(record);
  if (auto adjusted = surveyed(room)) room = std::move(adjusted).value();
  if (auto closed = openingsClosed(room)) room = std::move(closed).value();
  return withRoom(job, std::move(room));
}

Error noSurvey(const RoomId& id) { return {"room " + id.value, "has no readings", "Measure it first"}; }

}  // namespace

Result<Job> withSketch(const Job& job, const RoomId& id, const std::vector<WalkedRun>& runs, IdSource& ids) {
  const Room* room = findRoom(job, id);
  if (room == nullptr) return noSurvey(id);
  Room changed = *room;
  SurveyRecord record = recordOf(runs, ids);
  const bool sameCorners = room->survey && room->survey->corners.size() == record.corners.size();
  if (room->survey)
    for (const Reading& old : room->survey->readings) {
      const auto fresh = std::find_if(record.readings.begin(), record.readings.end(),
                                      [&](const Reading& r) { return samePlace(r, old); });
      const bool isSame = fresh != record.readings.end() && std::abs(fresh->value - old.value) < 1e-6;
      if (isSame && !old.superseded) *fresh = old;
      else if (sameCorners && (old.superseded || old.kind == ReadingKind::Corners || fresh == record.readings.end()))
        record.readings.push_back(old);
      else if (sameCorners) record.readings.push_back(old), record.readings.back().superseded = true;
    }
  changed.survey = std::move(record);
  auto adjusted = surveyed(std::move(changed));
  if (!adjusted) return adjusted.error();
  if (auto closed = openingsClosed(*adjusted)) return withRoom(job, std::move(closed).value());
  return withRoom(job, std::move(adjusted).value());
}

Result<Job> withReading(const Job& job, const RoomId& id, Reading reading, const ReadingId& again) {
  const Room* room = findRoom(job, id);
  if (room == nullptr || !room->survey) return noSurvey(id);
  SurveyRecord record = *room->survey;
  for (Reading& r : record.readings)
    if ((samePlace(r, reading) && scaledOff(r) == scaledOff(reading)) || r.id == again) r.superseded = true;
  record.readings.push_back(std::move(reading));
  return withRecord(job, *room, std::move(record));
}

Result<Job> withoutReading(const Job& job, const RoomId& id, const ReadingId& reading) {
  const Room* room = findRoom(job, id);
  if (room == nullptr || !room->survey) return noSurvey(id);
  SurveyRecord record = *room->survey;
  const auto at =
      std::find_if(record.readings.begin(), record.readings.end(), [&](const Reading& r) { return r.id == reading; });
  if (at == record.readings.end()) return job;
  const Reading gone = *at;
  record.readings.erase(at);
  if (!gone.superseded)
    for (auto r = record.readings.rbegin(); r != record.readings.rend(); ++r)
      if (samePlace(*r, gone) && scaledOff(*r) == scaledOff(gone)) {
        r->superseded = false;
        break;
      }
  return withRecord(job, *room, std::move(record));
}

Result<Job> withSquare(const Job& job, const RoomId& id, const CornerId& corner, bool square) {
  const Room* room = findRoom(job, id);
  if (room == nullptr || !room->survey) return noSurvey(id);
  SurveyRecord record = *room->survey;
  for (SketchCorner& c : record.corners)
    if (c.id == corner) c.square = square;
  return withRecord(job, *room, std::move(record));
}

}  // namespace mezzet
