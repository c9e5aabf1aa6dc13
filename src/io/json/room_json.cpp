#include "io/json/room_json.h"

#include "io/json/json_reader.h"
#include "io/json/json_words.h"
#include "io/json/light_json.h"
#include "io/json/site_json.h"
#include "io/json/wall_materials.h"

namespace mezzet {
namespace {

constexpr std::pair<const char*, OpeningKind> kOpeningKinds[] = {{"door", OpeningKind::Door},
                                                                 {"sliding", OpeningKind::Sliding},
                                                                 {"window", OpeningKind::Window},
                                                                 {"arch", OpeningKind::Arch}};
constexpr std::pair<const char*, Hinge> kHinges[] = {{"start", Hinge::Start}, {"end", Hinge::End}};
constexpr std::pair<const char*, Swing> kSwings[] = {{"in", Swing::In}, {"out", Swing::Out}};
constexpr std::pair<const char*, FeatureKind> kFeatureKinds[] = {
    {"hearth", FeatureKind::Hearth},     {"column", FeatureKind::Column},
    {"built-in", FeatureKind::BuiltIn},  {"chimney-breast", FeatureKind::ChimneyBreast},
    {"radiator", FeatureKind::Radiator}, {"beam", FeatureKind::Beam},
    {"niche", FeatureKind::Niche},       {"stair", FeatureKind::Stair}};

Opening readOpening(ObjectReader& in) {
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
  o.name = in.text("name", "");
  readSite(in, o);
  return o;
}

constexpr std::pair<const char*, ReadingKind> kReadingKinds[] = {
    {"run", ReadingKind::Run},       {"corners", ReadingKind::Corners}, {"angle", ReadingKind::Angle},
    {"offset", ReadingKind::Offset}, {"width", ReadingKind::Width},     {"sagitta", ReadingKind::Sagitta}};
constexpr std::pair<const char*, TakenAt> kTakenAt[] = {
    {"skirting", TakenAt::Skirting}, {"chest", TakenAt::Chest}, {"ceiling", TakenAt::Ceiling}};
constexpr std::pair<const char*, bool> kTurns[] = {{"L", true}, {"R", false}};

SurveyRecord readSurvey(const Json& json, const std::string& place) {
  ObjectReader in(json, place);
  SurveyRecord out;
  out.corners = readEach<SketchCorner>(in, "corners", [](ObjectReader& c) {
    return SketchCorner{CornerId(c.text("id")), c.choice("turn", kTurns), c.flag("square")};
  });
  out.readings = readEach<Reading>(in, "readings", [](ObjectReader& r) {
    Reading reading;
    reading.id = ReadingId(r.text("id"));
    reading.kind = r.choice("kind", kReadingKinds);
    reading.from = CornerId(r.text("from"));
    reading.to = CornerId(r.text("to", ""));
    reading.value = r.number("value");
    reading.typed = r.text("typed", "");
    reading.instrument = r.choice("instrument", kInstruments, std::optional(Instrument::Tape));
    reading.u95 = r.maybeNumber("u95");
    reading.takenAt = r.choice("takenAt", kTakenAt, std::optional(TakenAt::Chest));
    reading.atTrim = r.flag("trim");
    reading.who = r.text("who", "");
    reading.when = r.text("when", "");
    reading.note = r.text("note", "");
    reading.superseded = r.flag("superseded");
    return reading;
  });
  in.finish();
  return out;
}

}  // namespace

Room readRoom(const Json& json, const std::string& place) {
  ObjectReader in(json, place);
  Room room;
  room.id = RoomId(in.text("id"));
  room.name = in.text("name");
  room.ceilingHeight = in.number("ceilingHeight");
  room.corners = readEach<Corner>(in, "corners", [](ObjectReader& c) {
    return Corner{CornerId(c.text("id")),
                  {c.number("x"), c.number("y")},
                  c.maybeNumber("wallThickness"),
                  c.choice("material", kWallMaterials, std::optional(WallMaterial::Unknown)),
                  c.text("colour", "")};
  });
  room.openings = readEach<Opening>(in, "openings", readOpening);
  room.features = readEach<Feature>(in, "features", [](ObjectReader& f) {
    Feature feature;
    feature.id = FeatureId(f.text("id"));
    feature.kind = f.choice("kind", kFeatureKinds);
    feature.outline = readPoints(f, "outline");
    feature.height = f.maybeNumber("height");
    feature.clear = f.maybeNumber("clear");
    readSite(f, feature);
    return feature;
  });
  if (const Json* survey = in.find("survey")) room.survey = readSurvey(*survey, in.placeOf("survey"));
  readSite(in, room);
  readLight(in, room);
  room.extra = readExtra(in);
  in.finish();
  return room;
}

Json toJson(const SurveyRecord& survey) {
  Json out{{"corners", Json::array()}, {"readings", Json::array()}};
  for (const SketchCorner& c : survey.corners)
    out["corners"].push_back({{"id", c.id.value}, {"turn", wordFor(kTurns, c.left)}, {"square", c.square}});
  for (const Reading& r : survey.readings) {
    Json reading{{"id", r.id.value}, {"kind", wordFor(kReadingKinds, r.kind)}, {"from", r.from.value}};
    if (!r.to.empty()) reading["to"] = r.to.value;
    reading["value"] = r.value;
    const auto text = [&](const char* key, const std::string& words) {
      if (!words.empty()) reading[key] = words;
    };
    text("typed", r.typed);
    reading["instrument"] = wordFor(kInstruments, r.instrument);
    writeMaybe(reading, "u95", r.u95);
    reading["takenAt"] = wordFor(kTakenAt, r.takenAt);
    if (r.atTrim) reading["trim"] = true;
    text("who", r.who);
    text("when", r.when);
    text("note", r.note);
    if (r.superseded) reading["superseded"] = true;
    out["readings"].push_back(std::move(reading));
  }
  return out;
}

Json toJson(const Room& room) {
  Json out{{"id", room.id.value}, {"name", room.name}, {"ceilingHeight", room.ceilingHeight}};
  out["corners"] = Json::array();
  for (const Corner& c : room.corners) {
    out["corners"].push_back({{"id", c.id.value}, {"x", c.at.x}, {"y", c.at.y}});
    writeMaybe(out["corners"].back(), "wallThickness", c.wallThickness);
    if (c.material != WallMaterial::Unknown) out["corners"].back()["material"] = wordFor(kWallMaterials, c.material);
    writeText(out["corners"].back(), "colour", c.colour);
  }
  out["openings"] = Json::array();
  for (const Opening& o : room.openings) {
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
    writeText(out["openings"].back(), "name", o.name);
    writeSite(out["openings"].back(), o);
  }
  out["features"] = Json::array();
  for (const Feature& f : room.features) {
    Json feature{{"id", f.id.value}, {"kind", wordFor(kFeatureKinds, f.kind)}};
    feature["outline"] = Json::array();
    for (const Vec2 p : f.outline) feature["outline"].push_back(Json::array({p.x, p.y}));
    writeMaybe(feature, "height", f.height);
    writeMaybe(feature, "clear", f.clear);
    writeSite(feature, f);
    out["features"].push_back(std::move(feature));
  }
  if (room.survey) out["survey"] = toJson(*room.survey);
  writeSite(out, room);
  writeLight(out, room);
  writeExtra(out, room.extra);
  return out;
}

}  // namespace mezzet
