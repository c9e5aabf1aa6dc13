#include "cli/choosing.h"

#include <iostream>

#include "core/choose/ties.h"
#include "io/json/choosing_report.h"
#include "render/small_pixels.h"

namespace mezzet::cli {
namespace {

PicturesByName picturesIn(const JobFile& file) {
  return picturesOf(file.job, [&](const std::string& name) {
    const auto at = file.images.find(name);
    return at == file.images.end() ? std::string_view() : std::string_view(*at->second);
  });
}

int runTies(const Options& o) {
  const JobFile file = load(o);
  const Scheme* scheme = nullptr;
  for (const auto& one : file.job.schemes)
    if (scheme == nullptr && (o.scheme.empty() || one->id.value == o.scheme) &&
        (o.room.empty() || one->room.value == o.room) && findPlacement(*one, PlacementId(o.placement)) != nullptr)
      scheme = one.get();
  if (scheme == nullptr) throw Refused{{o.job, "has no placement " + o.placement, "See the ids in job.json"}};
  const Placement& p = *findPlacement(*scheme, PlacementId(o.placement));
  const Ties ties = tiesOf(file.job, *scheme, p.id, pieceOf(file.job, p), picturesIn(file));
  if (o.json) {
    std::cout << tiesJson(*scheme, ties);
    return kAnswered;
  }
  for (const ColourTie& t : ties.colours)
    std::cout << t.srgb << "  " << std::lround(100 * t.share) << " %  " << tieWord(t.tie)
              << (t.nearest.empty() ? "" : "  " + t.nearest + " " + t.nearestSrgb) << "\n";
  for (const std::string& word : ties.says) std::cout << word << "\n";
  return kAnswered;
}

int runBudget(const Options& o) {
  const JobFile file = load(o);
  const Scheme& scheme = chosenScheme(file.job, chosenRoom(file.job, o), o);
  const Budget budget = budgetOf(file.job, builtInRulebook(), scheme.id);
  if (o.json) {
    std::cout << budgetJson(scheme, budget);
    return kAnswered;
  }
  for (const BudgetLine& line : budget.lines)
    std::cout << moneyText(line.count) << "  " << line.what << "  "
              << (line.price ? moneyText(line.sum()) : std::string("no price")) << "\n";
  std::cout << "simple " << moneyText(file.job, budget.sums.simple) << ", full "
            << moneyText(file.job, budget.sums.full) << "; now " << moneyText(file.job, budget.sums.now) << ", later "
            << moneyText(file.job, budget.sums.later) << "\n";
  return kAnswered;
}

WallsWish wallsNamed(const std::string& word) {
  if (word == "against") return WallsWish::Against;
  if (word == "off") return WallsWish::Off;
  if (word == "both") return WallsWish::Both;
  throw Refused{{"--walls " + word, "is no way to stand to walls", "Use against, off or both"}};
}
Wishes wishesNamed(const std::vector<std::string>& words) {
  Wishes out;
  const std::pair<const char*, int*> all[] = {{"seats", &out.seats},     {"talk", &out.talk},
                                              {"screen", &out.screen},   {"storage", &out.storage},
                                              {"reading", &out.reading}, {"floor", &out.freeFloor}};
  for (const std::string& word : words) {
    const std::size_t equals = word.find('=');
    bool known = false;
    for (const auto& [name, wish] : all) {
      if (word.substr(0, equals) != name || equals + 2 != word.size()) continue;
      if (const char digit = word.back(); digit >= '0' && digit <= '0' + kMostWish) {
        *wish = digit - '0';
        known = true;
      }
    }
    if (!known)
      throw Refused{{"--wish " + word, "is no wish", "Write seats, talk, screen, storage, reading or floor = 0 to 3"}};
  }
  return out;
}

int runSearch(const Options& o) {
  JobFile file = load(o);
  const Scheme& scheme = chosenScheme(file.job, chosenRoom(file.job, o), o);
  if ((o.candidates > 0) == (o.seconds > 0))
    throw Refused{{"search", "needs one end: --candidates N or --seconds S", "Say one of them"}};
  if (o.candidates > 10'000'000 || o.seconds > 600)
    throw Refused{{"search", "would take too long", "At most 10 million candidates or 600 seconds"}};
  SearchAsk ask;
  ask.scheme = scheme.id;
  ask.anchor = o.anchor;
  ask.states = {stateNamed(o.state)};
  ask.walls = wallsNamed(o.walls);
  ask.wishes = wishesNamed(o.wishes);
  ask.seed = static_cast<std::uint64_t>(std::max(0LL, o.seed));
  ask.candidates = o.candidates;
  ask.threads = o.count.value_or(static_cast<int>(std::max(1u, std::thread::hardware_concurrency())));
  for (const std::string& id : o.keep) {
    if (findPlacement(scheme, PlacementId(id)) == nullptr)
      throw Refused{{"--keep " + id, "is no placement of this scheme", "See the ids in job.json"}};
    ask.keep.emplace_back(id);
  }
  const LengthFormat format = usualFormat(file.job.units);
  const auto begun = std::chrono::steady_clock::now();
  std::stop_source over;
  SearchResult result;
  {
    std::mutex mutex;
    std::condition_variable_any done;
    std::jthread clock([&](const std::stop_token& ended) {
      if (o.seconds <= 0) return;
      std::unique_lock lock(mutex);
      if (!done.wait_for(lock, ended, std::chrono::duration<double>(o.seconds), [] { return false; }) &&
          !ended.stop_requested())
        over.request_stop();
    });
    result = searchLayouts(file.job, builtInRulebook(), ask, format, over.get_token());
  }
  std::cerr << std::chrono::duration<double>(std::chrono::steady_clock::now() - begun).count() << " s\n";
  std::vector<SchemeId> ids;
  Job written = file.job;
  if (!o.out.empty()) {
    IdSource source(file.nextId);
    for (const SearchOffer& offer : result.offers) {
      ids.emplace_back();
      written = withOfferTaken(written, ask, offer, {}, source, ids.back());
    }
    file.nextId = source.next();
  }
  if (o.json) std::cout << searchJson(written, scheme, result, ids);
  else {
    std::cout << result.judged << " layouts judged, " << result.bounded << " thrown out\n";
    for (const SearchOffer& offer : result.offers) std::cout << offer.why << "\n";
    if (!result.says.empty()) std::cout << result.says << "\n";
  }
  if (o.out.empty()) return kAnswered;
  file.job = written;
  FileSystem files;
  if (const auto fault = saveAtomically(files, o.out, orRefuse(writeJobBytes(file)))) throw Refused{*fault};
  return kAnswered;
}

}  // namespace

void addChoosingCommands(CLI::App& cli, Options& o, Runs& runs) {
  CLI::App* cTies = withPlace(command(cli, o, "ties", "What the colours of a picture, rug or textile pick up here"), o);
  cTies->add_option("--placement", o.placement, "Where it stands or hangs")->required();
  CLI::App* cBudget = withPlace(command(cli, o, "budget", "What a scheme costs, by tier and phase"), o);
  CLI::App* cSearch = withPlace(command(cli, o, "search", "Layouts of a room, searched"), o);
  cSearch->add_option("--candidates", o.candidates, "Ends after so many layouts; the same answer every time");
  cSearch->add_option("--seconds", o.seconds, "Ends after so many seconds");
  cSearch->add_option("--seed", o.seed, "Another number, another search");
  cSearch->add_option("--threads", o.count, "How many work at once; the answer is the same");
  cSearch->add_option("--walls", o.walls, "against, off or both: where the main seats stand");
  cSearch->add_option("--keep", o.keep, "Placements that stay where they are")->delimiter(',');
  cSearch->add_option("--anchor", o.anchor, "What the seats are set round: a placement, a fixed thing, a window");
  cSearch->add_option("--wish", o.wishes, "seats=2,talk=3: how much each is wanted, 0 to 3")->delimiter(',');
  cSearch->add_option("--out", o.out, "Writes the job with every layout as a scheme to this file");
  for (CLI::App* sub : {cTies, cBudget, cSearch}) {
    sub->add_option("--state", o.state, "everyday, occupied or party: how the room is used");
    sub->add_flag("--json", o.json, "Answer in JSON");
  }
  runs.emplace_back(cTies, [&o] { return runTies(o); });
  runs.emplace_back(cBudget, [&o] { return runBudget(o); });
  runs.emplace_back(cSearch, [&o] { return runSearch(o); });
}

}  // namespace mezzet::cli
