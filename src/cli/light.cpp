#include "cli/light.h"

#include <iostream>

#include "core/decide/light_place.h"
#include "core/edit/edits.h"
#include "core/edit/lights.h"
#include "core/model/kinds.h"
#include "core/use/groups.h"
#include "core/sheets/light_schedule.h"
#include "io/json/light_report.h"
#include "io/photometry/ies.h"
#include "io/photometry/webs.h"
#include "io/tables/csv.h"

namespace mezzet::cli {
namespace {

/// Circuits by their letter or id.
std::set<CircuitId> circuitsNamed(const Scheme& scheme, const std::vector<std::string>& names) {
  std::set<CircuitId> out;
  for (const std::string& name : names) {
    const auto at = std::find_if(scheme.circuits.begin(), scheme.circuits.end(),
                                 [&](const Circuit& c) { return c.name == name || c.id.value == name; });
    if (at == scheme.circuits.end())
      throw Refused{{"--circuit " + name, "is no circuit of this scheme", "See its circuits in job.json"}};
    out.insert(at->id);
  }
  return out;
}

int runLight(const Options& o) {
  const JobFile file = load(o);
  const Room& room = chosenRoom(file.job, o);
  const Scheme& scheme = chosenScheme(file.job, room, o);
  const std::set<CircuitId> on = circuitsNamed(scheme, o.circuits);
  const Patience patience("the estimate");
  const LightEstimate e = estimateLight(file.job, scheme, photometriesOf(file.job, file.images), on, patience.token());
  patience.check();
  if (o.json) {
    std::cout << lightJson(file.job, scheme, on, e);
    return kAnswered;
  }
  const auto lx = [](double value) { return std::to_string(std::lround(value)) + " lx"; };
  if (e.lx.empty()) std::cout << "The room is too small for an estimate.\n";
  else
    std::cout << "About " << lx(e.average) << " on a plane 760 mm up, least " << lx(e.least) << ", most " << lx(e.most)
              << "; an estimate.\n";
  for (const TaskLight& task : e.tasks)
    std::cout << task.task.value << ": about " << lx(task.lx)
              << (task.asked ? ", " + lx(*task.asked) + " asked" : std::string()) << "\n";
  if (!e.unknown.empty()) std::cout << e.unknown.size() << " lights have no lumens yet and are left out.\n";
  return kAnswered;
}

int runPhotometry(const Options& o) {
  const std::string bytes = orRefuse(readFile(o.job, kMostIesBytes));
  const Photometry web = orRefuse(readIes(bytes, o.job));
  if (o.json) {
    std::cout << photometryJson(web);
    return kAnswered;
  }
  std::cout << web.format << ": " << std::lround(fluxOf(web)) << " lm by zones, peak " << std::lround(peakOf(web))
            << " cd";
  if (const auto beam = spreadOf(web, 0.5)) std::cout << ", beam " << std::lround(*beam) << " degrees";
  std::cout << ", " << web.horizontal.size() << " planes of " << web.vertical.size() << " angles\n";
  for (const std::string& line : web.says) std::cout << line << "\n";
  return kAnswered;
}

int runDownlights(const Options& o) {
  JobFile file = load(o);
  const Job& job = file.job;
  const Room& room = chosenRoom(job, o);
  const Scheme& scheme = chosenScheme(job, room, o);
  if (o.school != "a" && o.school != "b")
    throw Refused{{"--school " + o.school, "is not a school", "Use a, a box at the seats' front, or b, half a space"}};
  if (o.count && !(*o.count >= 1 && *o.count <= 400))
    throw Refused{{"--count", "is not from 1 to 400", "Type how many"}};
  const PieceIndex pieces(job);
  const std::vector<TalkGroup> groups = talkGroupsIn(pieces, servingsIn(pieces, scheme));
  const LengthFormat format = usualFormat(job.units);
  // The recessed light of the job, if it has one; its cut-out must clear the joists.
  const Piece* light = nullptr;
  for (const auto& piece : job.pieces)
    if (light == nullptr && piece->kind == kRecessedLight) light = piece.get();
  const Downlights lay =
      laidEvenly(room, groups.empty() ? std::vector<SeatAtWall>{} : seatsAtWalls(pieces, room, groups.front().seats),
                 {o.school == "b" ? LaySchool::HalfSpace : LaySchool::Box,
                  o.count,
                  {},
                  light != nullptr ? light->light->cutOut : std::nullopt},
                 format);
  if (o.json) {
    std::cout << downlightsJson(room.id, scheme.id, lay);
  } else {
    for (const Vec2 p : lay.at) std::cout << writeLength(p.x, format) << ", " << writeLength(p.y, format) << "\n";
    for (const std::string& line : lay.says) std::cout << line << "\n";
  }
  if (o.out.empty()) return kAnswered;
  IdSource ids(file.nextId);
  Job with = job;
  PieceId id = light != nullptr ? light->id : PieceId();
  if (light == nullptr) {
    Piece usual = usualPiece(kRecessedLight);
    usual.id = id = ids.take<PieceId>("piece");
    with = orRefuse(withPiece(with, std::move(usual)));
  }
  file.job = orRefuse(withDownlightsLaid(with, scheme.id, id, o.count, o.school == "b", ids, format)).job;
  file.nextId = ids.next();
  FileSystem files;
  if (const auto fault = saveAtomically(files, o.out, orRefuse(writeJobBytes(file)))) throw Refused{*fault};
  return kAnswered;
}

}  // namespace

int runFixturesCsv(const Options& o, const JobFile& file) {
  const Room& room = chosenRoom(file.job, o);
  const Scheme& scheme = chosenScheme(file.job, room, o);
  const std::string bytes = writeCsv(fixtureTable(fixtureSchedule(file.job, room, scheme), file.job.units));
  FileSystem files;
  if (const auto fault = saveAtomically(files, o.out, bytes)) throw Refused{*fault};
  std::cout << o.out << ": " << room.name << ", lights\n";
  return kAnswered;
}

void addLightCommands(CLI::App& cli, Options& o, Runs& runs) {
  CLI::App* cLight = withPlace(command(cli, o, "light", "How much light there is, as an estimate"), o);
  cLight->add_option("--circuit", o.circuits, "Circuits that are on, by letter or id; all if not given")
      ->delimiter(',');
  CLI::App* cWeb = cli.add_subcommand("photometry", "What a photometric file (IES LM-63) says");
  cWeb->add_option("FILE", o.job, "An .ies file")->required();
  CLI::App* cLay = withPlace(command(cli, o, "downlights", "Recessed lights laid evenly over a room"), o);
  cLay->add_option("--school", o.school, "a: a box at the seats' front; b: half a space from the walls");
  cLay->add_option("--count", o.count, "How many; by the floor's area if not given");
  cLay->add_option("--out", o.out, "Writes the job with them in place to this file");
  for (CLI::App* sub : {cLight, cLay})
    sub->add_option("--state", o.state, "everyday, occupied or party: how the room is used");
  for (CLI::App* sub : {cLight, cWeb, cLay}) sub->add_flag("--json", o.json, "Answer in JSON");
  runs.emplace_back(cLight, [&o] { return runLight(o); });
  runs.emplace_back(cWeb, [&o] { return runPhotometry(o); });
  runs.emplace_back(cLay, [&o] { return runDownlights(o); });
}

}  // namespace mezzet::cli
