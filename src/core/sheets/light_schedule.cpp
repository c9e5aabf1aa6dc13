#include "core/sheets/light_schedule.h"

#include <algorithm>
#include <charconv>
#include <cmath>

#include "core/light/circuits.h"
#include "core/rules/base/names.h"
#include "core/units/weight.h"

namespace mezzet {
namespace {

std::string_view mountName(Mount mount) {
  switch (mount) {
    case Mount::Pendant: return "pendant";
    case Mount::Surface: return "surface";
    case Mount::Recessed: return "recessed";
    case Mount::Spot: return "spot";
    case Mount::Wall: return "wall";
    case Mount::Picture: return "picture";
    case Mount::Table: return "table";
    case Mount::Floor: return "floor";
    case Mount::Strip: return "strip";
    case Mount::Candle: return "candle";
  }
  return "";
}

std::string whole(double value) { return std::to_string(std::lround(value)); }

std::string lampWords(const LightPart& light) {
  std::string out;
  const auto add = [&](const std::optional<double>& value, const char* unit) {
    if (value) out += (out.empty() ? "" : ", ") + whole(*value) + unit;
  };
  add(light.lumens, " lm");
  add(light.watts, " W");
  add(light.kelvin, " K");
  add(light.beam, "\u00b0");
  return out;
}

/// In the unit, with at most two decimals; "" for none.
std::string decimal(const std::optional<double>& mm, Unit unit) {
  if (!mm) return {};
  const double value = std::round(*mm / (unit == Unit::Inch ? kInch : 1) * 100) / 100;
  char buffer[32];
  const auto [end, fault] = std::to_chars(buffer, buffer + sizeof buffer, value == 0 ? 0 : value);
  static_cast<void>(fault);
  return {buffer, end};
}

}  // namespace

std::vector<FixtureLine> fixtureSchedule(const Job& job, const Room& room, const Scheme& scheme) {
  const PieceIndex pieces(job);
  std::vector<Fixture> fixtures = fixturesIn(pieces, room, heightsOf(room), scheme);
  std::stable_partition(fixtures.begin(), fixtures.end(), [](const Fixture& f) { return f.onCeiling(); });
  const SchemeNames names(pieces, scheme);
  std::vector<FixtureLine> out;
  for (const Fixture& f : fixtures) {
    FixtureLine line;
    line.number = static_cast<int>(out.size()) + 1;
    line.id = f.id();
    line.name = names.plain(f.id());
    line.piece = f.piece->name;
    line.mount = mountName(f.mount);
    line.at = f.at.at;
    if (f.onCeiling()) line.from = templateOf(room, {f.at.at}).corners.front().from;
    if (const auto* hung = onWall(f.placement->on)) {
      line.wall = hung->wall;
      line.along = hung->u;
      line.centre = hung->v - f.floor;
    }
    if (const auto carrier = carrierOf(f.placement->on)) line.on = names.the(*carrier);
    line.underside = f.underside;
    if (f.onCeiling() && !f.recessed()) line.drop = f.ceiling - f.underside;
    if (f.hangsDown()) line.rod = std::max(0.0, f.rod());
    line.cutOut = f.piece->light->cutOut;
    line.above = f.piece->light->above;
    line.weight = f.piece->shop->weight;
    if (const Circuit* circuit = findCircuit(scheme, f.placement->circuit)) {
      line.circuit = circuit->name;
      if (!circuit->switchAt.empty()) line.switchedAt = switchWords(room, *circuit);
    }
    line.lamp = lampWords(*f.piece->light);
    out.push_back(std::move(line));
  }
  return out;
}

std::string boxWords(const FixtureLine& line, Unit unit) {
  if (!line.weight || line.mount == "recessed") return {};
  const std::string heavy =
      unit == Unit::Inch ? whole(std::ceil(*line.weight / kPound)) + " lb" : whole(std::ceil(*line.weight)) + " kg";
  return *line.weight > kBoxHolds ? heavy + ": a support of its own" : heavy + ": box rated for it";
}

std::vector<std::string> scheduleWords(const std::vector<FixtureLine>& lines, Unit unit, LengthFormat format) {
  const auto length = [&](double mm) { return writeLength(mm, format); };
  // What several lights have in common is said once, before where each of them is.
  const auto common = [&](const FixtureLine& line) {
    std::string out = line.piece;
    const auto add = [&](const std::string& words) { out += "; " + words; };
    if (line.wall) add("centre " + length(line.centre));
    else if (line.drop) add("underside " + length(line.underside));
    if (line.drop) add("drop " + length(*line.drop));
    if (line.rod) add("rod or cord " + length(*line.rod));
    if (line.cutOut) add("cut-out " + length(*line.cutOut));
    if (line.above) add(length(*line.above) + " needed above");
    add(line.circuit.empty()
            ? "circuit not decided"
            : "circuit " + line.circuit + (line.switchedAt.empty() ? ", no switch yet" : ", " + line.switchedAt));
    if (const std::string box = boxWords(line, unit); !box.empty()) add(box);
    return out;
  };
  std::vector<std::pair<std::string, std::string>> groups;
  for (const FixtureLine& line : lines) {
    std::string walls;
    for (const FromWall& from : line.from)
      walls += (walls.empty() ? "" : ", ") + length(from.off) + " to wall " + from.wall.value;
    if (line.wall) walls = "wall " + line.wall->value + ", " + length(line.along) + " from its left end";
    if (!line.on.empty()) walls = "on " + line.on;
    const std::string place = std::to_string(line.number) + (walls.empty() ? "" : ": " + walls);
    const std::string key = common(line);
    const auto at = std::find_if(groups.begin(), groups.end(), [&](const auto& g) { return g.first == key; });
    if (at == groups.end()) groups.emplace_back(key, place);
    else at->second += (walls.empty() ? ", " : ".  ") + place;
  }
  std::vector<std::string> out;
  for (const auto& [key, places] : groups) {
    out.push_back(key + ".");
    out.push_back("    " + places);
  }
  return out;
}

std::vector<std::string> checkDiagonals(const Scheme& scheme, const std::vector<FixtureLine>& lines,
                                        LengthFormat format) {
  std::vector<std::string> out;
  for (const LaidLights& laid : scheme.laid) {
    std::vector<const FixtureLine*> mine;
    for (const FixtureLine& line : lines)
      if (std::find(laid.placements.begin(), laid.placements.end(), line.id) != laid.placements.end())
        mine.push_back(&line);
    if (mine.size() < 3) continue;
    // The outermost towards each corner.
    const auto extreme = [&](double x, double y) {
      return *std::max_element(mine.begin(), mine.end(), [&](const FixtureLine* a, const FixtureLine* b) {
        return x * a->at.x + y * a->at.y < x * b->at.x + y * b->at.y;
      });
    };
    std::string words;
    for (const auto& [a, b] : {std::pair{extreme(-1, -1), extreme(1, 1)}, std::pair{extreme(1, -1), extreme(-1, 1)}})
      words += (words.empty() ? "" : ", ") + std::to_string(a->number) + " to " + std::to_string(b->number) + ": " +
               writeLength(distance(a->at, b->at), format);
    out.push_back("Diagonals to check: " + words);
  }
  return out;
}

std::vector<std::vector<std::string>> fixtureTable(const std::vector<FixtureLine>& lines, Unit unit) {
  const std::string u = unit == Unit::Inch ? " (in)" : " (mm)";
  std::vector<std::vector<std::string>> out{{"No.", "Light", "Mount", "Wall 1", "From wall 1" + u, "Wall 2",
                                             "From wall 2" + u, "Underside" + u, "Drop" + u, "Rod" + u, "Cut-out" + u,
                                             "Above" + u, "Circuit", "Switch", "Weight (kg)", "Lamp"}};
  for (const FixtureLine& line : lines) {
    std::vector<std::string> row{std::to_string(line.number), line.name, line.mount};
    for (std::size_t i = 0; i < 2; ++i) {
      row.push_back(i < line.from.size() ? line.from[i].wall.value : "");
      row.push_back(i < line.from.size() ? decimal(line.from[i].off, unit) : "");
    }
    for (const auto& length : {std::optional(line.underside), line.drop, line.rod, line.cutOut, line.above})
      row.push_back(decimal(length, unit));
    row.insert(row.end(), {line.circuit, line.switchedAt, decimal(line.weight, Unit::Millimetre), line.lamp});
    out.push_back(std::move(row));
  }
  return out;
}

}  // namespace mezzet
