#include "core/decide/stair_place.h"

#include <algorithm>
#include <cmath>

#include "core/decide/first_place.h"
#include "core/hang/stair_hang.h"
#include "core/rules/art/art_case.h"
#include "core/space/hung.h"

namespace mezzet {
namespace {

/// A wall with its flight.
struct FlightWall {
  const Job& job;
  const Room& room;
  const Scheme& scheme;
  const Wall& wall;
  const StairWall& flight;
  RoomHeights heights;

  [[nodiscard]] double ceiling(double u) const {
    return heights.ceilingAt(inFrontOf(wall, std::clamp(u, 0.0, wall.length())));
  }
};

double centreAsked(const FlightWall& w, const Rulebook& book, const HangRequest& r, double frame) {
  ArtAsks asks;
  asks.centre = true;
  const ArtQuestion question =
      artQuestionOf(w.job, book, pieceOf(w.job, *findPlacement(w.scheme, r.placements.front())), asks, std::nullopt,
                    frame)
          .question;
  return question.centre.low || question.centre.high ? solveArt(question).centre : kUsualCentre;
}

/// The longest part of the flight at which none of what is in the way stands at the height of the frames.
std::pair<double, double> openPart(const FlightWall& w, const HangRequest& r, double centre, double frame) {
  const StairWall& s = w.flight;
  const auto [from, to] = s.span();
  if (r.within) return {std::max(from, r.within->left), std::min(to, r.within->right)};
  std::vector<std::pair<double, double>> open{{from, to}};
  const auto height = [&s, centre, low = from, high = to](double u) {
    return s.walking(std::clamp(u, low, high)) + centre;
  };
  for (const WallRect& t : takenOn(w.job, w.scheme, w.wall, r.placements)) {
    const double low = std::min(height(t.left), height(t.right)) - frame / 2,
                 high = std::max(height(t.left), height(t.right)) + frame / 2;
    if (t.top <= low || t.bottom >= high) continue;
    std::vector<std::pair<double, double>> left;
    for (const auto& [a, b] : open) {
      if (t.left - kSeenAsOne > a) left.emplace_back(a, std::min(b, t.left - kSeenAsOne));
      if (t.right + kSeenAsOne < b) left.emplace_back(std::max(a, t.right + kSeenAsOne), b);
    }
    open = std::move(left);
  }
  if (open.empty()) return {from, from};
  return *std::max_element(open.begin(), open.end(),
                           [](const auto& x, const auto& y) { return x.second - x.first < y.second - y.first; });
}

/// Whether a frame there stays below the ceiling.
bool belowCeiling(const FlightWall& w, Vec2 middle, const Frame& f) {
  const double top = middle.y + f.height / 2;
  return top <= w.ceiling(middle.x - f.width / 2) + kTouch && top <= w.ceiling(middle.x + f.width / 2) + kTouch;
}

HangPlan climbing(const FlightWall& w, const Rulebook& book, const ArrangementAsk& ask, const HangRequest& r,
                  IdSource& ids, LengthFormat format) {
  HangPlan out;
  out.job = w.job;
  const StairWall& s = w.flight;
  double tallest = 0;
  for (const Frame& f : ask.frames) tallest = std::max(tallest, f.height);
  const double centre = centreAsked(w, book, r, tallest);
  auto [from, to] = openPart(w, r, centre, tallest);
  StairHang hang = stairHang(s, {ask.frames, centre, from, to, r.treads});
  // Where the ceiling comes down over the upper treads the row ends lower.
  const auto allBelow = [&] {
    for (std::size_t i = 0; i < hang.centres.size(); ++i)
      if (!belowCeiling(w, hang.centres[i], ask.frames[i])) return false;
    return true;
  };
  bool ceiling = false;
  while (hang.fits && !allBelow()) {
    (s.rising ? to : from) += s.rising ? -s.stair.going : s.stair.going;
    ceiling = true;
    hang = stairHang(s, {ask.frames, centre, from, to, r.treads});
  }
  const std::string pitch =
      hang.treads == 1 ? "a frame to every tread" : "a frame to every " + std::to_string(hang.treads) + " treads";
  if (!hang.fits) {
    const double need = hang.treads * s.stair.going * static_cast<double>(ask.frames.size() - 1) +
                        (ask.frames.front().width + ask.frames.back().width) / 2;
    out.shortWidth = std::max(need - (to - from), s.stair.going);
    out.says.push_back("With " + pitch + " " + std::to_string(hang.most) + " of " + std::to_string(ask.frames.size()) +
                       (ceiling ? " stay below the ceiling." : " fit between the flight's bounds."));
    return out;
  }
  takeMiddles(out, w.scheme, r, hang.centres, ids);
  out.says.push_back("Along the stair, " + pitch + ": " + writeLength(hang.treads * s.stair.going, format) +
                     " along, " + writeLength(hang.treads * s.stair.riser, format) + " up, " +
                     writeLength(hang.clear, format) + " between facing sides.");
  out.says.push_back("The wall beyond stays empty: " + writeLength(hang.emptyBelow, format) + " at the foot, " +
                     writeLength(hang.emptyAbove, format) + " at the head.");
  return out;
}

std::vector<WallRect> grownBy(std::vector<WallRect> all, double by) {
  for (WallRect& r : all) r = {r.left - by, r.right + by, r.bottom - by, r.top + by};
  return all;
}

/// Below a window's head where one is over the flight, else below the ceiling.
double topOf(const FlightWall& w, double from, double to) {
  double top = std::min({w.ceiling(from + 1), w.ceiling((from + to) / 2), w.ceiling(to - 1)}) - kSeenAsOne;
  for (const Opening& o : w.room.openings) {
    const double right = w.wall.length() - o.offset;
    if (o.wall == w.wall.id && o.kind == OpeningKind::Window && right > from && right - o.width < to)
      top = std::min(top, o.head());
  }
  return top;
}

std::vector<Vec2> regionOf(const FlightWall& w, const HangRequest& r) {
  const StairWall& s = w.flight;
  const auto [from, to] = s.span();
  if (!r.within) return denseRegion(s, topOf(w, from, to), from, to);
  return denseRegion(s, std::min(r.within->top, w.ceiling((from + to) / 2)), std::max(from, r.within->left),
                     std::min(to, r.within->right));
}

HangPlan dense(const FlightWall& w, ArrangementAsk ask, const HangRequest& r, IdSource& ids, LengthFormat format,
               const std::stop_token& stop) {
  HangPlan out;
  out.job = w.job;
  ask.region = regionOf(w, r);
  if (ask.region.empty()) {
    out.says.push_back("Nothing is free there " + writeLength(kDenseOver, format) + " over the nosings.");
    return out;
  }
  ask.taken = grownBy(takenOn(w.job, w.scheme, w.wall, r.placements), kSeenAsOne);
  ask.roomWidth = w.wall.length();
  ask.roomHeight = 1e6;
  const Arrangement a = arranged(ask, format, stop);
  out.says = a.unmet;
  out.restarts = a.restarts;
  if (!a.made) return out;
  std::vector<Vec2> middles;
  for (const Vec2 centre : a.centres) middles.push_back(a.at + centre);
  takeMiddles(out, w.scheme, r, middles, ids);
  out.says.push_back("It fills the wall over the flight, " + writeLength(kDenseOver, format) +
                     " above the nosings; the wall beyond stays empty.");
  return out;
}

}  // namespace

std::optional<HangPlan> stairPlan(const Job& job, const Rulebook& book, const Scheme& scheme, const Wall& wall,
                                  const ArrangementAsk& ask, const HangRequest& r, IdSource& ids, LengthFormat format,
                                  const std::stop_token& stop) {
  const Room& room = roomOf(job, scheme);
  const RoomHeights heights = heightsOf(room);
  const std::vector<StairWall> flights = stairsAlong(room, heights, wall);
  const bool sized =
      std::all_of(ask.frames.begin(), ask.frames.end(), [](const Frame& f) { return f.width > 0 && f.height > 0; });
  if (flights.empty() || ask.frames.empty() || ask.frames.size() > kMostFrames || !sized) return std::nullopt;
  const StairWall* flight = &flights.front();
  if (r.within) flight = flightAt(flights, (r.within->left + r.within->right) / 2);
  else if (r.middle) flight = flightAt(flights, *r.middle);
  if (flight == nullptr) return std::nullopt;
  const FlightWall w{job, room, scheme, wall, *flight, heights};
  switch (r.as) {
    case HangAs::Stair: return climbing(w, book, ask, r, ids, format);
    case HangAs::Salon: return dense(w, ask, r, ids, format, stop);
    case HangAs::Mirrored: {
      if (r.within) return std::nullopt;
      const WallRect most = largestIn(*flight, regionOf(w, r));
      if (most.width() <= 0) return std::nullopt;
      HangRequest there = r;
      there.within = most;
      auto plan = hangPlan(job, book, scheme.id, there, ids, format, stop);
      return plan ? std::optional(*std::move(plan)) : std::nullopt;
    }
    default: return std::nullopt;
  }
}

}  // namespace mezzet
