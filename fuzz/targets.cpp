#include "targets.h"

#include <cmath>
#include <cstdio>
#include <cstdlib>

#include "core/drawing/wall/elevation.h"
#include "core/drawing/plan/plan.h"
#include "core/entry/piece_line.h"
#include "core/entry/piece_cell.h"
#include "core/entry/piece_table.h"
#include "core/entry/reading_line.h"
#include "core/edit/edits.h"
#include "core/rules/check.h"
#include "core/survey/runs.h"
#include "core/survey/room_survey.h"
#include "core/survey/survey_words.h"
#include "core/site/heights.h"
#include "core/site/house.h"
#include "core/site/openings.h"
#include "core/site/stairs.h"
#include "core/site/studs.h"
#include "core/survey/trace.h"
#include "core/walk/together.h"
#include "io/tables/csv.h"
#include "io/tables/dxf.h"
#include "io/meter/meter_line.h"
#include "io/photometry/ies.h"
#include "core/display/missing.h"
#include "core/drawing/delivery/delivery_drawing.h"
#include "core/entry/came_line.h"
#include "core/plan/carrying.h"
#include "core/plan/changes.h"
#include "core/plan/dates.h"
#include "core/plan/delivery.h"
#include "io/tables/calendar_file.h"
#include "core/drawing/display/display_drawing.h"
#include "io/tables/cut_list.h"
#include "io/files/journal.h"
#include "io/tables/library.h"
#include "io/json/rulebook_json.h"
#include "io/json/slips_json.h"
#include "io/json/survey_json.h"

