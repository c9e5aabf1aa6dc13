// Every view and sheet of the demo: no two words on each other, at three zooms, in inches and metric.
#include <gtest/gtest.h>

#include "core/decide/bands.h"
#include "core/drawing/labels/labels.h"
#include "core/drawing/plan/floor_layers.h"
#include "core/drawing/plan/plan.h"
#include "core/drawing/plan/site_plan.h"
#include "core/drawing/plan/survey_plan.h"
#include "core/drawing/wall/elevation.h"
#include "core/rules/check.h"
#include "core/sheets/pack.h"
#include "core/sheets/sheet_row.h"
#include "core/site/house.h"
#include "core/space/tapes.h"
#include "io/files/file_system.h"
#include "io/files/job_file.h"
#include "io/json/rulebook_json.h"
#include "support/words.h"

namespace mezzet {
namespace demo_words_test {
using namespace test;

constexpr LengthFormat kFormats[] = {{LengthStyle::Inches, 16}, {LengthStyle::Millimetres, 1}};

const Job& demo() {
  static const Job job = readJobBytes(readFile(MEZZET_DEMO, 1 << 26).value(), "demo").value().job;
  return job;
}
void expectApart(Drawing still, Drawing moving, const std::string& where) {
  append(still, std::move(moving));
  settle(still);
  for (const std::string& one : meetings(still)) ADD_FAILURE() << where << ": " << one;
}
std::string at(const Scheme& scheme, double scale, LengthFormat format) {
  return scheme.id.value + " at 1:" + std::to_string(static_cast<int>(scale)) +
         (format.style == LengthStyle::Inches ? " in inches" : " in mm");
}

TEST(DemoWords, OnTheFloorWithEachPieceSelected) {
  for (const auto& scheme : demo().schemes)
    for (const LengthFormat format : kFormats)
      for (const double scale : {20.0, 30.0, 48.0}) {
        const Room& room = roomOf(demo(), *scheme);
        const auto findings = check(demo(), builtInRulebook(), scheme->id, format, kEveryDay);
        PlanOptions o;
        o.scale = scale;
        o.format = format;
        for (const Placement& p : scheme->placements) {
          if (onFloor(p.on) == nullptr) continue;
          PlanWork work;
          work.scheme = scheme.get();
          work.selected = p.id;
          work.selection = {p.id};
          work.tapes = tapesOf(demo(), *scheme, p.id);
          work.findings = findings;
          work.handle = true;
          expectApart(composePlan(demo(), room, scheme.get(), o), composePlanWork(demo(), room, work, scale, format),
                      at(*scheme, scale, format) + ", selected " + p.id.value);
        }
      }
}
TEST(DemoWords, OnTheFloorWithAllLayers) {
  for (const auto& scheme : demo().schemes)
    for (const LengthFormat format : kFormats)
      for (const double scale : {20.0, 30.0, 48.0}) {
        const Room& room = roomOf(demo(), *scheme);
        const RouteFacts routes = routeFactsOf(demo(), scheme->id, {UseState::Everyday, true, true, {}, 24 * kInch});
        const auto findings = check(demo(), builtInRulebook(), scheme->id, format, {UseState::Everyday, &routes});
        PlanOptions o;
        o.scale = scale;
        o.format = format;
        Drawing moving{scale, {}, {}, {}};
        addFloorLayers(
            moving, demo(), *scheme,
            {{FloorLayer::Ways, FloorLayer::Reached, FloorLayer::Talk, FloorLayer::Sight, FloorLayer::Reach}}, findings,
            &routes, format);
        PlanWork work;
        work.scheme = scheme.get();
        work.findings = findings;
        append(moving, composePlanWork(demo(), room, work, scale, format));
        expectApart(composePlan(demo(), room, scheme.get(), o), std::move(moving), at(*scheme, scale, format));
      }
}
TEST(DemoWords, OnEveryWallWithEachPictureSelected) {
  for (const auto& scheme : demo().schemes)
    for (const LengthFormat format : kFormats)
      for (const double scale : {14.0, 24.0, 36.0}) {
        const Room& room = roomOf(demo(), *scheme);
        const auto findings = check(demo(), builtInRulebook(), scheme->id, format, kEveryDay);
        for (const Corner& wall : room.corners) {
          std::vector<PlacementId> selected{{}};
          for (const Placement& p : scheme->placements)
            if (const auto* hung = onWall(p.on); hung != nullptr && hung->wall == wall.id) selected.push_back(p.id);
          for (const PlacementId& id : selected) {
            ElevationOptions o;
            o.scale = scale;
            o.format = format;
            ElevationWork work;
            work.scheme = scheme.get();
            work.wall = wall.id;
            work.selected = id;
            work.tapes = tapesOf(demo(), *scheme, id);
            work.findings = findings;
            if (selected.size() > 1)
              work.bands = bandsOf(demo(), builtInRulebook(), scheme->id, id.empty() ? selected[1] : id, format);
            expectApart(composeElevation(demo(), room, scheme.get(), wall.id, o),
                        composeElevationWork(demo(), room, work, scale, format),
                        at(*scheme, scale, format) + ", wall " + wall.id.value + ", selected " + id.value);
          }
        }
      }
}
TEST(DemoWords, OverTheSite) {
  for (const auto& room : demo().rooms)
    for (const LengthFormat format : kFormats)
      for (const double scale : {20.0, 30.0, 48.0}) {
        PlanOptions o;
        o.scale = scale;
        o.format = format;
        const auto over = [&](Drawing marks, const char* what) {
          expectApart(composePlan(demo(), *room, nullptr, o), std::move(marks),
                      room->id.value + ", " + what + " at 1:" + std::to_string(static_cast<int>(scale)));
        };
        over(composeHeightMarks(*room, heightReport(*room, format), {}, scale, format), "heights");
        over(composePhotographMarks(*room, {}, scale), "photographs");
        for (const Corner& wall : room->corners) over(composeOpeningMarks(*room, wall.id, scale, format), "openings");
        if (!room->survey) continue;
        const SurveyNetwork network = networkOf(*room->survey);
        const auto report = reportOf(*room->survey, {}, format);
        if (report) over(composeSurveyMarks(*room, {&network, &*report, {}, false}, scale, format), "survey");
      }
  for (const HouseStorey& storey : layoutOf(demo(), kFormats[0]))
    for (const double scale : {30.0, 60.0, 100.0})
      expectApart(composeStorey(demo(), storey, {}, scale, kFormats[0]), Drawing{scale, {}, {}, {}}, storey.name);
}
TEST(DemoWords, OnEverySheet) {
  int sheets = 0;
  for (const auto& scheme : demo().schemes)
    for (const LengthFormat format : kFormats)
      for (const SheetVersion version : {SheetVersion::Client, SheetVersion::Installer})
        for (const char* paper : {"letter", "a3"}) {
          const Room& room = roomOf(demo(), *scheme);
          for (const OfferedSheet& offered : offeredSheets(demo(), &room)) {
            const SheetKind kind = *sheetKind(offered.kind);
            // What tells of the whole house is the same for each of its schemes.
            if (!kind.row->namesScheme && scheme != demo().schemes.front()) continue;
            const auto sheet =
                composeSheet(demo(), room, scheme.get(), kind, {findPaper(paper), 0, format, "2026-01-02", version});
            if (!sheet) continue;
            ++sheets;
            for (const std::string& one : meetings(sheet->drawing))
              ADD_FAILURE() << scheme->id.value << ", " << offered.kind << " on " << paper
                            << (version == SheetVersion::Client ? ", client: " : ", installer: ") << one;
          }
        }
  EXPECT_GT(sheets, 100);
}
TEST(DemoWords, OnEverySheetOfAPack) {
  int pages = 0;
  for (const PackReader reader : {PackReader::Owner, PackReader::Installer, PackReader::Electrician})
    for (const auto& [paper, format] : {std::pair{"letter", kFormats[0]}, std::pair{"a4", kFormats[1]}}) {
      PackRequest request;
      request.reader = reader;
      request.sheet.paper = findPaper(paper);
      request.sheet.format = format;
      request.sheet.date = "2026-11-28";
      request.sheet.book = &builtInRulebook();
      request.sheet.issue = "Changed since issue 1";
      const auto pack = composePack(demo(), request);
      ASSERT_TRUE(pack.ok()) << pack.error().text();
      for (const Sheet& sheet : pack->pages) {
        const std::string where =
            std::string(readerWord(reader)) + ", sheet " + std::to_string(++pages) + " on " + paper;
        for (const std::string& one : meetings(sheet.drawing)) ADD_FAILURE() << where << ": " << one;
        for (const Word& word : wordsOf(sheet.drawing))
          for (const Vec2 corner : {word.origin, word.origin + word.along, word.origin + word.up})
            EXPECT_TRUE(corner.x > 9 && corner.y > 9 && corner.x < sheet.width - 9 && corner.y < sheet.height - 9)
                << where << ": " << word.text;
      }
    }
  EXPECT_GT(pages, 100);
}
TEST(DemoWords, AtMostATwentiethOfThePiecesGoUnnamedAtFit) {
  int asked = 0, leftOut = 0;
  for (const auto& scheme : demo().schemes) {
    PlanOptions o;
    o.scale = 30;
    o.format = kFormats[0];
    Drawing d = composePlan(demo(), roomOf(demo(), *scheme), scheme.get(), o);
    const PlacedLabels placed = settle(d);
    asked += placed.of(Rank::Piece).asked;
    leftOut += placed.of(Rank::Piece).leftOut;
  }
  EXPECT_GT(asked, 50);
  EXPECT_LE(leftOut * 20, asked) << leftOut << " of " << asked;
}

}  // namespace demo_words_test
}  // namespace mezzet
