#include "core/sheets/set_out.h"

#include <algorithm>
#include <cmath>

#include "core/space/tapes.h"
#include "core/drawing/base/drafting.h"
#include "core/rules/check.h"

namespace mezzet {
namespace {

constexpr double kListLine = 5.5, kTagApart = 7.5;  // mm of paper

/// A distance between two points, with its value beside the line where the line is too short to carry it.
void addDistance(Drawing& d, Vec2 a, Vec2 b, const ItemId& id, LengthFormat format) {
  const std::string text = writeLength(distance(a, b), format);
  const bool roomy = distance(a, b) > (letteringWidth(text, kLetters) + 4) * d.scale;
  addDimension(d, {a, b, 0, roomy ? text : "", Layer::Dimension, id, Ink::Ink, Ink::Floor, Ink::Ink});
  if (roomy) return;
  const bool upright = std::abs(b.y - a.y) > std::abs(b.x - a.x);
  const Vec2 beside = upright ? Vec2{1.5 * d.scale, 0} : Vec2{0, 3 * d.scale};
  d.add(Layer::Dimension, id,
        TextItem{midpoint(a, b) + beside, text, kSmallLetters, upright ? Align::Left : Align::Centre, 0, Ink::Ink,
                 Ink::Floor});
}

}  // namespace

void addPlanSetOut(Drawing& d, const Job& job, const Scheme& scheme, LengthFormat format) {
  const SchemeNames names(job, scheme);
  std::vector<std::pair<std::string, std::string>> lines;
  std::vector<Vec2> tags;
  int count = 0;
  for (const Placement& p : scheme.placements) {
    if (onFloor(p.on) == nullptr) continue;
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
    if (used.empty()) continue;
    const FloorPlace& place = floorPlace(p.on);
    const std::string number = std::to_string(++count);
    // The number takes the place of the name, which the list gives.
    std::erase_if(d.items,
                  [&](const Item& item) { return item.id == ItemId(p.id.value) && item.layer == Layer::Label; });
    Vec2 tag = place.at;
    while (
        std::any_of(tags.begin(), tags.end(), [&](Vec2 other) { return distance(other, tag) < kTagApart * d.scale; }))
      tag.y -= kTagApart * d.scale;
    tags.push_back(tag);
    addTag(d, tag, number, p.id.value);
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
  double y = d.low.y - 3 * d.scale;
  for (const auto& [id, words] : lines) {
    d.add(Layer::Label, id,
          TextItem{{d.low.x + 4 * d.scale, y}, words, kSmallLetters, Align::Left, 0, Ink::Ink, Ink::None});
    y -= kListLine * d.scale;
  }
  if (!lines.empty()) d.low.y = y;
}

void addWallSetOut(Drawing& d, const Job& job, const Room& room, const Scheme& scheme, const CornerId& wallId,
                   LengthFormat format) {
  const auto wall = findWall(room, wallId);
  if (!wall) return;
  for (const Placement& p : scheme.placements) {
    const auto* hung = onWall(p.on);
    if (hung == nullptr || hung->wall != wallId) continue;
    const WallRect r = wallRectOf(pieceOf(job, p), *hung);
    const double arm = 2 * d.scale;
    d.add(Layer::Dimension, p.id.value,
          line({hung->u - arm, hung->v}, {hung->u + arm, hung->v}, {Ink::Ink, kFurnitureLine, Dash::Solid}));
    d.add(Layer::Dimension, p.id.value,
          line({hung->u, hung->v - arm}, {hung->u, hung->v + arm}, {Ink::Ink, kFurnitureLine, Dash::Solid}));
    const bool leftEnd = hung->u <= wall->length() - hung->u;
    const double side = leftEnd ? r.left - 5 * d.scale : r.right + 5 * d.scale;
    d.add(Layer::Dimension, p.id.value, line({side, hung->v}, {hung->u, hung->v}, fine()));
    addDistance(d, {side, 0}, {side, hung->v}, p.id.value, format);
    addDistance(d, {leftEnd ? 0 : hung->u, r.top + 4 * d.scale},
                {leftEnd ? hung->u : wall->length(), r.top + 4 * d.scale}, p.id.value, format);
  }
}

}  // namespace mezzet
