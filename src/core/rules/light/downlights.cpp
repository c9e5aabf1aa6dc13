// Recessed lights over the room, and what is switched together.
#include <algorithm>
#include <cmath>

#include "core/edit/edits.h"
#include "core/edit/lights.h"
#include "core/light/downlights.h"
#include "core/light/estimate.h"
#include "core/model/kinds.h"
#include "core/rules/base/facts.h"
#include "core/rules/light/rules.h"

namespace mezzet {
namespace {

/// Lights nearer the wall than the nearest plus this are its row.
constexpr double kRowDeep = 6 * kInch;

/// General light: on a circuit of that use, or on none yet.
bool isGeneral(const Scheme& scheme, const Placement& p) {
  const Circuit* circuit = findCircuit(scheme, p.circuit);
  return circuit == nullptr || circuit->use == CircuitUse::General;
}

void evaluateCount(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  std::optional<Finding> worst;
  for (const LaidLights& laid : s.scheme.laid) {
    if (laid.placements.empty()) continue;
    const auto n = static_cast<double>(laid.placements.size());
    Finding f = findingOf(rule, askedOf(rule, s.job), {s.room.id.value});
    f.view = kCeilingView;
    f.measured = laid.area / n;
    if (const auto* first = onCeiling(s.placement(laid.placements.front().value)->on)) f.at = {first->at, first->at};
    decide(f, s.scheme);
    f.sentence = std::to_string(laid.placements.size()) + " lights leave " +
                 measureWords(f.measured, f.quantity, s.format) + " of floor each; " +
                 rangeWords(f.asked, f.quantity, s.format) + " are asked.";
    if (!worst || f.margin < worst->margin) worst = std::move(f);
  }
  if (worst) out.push_back(std::move(*worst));
}

/// A row of recessed lights along a wall.
struct WallRow {
  std::vector<const Fixture*> lights;
  double mean = 0;
};
std::optional<WallRow> rowAt(const std::vector<Fixture>& fixtures, const Scheme& scheme, const Wall& wall) {
  std::vector<std::pair<double, const Fixture*>> all;
  for (const Fixture& f : fixtures) {
    if (!f.recessed() || !f.onCeiling() || f.placement->aim || !isGeneral(scheme, *f.placement)) continue;
    const double off = dot(f.at.at - wall.start, wall.inward()), along = dot(f.at.at - wall.start, wall.along());
    if (off > 0 && along >= 0 && along <= wall.length()) all.emplace_back(off, &f);
  }
  if (all.empty()) return std::nullopt;
  const double least = std::min_element(all.begin(), all.end())->first;
  WallRow row;
  for (const auto& [off, f] : all)
    if (off <= least + kRowDeep) {
      row.lights.push_back(f);
      row.mean += off;
    }
  if (row.lights.size() < 2) return std::nullopt;
  row.mean /= static_cast<double>(row.lights.size());
  return row;
}

void evaluateOffset(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  const std::vector<const Placement*> seats = s.mainSeats();
  for (const Wall& wall : wallsOf(s.room)) {
    const auto seat = seatAtWall(s.pieces, wall, seats);
    const auto row = seat ? rowAt(s.fixtures(), s.scheme, wall) : std::nullopt;
    if (!row) continue;
    Finding f = findingOf(rule, askedOf(rule, s.job), {wallKey(wall.id), seat->seat->id.value});
    f.view = kCeilingView;
    f.measured = row->mean - seat->front;
    const Vec2 middle = row->lights.front()->at.at;
    f.at = {middle - wall.inward() * (dot(middle - wall.start, wall.inward()) - seat->front), middle};
    f.u95 = doubtOfThing(s, seat->seat->id.value, wall.inward());
    decide(f, s.scheme);
    const double by = std::abs(f.measured);
    f.sentence =
        "The row of lights along wall " + wall.id.value + " is " + writeLength(row->mean, s.format) + " off it, " +
        (by < kTouch
             ? std::string("right over the front of ")
             : writeLength(by, s.format) + (f.measured > 0 ? " before the front of " : " behind the front of ")) +
        s.names.the(seat->seat->id) + (f.margin < 0 && f.measured < 0 ? ": light falls on heads" : "") + ".";
    out.push_back(std::move(f));
  }
}

void evaluateWarmth(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  for (const Circuit& circuit : s.scheme.circuits) {
    double low = HUGE_VAL, high = -HUGE_VAL;
    int known = 0;
    std::array<Vec2, 2> at{};
    for (const Fixture& f : s.fixtures()) {
      const auto kelvin = f.piece->light->kelvin;
      if (f.placement->circuit != circuit.id || !kelvin) continue;
      ++known;
      if (*kelvin < low) low = *kelvin, at[0] = f.at.at;
      if (*kelvin > high) high = *kelvin, at[1] = f.at.at;
    }
    if (known < 2) continue;
    Finding f = findingOf(rule, askedOf(rule, s.job), {circuit.id.value});
    f.view = kCeilingView;
    f.measured = high - low;
    f.at = at;
    decide(f, s.scheme);
    f.sentence = high == low ? "The lights of circuit " + circuit.name + " are of one colour."
                             : "The lights of circuit " + circuit.name + " are from " +
                                   measureWords(low, f.quantity, s.format) + " to " +
                                   measureWords(high, f.quantity, s.format) + ".";
    out.push_back(std::move(f));
  }
}

std::string taskWords(const Situation& s, const LightTask& task) {
  const auto* on = std::get_if<PlacementId>(&task.where);
  return task.what + (on != nullptr ? " at " + s.names.the(*on) : std::string());
}

void evaluateTask(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  if (s.scheme.tasks.empty()) return;
  static const Photometries kNone;
  const Photometries& webs = s.photometries != nullptr ? *s.photometries : kNone;
  const std::vector<LightSource> sources = lightSourcesIn(s.fixtures(), webs);
  for (const TaskLight& light : taskLights(s.pieces, s.room, s.heights(), s.scheme, sources)) {
    const auto task = std::find_if(s.scheme.tasks.begin(), s.scheme.tasks.end(),
                                   [&](const LightTask& t) { return t.id == light.task; });
    Finding f = findingOf(rule, askedOf(rule, s.job), {task->id.value});
    f.view = kCeilingView;
    f.at = {light.at, light.at};
    if (!light.asked) f.missing.push_back(task->id.value + ".asked");
    if (sources.empty()) f.missing.push_back("lumens");
    f.measured = light.lx - light.asked.value_or(0);
    decide(f, s.scheme);
    const std::string what = taskWords(s, *task);
    f.sentence = sources.empty() ? "How much light there is for " + what + " waits for the lumens of a light."
                 : !light.asked
                     ? "How much light " + what + " asks for has not been said."
                     : "For " + what + " about " + measureWords(light.lx, Quantity::Illuminance, s.format) +
                           " are estimated, " + measureWords(*light.asked, Quantity::Illuminance, s.format) + " asked.";
    out.push_back(std::move(f));
  }
}

// ---- ways out

/// As many as the area asks, laid anew in the same school.
void layOtherwise(Proposals& ways) {
  const PieceIndex pieces(ways.job);
  const Room& room = roomOf(ways.job, ways.scheme);
  for (const LaidLights& laid : ways.scheme.laid) {
    if (laid.placements.empty()) continue;
    const Placement* first = findPlacement(ways.scheme, laid.placements.front());
    const auto* up = onCeiling(first->on);
    if (up == nullptr || std::any_of(laid.placements.begin(), laid.placements.end(),
                                     [&](const PlacementId& id) { return findPlacement(ways.scheme, id)->locked; }))
      continue;
    for (const LaySchool school : {LaySchool::Box, LaySchool::HalfSpace}) {
      // The box stays where its corner lights are now.
      std::optional<Box> corners;
      if (school == LaySchool::Box) {
        corners = Box{up->at, up->at};
        for (const PlacementId& id : laid.placements)
          if (const auto* place = onCeiling(findPlacement(ways.scheme, id)->on)) {
            corners->low = {std::min(corners->low.x, place->at.x), std::min(corners->low.y, place->at.y)};
            corners->high = {std::max(corners->high.x, place->at.x), std::max(corners->high.y, place->at.y)};
          }
      }
      const Downlights fresh =
          laidEvenly(room, {}, {school, std::nullopt, corners, pieces.of(*first).light->cutOut}, ways.format);
      if (fresh.at.empty()) continue;
      IdSource ids = ways.ids;
      Job after = ways.job;
      LaidLights now{laid.id, {}, fresh.area};
      for (std::size_t i = 0; i < fresh.at.size(); ++i) {
        Placement p = *first;
        if (i < laid.placements.size()) p = *findPlacement(ways.scheme, laid.placements[i]);
        else p.id = ids.take<PlacementId>("p");
        p.on = CeilingPlace{fresh.at[i], up->turn, up->drop};
        now.placements.push_back(p.id);
        after = withPlacement(after, ways.scheme.id, std::move(p));
      }
      for (std::size_t i = fresh.at.size(); i < laid.placements.size(); ++i)
        after = withoutPlacement(after, ways.scheme.id, laid.placements[i]);
      after = withLaid(after, ways.scheme.id, std::move(now));
      if (auto enough = withEnough(after, ways.scheme.id, first->piece)) after = std::move(enough).value();
      const std::string count = std::to_string(fresh.at.size());
      ways.offer(std::string(school == LaySchool::Box ? "lay-box:" : "lay-half:") + laid.id.value,
                 school == LaySchool::Box ? "Lay " + count + " in the same box, " + std::to_string(fresh.rows) +
                                                " by " + std::to_string(fresh.columns)
                                          : "Lay " + count + " half a space off the walls, " +
                                                std::to_string(fresh.rows) + " by " + std::to_string(fresh.columns),
                 measureWords(fresh.each(), Quantity::Area, ways.format) + " each", std::move(after), ids);
    }
  }
}

/// The row along the wall over the seats' front.
void moveRow(Proposals& ways) {
  const Room& room = roomOf(ways.job, ways.scheme);
  const std::vector<Fixture> fixtures = fixturesIn(PieceIndex(ways.job), room, heightsOf(room), ways.scheme);
  for (const std::string& id : ways.target.subjects) {
    if (!id.starts_with("wall:")) continue;
    const auto wall = findWall(room, CornerId(id.substr(5)));
    const auto row = wall ? rowAt(fixtures, ways.scheme, *wall) : std::nullopt;
    if (!row) continue;
    Job after = ways.job;
    for (const Fixture* f : row->lights) {
      if (f->placement->locked) continue;
      CeilingPlace there = *onCeiling(f->placement->on);
      there.at += wall->inward() * -ways.target.measured;
      after = placed(after, ways.scheme.id, f->id(), there);
    }
    ways.offer("row:" + id,
               "Move the row along wall " + wall->id.value +
                   (ways.target.measured < 0 ? " into the room" : " to the wall") + " by " +
                   ways.length(std::abs(ways.target.measured)),
               "over the front of the seats", std::move(after));
  }
}

constexpr RuleRow kDownlightsRows[] = {
    {"downlight-count", evaluateCount, layOtherwise},
    {"downlight-offset", evaluateOffset, moveRow},
    {"one-warmth", evaluateWarmth},
    {"task-light", evaluateTask},
};

}  // namespace

RuleRows downlightRules() { return kDownlightsRows; }

}  // namespace mezzet
