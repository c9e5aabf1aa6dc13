#include "core/site/fixed_things.h"

#include <algorithm>
#include <cmath>

namespace mezzet {
namespace {

constexpr double kSlack = 0.5;  // contract: under half a millimetre counts as touching

/// The walls that end and start at a corner.
struct Meeting {
  Wall before, after;
};
std::optional<Meeting> meetingAt(const Room& room, const CornerId& corner) {
  const std::vector<Wall> walls = wallsOf(room);
  for (std::size_t i = 0; i < walls.size(); ++i)
    if (walls[i].id == corner) return Meeting{walls[(i + walls.size() - 1) % walls.size()], walls[i]};
  return std::nullopt;
}

Error past(const std::string& wall, double by, LengthFormat format) {
  return {"wall " + wall, "is " + writeLength(by, format) + " too short for it",
          "Check where it starts and how wide it is"};
}

}  // namespace

Result<Polygon> outlineFrom(const Room& room, const FixedMeasures& measures, LengthFormat format, FeatureKind kind) {
  if (const auto* box = std::get_if<AgainstWall>(&measures)) {
    const auto wall = findWall(room, box->wall);
    if (!wall) return Error{"wall " + box->wall.value, "is not in this room", "Choose one of its walls"};
    if (box->width <= 0 || box->depth <= 0)
      return Error{"", "its width and depth must be more than 0", "Type them as the tape reads"};
    if (box->offset < 0 || box->off < 0) return Error{"", "it starts outside the room", "Both distances are 0 or more"};
    if (box->offset + box->width > wall->length() + kSlack)
      return past(box->wall.value, box->offset + box->width - wall->length(), format);
    const Vec2 along = wall->along(), in = wall->inward();
    if (kind == FeatureKind::Niche) {
      if (box->depth > wall->thickness + kSlack)
        return Error{"wall " + box->wall.value,
                     "is " + writeLength(wall->thickness, format) + " thick, less than the niche is deep",
                     "Measure the wall's thickness"};
      const Vec2 right = wall->start + along * box->offset - in * box->depth, left = right + along * box->width;
      return Polygon{right, left, left + in * box->depth, right + in * box->depth};
    }
    const Vec2 a = wall->start + along * box->offset + in * box->off;
    const Vec2 b = a + along * box->width;
    Polygon out{a, b, b + in * box->depth, a + in * box->depth};
    const Polygon walls = outlineOf(room);
    for (const Vec2 p : out)
      if (!contains(walls, p) && distanceToEdge(walls, p) > kSlack)
        return Error{"", "it reaches outside the room", "Check its depth and how far it stands off the wall"};
    return out;
  }
  const auto& across = std::get<AcrossCorner>(measures);
  const auto meeting = meetingAt(room, across.corner);
  if (!meeting) return Error{"corner " + across.corner.value, "is not in this room", "Choose one of its corners"};
  if (across.before <= 0 || across.after <= 0)
    return Error{"", "it must reach along both walls", "Type how far, as the tape reads"};
  if (across.before > meeting->before.length() + kSlack)
    return past(meeting->before.id.value, across.before - meeting->before.length(), format);
  if (across.after > meeting->after.length() + kSlack)
    return past(meeting->after.id.value, across.after - meeting->after.length(), format);
  if (cross(meeting->before.along(), meeting->after.along()) <= 0)
    return Error{"corner " + across.corner.value, "points into the room, so nothing can stand across it",
                 "Measure it against a wall"};
  return Polygon{meeting->after.start, meeting->after.start + meeting->after.along() * across.after,
                 meeting->before.end - meeting->before.along() * across.before};
}

std::optional<FixedMeasures> measuresOf(const Room& room, const Polygon& outline) {
  if (outline.size() == 3)
    for (const Wall& wall : wallsOf(room))
      for (std::size_t i = 0; i < 3; ++i) {
        if (distance(outline[i], wall.start) > kSlack) continue;
        const auto meeting = meetingAt(room, wall.id);
        // Either way round the outline was written.
        for (const auto& [next, previous] : {std::pair(outline[(i + 1) % 3], outline[(i + 2) % 3]),
                                             std::pair(outline[(i + 2) % 3], outline[(i + 1) % 3])}) {
          const double after = dot(next - wall.start, wall.along()),
                       before = dot(wall.start - previous, meeting->before.along());
          if (after > 0 && before > 0 && distance(wall.start + wall.along() * after, next) <= kSlack &&
              distance(wall.start - meeting->before.along() * before, previous) <= kSlack)
            return AcrossCorner{wall.id, before, after};
        }
      }
  if (outline.size() != 4) return std::nullopt;
  std::optional<AgainstWall> best;
  for (const Wall& wall : wallsOf(room)) {
    double least = HUGE_VAL, most = -HUGE_VAL, near = HUGE_VAL, far = -HUGE_VAL;
    for (const Vec2 p : outline) {
      const double s = dot(p - wall.start, wall.along()), t = dot(p - wall.start, wall.inward());
      least = std::min(least, s), most = std::max(most, s), near = std::min(near, t), far = std::max(far, t);
    }
    // Square to this wall: its corners are those of its extents.
    const bool square = std::all_of(outline.begin(), outline.end(), [&](Vec2 p) {
      const double s = dot(p - wall.start, wall.along()), t = dot(p - wall.start, wall.inward());
      return std::min(s - least, most - s) <= kSlack && std::min(t - near, far - t) <= kSlack;
    });
    if (far <= kSlack && near < -kSlack && square && least > -kSlack && most < wall.length() + kSlack)
      return AgainstWall{wall.id, std::max(0.0, least), 0, most - least, far - near};  // a niche
    if (!square || near < -kSlack || least < -kSlack || most > wall.length() + kSlack) continue;
    if (!best || near < best->off - kSlack)
      best = AgainstWall{wall.id, std::max(0.0, least), std::max(0.0, near), most - least, far - near};
  }
  if (best) return *best;
  return std::nullopt;
}

std::vector<Alcove> alcovesBeside(const Room& room, const Feature& breast) {
  std::vector<Alcove> out;
  const auto measures = measuresOf(room, breast.outline);
  const auto* box = measures ? std::get_if<AgainstWall>(&*measures) : nullptr;
  if (breast.kind != FeatureKind::ChimneyBreast || box == nullptr || box->off > kSlack) return out;
  const double length = findWall(room, box->wall)->length();
  for (const double width : {box->offset, length - box->offset - box->width})
    if (width > kSlack) out.push_back({width, box->depth});
  return out;
}

}  // namespace mezzet
