#include "cli/apply.h"

#include <algorithm>
#include <iostream>

#include "core/decide/size_place.h"
#include "core/decide/ways_out.h"
#include "io/json/report_json.h"
#include "io/json/rulebook_json.h"

namespace mezzet::cli {

int runApply(const Options& o) {
  CheckedScheme checked = checkedScheme(o, "apply");
  JobFile& file = checked.file;
  const std::vector<Finding>& now = checked.findings;
  const auto finding = std::find_if(now.begin(), now.end(), [&](const Finding& f) { return f.id == o.finding; });
  if (finding == now.end()) throw Refused{{checked.scheme.id.value, "has no finding " + o.finding, "See check --json"}};
  const std::vector<WayOut> ways = waysOutOf(*finding, now, file.job, builtInRulebook(), checked.scheme.id,
                                             IdSource(file.nextId), checked.format, checked.with());
  const auto way = std::find_if(ways.begin(), ways.end(), [&](const WayOut& w) { return w.id == o.way; });
  if (way == ways.end()) {
    std::string has;
    for (const WayOut& w : ways) has += (has.empty() ? "" : ", ") + w.id;
    throw Refused{{o.finding, "has no way out " + o.way, has.empty() ? "It has none" : "It has " + has}};
  }
  file.job = way->job;
  file.nextId = way->nextId;
  std::string bytes;
  if (o.out.ends_with(".mezzet")) {
    auto made = writeJobBytes(file);
    if (!made) throw Refused{made.error()};
    bytes = std::move(made).value();
  } else if (o.out.ends_with(".json")) {
    bytes = writeJobText(file.job, file.nextId);
  } else {
    throw Refused{{o.out, "has no ending of a job", "Use .mezzet or .json"}};
  }
  FileSystem files;
  if (const auto fault = saveAtomically(files, o.out, bytes)) throw Refused{*fault};
  std::cout << o.out << ": " << way->sentence << ": " << way->gives << ".\n";
  return kAnswered;
}

int runSize(const Options& o) {
  const JobFile file = load(o);
  const Room& room = chosenRoom(file.job, o);
  const Scheme& scheme = chosenScheme(file.job, room, o);
  const Rulebook& book = builtInRulebook();
  const LengthFormat format = usualFormat(file.job.units);
  const CheckWith with{stateNamed(o.state), nullptr};
  if (o.sizeKind.empty() == o.placement.empty())
    throw Refused{{"size", "asks for one of --kind and --placement", "Say what is to be bought, or what stands there"}};
  Job job = file.job;
  PlacementId placement(o.placement);
  if (!o.sizeKind.empty()) {
    IdSource ids(file.nextId);
    const std::optional<PlacementId> what =
        o.forPlacement.empty() ? std::nullopt : std::optional(PlacementId(o.forPlacement));
    Added added = orRefuse(placedFor(job, book, scheme.id, o.sizeKind, what, format, with, ids));
    job = std::move(added.job);
    placement = added.placement;
  }
  const Patience patience("size");
  const auto card = sizeCardOf(job, book, scheme.id, placement, format, with, patience.token());
  patience.check();
  if (!card)
    throw Refused{{o.job + ", " + o.placement, "neither stands nor hangs in this scheme", "See the ids in job.json"}};
  if (o.json) std::cout << sizeJson(room.id, scheme.id, *card);
  else
    for (const std::string& line : sizeCardWords(*card, book, SchemeNames(job, *findScheme(job, scheme.id)), room))
      std::cout << line << "\n";
  return kAnswered;
}

}  // namespace mezzet::cli
