#include "core/decide/decisions.h"

#include <algorithm>
#include <cmath>
#include <map>

#include "core/rules/art/art_case.h"

namespace mezzet {
namespace {

int rankOf(const Finding& f) { return f.weight == Weight::Must ? 0 : 1; }

/// What of a pinch can be moved.
std::vector<std::string> movable(const Finding& f, const Scheme& scheme) {
  std::vector<std::string> out;
  for (const std::string& id : f.between)
    if (findPlacement(scheme, PlacementId(id)) != nullptr) out.push_back(id);
  return out;
}

/// A room by its name, a wall of one by its letter.
std::string roomWords(const Job& job, const std::string& subject) {
  if (const Room* room = findRoom(job, RoomId(subject))) return room->name + ", lights";
  for (const auto& room : job.rooms)
    if (const std::string fixed = featureWords(*room, subject); !fixed.empty()) return capital(fixed);
  return subject.starts_with("wall:") ? "Wall " + subject.substr(5) : subject;
}

bool worse(const Finding& a, const Finding& b) {
  if (rankOf(a) != rankOf(b)) return rankOf(a) < rankOf(b);
  return a.margin < b.margin;
}

}  // namespace

std::vector<Decision> decisionsOf(const std::vector<Finding>& findings, const Job& job, const Rulebook& book,
                                  const SchemeId& id, LengthFormat format) {
  const Scheme* scheme = findScheme(job, id);
  if (scheme == nullptr) return {};
  // Each broken finding goes to that of its subjects which has most to answer for; of equals to the smallest piece,
  // since it is the easiest to move.
  std::map<std::string, int> blame;
  for (const Finding& f : findings)
    if (breaksByWeight(f))
      for (const std::string& s : f.between.empty() ? f.subjects : f.between) ++blame[s];
  const auto widthOf = [&](const std::string& s) {
    const Placement* p = findPlacement(*scheme, PlacementId(s));
    return p != nullptr ? pieceOf(job, *p).width : HUGE_VAL;
  };
  const SchemeNames names(job, *scheme);
  std::vector<Decision> out;
  for (std::size_t i = 0; i < findings.size(); ++i) {
    const Finding& f = findings[i];
    if (!breaksByWeight(f)) continue;
    std::string subject = f.subjects.front();
    const std::vector<std::string> blamed = movable(f, *scheme);
    if (!blamed.empty()) subject = blamed.front();
    for (const std::string& s : blamed.empty() ? f.subjects : blamed) {
      // What hangs is what a wall rule is about, not the sofa below it.
      const Placement* p = findPlacement(*scheme, PlacementId(s));
      const bool hangs = p != nullptr && (onWall(p->on) != nullptr || onCeiling(p->on) != nullptr);
      if (!f.view.isPlan() ? hangs : std::pair(-blame[s], widthOf(s)) < std::pair(-blame[subject], widthOf(subject))) {
        subject = s;
        if (!f.view.isPlan()) break;
      }
    }
    subject = carrierOfSubject(subject);
    auto at = std::find_if(out.begin(), out.end(), [&](const Decision& d) { return d.subject == subject; });
    if (at == out.end()) {
      const Placement* p = findPlacement(*scheme, PlacementId(subject));
      const Piece* piece = findPiece(job, PieceId(subject));
      out.push_back({subject,
                     p != nullptr       ? names.plain(p->id)
                     : piece != nullptr ? piece->name
                                        : roomWords(job, subject),
                     {},
                     {}});
      at = out.end() - 1;
    }
    at->findings.push_back(i);
  }
  for (Decision& d : out) {
    std::sort(d.findings.begin(), d.findings.end(),
              [&](std::size_t a, std::size_t b) { return worse(findings[a], findings[b]); });
    if (const auto c = artCaseOf(job, book, id, PlacementId(d.subject)); c && !c->solution.both)
      d.conflict = "Two of this house's rules cannot both hold for a frame " + writeLength(c->question.frame, format) +
                   " high over a top of " + writeLength(c->question.top, format) + ": their bands for its centre are " +
                   writeLength(c->solution.apart, format) + " apart.";
  }
  std::stable_sort(out.begin(), out.end(), [&](const Decision& a, const Decision& b) {
    return worse(findings[a.findings.front()], findings[b.findings.front()]);
  });
  return out;
}

std::vector<std::string> nowHolds(const std::vector<Finding>& before, const std::vector<Finding>& now, const Job& job,
                                  const Rulebook& book, const SchemeId& id) {
  std::vector<std::string> out;
  const Scheme* scheme = findScheme(job, id);
  if (scheme == nullptr) return out;
  const SchemeNames names(job, *scheme);
  const Room& room = roomOf(job, *scheme);
  for (const Finding& was : before) {
    if (was.verdict != Verdict::Breaks) continue;
    const auto is = std::find_if(now.begin(), now.end(), [&](const Finding& f) { return f.id == was.id; });
    if (is != now.end()) {
      if (is->verdict == Verdict::Holds || is->verdict == Verdict::Close) out.push_back(is->sentence);
      continue;
    }
    // It is only found while it breaks: nothing is left to measure. What was taken out is not here to be named.
    const auto here = [&](const std::string& said) {
      const std::string subject = carrierOfSubject(said);
      return findPlacement(*scheme, PlacementId(subject)) != nullptr ||
             findOpening(room, OpeningId(subject)) != nullptr || !featureWords(room, subject).empty() ||
             subject.starts_with("wall:");
    };
    if (!std::all_of(was.subjects.begin(), was.subjects.end(), here)) continue;
    std::vector<std::string> things;
    for (const std::string& subject : was.subjects) things.push_back(thingWords(names, room, subject));
    if (const Rule* rule = findRule(book, was.rule))
      out.push_back("Settled: " + midSentence(rule->name) + ", " + listWords(things) + ".");
  }
  return out;
}

std::vector<Turned> nowTurned(const std::vector<Finding>& before, const std::vector<Finding>& now, const Job& jobBefore,
                              const Job& job, const SchemeId& id) {
  std::vector<Turned> out;
  const Scheme *then = findScheme(jobBefore, id), *scheme = findScheme(job, id);
  if (then == nullptr || scheme == nullptr) return out;
  // What was moved, turned or changed knows it by itself; what stands where it stood is told.
  const auto untouched = [&](const std::string& subject) {
    const Placement *was = findPlacement(*then, PlacementId(subject)),
                    *is = findPlacement(*scheme, PlacementId(subject));
    if (was == nullptr || is == nullptr) return was == is;  // a wall, an opening: nobody moved it here
    return *was == *is && pieceOf(jobBefore, *was) == pieceOf(job, *is);
  };
  for (const Finding& f : now) {
    if (!breaksByWeight(f)) continue;
    const auto was = std::find_if(before.begin(), before.end(), [&](const Finding& b) { return b.id == f.id; });
    if (was != before.end() && was->verdict != Verdict::Holds && was->verdict != Verdict::Close) continue;
    // Something that hangs and was left alone, or something that stands while nothing it is judged with was touched.
    bool stands = false, hangs = false;
    for (const std::string& s : f.subjects)
      if (const Placement* p = findPlacement(*scheme, PlacementId(s))) {
        stands = true;
        hangs = hangs || (onWall(p->on) != nullptr && untouched(s));
      }
    if (hangs || (stands && std::all_of(f.subjects.begin(), f.subjects.end(), untouched)))
      out.push_back({f.id, f.sentence});
  }
  return out;
}

}  // namespace mezzet
