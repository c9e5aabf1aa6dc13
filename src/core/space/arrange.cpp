#include "core/space/arrange.h"

#include <set>

#include <algorithm>
#include <cmath>

#include "core/space/bodies.h"
#include "core/edit/edits.h"
#include "core/edit/hangs.h"

namespace mezzet {
namespace {

Vec2 centreOf(const Box& b) { return midpoint(b.low, b.high); }

/// Changes each unlocked placement of `ids` in a copy of the scheme.
template <class Change>
Job changed(const Job& job, const SchemeId& id, const PlacementIds& ids, bool lockedToo, Change change) {
  const Scheme* scheme = findScheme(job, id);
  if (scheme == nullptr || ids.empty()) return job;
  Scheme out = *scheme;
  for (Placement& p : out.placements)
    if (has(ids, p.id) && (lockedToo || !p.locked)) change(p);
  return withScheme(job, std::move(out));
}

Box floorExtent(const Piece& piece, const FloorPlace& place) { return boundsOf(footprint(piece, place)); }

double lineOf(const Box& b, Line line) {
  switch (line) {
    case Line::Left: return b.low.x;
    case Line::Centre: return centreOf(b).x;
    case Line::Right: return b.high.x;
    case Line::Top: return b.high.y;
    case Line::Middle: return centreOf(b).y;
    case Line::Bottom: return b.low.y;
  }
  return 0;
}

}  // namespace

std::string groupOf(const Placement& p) {
  const auto hung = groupOf(p.on);
  return hung ? *hung : onWall(p.on) != nullptr ? std::string() : p.group;
}

PlacementIds withGroupMates(const Scheme& scheme, const PlacementIds& ids) {
  std::vector<std::pair<std::optional<View>, std::string>> groups;  // view and group
  for (const PlacementId& id : ids)
    if (const Placement* p = findPlacement(scheme, id); p != nullptr && !groupOf(*p).empty())
      groups.emplace_back(viewOf(p->on), groupOf(*p));
  PlacementIds out;
  for (const Placement& p : scheme.placements)
    if (has(ids, p.id) || std::find(groups.begin(), groups.end(), std::pair(viewOf(p.on), groupOf(p))) != groups.end())
      out.push_back(p.id);
  return out;
}

Box extentOf(const Job& job, const Placement& p) {
  return extentOf(pieceOf(job, p), p.on, floorExtent).value_or(Box{});
}

Job movedTogether(const Job& job, const SchemeId& scheme, const PlacementIds& ids, Vec2 by) {
  return changed(job, scheme, ids, false, [&](Placement& p) { p.on = moved(p.on, by); });
}

Job turnedTogether(const Job& job, const SchemeId& id, const PlacementIds& ids, double degrees) {
  const Scheme* scheme = findScheme(job, id);
  if (scheme == nullptr) return job;
  std::optional<Box> all;
  for (const Placement& p : scheme->placements) {
    if (!has(ids, p.id) || onFloor(p.on) == nullptr) continue;
    const Box b = extentOf(job, p);
    if (!all) all = b;
    all->low = {std::min(all->low.x, b.low.x), std::min(all->low.y, b.low.y)};
    all->high = {std::max(all->high.x, b.high.x), std::max(all->high.y, b.high.y)};
  }
  if (!all) return job;
  const Vec2 about = centreOf(*all);
  const Turn turn = turnOf(degrees);
  return changed(job, id, ids, false, [&](Placement& p) {
    if (auto* floor = onFloor(p.on)) {
      // One thing alone turns about its own middle, exactly.
      if (ids.size() > 1) floor->at = about + rotated(floor->at - about, turn);
      floor->turn = normalisedTurn(floor->turn + degrees);
    }
  });
}

Job aligned(const Job& job, const SchemeId& id, const PlacementIds& ids, Line line) {
  const Scheme* scheme = findScheme(job, id);
  const Placement* first = scheme != nullptr && !ids.empty() ? findPlacement(*scheme, ids.front()) : nullptr;
  if (first == nullptr || !viewOf(first->on)) return job;
  const double to = lineOf(extentOf(job, *first), line);
  const bool across = line == Line::Left || line == Line::Centre || line == Line::Right;
  return changed(job, id, ids, false, [&](Placement& p) {
    if (p.id == first->id || viewOf(p.on) != viewOf(first->on)) return;
    const double by = to - lineOf(extentOf(job, p), line);
    p.on = moved(p.on, across ? Vec2{by, 0} : Vec2{0, by});
  });
}

Job spread(const Job& job, const SchemeId& id, const PlacementIds& ids, bool across) {
  const Scheme* scheme = findScheme(job, id);
  const Placement* first = scheme != nullptr && !ids.empty() ? findPlacement(*scheme, ids.front()) : nullptr;
  if (first == nullptr) return job;
  struct Span {
    PlacementId id;
    double low, high;
  };
  std::vector<Span> spans;
  double covered = 0;
  for (const Placement& p : scheme->placements) {
    if (!has(ids, p.id) || viewOf(p.on) != viewOf(first->on) || !viewOf(p.on)) continue;
    const Box b = extentOf(job, p);
    spans.push_back({p.id, across ? b.low.x : b.low.y, across ? b.high.x : b.high.y});
    covered += spans.back().high - spans.back().low;
  }
  if (spans.size() < 3) return job;
  std::stable_sort(spans.begin(), spans.end(),
                   [](const Span& a, const Span& b) { return a.low + a.high < b.low + b.high; });
  const double gap = (spans.back().high - spans.front().low - covered) / static_cast<double>(spans.size() - 1);
  double at = spans.front().low;
  Job out = job;
  for (const Span& span : spans) {
    if (span.id != spans.front().id && span.id != spans.back().id)
      out = movedTogether(out, id, {span.id}, across ? Vec2{at - span.low, 0} : Vec2{0, at - span.low});
    at += span.high - span.low + gap;
  }
  return out;
}

Job grouped(const Job& job, const SchemeId& scheme, const PlacementIds& ids, IdSource& source) {
  if (ids.size() < 2) return job;
  const std::string name = source.take<PlacementId>("g").value;
  const Job out = changed(job, scheme, ids, true, [&](Placement& p) {
    if (auto* hung = onWall(p.on)) hung->group = name;
    else if (onFloor(p.on) != nullptr || onCeiling(p.on) != nullptr) p.group = name;
  });
  return withoutLostHangs(out, scheme);
}

Job ungrouped(const Job& job, const SchemeId& scheme, const PlacementIds& ids) {
  std::set<std::string> left;
  Job out = changed(job, scheme, ids, true, [&](Placement& p) {
    if (auto* hung = onWall(p.on); hung != nullptr && hung->group) {
      left.insert(*hung->group);
      hung->group.reset();
    }
    p.group.clear();
  });
  // What of an arrangement stays hangs free.
  if (const Scheme* now = findScheme(out, scheme); now != nullptr && !left.empty()) {
    Scheme freed = withoutLostHangs(*now);
    for (Hang& hang : freed.hangs)
      if (left.contains(hang.id)) hang.as = HangAs::Free;
    out = withScheme(out, std::move(freed));
  }
  return out;
}

}  // namespace mezzet
