#include "io/json/display_report.h"

#include <nlohmann/json.hpp>

#include "core/display/colours.h"
#include "io/json/job_json.h"
#include "io/json/display_json.h"
#include "io/json/tidy.h"

namespace mezzet {
namespace {

Json begun(const Scheme& scheme) { return {{"contract", 2}, {"room", scheme.room.value}, {"scheme", scheme.id.value}}; }

Json labJson(const Lab& lab) { return {tidy(lab.l), tidy(lab.a), tidy(lab.b)}; }

Json cutsOf(const CutList& list) {
  Json out{{"stock", Json::array()}, {"bars", Json::array()}, {"bound", list.bound}};
  for (const CutBar& bar : list.bars) {
    out["stock"].push_back(tidy(bar.stock));
    Json cuts = Json::array();
    for (const std::size_t i : bar.cuts) cuts.push_back(tidy(list.cuts[i].length));
    out["bars"].push_back(std::move(cuts));
  }
  return out;
}

}  // namespace

std::string displayJson(const Scheme& scheme, const Display& d, const std::vector<MissingThing>& missing) {
  Json out = begun(scheme);
  out["surfaces"] = Json::array();
  const std::vector<double> seen = sharesSeen(d);
  // By the bytes of their ids, as every list without an order of its own.
  std::vector<std::size_t> bays(d.bays.size());
  for (std::size_t b = 0; b < bays.size(); ++b) bays[b] = b;
  std::sort(bays.begin(), bays.end(), [&](auto a, auto b) { return d.bays[a].id < d.bays[b].id; });
  for (const std::size_t b : bays) {
    const Bay& bay = d.bays[b];
    Json one{{"id", bay.id},
             {"left", tidy(bay.left)},
             {"right", tidy(bay.right)},
             {"bottom", tidy(bay.bottom)},
             {"top", maybe(bay.top)},
             {"depth", tidy(bay.depth)},
             {"fill", maybe(fillOf(d, b))},
             {"see", Json::array()}};
    std::vector<std::pair<std::string, double>> shares;
    for (std::size_t i = 0; i < d.things.size(); ++i)
      if (d.things[i].bay == b) shares.emplace_back(d.things[i].placement->id.value, seen[i]);
    std::sort(shares.begin(), shares.end());
    for (const auto& [id, share] : shares) one["see"].push_back({{"id", id}, {"share", tidy(share)}});
    out["surfaces"].push_back(std::move(one));
  }
  out["balance"] = tidy(balanceOf(d));
  out["palette"] = Json::array();
  for (const SharedColour& c : coloursOf(d)) out["palette"].push_back({{"srgb", c.srgb}, {"share", tidy(c.share)}});
  out["missing"] = Json::array();
  for (const MissingThing& m : missing)
    out["missing"].push_back({{"surface", d.bays[m.bay].id},
                              {"width", tidy(m.width)},
                              {"height", tidy(m.height)},
                              {"depth", tidy(m.depth)},
                              {"kind", m.kind},
                              {"colour", m.colour.empty() ? Json(nullptr) : Json(m.colour)}});
  return out.dump() + "\n";
}

std::string setJson(const Scheme& scheme, const std::vector<SetOffer>& offers) {
  Json out = begun(scheme);
  out["settings"] = Json::array();
  for (const SetOffer& offer : offers) {
    Json one{{"score", tidy(offer.score)},
             {"broken", {{"rule", offer.rule}, {"taste", offer.taste}}},
             {"placements", Json::array()},
             {"left", Json::array()}};
    std::vector<Placement> placed = offer.placements;
    std::sort(placed.begin(), placed.end(), [](const auto& a, const auto& b) { return a.id.value < b.id.value; });
    for (const Placement& p : placed)
      one["placements"].push_back({{"id", p.id.value}, {"piece", p.piece.value}, {"on", toJson(*onAnother(p.on))}});
    std::vector<PlacementId> left = offer.left;
    std::sort(left.begin(), left.end());
    for (const PlacementId& id : left) one["left"].push_back(id.value);
    out["settings"].push_back(std::move(one));
  }
  return out.dump() + "\n";
}

std::string cutsJson(const CutList& list) {
  Json out{{"contract", 2}};
  out.update(cutsOf(list));
  return out.dump() + "\n";
}

std::string colourJson(const Lab& a, const Lab& b) {
  const Json out{{"contract", 2}, {"lab", Json::array({labJson(a), labJson(b)})}, {"deltaE00", tidy(deltaE00(a, b))}};
  return out.dump() + "\n";
}

std::string paletteJson(const std::vector<PaletteColour>& colours) {
  Json out{{"contract", 2}, {"colours", Json::array()}};
  for (const PaletteColour& c : colours)
    out["colours"].push_back({{"srgb", c.srgb}, {"lab", labJson(c.lab)}, {"share", tidy(c.share)}});
  return out.dump() + "\n";
}

std::string shelfJson(const Scheme& scheme, const Display* d, const Ledge* ledge, const CutList* cuts) {
  Json out = begun(scheme);
  out["sag"] = nullptr;
  double worst = -1;
  for (std::size_t b = 0; d != nullptr && b < d->bays.size(); ++b) {
    const ShelfLoad load = shelfLoadOf(*d, b);
    if (!load.inTime || *load.inTime / *load.limit <= worst) continue;
    worst = *load.inTime / *load.limit;
    out["sag"] = {{"surface", d->bays[b].id},
                  {"at", tidy(*load.sag)},
                  {"inTime", tidy(*load.inTime)},
                  {"limit", tidy(*load.limit)}};
  }
  out["screws"] = Json::array();
  out["withdrawal"] = nullptr;
  out["cuts"] = nullptr;
  if (ledge != nullptr) {
    out["sag"] = {
        {"at", tidy(ledge->sag)}, {"inTime", tidy(sagInTime(ledge->sag, true))}, {"limit", tidy(ledge->sagLimit)}};
    for (const LedgeScrew& screw : ledge->screws)
      out["screws"].push_back(
          {{"placement", screw.ledge.value}, {"s", tidy(screw.s)}, {"stud", screw.stud}, {"off", tidy(screw.off)}});
    out["withdrawal"] = {{"each", tidy(ledge->each)}, {"allowed", tidy(ledge->allowed)}};
  }
  if (cuts != nullptr) out["cuts"] = cutsOf(*cuts);
  return out.dump() + "\n";
}

}  // namespace mezzet
