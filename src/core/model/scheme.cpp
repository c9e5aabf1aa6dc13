#include "core/model/scheme.h"

#include <algorithm>

namespace mezzet {

const Placement* findPlacement(const Scheme& scheme, const PlacementId& id) {
  const auto at =
      std::find_if(scheme.placements.begin(), scheme.placements.end(), [&](const Placement& p) { return p.id == id; });
  return at == scheme.placements.end() ? nullptr : &*at;
}

int timesPlaced(const Scheme& scheme, const PieceId& piece) {
  return static_cast<int>(std::count_if(scheme.placements.begin(), scheme.placements.end(),
                                        [&](const Placement& p) { return p.piece == piece; }));
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

const DisplaySet* findDisplay(const Scheme& scheme, std::string_view carrier) {
  const auto at = std::find_if(scheme.displays.begin(), scheme.displays.end(),
                               [&](const DisplaySet& d) { return d.carrier == carrier; });
  return at == scheme.displays.end() ? nullptr : &*at;
}

std::optional<FloorPlace> standsAt(const Scheme& scheme, const Placement& p) {
  return onEach(
      p.on, [](const FloorPlace& place) { return std::optional(place); },
      [](const WallPlace&) { return std::optional<FloorPlace>(); },
      [&](const CarriedPlace& on) -> std::optional<FloorPlace> {
        FloorPlace here{on.at, on.turn};
        const Placement* carrier = findPlacement(scheme, on.carrier);
        for (int depth = 1; carrier != nullptr && depth <= kDeepestCarried; ++depth) {
          const auto within = [&](Vec2 at, double turn) {
            return FloorPlace{at + rotated(here.at, turnOf(turn)), normalisedTurn(turn + here.turn)};
          };
          if (const FloorPlace* floor = onFloor(carrier->on)) return within(floor->at, floor->turn);
          const CarriedPlace* next = onAnother(carrier->on);
          if (next == nullptr) return std::nullopt;
          here = within(next->at, next->turn);
          carrier = findPlacement(scheme, next->carrier);
        }
        return std::nullopt;
      },
      [](const CeilingPlace&) { return std::optional<FloorPlace>(); },
      [](const LeaningPlace&) { return std::optional<FloorPlace>(); });
}

}  // namespace mezzet
