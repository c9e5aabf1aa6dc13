#include "core/rules/light/pendant_ways.h"

#include <algorithm>
#include <cmath>

#include "core/edit/edits.h"
#include "core/edit/variants.h"
#include "core/light/over_tops.h"
#include "core/model/kinds.h"
#include "core/rules/light/rules.h"
#include "core/space/arrange.h"

namespace mezzet {
namespace {

/// Cords are cut in halves of an inch or whole centimetres.
double cordStep(const Proposals& ways) { return ways.job.units == Unit::Inch ? kInch / 2 : 10.0; }

const Placement* lightIn(const Proposals& ways) {
  for (const std::string& id : ways.target.subjects)
    if (const Placement* p = ways.placement(id); p != nullptr && onCeiling(p->on) != nullptr) return p;
  return nullptr;
}
const Placement* topIn(const Proposals& ways) {
  for (const std::string& id : ways.target.subjects)
    if (const Placement* p = ways.placement(id); p != nullptr && onFloor(p->on) != nullptr) return p;
  return nullptr;
}

/// Hands over the row that a light hangs in; does nothing where it hangs alone.
template <typename Use>
void withRowOf(const Proposals& ways, const Placement& light, const Use& use) {
  const PieceIndex pieces(ways.job);
  const Room& room = roomOf(ways.job, ways.scheme);
  const std::vector<Fixture> fixtures = fixturesIn(pieces, room, heightsOf(room), ways.scheme);
  const std::vector<Body> bodies = floorBodies(pieces, ways.scheme);
  const std::vector<OverTop> over = overTops(pieces, ways.scheme, bodies, fixtures);
  for (const PendantRow& row : pendantRows(pieces, over))
    if (std::any_of(row.fixtures.begin(), row.fixtures.end(), [&](const Fixture* f) { return f->id() == light.id; }))
      use(row);
}

/// Everything that hangs over the same top like this light, itself included: cords of a row are cut alike.
std::vector<PlacementId> rowOfLight(const Proposals& ways, const Placement& light) {
  std::vector<PlacementId> ids;
  withRowOf(ways, light, [&](const PendantRow& row) {
    for (const Fixture* f : row.fixtures) ids.push_back(f->id());
  });
  if (ids.empty()) ids.push_back(light.id);
  return ids;
}

void moveLight(Proposals& ways, const Placement& light, Vec2 to, const std::string& where) {
  if (light.locked) return;
  CeilingPlace there = *onCeiling(light.on);
  const double by = distance(there.at, to);
  there.at = to;
  ways.offer("move:" + light.id.value, "Move " + ways.name(light) + " " + where + ", by " + ways.length(by), "centred",
             placed(ways.job, ways.scheme.id, light.id, there));
}

}  // namespace

void pullCord(Proposals& ways) {
  const Placement* light = lightIn(ways);
  if (light == nullptr || light->locked || mountOf(pieceOf(ways.job, *light)) != Mount::Pendant) return;
  const double drop = onCeiling(light->on)->drop, step = cordStep(ways);
  const std::vector<PlacementId> row = rowOfLight(ways, *light);
  const auto offerDrop = [&](double to) {
    Job after = ways.job;
    for (const PlacementId& id : row) {
      CeilingPlace there = *onCeiling(findPlacement(ways.scheme, id)->on);
      there.drop = std::max(0.0, there.drop + to - drop);
      after = placed(after, ways.scheme.id, id, there);
    }
    const bool shorter = to < drop;
    return ways.offer(std::string(shorter ? "shorten:" : "lengthen:") + light->id.value,
                      std::string(shorter ? "Shorten" : "Lengthen") + " the cord of " + ways.name(*light) +
                          (row.size() > 1 ? " and its row" : "") + " by " + ways.length(std::abs(to - drop)),
                      "drop " + ways.length(to), std::move(after));
  };
  // A greater height is a smaller drop: towards either end of what is asked, and by whole steps of the cord.
  for (const auto& goal : {ways.target.asked.low, ways.target.asked.high}) {
    if (!goal) continue;
    const double to = drop - (*goal - ways.target.measured);
    const bool up = *goal > ways.target.measured;
    const double stepped = (up ? std::floor(to / step + 1e-9) : std::ceil(to / step - 1e-9)) * step;
    if (stepped >= 0 && std::abs(stepped - drop) > 1e-6) offerDrop(stepped);
  }
}

void centreOverTop(Proposals& ways) {
  const Placement *light = lightIn(ways), *top = topIn(ways);
  if (light == nullptr || top == nullptr) return;
  moveLight(ways, *light, floorPlace(top->on).at, "over the middle of " + ways.name(*top));
  if (top->locked) return;
  const Vec2 by = onCeiling(light->on)->at - floorPlace(top->on).at;
  // What sits at the table goes with it.
  PlacementIds together{top->id};
  const PieceIndex pieces(ways.job);
  for (const DiningSeat& seat : diningSeatsIn(pieces, ways.scheme))
    if (seat.table == top) together.push_back(seat.chair->id);
  ways.offer("move-top:" + top->id.value,
             "Move " + ways.name(*top) + " under " + ways.name(*light) + ", by " + ways.length(norm(by)), "centred",
             movedTogether(ways.job, ways.scheme.id, together, by));
}

void spreadRow(Proposals& ways) {
  const Placement* light = lightIn(ways);
  if (light == nullptr) return;
  withRowOf(ways, *light, [&](const PendantRow& row) {
    const std::vector<double> even = evenRow(row);
    Job after = ways.job;
    for (std::size_t i = 0; i < even.size(); ++i) {
      CeilingPlace there = *onCeiling(row.fixtures[i]->placement->on);
      there.at += row.axis * (even[i] - row.at(i));
      after = placed(after, ways.scheme.id, row.fixtures[i]->id(), there);
    }
    ways.offer("spread:" + light->id.value, "Space them evenly over the middle of " + ways.names.the(row.body->id),
               ways.length(even[1] - even[0]) + " apart", std::move(after));
  });
}

void otherDiameter(Proposals& ways) {
  const Placement* light = lightIn(ways);
  if (light == nullptr || ways.target.measured <= 0) return;
  const Piece& piece = pieceOf(ways.job, *light);
  const double step = ways.shopStep();
  const bool large = ways.target.asked.high && ways.target.measured > *ways.target.asked.high;
  const auto goal = large ? ways.target.asked.high : ways.target.asked.low;
  if (!goal) return;
  const double wanted = piece.width * *goal / ways.target.measured;
  Piece other = piece;
  other.width = (large ? std::floor(wanted / step + 1e-9) : std::ceil(wanted / step - 1e-9)) * step;
  if (other.width <= 0) return;
  if (piece.shape == Shape::Round) other.depth = other.width;
  IdSource ids = ways.ids;
  const auto after = withVariant(ways.job, ways.scheme.id, light->id, other, ids);
  if (after)
    ways.offer("other-size:" + light->id.value, "Choose one " + ways.length(other.width) + " across",
               large ? "smaller" : "larger", *after, ids);
}

}  // namespace mezzet
