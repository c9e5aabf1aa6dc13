#include "core/model/scheme.h"

#include <algorithm>

namespace mezzet {

const Placement* findPlacement(const Scheme& scheme, const PlacementId& id) {
  const auto at =
      std::find_if(scheme.placements.begin(), scheme.placements.end(), [&](const Placement& p) { return p.id == id; });
  return at == scheme.placements.end() ? nullptr : &*at;
}

const Circuit* findCircuit(const Scheme& scheme, const CircuitId& id) {
  const auto at =
      std::find_if(scheme.circuits.begin(), scheme.circuits.end(), [&](const Circuit& c) { return c.id == id; });
  return at == scheme.circuits.end() ? nullptr : &*at;
}

const Hang* findHang(const Scheme& scheme, std::string_view group) {
  const auto at = std::find_if(scheme.hangs.begin(), scheme.hangs.end(), [&](const Hang& h) { return h.id == group; });
  return at == scheme.hangs.end() ? nullptr : &*at;
}

std::optional<FloorPlace> standsAt(const Scheme& scheme, const Placement& p) {
  return onEach(
      p.on, [](const FloorPlace& place) { return std::optional(place); },
      [](const WallPlace&) { return std::optional<FloorPlace>(); },
      [&](const CarriedPlace& on) -> std::optional<FloorPlace> {
        const Placement* carrier = findPlacement(scheme, on.carrier);
        const FloorPlace* place = carrier != nullptr ? onFloor(carrier->on) : nullptr;
        if (place == nullptr) return std::nullopt;
        return FloorPlace{place->at + rotated(on.at, turnOf(place->turn)), normalisedTurn(place->turn + on.turn)};
      },
      [](const CeilingPlace&) { return std::optional<FloorPlace>(); },
      [](const LeaningPlace&) { return std::optional<FloorPlace>(); });
}

}  // namespace mezzet
