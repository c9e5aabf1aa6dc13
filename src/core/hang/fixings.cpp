#include "core/hang/fixings.h"

#include <algorithm>
#include <cmath>

#include "core/units/weight.h"

namespace mezzet {

FixingAnswer fixingsFor(const std::vector<Fixing>& all, const FixingQuestion& q, Unit unit) {
  FixingAnswer out;
  const double asked = kLoadFactor * q.load;
  for (const Fixing& f : all) {
    std::string why;
    if (q.wall == WallMaterial::Unknown) why = "what the wall is made of is not known";
    else if (std::find(f.walls.begin(), f.walls.end(), q.wall) == f.walls.end()) why = "is not for this wall";
    else if (f.stud && q.stud != StudVerdict::In) why = "needs a stud there";
    else if (q.captive && !f.captive) why = "is not captive, over a seat or a bed";
    else if (f.bears() < asked - 1e-9)
      why = "bears " + writeWeight(f.bears(), unit) + ", " + writeWeight(asked, unit) + " are asked";
    if (why.empty()) out.fit.push_back(&f);
    else out.refused.emplace_back(&f, std::move(why));
  }
  std::stable_sort(out.fit.begin(), out.fit.end(), [&](const Fixing* a, const Fixing* b) {
    if (q.tenant && (a->hole > 0) != (b->hole > 0)) return b->hole > 0;
    return a->bears() < b->bears();
  });
  return out;
}

}  // namespace mezzet
