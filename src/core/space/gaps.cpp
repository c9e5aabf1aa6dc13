#include "core/space/gaps.h"

#include <algorithm>
#include <tuple>

namespace mezzet {
std::vector<Gap> gapsIn(const Job& job, const Scheme& scheme, double cap) {
  return gapsIn(floorBodies(job, scheme), roomOf(job, scheme), cap);
}

std::vector<Gap> gapsIn(std::vector<Body> bodies, const Room& room, double cap) {
  const std::size_t placements = bodies.size();
  for (auto* more : {&wallBodies, &openingBodies, &featureBodies})
    for (Body& body : (*more)(room)) bodies.push_back(std::move(body));

  std::vector<std::size_t> order(bodies.size());
  for (std::size_t i = 0; i < order.size(); ++i) order[i] = i;
  std::sort(order.begin(), order.end(),
            [&](std::size_t i, std::size_t j) { return bodies[i].bounds.low.x < bodies[j].bounds.low.x; });

  std::vector<Gap> gaps;
  // Bodies whose right edge the sweep has not left behind by the cap; their boxes side by side, since most pairs go no
  // further than comparing them.
  struct Open {
    Box box;
    std::size_t body;
  };
  std::vector<Open> open;
  for (const std::size_t i : order) {
    const Box box = bodies[i].bounds;
    std::erase_if(open, [&](const Open& o) { return o.box.high.x + cap < box.low.x; });
    for (const Open& o : open) {
      if (furtherApart(box, o.box, cap)) continue;
      const std::size_t first = std::min(i, o.body), second = std::max(i, o.body);
      if (first >= placements) continue;  // two fixed things
      if (second < placements && (bodies[first].flat || bodies[second].flat)) continue;
      const Separation s = separation(bodies[first], bodies[second]);
      if (s.gap <= cap) gaps.push_back({bodies[first].id, bodies[second].id, s.gap, s.a, s.b});
    }
    open.push_back({box, i});
  }
  std::sort(gaps.begin(), gaps.end(),
            [](const Gap& a, const Gap& b) { return std::tie(a.length, a.a, a.b) < std::tie(b.length, b.a, b.b); });
  return gaps;
}

}  // namespace mezzet
