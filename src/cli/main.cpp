// mezzet-cli: the core from scripts. Answers on standard output, complaints on standard error.
#include <CLI/CLI.hpp>
#include <QDate>
#include <QGuiApplication>
#include <cstdio>
#include <functional>
#include <iostream>
#include <regex>

#include "cli/apply.h"
#include "cli/common.h"
#include "cli/choosing.h"
#include "cli/displays.h"
#include "cli/hand_over.h"
#include "cli/light.h"
#include "cli/photograph.h"
#include "cli/walls.h"
#include "cli/rugs.h"
#include "cli/sheets.h"
#include "cli/walking.h"
#include "core/sheets/sheet_row.h"
#include "core/model/kinds.h"
#include "core/site/heights.h"
#include "core/site/house.h"
#include "core/site/openings.h"
#include "core/site/studs.h"
#include "core/survey/survey_words.h"
#include "core/survey/trace.h"
#include "core/walk/together.h"
#include "io/files/file_system.h"
#include "io/files/job_file.h"
#include "io/json/report_json.h"
#include "io/json/rulebook_json.h"
#include "io/json/site_report.h"
#include "io/json/slips_json.h"
#include "io/json/survey_json.h"
#include "io/photometry/ies.h"
#include "render/fonts.h"
#include "render/pdf.h"

