#include "io/json/job_json.h"

#include <functional>

#include "core/edit/validate.h"
#include "core/survey/room_survey.h"
#include "core/model/kinds.h"
#include "io/json/choosing_json.h"
#include "io/json/display_json.h"
#include "io/json/json_reader.h"
#include "io/json/json_words.h"
#include "io/json/records_json.h"
#include "io/json/room_json.h"
#include "io/json/site_json.h"

namespace mezzet {
namespace {

constexpr std::pair<const char*, const char*> kPurposes[] = {{"", ""},
                                                             {"entertaining", "entertaining"},
                                                             {"reading", "reading"},
                                                             {"television", "television"},
                                                             {"dining", "dining"},
                                                             {"sleeping", "sleeping"},
                                                             {"working", "working"}};
constexpr std::pair<const char*, const char*> kHours[] = {
    {"", ""}, {"day", "day"}, {"evening", "evening"}, {"both", "both"}};
constexpr std::pair<const char*, Unit> kUnits[] = {{"in", Unit::Inch}, {"mm", Unit::Millimetre}};

Brief readBrief(const Json& json, const std::string& place) {
  ObjectReader in(json, place);
  Brief b;
  b.statures = readEach<double>(in, "viewers", [](ObjectReader& v) { return v.number("stature"); });
  b.isPublic = in.flag("public");
  b.tenant = in.flag("tenant");
  b.children = in.flag("children");
  b.pets = in.flag("pets");
  b.access = in.flag("access");
  b.purpose = in.choice("purpose", kPurposes, std::optional(""));
  b.hours = in.choice("hours", kHours, std::optional(""));
  b.anchor = in.text("anchor", "");
  b.budgetSimple = in.maybeNumber("budgetSimple");
  b.budgetFull = in.maybeNumber("budgetFull");
  in.finish();
  return b;
}

HouseRules readHouseRules(const Json& json, const std::string& place) {
  ObjectReader in(json, place);
  HouseRules rules;
  rules.rulebook = static_cast<int>(std::clamp(in.whole("rulebook", 1), 0LL, 1'000'000LL));
  if (const Json* schools = in.find("schools")) {
    if (!schools->is_object()) in.fail("schools", "must be an object { .. }");
    for (const auto& [rule, school] : schools->items()) {
      if (school.is_null()) continue;
      if (!school.is_string()) in.fail("schools/" + rule.substr(0, 60), "must be the id of a school");
      rules.schools[rule] = school.get<std::string>();
    }
  }
  rules.ranges = readMap<Range>(in, "ranges", readRange);
  in.finish();
  return rules;
}

/// One function per step: migrations[v - 1] brings version v to v + 1.
using Migration = std::function<Json(Json)>;
const std::vector<Migration>& migrations() {
  static const std::vector<Migration> all{
      // Version 2 only adds what may be left out: ovals and Ls, doubts, own rules, locks, groups, the log, the brief.
      [](Json json) {
        json["version"] = 2;
        return json;
      },
      // Version 3 adds the readings of a room, which may be left out.
      [](Json json) {
        json["version"] = 3;
        return json;
      },
      // Version 4 adds what else is recorded on site and the storeys of the house; all of it may be left out.
      [](Json json) {
        json["version"] = 4;
        return json;
      },
      // Version 5 adds what furniture is like in use and where one comes in; all of it may be left out.
      [](Json json) {
        json["version"] = 5;
        return json;
      },
      // Version 6 adds names of openings, which may be left out.
      [](Json json) {
        json["version"] = 6;
        return json;
      },
      // Version 7 adds lights: places on the ceiling, circuits, tasks, joists; all of it may be left out.
      [](Json json) {
        json["version"] = 7;
        return json;
      },
      // Version 8 adds what hangs: frames, mirrors, screens, arrangements, colours of walls; all of it may be left out.
      // A
      // round thing on a wall had its diameter in its depth, too: it is as high as it is wide, and its depth not known.
      [](Json json) {
        if (const auto pieces = json.find("pieces"); pieces != json.end() && pieces->is_array())
          for (Json& piece : *pieces)
            if (piece.is_object() && piece.value("shape", Json()) == "round" && piece.contains("width") &&
                piece.value("kind", Json()).is_string() && isSeenUpright(piece["kind"].get<std::string>())) {
              piece.erase("depth");
              piece["height"] = piece["width"];
            }
        json["version"] = 8;
        return json;
      },
      // Version 9 adds how frames hang and where they were hung, which may be left out.
      [](Json json) {
        json["version"] = 9;
        return json;
      },
      // Version 10 adds surfaces, things on them and displays; all of it may be left out.
      [](Json json) {
        json["version"] = 10;
        return json;
      },
      // Version 11 adds candidates, phases, areas and what a scheme takes out; all of it may be left out.
      [](Json json) {
        json["version"] = 11;
        return json;
      },
      // Version 12 adds the records of a job that is carried out; all of it may be left out.
      [](Json json) {
        json["version"] = 12;
        return json;
      },
  };
  return all;
}

template <class T, class Read>
void readShared(ObjectReader& in, const char* key, std::vector<Shared<T>>& out, Read read) {
  const Json& list = in.list(key);
  for (std::size_t i = 0; i < list.size(); ++i)
    out.push_back(std::make_shared<const T>(read(list[i], in.placeOf(key + ("/" + std::to_string(i))))));
}

JobFile readAll(Json json, const std::string& name) {
  if (!json.is_object())
    throw JsonFault{{name, json.is_array() ? "is a list at the top, where a job is an object" : "holds no object",
                     "A job begins with { and says \"format\": \"mezzet-job\""}};
  if (!json.contains("format") || json["format"] != "mezzet-job")
    throw JsonFault{{name, "is not a Mezzet job", "A job says \"format\": \"mezzet-job\""}};
  const auto version = json.find("version");
  if (version == json.end() || !version->is_number_integer() || version->get<long long>() < 1)
    throw JsonFault{{name + "/version", "must be a whole number from 1", "See docs/job-file.md"}};
  if (version->get<long long>() > kJobVersion)
    throw JsonFault{{name,
                     "was written by a newer Mezzet: its format is version " +
                         std::to_string(version->get<long long>()) + ", and this program reads up to version " +
                         std::to_string(kJobVersion),
                     "Update Mezzet to open it; the file is left as it is"}};
  for (auto v = static_cast<std::size_t>(version->get<long long>()); v < static_cast<std::size_t>(kJobVersion); ++v)
    json = migrations().at(v - 1)(std::move(json));

  ObjectReader in(json, name);
  static_cast<void>(in.text("format"));
  static_cast<void>(in.whole("version", 1));
  JobFile file;
  Job& job = file.job;
  job.name = in.text("name");
  job.units = in.choice("units", kUnits);
  file.nextId = in.whole("nextId", 1);
  if (file.nextId < 1) in.fail("nextId", "must be a whole number from 1");
  if (const Json* brief = in.find("brief")) job.brief = readBrief(*brief, in.placeOf("brief"));
  readShared(in, "rooms", job.rooms, readRoom);
  readShared(in, "pieces", job.pieces, pieceFromJson);
  readShared(in, "schemes", job.schemes, schemeFromJson);
  if (const Json* rules = in.find("houseRules")) job.houseRules = readHouseRules(*rules, in.placeOf("houseRules"));
  job.storeys = readStoreys(in);
  if (const Json* carpet = in.find("carpet")) {
    ObjectReader list(*carpet, in.placeOf("carpet"));
    for (const Json& roll : list.list("rolls")) {
      if (!roll.is_number()) list.fail("rolls", "must hold widths in millimetres");
      job.carpet.rolls.push_back(roll.get<double>());
    }
    if (const Json* prices = list.find("edgePrices")) {
      ObjectReader each(*prices, list.placeOf("edgePrices"));
      for (const auto& [finish, price] : prices->items()) job.carpet.edgePrices[finish] = each.number(finish);
      each.finish();
    }
    list.finish();
  }
  if (const Json* palette = in.find("palette")) {
    ObjectReader colours(*palette, in.placeOf("palette"));
    job.palette = readPalette(colours);
    colours.finish();
  }
  job.budget = readBudget(in);
  readRecords(in, job);
  job.extra = readExtra(in);
  in.finish();
  if (auto fault = faultOf(job)) throw JsonFault{{name + ", " + fault->where, fault->what, fault->hint}};
  for (auto& room : job.rooms)
    if (room->survey) room = std::make_shared<const Room>(withDoubt(*room));
  return file;
}

}  // namespace

Json toJson(const Brief& b) {
  Json out{{"viewers", Json::array()}, {"public", b.isPublic}, {"tenant", b.tenant},
           {"children", b.children},   {"pets", b.pets},       {"access", b.access}};
  for (const double stature : b.statures) out["viewers"].push_back({{"stature", stature}});
  for (const auto& [key, text] :
       {std::pair{"purpose", &b.purpose}, std::pair{"hours", &b.hours}, std::pair{"anchor", &b.anchor}})
    if (!text->empty()) out[key] = *text;
  writeMaybe(out, "budgetSimple", b.budgetSimple);
  writeMaybe(out, "budgetFull", b.budgetFull);
  return out;
}

Json toJson(const HouseRules& rules) {
  Json out{{"rulebook", rules.rulebook}, {"schools", Json::object()}, {"ranges", Json::object()}};
  for (const auto& [rule, school] : rules.schools) out["schools"][rule] = school;
  for (const auto& [rule, range] : rules.ranges) out["ranges"][rule] = toJson(range);
  return out;
}

Json toJson(const CarpetList& list) {
  Json out{{"rolls", list.rolls}, {"edgePrices", Json::object()}};
  for (const auto& [finish, price] : list.edgePrices) out["edgePrices"][finish] = price;
  return out;
}

Json toJson(const Job& job, long long nextId) {
  Json out{{"format", "mezzet-job"},
           {"version", kJobVersion},
           {"name", job.name},
           {"units", wordFor(kUnits, job.units)},
           {"nextId", nextId}};
  out["brief"] = toJson(job.brief);
  for (const char* key : {"rooms", "pieces", "schemes"}) out[key] = Json::array();
  for (const auto& room : job.rooms) out["rooms"].push_back(toJson(*room));
  for (const auto& piece : job.pieces) out["pieces"].push_back(toJson(*piece));
  for (const auto& scheme : job.schemes) out["schemes"].push_back(toJson(*scheme));
  out["houseRules"] = toJson(job.houseRules);
  if (job.carpet != CarpetList{}) out["carpet"] = toJson(job.carpet);
  if (job.palette != ColourPalette{}) out["palette"] = toJson(job.palette);
  if (job.budget != BudgetList{}) out["budget"] = toJson(job.budget);
  out.update(recordsToJson(*job.records));
  if (!job.storeys.empty()) out["storeys"] = toJson(job.storeys);
  writeExtra(out, job.extra);
  return out;
}

Result<JobFile> jobFromJson(const Json& json, const std::string& name) {
  try {
    return readAll(json, name);
  } catch (const JsonFault& fault) {
    return fault.error;
  } catch (const nlohmann::json::exception&) {
    return Error{name, "holds a value that cannot be read", "See docs/job-file.md"};
  }
}

Result<JobFile> readJobText(std::string_view text, const std::string& name) {
  if (text.size() > kMostJobBytes) return Error{name, "is larger than 64 MB", "A job of that size cannot be right"};
  try {
    return jobFromJson(parseJson(text), name);
  } catch (const nlohmann::json::parse_error& fault) {
    return notJson(fault, text, name);
  } catch (const nlohmann::json::exception&) {
    return Error{name, "holds a number or a text that cannot be read", "The file may be damaged; open a copy"};
  }
}

std::string writeJobText(const Job& job, long long nextId) {
  return toJson(job, nextId).dump(1, ' ', false, Json::error_handler_t::replace) + "\n";
}

}  // namespace mezzet
