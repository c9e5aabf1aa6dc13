#include "core/choose/candidates.h"

#include <algorithm>
#include <cmath>

#include "core/base/sentence.h"
#include "core/decide/trial.h"
#include "core/edit/choosing.h"
#include "core/edit/edits.h"
#include "core/model/kinds.h"
#include "core/rules/art/art_case.h"

namespace mezzet {
namespace {

constexpr std::size_t kMostChanges = 5;

/// Changes of what is measured, the worst margin first.
std::vector<std::string> changesOf(const std::vector<Finding>& now, const std::vector<Finding>& then,
                                   const std::string& subject, const Rulebook& book, LengthFormat format) {
  std::vector<std::pair<double, std::string>> all;
  for (const Finding& f : then) {
    if (!isAbout(f, subject) || f.quantity != Quantity::Length || !f.missing.empty()) continue;
    const auto before = std::find_if(now.begin(), now.end(), [&](const Finding& g) { return g.id == f.id; });
    if (before == now.end() || !before->missing.empty() || std::abs(before->measured - f.measured) < kTouch) continue;
    all.emplace_back(f.margin, ruleWords(book, f.rule) + " " + writeLength(f.measured, format) + ", now " +
                                   writeLength(before->measured, format));
  }
  std::stable_sort(all.begin(), all.end(), [](const auto& a, const auto& b) { return a.first < b.first; });
  std::vector<std::string> out;
  for (const auto& [margin, words] : all)
    if (out.size() < kMostChanges) out.push_back(words);
  return out;
}

/// "32 x 40 in": what is seen of it where it stands or hangs.
std::string sizeWords(const Piece& piece, LengthFormat format) {
  LengthFormat bare = format;
  bare.withUnit = false;
  const auto& other = hangs(piece.kind) ? piece.height : piece.depth;
  if (!other) return writeLength(piece.width, format);
  return writeLength(piece.width, bare) + " x " + writeLength(*other, format);
}

bool goesWhere(const Piece& piece, const Place& place) {
  return onEach(
      place, [&](const FloorPlace&) { return !isSeenUpright(piece.kind) && piece.depth.has_value(); },
      [&](const WallPlace&) { return hangs(piece.kind); }, [&](const CarriedPlace&) { return canBeThing(piece.kind); },
      [&](const CeilingPlace&) { return canBeLight(piece.kind); },
      [&](const LeaningPlace&) { return isSeenUpright(piece.kind); });
}

}  // namespace

Job withShown(const Job& job, const Rulebook& book, const SchemeId& id, const PlacementId& placement,
              const PieceId& piece) {
  const Scheme* scheme = findScheme(job, id);
  const Placement* p = scheme != nullptr ? findPlacement(*scheme, placement) : nullptr;
  const Piece* fresh = findPiece(job, piece);
  if (p == nullptr || fresh == nullptr || p->piece == piece) return job;
  Placement changed = *p;
  changed.piece = piece;
  if (auto* floor = onFloor(changed.on)) {
    const Piece& before = pieceOf(job, *p);
    const double further = (before.depth.value_or(0) - fresh->depth.value_or(0)) / 2;
    if (!isRug(fresh->kind)) floor->at = floor->at + rotated({0, further}, turnOf(floor->turn));
  }
  changed.asHung.reset();
  Job out = withPlacement(job, id, changed);
  if (auto* hung = onWall(changed.on); hung != nullptr && !hung->group)
    if (const auto art = artCaseOf(out, book, id, placement)) {
      hung->v = art->solution.centre;
      out = withPlacement(out, id, changed);
    }
  return out;
}

std::vector<CandidateSeen> candidatesSeen(const Job& job, const Rulebook& book, const SchemeId& id,
                                          const PlacementId& placement, LengthFormat format, const CheckWith& with,
                                          const PicturesByName& pictures) {
  std::vector<CandidateSeen> out;
  const Scheme* scheme = findScheme(job, id);
  const Placement* p = scheme != nullptr ? findPlacement(*scheme, placement) : nullptr;
  if (p == nullptr) return out;
  const std::vector<Finding> now = check(job, book, id, format, with);
  for (const Candidate& c : p->candidates) {
    const Piece& piece = *findPiece(job, c.piece);
    CandidateSeen seen;
    seen.candidate = c;
    seen.shown = c.piece == p->piece;
    seen.job = withShown(job, book, id, placement, c.piece);
    const std::vector<Finding> then = seen.shown ? now : check(seen.job, book, id, format, with);
    for (const Finding& f : then)
      if (f.verdict == Verdict::Breaks && isAbout(f, placement.value)) seen.breaks.push_back(f);
    if (!seen.shown) seen.changes = changesOf(now, then, placement.value, book, format);
    seen.ties = tiesOf(job, *scheme, placement, piece, pictures);
    seen.tieWords = tieSentence(job, *scheme, seen.ties);
    seen.price = piece.shop->price;
    seen.size = sizeWords(piece, format);
    out.push_back(std::move(seen));
  }
  std::stable_partition(out.begin(), out.end(),
                        [](const CandidateSeen& c) { return c.candidate.state != CandidateState::Rejected; });
  return out;
}

Result<Job> withChosen(const Job& job, const Rulebook& book, const SchemeId& id, const PlacementId& placement,
                       const PieceId& piece, const std::string& why, const std::string& date) {
  const Scheme* scheme = findScheme(job, id);
  const Placement* p = scheme != nullptr ? findPlacement(*scheme, placement) : nullptr;
  if (p == nullptr) return job;
  const auto at =
      std::find_if(p->candidates.begin(), p->candidates.end(), [&](const auto& c) { return c.piece == piece; });
  if (at == p->candidates.end()) return Error{"candidate", "is none of this place", "Think of it here first"};
  Candidate said = *at;
  said.state = CandidateState::Chosen;
  said.date = date;
  if (!why.empty()) said.why = why;
  const Job shown = withShown(job, book, id, placement, piece);
  const auto out = withCandidateSaid(shown, id, placement, said);
  if (!out) return out.error();
  return withLogEntry(
      *out, id, {LogKind::Decision, date, "Chose " + findPiece(job, piece)->name + (why.empty() ? "." : ": " + why)});
}

std::vector<PieceId> couldBeThere(const Job& job, const SchemeId& id, const PlacementId& placement) {
  std::vector<PieceId> own, others;
  const Scheme* scheme = findScheme(job, id);
  const Placement* p = scheme != nullptr ? findPlacement(*scheme, placement) : nullptr;
  if (p == nullptr) return own;
  const Piece& there = pieceOf(job, *p);
  for (const auto& piece : job.pieces) {
    if (piece->id == p->piece || !goesWhere(*piece, p->on)) continue;
    if (std::any_of(p->candidates.begin(), p->candidates.end(), [&](const auto& c) { return c.piece == piece->id; }))
      continue;
    (piece->kind == there.kind ? own : others).push_back(piece->id);
  }
  own.insert(own.end(), others.begin(), others.end());
  return own;
}

}  // namespace mezzet
