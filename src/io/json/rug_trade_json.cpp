#include "io/json/rug_trade_json.h"

#include <algorithm>
#include <numbers>

#include "core/rugs/fibres.h"
#include "io/json/data_json.h"

namespace mezzet {
namespace {

using Json = ObjectReader::Json;
constexpr double kCentimetre = 10;

double sizeIn(ObjectReader& in, const std::string& key, const Json& value) {
  if (!value.is_number() || !(value.get<double>() > 0)) in.fail(key, "must hold sizes above 0");
  return value.get<double>();
}

double area(const StockRug& rug) {
  return rug.round ? std::numbers::pi / 4 * rug.longSide * rug.longSide : rug.longSide * rug.shortSide;
}

std::vector<StockRug> readStock(ObjectReader& in, const std::string& rugs, const std::string& rounds, double unit) {
  std::vector<StockRug> out;
  for (const Json& size : in.list(rugs)) {
    if (!size.is_array() || size.size() != 2) in.fail(rugs, "must hold pairs of sizes");
    const double a = sizeIn(in, rugs, size[0]) * unit, b = sizeIn(in, rugs, size[1]) * unit;
    out.push_back({std::max(a, b), std::min(a, b), false});
  }
  for (const Json& size : in.list(rounds)) {
    const double across = sizeIn(in, rounds, size) * unit;
    out.push_back({across, across, true});
  }
  std::stable_sort(out.begin(), out.end(), [](const StockRug& a, const StockRug& b) { return area(a) < area(b); });
  return out;
}

std::vector<double> readWidths(ObjectReader& in, const std::string& key, double unit) {
  std::vector<double> out;
  for (const Json& width : in.list(key)) out.push_back(sizeIn(in, key, width) * unit);
  return out;
}

RugStuff readStuff(const Json& json, const std::string& where) {
  ObjectReader in(json, where);
  RugStuff stuff;
  stuff.id = in.text("id");
  stuff.name = in.text("name");
  const std::string kind = in.text("kind");
  if (kind != "fibre" && kind != "construction") in.fail("kind", "is neither a fibre nor a construction");
  stuff.fibre = kind == "fibre";
  stuff.cost = static_cast<int>(in.whole("cost", 0));
  stuff.says = in.text("says");
  stuff.care = in.text("care");
  ObjectReader bears(in.need("bears"), in.placeOf("bears"));
  for (int i = 0; i < kRugUses; ++i) {
    const std::string use(useWords(static_cast<RugUse>(i)));
    const Json& pair = bears.list(use);
    if (pair.empty()) continue;
    if (pair.size() != 2 || !pair[0].is_string() || !pair[1].is_string())
      bears.fail(use, "must be a word and a reason");
    const std::string word = pair[0].get<std::string>();
    if (word != "care" && word != "badly") bears.fail(use, "is neither care nor badly");
    stuff.bears[static_cast<std::size_t>(i)] = word == "care" ? Bears::WithCare : Bears::Badly;
    stuff.why[static_cast<std::size_t>(i)] = pair[1].get<std::string>();
  }
  bears.finish();
  in.finish();
  return stuff;
}

}  // namespace

Result<RugTrade> readRugTrade(std::string_view text, const std::string& name) {
  return fromData<RugTrade>(text, name, [&](const Json& json) {
    ObjectReader in(json, name);
    RugTrade out;
    static_cast<void>(in.text("source"));
    out.feet = readStock(in, "rugsFeet", "roundsFeet", kFoot);
    out.metric = readStock(in, "rugsCm", "roundsCm", kCentimetre);
    out.rollsFeet = readWidths(in, "rollsInches", kInch);
    out.rollsMetric = readWidths(in, "rollsCm", kCentimetre);
    const Json& edges = in.list("edges");
    for (std::size_t i = 0; i < edges.size(); ++i) {
      ObjectReader edge(edges[i], in.placeOf("edges/" + std::to_string(i)));
      out.edges.push_back({edge.text("id"), edge.text("name")});
      edge.finish();
    }
    const Json& stuffs = in.list("stuffs");
    for (std::size_t i = 0; i < stuffs.size(); ++i)
      out.stuffs.push_back(readStuff(stuffs[i], in.placeOf("stuffs/" + std::to_string(i))));
    in.finish();
    return out;
  });
}

}  // namespace mezzet
