#include "core/edit/validate.h"

#include <algorithm>
#include <cmath>
#include <set>
#include <string_view>
#include <unordered_map>

#include "core/model/piece_fields.h"
#include "core/edit/hangs.h"
#include "core/model/kinds.h"
#include "core/edit/validate_choosing.h"
#include "core/edit/validate_display.h"
#include "core/edit/validate_light.h"
#include "core/edit/validate_records.h"
#include "core/edit/validate_rugs.h"
#include "core/edit/validate_site.h"
#include "core/edit/validate_text.h"
#include "core/site/heights.h"

namespace mezzet {
namespace {

/// Typed runs and openings meet within rounding of the file; a hundredth of a millimetre is nobody's reading.
constexpr double kSlack = 0.01;
/// What the window bears: `./run bench` measures that nothing keeps it busy for a tenth of a second at these.
constexpr std::size_t kMostCorners = 200, kMostMeasuredCorners = 60, kMostPlacements = 400, kMostPieces = 2'000,
                      kMostRooms = 100, kMostSchemes = 300, kMostOpenings = 60, kMostFeatures = 200,
                      kMostFeatureCorners = 2'000, kMostLog = 2'000, kMostReadings = 400;
constexpr double kThickestWall = 2'000;
/// Sine of the least angle at which two walls fix a place between them.
constexpr double kLeastSetOut = 0.1;

std::string wallName(const CornerId& id) { return "wall " + id.value; }

/// Finite and no further from the origin than a room can reach.
std::optional<Error> faultOfPosition(double value, const std::string& where) {
  if (!std::isfinite(value)) return Error{where, "is not a number", "Type a length"};
  if (std::abs(value) > 2 * kLongestLength)
    return Error{where, "is more than 200 m (656 ft) from the first corner", "Check the figure"};
  return std::nullopt;
}

std::optional<Error> faultOfRange(const Range& range, const std::string& where) {
  for (const auto& end : {range.low, range.high})
    if (end && !std::isfinite(*end)) return Error{where, "has an end that is not a number", "Type a length"};
  if (range.low && range.high && *range.low > *range.high)
    return Error{where, "has its lower end above its upper end", "Swap them"};
  return std::nullopt;
}

std::optional<Error> faultOfOutline(const Room& room) {
  if (room.corners.size() < 3) return Error{room.name, "has fewer than three corners", "Type at least three walls"};
  if (room.corners.size() > kMostCorners) return Error{room.name, "has more than 200 corners", "Split the room"};
  std::set<std::string> seen;
  for (const Corner& c : room.corners) {
    if (auto fault = takeId(seen, c.id, "corner")) return fault;
    for (double v : {c.at.x, c.at.y})
      if (auto fault = faultOfPosition(v, "corner " + c.id.value)) return fault;
  }
  for (const Wall& wall : wallsOf(room)) {
    if (auto fault = faultOfLength(wall.length(), wallName(wall.id))) return fault;
    if (!std::isfinite(wall.thickness) || wall.thickness <= 0 || wall.thickness > kThickestWall)
      return Error{wallName(wall.id), "has a thickness that is not more than 0 and at most 2 m (79 in)",
                   "Check the unit"};
  }
  const Polygon outline = outlineOf(room);
  if (const auto crossing = selfCrossing(outline))
    return Error{wallName(room.corners[crossing->first].id), "crosses " + wallName(room.corners[crossing->second].id),
                 "Check the runs and the turns between them"};
  if (signedArea(outline) <= 0)
    return Error{room.name, "runs clockwise", "Walk the walls with the room on your left hand"};
  if (norm(room.corners[0].at) > kSlack)
    return Error{"corner " + room.corners[0].id.value, "is not at 0, 0", "The first corner is the datum"};
  if (std::abs(room.corners[1].at.y) > kSlack || room.corners[1].at.x <= 0)
    return Error{wallName(room.corners[0].id), "does not run along +x", "The first wall is the datum"};
  return std::nullopt;
}

/// The sketch has the room's own corners, in their order, and readings between them.
std::optional<Error> faultOfSurvey(const Room& room) {
  const SurveyRecord& survey = *room.survey;
  const std::string where = room.name + ", readings";
  if (survey.corners.size() > kMostMeasuredCorners)
    return Error{where, "are of a room with more than 60 corners", "Measure it in parts"};
  if (survey.corners.size() != room.corners.size())
    return Error{where, "have a sketch of another number of corners", "Sketch the room anew"};
  for (std::size_t i = 0; i < survey.corners.size(); ++i)
    if (survey.corners[i].id != room.corners[i].id)
      return Error{where, "have a sketch with other corners than the room", "Sketch the room anew"};
  if (survey.readings.size() > kMostReadings) return Error{where, "are more than 400", "Take the oldest out"};
  std::set<std::string> seen;
  for (const Reading& r : survey.readings) {
    if (auto fault = takeId(seen, r.id, "reading")) return fault;
    const std::string name = "reading " + r.id.value;
    const auto known = [&](const CornerId& id) {
      return std::any_of(room.corners.begin(), room.corners.end(), [&](const Corner& c) { return c.id == id; });
    };
    for (const CornerId& id : {r.from, r.isAngle() ? r.from : r.to})
      if (!known(id)) return Error{name, "names a corner that is not there: " + id.value, "Use the room's corners"};
    if (!r.isAngle() && r.from == r.to) return Error{name, "ends where it begins", "A length runs between two corners"};
    if (r.isAngle() ? !(r.value > 0 && r.value < 360) : faultOfLength(r.value, name).has_value())
      return Error{name, "is no reading of a room", "Type it again"};
    if (r.u95 && !(*r.u95 > 0 && *r.u95 <= kLongestLength))
      return Error{name, "has a \u00b1 that is not more than 0", "Type it again"};
  }
  return std::nullopt;
}

std::optional<Error> faultOfOpening(const Room& room, const RoomHeights& heights, const Opening& o,
                                    LengthFormat format) {
  const std::string where = openingName(room, o);
  const auto wall = findWall(room, o.wall);
  if (!wall) return Error{where, "is on a wall that is not there: " + o.wall.value, "Choose one of the room's walls"};
  if (auto fault = faultOfLength(o.width, where + ", width")) return fault;
  if (auto fault = faultOfLength(o.height, where + ", height")) return fault;
  if (!std::isfinite(o.offset) || o.offset < 0)
    return Error{where, "starts before the wall's corner", "The offset from the corner is 0 or more"};
  if (!std::isfinite(o.sill) || o.sill < 0) return Error{where, "has a sill below the floor", "The sill is 0 or more"};
  const double length = wall->length();
  if (o.width > length + kSlack)
    return Error{where, "is " + writeLength(o.width, format) + " wide on a wall of " + writeLength(length, format),
                 "Check the width, or choose another wall"};
  if (o.offset + o.width > length + kSlack)
    return Error{where,
                 "ends " + writeLength(o.offset + o.width - length, format) + " past the end of " + wallName(o.wall),
                 "Its offset can be at most " + writeLength(length - o.width, format)};
  const double low = std::min(heights.clearAt(inFrontOf(*wall, length - o.offset)),
                              heights.clearAt(inFrontOf(*wall, std::max(0.0, length - o.offset - o.width))));
  if (o.head() > low + kSlack)
    return Error{where, "reaches " + writeLength(o.head() - low, format) + " above the ceiling",
                 "Check its sill and height"};
  if (!std::isfinite(o.leafThickness) || o.leafThickness < 0 || o.leafThickness > 200)
    return Error{where, "has a leaf that is not 0 to 200 mm (8 in) thick", "A usual leaf is 35 mm (1 3/8 in)"};
  if (!std::isfinite(o.underLeaf) || o.underLeaf < 0 || o.underLeaf > 200)
    return Error{where, "has a gap under the leaf that is not 0 to 200 mm (8 in)", "A usual gap is 10 mm (3/8 in)"};
  if (auto fault = faultOfSite(o, where)) return fault;
  for (const Opening& other : room.openings) {
    if (&other == &o) break;  // each pair is judged once, and the later of the two is the one to move
    if (other.wall != o.wall) continue;
    const bool across = o.offset + o.width > other.offset + kSlack && other.offset + other.width > o.offset + kSlack;
    const bool upright = o.head() > other.sill + kSlack && other.head() > o.sill + kSlack;
    if (across && upright)
      return Error{where, "runs into " + openingName(room, other), "Move one of them along " + wallName(o.wall)};
  }
  return std::nullopt;
}

/// Pieces and rooms by id: a job is checked after every edit, so nothing here may search a list for each placement.
template <class T>
using ById = std::unordered_map<std::string_view, const T*>;

std::optional<Error> faultOfPlacement(const ById<Piece>& pieces, const Room& room, const Scheme& scheme,
                                      const Placement& p) {
  const std::string where = "placement " + p.id.value;
  const auto found = pieces.find(p.piece.value);
  const Piece* piece = found == pieces.end() ? nullptr : found->second;
  if (piece == nullptr)
    return Error{where, "names a piece that is not there: " + p.piece.value, "Add the piece or remove the placement"};
  if (!p.setOut.empty()) {
    const auto first = findWall(room, p.setOut.front()), second = findWall(room, p.setOut.back());
    if (p.setOut.size() != 2 || !first || !second)
      return Error{where, "is set out from other than two walls of its room", "Choose two walls, or none"};
    if (std::abs(cross(first->along(), second->along())) < kLeastSetOut)
      return Error{where, "is set out from two walls in line", "Choose two that meet at an angle"};
  }
  const auto faultOfFloor = [&](const FloorPlace& floor) -> std::optional<Error> {
    for (double v : {floor.at.x, floor.at.y})
      if (auto fault = faultOfPosition(v, where)) return fault;
    if (!(floor.turn >= 0 && floor.turn < 360))
      return Error{where, "has a turn that is not from 0 up to 360", "Type degrees"};
    return std::nullopt;
  };
  if (p.usedAt) {
    if (onFloor(p.on) == nullptr)
      return Error{where, "is used elsewhere, but does not stand on the floor", "Place it on the floor"};
    if (auto fault = faultOfFloor(*p.usedAt)) return fault;
  }
  if (auto fault = faultOfLight(scheme, p, where)) return fault;
  if (auto fault = faultOfHung(p, where)) return fault;
  using Fault = std::optional<Error>;
  return onEach(
      p.on,
      [&](const FloorPlace& floor) -> Fault {
        if (!piece->depth)
          return Error{where, "stands " + piece->name + " on the floor, but its depth is missing", "Give it a depth"};
        return faultOfFloor(floor);
      },
      [&](const WallPlace& wall) -> Fault {
        if (!findWall(room, wall.wall))
          return Error{where, "hangs on a wall that is not there: " + wall.wall.value,
                       "Choose one of the room's walls"};
        if (!piece->height)
          return Error{where, "hangs " + piece->name + ", but its height is missing", "Give it a height"};
        for (double v : {wall.u, wall.v})
          if (auto fault = faultOfPosition(v, where)) return fault;
        return std::nullopt;
      },
      [&](const CarriedPlace& carried) -> Fault {
        return faultOfFloor({carried.at, carried.turn});
      },
      [&](const CeilingPlace&) -> Fault {
        if (!piece->depth)
          return Error{where, "hangs " + piece->name + " from the ceiling, but its depth is missing",
                       "Give it a depth"};
        return std::nullopt;
      },
      [&](const LeaningPlace& leans) -> Fault { return faultOfLeaning(room, scheme, *piece, leans, where); });
}

std::optional<Error> faultOfRules(const Job& job) {
  for (const auto& [rule, range] : job.houseRules.ranges)
    if (auto fault = faultOfRange(range, "house rules, " + rule)) return fault;
  return std::nullopt;
}

}  // namespace

std::optional<Error> faultOf(const Room& room, LengthFormat format) {
  if (room.id.empty()) return Error{"room", "has no id", "Give it a short name"};
  if (auto fault = faultOfLength(room.ceilingHeight, room.name + ", ceiling")) return fault;
  if (auto fault = faultOfOutline(room)) return fault;
  if (room.survey)
    if (auto fault = faultOfSurvey(room)) return fault;
  std::set<std::string> seen;
  if (auto fault = faultOfSite(room)) return fault;
  if (auto fault = faultOfLight(room)) return fault;
  for (const Corner& c : room.corners)
    if (auto fault = faultOfColour(c)) return fault;
  if (!room.entry.empty()) {
    const Opening* entry = findOpening(room, room.entry);
    if (entry == nullptr || entry->kind == OpeningKind::Window)
      return Error{room.name, "is entered by an opening that is not there or is a window: " + room.entry.value,
                   "Choose one of its doors"};
  }
  if (room.openings.size() > kMostOpenings) return Error{room.name, "has more than 60 openings", "Split the room"};
  if (room.features.size() > kMostFeatures) return Error{room.name, "has more than 200 fixed things", "Split the room"};
  std::size_t featureCorners = 0;
  for (const Feature& f : room.features) featureCorners += f.outline.size();
  if (featureCorners > kMostFeatureCorners)
    return Error{room.name, "has fixed things with more than 2000 corners in all", "Draw them with fewer corners"};
  const RoomHeights heights = heightsOf(room);
  for (const Opening& o : room.openings) {
    if (auto fault = takeId(seen, o.id, "opening")) return fault;
    if (auto fault = faultOfOpening(room, heights, o, format)) return fault;
  }
  for (const Feature& f : room.features) {
    if (auto fault = takeId(seen, f.id, "feature")) return fault;
    if (f.outline.size() < 3 || f.outline.size() > kMostCorners)
      return Error{"feature " + f.id.value, "needs 3 to 200 corners", "Check its outline"};
    for (const Vec2 p : f.outline)
      for (double v : {p.x, p.y})
        if (auto fault = faultOfPosition(v, "feature " + f.id.value)) return fault;
    if (f.height)
      if (auto fault = faultOfLength(*f.height, "feature " + f.id.value + ", height")) return fault;
    if (f.clear && !(*f.clear >= 0 && *f.clear <= kLongestLength))
      return Error{"feature " + f.id.value, "has a clear zone that is not a length", "Type 0 or more"};
    if (selfCrossing(f.outline))
      return Error{"feature " + f.id.value, "has an outline that crosses itself", "Check its corners"};
    if (auto fault = faultOfSite(f)) return fault;
  }
  return std::nullopt;
}

std::optional<Error> faultOf(const Piece& p) {
  const std::string name = p.name.empty() ? p.id.value : p.name;
  if (p.id.empty()) return Error{"piece", "has no id", "Give it a short name"};
  for (const PieceField& field : pieceFields())
    if (field.kind == FieldKind::Length && !field.zero)
      if (const auto length = field.number(p))
        if (auto fault = faultOfLength(*length, name + ", " + std::string(field.name))) return fault;
  const bool upright = isSeenUpright(p.kind);
  if (const auto& across = upright ? p.height : p.depth;
      p.shape == Shape::Round && across && std::abs(*across - p.width) > kSlack)
    return Error{name, std::string("is round, but its width and ") + (upright ? "height" : "depth") + " differ",
                 "Give both the diameter"};
  if (p.shape == Shape::L) {
    if (!p.depth || !p.limbs->longDepth || !p.limbs->returnWidth)
      return Error{name, "is an L, but not all of its depth, long depth and return width are given",
                   "Give the outer box and both limbs"};
    if (*p.limbs->longDepth > *p.depth + kSlack)
      return Error{name, "has a long limb deeper than the whole", "The long depth is at most the depth"};
    if (*p.limbs->returnWidth > p.width + kSlack)
      return Error{name, "has a return wider than the whole", "The return width is at most the width"};
  }
  if (p.shape == Shape::Curve) {
    if (!p.depth || !p.limbs->longDepth)
      return Error{name, "is curved, but its depth or the depth of its seat is missing",
                   "Give both; the depth is that of the whole box"};
    if (*p.limbs->longDepth > *p.depth + kSlack)
      return Error{name, "has a seat deeper than the whole", "The seat is at most as deep as the box"};
    if (*p.depth > p.width / 2 + kSlack)
      return Error{name, "is bent by more than half a circle", "Make it wider or less deep"};
  }
  if (p.shape == Shape::Oval && !p.depth)
    return Error{name, "is oval, but its depth is missing", "Give both diameters"};
  if (auto fault = faultOfRug(p, name)) return fault;
  if (auto fault = faultOfLight(p, name)) return fault;
  if (auto fault = faultOfHanger(p, name)) return fault;
  if (auto fault = faultOfDisplayed(p, name)) return fault;
  if (auto fault = faultOfCarry(p, name)) return fault;
  if (p.legs->inset && !(*p.legs->inset >= 0 && *p.legs->inset <= p.width / 2))
    return Error{name, "has feet that are not inside its corners", "Type how far in they stand"};
  for (const auto& [dimension, doubt] : p.doubts)
    if (!(doubt.u95 >= 0 && doubt.u95 <= kLongestLength))
      return Error{name + ", " + dimension, "has a \u00b1 that is not a length", "Type 0 or more"};
  for (const auto& [rule, own] : p.ownRules)
    if (own.range)
      if (auto fault = faultOfRange(*own.range, name + ", " + rule)) return fault;
  for (const PieceField& field : pieceFields())
    if (const auto value = field.unsound.empty() ? std::nullopt : field.number(p); value && !field.allows(*value))
      return Error{name, std::string(field.unsound), std::string(field.unsoundHint)};
  return std::nullopt;
}

std::optional<Error> faultOf(const Job& job) {
  if (job.rooms.size() > kMostRooms || job.pieces.size() > kMostPieces || job.schemes.size() > kMostSchemes)
    return Error{"job", "has more than 100 rooms, 2000 pieces or 300 schemes", "Split the job"};
  if (auto fault = faultOfTexts(job)) return fault;
  for (double stature : job.brief.statures)
    if (auto fault = faultOfLength(stature, "brief, stature")) return fault;
  if (auto fault = faultOf(job.carpet)) return fault;
  if (auto fault = faultOfPalette(job.palette, "the job's colours")) return fault;
  if (auto fault = faultOfBudget(job.budget)) return fault;
  for (const auto& budget : {job.brief.budgetSimple, job.brief.budgetFull})
    if (budget && !(*budget >= 0 && *budget <= 1e12))
      return Error{"brief, budget", "is not an amount", "Type 0 or more"};
  const LengthFormat format = usualFormat(job.units);
  std::set<std::string> rooms, pieces, schemes;
  ById<Room> roomById;
  ById<Piece> pieceById;
  for (const auto& room : job.rooms) {
    if (auto fault = takeId(rooms, room->id, "room")) return fault;
    if (auto fault = faultOf(*room, format)) return fault;
    roomById[room->id.value] = room.get();
  }
  if (auto fault = faultOfHouse(job)) return fault;
  for (const auto& piece : job.pieces) {
    if (auto fault = takeId(pieces, piece->id, "piece")) return fault;
    if (auto fault = faultOf(*piece)) return fault;
    pieceById[piece->id.value] = piece.get();
  }
  for (const auto& piece : job.pieces)
    if (piece->variantOf == piece->id)
      return Error{piece->name, "is a variant of itself: " + piece->id.value,
                   "Remove variantOf, or name another piece"};
  for (const auto& piece : job.pieces)
    if (piece->variantOf && !pieces.contains(piece->variantOf->value))
      return Error{piece->name, "is a variant of a piece that is not there: " + piece->variantOf->value,
                   "Remove variantOf"};
  const auto pieceNamed = [&](const PieceId& id) {
    const auto at = pieceById.find(id.value);
    return at == pieceById.end() ? nullptr : at->second;
  };
  if (auto fault = faultOfRecords(*job.records, pieceNamed)) return fault;
  for (const auto& scheme : job.schemes) {
    if (auto fault = takeId(schemes, scheme->id, "scheme")) return fault;
    const auto found = roomById.find(scheme->room.value);
    if (found == roomById.end())
      return Error{"scheme " + scheme->id.value, "is for a room that is not there: " + scheme->room.value,
                   "Add the room"};
    if (scheme->placements.size() > kMostPlacements)
      return Error{"scheme " + scheme->id.value, "has more than 400 placements", "Split the room, or take some out"};
    if (scheme->carpet)
      if (auto fault = faultOf(*scheme->carpet)) return fault;
    // Findings name their subjects by id alone: what stands in one scheme shares none with its room.
    std::set<std::string> placements, ofRoom;
    for (const Opening& opening : found->second->openings) ofRoom.insert(opening.id.value);
    for (const Feature& feature : found->second->features) ofRoom.insert(feature.id.value);
    for (const Placement& p : scheme->placements) {
      if (ofRoom.contains(p.id.value))
        return Error{"placement " + p.id.value, "has the id of an opening or a fixed thing of its room",
                     "Ids must differ"};
      if (auto fault = takeId(placements, p.id, "placement")) return fault;
      if (auto fault = faultOfPlacement(pieceById, *found->second, *scheme, p)) return fault;
    }
    if (auto fault = faultOfLight(*found->second, *scheme)) return fault;
    if (auto fault = faultOfHangs(*scheme)) return fault;
    if (auto fault = faultOfCarried(*found->second, *scheme, pieceNamed)) return fault;
    if (auto fault = faultOfDisplays(*found->second, *scheme)) return fault;
    if (auto fault = faultOfChoosing(*scheme, pieceNamed)) return fault;
    if (scheme->log.size() > kMostLog)
      return Error{"scheme " + scheme->id.value, "has more than 2000 notes", "Remove some"};
    for (const Kept& kept : scheme->kept)
      if (!std::isfinite(kept.margin))
        return Error{"scheme " + scheme->id.value, "keeps a finding whose margin is not a number", "Remove it"};
  }
  return faultOfRules(job);
}

}  // namespace mezzet
