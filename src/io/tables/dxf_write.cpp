#include <dl_dxf.h>

#include <charconv>
#include <cmath>
#include <cstdio>
#include <numbers>

#include "core/space/bodies.h"
#include "core/space/swing.h"
#include "core/drawing/base/drafting.h"
#include "core/model/kinds.h"
#include "io/tables/dxf.h"

namespace mezzet {
namespace {

constexpr double kDimensionOff = 450;  // mm off the wall's outer face
/// Written just so: the library gives dimensions the handle of the style that has this name, and of another a number
/// that nobody set.
constexpr const char* kStyle = "Standard";
constexpr double kLettering = 120;  // mm high, as 2.5 mm at 1:48
constexpr const char* kLayers[] = {"0", "WALLS", "OPENINGS", "FEATURES", "DIMENSIONS", "FURNITURE"};

/// What the library writes, into memory; by itself it only knows files.
class Memory : public DL_WriterA {
 public:
  Memory() : DL_WriterA("", DL_Codes::AC1015) {}
  void dxfReal(int code, double value) const override {
    char text[64];
    const auto [end, fault] =
        std::to_chars(text, text + sizeof text, std::isfinite(value) ? value : 0.0, std::chars_format::fixed, 6);
    static_cast<void>(fault);
    std::string_view figure(text, static_cast<std::size_t>(end - text));
    while (figure.ends_with('0') && !figure.ends_with(".0")) figure.remove_suffix(1);
    group(code, figure);
  }
  void dxfInt(int code, int value) const override { group(code, std::to_string(value)); }
  void dxfHex(int code, int value) const override {
    char text[16];
    std::snprintf(text, sizeof text, "%X", static_cast<unsigned>(value));
    group(code, text);
  }
  void dxfString(int code, const char* value) const override { group(code, value); }
  void dxfString(int code, const std::string& value) const override { group(code, value); }
  Bytes bytes() && { return std::move(bytes_); }

 private:
  /// Nothing in a value can begin a line: a name cannot add groups.
  void group(int code, std::string_view value) const {
    const std::string number = std::to_string(code);
    if (number.size() < 3) bytes_.append(3 - number.size(), ' ');
    bytes_ += number;
    bytes_ += '\n';
    for (const char c : value) bytes_ += static_cast<unsigned char>(c) < 0x20 ? ' ' : c;
    bytes_ += '\n';
  }
  mutable Bytes bytes_;
};

/// Words as a drawing of this version has them: letters beyond ASCII by their numbers, and carets doubled up, since a
/// caret makes a control character of what follows.
std::string drawn(const std::string& words) {
  std::string out;
  for (std::size_t i = 0; i < words.size();) {
    const auto c = static_cast<unsigned char>(words[i]);
    const std::size_t length = c < 0x80 ? 1 : c < 0xE0 ? 2 : c < 0xF0 ? 3 : 4;
    char32_t letter = length == 1 ? c : c & (0xFFU >> (length + 1));
    for (std::size_t k = 1; k < length && i + k < words.size(); ++k)
      letter = letter << 6 | (static_cast<unsigned char>(words[i + k]) & 0x3FU);
    i += length;
    if (letter < 0x80) {
      out += letter < 0x20 ? ' ' : static_cast<char>(letter);
      if (letter == '^') out += ' ';
      continue;
    }
    char text[16];
    std::snprintf(text, sizeof text, "\\U+%04X", static_cast<unsigned>(letter <= 0xFFFF ? letter : 0xFFFD));
    out += text;
  }
  return out;
}

class Writer {
 public:
  Writer(DL_Dxf& dxf, DL_WriterA& out) : dxf_(dxf), out_(out) {}

  void path(const char* layer, const Polygon& points, bool closed) {
    dxf_.writePolyline(out_, DL_PolylineData(static_cast<int>(points.size()), 0, 0, closed ? 1 : 0), of(layer));
    for (const Vec2 p : points) dxf_.writeVertex(out_, DL_VertexData(p.x, p.y, 0, 0));
    dxf_.writePolylineEnd(out_);
  }
  void line(const char* layer, Vec2 a, Vec2 b) {
    dxf_.writeLine(out_, DL_LineData(a.x, a.y, 0, b.x, b.y, 0), of(layer));
  }
  void circle(const char* layer, Vec2 centre, double radius) {
    dxf_.writeCircle(out_, DL_CircleData(centre.x, centre.y, 0, radius), of(layer));
  }
  void arc(const char* layer, Vec2 centre, double radius, double from, double to) {
    dxf_.writeArc(out_, DL_ArcData(centre.x, centre.y, 0, radius, from, to), of(layer));
  }
  void text(const char* layer, Vec2 at, const std::string& words, double angleRadians = 0) {
    dxf_.writeText(
        out_, DL_TextData(at.x, at.y, 0, at.x, at.y, 0, kLettering, 1, 0, 1, 2, drawn(words), kStyle, angleRadians),
        of(layer));
  }
  /// As lines and a text: a DIMENSION entity needs a block with its geometry, which the library does not write, and
  /// readers drop one without it.
  void dimension(Vec2 a, Vec2 b, double off, const std::string& words) {
    const Vec2 along = unit(b - a), out = -leftOf(along) * off, past = unit(out) * (kLettering / 2),
               tick = unit(along + unit(out)) * (kLettering / 2);
    line("DIMENSIONS", a + out, b + out);
    for (const Vec2 end : {a, b}) {
      line("DIMENSIONS", end + past, end + out + past);
      line("DIMENSIONS", end + out - tick, end + out + tick);
    }
    const double turn = readableTurn(along) * std::numbers::pi / 180;
    const Vec2 above = Vec2{-std::sin(turn), std::cos(turn)} * (kLettering * 0.9);
    text("DIMENSIONS", midpoint(a, b) + out + above, words, turn);
  }

