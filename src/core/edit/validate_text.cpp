#include "core/edit/validate_text.h"

#include <string_view>

namespace mezzet {

namespace {

/// Every text of a job's records, with where it stands.
template <class Text>
void eachText(const Records& records, const Text& text) {
  for (const std::string& id : records.building) text(id, "what is built");
  for (const std::string* value : {&records.firm, &records.client}) text(*value, "the title block");
  for (const Order& o : records.orders)
    for (const std::string* value : {&o.from, &o.note}) text(*value, "an order");
  for (const IssueRecord& issue : records.issues) {
    text(issue.reader, "an issue");
    for (const std::string& id : issue.schemes) text(id, "an issue");
    for (const std::string& change : issue.changes) text(change, "an issue");
    for (const IssuedFigure& f : issue.figures)
      for (const std::string* value : {&f.id, &f.what, &f.room, &f.stage, &f.unit}) text(*value, "an issue");
  }
  for (const DeliveryLeg& leg : records.legs)
    for (const std::string* value : {&leg.name, &leg.room}) text(*value, "a leg of the way in");
  for (const Review& r : records.reviews)
    for (const std::string* value : {&r.what, &r.note}) text(*value, "a review");
}

}  // namespace

std::optional<Error> faultOfTexts(const Job& job) {
  std::optional<Error> fault;
  std::size_t extras = 0;
  const auto text = [&](const std::string& value, std::string_view where) {
    if (value.size() > kLongestText && !fault)
      fault = Error{std::string(where), "is longer than 10000 letters", "Shorten it"};
  };
  const auto extra = [&](const Extra& value, std::string_view where) {
    extras += value.size();
    if (value.size() > kMostExtraBytes && !fault)
      fault = Error{std::string(where) + ", x", "holds more than 64 KB", "Keep large data in a file of its own"};
  };
  text(job.name, "the job's name");
  extra(job.extra, "job");
  for (const std::string* value : {&job.brief.purpose, &job.brief.hours, &job.brief.anchor}) text(*value, "the brief");
  text(job.budget.currency, "the currency");
  for (const auto& [what, price] : job.budget.prices) text(what, "a price's name");
  for (const auto& [finish, price] : job.carpet.edgePrices) text(finish, "an edge finish");
  for (const Storey& storey : job.storeys) text(storey.name, "a storey's name");
  eachText(*job.records, text);
  for (const auto& room : job.rooms) {
    const std::string where = "room " + room->id.value;
    for (const std::string* value : {&room->id.value, &room->name}) text(*value, where);
    extra(room->extra, where);
    if (room->survey)
      for (const Reading& r : room->survey->readings)
        for (const std::string* value : {&r.typed, &r.who, &r.note}) text(*value, where + ", a reading");
    for (const Opening& o : room->openings) text(o.name, where + ", an opening's name");
    for (const Photograph& p : room->photographs)
      for (const std::string* value : {&p.note, &p.who}) text(*value, where + ", a photograph");
  }
  for (const auto& piece : job.pieces) {
    const std::string where = "piece " + piece->id.value.substr(0, 60);
    for (const std::string* value : {&piece->id.value, &piece->name, &piece->kind, &piece->finish->material,
                                     &piece->rug->fibre, &piece->rug->edge, &piece->frame->finish})
      text(*value, where);
    for (const std::string* value : {&piece->thing->family, &piece->thing->collection}) text(*value, where);
    for (const std::string& season : piece->thing->seasons) text(season, where + ", a season");
    for (const HeldThing& held : piece->thing->holds) text(held.name, where + ", what it holds");
    for (const std::string* value : {&piece->shop->note, &piece->story}) text(*value, where);
    extra(piece->extra, where);
  }
  for (const auto& scheme : job.schemes) {
    const std::string where = "scheme " + scheme->id.value.substr(0, 60);
    for (const std::string* value : {&scheme->id.value, &scheme->name}) text(*value, where);
    extra(scheme->extra, where);
    for (const Placement& p : scheme->placements) {
      text(p.group, where);
      if (const auto group = groupOf(p.on)) text(*group, where);
      if (p.asHung)
        for (const std::string* value : {&p.asHung->date, &p.asHung->who, &p.asHung->note}) text(*value, where);
      for (const Candidate& c : p.candidates)
        for (const std::string* value : {&c.note, &c.why, &c.date}) text(*value, where + ", a candidate");
      extra(p.extra, where);
    }
    for (const Hang& hang : scheme->hangs)
      for (const std::string* value : {&hang.id, &hang.like}) text(*value, where + ", an arrangement");
    for (const TakenOut& out : scheme->takesOut)
      for (const std::string* value : {&out.what, &out.engineer, &out.date}) text(*value, where + ", taken out");
    for (const DisplaySet& d : scheme->displays) text(d.season, where + ", a season");
    for (const Kept& kept : scheme->kept)
      for (const std::string* value : {&kept.finding, &kept.reason}) text(*value, where + ", a reason");
    for (const LogEntry& entry : scheme->log) text(entry.text, where + ", a note");
  }
  if (!fault && extras > kMostExtrasBytes)
    fault = Error{"job", "holds more than 1 MB of free data under x", "Keep large data in a file of its own"};
  return fault;
}

}  // namespace mezzet