namespace {

/// Squares of placements that ways out may be re-checked over: some seconds of a crowded room.
constexpr long long kMostTries = 8'000'000;

using namespace mezzet;
using namespace mezzet::cli;

int validate(const Options& o) {
  const JobFile file = load(o);
  if (const auto fault = unknownSchool(file.job, builtInRulebook())) throw Refused{*fault};
  std::cout << o.job << ": a Mezzet job, version " << kJobVersion << ", " << file.job.rooms.size() << " rooms, "
            << file.job.schemes.size() << " schemes, " << file.job.pieces.size() << " pieces\n";
  for (const auto& piece : file.job.pieces)
    if (!isKnownKind(piece->kind))
      std::cout << "note: " << piece->id.value << " is of kind \"" << piece->kind << "\", which no rule judges\n";
  for (const auto& [id, school] : file.job.houseRules.schools)
    if (findRule(builtInRulebook(), id) == nullptr)
      std::cout << "note: house rules name \"" << id << "\", which is not a rule of this rulebook\n";
  if (file.job.houseRules.rulebook < builtInRulebook().version)
    std::cout << "note: rulebook " << file.job.houseRules.rulebook
              << " decided when it was last looked at; check says what rulebook " << builtInRulebook().version
              << " finds\n";
  return kAnswered;
}

int runCheck(const Options& o) {
  const CheckedScheme checked = checkedScheme(o, "check");
  const JobFile& file = checked.file;
  const Rulebook& book = builtInRulebook();
  CheckReport report{checked.room.id, checked.scheme.id, checked.findings, {}, o.strict, checked.asHung};
  bool breaks = false;
  // Ways out are re-checked one by one: in a heap of pieces the first broken findings stand for all.
  constexpr int kMostWithWaysOut = 60;
  int looked = 0;
  Tries tries{kMostTries, {}};  // counted, not timed: the same file has the same answer
  for (const Finding& f : report.findings) {
    const bool asked = f.verdict == Verdict::Breaks || (f.verdict == Verdict::Close && f.weight != Weight::Taste);
    if (!asked || ++looked > kMostWithWaysOut) report.waysOut.emplace_back();
    else
      report.waysOut.push_back(waysOutOf(f, report.findings, file.job, book, checked.scheme.id, IdSource(file.nextId),
                                         checked.format, checked.with(), &tries));
    breaks = breaks || breaksByWeight(f) || (o.strict && f.verdict == Verdict::Breaks);
  }
  if (o.json) {
    std::cout << checkJson(report, book);
  } else {
    for (std::size_t i = 0; i < report.findings.size(); ++i) {
      const Finding& f = report.findings[i];
      std::cout << verdictWord(f.verdict) << "  " << f.id << "  " << f.sentence << "\n";
      for (const WayOut& way : report.waysOut[i]) std::cout << "    > " << way.sentence << ": " << way.gives << ".\n";
    }
    if (const std::string news = rulebookNews(file.job, book, report.findings); !news.empty())
      std::cout << "note: " << news << "\n";
    for (const Deviation& d : report.asHung)
      std::cout << "as hung: " << d.placement.value << ": " << deviationWords(d, checked.format)
                << (d.over() ? ", more than " + writeLength(d.limit, checked.format) : "") << "\n";
    const VerdictCounts c = countVerdicts(report.findings, o.strict);
    std::cout << c.breaks << " break, " << c.close << " close, " << c.holds << " hold, " << c.notMeasured
              << " not measured, " << c.kept << " kept\n";
  }
  return breaks ? kBreaks : kAnswered;
}

int runGaps(const Options& o) {
  const JobFile file = load(o);
  const Room& room = chosenRoom(file.job, o);
  const std::vector<Gap> gaps = gapsIn(file.job, chosenScheme(file.job, room, o), kGapListCap);
  if (o.json) {
    std::cout << gapsJson(gaps);
    return kAnswered;
  }
  const LengthFormat format = usualFormat(file.job.units);
  for (const Gap& gap : gaps) std::cout << writeLength(gap.length, format) << "  " << gap.a << " - " << gap.b << "\n";
  return kAnswered;
}

int runSolveArt(const Options& o) {
  const JobFile file = load(o);
  const Job& job = file.job;
  const PlacementId id(o.placement);
  const Scheme* scheme = nullptr;
  for (const auto& one : job.schemes) {
    const bool wanted =
        (o.scheme.empty() || one->id.value == o.scheme) && (o.room.empty() || one->room.value == o.room);
    if (scheme == nullptr && wanted && findPlacement(*one, id) != nullptr) scheme = one.get();
  }
  if (scheme == nullptr) throw Refused{{o.job, "has no placement " + o.placement, "See the ids in job.json"}};
  if (onWall(findPlacement(*scheme, id)->on) == nullptr)
    throw Refused{{o.placement, "does not hang on a wall", "Choose a picture"}};
  const auto art = artCaseOf(job, builtInRulebook(), scheme->id, id);
  if (!art)
    throw Refused{{o.placement,
                   "cannot be solved: nothing with a measured top stands below it, or the viewers' height is not known",
                   "Place a sofa or a table under it and give its height"}};
  if (o.json) {
    std::cout << artJson(art->solution);
    return kAnswered;
  }
  const LengthFormat format = usualFormat(job.units);
  std::cout << (art->solution.both ? "Both rules hold" : "The two rules cannot both hold") << ": centre "
            << writeLength(art->solution.centre, format) << ", gap " << writeLength(art->solution.gap, format) << "\n";
  return kAnswered;
}

int runSurvey(const Options& o) {
  const NamedNetwork named = orRefuse(readNetwork(orRefuse(readFile(o.job, kMostJobBytes)), o.job));
  const LengthFormat format{LengthStyle::Millimetres, 16};
  const SurveyReport report = orRefuse(reportOf(named.network, builtInSlips(), format));
  if (o.json) {
    std::cout << surveyText(named, report);
    return kAnswered;
  }
  std::cout << closureSentence(named.network, named.corners, report, format) << "\n";
  if (const std::string next = nextSentence(named.corners, report, format); !next.empty()) std::cout << next << "\n";
  return kAnswered;
}

int runSite(const Options& o) {
  const JobFile file = load(o);
  const Room& room = chosenRoom(file.job, o);
  const LengthFormat format = usualFormat(file.job.units);
  if (o.json) {
    std::cout << siteText(room, format);
    return kAnswered;
  }
  const auto say = [](const std::vector<std::string>& sentences) {
    for (const std::string& s : sentences) std::cout << "  " << s << "\n";
  };
  std::cout << room.name << ". " << ceilingWords(room, format) << "\n";
  say(heightReport(room, format).sentences);
  for (const Opening& opening : room.openings)
    if (!opening.readings.empty()) {
      std::cout << "opening " << opening.id.value << ", wall " << opening.wall.value << "\n";
      say(closureWords(room, opening.id, format));
    }
  for (const StudRecord& record : room.studs) {
    std::cout << "studs, wall " << record.wall.value << "\n";
    say(studWords(record, fitStuds(record, findWall(room, record.wall)->length()), format));
  }
  for (const TraceDifference& d : traceDifferences(room, format)) std::cout << d.sentence << "\n";
  return kAnswered;
}

int runHouse(const Options& o) {
  const JobFile file = load(o);
  const LengthFormat format = usualFormat(file.job.units);
  if (!o.together.empty()) {
    std::vector<RoomId> rooms;
    for (const std::string& id : o.together) rooms.emplace_back(id);
    std::cout << togetherText(orRefuse(walkedTogether(file.job, rooms)));
    return kAnswered;
  }
  if (o.json) {
    std::cout << houseText(file.job, format);
    return kAnswered;
  }
  for (const HouseStorey& storey : layoutOf(file.job, format)) {
    std::cout << (storey.name.empty() ? "Rooms" : storey.name) << "\n";
    for (const PlacedRoom& p : storey.rooms)
      std::cout << "  " << findRoom(file.job, p.room)->name << (p.joined ? "" : ", joined to none") << "\n";
    for (const std::string& s : storey.sentences) std::cout << "  " << s << "\n";
  }
  return kAnswered;
}

int runOutline(const Options& o) {
  const DxfDrawing drawing = orRefuse(readDxf(orRefuse(readFile(o.job, kMostDxfBytes)), o.job));
  std::string layer = o.layer;
  if (layer.empty())
    for (const auto& [name, lines] : drawing.layers)
      if (layer.empty() || lines.size() > drawing.layers.at(layer).size()) layer = name;
  const double mm = o.unit.empty() ? drawing.mmPerUnit : mmPerDxfUnit(o.unit);
  if (!(mm > 0))
    throw Refused{{o.job, o.unit.empty() ? "does not say its unit" : "cannot be in \"" + o.unit + "\"",
                   "Say --unit in, ft, mm, cm or m"}};
  if (o.loop < 1) throw Refused{{"--outline", "counts from 1", "1 is the largest"}};
  const DxfOutline outline =
      orRefuse(outlineFromDxf(drawing, layer, mm, o.tolerance, o.loop - 1, {LengthStyle::Millimetres, 16, true}));
  std::cout << outlineText(outline, layer, mm);
  return kAnswered;
}

int runExport(const Options& o) {
  const JobFile file = load(o);
  const Room& room = chosenRoom(file.job, o);
  const Scheme* scheme = nullptr;
  for (const auto& s : file.job.schemes)
    if (s->room == room.id && (o.scheme.empty() || s->id.value == o.scheme) && scheme == nullptr) scheme = s.get();
  if (!o.out.ends_with(".dxf")) throw Refused{{o.out, "has no ending that Mezzet exports to", "Use .dxf"}};
  const Bytes bytes = writeDxf(file.job, room, scheme, usualFormat(file.job.units));
  FileSystem files;
  if (const auto fault = saveAtomically(files, o.out, bytes)) throw Refused{*fault};
  std::cout << o.out << ": " << room.name << " in millimetres\n";
  return kAnswered;
}

/// What asks of a scheme.
void addSchemeCommands(CLI::App& cli, Options& o, Runs& runs) {
  CLI::App* cValidate = command(cli, o, "validate", "Says whether a job file is sound");
  CLI::App* cCheck = withPlace(command(cli, o, "check", "Applies every rule to one scheme"), o);
  cCheck->add_flag("--as-hung", o.asHung, "Judges what hangs where it was measured to hang");
  cCheck->add_flag("--strict", o.strict, "Count taste as well");
  CLI::App* cRoute =
      withPlace(command(cli, o, "route", "How wide the way is from one place to another, and what makes it so"), o);
  cRoute->add_option("--from", o.from, "A door, a seat, a window or a cupboard; the entry if not given");
  cRoute->add_option("--to", o.to, "Likewise")->required();
  CLI::App* cReach = withPlace(command(cli, o, "reach", "What someone of a given width can get to"), o);
  cReach->add_option("--width", o.width, "Width in mm")->required();
  cReach->add_option("--from", o.from, "The door they come in by; the entry if not given");
  CLI::App* cTurning = withPlace(command(cli, o, "turning", "The largest circle on the free floor"), o);
  CLI::App* cGaps = withPlace(command(cli, o, "gaps", "Lists the gaps up to 2 m"), o);
  cGaps->add_flag("--json", o.json, "Answer in JSON");
  CLI::App* cArt = withPlace(command(cli, o, "solve-art", "Where a picture can hang"), o);
  cArt->add_option("--placement", o.placement, "Placement id of the picture")->required();
  cArt->add_flag("--json", o.json, "Answer in JSON");
  CLI::App* cApply = withPlace(command(cli, o, "apply", "Takes one way out of a broken finding"), o);
  cApply->add_option("--finding", o.finding, "Id of the finding, see check --json")->required();
  cApply->add_option("--way", o.way, "Id of one of its ways out")->required();
  cApply->add_option("--out", o.out, "The .mezzet or .json to write")->required();
  CLI::App* cSize = withPlace(command(cli, o, "size", "From what to what the sizes of a piece may be"), o);
  cSize->add_option("--placement", o.placement, "Placement id of what stands or hangs there");
  cSize->add_option("--kind", o.sizeKind, "A kind that is not there yet: low-table, rug, art ...");
  cSize->add_option("--for", o.forPlacement, "Placement id of what it would serve");
  for (CLI::App* sub : {cCheck, cRoute, cReach, cTurning, cApply, cSize}) {
    if (sub != cApply) sub->add_flag("--json", o.json, "Answer in JSON");
    sub->add_option("--state", o.state, "everyday, occupied or party: how the room is used");
  }
  runs.emplace_back(cApply, [&o] { return runApply(o); });
  runs.emplace_back(cSize, [&o] { return runSize(o); });
  runs.emplace_back(cValidate, [&o] { return validate(o); });
  runs.emplace_back(cCheck, [&o] { return runCheck(o); });
  runs.emplace_back(cRoute, [&o] { return runRoute(o); });
  runs.emplace_back(cReach, [&o] { return runReach(o); });
  runs.emplace_back(cTurning, [&o] { return runTurning(o); });
  runs.emplace_back(cGaps, [&o] { return runGaps(o); });
  runs.emplace_back(cArt, [&o] { return runSolveArt(o); });
}

/// What asks of rooms and houses, reads and writes.
void addRoomCommands(CLI::App& cli, Options& o, Runs& runs) {
  CLI::App* cSurvey = cli.add_subcommand("survey", "Adjusts the readings of a room, and says which does not fit");
  cSurvey->add_option("READINGS", o.job, "A JSON file of readings, see docs/cli.md")->required();
  cSurvey->add_flag("--json", o.json, "Answer in JSON");
  CLI::App* cSite =
      withPlace(command(cli, o, "site", "What follows from the openings, heights, studs and traces of a room"), o);
  cSite->add_flag("--json", o.json, "Answer in JSON");
  CLI::App* cHouse = command(cli, o, "house", "How the rooms lie through the doors they share");
  cHouse->add_option("--together", o.together, "Rooms to walk together as one outline: a,b")->delimiter(',');
  cHouse->add_flag("--json", o.json, "Answer in JSON");
  CLI::App* cOutline = cli.add_subcommand("outline", "Reads a room's outline from a DXF drawing");
  cOutline->add_option("DXF", o.job, "An ASCII .dxf file")->required();
  cOutline->add_option("--layer", o.layer, "The layer; the fullest if not given");
  cOutline->add_option("--unit", o.unit, "in, ft, mm, cm or m, where the file does not say");
  cOutline->add_option("--tolerance", o.tolerance, "Ends nearer than this are joined, mm");
  cOutline->add_option("--outline", o.loop, "Which outline of the layer, the largest first");
  CLI::App* cExport = withPlace(command(cli, o, "export", "Writes a room as a DXF drawing in millimetres"), o);
  cExport->add_option("--out", o.out, "The .dxf to write")->required();
  runs.emplace_back(cSurvey, [&o] { return runSurvey(o); });
  runs.emplace_back(cSite, [&o] { return runSite(o); });
  runs.emplace_back(cHouse, [&o] { return runHouse(o); });
  runs.emplace_back(cOutline, [&o] { return runOutline(o); });
  runs.emplace_back(cExport, [&o] { return runExport(o); });
}

}  // namespace

