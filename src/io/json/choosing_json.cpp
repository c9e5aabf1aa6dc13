#include "io/json/choosing_json.h"

#include <algorithm>

#include "core/geometry/polygon.h"
#include "io/json/json_words.h"

namespace mezzet {
namespace {

constexpr std::pair<const char*, CandidateState> kStates[] = {{"open", CandidateState::Open},
                                                              {"finalist", CandidateState::Finalist},
                                                              {"chosen", CandidateState::Chosen},
                                                              {"rejected", CandidateState::Rejected}};
constexpr std::pair<const char*, AreaUse> kAreaUses[] = {{"sitting", AreaUse::Sitting},
                                                         {"dining", AreaUse::Dining},
                                                         {"reading", AreaUse::Reading},
                                                         {"entry", AreaUse::Entry},
                                                         {"work", AreaUse::Work}};

}  // namespace

const char* areaUseWord(AreaUse use) { return wordFor(kAreaUses, use); }

void readCandidates(ObjectReader& placement, Placement& p) {
  p.candidates = readEach<Candidate>(placement, "candidates", [](ObjectReader& c) {
    return Candidate{PieceId(c.text("piece")), c.text("note", ""), c.choice("state", kStates), c.text("why", ""),
                     c.text("date", "")};
  });
}

void writeCandidates(Json& placement, const Placement& p) {
  for (const Candidate& c : p.candidates) {
    Json one{{"piece", c.piece.value}, {"state", wordFor(kStates, c.state)}};
    writeText(one, "note", c.note);
    writeText(one, "why", c.why);
    writeText(one, "date", c.date);
    placement["candidates"].push_back(std::move(one));
  }
}

void readAreas(ObjectReader& scheme, Scheme& s) {
  s.areas = readEach<RoomArea>(scheme, "areas", [](ObjectReader& a) {
    RoomArea area{AreaId(a.text("id")), a.choice("use", kAreaUses), readPoints(a, "outline")};
    if (signedArea(area.outline) < 0) std::reverse(area.outline.begin(), area.outline.end());
    return area;
  });
  s.takesOut = readEach<TakenOut>(scheme, "takesOut", [](ObjectReader& t) {
    return TakenOut{t.text("what"), t.text("engineer", ""), t.text("date", "")};
  });
}

void writeAreas(Json& scheme, const Scheme& s) {
  for (const RoomArea& area : s.areas) {
    Json one{{"id", area.id.value}, {"use", areaUseWord(area.use)}, {"outline", Json::array()}};
    for (const Vec2 corner : area.outline) one["outline"].push_back({corner.x, corner.y});
    scheme["areas"].push_back(std::move(one));
  }
  for (const TakenOut& t : s.takesOut) {
    Json one{{"what", t.what}};
    writeText(one, "engineer", t.engineer);
    writeText(one, "date", t.date);
    scheme["takesOut"].push_back(std::move(one));
  }
}

BudgetList readBudget(ObjectReader& job) {
  BudgetList out;
  const Json* json = job.find("budget");
  if (json == nullptr) return out;
  ObjectReader in(*json, job.placeOf("budget"));
  out.currency = in.text("currency", "");
  out.hours = in.maybeNumber("hours");
  out.rate = in.maybeNumber("rate");
  if (const Json* prices = in.find("prices")) {
    ObjectReader each(*prices, in.placeOf("prices"));
    for (const auto& [what, price] : prices->items()) out.prices[what] = each.number(what);
    each.finish();
  }
  in.finish();
  return out;
}

Json toJson(const BudgetList& budget) {
  Json out = Json::object();
  writeText(out, "currency", budget.currency);
  writeMaybe(out, "hours", budget.hours);
  writeMaybe(out, "rate", budget.rate);
  for (const auto& [what, price] : budget.prices) out["prices"][what] = price;
  return out;
}

}  // namespace mezzet
