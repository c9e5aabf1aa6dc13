// Pieces in the job file and in libraries: every field by its row of core/model/piece_fields.
#include <algorithm>

#include "core/model/kinds.h"
#include "core/model/piece_fields.h"
#include "io/json/display_json.h"
#include "io/json/job_json.h"
#include "io/json/json_reader.h"
#include "io/json/json_words.h"
#include "io/json/records_json.h"
#include "io/photometry/ies.h"

namespace mezzet {
namespace {

constexpr std::pair<const char*, DimensionSource> kSources[] = {{"measured", DimensionSource::Measured},
                                                                {"ticket", DimensionSource::Ticket},
                                                                {"guess", DimensionSource::Guess},
                                                                {"default", DimensionSource::Default}};

/// One word of some, as its number.
std::optional<double> readWord(ObjectReader& in, const std::string& key, std::span<const std::string_view> words) {
  const std::string word = in.text(key, "");
  if (word.empty() && in.find(key) == nullptr) return std::nullopt;
  const auto at = std::find(words.begin(), words.end(), word);
  if (at != words.end()) return static_cast<double>(at - words.begin());
  std::string all;
  for (const std::string_view one : words) all += (all.empty() ? "" : ", ") + std::string(one);
  in.fail(key, "is \"" + word.substr(0, 40) + "\"", "Use one of: " + all);
}

/// The object a key is nested in, "" of a flat one, and what it is called there.
std::string partOf(std::string_view key) {
  const std::size_t dot = key.rfind('.');
  return std::string(key.substr(0, dot == std::string_view::npos ? 0 : dot));
}
std::string withinPart(std::string_view key) { return std::string(key.substr(key.rfind('.') + 1)); }

void readField(ObjectReader& in, const PieceField& field, Piece& p) {
  const std::string key = withinPart(field.key);
  switch (field.kind) {
    case FieldKind::Length:
    case FieldKind::Amount: field.setNumber(p, field.required ? in.number(key) : in.maybeNumber(key)); break;
    case FieldKind::Whole:
      if (in.find(key) != nullptr)
        field.setNumber(p, static_cast<double>(std::clamp(in.whole(key, 1), -1LL, 100'000LL)));
      break;
    case FieldKind::Flag:
      if (in.find(key) != nullptr) field.setNumber(p, in.flag(key) ? 1 : 0);
      break;
    case FieldKind::Choice:
      if (const auto at = readWord(in, key, field.choices)) field.setNumber(p, at);
      break;
    case FieldKind::Text:
      if (std::string text = in.text(key, ""); !text.empty()) field.setText(p, std::move(text));
      break;
    case FieldKind::Id: p.id = PieceId(in.text(key)); break;
    case FieldKind::Name: p.name = in.text(key); break;
    case FieldKind::Kind: p.kind = in.text(key); break;
    case FieldKind::Shape: p.shape = static_cast<Shape>(readWord(in, key, kShapeWords).value_or(0)); break;
    case FieldKind::Sources: break;  // in the file by dimension
  }
}

void writeField(Json& out, const PieceField& field, const Piece& p) {
  const std::string key = withinPart(field.key);
  const auto number = field.valueOf(p);
  switch (field.kind) {
    case FieldKind::Length:
    case FieldKind::Amount:
      if (number) out[key] = *number;
      break;
    case FieldKind::Whole:
      if (number) out[key] = static_cast<int>(*number);
      break;
    case FieldKind::Flag:
      if (number) out[key] = *number != 0;
      break;
    case FieldKind::Choice:
      if (number) out[key] = field.choices[static_cast<std::size_t>(*number)];
      break;
    case FieldKind::Text: writeText(out, key.c_str(), field.text(p)); break;
    case FieldKind::Id: out[key] = p.id.value; break;
    case FieldKind::Name: out[key] = p.name; break;
    case FieldKind::Kind: out[key] = p.kind; break;
    case FieldKind::Shape: out[key] = kShapeWords[static_cast<std::size_t>(p.shape)]; break;
    case FieldKind::Sources: break;
  }
}

/// Of a rug: what no row of the table says.
void readRugExtras(ObjectReader& nested, Piece& p) {
  if (const auto pad = nested.maybeNumber("pad"))
    p.rug.edit().pad = *pad;  // version 5 has it flat, and so it is written
  if (Polygon outline = readPoints(nested, "outline"); !outline.empty()) {
    if (signedArea(outline) < 0) std::reverse(outline.begin(), outline.end());
    p.rug.edit().outline = std::move(outline);
  }
}
void writeRugExtras(Json& out, const Piece& p) {
  for (const Vec2 corner : p.rug->outline) out["outline"].push_back({corner.x, corner.y});
}

/// Of a frame: how it hangs, nested once more. What lies left or right of the middle has a sign, and no row.
void readHanger(ObjectReader& frame, Piece& p) {
  const Json* json = frame.find("hanger");
  if (json == nullptr) return;
  ObjectReader in(*json, frame.placeOf("hanger"));
  for (const PieceField& field : pieceFields())
    if (partOf(field.key) == "frame.hanger") readField(in, field, p);
  if (const auto offset = in.maybeNumber("offset")) p.hanger.edit().offset = *offset;
  if (const auto mass = in.maybeNumber("mass")) p.hanger.edit().mass = *mass;
  in.finish();
}
void writeHanger(Json& frame, const Piece& p) {
  Json out = Json::object();
  for (const PieceField& field : pieceFields())
    if (partOf(field.key) == "frame.hanger") writeField(out, field, p);
  if (p.hanger->offset != 0) out["offset"] = p.hanger->offset;
  if (p.hanger->mass != 0) out["mass"] = p.hanger->mass;
  if (!out.empty()) frame["hanger"] = std::move(out);
}

/// What is nested under a name of its own: which kinds have it, and what of it no row of the table of fields says.
struct PartRow {
  const char* key;
  const char* owner;  ///< "a rug"
  bool (*has)(std::string_view kind);
  void (*read)(ObjectReader&, Piece&) = nullptr;
  void (*write)(Json&, const Piece&) = nullptr;
};
void checkPhotometry(ObjectReader& nested, Piece& p) {
  if (const std::string& name = p.light->photometry; !name.empty() && !isPhotometryName(name))
    nested.fail("photometry", "is not the name of a photometric file", "It is photometry/ and a SHA-256");
}

/// What of it a kind may say is held by what makes a job sound.
constexpr bool anyKind(std::string_view) { return true; }

constexpr PartRow kParts[] = {{"rug", "a rug", isRug, readRugExtras, writeRugExtras},
                              {"light", "a light", canBeLight, checkPhotometry},
                              {"frame", "a picture, a textile or a mirror", hasFrame, readHanger, writeHanger},
                              {"mirror", "a mirror", isMirror},
                              {"screen", "a television", isScreen},
                              {"thing", "a thing that stands in displays", anyKind, readThing, writeThing},
                              {"shop", "what is bought", anyKind}};

void readPart(ObjectReader& in, const PartRow& part, Piece& p) {
  const Json* json = in.find(part.key);
  if (json == nullptr) return;
  const std::string owner = part.owner;
  if (!part.has(p.kind))
    in.fail(part.key, "is only for " + owner + ", and this is a " + p.kind, "Take it out, or make it " + owner);
  ObjectReader nested(*json, in.placeOf(part.key));
  for (const PieceField& field : pieceFields())
    if (partOf(field.key) == part.key) readField(nested, field, p);
  if (part.read != nullptr) part.read(nested, p);
  nested.finish();
}

Json partToJson(const PartRow& part, const Piece& p) {
  Json out = Json::object();
  for (const PieceField& field : pieceFields())
    if (partOf(field.key) == part.key) writeField(out, field, p);
  if (part.write != nullptr) part.write(out, p);
  return out;
}

}  // namespace

Piece pieceFromJson(const Json& json, const std::string& place) {
  ObjectReader in(json, place);
  Piece p;
  for (const PieceField& field : pieceFields())
    if (partOf(field.key).empty()) readField(in, field, p);
  for (const PartRow& part : kParts) readPart(in, part, p);
  readSurfaces(in, p);
  readTakesApart(in, p);
  if (!p.surfaces->all.empty() && !canCarry(p.kind))
    in.fail("surfaces", "are only for what carries things, and this is a " + p.kind, "Take them out");
  if (p.shape == Shape::Round && !(isSeenUpright(p.kind) ? p.height : p.depth)) keepRound(p);
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
  if (const std::string variantOf = in.text("variantOf", ""); !variantOf.empty()) p.variantOf = PieceId(variantOf);
  p.image = readImageName(in, "image");
  p.extra = readExtra(in);
  in.finish();
  return p;
}

Json toJson(const Piece& p) {
  Json out = Json::object();
  for (const PieceField& field : pieceFields())
    if (partOf(field.key).empty()) writeField(out, field, p);
  for (const PartRow& part : kParts)
    if (Json nested = partToJson(part, p); !nested.empty()) out[part.key] = std::move(nested);
  writeSurfaces(out, p);
  writeTakesApart(out, p);
  for (const auto& [dimension, doubt] : p.doubts)
    out["doubts"][dimension] = {{"source", wordFor(kSources, doubt.source)}, {"u95", doubt.u95}};
  for (const auto& [rule, own] : p.ownRules) {
    Json& entry = out["ownRules"][rule];
    entry["school"] = own.school ? Json(*own.school) : Json(nullptr);
    if (own.range) entry["range"] = toJson(*own.range);
  }
  out["variantOf"] = p.variantOf ? Json(p.variantOf->value) : Json(nullptr);
  if (!p.image.empty()) out["image"] = p.image;
  writeExtra(out, p.extra);
  return out;
}

}  // namespace mezzet
