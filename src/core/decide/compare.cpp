#include "core/decide/compare.h"

#include "core/rules/registry.h"
#include "core/space/bodies.h"

#include <algorithm>
#include <cmath>
#include <map>
#include <set>

#include "core/geometry/offset.h"
#include "core/use/seats.h"
#include "core/walk/ways.h"
#include "core/model/kinds.h"
#include "core/edit/validate.h"
#include "core/units/area.h"

namespace mezzet {
namespace {

/// Longest stretch of 0..length that none of the taken ones covers.
double longestFree(double length, std::vector<std::pair<double, double>> taken) {
  std::sort(taken.begin(), taken.end());
  double best = 0, from = 0;
  for (const auto& [low, high] : taken) {
    best = std::max(best, std::min(low, length) - from);
    from = std::max(from, high);
  }
  return std::max(best, length - from);
}

/// A base piece stands for its variants: the same thing in another size.
PieceId baseOf(const Piece& piece) { return piece.variantOf.value_or(piece.id); }

std::map<PieceId, std::vector<const Placement*>> byPiece(const PieceIndex& pieces, const Scheme& scheme) {
  std::map<PieceId, std::vector<const Placement*>> out;
  for (const Placement& p : scheme.placements) out[baseOf(pieces.of(p))].push_back(&p);
  return out;
}

std::string sizeWords(const Piece& now, const Piece& then, LengthFormat format) {
  const std::pair<const char*, double> changes[] = {{" wider", then.width - now.width},
                                                    {" deeper", then.depth.value_or(0) - now.depth.value_or(0)},
                                                    {" higher", then.height.value_or(0) - now.height.value_or(0)}};
  const char* less[] = {" narrower", " shallower", " lower"};
  std::string out;
  for (std::size_t i = 0; i < 3; ++i)
    if (const double by = changes[i].second; std::abs(by) > kTouch)
      out += (out.empty() ? "" : ", ") + writeLength(std::abs(by), format) + (by > 0 ? changes[i].first : less[i]);
  return out;
}

std::string moveWords(const Placement& a, const Placement& b, LengthFormat format) {
  if (const auto* from = onFloor(a.on), *to = onFloor(b.on); from != nullptr && to != nullptr) {
    std::string out;
    const Vec2 by = to->at - from->at;
    if (norm(by) > kTouch) {
      if (std::abs(by.x) > kTouch)
        out += writeLength(std::abs(by.x), format) + (by.x > 0 ? " to the right" : " to the left");
      if (std::abs(by.y) > kTouch)
        out += (out.empty() ? "" : " and ") + writeLength(std::abs(by.y), format) +
               (by.y > 0 ? " up the plan" : " down the plan");
    }
    if (std::abs(to->turn - from->turn) > 0.01)
      out += (out.empty() ? "" : ", ") + std::string("turned ") +
             std::to_string(std::lround(normalisedTurn(to->turn - from->turn))) + "\u00b0";
    return out;
  }
  if (const auto* from = onWall(a.on), *to = onWall(b.on); from != nullptr && to != nullptr) {
    if (from->wall != to->wall) return "on wall " + to->wall.value + " instead of " + from->wall.value;
    std::string out;
    if (const double by = to->v - from->v; std::abs(by) > kTouch)
      out += writeLength(std::abs(by), format) + (by > 0 ? " higher" : " lower");
    if (const double by = to->u - from->u; std::abs(by) > kTouch)
      out += (out.empty() ? "" : " and ") + writeLength(std::abs(by), format) +
             (by > 0 ? " to the right" : " to the left");
    return out;
  }
  return "placed otherwise";
}

/// In tenths of a square foot or metre, as areas are told.
long tenthsOf(double area, Unit unit) { return std::lround(area / (unit == Unit::Inch ? kFoot * kFoot : 1e6) * 10); }
std::string tenthsWords(long tenths, Unit unit) {
  return std::to_string(tenths / 10) + "." + std::to_string(tenths % 10) + (unit == Unit::Inch ? " sq ft" : " m\u00b2");
}
std::string wayName(const Room& room, const std::string& id) {
  const Opening* o = findOpening(room, OpeningId(id));
  return o != nullptr ? openingName(room, *o) : id;
}

/// The finding of a rule between the same two pieces, by their base pieces and order.
std::map<std::string, const Finding*> byPieces(const std::vector<Finding>& findings,
                                               const std::map<std::string, std::string>& names) {
  std::map<std::string, const Finding*> out;
  for (const Finding& f : findings) {
    std::string key = f.rule + ":";
    std::multiset<std::string> subjects;
    for (const std::string& s : f.subjects) subjects.insert(names.contains(s) ? names.at(s) : s);
    for (const std::string& s : subjects) key += s + ",";
    out[key] = &f;
  }
  return out;
}
std::map<std::string, std::string> placeNames(const PieceIndex& pieces, const Scheme& scheme) {
  std::map<std::string, std::string> out;
  for (const auto& [base, placements] : byPiece(pieces, scheme))
    for (std::size_t i = 0; i < placements.size(); ++i)
      out[placements[i]->id.value] = base.value + "#" + std::to_string(i);
  return out;
}

SchemeFigures figuresOf(const Job& job, const SchemeId& id, const std::vector<Finding>& findings, UseState state) {
  SchemeFigures figures;
  const Scheme* scheme = findScheme(job, id);
  if (scheme == nullptr) return figures;
  const Room& room = roomOf(job, *scheme);
  const PieceIndex pieces(job);
  // Chairs stand under their table. What else is pushed into one another, or through a wall, frees no floor.
  std::vector<Polygon> dining, fixed;
  double standing = 0;
  figures.placed = static_cast<int>(scheme->placements.size());
  for (const Placement& p : scheme->placements) {
    const Piece& piece = pieces.of(p);
    figures.seats += placesOn(piece);
    if (isStorage(piece.kind)) figures.storage += piece.width;
    const auto* place = onFloor(p.on);
    if (place == nullptr || isRug(piece.kind)) continue;
    Piece drawn = piece;
    if (drawn.shape == Shape::Round) drawn.shape = Shape::Oval;  // an outline of its own
    const Polygon taken = outlineOf(drawn, *place);
    if (isDiningSeat(piece.kind) || isDiningTable(piece.kind)) dining.push_back(taken);
    else standing += std::abs(signedArea(taken));
  }
  const Polygon outline = outlineOf(room);
  for (const Feature& feature : room.features)
    if (standsInTheWay(feature)) fixed.push_back(feature.outline);
  for (const Polygon& whole : joined(dining).outer) standing += signedArea(whole);
  figures.freeFloor = std::max(0.0, signedArea(outline) - coveredArea(fixed, outline) - standing);
  for (const Wall& wall : wallsOf(room)) {
    std::vector<std::pair<double, double>> taken, takenAbove;
    for (const Opening& o : room.openings) {
      if (o.wall != wall.id) continue;
      const std::pair span{wall.length() - o.offset - o.width, wall.length() - o.offset};
      if (o.kind != OpeningKind::Window) taken.push_back(span);
      if (o.head() > kLowPieces) takenAbove.push_back(span);
    }
    for (const Standing& s : standingAt(job, *scheme, wall)) {
      taken.emplace_back(s.left, s.right);
      if (!s.top || *s.top > kLowPieces) takenAbove.emplace_back(s.left, s.right);
    }
    for (const Placement& p : scheme->placements)
      if (const auto* on = onWall(p.on); on != nullptr && on->wall == wall.id) {
        const WallRect r = wallRectOf(pieces.of(p), *on);
        takenAbove.emplace_back(r.left, r.right);
      }
    figures.freeWall.emplace_back(wall.id, longestFree(wall.length(), std::move(taken)));
    figures.freeAbove.emplace_back(wall.id, longestFree(wall.length(), std::move(takenAbove)));
  }
  for (const RoomWay& way :
       waysIn(walkSpaceOf(pieces, room, *scheme, state), openingsAmong(destinationsIn(pieces, room, *scheme))))
    figures.ways.emplace_back(way.to.id, way.way.width);
  for (const Finding& f : findings) {
    figures.breaks += breaksByWeight(f);
    figures.kept += f.verdict == Verdict::Kept;
  }
  return figures;
}

}  // namespace

Judged judged(const Job& job, const Rulebook& book, const SchemeId& id, LengthFormat format, const CheckWith& with) {
  Judged out{id, check(job, book, id, format, with), {}};
  out.figures = figuresOf(job, id, out.findings, with.state);
  return out;
}

SchemeFigures figuresOf(const Job& job, const Rulebook& book, const SchemeId& id, LengthFormat format,
                        const CheckWith& with) {
  return judged(job, book, id, format, with).figures;
}

std::vector<std::string> figureWords(const SchemeFigures& f, const Room& room, Unit unit, LengthFormat format) {
  std::vector<std::string> out{std::to_string(f.seats) + (f.seats == 1 ? " seat" : " seats"),
                               "free floor " + writeArea(f.freeFloor, unit)};
  if (f.storage > 0) out.push_back("storage " + writeLength(f.storage, format));
  const auto longest = [&](const auto& runs, const std::string& what) {
    const auto best =
        std::max_element(runs.begin(), runs.end(), [](const auto& a, const auto& b) { return a.second < b.second; });
    if (best != runs.end()) out.push_back(what + " " + writeLength(best->second, format) + " on " + best->first.value);
  };
  longest(f.freeWall, "longest free wall");
  longest(f.freeAbove, "free above " + writeLength(kLowPieces, format));
  for (const auto& [id, width] : f.ways)
    out.push_back("way to " + wayName(room, id) + " " + (width > 0 ? writeLength(width, format) : "closed"));
  out.push_back(f.breaks == 0 ? "nothing broken" : std::to_string(f.breaks) + " broken");
  return out;
}

std::vector<std::string> differences(const Job& job, const Rulebook& book, const SchemeId& one, const SchemeId& other,
                                     LengthFormat format, const CheckWith& with) {
  if (findScheme(job, one) == nullptr || findScheme(job, other) == nullptr) return {};
  return differences(job, judged(job, book, one, format, with), judged(job, book, other, format, with), format);
}

std::vector<std::string> differences(const Job& job, const Judged& judgedOne, const Judged& judgedOther,
                                     LengthFormat format) {
  std::vector<std::string> out;
  const Scheme* one = findScheme(job, judgedOne.scheme);
  const Scheme* other = findScheme(job, judgedOther.scheme);
  if (one == nullptr || other == nullptr) return out;
  const PieceIndex pieces(job);
  const auto a = byPiece(pieces, *one), b = byPiece(pieces, *other);
  const SchemeNames namesA(job, *one), namesB(job, *other);
  const SchemeFigures &figuresA = judgedOne.figures, &figuresB = judgedOther.figures;
  const auto count = [&](const char* what, int before, int after) {
    if (before != after)
      out.push_back(std::string(what) + ": " + std::to_string(after) + " instead of " + std::to_string(before));
  };
  count("Broken", figuresA.breaks, figuresB.breaks);
  count("Seats", figuresA.seats, figuresB.seats);
  if (const double by = figuresB.storage - figuresA.storage; std::abs(by) > kTouch)
    out.push_back("Storage: " + writeLength(std::abs(by), format) + (by > 0 ? " more" : " less") + " along its fronts");
  for (std::size_t i = 0; i < std::min(figuresA.ways.size(), figuresB.ways.size()); ++i)
    if (const double by = figuresB.ways[i].second - figuresA.ways[i].second; std::abs(by) > kTouch)
      out.push_back("Way to " + wayName(roomOf(job, *one), figuresA.ways[i].first) + ": " +
                    writeLength(figuresB.ways[i].second, format) + " instead of " +
                    writeLength(figuresA.ways[i].second, format));

  // Rules that are measured in both: what came nearer, and by how much.
  const auto measuredA = byPieces(judgedOne.findings, placeNames(pieces, *one)),
             measuredB = byPieces(judgedOther.findings, placeNames(pieces, *other));
  for (const auto& [key, before] : measuredA) {
    const auto now = measuredB.find(key);
    if (now == measuredB.end() || !showsOf(before->rule, shows::kTableReach) ||
        std::abs(now->second->measured - before->measured) <= kTouch)
      continue;
    const Placement* table = nullptr;
    const Placement* seat = nullptr;
    for (const std::string& s : now->second->subjects)
      if (const Placement* p = findPlacement(*other, PlacementId(s)))
        (isLowTable(pieces.of(*p).kind) ? table : seat) = p;
    if (table == nullptr || seat == nullptr) continue;
    const double by = now->second->measured - before->measured;
    out.push_back(namesB.plain(table->id) + ": " + writeLength(std::abs(by), format) +
                  (by < 0 ? " nearer to " : " further from ") + namesB.the(seat->id));
  }
  const auto freeRuns = [&](const auto& before, const auto& now, const std::string& where) {
    // Both are in the order of the room's walls.
    for (std::size_t i = 0; i < std::min(before.size(), now.size()); ++i)
      if (const double by = now[i].second - before[i].second; std::abs(by) > kInch / 2)
        out.push_back("Free wall on " + now[i].first.value + where + ": " + writeLength(std::abs(by), format) +
                      (by > 0 ? " longer" : " shorter"));
  };
  freeRuns(figuresA.freeWall, figuresB.freeWall, "");
  freeRuns(figuresA.freeAbove, figuresB.freeAbove, " above " + writeLength(kLowPieces, format));
  // Of the figures as they are told: 115.3 and 112.6 differ by 2.7, whatever was rounded off.
  if (const long by = tenthsOf(figuresB.freeFloor, job.units) - tenthsOf(figuresA.freeFloor, job.units); by != 0)
    out.push_back("Free floor: " + tenthsWords(std::abs(by), job.units) + " " + (by > 0 ? "more" : "less"));

  // Every piece in either scheme, in the job's order.
  for (const auto& piece : job.pieces) {
    if (piece->variantOf) continue;
    const auto inA = a.find(piece->id), inB = b.find(piece->id);
    const std::size_t n = inA == a.end() ? 0 : inA->second.size(), m = inB == b.end() ? 0 : inB->second.size();
    for (std::size_t i = 0; i < std::max(n, m); ++i) {
      if (i >= n) out.push_back(namesB.plain(inB->second[i]->id) + ": only in " + other->name);
      else if (i >= m) out.push_back(namesA.plain(inA->second[i]->id) + ": only in " + one->name);
      else {
        std::string words = moveWords(*inA->second[i], *inB->second[i], format);
        if (const std::string size = sizeWords(pieces.of(*inA->second[i]), pieces.of(*inB->second[i]), format);
            !size.empty())
          words += (words.empty() ? "" : "; ") + size;
        if (!words.empty()) out.push_back(namesB.plain(inB->second[i]->id) + ": " + words);
      }
    }
  }
  return out;
}

}  // namespace mezzet
