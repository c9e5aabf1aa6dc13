#include "core/edit/validate_light.h"

#include <algorithm>
#include <cmath>
#include <set>

#include "core/edit/validate_site.h"
#include "core/edit/validate_text.h"
#include "core/model/kinds.h"

namespace mezzet {
namespace {

constexpr std::size_t kMostCircuits = 60, kMostLaid = 60, kMostTasks = 200;

bool isShare(double value) { return value >= 0 && value < 1; }

std::optional<Error> faultOfTask(const Room& room, const Scheme& scheme, const LightTask& task) {
  const std::string where = "task " + task.id.value;
  if (const auto* at = std::get_if<Vec2>(&task.where))
    if (!(std::abs(at->x) <= 2 * kLongestLength && std::abs(at->y) <= 2 * kLongestLength))
      return Error{where, "is at a place that is no place", "Check its coordinates"};
  if (const auto* on = std::get_if<PlacementId>(&task.where); on != nullptr && findPlacement(scheme, *on) == nullptr)
    return Error{where, "is on a placement that is not there: " + on->value, "Take the task out"};
  if (const auto* on = std::get_if<FeatureId>(&task.where))
    if (std::none_of(room.features.begin(), room.features.end(), [&](const Feature& f) { return f.id == *on; }))
      return Error{where, "is on a fixed thing that is not there: " + on->value, "Take the task out"};
  if (task.height && !(*task.height >= 0 && *task.height <= kLongestLength))
    return Error{where, "has a height that is not a length", "Type 0 or more"};
  if (task.asked && !(*task.asked >= 0 && *task.asked <= 1e6))
    return Error{where, "asks for an amount of light that is none", "Type lux, 0 or more"};
  return std::nullopt;
}

}  // namespace

std::optional<Error> faultOfLight(const Room& room) {
  if (const auto& j = room.joists) {
    if (auto fault = faultOfLength(j->pitch, room.name + ", joists, pitch")) return fault;
    if (auto fault = faultOfLength(j->width, room.name + ", joists, width")) return fault;
    if (j->width >= j->pitch) return Error{room.name + ", joists", "are wider than their pitch", "Check both"};
    if (!(std::abs(j->first) <= 2 * kLongestLength))
      return Error{room.name + ", joists", "begin at a place that is no place", "Check the first"};
  }
  if (const auto& r = room.reflectance; r && !(isShare(r->ceiling) && isShare(r->walls) && isShare(r->floor)))
    return Error{room.name + ", reflectance", "is not from 0 to less than 1", "0.7 is a white ceiling"};
  return std::nullopt;
}

std::optional<Error> faultOfLight(const Piece& p, const std::string& name) {
  if (p.light->shadeBottom && p.height && *p.light->shadeBottom > *p.height)
    return Error{name, "has a shade that ends above the whole", "Its lower edge is measured from the foot"};
  if (p.light->shadeBottom && !(*p.light->shadeBottom >= 0 && *p.light->shadeBottom <= kLongestLength))
    return Error{name, "has a shade whose lower edge is not a length", "Type 0 or more"};
  return std::nullopt;
}

std::optional<Error> faultOfLight(const Scheme& scheme, const Placement& p, const std::string& where) {
  if (!p.circuit.empty() && findCircuit(scheme, p.circuit) == nullptr)
    return Error{where, "is on a circuit that is not there: " + p.circuit.value, "Add the circuit, or leave it out"};
  if (p.aim && !(p.aim->tilt >= 0 && p.aim->tilt <= 90 && p.aim->bearing >= 0 && p.aim->bearing < 360))
    return Error{where, "is aimed other than 0 to 90 degrees from straight down", "Type degrees"};
  const auto* up = onCeiling(p.on);
  if (up == nullptr) return std::nullopt;
  for (const double v : {up->at.x, up->at.y, up->drop})
    if (!(std::abs(v) <= 2 * kLongestLength)) return Error{where, "is at a place that is no place", "Type a length"};
  if (up->drop < 0) return Error{where, "hangs above the ceiling", "Its drop is 0 or more"};
  if (!(up->turn >= 0 && up->turn < 360))
    return Error{where, "has a turn that is not from 0 up to 360", "Type degrees"};
  return std::nullopt;
}

std::optional<Error> faultOfLight(const Room& room, const Scheme& scheme) {
  const std::string where = "scheme " + scheme.id.value;
  if (scheme.circuits.size() > kMostCircuits || scheme.laid.size() > kMostLaid || scheme.tasks.size() > kMostTasks)
    return Error{where, "has more than 60 circuits, 60 layings of lights or 200 tasks", "Take some out"};
  std::set<std::string> circuits, laid, tasks;
  for (const Circuit& c : scheme.circuits) {
    if (auto fault = takeId(circuits, c.id, "circuit")) return fault;
    if (c.name.empty() || c.name.size() > kLongestText)
      return Error{"circuit " + c.id.value, "has no name", "Give it a letter"};
    if (!c.switchAt.empty() &&
        std::none_of(room.points.begin(), room.points.end(), [&](const WallPoint& p) { return p.id == c.switchAt; }))
      return Error{"circuit " + c.id.value, "is switched at a point that is not there: " + c.switchAt.value,
                   "Choose a switch of the room, or none"};
  }
  for (const LaidLights& l : scheme.laid) {
    if (auto fault = takeId(laid, l.id, "laying of lights")) return fault;
    if (!(l.area > 0 && l.area <= kLongestLength * kLongestLength))
      return Error{"laying of lights " + l.id.value, "has an area that is none", "It is in square millimetres"};
    for (const PlacementId& id : l.placements)
      if (findPlacement(scheme, id) == nullptr)
        return Error{"laying of lights " + l.id.value, "names a placement that is not there: " + id.value,
                     "Take it out"};
  }
  for (const LightTask& task : scheme.tasks) {
    if (auto fault = takeId(tasks, task.id, "task")) return fault;
    if (auto fault = faultOfTask(room, scheme, task)) return fault;
  }
  return std::nullopt;
}

}  // namespace mezzet
