#include "io/json/light_report.h"

#include <nlohmann/json.hpp>

#include "io/json/tidy.h"

namespace mezzet {
std::string lightJson(const Job& job, const Scheme& scheme, const std::set<CircuitId>& on, const LightEstimate& e) {
  Json out{{"contract", 2},
           {"room", scheme.room.value},
           {"scheme", scheme.id.value},
           {"plane", kLightPlane},
           {"spacing", tidy(e.spacing)},
           {"maintenance", kMaintenance},
           {"circuits", Json::array()},
           {"points", Json::array()}};
  for (const CircuitId& id : on) out["circuits"].push_back(id.value);
  for (std::size_t i = 0; i < e.at.size(); ++i)
    out["points"].push_back({tidy(e.at[i].x), tidy(e.at[i].y), tidy(e.lx[i])});
  for (const auto& [key, value] :
       {std::pair{"average", e.average}, std::pair{"least", e.least}, std::pair{"most", e.most},
        std::pair{"evenness", e.evenness()}, std::pair{"direct", e.direct}, std::pair{"indirect", e.indirect}})
    out[key] = e.lx.empty() ? Json(nullptr) : Json(tidy(value));
  out["tasks"] = Json::array();
  for (const TaskLight& task : e.tasks)
    out["tasks"].push_back({{"id", task.task.value}, {"lx", tidy(task.lx)}, {"asked", maybe(task.asked)}});
  out["art"] = Json::array();
  for (const ArtLight& art : e.art) {
    Json one{{"group", Json::array()}, {"lx", Json::array()}};
    for (const PlacementId& id : art.group) one["group"].push_back(id.value);
    for (const double lx : art.lx) one["lx"].push_back(tidy(lx));
    out["art"].push_back(std::move(one));
  }
  const Room& room = roomOf(job, scheme);
  std::vector<Fixture> fixtures = fixturesIn(PieceIndex(job), room, heightsOf(room), scheme);
  std::sort(fixtures.begin(), fixtures.end(), [](const Fixture& a, const Fixture& b) { return a.id() < b.id(); });
  out["fixtures"] = Json::array();
  for (const Fixture& f : fixtures)
    out["fixtures"].push_back(
        {{"id", f.id().value},
         {"underside", tidy(f.underside)},
         {"rod", f.hangsDown() ? Json(tidy(f.rod())) : Json(nullptr)},
         {"circuit", f.placement->circuit.empty() ? Json(nullptr) : Json(f.placement->circuit.value)}});
  return out.dump() + "\n";
}

std::string downlightsJson(const RoomId& room, const SchemeId& scheme, const Downlights& lay) {
  Json out{{"contract", 2},    {"room", room.value},     {"scheme", scheme.value}, {"count", lay.at.size()},
           {"rows", lay.rows}, {"columns", lay.columns}, {"at", Json::array()},    {"offset", Json::object()}};
  for (const Vec2 p : lay.at) out["at"].push_back(pointJson(p));
  for (const auto& wall : lay.offset) out["offset"]["wall:" + wall.wall.value] = tidy(wall.distance);
  out["areaEach"] = lay.at.empty() ? Json(nullptr) : Json(tidy(lay.each()));
  out["says"] = lay.says;
  return out.dump() + "\n";
}

std::string photometryJson(const Photometry& p) {
  static constexpr const char* kSymmetries[] = {"rotational", "quadrant", "bilateral", "none"};
  Json out{{"format", p.format},
           {"lumens", tidy(fluxOf(p))},
           {"stated", maybe(p.stated)},
           {"peak", tidy(peakOf(p))},
           {"beam", maybe(spreadOf(p, 0.5))},
           {"field", maybe(spreadOf(p, 0.1))},
           {"symmetry", kSymmetries[static_cast<std::size_t>(symmetryOf(p))]},
           {"planes", p.horizontal.size()},
           {"angles", p.vertical.size()},
           {"watts", tidy(p.watts)},
           {"absolute", !p.stated.has_value()},
           {"says", p.says}};
  return out.dump() + "\n";
}

}  // namespace mezzet
