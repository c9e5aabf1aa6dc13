#include "core/rules/art/mirror_views.h"

#include <algorithm>
#include <limits>

#include "core/model/kinds.h"
#include "core/rules/base/rulebook.h"
#include "core/use/seats.h"

namespace mezzet {

std::optional<EntryEye> entryEye(const Job& job, const Room& room) {
  const Opening* entry = mainEntry(room);
  const auto wall = entry != nullptr ? findWall(room, entry->wall) : std::nullopt;
  if (!wall) return std::nullopt;
  return EntryEye{{middleOf(*wall, *entry), standingEye(job.brief)}, wall->inward(), wall->id};
}

bool isGoodToSee(const Situation& s, const Shown& shown) {
  switch (shown.kind) {
    case MetKind::Light: return true;
    case MetKind::Opening: {
      const Opening* o = findOpening(s.room, OpeningId(shown.id));
      return o != nullptr && o->kind == OpeningKind::Window && o->outside != Outside::Wall;
    }
    case MetKind::Hung: {
      const Placement* p = s.placement(shown.id);
      return p != nullptr && isArt(s.pieces.of(*p).kind);
    }
    case MetKind::Feature:
      return std::any_of(s.room.features.begin(), s.room.features.end(),
                         [&](const Feature& f) { return f.id.value == shown.id && f.kind == FeatureKind::Hearth; });
    default: return false;
  }
}

bool isPoorToSee(const Situation& s, const Shown& shown) {
  const Placement* p = s.placement(shown.id);
  if (p == nullptr) return false;
  const Piece& piece = s.pieces.of(*p);
  return isScreen(piece.kind) || (shown.back && highestOf(piece).value_or(0) >= kTallBack);
}

MirrorEye seenIn(const Situation& s, const Glass& glass, const Eye& eye, const std::string& who,
                 const std::string& ownSeat) {
  MirrorEye out{eye, who, {}, 0, 0};
  out.sees = shownIn(glass, eye, s.reflected(), ownSeat);
  for (const Shown& shown : out.sees) {
    if (isGoodToSee(s, shown)) out.good += shown.share;
    if (isPoorToSee(s, shown)) out.poor += shown.share;
  }
  return out;
}

MirrorViews mirrorViews(const Situation& s, const Placement& mirror, const std::optional<Eye>& given) {
  MirrorViews out;
  const auto glass = glassOf(s.pieces, s.room, mirror);
  if (!glass) return out;
  const auto add = [&](MirrorEye eye) {
    if (!eye.sees.empty()) out.eyes.push_back(std::move(eye));
  };
  if (given) {
    add(seenIn(s, *glass, *given, "eye", ""));
  } else {
    if (const auto entry = entryEye(s.job, s.room)) add(seenIn(s, *glass, entry->eye, "entry", ""));
    std::vector<const Placement*> seats = s.mainSeats();
    std::sort(seats.begin(), seats.end(), [](const Placement* a, const Placement* b) { return a->id < b->id; });
    for (const Placement* seat : seats) {
      const Piece& piece = s.pieces.of(*seat);
      const auto high = seatedEye(piece);
      if (!high) continue;
      std::optional<MirrorEye> worst;
      for (const SeatPlace& place : seatPlaces(piece, floorPlace(seat->on))) {
        MirrorEye one =
            seenIn(s, *glass, {place.at, s.heights().floorAt(place.at) + *high}, seat->id.value, seat->id.value);
        if (!one.sees.empty() && (!worst || one.poor > worst->poor)) worst = std::move(one);
      }
      if (worst) add(std::move(*worst));
    }
  }
  double nearest = std::numeric_limits<double>::infinity();
  for (std::size_t i = 0; i < out.eyes.size(); ++i) {
    const double far = distance(out.eyes[i].eye.at, glass->middle());
    if (far < nearest - 1e-6 || (far < nearest + 1e-6 && out.judged && out.eyes[i].who < out.eyes[*out.judged].who)) {
      nearest = far;
      out.judged = i;
    }
  }
  return out;
}

std::optional<MirrorCone> mirrorCone(const Situation& s, const Placement& mirror) {
  const auto glass = glassOf(s.pieces, s.room, mirror);
  const MirrorViews views = mirrorViews(s, mirror);
  if (!glass || !views.judged) return std::nullopt;
  const MirrorEye& eye = views.eyes[*views.judged];
  const std::vector<Vec2> ends = raysThrough(*glass, eye.eye, s.reflected(), eye.who);
  if (ends.size() != 2) return std::nullopt;
  return MirrorCone{glass->a, glass->b, ends[0], ends[1]};
}

}  // namespace mezzet
