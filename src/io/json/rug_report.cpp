#include "io/json/rug_report.h"

#include <nlohmann/json.hpp>

#include "io/json/tidy.h"

namespace mezzet {
namespace {

Json points(const std::vector<Vec2>& all) {
  Json out = Json::array();
  for (const Vec2 p : all) out.push_back(pointJson(p));
  return out;
}

Json fitJson(const std::optional<RugFit>& fit) {
  if (!fit) return nullptr;
  Json borders = Json::array();
  for (const double b : fit->borders) borders.push_back(tidy(b));
  return {{"nominal", {tidy(fit->piece.rug->soldWidth.value_or(0)), tidy(fit->piece.rug->soldDepth.value_or(0))}},
          {"actual", {tidy(fit->piece.width), tidy(fit->piece.depth.value_or(fit->piece.width))}},
          {"round", fit->sold.round},
          {"at", pointJson(fit->at.at)},
          {"turn", tidy(fit->at.turn)},
          {"borders", borders},
          {"binds", fit->binds}};
}

}  // namespace

std::string rugsJson(const RoomId& room, const SchemeId& scheme, const WhichRug& which,
                     const std::vector<StopLine>& stops) {
  Json out{{"contract", 2}, {"room", room.value}, {"scheme", scheme.value}};
  out["front"] = fitJson(which.front);
  out["all"] = fitJson(which.all);
  out["template"] = points(which.cut);
  out["stops"] = Json::array();
  for (const StopLine& stop : stops)
    out["stops"].push_back({{"at", Json::array({pointJson(stop.a), pointJson(stop.b)})},
                            {"linesUp", stop.linesUp},
                            {"length", tidy(stop.length)},
                            {"area", tidy(stop.area)},
                            {"standing", tidy(stop.standing)},
                            {"enough", stop.enough},
                            {"leaves", stop.leaves}});
  out["says"] = which.none.empty() ? Json::array() : Json::array({which.none});
  return out.dump(1) + "\n";
}

std::string carpetJson(const Room& room, const SchemeId& scheme, const CarpetCut& cut, const CarpetList& list,
                       const RugTrade& trade) {
  Json out{
      {"contract", 2}, {"room", room.id.value}, {"scheme", scheme.value.empty() ? Json(nullptr) : Json(scheme.value)}};
  out["strips"] = Json::array();
  for (const CarpetStrip& s : cut.strips)
    out["strips"].push_back({{"from", tidy(s.from)}, {"to", tidy(s.to)}, {"length", tidy(s.length)}});
  out["seams"] = Json::array();
  for (const double seam : cut.seams) out["seams"].push_back(tidy(seam));
  out["boughtLength"] = tidy(cut.bought);
  out["boughtArea"] = tidy(cut.boughtArea);
  out["area"] = tidy(cut.area);
  out["waste"] = tidy(cut.waste());
  out["edge"] = {{"length", tidy(cut.edge)}, {"prices", Json::object()}};
  for (const EdgePrice& price : edgePrices(cut.edge, list, trade))
    out["edge"]["prices"][price.id] = price.sum ? Json(tidy(*price.sum)) : Json(nullptr);
  return out.dump(1) + "\n";
}

}  // namespace mezzet
