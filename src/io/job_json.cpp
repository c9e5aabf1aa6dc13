#include "io/job_json.h"

#include <functional>

#include "core/edit/validate.h"
#include "core/survey/room_survey.h"
#include "io/json_reader.h"
#include "io/json_words.h"
#include "io/room_json.h"
#include "io/site_json.h"

namespace mezzet {
namespace {

constexpr std::size_t kMostKeys = 2'000;          // of one object
constexpr std::size_t kMostKeyWork = 10'000'000;  // comparisons of keys in a whole file
/// Numbers of parse errors of our own, beside the library's.
enum class Unbearable { Depth = 9001, Keys, Zero };

constexpr std::pair<const char*, Shape> kShapes[] = {
    {"rect", Shape::Rect}, {"round", Shape::Round}, {"oval", Shape::Oval}, {"l", Shape::L}, {"curve", Shape::Curve}};
constexpr std::pair<const char*, Hand> kHands[] = {{"left", Hand::Left}, {"right", Hand::Right}};
constexpr std::pair<const char*, DimensionSource> kSources[] = {{"measured", DimensionSource::Measured},
                                                                {"ticket", DimensionSource::Ticket},
                                                                {"guess", DimensionSource::Guess},
                                                                {"default", DimensionSource::Default}};
constexpr std::pair<const char*, LogKind> kLogKinds[] = {
    {"decision", LogKind::Decision}, {"candidate", LogKind::Candidate}, {"rejection", LogKind::Rejection}};
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

ChangedRange readRange(ObjectReader& in) { return {in.maybeNumber("low"), in.maybeNumber("high")}; }

/// The members of an object, each read by `read`; nothing when the key is absent.
template <class Value, class Read>
std::map<std::string, Value> readMap(ObjectReader& in, const std::string& key, Read read) {
  std::map<std::string, Value> out;
  const Json* all = in.find(key);
  if (all == nullptr) return out;
  if (!all->is_object()) in.fail(key, "must be an object { .. }");
  for (const auto& [name, value] : all->items()) {
    ObjectReader one(value, in.placeOf(key + "/" + name.substr(0, 60)));
    out[name] = read(one);
    one.finish();
  }
  return out;
}

Piece readPiece(const Json& json, const std::string& place) {
  ObjectReader in(json, place);
  Piece p;
  p.id = PieceId(in.text("id"));
  p.name = in.text("name");
  p.kind = in.text("kind");
  p.shape = in.choice("shape", kShapes, std::optional(Shape::Rect));
  p.width = in.number("width");
  p.depth = in.maybeNumber("depth");
  if (p.shape == Shape::Round && !p.depth) p.depth = p.width;
  p.returnWidth = in.maybeNumber("returnWidth");
  p.longDepth = in.maybeNumber("longDepth");
  p.hand = in.choice("hand", kHands, std::optional(Hand::Left));
  p.feetInset = in.maybeNumber("feetInset");
  p.pad = in.maybeNumber("pad");
  p.nominalWidth = in.maybeNumber("nominalWidth");
  p.nominalDepth = in.maybeNumber("nominalDepth");
  p.doubts = readMap<Doubt>(in, "doubts", [](ObjectReader& d) {
    return Doubt{d.choice("source", kSources), d.number("u95", 0)};
  });
  p.ownRules = readMap<OwnRule>(in, "ownRules", [](ObjectReader& r) {
    OwnRule own;
    if (const std::string school = r.text("school", ""); !school.empty()) own.school = school;
    if (const Json* range = r.find("range")) {
      ObjectReader in2(*range, r.placeOf("range"));
      own.range = readRange(in2);
      in2.finish();
    }
    return own;
  });
  p.height = in.maybeNumber("height");
  p.seatHeight = in.maybeNumber("seatHeight");
  p.backHeight = in.maybeNumber("backHeight");
  p.armHeight = in.maybeNumber("armHeight");
  p.count = static_cast<int>(std::clamp(in.whole("count", 1), -1LL, 100'000LL));
  if (in.find("seats") != nullptr) p.seats = static_cast<int>(std::clamp(in.whole("seats", 1), -1LL, 100'000LL));
  p.legHeight = in.maybeNumber("legHeight");
  p.opensBy = in.maybeNumber("opensBy");
  p.extendsBy = in.maybeNumber("extendsBy");
  if (in.find("backFinished") != nullptr) p.backFinished = in.flag("backFinished");
  p.material = in.text("material", "");
  p.weight = in.maybeNumber("weight");
  p.owned = in.flag("owned");
  p.price = in.maybeNumber("price");
  if (const std::string of = in.text("variantOf", ""); !of.empty()) p.variantOf = PieceId(of);
  p.image = readImageName(in, "image");
  p.extra = readExtra(in);
  in.finish();
  return p;
}

FloorPlace readFloorPlace(const Json& json, const std::string& place) {
  ObjectReader in(json, place);
  const FloorPlace out{{in.number("x"), in.number("y")}, in.number("turn", 0)};
  in.finish();
  return out;
}
Json toJson(const FloorPlace& place) { return {{"x", place.at.x}, {"y", place.at.y}, {"turn", place.turn}}; }

Place readPlace(ObjectReader& placement) {
  ObjectReader on(placement.need("on"), placement.placeOf("on"));
  Place place;
  int ways = 0;
  if (const Json* json = on.find("floor")) {
    place = readFloorPlace(*json, on.placeOf("floor"));
    ++ways;
  }
  if (const Json* json = on.find("wall")) {
    ObjectReader in(*json, on.placeOf("wall"));
    WallPlace hung{CornerId(in.text("wall")), in.number("u"), in.number("v"), std::nullopt};
    if (const std::string group = in.text("group", ""); !group.empty()) hung.group = group;
    place = hung;
    in.finish();
    ++ways;
  }
  if (const Json* json = on.find("placement")) {
    ObjectReader in(*json, on.placeOf("placement"));
    place = CarriedPlace{PlacementId(in.text("id")), {in.number("x"), in.number("y")}, in.number("turn", 0)};
    in.finish();
    ++ways;
  }
  on.finish();
  if (ways != 1) on.fail("", "must say one of floor, wall or placement");
  return place;
}

Scheme readScheme(const Json& json, const std::string& place) {
  ObjectReader in(json, place);
  Scheme s;
  s.id = SchemeId(in.text("id"));
  s.room = RoomId(in.text("room"));
  s.name = in.text("name");
  s.kept = readEach<Kept>(in, "kept", [](ObjectReader& k) {
    return Kept{k.text("finding"), k.text("reason", ""), k.number("margin"), k.text("date", "")};
  });
  s.placements = readEach<Placement>(in, "placements", [](ObjectReader& p) {
    Placement placement;
    placement.id = PlacementId(p.text("id"));
    placement.piece = PieceId(p.text("piece"));
    placement.on = readPlace(p);
    placement.extra = readExtra(p);
    placement.locked = p.flag("locked");
    placement.group = p.text("group", "");
    for (const Json& wall : p.list("setOut")) {
      if (!wall.is_string()) p.fail("setOut", "must be names of walls in quotes");
      placement.setOut.emplace_back(wall.get<std::string>());
    }
    placement.inUse = p.flag("inUse");
    if (const Json* used = p.find("usedAt")) placement.usedAt = readFloorPlace(*used, p.placeOf("usedAt"));
    return placement;
  });
  s.log = readEach<LogEntry>(in, "log", [](ObjectReader& l) {
    return LogEntry{l.choice("kind", kLogKinds), l.text("date", ""), l.text("text")};
  });
  s.extra = readExtra(in);
  in.finish();
  return s;
}

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
  rules.ranges = readMap<ChangedRange>(in, "ranges", readRange);
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
  if (!json.is_object() || !json.contains("format") || json["format"] != "mezzet-job")
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
  readShared(in, "pieces", job.pieces, readPiece);
  readShared(in, "schemes", job.schemes, readScheme);
  if (const Json* rules = in.find("houseRules")) job.houseRules = readHouseRules(*rules, in.placeOf("houseRules"));
  job.storeys = readStoreys(in);
  job.extra = readExtra(in);
  in.finish();
  if (auto fault = faultOf(job)) throw JsonFault{{name + ", " + fault->where, fault->what, fault->hint}};
  for (auto& room : job.rooms)
    if (room->survey) room = std::make_shared<const Room>(withDoubt(*room));
  return file;
}

}  // namespace

Json toJson(const ChangedRange& range) {
  const auto end = [](const std::optional<double>& v) { return v ? Json(*v) : Json(nullptr); };
  return {{"low", end(range.low)}, {"high", end(range.high)}};
}

Json toJson(const Piece& p) {
  Json out{
      {"id", p.id.value}, {"name", p.name}, {"kind", p.kind}, {"shape", wordFor(kShapes, p.shape)}, {"width", p.width}};
  writeMaybe(out, "depth", p.depth);
  writeMaybe(out, "height", p.height);
  writeMaybe(out, "seatHeight", p.seatHeight);
  writeMaybe(out, "backHeight", p.backHeight);
  writeMaybe(out, "armHeight", p.armHeight);
  if (p.shape == Shape::L || p.hand != Hand::Left) out["hand"] = wordFor(kHands, p.hand);
  writeMaybe(out, "returnWidth", p.returnWidth);
  writeMaybe(out, "longDepth", p.longDepth);
  writeMaybe(out, "feetInset", p.feetInset);
  writeMaybe(out, "pad", p.pad);
  writeMaybe(out, "nominalWidth", p.nominalWidth);
  writeMaybe(out, "nominalDepth", p.nominalDepth);
  for (const auto& [dimension, doubt] : p.doubts)
    out["doubts"][dimension] = {{"source", wordFor(kSources, doubt.source)}, {"u95", doubt.u95}};
  for (const auto& [rule, own] : p.ownRules) {
    Json& entry = out["ownRules"][rule];
    entry["school"] = own.school ? Json(*own.school) : Json(nullptr);
    if (own.range) entry["range"] = toJson(*own.range);
  }
  out["count"] = p.count;
  if (p.seats) out["seats"] = *p.seats;
  writeMaybe(out, "legHeight", p.legHeight);
  writeMaybe(out, "opensBy", p.opensBy);
  writeMaybe(out, "extendsBy", p.extendsBy);
  if (p.backFinished) out["backFinished"] = *p.backFinished;
  if (!p.material.empty()) out["material"] = p.material;
  writeMaybe(out, "weight", p.weight);
  if (p.owned) out["owned"] = true;
  writeMaybe(out, "price", p.price);
  out["variantOf"] = p.variantOf ? Json(p.variantOf->value) : Json(nullptr);
  if (!p.image.empty()) out["image"] = p.image;
  writeExtra(out, p.extra);
  return out;
}

Json toJson(const Scheme& s) {
  Json out{{"id", s.id.value}, {"room", s.room.value}, {"name", s.name}};
  out["kept"] = Json::array();
  for (const Kept& k : s.kept)
    out["kept"].push_back({{"finding", k.finding}, {"reason", k.reason}, {"margin", k.margin}, {"date", k.date}});
  out["placements"] = Json::array();
  for (const Placement& p : s.placements) {
    Json on;
    if (const auto* floor = std::get_if<FloorPlace>(&p.on)) on["floor"] = toJson(*floor);
    if (const auto* wall = std::get_if<WallPlace>(&p.on))
      on["wall"] = {{"wall", wall->wall.value},
                    {"u", wall->u},
                    {"v", wall->v},
                    {"group", wall->group ? Json(*wall->group) : Json(nullptr)}};
    if (const auto* carried = std::get_if<CarriedPlace>(&p.on))
      on["placement"] = {
          {"id", carried->carrier.value}, {"x", carried->at.x}, {"y", carried->at.y}, {"turn", carried->turn}};
    Json placement{{"id", p.id.value}, {"piece", p.piece.value}, {"on", std::move(on)}};
    if (p.locked) placement["locked"] = true;
    if (!p.group.empty()) placement["group"] = p.group;
    if (p.inUse) placement["inUse"] = true;
    if (p.usedAt) placement["usedAt"] = toJson(*p.usedAt);
    for (const CornerId& wall : p.setOut) placement["setOut"].push_back(wall.value);
    writeExtra(placement, p.extra);
    out["placements"].push_back(std::move(placement));
  }
  if (!s.log.empty()) out["log"] = Json::array();
  for (const LogEntry& entry : s.log)
    out["log"].push_back({{"kind", wordFor(kLogKinds, entry.kind)}, {"date", entry.date}, {"text", entry.text}});
  writeExtra(out, s.extra);
  return out;
}

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
  if (!job.storeys.empty()) out["storeys"] = toJson(job.storeys);
  writeExtra(out, job.extra);
  return out;
}

Json parseJson(std::string_view text) {
  // Before the parser sees it: what would exhaust the stack, or take it minutes, since its objects are lists.
  const auto refuse = [](Unbearable why, std::size_t at) {
    throw nlohmann::json::parse_error::create(static_cast<int>(why), at, "", nullptr);
  };
  std::vector<std::size_t> keys;  // of each object that is open; arrays have none
  std::size_t work = 0;
  bool inString = false;
  for (std::size_t i = 0; i < text.size(); ++i) {
    const char c = text[i];
    if (c == '\0') refuse(Unbearable::Zero, i);
    if (inString) {
      if (c == '\\') ++i;
      else if (c == '"') inString = false;
      continue;
    }
    if (c == '"') inString = true;
    else if (c == '[' || c == '{') keys.push_back(0);
    else if ((c == ']' || c == '}') && !keys.empty()) keys.pop_back();
    else if (c == ':' && !keys.empty()) {
      work += ++keys.back();
      if (keys.back() > kMostKeys || work > kMostKeyWork) refuse(Unbearable::Keys, i);
    }
    if (keys.size() > static_cast<std::size_t>(kDeepest)) refuse(Unbearable::Depth, i);
  }
  return Json::parse(text);
}

Error notJson(const nlohmann::json::parse_error& fault, const std::string& name, const std::string& hint) {
  const std::string at = " at byte " + std::to_string(fault.byte);
  switch (static_cast<Unbearable>(fault.id)) {
    case Unbearable::Depth:
      return {name, "nests deeper than " + std::to_string(kDeepest) + " levels" + at,
              "Nothing that Mezzet writes does"};
    case Unbearable::Keys:
      return {name, "has more keys in its objects than Mezzet reads" + at,
              "An object may have up to " + std::to_string(kMostKeys)};
    case Unbearable::Zero:
      return {name, "has a zero" + at + ", which no text has", "The file may be damaged; open a copy"};
  }
  return {name, "is not valid JSON" + at, hint};
}

Piece pieceFromJson(const Json& json, const std::string& place) { return readPiece(json, place); }

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
    return notJson(fault, name);
  } catch (const nlohmann::json::exception&) {
    return Error{name, "holds a number or a text that cannot be read", "The file may be damaged; open a copy"};
  }
}

std::string writeJobText(const Job& job, long long nextId) {
  return toJson(job, nextId).dump(1, ' ', false, Json::error_handler_t::replace) + "\n";
}

}  // namespace mezzet
