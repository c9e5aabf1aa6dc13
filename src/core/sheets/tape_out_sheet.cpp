// What is taped onto the floor and the walls before anything is bought: footprints from two walls, heights of backs.
#include <algorithm>
#include <cmath>

#include "core/drawing/base/drafting.h"
#include "core/drawing/plan/plan.h"
#include "core/model/kinds.h"
#include "core/rules/base/names.h"
#include "core/sheets/frame.h"
#include "core/sheets/set_out.h"
#include "core/sheets/set_out_lines.h"
#include "core/sheets/sheet_row.h"
#include "core/space/standing.h"

namespace mezzet {
namespace {

constexpr Stroke kTapeLine{Ink::Ink, 0.7, Dash::Dashed};

Box footprintBox(const Piece& piece) {
  const Vec2 half{piece.width / 2, piece.depth.value_or(piece.width) / 2};
  return {half * -1, half};
}

/// Its outer box where it stands, back corners first.
std::vector<Vec2> footprintCorners(const Piece& piece, const FloorPlace& place) {
  const Box box = footprintBox(piece);
  std::vector<Vec2> out;
  for (const Vec2 corner : {Vec2{box.low.x, box.high.y}, box.high, Vec2{box.high.x, box.low.y}, box.low})
    out.push_back(place.at + rotated(corner, turnOf(place.turn)));
  return out;
}

double fromWall(const Wall& wall, Vec2 at) { return dot(at - wall.start, wall.inward()); }

/// "24 in from A, 12 in from D"; of what is turned its two back corners.
std::string fromWalls(const Room& room, const Piece& piece, const FloorPlace& place, const std::vector<Tape>& tapes,
                      LengthFormat format) {
  if (tapes.empty()) return "no wall is met";
  std::string out;
  if (std::fmod(place.turn, 90) == 0) {
    for (const Tape& tape : tapes)
      out += (out.empty() ? "" : ", ") + writeLength(std::max(0.0, tape.length), format) + " from " + tape.hits.id;
    return out;
  }
  const std::vector<Vec2> corners = footprintCorners(piece, place);
  for (const std::size_t i : {std::size_t{0}, std::size_t{1}}) {
    out += (i == 0 ? "back corners: " : "; ");
    for (const Tape& tape : tapes)
      if (const auto wall = findWall(room, CornerId(tape.hits.id)))
        out += (&tape == &tapes.front() ? "" : ", ") + writeLength(fromWall(*wall, corners[i]), format) + " from " +
               wall->id.value;
  }
  return out;
}

/// Where its back height is taped: the wall behind it, if one is.
std::string backWords(const Room& room, const Piece& piece, const FloorPlace& place, LengthFormat format) {
  const auto height = highestOf(piece);
  if (!height || isRug(piece.kind)) return "-";
  std::string out = writeLength(*height, format);
  const Vec2 back = rotated(Vec2{0, 1}, turnOf(place.turn));
  const Vec2 middle = place.at + back * (piece.depth.value_or(piece.width) / 2);
  for (const Wall& wall : wallsOf(room))
    if (dot(wall.inward(), back) < -0.9 && fromWall(wall, middle) < kStandsAtWall)
      return out + " on wall " + wall.id.value;
  return out;
}

Drawing composeTapeOut(const SheetSource& s, int scale) {
  PlanOptions options = planOptions(scale, s.request.format);
  Drawing d = composePlan(s.job, s.room, nullptr, options);
  if (s.scheme == nullptr) return d;
  const SchemeNames names(s.job, *s.scheme);
  LengthFormat bare = s.request.format;
  bare.withUnit = false;
  std::vector<std::vector<std::string>> rows{{"", "Tape for", "Wide x deep", "Corner to corner", "Where", "Back, up"}};
  for (const Placement& p : s.scheme->placements) {
    const auto* place = onFloor(p.on);
    if (place == nullptr) continue;
    const Piece& piece = pieceOf(s.job, p);
    const std::vector<Vec2> corners = footprintCorners(piece, *place);
    PathItem outline;
    outline.points = corners;
    outline.closed = true;
    outline.stroke = kTapeLine;
    d.add(Layer::Furniture, p.id.value, outline);
    const std::string number = std::to_string(rows.size());
    const Vec2 half = rotated(Vec2{piece.width / 4, piece.depth.value_or(piece.width) / 4}, turnOf(place->turn));
    addTag(d, {place->at, place->at + half, place->at - half}, number, p.id.value,
           isRug(piece.kind) ? Rank::Rug : Rank::Piece);
    const double deep = piece.depth.value_or(piece.width);
    rows.push_back({number, names.plain(p.id), writeLength(piece.width, bare) + " x " + writeLength(deep, bare),
                    writeLength(std::hypot(piece.width, deep), bare),
                    fromWalls(s.room, piece, *place, setOutTapes(s.job, *s.scheme, p), bare),
                    backWords(s.room, piece, *place, bare)});
  }
  if (rows.size() > 1) addColumns(d, rows);
  std::vector<std::string> lines;
  lines.push_back(std::string("Lengths in ") + (s.job.units == Unit::Inch ? "inches" : "mm") +
                  ". Tape the two sides at the walls first, then check corner to corner: then it is square.");
  lines.emplace_back("Walk round the tape, open every door and drawer, and sit where the seats will be.");
  if (rows.size() < 2) lines = {"Nothing stands here yet."};
  addListBelow(d, lines);
  return d;
}

std::string headingTapeOut(const SheetSource&) { return "Footprints to tape out"; }

}  // namespace

const SheetRow& tapeOutSheetRow() {
  static constexpr SheetRow row{.id = "tape-out",
                                .title = "footprints to tape out",
                                .compose = composeTapeOut,
                                .heading = headingTapeOut,
                                .fitsByScheme = true};
  return row;
}

}  // namespace mezzet
