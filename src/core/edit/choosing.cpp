#include "core/edit/choosing.h"

#include <algorithm>

#include "core/edit/edits.h"
#include "core/edit/validate_choosing.h"

namespace mezzet {
namespace {

Result<Job> withSoundScheme(const Job& job, Scheme changed) {
  if (auto fault = faultOfChoosing(changed, [&](const PieceId& id) { return findPiece(job, id); })) return *fault;
  return withScheme(job, std::move(changed));
}

Candidate* find(Placement& p, const PieceId& piece) {
  const auto at =
      std::find_if(p.candidates.begin(), p.candidates.end(), [&](const auto& c) { return c.piece == piece; });
  return at == p.candidates.end() ? nullptr : &*at;
}

}  // namespace

Result<Job> withCandidate(const Job& job, const SchemeId& id, const PlacementId& placement, const PieceId& piece) {
  const Scheme* scheme = findScheme(job, id);
  if (scheme == nullptr || findPlacement(*scheme, placement) == nullptr) return job;
  Scheme changed = *scheme;
  for (Placement& p : changed.placements) {
    if (p.id != placement) continue;
    if (find(p, p.piece) == nullptr) p.candidates.push_back({p.piece, {}, CandidateState::Chosen});
    if (find(p, piece) == nullptr) p.candidates.push_back({piece});
  }
  return withSoundScheme(job, std::move(changed));
}

Job withoutCandidate(const Job& job, const SchemeId& id, const PlacementId& placement, const PieceId& piece) {
  const Scheme* scheme = findScheme(job, id);
  if (scheme == nullptr) return job;
  Scheme changed = *scheme;
  for (Placement& p : changed.placements) {
    if (p.id != placement || p.piece == piece) continue;
    std::erase_if(p.candidates, [&](const Candidate& c) { return c.piece == piece; });
    // What stands there alone is no choice.
    if (p.candidates.size() == 1 && p.candidates.front() == Candidate{p.piece, {}, CandidateState::Chosen})
      p.candidates.clear();
  }
  return withScheme(job, std::move(changed));
}

Result<Job> withCandidateSaid(const Job& job, const SchemeId& id, const PlacementId& placement, Candidate said) {
  const Scheme* scheme = findScheme(job, id);
  if (scheme == nullptr) return job;
  Scheme changed = *scheme;
  for (Placement& p : changed.placements) {
    if (p.id != placement) continue;
    Candidate* now = find(p, said.piece);
    if (now == nullptr) return job;
    if (said.state == CandidateState::Rejected && p.piece == said.piece)
      return Error{"candidate", "is what stands there", "Choose another one first"};
    if (said.state == CandidateState::Rejected && said.why.empty())
      return Error{"candidate", "is turned down without a reason", "A word does: too small, too blue"};
    if (said.state == CandidateState::Chosen)
      for (Candidate& other : p.candidates)
        if (other.state == CandidateState::Chosen && other.piece != said.piece) other.state = CandidateState::Finalist;
    *now = std::move(said);
  }
  return withSoundScheme(job, std::move(changed));
}

Result<Job> withAreas(const Job& job, const SchemeId& id, std::vector<RoomArea> areas) {
  const Scheme* scheme = findScheme(job, id);
  if (scheme == nullptr) return job;
  Scheme changed = *scheme;
  changed.areas = std::move(areas);
  return withSoundScheme(job, std::move(changed));
}

Result<Job> withTakenOut(const Job& job, const SchemeId& id, TakenOut out) {
  const Scheme* scheme = findScheme(job, id);
  if (scheme == nullptr) return job;
  Scheme changed = *scheme;
  const auto at = std::find_if(changed.takesOut.begin(), changed.takesOut.end(),
                               [&](const TakenOut& t) { return t.what == out.what; });
  if (at == changed.takesOut.end()) changed.takesOut.push_back(std::move(out));
  else *at = std::move(out);
  return withSoundScheme(job, std::move(changed));
}

Job withoutTakenOut(const Job& job, const SchemeId& id, const std::string& what) {
  const Scheme* scheme = findScheme(job, id);
  if (scheme == nullptr) return job;
  Scheme changed = *scheme;
  std::erase_if(changed.takesOut, [&](const TakenOut& t) { return t.what == what; });
  return withScheme(job, std::move(changed));
}

Result<Job> withBudget(const Job& job, BudgetList budget) {
  if (auto fault = faultOfBudget(budget)) return *fault;
  Job out = job;
  out.budget = std::move(budget);
  return out;
}

std::vector<std::string> unsignedIn(const Scheme& scheme) {
  std::vector<std::string> out;
  for (const TakenOut& t : scheme.takesOut)
    if (!t.isSigned()) out.push_back(t.what);
  return out;
}

}  // namespace mezzet
