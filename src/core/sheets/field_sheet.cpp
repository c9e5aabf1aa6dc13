#include "core/sheets/field_sheet.h"

#include "core/sheets/frame.h"
#include "core/sheets/sheet_row.h"

#include <algorithm>

#include "core/space/bodies.h"
#include "core/drawing/base/drafting.h"
#include "core/drawing/plan/plan.h"
#include "core/entry/reading_line.h"
#include "core/survey/room_survey.h"
#include "core/survey/survey_words.h"
#include "core/base/sentence.h"

namespace mezzet {
namespace {

constexpr double kLine = 7, kBlank = 28, kWords = 56, kColumn = 90;  // mm of paper

struct FieldLine {
  std::string words;
  bool blank = true;
};

std::vector<FieldLine> linesFor(const Room& room, LengthFormat format) {
  std::vector<FieldLine> lines;
  if (room.survey) {
    const SurveyRecord& record = *room.survey;
    const std::size_t n = record.corners.size();
    for (std::size_t i = 0; i < n; ++i) {
      const CornerId& from = record.corners[i].id;
      std::string words = from.value + " to " + record.corners[(i + 1) % n].id.value + ":";
      for (const Reading& r : record.readings)
        if (r.kind == ReadingKind::Run && r.from == from && !r.superseded)
          words += "  " + writeLength(r.value, format) + ", again";
      lines.push_back({words});
    }
    for (const Reading& r : record.readings)
      if (r.kind != ReadingKind::Run && !r.superseded) {
        lines.push_back({capital(readingName(r)) + ":  " + readingWords(r, format) + ", again"});
      }
    if (const auto report = reportOf(record, {}, format)) {
      if (report->suspects.ask && !report->suspects.named)
        lines.push_back({record.corners[report->suspects.ask->first].id.value + " to " +
                         record.corners[report->suspects.ask->second].id.value + ", to tell which is wrong:"});
      else if (report->next)
        lines.push_back({record.corners[report->next->from].id.value + " to " +
                         record.corners[report->next->to].id.value + ", worth most:"});
    }
  } else {
    for (const Wall& wall : wallsOf(room))
      lines.push_back({"Wall " + wall.id.value + ":  " + writeLength(wall.length(), format) + ", again"});
    lines.push_back({"Corner to corner:"});
  }
  lines.push_back({"Ceiling, near the door:"});
  lines.push_back({"Ceiling, across from it:"});
  for (const Opening& o : room.openings)
    lines.push_back({std::string(o.kind == OpeningKind::Window ? "Window"
                                 : o.kind == OpeningKind::Arch ? "Arch"
                                                               : "Door") +
                     " on wall " + o.wall.value + ", to the other corner:"});
  lines.push_back({"Ring one: skirting, chest, ceiling; jamb, trim", false});
  return lines;
}

}  // namespace

Drawing composeFieldSheet(const Job& job, const Room& room, double scale, LengthFormat format) {
  Drawing d = composePlan(job, room, nullptr, planOptions(scale, format));
  if (room.survey)
    for (Label& label : d.labels) {
      if (label.rank != Rank::Dimension || label.id.of != ItemId::Of::Wall) continue;
      const CornerId wall(label.id.id);
      const Reading* read = nullptr;
      for (const Reading& r : room.survey->readings)
        if (r.kind == ReadingKind::Run && r.from == wall && !r.superseded) read = &r;
      const std::string words = read != nullptr ? writeLength(read->value, format) : "..........";
      for (Label::Spot& spot : label.spots) spot.front().text = words;
      label.aside.text = words;
    }
  // Two columns below the plan, as long as they need to be.
  const std::vector<FieldLine> lines = linesFor(room, format);
  const std::size_t rows = (lines.size() + 1) / 2;
  const double top = d.low.y - 4 * scale, left = (d.low.x + d.high.x) / 2 - kColumn * scale;
  for (std::size_t i = 0; i < lines.size(); ++i) {
    const double x = left + (i / rows == 0 ? 0 : kColumn * scale),
                 y = top - static_cast<double>(i % rows) * kLine * scale;
    d.add(Layer::Label, "", TextItem{{x, y}, lines[i].words, kSmallLetters, Align::Left, 0, Ink::Ink, Ink::None});
    const double from = std::max(letteringWidth(lines[i].words, kSmallLetters) + 2, kWords);
    const double to = std::min(from + kBlank, kColumn - 3);
    if (lines[i].blank && to > from + 8)
      d.add(Layer::Label, "", line({x + from * scale, y - 1.6 * scale}, {x + to * scale, y - 1.6 * scale}, thin()));
  }
  d.low = {std::min(d.low.x, left - 2 * scale), top - static_cast<double>(rows) * kLine * scale};
  d.high.x = std::max(d.high.x, left + 2 * kColumn * scale);
  return d;
}

const SheetRow& fieldSheetRow() {
  static constexpr SheetRow row{
      .id = "field",
      .title = "field sheet, to measure by",
      .namesScheme = false,
      .compose = [](const SheetSource& s,
                    int scale) { return composeFieldSheet(s.job, s.room, scale, s.request.format); },
      .heading = [](const SheetSource&) { return std::string("To measure by. Write what the tape reads"); }};
  return row;
}

}  // namespace mezzet
