#include "io/json/survey_json.h"

#include <map>

#include "io/json/job_json.h"
#include "io/json/json_reader.h"

namespace mezzet {
namespace {

using Json = ObjectReader::Json;

constexpr std::pair<const char*, ObservationKind> kKinds[] = {{"run", ObservationKind::Run},
                                                              {"diagonal", ObservationKind::Diagonal},
                                                              {"square", ObservationKind::Square},
                                                              {"angle", ObservationKind::Angle}};
constexpr std::pair<const char*, int> kSurveyTurns[] = {{"L", 1}, {"R", -1}, {"?", 0}};
constexpr std::size_t kMostCorners = 100, kMostReadings = 1000;
constexpr const char* kHint = "See docs/cli.md";

double checked(ObjectReader& in, const char* key, double low, double high) {
  const double value = in.number(key);
  if (!(value > low && value <= high)) in.fail(key, "is out of reach", kHint);
  return value;
}

NamedNetwork read(const Json& json, const std::string& name) {
  ObjectReader in(json, name);
  NamedNetwork out;
  std::map<std::string, std::size_t> places;
  for (const Json& corner : in.list("corners")) {
    if (!corner.is_string() || corner.get<std::string>().empty()) in.fail("corners", "must be names in quotes", kHint);
    if (!places.emplace(corner.get<std::string>(), places.size()).second)
      in.fail("corners", "name \"" + corner.get<std::string>().substr(0, 40) + "\" twice", kHint);
    out.corners.push_back(corner.get<std::string>());
  }
  if (out.corners.size() < 3) in.fail("corners", "are fewer than three", "A room has at least three corners");
  if (out.corners.size() > kMostCorners) in.fail("corners", "are more than 100", "Survey the rooms one by one");
  Network& net = out.network;
  net.corners = out.corners.size();
  const Json& turns = in.list("turns");
  if (turns.size() != net.corners)
    in.fail("turns", "must be one for each corner", "L turns left, R turns right, ? is not known");
  for (const Json& turn : turns) {
    const auto* known = std::find_if(std::begin(kSurveyTurns), std::end(kSurveyTurns), [&](const auto& t) {
      return turn.is_string() && turn.get<std::string>() == t.first;
    });
    if (known == std::end(kSurveyTurns)) in.fail("turns", "must be L, R or ?", kHint);
    net.turns.push_back(known->second);
  }
  const Json& readings = in.list("readings");
  if (readings.size() > kMostReadings) in.fail("readings", "are more than 1000", "Survey the rooms one by one");
  std::set<std::string> ids;
  for (std::size_t i = 0; i < readings.size(); ++i) {
    ObjectReader reading(readings[i], name + "/readings/" + std::to_string(i));
    Observation o;
    o.id = reading.text("id");
    if (!ids.insert(o.id).second)
      reading.fail("id", "is used twice: \"" + o.id.substr(0, 40) + "\"", "Give each reading a name of its own");
    o.kind = reading.choice("kind", kKinds);
    const auto corner = [&](const char* key) {
      const auto at = places.find(reading.text(key));
      if (at == places.end()) reading.fail(key, "is no corner of this room", "Use one of the names under corners");
      return at->second;
    };
    if (o.isLength()) {
      o.from = corner("from");
      o.to = corner("to");
      if (o.from == o.to) reading.fail("to", "is the corner it starts from", "A length runs between two corners");
      const bool neighbours = o.to == (o.from + 1) % net.corners || o.from == (o.to + 1) % net.corners;
      if (o.kind == ObservationKind::Run && !neighbours)
        reading.fail("to", "is not the next corner", "A run follows one wall; call it a diagonal");
      o.value = checked(reading, "mm", 0, kLongestLength);
      o.sigma = checked(reading, "u95", 0, kLongestLength) / 2;
    } else {
      o.from = o.to = corner("at");
      o.value = o.kind == ObservationKind::Square && readings[i].find("degrees") == readings[i].end()
                    ? (net.turns[o.from] < 0 ? 270 : 90)
                    : checked(reading, "degrees", 0, 360);
      o.sigma = checked(reading, "u95", 0, 360) / 2;
    }
    reading.finish();
    net.observations.push_back(std::move(o));
  }
  in.finish();
  return out;
}

}  // namespace

Result<NamedNetwork> readNetwork(std::string_view text, const std::string& name) {
  try {
    return read(parseJson(text), name);
  } catch (const JsonFault& fault) {
    return fault.error;
  } catch (const nlohmann::json::parse_error& fault) {
    return notJson(fault, text, name, "Check commas and quotes there");
  } catch (const nlohmann::json::exception&) {
    return Error{name, "holds a value that cannot be read", "See docs/cli.md"};
  }
}

std::string surveyText(const NamedNetwork& named, const SurveyReport& r) {
  const Network& net = named.network;
  const auto idOf = [&](std::size_t i) { return net.observations[i].id; };
  Json out{{"closes", r.closes()},
           {"chi2", r.all.chi2},
           {"r", r.all.redundancy},
           {"chi2Limit", r.all.chi2Limit},
           {"s0", r.all.s0()}};
  out["corners"] = Json::array();
  for (std::size_t i = 0; i < net.corners; ++i)
    out["corners"].push_back({{"id", named.corners[i]}, {"x", r.all.corners[i].x}, {"y", r.all.corners[i].y}});
  out["readings"] = Json::array();
  for (std::size_t i = 0; i < net.observations.size(); ++i) {
    const AdjustedRow& row = r.all.rows[i];
    out["readings"].push_back({{"id", idOf(i)},
                               {"residual", row.residual},
                               {"sigma", row.sigma},
                               {"redundancy", row.redundancy},
                               {"w", row.w},
                               {"status", statusWord(r.status[i])}});
  }
  out["detected"] = r.suspects.detected;
  out["named"] = r.suspects.named ? Json(idOf(*r.suspects.named)) : Json(nullptr);
  out["suspects"] = Json::array();
  for (const Suspect& s : r.suspects.listed)
    out["suspects"].push_back({{"id", idOf(s.observation)},
                               {"share", s.share},
                               {"predicted", s.predicted},
                               {"predictedU95", s.predictedU95}});
  out["explanations"] = Json::array();
  for (const Explanation& e : r.explanations)
    out["explanations"].push_back(
        {{"id", idOf(e.observation)}, {"slip", e.slip}, {"wouldRead", e.wouldRead}, {"chi2", e.chi2}});
  out["next"] = nullptr;
  if (r.next)
    out["next"] = {{"from", named.corners[r.next->from]},
                   {"to", named.corners[r.next->to]},
                   {"worstBeforeU95", r.next->worstBefore},
                   {"worstAfterU95", r.next->worstAfter}};
  out["lengths"] = Json::array();
  for (std::size_t a = 0; a < net.corners; ++a)
    for (std::size_t b = a + 1; b < net.corners; ++b)
      out["lengths"].push_back({{"from", named.corners[a]},
                                {"to", named.corners[b]},
                                {"mm", distance(r.all.corners[a], r.all.corners[b])},
                                {"u95", u95OfLength(r.all, a, b)}});
  return out.dump(1) + "\n";
}

}  // namespace mezzet
