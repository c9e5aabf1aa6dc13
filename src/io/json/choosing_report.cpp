#include "io/json/choosing_report.h"

#include <algorithm>
#include <nlohmann/json.hpp>

#include "io/json/job_json.h"
#include "io/json/tidy.h"

namespace mezzet {
namespace {

Json begun(const Scheme& scheme) { return {{"contract", 2}, {"room", scheme.room.value}, {"scheme", scheme.id.value}}; }

Json sumsJson(const BudgetSums& sums) {
  return {{"byTier", {{"simple", tidy(sums.simple)}, {"full", tidy(sums.full)}}},
          {"byPhase", {{"now", tidy(sums.now)}, {"later", tidy(sums.later)}}}};
}

Json figuresJson(const SearchOffer& offer) {
  const SchemeFigures& f = offer.figures;
  Json out{{"seats", f.seats},
           {"talkPairs", offer.talkPairs},
           {"storage", tidy(f.storage)},
           {"freeFloor", tidy(f.freeFloor)},
           {"ways", Json::object()},
           {"freeWall", Json::object()},
           {"freeAbove", Json::object()},
           {"firstSight", offer.firstSight}};
  for (const auto& [id, width] : f.ways) out["ways"][id] = tidy(width);
  for (const auto& [wall, run] : f.freeWall) out["freeWall"][wall.value] = tidy(run);
  for (const auto& [wall, run] : f.freeAbove) out["freeAbove"][wall.value] = tidy(run);
  return out;
}

}  // namespace

std::string tiesJson(const Scheme& scheme, const Ties& ties) {
  Json out = begun(scheme);
  out["colours"] = Json::array();
  for (const ColourTie& t : ties.colours) {
    Json one{{"srgb", t.srgb}, {"share", tidy(t.share)}, {"nearest", nullptr}, {"tie", tieWord(t.tie)}};
    if (!t.nearest.empty())
      one["nearest"] = {{"placement", t.nearest}, {"srgb", t.nearestSrgb}, {"deltaE00", tidy(t.deltaE00)}};
    out["colours"].push_back(std::move(one));
  }
  out["foot"] = ties.foot ? Json(*ties.foot == Foot::Dark ? "dark" : "light") : Json(nullptr);
  out["says"] = ties.says;
  return out.dump() + "\n";
}

std::string budgetJson(const Scheme& scheme, const Budget& budget) {
  Json out = begun(scheme);
  out["toBuy"] = tidy(budget.sums.full);
  out.update(sumsJson(budget.sums));
  out["lines"] = Json::array();
  for (const BudgetLine& line : budget.lines)
    out["lines"].push_back({{"what", line.what},
                            {"count", tidy(line.count)},
                            {"price", maybe(line.price)},
                            {"sum", line.price ? Json(tidy(line.sum())) : Json(nullptr)}});
  out["noPrice"] = budget.noPrice;
  return out.dump() + "\n";
}

std::string searchJson(const Job& written, const Scheme& scheme, const SearchResult& result,
                       const std::vector<SchemeId>& ids) {
  Json out = begun(scheme);
  out["bounded"] = result.bounded;
  out["judged"] = result.judged;
  out["schemes"] = Json::array();
  for (std::size_t i = 0; i < result.offers.size(); ++i) {
    const SearchOffer& offer = result.offers[i];
    const Scheme* laid = i < ids.size() ? findScheme(written, ids[i]) : findScheme(offer.job, scheme.id);
    Json one{{"id", i < ids.size() ? ids[i].value : std::to_string(i + 1)},
             {"broken", {{"must", offer.must}, {"rule", offer.rule}}},
             {"score", {offer.score.must, tidy(offer.score.rule), tidy(offer.score.wishes), tidy(offer.score.taste)}},
             {"figures", figuresJson(offer)},
             {"why", offer.why},
             {"placements", Json::array()}};
    std::vector<const Placement*> placed;
    for (const Placement& p : laid->placements)
      if (onFloor(p.on) != nullptr) placed.push_back(&p);
    std::sort(placed.begin(), placed.end(), [](const auto* a, const auto* b) { return a->id.value < b->id.value; });
    for (const Placement* p : placed) {
      const FloorPlace& floor = floorPlace(p->on);
      one["placements"].push_back(
          {{"id", p->id.value},
           {"piece", p->piece.value},
           {"on", {{"floor", {{"x", tidy(floor.at.x)}, {"y", tidy(floor.at.y)}, {"turn", tidy(floor.turn)}}}}}});
    }
    out["schemes"].push_back(std::move(one));
  }
  return out.dump() + "\n";
}

}  // namespace mezzet
