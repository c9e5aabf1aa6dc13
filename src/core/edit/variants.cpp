#include "core/edit/variants.h"

#include "core/edit/edits.h"

namespace mezzet {

Result<Job> withVariant(const Job& job, const SchemeId& scheme, const PlacementId& placement, Piece changed,
                        IdSource& ids) {
  changed.variantOf = changed.variantOf.value_or(changed.id);
  changed.id = ids.take<PieceId>("piece");
  changed.count = 1;
  const PieceId fresh = changed.id;
  const Result<Job> added = withPiece(job, std::move(changed));
  if (!added) return added.error();
  return repointed(*added, scheme, placement, fresh);
}

}  // namespace mezzet
