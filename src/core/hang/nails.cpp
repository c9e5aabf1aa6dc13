#include "core/hang/nails.h"

#include <algorithm>
#include <cmath>
#include <map>
#include <tuple>

#include "core/model/kinds.h"
#include "core/site/stair_wall.h"
#include "core/site/studs.h"
#include "core/space/below.h"

namespace mezzet {
namespace {

/// Frames whose middles are no further apart up the wall hang in one row of a grid.
constexpr double kSameRow = kInch;

StudVerdict verdictOf(double off, double u95) {
  if (std::abs(off) <= kHalfStud - u95) return StudVerdict::In;
  return std::abs(off) <= kHalfStud + u95 ? StudVerdict::Near : StudVerdict::Between;
}

/// The stud whose middle is nearest to a place along the wall.
const Stud* nearestStud(const std::optional<StudFit>& fit, double along) {
  const Stud* best = nullptr;
  if (fit)
    for (const Stud& s : fit->studs)
      if (best == nullptr || std::abs(s.along - along) < std::abs(best->along - along)) best = &s;
  return best;
}

/// The least move of all these nails, u from the wall's end, that has each of them in a stud.
std::optional<double> moveIntoStuds(const StudFit& fit, double length, const std::vector<double>& nails) {
  std::vector<std::pair<double, double>> open{{-kStudMove, kStudMove}};
  for (const double u : nails) {
    std::vector<std::pair<double, double>> both;
    for (const auto& [low, high] : open)
      for (const Stud& s : fit.studs) {
        const double reach = kHalfStud - s.u95, at = length - s.along - u;  // of the stud's middle from the nail
        if (reach < 0) continue;
        const double from = std::max(low, at - reach), to = std::min(high, at + reach);
        if (from <= to) both.emplace_back(from, to);
      }
    open = std::move(both);
  }
  std::optional<double> least;
  for (const auto& [low, high] : open) {
    const double by = low > 0 ? low : high < 0 ? high : 0;
    if (!least || std::abs(by) < std::abs(*least)) least = by;
  }
  return least;
}

WallMaterial materialOf(const Room& room, const CornerId& wall) {
  const Corner* corner = findCorner(room, wall);
  return corner != nullptr ? corner->material : WallMaterial::Unknown;
}

/// What nails are looked up in.
struct NailWall {
  const Job& job;
  const Room& room;
  const std::vector<Fixing>& fixings;
  const NailAsk& ask;
  Wall wall;
  RoomHeights heights;
  std::optional<StudFit> studs;
  WallMaterial material = WallMaterial::Unknown;
};

/// What of it calls for a caution.
struct Dangers {
  bool heavy = false, overSeat = false, cables = false;
  std::vector<int> high;  ///< which nails
};

std::vector<PointId> cablesNear(const NailWall& w, double u, double v) {
  std::vector<PointId> out;
  for (const WallPoint& point : w.room.points) {
    const bool wired =
        point.kind == PointKind::Socket || point.kind == PointKind::Switch || point.kind == PointKind::WallLight;
    if (point.wall != w.ask.wall || !wired) continue;
    const double at = w.wall.length() - point.along, up = w.heights.floorAt(inFrontOf(w.wall, at)) + point.height;
    if (std::min(std::abs(at - u), std::abs(up - v)) < kCableZone) out.push_back(point.id);
  }
  return out;
}

/// A nail at a place of the wall, with what is known of that place.
Nail nailAt(const NailWall& w, double u, double v) {
  Nail nail;
  nail.u = u;
  nail.v = v;
  nail.fromEnd = w.ask.end == WallEnd::Left ? u : w.wall.length() - u;
  nail.aboveLine = v - w.ask.line;
  nail.aboveFloor = v - footingAlong(w.room, w.heights, w.wall, u);
  if (const Stud* stud = nearestStud(w.studs, w.wall.length() - u)) {
    nail.toStud = w.wall.length() - stud->along - u;
    nail.stud = verdictOf(*nail.toStud, stud->u95);
  }
  for (const ClearSpot& s : w.room.clearSpots)
    if (s.wall == w.ask.wall && std::hypot(s.u - u, s.v - v) <= kSameSpot) nail.clear = s.date;
  if (nail.clear.empty()) nail.near = cablesNear(w, u, v);
  return nail;
}

/// What each hook carries, from the left; empty where the weight is not known.
std::vector<double> loadsOn(const Piece& piece, const Hooks& hooks, const std::optional<FrameWeight>& weight) {
  if (!weight) return {};
  if (hooks.across.size() == 1) return {weight->kg};
  const HookLoads both = hookLoads(weight->kg, hooks.across[0], hooks.across[1], piece.hanger->mass);
  return {both.left, both.right};
}

bool takesStructure(const Piece& piece, const WallPlace& place, const std::optional<FrameWeight>& weight) {
  const WallRect shown = shownRect(piece, place);
  const bool glass = isMirror(piece.kind) || piece.frame->glazed.value_or(false);
  return (weight && weight->kg > kHeavy) || (glass && shown.width() * shown.height() / 1e6 > kMuchGlass);
}

void addNailsOf(NailPlan& out, const NailWall& w, const Placement& p, const Piece& piece, bool captive,
                Dangers& dangers, LengthFormat format) {
  const HooksFound found = hooksOf(piece, w.ask.school, format);
  if (!found.hooks) {
    out.unknown.push_back({p.id, found.missing, found.fault});
    return;
  }
  for (const std::string& sentence : found.hooks->says) out.says.emplace_back(p.id, sentence);
  const WallPlace& place = *onWall(p.on);
  const auto weight = weightOf(piece);
  const std::vector<double> loads = loadsOn(piece, *found.hooks, weight);
  if (const auto degrees = found.hooks->wireDegrees)
    out.pulls.push_back({p.id, *degrees, weight ? std::optional(wireTension(weight->kg, *degrees)) : std::nullopt});
  std::vector<double> along;
  bool allIn = true;
  for (std::size_t i = 0; i < found.hooks->across.size(); ++i) {
    Nail nail = nailAt(w, place.u + found.hooks->across[i], wallRectOf(piece, place).top - found.hooks->drop);
    nail.order = static_cast<int>(out.nails.size()) + 1;
    nail.placement = p.id;
    nail.hook = static_cast<int>(i) + 1;
    nail.guess = weight && weight->guess;
    nail.captive = captive;
    if (!loads.empty()) {
      nail.load = loads[i];
      const FixingQuestion question{loads[i], w.material, nail.stud, captive, w.job.brief.tenant};
      for (const Fixing* f : fixingsFor(w.fixings, question, w.job.units).fit) nail.fixings.push_back(f->id);
    }
    along.push_back(nail.u);
    allIn = allIn && nail.stud == StudVerdict::In;
    if (nail.aboveFloor > kLadderFrom) dangers.high.push_back(nail.order);
    dangers.cables = dangers.cables || !nail.near.empty();
    out.nails.push_back(std::move(nail));
  }
  dangers.overSeat = dangers.overSeat || captive;
  dangers.heavy = dangers.heavy || takesStructure(piece, place, weight);
  if (w.studs && !allIn)
    if (const auto by = moveIntoStuds(*w.studs, w.wall.length(), along)) out.moves.push_back({p.id, *by});
}

/// "Nail 3 is", "Nails 3, 4 and 7 are".
std::string numbersOf(const std::vector<int>& nails) {
  if (nails.size() == 1) return "Nail " + std::to_string(nails.front()) + " is";
  std::string out = "Nails ";
  for (std::size_t i = 0; i < nails.size(); ++i)
    out += (i == 0 ? "" : i + 1 == nails.size() ? " and " : ", ") + std::to_string(nails[i]);
  return out + " are";
}

std::vector<std::string> cautionsOf(const Dangers& dangers) {
  std::vector<std::string> out{
      "Detect cables, pipes and studs everywhere before drilling: being outside their usual lines is no proof of "
      "safety."};
  if (dangers.cables)
    out.emplace_back("A marked nail lies in the line of a socket, switch or wall light: cables may run there.");
  if (dangers.heavy) out.emplace_back("Over 50 lb (23 kg) or a square metre of glass: into structure, and two people.");
  if (dangers.overSeat) out.emplace_back("Over seats and beds: captive fixings only.");
  if (!dangers.high.empty())
    out.push_back(numbersOf(dangers.high) +
                  " over 7 ft (2.1 m) up: a stair ladder or a tower and a second person, never a chair.");
  out.emplace_back("Loads are by the packet; local codes and licensed trades decide.");
  return out;
}

}  // namespace

PlacementIds hangingOrder(const PieceIndex& pieces, const Scheme& scheme, const Hung& hung) {
  const Hang* made = hung.group.empty() ? nullptr : findHang(scheme, hung.group);
  const HangAs as = made != nullptr ? made->as : HangAs::Free;
  const WallRect& e = hung.envelope;
  const double middle = (e.left + e.right) / 2, half = e.centreHeight();
  // By a first and a second figure, then from the left, from the top, by id.
  std::vector<std::tuple<double, double, double, double, PlacementId>> all;
  for (const PlacementId& id : hung.members) {
    const Placement& p = *findPlacement(scheme, id);
    const WallPlace& place = *onWall(p.on);
    const WallRect r = wallRectOf(pieces.of(p), place);
    double first = 0, second = 0;
    switch (as) {
      case HangAs::Row: first = std::round(std::abs(place.u - middle)); break;
      case HangAs::Grid:
      case HangAs::Match: {
        first = std::round(std::abs(place.v - half) / kSameRow);
        second = -std::round(place.v / kSameRow);  // of two as near the upper row
        break;
      }
      case HangAs::Salon: first = -outerArea(pieces.of(p)); break;
      case HangAs::Loose: {
        const auto near = [&](double a, double b) { return std::abs(a - b) <= kSeenAsOne; };
        const bool corner =
            (near(r.left, e.left) || near(r.right, e.right)) && (near(r.top, e.top) || near(r.bottom, e.bottom));
        first = corner ? 0 : 1;
        break;
      }
      case HangAs::Stair: first = -place.v; break;
      case HangAs::Mirrored:
      case HangAs::Free: break;
    }
    all.emplace_back(first, second, place.u, -place.v, id);
  }
  std::sort(all.begin(), all.end());
  PlacementIds out;
  for (const auto& one : all) out.push_back(std::get<4>(one));
  return out;
}

NailPlan nailPlan(const Job& job, const Room& room, const Scheme& scheme, const std::vector<Fixing>& fixings,
                  const NailAsk& ask, LengthFormat format) {
  NailPlan out;
  const auto wall = findWall(room, ask.wall);
  if (!wall) return out;
  const PieceIndex pieces(job);
  NailWall w{job, room, fixings, ask, *wall, heightsOf(room), std::nullopt, materialOf(room, ask.wall)};
  if (const StudRecord* taps = studsOf(room, ask.wall)) w.studs = fitStuds(*taps, wall->length());
  out.wallOf = w.material;
  out.end = ask.end;
  out.wallKnown = w.material != WallMaterial::Unknown;
  const std::vector<Below> belows = candidatesBelow(job, room, scheme, *wall);
  std::vector<Hung> groups;
  for (Hung& hung : hungIn(pieces, scheme))
    if (hung.wall == ask.wall) groups.push_back(std::move(hung));
  std::stable_sort(groups.begin(), groups.end(),
                   [](const Hung& a, const Hung& b) { return a.envelope.left < b.envelope.left; });
  Dangers dangers;
  for (const Hung& hung : groups) {
    const auto below = belowOf(belows, hung.envelope);
    const bool captive = below && (below->row == BelowRow::Seat || below->row == BelowRow::Bed);
    for (const PlacementId& id : hangingOrder(pieces, scheme, hung)) {
      const Placement& p = *findPlacement(scheme, id);
      if ((ask.only.empty() || has(ask.only, id)) && hasFrame(pieces.of(p).kind))
        addNailsOf(out, w, p, pieces.of(p), captive, dangers, format);
    }
  }
  if (!out.nails.empty()) out.cautions = cautionsOf(dangers);
  return out;
}

}  // namespace mezzet
