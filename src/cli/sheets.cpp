#include "cli/sheets.h"

#include <QDate>
#include <QGuiApplication>
#include <algorithm>
#include <iostream>
#include <regex>

#include "cli/light.h"
#include "cli/rugs.h"
#include "cli/walls.h"
#include "core/sheets/sheet_row.h"
#include "io/files/issue.h"
#include "io/photometry/ies.h"
#include "render/fonts.h"
#include "render/pdf.h"

namespace mezzet::cli {

const Paper& paperNamed(const std::string& id) {
  if (const Paper* paper = findPaper(id)) return *paper;
  std::string names;
  for (const Paper& p : papers()) names += (names.empty() ? "" : ", ") + p.id;
  throw Refused{{"--paper " + id, "is not a paper Mezzet knows", "Use one of: " + names}};
}

ImageStore imagesIn(const JobFile& file) {
  ImageStore images;
  for (const auto& [name, bytes] : file.images)
    if (!isPhotometryName(name)) images.add(name, *bytes);
  return images;
}
namespace {

int runSheet(const Options& o, int& argc, char** argv) {
  const JobFile file = load(o);
  const auto kind = sheetKind(o.kind);
  if (!kind) throw Refused{{"--kind " + o.kind, "is not a sheet that Mezzet makes", "Use " + sheetWords()}};
  if (kind->row == &fixturesSheetRow() && o.out.ends_with(".csv")) return runFixturesCsv(o, file);
  const Paper* paper = &paperNamed(o.paper);
  if (o.version != "client" && o.version != "installer")
    throw Refused{{"--for " + o.version, "is not a version of a sheet", "Use client or installer"}};
  std::smatch match;
  int scale = 0;
  if (std::regex_match(o.scale, match, std::regex("1:([0-9]{1,4})"))) scale = std::stoi(match[1]);
  if (o.scale != "fit" && std::find(sheetScales().begin(), sheetScales().end(), scale) == sheetScales().end())
    throw Refused{{"--scale " + o.scale, "is not a scale of a sheet",
                   "Use 1:10, 1:12, 1:20, 1:24, 1:32, 1:48, 1:50, 1:100, or fit for the largest that fits"}};
  const Room& room = chosenRoom(file.job, o);
  const Scheme* scheme = nullptr;
  for (const auto& one : file.job.schemes)
    if (scheme == nullptr && one->room == room.id) scheme = one.get();
  if (!o.scheme.empty()) scheme = &chosenScheme(file.job, room, o);

  qputenv("QT_QPA_PLATFORM", "offscreen");
  prepareEnvironment();
  QGuiApplication app(argc, argv);
  loadFonts();
  const ImageStore images = imagesIn(file);
  const std::string date = QDate::currentDate().toString(Qt::ISODate).toStdString();
  const SheetRequest request{
      paper,
      scale,
      usualFormat(file.job.units),
      date,
      o.version == "installer" ? SheetVersion::Installer : SheetVersion::Client,
      &builtInRulebook(),
      stateNamed(o.state),
      wallEndNamed(o.end) == WallEnd::Right,
      o.levelLine,
      o.whole,
      o.roll,
      kind->row == &carpetSheetRow() ? routesOf(file.job, scheme, o) : std::vector<std::vector<Vec2>>(),
      issueWords(file.job),
      0,
      0,
      SchemeId(o.from),
      o.scheme.empty() ? std::vector<SchemeId>() : std::vector<SchemeId>{SchemeId(o.scheme)}};
  const std::vector<Sheet> pages = orRefuse(composeSheets(file.job, room, scheme, *kind, request));
  const QByteArray bytes = orRefuse(sheetBytes(pages, o.out, file.job.name + ", " + room.name, &images));
  FileSystem files;
  if (const auto fault = saveAtomically(files, o.out, bytes.toStdString())) throw Refused{*fault};
  const Sheet& sheet = pages.front();
  std::cout << o.out << ": " << room.name << (sheet.scale > 0 ? " at " + scaleInWords(sheet.scale) : ", pieces")
            << " on " << paper->name << (sheet.turned ? ", turned" : "") << "\n";
  return kAnswered;
}

}  // namespace

void addSheetCommands(CLI::App& cli, Options& o, Runs& runs, int& argc, char** argv) {
  CLI::App* cSheet = withPlace(command(cli, o, "sheet", "Prints a sheet to scale"), o);
  cSheet->add_option("--kind", o.kind, sheetWords());
  cSheet->add_option("--for", o.version, "client or installer");
  cSheet->add_option("--scale", o.scale,
                     "1:10, 1:12, 1:20, 1:24, 1:32, 1:48, 1:50, 1:100, or fit for the largest that fits");
  cSheet->add_option("--paper", o.paper, "letter, tabloid, a4, a3, a2 or arch-d");
  addNailOptions(cSheet, o);
  cSheet->add_flag("--whole", o.whole, "Of templates: whole frames, else strips along their tops");
  cSheet->add_option("--roll", o.roll, "Of templates: the width of the roll they are printed on, mm")
      ->check(CLI::Range(150.0, 1'600.0));
  cSheet->add_option("--state", o.state, "everyday, occupied or party: what a size card looks at");
  cSheet->add_option("--from", o.from, "Of before-after: the scheme that was; another of the room if not given");
  cSheet->add_option("--out", o.out, "The .pdf, .svg or .png to write")->required();
  runs.emplace_back(cSheet, [&o, &argc, argv] { return runSheet(o, argc, argv); });
}

}  // namespace mezzet::cli
