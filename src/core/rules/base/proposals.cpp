#include "core/rules/base/proposals.h"

#include <algorithm>
#include <cmath>

#include "core/edit/edits.h"
#include "core/rules/base/words.h"

namespace mezzet {

Proposals::Proposals(const Finding& finding, const Job& ofJob, const Rulebook& withBook, const Scheme& ofScheme,
                     IdSource fromIds, LengthFormat inFormat, Prove prove)
    : target(finding),
      job(ofJob),
      book(withBook),
      scheme(ofScheme),
      names(ofJob, ofScheme),
      ids(fromIds),
      format(inFormat),
      prove_(std::move(prove)) {}

bool Proposals::offer(std::string id, std::string sentence, std::string gives, Job after, const IdSource& used) {
  return prove_({std::move(id), std::move(sentence), std::move(gives), std::move(after), used.next()}, {});
}
bool Proposals::offerCompromise(std::string id, std::string sentence, std::string gives, Job after,
                                const Excused& excused) {
  return prove_({std::move(id), std::move(sentence), std::move(gives), std::move(after), ids.next()}, excused);
}

void Proposals::moveFloor(const Placement& p, Vec2 by) {
  const auto* place = onFloor(p.on);
  if (place == nullptr) return;
  const Vec2 d = unit(by);
  const std::string way = std::abs(d.x) >= std::abs(d.y) ? (d.x > 0 ? "to the right" : "to the left")
                                                         : (d.y > 0 ? "up the plan" : "down the plan");
  FloorPlace there = *place;
  there.at += by;
  offer("move:" + p.id.value, "Move " + name(p) + " " + way + " by " + length(norm(by)), "clear",
        placed(job, scheme.id, p.id, there));
}

void Proposals::moveClear(bool alongWalls) {
  const Vec2 line = unit(target.at[1] - target.at[0]);
  if (norm(line) == 0) return;
  const double by = -target.margin;
  for (const std::string& id : target.subjects) {
    const Placement* p = findPlacement(scheme, PlacementId(id));
    if (p == nullptr || p->locked) continue;
    // Which way is away depends on whose witness point comes first; the re-check decides.
    for (const double sign : {1.0, -1.0}) moveFloor(*p, line * (sign * by));
    const auto* place = onFloor(p->on);
    if (place == nullptr || !alongWalls) continue;
    const double step = shopStep();
    for (const Vec2 way : {Vec2{1, 0}, Vec2{-1, 0}, Vec2{0, 1}, Vec2{0, -1}})
      moveFloor(*p, way * (std::ceil(by / step - 1e-9) * step));
  }
}

void Proposals::moveClear() { moveClear(false); }
void Proposals::moveClearOrAlongWalls() { moveClear(true); }

void Proposals::widen() {
  if (target.between.size() != 2 || !target.marginMm || *target.marginMm >= 0) return;
  const Vec2 d = unit(target.at[1] - target.at[0]);
  for (std::size_t i = 0; i < 2; ++i)
    if (const Placement* p = findPlacement(scheme, PlacementId(target.between[i]));
        p != nullptr && onFloor(p->on) != nullptr)
      moveFloor(*p, d * (i == 0 ? *target.marginMm : -*target.marginMm));
}

void Proposals::otherSchools(const std::string& gives) {
  const Rule& rule = *findRule(book, target.rule);
  for (const School& school : rule.schools) {
    if (target.school == school.id) continue;
    const Asked asked = askedBySchool(school, job);
    if (!asked.missing.empty() || marginIn(asked.tolerated, target.measured) < 0) continue;
    offer("school:" + school.id, "Ask " + rangeWords(asked.tolerated, format) + " in this house", gives,
          withSchool(job, rule.id, school.id));
  }
}

}  // namespace mezzet
