#include "io/json/hand_over_report.h"

#include <nlohmann/json.hpp>

#include "io/json/job_json.h"
#include "io/json/tidy.h"

namespace mezzet {
namespace {

Json answerOf(const std::string& room, const std::string& scheme) {
  return {{"contract", 2}, {"room", room}, {"scheme", scheme}};
}

}  // namespace

std::string deliveryJson(const Room& room, const Scheme& scheme, const std::vector<DeliveryAnswer>& answers) {
  Json out = answerOf(room.id.value, scheme.id.value);
  out["pieces"] = Json::array();
  for (const DeliveryAnswer& a : answers)
    out["pieces"].push_back(
        {{"piece", a.piece.value},
         {"verdict", a.verdict == CarryVerdict::NotMeasured ? Json(nullptr) : Json(verdictWord(a.verdict))},
         {"orientation", a.how ? Json(carriedWord(*a.how)) : Json(nullptr)},
         {"leg", a.leg ? Json(*a.leg) : Json(nullptr)},
         {"spare", maybe(a.spare)},
         {"apart", a.apart},
         {"says", a.says}});
  return out.dump() + "\n";
}

std::string datesJson(const Room& room, const Scheme& scheme, const Dates& dates) {
  Json out = answerOf(room.id.value, scheme.id.value);
  out["tasks"] = Json::array();
  for (const JobTask& t : dates.tasks)
    out["tasks"].push_back({{"id", t.id},
                            {"what", t.what},
                            {"start", writeDay(t.start)},
                            {"end", writeDay(t.end)},
                            {"latest", writeDay(t.latest)},
                            {"float", t.slack},
                            {"after", t.after},
                            {"critical", t.critical()},
                            {"days", t.days},
                            {"people", t.people},
                            {"minutes", tidy(t.minutes)}});
  out["end"] = writeDay(dates.end);
  out["late"] = Json::array();
  for (const HeldDate& late : dates.late)
    out["late"].push_back({{"id", late.id}, {"by", late.by}, {"days", late.days}, {"says", late.says}});
  out["notes"] = dates.notes;
  return out.dump() + "\n";
}

std::string changesJson(const Scheme& to, const std::vector<Change>& changes) {
  Json out = answerOf(to.room.value, to.id.value);
  out["changes"] = Json::array();
  for (const Change& c : changes)
    out["changes"].push_back({{"id", c.id},
                              {"what", c.what},
                              {"stage", c.stage},
                              {"from", maybe(c.from)},
                              {"to", maybe(c.to)},
                              {"unit", c.unit},
                              {"better", c.better ? Json(*c.better) : Json(nullptr)}});
  return out.dump() + "\n";
}

}  // namespace mezzet
