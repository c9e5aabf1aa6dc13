#include "core/display/shelves.h"

#include <algorithm>
#include <cmath>

#include "core/edit/displays.h"
#include "core/edit/edits.h"
#include "core/space/carried.h"

namespace mezzet {
namespace {

constexpr double kLeastBay = 1 * kInch;  // lower ones hold nothing

Error notThere(const std::string& what) { return {what, "is not there", "Choose a shelf of this case"}; }

}  // namespace

Result<Job> withShelfAt(const Job& job, const SchemeId& scheme, const PlacementId& id, const std::string& surface,
                        double bottom) {
  const Scheme* found = findScheme(job, scheme);
  const Placement* p = found != nullptr ? findPlacement(*found, id) : nullptr;
  if (p == nullptr) return notThere(surface);
  const Piece& piece = pieceOf(job, *p);
  std::vector<Surface> all = piece.surfaces->all;
  const auto at = std::find_if(all.begin(), all.end(), [&](const Surface& s) { return s.id == surface; });
  if (at == all.end()) return notThere(surface);
  const double before = at->bottom, board = at->thickness.value_or(kUsualBoard);
  if (at->top && bottom > *at->top - kLeastBay)
    return Error{"shelf " + surface, "would leave no bay over it", "Set it lower"};
  for (Surface& below : all) {
    // The bay it is the roof of.
    const bool under = &below != &*at && below.top && std::abs(*below.top - (before - board)) < 1 &&
                       below.left < at->right && below.right > at->left;
    if (!under) continue;
    if (bottom - board < below.bottom + kLeastBay)
      return Error{"shelf " + surface, "would leave no bay below it", "Set it higher"};
    below.top = bottom - board;
  }
  if (bottom < 0) return Error{"shelf " + surface, "would lie below the case's foot", "Set it higher"};
  at->bottom = bottom;
  return withSurfaces(job, piece.id, std::move(all));
}

Result<Job> withUpright(const Job& job, const SchemeId& scheme, const PlacementId& id, const std::string& surface) {
  const Scheme* found = findScheme(job, scheme);
  const Placement* p = found != nullptr ? findPlacement(*found, id) : nullptr;
  if (p == nullptr) return notThere(surface);
  const Piece piece = pieceOf(job, *p);
  std::vector<Surface> all = piece.surfaces->all;
  const auto at = std::find_if(all.begin(), all.end(), [&](const Surface& s) { return s.id == surface; });
  if (at == all.end()) return notThere(surface);
  if (at->right - at->left < kUsualBoard + 2 * kLeastBay)
    return Error{"shelf " + surface, "is too short for an upright", "Leave it as it is"};
  const double middle = (at->left + at->right) / 2, half = kUsualBoard / 2;
  Surface right = *at;
  right.id = surface + "r";
  if (std::any_of(all.begin(), all.end(), [&](const Surface& s) { return s.id == right.id; }))
    return Error{"shelf " + surface, "has an upright already", "Leave it as it is"};
  right.left = middle + half;
  at->right = middle - half;
  at->span = right.span = std::nullopt;  // each half spans from support to support now
  all.insert(at + 1, right);
  auto with = withSurfaces(job, piece.id, std::move(all));
  if (!with) return with;
  // What stands to the right of it, in every scheme, stands on the right half.
  Job out = *with;
  for (const auto& one : with->schemes) {
    Scheme changed = *one;
    bool any = false;
    for (Placement& thing : changed.placements) {
      auto* on = onAnother(thing.on);
      const Placement* carrier = on != nullptr ? findPlacement(*one, on->carrier) : nullptr;
      if (carrier == nullptr || carrier->piece != piece.id || on->surface != surface || on->at.x <= middle) continue;
      on->surface = right.id;
      any = true;
    }
    if (any) out = withScheme(out, std::move(changed));
  }
  return out;
}

}  // namespace mezzet
