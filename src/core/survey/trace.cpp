#include "core/survey/trace.h"

#include <algorithm>
#include <cmath>
#include <numbers>

#include "core/geometry/linear.h"
#include "core/site/openings.h"
#include "core/survey/room_survey.h"

namespace mezzet {
namespace {

constexpr double kNearlySquare = 3;  // degrees
constexpr double kThinFrame =
    1e-3;  // a corner whose triangle is thinner than this share is in line with its neighbours

double degrees(double radians) { return radians * 180 / std::numbers::pi; }

bool inLine(const std::vector<Vec2>& p) {
  for (std::size_t skip = 0; skip < 4; ++skip) {
    Vec2 t[3];
    std::size_t k = 0;
    for (std::size_t i = 0; i < 4; ++i)
      if (i != skip) t[k++] = p[i];
    const double longest = std::max({distance(t[0], t[1]), distance(t[1], t[2]), distance(t[0], t[2])});
    if (!(longest > 0) || std::abs(cross(t[1] - t[0], t[2] - t[0])) < kThinFrame * longest * longest) return true;
  }
  return false;
}

Homography scaled(const Homography& h, double k) {
  Homography out = h;
  for (std::size_t i = 0; i < 6; ++i) out[i] *= k;
  return out;
}

/// The same mapping with a last element of 1.
Homography scaledToOne(Homography h) {
  const double last = h[8];
  for (double& v : h) v /= last;
  return h;
}

}  // namespace

Vec2 mapped(const Homography& h, Vec2 p) {
  const double w = h[6] * p.x + h[7] * p.y + h[8];
  return {(h[0] * p.x + h[1] * p.y + h[2]) / w, (h[3] * p.x + h[4] * p.y + h[5]) / w};
}

std::optional<Homography> homographyOf(const std::vector<Vec2>& from, const std::vector<Vec2>& to) {
  if (from.size() != 4 || to.size() != 4 || inLine(from) || inLine(to)) return std::nullopt;
  // Both sides brought to their middle and a size of about one, or pixels squared would drown the rest.
  const auto normal = [](const std::vector<Vec2>& p) {
    const Vec2 middle = meanOf(p);
    double size = 0;
    for (const Vec2 q : p) size += distance(q, middle) / 4;
    return std::pair(middle, size);
  };
  const auto [m, s] = normal(from);
  const auto [n, t] = normal(to);
  Matrix a(8, 8);
  Numbers b;
  for (std::size_t i = 0; i < 4; ++i) {
    const Vec2 p = (from[i] - m) * (1 / s), q = (to[i] - n) * (1 / t);
    const double rows[2][8] = {{p.x, p.y, 1, 0, 0, 0, -q.x * p.x, -q.x * p.y},
                               {0, 0, 0, p.x, p.y, 1, -q.y * p.x, -q.y * p.y}};
    for (std::size_t r = 0; r < 2; ++r)
      for (std::size_t c = 0; c < 8; ++c) a(2 * i + r, c) = rows[r][c];
    b.insert(b.end(), {q.x, q.y});
  }
  const Numbers x = solved(a, b);
  const Matrix3 in{1 / s, 0, -m.x / s, 0, 1 / s, -m.y / s, 0, 0, 1}, out{t, 0, n.x, 0, t, n.y, 0, 0, 1};
  Homography all = product(product(out, Matrix3{x[0], x[1], x[2], x[3], x[4], x[5], x[6], x[7], 1}), in);
  if (!std::all_of(all.begin(), all.end(), [](double v) { return std::isfinite(v); }) || std::abs(all[8]) < 1e-12)
    return std::nullopt;
  // A point of the frame seen from behind means that the corners are out of order.
  for (const Vec2 p : from)
    if ((all[6] * p.x + all[7] * p.y + all[8]) / all[8] <= 0) return std::nullopt;
  return scaledToOne(all);
}

std::optional<Homography> backwards(const Homography& h) {
  const auto inverse = inverted(h);
  if (!inverse || (*inverse)[8] == 0) return std::nullopt;
  return scaledToOne(*inverse);
}

double PictureScale::u95Of(double length) const {
  const double click = kClickU95 / 2 * std::numbers::sqrt2 * mmPerPixel, share = shareSigma * length;
  return 2 * std::sqrt(click * click + share * share + scatter * scatter);
}

Result<PictureScale> scaleOf(const Underlay& u) {
  PictureScale out;
  if (u.known.empty() && !u.frame)
    return Error{"plan picture", "has no known length", "Click two points whose distance you know, and type it"};
  Homography flat{1, 0, 0, 0, -1, u.height, 0, 0, 1};
  if (u.frame) {
    const auto h = homographyOf(u.frame->corners,
                                {{0, 0}, {u.frame->width, 0}, {u.frame->width, u.frame->height}, {0, u.frame->height}});
    if (!h)
      return Error{"plan picture", "cannot be straightened by these four points",
                   "Mark the four corners of a rectangle in order, starting at its lower left"};
    flat = *h;
  }
  double dd = 0, dl = 0;
  std::vector<double> d;
  for (const KnownLength& k : u.known) {
    d.push_back(distance(mapped(flat, k.a), mapped(flat, k.b)));
    dd += d.back() * d.back();
    dl += d.back() * k.length;
  }
  const double factor = u.known.empty() ? 1 : dl / dd;
  if (!(factor > 0) || !std::isfinite(factor))
    return Error{"plan picture", "has known lengths that give no scale", "Set them again"};
  out.toPlan = scaled(flat, factor);
  const Vec2 middle{u.width / 2, u.height / 2};
  const Vec2 x = mapped(out.toPlan, middle + Vec2{0.5, 0}) - mapped(out.toPlan, middle - Vec2{0.5, 0});
  const Vec2 y = mapped(out.toPlan, middle + Vec2{0, 0.5}) - mapped(out.toPlan, middle - Vec2{0, 0.5});
  out.mmPerPixel = std::sqrt(std::abs(cross(x, y)));
  if (!std::isfinite(out.mmPerPixel) || !(out.mmPerPixel > 0))
    return Error{"plan picture", "gives no scale", "Set its known lengths again"};
  double squares = 0;
  for (std::size_t i = 0; i < d.size(); ++i) {
    out.residuals.push_back(factor * d[i] - u.known[i].length);
    squares += out.residuals.back() * out.residuals.back();
  }
  out.checked = u.known.size() >= 2;
  if (out.checked) {
    out.scatter = std::sqrt(squares / static_cast<double>(d.size() - 1));
    const double click = kClickU95 / 2 * std::numbers::sqrt2 * out.mmPerPixel;
    out.shareSigma = std::max(out.scatter, click) / (factor * std::sqrt(dd));
  } else {
    out.shareSigma = kUncheckedShare / 2;
  }
  return out;
}

std::vector<std::string> scaleWords(const Underlay& u, LengthFormat format) {
  const auto scale = scaleOf(u);
  if (!scale) return {"The " + scale.error().text() + "."};
  std::vector<std::string> out;
  const std::string doubt = "A wall of " + writeLength(4000, format) + " traced on it is good to \u00b1" +
                            writeLength(scale->u95Of(4000), format) + ".";
  if (!scale->checked) {
    out.push_back(u.known.empty() ? "Straightened, and scaled by that rectangle alone: nothing checks it."
                                  : "Scaled by one length: nothing checks it.");
    out.push_back("Set a second known length, best a long one across the first.");
  } else {
    double worst = 0;
    for (const double r : scale->residuals) worst = std::max(worst, std::abs(r));
    out.push_back("The known lengths agree within " + writeLength(worst, {LengthStyle::Millimetres, 16, true}) +
                  (format.style == LengthStyle::Millimetres ? "" : ", " + writeLength(worst, format)) + ".");
  }
  out.push_back(doubt);
  return out;
}

TraceSnap snapped(const std::vector<Vec2>& trace, Vec2 click, double reach) {
  if (trace.empty()) return {click};
  if (trace.size() >= 3 && distance(trace.front(), click) <= reach) return {trace.front(), TraceSnap::To::FirstCorner};
  TraceSnap out{click};
  const Vec2 last = trace.back();
  const double dx = std::abs(click.x - last.x), dy = std::abs(click.y - last.y);
  if (dy <= reach && dy <= dx) {
    out = {{click.x, last.y}, TraceSnap::To::Level};
    for (const Vec2 p : trace)
      if (std::abs(p.x - click.x) <= reach && p.x != last.x) return {{p.x, last.y}, TraceSnap::To::Corner};
  } else if (dx <= reach) {
    out = {{last.x, click.y}, TraceSnap::To::Upright};
    for (const Vec2 p : trace)
      if (std::abs(p.y - click.y) <= reach && p.y != last.y) return {{last.x, p.y}, TraceSnap::To::Corner};
  }
  return out;
}

Result<Room> traced(Room room, IdSource& ids) {
  if (!room.underlay) return Error{room.name, "has no plan picture", "Take one in first"};
  const auto scale = scaleOf(*room.underlay);
  if (!scale) return scale.error();
  Polygon corners;
  for (const Vec2 p : room.underlay->trace) corners.push_back(mapped(scale->toPlan, p));
  if (corners.size() < 3)
    return Error{"the trace", "has fewer than three corners", "Click the room's corners, round to the first"};
  if (const auto crossing = selfCrossing(corners))
    return Error{"the trace", "crosses itself", "Move or take out a corner"};
  if (signedArea(corners) < 0) std::reverse(corners.begin() + 1, corners.end());
  const std::size_t n = corners.size();
  if (room.survey && room.survey->corners.size() != n)
    return Error{
        "the trace",
        "has " + std::to_string(n) + " corners, and the room's readings " + std::to_string(room.survey->corners.size()),
        "Trace the same corners, or measure another room"};
  SurveyRecord record = room.survey.value_or(SurveyRecord{});
  const bool fresh = record.corners.empty();
  if (!fresh) {
    // The trace may start at another corner than the walk: the turns that fit best, and among them the lengths, decide.
    std::size_t best = 0;
    double least = 1e300;
    const Polygon known = outlineOf(room);
    for (std::size_t shift = 0; shift < n; ++shift) {
      double misfit = 0;
      for (std::size_t i = 0; i < n; ++i)
        misfit += std::abs(distance(corners[(i + shift) % n], corners[(i + shift + 1) % n]) -
                           distance(known[i], known[(i + 1) % n])) +
                  10 * std::abs(insideAngle(corners, (i + shift) % n) - insideAngle(known, i));
      if (misfit < least) {
        least = misfit;
        best = shift;
      }
    }
    std::rotate(corners.begin(), corners.begin() + static_cast<std::ptrdiff_t>(best), corners.end());
    std::erase_if(record.readings,
                  [](const Reading& r) { return r.instrument == Instrument::Plan && r.note == kTraceNote; });
  }
  for (std::size_t i = 0; i < n; ++i) {
    const double inside = insideAngle(corners, i);
    const bool left = inside < 180;
    const bool square = std::abs(inside - (left ? 90 : 270)) <= kNearlySquare;
    if (fresh) record.corners.push_back({cornerName(i), left, square});
    if (fresh && !square) {
      Reading angle;
      angle.id = ids.take<ReadingId>("r");
      angle.kind = ReadingKind::Angle;
      angle.from = cornerName(i);
      angle.value = inside;
      angle.instrument = Instrument::Plan;
      const double shorter =
          std::min(distance(corners[i], corners[(i + 1) % n]), distance(corners[i], corners[(i + n - 1) % n]));
      angle.u95 = std::max(0.5, degrees(kClickU95 * std::numbers::sqrt2 * scale->mmPerPixel / std::max(1.0, shorter)));
      angle.note = kTraceNote;
      record.readings.push_back(std::move(angle));
    }
  }
  for (std::size_t i = 0; i < n; ++i) {
    Reading run;
    run.id = ids.take<ReadingId>("r");
    run.from = record.corners[i].id;
    run.to = record.corners[(i + 1) % n].id;
    run.value = distance(corners[i], corners[(i + 1) % n]);
    run.instrument = Instrument::Plan;
    run.u95 = std::max(usualU95(Instrument::Plan, run.value), scale->u95Of(run.value));
    run.note = kTraceNote;
    record.readings.push_back(std::move(run));
  }
  room.survey = std::move(record);
  return surveyed(std::move(room));
}

std::vector<TraceDifference> traceDifferences(const Room& room, LengthFormat format) {
  std::vector<TraceDifference> out;
  if (!room.survey) return out;
  for (const Reading& plan : room.survey->readings) {
    if (plan.kind != ReadingKind::Run || plan.instrument != Instrument::Plan || plan.superseded) continue;
    TraceDifference d{plan.from, plan.to, plan.value, u95Of(plan), std::nullopt, std::nullopt, {}};
    for (const Reading& tape : room.survey->readings)
      if (outranks(tape, plan)) {
        d.taped = tape.value;
        d.tapedU95 = u95Of(tape);
      }
    d.sentence = "Wall " + plan.from.value + ": plan " + writeLength(d.traced, format);
    if (!d.taped) {
      d.sentence += ", not taped yet.";
    } else {
      const double by = *d.difference();
      d.sentence += ", tape " + writeLength(*d.taped, format);
      const bool same = writeLength(d.traced, format) == writeLength(*d.taped, format);
      d.sentence += same ? ": the same." : ": " + writeLength(std::abs(by), format) + (by > 0 ? " longer" : " shorter");
      if (!same)
        d.sentence += std::abs(by) > std::hypot(d.tracedU95, *d.tapedU95) ? ", more than the plan's doubt." : ".";
    }
    out.push_back(std::move(d));
  }
  return out;
}

}  // namespace mezzet
