// Schemes in the job file: what stands and hangs where.
#include "io/json/choosing_json.h"
#include "io/json/display_json.h"
#include "io/json/job_json.h"
#include "io/json/json_reader.h"
#include "io/json/json_words.h"
#include "io/json/hang_json.h"
#include "io/json/light_json.h"

namespace mezzet {
namespace {

constexpr std::pair<const char*, LogKind> kLogKinds[] = {
    {"decision", LogKind::Decision}, {"candidate", LogKind::Candidate}, {"rejection", LogKind::Rejection}};

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
    hung.apart = in.flag("apart");
    place = hung;
    in.finish();
    ++ways;
  }
  for (const char* key : {"placement", "feature"})
    if (const Json* json = on.find(key)) {
      ObjectReader in(*json, on.placeOf(key));
      place = readCarried(in, key == std::string_view("feature"));
      in.finish();
      ++ways;
    }
  if (const Json* json = on.find("ceiling")) {
    ObjectReader in(*json, on.placeOf("ceiling"));
    place = CeilingPlace{{in.number("x"), in.number("y")}, in.number("turn", 0), in.number("drop", 0)};
    in.finish();
    ++ways;
  }
  if (const Json* json = on.find("leaning")) {
    ObjectReader in(*json, on.placeOf("leaning"));
    LeaningPlace leans{CornerId(in.text("wall")), in.number("u"), in.number("foot", 0), in.number("lean")};
    if (in.find("carrier") != nullptr) leans.carrier = in.text("carrier", "");
    place = leans;
    in.finish();
    ++ways;
  }
  on.finish();
  if (ways != 1) on.fail("", "must say one of floor, wall, placement, feature, ceiling or leaning");
  return place;
}

}  // namespace

Scheme schemeFromJson(const Json& json, const std::string& place) {
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
    placement.taped = p.flag("taped");
    placement.optional = p.flag("optional");
    readLight(p, placement);
    placement.restrained = p.flag("restrained");
    readCandidates(p, placement);
    if (const Json* used = p.find("usedAt")) placement.usedAt = readFloorPlace(*used, p.placeOf("usedAt"));
    if (const Json* hung = p.find("asHung")) {
      ObjectReader at(*hung, p.placeOf("asHung"));
      placement.asHung =
          AsHung{at.number("u"), at.number("v"), at.text("date", ""), at.text("who", ""), at.text("note", "")};
      at.finish();
    }
    return placement;
  });
  s.log = readEach<LogEntry>(in, "log", [](ObjectReader& l) {
    return LogEntry{l.choice("kind", kLogKinds), l.text("date", ""), l.text("text")};
  });
  if (const Json* cut = in.find("carpet")) {
    ObjectReader carpet(*cut, in.placeOf("carpet"));
    s.carpet = Broadloom{carpet.number("roll"), carpet.number("pile"), carpet.maybeNumber("repeat"),
                         carpet.number("trim", kCarpetTrim)};
    carpet.finish();
  }
  readLight(in, s);
  readHangs(in, s);
  readDisplays(in, s);
  readAreas(in, s);
  s.extra = readExtra(in);
  in.finish();
  return s;
}

Json toJson(const Scheme& s) {
  Json out{{"id", s.id.value}, {"room", s.room.value}, {"name", s.name}};
  out["kept"] = Json::array();
  for (const Kept& k : s.kept)
    out["kept"].push_back({{"finding", k.finding}, {"reason", k.reason}, {"margin", k.margin}, {"date", k.date}});
  out["placements"] = Json::array();
  for (const Placement& p : s.placements) {
    Json on = onEach(
        p.on,
        [](const FloorPlace& floor) {
          return Json{{"floor", toJson(floor)}};
        },
        [](const WallPlace& wall) {
          Json hung{{"wall", wall.wall.value},
                    {"u", wall.u},
                    {"v", wall.v},
                    {"group", wall.group ? Json(*wall.group) : Json(nullptr)}};
          if (wall.apart) hung["apart"] = true;
          return Json{{"wall", std::move(hung)}};
        },
        [](const CarriedPlace& carried) { return toJson(carried); },
        [](const CeilingPlace& up) {
          return Json{{"ceiling", {{"x", up.at.x}, {"y", up.at.y}, {"turn", up.turn}, {"drop", up.drop}}}};
        },
        [](const LeaningPlace& leans) {
          return Json{{"leaning",
                       {{"wall", leans.wall.value},
                        {"u", leans.u},
                        {"foot", leans.foot},
                        {"lean", leans.lean},
                        {"carrier", leans.carrier.empty() ? Json(nullptr) : Json(leans.carrier)}}}};
        });
    Json placement{{"id", p.id.value}, {"piece", p.piece.value}, {"on", std::move(on)}};
    if (p.locked) placement["locked"] = true;
    if (!p.group.empty()) placement["group"] = p.group;
    if (p.inUse) placement["inUse"] = true;
    if (p.taped) placement["taped"] = true;
    if (p.optional) placement["optional"] = true;
    writeLight(placement, p);
    if (p.restrained) placement["restrained"] = true;
    writeCandidates(placement, p);
    if (p.usedAt) placement["usedAt"] = toJson(*p.usedAt);
    if (p.asHung) {
      Json& hung = placement["asHung"] = {{"u", p.asHung->u}, {"v", p.asHung->v}};
      writeText(hung, "date", p.asHung->date);
      writeText(hung, "who", p.asHung->who);
      writeText(hung, "note", p.asHung->note);
    }
    for (const CornerId& wall : p.setOut) placement["setOut"].push_back(wall.value);
    writeExtra(placement, p.extra);
    out["placements"].push_back(std::move(placement));
  }
  if (!s.log.empty()) out["log"] = Json::array();
  for (const LogEntry& entry : s.log)
    out["log"].push_back({{"kind", wordFor(kLogKinds, entry.kind)}, {"date", entry.date}, {"text", entry.text}});
  if (s.carpet) {
    out["carpet"] = {{"roll", s.carpet->roll}, {"pile", s.carpet->pile}, {"trim", s.carpet->trim}};
    writeMaybe(out["carpet"], "repeat", s.carpet->repeat);
  }
  writeLight(out, s);
  writeHangs(out, s);
  writeDisplays(out, s);
  writeAreas(out, s);
  writeExtra(out, s.extra);
  return out;
}

}  // namespace mezzet
