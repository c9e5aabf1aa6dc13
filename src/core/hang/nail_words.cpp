#include "core/hang/nails.h"

#include <algorithm>
#include <cmath>

namespace mezzet {

const Fixing* findFixing(const std::vector<Fixing>& all, const std::string& id) {
  const auto at = std::find_if(all.begin(), all.end(), [&](const Fixing& f) { return f.id == id; });
  return at == all.end() ? nullptr : &*at;
}

std::string missingWords(const UnknownNails& u) {
  std::string words;
  for (const HookMissing& m : u.missing) words += (words.empty() ? "" : ", ") + m.words;
  return words;
}

std::string studWords(const Nail& nail, LengthFormat format) {
  switch (nail.stud) {
    case StudVerdict::In: return "in a stud";
    case StudVerdict::Near: return "near a stud";
    case StudVerdict::Between:
      return "stud " + writeLength(std::abs(*nail.toStud), format) + (*nail.toStud > 0 ? " right" : " left");
    case StudVerdict::Unknown: break;
  }
  return "stud not known";
}

std::vector<std::string> fixingWords(const NailPlan& plan, const Nail& nail, const std::vector<Fixing>& fixings,
                                     bool tenant, Unit unit, LengthFormat format) {
  if (!nail.load) return {"How heavy it is, is not known."};
  if (!plan.wallKnown) return {"Say in Measure what the wall is made of."};
  const FixingAnswer answer = fixingsFor(fixings, {*nail.load, plan.wallOf, nail.stud, nail.captive, tenant}, unit);
  std::vector<std::string> out;
  for (const Fixing* f : answer.fit)
    out.push_back("Fits: " + f->words + ", bears " + writeWeight(f->bears(), unit) + " by the packet" +
                  (f->tool.empty() ? "" : "; " + f->tool) +
                  (f->pilot > 0 ? "; pilot hole " + writeLength(f->pilot, format) : "") +
                  (f->hole > 0 ? "" : "; leaves no hole") + ".");
  for (const auto& [f, why] : answer.refused) out.push_back("Not: " + f->words + ": " + why + ".");
  return out;
}

std::vector<std::string> nailWords(const NailPlan& plan, const PlacementId& id, const std::vector<Fixing>& fixings,
                                   Unit unit, LengthFormat format) {
  std::vector<std::string> out;
  for (const Nail& n : plan.nails) {
    if (n.placement != id) continue;
    const Fixing* f = n.fixings.empty() ? nullptr : findFixing(fixings, n.fixings.front());
    out.push_back("Nail " + std::to_string(n.order) + ": " + writeLength(n.fromEnd, format) +
                  (plan.end == WallEnd::Left ? " from the left, " : " from the right, ") +
                  writeLength(n.aboveFloor, format) + " up, " + studWords(n, format) +
                  (n.load ? std::string(n.guess ? ", about " : ", ") + writeWeight(*n.load, unit) : "") +
                  (f != nullptr                ? ": " + f->words
                   : n.load && !plan.wallKnown ? ": say in Measure what the wall is made of"
                   : n.load                    ? ": no fixing of the list fits"
                                               : "") +
                  ".");
    if (!n.near.empty()) out.emplace_back("Cables may run there.");
    if (!n.clear.empty()) out.push_back("Detected, clear " + n.clear + ".");
  }
  for (const auto& [of, sentence] : plan.says)
    if (of == id) out.push_back(sentence);
  for (const StudMove& m : plan.moves)
    if (m.placement == id)
      out.push_back(writeLength(std::abs(m.by), format) + " to the " + (m.by > 0 ? "right" : "left") +
                    " its nails meet studs.");
  for (const UnknownNails& u : plan.unknown) {
    if (u.placement != id) continue;
    out.push_back(u.fault.empty() ? "Not known: " + missingWords(u) + ". Grey is what is usual." : u.fault + ".");
  }
  return out;
}

}  // namespace mezzet
