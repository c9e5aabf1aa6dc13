#include "core/decide/hang_again.h"

#include <algorithm>
#include <set>

#include "core/edit/hangs.h"

namespace mezzet {

Job hungAgain(const Job& job, const Rulebook& book, const SchemeId& id, const std::string& group, LengthFormat format) {
  const Scheme* scheme = findScheme(job, id);
  const Hang* made = scheme != nullptr ? findHang(*scheme, group) : nullptr;
  if (made == nullptr || made->as == HangAs::Free) return job;
  const std::vector<PlacementId> members = membersOf(*scheme, group);
  if (members.size() < 2) return job;
  const PieceIndex pieces(job);
  const WallRect was = *envelopeOf(pieces, *scheme, group);
  const CornerId wall = wallPlace(findPlacement(*scheme, members.front())->on).wall;
  HangRequest r = requestFor(*scheme, members, wall, made->as);
  r.keepClear = false;  // it stays where it is
  r.middle = (was.left + was.right) / 2;
  IdSource unused(1);
  const auto plan = hangPlan(job, book, id, r, unused, format);
  return plan && plan->fits ? plan->job : job;
}

Job hangsSettled(const Job& before, Job after, const Rulebook& book, LengthFormat format) {
  const auto frameOf = [](const Job& job, const PlacementId& p, const Scheme& scheme) {
    const WallRect r = wallRectOf(pieceOf(job, *findPlacement(scheme, p)), {});
    return std::pair(r.width(), r.height());
  };
  for (std::size_t i = 0; i < after.schemes.size(); ++i) {
    const Shared<Scheme> scheme = after.schemes[i];
    const Scheme* old = findScheme(before, scheme->id);
    if (old == nullptr || scheme->hangs.empty()) continue;
    for (const Hang& hang : scheme->hangs) {
      const Hang* was = findHang(*old, hang.id);
      if (was == nullptr || *was != hang) continue;  // it was made just now
      const std::vector<PlacementId> members = membersOf(*scheme, hang.id), others = membersOf(*old, hang.id);
      std::set<PlacementId> now(members.begin(), members.end()), then(others.begin(), others.end());
      const bool changed = now != then || std::any_of(now.begin(), now.end(), [&](const PlacementId& p) {
                             return frameOf(after, p, *scheme) != frameOf(before, p, *old);
                           });
      if (changed) after = hungAgain(after, book, scheme->id, hang.id, format);
    }
  }
  return after;
}

}  // namespace mezzet
