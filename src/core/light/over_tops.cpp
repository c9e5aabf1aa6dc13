#include "core/light/over_tops.h"

#include <algorithm>

#include "core/model/kinds.h"

namespace mezzet {

std::vector<OverTop> overTops(const PieceIndex& pieces, const Scheme& scheme, const std::vector<Body>& bodies,
                              const std::vector<Fixture>& fixtures) {
  std::vector<OverTop> out;
  for (const Fixture& f : fixtures) {
    if (!f.hangsDown()) continue;
    const Under under = underOf(pieces, scheme, bodies, f.at.at);
    if (under.placement != nullptr && isLitUnder(pieces.of(*under.placement).kind))
      out.push_back({&f, under.placement, under.top, under.measured});
  }
  return out;
}

std::vector<PendantRow> pendantRows(const PieceIndex& pieces, const std::vector<OverTop>& over) {
  std::vector<PendantRow> out;
  for (const OverTop& o : over) {
    const auto same = [&](const PendantRow& row) {
      return row.body == o.body && row.fixtures.front()->piece->kind == o.fixture->piece->kind;
    };
    if (const auto row = std::find_if(out.begin(), out.end(), same); row != out.end())
      row->fixtures.push_back(o.fixture);
    else out.push_back({o.body, {o.fixture}, {}, 0, 0});
  }
  std::erase_if(out, [](const PendantRow& row) { return row.fixtures.size() < 2; });
  for (PendantRow& row : out) {
    const Piece& body = pieces.of(*row.body);
    const FloorPlace& place = floorPlace(row.body->on);
    const double deep = body.depth.value_or(body.width);
    row.axis = rotated(body.width >= deep ? Vec2{1, 0} : Vec2{0, 1}, turnOf(place.turn));
    const double middle = dot(place.at, row.axis), half = std::max(body.width, deep) / 2;
    row.start = middle - half;
    row.end = middle + half;
    std::sort(row.fixtures.begin(), row.fixtures.end(), [&](const Fixture* a, const Fixture* b) {
      const double x = dot(a->at.at, row.axis), y = dot(b->at.at, row.axis);
      return x < y || (x == y && a->id() < b->id());
    });
  }
  return out;
}

std::vector<double> evenRow(const PendantRow& row, std::optional<double> space) {
  const std::size_t n = row.fixtures.size();
  std::vector<double> out;
  const double between = space.value_or((row.at(n - 1) - row.at(0)) / static_cast<double>(n - 1));
  const double first = (row.start + row.end - between * static_cast<double>(n - 1)) / 2;
  for (std::size_t i = 0; i < n; ++i) out.push_back(first + between * static_cast<double>(i));
  return out;
}

}  // namespace mezzet
