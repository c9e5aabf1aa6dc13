#include "io/json/hang_report.h"

#include <algorithm>
#include <nlohmann/json.hpp>

#include "io/json/tidy.h"

namespace mezzet {
namespace {

const char* wordOf(StudVerdict verdict) {
  switch (verdict) {
    case StudVerdict::In: return "in";
    case StudVerdict::Near: return "near";
    case StudVerdict::Between: return "between";
    case StudVerdict::Unknown: break;
  }
  return "unknown";
}

}  // namespace

std::string nailsJson(const Scheme& scheme, const NailAsk& ask, const NailPlan& plan) {
  Json out{{"contract", 2}, {"room", scheme.room.value}, {"scheme", scheme.id.value}};
  out["end"] = ask.end == WallEnd::Left ? "left" : "right";
  out["line"] = tidy(ask.line);
  out["nails"] = Json::array();
  for (const Nail& n : plan.nails) {
    Json near = Json::array(), fixings = Json::array();
    for (const PointId& id : n.near) near.push_back(id.value);
    for (const std::string& id : n.fixings) fixings.push_back(id);
    out["nails"].push_back({{"order", n.order},
                            {"placement", n.placement.value},
                            {"hook", n.hook},
                            {"u", tidy(n.u)},
                            {"v", tidy(n.v)},
                            {"fromEnd", tidy(n.fromEnd)},
                            {"aboveLine", tidy(n.aboveLine)},
                            {"aboveFloor", tidy(n.aboveFloor)},
                            {"loadKg", maybe(n.load)},
                            {"guess", n.guess},
                            {"stud", {{"verdict", wordOf(n.stud)}, {"off", maybe(n.toStud)}}},
                            {"near", std::move(near)},
                            {"fixings", std::move(fixings)}});
  }
  out["notMeasured"] = Json::array();
  std::vector<std::string> unknown;
  for (const UnknownNails& u : plan.unknown) unknown.push_back(u.placement.value);
  std::sort(unknown.begin(), unknown.end());
  for (const std::string& id : unknown) out["notMeasured"].push_back(id);
  out["tension"] = Json::array();
  for (const WirePull& p : plan.pulls)
    out["tension"].push_back({{"placement", p.placement.value}, {"deg", tidy(p.degrees)}, {"kgf", maybe(p.kgf)}});
  out["moves"] = Json::array();
  for (const StudMove& m : plan.moves) out["moves"].push_back({{"placement", m.placement.value}, {"by", tidy(m.by)}});
  out["cautions"] = plan.cautions;
  return out.dump() + "\n";
}

std::string photographJson(const Scheme& scheme, const Homography& map, const std::vector<PhotographPiece>& pieces) {
  Json out{{"contract", 2}, {"room", scheme.room.value}, {"scheme", scheme.id.value}};
  out["homography"] = map;
  out["lengths"] = Json::array();
  for (const PhotographPiece& p : pieces)
    for (const auto& [side, length] : {std::pair("width", p.width), std::pair("height", p.height)})
      out["lengths"].push_back(
          {{"placement", p.placement.value}, {"side", side}, {"mm", tidy(length.mm)}, {"u95", tidy(length.u95)}});
  return out.dump() + "\n";
}

}  // namespace mezzet
