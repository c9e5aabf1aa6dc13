#include "core/rules/base/rulebook.h"

#include <algorithm>
#include <limits>

#include "core/base/sentence.h"
#include "core/use/eyes.h"

namespace mezzet {
namespace {

/// No end is further out than an open one.
Range spanned(const Range& a, const Range& b) {
  Range r;
  if (a.low && b.low) r.low = std::min(*a.low, *b.low);
  if (a.high && b.high) r.high = std::max(*a.high, *b.high);
  return r;
}
Range overlapped(const Range& a, const Range& b) {
  Range r;
  if (a.low || b.low) r.low = std::max(a.low.value_or(-HUGE_VAL), b.low.value_or(-HUGE_VAL));
  if (a.high || b.high) r.high = std::min(a.high.value_or(HUGE_VAL), b.high.value_or(HUGE_VAL));
  return r;
}

}  // namespace

const Rule* findRule(const Rulebook& book, const std::string& id) {
  const auto at = std::find_if(book.rules.begin(), book.rules.end(), [&](const Rule& r) { return r.id == id; });
  return at == book.rules.end() ? nullptr : &*at;
}

const School* findSchool(const Rule& rule, const std::string& id) {
  const auto at = std::find_if(rule.schools.begin(), rule.schools.end(), [&](const School& s) { return s.id == id; });
  return at == rule.schools.end() ? nullptr : &*at;
}

Asked askedBySchool(const School& school, const Job& job, const std::vector<std::string>& whens) {
  Asked asked{school.tolerated, school.ideal, school.id, {}};
  for (const std::string& when : whens)
    for (const School::Case& one : school.cases)
      if (one.when == when) return {one.tolerated, one.ideal, school.id, {}};
  if (school.aboutEyeHeight) {
    if (const auto eye = meanEyeHeight(job.brief)) asked.tolerated = {*eye - school.within, *eye + school.within};
    else asked.missing.push_back("brief.viewers");
  }
  return asked;
}

Asked askedOf(const Rule& rule, const Job& job, const std::vector<std::string>& whens) {
  if (const auto own = job.houseRules.ranges.find(rule.id); own != job.houseRules.ranges.end())
    return {{own->second.low, own->second.high}, {}, std::nullopt, {}};
  if (const auto chosen = job.houseRules.schools.find(rule.id); chosen != job.houseRules.schools.end())
    if (const School* school = findSchool(rule, chosen->second)) return askedBySchool(*school, job, whens);
  if (rule.schools.size() == 1) return askedBySchool(rule.schools.front(), job, whens);
  std::optional<Asked> all;
  for (const School& school : rule.schools) {
    const Asked one = askedBySchool(school, job, whens);
    if (!one.missing.empty()) continue;  // a school that cannot be asked yet does not stretch the span
    if (!all) {
      all = Asked{one.tolerated, one.tolerated, std::nullopt, {}};
      continue;
    }
    all->ideal = overlapped(all->ideal, one.tolerated);
    all->tolerated = spanned(all->tolerated, one.tolerated);
  }
  if (!all) return {};
  if (all->ideal.low && all->ideal.high && *all->ideal.low > *all->ideal.high) all->ideal = {};
  return *all;
}

Asked askedOf(const Rule& rule, const Job& job, const Piece& piece, const std::vector<std::string>& whens) {
  if (const auto own = piece.ownRules.find(rule.id); own != piece.ownRules.end()) {
    if (own->second.range) return {{own->second.range->low, own->second.range->high}, {}, std::nullopt, {}};
    if (own->second.school)
      if (const School* school = findSchool(rule, *own->second.school)) return askedBySchool(*school, job, whens);
  }
  return askedOf(rule, job, whens);
}

Asked raisedFor(const Rule& rule, Asked asked, double height) {
  const School* school = asked.school ? findSchool(rule, *asked.school) : nullptr;
  if (school == nullptr && !rule.schools.empty()) school = &rule.schools.front();
  if (school == nullptr || school->perFoot.add == 0 || height <= school->perFoot.over) return asked;
  const double by = school->perFoot.add * (height - school->perFoot.over) / (12 * kInch);
  for (Range* range : {&asked.tolerated, &asked.ideal})
    for (auto* end : {&range->low, &range->high})
      if (*end) **end += by;
  return asked;
}

HouseRules newHouseRules(const Rulebook& book, const Brief& brief) {
  HouseRules rules;
  rules.rulebook = book.version;
  for (const Rule& rule : book.rules) {
    if (rule.schools.size() < 2 || !rule.defaultSchool) continue;  // nothing to choose between
    std::string school = *rule.defaultSchool;
    if (!brief.statures.empty())
      for (const School& s : rule.schools)
        if (s.aboutEyeHeight) school = s.id;
    rules.schools[rule.id] = school;
  }
  return rules;
}

std::string ruleWords(const Rulebook& book, const std::string& id) {
  const Rule* rule = findRule(book, id);
  return rule != nullptr ? midSentence(rule->name) : id;
}

std::optional<Error> unknownSchool(const Job& job, const Rulebook& book) {
  const auto fault = [&](const std::string& where, const std::string& id,
                         const std::string& school) -> std::optional<Error> {
    const Rule* rule = findRule(book, id);
    if (rule == nullptr || findSchool(*rule, school) != nullptr) return std::nullopt;
    std::string has;
    for (const School& one : rule->schools) has += (has.empty() ? "" : ", ") + one.id;
    return Error{where, "choose school \"" + school + "\" of " + id + ", which it does not have",
                 has.empty() ? "It has no schools" : "It has " + has};
  };
  for (const auto& [id, school] : job.houseRules.schools)
    if (auto found = fault("house rules", id, school)) return found;
  for (const auto& piece : job.pieces)
    for (const auto& [id, own] : piece->ownRules)
      if (own.school)
        if (auto found = fault("the rules of " + piece->id.value, id, *own.school)) return found;
  return std::nullopt;
}

}  // namespace mezzet
