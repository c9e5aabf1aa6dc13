#include "core/rules/check.h"

#include <algorithm>
#include <array>
#include <cctype>
#include <tuple>

namespace mezzet {
namespace {

using Evaluator = void (*)(const Situation&, const Rule&, std::vector<Finding>&);
struct Entry {
  const char* rule;
  Evaluator evaluate;
};
constexpr std::array kEvaluators{
    Entry{"table-reach", evaluateTableReach}, Entry{"art-centre", evaluateArtCentre},
    Entry{"art-gap", evaluateArtGap},         Entry{"overlap", evaluateOverlap},
    Entry{"outside-room", evaluateOutsideRoom}, Entry{"piece-count", evaluatePieceCount},
};

}  // namespace

std::vector<Finding> check(const Job& job, const Rulebook& book, const SchemeId& id, LengthFormat format) {
  std::vector<Finding> findings;
  const Scheme* scheme = findScheme(job, id);
  if (scheme == nullptr) return findings;
  const Situation situation{job, book, *scheme, roomOf(job, *scheme), format};
  for (const Entry& entry : kEvaluators) {
    const Rule* rule = findRule(book, entry.rule);
    if (rule == nullptr) continue;
    const auto first = static_cast<std::ptrdiff_t>(findings.size());
    entry.evaluate(situation, *rule, findings);
    std::sort(findings.begin() + first, findings.end(), [](const Finding& a, const Finding& b) { return a.subjects < b.subjects; });
  }
  return findings;
}

Finding findingOf(const Rule& rule, const Asked& asked, std::vector<std::string> subjects) {
  std::sort(subjects.begin(), subjects.end());
  Finding f;
  f.rule = rule.id;
  f.id = rule.id + ":";
  for (const std::string& s : subjects) f.id += (f.id.back() == ':' ? "" : ",") + s;
  f.subjects = std::move(subjects);
  f.school = asked.school;
  f.weight = rule.weight;
  f.quantity = rule.quantity == "count" ? Quantity::Count : Quantity::Length;
  f.asked = asked.tolerated;
  f.ideal = asked.ideal;
  f.missing = asked.missing;
  return f;
}

std::string rivalWords(const Situation& s, const Rule& rule, const Finding& f) {
  if (!f.school || f.verdict == Verdict::NotMeasured) return {};
  std::string out;
  for (const School& school : rule.schools) {
    if (school.id == *f.school) continue;
    const Asked other = askedBySchool(school, s.job);
    if (!other.missing.empty()) continue;
    const bool holdsHere = marginIn(f.asked, f.measured) >= 0, holdsThere = marginIn(other.tolerated, f.measured) >= 0;
    if (holdsHere == holdsThere) continue;
    std::string letter = school.id;
    letter[0] = static_cast<char>(std::toupper(static_cast<unsigned char>(letter[0])));
    out += (out.empty() ? "School " : "; school ") + letter + " asks " + rangeWords(other.tolerated, s.format);
  }
  return out.empty() ? out : out + ".";
}

std::string nameIn(const Job& job, const Scheme& scheme, const Placement& placement) {
  const std::string& name = pieceOf(job, placement).name;
  int here = 0, ordinal = 0;
  for (const Placement& p : scheme.placements) {
    if (pieceOf(job, p).name != name) continue;
    ++here;
    if (p.id == placement.id) ordinal = here;
  }
  return here > 1 ? name + " " + std::to_string(ordinal) : name;
}

std::string midSentence(std::string name) {
  // "TV stand" keeps its capitals; "Sofa" does not.
  if (name.size() > 1 && std::isupper(static_cast<unsigned char>(name[0])) && std::islower(static_cast<unsigned char>(name[1])))
    name[0] = static_cast<char>(std::tolower(static_cast<unsigned char>(name[0])));
  return name;
}

std::string theOne(const Job& job, const Scheme& scheme, const Placement& placement, bool startsSentence) {
  const std::string name = nameIn(job, scheme, placement);
  const bool numbered = name != pieceOf(job, placement).name;
  if (numbered) return startsSentence ? name : midSentence(name);
  return (startsSentence ? "The " : "the ") + midSentence(name);
}

std::string rangeWords(const Range& range, LengthFormat format) {
  LengthFormat bare = format;
  bare.withUnit = false;
  if (range.low && range.high) return writeLength(*range.low, bare) + " to " + writeLength(*range.high, format);
  if (range.low) return "at least " + writeLength(*range.low, format);
  if (range.high) return "at most " + writeLength(*range.high, format);
  return "nothing";
}

}  // namespace mezzet
