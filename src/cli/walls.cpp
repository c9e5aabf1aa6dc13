#include "cli/walls.h"

#include <charconv>
#include <iostream>

#include "core/decide/hang_place.h"
#include "core/model/kinds.h"
#include "core/rules/base/hook_school.h"
#include "io/json/hang_json.h"
#include "io/json/hang_report.h"
#include "io/json/wall_report.h"

namespace mezzet::cli {
namespace {

/// Numbers between commas; refused when they are not just so many.
std::vector<double> numbersOf(const std::string& text, std::size_t count, char between, const std::string& option,
                              const char* hint) {
  std::vector<double> out;
  const char* at = text.data();
  const char* end = at + text.size();
  while (at <= end) {
    double value = 0;
    const auto [next, fault] = std::from_chars(at, end, value);
    if (fault != std::errc{} || !(std::abs(value) <= 1e7)) break;
    out.push_back(value);
    if (next == end) {
      at = end + 1;
      break;
    }
    if (*next != between) break;
    at = next + 1;
  }
  if (out.size() != count || at != end + 1) throw Refused{{option + " " + text.substr(0, 60), "cannot be read", hint}};
  return out;
}

Wall chosenWall(const Room& room, const std::string& name) {
  if (const auto wall = findWall(room, CornerId(name))) return *wall;
  throw Refused{
      {"--wall " + name, "is no wall of room " + room.name, "Name it by the letter of the corner it starts at"}};
}

int runFreeWall(const Options& o) {
  const JobFile file = load(o);
  const Room& room = chosenRoom(file.job, o);
  const Scheme& scheme = chosenScheme(file.job, room, o);
  static_cast<void>(stateNamed(o.state));
  const Wall wall = chosenWall(room, o.wall);
  const WallFace face = wallFace(file.job, room, &scheme, wall);
  const std::vector<WallRect> free = freeRectangles(face);
  const std::vector<FreeAbove> above = freeAboveEach(file.job, room, scheme, wall, face);
  if (o.json) {
    std::cout << freeWallJson(scheme, free, above);
    return kAnswered;
  }
  const LengthFormat format = usualFormat(file.job.units);
  const auto size = [&](const WallRect& r) {
    return writeLength(r.width(), format) + " by " + writeLength(r.height(), format);
  };
  if (free.empty()) std::cout << "Nothing of wall " << wall.id.value << " is free, 12 in each way at least.\n";
  for (const WallRect& r : free)
    std::cout << size(r) << ", from " << writeLength(r.left, format) << " left and " << writeLength(r.bottom, format)
              << " up\n";
  for (const FreeAbove& a : above)
    std::cout << "Over " << a.below.id << ": " << size(a.free) << ", a picture " << a.proposed.width << " to "
              << a.proposed.height << ", " << writeLength(a.widthLow, format) << " to "
              << writeLength(a.widthHigh, format) << " wide\n";
  return kAnswered;
}

int runArrange(const Options& o) {
  JobFile file = load(o);
  const Room& room = chosenRoom(file.job, o);
  const Scheme& scheme = chosenScheme(file.job, room, o);
  static_cast<void>(stateNamed(o.state));
  HangRequest r;
  for (const std::string& id : o.placements) r.placements.emplace_back(id);
  r.wall = chosenWall(room, o.wall).id;
  const auto as = hangNamed(o.as);
  if (!as || *as == HangAs::Free)
    throw Refused{{"--as " + o.as, "is no arrangement", "Use row, grid, salon, mirrored, loose, match or stair"}};
  r.as = *as;
  const auto line = hangLineNamed(o.line);
  if (!line) throw Refused{{"--line " + o.line, "is no line", "Use centre, top or bottom"}};
  r.line = *line;
  r.gap = o.gap;
  r.rows = o.rows;
  r.columns = o.columns;
  r.treads = o.treads;
  r.like = o.like;
  if (!o.ratio.empty()) {
    const auto parts = numbersOf(o.ratio, 2, ':', "--ratio", "Type width to height: 3:2");
    if (!(parts[0] > 0 && parts[1] > 0)) throw Refused{{"--ratio " + o.ratio, "is none", "Type width to height: 3:2"}};
    r.ratio = parts[0] / parts[1];
  }
  if (!o.within.empty()) {
    const auto ends = numbersOf(o.within, 4, ',', "--within", "Type left,right,bottom,top in mm");
    r.within = WallRect{ends[0], ends[1], ends[2], ends[3]};
  }
  r.restarts = o.restarts;
  if (o.seed < 0) throw Refused{{"--seed", "is below 0", "Type a whole number from 0"}};
  r.seed = static_cast<std::uint64_t>(o.seed);
  IdSource ids(file.nextId);
  const Patience patience("the arrangement");
  const HangPlan plan =
      orRefuse(hangPlan(file.job, builtInRulebook(), scheme.id, r, ids, usualFormat(file.job.units), patience.token()));
  patience.check();
  if (o.json) std::cout << arrangeJson(scheme, plan);
  else {
    const LengthFormat format = usualFormat(file.job.units);
    for (const auto& [id, place] : plan.places)
      std::cout << id.value << ": " << writeLength(place.u, format) << " from the left, centre "
                << writeLength(place.v, format) << " up\n";
    for (const std::string& line2 : plan.says) std::cout << line2 << "\n";
  }
  if (o.out.empty()) return kAnswered;
  file.job = plan.job;
  file.nextId = ids.next();
  FileSystem files;
  if (const auto fault = saveAtomically(files, o.out, orRefuse(writeJobBytes(file)))) throw Refused{*fault};
  return kAnswered;
}

int runMirror(const Options& o) {
  const JobFile file = load(o);
  const Room& room = chosenRoom(file.job, o);
  const Scheme& scheme = chosenScheme(file.job, room, o);
  const Situation s(file.job, builtInRulebook(), scheme, usualFormat(file.job.units), {stateNamed(o.state)});
  const Placement* mirror = findPlacement(scheme, PlacementId(o.placement));
  if (mirror == nullptr)
    throw Refused{{"--placement " + o.placement, "is not in this scheme", "See the ids in job.json"}};
  if (!isMirror(s.pieces.of(*mirror).kind) || onWall(mirror->on) == nullptr)
    throw Refused{{"--placement " + o.placement, "is no mirror on a wall", "Name one that hangs"}};
  std::optional<Eye> eye;
  if (!o.eye.empty()) {
    const auto at = numbersOf(o.eye, 3, ',', "--eye", "Type x,y,z in mm");
    eye = Eye{{at[0], at[1]}, at[2]};
  }
  const MirrorViews views = mirrorViews(s, *mirror, eye);
  if (o.json) {
    std::cout << mirrorJson(scheme, views);
    return kAnswered;
  }
  if (views.eyes.empty()) std::cout << "Nobody stands or sits before it.\n";
  for (const MirrorEye& one : views.eyes) {
    std::cout << one.who << ":";
    for (const Shown& shown : one.sees) std::cout << " " << shown.id << " " << std::lround(100 * shown.share) << " %";
    std::cout << "\n";
  }
  return kAnswered;
}

int runHang(const Options& o) {
  const JobFile file = load(o);
  const Room& room = chosenRoom(file.job, o);
  const Scheme& scheme = chosenScheme(file.job, room, o);
  static_cast<void>(stateNamed(o.state));
  NailAsk ask;
  if (!o.placement.empty()) {
    const Placement* p = findPlacement(scheme, PlacementId(o.placement));
    const auto* place = p != nullptr ? onWall(p->on) : nullptr;
    if (place == nullptr)
      throw Refused{
          {"--placement " + o.placement, "does not hang on a wall of this scheme", "See the ids in job.json"}};
    ask.only = {p->id};
    ask.wall = place->wall;
  } else {
    if (o.wall.empty()) throw Refused{{"hang", "needs a wall or a placement", "Add --wall A or --placement p1"}};
    ask.wall = chosenWall(room, o.wall).id;
  }
  ask.end = wallEndNamed(o.end);
  if (o.levelLine) ask.line = *o.levelLine;
  ask.school = hookSchool(file.job, builtInRulebook());
  const LengthFormat format = usualFormat(file.job.units);
  const NailPlan plan = nailPlan(file.job, room, scheme, builtInRulebook().fixings, ask, format);
  if (o.json) {
    std::cout << nailsJson(scheme, ask, plan);
    return kAnswered;
  }
  for (const Nail& n : plan.nails)
    std::cout << n.order << "  " << n.placement.value << ": " << writeLength(n.fromEnd, format) << " from the "
              << (ask.end == WallEnd::Left ? "left" : "right") << ", " << writeLength(std::abs(n.aboveLine), format)
              << (n.aboveLine < 0 ? " below" : " above") << " the line, " << writeLength(n.aboveFloor, format)
              << " above the floor\n";
  for (const UnknownNails& u : plan.unknown) {
    std::cout << u.placement.value << ": " << (u.fault.empty() ? "not known" : u.fault);
    for (const HookMissing& m : u.missing) std::cout << "; " << m.words;
    std::cout << "\n";
  }
  for (const std::string& caution : plan.cautions) std::cout << caution << "\n";
  return kAnswered;
}

}  // namespace

WallEnd wallEndNamed(const std::string& word) {
  if (word.empty() || word == "left") return WallEnd::Left;
  if (word == "right") return WallEnd::Right;
  throw Refused{{"--end " + word, "is no end of a wall", "Use left or right, as the wall is seen from the room"}};
}

void addNailOptions(CLI::App* sub, Options& o) {
  sub->add_option("--end", o.end, "left or right: which end nails are measured from");
  sub->add_option("--line", o.levelLine, "The level line above the datum, mm; 1219.2 if not given")
      ->check(CLI::Range(0.0, 20'000.0));
}

void addWallCommands(CLI::App& cli, Options& o, Runs& runs) {
  CLI::App* cFree = withPlace(command(cli, o, "free-wall", "What of a wall is free, and what it asks for"), o);
  cFree->add_option("--wall", o.wall, "Wall letter")->required();
  CLI::App* cArrange = withPlace(command(cli, o, "arrange", "Things arranged on a wall as one group"), o);
  cArrange->add_option("--placements", o.placements, "Ids, in the order they are to hang in")
      ->delimiter(',')
      ->required();
  cArrange->add_option("--as", o.as, "row, grid, salon, mirrored, loose, match or stair")->required();
  cArrange->add_option("--wall", o.wall, "Wall letter")->required();
  cArrange->add_option("--gap", o.gap, "Between two, mm; 50.8 if not given");
  cArrange->add_option("--rows", o.rows, "Of a grid or a match");
  cArrange->add_option("--columns", o.columns, "Of a grid or a match");
  cArrange->add_option("--line", o.line, "Of a row: centre, top or bottom are in line");
  cArrange->add_option("--like", o.like, "The group or placement that a match is like");
  cArrange->add_option("--ratio", o.ratio, "Wished width to height, 3:2");
  cArrange->add_option("--within", o.within, "left,right,bottom,top in mm; a free rectangle if not given");
  cArrange->add_option("--restarts", o.restarts, "Effort of a salon or a loose hang");
  cArrange->add_option("--seed", o.seed, "Another answer for another number");
  cArrange->add_option("--treads", o.treads,
                       "Of a stair: from one frame to the next; the least that leaves 2 in if not given");
  cArrange->add_option("--out", o.out, "Writes the job with them hung so to this file");
  CLI::App* cMirror = withPlace(command(cli, o, "mirror", "What a mirror shows from the entry and the main seats"), o);
  cMirror->add_option("--placement", o.placement, "The mirror")->required();
  cMirror->add_option("--eye", o.eye, "x,y,z of an eye, mm");
  CLI::App* cHang = withPlace(command(cli, o, "hang", "Nails from one end of a wall and one level line"), o);
  cHang->add_option("--wall", o.wall, "Wall letter");
  cHang->add_option("--placement", o.placement, "One frame alone");
  addNailOptions(cHang, o);
  for (CLI::App* sub : {cFree, cArrange, cMirror, cHang}) {
    sub->add_option("--state", o.state, "everyday, occupied or party: how the room is used");
    sub->add_flag("--json", o.json, "Answer in JSON");
  }
  runs.emplace_back(cFree, [&o] { return runFreeWall(o); });
  runs.emplace_back(cArrange, [&o] { return runArrange(o); });
  runs.emplace_back(cMirror, [&o] { return runMirror(o); });
  runs.emplace_back(cHang, [&o] { return runHang(o); });
}

}  // namespace mezzet::cli
