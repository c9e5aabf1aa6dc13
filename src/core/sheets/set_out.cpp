#include "core/sheets/set_out.h"

#include <algorithm>
#include <cmath>

#include "core/drawing/wall/elevation.h"
#include "core/site/stair_wall.h"
#include "core/space/tapes.h"
#include "core/drawing/base/drafting.h"
#include "core/hang/neighbours.h"
#include "core/model/kinds.h"
#include "core/rules/check.h"
#include "core/sheets/set_out_lines.h"
#include "core/space/bodies.h"

namespace mezzet {
namespace {

struct Frame {
  PlacementId id;
  WallRect rect;
  double u = 0, v = 0;  ///< its centre
};

constexpr double kSetOutRow = 6.5, kFirstRow = 6;  // rows of figures outside the wall, mm of paper

/// So many frames are measured on the drawing; more are numbered there, and measured in the list.
constexpr std::size_t kMeasuredOnDrawing = 3;

/// Words one over the other below a drawing, each of what has this id.
void addList(Drawing& d, const std::vector<std::pair<std::string, std::string>>& lines) {
  if (lines.empty()) return;
  double y = d.low.y - 3 * d.scale, wide = 0;
  for (const auto& [id, words] : lines) {
    const TextItem text{{d.low.x + 4 * d.scale, y}, words, kSmallLetters, Align::Left, 0, Ink::Ink, Ink::None};
    wide = std::max(wide, textWidth(text));
    d.add(Layer::Label, id, text);
    y -= kListStep * d.scale;
  }
  d.low.y = y;
  d.high.x = std::max(d.high.x, d.low.x + (wide + 8) * d.scale);
}

/// The frames of a wall in words: size, where the centre is from the left end and from the floor, where the foot is;
/// and the gaps between those that hang as one.
void addHungList(Drawing& d, const Job& job, const Room& room, const Scheme& scheme, const Wall& wall,
                 const std::vector<Frame>& frames, bool measured, LengthFormat format) {
  LengthFormat bare = format;
  bare.withUnit = false;
  const SchemeNames names(job, scheme);
  const RoomHeights heights = heightsOf(room);
  std::vector<std::pair<std::string, std::string>> lines;
  for (std::size_t i = 0; i < frames.size(); ++i) {
    const Frame& f = frames[i];
    const double floor = footingAlong(room, heights, wall, f.u);
    std::string words = (frames.size() > 1 ? std::to_string(i + 1) + "  " : std::string()) + names.plain(f.id) + ": " +
                        writeLength(f.rect.width(), bare) + " x " + writeLength(f.rect.height(), format);
    if (measured)
      words += ", centre " + writeLength(f.u, bare) + " from the left end and " + writeLength(f.v - floor, bare) +
               " up, bottom " + writeLength(f.rect.bottom - floor, format) + " up";
    lines.emplace_back(f.id.value, words);
  }
  for (const Hung& hung : hungIn(job, scheme)) {
    if (hung.wall != wall.id || hung.members.size() < 2) continue;
    double least = HUGE_VAL, most = 0;
    for (const HungPair& pair : spanningPairs(PieceIndex(job), scheme, hung.members)) {
      least = std::min(least, pair.gap);
      most = std::max(most, pair.gap);
    }
    lines.emplace_back("", "Between frames " +
                               (most - least < kTouch ? writeLength(least, format)
                                                      : writeLength(least, bare) + " to " + writeLength(most, format)) +
                               "; together " + writeLength(hung.envelope.width(), bare) + " x " +
                               writeLength(hung.envelope.height(), format));
  }
  addList(d, lines);
}

/// What hangs on a wall but lights, from the left; of what hangs over one another the upper first.
std::vector<Frame> framesOn(const Job& job, const Scheme& scheme, const CornerId& wall) {
  std::vector<Frame> frames;
  for (const Placement& p : scheme.placements)
    if (const auto* hung = onWall(p.on); hung != nullptr && hung->wall == wall)
      frames.push_back({p.id, wallRectOf(pieceOf(job, p), *hung), hung->u, hung->v});
  std::sort(frames.begin(), frames.end(), [](const Frame& a, const Frame& b) {
    return std::abs(a.rect.left - b.rect.left) > kTouch ? a.rect.left < b.rect.left : a.v > b.v;
  });
  return frames;
}

std::vector<WallRect> rectsOf(const std::vector<Frame>& frames) {
  std::vector<WallRect> out;
  for (const Frame& f : frames) out.push_back(f.rect);
  return out;
}

/// A frame's size, under it, where nothing else does.
void addSize(Drawing& d, const Frame& f, LengthFormat format) {
  LengthFormat bare = format;
  bare.withUnit = false;
  const WallRect& r = f.rect;
  Label size = labelAt(Layer::Dimension, f.id.value, Rank::Dimension,
                       {{f.u, r.bottom - 3 * d.scale}, {f.u, r.top + 3 * d.scale}, {f.u, r.bottom + 3 * d.scale}},
                       TextItem{{},
                                writeLength(r.width(), bare) + " x " + writeLength(r.height(), format),
                                kSmallLetters,
                                Align::Centre,
                                0,
                                Ink::Ink,
                                Ink::Floor});
  size.needed = true;
  d.add(std::move(size));
}

/// Their numbers, in the middle of each.
void addNumbers(Drawing& d, const std::vector<Frame>& frames) {
  for (std::size_t i = 0; i < frames.size(); ++i) {
    const Frame& f = frames[i];
    std::erase_if(d.labels, [&](const Label& label) { return label.id == ItemId(f.id.value); });
    addTag(d, {{f.u, f.v}}, std::to_string(i + 1), f.id.value, Rank::Piece);
  }
}

}  // namespace

std::vector<Tape> setOutTapes(const Job& job, const Scheme& scheme, const Placement& p) {
  // Measured to walls only: what stands between is not there yet when the piece is set down.
  Scheme alone = scheme;
  std::erase_if(alone.placements, [&](const Placement& other) { return other.id != p.id; });
  std::vector<Tape> tapes = tapesOf(job, alone, p.id);
  // A wall that a tape only grazes is nothing to measure from.
  const Room& room = roomOf(job, scheme);
  std::erase_if(tapes, [&](const Tape& t) {
    const auto wall = t.hits.of == Thing::Of::Wall ? findWall(room, CornerId(t.hits.id)) : std::nullopt;
    return !wall || t.length < 0 || std::abs(dot(wall->inward(), t.along)) < 0.5;
  });
  std::sort(tapes.begin(), tapes.end(), [](const Tape& a, const Tape& b) { return a.length < b.length; });
  std::vector<Tape> used;
  // The walls that were chosen, where a tape reaches them; else the two nearest.
  for (const CornerId& wall : p.setOut)
    for (const Tape& tape : tapes)
      if (tape.hits == Thing{Thing::Of::Wall, wall.value} && used.size() < 2) used.push_back(tape);
  if (used.size() < p.setOut.size()) used.clear();
  for (const Tape& tape : tapes)
    if (used.empty() || (used.size() == 1 && std::abs(dot(used[0].along, tape.along)) < 0.5)) used.push_back(tape);
  return used;
}

void addPlanSetOut(Drawing& d, const Job& job, const Scheme& scheme, LengthFormat format) {
  const SchemeNames names(job, scheme);
  std::vector<std::pair<std::string, std::string>> lines;
  int count = 0;
  for (const Placement& p : scheme.placements) {
    if (onFloor(p.on) == nullptr) continue;
    const std::vector<Tape> used = setOutTapes(job, scheme, p);
    if (used.empty()) continue;
    const FloorPlace& place = floorPlace(p.on);
    const std::string number = std::to_string(++count);
    // The number takes the place of the name, which the list gives.
    std::erase_if(d.labels, [&](const Label& label) { return label.id == ItemId(p.id.value); });
    std::vector<Vec2> spots;
    const Box box = boundsOf(footprint(pieceOf(job, p), place));
    const Vec2 half = (box.high - box.low) * 0.5 - Vec2{kTagCircle, kTagCircle} * d.scale;
    for (const double y : {0.0, -0.5, 0.5, -1.0, 1.0})
      for (const double x : {0.0, -0.5, 0.5, -1.0, 1.0})
        spots.push_back(place.at + Vec2{x * std::max(0.0, half.x), y * std::max(0.0, half.y)});
    addTag(d, spots, number, p.id.value, isRug(pieceOf(job, p).kind) ? Rank::Rug : Rank::Piece);
    std::string words = number + "  " + names.plain(p.id) + ": ";
    for (const Tape& tape : used) {
      words += (&tape == &used.front() ? "" : ", ") + writeLength(tape.length, format) + " to wall " + tape.hits.id;
      // A tick on the wall where it is measured to.
      const Vec2 tick = unit(tape.along + leftOf(tape.along)) * (1.4 * d.scale);
      d.add(Layer::Dimension, p.id.value,
            line(tape.to - tick, tape.to + tick, {Ink::Ink, kFurnitureLine, Dash::Solid}));
    }
    if (std::fmod(place.turn, 90) != 0) words += ", turned";
    lines.push_back({p.id.value, words});
  }
  // The list stands below the plan: numbers among the furniture would hide each other.
  addList(d, lines);
}

void addWallList(Drawing& d, const Job& job, const Room& room, const Scheme& scheme, const CornerId& wallId,
                 LengthFormat format) {
  const auto wall = findWall(room, wallId);
  const std::vector<Frame> frames = framesOn(job, scheme, wallId);
  if (!wall || frames.empty()) return;
  if (frames.size() == 1) return addSize(d, frames.front(), format);
  addNumbers(d, frames);
  addHungList(d, job, room, scheme, *wall, frames, false, format);
}

void addWallSetOut(Drawing& d, const Job& job, const Room& room, const Scheme& scheme, const CornerId& wallId,
                   LengthFormat format) {
  const auto wall = findWall(room, wallId);
  if (!wall) return;
  const std::vector<Frame> frames = framesOn(job, scheme, wallId);
  if (frames.empty()) return;
  if (frames.size() > 1) addNumbers(d, frames);
  if (frames.size() > kMeasuredOnDrawing) return addHungList(d, job, room, scheme, *wall, frames, true, format);
  double ceiling = 0;
  for (const Vec2 p : ceilingProfile(room, heightsOf(room), *wall)) ceiling = std::max(ceiling, p.y);
  const double length = wall->length(), above = ceiling + kElevationCut, left = -kElevationCut;
  const double gaps = above + kFirstRow * d.scale, centres = gaps + kSetOutRow * d.scale,
               heights = left - (kFirstRow + kSetOutRow) * d.scale;
  LengthFormat bare = format;
  bare.withUnit = false;
  // Frame by frame along the wall: what is free, how wide each is. Frames one over another share their stretch.
  std::vector<double> edges{0, length};
  std::vector<double> across, upright;
  for (const Frame& f : frames) {
    edges.push_back(f.rect.left);
    edges.push_back(f.rect.right);
    across.push_back(f.u);
    upright.push_back(f.v);
    upright.push_back(f.rect.bottom);
    const double arm = 2 * d.scale;
    for (const Vec2 by : {Vec2{arm, 0}, Vec2{0, arm}})
      d.add(Layer::Dimension, f.id.value,
            line(Vec2{f.u, f.v} - by, Vec2{f.u, f.v} + by, {Ink::Ink, kFurnitureLine, Dash::Solid}));
    addExtension(d, rectsOf(frames), f.rect.top, centres, f.u, true);
    addExtension(d, rectsOf(frames), heights, f.rect.left, f.v, false);
    addExtension(d, rectsOf(frames), heights, f.rect.left, f.rect.bottom, false);
    addSize(d, f, format);
  }
  std::sort(edges.begin(), edges.end());
  for (std::size_t i = 0; i + 1 < edges.size(); ++i)
    if (edges[i + 1] - edges[i] > kTouch)
      addDimension(d, {{edges[i], gaps},
                       {edges[i + 1], gaps},
                       0,
                       writeLength(edges[i + 1] - edges[i], bare),
                       Layer::Dimension,
                       "set-out",
                       Ink::Ink,
                       Ink::Paper,
                       Ink::Ink});
  addRunning(d, {0, centres}, {1, 0}, across, bare);
  addRunning(d, {heights, 0}, {0, 1}, upright, format);
  d.high.y = std::max(d.high.y, centres + 12 * d.scale);
  d.low.x = std::min(d.low.x, heights - 20 * d.scale);
  if (frames.size() > 1) addHungList(d, job, room, scheme, *wall, frames, true, format);
}

}  // namespace mezzet
