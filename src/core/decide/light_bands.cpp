#include "core/decide/light_bands.h"

#include <algorithm>

#include "core/light/over_tops.h"
#include "core/model/kinds.h"
#include "core/rules/light/rules.h"

namespace mezzet {
namespace {

/// To either side of a light in the section, mm of the room.
constexpr double kBeside = 450;
/// Pictures so near set a wall light's height (as the rule asks).
constexpr double kArtNear = 36 * kInch;

Polygon upright(double left, double right, double low, double high) {
  return {{left, low}, {right, low}, {right, high}, {left, high}};
}

void hangingBand(const Job& job, const Rulebook& book, const Scheme& scheme, const Fixture& f, LengthFormat format,
                 std::vector<Band>& out) {
  const PieceIndex pieces(job);
  const std::vector<Body> bodies = floorBodies(pieces, scheme);
  const std::vector<OverTop> over = overTops(pieces, scheme, bodies, {f});
  const double left = f.at.at.x - kBeside, right = f.at.at.x + kBeside;
  if (!over.empty() && over.front().measured) {
    const Rule* rule = findRule(book, std::string(kPendantDrop));
    if (rule == nullptr) return;
    const Range asked = raisedFor(*rule, askedOf(*rule, job, *f.piece), f.ceiling).tolerated;
    if (!asked.low || !asked.high) return;
    const double top = f.floor + over.front().top;
    out.push_back({rule->id, kCeilingView, upright(left, right, top + *asked.low, top + *asked.high),
                   rangeWords(asked, format) + " over " + SchemeNames(job, scheme).the(over.front().body->id)});
    return;
  }
  const Rule* rule = findRule(book, std::string(kHeadRoom));
  if (rule == nullptr || underOf(pieces, scheme, bodies, f.at.at).placement != nullptr) return;
  const Range asked = askedOf(*rule, job, *f.piece).tolerated;
  if (asked.low && *asked.low < f.ceiling)
    out.push_back({rule->id, kCeilingView, upright(left, right, f.floor + *asked.low, f.floor + f.ceiling),
                   rangeWords(asked, format) + " up"});
}

void wallBand(const Job& job, const Rulebook& book, const Scheme& scheme, const Fixture& f, LengthFormat format,
              std::vector<Band>& out) {
  const WallRect own = wallRectOf(*f.piece, wallPlace(f.placement->on));
  const double length = findWall(roomOf(job, scheme), f.wall)->length();
  std::optional<WallRect> art;
  double nearest = kArtNear;
  for (const Hung& hung : hungIn(job, scheme)) {
    const double off = std::max({0.0, own.left - hung.envelope.right, hung.envelope.left - own.right});
    if (hung.wall != f.wall || off > nearest || !isArt(pieceOf(job, *findPlacement(scheme, hung.members.front())).kind))
      continue;
    nearest = off;
    art = hung.envelope;
  }
  const Rule* rule = findRule(book, std::string(art ? kSconceArt : kSconceHeight));
  if (rule == nullptr) return;
  const Range asked = askedOf(*rule, job, *f.piece).tolerated;
  if (!asked.low || !asked.high) return;
  const double from = art ? art->centreHeight() : f.floor;
  out.push_back({rule->id, View{f.wall}, upright(0, length, from + *asked.low, from + *asked.high),
                 rangeWords(asked, format) + (art ? " above the middle of the picture" : " up")});
}

}  // namespace

std::vector<Band> lightBands(const Job& job, const Rulebook& book, const Scheme& scheme, const Placement& held,
                             LengthFormat format) {
  std::vector<Band> out;
  const Room& room = roomOf(job, scheme);
  const auto f = fixtureOf(PieceIndex(job), room, heightsOf(room), scheme, held);
  if (!f) return out;
  if (f->hangsDown()) hangingBand(job, book, scheme, *f, format, out);
  else if (f->mount == Mount::Wall && onWall(held.on) != nullptr) wallBand(job, book, scheme, *f, format, out);
  return out;
}

}  // namespace mezzet
