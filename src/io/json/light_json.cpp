#include "io/json/light_json.h"

#include "io/json/json_words.h"

namespace mezzet {
namespace {

constexpr std::pair<const char*, CircuitUse> kUses[] = {{"general", CircuitUse::General},
                                                        {"task", CircuitUse::Task},
                                                        {"accent", CircuitUse::Accent},
                                                        {"evening", CircuitUse::Evening}};
constexpr std::pair<const char*, PlanAxis> kAxes[] = {{"x", PlanAxis::X}, {"y", PlanAxis::Y}};

LightTask readTask(ObjectReader& in) {
  LightTask task;
  task.id = TaskId(in.text("id"));
  task.what = in.text("what");
  int places = 0;
  if (const Json* at = in.find("at")) {
    if (!at->is_array() || at->size() != 2 || !(*at)[0].is_number() || !(*at)[1].is_number())
      in.fail("at", "must be a point [x, y]");
    task.where = Vec2{(*at)[0].get<double>(), (*at)[1].get<double>()};
    ++places;
  }
  if (const std::string on = in.text("placement", ""); !on.empty()) {
    task.where = PlacementId(on);
    ++places;
  }
  if (const std::string on = in.text("feature", ""); !on.empty()) {
    task.where = FeatureId(on);
    ++places;
  }
  if (places != 1) in.fail("", "must say one of at, placement or feature");
  task.height = in.maybeNumber("height");
  task.asked = in.maybeNumber("asked");
  return task;
}

Json toJson(const LightTask& task) {
  Json out{{"id", task.id.value}, {"what", task.what}};
  if (const auto* at = std::get_if<Vec2>(&task.where)) out["at"] = {at->x, at->y};
  if (const auto* on = std::get_if<PlacementId>(&task.where)) out["placement"] = on->value;
  if (const auto* on = std::get_if<FeatureId>(&task.where)) out["feature"] = on->value;
  writeMaybe(out, "height", task.height);
  writeMaybe(out, "asked", task.asked);
  return out;
}

}  // namespace

void readLight(ObjectReader& in, Placement& p) {
  p.circuit = CircuitId(in.text("circuit", ""));
  if (const Json* json = in.find("aim")) {
    ObjectReader aim(*json, in.placeOf("aim"));
    p.aim = Aim{aim.number("tilt"), aim.number("bearing", 0)};
    aim.finish();
  }
}

void writeLight(Json& out, const Placement& p) {
  if (!p.circuit.empty()) out["circuit"] = p.circuit.value;
  if (p.aim) out["aim"] = {{"tilt", p.aim->tilt}, {"bearing", p.aim->bearing}};
}

void readLight(ObjectReader& in, Scheme& s) {
  s.circuits = readEach<Circuit>(in, "circuits", [](ObjectReader& c) {
    return Circuit{CircuitId(c.text("id")), c.text("name"), PointId(c.text("switch", "")),
                   c.choice("use", kUses, std::optional(CircuitUse::General))};
  });
  s.laid = readEach<LaidLights>(in, "laid", [](ObjectReader& l) {
    LaidLights laid{LaidId(l.text("id")), {}, l.number("area")};
    for (const Json& id : l.list("placements")) {
      if (!id.is_string()) l.fail("placements", "must be ids of placements in quotes");
      laid.placements.emplace_back(id.get<std::string>());
    }
    return laid;
  });
  s.tasks = readEach<LightTask>(in, "tasks", readTask);
}

void writeLight(Json& out, const Scheme& s) {
  for (const Circuit& c : s.circuits) {
    Json circuit{{"id", c.id.value}, {"name", c.name}, {"use", wordFor(kUses, c.use)}};
    if (!c.switchAt.empty()) circuit["switch"] = c.switchAt.value;
    out["circuits"].push_back(std::move(circuit));
  }
  for (const LaidLights& l : s.laid) {
    Json laid{{"id", l.id.value}, {"placements", Json::array()}, {"area", l.area}};
    for (const PlacementId& id : l.placements) laid["placements"].push_back(id.value);
    out["laid"].push_back(std::move(laid));
  }
  for (const LightTask& task : s.tasks) out["tasks"].push_back(toJson(task));
}

void readLight(ObjectReader& in, Room& room) {
  if (const Json* json = in.find("joists")) {
    ObjectReader j(*json, in.placeOf("joists"));
    room.joists = Joists{j.number("pitch"), j.number("first"), j.choice("along", kAxes), j.number("width")};
    j.finish();
  }
  if (const Json* json = in.find("reflectance")) {
    ObjectReader r(*json, in.placeOf("reflectance"));
    const Reflectance usual;
    room.reflectance =
        Reflectance{r.number("ceiling", usual.ceiling), r.number("walls", usual.walls), r.number("floor", usual.floor)};
    r.finish();
  }
}

void writeLight(Json& out, const Room& room) {
  if (room.joists)
    out["joists"] = {{"pitch", room.joists->pitch},
                     {"first", room.joists->first},
                     {"along", wordFor(kAxes, room.joists->along)},
                     {"width", room.joists->width}};
  if (room.reflectance)
    out["reflectance"] = {
        {"ceiling", room.reflectance->ceiling}, {"walls", room.reflectance->walls}, {"floor", room.reflectance->floor}};
}

}  // namespace mezzet
