#include "core/rules/check.h"

#include <algorithm>

#include "core/model/kinds.h"
#include "core/rules/base/wall_doubt.h"
#include "core/rules/registry.h"

namespace mezzet {

std::vector<Finding> check(const Job& job, const Rulebook& book, const SchemeId& id, LengthFormat format,
                           const CheckWith& with) {
  std::vector<Finding> findings;
  const Scheme* scheme = findScheme(job, id);
  if (scheme == nullptr) return findings;
  const Situation situation(job, book, *scheme, format, with);
  for (const RuleRows rows : ruleFamilies())
    for (const RuleRow& row : rows) {
      const Rule* rule = findRule(book, std::string(row.id));
      if (rule == nullptr) continue;
      const auto first = static_cast<std::ptrdiff_t>(findings.size());
      row.evaluate(situation, *rule, findings);
      std::sort(findings.begin() + first, findings.end(),
                [](const Finding& a, const Finding& b) { return a.subjects < b.subjects; });
    }
  addWallDoubts(situation, findings);
  return findings;
}

std::string rulebookNews(const Job& job, const Rulebook& book, const std::vector<Finding>& findings) {
  const int known = job.houseRules.rulebook;
  if (known >= book.version) return {};
  // What judges nothing here is no news.
  if (std::none_of(findings.begin(), findings.end(), [&](const Finding& f) {
        const Rule* rule = findRule(book, f.rule);
        return rule != nullptr && rule->since > known;
      }))
    return {};
  int fresh = 0, broken = 0;
  std::string names;
  for (const Rule& rule : book.rules) {
    if (rule.since <= known) continue;
    ++fresh;
    const auto breaks = std::count_if(findings.begin(), findings.end(),
                                      [&](const Finding& f) { return f.rule == rule.id && breaksByWeight(f); });
    if (breaks > 0) names += (names.empty() ? ": " : ", ") + rule.name;
    broken += static_cast<int>(breaks);
  }
  if (fresh == 0) return {};
  std::string out = "Rulebook " + std::to_string(book.version) + " brings " + std::to_string(fresh) +
                    (fresh == 1 ? " rule" : " rules") + " that rulebook " + std::to_string(known) +
                    " had not; the others ask what they asked.";
  if (broken == 0) return out + " None of them breaks here.";
  return out +
         (broken == 1 ? " One finding of theirs breaks here"
                      : " " + std::to_string(broken) + " findings of theirs break here") +
         names + ".";
}

std::optional<Place> placeForGap(const Job& job, const Scheme& scheme, const Finding& f, const PlacementId& mover,
                                 double length) {
  const Placement* p = findPlacement(scheme, mover);
  const Vec2 d = unit(f.at[1] - f.at[0]);
  if (p == nullptr || norm(d) == 0 || std::find(f.subjects.begin(), f.subjects.end(), mover.value) == f.subjects.end())
    return std::nullopt;
  // The first witness point is on the seat or on what stands below, the second on the table or the picture.
  const auto* floor = onFloor(p->on);
  const auto* hung = onWall(p->on);
  const bool second = hung != nullptr || (showsOf(f.rule, shows::kTableReach) && isLowTable(pieceOf(job, *p).kind));
  const Vec2 by = d * ((second ? 1 : -1) * (length - f.measured));
  if (floor != nullptr && f.view.isPlan()) return FloorPlace{floor->at + by, floor->turn};
  if (hung != nullptr) return WallPlace{hung->wall, hung->u + by.x, hung->v + by.y, hung->group, hung->apart};
  return std::nullopt;
}

}  // namespace mezzet
