#include "io/json/report_json.h"

#include <nlohmann/json.hpp>

#include "io/json/tidy.h"
#include "core/rules/art/rules.h"

namespace mezzet {

namespace {

Json point(Vec2 p) { return pointJson(p); }
Json findingJson(const Finding& f, const std::vector<WayOut>& ways, const Rulebook& book) {
  const bool known = f.missing.empty();
  Json out{{"id", f.id},
           {"rule", f.rule},
           {"school", f.school ? Json(*f.school) : Json(nullptr)},
           {"weight", weightWord(f.weight)},
           {"subjects", f.subjects},
           {"verdict", verdictWord(f.verdict)},
           {"quantity", quantityWord(f.quantity)},
           {"unit", unitWord(f.quantity)}};
  out["measured"] = known ? Json(tidy(f.measured)) : Json(nullptr);
  out["low"] = maybe(f.asked.low);
  out["high"] = maybe(f.asked.high);
  out["idealLow"] = maybe(f.ideal.low);
  out["idealHigh"] = maybe(f.ideal.high);
  out["margin"] = known ? Json(tidy(f.margin)) : Json(nullptr);
  out["marginMm"] = known ? maybe(f.marginMm) : Json(nullptr);
  out["u95"] = tidy(f.u95);
  out["at"] = Json::array({point(f.at[0]), point(f.at[1])});
  out["view"] = viewKey(f.view);
  if (!f.between.empty()) out["between"] = f.between;
  if (!f.pairs.empty()) {
    out["pairs"] = Json::array();
    for (const Finding::Pair& p : f.pairs) out["pairs"].push_back({{"a", p.a}, {"b", p.b}, {"mm", tidy(p.mm)}});
  }
  out["missing"] = f.missing;
  out["sentence"] = f.sentence;
  const Rule* rule = findRule(book, f.rule);
  out["source"] = {{"kind", rule != nullptr ? rule->source.kind : ""},
                   {"cite", rule != nullptr ? rule->source.cite : ""}};
  out["waysOut"] = Json::array();
  for (const WayOut& way : ways)
    out["waysOut"].push_back({{"id", way.id}, {"sentence", way.sentence + ": " + way.gives + "."}});
  return out;
}

}  // namespace

std::string checkJson(const CheckReport& report, const Rulebook& book) {
  const VerdictCounts c = countVerdicts(report.findings, report.strict);
  Json out{{"contract", 1}, {"room", report.room.value}, {"scheme", report.scheme.value}};
  out["counts"] = {
      {"holds", c.holds}, {"close", c.close}, {"breaks", c.breaks}, {"not_measured", c.notMeasured}, {"kept", c.kept}};
  out["findings"] = Json::array();
  for (std::size_t i = 0; i < report.findings.size(); ++i)
    out["findings"].push_back(findingJson(report.findings[i], report.waysOut[i], book));
  for (const Deviation& d : report.asHung)
    out["asHung"].push_back({{"placement", d.placement.value},
                             {"right", tidy(d.right)},
                             {"up", tidy(d.up)},
                             {"limit", tidy(d.limit)},
                             {"over", d.over()}});
  return out.dump(1) + "\n";
}

std::string sizeJson(const RoomId& room, const SchemeId& scheme, const SizeCard& card) {
  const auto range = [](const SizeRange& r) {
    const auto by = [](const std::optional<SizeEnd>& e) {
      return e ? Json{{"rule", e->rule}, {"with", e->with.empty() ? Json(nullptr) : Json(e->with)}} : Json(nullptr);
    };
    const auto value = [](const std::optional<SizeEnd>& e) { return e ? Json(tidy(e->value)) : Json(nullptr); };
    return Json{{"low", value(r.low)},
                {"high", value(r.high)},
                {"idealLow", maybe(r.idealLow)},
                {"idealHigh", maybe(r.idealHigh)},
                {"recommended", tidy(r.recommended)},
                {"lowBy", by(r.low)},
                {"highBy", by(r.high)}};
  };
  // A round thing has one diameter.
  const Json across = range(card.width), none = nullptr;
  Json dims{{"width", card.round ? none : across},
            {"depth", card.depth ? range(*card.depth) : none},
            {"height", card.height ? range(*card.height) : none},
            {"diameter", card.round ? across : none}};
  return Json{{"contract", 2}, {"room", room.value},  {"scheme", scheme.value},
              {"dims", dims},  {"holds", card.holds}, {"says", card.says}}
             .dump(1) +
         "\n";
}

std::string gapsJson(const std::vector<Gap>& gaps) {
  Json out{{"gaps", Json::array()}};
  for (const Gap& gap : gaps)
    out["gaps"].push_back(
        {{"a", gap.a}, {"b", gap.b}, {"mm", tidy(gap.length)}, {"at", Json::array({point(gap.atA), point(gap.atB)})}});
  return out.dump(1) + "\n";
}

std::string routeJson(const Way& way) {
  Json out{{"widestMm", tidy(way.width)}, {"atLeast", way.atLeast}};
  out["cappedBy"] = way.cappedBy ? Json(*way.cappedBy) : Json(nullptr);
  out["pinch"] = nullptr;
  if (way.pinch) {
    out["pinch"] = {{"between", {way.pinch->first, way.pinch->second}},
                    {"at", Json::array({point(way.pinch->at[0]), point(way.pinch->at[1])})}};
    out["pinch"]["tied"] = Json::array();
    for (const TiedPair& pair : way.pinch->tied) out["pinch"]["tied"].push_back({pair.first, pair.second});
  }
  return out.dump(1) + "\n";
}

std::string reachJson(const std::vector<std::string>& reached, const std::vector<std::string>& missed) {
  return Json{{"reached", reached}, {"not", missed}}.dump(1) + "\n";
}

std::string turningJson(const TurningCircle& turn) {
  return Json{{"diameterMm", tidy(turn.diameter)}, {"centre", turn.diameter > 0 ? point(turn.centre) : Json(nullptr)}}
             .dump(1) +
         "\n";
}

std::string artJson(const ArtSolution& s) {
  Json out{{"both", s.both}, {"centre", tidy(s.centre)}, {"gap", tidy(s.gap)}};
  out["short"] = {{std::string(kArtCentre), tidy(s.shortCentre)}, {std::string(kArtGap), tidy(s.shortGap)}};
  out["frameHeights"] =
      s.frameHeights ? Json::array({maybe(s.frameHeights->low), maybe(s.frameHeights->high)}) : Json(nullptr);
  return out.dump(1) + "\n";
}

}  // namespace mezzet
