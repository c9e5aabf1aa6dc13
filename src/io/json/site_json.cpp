#include "io/json/site_json.h"

#include "io/json/json_words.h"

namespace mezzet {
namespace {

constexpr std::pair<const char*, OpeningPart> kOpeningParts[] = {
    {"start", OpeningPart::Start}, {"width", OpeningPart::Width}, {"end", OpeningPart::End}};
constexpr std::pair<const char*, WindowLeaf> kLeaves[] = {{"fixed", WindowLeaf::Fixed},
                                                          {"sash", WindowLeaf::Sash},
                                                          {"casement-in", WindowLeaf::CasementIn},
                                                          {"casement-out", WindowLeaf::CasementOut}};
constexpr std::pair<const char*, Outside> kOutsides[] = {
    {"unknown", Outside::Unknown}, {"street", Outside::Street}, {"view", Outside::View}, {"wall", Outside::Wall}};
constexpr std::pair<const char*, HeightKind> kHeights[] = {
    {"clear", HeightKind::Clear}, {"to-floor", HeightKind::ToFloor}, {"to-ceiling", HeightKind::ToCeiling}};
constexpr std::pair<const char*, CeilingShape> kCeilings[] = {{"flat", CeilingShape::Flat},
                                                              {"sloped", CeilingShape::Sloped}};
constexpr std::pair<const char*, PointKind> kPoints[] = {
    {"socket", PointKind::Socket}, {"switch", PointKind::Switch},     {"wall-light", PointKind::WallLight},
    {"vent", PointKind::Vent},     {"detector", PointKind::Detector}, {"thermostat", PointKind::Thermostat}};

constexpr std::pair<const char*, RailSide> kRailSides[] = {{"wall", RailSide::Wall}, {"open", RailSide::Open}};

Taken readTaken(ObjectReader& in) {
  Taken t;
  t.value = in.number("value");
  t.typed = in.text("typed", "");
  t.instrument = in.choice("instrument", kInstruments, std::optional(Instrument::Tape));
  t.u95 = in.maybeNumber("u95");
  t.atTrim = in.flag("trim");
  t.who = in.text("who", "");
  t.when = in.text("when", "");
  t.note = in.text("note", "");
  t.superseded = in.flag("superseded");
  return t;
}

void writeTaken(Json& out, const Taken& t) {
  out["value"] = t.value;
  writeText(out, "typed", t.typed);
  out["instrument"] = wordFor(kInstruments, t.instrument);
  writeMaybe(out, "u95", t.u95);
  if (t.atTrim) out["trim"] = true;
  writeText(out, "who", t.who);
  writeText(out, "when", t.when);
  writeText(out, "note", t.note);
  if (t.superseded) out["superseded"] = true;
}

Vec2 readPoint(ObjectReader& in, const std::string& key) {
  const Json& json = in.need(key);
  if (!json.is_array() || json.size() != 2 || !json[0].is_number() || !json[1].is_number())
    in.fail(key, "must be a point [x, y]");
  return {json[0].get<double>(), json[1].get<double>()};
}
Json placeJson(Vec2 p) { return Json::array({p.x, p.y}); }
Json pointsJson(const Polygon& all) {
  Json out = Json::array();
  for (const Vec2 p : all) out.push_back(placeJson(p));
  return out;
}

/// An object of its own that may be absent.
template <class Read>
void within(ObjectReader& in, const std::string& key, Read read) {
  const Json* json = in.find(key);
  if (json == nullptr) return;
  ObjectReader inner(*json, in.placeOf(key));
  read(inner);
  inner.finish();
}

Stair readStair(ObjectReader& in) {
  Stair s;
  s.risers = static_cast<int>(std::clamp(in.whole("risers", 0), -1LL, 1'000LL));
  s.riser = in.number("riser");
  s.going = in.number("going");
  s.climbs = in.number("climbs", 0);
  s.rise = in.maybeNumber("rise");
  s.nosing = in.maybeNumber("nosing");
  s.handrail = in.maybeNumber("handrail");
  s.headroom = in.maybeNumber("headroom");
  if (in.find("railSide") != nullptr) s.railSide = in.choice("railSide", kRailSides);
  return s;
}

Underlay readUnderlay(ObjectReader& in) {
  Underlay u;
  u.image = readImageName(in, "image");
  u.source = in.text("source", "");
  u.width = in.number("width");
  u.height = in.number("height");
  u.known = readEach<KnownLength>(in, "known", [](ObjectReader& k) {
    return KnownLength{readPoint(k, "a"), readPoint(k, "b"), k.number("length"), k.text("typed", "")};
  });
  within(in, "frame", [&u](ObjectReader& f) {
    u.frame = Straightened{readPoints(f, "corners"), f.number("width"), f.number("height")};
  });
  u.trace = readPoints(in, "trace");
  return u;
}

Json toJson(const Underlay& u) {
  Json out;
  writeText(out, "image", u.image);
  writeText(out, "source", u.source);
  out["width"] = u.width;
  out["height"] = u.height;
  for (const KnownLength& k : u.known) {
    Json known{{"a", placeJson(k.a)}, {"b", placeJson(k.b)}, {"length", k.length}};
    writeText(known, "typed", k.typed);
    out["known"].push_back(std::move(known));
  }
  if (u.frame)
    out["frame"] = {{"corners", pointsJson(u.frame->corners)}, {"width", u.frame->width}, {"height", u.frame->height}};
  if (!u.trace.empty()) out["trace"] = pointsJson(u.trace);
  return out;
}

}  // namespace

void readSite(ObjectReader& in, Opening& o) {
  o.readings = readEach<OpeningReading>(in, "readings", [](ObjectReader& r) {
    return OpeningReading{ReadingId(r.text("id")), r.choice("part", kOpeningParts), readTaken(r)};
  });
  o.trim = in.maybeNumber("trim");
  o.leaf = in.choice("leaf", kLeaves, std::optional(WindowLeaf::Fixed));
  o.curtainStack = in.maybeNumber("curtainStack");
  o.outside = in.choice("outside", kOutsides, std::optional(Outside::Unknown));
  within(in, "leadsTo", [&o](ObjectReader& l) {
    o.leadsTo = LeadsTo{RoomId(l.text("room")), OpeningId(l.text("opening"))};
  });
}

void writeSite(Json& out, const Opening& o) {
  for (const OpeningReading& r : o.readings) {
    Json reading{{"id", r.id.value}, {"part", wordFor(kOpeningParts, r.part)}};
    writeTaken(reading, r.taken);
    out["readings"].push_back(std::move(reading));
  }
  writeMaybe(out, "trim", o.trim);
  if (o.leaf != WindowLeaf::Fixed) out["leaf"] = wordFor(kLeaves, o.leaf);
  writeMaybe(out, "curtainStack", o.curtainStack);
  if (o.outside != Outside::Unknown) out["outside"] = wordFor(kOutsides, o.outside);
  if (o.leadsTo) out["leadsTo"] = {{"room", o.leadsTo->room.value}, {"opening", o.leadsTo->opening.value}};
}

void readSite(ObjectReader& in, Feature& f) {
  f.base = in.maybeNumber("base");
  f.mantel = in.maybeNumber("mantel");
  within(in, "stair", [&f](ObjectReader& s) { f.stair = readStair(s); });
}

void writeSite(Json& out, const Feature& f) {
  writeMaybe(out, "base", f.base);
  writeMaybe(out, "mantel", f.mantel);
  if (!f.stair) return;
  const Stair& s = *f.stair;
  Json stair{{"risers", s.risers}, {"riser", s.riser}, {"going", s.going}, {"climbs", s.climbs}};
  writeMaybe(stair, "rise", s.rise);
  writeMaybe(stair, "nosing", s.nosing);
  writeMaybe(stair, "handrail", s.handrail);
  writeMaybe(stair, "headroom", s.headroom);
  if (s.railSide) stair["railSide"] = wordFor(kRailSides, *s.railSide);
  out["stair"] = std::move(stair);
}

void readSite(ObjectReader& in, Room& room) {
  room.heights = readEach<HeightReading>(in, "heights", [](ObjectReader& h) {
    return HeightReading{ReadingId(h.text("id")), h.choice("kind", kHeights), readPoint(h, "at"), readTaken(h)};
  });
  room.ceiling = in.choice("ceiling", kCeilings, std::optional(CeilingShape::Flat));
  room.ceilingAreas = readEach<CeilingArea>(in, "ceilingAreas", [](ObjectReader& a) {
    return CeilingArea{CeilingId(a.text("id")), readPoints(a, "outline"),
                       a.choice("shape", kCeilings, std::optional(CeilingShape::Flat))};
  });
  within(in, "trim", [&room](ObjectReader& t) {
    room.trim = {t.maybeNumber("skirting"), t.maybeNumber("skirtingDepth"), t.maybeNumber("cornice"),
                 t.maybeNumber("corniceDepth"), t.maybeNumber("pictureRail")};
  });
  room.points = readEach<WallPoint>(in, "points", [](ObjectReader& p) {
    WallPoint out;
    out.id = PointId(p.text("id"));
    out.kind = p.choice("kind", kPoints);
    out.wall = CornerId(p.text("wall", ""));
    if (out.wall.empty()) {
      out.at = readPoint(p, "at");
    } else {
      out.along = p.number("along");
      out.height = p.number("height");
    }
    return out;
  });
  room.studs = readEach<StudRecord>(in, "studs", [](ObjectReader& s) {
    StudRecord out;
    out.wall = CornerId(s.text("wall"));
    out.hits = readEach<StudHit>(s, "hits", [](ObjectReader& h) {
      return StudHit{ReadingId(h.text("id")), h.number("along"), h.number("confidence", 1), h.flag("detector")};
    });
    out.pitch = s.maybeNumber("pitch");
    return out;
  });
  within(in, "underlay", [&room](ObjectReader& u) { room.underlay = readUnderlay(u); });
  room.photographs = readEach<Photograph>(in, "photographs", [](ObjectReader& p) {
    Photograph out;
    out.id = PhotographId(p.text("id"));
    out.image = readImageName(p, "image");
    out.wall = CornerId(p.text("wall", ""));
    out.at = readPoint(p, "at");
    out.note = p.text("note", "");
    out.when = p.text("when", "");
    out.who = p.text("who", "");
    within(p, "calibration", [&out](ObjectReader& c) {
      out.calibration =
          Calibration{readPoints(c, "corners"),   c.number("width"), c.number("height"), c.number("u"), c.number("v"),
                      c.number("u95", kPickDoubt)};
    });
    for (const Json& outline : p.list("before")) out.before.push_back(pointsOf(p, "before", outline));
    return out;
  });
  room.clearSpots = readEach<ClearSpot>(in, "clearSpots", [](ObjectReader& s) {
    return ClearSpot{CornerId(s.text("wall")), s.number("u"), s.number("v"), s.text("date", "")};
  });
  room.holes = readEach<NailHole>(in, "holes", [](ObjectReader& h) {
    return NailHole{CornerId(h.text("wall")), h.number("u"),      h.number("v"),
                    h.number("diameter", 0),  h.text("made", ""), h.text("filled", "")};
  });
  room.storey = StoreyId(in.text("storey", ""));
  room.entry = OpeningId(in.text("entry", ""));
}

void writeSite(Json& out, const Room& room) {
  for (const HeightReading& h : room.heights) {
    Json height{{"id", h.id.value}, {"kind", wordFor(kHeights, h.kind)}, {"at", placeJson(h.at)}};
    writeTaken(height, h.taken);
    out["heights"].push_back(std::move(height));
  }
  if (room.ceiling != CeilingShape::Flat) out["ceiling"] = wordFor(kCeilings, room.ceiling);
  for (const CeilingArea& a : room.ceilingAreas)
    out["ceilingAreas"].push_back(
        {{"id", a.id.value}, {"outline", pointsJson(a.outline)}, {"shape", wordFor(kCeilings, a.shape)}});
  if (room.trim != RoomTrim{}) {
    Json& trim = out["trim"] = Json::object();
    writeMaybe(trim, "skirting", room.trim.skirting);
    writeMaybe(trim, "skirtingDepth", room.trim.skirtingDepth);
    writeMaybe(trim, "cornice", room.trim.cornice);
    writeMaybe(trim, "corniceDepth", room.trim.corniceDepth);
    writeMaybe(trim, "pictureRail", room.trim.pictureRail);
  }
  for (const WallPoint& p : room.points) {
    Json one{{"id", p.id.value}, {"kind", wordFor(kPoints, p.kind)}};
    if (p.wall.empty()) {
      one["at"] = placeJson(p.at);
    } else {
      one["wall"] = p.wall.value;
      one["along"] = p.along;
      one["height"] = p.height;
    }
    out["points"].push_back(std::move(one));
  }
  for (const StudRecord& s : room.studs) {
    Json one{{"wall", s.wall.value}, {"hits", Json::array()}};
    for (const StudHit& h : s.hits) {
      one["hits"].push_back({{"id", h.id.value}, {"along", h.along}, {"confidence", h.confidence}});
      if (h.detector) one["hits"].back()["detector"] = true;
    }
    writeMaybe(one, "pitch", s.pitch);
    out["studs"].push_back(std::move(one));
  }
  if (room.underlay) out["underlay"] = toJson(*room.underlay);
  for (const Photograph& p : room.photographs) {
    Json one{{"id", p.id.value}};
    writeText(one, "image", p.image);
    writeText(one, "wall", p.wall.value);
    one["at"] = placeJson(p.at);
    writeText(one, "note", p.note);
    writeText(one, "when", p.when);
    writeText(one, "who", p.who);
    if (const auto& c = p.calibration)
      one["calibration"] = {{"corners", pointsJson(c->corners)},
                            {"width", c->width},
                            {"height", c->height},
                            {"u", c->u},
                            {"v", c->v},
                            {"u95", c->u95}};
    for (const auto& outline : p.before) one["before"].push_back(pointsJson(outline));
    out["photographs"].push_back(std::move(one));
  }
  for (const ClearSpot& s : room.clearSpots) {
    Json one{{"wall", s.wall.value}, {"u", s.u}, {"v", s.v}};
    writeText(one, "date", s.date);
    out["clearSpots"].push_back(std::move(one));
  }
  for (const NailHole& h : room.holes) {
    Json one{{"wall", h.wall.value}, {"u", h.u}, {"v", h.v}, {"diameter", h.diameter}};
    writeText(one, "made", h.made);
    writeText(one, "filled", h.filled);
    out["holes"].push_back(std::move(one));
  }
  writeText(out, "storey", room.storey.value);
  writeText(out, "entry", room.entry.value);
}

std::vector<Storey> readStoreys(ObjectReader& in) {
  return readEach<Storey>(in, "storeys", [](ObjectReader& s) {
    return Storey{StoreyId(s.text("id")), s.text("name"), s.number("level", 0)};
  });
}

Json toJson(const std::vector<Storey>& storeys) {
  Json out = Json::array();
  for (const Storey& s : storeys) out.push_back({{"id", s.id.value}, {"name", s.name}, {"level", s.level}});
  return out;
}

}  // namespace mezzet
