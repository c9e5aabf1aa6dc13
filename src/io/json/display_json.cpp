#include "io/json/display_json.h"

#include <algorithm>

#include "io/json/json_words.h"

namespace mezzet {
namespace {

constexpr std::pair<const char*, Board> kBoards[] = {
    {"red-oak", Board::RedOak},       {"white-oak", Board::WhiteOak},     {"maple", Board::Maple},
    {"walnut", Board::Walnut},        {"cherry", Board::Cherry},          {"poplar", Board::Poplar},
    {"white-pine", Board::WhitePine}, {"douglas-fir", Board::DouglasFir}, {"mdf", Board::Mdf},
    {"plywood", Board::Plywood}};
constexpr std::pair<const char*, Lie> kLies[] = {
    {"standing", Lie::Standing}, {"lying", Lie::Lying}, {"leaning", Lie::Leaning}};
constexpr std::pair<const char*, DisplaySchool> kDisplaySchools[] = {
    {"bookcase", DisplaySchool::Bookcase}, {"tabletop", DisplaySchool::Tabletop}, {"mantel", DisplaySchool::Mantel}};

StackItem readSize(ObjectReader& in) { return {in.number("width"), in.number("depth"), in.number("height")}; }
Json sizeToJson(double width, double depth, double height) {
  return {{"width", width}, {"depth", depth}, {"height", height}};
}

std::vector<std::string> readWords(ObjectReader& in, const char* key) {
  std::vector<std::string> out;
  for (const Json& word : in.list(key)) {
    if (!word.is_string()) in.fail(key, "must be texts in quotes");
    out.push_back(word.get<std::string>());
  }
  return out;
}

}  // namespace

const char* boardWord(Board board) { return wordFor(kBoards, board); }
const char* displaySchoolWord(DisplaySchool school) { return wordFor(kDisplaySchools, school); }

void readSurfaces(ObjectReader& in, Piece& p) {
  auto all = readEach<Surface>(in, "surfaces", [](ObjectReader& s) {
    Surface out;
    out.id = s.text("id");
    out.left = s.number("left");
    out.right = s.number("right");
    out.bottom = s.number("bottom");
    out.top = s.maybeNumber("top");
    out.depth = s.maybeNumber("depth");
    out.setback = s.number("setback", 0);
    out.load = s.maybeNumber("load");
    if (s.find("material") != nullptr) out.material = s.choice("material", kBoards);
    out.thickness = s.maybeNumber("thickness");
    out.span = s.maybeNumber("span");
    out.fixed = s.flag("fixed");
    return out;
  });
  if (!all.empty()) p.surfaces.edit().all = std::move(all);
}

void writeSurfaces(Json& out, const Piece& p) {
  for (const Surface& s : p.surfaces->all) {
    Json one{{"id", s.id}, {"left", s.left}, {"right", s.right}, {"bottom", s.bottom}};
    one["top"] = s.top ? Json(*s.top) : Json(nullptr);
    writeMaybe(one, "depth", s.depth);
    if (s.setback != 0) one["setback"] = s.setback;
    writeMaybe(one, "load", s.load);
    if (s.material) one["material"] = boardWord(*s.material);
    writeMaybe(one, "thickness", s.thickness);
    writeMaybe(one, "span", s.span);
    if (s.fixed) one["fixed"] = true;
    out["surfaces"].push_back(std::move(one));
  }
}

void readThing(ObjectReader& in, Piece& p) {
  auto colours = readEach<ColourShare>(in, "colours", [](ObjectReader& c) {
    return ColourShare{c.text("srgb"), c.number("share", 1)};
  });
  auto seasons = readWords(in, "seasons");
  auto items = readEach<StackItem>(in, "items", readSize);
  auto holds = readEach<HeldThing>(in, "holds", [](ObjectReader& h) {
    return HeldThing{h.text("name"), h.number("width"), h.number("depth"), h.number("height")};
  });
  if (!colours.empty()) p.thing.edit().colours = std::move(colours);
  if (!seasons.empty()) p.thing.edit().seasons = std::move(seasons);
  if (!items.empty()) p.thing.edit().items = std::move(items);
  if (!holds.empty()) p.thing.edit().holds = std::move(holds);
  if (const Json* inside = in.find("inside")) {
    ObjectReader size(*inside, in.placeOf("inside"));
    p.thing.edit().inside = readSize(size);
    size.finish();
  }
}

void writeThing(Json& out, const Piece& p) {
  for (const ColourShare& c : p.thing->colours) out["colours"].push_back({{"srgb", c.srgb}, {"share", c.share}});
  for (const std::string& season : p.thing->seasons) out["seasons"].push_back(season);
  for (const StackItem& i : p.thing->items) out["items"].push_back(sizeToJson(i.width, i.depth, i.height));
  if (const auto& i = p.thing->inside) out["inside"] = sizeToJson(i->width, i->depth, i->height);
  for (const HeldThing& h : p.thing->holds) {
    Json one{{"name", h.name}};
    one.update(sizeToJson(h.width, h.depth, h.height));
    out["holds"].push_back(std::move(one));
  }
}

CarriedPlace readCarried(ObjectReader& in, bool fixed) {
  CarriedPlace out;
  if (fixed) out.fixed = in.text("id");
  else out.carrier = PlacementId(in.text("id"));
  out.at = {in.number("x"), in.number("y")};
  out.turn = in.number("turn", 0);
  out.surface = in.text("surface", "");
  out.lie = in.choice("lie", kLies, std::optional(Lie::Standing));
  return out;
}

Json toJson(const CarriedPlace& p) {
  const bool fixed = !p.fixed.empty();
  Json on{{"id", fixed ? p.fixed : p.carrier.value}, {"x", p.at.x}, {"y", p.at.y}, {"turn", p.turn}};
  writeText(on, "surface", p.surface);
  if (p.lie != Lie::Standing) on["lie"] = wordFor(kLies, p.lie);
  return {{fixed ? "feature" : "placement", std::move(on)}};
}

ColourPalette readPalette(ObjectReader& in) {
  ColourPalette out;
  out.main = readWords(in, "main");
  out.accent = readWords(in, "accent");
  out.readsAs = readEach<ReadsAs>(in, "readsAs", [](ObjectReader& r) { return ReadsAs{r.text("from"), r.text("to")}; });
  out.accepted = in.flag("accepted");
  return out;
}

Json toJson(const ColourPalette& p) {
  Json out = Json::object();
  for (const std::string& c : p.main) out["main"].push_back(c);
  for (const std::string& c : p.accent) out["accent"].push_back(c);
  for (const ReadsAs& r : p.readsAs) out["readsAs"].push_back({{"from", r.from}, {"to", r.to}});
  if (p.accepted) out["accepted"] = true;
  return out;
}

void readDisplays(ObjectReader& in, Scheme& s) {
  s.displays = readEach<DisplaySet>(in, "displays", [](ObjectReader& d) {
    DisplaySet out;
    out.carrier = d.text("carrier");
    if (d.find("school") != nullptr) out.school = d.choice("school", kDisplaySchools);
    if (const Json* palette = d.find("palette")) {
      ObjectReader colours(*palette, d.placeOf("palette"));
      out.palette = readPalette(colours);
      colours.finish();
    }
    if (const Json* eye = d.find("eye")) {
      ObjectReader at(*eye, d.placeOf("eye"));
      out.eyeHeight = at.maybeNumber("height");
      out.eyeDistance = at.maybeNumber("distance");
      at.finish();
    }
    out.season = d.text("season", "");
    return out;
  });
}

void writeDisplays(Json& out, const Scheme& s) {
  for (const DisplaySet& d : s.displays) {
    Json one{{"carrier", d.carrier}};
    if (d.school) one["school"] = displaySchoolWord(*d.school);
    if (Json palette = toJson(d.palette); !palette.empty()) one["palette"] = std::move(palette);
    if (d.eyeHeight || d.eyeDistance) {
      one["eye"] = Json::object();
      writeMaybe(one["eye"], "height", d.eyeHeight);
      writeMaybe(one["eye"], "distance", d.eyeDistance);
    }
    writeText(one, "season", d.season);
    out["displays"].push_back(std::move(one));
  }
}

}  // namespace mezzet
