#include "cli/hand_over.h"

#include <QDate>
#include <QGuiApplication>
#include <iostream>

#include "cli/sheets.h"
#include "core/plan/changes.h"
#include "core/plan/dates.h"
#include "core/plan/delivery.h"
#include "core/sheets/pack.h"
#include "io/files/issue.h"
#include "io/files/pack_folder.h"
#include "io/json/hand_over_report.h"
#include "io/tables/calendar_file.h"
#include "render/fonts.h"
#include "render/pack_pdf.h"

namespace mezzet::cli {
namespace {

Day todayHere() { return *readDay(QDate::currentDate().toString(Qt::ISODate).toStdString()); }

std::optional<Day> dayNamed(const std::string& text, const char* option) {
  if (text.empty()) return std::nullopt;
  const auto day = readDay(text);
  if (!day) throw Refused{{std::string(option) + " " + text, "is not a day", "Write it as 2026-03-31"}};
  return day;
}

void write(const std::string& path, const std::string& bytes) {
  FileSystem files;
  if (const auto fault = saveAtomically(files, path, bytes)) throw Refused{*fault};
}

/// The schemes that were named: one, for its room.
std::vector<SchemeId> named(const Options& o) {
  return o.scheme.empty() ? std::vector<SchemeId>() : std::vector<SchemeId>{SchemeId(o.scheme)};
}

int runDelivery(const Options& o) {
  const JobFile file = load(o);
  const Room& room = chosenRoom(file.job, o);
  const Scheme& scheme = chosenScheme(file.job, room, o);
  const std::vector<DeliveryLeg>& legs = file.job.records->legs;
  if (legs.empty()) throw Refused{{o.job, "has no way in: delivery holds no legs", "Measure door, corridor and turns"}};
  std::vector<PieceId> pieces = carriedPieces(file.job);
  if (!o.piece.empty()) {
    if (findPiece(file.job, PieceId(o.piece)) == nullptr)
      throw Refused{{o.job, "has no piece " + o.piece, "See the ids in job.json"}};
    pieces = {PieceId(o.piece)};
  }
  std::sort(pieces.begin(), pieces.end());
  std::vector<DeliveryAnswer> answers;
  for (const PieceId& id : pieces) answers.push_back(deliver(file.job, id, usualFormat(file.job.units)));
  if (o.json) std::cout << deliveryJson(room, scheme, answers);
  else
    for (const DeliveryAnswer& a : answers) std::cout << verdictWord(a.verdict) << "  " << a.says << "\n";
  return kAnswered;
}

int runDates(const Options& o) {
  const JobFile file = load(o);
  const Room& room = chosenRoom(file.job, o);
  const Scheme& scheme = chosenScheme(file.job, room, o);
  const Dates dates = orRefuse(datesOf(file.job, builtInRulebook(), named(o), dayNamed(o.from, "--from")));
  if (!o.ics.empty()) write(o.ics, calendarText(dates, file.job.name, todayHere()));
  if (!o.out.empty()) write(o.out, writeCsv(datesTable(dates)));
  if (o.json) {
    std::cout << datesJson(room, scheme, dates);
    return kAnswered;
  }
  for (const JobTask& t : dates.tasks)
    std::cout << writeDay(t.start) << "  " << writeDay(t.end) << "  " << (t.critical() ? "!" : " ") << "  " << t.what
              << "\n";
  for (const HeldDate& late : dates.late) std::cout << "held: " << late.says << "\n";
  for (const std::string& note : dates.notes) std::cout << "note: " << note << "\n";
  std::cout << "All done on " << dayWords(dates.end) << "\n";
  return kAnswered;
}

const Scheme& schemeNamed(const Job& job, const std::string& id, const char* option) {
  if (const Scheme* scheme = findScheme(job, SchemeId(id))) return *scheme;
  throw Refused{{std::string(option) + " " + id, "is no scheme of this job", "See the ids in job.json"}};
}

int runChanges(const Options& o) {
  const JobFile file = load(o);
  const Scheme &from = schemeNamed(file.job, o.from, "--from"), &to = schemeNamed(file.job, o.to, "--to");
  if (from.room != to.room)
    throw Refused{{"changes", "are between two schemes of one room", "Name two schemes of " + from.room.value}};
  const LengthFormat format = usualFormat(file.job.units);
  const CheckWith with{stateNamed(o.state)};
  const auto changes = changesBetween(figuresFor(file.job, builtInRulebook(), from.id, format, with),
                                      figuresFor(file.job, builtInRulebook(), to.id, format, with));
  if (o.json) std::cout << changesJson(to, changes);
  else
    for (const Change& change : changes) std::cout << changeWords(change, format, file.job.units) << "\n";
  return kAnswered;
}

PackReader readerOf(const Options& o) {
  if (const auto reader = readerNamed(o.version)) return *reader;
  throw Refused{{"--for " + o.version, "is no reader", "Use owner, installer, electrician, shop or all"}};
}

int runIssue(const Options& o) {
  JobFile file = load(o);
  static_cast<void>(readerOf(o));
  const std::string date = o.from.empty() ? writeDay(todayHere()) : writeDay(*dayNamed(o.from, "--date"));
  file.job = orRefuse(issued(file.job, builtInRulebook(), named(o), o.version, date));
  write(o.out, orRefuse(writeJobBytes(file)));
  const IssueRecord& issue = file.job.records->issues.back();
  std::cout << o.out << ": issue " << issue.number << ", " << issue.changes.size() << " changes\n";
  for (const std::string& change : issue.changes) std::cout << change << "\n";
  return kAnswered;
}

int runPack(const Options& o, int& argc, char** argv) {
  const JobFile file = load(o);
  const PackReader reader = readerOf(o);
  const Paper* paper = &paperNamed(o.paper);
  qputenv("QT_QPA_PLATFORM", "offscreen");
  prepareEnvironment();
  QGuiApplication app(argc, argv);
  loadFonts();
  const ImageStore images = imagesIn(file);
  PackRequest request;
  request.reader = reader;
  request.schemes = named(o);
  request.sheet.paper = paper;
  request.sheet.format = usualFormat(file.job.units);
  request.sheet.date = writeDay(todayHere());
  request.sheet.book = &builtInRulebook();
  request.sheet.state = stateNamed(o.state);
  request.sheet.issue = issueWords(file.job);
  if (!file.job.records->issues.empty()) request.changes = file.job.records->issues.back().changes;
  const Pack pack = orRefuse(composePack(file.job, request));
  for (const std::string& note : pack.notes) std::cerr << note << "\n";
  const std::string title = file.job.name + ", " + readerTitle(reader);
  if (o.out.ends_with(".pdf")) {
    write(o.out, orRefuse(packPdf(pack, title, &images)).toStdString());
  } else {
    FileSystem files;
    if (const auto fault = savePackFolder(files, o.out, pack, orRefuse(contentPdfs(pack, title, &images))))
      throw Refused{*fault};
  }
  std::cout << o.out << ": " << pack.pages.size() << " sheets for the " << readerWord(reader) << "\n";
  return kAnswered;
}

}  // namespace

void addHandOverCommands(CLI::App& cli, Options& o, Runs& runs, int& argc, char** argv) {
  CLI::App* cDelivery =
      withPlace(command(cli, o, "delivery", "Whether pieces come in by the way that was measured"), o);
  cDelivery->add_option("--piece", o.piece, "One piece; all that are carried in if not given");
  CLI::App* cDates = withPlace(command(cli, o, "dates", "When what is done, in whole working days"), o);
  cDates->add_option("--from", o.from, "The first day, 2026-03-31; the job's own if not given");
  cDates->add_option("--ics", o.ics, "Writes a calendar to this file");
  cDates->add_option("--csv", o.out, "Writes a table to this file");
  CLI::App* cChanges = withPlace(command(cli, o, "changes", "What differs between two schemes, in measures"), o);
  cChanges->add_option("--from", o.from, "A scheme")->required();
  cChanges->add_option("--to", o.to, "Another one of the same room")->required();
  CLI::App* cIssue = withPlace(command(cli, o, "issue", "Records an issue of the drawings"), o);
  cIssue->add_option("--for", o.version, "owner, installer, electrician, shop or all")->required();
  cIssue->add_option("--date", o.from, "The day, 2026-03-31; today if not given");
  cIssue->add_option("--out", o.out, "Writes the job with the issue to this file")->required();
  CLI::App* cPack = withPlace(command(cli, o, "pack", "All sheets of one reader, behind a cover"), o);
  cPack->add_option("--for", o.version, "owner, installer, electrician, shop or all")->required();
  cPack->add_option("--paper", o.paper, "letter, tabloid, a4, a3, a2 or arch-d");
  cPack->add_option("--out", o.out, "A .pdf, or a folder for one PDF a sheet and contents.csv")->required();
  for (CLI::App* sub : {cDelivery, cDates, cChanges, cIssue, cPack})
    sub->add_option("--state", o.state, "everyday, occupied or party: how the room is used");
  for (CLI::App* sub : {cDelivery, cDates, cChanges}) sub->add_flag("--json", o.json, "Answer in JSON");
  runs.emplace_back(cDelivery, [&o] { return runDelivery(o); });
  runs.emplace_back(cDates, [&o] { return runDates(o); });
  runs.emplace_back(cChanges, [&o] { return runChanges(o); });
  runs.emplace_back(cIssue, [&o] { return runIssue(o); });
  runs.emplace_back(cPack, [&o, &argc, argv] { return runPack(o, argc, argv); });
}

}  // namespace mezzet::cli