int main(int argc, char** argv) {
  CLI::App cli{"Checks, measures and prints Mezzet jobs. See docs/cli.md."};
  cli.require_subcommand(1);
  Options o;
  Runs runs;
  addSchemeCommands(cli, o, runs);
  addLightCommands(cli, o, runs);
  addDisplayCommands(cli, o, runs);
  addChoosingCommands(cli, o, runs);
  addWallCommands(cli, o, runs);
  addRugCommands(cli, o, runs);
  addRoomCommands(cli, o, runs);
  addSheetCommands(cli, o, runs, argc, argv);
  addHandOverCommands(cli, o, runs, argc, argv);
  addPhotographCommands(cli, o, runs, argc, argv);

  try {
    cli.parse(argc, argv);
  } catch (const CLI::ParseError& fault) {
    const int code = cli.exit(fault, std::cout, std::cerr);
    return code == 0 ? kAnswered : kUnusable;
  }
  try {
    int code = kUnusable;
    for (const auto& [sub, run] : runs)
      if (sub->parsed()) code = run();
    // An answer that did not arrive is none, whatever it was.
    std::cout.flush();
    if (std::cout) return code;
    std::cerr << "standard output: could not be written. Is there room, and is somebody reading?\n";
  } catch (const Refused& refused) {
    // Whatever it is about, the file it is in comes first; what stands on the command line names itself.
    Error error = refused.error;
    if (!error.where.starts_with(o.job) && !error.where.starts_with("--") && (o.out.empty() || error.where != o.out))
      error.where = error.where.empty() ? o.job : o.job + ", " + error.where;
    std::cerr << error.text() << "\n";
  } catch (const std::bad_alloc&) {
    std::cerr << o.job << ": needs more memory than there is. Close other programs, or split the job\n";
  } catch (const std::exception& fault) {
    std::cerr << o.job << ": could not be worked on (" << fault.what() << "). Please report this with the file\n";
  }
  return kUnusable;
}
