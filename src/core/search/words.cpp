// What an offered layout is about, and why one would take it.
#include <algorithm>
#include <cmath>

#include "core/base/sentence.h"
#include "core/model/kinds.h"
#include "core/rules/base/names.h"
#include "core/rules/base/words.h"
#include "core/search/search.h"
#include "core/units/area.h"

namespace mezzet {
namespace {

constexpr double kLooksAt = 35;        // degrees
constexpr double kBehind = 6 * kInch;  // a case that near to a back stands behind it
constexpr double kBeforeWindow = 90 * kInch;
constexpr double kUnderWindow = 36 * kInch;  // a back that near a window is before it
constexpr double kClearlyMore = 2 * kInch;   // of a way or a wall, to be told as the best
constexpr double kClearlyMoreFloor = 3 * kFoot * kFoot;

/// The wall that it stands at with its back.
std::optional<CornerId> wallAt(const Ground& g, const Layout& l, std::size_t i) {
  const BackOff back = backOff(g, l, i);
  if (back.wall == nullptr || back.off > kAtWall) return std::nullopt;
  return back.wall->id;
}

std::string_view focusWords(const Focus& f) {
  switch (f.kind) {
    case Focus::Kind::Fire: return "the fire";
    case Focus::Kind::Window: return "a window";
    case Focus::Kind::Screen: return "the screen";
    case Focus::Kind::Piece: return "the anchor";
  }
  return "";
}

std::string mainIdea(const Ground& g, const Layout& l, std::size_t main) {
  const FloorPlace& p = l.at[main];
  const auto wall = wallAt(g, l, main);
  std::string out = capital(std::string(kindWords(g.movables[main].piece->kind)));
  bool case_ = false;
  for (const auto* list : {&g.consoles, &g.storage})
    for (const std::size_t i : *list) {
      if (g.piece(l, i).height.value_or(kLowCase + 1) > kLowCase) continue;
      const Vec2 to = l.at[i].at - p.at;
      const double behind = dot(to, -frontOf(p)) - (depthOf(g.piece(l, main)) + depthOf(g.piece(l, i))) / 2;
      case_ = case_ ||
              (behind > -kTouch && behind < kBehind && std::abs(cross(to, frontOf(p))) < g.piece(l, main).width / 2);
    }
  if (wall) out += " at wall " + wall->value;
  else if (case_) out += " off the wall with a case behind it";
  else out += " off the wall";
  for (const Focus& f : g.focuses) {
    const Vec2 to = f.at - p.at;
    if (f.kind != Focus::Kind::Window && degreesBetween(frontOf(p), to) <= kLooksAt && dot(f.outward, to) < 0)
      return out + ", looking at " + std::string(focusWords(f));
  }
  for (const Focus& f : g.focuses) {
    if (f.kind != Focus::Kind::Window) continue;
    const Vec2 to = f.at - p.at;
    const double off = dot(p.at - f.at, f.outward) - depthOf(g.piece(l, main)) / 2;
    if (dot(frontOf(p), f.outward) > 0.9 && off < kUnderWindow &&
        std::abs(cross(to, f.outward)) < g.piece(l, main).width / 2)
      return out + ", before a window";
    if (degreesBetween(frontOf(p), to) <= kLooksAt) return out + ", looking out of a window";
  }
  return out;
}

/// How the other seats stand to the main one: "two facing it", "one at its side".
std::string othersIdea(const Ground& g, const Layout& l, std::size_t main) {
  int facing = 0, beside = 0, elsewhere = 0;
  for (const std::size_t i : g.seats) {
    if (i == main) continue;
    if (distance(l.at[i].at, l.at[main].at) > kOneGroup) ++elsewhere;
    else if (dot(frontOf(l.at[i]), frontOf(l.at[main])) < -0.7) ++facing;
    else ++beside;
  }
  static constexpr const char* kCounts[] = {"none", "one", "two", "three"};
  const auto count = [](int n) { return n <= 3 ? std::string(kCounts[n]) : std::to_string(n); };
  std::string out;
  if (facing > 0) out += ", " + count(facing) + " facing it";
  if (beside > 0) out += ", " + count(beside) + " at its side";
  if (elsewhere > 0) out += ", " + count(elsewhere) + " elsewhere";
  return out;
}

/// A table's place: before a window, along which wall.
std::string tableIdea(const Ground& g, const Layout& l, std::size_t table) {
  const FloorPlace& p = l.at[table];
  std::string out = capital(std::string(kindWords(g.movables[table].piece->kind)));
  for (const Focus& f : g.focuses)
    if (f.kind == Focus::Kind::Window && distance(p.at, f.at) < kBeforeWindow) {
      out += " before a window";
      break;
    }
  const Wall& along = nearestWall(g, p.at);
  const Vec2 length = rotated({1, 0}, turnOf(p.turn));
  out += std::abs(dot(length, along.along())) > 0.7 ? ", along wall " : ", its end to wall ";
  out += along.id.value;
  if (!g.storage.empty())
    if (const auto wall = wallAt(g, l, g.storage.front()))
      out += ", " + std::string(kindWords(g.movables[g.storage.front()].piece->kind)) + " at wall " + wall->value;
  return out;
}

/// What an offer has most of among all, clearly; "" when nothing.
std::string bestOf(const std::vector<SearchOffer>& all, std::size_t i, const Ground& g, LengthFormat format) {
  const auto most = [&](auto value, double clearly) {
    const double own = value(all[i]);
    for (std::size_t j = 0; j < all.size(); ++j)
      if (j != i && value(all[j]) > own - clearly) return false;
    return all.size() > 1 && own > 0;
  };
  const auto narrowest = [](const SearchOffer& o) {
    double out = 1e9;
    for (const auto& [id, width] : o.figures.ways) out = std::min(out, width);
    return o.figures.ways.empty() ? 0 : out;
  };
  const auto longestOf = [](const auto& runs) {
    double out = 0;
    for (const auto& [wall, run] : runs) out = std::max(out, run);
    return out;
  };
  const auto longest = [&](const SearchOffer& o) { return longestOf(o.figures.freeWall); };
  const auto above = [&](const SearchOffer& o) { return longestOf(o.figures.freeAbove); };
  if (most(narrowest, kClearlyMore))
    return "the widest ways, " + writeLength(narrowest(all[i]), format) + " at the narrowest";
  if (most([](const SearchOffer& o) { return static_cast<double>(o.talkPairs); }, 1))
    return "the most seats that talk, " + std::to_string(all[i].talkPairs) + " pairs";
  if (most(longest, kClearlyMore)) return "the longest free wall, " + writeLength(longest(all[i]), format);
  if (most(above, kClearlyMore)) return "the most wall for a picture, " + writeLength(above(all[i]), format);
  if (most([](const SearchOffer& o) { return o.figures.freeFloor; }, kClearlyMoreFloor))
    return "the most free floor, " + writeArea(all[i].figures.freeFloor, g.job->units);
  return {};
}

/// What breaks, with what it is about where the sentence leaves that to its place in a list.
std::string broken(const Ground& g, const Finding& f) {
  static constexpr std::string_view kOfIt[] = {"It ", "Its ", "They ", "Their "};
  if (f.subjects.empty() || std::none_of(std::begin(kOfIt), std::end(kOfIt),
                                         [&](std::string_view begins) { return f.sentence.starts_with(begins); }))
    return f.sentence;
  // Of two it is the one that the sentence does not name.
  const SchemeNames names(*g.job, *g.scheme);
  std::string of = thingWords(names, *g.room, f.subjects.front());
  for (const std::string& subject : f.subjects)
    if (const std::string words = thingWords(names, *g.room, subject); f.sentence.find(words) == std::string::npos) {
      of = words;
      break;
    }
  return capital(of) + ": " + midSentence(f.sentence);
}

/// What no layout mends, where several are offered.
bool breaksInAll(const std::vector<std::vector<Finding>>& findings, const std::string& id) {
  return findings.size() > 1 && std::all_of(findings.begin(), findings.end(), [&](const std::vector<Finding>& all) {
           return std::any_of(all.begin(), all.end(),
                              [&](const Finding& f) { return f.id == id && f.verdict == Verdict::Breaks; });
         });
}

}  // namespace

Idea ideaOf(const Ground& g, const Layout& l) {
  if (!g.seats.empty()) {
    const std::string main = mainIdea(g, l, g.seats.front());
    return {main, main + othersIdea(g, l, g.seats.front())};
  }
  std::string main = "As it stands";
  if (g.beds.empty() && !g.diningTables.empty()) main = tableIdea(g, l, g.diningTables.front());
  else
    for (const auto* list : {&g.beds, &g.desks, &g.storage, &g.others})
      if (!list->empty()) {
        const std::size_t i = list->front();
        const auto wall = wallAt(g, l, i);
        main = capital(std::string(kindWords(g.movables[i].piece->kind))) +
               (wall ? " at wall " + wall->value : " in the room");
        break;
      }
  return {main, main};
}

void explain(std::vector<SearchOffer>& offers, const std::vector<std::vector<Finding>>& findings, const Ground& ground,
             LengthFormat format) {
  for (std::size_t i = 0; i < offers.size(); ++i) {
    SearchOffer& offer = offers[i];
    const std::string best = bestOf(offers, i, ground, format);
    std::string why = offer.idea;
    if (!best.empty()) why += ": " + best;
    const Finding *worst = nullptr, *everywhere = nullptr;
    for (const Finding& f : findings[i]) {
      if (f.verdict != Verdict::Breaks || f.weight == Weight::Taste) continue;
      const Finding*& of = breaksInAll(findings, f.id) ? everywhere : worst;
      if (of == nullptr || std::pair(f.weight, -shortfallOf(f)) < std::pair(of->weight, -shortfallOf(*of))) of = &f;
    }
    if (worst == nullptr && everywhere == nullptr)
      why += best.empty() ? ": nothing of weight breaks" : ", and nothing of weight breaks";
    offer.why = why + ".";
    if (worst != nullptr) {
      const int more = offer.must + offer.rule - 1;
      offer.why += " " + broken(ground, *worst);
      if (more > 0) offer.why += more == 1 ? " One more breaks." : " " + std::to_string(more) + " more break.";
    } else if (everywhere != nullptr) {
      offer.why += " As in all of these: " + midSentence(broken(ground, *everywhere));
    }
  }
}

}  // namespace mezzet
