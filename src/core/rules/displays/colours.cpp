// One palette for a display, accents in it, books massed by colour.
#include <algorithm>

#include "core/colour/names.h"
#include "core/display/colours.h"
#include "core/edit/edits.h"
#include "core/rules/displays/rules.h"
#include "core/rules/displays/shared.h"

namespace mezzet {
namespace {

constexpr std::size_t kWorst = 3;

void evaluateStray(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  for (const Display& d : s.displays()) {
    const PaletteReader palette(d.palette);
    if (!d.palette.accepted || palette.empty()) continue;
    std::vector<std::pair<double, const DisplayedThing*>> strays;
    for (const DisplayedThing& t : d.things)
      if (const auto stray = palette.strayOf(mainColour(*t.piece))) strays.emplace_back(*stray, &t);
    if (strays.empty()) continue;
    std::stable_sort(strays.begin(), strays.end(), [](const auto& a, const auto& b) { return a.first > b.first; });
    const Asked asked = askedOf(rule, s.job);
    std::vector<std::string> subjects, names;
    for (const auto& [stray, thing] : strays) {
      if (subjects.size() == kWorst || (asked.tolerated.high && stray <= *asked.tolerated.high)) break;
      subjects.push_back(thing->placement->id.value);
      names.push_back(s.names.the(thing->placement->id) + " in " + nameOfColour(mainColour(*thing->piece)));
    }
    const bool holds = subjects.empty();
    Finding f = displayFinding(rule, asked, d, holds ? std::vector{d.carrier.id} : subjects);
    f.measured = strays.front().first;
    f.at = faceOf(*strays.front().second);
    decide(f, s.scheme);
    f.marginMm = std::nullopt;
    f.sentence = holds ? "Everything there keeps to the palette."
                       : capital(listWords(names)) + (names.size() == 1 ? " strays" : " stray") +
                             " from the palette, by " + std::to_string(std::lround(f.measured)) +
                             (names.size() == 1 ? "" : " at most") + ".";
    out.push_back(std::move(f));
  }
}

void wayToCalm(Proposals& ways) {
  for (const std::string& subject : ways.target.subjects) {
    const Placement* p = ways.placement(subject);
    if (p == nullptr || onAnother(p->on) == nullptr) continue;
    ways.offer("out:" + subject, "Take " + ways.name(*p) + " out", "the palette is kept",
               withoutPlacement(ways.job, ways.scheme.id, p->id));
    return;
  }
}

void evaluateAccent(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  for (const Display& d : s.displays()) {
    const auto share = accentShareOf(d);
    if (!share) continue;
    Finding f = displayFinding(rule, askedOf(rule, s.job), d, {d.carrier.id});
    f.measured = *share;
    f.at = {Vec2{0, 0}, Vec2{d.width, d.height}};
    decide(f, s.scheme);
    f.sentence = percent(*share) + " of what is seen there is in the accent" +
                 (f.margin >= 0                      ? "."
                  : *share < f.asked.low.value_or(0) ? ": so little looks like an accident."
                                                     : ": so much is a main colour.");
    out.push_back(std::move(f));
  }
}

void evaluateMass(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  for (const Display& d : s.displays()) {
    if (!d.palette.accepted) continue;
    for (std::size_t b = 0; b < d.bays.size(); ++b) {
      const ColourRuns runs = colourRunsOf(d, b);
      if (runs.families < 2) continue;
      Finding f = displayFinding(rule, askedOf(rule, s.job), d, {d.surfaceName(b)});
      f.measured = runs.runs - runs.families;
      f.at = faceOf(d.bays[b], 0);
      decide(f, s.scheme);
      f.sentence = "Books in " + std::to_string(runs.families) + " colours stand on " +
                   thingWords(s, d.surfaceName(b)) + " in " + std::to_string(runs.runs) + " stretches" +
                   (f.margin >= 0 ? "." : ": bring each colour together.");
      out.push_back(std::move(f));
    }
  }
}

void evaluateSpread(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  for (const Display& d : s.displays()) {
    if (d.school != DisplaySchool::Bookcase) continue;
    std::map<std::string, std::pair<std::vector<std::string>, std::vector<std::size_t>>> collections;
    for (const DisplayedThing& t : d.things) {
      if (t.piece->thing->collection.empty()) continue;
      auto& [members, bays] = collections[t.piece->thing->collection];
      members.push_back(t.placement->id.value);
      if (std::find(bays.begin(), bays.end(), t.bay) == bays.end()) bays.push_back(t.bay);
    }
    for (const auto& [name, found] : collections) {
      const auto& [members, bays] = found;
      if (members.size() < 2) continue;
      Asked asked = askedOf(rule, s.job);
      if (asked.tolerated.low)
        asked.tolerated.low =
            std::min({*asked.tolerated.low, static_cast<double>(members.size()), static_cast<double>(d.bays.size())});
      Finding f = displayFinding(rule, asked, d, members);
      f.measured = static_cast<double>(bays.size());
      f.at = {Vec2{0, 0}, Vec2{d.width, d.height}};
      decide(f, s.scheme);
      f.sentence = "The " + std::to_string(members.size()) + " of " + name + " stand in " +
                   std::to_string(bays.size()) + (bays.size() == 1 ? " bay" : " bays") +
                   (f.margin >= 0 ? "." : ": spread them about.");
      out.push_back(std::move(f));
    }
  }
}

constexpr RuleRow kColourRows[] = {{"palette-stray", evaluateStray, wayToCalm},
                                   {"accent-share", evaluateAccent},
                                   {"colour-mass", evaluateMass},
                                   {"collection-spread", evaluateSpread}};

}  // namespace

RuleRows displayColourRules() { return kColourRows; }

}  // namespace mezzet