namespace mezzet::fuzz {
namespace {

/// Larger jobs are only read and written: judging them would starve the fuzzer.
constexpr std::size_t kMostJudged = 24, kMostCorners = 40;

void promise(bool kept, const char* what) {
  if (kept) return;
  std::fprintf(stderr, "promise broken: %s\n", what);
  std::abort();
}

/// What follows from the record of a site holds for whatever a file may say.
void judgeSite(const Job& job, const Room& room, LengthFormat format) {
  if (room.heights.size() > kMostJudged || room.points.size() > kMostJudged) return;
  const RoomHeights heights = heightsOf(room);
  for (const Corner& c : room.corners) promise(std::isfinite(heights.clearAt(c.at)), "a height is a finite number");
  for (const std::string& s : heightReport(room, format).sentences) promise(!s.empty(), "a sentence has words");
  for (const Wall& wall : wallsOf(room)) {
    const auto closure = closureOf(room, wall.id);
    promise(closure.ok() || !closure.error().text().empty(), "an error has words");
    ElevationOptions options;
    options.services = true;
    static_cast<void>(composeElevation(job, room, nullptr, wall.id, options));
    if (const StudRecord* record = studsOf(room, wall.id); record != nullptr && record->hits.size() <= kMostJudged) {
      const auto fit = fitStuds(*record, wall.length());
      promise(!fit || (fit->pitch > 0 && std::isfinite(fit->first)), "studs have a pitch");
      promise(!studWords(*record, fit, format).empty(), "studs are spoken of");
    }
  }
  for (const Feature& f : room.features)
    if (f.stair) static_cast<void>(stairWords(*f.stair, format));
  if (room.underlay) {
    static_cast<void>(scaleWords(*room.underlay, format));
    IdSource ids(1'000'000);
    static_cast<void>(traced(room, ids));
  }
  static_cast<void>(traceDifferences(room, format));
  if (job.rooms.size() > 8) return;
  std::vector<RoomId> all;
  for (const auto& one : job.rooms) all.push_back(one->id);
  static_cast<void>(layoutOf(job, format));
  static_cast<void>(walkedTogether(job, all));
}

void judge(const Job& job) {
  const LengthFormat format = usualFormat(job.units);
  for (const auto& room : job.rooms)
    if (room->corners.size() > kMostCorners || room->features.size() > kMostJudged ||
        room->openings.size() > kMostJudged)
      return;
  for (const auto& scheme : job.schemes) {
    if (scheme->placements.size() > kMostJudged) continue;
    for (const Finding& f : check(job, builtInRulebook(), scheme->id, format, kEveryDay))
      promise(!f.sentence.empty(), "every finding has a sentence");
    const Room& room = roomOf(job, *scheme);
    for (const auto& [id, way] : routeFactsOf(job, scheme->id, UseState::Party).ways)
      for (const Vec2 p : way.line) promise(std::isfinite(p.x) && std::isfinite(p.y), "a route runs through the plan");
    static_cast<void>(composePlan(job, room, scheme.get(), PlanOptions{}));
    const PieceIndex pieces(job);
    for (const std::string& id : carriersOf(pieces, room, *scheme, false)) {
      const auto display = displayOf(job, pieces, room, *scheme, id);
      if (!display) continue;
      for (const double share : sharesSeen(*display)) promise(share >= 0 && share <= 1, "a share is a share");
      static_cast<void>(missingOf(*display, job, *scheme));
      DisplayOptions options;
      options.format = format;
      static_cast<void>(composeDisplay(*display, options));
    }
    judgeSite(job, room, format);
    return;  // one scheme a job is enough
  }
}

/// What follows from the records: the way in, dates with their calendar, what changed, what waits.
void judgeRecords(const Job& job) {
  const Records& records = *job.records;
  if (job.pieces.size() > kMostJudged || job.schemes.size() > 4 || records.legs.size() > 8) return;
  const LengthFormat format = usualFormat(job.units);
  for (const auto& scheme : job.schemes)
    if (scheme->placements.size() > kMostJudged) return;
  for (const PieceId& id : carriedPieces(job)) {
    const DeliveryAnswer a = deliver(job, id, format);
    promise(!a.says.empty(), "a way in is told in words");
    if (!records.legs.empty()) static_cast<void>(composeDelivery(records.legs, a, 50, 180, format));
  }
  if (const auto dates = datesOf(job, builtInRulebook(), {}, std::nullopt)) {
    for (const JobTask& t : dates->tasks) promise(t.start <= t.latest && t.slack >= 0, "no task is late by itself");
    promise(calendarText(*dates, job.name, dates->end).size() > 50, "a calendar says something");
  }
  const auto schemes = schemesToBuild(job, {});
  static_cast<void>(waitingForTape(job, schemes));
  if (!records.issues.empty())
    for (const Change& c : changesBetween(records.issues.front().figures, records.issues.back().figures))
      promise(!changeWords(c, format, job.units).empty(), "a change is told in words");
  promise(asPlanned(job).pieces.size() == job.pieces.size(), "planned and built have the same pieces");
}

}  // namespace

void job(std::string_view bytes) {
  const auto read = readJobBytes(Bytes(bytes), "fuzz");
  if (!read) return promise(!read.error().text().empty(), "an error has words");
  const std::string text = writeJobText(read->job, read->nextId);
  const auto again = readJobText(text, "fuzz");
  promise(again.ok() && again->job == read->job && again->nextId == read->nextId,
          "a job that was read is written and read as the same");
  judge(read->job);
  judgeRecords(read->job);
}

void table(std::string_view bytes) {
  const auto rows = readCsv(bytes, "fuzz");
  if (!rows) return promise(!rows.error().text().empty(), "an error has words");
  const auto again = readCsv(writeCsv(*rows), "fuzz");
  promise(again.ok() && *again == *rows, "rows that were read are written and read as the same");
  if (rows->empty() || rows->size() > 50) return;
  for (const Unit unit : {Unit::Inch, Unit::Millimetre}) {
    const TableReading reading = readPieceTable(*rows, unit);
    if (!reading.faults.empty() || reading.pieces.empty()) continue;
    IdSource ids(1);
    const auto job = withPieceTable(Job{}, reading.pieces, ids);
    if (!job) continue;
    // Written and read again with the pieces known, nothing changes.
    const TableReading back = readPieceTable(pieceRows(job->pieces, unit), unit, job->pieces);
    promise(back.faults.empty(), "pieces that were read are written and read again");
    for (std::size_t i = 0; i < back.pieces.size(); ++i)
      promise(back.pieces[i] == *job->pieces[i], "a piece comes back from its row as it was");
  }
}

void line(std::string_view bytes) {
  {
    Piece sofa;
    sofa.id = PieceId("sofa");
    sofa.name = "Sofa";
    sofa.kind = "sofa";
    sofa.width = 2'000;
    Job one;
    one.pieces.push_back(std::make_shared<const Piece>(sofa));
    const CameReading came = readCameLine(bytes, one, {}, Unit::Inch, {});
    promise(!came.meant || came.piece || !came.complaint.empty(), "what came is understood, or it is said why not");
  }
  for (const Unit unit : {Unit::Inch, Unit::Millimetre}) {
    const LengthFormat format = usualFormat(unit);
    const LengthReading length = readLength(bytes, unit);
    promise(length.length.has_value() == length.complaint.empty(), "a length is read, or there is a complaint");
    if (length.length) {
      promise(*length.length >= 0 && std::isfinite(*length.length), "a length is a finite number");
      promise(
          *length.length > kLongestLength || readLength(writeLength(*length.length, format), unit).length.has_value(),
          "a length that was written can be typed");
    }
    for (const bool swapped : {false, true}) {
      const PieceReading piece = readPieceLine(bytes, unit, format, swapped);
      promise(piece.piece.has_value() || !piece.complaint.empty() ||
                  bytes.find_first_not_of(" \t\r\n") == std::string_view::npos || piece.echo.empty() == false,
              "a line is read, or there is a complaint");
      if (piece.piece) static_cast<void>(pieceWords(*piece.piece, format));
    }
    const Piece sofa = [] {
      Piece p;
      p.id = PieceId("s");
      p.name = "Sofa";
      p.kind = "sofa";
      p.width = 2000;
      p.depth = 900;
      return p;
    }();
    for (const PieceField& column : pieceFields()) static_cast<void>(withPieceCell(sofa, column, bytes, unit));
  }
  IdSource ids(1);
  const SurveyRecord sketch = recordOf({{3000, "", 90}, {4000, "", 90}, {std::nullopt, "", 90}, {4000, "", 90}}, ids);
  const ReadingLine typed = readReadingLine(bytes, sketch, expectedRun(sketch), Unit::Inch, usualFormat(Unit::Inch));
  promise(!typed.reading || (std::isfinite(typed.reading->value) && typed.reading->value > 0), "a reading is a number");
  const TurnReading turn = readTurn(bytes);
  promise(turn.turn.has_value() == turn.complaint.empty(), "a turn is read, or there is a complaint");
  if (turn.turn) promise(*turn.turn > -180.001 && *turn.turn < 180.001, "a turn is an angle at a corner");
}

void journal(std::string_view bytes) {
  const auto found = readJournal(Bytes(bytes), "fuzz");
  if (!found) return promise(!found.error().text().empty(), "an error has words");
  promise(found->goodBytes <= bytes.size(), "no more bytes are good than there are");
  const auto again = readJobText(writeJobText(found->file.job, found->file.nextId), "fuzz");
  promise(again.ok() && again->job == found->file.job, "a job that was recovered can be saved and opened");
}

void drawing(std::string_view bytes) {
  const auto read = readDxf(Bytes(bytes), "fuzz");
  if (!read) return promise(!read.error().text().empty(), "an error has words");
  int layers = 0;
  for (const auto& [layer, lines] : read->layers) {
    if (++layers > 4 || lines.size() > 2'000) break;
    for (const double tolerance : {0.0, 10.0}) {
      const auto outline = outlineFromDxf(*read, layer, 1, tolerance, 0, {});
      if (!outline) {
        promise(!outline.error().text().empty(), "an error has words");
        continue;
      }
      promise(outline->corners.size() >= 3 && outline->corners[0].at == Vec2{},
              "an outline has corners, and the first is the datum");
    }
  }
}

void meter(std::string_view bytes) {
  MeterLines whole, torn;
  const auto messages = whole.take(bytes);
  std::vector<MeterMessage> parts;
  for (std::size_t at = 0; at < bytes.size(); at += 7)
    for (MeterMessage& m : torn.take(bytes.substr(at, 7))) parts.push_back(std::move(m));
  promise(messages.size() == parts.size(), "however a message is torn, it is the same");
  for (std::size_t i = 0; i < messages.size(); ++i) {
    const std::string line = meterLine(messages[i]);
    promise(line == meterLine(parts[i]), "however a message is torn, it is the same");
    const auto back = readMeterLine(std::string_view(line).substr(0, line.size() - 1));
    promise(back.has_value() && meterLine(*back) == line, "a message that was read is written and read as the same");
  }
}

void cuts(std::string_view bytes) {
  const auto read = readCuts(bytes, "fuzz");
  if (!read) return promise(!read.error().text().empty(), "an error has words");
  const auto list = cutFrom(*read, {2438.4, 3048}, kUsualKerf);
  if (!list) return promise(!list.error().text().empty(), "an error has words");
  std::size_t count = 0;
  for (const CutBar& bar : list->bars) {
    double used = -list->kerf;
    for (const std::size_t i : bar.cuts) used += list->cuts[i].length + list->kerf;
    promise(used <= bar.stock + 0.01, "no bar is cut longer than it is");
    count += bar.cuts.size();
  }
  promise(count == read->size(), "every board is cut once");
}

void photometry(std::string_view bytes) {
  const auto read = readIes(bytes, "fuzz");
  if (!read) return promise(!read.error().text().empty(), "an error has words");
  promise(std::isfinite(fluxOf(*read)) && fluxOf(*read) >= 0, "a flux is a number");
  for (const double from : {0.0, 33.0, 90.0, 179.0})
    for (const double around : {0.0, 91.0, 270.0, -45.0}) {
      const double cd = intensityAt(*read, from, around);
      promise(std::isfinite(cd) && cd >= 0 && cd <= peakOf(*read) * (1 + 1e-9),
              "no direction is brighter than the peak");
    }
  const auto back = readIes(writeIes(*read), "fuzz");
  promise(back.ok() && back->candela == read->candela && back->vertical == read->vertical,
          "what is written is read the same");
}

void survey(std::string_view bytes) {
  const auto read = readNetwork(bytes, "fuzz");
  if (!read) return promise(!read.error().text().empty(), "an error has words");
  if (read->network.corners > kMostCorners || read->network.observations.size() > 4 * kMostJudged) return;
  const auto report = reportOf(read->network, builtInSlips());
  if (!report) return promise(!report.error().text().empty(), "an error has words");
  for (const Vec2 p : report->all.corners) promise(std::isfinite(p.x) && std::isfinite(p.y), "corners are finite");
  promise(std::isfinite(report->all.chi2) && report->all.chi2 >= 0, "chi-square is finite");
  promise(surveyText(*read, *report).find("nan") == std::string::npos, "no answer is not a number");
  promise(!closureSentence(read->network, read->corners, *report, {}).empty(), "there is a sentence");
}

void library(std::string_view bytes) {
  const auto read = readLibrary(bytes, "library.json");
  if (!read) {
    promise(!read.error().text().empty(), "an error has words");
    return;
  }
  std::vector<Shared<Piece>> pieces;
  for (Piece piece : read->pieces) {
    piece.id = PieceId("p" + std::to_string(pieces.size()));
    pieces.push_back(std::make_shared<const Piece>(std::move(piece)));
  }
  const auto again = readLibrary(writeLibrary(read->name, pieces), "again.json");
  promise(again.ok(), "what was written can be read");
  promise(again->pieces.size() == read->pieces.size(), "no piece is lost");
}

}  // namespace mezzet::fuzz
