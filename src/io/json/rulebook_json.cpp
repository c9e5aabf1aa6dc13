#include "io/json/rulebook_json.h"

#include <stdexcept>

#include "io/json/data_json.h"
#include "io/json/job_json.h"
#include "io/json/json_reader.h"
#include "io/json/building_json.h"
#include "io/json/fixings_json.h"
#include "io/json/tasks_json.h"
#include "io/json/rug_trade_json.h"
#include "core/units/area.h"
#include "rules_data.inc"

namespace mezzet {
namespace {

using Json = ObjectReader::Json;

constexpr std::pair<const char*, Weight> kWeights[] = {
    {"must", Weight::Must}, {"rule", Weight::Rule}, {"taste", Weight::Taste}};
constexpr std::pair<const char*, const char*> kQuantities[] = {{"length", "length"},
                                                               {"ratio", "ratio"},
                                                               {"angle", "angle"},
                                                               {"count", "count"},
                                                               {"share", "share"},
                                                               {"area", "area"},
                                                               {"yes_no", "yes_no"},
                                                               {"illuminance", "illuminance"},
                                                               {"temperature", "temperature"}};
constexpr std::pair<const char*, double> kRuleUnits[] = {{"in", kInch}, {"mm", 1.0},          {"1", 1.0},  {"deg", 1.0},
                                                         {"mm2", 1.0},  {"ft2", kSquareFoot}, {"lx", 1.0}, {"K", 1.0}};
constexpr std::pair<const char*, const char*> kSourceKinds[] = {
    {"practice", "practice"}, {"published", "published"}, {"default", "default"}};

std::optional<double> times(std::optional<double> value, double factor) {
  return value ? std::optional(*value * factor) : value;
}

School readSchool(const Json& json, const std::string& place, double factor) {
  ObjectReader in(json, place);
  School s;
  s.id = in.text("id");
  s.why = in.text("why");
  s.tolerated = {times(in.maybeNumber("low"), factor), times(in.maybeNumber("high"), factor)};
  s.ideal = {times(in.maybeNumber("idealLow"), factor), times(in.maybeNumber("idealHigh"), factor)};
  if (const std::string about = in.text("about", ""); !about.empty()) {
    if (about != "viewers-eye-height")
      in.fail("about", "is not something Mezzet can ask about", "Use viewers-eye-height");
    s.aboutEyeHeight = true;
    s.within = in.number("within") * factor;
  }
  const Json& cases = in.list("cases");
  for (std::size_t i = 0; i < cases.size(); ++i) {
    ObjectReader one(cases[i], in.placeOf("cases/" + std::to_string(i)));
    s.cases.push_back({one.text("when"),
                       {times(one.maybeNumber("low"), factor), times(one.maybeNumber("high"), factor)},
                       {times(one.maybeNumber("idealLow"), factor), times(one.maybeNumber("idealHigh"), factor)}});
    one.finish();
  }
  if (const Json* more = in.find("perFoot")) {
    ObjectReader foot(*more, in.placeOf("perFoot"));
    s.perFoot = {foot.number("over") * factor, foot.number("add") * factor};
    foot.finish();
  }
  in.finish();
  return s;
}

Rule readRule(const Json& json, const std::string& place) {
  ObjectReader in(json, place);
  Rule r;
  r.id = in.text("id");
  r.name = in.text("name");
  r.weight = in.choice("weight", kWeights);
  r.applies = in.text("applies");
  r.measures = in.text("measures");
  r.quantity = in.choice("quantity", kQuantities);
  r.unit = in.text("unit");
  const double factor = in.choice("unit", kRuleUnits);
  const Json& schools = in.list("schools");
  for (std::size_t i = 0; i < schools.size(); ++i)
    r.schools.push_back(readSchool(schools[i], in.placeOf("schools/" + std::to_string(i)), factor));
  if (const std::string school = in.text("defaultSchool", ""); !school.empty()) {
    if (findSchool(r, school) == nullptr) in.fail("defaultSchool", "names no school of this rule");
    r.defaultSchool = school;
  }
  ObjectReader source(in.need("source"), in.placeOf("source"));
  r.source = {source.choice("kind", kSourceKinds), source.text("cite")};
  source.finish();
  r.since = static_cast<int>(in.whole("since", 1));
  if (const std::string caution = in.text("caution", ""); !caution.empty()) r.caution = caution;
  in.finish();
  return r;
}

}  // namespace

std::optional<Error> addRules(Rulebook& book, std::string_view text, const std::string& name) {
  auto rules = fromData<std::vector<Rule>>(text, name, [&](const Json& json) {
    if (!json.is_array()) throw JsonFault{{name, "must be a list of rules [ .. ]", "See data/rules"}};
    std::vector<Rule> out;
    for (std::size_t i = 0; i < json.size(); ++i) {
      out.push_back(readRule(json[i], name + "/" + std::to_string(i)));
      if (findRule(book, out.back().id) != nullptr)
        throw JsonFault{{name, "defines " + out.back().id + " a second time", "Rule ids must differ"}};
    }
    return out;
  });
  if (!rules) return rules.error();
  for (Rule& rule : std::move(rules).value()) book.rules.push_back(std::move(rule));
  return std::nullopt;
}

const Rulebook& builtInRulebook() {
  static const Rulebook book = [] {
    Rulebook b;
    for (const auto& [name, text] : kRuleFiles)
      if (const auto fault = addRules(b, text, name))
        throw std::logic_error(fault->text());  // a fault of the build, not of a user
    auto rugs = readRugTrade(kRugTrade, "data/rugs/trade.json");
    if (!rugs) throw std::logic_error(rugs.error().text());
    b.rugs = std::move(rugs).value();
    auto orders = readBuildOrders(kBuilding, "data/displays/building.json");
    if (!orders) throw std::logic_error(orders.error().text());
    b.orders = std::move(orders).value();
    auto fixings = readFixings(kFixings, "data/hanging/fixings.json");
    if (!fixings) throw std::logic_error(fixings.error().text());
    b.fixings = std::move(fixings).value();
    auto tasks = readTasks(kTasks, "data/plan/tasks.json");
    if (!tasks) throw std::logic_error(tasks.error().text());
    b.tasks = std::move(tasks).value();
    return b;
  }();
  return book;
}

}  // namespace mezzet
