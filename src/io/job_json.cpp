#include "io/job_json.h"

#include <functional>

#include "core/job/validate.h"
#include "io/json_reader.h"

namespace mezzet {
namespace {

constexpr std::pair<const char*, OpeningKind> kOpeningKinds[] = {
    {"door", OpeningKind::Door}, {"sliding", OpeningKind::Sliding}, {"window", OpeningKind::Window}, {"arch", OpeningKind::Arch}};
constexpr std::pair<const char*, Hinge> kHinges[] = {{"start", Hinge::Start}, {"end", Hinge::End}};
constexpr std::pair<const char*, Swing> kSwings[] = {{"in", Swing::In}, {"out", Swing::Out}};
constexpr std::pair<const char*, FeatureKind> kFeatureKinds[] = {
    {"hearth", FeatureKind::Hearth}, {"column", FeatureKind::Column}, {"built-in", FeatureKind::BuiltIn}};
constexpr std::pair<const char*, Shape> kShapes[] = {{"rect", Shape::Rect}, {"round", Shape::Round}};
constexpr std::pair<const char*, Unit> kUnits[] = {{"in", Unit::Inch}, {"mm", Unit::Millimetre}};

template <class Enum, std::size_t N>
const char* wordFor(const std::pair<const char*, Enum> (&names)[N], Enum value) {
  for (const auto& [name, meaning] : names)
    if (meaning == value) return name;
  return "";
}

/// Keys sorted, so that equal data is equal text.
Extra readExtra(ObjectReader& in) {
  const Json* value = in.find("x");
  if (value == nullptr) return {};
  if (!value->is_object()) in.fail("x", "must be an object { .. }");
  return value->empty() ? Extra{} : nlohmann::json::parse(value->dump()).dump();
}
void writeExtra(Json& out, const Extra& extra) {
  if (!extra.empty()) out["x"] = Json::parse(extra);
}
void writeMaybe(Json& out, const char* key, const std::optional<double>& value) {
  if (value) out[key] = *value;
}

Polygon readPoints(ObjectReader& in, const std::string& key) {
  Polygon points;
  const Json& list = in.list(key);
  for (std::size_t i = 0; i < list.size(); ++i) {
    if (!list[i].is_array() || list[i].size() != 2 || !list[i][0].is_number() || !list[i][1].is_number())
      in.fail(key + "/" + std::to_string(i), "must be a point [x, y]");
    points.push_back({list[i][0].get<double>(), list[i][1].get<double>()});
  }
  return points;
}

Opening readOpening(const Json& json, const std::string& place) {
  ObjectReader in(json, place);
  Opening o;
  o.id = OpeningId(in.text("id"));
  o.kind = in.choice("kind", kOpeningKinds);
  o.wall = CornerId(in.text("wall"));
  o.offset = in.number("offset");
  o.width = in.number("width");
  o.height = in.number("height");
  o.sill = in.number("sill", 0);
  o.hinge = in.choice("hinge", kHinges, std::optional(Hinge::Start));
  o.swing = in.choice("swing", kSwings, std::optional(Swing::In));
  o.leafThickness = in.number("leafThickness", 35);
  o.underLeaf = in.number("underLeaf", 10);
  in.finish();
  return o;
}

Room readRoom(const Json& json, const std::string& place) {
  ObjectReader in(json, place);
  Room room;
  room.id = RoomId(in.text("id"));
  room.name = in.text("name");
  room.ceilingHeight = in.number("ceilingHeight");
  const Json& corners = in.list("corners");
  for (std::size_t i = 0; i < corners.size(); ++i) {
    ObjectReader c(corners[i], in.placeOf("corners/" + std::to_string(i)));
    room.corners.push_back({CornerId(c.text("id")), {c.number("x"), c.number("y")}});
    c.finish();
  }
  const Json& openings = in.list("openings");
  for (std::size_t i = 0; i < openings.size(); ++i) room.openings.push_back(readOpening(openings[i], in.placeOf("openings/" + std::to_string(i))));
  const Json& features = in.list("features");
  for (std::size_t i = 0; i < features.size(); ++i) {
    ObjectReader f(features[i], in.placeOf("features/" + std::to_string(i)));
    Feature feature;
    feature.id = FeatureId(f.text("id"));
    feature.kind = f.choice("kind", kFeatureKinds);
    feature.outline = readPoints(f, "outline");
    feature.height = f.maybeNumber("height");
    f.finish();
    room.features.push_back(std::move(feature));
  }
  room.extra = readExtra(in);
  in.finish();
  return room;
}

bool isImageName(const std::string& name) {
  if (name.size() < 65 || name.size() > 70 || name[64] != '.') return false;
  for (std::size_t i = 0; i < 64; ++i)
    if (std::string_view("0123456789abcdef").find(name[i]) == std::string_view::npos) return false;
  const std::string ending = name.substr(65);
  return ending == "png" || ending == "jpg" || ending == "jpeg";
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
  p.height = in.maybeNumber("height");
  p.seatHeight = in.maybeNumber("seatHeight");
  p.backHeight = in.maybeNumber("backHeight");
  p.armHeight = in.maybeNumber("armHeight");
  p.count = static_cast<int>(std::clamp(in.whole("count", 1), -1LL, 100'000LL));
  if (const std::string of = in.text("variantOf", ""); !of.empty()) p.variantOf = PieceId(of);
  p.image = in.text("image", "");
  if (!p.image.empty() && !isImageName(p.image)) in.fail("image", "is not the name of an image in this file", "It is a SHA-256 with .png or .jpg");
  p.extra = readExtra(in);
  in.finish();
  return p;
}

Place readPlace(ObjectReader& placement) {
  ObjectReader on(placement.need("on"), placement.placeOf("on"));
  Place place;
  int ways = 0;
  if (const Json* json = on.find("floor")) {
    ObjectReader in(*json, on.placeOf("floor"));
    place = FloorPlace{{in.number("x"), in.number("y")}, in.number("turn", 0)};
    in.finish();
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
  const Json& kept = in.list("kept");
  for (std::size_t i = 0; i < kept.size(); ++i) {
    ObjectReader k(kept[i], in.placeOf("kept/" + std::to_string(i)));
    s.kept.push_back({k.text("finding"), k.text("reason", ""), k.number("margin")});
    k.finish();
  }
  const Json& placements = in.list("placements");
  for (std::size_t i = 0; i < placements.size(); ++i) {
    ObjectReader p(placements[i], in.placeOf("placements/" + std::to_string(i)));
    Placement placement;
    placement.id = PlacementId(p.text("id"));
    placement.piece = PieceId(p.text("piece"));
    placement.on = readPlace(p);
    placement.extra = readExtra(p);
    p.finish();
    s.placements.push_back(std::move(placement));
  }
  s.extra = readExtra(in);
  in.finish();
  return s;
}

Brief readBrief(const Json& json, const std::string& place) {
  ObjectReader in(json, place);
  Brief b;
  const Json& viewers = in.list("viewers");
  for (std::size_t i = 0; i < viewers.size(); ++i) {
    ObjectReader v(viewers[i], in.placeOf("viewers/" + std::to_string(i)));
    b.statures.push_back(v.number("stature"));
    v.finish();
  }
  b.isPublic = in.flag("public");
  b.tenant = in.flag("tenant");
  b.children = in.flag("children");
  b.pets = in.flag("pets");
  b.access = in.flag("access");
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
  if (const Json* ranges = in.find("ranges")) {
    if (!ranges->is_object()) in.fail("ranges", "must be an object { .. }");
    for (const auto& [rule, range] : ranges->items()) {
      ObjectReader r(range, in.placeOf("ranges/" + rule.substr(0, 60)));
      rules.ranges[rule] = {r.maybeNumber("low"), r.maybeNumber("high")};
      r.finish();
    }
  }
  in.finish();
  return rules;
}

/// One function per step: migrations[v - 1] brings version v to v + 1. None yet: version 1 is the first.
using Migration = std::function<Json(Json)>;
const std::vector<Migration>& migrations() {
  static const std::vector<Migration> all;
  return all;
}

template <class T, class Read>
void readShared(ObjectReader& in, const char* key, std::vector<Shared<T>>& out, Read read) {
  const Json& list = in.list(key);
  for (std::size_t i = 0; i < list.size(); ++i) out.push_back(std::make_shared<const T>(read(list[i], in.placeOf(key + ("/" + std::to_string(i))))));
}

JobFile readAll(Json json, const std::string& name) {
  if (!json.is_object() || !json.contains("format") || json["format"] != "mezzet-job")
    throw JsonFault{{name, "is not a Mezzet job", "A job says \"format\": \"mezzet-job\""}};
  const auto version = json.find("version");
  if (version == json.end() || !version->is_number_integer() || version->get<long long>() < 1)
    throw JsonFault{{name + "/version", "must be a whole number from 1", "See docs/job-file.md"}};
  if (version->get<long long>() > kJobVersion)
    throw JsonFault{{name,
                     "was written by a newer Mezzet: its format is version " + std::to_string(version->get<long long>()) +
                         ", and this program reads up to version " + std::to_string(kJobVersion),
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
  job.extra = readExtra(in);
  in.finish();
  if (auto fault = faultOf(job)) throw JsonFault{{name + ", " + fault->where, fault->what, fault->hint}};
  return file;
}

}  // namespace

Json toJson(const Room& room) {
  Json out{{"id", room.id.value}, {"name", room.name}, {"ceilingHeight", room.ceilingHeight}};
  out["corners"] = Json::array();
  for (const Corner& c : room.corners) out["corners"].push_back({{"id", c.id.value}, {"x", c.at.x}, {"y", c.at.y}});
  out["openings"] = Json::array();
  for (const Opening& o : room.openings)
    out["openings"].push_back({{"id", o.id.value},
                               {"kind", wordFor(kOpeningKinds, o.kind)},
                               {"wall", o.wall.value},
                               {"offset", o.offset},
                               {"width", o.width},
                               {"height", o.height},
                               {"sill", o.sill},
                               {"hinge", wordFor(kHinges, o.hinge)},
                               {"swing", wordFor(kSwings, o.swing)},
                               {"leafThickness", o.leafThickness},
                               {"underLeaf", o.underLeaf}});
  out["features"] = Json::array();
  for (const Feature& f : room.features) {
    Json feature{{"id", f.id.value}, {"kind", wordFor(kFeatureKinds, f.kind)}};
    feature["outline"] = Json::array();
    for (const Vec2 p : f.outline) feature["outline"].push_back(Json::array({p.x, p.y}));
    writeMaybe(feature, "height", f.height);
    out["features"].push_back(std::move(feature));
  }
  writeExtra(out, room.extra);
  return out;
}

Json toJson(const Piece& p) {
  Json out{{"id", p.id.value}, {"name", p.name}, {"kind", p.kind}, {"shape", wordFor(kShapes, p.shape)}, {"width", p.width}};
  writeMaybe(out, "depth", p.depth);
  writeMaybe(out, "height", p.height);
  writeMaybe(out, "seatHeight", p.seatHeight);
  writeMaybe(out, "backHeight", p.backHeight);
  writeMaybe(out, "armHeight", p.armHeight);
  out["count"] = p.count;
  out["variantOf"] = p.variantOf ? Json(p.variantOf->value) : Json(nullptr);
  if (!p.image.empty()) out["image"] = p.image;
  writeExtra(out, p.extra);
  return out;
}

Json toJson(const Scheme& s) {
  Json out{{"id", s.id.value}, {"room", s.room.value}, {"name", s.name}};
  out["kept"] = Json::array();
  for (const Kept& k : s.kept) out["kept"].push_back({{"finding", k.finding}, {"reason", k.reason}, {"margin", k.margin}});
  out["placements"] = Json::array();
  for (const Placement& p : s.placements) {
    Json on;
    if (const auto* floor = std::get_if<FloorPlace>(&p.on)) on["floor"] = {{"x", floor->at.x}, {"y", floor->at.y}, {"turn", floor->turn}};
    if (const auto* wall = std::get_if<WallPlace>(&p.on))
      on["wall"] = {{"wall", wall->wall.value}, {"u", wall->u}, {"v", wall->v}, {"group", wall->group ? Json(*wall->group) : Json(nullptr)}};
    if (const auto* carried = std::get_if<CarriedPlace>(&p.on))
      on["placement"] = {{"id", carried->carrier.value}, {"x", carried->at.x}, {"y", carried->at.y}, {"turn", carried->turn}};
    Json placement{{"id", p.id.value}, {"piece", p.piece.value}, {"on", std::move(on)}};
    writeExtra(placement, p.extra);
    out["placements"].push_back(std::move(placement));
  }
  writeExtra(out, s.extra);
  return out;
}

Json toJson(const Brief& b) {
  Json out{{"viewers", Json::array()}, {"public", b.isPublic}, {"tenant", b.tenant}, {"children", b.children}, {"pets", b.pets}, {"access", b.access}};
  for (const double stature : b.statures) out["viewers"].push_back({{"stature", stature}});
  return out;
}

Json toJson(const HouseRules& rules) {
  Json out{{"rulebook", rules.rulebook}, {"schools", Json::object()}, {"ranges", Json::object()}};
  for (const auto& [rule, school] : rules.schools) out["schools"][rule] = school;
  for (const auto& [rule, range] : rules.ranges) {
    const auto end = [](const std::optional<double>& v) { return v ? Json(*v) : Json(nullptr); };
    out["ranges"][rule] = {{"low", end(range.low)}, {"high", end(range.high)}};
  }
  return out;
}

Json toJson(const Job& job, long long nextId) {
  Json out{{"format", "mezzet-job"}, {"version", kJobVersion}, {"name", job.name}, {"units", wordFor(kUnits, job.units)}, {"nextId", nextId}};
  out["brief"] = toJson(job.brief);
  for (const char* key : {"rooms", "pieces", "schemes"}) out[key] = Json::array();
  for (const auto& room : job.rooms) out["rooms"].push_back(toJson(*room));
  for (const auto& piece : job.pieces) out["pieces"].push_back(toJson(*piece));
  for (const auto& scheme : job.schemes) out["schemes"].push_back(toJson(*scheme));
  out["houseRules"] = toJson(job.houseRules);
  writeExtra(out, job.extra);
  return out;
}

Json parseJson(std::string_view text) {
  int depth = 0;
  bool inString = false;
  for (std::size_t i = 0; i < text.size(); ++i) {
    const char c = text[i];
    if (inString) {
      if (c == '\\') ++i;
      else if (c == '"') inString = false;
      continue;
    }
    if (c == '"') inString = true;
    else if (c == '[' || c == '{') ++depth;
    else if (c == ']' || c == '}') --depth;
    if (depth > kDeepest) throw nlohmann::json::parse_error::create(101, i, "nests too deep", nullptr);
  }
  return Json::parse(text);
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
    return Error{name, "is not valid JSON at byte " + std::to_string(fault.byte), "The file may be cut short or damaged; open a copy"};
  } catch (const nlohmann::json::exception&) {
    return Error{name, "holds a number or a text that cannot be read", "The file may be damaged; open a copy"};
  }
}

std::string writeJobText(const Job& job, long long nextId) { return toJson(job, nextId).dump(1, ' ', false, Json::error_handler_t::replace) + "\n"; }

}  // namespace mezzet
