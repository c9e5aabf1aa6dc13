#include "cli/rugs.h"

#include <iostream>

#include "core/model/kinds.h"
#include "core/rugs/lying.h"
#include "io/json/rug_report.h"

namespace mezzet::cli {
namespace {

/// The scheme that is named, or the room's first; null when the room has none and none was asked for.
const Scheme* schemeIn(const Job& job, const Room& room, const Options& o) {
  if (!o.scheme.empty()) return &chosenScheme(job, room, o);
  for (const auto& scheme : job.schemes)
    if (scheme->room == room.id) return scheme.get();
  return nullptr;
}

int runRugs(const Options& o) {
  const CheckedScheme checked = checkedScheme(o, "rugs");
  const Job& job = checked.file.job;
  PlacementIds group;
  for (const std::string& id : o.group) {
    const Placement* p = findPlacement(checked.scheme, PlacementId(id));
    if (p == nullptr || onFloor(p->on) == nullptr)
      throw Refused{{"--group " + id, "does not stand on the floor of this scheme", "See the ids in job.json"}};
    group.push_back(p->id);
  }
  const auto which = whichRug(job, builtInRulebook(), checked.scheme.id, group, checked.format, checked.with());
  if (!which)
    throw Refused{{"--group", "names no seat, low table or dining table", "Name what should stand on the rug"}};
  const std::vector<StopLine> stops = stopLinesOf(job, checked.scheme);
  if (o.json) {
    std::cout << rugsJson(checked.room.id, checked.scheme.id, *which, stops);
    return kAnswered;
  }
  for (const std::string& line : whichRugWords(*which, job.units, checked.format)) std::cout << line << "\n";
  for (const StopLine& stop : stops) std::cout << stopLineWords(stop, job, checked.scheme, checked.format) << "\n";
  return kAnswered;
}

int runCarpet(const Options& o) {
  const JobFile file = load(o);
  const Job& job = file.job;
  const Room& room = chosenRoom(job, o);
  const Scheme* scheme = schemeIn(job, room, o);
  std::vector<Area> region = carpetedFloor(room);
  if (!o.placement.empty()) {
    const Placement* p = scheme != nullptr ? findPlacement(*scheme, PlacementId(o.placement)) : nullptr;
    const FloorPlace* at = p != nullptr ? onFloor(p->on) : nullptr;
    if (at == nullptr || !isRug(pieceOf(job, *p).kind))
      throw Refused{{"--placement " + o.placement, "is no rug of this scheme", "See the ids in job.json"}};
    region.assign(1, Area{rugOutline(pieceOf(job, *p), *at), {}});
  }
  if (!(*o.roll > 0)) throw Refused{{"--roll", "is not a width", "Say how wide the roll is, in mm"}};
  if (o.repeat && !(*o.repeat > 0)) throw Refused{{"--repeat", "is not a length", "Say it in mm, or leave it out"}};
  if (o.trim && !(*o.trim >= 0)) throw Refused{{"--trim", "is not a length", "Say it in mm, 0 or more"}};
  const Broadloom cloth{*o.roll, o.pile.value_or(0), o.repeat, o.trim.value_or(kCarpetTrim)};
  const auto cut = cutCarpet(region, cloth, routesOf(job, scheme, o));
  if (!cut)
    throw Refused{{"--roll", "would be cut into more than " + std::to_string(kMostStrips) + " strips",
                   "Say how wide the roll is, in mm"}};
  const LengthFormat format = usualFormat(job.units);
  if (o.json)
    std::cout << carpetJson(room, scheme != nullptr ? scheme->id : SchemeId(), *cut, job.carpet,
                            builtInRulebook().rugs);
  else
    for (const std::string& line : carpetWords(*cut, cloth, job, builtInRulebook().rugs, format))
      std::cout << line << "\n";
  return kAnswered;
}

}  // namespace

std::vector<std::vector<Vec2>> routesOf(const Job& job, const Scheme* scheme, const Options& o) {
  std::vector<std::vector<Vec2>> out;
  if (scheme == nullptr) return out;
  const Patience patience("the routes");
  const RouteFacts facts = routeFactsOf(job, scheme->id, RouteAsk{stateNamed(o.state)}, patience.token());
  patience.check();
  for (const auto& [to, way] : facts.ways) out.push_back(way.line);
  return out;
}

void addRugCommands(CLI::App& cli, Options& o, Runs& runs) {
  CLI::App* cRugs = withPlace(command(cli, o, "rugs", "Which rug takes a group, and where a hall's carpet may end"), o);
  cRugs->add_option("--group", o.group, "What should stand on it: p1,p2,...")->delimiter(',')->required();
  CLI::App* cCarpet = withPlace(command(cli, o, "carpet", "How broadloom is cut for a room or a rug"), o);
  cCarpet->add_option("--placement", o.placement, "Placement id of a rug; the whole room if not given");
  cCarpet->add_option("--roll", o.roll, "Width of the roll in mm")->required();
  cCarpet->add_option("--pile", o.pile, "Direction of the pile in the plan, degrees")->required();
  cCarpet->add_option("--repeat", o.repeat, "Repeat of the pattern along the pile in mm");
  cCarpet->add_option("--trim", o.trim, "Left over at every cut edge in mm; 76.2 if not given");
  for (CLI::App* sub : {cRugs, cCarpet}) {
    sub->add_flag("--json", o.json, "Answer in JSON");
    sub->add_option("--state", o.state, "everyday, occupied or party: how the room is used");
  }
  runs.emplace_back(cRugs, [&o] { return runRugs(o); });
  runs.emplace_back(cCarpet, [&o] { return runCarpet(o); });
}

}  // namespace mezzet::cli
