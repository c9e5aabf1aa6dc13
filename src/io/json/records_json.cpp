#include "io/json/records_json.h"

#include <algorithm>

#include "io/json/json_words.h"

namespace mezzet {
namespace {

constexpr std::pair<const char*, OrderState> kOrderStates[] = {{"wanted", OrderState::Wanted},
                                                               {"ordered", OrderState::Ordered},
                                                               {"arrived", OrderState::Arrived},
                                                               {"returned", OrderState::Returned}};
constexpr std::pair<const char*, LegKind> kLegs[] = {{"door", LegKind::Door}, {"corridor", LegKind::Corridor},
                                                     {"turn", LegKind::Turn}, {"stair", LegKind::Stair},
                                                     {"lift", LegKind::Lift}, {"stand", LegKind::Stand}};

BoxSize readBox(ObjectReader& in) { return {in.number("width", 0), in.number("depth", 0), in.number("height", 0)}; }
Json toJson(const BoxSize& box) { return {{"width", box.width}, {"depth", box.depth}, {"height", box.height}}; }

int smallNumber(ObjectReader& in, const char* key, long long otherwise) {
  return static_cast<int>(std::clamp(in.whole(key, otherwise), -1LL, 1'000'000LL));
}
std::vector<std::string> readTexts(ObjectReader& in, const char* key) {
  std::vector<std::string> out;
  for (const Json& one : in.list(key)) {
    if (!one.is_string()) in.fail(key, "must hold texts");
    out.push_back(one.get<std::string>());
    if (out.back().size() > kLongestText) in.fail(key, "holds a text longer than 10000 characters");
  }
  return out;
}

Order readOrder(ObjectReader& in) {
  Order o;
  o.piece = PieceId(in.text("piece"));
  o.count = smallNumber(in, "count", 1);
  o.ordered = in.text("ordered", "");
  if (in.find("leadDays") != nullptr) o.leadDays = smallNumber(in, "leadDays", 0);
  o.state = in.choice("state", kOrderStates, std::optional(OrderState::Wanted));
  o.from = in.text("from", "");
  o.note = in.text("note", "");
  o.came = in.text("came", "");
  if (const Json* asked = in.find("asked")) {
    ObjectReader box(*asked, in.placeOf("asked"));
    o.asked = readBox(box);
    box.finish();
  }
  return o;
}
Json toJson(const Order& o) {
  Json out{{"piece", o.piece.value}, {"count", o.count}, {"state", wordFor(kOrderStates, o.state)}};
  writeText(out, "ordered", o.ordered);
  if (o.leadDays) out["leadDays"] = *o.leadDays;
  writeText(out, "from", o.from);
  writeText(out, "note", o.note);
  writeText(out, "came", o.came);
  if (o.asked) out["asked"] = toJson(*o.asked);
  return out;
}

IssuedFigure readFigure(ObjectReader& in) {
  return {in.text("id"),      in.text("what", ""), in.text("room", ""),  in.text("stage", ""),
          in.number("value"), in.text("unit", ""), in.maybeNumber("off")};
}
Json toJson(const IssuedFigure& f) {
  Json out{{"id", f.id}, {"what", f.what}, {"room", f.room}, {"stage", f.stage}, {"value", f.value}, {"unit", f.unit}};
  writeMaybe(out, "off", f.off);
  return out;
}
IssueRecord readIssue(ObjectReader& in) {
  IssueRecord out{smallNumber(in, "number", 1),
                  in.text("date", ""),
                  in.text("reader", ""),
                  in.text("hash", ""),
                  readTexts(in, "schemes"),
                  readTexts(in, "changes"),
                  {}};
  out.figures = readEach<IssuedFigure>(in, "figures", readFigure);
  return out;
}
Json toJson(const IssueRecord& issue) {
  Json out{{"number", issue.number}, {"date", issue.date}, {"reader", issue.reader}, {"hash", issue.hash}};
  if (!issue.schemes.empty()) out["schemes"] = issue.schemes;
  if (!issue.changes.empty()) out["changes"] = issue.changes;
  for (const IssuedFigure& f : issue.figures) out["figures"].push_back(toJson(f));
  return out;
}

DeliveryLeg readLeg(ObjectReader& in) {
  DeliveryLeg leg;
  leg.kind = in.choice("kind", kLegs);
  leg.name = in.text("name", "");
  leg.room = in.text("room", "");
  leg.width = in.maybeNumber("width");
  leg.height = in.maybeNumber("height");
  leg.length = in.maybeNumber("length");
  leg.to = in.maybeNumber("to");
  leg.depth = in.maybeNumber("depth");
  return leg;
}
Json toJson(const DeliveryLeg& leg) {
  Json out{{"kind", wordFor(kLegs, leg.kind)}};
  writeText(out, "name", leg.name);
  writeText(out, "room", leg.room);
  writeMaybe(out, "width", leg.width);
  writeMaybe(out, "height", leg.height);
  writeMaybe(out, "length", leg.length);
  writeMaybe(out, "to", leg.to);
  writeMaybe(out, "depth", leg.depth);
  return out;
}

}  // namespace

void readRecords(ObjectReader& job, Job& out) {
  Records records;
  records.orders = readEach<Order>(job, "orders", readOrder);
  records.issues = readEach<IssueRecord>(job, "issues", readIssue);
  if (const Json* delivery = job.find("delivery")) {
    ObjectReader in(*delivery, job.placeOf("delivery"));
    records.legs = readEach<DeliveryLeg>(in, "legs", readLeg);
    in.finish();
  }
  records.building = readTexts(job, "building");
  records.firm = job.text("firm", "");
  records.client = job.text("client", "");
  records.starts = job.text("starts", "");
  records.due = job.text("due", "");
  records.reviews = readEach<Review>(job, "reviews", [](ObjectReader& in) {
    return Review{in.text("date"), in.text("what"), in.text("done", ""), in.text("note", "")};
  });
  if (records != Records{}) out.records.edit() = std::move(records);
}

Json recordsToJson(const Records& records) {
  Json out = Json::object();
  for (const Order& o : records.orders) out["orders"].push_back(toJson(o));
  for (const IssueRecord& issue : records.issues) out["issues"].push_back(toJson(issue));
  for (const DeliveryLeg& leg : records.legs) out["delivery"]["legs"].push_back(toJson(leg));
  if (!records.building.empty()) out["building"] = records.building;
  writeText(out, "firm", records.firm);
  writeText(out, "client", records.client);
  writeText(out, "starts", records.starts);
  writeText(out, "due", records.due);
  for (const Review& review : records.reviews) {
    Json one{{"date", review.date}, {"what", review.what}};
    writeText(one, "done", review.done);
    writeText(one, "note", review.note);
    out["reviews"].push_back(std::move(one));
  }
  return out;
}

void readTakesApart(ObjectReader& piece, Piece& p) {
  auto boxes = readEach<BoxSize>(piece, "takesApart", readBox);
  if (!boxes.empty()) p.carry.edit().takesApart = std::move(boxes);
}
void writeTakesApart(Json& piece, const Piece& p) {
  for (const BoxSize& box : p.carry->takesApart) piece["takesApart"].push_back(toJson(box));
}

}  // namespace mezzet