 private:
  static DL_Attributes of(const char* layer) { return {layer, 256, -1, "BYLAYER", 1.0}; }
  DL_Dxf& dxf_;
  DL_WriterA& out_;
};

void writeTables(DL_Dxf& dxf, DL_WriterA& out) {
  dxf.writeHeader(out);
  out.dxfString(9, "$INSUNITS");
  out.dxfInt(70, 4);
  out.dxfString(9, "$MEASUREMENT");
  out.dxfInt(70, 1);
  out.sectionEnd();
  out.sectionTables();
  dxf.writeVPort(out);
  out.tableLinetypes(3);
  for (const char* type : {"BYBLOCK", "BYLAYER", "CONTINUOUS"})
    dxf.writeLinetype(out, DL_LinetypeData(type, type, 0, 0, 0.0));
  out.tableEnd();
  out.tableLayers(static_cast<int>(std::size(kLayers)));
  for (const char* layer : kLayers)
    dxf.writeLayer(out, DL_LayerData(layer, 0),
                   DL_Attributes("", 7, 0x000000, std::string(layer) == "WALLS" ? 50 : 18, "CONTINUOUS"));
  out.tableEnd();
  out.tableStyle(1);
  dxf.writeStyle(out, DL_StyleData(kStyle, 0, 0.0, 1.0, 0.0, 0, kLettering, "txt", ""));
  out.tableEnd();
  dxf.writeView(out);
  dxf.writeUcs(out);
  out.tableAppid(1);
  dxf.writeAppid(out, "ACAD");
  out.tableEnd();
  dxf.writeDimStyle(out, kLettering, kLettering / 2, kLettering / 4, kLettering / 2, kLettering);
  dxf.writeBlockRecord(out);
  out.tableEnd();
  out.sectionEnd();
  out.sectionBlocks();
  for (const char* block : {"*Model_Space", "*Paper_Space", "*Paper_Space0"}) {
    dxf.writeBlock(out, DL_BlockData(block, 0, 0.0, 0.0, 0.0));
    dxf.writeEndBlock(out, block);
  }
  out.sectionEnd();
}

void writeRoom(Writer& w, const Job& job, const Room& room, const Scheme* scheme, LengthFormat format) {
  w.path("WALLS", outlineOf(room), true);
  for (const Wall& wall : wallsOf(room)) {
    const Vec2 out = -wall.inward() * wall.thickness;
    w.line("WALLS", wall.start + out, wall.end + out);
    w.dimension(wall.start, wall.end, wall.thickness + kDimensionOff, writeLength(wall.length(), format));
  }
  for (const Opening& o : room.openings) {
    const auto wall = findWall(room, o.wall);
    const Vec2 a = wall->start + wall->along() * o.offset, b = a + wall->along() * o.width,
               out = -wall->inward() * wall->thickness;
    w.path("OPENINGS", {a, b, b + out, a + out}, true);
    if (const auto sweep = sweepOf(room, o)) {
      w.line("OPENINGS", sweep->hinge, sweep->hinge + sweep->open * sweep->radius);
      const auto angle = [](Vec2 d) { return normalisedTurn(directionOf(d)); };
      const bool leftward = cross(sweep->closed, sweep->open) > 0;
      w.arc("OPENINGS", sweep->hinge, sweep->radius, angle(leftward ? sweep->closed : sweep->open),
            angle(leftward ? sweep->open : sweep->closed));
    }
  }
  for (const Feature& f : room.features) w.path("FEATURES", f.outline, true);
  if (scheme == nullptr) return;
  for (const Placement& p : scheme->placements) {
    const auto* place = onFloor(p.on);
    if (place == nullptr) continue;
    const Piece& piece = pieceOf(job, p);
    const Polygon outline = outlineOf(piece, *place);
    if (outline.empty()) w.circle("FURNITURE", place->at, piece.width / 2);
    else w.path("FURNITURE", outline, true);
    w.text("FURNITURE", place->at, piece.name);
  }
}

}  // namespace

Bytes writeDxf(const Job& job, const Room& room, const Scheme* scheme, LengthFormat format) {
  DL_Dxf dxf;
  Memory out;
  writeTables(dxf, out);
  out.sectionEntities();
  Writer writer(dxf, out);
  writeRoom(writer, job, room, scheme, format);
  out.sectionEnd();
  dxf.writeObjects(out);
  dxf.writeObjectsEnd(out);
  out.dxfEOF();
  return std::move(out).bytes();
}

}  // namespace mezzet
