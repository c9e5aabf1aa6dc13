#include "core/edit/lights.h"

#include <algorithm>

#include "core/edit/edits.h"
#include "core/edit/put.h"
#include "core/edit/validate.h"

namespace mezzet {
namespace {

template <class Change>
Job withChanged(const Job& job, const SchemeId& id, Change change) {
  const Scheme* scheme = findScheme(job, id);
  if (scheme == nullptr) return job;
  Scheme changed = *scheme;
  change(changed);
  return withScheme(job, std::move(changed));
}
template <class Change>
Result<Job> withChangedRoom(const Job& job, const RoomId& id, Change change) {
  const Room* room = findRoom(job, id);
  if (room == nullptr) return Error{"room " + id.value, "is not in this job", "Choose another room"};
  Room changed = *room;
  change(changed);
  return withRoom(job, std::move(changed));
}
Result<Job> sound(Job after) {
  if (const auto fault = faultOf(after)) return *fault;
  return after;
}

}  // namespace

Job withCircuit(const Job& job, const SchemeId& id, Circuit circuit) {
  return withChanged(job, id, [&](Scheme& s) { putValue(s.circuits, std::move(circuit)); });
}

Job withoutCircuit(const Job& job, const SchemeId& id, const CircuitId& circuit) {
  return withChanged(job, id, [&](Scheme& s) {
    std::erase_if(s.circuits, [&](const Circuit& c) { return c.id == circuit; });
    for (Placement& p : s.placements)
      if (p.circuit == circuit) p.circuit = {};
  });
}

Job onCircuit(const Job& job, const SchemeId& id, const std::vector<PlacementId>& lights, const CircuitId& circuit) {
  return withChanged(job, id, [&](Scheme& s) {
    for (Placement& p : s.placements)
      if (std::find(lights.begin(), lights.end(), p.id) != lights.end()) p.circuit = circuit;
  });
}

std::string freshLetter(const Scheme& scheme) {
  for (std::size_t i = 0;; ++i) {
    std::string letter = cornerName(i).value;
    if (std::none_of(scheme.circuits.begin(), scheme.circuits.end(),
                     [&](const Circuit& c) { return c.name == letter; }))
      return letter;
  }
}

Job onNextCircuit(const Job& job, const SchemeId& id, const PlacementId& of, const std::vector<PlacementId>& lights,
                  IdSource& ids) {
  const Scheme* scheme = findScheme(job, id);
  const Placement* first = scheme != nullptr ? findPlacement(*scheme, of) : nullptr;
  if (first == nullptr) return job;
  std::vector<Circuit> inOrder = scheme->circuits;
  std::sort(inOrder.begin(), inOrder.end(), [](const Circuit& a, const Circuit& b) {
    return std::pair(a.name.size(), a.name) < std::pair(b.name.size(), b.name);
  });
  const auto now =
      std::find_if(inOrder.begin(), inOrder.end(), [&](const Circuit& c) { return c.id == first->circuit; });
  const auto next = first->circuit.empty() ? inOrder.begin() : now == inOrder.end() ? now : now + 1;
  if (next != inOrder.end()) return onCircuit(job, id, lights, next->id);
  // A circuit that has only these lights would be left empty for another empty one: then they are on none.
  const auto alone = [&](const CircuitId& circuit) {
    return std::all_of(scheme->placements.begin(), scheme->placements.end(), [&](const Placement& p) {
      return p.circuit != circuit || std::find(lights.begin(), lights.end(), p.id) != lights.end();
    });
  };
  if (!first->circuit.empty() && alone(first->circuit)) return withoutCircuit(job, id, first->circuit);
  const Circuit fresh{ids.take<CircuitId>("k"), freshLetter(*scheme)};
  return onCircuit(withCircuit(job, id, fresh), id, lights, fresh.id);
}

Job withLongerCords(const Job& job, const SchemeId& id, const std::vector<PlacementId>& lights, double by) {
  return withChanged(job, id, [&](Scheme& s) {
    for (Placement& p : s.placements)
      if (auto* up = onCeiling(p.on);
          up != nullptr && !p.locked && std::find(lights.begin(), lights.end(), p.id) != lights.end())
        up->drop = std::max(0.0, up->drop + by);
  });
}

Result<Job> withAim(const Job& job, const SchemeId& id, const PlacementId& light, std::optional<Aim> aim) {
  if (aim) aim->bearing = normalisedTurn(aim->bearing);
  return sound(withChanged(job, id, [&](Scheme& s) {
    for (Placement& p : s.placements)
      if (p.id == light) p.aim = aim;
  }));
}

Result<Job> withEnough(Job job, const SchemeId& id, const PieceId& pieceId) {
  const Piece* piece = findPiece(job, pieceId);
  const Scheme* scheme = findScheme(job, id);
  if (piece == nullptr || scheme == nullptr) return job;
  const int many = timesPlaced(*scheme, pieceId);
  if (piece->count >= many) return job;
  Piece more = *piece;
  more.count = many;
  return withPiece(job, std::move(more));
}

Job withLaid(const Job& job, const SchemeId& id, LaidLights laid) {
  return withChanged(job, id, [&](Scheme& s) { putValue(s.laid, std::move(laid)); });
}

Result<Job> withTask(const Job& job, const SchemeId& id, LightTask task) {
  return sound(withChanged(job, id, [&](Scheme& s) { putValue(s.tasks, std::move(task)); }));
}

Job withoutTask(const Job& job, const SchemeId& id, const TaskId& task) {
  return withChanged(job, id,
                     [&](Scheme& s) { std::erase_if(s.tasks, [&](const LightTask& t) { return t.id == task; }); });
}

Result<Job> withJoists(const Job& job, const RoomId& id, std::optional<Joists> joists) {
  return withChangedRoom(job, id, [&](Room& room) { room.joists = joists; });
}

Result<Job> withReflectance(const Job& job, const RoomId& id, std::optional<Reflectance> reflectance) {
  return withChangedRoom(job, id, [&](Room& room) { room.reflectance = reflectance; });
}

Scheme withoutLostLights(Scheme scheme, const Room& room) {
  const auto lost = [&](const PlacementId& id) { return findPlacement(scheme, id) == nullptr; };
  for (LaidLights& l : scheme.laid) std::erase_if(l.placements, lost);
  std::erase_if(scheme.laid, [](const LaidLights& l) { return l.placements.empty(); });
  std::erase_if(scheme.tasks, [&](const LightTask& task) {
    if (const auto* on = std::get_if<PlacementId>(&task.where)) return lost(*on);
    const auto* feature = std::get_if<FeatureId>(&task.where);
    return feature != nullptr &&
           std::none_of(room.features.begin(), room.features.end(), [&](const Feature& f) { return f.id == *feature; });
  });
  for (Circuit& c : scheme.circuits)
    if (std::none_of(room.points.begin(), room.points.end(), [&](const WallPoint& p) { return p.id == c.switchAt; }))
      c.switchAt = {};
  return scheme;
}

Job withoutLostLights(Job job, const RoomId& id) {
  const Room* room = findRoom(job, id);
  for (Shared<Scheme>& scheme : job.schemes) {
    if (room == nullptr || scheme->room != id) continue;
    if (scheme->laid.empty() && scheme->tasks.empty() && scheme->circuits.empty()) continue;
    if (Scheme sound = withoutLostLights(*scheme, *room); sound != *scheme)
      scheme = std::make_shared<const Scheme>(std::move(sound));
  }
  return job;
}

void renameLights(Scheme& scheme, const std::map<std::string, std::string>& renamed) {
  const auto rename = [&](PlacementId& id) {
    if (const auto now = renamed.find(id.value); now != renamed.end()) id = PlacementId(now->second);
  };
  for (LaidLights& l : scheme.laid)
    for (PlacementId& id : l.placements) rename(id);
  for (LightTask& task : scheme.tasks)
    if (auto* on = std::get_if<PlacementId>(&task.where)) rename(*on);
}

}  // namespace mezzet
