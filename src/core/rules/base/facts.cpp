#include "core/rules/base/facts.h"

#include <algorithm>
#include <cmath>
#include <map>

namespace mezzet {
namespace {

/// The chair's width, laid against the table's edge and slid back until something stops it. Others at the same table
/// sit beside, not behind.
Behind behindDiner(const Situation& s, const DiningSeat& seat) {
  const Vec2 back = seat.back, t = leftOf(back);
  const double half = s.pieces.of(*seat.chair).width / 2;
  const Convex row{{seat.edge - t * half, seat.edge + t * half}, 0};
  return firstMet(s, row, back, [&](const Body& body) {
    return body.id == seat.chair->id.value || body.id == seat.table->id.value ||
           std::any_of(s.dining().begin(), s.dining().end(),
                       [&](const DiningSeat& o) { return o.table == seat.table && o.chair->id.value == body.id; });
  });
}

}  // namespace

Situation::Situation(const Job& ofJob, const Rulebook& withBook, const Scheme& ofScheme, LengthFormat inFormat,
                     const CheckWith& with)
    : job(ofJob),
      book(withBook),
      scheme(ofScheme),
      room(roomOf(ofJob, ofScheme)),
      format(inFormat),
      pieces(ofJob),
      names(pieces, ofScheme),
      state(with.state),
      routes(with.routes),
      photometries(with.photometries) {}

const std::vector<Body>& Situation::bodies() const {
  return bodies_.get([&] { return floorBodies(pieces, scheme); });
}
const std::vector<Body>& Situation::fixed() const {
  return fixed_.get([&] { return fixedBodies(room); });
}
const std::vector<Hung>& Situation::hung() const {
  return hung_.get([&] { return hungIn(pieces, scheme); });
}
const std::vector<std::optional<Below>>& Situation::below() const {
  return below_.get([&] {
    std::vector<std::optional<Below>> out;
    std::map<CornerId, std::vector<Below>> candidates;
    for (const Hung& one : hung()) {
      const auto wall = findWall(room, one.wall);
      auto at = candidates.find(one.wall);
      if (at == candidates.end())
        at =
            candidates.emplace(one.wall, wall ? candidatesBelow(job, room, scheme, *wall) : std::vector<Below>{}).first;
      out.push_back(belowOf(at->second, one.envelope));
    }
    return out;
  });
}
const RoomHeights& Situation::heights() const {
  return heights_.get([&] { return heightsOf(room); });
}
const std::vector<Serving>& Situation::servings() const {
  return servings_.get([&] { return servingsIn(pieces, scheme); });
}
const std::vector<DiningSeat>& Situation::dining() const {
  return dining_.get([&] { return diningSeatsIn(pieces, scheme); });
}
const std::vector<Behind>& Situation::behind() const {
  return behind_.get([&] {
    std::vector<Behind> out;
    for (const DiningSeat& seat : dining()) out.push_back(behindDiner(*this, seat));
    return out;
  });
}
const std::vector<TalkGroup>& Situation::groups() const {
  return groups_.get([&] { return talkGroupsIn(pieces, servings()); });
}
const WalkSpace& Situation::walk() const {
  return walk_.get([&] { return walkSpaceOf(pieces, room, scheme, state); });
}
const std::vector<RoomWay>& Situation::ways() const {
  return ways_.get([&] { return waysIn(walk(), judgedDestinations(pieces, room, scheme)); });
}
const Reflected& Situation::reflected() const {
  return reflected_.get([&] { return reflectedIn(pieces, room, scheme); });
}
const std::vector<Occluder>& Situation::occluders() const {
  return occluders_.get([&] { return occludersIn(pieces, room, scheme); });
}
const std::vector<Display>& Situation::displays() const {
  return displays_.get([&] {
    std::vector<Display> out;
    for (const std::string& id : carriersOf(pieces, room, scheme, false))
      if (auto display = displayOf(job, pieces, room, scheme, id)) out.push_back(std::move(*display));
    return out;
  });
}
const std::vector<Fixture>& Situation::fixtures() const {
  return fixtures_.get([&] { return fixturesIn(pieces, room, heights(), scheme); });
}
std::vector<const Placement*> Situation::mainSeats() const {
  return groups().empty() ? std::vector<const Placement*>{} : groups().front().seats;
}
const Placement* Situation::placement(std::string_view id) const {
  const auto& all = byId_.get([&] {
    std::unordered_map<std::string_view, const Placement*> index;
    for (const Placement& p : scheme.placements) index.emplace(p.id.value, &p);
    return index;
  });
  const auto at = all.find(id);
  return at == all.end() ? nullptr : at->second;
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
  f.quantity = quantityOf(rule);
  f.asked = asked.tolerated;
  f.ideal = asked.ideal;
  f.missing = asked.missing;
  return f;
}

std::string rivalWords(const Situation& s, const Rule& rule, const Finding& f, const std::vector<std::string>& whens) {
  if (!f.school || f.verdict == Verdict::NotMeasured) return {};
  std::string out;
  for (const School& school : rule.schools) {
    if (school.id == *f.school) continue;
    const Asked other = askedBySchool(school, s.job, whens);
    if (!other.missing.empty()) continue;
    const bool holdsHere = marginIn(f.asked, f.measured) >= 0, holdsThere = marginIn(other.tolerated, f.measured) >= 0;
    if (holdsHere == holdsThere) continue;
    out += (out.empty() ? "Others ask " : ", or ") + rangeWords(other.tolerated, f.quantity, s.format);
  }
  return out.empty() ? out : out + ".";
}

double doubtOfThing(const Situation& s, const std::string& id, Vec2 direction) {
  const Placement* p = s.placement(id);
  const auto* place = p != nullptr ? onFloor(p->on) : nullptr;
  return place != nullptr ? doubtAlong(s.pieces.of(*p), *place, direction) : 0;
}

Behind firstMet(const Situation& s, const Convex& row, Vec2 along, const std::function<bool(const Body&)>& ignored) {
  Behind out;
  const auto offer = [&](const Body& body) {
    for (const Convex& part : body.parts)
      if (const auto length = slideUntilTouch(row, part, along, kTouch); length && *length < out.clear)
        out = {std::max(0.0, *length), body.id, doubtOfThing(s, body.id, along)};
  };
  for (const Body& body : s.fixed()) offer(body);
  for (const Body& body : s.bodies())
    if (!body.flat && !ignored(body)) offer(body);
  return out;
}

}  // namespace mezzet
