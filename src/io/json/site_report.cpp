#include "io/json/site_report.h"

#include "core/site/heights.h"
#include "core/site/house.h"
#include "core/site/openings.h"
#include "core/site/stairs.h"
#include "core/site/studs.h"
#include "core/survey/trace.h"
#include "io/json/job_json.h"

namespace mezzet {
namespace {

Json cornersOf(const std::vector<Corner>& corners) {
  Json out = Json::array();
  for (const Corner& c : corners) out.push_back({{"id", c.id.value}, {"x", c.at.x}, {"y", c.at.y}});
  return out;
}
Json planeOf(const Plane& p) { return {{"z", p.z}, {"gx", p.gx}, {"gy", p.gy}}; }
Json known(const std::optional<double>& v) { return v ? Json(*v) : Json(nullptr); }

}  // namespace

std::string siteText(const Room& room, LengthFormat format) {
  Json out{{"room", room.id.value}, {"openings", Json::array()}, {"walls", Json::array()}};
  for (const Corner& corner : room.corners) {
    const auto closure = closureOf(room, corner.id);
    if (!closure || closure->places.empty()) continue;
    Json wall{{"wall", corner.id.value},     {"length", closure->wallLength}, {"u95", closure->wallU95},
              {"closes", closure->closes()}, {"chi2", closure->chi2},         {"redundancy", closure->redundancy},
              {"limit", closure->limit},     {"readings", Json::array()}};
    for (const OpeningRow& r : closure->rows)
      if (!r.reading.empty())
        wall["readings"].push_back({{"id", r.reading.value},
                                    {"opening", r.opening.value},
                                    {"read", r.read},
                                    {"residual", r.residual},
                                    {"sigma", r.sigma}});
    out["walls"].push_back(std::move(wall));
    for (const OpeningPlace& p : closure->places)
      out["openings"].push_back({{"id", p.opening.value},
                                 {"offset", p.offset},
                                 {"offsetU95", p.offsetU95},
                                 {"width", p.width},
                                 {"widthU95", p.widthU95},
                                 {"misclosure", known(p.misclosure)}});
  }
  const RoomHeights heights = heightsOf(room);
  const HeightReport report = heightReport(room, format);
  out["heights"] = {{"floor", planeOf(heights.floor)}, {"parts", Json::array()},
                    {"readings", Json::array()},       {"fits", report.fits},
                    {"lowest", report.lowestClear},    {"highest", report.highestClear}};
  for (const CeilingPart& part : heights.parts)
    out["heights"]["parts"].push_back(
        {{"name", part.name}, {"measured", part.measured}, {"plane", planeOf(part.plane)}});
  for (const HeightRow& r : report.rows)
    out["heights"]["readings"].push_back(
        {{"id", r.reading.value}, {"of", r.of}, {"residual", r.residual}, {"sigma", r.sigma}});
  out["studs"] = Json::array();
  for (const StudRecord& record : room.studs) {
    const auto wall = findWall(room, record.wall);
    const auto fit = fitStuds(record, wall->length());
    Json one{{"wall", record.wall.value},
             {"pitch", fit ? Json(fit->pitch) : Json(nullptr)},
             {"first", fit ? Json(fit->first) : Json(nullptr)},
             {"odd", Json::array()},
             {"studs", Json::array()}};
    if (fit) {
      for (const ReadingId& id : fit->odd) one["odd"].push_back(id.value);
      for (const Stud& s : fit->studs) one["studs"].push_back({{"along", s.along}, {"u95", s.u95}, {"hits", s.hits}});
    }
    out["studs"].push_back(std::move(one));
  }
  out["stairs"] = Json::array();
  for (const Feature& f : room.features)
    if (f.stair)
      out["stairs"].push_back({{"id", f.id.value},
                               {"pitch", pitchOf(*f.stair)},
                               {"step", stepLength(*f.stair)},
                               {"short", f.stair->rise ? Json(-*reachMisfit(*f.stair)) : Json(nullptr)}});
  out["trace"] = Json::array();
  for (const TraceDifference& d : traceDifferences(room, format))
    out["trace"].push_back({{"from", d.from.value},
                            {"to", d.to.value},
                            {"traced", d.traced},
                            {"tracedU95", d.tracedU95},
                            {"taped", known(d.taped)},
                            {"difference", known(d.difference())}});
  return out.dump(1) + "\n";
}

std::string houseText(const Job& job, LengthFormat format) {
  Json out{{"storeys", Json::array()}};
  for (const HouseStorey& storey : layoutOf(job, format)) {
    Json one{{"id", storey.id.value}, {"name", storey.name}, {"rooms", Json::array()}, {"says", storey.sentences}};
    for (const PlacedRoom& p : storey.rooms)
      one["rooms"].push_back(
          {{"id", p.room.value}, {"x", p.at.x}, {"y", p.at.y}, {"turn", p.turn}, {"joined", p.joined}});
    out["storeys"].push_back(std::move(one));
  }
  return out.dump(1) + "\n";
}

std::string togetherText(const Room& room) {
  Json out{{"name", room.name}, {"corners", cornersOf(room.corners)}, {"openings", Json::array()}};
  for (const Opening& o : room.openings)
    out["openings"].push_back({{"id", o.id.value}, {"wall", o.wall.value}, {"offset", o.offset}, {"width", o.width}});
  return out.dump(1) + "\n";
}

std::string outlineText(const DxfOutline& outline, const std::string& layer, double mmPerUnit) {
  return Json{{"layer", layer},
              {"mmPerUnit", mmPerUnit},
              {"outlines", outline.loops},
              {"corners", cornersOf(outline.corners)},
              {"says", outline.sentences}}
             .dump(1) +
         "\n";
}

}  // namespace mezzet
