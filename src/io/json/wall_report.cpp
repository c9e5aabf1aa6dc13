#include "io/json/wall_report.h"

#include <nlohmann/json.hpp>

#include "io/json/tidy.h"

namespace mezzet {
namespace {

Json answer(const Scheme& scheme) {
  return Json{{"contract", 2}, {"room", scheme.room.value}, {"scheme", scheme.id.value}};
}
Json rectJson(const WallRect& r) {
  return {{"left", tidy(r.left)}, {"right", tidy(r.right)}, {"bottom", tidy(r.bottom)}, {"top", tidy(r.top)}};
}

}  // namespace

std::string freeWallJson(const Scheme& scheme, const std::vector<WallRect>& free, const std::vector<FreeAbove>& above) {
  Json out = answer(scheme);
  out["rectangles"] = Json::array();
  for (const WallRect& r : free) out["rectangles"].push_back(rectJson(r));
  out["above"] = Json::array();
  for (const FreeAbove& a : above) {
    Json one{{"placement", a.below.id}};
    one.update(rectJson(a.free));
    one["ratio"] = tidy(a.free.width() / a.free.height());
    one["proposed"] = std::to_string(a.proposed.width) + ":" + std::to_string(a.proposed.height);
    one["width"] = {tidy(a.widthLow), tidy(a.widthHigh)};
    one["houseSizes"] = Json::array();
    for (const HouseSize& size : a.houseSizes) one["houseSizes"].push_back({tidy(size.width), tidy(size.height)});
    out["above"].push_back(std::move(one));
  }
  return out.dump() + "\n";
}

std::string arrangeJson(const Scheme& scheme, const HangPlan& plan) {
  Json out = answer(scheme);
  out["fits"] = plan.fits;
  out["shortBy"] = {{"width", tidy(plan.shortWidth)}, {"height", tidy(plan.shortHeight)}};
  out["placements"] = Json::array();
  for (const auto& [id, place] : plan.places)
    out["placements"].push_back({{"id", id.value},
                                 {"on",
                                  {{"wall",
                                    {{"wall", place.wall.value},
                                     {"u", tidy(place.u)},
                                     {"v", tidy(place.v)},
                                     {"group", place.group ? Json(*place.group) : Json(nullptr)}}}}}});
  out["envelope"] = plan.envelope ? rectJson(*plan.envelope) : Json(nullptr);
  out["pairs"] = Json::array();
  for (const HungPair& p : plan.pairs)
    out["pairs"].push_back({{"a", p.a.value}, {"b", p.b.value}, {"mm", tidy(p.gap)}});
  out["fill"] = plan.fits ? Json(tidy(plan.fill)) : Json(nullptr);
  out["restarts"] = plan.restarts;
  out["says"] = plan.says;
  return out.dump() + "\n";
}

std::string mirrorJson(const Scheme& scheme, const MirrorViews& views) {
  Json out = answer(scheme);
  out["eyes"] = Json::array();
  for (const MirrorEye& eye : views.eyes) {
    Json one{{"at", {tidy(eye.eye.at.x), tidy(eye.eye.at.y), tidy(eye.eye.height)}},
             {"who", eye.who},
             {"sees", Json::array()}};
    for (std::size_t i = 0; i < eye.sees.size(); ++i) {
      // Front and back of one thing are one thing here.
      double share = eye.sees[i].share;
      if (i > 0 && eye.sees[i - 1].id == eye.sees[i].id) continue;
      if (i + 1 < eye.sees.size() && eye.sees[i + 1].id == eye.sees[i].id) share += eye.sees[i + 1].share;
      one["sees"].push_back({{"id", eye.sees[i].id}, {"share", tidy(share)}});
    }
    one["good"] = tidy(eye.good);
    one["poor"] = tidy(eye.poor);
    out["eyes"].push_back(std::move(one));
  }
  out["judged"] = views.judged ? Json(*views.judged) : Json(nullptr);
  return out.dump() + "\n";
}

}  // namespace mezzet
